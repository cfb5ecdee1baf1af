//! What the store gives out.

use chrono::{DateTime, Utc};
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
    /// Slug of the theme it extends.
    pub parent: Option<String>,
    /// Number of the current revision.
    pub revision: i32,
    /// Time of the last change.
    pub updated_at: DateTime<Utc>,
}

/// One saved state.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct RevisionRecord {
    /// 1, 2, 3 … within the theme.
    pub number: i32,
    /// What was changed, in words.
    pub label: String,
    /// Number of the revision it was made from.
    pub came_from: Option<i32>,
    /// The document, as it was saved.
    pub spec: serde_json::Value,
    /// Time of saving.
    pub created_at: DateTime<Utc>,
}

impl From<theme::Model> for ThemeRecord {
    fn from(m: theme::Model) -> Self {
        Self {
            id: m.id,
            slug: m.slug,
            name: m.name,
            parent: m.parent,
            revision: m.current,
            updated_at: m.updated_at.with_timezone(&Utc),
        }
    }
}

impl From<revision::Model> for RevisionRecord {
    fn from(m: revision::Model) -> Self {
        Self {
            number: m.number,
            label: m.label,
            came_from: m.came_from,
            spec: m.spec,
            created_at: m.created_at.with_timezone(&Utc),
        }
    }
}
