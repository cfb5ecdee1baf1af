//! Markup: HTML, SVG and what embeds them. Style elements and attributes, presentation attributes.

use super::spelling::whole;
use super::{ColorUse, script, shifted, style};
use crate::markup::{Attribute, Part, parts};

/// Attributes whose whole value may be a colour, and of what.
const ATTRIBUTES: &[&str] = &[
    "fill",
    "stroke",
    "color",
    "bgcolor",
    "stop-color",
    "flood-color",
    "lighting-color",
    "text",
    "link",
    "vlink",
    "alink",
    "bordercolor",
];

/// Finds the colours of markup.
pub(super) fn find(text: &str, out: &mut Vec<ColorUse>) {
    // The element that says what colour a browser's own parts have.
    let mut of_browser = None;
    parts(text, |part| match part {
        Part::Style(range) => shifted(&text[range.clone()], range.start, style::find, out),
        Part::Script(range) => shifted(&text[range.clone()], range.start, script::find, out),
        Part::Attribute(Attribute {
            tag,
            element,
            name,
            value,
            ..
        }) => {
            let (held, start) = (&text[value.clone()], value.start);
            if name == "name" && held.eq_ignore_ascii_case("theme-color") {
                of_browser = Some(tag);
            }
            match name {
                "style" => shifted(held, start, style::find, out),
                "content" if element == "meta" && of_browser == Some(tag) => push(held, start, out),
                name if ATTRIBUTES.contains(&name) => push(held, start, out),
                _ => {}
            }
        }
    });
}

/// An attribute whose whole value is a colour.
fn push(held: &str, at: usize, out: &mut Vec<ColorUse>) {
    let trimmed = held.trim();
    let start = at + (held.len() - held.trim_start().len());
    if let Some(color) = whole(trimmed, true) {
        let range = start..start + trimmed.len();
        out.push(ColorUse::css(range, color, None));
    }
}
