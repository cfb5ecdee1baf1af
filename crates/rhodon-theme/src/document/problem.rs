//! What is wrong with a document, and where.

use std::fmt;

use schemars::JsonSchema;
use serde::Serialize;

/// One problem at one place.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, JsonSchema)]
pub struct Problem {
    /// The place, as a JSON Pointer (RFC 6901).
    pub pointer: String,
    /// What was wrong and what was expected, as one sentence without a full stop.
    pub message: String,
}

impl fmt::Display for Problem {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        let place = if self.pointer.is_empty() {
            "the document"
        } else {
            &self.pointer
        };
        write!(f, "{place}: {}", self.message)
    }
}

/// Every problem found in one reading; never empty when returned as an error.
#[derive(Clone, Debug, Default, PartialEq, Eq, Serialize, JsonSchema)]
#[serde(transparent)]
pub struct Problems(pub Vec<Problem>);

impl Problems {
    /// A single problem.
    pub fn one(pointer: impl Into<String>, message: impl Into<String>) -> Self {
        let mut problems = Self::default();
        problems.add(pointer, message);
        problems
    }

    pub(crate) fn add(&mut self, pointer: impl Into<String>, message: impl Into<String>) {
        self.0.push(Problem {
            pointer: pointer.into(),
            message: message.into(),
        });
    }

    pub(crate) fn into_result<T>(self, value: T) -> Result<T, Self> {
        if self.0.is_empty() {
            Ok(value)
        } else {
            Err(self)
        }
    }
}

impl fmt::Display for Problems {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        let lines: Vec<String> = self.0.iter().map(Problem::to_string).collect();
        f.write_str(&lines.join("\n"))
    }
}

impl std::error::Error for Problems {}
