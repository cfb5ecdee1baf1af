//! What a target writes: files, and what they could not carry.

use indexmap::IndexMap;
use serde::Serialize;

/// One file, complete.
#[derive(Clone, Debug, PartialEq, Eq, Serialize)]
pub struct File {
    /// Relative path with `/`.
    pub path: String,
    /// UTF-8 text with `\n` line ends.
    pub text: String,
    /// How many bytes of it tell where the file comes from.
    #[serde(skip)]
    pub head: usize,
}

impl File {
    /// The text without the head.
    pub fn body(&self) -> &str {
        &self.text[self.head..]
    }
}

/// Something a target cannot carry, by token.
#[derive(Clone, Debug, PartialEq, Eq, Serialize)]
pub struct Warning {
    /// Path of the token.
    pub token: String,
    /// What happens to it.
    pub message: String,
}

impl Warning {
    pub(crate) fn new(token: &str, message: impl Into<String>) -> Self {
        Self {
            token: token.to_owned(),
            message: message.into(),
        }
    }
}

/// A reason, with every token that it holds for.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct Loss<'a> {
    /// What happens to them.
    pub message: &'a str,
    /// Their paths.
    pub tokens: Vec<&'a str>,
}

impl<'a> Loss<'a> {
    /// Warnings by what they say, in the order in which they came.
    pub fn of(warnings: &'a [Warning]) -> Vec<Self> {
        let mut by_message: IndexMap<&str, Vec<&str>> = IndexMap::new();
        for warning in warnings {
            let tokens = by_message.entry(&warning.message).or_default();
            tokens.push(&warning.token);
        }
        let losses = by_message.into_iter();
        losses
            .map(|(message, tokens)| Self { message, tokens })
            .collect()
    }

    /// The first of its tokens, and how many more there are: `a, b and 3 more`.
    pub fn named(&self, most: usize) -> String {
        let first = &self.tokens[..most.min(self.tokens.len())];
        let named = first.join(", ");
        match self.tokens.len() - first.len() {
            0 => named,
            more => format!("{named} and {more} more"),
        }
    }
}

/// What a target wrote.
#[derive(Clone, Debug, Default, PartialEq, Eq)]
pub struct Output {
    /// Its files, in the order in which they are loaded.
    pub files: Vec<File>,
    /// What it could not carry.
    pub warnings: Vec<Warning>,
}
