//! Where in a style sheet a colour stands: its property, and the rules around it.

use std::ops::Range;

use crate::color_use::ColorUse;

/// Where the colours of a style sheet stand.
#[derive(Debug, Default)]
pub(super) struct Places {
    places: Vec<Spot>,
    blocks: Vec<Block>,
}

#[derive(Clone, Debug)]
struct Spot {
    /// The property or variable.
    property: Range<usize>,
    /// The block that it stands in.
    block: Option<usize>,
}

#[derive(Debug)]
struct Block {
    /// What stands before it.
    prelude: Range<usize>,
    parent: Option<usize>,
}

/// A place in a style sheet.
#[derive(Clone, Copy, Debug)]
pub(super) struct StylePlace<'a> {
    text: &'a str,
    spot: &'a Spot,
    blocks: &'a [Block],
}

impl Places {
    /// The place of the nth colour; none where the file is no style sheet.
    pub(super) fn get<'a>(&'a self, text: &'a str, index: usize) -> Option<StylePlace<'a>> {
        let spot = self.places.get(index)?;
        Some(StylePlace {
            text,
            spot,
            blocks: &self.blocks,
        })
    }
}

/// What a property paints.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub(super) enum Part {
    Text,
    Ground,
    Edge,
    Other,
}

impl<'a> StylePlace<'a> {
    fn property(self) -> &'a str {
        self.text[self.spot.property.clone()].trim()
    }

    /// The block that it stands in.
    pub(super) fn rule(self) -> Option<usize> {
        self.spot.block
    }

    /// What its property paints.
    pub(super) fn part(self) -> Part {
        let name = self.property();
        let starts = |with: &str| {
            name.get(..with.len())
                .is_some_and(|n| n.eq_ignore_ascii_case(with))
        };
        let is = |whole: &str| name.eq_ignore_ascii_case(whole);
        if is("color") || is("caret-color") || is("-webkit-text-fill-color") {
            Part::Text
        } else if starts("background") {
            Part::Ground
        } else if starts("border") || starts("outline") {
            Part::Edge
        } else {
            Part::Other
        }
    }

    /// Whether a reference to a custom property can stand here: not in a variable of a preprocessor,
    /// with which one computes.
    pub(super) fn takes_variables(self) -> bool {
        let name = self.property();
        !name.is_empty() && !name.starts_with(['$', '@', '+', '&'])
    }

    /// What stands before the blocks around it, from the inside.
    fn around(self) -> impl Iterator<Item = &'a str> {
        let outer = move |block: &usize| self.blocks[*block].parent;
        std::iter::successors(self.spot.block, outer)
            .map(move |block| &self.text[self.blocks[block].prelude.clone()])
    }

    /// Whether the rules around say that they are of the dark mode.
    pub(super) fn is_dark(self) -> bool {
        let says = |part: &str| {
            let part = part.to_ascii_lowercase();
            part.contains("dark") || part.contains("night")
        };
        self.around().any(says)
    }

    /// Whether the rule speaks of the group of a token, as `.button-danger` does of `danger.fill`.
    pub(super) fn speaks_of(self, token: &str) -> bool {
        let group = token.split('.').next().unwrap_or(token);
        let is_word = |b: Option<&u8>| b.is_some_and(u8::is_ascii_alphanumeric);
        self.around().any(|part| {
            let bytes = part.as_bytes();
            part.match_indices(group).any(|(at, _)| {
                let before = at.checked_sub(1).and_then(|i| bytes.get(i));
                !is_word(before) && !is_word(bytes.get(at + group.len()))
            })
        })
    }

    /// Whether a token is for what this property paints.
    pub(super) fn paints(self, token: &str) -> bool {
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
        part == self.part()
    }
}

/// The places of colours, which stand in order.
pub(super) fn places(text: &str, uses: &[ColorUse]) -> Places {
    let bytes = text.as_bytes();
    let mut reader = Reader::default();
    let mut at = 0;
    let mut places = Vec::with_capacity(uses.len());
    for found in uses {
        while at < found.range.start {
            at = reader.step(bytes, at, found.range.start);
        }
        places.push(reader.place(bytes, found.range.start));
    }
    let blocks = reader.blocks;
    Places { places, blocks }
}

/// Signs at which something begins or ends.
const SIGNS: [bool; 256] = {
    let mut signs = [false; 256];
    let all = b"{};/\"'(";
    let mut i = 0;
    while i < all.len() {
        signs[all[i] as usize] = true;
        i += 1;
    }
    signs
};

/// Follows blocks and statements.
#[derive(Default)]
struct Reader {
    /// Where the statement begins.
    statement: usize,
    blocks: Vec<Block>,
    /// The block that is open.
    open: Option<usize>,
    property: Property,
}

/// The property of a statement, looked for once however many colours the statement has.
#[derive(Default)]
struct Property {
    start: usize,
    /// The colon behind it, and up to where it was looked for.
    colon: Option<usize>,
    searched: usize,
}

impl Property {
    /// What stands before the first colon between the beginning of a statement and a place; nothing where
    /// there is none.
    fn before(&mut self, bytes: &[u8], start: usize, at: usize) -> Range<usize> {
        if self.start != start {
            *self = Self {
                start,
                colon: None,
                searched: start,
            };
        }
        if self.colon.is_none() && self.searched < at {
            let colon = bytes[self.searched..at].iter().position(|b| *b == b':');
            self.colon = colon.map(|n| self.searched + n);
            self.searched = at;
        }
        start..self.colon.unwrap_or(start)
    }
}

impl Reader {
    /// Over what comes next: plain text, a sign, a comment, a string or an address.
    fn step(&mut self, bytes: &[u8], at: usize, end: usize) -> usize {
        let plain = bytes[at..end].iter().position(|b| SIGNS[usize::from(*b)]);
        let Some(at) = plain.map(|n| at + n) else {
            return end;
        };
        match bytes[at] {
            b'/' => return self.comment(bytes, at),
            quote @ (b'"' | b'\'') => {
                let mut end = at + 1;
                while end < bytes.len() && bytes[end] != quote && bytes[end] != b'\n' {
                    end += if bytes[end] == b'\\' { 2 } else { 1 };
                }
                return (end + 1).min(bytes.len());
            }
            b'(' if bytes[..at].ends_with(b"url") => {
                let close = bytes[at..].iter().position(|b| *b == b')');
                return close.map_or(bytes.len(), |n| at + n);
            }
            // `#{…}` puts a value into a name.
            b'{' if at == 0 || bytes[at - 1] != b'#' => {
                self.blocks.push(Block {
                    prelude: self.statement..at,
                    parent: self.open,
                });
                self.open = Some(self.blocks.len() - 1);
                self.statement = at + 1;
            }
            b'}' => {
                self.open = self.open.and_then(|open| self.blocks[open].parent);
                self.statement = at + 1;
            }
            b';' => self.statement = at + 1,
            _ => {}
        }
        at + 1
    }

    fn comment(&mut self, bytes: &[u8], at: usize) -> usize {
        let end = match bytes.get(at + 1) {
            Some(b'*') => {
                let close = bytes[at + 2..].windows(2).position(|w| w == b"*/");
                close.map_or(bytes.len(), |n| at + n + 4)
            }
            Some(b'/') => {
                let line = bytes[at..].iter().position(|b| *b == b'\n');
                line.map_or(bytes.len(), |n| at + n)
            }
            _ => return at + 1,
        };
        let before = self.statement.min(at)..at;
        if bytes[before].iter().all(u8::is_ascii_whitespace) {
            self.statement = end;
        }
        end
    }

    fn place(&mut self, bytes: &[u8], at: usize) -> Spot {
        Spot {
            property: self.property.before(bytes, self.statement.min(at), at),
            block: self.open,
        }
    }
}
