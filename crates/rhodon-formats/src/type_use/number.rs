//! Sizes, weights and the radius of style sheets.

use std::collections::HashMap;

use rhodon_theme::{BASE, BOLD, NumberField, RADIUS, REGULAR};

use super::sheet::{Declared, Sheet};
use super::{Setting, TypeInUse, TypeUse, fitting, words};

/// The size of text where nothing sets one, in px.
const INITIAL: f64 = 16.0;
/// Below it the root's size is a unit to reckon with and nobody's text.
const LEAST_ROOT: f64 = 12.0;

/// A number and what says so.
type Said = Option<(f64, String)>;

pub(super) fn numbers(sheet: &Sheet, found: &mut TypeInUse) {
    let mut take = |setting, field: &NumberField, said: Said| {
        let (n, by) = said?;
        let n = fitting(field, n)?;
        let value = format!("{n}{}", field.unit);
        found.told.push(TypeUse { setting, value, by });
        Some(n)
    };
    let root = root(sheet);
    found.faces.base = take(Setting::Base, &BASE, text_size(sheet, root.clone()));
    // Weights are whole numbers up to 1,000.
    let whole = |n: f64| n as u16;
    found.faces.regular =
        take(Setting::Regular, &REGULAR, weight(sheet, &["body", "html"])).map(whole);
    found.faces.bold = take(Setting::Bold, &BOLD, weight(sheet, &["h1", "h2", "h3"])).map(whole);
    found.shape.radius = take(
        Setting::Radius,
        &RADIUS,
        radius(sheet, root.map_or(INITIAL, |(px, _)| px)),
    );
}

/// The root's size in px.
fn root(sheet: &Sheet) -> Said {
    ["html", ":root"].iter().find_map(|selector| {
        let px = sheet.last(selector, "font-size", |v| length(v, INITIAL, INITIAL))?;
        Some((px, (*selector).to_owned()))
    })
}

fn text_size(sheet: &Sheet, root: Said) -> Said {
    let rem = root.as_ref().map_or(INITIAL, |(px, _)| *px);
    let body = sheet.last("body", "font-size", |v| length(v, rem, rem));
    let body = body.map(|px| (px, "body".to_owned()));
    body.or_else(|| root.filter(|(px, _)| *px >= LEAST_ROOT))
}

fn weight(sheet: &Sheet, selectors: &[&str]) -> Said {
    let read = |value: &str| match value {
        "normal" => Some(400.0),
        "bold" => Some(700.0),
        number => number.parse().ok(),
    };
    selectors.iter().find_map(|selector| {
        let weight = sheet.last(selector, "font-weight", read)?;
        Some((weight, (*selector).to_owned()))
    })
}

/// The radius that a variable names, or the one that most rules of buttons and fields have.
fn radius(sheet: &Sheet, rem: f64) -> Said {
    let named = sheet.usual.variables.iter().find_map(|variable| {
        let words = words(&variable.name);
        let plain = words
            .iter()
            .all(|w| ["border", "radius", "base", "md", "default"].contains(&w.as_str()));
        let is_radius = plain && words.iter().any(|w| w == "radius");
        let px = is_radius.then(|| length(&sheet.resolved(&variable.value)?, rem, rem))??;
        Some((px, variable.name.clone()))
    });
    named.or_else(|| {
        let of_parts = sheet
            .usual
            .rules
            .iter()
            .filter(|r| r.property == "border-radius" && of_a_part(r));
        let mut counted: HashMap<u64, (usize, usize, f64, &str)> = HashMap::new();
        for (at, rule) in of_parts.enumerate() {
            let Some(px) = sheet
                .resolved(&rule.value)
                .and_then(|v| length(&v, rem, rem))
            else {
                continue;
            };
            let by = rule.selectors.first().map_or("", String::as_str);
            // The one that stands first wins among equals.
            counted
                .entry(px.to_bits())
                .or_insert((0, usize::MAX - at, px, by))
                .0 += 1;
        }
        let most = counted
            .into_values()
            .max_by_key(|(count, first, ..)| (*count, *first));
        most.map(|(_, _, px, by)| (px, by.to_owned()))
    })
}

/// Whether a rule is one of buttons or fields.
fn of_a_part(rule: &Declared) -> bool {
    let parts = ["button", "btn", "input", "select", "field"];
    rule.selectors
        .iter()
        .any(|s| parts.iter().any(|part| s.contains(part)))
}

/// A length in px; `em` and `%` are of the size around it.
fn length(value: &str, rem: f64, em: f64) -> Option<f64> {
    let value = value.trim();
    let unit = value.find(|c: char| c.is_ascii_alphabetic() || c == '%');
    let (number, unit) = value.split_at(unit.unwrap_or(value.len()));
    let n: f64 = number.parse().ok().filter(|n: &f64| n.is_finite())?;
    match unit {
        "px" => Some(n),
        "rem" => Some(n * rem),
        "em" => Some(n * em),
        "%" => Some(n * em / 100.0),
        "" if n == 0.0 => Some(0.0),
        _ => None,
    }
}

/// Whether a value is a length.
pub(super) fn is_length(value: &str) -> bool {
    length(value, INITIAL, INITIAL).is_some()
}
