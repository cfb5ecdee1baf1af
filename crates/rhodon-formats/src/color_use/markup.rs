//! Markup: HTML, SVG and what embeds them. Style elements and attributes, presentation attributes.

use super::spelling::whole;
use super::{ColorUse, script, shifted, style};

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
    let bytes = text.as_bytes();
    let mut i = 0;
    while let Some(at) = text[i..].find('<').map(|at| i + at) {
        if text[at..].starts_with("<!--") {
            i = after(text, at, "-->");
            continue;
        }
        let begins = bytes.get(at + 1).is_some_and(u8::is_ascii_alphabetic);
        if !begins {
            i = at + 1;
            continue;
        }
        let name_end = (at + 1..bytes.len())
            .find(|j| !(bytes[*j].is_ascii_alphanumeric() || matches!(bytes[*j], b'-' | b':')))
            .unwrap_or(bytes.len());
        let name = text[at + 1..name_end].to_ascii_lowercase();
        let inside = attributes(text, name_end, &name, out);
        i = match name.as_str() {
            "style" => embedded(text, inside, "</style", style::find, out),
            "script" => embedded(text, inside, "</script", script::find, out),
            _ => inside,
        };
    }
}

/// The place behind a mark, or the end.
fn after(text: &str, from: usize, mark: &str) -> usize {
    text[from..]
        .find(mark)
        .map_or(text.len(), |at| from + at + mark.len())
}

/// Finds in what an element holds; gives the place behind it.
fn embedded(
    text: &str,
    from: usize,
    close: &str,
    find: fn(&str, &mut Vec<ColorUse>),
    out: &mut Vec<ColorUse>,
) -> usize {
    let rest = &text.as_bytes()[from..];
    let end = rest
        .windows(close.len())
        .position(|w| w.eq_ignore_ascii_case(close.as_bytes()))
        .map_or(text.len(), |at| from + at);
    shifted(&text[from..end], from, find, out);
    end
}

/// Reads attributes up to the end of the tag; gives the place behind it.
fn attributes(text: &str, from: usize, element: &str, out: &mut Vec<ColorUse>) -> usize {
    let bytes = text.as_bytes();
    let mut i = from;
    let mut theme_color = false;
    while i < bytes.len() {
        match bytes[i] {
            b'>' => return i + 1,
            b'<' => return i,
            b if b.is_ascii_whitespace() || b == b'/' || b == b'=' => i += 1,
            _ => {
                let ends =
                    |b: u8| b.is_ascii_whitespace() || matches!(b, b'=' | b'>' | b'/' | b'<');
                let end = (i..bytes.len())
                    .find(|j| ends(bytes[*j]))
                    .unwrap_or(bytes.len());
                let name = text[i..end.max(i)].to_ascii_lowercase();
                let Some((start, stop, next)) = value(text, end) else {
                    i = end.max(i + 1);
                    continue;
                };
                let held = &text[start..stop];
                theme_color |= name == "name" && held.eq_ignore_ascii_case("theme-color");
                match name.as_str() {
                    "style" => shifted(held, start, style::find, out),
                    "content" if element == "meta" && theme_color => push(held, start, out),
                    name if ATTRIBUTES.contains(&name) => push(held, start, out),
                    _ => {}
                }
                i = next;
            }
        }
    }
    bytes.len()
}

/// The value behind a name: where it begins, where it ends, and where reading goes on.
fn value(text: &str, from: usize) -> Option<(usize, usize, usize)> {
    let bytes = text.as_bytes();
    let skip = |mut i: usize| {
        while bytes.get(i).is_some_and(u8::is_ascii_whitespace) {
            i += 1;
        }
        i
    };
    let equals = skip(from);
    if bytes.get(equals) != Some(&b'=') {
        return None;
    }
    let start = skip(equals + 1);
    match bytes.get(start)? {
        quote @ (b'"' | b'\'') => {
            let close = bytes[start + 1..].iter().position(|b| b == quote)?;
            let stop = start + 1 + close;
            Some((start + 1, stop, stop + 1))
        }
        _ => {
            let ends = |b: &u8| b.is_ascii_whitespace() || *b == b'>';
            let length = bytes[start..].iter().position(ends);
            let stop = length.map_or(bytes.len(), |at| start + at);
            Some((start, stop, stop))
        }
    }
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
