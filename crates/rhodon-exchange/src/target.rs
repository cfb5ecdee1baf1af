//! What a target is, and the one way to write one.

use rhodon_theme::{Derived, Section, Token};
use serde::Serialize;

use crate::option::{OptionError, Settings, TargetOption};
use crate::stamp::Stamp;
use crate::write::TARGETS;

/// The kind of consumer, by which targets are listed.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize)]
#[serde(rename_all = "lowercase")]
pub enum Group {
    /// Style sheets and scripts for the web.
    Web,
}

/// One file, complete.
#[derive(Clone, Debug, PartialEq, Eq, Serialize)]
pub struct File {
    /// Relative path with `/`.
    pub path: String,
    /// UTF-8 text with `\n` line ends.
    pub text: String,
}

/// Something a target cannot carry, by token.
#[derive(Clone, Debug, PartialEq, Eq, Serialize)]
pub struct Warning {
    /// Path of the token.
    pub token: String,
    /// What happens to it.
    pub message: String,
}

/// What a target wrote.
#[derive(Clone, Debug, Default, PartialEq, Eq)]
pub struct Output {
    /// Its files, in the order in which they are loaded.
    pub files: Vec<File>,
    /// What it could not carry.
    pub warnings: Vec<Warning>,
}

/// Why a target could not be written.
#[derive(Clone, Debug, PartialEq, Eq, thiserror::Error)]
pub enum ExportError {
    /// No target has that id.
    #[error("unknown target \"{id}\": expected one of {known}")]
    Unknown {
        /// As given.
        id: String,
        /// The ids there are.
        known: String,
    },
    /// A setting is wrong.
    #[error(transparent)]
    Option(#[from] OptionError),
    /// Two tokens would have one name in the file.
    #[error("{first} and {second} would both be named {name}: expected different names")]
    Clash {
        /// Path of one token.
        first: String,
        /// Path of the other.
        second: String,
        /// The name in the file.
        name: String,
    },
}

/// A kind of file that Rhodon writes.
#[derive(Debug)]
pub struct Target {
    /// Stable name.
    pub id: &'static str,
    /// Its kind, as people see it.
    pub name: &'static str,
    /// By which it is listed.
    pub group: Group,
    /// What can be set.
    pub options: &'static [TargetOption],
    /// Paths of its files.
    pub files: &'static [&'static str],
    /// Where the files go and how they are loaded, in a sentence or two.
    pub usage: &'static str,
    pub(crate) write: fn(&Job<'_>) -> Result<Output, ExportError>,
}

/// One export: what to write and how.
#[derive(Debug)]
pub(crate) struct Job<'a> {
    pub theme: &'a Derived,
    pub stamp: &'a Stamp,
    pub settings: Settings,
}

impl Job<'_> {
    /// Tokens that exports carry, less the sections that the `groups` option leaves out.
    pub(crate) fn tokens(&self) -> impl Iterator<Item = &Token> {
        self.theme
            .tokens
            .iter()
            .filter(|t| !t.omitted && self.settings.includes("groups", section_word(t.section)))
    }
}

/// The words of the `groups` option.
pub(crate) const SECTIONS: &[&str] = &["scales", "roles", "own", "type", "shape"];

fn section_word(section: Section) -> &'static str {
    match section {
        Section::Scales => "scales",
        Section::Roles => "roles",
        Section::Own => "own",
        Section::Type => "type",
        Section::Shape => "shape",
    }
}

/// The target of an id.
///
/// # Errors
/// An unknown id, with those there are.
pub fn find(id: &str) -> Result<&'static Target, ExportError> {
    TARGETS.iter().find(|t| t.id == id).copied().ok_or_else(|| {
        let known = TARGETS.iter().map(|t| t.id).collect::<Vec<_>>().join(", ");
        ExportError::Unknown { id: id.to_owned(), known }
    })
}

/// Writes a target.
///
/// # Errors
/// A setting that the target does not take, or names that clash in it.
pub fn export(
    target: &'static Target,
    theme: &Derived,
    stamp: &Stamp,
    set: impl IntoIterator<Item = (String, String)>,
) -> Result<Output, ExportError> {
    let settings = Settings::check(target.options, set)?;
    (target.write)(&Job { theme, stamp, settings })
}
