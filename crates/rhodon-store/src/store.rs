//! Reading and writing themes.

use std::time::Duration;

use chrono::Utc;
use rhodon_theme::{Document, Slug};
use sea_orm::{
    ActiveModelTrait, ActiveValue::Set, ColumnTrait, ConnectOptions, ConnectionTrait, Database,
    DatabaseConnection, DatabaseTransaction, EntityTrait, QueryFilter, QueryOrder, QuerySelect,
    TransactionTrait,
};
use sea_orm_migration::MigratorTrait;
use uuid::Uuid;

use crate::entity::{revision, theme};
use crate::error::StoreError;
use crate::lineage::{check_parents, follow_parent};
use crate::live;
use crate::migration::Migrator;
use crate::record::{RevisionRecord, ThemeRecord};
use crate::slug::{free_slug, named, slug_for};

pub(crate) type Result<T> = std::result::Result<T, StoreError>;

/// Any number will do, as long as every server takes the same.
const MIGRATION_LOCK: i64 = 0x5268_6f64_6f6e;

/// A pool of connections. Cheap to clone.
#[derive(Clone, Debug)]
pub struct Store {
    db: DatabaseConnection,
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
}

impl Store {
    /// Connects to the server of a PostgreSQL address.
    ///
    /// # Errors
    /// A server that does not answer or refuses.
    pub async fn connect(url: &str) -> Result<Self> {
        let mut options = ConnectOptions::new(url);
        options
            .max_connections(16)
            .connect_timeout(Duration::from_secs(5))
            .acquire_timeout(Duration::from_secs(5))
            .test_before_acquire(false)
            .sqlx_logging(false);
        Ok(Self {
            db: Database::connect(options).await?,
        })
    }

    /// Brings the schema up to date; several servers may do so at once.
    ///
    /// # Errors
    /// A migration that fails; nothing is then changed.
    pub async fn migrate(&self) -> Result<()> {
        let tx = self.db.begin().await?;
        tx.execute_unprepared(&format!("SELECT pg_advisory_xact_lock({MIGRATION_LOCK})"))
            .await?;
        Migrator::up(&tx, None).await?;
        tx.commit().await?;
        Ok(())
    }

    /// Whether the server answers.
    ///
    /// # Errors
    /// It does not.
    pub async fn ping(&self) -> Result<()> {
        Ok(self.db.ping().await?)
    }

    /// All themes, the last changed first.
    ///
    /// # Errors
    /// The database failed.
    pub async fn list(&self) -> Result<Vec<ThemeRecord>> {
        let rows = theme::Entity::find()
            .filter(theme::Column::DeletedAt.is_null())
            .order_by_desc(theme::Column::UpdatedAt)
            .all(&self.db)
            .await?;
        Ok(rows.into_iter().map(Into::into).collect())
    }

    /// A theme and its current revision.
    ///
    /// # Errors
    /// No theme has that slug.
    pub async fn get(&self, slug: &str) -> Result<(ThemeRecord, RevisionRecord)> {
        let found = live(&self.db, slug).await?;
        let current = revision_of(&self.db, &found, found.current).await?;
        Ok((found.into(), current.into()))
    }

    /// Creates a theme; its slug is made from its name and numbered where taken.
    ///
    /// # Errors
    /// The database failed.
    pub async fn create(
        &self,
        spec: &Document,
        label: &str,
    ) -> Result<(ThemeRecord, RevisionRecord)> {
        let wanted = Slug::from_name(&spec.name, &Slug::theme());
        let tx = self.db.begin().await?;
        let id = Uuid::now_v7();
        let slug = free_slug(&tx, wanted, id).await?;
        let row = theme::ActiveModel {
            id: Set(id),
            slug: Set(slug.to_string()),
            name: Set(spec.name.clone()),
            parent: Set(spec.extends.as_ref().map(ToString::to_string)),
            current: Set(1),
            created_at: Set(Utc::now().into()),
            updated_at: Set(Utc::now().into()),
            deleted_at: Set(None),
        };
        let theme = row.insert(&tx).await.map_err(|e| named(e, slug.as_str()))?;
        let first = insert_revision(&tx, id, 1, None, spec, label).await?;
        tx.commit().await?;
        Ok((theme.into(), first.into()))
    }

    /// Saves a new revision. A changed name also changes the slug.
    ///
    /// # Errors
    /// [`StoreError::Stale`] with both revisions if another one is current by now.
    pub async fn save(&self, slug: &str, save: Save<'_>) -> Result<(ThemeRecord, RevisionRecord)> {
        let tx = self.db.begin().await?;
        let found = locked(&tx, slug).await?;
        check_base(&tx, &found, save.base).await?;
        let number = last_number(&tx, found.id).await? + 1;
        let made = insert_revision(
            &tx,
            found.id,
            number,
            Some(found.current),
            save.spec,
            save.label,
        )
        .await?;
        let theme = move_to(&tx, found, &made).await?;
        tx.commit().await?;
        Ok((theme, made.into()))
    }

    /// Makes the revision current from which the current one came.
    ///
    /// # Errors
    /// [`StoreError::NothingTo`] at the first revision; [`StoreError::Stale`].
    pub async fn undo(&self, slug: &str, base: i32) -> Result<(ThemeRecord, RevisionRecord)> {
        self.step(slug, base, "undo").await
    }

    /// Makes the newest revision current that came from the current one.
    ///
    /// # Errors
    /// [`StoreError::NothingTo`] at the newest; [`StoreError::Stale`].
    pub async fn redo(&self, slug: &str, base: i32) -> Result<(ThemeRecord, RevisionRecord)> {
        self.step(slug, base, "redo").await
    }

    async fn step(
        &self,
        slug: &str,
        base: i32,
        way: &'static str,
    ) -> Result<(ThemeRecord, RevisionRecord)> {
        let tx = self.db.begin().await?;
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
        let theme = move_to(&tx, found, &target).await?;
        tx.commit().await?;
        Ok((theme, target.into()))
    }

    /// Whether there is something to undo, and to redo.
    ///
    /// # Errors
    /// No theme has that slug.
    pub async fn steps(&self, slug: &str) -> Result<(bool, bool)> {
        let found = live(&self.db, slug).await?;
        let current = revision_of(&self.db, &found, found.current).await?;
        let next = next_revision(&self.db, &found).await?;
        Ok((current.came_from.is_some(), next.is_some()))
    }

    /// One revision.
    ///
    /// # Errors
    /// No theme has that slug, or no such revision.
    pub async fn revision(&self, slug: &str, number: i32) -> Result<RevisionRecord> {
        let found = live(&self.db, slug).await?;
        Ok(revision_of(&self.db, &found, number).await?.into())
    }

    /// The newest revisions, at most `limit`, newest first.
    ///
    /// # Errors
    /// No theme has that slug.
    pub async fn revisions(&self, slug: &str, limit: u64) -> Result<Vec<RevisionRecord>> {
        let found = live(&self.db, slug).await?;
        let rows = revision::Entity::find()
            .filter(revision::Column::ThemeId.eq(found.id))
            .order_by_desc(revision::Column::Number)
            .limit(limit)
            .all(&self.db)
            .await?;
        Ok(rows.into_iter().map(Into::into).collect())
    }

    /// Marks a theme as deleted; [`Store::restore`] brings it back.
    ///
    /// # Errors
    /// [`StoreError::HasChildren`] if other themes extend it.
    pub async fn delete(&self, slug: &str) -> Result<ThemeRecord> {
        let tx = self.db.begin().await?;
        let found = locked(&tx, slug).await?;
        let children = theme::Entity::find()
            .filter(theme::Column::Parent.eq(slug))
            .filter(theme::Column::DeletedAt.is_null())
            .all(&tx)
            .await?;
        if !children.is_empty() {
            let children = children.into_iter().map(|c| c.name).collect();
            return Err(StoreError::HasChildren {
                slug: slug.to_owned(),
                children,
            });
        }
        let mut row: theme::ActiveModel = found.into();
        row.deleted_at = Set(Some(Utc::now().into()));
        let row = row.update(&tx).await?;
        live::tell(&tx, row.id, 0).await?;
        tx.commit().await?;
        Ok(row.into())
    }

    /// Brings a deleted theme back, under another slug where its own is taken by now.
    ///
    /// # Errors
    /// No theme has that id.
    pub async fn restore(&self, id: Uuid) -> Result<ThemeRecord> {
        let tx = self.db.begin().await?;
        let found = theme::Entity::find_by_id(id)
            .lock_exclusive()
            .one(&tx)
            .await?
            .ok_or_else(|| StoreError::NoTheme(id.to_string()))?;
        if found.deleted_at.is_none() {
            return Ok(found.into());
        }
        let own = found.slug.parse().unwrap_or_else(|_| Slug::theme());
        let slug = free_slug(&tx, own, id).await?;
        let mut row: theme::ActiveModel = found.into();
        row.deleted_at = Set(None);
        row.slug = Set(slug.to_string());
        let row = row.update(&tx).await.map_err(|e| named(e, slug.as_str()))?;
        tx.commit().await?;
        Ok(row.into())
    }
}

/// A theme that is not deleted.
pub(crate) async fn live(db: &impl ConnectionTrait, slug: &str) -> Result<theme::Model> {
    let found = theme::Entity::find()
        .filter(theme::Column::Slug.eq(slug))
        .filter(theme::Column::DeletedAt.is_null())
        .one(db)
        .await?;
    found.ok_or_else(|| StoreError::NoTheme(slug.to_owned()))
}

/// The theme, held against other writers until the transaction ends.
async fn locked(tx: &DatabaseTransaction, slug: &str) -> Result<theme::Model> {
    let found = theme::Entity::find()
        .filter(theme::Column::Slug.eq(slug))
        .filter(theme::Column::DeletedAt.is_null())
        .lock_exclusive()
        .one(tx)
        .await?;
    found.ok_or_else(|| StoreError::NoTheme(slug.to_owned()))
}

async fn find_revision(
    db: &impl ConnectionTrait,
    theme: &theme::Model,
    number: i32,
) -> Result<Option<revision::Model>> {
    Ok(revision::Entity::find()
        .filter(revision::Column::ThemeId.eq(theme.id))
        .filter(revision::Column::Number.eq(number))
        .one(db)
        .await?)
}

async fn revision_of(
    db: &impl ConnectionTrait,
    theme: &theme::Model,
    number: i32,
) -> Result<revision::Model> {
    let found = find_revision(db, theme, number).await?;
    found.ok_or_else(|| StoreError::NoRevision {
        slug: theme.slug.clone(),
        number,
    })
}

/// The newest revision that came from the current one.
async fn next_revision(
    db: &impl ConnectionTrait,
    theme: &theme::Model,
) -> Result<Option<revision::Model>> {
    Ok(revision::Entity::find()
        .filter(revision::Column::ThemeId.eq(theme.id))
        .filter(revision::Column::CameFrom.eq(theme.current))
        .order_by_desc(revision::Column::Number)
        .one(db)
        .await?)
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
    let current = revision_of(tx, theme, theme.current).await?;
    let based_on = find_revision(tx, theme, base).await?;
    Err(StoreError::Stale {
        current: Box::new(current.into()),
        base,
        based_on: based_on.map(|r| Box::new(r.into())),
    })
}

async fn insert_revision(
    tx: &DatabaseTransaction,
    theme: Uuid,
    number: i32,
    came_from: Option<i32>,
    spec: &Document,
    label: &str,
) -> Result<revision::Model> {
    let row = revision::ActiveModel {
        id: Set(Uuid::now_v7()),
        theme_id: Set(theme),
        number: Set(number),
        label: Set(label.to_owned()),
        came_from: Set(came_from),
        spec: Set(spec.to_json()),
        created_at: Set(Utc::now().into()),
    };
    Ok(row.insert(tx).await?)
}

/// Makes a revision current; name, slug and parent of the theme follow its document.
async fn move_to(
    tx: &DatabaseTransaction,
    theme: theme::Model,
    to: &revision::Model,
) -> Result<ThemeRecord> {
    let text = |key: &str| to.spec.get(key).and_then(|v| v.as_str()).map(str::to_owned);
    let parent = text("extends");
    check_parents(tx, &theme, parent.clone()).await?;
    let name = text("name").unwrap_or_else(|| theme.name.clone());
    let slug = if name == theme.name {
        theme.slug.clone()
    } else {
        slug_for(tx, &theme, &name).await?
    };
    let before = theme.slug.clone();
    let mut row: theme::ActiveModel = theme.into();
    row.current = Set(to.number);
    row.name = Set(name);
    row.slug = Set(slug.clone());
    row.parent = Set(parent);
    row.updated_at = Set(Utc::now().into());
    let moved = row.update(tx).await.map_err(|e| named(e, &slug))?;
    follow_parent(tx, &before, &slug).await?;
    live::tell(tx, moved.id, moved.current).await?;
    Ok(moved.into())
}
