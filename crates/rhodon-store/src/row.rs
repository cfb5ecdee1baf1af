//! Rows of themes and revisions, within whatever transaction.

use std::collections::HashMap;

use sea_orm::{
    ColumnTrait, ConnectionTrait, DatabaseTransaction, EntityTrait, QueryFilter, QueryOrder,
    QuerySelect,
};
use uuid::Uuid;

use crate::entity::{revision, theme};
use crate::error::{Result, StoreError};
use crate::record::{RevisionRecord, Saved, ThemeRecord};

/// A theme that is not deleted.
pub(crate) async fn live(db: &impl ConnectionTrait, slug: &str) -> Result<theme::Model> {
    check_slug(slug)?;
    let found = theme::Entity::find()
        .filter(theme::Column::Slug.eq(slug))
        .filter(theme::Column::DeletedAt.is_null())
        .one(db)
        .await?;
    found.ok_or_else(|| StoreError::NoTheme(slug.to_owned()))
}

/// PostgreSQL refuses the character U+0000; no slug has it.
fn check_slug(slug: &str) -> Result<()> {
    if slug.contains('\0') {
        return Err(StoreError::NoTheme(slug.replace('\0', "\u{fffd}")));
    }
    Ok(())
}

/// The theme, held against other writers until the transaction ends.
pub(crate) async fn locked(tx: &DatabaseTransaction, slug: &str) -> Result<theme::Model> {
    check_slug(slug)?;
    let found = theme::Entity::find()
        .filter(theme::Column::Slug.eq(slug))
        .filter(theme::Column::DeletedAt.is_null())
        .lock_exclusive()
        .one(tx)
        .await?;
    found.ok_or_else(|| StoreError::NoTheme(slug.to_owned()))
}

/// Slugs by identity, those of deleted themes too.
pub(crate) async fn slugs_of(
    db: &impl ConnectionTrait,
    ids: Vec<Uuid>,
) -> Result<HashMap<Uuid, String>> {
    if ids.is_empty() {
        return Ok(HashMap::new());
    }
    let rows: Vec<(Uuid, String)> = theme::Entity::find()
        .select_only()
        .column(theme::Column::Id)
        .column(theme::Column::Slug)
        .filter(theme::Column::Id.is_in(ids))
        .into_tuple()
        .all(db)
        .await?;
    Ok(rows.into_iter().collect())
}

/// A theme as it stands, within whatever transaction.
pub(crate) async fn standing(db: &impl ConnectionTrait, theme: theme::Model) -> Result<Saved> {
    let current = revision_of(db, &theme, theme.current).await?;
    let next = next_revision(db, &theme).await?;
    let slugs = slugs_of(db, theme.parent_id.into_iter().collect()).await?;
    let parent = slugs.into_values().next();
    Ok(Saved {
        can_undo: current.came_from.is_some(),
        can_redo: next.is_some(),
        revision: RevisionRecord::new(current, parent.clone()),
        theme: ThemeRecord::new(theme, parent),
    })
}

/// A revision with the slug that its parent has today.
pub(crate) async fn shown(
    db: &impl ConnectionTrait,
    row: revision::Model,
) -> Result<RevisionRecord> {
    let slugs = slugs_of(db, row.parent_id.into_iter().collect()).await?;
    Ok(RevisionRecord::new(row, slugs.into_values().next()))
}

pub(crate) async fn find_revision(
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

pub(crate) async fn revision_of(
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
pub(crate) async fn next_revision(
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
