//! Why there is no export.

use crate::form::FormError;
use crate::option::OptionError;

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
    /// No form of the document has that name.
    #[error("unknown form \"{name}\": expected one of {known}")]
    NoForm {
        /// As given.
        name: String,
        /// The forms there are.
        known: String,
    },
    /// A form is wrong.
    #[error("/forms/{name}: {error}")]
    Form {
        /// Its name.
        name: String,
        /// What is wrong with it, and where.
        error: FormError,
    },
    /// A setting is wrong.
    #[error(transparent)]
    Option(#[from] OptionError),
    /// A choice that the document remembers is wrong.
    #[error("/handoff/{target}: {error}")]
    Remembered {
        /// Id of the target.
        target: &'static str,
        /// What is wrong with it.
        error: OptionError,
    },
    /// The files do not fit into one archive.
    #[error("the files could not be packed: {cause}")]
    Pack {
        /// Why not.
        cause: String,
    },
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
    /// A token would be named by a word of the language.
    #[error("{token} would be named {word}, a reserved word of {language}: expected another name")]
    Reserved {
        /// Path of the token.
        token: String,
        /// The word.
        word: String,
        /// The language of the file.
        language: &'static str,
    },
}
