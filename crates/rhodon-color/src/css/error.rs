//! Why a text is not a colour.

use std::fmt;

/// A text that CSS does not accept as a colour. Prints as one sentence:
/// what was expected and, where it helps, what stood there instead.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct ColorError {
    expected: String,
    found: Option<String>,
}

impl ColorError {
    pub(crate) fn expected(expected: impl Into<String>) -> Self {
        Self {
            expected: expected.into(),
            found: None,
        }
    }

    pub(crate) fn found(mut self, found: impl Into<String>) -> Self {
        self.found = Some(shortened(found.into()));
        self
    }
}

/// The most letters of the text that are repeated: somebody may have pasted a whole file.
const MOST: usize = 60;

fn shortened(found: String) -> String {
    match found.char_indices().nth(MOST) {
        Some((end, _)) => format!("{} …", &found[..end]),
        None => found,
    }
}

impl fmt::Display for ColorError {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        write!(f, "expected {}", self.expected)?;
        match &self.found {
            Some(found) => write!(f, ", found {found}"),
            None => Ok(()),
        }
    }
}

impl std::error::Error for ColorError {}
