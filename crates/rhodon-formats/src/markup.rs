//! Markup by its parts: HTML, SVG and what embeds them. What comments hold is passed over.

use std::ops::Range;

/// A part of markup that may hold values.
#[derive(Debug)]
pub(crate) enum Part<'a> {
    /// What a style element holds.
    Style(Range<usize>),
    /// What a script element holds.
    Script(Range<usize>),
    /// The value of an attribute.
    Attribute(Attribute<'a>),
}

/// An attribute of an element.
#[derive(Debug)]
pub(crate) struct Attribute<'a> {
    /// Where its element begins.
    pub(crate) tag: usize,
    /// Name of the element, in small letters.
    pub(crate) element: &'a str,
    /// Its own name, in small letters.
    pub(crate) name: &'a str,
    /// Its value, without quotes.
    pub(crate) value: Range<usize>,
    /// What it stands in, where it stands in quotes.
    pub(crate) quote: Option<char>,
}

/// Tells the parts of a text in their order.
pub(crate) fn parts(text: &str, mut take: impl FnMut(Part<'_>)) {
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
        let inside = attributes(text, name_end, at, &name, &mut take);
        let mut embedded = |close: &str, part: fn(Range<usize>) -> Part<'static>| {
            let end = end_of(text, inside, close);
            take(part(inside..end));
            end
        };
        i = match name.as_str() {
            "style" => embedded("</style", Part::Style),
            "script" => embedded("</script", Part::Script),
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

/// Where what an element holds ends.
fn end_of(text: &str, from: usize, close: &str) -> usize {
    let rest = &text.as_bytes()[from..];
    rest.windows(close.len())
        .position(|w| w.eq_ignore_ascii_case(close.as_bytes()))
        .map_or(text.len(), |at| from + at)
}

/// Reads attributes up to the end of the tag; gives the place behind it.
fn attributes(
    text: &str,
    from: usize,
    tag: usize,
    element: &str,
    take: &mut impl FnMut(Part<'_>),
) -> usize {
    let bytes = text.as_bytes();
    let mut i = from;
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
                let Some((value, quote, next)) = value(text, end) else {
                    i = end.max(i + 1);
                    continue;
                };
                take(Part::Attribute(Attribute {
                    tag,
                    element,
                    name: &name,
                    value,
                    quote,
                }));
                i = next;
            }
        }
    }
    bytes.len()
}

/// The value behind a name, the quote that it stands in, and where reading goes on.
fn value(text: &str, from: usize) -> Option<(Range<usize>, Option<char>, usize)> {
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
            Some((start + 1..stop, Some(char::from(*quote)), stop + 1))
        }
        _ => {
            let ends = |b: &u8| b.is_ascii_whitespace() || *b == b'>';
            let length = bytes[start..].iter().position(ends);
            let stop = length.map_or(bytes.len(), |at| start + at);
            Some((start..stop, None, stop))
        }
    }
}
