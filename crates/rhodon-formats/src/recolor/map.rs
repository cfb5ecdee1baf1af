//! Which colours become which.

use std::fmt;

use foldhash::HashMap;
use indexmap::IndexMap;
use rhodon_color::{Color, Rgb8};
use rhodon_theme::Mode;
use serde_json::Value;

use super::kin::{Family, relative};
use super::place::StylePlace;
use crate::color_use::ColorUse;
use crate::name::letters;

/// Old colours with what each becomes.
#[derive(Clone, Debug, Default)]
pub struct ColorMap {
    lines: Vec<MapLine>,
    by_color: HashMap<(Rgb8, Option<u8>), usize>,
    /// Colours whose relatives go along.
    pub(super) families: Vec<Family>,
}

/// A line of the map.
#[derive(Clone, Debug, PartialEq)]
pub struct MapLine {
    /// The colour that is changed.
    pub old: Rgb8,
    /// The one opacity, 0–255, for which the line holds; for every opacity without one.
    pub opacity: Option<u8>,
    /// What it becomes: one colour, or several of which the place decides.
    pub new: Vec<New>,
}

/// What a colour becomes.
#[derive(Clone, Debug, PartialEq)]
pub struct New {
    /// The colour.
    pub color: Color,
    /// Its opacity, where it is another than the one that is written.
    pub opacity: Option<f64>,
    /// The custom property that holds it.
    pub variable: Option<String>,
    /// Whether somebody asked for a reference to that property.
    pub is_reference: bool,
    /// The token that it is.
    pub token: Option<String>,
    /// The mode in which that token is so.
    pub mode: Option<Mode>,
}

/// Why a map cannot be read.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct MapError {
    /// JSON Pointer to the place.
    pub pointer: String,
    /// What was wrong and what was expected.
    pub message: String,
}

impl fmt::Display for MapError {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        match self.pointer.as_str() {
            "" => f.write_str(&self.message),
            pointer => write!(f, "{pointer}: {}", self.message),
        }
    }
}

impl New {
    /// A colour without more.
    pub fn color(color: Color) -> Self {
        Self {
            color,
            opacity: None,
            variable: None,
            is_reference: false,
            token: None,
            mode: None,
        }
    }

    /// Whether two are the same to whoever sees them.
    fn looks_like(&self, other: &Self) -> bool {
        self.color.to_hex() == other.color.to_hex()
    }
}

/// What a colour of a file becomes.
#[derive(Clone)]
pub(super) enum Found {
    New {
        new: New,
        /// The line that it follows.
        follows: String,
        kin: bool,
    },
    /// Several, in words.
    Several(String),
    None,
}

impl ColorMap {
    /// Reads `{"#old": "#new", …}`; a new colour may be `var(--name)` of a custom property, with its
    /// colour behind a comma: `var(--brand, #0f5c7a)`; `null` leaves the old one as it is.
    ///
    /// # Errors
    /// The first key or value that is no colour, by its JSON Pointer.
    pub fn parse(text: &str) -> Result<Self, MapError> {
        let at = |pointer: String, message: String| MapError { pointer, message };
        let whole = |message: String| at(String::new(), message);
        let value: Value =
            serde_json::from_str(text).map_err(|e| whole(format!("expected JSON: {e}")))?;
        let Value::Object(pairs) = value else {
            return Err(whole(
                "expected an object such as {\"#0f5c7a\": \"#1f6f4a\"}".to_owned(),
            ));
        };
        let mut map = Self::default();
        for (old, new) in &pairs {
            let pointer = || format!("/{}", old.replace('~', "~0").replace('/', "~1"));
            let color = Color::parse_typed(old).map_err(|e| at(pointer(), e.to_string()))?;
            let states_opacity = color.alpha() < 1.0
                || matches!(old.trim().trim_start_matches('#').len(), 4 | 8)
                    && old.trim().starts_with('#');
            let opacity = states_opacity.then(|| color.alpha8());
            if new.is_null() {
                map.add(color.to_rgb8(), opacity, Vec::new());
                continue;
            }
            let text = new
                .as_str()
                .ok_or_else(|| at(pointer(), format!("expected a colour, found {new}")))?;
            let new = read_new(text).map_err(|message| at(pointer(), message))?;
            map.add(color.to_rgb8(), opacity, vec![new]);
        }
        map.lines_are_families();
        Ok(map)
    }

    /// Adds a line; one that is there already gives way.
    pub fn add(&mut self, old: Rgb8, opacity: Option<u8>, new: Vec<New>) {
        let line = MapLine { old, opacity, new };
        match self.by_color.get(&(old, opacity)) {
            Some(index) => self.lines[*index] = line,
            None => {
                self.by_color.insert((old, opacity), self.lines.len());
                self.lines.push(line);
            }
        }
    }

    /// Puts another map over this one: where both have a line, the other's holds.
    pub fn overlaid(mut self, other: Self) -> Self {
        for line in other.lines {
            self.add(line.old, line.opacity, line.new);
        }
        self.families.extend(other.families);
        self
    }

    /// Its lines, in order.
    pub fn lines(&self) -> &[MapLine] {
        &self.lines
    }

    /// Lines that lead to one colour, whatever the opacity: what pixels can be changed by.
    pub fn pairs(&self) -> impl Iterator<Item = (Rgb8, Rgb8)> {
        self.lines.iter().filter_map(|line| {
            let mut codes = line.new.iter().map(|new| new.color.to_rgb8());
            let first = codes
                .next()
                .filter(|_| line.opacity.is_none_or(|alpha| alpha == 255))?;
            codes.all(|code| code == first).then_some((line.old, first))
        })
    }

    /// Every line that leads to one colour has relatives.
    pub fn lines_are_families(&mut self) {
        let families = self
            .lines
            .iter()
            .filter_map(|line| match line.new.as_slice() {
                [only] => Family::new(line.old, only.color.to_rgb8()),
                _ => None,
            });
        self.families = families.collect();
    }

    /// The line that holds for a colour.
    pub fn line_of(&self, color: Color) -> Option<&MapLine> {
        let (code, alpha) = (color.to_rgb8(), color.alpha8());
        let exact = self.by_color.get(&(code, Some(alpha)));
        let index = exact.or_else(|| self.by_color.get(&(code, None)))?;
        self.lines.get(*index)
    }

    /// What a colour at a place becomes.
    pub(super) fn new_color(
        &self,
        found: &ColorUse,
        place: Option<StylePlace<'_>>,
        kin: bool,
    ) -> Found {
        if let Some(line) = self.line_of(found.color) {
            return line.decide(found, place);
        }
        let code = found.color.to_rgb8();
        let relative = kin.then(|| relative(code, &self.families)).flatten();
        match relative {
            Some((new, of)) => Found::New {
                new: New::color(new.into()),
                follows: of.to_string(),
                kin: true,
            },
            None => Found::None,
        }
    }
}

fn read_new(text: &str) -> Result<New, String> {
    let inner = text
        .trim()
        .strip_prefix("var(")
        .and_then(|t| t.strip_suffix(')'));
    let Some(inner) = inner else {
        let color = Color::parse_typed(text).map_err(|e| e.to_string())?;
        let opacity = (color.alpha() < 1.0).then_some(color.alpha());
        return Ok(New {
            opacity,
            ..New::color(color)
        });
    };
    let expected = || {
        format!("expected a property with its colour such as var(--brand, #0f5c7a), found {text}")
    };
    let (name, color) = inner.split_once(',').ok_or_else(expected)?;
    let name = name.trim();
    let is_name = name.starts_with("--")
        && name.len() > 2
        && name
            .bytes()
            .all(|b| b.is_ascii_alphanumeric() || matches!(b, b'-' | b'_'));
    if !is_name {
        return Err(expected());
    }
    let color = Color::parse_typed(color).map_err(|e| e.to_string())?;
    Ok(New {
        variable: Some(name.to_owned()),
        is_reference: true,
        ..New::color(color)
    })
}

impl MapLine {
    /// Whether what it becomes depends on where the colour stands.
    pub(super) fn is_ambiguous(&self) -> bool {
        self.new.windows(2).any(|w| !w[0].looks_like(&w[1]))
    }

    /// Its colour as it is told, with the opacity where it states one.
    pub fn key(&self) -> String {
        match self.opacity {
            Some(alpha) if alpha < 255 => format!("{}{alpha:02x}", self.old),
            _ => self.old.to_string(),
        }
    }

    /// The colours that it could lead to, each once, with the tokens that have it.
    pub fn choices(&self) -> IndexMap<String, Vec<&str>> {
        let mut out: IndexMap<String, Vec<&str>> = IndexMap::new();
        for new in &self.new {
            let tokens = out.entry(new.color.to_hex()).or_default();
            tokens.extend(new.token.as_deref());
        }
        out
    }

    fn decide(&self, found: &ColorUse, place: Option<StylePlace<'_>>) -> Found {
        let mut left: Vec<&New> = self.new.iter().collect();
        let agree = |left: &[&New]| left.windows(2).all(|w| w[0].looks_like(w[1]));
        let narrow = |left: &mut Vec<&New>, fits: &dyn Fn(&New) -> bool| {
            let fitting: Vec<&New> = left.iter().copied().filter(|n| fits(n)).collect();
            if !fitting.is_empty() {
                *left = fitting;
            }
        };
        if let Some(name) = &found.name {
            narrow(&mut left, &|new| new.is_called(name));
        }
        if let Some(place) = place {
            let is_dark = place.is_dark();
            narrow(&mut left, &|new| {
                new.mode.is_none_or(|mode| (mode == Mode::Dark) == is_dark)
            });
            narrow(&mut left, &|new| {
                new.token.as_deref().is_some_and(|t| place.speaks_of(t))
            });
            narrow(&mut left, &|new| {
                new.token.as_deref().is_some_and(|t| place.paints(t))
            });
        }
        match left.first() {
            Some(first) if agree(&left) => Found::New {
                new: (*first).clone(),
                follows: self.key(),
                kin: false,
            },
            Some(_) => {
                let told = self
                    .choices()
                    .into_iter()
                    .map(|(hex, tokens)| match tokens.first() {
                        Some(token) => format!("{hex} ({token})"),
                        None => hex,
                    });
                Found::Several(told.collect::<Vec<_>>().join(" or "))
            }
            None => Found::None,
        }
    }
}

impl New {
    /// Whether a variable or key of a file is this token, by its name.
    fn is_called(&self, name: &str) -> bool {
        let Some(token) = self.token.as_deref().map(letters) else {
            return false;
        };
        // Keys around a value belong to its path and perhaps not to its name.
        let mut rests = std::iter::successors(Some(name), |rest| Some(rest.split_once('.')?.1));
        rests.any(|rest| letters(rest) == token)
    }
}
