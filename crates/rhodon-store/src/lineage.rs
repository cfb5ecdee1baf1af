//! Parents and children. A parent is held by identity; a document tells it by the slug that it has
//! when it is read. Whatever changes who extends whom takes one lock first, so that no two changes
//! together make what neither of them would.

use rhodon_theme::{InheritError, Slug};
use sea_orm::{ColumnTrait, ConnectionTrait, DatabaseTransaction, EntityTrait, QueryFilter};
use uuid::Uuid;

use crate::entity::{revision, theme};
use crate::error::Result;
use crate::error::StoreError;
use crate::pool;
use crate::row::live;

/// Any number will do, as long as every server takes the same.
const LINEAGE_LOCK: i64 = 0x5268_6f64_6f6f;

/// Keeps every other change of who extends whom out until the transaction ends. Taken before any
/// theme is held.
pub(crate) async fn lock(tx: &DatabaseTransaction) -> Result<()> {
    pool::lock(tx, LINEAGE_LOCK).await
}

/// The parent that a document names, where it is the one that the theme has: by the slug of today,
/// or by the one that stood in the document when it was saved. A renamed parent then stays the
/// parent of what was read before, and nobody is adopted by whoever takes its old slug.
pub(crate) async fn kept_parent(
    db: &impl ConnectionTrait,
    theme: &theme::Model,
    base: Option<&revision::Model>,
    named: Option<&Slug>,
) -> Result<Option<Option<Uuid>>> {
    let (Some(named), Some(id)) = (named, theme.parent_id) else {
        return Ok((named.is_none() && theme.parent_id.is_none()).then_some(None));
    };
    let written = base
        .and_then(|r| r.spec.get("extends"))
        .and_then(|v| v.as_str());
    if written == Some(named.as_str()) {
        return Ok(Some(Some(id)));
    }
    let parent = theme::Entity::find_by_id(id).one(db).await?;
    let same = parent.is_some_and(|p| p.slug == named.as_str());
    Ok(same.then_some(Some(id)))
}

/// The identity of a parent by its slug.
pub(crate) async fn parent_named(
    db: &impl ConnectionTrait,
    named: Option<&Slug>,
) -> Result<Option<Uuid>> {
    let Some(slug) = named else { return Ok(None) };
    match live(db, slug.as_str()).await {
        Ok(found) => Ok(Some(found.id)),
        Err(StoreError::NoTheme(_)) => Err(InheritError::Missing(slug.clone()).into()),
        Err(error) => Err(error),
    }
}

/// A theme must not come to extend itself, be it through others, nor what is not there.
pub(crate) async fn check_parents(
    tx: &DatabaseTransaction,
    theme: &theme::Model,
    parent: Option<Uuid>,
) -> Result<()> {
    let mut line = vec![theme.slug.clone()];
    let mut next = parent;
    while let Some(id) = next {
        let found = theme::Entity::find_by_id(id)
            .filter(theme::Column::DeletedAt.is_null())
            .one(tx)
            .await?;
        let Some(found) = found else {
            return Err(StoreError::ParentGone {
                slug: theme.slug.clone(),
            });
        };
        line.push(found.slug);
        if id == theme.id {
            let slugs = line.iter().filter_map(|s| s.parse().ok()).collect();
            return Err(InheritError::Circle(slugs).into());
        }
        next = found.parent_id;
    }
    Ok(())
}

/// Themes that extend a theme and are not deleted.
pub(crate) async fn children_of(
    db: &impl ConnectionTrait,
    parent: Uuid,
) -> Result<Vec<theme::Model>> {
    Ok(theme::Entity::find()
        .filter(theme::Column::ParentId.eq(parent))
        .filter(theme::Column::DeletedAt.is_null())
        .all(db)
        .await?)
}
