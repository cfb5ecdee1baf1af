//! Levels of contrast: the usual one, and the one for people who ask their system for more.

use schemars::JsonSchema;
use serde::{Deserialize, Serialize};

/// How much contrast is asked for.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Hash, Serialize, Deserialize, JsonSchema)]
#[serde(rename_all = "lowercase")]
pub enum Level {
    #[default]
    /// Text 4.5 : 1 and parts 3 : 1 (WCAG 2.2, 1.4.3 and 1.4.11).
    Usual,
    /// Text 7 : 1 (WCAG 2.2, 1.4.6), and parts as much as text usually has.
    More,
}

impl Level {
    /// Both, the usual one first.
    pub const ALL: [Self; 2] = [Self::Usual, Self::More];

    /// `usual` or `more`.
    pub fn id(self) -> &'static str {
        match self {
            Self::Usual => "usual",
            Self::More => "more",
        }
    }

    /// Least contrast of running text.
    pub const fn text(self) -> f64 {
        match self {
            Self::Usual => 4.5,
            Self::More => 7.0,
        }
    }

    /// Least contrast of what must be seen but not read.
    pub const fn graphic(self) -> f64 {
        match self {
            Self::Usual => 3.0,
            Self::More => 4.5,
        }
    }
}
