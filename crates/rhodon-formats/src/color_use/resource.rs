//! Resources of apps and desktops: `<color name="petrol">#FF0F5C7A</color>`, `<Brush x:Key="Petrol" Color="#0F5C7A"/>`,
//! with the opacity in front.

use rhodon_color::Color;

use super::{ColorUse, Written};

/// Finds the colours of resources: texts between tags, and attributes, that are `#` and digits.
pub(super) fn find(text: &str, out: &mut Vec<ColorUse>) {
    let (mut name, mut key) = (None, None);
    let mut i = 0;
    while let Some(at) = text[i..].find(['<', '#']).map(|at| i + at) {
        if text[at..].starts_with("<!--") {
            i = text[at..].find("-->").map_or(text.len(), |n| at + n + 3);
            continue;
        }
        if text[at..].starts_with('<') {
            let end = text[at..].find('>').map_or(text.len(), |n| at + n);
            if !text[at..].starts_with("</") {
                let tag = &text[at..end];
                key = attribute(tag, "x:Key");
                name = attribute(tag, "name").or_else(|| key.clone());
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

fn attribute(tag: &str, wanted: &str) -> Option<String> {
    let at = tag.find(&format!(" {wanted}=\""))? + wanted.len() + 3;
    let end = tag[at..].find('"')?;
    Some(tag[at..at + end].to_owned())
}
