//! What both files of the printable record show.

use rhodon_color::{Rgb8, ink_on};
use rhodon_theme::ColorValue;

/// What both files show.
pub(super) struct PrintSheet<'a> {
    pub title: String,
    /// Revision and its date.
    pub edition: String,
    pub brands: Vec<Brand<'a>>,
    /// Steps by scale.
    pub scales: Vec<(&'a str, Vec<Step<'a>>)>,
    /// What stands on each ground, light and dark side by side.
    pub grounds: Vec<Ground<'a>>,
    /// Every colour that is no step, with its codes.
    pub colors: Vec<Row<'a>>,
    pub specimen: Specimen<'a>,
}

/// A brand colour, large.
pub(super) struct Brand<'a> {
    pub name: &'a str,
    pub color: Rgb8,
    /// Its code in each notation, and its step.
    pub codes: Vec<String>,
}

/// A step of a scale.
pub(super) struct Step<'a> {
    pub label: &'a str,
    pub color: ColorValue,
    /// Holds the scale's own colour.
    pub exact: bool,
}

/// A ground in both modes with what is declared to stand on it.
pub(super) struct Ground<'a> {
    pub name: &'a str,
    pub modes: [Vec<Worn<'a>>; 2],
    pub colors: [Rgb8; 2],
}

impl Ground<'_> {
    /// Whether little stands on it, so that a small tile shows all.
    pub(super) fn is_small(&self) -> bool {
        self.modes.iter().all(|worn| worn.len() < 4)
    }
}

/// A foreground as it is worn.
pub(super) struct Worn<'a> {
    pub name: &'a str,
    pub color: Rgb8,
    /// WCAG 2.2 contrast ratio.
    pub ratio: f64,
    pub pass: bool,
}

/// A colour in one or both modes.
pub(super) struct Row<'a> {
    pub name: &'a str,
    pub light: ColorValue,
    pub dark: Option<ColorValue>,
}

/// Type and shape, shown in use.
pub(super) struct Specimen<'a> {
    /// Size, its name and its length in px.
    pub sizes: Vec<(&'a str, String, f64)>,
    /// Use and families as CSS has them.
    pub families: Vec<(&'a str, String)>,
    /// Name and length in px.
    pub radii: Vec<(&'a str, f64)>,
    /// Everything else, as `type.weight.bold 600`.
    pub others: Vec<String>,
}

/// `15 92 122`, with the opacity where there is one.
pub(super) fn rgb(color: &ColorValue) -> String {
    let [r, g, b] = color.code.channels();
    let opacity = if color.alpha < 1.0 {
        format!(" · {:.0} %", color.alpha * 100.0)
    } else {
        String::new()
    };
    format!("{r} {g} {b}{opacity}")
}

/// The codes of a row's modes.
pub(super) fn row_codes(row: &Row<'_>) -> String {
    match &row.dark {
        Some(dark) => format!("{} / {dark}", row.light),
        None => row.light.to_string(),
    }
}

/// What is read on a step; a see-through one lies on the white sheet.
pub(super) fn ink(color: &ColorValue) -> Rgb8 {
    if color.alpha > 0.5 {
        ink_on(color.code)
    } else {
        Rgb8::BLACK
    }
}
