//! Type and shape: families, sizes by ratio, weights, corner radius, border width.

use crate::document::{BASE, BOLD, BORDER, Document, RADIUS, RATIO, REGULAR, TypeSettings};
use crate::font_family::entry_families;
use crate::token::{Cell, Cells, Section, Token};
use crate::value::{Origin, Unit, Value};

/// Families of the system, for themes that name none.
const SYSTEM: [&str; 4] = ["system-ui", "Segoe UI", "Roboto", "sans-serif"];
const SYSTEM_MONO: [&str; 3] = ["ui-monospace", "Consolas", "monospace"];

/// Sizes by name and how many ratios they stand from the base.
const SIZES: [(&str, i32); 6] = [
    ("fine", -2),
    ("small", -1),
    ("body", 0),
    ("lead", 1),
    ("title", 3),
    ("display", 5),
];
/// Radii by name and factor on the set one.
const RADII: [(&str, f64); 3] = [("small", 0.5), ("medium", 1.0), ("large", 2.0)];
/// A radius that rounds any control fully.
const ROUND: f64 = 9999.0;

/// Adds the tokens of type and shape.
pub(crate) fn tokens(document: &Document, out: &mut Vec<Token>) {
    families(&document.typography, out);
    sizes(&document.typography, out);
    weights(&document.typography, out);
    radii(document.shape.radius, out);
    let border = Value::Dimension(document.shape.border.unwrap_or(BORDER.default), Unit::Px);
    let set = document.shape.border.is_some();
    out.push(token("shape.border.width", border, set, "border width"));
}

fn token(path: &str, value: Value, set: bool, reason: &str) -> Token {
    let origin = if set { Origin::Set } else { Origin::Derived };
    Token {
        path: path.into(),
        kind: value.kind(),
        section: if path.starts_with("type.") {
            Section::Type
        } else {
            Section::Shape
        },
        omitted: false,
        description: None,
        cells: Cells::Both(Cell {
            value,
            alias: None,
            origin,
            reason: reason.to_owned().into(),
        }),
    }
}

fn families(t: &TypeSettings, out: &mut Vec<Token>) {
    let owned = |names: &[&str]| names.iter().map(|n| (*n).to_owned()).collect::<Vec<_>>();
    let body = t.body.clone().unwrap_or_else(|| owned(&SYSTEM));
    let heading = t.heading.clone().unwrap_or_else(|| body.clone());
    let mono = t.mono.clone().unwrap_or_else(|| owned(&SYSTEM_MONO));
    for (path, names, set, reason) in [
        (
            "type.family.body",
            body,
            t.body.is_some(),
            "family of running text",
        ),
        (
            "type.family.heading",
            heading,
            t.heading.is_some(),
            "family of headings",
        ),
        (
            "type.family.mono",
            mono,
            t.mono.is_some(),
            "family of code and figures",
        ),
    ] {
        let names = names.iter().flat_map(|entry| entry_families(entry));
        out.push(token(path, Value::FontFamily(names.collect()), set, reason));
    }
}

fn sizes(t: &TypeSettings, out: &mut Vec<Token>) {
    let (base, ratio) = (
        t.base.unwrap_or(BASE.default),
        t.ratio.unwrap_or(RATIO.default),
    );
    for (name, power) in SIZES {
        let rem = rounded(base * ratio.powi(power) / 16.0, 4);
        let reason = format!("{base} px and {} of the ratio {ratio}", plural(power));
        let set = power == 0 && t.base.is_some();
        let path = format!("type.size.{name}");
        out.push(token(&path, Value::Dimension(rem, Unit::Rem), set, &reason));
    }
}

fn weights(t: &TypeSettings, out: &mut Vec<Token>) {
    for (name, set, field) in [("regular", t.regular, REGULAR), ("bold", t.bold, BOLD)] {
        let value = Value::FontWeight(set.unwrap_or(field.default as u16));
        out.push(token(
            &format!("type.weight.{name}"),
            value,
            set.is_some(),
            "font weight",
        ));
    }
}

fn radii(set: Option<f64>, out: &mut Vec<Token>) {
    let radius = set.unwrap_or(RADIUS.default);
    for (name, factor) in RADII {
        let value = Value::Dimension(rounded(radius * factor, 2), Unit::Px);
        let reason = format!("corner radius of {radius} px times {factor}");
        let is_set = factor == 1.0 && set.is_some();
        out.push(token(
            &format!("shape.radius.{name}"),
            value,
            is_set,
            &reason,
        ));
    }
    let round = Value::Dimension(if radius == 0.0 { 0.0 } else { ROUND }, Unit::Px);
    out.push(token(
        "shape.radius.round",
        round,
        false,
        "rounds any control fully",
    ));
}

fn plural(power: i32) -> String {
    match power {
        1 | -1 => format!("{power} power"),
        _ => format!("{power} powers"),
    }
}

fn rounded(value: f64, digits: i32) -> f64 {
    let factor = 10f64.powi(digits);
    (value * factor).round() / factor
}
