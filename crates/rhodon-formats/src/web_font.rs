//! Faces that come from the web: how a style sheet loads them, and what is said where nothing does.

use rhodon_theme::{Derived, Mode, Origin, Section, Token, Value};

use crate::output::{File, Warning};
use crate::target::Group;

/// Faces that systems bring along, and the generic ones (CSS Fonts 4, 2.1.3).
const AT_HAND: [&str; 30] = [
    "arial",
    "avenir",
    "cambria",
    "century gothic",
    "charter",
    "consolas",
    "courier",
    "courier new",
    "cursive",
    "fantasy",
    "georgia",
    "helvetica",
    "helvetica neue",
    "inherit",
    "iowan old style",
    "menlo",
    "monaco",
    "monospace",
    "palatino linotype",
    "roboto",
    "sans-serif",
    "segoe ui",
    "serif",
    "system-ui",
    "tahoma",
    "times",
    "times new roman",
    "trebuchet ms",
    "ui-monospace",
    "verdana",
];

/// Writes the imports of style sheets of faces. They must come first: only a comment may stand before them.
pub(crate) fn import<'a>(addresses: impl IntoIterator<Item = &'a String>, sheet: &mut String) {
    let before = sheet.len();
    for address in addresses {
        sheet.push_str(&format!("@import url(\"{address}\");\n"));
    }
    if sheet.len() > before {
        sheet.push('\n');
    }
}

/// A face from the web that files name and do not load. Records are kept or printed: they load nothing.
pub(crate) fn unloaded(theme: &Derived, group: Group, files: &[File]) -> Option<Warning> {
    let holds = |text: &str| files.iter().any(|f| f.body().contains(text));
    let named = || theme.tokens.iter().filter_map(chosen);
    if theme.web_fonts.is_empty() {
        if group == Group::Records {
            return None;
        }
        let (token, face) = named().find(|(_, face)| !is_at_hand(face) && holds(face))?;
        let message = format!(
            "these files name {face} and nothing loads it: bring a face of that name, or give the theme the \
             address of its style sheet"
        );
        return Some(Warning::new(&token.path, message));
    }
    let (token, _) = named().find(|(_, face)| holds(face))?;
    let missing = theme.web_fonts.iter().filter(|address| !holds(address));
    let missing: Vec<&str> = missing.map(String::as_str).collect();
    if missing.is_empty() {
        return None;
    }
    let message = format!(
        "these files name its web font and do not load it: load {}",
        missing.join(" and ")
    );
    Some(Warning::new(&token.path, message))
}

/// The first face of a family that somebody chose.
fn chosen(token: &Token) -> Option<(&Token, &str)> {
    let cell = token.cell(Mode::Light);
    match &cell.value {
        Value::FontFamily(faces)
            if token.section == Section::Type && cell.origin != Origin::Derived =>
        {
            Some((token, faces.first()?.as_str()))
        }
        _ => None,
    }
}

/// Whether systems bring a face along.
pub(crate) fn is_at_hand(face: &str) -> bool {
    let face = face.to_lowercase();
    face.starts_with("ui-") || AT_HAND.contains(&face.as_str())
}
