//! JSON of any shape, with or without comments: values that are colours, under their keys.

use std::collections::HashSet;
use std::ops::Range;

use rhodon_color::{Color, grey_level};

use super::arguments::bare;
use super::components::Components;
use super::entry::Entries;
use super::spelling::{is_shorthand, named_or_bare, sounds_like_color, whole, within};
use super::{ColorUse, Written};

/// Finds the colours among the values.
pub(super) fn find(text: &str, out: &mut Vec<ColorUse>) {
    let mut keys = Keys::default();
    let mut components = Components::default();
    let mut entries = Entries::default();
    let own = own_greys(text);
    for token in (Tokens { text, at: 0 }) {
        match token {
            Token::Open => {
                if keys.key.as_deref() == Some("components") {
                    components = Components::default();
                }
                keys.open();
                entries.open();
            }
            Token::Close => {
                keys.close();
                entries.close(out);
                if let Some(found) = components.take(&keys.name()) {
                    out.push(found);
                }
            }
            Token::Comma => keys.key = None,
            Token::Text(range) if is_key(text, range.end) => {
                keys.key = Some(text[range].to_owned());
            }
            Token::Text(range) => {
                let before = out.len();
                if let Some(key) = &keys.key {
                    components.add(key, text, &range);
                }
                let held = &text[range.clone()];
                value(text, range, &keys, &own, out);
                let color = (out.len() > before).then_some(before);
                if let Some(key) = &keys.key {
                    entries.value(key, held, color);
                }
            }
        }
    }
}

/// Whether a colon follows, so that the text is a key.
fn is_key(text: &str, end: usize) -> bool {
    text[end + 1..].trim_start().starts_with(':')
}

/// Keys that are called as levels of grey are: values of that name speak of them.
fn own_greys(text: &str) -> HashSet<&str> {
    let mut own = HashSet::new();
    if text.contains("gray") || text.contains("grey") {
        let texts = (Tokens { text, at: 0 }).filter_map(|token| match token {
            Token::Text(range) if is_key(text, range.end) => text.get(range),
            _ => None,
        });
        own.extend(texts.filter(|key| grey_level(key).is_some()));
    }
    own
}

fn value(
    text: &str,
    range: Range<usize>,
    keys: &Keys,
    own: &HashSet<&str>,
    out: &mut Vec<ColorUse>,
) {
    let held = &text[range.clone()];
    let name = keys.name();
    let named = keys.nearest().is_some_and(sounds_like_color);
    let is_own = own.contains(held);
    // A level of grey in a list is one whatever the list is called.
    let in_list = || grey_level(held).filter(|_| keys.key.is_none());
    let beyond = || {
        let known = named_or_bare(held).filter(|_| named);
        known
            .or_else(|| in_list().map(Color::from))
            .filter(|_| !is_own)
    };
    if let Some(color) = whole(held, named).or_else(beyond) {
        out.push(ColorUse::css(range, color, name));
        return;
    }
    if let Some((color, call)) = bare(name.as_deref().unwrap_or_default(), held) {
        let written = Written::Arguments(call);
        out.push(ColorUse {
            range,
            color,
            name,
            written,
        });
        return;
    }
    // A shorthand such as `1px solid #0f5c7a`; a text that only mentions a number is none.
    if is_shorthand(held) {
        within(held, |inner, color| {
            let place = inner.start + range.start..inner.end + range.start;
            out.push(ColorUse::css(place, color, None));
        });
    }
}

/// Keys that lead to a value.
#[derive(Default)]
struct Keys {
    outer: Vec<Option<String>>,
    key: Option<String>,
}

impl Keys {
    fn open(&mut self) {
        self.outer.push(self.key.take());
    }

    fn close(&mut self) {
        self.outer.pop();
        self.key = None;
    }

    /// The key of a value, or of the list that holds it.
    fn nearest(&self) -> Option<&str> {
        let outer = || self.outer.last()?.as_deref();
        self.key.as_deref().or_else(outer)
    }

    /// The keys with dots between them; marks of token files belong to no name.
    fn name(&self) -> Option<String> {
        let all = self.outer.iter().chain([&self.key]).flatten();
        let parts: Vec<&str> = all
            .map(String::as_str)
            .filter(|key| !matches!(*key, "$value" | "value" | "hex"))
            .collect();
        (!parts.is_empty()).then(|| parts.join("."))
    }
}

enum Token {
    Open,
    Close,
    Comma,
    /// What stands between quotes.
    Text(Range<usize>),
}

struct Tokens<'a> {
    text: &'a str,
    at: usize,
}

impl Iterator for Tokens<'_> {
    type Item = Token;

    fn next(&mut self) -> Option<Token> {
        let bytes = self.text.as_bytes();
        while let Some(byte) = bytes.get(self.at) {
            let at = self.at;
            self.at += 1;
            match byte {
                b'{' | b'[' => return Some(Token::Open),
                b'}' | b']' => return Some(Token::Close),
                b',' => return Some(Token::Comma),
                b'/' if bytes.get(at + 1) == Some(&b'/') => {
                    let end = bytes[at..].iter().position(|b| *b == b'\n');
                    self.at = end.map_or(bytes.len(), |n| at + n);
                }
                b'/' if bytes.get(at + 1) == Some(&b'*') => {
                    let end = self.text[at + 2..].find("*/");
                    self.at = end.map_or(bytes.len(), |n| at + n + 4);
                }
                quote @ (b'"' | b'\'') => {
                    let mut end = at + 1;
                    while end < bytes.len() && bytes[end] != *quote && bytes[end] != b'\n' {
                        end += if bytes[end] == b'\\' { 2 } else { 1 };
                    }
                    if bytes.get(end) == Some(quote) {
                        self.at = end + 1;
                        return Some(Token::Text(at + 1..end));
                    }
                }
                _ => {}
            }
        }
        None
    }
}
