//! Sets of colours as files: the open text palette, design tokens, and JSON with everything that is
//! known of a set. Read from these, and from any text in which colours are found.

use std::str::FromStr;

use rhodon_color::Rgb8;
use rhodon_theme::ColorValue;
use serde::{Deserialize, Serialize};
use serde_json::{Map, Value, json};

use crate::inventory::{NEAR, inventory};
use crate::name::css_name;
use crate::read::{InputFile, readable};
use crate::write::{palette, tokens};

/// The most colours of a set.
pub const MOST_COLORS: usize = 40;

/// A set of colours.
#[derive(Clone, Debug, Default, PartialEq, Eq, Serialize, Deserialize)]
pub struct ColorSet {
    /// Its name.
    #[serde(default)]
    pub name: String,
    /// Words to find it by.
    #[serde(default)]
    pub words: Vec<String>,
    /// A note.
    #[serde(default)]
    pub note: String,
    /// Who made it.
    #[serde(default)]
    pub owner: String,
    /// Its colours, in order.
    pub colors: Vec<SetColor>,
}

/// A colour of a set.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize)]
pub struct SetColor {
    /// Its name.
    #[serde(default)]
    pub name: String,
    /// Its code.
    pub hex: String,
}

/// A kind of file that sets are written to.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum SetFormat {
    /// The text palette of drawing programs.
    Gpl,
    /// Design tokens.
    Tokens,
    /// Everything, as JSON.
    Json,
}

impl SetFormat {
    /// Every format with its word.
    pub const ALL: [(Self, &str); 3] = [
        (Self::Gpl, "gpl"),
        (Self::Tokens, "tokens"),
        (Self::Json, "json"),
    ];

    /// The ending of its files.
    pub fn ending(self) -> &'static str {
        match self {
            Self::Gpl => "gpl",
            Self::Tokens => "tokens.json",
            Self::Json => "json",
        }
    }
}

impl FromStr for SetFormat {
    type Err = String;

    fn from_str(text: &str) -> Result<Self, String> {
        let found = Self::ALL.iter().find(|(_, word)| *word == text);
        found
            .map(|(format, _)| *format)
            .ok_or_else(|| format!("\"{text}\": expected gpl, tokens or json"))
    }
}

impl ColorSet {
    /// Reads a set from a file.
    ///
    /// # Errors
    /// In words: there is no colour in it, or too many.
    pub fn read(file: &InputFile) -> Result<Self, String> {
        let set = match written_whole(file) {
            Some(set) => set,
            None => found_in(file)?,
        };
        match set.colors.len() {
            0 => Err("expected at least one colour, found none".to_owned()),
            n if n > MOST_COLORS => {
                Err(format!("expected at most {MOST_COLORS} colours, found {n}"))
            }
            _ => Ok(set),
        }
    }

    /// The set as a file.
    pub fn write(&self, format: SetFormat) -> String {
        match format {
            SetFormat::Gpl => self.gpl(),
            SetFormat::Tokens => format!("{:#}\n", self.tokens()),
            SetFormat::Json => format!("{:#}\n", json!(self)),
        }
    }

    fn codes(&self) -> impl Iterator<Item = (&SetColor, Rgb8)> {
        let code = |color: &SetColor| color.hex.parse::<Rgb8>().ok();
        self.colors.iter().filter_map(move |c| Some((c, code(c)?)))
    }

    fn gpl(&self) -> String {
        let entries = self
            .codes()
            .map(|(color, code)| palette::entry(code, &color.name));
        entries.fold(
            palette::head(&self.name, self.colors.len()),
            |all, entry| all + &entry,
        )
    }

    fn tokens(&self) -> Value {
        let mut group = Map::new();
        for (color, code) in self.codes() {
            let stem = css_name(&color.name);
            let mut name = stem.clone();
            let mut n = 2;
            while group.contains_key(&name) {
                name = format!("{stem}-{n}");
                n += 1;
            }
            let value = tokens::color(&ColorValue::opaque(code));
            group.insert(
                name,
                json!({ "$type": "color", "$value": value, "$description": color.name }),
            );
        }
        json!({ "$description": self.name, "color": group })
    }
}

/// A set as [`ColorSet::write`] writes it whole.
fn written_whole(file: &InputFile) -> Option<ColorSet> {
    let mut set: ColorSet = serde_json::from_slice(&file.bytes).ok()?;
    for color in &mut set.colors {
        let code: Rgb8 = color.hex.parse().ok()?;
        color.hex = code.to_string();
    }
    Some(set)
}

fn found_in(file: &InputFile) -> Result<ColorSet, String> {
    let found = inventory(std::slice::from_ref(file), NEAR);
    if let Some((_, why)) = found.skipped.into_iter().next() {
        return Err(why);
    }
    let mut used = found.colors;
    used.sort_by_key(|used| used.places.first().map(|p| (p.line, p.column)));
    let color = |used: &crate::inventory::Used| SetColor {
        name: used.readable(),
        hex: used.code().to_string(),
    };
    let name = file.name.rsplit(['/', '\\']).next().unwrap_or_default();
    let mut colors: Vec<SetColor> = used.iter().map(color).collect();
    colors.dedup_by(|a, b| a.hex == b.hex);
    Ok(ColorSet {
        name: readable(name.split('.').next().unwrap_or(name)),
        colors,
        ..ColorSet::default()
    })
}

#[cfg(test)]
#[allow(clippy::unwrap_used)]
mod tests {
    use super::*;

    fn kelp() -> ColorSet {
        let color = |name: &str, hex: &str| SetColor {
            name: name.to_owned(),
            hex: hex.to_owned(),
        };
        ColorSet {
            name: "Kelp at low water".to_owned(),
            words: vec!["green".to_owned()],
            note: "for the slipway".to_owned(),
            owner: "Ines Okafor".to_owned(),
            colors: vec![
                color("Wrack", "#2f6f4f"),
                color("Wrack", "#88b090"),
                color("Foam", "#f4f7f2"),
            ],
        }
    }

    #[test]
    fn every_format_gives_the_colours_back_in_their_order() {
        for (format, _) in SetFormat::ALL {
            let file = InputFile::text(format!("kelp.{}", format.ending()), kelp().write(format));
            let back = ColorSet::read(&file).unwrap();
            let codes: Vec<&str> = back.colors.iter().map(|c| c.hex.as_str()).collect();
            assert_eq!(codes, ["#2f6f4f", "#88b090", "#f4f7f2"], "{format:?}");
        }
        let whole = InputFile::text("kelp.json".to_owned(), kelp().write(SetFormat::Json));
        assert_eq!(ColorSet::read(&whole).unwrap(), kelp());
    }

    #[test]
    fn what_holds_no_colour_or_too_many_is_told() {
        let read = |name: &str, text: &str| {
            ColorSet::read(&InputFile::text(name.to_owned(), text.to_owned()))
        };
        assert_eq!(
            read("a.css", "a { top: 0 }").unwrap_err(),
            "expected at least one colour, found none"
        );
        let many: String = (0..50)
            .map(|i| format!("a {{ color: #0000{i:02x} }}\n"))
            .collect();
        assert_eq!(
            read("a.css", &many).unwrap_err(),
            "expected at most 40 colours, found 50"
        );
        assert!(
            read("a.exe", "#0f5c7a")
                .unwrap_err()
                .contains("no kind of text")
        );
    }
}
