//! Code of apps and of configurations: colours in texts, and numbers that are colours by what stands
//! around them. Read by its tokens, never run.

mod reader;

use std::ops::Range;

use rhodon_color::Color;

use self::reader::{Reader, Token};
use super::arguments::bare;
use super::constructor::Order;
use super::entry::Entries;
use super::spelling::{alpha_first, is_shorthand, named_or_bare, sounds_like_color, whole, within};
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

/// How a language is read.
#[derive(Clone, Copy, PartialEq, Eq)]
enum Language {
    /// Texts in any quotes, patterns between slashes.
    Script,
    /// A single quote holds one sign.
    Compiled,
    /// `#` opens a comment. Programs of such languages also take levels of grey and bare digits.
    Hashed,
}

/// Finds the colours of a script.
pub(super) fn find(text: &str, out: &mut Vec<ColorUse>) {
    find_in(Language::Script, text, out);
}

/// Finds the colours of a program in a language that has signs in single quotes: C, C++, C#, Go, Rust.
pub(super) fn find_compiled(text: &str, out: &mut Vec<ColorUse>) {
    find_in(Language::Compiled, text, out);
}

/// Finds the colours of a program whose comments begin with `#`, such as one in Python.
pub(super) fn find_hashed(text: &str, out: &mut Vec<ColorUse>) {
    find_in(Language::Hashed, text, out);
}

fn find_in(language: Language, text: &str, out: &mut Vec<ColorUse>) {
    let mut reader = Reader::new(text, language);
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
    let mut reader = Reader::new(text, Language::Script);
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

impl Reader<'_> {
    /// The key of a value; in hashed languages what stands in brackets has the key before them.
    fn key(&self) -> Option<String> {
        let around = || self.around().filter(|_| self.language == Language::Hashed);
        self.name().or_else(|| around().map(str::to_owned))
    }

    /// Finds colours in a text, and tells the name that it has.
    fn in_text(&mut self, range: Range<usize>, out: &mut Vec<ColorUse>) -> Option<String> {
        let held = self.text.get(range.clone())?;
        let name = self.key();
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
        let names = name.as_deref().or(self.around());
        let names = names.is_some_and(sounds_like_color);
        let beyond = || named_or_bare(held).filter(|_| names && self.language == Language::Hashed);
        if let Some(color) = whole(held, names).or_else(beyond).filter(|_| !is_picked()) {
            out.push(ColorUse::css(range.clone(), color, name.clone()));
        } else if let Some((color, call)) = bare(name.as_deref().unwrap_or_default(), held) {
            out.push(ColorUse {
                range: range.clone(),
                color,
                name: name.clone(),
                written: Written::Arguments(call),
            });
        } else if holds_sheet(held)
            || self.text.as_bytes().get(range.start.wrapping_sub(1)) == Some(&b'`')
                && held.contains(':')
        {
            // A style sheet within a program.
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
        let name = self.key();
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

/// Whether a text is a style sheet or lines of one: something is set within braces, or up to a semicolon.
fn holds_sheet(text: &str) -> bool {
    let sets = |part: &str| [": ", ":#", ":\n"].iter().any(|sign| part.contains(sign));
    let within = text.split('{').skip(1);
    text.trim_end().ends_with(';') && sets(text)
        || within
            .filter_map(|part| part.split_once('}'))
            .any(|(part, _)| sets(part))
}

/// A number as apps write colours: `0xFF0F5C7A` with the opacity in front, `0x0F5C7A` without.
fn number(text: &str) -> Option<Color> {
    let digits = text
        .strip_prefix("0x")
        .or_else(|| text.strip_prefix("0X"))?;
    let digits = digits.trim_end_matches(['L', 'u', 'U']).replace('_', "");
    alpha_first(&digits)
}
