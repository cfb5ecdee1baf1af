//! Parents and children: what a move or a new slug of one theme means for the others.

use rhodon_theme::InheritError;
use sea_orm::{
    ActiveModelTrait, ActiveValue::Set, ColumnTrait, DatabaseTransaction, EntityTrait, QueryFilter,
};

use crate::entity::{revision, theme};
use crate::error::StoreError;
use crate::store::{Result, live};

/// A theme must not come to extend itself, be it through others.
pub(crate) async fn check_parents(
    tx: &DatabaseTransaction,
    theme: &theme::Model,
    parent: Option<String>,
) -> Result<()> {
    let mut line = vec![theme.slug.clone()];
    let mut next = parent;
    while let Some(slug) = next {
        let circle = line.contains(&slug);
        line.push(slug.clone());
        if circle {
            let slugs = line.iter().filter_map(|s| s.parse().ok()).collect();
            return Err(InheritError::Circle(slugs).into());
        }
        // A parent that is gone is told when the theme is derived.
        next = match live(tx, &slug).await {
            Ok(found) => found.parent,
            Err(StoreError::NoTheme(_)) => None,
            Err(e) => return Err(e),
        };
    }
    Ok(())
}

/// Themes that extend a renamed one keep extending it.
pub(crate) async fn follow_parent(tx: &DatabaseTransaction, old: &str, new: &str) -> Result<()> {
    if old == new {
        return Ok(());
    }
    let children = theme::Entity::find()
        .filter(theme::Column::Parent.eq(old))
        .all(tx)
        .await?;
    for child in children {
        let revisions = revision::Entity::find()
            .filter(revision::Column::ThemeId.eq(child.id))
            .all(tx)
            .await?;
        for saved in revisions {
            let mut spec = saved.spec.clone();
            if spec.get("extends").and_then(|v| v.as_str()) != Some(old) {
                continue;
            }
            spec["extends"] = new.into();
            let mut row: revision::ActiveModel = saved.into();
            row.spec = Set(spec);
            row.update(tx).await?;
        }
        let mut row: theme::ActiveModel = child.into();
        row.parent = Set(Some(new.to_owned()));
        row.update(tx).await?;
    }
    Ok(())
}
