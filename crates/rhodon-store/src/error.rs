//! What can go wrong with stored themes.

use rhodon_theme::{InheritError, Problems};
use sea_orm::DbErr;

use crate::record::RevisionRecord;

/// What the database gave, or why it gave nothing.
pub(crate) type Result<T> = std::result::Result<T, StoreError>;

/// Why a theme could not be read or written.
#[derive(Debug, thiserror::Error)]
pub enum StoreError {
    /// No theme has that slug.
    #[error("no theme \"{0}\"")]
    NoTheme(String),
    /// No picture has that id.
    #[error("no picture \"{0}\"")]
    NoPicture(String),
    /// There is no such page of somebody's own, or no such file in it.
    #[error("no page \"{0}\"")]
    NoPage(String),
    /// No set of colours has that id.
    #[error("no set of colours \"{0}\"")]
    NoSet(uuid::Uuid),
    /// The theme has no such revision.
    #[error("no revision {number} of theme \"{slug}\"")]
    NoRevision {
        /// Slug of the theme.
        slug: String,
        /// Number asked for.
        number: i32,
    },
    /// There is nothing to undo or redo.
    #[error("nothing to {0}")]
    NothingTo(&'static str),
    /// Somebody saved in between.
    #[error("the theme has changed: revision {} is current, the write was based on revision {base}", current.number)]
    Stale {
        /// What is current now.
        current: Box<RevisionRecord>,
        /// What the write was based on.
        base: i32,
        /// That revision, if it exists.
        based_on: Option<Box<RevisionRecord>>,
    },
    /// A theme that it extends, or that extends it, changed since the change was found good.
    #[error("a theme that it extends, or that extends it, changed at the same moment")]
    RelativesMoved,
    /// Another theme has that slug.
    #[error("another theme is called \"{0}\"")]
    SlugTaken(String),
    /// Other themes extend it.
    #[error("\"{name}\" cannot be deleted while {} extend{} it", list(children), if children.len() == 1 { "s" } else { "" })]
    HasChildren {
        /// Name of the theme.
        name: String,
        /// Names of the themes that extend it.
        children: Vec<String>,
    },
    /// The theme that it extends, or extended then, is deleted.
    #[error("the theme that \"{slug}\" extends is deleted: bring that one back first")]
    ParentGone {
        /// Slug of the theme.
        slug: String,
    },
    /// Its saved document cannot be read.
    #[error("the saved document of \"{slug}\" cannot be read: {problems}")]
    Unreadable {
        /// Slug of the theme.
        slug: String,
        /// What is wrong with it.
        problems: Problems,
    },
    /// It would come to extend itself.
    #[error(transparent)]
    Inherit(#[from] InheritError),
    /// The database did not answer as it should.
    #[error("the database failed: {0}")]
    Database(#[from] DbErr),
    /// Whether the change was written is not known.
    #[error("the database did not confirm the change: {0}")]
    Unconfirmed(#[source] DbErr),
}

/// `A, B and C`.
fn list(names: &[String]) -> String {
    match names {
        [all @ .., last] if !all.is_empty() => format!("{} and {last}", all.join(", ")),
        _ => names.join(""),
    }
}
