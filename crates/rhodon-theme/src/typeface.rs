//! Type and shape: families, sizes by ratio, weights, corner radius, border width.

use crate::document::{Document, TokenKind};
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

pub(crate) fn tokens(spec: &Document, out: &mut Vec<Token>) {
    let mut add = |path: String, section: Section, value: Value, set: bool, reason: &str| {
        let origin = if set { Origin::Set } else { Origin::Derived };
        let cell = Cell {
            value,
            alias: None,
            origin,
            reason: reason.to_owned().into(),
        };
        let kind = cell.value.kind();
        out.push(Token {
            path: path.into(),
            kind,
            section,
            omitted: false,
            description: None,
            cells: Cells::Both(cell),
        });
    };
    let t = &spec.typography;
    let owned = |names: &[&str]| names.iter().map(|n| (*n).to_owned()).collect::<Vec<_>>();
    let body = t.body.clone().unwrap_or_else(|| owned(&SYSTEM));
    let heading = t.heading.clone().unwrap_or_else(|| body.clone());
    let mono = t.mono.clone().unwrap_or_else(|| owned(&SYSTEM_MONO));
    add(
        "type.family.body".into(),
        Section::Type,
        Value::FontFamily(body),
        t.body.is_some(),
        "family of running text",
    );
    add(
        "type.family.heading".into(),
        Section::Type,
        Value::FontFamily(heading),
        t.heading.is_some(),
        "family of headings",
    );
    add(
        "type.family.mono".into(),
        Section::Type,
        Value::FontFamily(mono),
        t.mono.is_some(),
        "family of code and figures",
    );
    let (base, ratio) = (t.base.unwrap_or(16.0), t.ratio.unwrap_or(1.2));
    for (name, power) in SIZES {
        let rem = rounded(base * ratio.powi(power) / 16.0, 4);
        let reason = format!("{base} px and {} of the ratio {ratio}", plural(power));
        add(
            format!("type.size.{name}"),
            Section::Type,
            Value::Dimension(rem, Unit::Rem),
            power == 0 && t.base.is_some(),
            &reason,
        );
    }
    let weights = [("regular", t.regular, 400), ("bold", t.bold, 600)];
    for (name, set, default) in weights {
        let value = Value::FontWeight(set.unwrap_or(default));
        add(
            format!("type.weight.{name}"),
            Section::Type,
            value,
            set.is_some(),
            "font weight",
        );
    }
    let radius = spec.shape.radius.unwrap_or(6.0);
    for (name, factor) in RADII {
        let value = Value::Dimension(rounded(radius * factor, 2), Unit::Px);
        let reason = format!("corner radius of {radius} px times {factor}");
        add(
            format!("shape.radius.{name}"),
            Section::Shape,
            value,
            factor == 1.0 && spec.shape.radius.is_some(),
            &reason,
        );
    }
    let round = if radius == 0.0 { 0.0 } else { ROUND };
    add(
        "shape.radius.round".into(),
        Section::Shape,
        Value::Dimension(round, Unit::Px),
        false,
        "rounds any control fully",
    );
    let border = Value::Dimension(spec.shape.border.unwrap_or(1.0), Unit::Px);
    add(
        "shape.border.width".into(),
        Section::Shape,
        border,
        spec.shape.border.is_some(),
        "border width",
    );
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

impl Value {
    /// The kind of this value.
    pub fn kind(&self) -> TokenKind {
        match self {
            Self::Color(_) => TokenKind::Color,
            Self::Dimension(..) => TokenKind::Dimension,
            Self::Number(_) => TokenKind::Number,
            Self::FontFamily(_) => TokenKind::FontFamily,
            Self::FontWeight(_) => TokenKind::FontWeight,
        }
    }
}
