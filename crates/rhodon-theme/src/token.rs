//! Tokens: what a theme comes to.

use std::sync::Arc;

use schemars::JsonSchema;
use serde::Serialize;

use crate::reason::Reason;
use crate::value::TokenKind;
use crate::value::{Origin, Value};

/// Light or dark.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Hash, Serialize, JsonSchema)]
#[serde(rename_all = "lowercase")]
#[allow(missing_docs)]
pub enum Mode {
    Light,
    Dark,
}

impl Mode {
    /// Both, light first.
    pub const BOTH: [Self; 2] = [Self::Light, Self::Dark];

    /// Light for dark and dark for light.
    pub fn other(self) -> Self {
        match self {
            Self::Light => Self::Dark,
            Self::Dark => Self::Light,
        }
    }

    /// `light` or `dark`.
    pub fn id(self) -> &'static str {
        match self {
            Self::Light => "light",
            Self::Dark => "dark",
        }
    }
}

/// The kind of place a token has in the theme; exports group by it.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Hash, Serialize, JsonSchema)]
#[serde(rename_all = "lowercase")]
#[allow(missing_docs)]
pub enum Section {
    Scales,
    Roles,
    Own,
    Type,
    Shape,
}

impl Section {
    /// All of them, in the order in which exports write them.
    pub const ALL: [Self; 5] = [
        Self::Scales,
        Self::Roles,
        Self::Own,
        Self::Type,
        Self::Shape,
    ];

    /// Its name, as in `roles`.
    pub fn id(self) -> &'static str {
        match self {
            Self::Scales => "scales",
            Self::Roles => "roles",
            Self::Own => "own",
            Self::Type => "type",
            Self::Shape => "shape",
        }
    }
}

/// One value and why it is so.
#[derive(Clone, Debug, PartialEq)]
pub struct Cell {
    /// The value, aliases resolved.
    pub value: Value,
    /// The token it refers to, if it does.
    pub alias: Option<Arc<str>>,
    /// Set, derived or inherited.
    pub origin: Origin,
    /// Why, in words.
    pub reason: Reason,
}

/// One value for both modes, or one each.
#[derive(Clone, Debug, PartialEq)]
pub enum Cells {
    /// The same in light and dark.
    Both(Cell),
    /// Light and dark.
    Each(Box<[Cell; 2]>),
}

impl Cells {
    /// The cell in a mode.
    pub fn get(&self, mode: Mode) -> &Cell {
        match self {
            Self::Both(cell) => cell,
            Self::Each(cells) => &cells[mode as usize],
        }
    }

    /// Those of light and dark.
    pub(crate) fn into_modes(self) -> [Cell; 2] {
        match self {
            Self::Both(cell) => [cell.clone(), cell],
            Self::Each(cells) => *cells,
        }
    }
}

/// A named value of the theme.
#[derive(Clone, Debug, PartialEq)]
pub struct Token {
    /// Its place, as in `primary.fill-hover`.
    pub path: Arc<str>,
    /// Kind of value.
    pub kind: TokenKind,
    /// Kind of place.
    pub section: Section,
    /// Left out of exports.
    pub omitted: bool,
    /// What it is for, where somebody said so.
    pub description: Option<String>,
    /// Its value or values.
    pub cells: Cells,
}

impl Token {
    /// The cell in a mode.
    pub fn cell(&self, mode: Mode) -> &Cell {
        self.cells.get(mode)
    }

    /// Whether light and dark share one value.
    pub fn is_modeless(&self) -> bool {
        matches!(self.cells, Cells::Both(_))
    }

    /// The part of the path before the first dot.
    pub fn group(&self) -> &str {
        self.path.split('.').next().unwrap_or_default()
    }
}

/// A foreground and the background it is declared to sit on.
#[derive(Clone, Debug, PartialEq, Serialize, JsonSchema)]
pub struct Pair {
    /// In which mode.
    pub mode: Mode,
    /// Path of the foreground.
    pub fg: Arc<str>,
    /// Path of the background.
    pub bg: Arc<str>,
    /// WCAG 2.2 contrast ratio, 1–21.
    pub ratio: f64,
    /// The least ratio it must have.
    pub need: f64,
    /// Whether it has it.
    pub pass: bool,
}
