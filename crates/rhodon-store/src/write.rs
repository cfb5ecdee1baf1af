//! Writing themes: every change is a revision, nothing is overwritten.

use chrono::Utc;
use rhodon_theme::{Document, Slug};
use sea_orm::{
    ActiveModelTrait, ActiveValue::Set, ColumnTrait, DatabaseTransaction, EntityTrait, QueryFilter,
    QueryOrder, QuerySelect,
};
use uuid::Uuid;

use crate::entity::{revision, theme};
use crate::error::{Result, StoreError};
use crate::lineage::{self, check_parents, children_of, kept_parent, parent_named};
use crate::live as news;
use crate::pool::{self, commit};
use crate::record::{RevisionRecord, Saved, ThemeRecord};
use crate::relatives::hold_above;
use crate::row::{find_revision, live, locked, next_revision, revision_of, shown, standing};
use crate::slug::{free_slug, named, slug_for};
use crate::store::{Save, Store};

/// Any number will do, as long as every server takes the same.
const SEED_LOCK: i64 = 0x5268_6f64_6f70;
/// How often a name that somebody else takes at the same moment is given another number.
const TRIES: usize = 8;

/// What a deletion means for the themes that extend the one that goes.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq)]
pub enum Children {
    /// There may be none.
    #[default]
    Refuse,
    /// They go too.
    Delete,
    /// They stay, with what they inherited written out.
    Free,
}

impl Store {
    /// Creates a theme; its slug is made from its name and numbered where taken.
    ///
    /// # Errors
    /// A parent that is not there; the database failed.
    pub async fn create(&self, spec: &Document, label: &str) -> Result<Saved> {
        let mut tries = 0;
        loop {
            tries += 1;
            let tx = self.pools.begin().await?;
            match self.create_in(&tx, spec, label).await {
                Ok(made) => return commit(tx).await.map(|()| made),
                Err(StoreError::SlugTaken(_)) if tries < TRIES => drop(tx),
                Err(error) => return Err(error),
            }
        }
    }

    /// Creates themes in a database that has none, whoever else tries the same.
    ///
    /// # Errors
    /// The database failed; then none is created.
    pub async fn seed(&self, themes: &[Document], label: &str) -> Result<()> {
        let tx = self.pools.begin().await?;
        pool::lock(&tx, SEED_LOCK).await?;
        if theme::Entity::find().one(&tx).await?.is_none() {
            for document in themes {
                self.create_in(&tx, document, label).await?;
            }
        }
        commit(tx).await
    }

    async fn create_in(
        &self,
        tx: &DatabaseTransaction,
        spec: &Document,
        label: &str,
    ) -> Result<Saved> {
        let wanted = Slug::from_name(&spec.name, &Slug::theme());
        if spec.extends.is_some() {
            lineage::lock(tx).await?;
        }
        let parent = parent_named(tx, spec.extends.as_ref()).await?;
        hold_above(tx, parent).await?;
        self.check_seen(tx, None, parent).await?;
        let id = Uuid::now_v7();
        let slug = free_slug(tx, wanted, id).await?;
        let row = theme::ActiveModel {
            id: Set(id),
            slug: Set(slug.to_string()),
            name: Set(spec.name.clone()),
            parent_id: Set(parent),
            current: Set(1),
            created_at: Set(Utc::now().into()),
            updated_at: Set(Utc::now().into()),
            deleted_at: Set(None),
            site_slots: Set(serde_json::json!({})),
        };
        let theme = row.insert(tx).await.map_err(|e| named(e, slug.as_str()))?;
        let first = NewRevision {
            theme: id,
            number: 1,
            came_from: None,
            parent,
            spec,
            label,
            topic: None,
        };
        first.insert(tx).await?;
        news::tell(tx, id, 1).await?;
        standing(tx, theme).await
    }

    /// Saves a new revision. A changed name also changes the slug.
    ///
    /// # Errors
    /// [`StoreError::Stale`] with both revisions if another one is current by now; a parent that is
    /// not there, or would be extended in a circle.
    pub async fn save(&self, slug: &str, save: Save<'_>) -> Result<Saved> {
        let tx = self.pools.begin().await?;
        let known = live(&tx, slug).await?;
        let base = find_revision(&tx, &known, save.base).await?;
        let wanted = save.spec.extends.as_ref();
        let kept = kept_parent(&tx, &known, base.as_ref(), wanted).await?;
        if kept.is_none() {
            lineage::lock(&tx).await?;
        }
        let parent = match kept {
            Some(parent) => parent,
            None => parent_named(&tx, wanted).await?,
        };
        hold_above(&tx, parent).await?;
        let found = locked(&tx, slug).await?;
        check_base(&tx, &found, save.base).await?;
        self.check_seen(&tx, Some(found.id), parent).await?;
        let row = NewRevision {
            theme: found.id,
            number: last_number(&tx, found.id).await? + 1,
            came_from: continued(&tx, &found, save.topic).await?,
            parent,
            spec: save.spec,
            label: save.label,
            topic: save.topic,
        };
        let made = row.insert(&tx).await?;
        let saved = move_to(&tx, found, &made).await?;
        commit(tx).await?;
        Ok(saved)
    }

    /// Makes the revision current from which the current one came.
    ///
    /// # Errors
    /// [`StoreError::NothingTo`] at the first revision; [`StoreError::Stale`]; a parent that the
    /// revision had and that is gone, or extends this theme by now.
    pub async fn undo(&self, slug: &str, base: i32) -> Result<Saved> {
        self.step(slug, base, "undo").await
    }

    /// Makes the newest revision current that came from the current one.
    ///
    /// # Errors
    /// [`StoreError::NothingTo`] at the newest; else as [`Store::undo`].
    pub async fn redo(&self, slug: &str, base: i32) -> Result<Saved> {
        self.step(slug, base, "redo").await
    }

    async fn step(&self, slug: &str, base: i32, way: &'static str) -> Result<Saved> {
        let tx = self.pools.begin().await?;
        lineage::lock(&tx).await?;
        let found = locked(&tx, slug).await?;
        check_base(&tx, &found, base).await?;
        let target = if way == "undo" {
            let current = revision_of(&tx, &found, found.current).await?;
            match current.came_from {
                Some(number) => Some(revision_of(&tx, &found, number).await?),
                None => None,
            }
        } else {
            next_revision(&tx, &found).await?
        };
        let target = target.ok_or(StoreError::NothingTo(way))?;
        hold_above(&tx, target.parent_id).await?;
        self.check_seen(&tx, Some(found.id), target.parent_id)
            .await?;
        let saved = move_to(&tx, found, &target).await?;
        commit(tx).await?;
        Ok(saved)
    }

    /// Gives a revision a name, or takes it away.
    ///
    /// # Errors
    /// No theme has that slug, or it has no such revision.
    pub async fn name_revision(
        &self,
        slug: &str,
        number: i32,
        name: Option<&str>,
    ) -> Result<RevisionRecord> {
        let tx = self.pools.begin().await?;
        let found = live(&tx, slug).await?;
        let mut row: revision::ActiveModel = revision_of(&tx, &found, number).await?.into();
        row.name = Set(name.map(str::to_owned));
        let named = shown(&tx, row.update(&tx).await?).await?;
        commit(tx).await?;
        Ok(named)
    }

    /// Marks a theme as deleted; [`Store::restore`] brings it back.
    ///
    /// # Errors
    /// [`StoreError::HasChildren`] if other themes extend it and may not be touched.
    pub async fn delete(&self, slug: &str, children: Children) -> Result<ThemeRecord> {
        let tx = self.pools.begin().await?;
        lineage::lock(&tx).await?;
        let found = locked(&tx, slug).await?;
        let mut line = children_of(&tx, found.id).await?;
        match children {
            Children::Refuse if !line.is_empty() => {
                let children = line.into_iter().map(|c| c.name).collect();
                return Err(StoreError::HasChildren {
                    name: found.name,
                    children,
                });
            }
            Children::Refuse => {}
            Children::Free => set_free(&tx, &found, line).await?,
            Children::Delete => {
                // Grandchildren go with their parents.
                while let Some(child) = line.pop() {
                    line.extend(children_of(&tx, child.id).await?);
                    mark_deleted(&tx, child).await?;
                }
            }
        }
        let gone = mark_deleted(&tx, found).await?;
        commit(tx).await?;
        Ok(gone)
    }

    /// Brings a deleted theme back, under another slug where its own is taken by now.
    ///
    /// # Errors
    /// No theme has that id; its parent is gone.
    pub async fn restore(&self, id: Uuid) -> Result<Saved> {
        let tx = self.pools.begin().await?;
        lineage::lock(&tx).await?;
        let found = by_id(&tx, id).await?;
        if found.deleted_at.is_none() {
            return standing(&tx, found).await;
        }
        check_parents(&tx, &found, found.parent_id).await?;
        let own = found.slug.parse().unwrap_or_else(|_| Slug::theme());
        let slug = free_slug(&tx, own, id).await?;
        let mut row: theme::ActiveModel = found.into();
        row.deleted_at = Set(None);
        row.slug = Set(slug.to_string());
        let row = row.update(&tx).await.map_err(|e| named(e, slug.as_str()))?;
        news::tell(&tx, row.id, row.current).await?;
        let saved = standing(&tx, row).await?;
        commit(tx).await?;
        Ok(saved)
    }

    /// Removes a deleted theme with its revisions, for good.
    ///
    /// # Errors
    /// No deleted theme has that id.
    pub async fn purge(&self, id: Uuid) -> Result<()> {
        let tx = self.pools.begin().await?;
        lineage::lock(&tx).await?;
        let found = by_id(&tx, id).await?;
        if found.deleted_at.is_none() {
            return Err(StoreError::NoTheme(id.to_string()));
        }
        theme::Entity::delete_by_id(id).exec(&tx).await?;
        news::tell(&tx, id, 0).await?;
        commit(tx).await
    }
}

async fn by_id(tx: &DatabaseTransaction, id: Uuid) -> Result<theme::Model> {
    let found = theme::Entity::find_by_id(id)
        .lock_exclusive()
        .one(tx)
        .await?;
    found.ok_or_else(|| StoreError::NoTheme(id.to_string()))
}

async fn mark_deleted(tx: &DatabaseTransaction, theme: theme::Model) -> Result<ThemeRecord> {
    let mut row: theme::ActiveModel = theme.into();
    row.deleted_at = Set(Some(Utc::now().into()));
    let row = row.update(tx).await?;
    news::tell(tx, row.id, 0).await?;
    Ok(ThemeRecord::new(row, None))
}

/// Saves children as documents that hold what they had from their parent.
async fn set_free(
    tx: &DatabaseTransaction,
    parent: &theme::Model,
    children: Vec<theme::Model>,
) -> Result<()> {
    let whole = read(&standing(tx, parent.clone()).await?)?;
    for child in children {
        let held = by_id(tx, child.id).await?;
        let document = read(&standing(tx, held.clone()).await?)?.set_free(whole.clone());
        let row = NewRevision {
            theme: held.id,
            number: last_number(tx, held.id).await? + 1,
            came_from: Some(held.current),
            parent: parent.parent_id,
            spec: &document,
            label: &format!("set free from {}", parent.name),
            topic: None,
        };
        let made = row.insert(tx).await?;
        move_to(tx, held, &made).await?;
    }
    Ok(())
}

fn read(saved: &Saved) -> Result<Document> {
    Document::read(&saved.revision.spec).map_err(|problems| StoreError::Unreadable {
        slug: saved.theme.slug.clone(),
        problems,
    })
}

async fn last_number(tx: &DatabaseTransaction, theme: Uuid) -> Result<i32> {
    let last: Option<i32> = revision::Entity::find()
        .select_only()
        .column(revision::Column::Number)
        .filter(revision::Column::ThemeId.eq(theme))
        .order_by_desc(revision::Column::Number)
        .into_tuple()
        .one(tx)
        .await?;
    Ok(last.unwrap_or(0))
}

async fn check_base(tx: &DatabaseTransaction, theme: &theme::Model, base: i32) -> Result<()> {
    if theme.current == base {
        return Ok(());
    }
    let current = shown(tx, revision_of(tx, theme, theme.current).await?).await?;
    let based_on = match find_revision(tx, theme, base).await? {
        Some(row) => Some(Box::new(shown(tx, row).await?)),
        None => None,
    };
    Err(StoreError::Stale {
        current: Box::new(current),
        base,
        based_on,
    })
}

struct NewRevision<'a> {
    theme: Uuid,
    number: i32,
    came_from: Option<i32>,
    parent: Option<Uuid>,
    spec: &'a Document,
    label: &'a str,
    topic: Option<&'a str>,
}

/// Where a new revision comes from: the current one, or, where that one is of the same topic, what
/// it came from. The replaced one stays, but in no list. What has a name is never replaced.
async fn continued(
    tx: &DatabaseTransaction,
    theme: &theme::Model,
    topic: Option<&str>,
) -> Result<Option<i32>> {
    let current = revision_of(tx, theme, theme.current).await?;
    let goes_on = topic.is_some() && current.topic.as_deref() == topic;
    if !goes_on || current.came_from.is_none() || current.name.is_some() {
        return Ok(Some(theme.current));
    }
    let came_from = current.came_from;
    let mut row: revision::ActiveModel = current.into();
    row.replaced = Set(true);
    row.update(tx).await?;
    Ok(came_from)
}

impl NewRevision<'_> {
    async fn insert(&self, tx: &DatabaseTransaction) -> Result<revision::Model> {
        let row = revision::ActiveModel {
            id: Set(Uuid::now_v7()),
            theme_id: Set(self.theme),
            number: Set(self.number),
            label: Set(self.label.to_owned()),
            name: Set(None),
            came_from: Set(self.came_from),
            parent_id: Set(self.parent),
            topic: Set(self.topic.map(str::to_owned)),
            replaced: Set(false),
            spec: Set(self.spec.to_json()),
            created_at: Set(Utc::now().into()),
        };
        Ok(row.insert(tx).await?)
    }
}

/// Makes a revision current; name, slug and parent of the theme follow it.
async fn move_to(
    tx: &DatabaseTransaction,
    theme: theme::Model,
    to: &revision::Model,
) -> Result<Saved> {
    if to.parent_id.is_some() {
        check_parents(tx, &theme, to.parent_id).await?;
    }
    let name = to
        .spec
        .get("name")
        .and_then(|v| v.as_str())
        .unwrap_or(&theme.name)
        .to_owned();
    let slug = match name == theme.name {
        true => theme.slug.clone(),
        false => slug_for(tx, &theme, &name).await?,
    };
    let renamed = slug != theme.slug;
    let mut row: theme::ActiveModel = theme.into();
    row.current = Set(to.number);
    row.name = Set(name);
    row.slug = Set(slug.clone());
    row.parent_id = Set(to.parent_id);
    row.updated_at = Set(Utc::now().into());
    let moved = row.update(tx).await.map_err(|e| named(e, &slug))?;
    news::tell(tx, moved.id, moved.current).await?;
    if renamed {
        // Their documents name their parent: it has another name now.
        for child in children_of(tx, moved.id).await? {
            news::tell(tx, child.id, child.current).await?;
        }
    }
    standing(tx, moved).await
}
