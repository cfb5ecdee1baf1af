//! Slugs of themes: made from names, unique among those that are not deleted.

use rhodon_theme::Slug;
use sea_orm::{
    ColumnTrait, DatabaseTransaction, DbErr, EntityTrait, QueryFilter, QuerySelect, SqlErr,
};
use uuid::Uuid;

use crate::entity::theme;
use crate::error::Result;
use crate::error::StoreError;

/// The slug of a theme under another name: the one it has may stay.
pub(crate) async fn slug_for(
    tx: &DatabaseTransaction,
    theme: &theme::Model,
    name: &str,
) -> Result<String> {
    let wanted = Slug::from_name(name, &Slug::theme());
    Ok(free_slug(tx, wanted, theme.id).await?.to_string())
}

/// A slug that no theme but `own` has.
pub(crate) async fn free_slug(tx: &DatabaseTransaction, wanted: Slug, own: Uuid) -> Result<Slug> {
    let taken: Vec<String> = theme::Entity::find()
        .filter(theme::Column::Id.ne(own))
        .select_only()
        .column(theme::Column::Slug)
        .filter(theme::Column::DeletedAt.is_null())
        .filter(theme::Column::Slug.starts_with(wanted.as_str()))
        .into_tuple()
        .all(tx)
        .await?;
    Ok(wanted.unique(|s| taken.iter().any(|t| t == s.as_str())))
}

/// The unique index on slugs speaks here.
pub(crate) fn named(error: DbErr, slug: &str) -> StoreError {
    match error.sql_err() {
        Some(SqlErr::UniqueConstraintViolation(_)) => StoreError::SlugTaken(slug.to_owned()),
        _ => error.into(),
    }
}
