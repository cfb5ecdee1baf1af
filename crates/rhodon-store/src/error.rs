//! What can go wrong with stored themes.

use rhodon_theme::InheritError;
use sea_orm::DbErr;

use crate::record::RevisionRecord;

/// Why a theme could not be read or written.
#[derive(Debug, thiserror::Error)]
pub enum StoreError {
    /// No theme has that slug.
    #[error("no theme \"{0}\"")]
    NoTheme(String),
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
    /// Another theme has that slug.
    #[error("another theme is called \"{0}\"")]
    SlugTaken(String),
    /// Other themes extend it.
    #[error("{} extend \"{slug}\"", children.join(", "))]
    HasChildren {
        /// Slug of the theme.
        slug: String,
        /// Names of the themes that extend it.
        children: Vec<String>,
    },
    /// It would come to extend itself.
    #[error(transparent)]
    Inherit(#[from] InheritError),
    /// The database did not answer as it should.
    #[error("the database failed: {0}")]
    Database(#[from] DbErr),
}
