//! Options of a target: declared as data, checked once, then read without doubt.

use indexmap::IndexMap;
use serde::Serialize;

/// What an option takes.
#[derive(Clone, Copy, Debug, PartialEq, Serialize)]
#[serde(rename_all = "lowercase", tag = "kind", content = "choices")]
pub enum OptionKind {
    /// One of a few words.
    Choice(&'static [&'static str]),
    /// Words separated by commas, or `all`.
    List(&'static [&'static str]),
    /// A name part: letters, digits and hyphens, or nothing.
    Name,
}

impl OptionKind {
    /// `choice`, `list` or `name`.
    pub fn id(&self) -> &'static str {
        match self {
            Self::Choice(_) => "choice",
            Self::List(_) => "list",
            Self::Name => "name",
        }
    }

    /// The words to choose from.
    pub fn choices(&self) -> &'static [&'static str] {
        match self {
            Self::Choice(words) | Self::List(words) => words,
            Self::Name => &[],
        }
    }

    fn expected(&self) -> String {
        match self {
            Self::Choice(words) => format!("one of {}", words.join(", ")),
            Self::List(words) => format!("all, or some of {} separated by commas", words.join(", ")),
            Self::Name => "letters, digits and hyphens, starting with a letter".to_owned(),
        }
    }

    fn accepts(&self, value: &str) -> bool {
        match self {
            Self::Choice(words) => words.contains(&value),
            Self::List(words) => value == "all" || value.split(',').all(|w| words.contains(&w.trim())),
            Self::Name => {
                value.is_empty()
                    || (value.starts_with(|c: char| c.is_ascii_alphabetic())
                        && value.len() <= 40
                        && value.bytes().all(|b| b.is_ascii_alphanumeric() || b == b'-'))
            }
        }
    }
}

/// One option of a target.
#[derive(Clone, Copy, Debug)]
pub struct TargetOption {
    /// Name in `--set key=value`.
    pub key: &'static str,
    /// What it takes.
    pub kind: OptionKind,
    /// Its value when nobody sets it.
    pub default: &'static str,
    /// What it does, in a sentence.
    pub help: &'static str,
}

/// A setting that a target does not take.
#[derive(Clone, Debug, PartialEq, Eq, thiserror::Error)]
pub enum OptionError {
    /// No option has that name.
    #[error("unknown option \"{key}\": expected one of {known}")]
    Unknown {
        /// As given.
        key: String,
        /// The names there are.
        known: String,
    },
    /// The value does not fit.
    #[error("option {key}: expected {expected}, found \"{value}\"")]
    Value {
        /// Which option.
        key: &'static str,
        /// As given.
        value: String,
        /// What fits.
        expected: String,
    },
}

/// Checked settings: every option of the target has a value.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct Settings(IndexMap<&'static str, String>);

impl Settings {
    /// Defaults, overlaid with what was given.
    ///
    /// # Errors
    /// The first setting that the target does not take.
    pub fn check(
        options: &'static [TargetOption],
        given: impl IntoIterator<Item = (String, String)>,
    ) -> Result<Self, OptionError> {
        let mut values: IndexMap<_, _> = options.iter().map(|o| (o.key, o.default.to_owned())).collect();
        for (key, value) in given {
            let Some(option) = options.iter().find(|o| o.key == key) else {
                let known = options.iter().map(|o| o.key).collect::<Vec<_>>().join(", ");
                return Err(OptionError::Unknown { key, known });
            };
            if !option.kind.accepts(&value) {
                return Err(OptionError::Value { key: option.key, value, expected: option.kind.expected() });
            }
            values.insert(option.key, value);
        }
        Ok(Self(values))
    }

    /// The value of an option; empty for one that the target does not have.
    pub fn get(&self, key: &str) -> &str {
        self.0.get(key).map_or("", String::as_str)
    }

    /// Whether a list option holds a word.
    pub fn includes(&self, key: &str, word: &str) -> bool {
        let value = self.get(key);
        value == "all" || value.split(',').any(|w| w.trim() == word)
    }
}
