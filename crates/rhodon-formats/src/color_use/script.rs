//! Code of apps and of configurations: colours in texts, and numbers that are colours by what stands
//! around them. Read by its tokens, never run.

use std::ops::Range;

use rhodon_color::Color;

use super::arguments::bare;
use super::constructor::{self, Order};
use super::entry::Entries;
use super::spelling::{alpha_first, is_shorthand, sounds_like_color, whole, within};
use super::{ColorUse, Written, shifted, style};

/// Calls whose number is a colour with its opacity in front.
const ARGB_CALLS: &[&str] = &[
    "Color",
    "UIColor",
    "NSColor",
    "MaterialColor",
    "MaterialAccentColor",
    "parseColor",
    "ColorInt",
];
/// Types of variables whose number is a colour.
const TYPES: &[&str] = &["Color", "ColorInt", "UIColor", "NSColor"];
/// Calls whose text picks an element, so that `#add` is a name.
const PICKS: &[&str] = &[
    "querySelector",
    "querySelectorAll",
    "getElementById",
    "closest",
    "matches",
    "$",
    "find",
    "locator",
    "getElement",
    "href",
    "to",
    "id",
    "scrollTo",
];

/// Finds the colours of a script.
pub(super) fn find(text: &str, out: &mut Vec<ColorUse>) {
    let mut reader = Reader::new(text);
    // Brackets that are open, and whether each holds an entry.
    let (mut open, mut entries) = (Vec::new(), Entries::default());
    while let Some(token) = reader.next() {
        let before = out.len();
        let (key, range) = match token {
            Token::Open(is_list) => {
                open.push(is_list);
                if is_list {
                    entries.open();
                }
                continue;
            }
            Token::Close => {
                if open.pop() == Some(true) {
                    entries.close(out);
                }
                continue;
            }
            Token::Text(range) => (reader.in_text(range.clone(), out), range),
            Token::Number(range) => (reader.in_number(range.clone(), out), range),
            Token::Made(range, color, order) => {
                (reader.made(range.clone(), color, order, out), range)
            }
        };
        let color = (out.len() > before).then_some(before);
        if let Some(name) = out.get_mut(before).and_then(|found| found.name.as_mut()) {
            *name = reader.path(name);
        }
        if let (Some(key), Some(held)) = (key, text.get(range)) {
            entries.value(&key, held, color);
        }
    }
}

/// A text or a number, and the keys that lead to it.
pub(crate) struct Held<'a> {
    /// The keys with dots between them.
    pub(crate) path: String,
    pub(crate) text: &'a str,
    /// Where the text stands.
    pub(crate) at: usize,
    pub(crate) is_number: bool,
    /// Which bracket it stands in, counted from the first.
    pub(crate) entry: usize,
}

/// Everything that stands under keys.
pub(crate) fn values(text: &str) -> Vec<Held<'_>> {
    let mut reader = Reader::new(text);
    let (mut open, mut count) = (Vec::new(), 0);
    let mut out = Vec::new();
    while let Some(token) = reader.next() {
        let (range, is_number) = match token {
            Token::Open(_) => {
                count += 1;
                open.push(count);
                continue;
            }
            Token::Close => {
                open.pop();
                continue;
            }
            Token::Text(range) => (range, false),
            Token::Number(range) | Token::Made(range, ..) => (range, true),
        };
        let behind = text.get(reader.at..).unwrap_or_default().trim_start();
        if behind.starts_with(':') || behind.starts_with("=>") {
            reader.note(range);
            continue;
        }
        let path = reader.path(&reader.name().unwrap_or_default());
        if let Some(held) = text.get(range.clone()).filter(|_| !path.is_empty()) {
            out.push(Held {
                path,
                text: held,
                at: range.start,
                is_number,
                entry: open.last().copied().unwrap_or_default(),
            });
        }
        reader.note(range);
    }
    out
}

/// How many keys that lead to a colour belong to its name.
const DEEPEST: usize = 6;

enum Token {
    Text(Range<usize>),
    Number(Range<usize>),
    /// The numbers that a colour is made of.
    Made(Range<usize>, Color, Order),
    /// A bracket, and whether it holds keys with values.
    Open(bool),
    Close,
}

struct Reader<'a> {
    text: &'a str,
    at: usize,
    /// Words and signs before, the last one last; a few are enough.
    before: Vec<&'a str>,
    /// The key that takes each bracket which is open, where one does.
    keys: Vec<Option<String>>,
}

/// How many words before a colour are looked at.
const LOOKS_BACK: usize = 12;

impl<'a> Reader<'a> {
    fn new(text: &'a str) -> Self {
        Self {
            text,
            at: 0,
            before: Vec::new(),
            keys: Vec::new(),
        }
    }

    /// A key behind those that lead to it, with dots between them; those alone where it is empty.
    fn path(&self, key: &str) -> String {
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

    fn note(&mut self, range: Range<usize>) {
        if self.before.len() == LOOKS_BACK {
            self.before.remove(0);
        }
        self.before.push(&self.text[range]);
    }

    fn next(&mut self) -> Option<Token> {
        let bytes = self.text.as_bytes();
        while let Some(byte) = bytes.get(self.at) {
            let at = self.at;
            match byte {
                b'\n' => {
                    self.at += 1;
                    self.note(at..at + 1);
                }
                b if b.is_ascii_whitespace() => self.at += 1,
                b'/' if bytes.get(at + 1) == Some(&b'/') => self.at = self.line_end(at),
                b'/' if bytes.get(at + 1) == Some(&b'*') => {
                    let end = self.text[at + 2..].find("*/");
                    self.at = end.map_or(bytes.len(), |n| at + n + 4);
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
                    if let Some(made) = (*b == b'(').then(|| self.constructed()).flatten() {
                        return Some(made);
                    }
                    let key = match b {
                        b'{' | b'[' => self.name_of_list(),
                        b'(' => self.name_of_call(),
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
    fn name(&self) -> Option<String> {
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

    /// The key that takes the result of the call which begins here.
    fn name_of_call(&self) -> Option<String> {
        let sign = self.before.iter().rposition(|w| matches!(*w, "=" | ":"))?;
        let between = &self.before[sign + 1..];
        let is_call = |w: &&str| *w == "." || w.bytes().all(is_word);
        (!between.is_empty() && between.iter().all(is_call)).then(|| self.name())?
    }

    /// The colour that the call at hand makes of numbers; the reader goes on behind it.
    fn constructed(&mut self) -> Option<Token> {
        let words: Vec<&str> = self
            .before
            .iter()
            .filter(|w| **w != "\n")
            .copied()
            .collect();
        let order = constructor::order(&words)?;
        let range = constructor::arguments(self.text, self.at)?;
        let color = constructor::color(&self.text[range.clone()], order)?;
        self.at = range.end + 1;
        Some(Token::Made(range, color, order))
    }

    /// Whether the last two signs are `=>`, which gives a value its key.
    fn is_arrow(&self) -> bool {
        self.before.iter().rev().nth(1) == Some(&"=")
    }

    /// Finds colours in a text, and tells the name that it has.
    fn in_text(&mut self, range: Range<usize>, out: &mut Vec<ColorUse>) -> Option<String> {
        let held = self.text.get(range.clone())?;
        let name = self.name();
        let is_picked = || {
            let call = self
                .before
                .iter()
                .rev()
                .take(2)
                .copied()
                .collect::<Vec<_>>();
            call.first().is_some_and(|w| matches!(*w, "(" | "=" | ":"))
                && call.get(1).is_some_and(|w| PICKS.contains(w))
        };
        let names = name.as_deref().is_some_and(sounds_like_color);
        if let Some(color) = whole(held, names).filter(|_| !is_picked()) {
            out.push(ColorUse::css(range.clone(), color, name.clone()));
        } else if let Some((color, call)) = bare(name.as_deref().unwrap_or_default(), held) {
            out.push(ColorUse {
                range: range.clone(),
                color,
                name: name.clone(),
                written: Written::Arguments(call),
            });
        } else if self.text.as_bytes().get(range.start.wrapping_sub(1)) == Some(&b'`')
            && held.contains(':')
        {
            // A style sheet within a script.
            shifted(held, range.start, style::find, out);
        } else if is_shorthand(held) && !is_picked() {
            within(held, |inner, color| {
                let place = inner.start + range.start..inner.end + range.start;
                out.push(ColorUse::css(place, color, None));
            });
        }
        // A text before a colon is a key.
        self.note(range);
        name
    }

    /// Takes the colour that is made of numbers, and tells the name that it has.
    fn made(
        &mut self,
        range: Range<usize>,
        color: Color,
        order: Order,
        out: &mut Vec<ColorUse>,
    ) -> Option<String> {
        let name = self.name();
        out.push(ColorUse {
            range: range.clone(),
            color,
            name: name.clone(),
            written: Written::Made(order),
        });
        self.note(range);
        name
    }

    /// Finds the colour that a number is, and tells the name that it has.
    fn in_number(&mut self, range: Range<usize>, out: &mut Vec<ColorUse>) -> Option<String> {
        let color = number(&self.text[range.clone()]).filter(|_| self.takes_color());
        let name = color.and_then(|_| self.name());
        out.extend(color.map(|color| ColorUse {
            range: range.clone(),
            color,
            name: name.clone(),
            written: Written::AlphaFirst,
        }));
        self.note(range);
        name
    }

    /// Whether what stands before says that a number is a colour: a colour's constructor, or a type.
    fn takes_color(&self) -> bool {
        let mut back = self.before.iter().rev().filter(|w| **w != "\n");
        let mut last = back.next().copied();
        // `hex: 0x…` inside the brackets.
        if last == Some(":") {
            back.next();
            last = back.next().copied();
        }
        match last {
            Some("(") => back.next().is_some_and(|call| ARGB_CALLS.contains(call)),
            // `petrol: Color = …`, `Color petrol = …`.
            Some("=") => match (back.next(), back.next()) {
                (Some(typed), Some(&":")) => TYPES.contains(typed),
                (_, Some(typed)) => TYPES.contains(typed),
                _ => false,
            },
            _ => false,
        }
    }
}

fn is_word(b: u8) -> bool {
    b.is_ascii_alphanumeric() || b == b'_' || b == b'$'
}

/// A number as apps write colours: `0xFF0F5C7A` with the opacity in front, `0x0F5C7A` without.
fn number(text: &str) -> Option<Color> {
    let digits = text
        .strip_prefix("0x")
        .or_else(|| text.strip_prefix("0X"))?;
    let digits = digits.trim_end_matches(['L', 'u', 'U']).replace('_', "");
    alpha_first(&digits)
}
