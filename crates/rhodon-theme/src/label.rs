//! Names with rules: step labels, slugs and token paths.

use std::{borrow::Cow, fmt, str::FromStr, sync::Arc};

use schemars::{JsonSchema, Schema, SchemaGenerator, json_schema};
use serde::{Deserialize, Serialize};

/// A name that breaks its rule; prints what was expected.
#[derive(Clone, Debug, PartialEq, Eq, thiserror::Error)]
#[error("expected {0}")]
pub struct NameError(&'static str);

impl NameError {
    pub(crate) const fn new(expected: &'static str) -> Self {
        Self(expected)
    }
}

macro_rules! name_type {
    ($(#[$doc:meta])* $name:ident, $max:expr, $expected:expr, $pattern:expr, $valid:expr) => {
        $(#[$doc])*
        #[derive(Clone, Debug, PartialEq, Eq, Hash, PartialOrd, Ord, Serialize, Deserialize)]
        #[serde(try_from = "String", into = "String")]
        pub struct $name(Arc<str>);

        impl $name {
            /// What a valid one looks like, as errors say it.
            pub const EXPECTED: &'static str = $expected;

            /// The text.
            pub fn as_str(&self) -> &str {
                &self.0
            }
        }

        impl FromStr for $name {
            type Err = NameError;

            fn from_str(s: &str) -> Result<Self, NameError> {
                let valid: fn(&str) -> bool = $valid;
                if !s.is_empty() && s.len() <= $max && valid(s) { Ok(Self(s.into())) } else { Err(NameError(Self::EXPECTED)) }
            }
        }

        impl TryFrom<String> for $name {
            type Error = NameError;

            fn try_from(s: String) -> Result<Self, NameError> {
                s.parse()
            }
        }

        impl From<$name> for String {
            fn from(name: $name) -> Self {
                name.0.as_ref().to_owned()
            }
        }

        impl fmt::Display for $name {
            fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
                f.write_str(&self.0)
            }
        }

        impl JsonSchema for $name {
            fn schema_name() -> Cow<'static, str> {
                stringify!($name).into()
            }

            fn json_schema(_: &mut SchemaGenerator) -> Schema {
                json_schema!({ "type": "string", "pattern": $pattern, "maxLength": $max, "description": $expected })
            }
        }
    };
}

name_type!(
    /// The name of a step inside its scale, such as `600`.
    StepLabel,
    24,
    "a step label of 1 to 24 letters, digits or hyphens",
    "^[A-Za-z0-9]([A-Za-z0-9-]*[A-Za-z0-9])?$",
    |s| s.bytes().all(|b| b.is_ascii_alphanumeric() || b == b'-') && !s.starts_with('-') && !s.ends_with('-')
);

name_type!(
    /// A hyphenated name for scales, intents and files: `night-crossing`.
    Slug,
    60,
    "a slug of lower-case letters, digits and single hyphens, starting with a letter",
    "^[a-z][a-z0-9]*(-[a-z0-9]+)*$",
    is_slug
);

name_type!(
    /// The place of a token: slugs joined by dots, as in `primary.fill-hover`.
    TokenPath,
    200,
    "a token path of slugs joined by dots, such as ferry.wake",
    "^[a-z][a-z0-9]*(-[a-z0-9]+)*([.][a-z0-9]+(-[a-z0-9]+)*)*$",
    |s| {
        let mut parts = s.split('.');
        parts.next().is_some_and(is_slug) && parts.all(is_slug_tail)
    }
);

name_type!(
    /// A name in a form that a token or a colour stands behind: `brand_dark`.
    SlotName,
    60,
    "a name of lower-case letters, digits and underscores, starting with a letter, that is no word of forms",
    "^[a-z][a-z0-9_]*$",
    |s| {
        let fits = |b: u8| b.is_ascii_lowercase() || b.is_ascii_digit() || b == b'_';
        s.as_bytes()[0].is_ascii_lowercase() && s.bytes().all(fits) && !FORM_WORDS.contains(&s)
    }
);

impl SlotName {
    /// What a slot is called where nothing says more.
    pub fn usual() -> Self {
        Self("color".into())
    }
}

/// Words that mean something in every form.
const FORM_WORDS: &[&str] = &[
    "theme",
    "scales",
    "roles",
    "tokens",
    "modes",
    "family",
    "token",
    "range",
    "loop",
    "true",
    "false",
    "none",
    "in",
    "is",
    "not",
    "and",
    "or",
    "if",
    "else",
    "for",
    "set",
    "self",
    "super",
    "varargs",
    "namespace",
    "dict",
];

name_type!(
    /// The place of a kept token in a file of design tokens: names joined by dots, as they were.
    KeptPath,
    1000,
    "a path of at most 1,000 bytes and 32 names, none of which starts with $, without control characters",
    "^[^$.\\x00-\\x1f\\x7f-\\x9f][^.\\x00-\\x1f\\x7f-\\x9f]*([.][^$.\\x00-\\x1f\\x7f-\\x9f][^.\\x00-\\x1f\\x7f-\\x9f]*){0,31}$",
    is_kept_path
);

/// How deep a kept token may stand: JSON readers stop at a depth of their own, often 128, and the
/// token itself has room below this.
const MAX_KEPT_NAMES: usize = 32;

/// Format module, "Character restrictions": names do not start with `$`, which marks properties of
/// the file itself, and have no dot.
fn is_kept_path(s: &str) -> bool {
    !s.chars().any(char::is_control)
        && s.split('.').count() <= MAX_KEPT_NAMES
        && s.split('.')
            .all(|name| !name.is_empty() && !name.starts_with('$'))
}

fn is_slug(s: &str) -> bool {
    s.as_bytes().first().is_some_and(u8::is_ascii_lowercase) && is_slug_tail(s)
}

fn is_slug_tail(s: &str) -> bool {
    !s.is_empty()
        && s.bytes()
            .all(|b| b.is_ascii_lowercase() || b.is_ascii_digit() || b == b'-')
        && s.split('-').all(|part| !part.is_empty())
}

impl TokenPath {
    /// The path of names as other programs write them: folded as slugs are, joined by dots. None
    /// where nothing usable is left or too much.
    pub fn from_names<'a>(names: impl IntoIterator<Item = &'a str>) -> Option<TokenPath> {
        let mut path = names.into_iter().map(folded).collect::<Vec<_>>();
        path.retain(|name| !name.is_empty());
        if !path.first()?.starts_with(|c: char| c.is_ascii_lowercase()) {
            path.insert(0, "file".to_owned());
        }
        path.join(".").parse().ok()
    }

    /// The part before the first dot.
    pub fn group(&self) -> &str {
        self.as_str().split('.').next().unwrap_or_default()
    }
}

/// Lower-case letters, digits and single hyphens.
fn folded(name: &str) -> String {
    let mut text = String::with_capacity(name.len());
    for c in deunicode::deunicode(name).chars() {
        if c.is_ascii_alphanumeric() {
            text.push(c.to_ascii_lowercase());
        } else if !text.ends_with('-') && c != '\'' {
            text.push('-');
        }
    }
    text.trim_matches('-').to_owned()
}

impl Slug {
    /// The slug of a readable name: Latin letters lose their accents, everything else
    /// becomes a hyphen. A name without any usable letter gives `fallback`.
    pub fn from_name(name: &str, fallback: &Slug) -> Slug {
        let text = folded(name);
        let trimmed = text.trim_start_matches(|c: char| !c.is_ascii_lowercase());
        let cut: String = trimmed.chars().take(48).collect();
        cut.trim_matches('-')
            .parse()
            .unwrap_or_else(|_| fallback.clone())
    }

    /// This slug, or it with a number behind it, whichever `taken` allows first.
    pub fn unique(self, taken: impl Fn(&Slug) -> bool) -> Slug {
        if !taken(&self) {
            return self;
        }
        (2..)
            .map(|n| Slug(format!("{self}-{n}").into()))
            .find(|s| !taken(s))
            .unwrap_or(self)
    }

    /// `theme`: for a theme whose name has no usable letter.
    pub fn theme() -> Slug {
        Slug::known("theme")
    }

    pub(crate) fn known(s: &'static str) -> Slug {
        debug_assert!(is_slug(s), "{s}");
        Slug(s.into())
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn slugs_come_from_names() {
        let fallback = Slug::known("color");
        for (name, slug) in [
            ("Night Crossing", "night-crossing"),
            ("Ærø blå", "aero-bla"),
            ("  2nd Petrol!! ", "nd-petrol"),
            ("*/ \"quotes\" </x>", "quotes-x"),
            ("🚢", "ship"),
            ("42", "color"),
            ("Skipper's blue", "skippers-blue"),
        ] {
            assert_eq!(Slug::from_name(name, &fallback).as_str(), slug, "{name}");
        }
    }

    #[test]
    fn names_follow_their_rules() {
        for bad in ["", "A", "a--b", "-a", "a-", "a b", "1a"] {
            assert!(bad.parse::<Slug>().is_err(), "{bad:?}");
        }
        for bad in ["", "-5", "5-", "a b", "5.5"] {
            assert!(bad.parse::<StepLabel>().is_err(), "{bad:?}");
        }
        for (path, fine) in [
            ("petrol.600", true),
            ("a.b-c.d", true),
            ("a..b", false),
            ("A.b", false),
            (".a", false),
        ] {
            assert_eq!(path.parse::<TokenPath>().is_ok(), fine, "{path}");
        }
        let deep = |names: usize| vec!["a"; names].join(".");
        for (path, fine) in [
            ("Motion.Quick in", true),
            ("a..b", false),
            ("$extensions", false),
            ("motion.$root", false),
            (&deep(MAX_KEPT_NAMES), true),
            (&deep(MAX_KEPT_NAMES + 1), false),
        ] {
            assert_eq!(path.parse::<KeptPath>().is_ok(), fine, "{path}");
        }
    }
}
