//! The themes around one: what was looked at when a change of it was found good. Before the change is
//! saved they are looked at again, under locks, so that no two changes together leave a theme behind
//! that refers to what the other one took away.

use rhodon_theme::Slug;
use sea_orm::{
    ConnectionTrait, DatabaseTransaction, DbBackend, EntityTrait, FromQueryResult, QuerySelect,
    Statement,
};
use uuid::Uuid;

use crate::entity::theme;
use crate::error::{Result, StoreError};
use crate::lineage::{kept_parent, parent_named};
use crate::record::Relatives;
use crate::row::{find_revision, live};
use crate::store::Store;

#[derive(FromQueryResult)]
struct Row {
    id: Uuid,
    current: i32,
}

/// Above a parent (it included), and below a theme (it not included).
const AROUND: &str = "
WITH RECURSIVE above AS (
    SELECT id, current, parent_id FROM theme WHERE id = $1
    UNION SELECT t.id, t.current, t.parent_id FROM theme t JOIN above a ON t.id = a.parent_id
), below AS (
    SELECT id, current FROM theme WHERE parent_id = $2 AND deleted_at IS NULL
    UNION SELECT t.id, t.current FROM theme t JOIN below b ON t.parent_id = b.id
        WHERE t.deleted_at IS NULL
)
SELECT id, current FROM above UNION SELECT id, current FROM below";

async fn around(
    db: &impl ConnectionTrait,
    own: Option<Uuid>,
    parent: Option<Uuid>,
) -> Result<Relatives> {
    if own.is_none() && parent.is_none() {
        return Ok(Relatives::default());
    }
    let values = [parent.into(), own.into()];
    let asked = Statement::from_sql_and_values(DbBackend::Postgres, AROUND, values);
    let rows = Row::find_by_statement(asked).all(db).await?;
    Ok(Relatives(
        rows.into_iter().map(|r| (r.id, r.current)).collect(),
    ))
}

/// Holds the themes that one will extend against other writers, the farthest first: whoever holds
/// several takes them in this order.
pub(crate) async fn hold_above(tx: &DatabaseTransaction, parent: Option<Uuid>) -> Result<()> {
    let mut line = Vec::new();
    let mut next = parent;
    while let Some(id) = next.filter(|id| !line.contains(id)) {
        line.push(id);
        let found = theme::Entity::find_by_id(id).one(tx).await?;
        next = found.and_then(|t| t.parent_id);
    }
    for id in line.into_iter().rev() {
        theme::Entity::find_by_id(id).lock_shared().one(tx).await?;
    }
    Ok(())
}

/// A parent by its slug, where it is there.
async fn named(db: &impl ConnectionTrait, extends: Option<&Slug>) -> Result<Option<Uuid>> {
    match parent_named(db, extends).await {
        Err(StoreError::Inherit(_)) => Ok(None),
        found => found,
    }
}

impl Store {
    /// The themes around one that is written: `slug` and `base` are those of a theme that is there, as
    /// for [`Store::save`]; a new one has none.
    ///
    /// # Errors
    /// No theme has that slug; the database failed. A parent that is not there has nothing above it.
    pub async fn relatives(
        &self,
        theme: Option<(&str, i32)>,
        extends: Option<&Slug>,
    ) -> Result<Relatives> {
        let db = &self.pools.reads;
        let Some((slug, base)) = theme else {
            return around(db, None, named(db, extends).await?).await;
        };
        let own = live(db, slug).await?;
        let base = find_revision(db, &own, base).await?;
        let parent = match kept_parent(db, &own, base.as_ref(), extends).await? {
            Some(parent) => parent,
            None => named(db, extends).await?,
        };
        around(db, Some(own.id), parent).await
    }

    /// This store, which writes only while these are the themes around the one that is written.
    pub fn seeing(&self, relatives: Relatives) -> Self {
        Self {
            seen: Some(relatives.into()),
            ..self.clone()
        }
    }

    /// Refuses where others around a theme changed since they were looked at.
    pub(crate) async fn check_seen(
        &self,
        tx: &DatabaseTransaction,
        own: Option<Uuid>,
        parent: Option<Uuid>,
    ) -> Result<()> {
        match &self.seen {
            Some(seen) if around(tx, own, parent).await? != **seen => {
                Err(StoreError::RelativesMoved)
            }
            _ => Ok(()),
        }
    }
}
