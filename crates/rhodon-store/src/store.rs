//! Reading themes and their revisions.

use std::sync::Arc;

use rhodon_theme::Document;
use sea_orm::sea_query::Expr;
use sea_orm::{ColumnTrait, EntityTrait, QueryFilter, QueryOrder, QuerySelect};
use uuid::Uuid;

use crate::entity::{revision, theme};
use crate::error::{Result, StoreError};
use crate::lineage::children_of;
use crate::pool::Pools;
use crate::record::{Relatives, RevisionRecord, Saved, ThemeRecord};
use crate::row::{live, next_revision, revision_of, shown, slugs_of, standing};

/// Which revisions of a theme are looked for.
#[derive(Clone, Copy, Debug)]
pub struct Revisions<'a> {
    /// The most there may be.
    pub limit: u64,
    /// Only those with a smaller number.
    pub before: Option<i32>,
    /// Words that stand in what was changed, in the name or in the number of each.
    pub words: &'a str,
}

/// Themes in a PostgreSQL database. Cheap to clone.
#[derive(Clone, Debug)]
pub struct Store {
    pub(crate) pools: Pools,
    /// The themes around the one that is written, as they were when the change was found good.
    pub(crate) seen: Option<Arc<Relatives>>,
}

/// A save: the new document, what it says it changed, and what it was based on.
#[derive(Clone, Debug)]
pub struct Save<'a> {
    /// The document.
    pub spec: &'a Document,
    /// What was changed, in words.
    pub label: &'a str,
    /// Number of the revision that was edited.
    pub base: i32,
    /// Changes of one topic in a row are one step of undo and one line of the list.
    pub topic: Option<&'a str>,
}

impl Store {
    /// Connects to the server of a PostgreSQL address.
    ///
    /// # Errors
    /// A server that does not answer or refuses.
    pub async fn connect(url: &str) -> Result<Self> {
        Ok(Self {
            pools: Pools::connect(url).await?,
            seen: None,
        })
    }

    /// Brings the schema up to date; several servers may do so at once.
    ///
    /// # Errors
    /// A migration that fails; nothing is then changed.
    pub async fn migrate(&self) -> Result<()> {
        self.pools.migrate().await
    }

    /// Whether the schema is the one that this program knows.
    ///
    /// # Errors
    /// The database failed.
    pub async fn is_current(&self) -> Result<bool> {
        self.pools.is_current().await
    }

    /// Connections by kind of work: how many are open, and how many of those nobody uses.
    pub fn connections(&self) -> [(&'static str, u32, usize); 3] {
        self.pools.connections()
    }

    /// Whether the server answers, whatever its other connections do.
    ///
    /// # Errors
    /// It does not.
    pub async fn ping(&self) -> Result<()> {
        self.pools.ping().await
    }

    /// All themes, the last changed first, each with its current revision.
    ///
    /// # Errors
    /// The database failed.
    pub async fn list(&self) -> Result<Vec<(ThemeRecord, RevisionRecord)>> {
        self.listed(false).await
    }

    /// Deleted themes, the last deleted first, each as it was.
    ///
    /// # Errors
    /// The database failed.
    pub async fn deleted(&self) -> Result<Vec<(ThemeRecord, RevisionRecord)>> {
        self.listed(true).await
    }

    async fn listed(&self, deleted: bool) -> Result<Vec<(ThemeRecord, RevisionRecord)>> {
        let db = &self.pools.reads;
        let (is, order) = match deleted {
            true => (
                theme::Column::DeletedAt.is_not_null(),
                theme::Column::DeletedAt,
            ),
            false => (theme::Column::DeletedAt.is_null(), theme::Column::UpdatedAt),
        };
        let rows = theme::Entity::find()
            .find_also_related(revision::Entity)
            .filter(is)
            .filter(is_current())
            .order_by_desc(order)
            .all(db)
            .await?;
        let parents = rows
            .iter()
            .filter_map(|(theme, _)| theme.parent_id)
            .collect();
        let slugs = slugs_of(db, parents).await?;
        let named = |id: Option<Uuid>| id.and_then(|id| slugs.get(&id).cloned());
        let rows = rows.into_iter().filter_map(|(theme, current)| {
            let parent = named(theme.parent_id);
            let current = RevisionRecord::new(current?, parent.clone());
            Some((ThemeRecord::new(theme, parent), current))
        });
        Ok(rows.collect())
    }

    /// A theme and its current revision.
    ///
    /// # Errors
    /// No theme has that slug.
    pub async fn get(&self, slug: &str) -> Result<Saved> {
        let found = live(&self.pools.reads, slug).await?;
        standing(&self.pools.reads, found).await
    }

    /// One revision.
    ///
    /// # Errors
    /// No theme has that slug, or no such revision.
    pub async fn revision(&self, slug: &str, number: i32) -> Result<RevisionRecord> {
        let db = &self.pools.reads;
        let found = live(db, slug).await?;
        shown(db, revision_of(db, &found, number).await?).await
    }

    /// Revisions that are looked for, newest first.
    ///
    /// # Errors
    /// No theme has that slug.
    pub async fn revisions(
        &self,
        slug: &str,
        wanted: &Revisions<'_>,
    ) -> Result<Vec<RevisionRecord>> {
        let db = &self.pools.reads;
        let found = live(db, slug).await?;
        let mut rows = revision::Entity::find()
            .filter(revision::Column::ThemeId.eq(found.id))
            .filter(revision::Column::Replaced.eq(false))
            .order_by_desc(revision::Column::Number)
            .limit(wanted.limit);
        if let Some(before) = wanted.before {
            rows = rows.filter(revision::Column::Number.lt(before));
        }
        for word in wanted.words.split_whitespace() {
            let holds = "strpos(lower(concat_ws(' ', label, name, number::text)), lower($1)) > 0";
            rows = rows.filter(Expr::cust_with_values(holds, [word]));
        }
        let rows = rows.all(db).await?;
        let slugs = slugs_of(db, rows.iter().filter_map(|r| r.parent_id).collect()).await?;
        let named = |id: Option<Uuid>| id.and_then(|id| slugs.get(&id).cloned());
        Ok(rows
            .into_iter()
            .map(|row| {
                let parent = named(row.parent_id);
                RevisionRecord::new(row, parent)
            })
            .collect())
    }

    /// Themes that extend a theme, with their current revisions.
    ///
    /// # Errors
    /// No theme has that slug.
    pub async fn children(&self, slug: &str) -> Result<Vec<(ThemeRecord, RevisionRecord)>> {
        let db = &self.pools.reads;
        let found = live(db, slug).await?;
        let parent = Some(found.slug.clone());
        let mut out = Vec::new();
        for child in children_of(db, found.id).await? {
            let current = revision_of(db, &child, child.current).await?;
            let current = RevisionRecord::new(current, parent.clone());
            out.push((ThemeRecord::new(child, parent.clone()), current));
        }
        Ok(out)
    }

    /// The revision that an undo would lead to.
    ///
    /// # Errors
    /// No theme has that slug; [`StoreError::NothingTo`].
    pub async fn undo_target(&self, slug: &str) -> Result<RevisionRecord> {
        let db = &self.pools.reads;
        let found = live(db, slug).await?;
        let current = revision_of(db, &found, found.current).await?;
        let number = current.came_from.ok_or(StoreError::NothingTo("undo"))?;
        shown(db, revision_of(db, &found, number).await?).await
    }

    /// The revision that a redo would lead to.
    ///
    /// # Errors
    /// No theme has that slug; [`StoreError::NothingTo`].
    pub async fn redo_target(&self, slug: &str) -> Result<RevisionRecord> {
        let db = &self.pools.reads;
        let found = live(db, slug).await?;
        let next = next_revision(db, &found)
            .await?
            .ok_or(StoreError::NothingTo("redo"))?;
        shown(db, next).await
    }
}

/// A revision is the current one of its theme.
fn is_current() -> sea_orm::sea_query::Expr {
    use sea_orm::sea_query::ExprTrait;
    let number = Expr::col((revision::Entity, revision::Column::Number));
    number.equals((theme::Entity, theme::Column::Current))
}
