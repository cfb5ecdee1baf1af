//! What the store gives out.

use std::collections::BTreeMap;

use chrono::{DateTime, Utc};
use sea_orm::JsonValue;
use uuid::Uuid;

use crate::entity::{revision, theme};

/// A theme without its document.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct ThemeRecord {
    /// Identity; stays when the theme is renamed.
    pub id: Uuid,
    /// Hyphenated name in addresses.
    pub slug: String,
    /// Readable name.
    pub name: String,
    /// Slug of the theme it extends, as it is today.
    pub parent: Option<String>,
    /// Number of the current revision.
    pub revision: i32,
    /// Time of the last change.
    pub updated_at: DateTime<Utc>,
    /// Since when it is deleted.
    pub deleted_at: Option<DateTime<Utc>>,
}

/// Themes that one extends and those that extend it, with their current revisions.
#[derive(Clone, Debug, Default, PartialEq, Eq)]
pub struct Relatives(pub(crate) BTreeMap<Uuid, i32>);

/// One saved state.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct RevisionRecord {
    /// 1, 2, 3 … within the theme.
    pub number: i32,
    /// What was changed, in words.
    pub label: String,
    /// What somebody calls it.
    pub name: Option<String>,
    /// Number of the revision it was made from.
    pub came_from: Option<i32>,
    /// The document as it was saved, with the slug that its parent has today.
    pub spec: JsonValue,
    /// Time of saving.
    pub created_at: DateTime<Utc>,
}

/// A theme as it stands: its current revision, and whether there are steps back and forth.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct Saved {
    /// The theme.
    pub theme: ThemeRecord,
    /// Its current revision.
    pub revision: RevisionRecord,
    /// There is something to undo.
    pub can_undo: bool,
    /// There is something to redo.
    pub can_redo: bool,
}

impl ThemeRecord {
    pub(crate) fn new(m: theme::Model, parent: Option<String>) -> Self {
        Self {
            id: m.id,
            slug: m.slug,
            name: m.name,
            parent,
            revision: m.current,
            updated_at: m.updated_at.with_timezone(&Utc),
            deleted_at: m.deleted_at.map(|at| at.with_timezone(&Utc)),
        }
    }
}

impl RevisionRecord {
    /// A document holds its parent by name; the database by identity.
    pub(crate) fn new(m: revision::Model, parent: Option<String>) -> Self {
        let mut spec = m.spec;
        if let Some(object) = spec.as_object_mut() {
            match parent {
                Some(slug) => drop(object.insert("extends".to_owned(), slug.into())),
                None => drop(object.remove("extends")),
            }
        }
        Self {
            number: m.number,
            label: m.label,
            name: m.name,
            came_from: m.came_from,
            spec,
            created_at: m.created_at.with_timezone(&Utc),
        }
    }
}
