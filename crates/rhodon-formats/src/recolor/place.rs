//! Where in a style sheet a colour stands: its property, and the rules around it.

use std::ops::Range;

use crate::color_use::ColorUse;

/// A place in a style sheet.
#[derive(Clone, Debug, Default, PartialEq, Eq)]
pub(super) struct StylePlace {
    /// The property or variable.
    property: Range<usize>,
    /// Where the block opens that it stands in.
    pub rule: usize,
    /// What stands before that block and those around it, from the outside.
    preludes: Vec<Range<usize>>,
}

/// What a property paints.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub(super) enum Part {
    Text,
    Ground,
    Edge,
    Other,
}

impl StylePlace {
    fn property<'a>(&self, text: &'a str) -> &'a str {
        text[self.property.clone()].trim()
    }

    /// What its property paints.
    pub(super) fn part(&self, text: &str) -> Part {
        let name = self.property(text).to_ascii_lowercase();
        match name.as_str() {
            "color" | "caret-color" | "-webkit-text-fill-color" => Part::Text,
            _ if name.starts_with("background") => Part::Ground,
            _ if name.starts_with("border") || name.starts_with("outline") => Part::Edge,
            _ => Part::Other,
        }
    }

    /// Whether a reference to a custom property can stand here: not in a variable of a preprocessor,
    /// with which one computes.
    pub(super) fn takes_variables(&self, text: &str) -> bool {
        let name = self.property(text);
        !name.is_empty() && !name.starts_with(['$', '@', '+', '&'])
    }

    fn around<'a>(&'a self, text: &'a str) -> impl Iterator<Item = &'a str> {
        self.preludes.iter().map(|range| &text[range.clone()])
    }

    /// Whether the rules around say that they are of the dark mode.
    pub(super) fn is_dark(&self, text: &str) -> bool {
        let says = |part: &str| {
            let part = part.to_ascii_lowercase();
            part.contains("dark") || part.contains("night")
        };
        self.around(text).any(says)
    }

    /// Whether the rule speaks of the group of a token, as `.button-danger` does of `danger.fill`.
    pub(super) fn speaks_of(&self, text: &str, token: &str) -> bool {
        let group = token.split('.').next().unwrap_or(token);
        let is_word = |b: Option<u8>| b.is_some_and(|b| b.is_ascii_alphanumeric());
        self.around(text).any(|part| {
            part.match_indices(group).any(|(at, _)| {
                let before = at.checked_sub(1).and_then(|i| part.as_bytes().get(i));
                !is_word(before.copied())
                    && !is_word(part.as_bytes().get(at + group.len()).copied())
            })
        })
    }

    /// Whether a token is for what this property paints.
    pub(super) fn paints(&self, text: &str, token: &str) -> bool {
        let (group, last) = token.split_once('.').unwrap_or((token, ""));
        let part = if group == "text" || group == "link" || last.ends_with("text") {
            Part::Text
        } else if matches!(group, "border" | "focus") || last.ends_with("edge") {
            Part::Edge
        } else if matches!(group, "surface" | "bar")
            || last.contains("fill")
            || last.contains("tint")
        {
            Part::Ground
        } else {
            return false;
        };
        part == self.part(text)
    }
}

/// The places of colours, which stand in order.
pub(super) fn places(text: &str, uses: &[ColorUse]) -> Vec<Option<StylePlace>> {
    let bytes = text.as_bytes();
    let mut reader = Reader::default();
    let mut at = 0;
    uses.iter()
        .map(|found| {
            while at < found.range.start {
                at = reader.step(bytes, at);
            }
            Some(reader.place(bytes, found.range.start))
        })
        .collect()
}

/// Follows blocks and statements.
#[derive(Default)]
struct Reader {
    /// Where statements begin, and where blocks open.
    statement: usize,
    blocks: Vec<(usize, Range<usize>)>,
    brackets: usize,
}

impl Reader {
    /// Over the next sign, comment or string.
    fn step(&mut self, bytes: &[u8], at: usize) -> usize {
        match bytes[at] {
            b'/' if bytes.get(at + 1) == Some(&b'*') => {
                let close = bytes[at + 2..].windows(2).position(|w| w == b"*/");
                let end = close.map_or(bytes.len(), |n| at + n + 4);
                if bytes[self.statement..at]
                    .iter()
                    .all(u8::is_ascii_whitespace)
                {
                    self.statement = end;
                }
                return end;
            }
            b'/' if bytes.get(at + 1) == Some(&b'/')
                && at.checked_sub(1).is_none_or(|i| bytes[i] != b':') =>
            {
                let end = bytes[at..]
                    .iter()
                    .position(|b| *b == b'\n')
                    .map_or(bytes.len(), |n| at + n);
                if bytes[self.statement..at]
                    .iter()
                    .all(u8::is_ascii_whitespace)
                {
                    self.statement = end;
                }
                return end;
            }
            quote @ (b'"' | b'\'') => {
                let mut end = at + 1;
                while end < bytes.len() && bytes[end] != quote && bytes[end] != b'\n' {
                    end += if bytes[end] == b'\\' { 2 } else { 1 };
                }
                return (end + 1).min(bytes.len());
            }
            b'(' => self.brackets += 1,
            b')' => self.brackets = self.brackets.saturating_sub(1),
            b'{' if at == 0 || bytes[at - 1] != b'#' => {
                self.blocks.push((at, self.statement..at));
                self.statement = at + 1;
                self.brackets = 0;
            }
            b'}' => {
                self.blocks.pop();
                self.statement = at + 1;
                self.brackets = 0;
            }
            b';' if self.brackets == 0 => self.statement = at + 1,
            _ => {}
        }
        at + 1
    }

    fn place(&self, bytes: &[u8], at: usize) -> StylePlace {
        let start = self.statement.min(at);
        let colon = bytes[start..at].iter().position(|b| *b == b':');
        StylePlace {
            property: start..colon.map_or(start, |n| start + n),
            rule: self.blocks.last().map_or(0, |(open, _)| *open),
            preludes: self
                .blocks
                .iter()
                .map(|(_, prelude)| prelude.clone())
                .collect(),
        }
    }
}
