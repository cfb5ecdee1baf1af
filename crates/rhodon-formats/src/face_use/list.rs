//! How the first face of a list is written.

use std::ops::Range;

use cssparser::{Parser, ParserInput, Token};

use crate::type_use::WIDE;
use crate::write::GENERIC;

/// What is no face either where a list begins with it.
const NO_FACE: [&str; 3] = ["fangsong", "none", "auto"];

/// What a list stands in.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq)]
pub(super) struct Within {
    /// The quote around it.
    pub(super) quote: Option<char>,
    /// Whether the text in that quote has escapes of its own, as in scripts and JSON.
    pub(super) has_escapes: bool,
}

/// A face as it is written.
#[derive(Clone, Debug, PartialEq, Eq)]
pub(super) struct Written {
    /// Where it stands, with its quotes.
    pub(super) range: Range<usize>,
    /// The quote around it, with the sign that escapes it where it has one.
    quote: Option<String>,
    /// What the whole list stands in.
    within: Within,
    /// Whether it is of several words without a quote around them.
    is_bare_phrase: bool,
}

impl Written {
    /// The first face of a list, and its name; none where the list begins with something else.
    pub(super) fn first_of(list: &str, within: Within) -> Option<(Self, String)> {
        if let Some((mark, name, end)) = escaped(list).filter(|_| within.has_escapes) {
            let written = Self {
                range: 0..end,
                quote: Some(mark.to_owned()),
                within,
                is_bare_phrase: false,
            };
            return is_face(name).then(|| (written, name.to_owned()));
        }
        let mut input = ParserInput::new(list);
        let mut parser = Parser::new(&mut input);
        let start = parser.position().byte_index();
        let (mut words, mut quote): (Vec<String>, _) = (Vec::new(), None);
        let mut end = start;
        loop {
            match parser.next() {
                Ok(Token::Ident(word)) if quote.is_none() => words.push(word.to_string()),
                Ok(Token::QuotedString(name)) if words.is_empty() => {
                    words.push(name.to_string());
                    quote = list.chars().next().map(String::from);
                }
                Ok(Token::Comma) | Err(_) => break,
                Ok(_) => return None,
            }
            end = parser.position().byte_index();
        }
        let is_bare_phrase = quote.is_none() && words.len() > 1;
        let name = words.join(" ");
        let written = Self {
            range: start..end,
            quote,
            within,
            is_bare_phrase,
        };
        is_face(&name).then_some((written, name))
    }

    pub(super) fn moved(mut self, by: usize) -> Self {
        self.range = self.range.start + by..self.range.end + by;
        self
    }

    /// A name as this one is written: in the same quotes, or bare where it can stand so.
    pub(super) fn spelt(&self, name: &str) -> String {
        let words: Vec<&str> = name.split(' ').collect();
        let is_plain = words.iter().all(|word| is_identifier(word));
        let is_generic = is_word(name);
        let may_be_bare = words.len() == 1 || self.is_bare_phrase;
        if is_plain && (is_generic || self.quote.is_none() && may_be_bare) {
            return name.to_owned();
        }
        let around = self.quote.as_deref().unwrap_or(match self.within.quote {
            Some('"') => "'",
            _ => "\"",
        });
        quoted(name, around, self.within)
    }
}

/// A word that CSS reads as one identifier (CSS Syntax 3, 4.3.11), in letters that need no escape.
fn is_identifier(word: &str) -> bool {
    let rest = word.trim_start_matches('-');
    rest.starts_with(|c: char| c.is_ascii_alphabetic() || c == '_')
        && word
            .chars()
            .all(|c| c.is_ascii_alphanumeric() || matches!(c, '-' | '_'))
}

/// Whether a name is that of a face.
fn is_face(name: &str) -> bool {
    let small = name.to_ascii_lowercase();
    !name.trim().is_empty() && !is_word(&small) && !name.starts_with('-')
}

/// Whether a name in small letters stands for faces of the system, or takes them from elsewhere.
fn is_word(name: &str) -> bool {
    GENERIC.contains(&name) || WIDE.contains(&name) || NO_FACE.contains(&name)
}

/// The first of a list where it stands in quotes that are escaped, as in a text of the same quotes: these, the
/// name, and where it ends.
fn escaped(list: &str) -> Option<(&str, &str, usize)> {
    let mark = list
        .get(..2)
        .filter(|mark| ["\\\"", "\\'"].contains(mark))?;
    let (name, behind) = list[2..].split_once(mark)?;
    let is_whole = behind.trim_start().is_empty() || behind.trim_start().starts_with(',');
    is_whole.then_some((mark, name, list.len() - behind.len()))
}

/// A name between quotes; what ends them, or the text around them, is escaped by its number.
fn quoted(name: &str, around: &str, within: Within) -> String {
    let sign = if within.has_escapes { "\\\\" } else { "\\" };
    let mut out = String::from(around);
    for c in name.chars() {
        let ends = around.ends_with(c) || Some(c) == within.quote || matches!(c, '\\' | '<' | '\n');
        match ends {
            // One space belongs to the escape.
            true => out += &format!("{sign}{:x} ", u32::from(c)),
            false => out.push(c),
        }
    }
    out + around
}
