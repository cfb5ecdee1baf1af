//! Resources of apps and desktops: `<color name="petrol">#FF0F5C7A</color>`, `<Brush x:Key="Petrol" Color="#0F5C7A"/>`,
//! with the opacity in front.

use std::ops::Range;

use rhodon_color::Color;

use super::spelling::{named, sounds_like_color};
use super::{ColorUse, Written};

/// Finds the colours of resources: texts between tags, and attributes, that are `#` and digits.
pub(super) fn find(text: &str, out: &mut Vec<ColorUse>) {
    find_in(text, |_| {}, out);
}

/// The same of desktops, where attributes of colours and the texts of colours may be names too:
/// `Background="Tan"`, `<Setter Property="Fill" Value="Tan"/>`, `<Color x:Key="Sand">Tan</Color>`.
pub(super) fn find_with_names(text: &str, out: &mut Vec<ColorUse>) {
    let mut named = Vec::new();
    find_in(text, |tag| names_of(text, tag, &mut named), out);
    out.append(&mut named);
}

/// Finds digits, and tells where each tag stands that opens something.
fn find_in(text: &str, mut opened: impl FnMut(Range<usize>), out: &mut Vec<ColorUse>) {
    let (mut name, mut key) = (None, None);
    let mut i = 0;
    while let Some(at) = text[i..].find(['<', '#']).map(|at| i + at) {
        if text[at..].starts_with("<!--") {
            i = text[at..].find("-->").map_or(text.len(), |n| at + n + 3);
            continue;
        }
        if text[at..].starts_with('<') {
            let end = tag_end(text, at);
            if !text[at..].starts_with("</") {
                let tag = &text[at..end];
                key = attribute(tag, "x:Key");
                name = attribute(tag, "name").or_else(|| key.clone());
                opened(at..end);
            }
            i = at + 1;
            continue;
        }
        let digits = text[at + 1..]
            .bytes()
            .take_while(u8::is_ascii_alphanumeric)
            .count();
        let end = at + 1 + digits;
        let around = (text[..at].bytes().next_back(), text.as_bytes().get(end));
        let whole = matches!(around.0, Some(b'>' | b'"' | b'\'' | b' ' | b'\n' | b'\t'))
            && matches!(
                around.1,
                None | Some(b'<' | b'"' | b'\'' | b' ' | b'\n' | b'\t' | b'\r')
            );
        if let Some(color) = Color::from_hex_alpha_first(&text[at + 1..end]).filter(|_| whole) {
            // The key of a resource is that of its attributes too.
            let named = key.is_some() || !matches!(around.0, Some(b'"' | b'\''));
            out.push(ColorUse {
                range: at..end,
                color,
                name: name.clone().filter(|_| named),
                written: Written::AlphaFirst,
            });
        }
        i = end;
    }
}

/// Finds the names of colours that a tag has for attributes, or stands before.
fn names_of(text: &str, Range { start, end }: Range<usize>, out: &mut Vec<ColorUse>) {
    let tag = &text[start..end];
    let mut push = |from: usize, held: &str| {
        let trimmed = held.trim();
        let from = from + (held.len() - held.trim_start().len());
        out.extend(named(trimmed).map(|color| ColorUse {
            range: from..from + trimmed.len(),
            color,
            name: attribute(tag, "x:Key"),
            written: Written::AlphaFirst,
        }));
    };
    let is_of_color = |name: &str| sounds_like_color(name) || name.ends_with("Brush");
    let sets_color = attribute(tag, "Property").is_some_and(|set| is_of_color(&set));
    for (name, range) in attributes(tag) {
        if is_of_color(name) || name == "Value" && sets_color {
            push(start + range.start, &tag[range]);
        }
    }
    if tag.starts_with("<Color ") && !tag.ends_with('/') {
        let held = text[end..].strip_prefix('>').unwrap_or_default();
        let close = held.find('<').unwrap_or_default();
        push(end + 1, &held[..close]);
    }
}

/// Where a tag ends, or where the next one begins.
fn tag_end(text: &str, at: usize) -> usize {
    let inner = text[at + 1..].find(['<', '>']);
    inner.map_or(text.len(), |n| at + 1 + n)
}

/// The attributes of a tag, and where in it their values stand.
fn attributes(tag: &str) -> impl Iterator<Item = (&str, Range<usize>)> {
    let mut from = 0;
    std::iter::from_fn(move || {
        let open = from + tag[from..].find("=\"")?;
        let name = tag[from..open].rsplit(char::is_whitespace).next()?;
        let end = open + 2 + tag[open + 2..].find('"')?;
        from = end + 1;
        Some((name, open + 2..end))
    })
}

fn attribute(tag: &str, wanted: &str) -> Option<String> {
    let at = tag.find(&format!(" {wanted}=\""))? + wanted.len() + 3;
    let end = tag[at..].find('"')?;
    Some(tag[at..at + end].to_owned())
}
