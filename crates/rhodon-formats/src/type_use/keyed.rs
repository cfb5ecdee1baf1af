//! Faces and radii of scripts and JSON, by the keys that lead to them: `fontFamily: { sans: ["Vess", "sans-serif"] }`,
//! `shape: { borderRadius: 10 }`.

use std::borrow::Cow;

use super::number;
use super::sheet::{Sheet, Variable};
use crate::color_use::{Held, values};
use crate::read::key_words;

/// Keys of an entry that say which of several it is.
const NAMES: [&str; 3] = ["slug", "name", "id"];

/// Parts of the words that keys of faces and radii have: without one of them a file says nothing.
const SPEAKING: [&str; 3] = ["ont", "ypeface", "adius"];

/// Reads values as if they were variables that are called as their keys.
pub(super) fn read(text: &str, sheet: &mut Sheet) {
    if !SPEAKING.iter().any(|part| text.contains(part)) {
        return;
    }
    let held = values(text);
    let (named, held): (Vec<_>, Vec<_>) = held
        .iter()
        .partition(|one| NAMES.contains(&last(&one.path)));
    let mut lists: Vec<(usize, Variable)> = Vec::new();
    for one in held {
        let Some(mut name) = called(&one.path) else {
            continue;
        };
        for own in named.iter().filter(|own| own.entry == one.entry) {
            name = format!("{name}.{}", own.text);
        }
        let value = value(one);
        match lists.last_mut() {
            // One behind the other in a list.
            Some((entry, before)) if *entry == one.entry && before.name == name => {
                before.value = format!("{}, {value}", before.value);
            }
            _ => lists.push((one.entry, held_by(name, value))),
        }
    }
    sheet
        .usual
        .variables
        .extend(lists.into_iter().map(|(_, variable)| variable));
}

/// A value as a variable; what configurations call so is no colour of pages.
fn held_by(name: String, value: String) -> Variable {
    Variable {
        name,
        value,
        is_of_all: false,
    }
}

fn last(path: &str) -> &str {
    path.rsplit('.').next().unwrap_or(path)
}

/// The keys from the one that speaks of a face or a radius on; a face may be told by the key around it.
fn called(path: &str) -> Option<String> {
    let parts: Vec<&str> = path.split('.').collect();
    let speaks = |part: &&str, of: &[&str]| {
        let words = key_words(part);
        words
            .iter()
            .any(|word| of.contains(&word.to_lowercase().as_str()))
    };
    let face = parts
        .iter()
        .position(|part| speaks(part, &["font", "fonts", "typeface"]));
    let radius = || parts.iter().position(|part| speaks(part, &["radius"]));
    let from = face.map(|at| at.saturating_sub(1)).or_else(radius)?;
    Some(parts[from..].join("."))
}

/// A value as a style sheet would have it: a name in quotes, a number in px.
fn value(one: &Held<'_>) -> String {
    // What is escaped in scripts is mostly as in JSON.
    let text = serde_json::from_str(&format!("\"{}\"", one.text))
        .map_or(Cow::Borrowed(one.text), Cow::<str>::Owned);
    let is_name = !text.contains([',', '"', '\'']) && !number::is_length(&text);
    match one.is_number {
        true => format!("{text}px"),
        false if is_name => format!("\"{text}\""),
        false => text.into_owned(),
    }
}
