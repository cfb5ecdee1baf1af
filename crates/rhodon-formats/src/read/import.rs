//! What goes in and what comes out, whatever the format.

use std::fmt;

use rhodon_theme::{Document, not_json};
use serde_json::Value;

/// A file that is read.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct InputFile {
    /// Its name, by which other files refer to it.
    pub name: String,
    /// What is in it.
    pub bytes: Vec<u8>,
}

impl InputFile {
    /// A file of text.
    pub fn text(name: impl Into<String>, text: impl Into<String>) -> Self {
        Self {
            name: name.into(),
            bytes: text.into().into_bytes(),
        }
    }

    /// Its JSON, or what is wrong with it.
    pub(crate) fn json(&self) -> Result<Value, ReadProblem> {
        let refuse = |message: String| ReadProblem::new(&self.name, "", message);
        let text = std::str::from_utf8(&self.bytes).map_err(|e| {
            refuse(format!(
                "expected UTF-8 text, found another byte at {}",
                e.valid_up_to()
            ))
        })?;
        let text = text.strip_prefix('\u{feff}').unwrap_or(text);
        serde_json::from_str(text).map_err(|e| refuse(not_json(&e)))
    }
}

/// Something in a file that could not be taken over.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct ReadProblem {
    /// Name of the file.
    pub file: String,
    /// The place in it: a token path, a JSON Pointer, or nothing for the whole file.
    pub place: String,
    /// What was wrong and what was expected.
    pub message: String,
}

impl ReadProblem {
    pub(crate) fn new(file: &str, place: impl Into<String>, message: impl Into<String>) -> Self {
        Self {
            file: file.to_owned(),
            place: place.into(),
            message: message.into(),
        }
    }
}

impl fmt::Display for ReadProblem {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        let Self {
            file,
            place,
            message,
        } = self;
        if place.is_empty() {
            write!(f, "{file}: {message}")
        } else {
            write!(f, "{file}: {place}: {message}")
        }
    }
}

/// What was read.
#[derive(Clone, Debug, Default, PartialEq)]
pub struct Import {
    /// The document; none where too little could be read for one.
    pub spec: Option<Document>,
    /// What was done with names and values that do not fit as they are, in sentences.
    pub notes: Vec<String>,
    /// What could not be taken over. The rest was.
    pub problems: Vec<ReadProblem>,
}
