//! Colours in comments, for those who want them taken along: hex digits and functions, as a sentence
//! mentions them.

use std::ops::Range;

use super::ColorUse;
use super::spelling::within;

/// What opens a comment and what closes it.
pub(super) type Marks = &'static [(&'static str, &'static str)];

/// Of style sheets, code and JSON that allows them.
pub(super) const SIGNS: Marks = &[("/*", "*/"), ("//", "\n")];
/// Of markup.
pub(super) const TAGS: Marks = &[("<!--", "-->")];
/// Of palettes.
pub(super) const HASH: Marks = &[("# ", "\n")];
/// Of settings.
pub(super) const LINES: Marks = &[("# ", "\n"), ("; ", "\n"), ("// ", "\n")];

/// The colours that comments mention.
pub(super) fn find(text: &str, marks: Marks) -> Vec<ColorUse> {
    let mut out = Vec::new();
    for span in spans(text, marks) {
        within(&text[span.clone()], |inner, color| {
            let range = inner.start + span.start..inner.end + span.start;
            out.push(ColorUse::css(range, color, None));
        });
    }
    out
}

/// What stands in comments; what looks like one in a text or an address is none.
fn spans(text: &str, marks: Marks) -> Vec<Range<usize>> {
    let bytes = text.as_bytes();
    let quotes = marks == SIGNS;
    let (mut out, mut i) = (Vec::new(), 0);
    while i < bytes.len() {
        let opened = marks
            .iter()
            .find(|(open, _)| bytes[i..].starts_with(open.as_bytes()));
        // `https://` opens no comment.
        let is_address = i > 0 && bytes[i - 1] == b':';
        match (opened, bytes[i]) {
            (Some((open, close)), _) if !(is_address && *open == "//") => {
                let from = i + open.len();
                let end = text[from..].find(close).map_or(text.len(), |n| from + n);
                out.push(from..end);
                i = (end + close.len()).min(text.len());
            }
            (_, quote @ (b'"' | b'\'')) if quotes => {
                i += 1;
                while i < bytes.len() && bytes[i] != quote && bytes[i] != b'\n' {
                    i += if bytes[i] == b'\\' { 2 } else { 1 };
                }
                i += 1;
            }
            _ => i += 1,
        }
    }
    out
}
