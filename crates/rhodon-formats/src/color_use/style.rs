//! Style sheets: CSS, and the dialects that add variables, nesting and line comments.

use foldhash::HashMap;
use foldhash::HashMapExt;
use std::borrow::Cow;
use std::ops::Range;

use cssparser::{Parser, ParserInput, Token};
use rhodon_color::Color;

use super::arguments::Calls;
use super::spelling::{function, is_function, named};
use super::{ColorUse, Written, shifted};

/// How deep blocks are followed; what nests deeper is no style sheet that somebody wrote.
const MAX_DEPTH: usize = 120;

/// At-rules whose conditions and arguments hold values.
const VALUE_RULES: &[&str] = &[
    "include", "return", "if", "else", "mixin", "function", "each", "set", "use", "forward",
];

/// How style sheets of desktops name a colour.
const DEFINES: &str = "@define-color";

/// Beginnings and ends of names of properties that take a colour.
const COLORED: &[&str] = &[
    "background",
    "border",
    "outline",
    "box-shadow",
    "text-shadow",
    "fill",
    "stroke",
    "text-decoration",
    "column-rule",
    "text-emphasis",
    "mask",
    "filter",
    "backdrop-filter",
    "caret",
    "scrollbar",
    "list-style",
    "-webkit-text",
    "-webkit-tap",
    "initial-value",
    "flood",
    "lighting",
    "stop",
    "accent",
    "drop-shadow",
];

/// Finds the colours of a style sheet.
pub(super) fn find(text: &str, out: &mut Vec<ColorUse>) {
    let text = without_line_comments(text);
    let mut input = ParserInput::new(&text);
    let mut parser = Parser::new(&mut input);
    let mut statements = Statements {
        text: &text,
        out,
        functions: HashMap::new(),
        calls: Calls::of(&text),
    };
    statements.block(&mut parser, 0);
}

/// Finds the colours of a sheet whose lines are statements.
pub(super) fn find_indented(text: &str, out: &mut Vec<ColorUse>) {
    let clean = without_line_comments(text);
    let mut at = 0;
    for line in clean.split_inclusive('\n') {
        let statement = line.trim_end();
        if declares(statement.trim_start()) {
            shifted(statement, at, find, out);
        }
        at += line.len();
    }
}

/// Whether a line sets something, rather than selecting it: a colon stands apart from what follows.
fn declares(line: &str) -> bool {
    let is_name =
        |b: u8| b.is_ascii_alphanumeric() || matches!(b, b'-' | b'_' | b'$' | b'@' | b'*');
    let end = line.bytes().position(|b| !is_name(b)).unwrap_or(line.len());
    let rest = line[end..].trim_start();
    line.starts_with("+")
        || line.starts_with("@return")
        || line.starts_with("@include")
        || end > 0
            && (rest.starts_with(": ")
                || (line.starts_with(['$', '@']) && rest.starts_with([':', '='])))
}

/// Comments to the end of the line become spaces: CSS knows none, and a quote in one would hide what
/// follows. Offsets stay.
pub(crate) fn without_line_comments(text: &str) -> Cow<'_, str> {
    let bytes = text.as_bytes();
    let first = text.contains("//").then(|| find_line_comment(bytes, 0));
    let Some(first) = first.flatten() else {
        return Cow::Borrowed(text);
    };
    let mut clean = bytes.to_vec();
    let mut next = Some(first);
    while let Some(at) = next {
        let end = (at..bytes.len())
            .find(|i| bytes[*i] == b'\n')
            .unwrap_or(bytes.len());
        clean[at..end].fill(b' ');
        next = find_line_comment(bytes, end);
    }
    // Whole characters were replaced: a comment begins and ends between characters.
    Cow::Owned(String::from_utf8_lossy(&clean).into_owned())
}

/// Where the next `//` stands outside strings, comments and addresses.
fn find_line_comment(bytes: &[u8], from: usize) -> Option<usize> {
    let mut i = from;
    while i < bytes.len() {
        match bytes[i] {
            b'/' if bytes.get(i + 1) == Some(&b'*') => {
                let close = bytes[i + 2..].windows(2).position(|w| w == b"*/");
                i = close.map_or(bytes.len(), |at| i + 2 + at + 2);
            }
            b'/' if bytes.get(i + 1) == Some(&b'/') => return Some(i),
            quote @ (b'"' | b'\'') => {
                let mut j = i + 1;
                while j < bytes.len() && bytes[j] != quote && bytes[j] != b'\n' {
                    j += if bytes[j] == b'\\' { 2 } else { 1 };
                }
                i = j + 1;
            }
            b'(' if is_url(&bytes[..i]) => {
                let close = bytes[i..].iter().position(|b| *b == b')');
                i = close.map_or(bytes.len(), |at| i + at + 1);
            }
            _ => i += 1,
        }
    }
    None
}

/// Whether what comes next is in the brackets of an address.
fn is_url(before: &[u8]) -> bool {
    let from = before.len().saturating_sub(3);
    before[from..].eq_ignore_ascii_case(b"url")
}

/// How many tokens the arguments of a colour have, with commas and an opacity or without.
const ARGUMENTS: std::ops::RangeInclusive<usize> = 3..=7;

/// What a statement turned out to be, so far.
#[derive(Default)]
struct Statement {
    /// The property, variable or at-rule that it begins with.
    head: String,
    is_at_rule: bool,
    has_colon: bool,
    /// Whether its names of colours are colours.
    colored: bool,
    /// How many tokens its value has, beside space.
    parts: usize,
    /// Whether the token before was a bare `#`: brackets behind it put a value into a name.
    puts_in: bool,
    /// Whether the value is over and a word such as `!default` stands behind it.
    is_over: bool,
    /// Where its value begins.
    value: Option<usize>,
    /// The only token of the value, where it is a word that names a colour.
    word: Option<(Range<usize>, Color)>,
}

impl Statement {
    /// Begins another one in the room of the last.
    fn begin(&mut self) {
        let mut head = std::mem::take(&mut self.head);
        head.clear();
        *self = Self {
            head,
            ..Self::default()
        };
    }

    /// `@define-color NAME CODE` sets a variable without a colon.
    fn define(&mut self, name: &str) {
        self.head = format!("@{name}");
        self.is_at_rule = false;
        self.has_colon = true;
        self.colored = true;
    }

    fn is_variable(&self) -> bool {
        self.head.starts_with("--") || self.head.starts_with('$') || self.head.starts_with('@')
    }

    fn has_values(&self) -> bool {
        VALUE_RULES.contains(&self.head.trim_start_matches('@'))
    }
}

struct Statements<'a> {
    text: &'a str,
    out: &'a mut Vec<ColorUse>,
    /// Functions that were read already: the same few stand again and again.
    functions: HashMap<&'a str, Option<Color>>,
    calls: Calls<'a>,
}

fn takes_color(property: &str) -> bool {
    if property.bytes().any(|b| b.is_ascii_uppercase()) {
        return takes_color(&property.to_ascii_lowercase());
    }
    let property = property.strip_prefix("-webkit-").unwrap_or(property);
    COLORED.iter().any(|known| property.starts_with(known)) || property.contains("color")
}

impl Statements<'_> {
    /// Follows the statements of a block to its end.
    fn block(&mut self, parser: &mut Parser<'_, '_>, depth: usize) {
        let mut statement = Statement::default();
        // What was found in a statement that is not over: selectors give it back.
        let mut from = self.out.len();
        let mut start;
        loop {
            start = parser.position().byte_index();
            let Ok(token) = parser.next_including_whitespace_and_comments() else {
                break;
            };
            match token {
                Token::WhiteSpace(_) | Token::Comment(_) => {}
                Token::Semicolon => {
                    self.finish(&statement, from, start);
                    statement.begin();
                    from = self.out.len();
                }
                Token::CurlyBracketBlock => {
                    if statement.puts_in {
                        // The next token stands behind the brackets.
                        statement.puts_in = false;
                        continue;
                    }
                    if !(statement.is_at_rule && statement.has_values()) {
                        self.out.truncate(from);
                    }
                    self.nested(parser, depth);
                    statement.begin();
                    from = self.out.len();
                }
                _ => {
                    let token = token.clone();
                    self.token(parser, &token, start, &mut statement, depth);
                }
            }
        }
        self.finish(&statement, from, start);
    }

    fn nested(&mut self, parser: &mut Parser<'_, '_>, depth: usize) {
        if depth >= MAX_DEPTH {
            return;
        }
        let _: Result<(), cssparser::ParseError<'_, ()>> = parser.parse_nested_block(|inner| {
            self.block(inner, depth + 1);
            Ok(())
        });
    }

    fn token(
        &mut self,
        parser: &mut Parser<'_, '_>,
        token: &Token<'_>,
        start: usize,
        statement: &mut Statement,
        depth: usize,
    ) {
        statement.puts_in = matches!(token, Token::Delim('#'));
        statement.is_over |= matches!(token, Token::Delim('!'));
        if !statement.has_colon {
            match token {
                Token::Ident(name) if statement.head == DEFINES => statement.define(name),
                Token::Ident(name) => statement.head.push_str(name),
                Token::AtKeyword(name) => {
                    statement.is_at_rule = true;
                    statement.head = format!("@{name}");
                }
                Token::Delim(c @ ('$' | '*')) => statement.head.push(*c),
                Token::Colon if !statement.head.is_empty() => {
                    statement.has_colon = true;
                    statement.value = Some(parser.position().byte_index());
                    statement.colored = takes_color(&statement.head);
                    // `@name:` is a variable of its own.
                    statement.is_at_rule &= statement.has_values();
                }
                _ => {}
            }
            if matches!(
                token,
                Token::Colon | Token::Ident(_) | Token::AtKeyword(_) | Token::Delim(_)
            ) {
                return;
            }
        }
        if statement.is_over || statement.puts_in {
            return;
        }
        statement.parts += 1;
        let end = parser.position().byte_index();
        self.value(parser, token, start..end, statement, None, depth);
    }

    /// One token of a value.
    fn value(
        &mut self,
        parser: &mut Parser<'_, '_>,
        token: &Token<'_>,
        range: Range<usize>,
        statement: &mut Statement,
        key: Option<&str>,
        depth: usize,
    ) {
        match token {
            Token::Hash(digits) | Token::IDHash(digits) => {
                if let Some(color) = Color::from_hex(digits) {
                    self.push(range, color, key.map(str::to_owned));
                }
            }
            Token::Ident(word) if statement.colored => {
                if let Some(color) = named(word) {
                    self.push(range, color, key.map(str::to_owned));
                }
            }
            Token::Ident(word) if statement.parts == 1 && statement.is_variable() => {
                statement.word = named(word).map(|color| (range, color));
            }
            Token::Function(name) => {
                let is_color = is_function(name);
                let from = self.out.len();
                self.arguments(parser, statement, key, depth);
                let range = range.start..parser.position().byte_index();
                let whole = self.text.get(range.clone()).filter(|_| is_color);
                let color =
                    whole.and_then(|w| *self.functions.entry(w).or_insert_with(|| function(w)));
                if let Some(color) = color {
                    self.out.truncate(from);
                    self.push(range, color, key.map(str::to_owned));
                }
            }
            Token::ParenthesisBlock | Token::SquareBracketBlock | Token::CurlyBracketBlock => {
                self.arguments(parser, statement, key, depth);
            }
            _ => {}
        }
    }

    /// What stands in brackets: lists, maps with keys, arguments. The keys of a variable's map stand behind
    /// its name.
    fn arguments(
        &mut self,
        parser: &mut Parser<'_, '_>,
        statement: &mut Statement,
        outer: Option<&str>,
        depth: usize,
    ) {
        if depth >= MAX_DEPTH {
            return;
        }
        let map = outer.map(str::to_owned);
        let map = map.or_else(|| statement.is_variable().then(|| statement.head.clone()));
        let path = |key: &str| match &map {
            Some(map) => format!("{map}.{key}"),
            None => key.to_owned(),
        };
        let _: Result<(), cssparser::ParseError<'_, ()>> = parser.parse_nested_block(|inner| {
            let (mut key, mut last): (Option<String>, Option<String>) = (None, None);
            loop {
                let start = inner.position().byte_index();
                let Ok(token) = inner.next_including_whitespace_and_comments() else {
                    return Ok(());
                };
                let token = token.clone();
                match &token {
                    Token::WhiteSpace(_) | Token::Comment(_) => continue,
                    Token::Ident(word) | Token::QuotedString(word) => last = Some(word.to_string()),
                    Token::Number {
                        int_value: Some(step),
                        ..
                    } => last = Some(step.to_string()),
                    Token::Colon => key = last.take().map(|key| path(&key)),
                    Token::Comma => (key, last) = (None, None),
                    _ => {}
                }
                let end = inner.position().byte_index();
                self.value(
                    inner,
                    &token,
                    start..end,
                    statement,
                    key.as_deref(),
                    depth + 1,
                );
            }
        });
    }

    /// A variable whose value is what stands in the brackets of a colour.
    fn arguments_alone(&mut self, statement: &Statement, end: usize) {
        let written = statement
            .value
            .and_then(|from| Some((from, self.text.get(from..end)?)));
        let Some((from, written)) = written else {
            return;
        };
        let value = written.split('!').next().unwrap_or(written).trim();
        let start = from + written.len() - written.trim_start().len();
        if let Some((color, call)) = self.calls.color(&statement.head, value) {
            self.out.push(ColorUse {
                range: start..start + value.len(),
                color,
                name: Some(statement.head.clone()),
                written: Written::Arguments(call),
            });
        }
    }

    fn push(&mut self, range: Range<usize>, color: Color, name: Option<String>) {
        self.out.push(ColorUse::css(range, color, name));
    }

    /// The end of a statement: a variable gives its name to the one colour that is its value.
    fn finish(&mut self, statement: &Statement, from: usize, end: usize) {
        if let Some((range, color)) = statement.word.clone().filter(|_| statement.parts == 1) {
            self.push(range, color, None);
        }
        if statement.is_at_rule && !statement.has_values() {
            self.out.truncate(from);
        }
        if statement.is_variable() && ARGUMENTS.contains(&statement.parts) && self.out.len() == from
        {
            self.arguments_alone(statement, end);
        }
        if statement.is_variable() && statement.has_colon && statement.parts == 1 {
            for found in &mut self.out[from..] {
                found.name.get_or_insert_with(|| statement.head.clone());
            }
        }
    }
}
