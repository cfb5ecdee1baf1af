//! Options of a target: declared as data, checked once, then read without doubt.

use indexmap::IndexMap;
use rhodon_theme::Slug;

/// The words of the `groups` option.
pub(crate) const SECTIONS: &[&str] = &["scales", "roles", "own", "type", "shape"];

/// What an option takes.
#[derive(Clone, Copy, Debug, PartialEq)]
pub enum OptionKind {
    /// One of a few words.
    Choice(&'static [&'static str]),
    /// Words separated by commas, or `all`.
    List(&'static [&'static str]),
    /// A name part: letters, digits and hyphens, or nothing.
    Name,
    /// A module or reference: names with dots, slashes, colons and at signs, or nothing.
    Qualified,
    /// Identifiers joined by dots, as packages and platform styles have them; none of them one of
    /// the words that the language keeps for itself.
    Dotted(&'static [&'static str]),
    /// A class name with `{name}` where the token's name goes.
    Pattern,
    /// Names separated by commas, or nothing.
    Names,
    /// Slugs of the theme's brand colours separated by commas, or nothing.
    Brand,
}

impl OptionKind {
    /// Its name, as in `choice`.
    pub fn id(&self) -> &'static str {
        match self {
            Self::Choice(_) => "choice",
            Self::List(_) => "list",
            Self::Name => "name",
            Self::Qualified => "qualified",
            Self::Dotted(_) => "dotted",
            Self::Pattern => "pattern",
            Self::Names => "names",
            Self::Brand => "brand",
        }
    }

    /// The words to choose from.
    pub fn choices(&self) -> &'static [&'static str] {
        match self {
            Self::Choice(words) | Self::List(words) => words,
            _ => &[],
        }
    }

    fn expected(&self) -> String {
        match self {
            Self::Choice(words) => format!("one of {}", words.join(", ")),
            Self::List(words) => {
                format!("all, or some of {} separated by commas", words.join(", "))
            }
            Self::Name => "letters, digits and hyphens, starting with a letter".to_owned(),
            Self::Qualified => "letters, digits and . _ - / : @, at most 120".to_owned(),
            Self::Dotted([]) => {
                "names of letters, digits and underscores joined by dots".to_owned()
            }
            Self::Dotted(_) => {
                "names of letters, digits and underscores joined by dots, none a word of the language"
                    .to_owned()
            }
            Self::Pattern => {
                "letters, digits, hyphens and underscores around one {name}".to_owned()
            }
            Self::Names => "names of letters, digits and hyphens separated by commas".to_owned(),
            Self::Brand => "slugs of brand colours separated by commas".to_owned(),
        }
    }

    fn accepts(&self, value: &str) -> bool {
        match self {
            Self::Choice(words) => words.contains(&value),
            Self::List(words) => {
                value == "all" || value.split(',').all(|w| words.contains(&w.trim()))
            }
            Self::Name => value.is_empty() || is_name(value),
            Self::Qualified => {
                let fits = |b: u8| b.is_ascii_alphanumeric() || b"._-/:@".contains(&b);
                value.len() <= 120 && value.bytes().all(fits)
            }
            Self::Dotted(reserved) => {
                let fits = |b: u8| b.is_ascii_alphanumeric() || b == b'_';
                let is_part = |p: &str| {
                    p.starts_with(|c: char| c.is_ascii_alphabetic())
                        && p.bytes().all(fits)
                        && !reserved.contains(&p)
                };
                value.len() <= 120 && value.split('.').all(is_part)
            }
            Self::Pattern => value.split_once("{name}").is_some_and(|(before, after)| {
                let fits = |b: u8| b.is_ascii_alphanumeric() || b"-_".contains(&b);
                let starts =
                    before.is_empty() || before.starts_with(|c: char| c.is_ascii_alphabetic());
                starts && value.len() <= 80 && before.bytes().chain(after.bytes()).all(fits)
            }),
            // Nothing behind the last comma is a name that is being typed.
            Self::Names => {
                let named = value.trim_end().strip_suffix(',').unwrap_or(value);
                named.is_empty() || named.split(',').all(|name| is_name(name.trim()))
            }
            Self::Brand => value.is_empty() || value.split(',').all(|slug| is_slug(slug.trim())),
        }
    }
}

fn is_slug(text: &str) -> bool {
    text.parse::<Slug>().is_ok()
}

fn is_name(text: &str) -> bool {
    text.starts_with(|c: char| c.is_ascii_alphabetic())
        && text.len() <= 40
        && text.bytes().all(|b| b.is_ascii_alphanumeric() || b == b'-')
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

impl TargetOption {
    /// Put in front of every name.
    pub(crate) const PREFIX: Self = Self {
        key: "prefix",
        kind: OptionKind::Name,
        default: "",
        help: "Put in front of every name.",
    };

    /// The prefix of the custom properties that a target refers to.
    pub(crate) const PROPERTY_PREFIX: Self = Self {
        key: "prefix",
        kind: OptionKind::Name,
        default: "",
        help: "The prefix that the custom properties were written with.",
    };

    /// Whether tokens that the framework has no key for are written beside those it has.
    pub(crate) const TOKENS: Self = Self {
        key: "tokens",
        kind: OptionKind::Choice(&["used", "all"]),
        default: "used",
        help: "Whether only what the framework uses is written, or every token beside it.",
    };

    /// Which sections of the theme are written.
    pub(crate) const GROUPS: Self = Self {
        key: "groups",
        kind: OptionKind::List(SECTIONS),
        default: "all",
        help: "Which groups are written.",
    };
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
#[derive(Clone, Debug)]
pub struct Settings {
    options: &'static [TargetOption],
    values: IndexMap<&'static str, String>,
}

impl Settings {
    /// Defaults, overlaid with what was given.
    ///
    /// # Errors
    /// The first setting that the target does not take.
    pub fn check(
        options: &'static [TargetOption],
        given: impl IntoIterator<Item = (String, String)>,
    ) -> Result<Self, OptionError> {
        let values = options
            .iter()
            .map(|o| (o.key, o.default.to_owned()))
            .collect();
        Self { options, values }.with(given)
    }

    /// These, overlaid with what is given.
    ///
    /// # Errors
    /// The first setting that the target does not take.
    pub fn with(
        mut self,
        given: impl IntoIterator<Item = (String, String)>,
    ) -> Result<Self, OptionError> {
        for (key, value) in given {
            let Some(option) = self.options.iter().find(|o| o.key == key) else {
                let known = self
                    .options
                    .iter()
                    .map(|o| o.key)
                    .collect::<Vec<_>>()
                    .join(", ");
                return Err(OptionError::Unknown { key, known });
            };
            if !option.kind.accepts(&value) {
                return Err(OptionError::Value {
                    key: option.key,
                    value,
                    expected: option.kind.expected(),
                });
            }
            self.values.insert(option.key, value);
        }
        Ok(self)
    }

    /// The value of an option; the default of one that the target does not have.
    pub fn get(&self, option: &TargetOption) -> &str {
        self.values
            .get(option.key)
            .map_or(option.default, String::as_str)
    }

    /// Every option with its value, in the target's order.
    pub fn all(&self) -> impl Iterator<Item = (&'static str, &str)> {
        self.values
            .iter()
            .map(|(key, value)| (*key, value.as_str()))
    }

    /// Those that differ from the defaults, in the target's order.
    pub fn changed(&self) -> impl Iterator<Item = (&'static str, &str)> {
        let pairs = self.options.iter().map(|o| (o, self.get(o)));
        pairs
            .filter(|(o, value)| *value != o.default)
            .map(|(o, value)| (o.key, value))
    }

    /// The names of an option that takes several.
    pub fn names(&self, option: &TargetOption) -> impl Iterator<Item = &str> {
        self.get(option)
            .split(',')
            .map(str::trim)
            .filter(|n| !n.is_empty())
    }

    /// The words of a list option, in the order that was asked for; `all` is every one that there is.
    pub fn words(&self, option: &TargetOption) -> impl Iterator<Item = &str> {
        let asked = self.get(option);
        let all = option
            .kind
            .choices()
            .iter()
            .copied()
            .filter(move |_| asked == "all");
        let some = self.names(option).filter(move |_| asked != "all");
        all.chain(some)
    }

    /// Whether a list option holds a word. An option that the target does not have leaves nothing out.
    pub fn includes(&self, option: &TargetOption, word: &str) -> bool {
        let value = self.values.get(option.key).map_or("all", String::as_str);
        value == "all" || value.split(',').any(|w| w.trim() == word)
    }
}
