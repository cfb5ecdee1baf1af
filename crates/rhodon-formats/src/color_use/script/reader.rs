//! Code by its tokens: what stands between quotes, numbers, brackets, and the keys that lead there.

use std::ops::Range;

use rhodon_color::Color;

use super::super::constructor::{self, Order};
use super::super::maker;
use super::Language;

/// How many keys that lead to a colour belong to its name.
const DEEPEST: usize = 6;

pub(super) enum Token {
    Text(Range<usize>),
    Number(Range<usize>),
    /// The numbers that a colour is made of.
    Made(Range<usize>, Color, Order),
    /// A bracket, and whether it holds keys with values.
    Open(bool),
    Close,
}

pub(super) struct Reader<'a> {
    pub(super) text: &'a str,
    pub(super) language: Language,
    pub(super) at: usize,
    /// Words and signs before, the last one last; a few are enough.
    pub(super) before: Vec<&'a str>,
    /// The key that takes each bracket which is open, where one does.
    keys: Vec<Option<String>>,
}

/// How many words before a colour are looked at.
const LOOKS_BACK: usize = 12;

impl<'a> Reader<'a> {
    pub(super) fn new(text: &'a str, language: Language) -> Self {
        Self {
            text,
            language,
            at: 0,
            before: Vec::new(),
            keys: Vec::new(),
        }
    }

    /// A key behind those that lead to it, with dots between them; those alone where it is empty.
    pub(super) fn path(&self, key: &str) -> String {
        // A call around the value alone has the key of the value.
        let outer = match &self.keys[..] {
            [rest @ .., Some(last)] if last == key => rest,
            all => all,
        };
        let from = outer.len().saturating_sub(DEEPEST);
        let outer = outer[from..].iter().flatten().map(String::as_str);
        let own = (!key.is_empty()).then_some(key);
        outer.chain(own).collect::<Vec<_>>().join(".")
    }

    pub(super) fn note(&mut self, range: Range<usize>) {
        if self.before.len() == LOOKS_BACK {
            self.before.remove(0);
        }
        self.before.push(&self.text[range]);
    }

    pub(super) fn next(&mut self) -> Option<Token> {
        let bytes = self.text.as_bytes();
        while let Some(byte) = bytes.get(self.at) {
            let at = self.at;
            match byte {
                b'\n' => {
                    self.at += 1;
                    self.note(at..at + 1);
                }
                b if b.is_ascii_whitespace() => self.at += 1,
                b'#' if self.language == Language::Hashed => self.at = self.line_end(at),
                b'/' if self.is_signed("//") => self.at = self.line_end(at),
                b'/' if self.is_signed("/*") => {
                    let end = self.text[at + 2..].find("*/");
                    self.at = end.map_or(bytes.len(), |n| at + n + 4);
                }
                b'\'' if self.language == Language::Compiled => self.at = self.sign_end(at),
                b':' if self.language == Language::Compiled && bytes.get(at + 1) == Some(&b':') => {
                    self.at += 2;
                    self.note(at..at + 2);
                }
                b'/' if self.may_be_pattern() => self.at = self.pattern_end(at),
                b'"' | b'\'' | b'`' => {
                    let range = self.quoted(at);
                    return Some(Token::Text(range));
                }
                b if b.is_ascii_digit() => {
                    let end = self.word_end(at);
                    self.at = end;
                    return Some(Token::Number(at..end));
                }
                b if is_word(*b) => {
                    let end = self.word_end(at);
                    self.at = end;
                    self.note(at..end);
                }
                b if b.is_ascii() => {
                    self.at += 1;
                    let is_list = match b {
                        b'{' | b'[' => true,
                        b'(' => self.before.last() == Some(&"array"),
                        _ => false,
                    };
                    if let Some(made) = self.constructed(*b) {
                        return Some(made);
                    }
                    let key = match b {
                        b'{' | b'[' => self.name_of_list(),
                        b'(' => self.name_of_call().or_else(|| self.name_of_group()),
                        _ => None,
                    };
                    self.note(at..at + 1);
                    match b {
                        b'{' | b'[' | b'(' => {
                            self.keys.push(key);
                            return Some(Token::Open(is_list));
                        }
                        b'}' | b']' | b')' => {
                            self.keys.pop();
                            return Some(Token::Close);
                        }
                        _ => {}
                    }
                }
                _ => self.at += self.text[at..].chars().next().map_or(1, char::len_utf8),
            }
        }
        None
    }

    /// Whether a comment opens here with these signs.
    fn is_signed(&self, signs: &str) -> bool {
        self.language != Language::Hashed && self.text[self.at..].starts_with(signs)
    }

    /// The end of a single sign in quotes, which holds no text; a quote alone is none, such as that of a lifetime
    /// or between digits.
    fn sign_end(&self, from: usize) -> usize {
        const LONGEST: usize = 12;
        let inner = &self.text[from + 1..];
        let length = match inner.strip_prefix('\\') {
            Some(escaped) => {
                let near = &escaped[..escaped.floor_char_boundary(LONGEST)];
                near.char_indices()
                    .skip(1)
                    .find(|(_, c)| *c == '\'')
                    .map(|(at, _)| at + 1)
            }
            None => inner.chars().next().map(char::len_utf8),
        };
        match length.filter(|length| inner[*length..].starts_with('\'')) {
            Some(length) => from + length + 2,
            None => from + 1,
        }
    }

    fn line_end(&self, from: usize) -> usize {
        let end = self.text[from..].find('\n');
        end.map_or(self.text.len(), |n| from + n)
    }

    fn word_end(&self, from: usize) -> usize {
        let bytes = self.text.as_bytes();
        let ends =
            |i: &usize| !(is_word(bytes[*i]) || bytes[*i] == b'.' && bytes[from].is_ascii_digit());
        (from..bytes.len()).find(ends).unwrap_or(bytes.len())
    }

    /// Whether a slash begins a pattern: nothing that could be divided stands before it.
    fn may_be_pattern(&self) -> bool {
        if self.language != Language::Script {
            return false;
        }
        match self.before.iter().rev().find(|w| **w != "\n") {
            None => true,
            Some(last) => {
                matches!(
                    *last,
                    "(" | "," | "=" | ":" | "[" | "!" | "&" | "|" | "?" | "{" | ";" | "return"
                )
            }
        }
    }

    /// The end of a pattern; where the line ends first it was a division.
    fn pattern_end(&self, from: usize) -> usize {
        let bytes = self.text.as_bytes();
        let (mut i, mut in_class) = (from + 1, false);
        while let Some(byte) = bytes.get(i) {
            match byte {
                b'\n' => return from + 1,
                b'\\' => i += 1,
                b'[' => in_class = true,
                b']' => in_class = false,
                b'/' if !in_class => return i + 1,
                _ => {}
            }
            i += 1;
        }
        from + 1
    }

    /// What stands between quotes; the reader goes on behind them. Three quotes open a text of lines.
    fn quoted(&mut self, at: usize) -> Range<usize> {
        let bytes = self.text.as_bytes();
        let quote = bytes[at];
        let three = [quote; 3];
        if quote != b'`' && bytes[at..].starts_with(&three) {
            let from = at + 3;
            let close = bytes[from..].windows(3).position(|w| w == three);
            let end = close.map_or(bytes.len(), |n| from + n);
            self.at = (end + 3).min(bytes.len());
            return from..end;
        }
        let mut end = at + 1;
        while end < bytes.len() && bytes[end] != quote && (quote == b'`' || bytes[end] != b'\n') {
            end += if bytes[end] == b'\\' { 2 } else { 1 };
        }
        let end = end.min(bytes.len());
        self.at = (end + 1).min(bytes.len());
        at + 1..end
    }

    /// The key or variable that takes what comes next: `petrol: `, `const petrol = `, `"petrol" to`.
    pub(super) fn name(&self) -> Option<String> {
        let sign = self.before.iter().rposition(|w| matches!(*w, "=" | ":"))?;
        // Only a call may stand between the sign and the colour.
        let between = &self.before[sign + 1..];
        if between
            .iter()
            .any(|w| matches!(*w, "," | ";" | "{" | "[" | ")"))
        {
            return None;
        }
        let mut names = self.before[..sign].iter().rev().filter(|w| **w != "\n");
        let first = names
            .next()
            .filter(|w| w.bytes().next().is_some_and(is_word))?;
        // `val petrol: Color = …` has its name before its type.
        let typed = names
            .next()
            .filter(|w| **w == ":")
            .and_then(|_| names.next());
        Some((*typed.unwrap_or(first)).to_owned())
    }

    /// The key that takes the list which begins here: only a call that it is given to may stand between,
    /// not the head of a function or a class.
    fn name_of_list(&self) -> Option<String> {
        let before = self.before.iter().rev().find(|w| **w != "\n")?;
        let takes = matches!(*before, "=" | ":" | "(") || *before == ">" && self.is_arrow();
        takes.then(|| self.name()).flatten()
    }

    /// The key that takes what stands in plain brackets: `deck = ("#f4f7f9", "#10212b")`.
    fn name_of_group(&self) -> Option<String> {
        let takes = matches!(self.before.last(), Some(&("=" | ":")));
        takes.then(|| self.name()).flatten()
    }

    /// The key that takes the brackets around a value.
    pub(super) fn around(&self) -> Option<&str> {
        self.keys.last()?.as_deref()
    }

    /// The key that takes the result of the call which begins here.
    fn name_of_call(&self) -> Option<String> {
        let sign = self.before.iter().rposition(|w| matches!(*w, "=" | ":"))?;
        let between = &self.before[sign + 1..];
        let is_call = |w: &&str| matches!(*w, "." | "::") || w.bytes().all(is_word);
        (!between.is_empty() && between.iter().all(is_call)).then(|| self.name())?
    }

    /// The colour that is made of numbers in the bracket at hand; the reader goes on behind it.
    fn constructed(&mut self, open: u8) -> Option<Token> {
        if !matches!(open, b'(' | b'{') {
            return None;
        }
        let words: Vec<&str> = self
            .before
            .iter()
            .filter(|w| **w != "\n")
            .copied()
            .collect();
        let (order, close) = match open {
            b'(' => (maker::order(&words)?, ')'),
            _ => (maker::order_within_braces(&words)?, '}'),
        };
        let range = maker::arguments(self.text, self.at, close)?;
        let color = constructor::color(&self.text[range.clone()], order)?;
        self.at = range.end + 1;
        Some(Token::Made(range, color, order))
    }

    /// Whether the last two signs are `=>`, which gives a value its key.
    fn is_arrow(&self) -> bool {
        self.before.iter().rev().nth(1) == Some(&"=")
    }
}

pub(super) fn is_word(b: u8) -> bool {
    b.is_ascii_alphanumeric() || b == b'_' || b == b'$'
}
