//! What a form must not do, looked at before it is read. Steps and output are bounded while a form is
//! filled; what is not bounded there is how deep it nests, which takes stack, and values that grow by
//! being bound again and again. So the tags are those that print, choose and repeat; and what is bound
//! to a name (`set`, `with`, `for`) is not put together from other texts and lists.

use super::{FormError, place_of};

/// The deepest nesting of blocks, and of brackets and signs in an expression.
const DEEPEST: usize = 40;
/// The largest number that texts and lists are repeated by.
const MOST_TIMES: f64 = 1000.0;

/// Tags with an end.
const BLOCKS: &[&str] = &["if", "for", "with", "raw"];
/// Tags that stand alone or between.
const SINGLE: &[&str] = &["elif", "else", "set", "do"];

/// A part of an expression; texts are left out.
#[derive(Clone, Copy, Debug, PartialEq)]
enum Part<'a> {
    Name(&'a str),
    Number(f64),
    Text,
    Sign(char),
}

/// Refuses what a form must not do.
///
/// # Errors
/// The place at which it does.
pub(super) fn check(text: &str) -> Result<(), FormError> {
    let mut blocks = 0usize;
    let mut own: Vec<&str> = Vec::new();
    let mut at = 0;
    while let Some(open) = text[at..].find('{').map(|n| at + n) {
        let close = match text.as_bytes().get(open + 1) {
            Some(b'%') => "%}",
            Some(b'{') => "}}",
            Some(b'#') => {
                at = text[open..].find("#}").map_or(text.len(), |n| open + n + 2);
                continue;
            }
            _ => {
                at = open + 1;
                continue;
            }
        };
        let end = end_of(text, open + 2, close);
        let inside = &text[open + 2..end];
        let refuse = |message: String| {
            let (line, column) = place_of(text, open);
            Err(FormError {
                line: Some(line),
                column: Some(column),
                slot: None,
                message,
            })
        };
        let parts = parts(inside);
        let tag = match (
            close,
            parts.iter().find(|p| !matches!(p, Part::Sign('-' | '+'))),
        ) {
            ("%}", Some(Part::Name(word))) => Some(*word),
            _ => None,
        };
        if let Some(word) = tag {
            if BLOCKS.contains(&word) {
                blocks += 1;
            } else if let Some(block) = word.strip_prefix("end").filter(|b| BLOCKS.contains(b)) {
                let _ = block;
                blocks = blocks.saturating_sub(1);
            } else if !SINGLE.contains(&word) {
                return refuse(format!(
                    "the tag {word}: expected if, for, set, with or raw in a form that stands alone"
                ));
            }
        }
        if blocks > DEEPEST || depth(&parts) > DEEPEST {
            return refuse(format!("too deep: expected at most {DEEPEST} levels"));
        }
        if let Some(why) = grows(&parts, tag, &mut own) {
            return refuse(why.to_owned());
        }
        at = end;
    }
    Ok(())
}

/// Where a tag ends: its mark outside texts.
fn end_of(text: &str, from: usize, close: &str) -> usize {
    let bytes = text.as_bytes();
    let mut i = from;
    while i < bytes.len() {
        match bytes[i] {
            quote @ (b'"' | b'\'') => {
                i += 1;
                while i < bytes.len() && bytes[i] != quote {
                    i += if bytes[i] == b'\\' { 2 } else { 1 };
                }
                i += 1;
            }
            _ if bytes[i..].starts_with(close.as_bytes()) => return i,
            _ => i += 1,
        }
    }
    bytes.len().min(i)
}

fn parts(inside: &str) -> Vec<Part<'_>> {
    let bytes = inside.as_bytes();
    let (mut out, mut i) = (Vec::new(), 0);
    let run = |from: usize, fits: fn(u8) -> bool| {
        bytes[from..]
            .iter()
            .position(|b| !fits(*b))
            .map_or(bytes.len(), |n| from + n)
    };
    while i < bytes.len() {
        let end = match bytes[i] {
            b if b.is_ascii_whitespace() => i + 1,
            b if b.is_ascii_alphabetic() || b == b'_' => {
                let end = run(i, |b| b.is_ascii_alphanumeric() || b == b'_');
                out.push(Part::Name(&inside[i..end]));
                end
            }
            b if b.is_ascii_digit() => {
                let end = run(i, |b| b.is_ascii_alphanumeric() || b == b'_' || b == b'.');
                out.push(Part::Number(
                    inside[i..end].parse().unwrap_or(f64::INFINITY),
                ));
                end
            }
            quote @ (b'"' | b'\'') => {
                let mut end = i + 1;
                while end < bytes.len() && bytes[end] != quote {
                    end += if bytes[end] == b'\\' { 2 } else { 1 };
                }
                out.push(Part::Text);
                (end + 1).min(bytes.len())
            }
            b => {
                out.push(Part::Sign(if b.is_ascii() { b as char } else { '?' }));
                i + 1
            }
        };
        i = end;
    }
    out
}

/// How deep brackets stand in each other, and how many signs or words that take what follows there are.
fn depth(parts: &[Part<'_>]) -> usize {
    let (mut open, mut most, mut row, mut words) = (0usize, 0usize, 0usize, 0usize);
    for part in parts {
        match part {
            Part::Sign('(' | '[' | '{') => open += 1,
            Part::Sign(')' | ']' | '}') => open = open.saturating_sub(1),
            Part::Name("not" | "if" | "else") => words += 1,
            _ => {}
        }
        row = if matches!(part, Part::Sign('-' | '+')) {
            row + 1
        } else {
            0
        };
        most = most.max(open).max(row);
    }
    most.max(words)
}

/// Why a tag could make values grow without an end. `own` are the names that tags have bound so far.
fn grows<'a>(
    parts: &[Part<'a>],
    tag: Option<&str>,
    own: &mut Vec<&'a str>,
) -> Option<&'static str> {
    let binds = matches!(tag, Some("set" | "with" | "for"));
    let (mut lists, mut times) = (0usize, 0usize);
    let mut brackets: Vec<bool> = Vec::new();
    for (i, part) in parts.iter().enumerate() {
        let before = i.checked_sub(1).map(|n| parts[n]);
        match part {
            Part::Sign('[' | '{') => {
                let is_list = !matches!(
                    before,
                    Some(Part::Name(_) | Part::Text | Part::Sign(')' | ']' | '}'))
                ) || matches!(
                    before,
                    Some(Part::Name("in" | "and" | "or" | "not" | "if" | "else"))
                );
                brackets.push(is_list);
                lists += usize::from(is_list);
            }
            Part::Sign(']' | '}') => lists -= usize::from(brackets.pop() == Some(true)).min(lists),
            Part::Name(name) if lists > 0 && own.contains(name) => {
                return Some(
                    "a list of what a tag has bound: expected slots, tokens and texts in it",
                );
            }
            Part::Sign('~') if binds => {
                return Some(
                    "texts put together in what is bound to a name: expected them where they are printed",
                );
            }
            Part::Sign('+') if binds && i > 1 => {
                let is_number = |p: Option<&Part<'_>>| matches!(p, Some(Part::Number(_)));
                if !is_number(parts.get(i - 1)) && !is_number(parts.get(i + 1)) {
                    return Some(
                        "a sum in what is bound to a name: expected a number beside the sign",
                    );
                }
            }
            Part::Sign('*') => {
                times += 1;
                let is_small =
                    |p: Option<&Part<'_>>| matches!(p, Some(Part::Number(n)) if *n <= MOST_TIMES);
                let small = is_small(i.checked_sub(1).and_then(|n| parts.get(n)))
                    || is_small(parts.get(i + 1));
                if binds || times > 1 || !small {
                    return Some(
                        "a product: expected one, with a number of at most 1000, where it is printed",
                    );
                }
            }
            _ => {}
        }
    }
    if binds {
        let names = parts.iter().filter_map(|p| match p {
            Part::Name(name) => Some(*name),
            _ => None,
        });
        let bound: Vec<&str> = match tag {
            Some("for") => names.skip(1).take_while(|n| *n != "in").collect(),
            _ => {
                let is_bound = |w: &[Part<'a>]| match w {
                    [Part::Name(name), Part::Sign('='), next] if *next != Part::Sign('=') => {
                        Some(*name)
                    }
                    _ => None,
                };
                parts.windows(3).filter_map(is_bound).collect()
            }
        };
        if tag == Some("set") && bound.is_empty() {
            return Some("a block that is set: expected a value, as in {% set name = value %}");
        }
        // What loops go over by themselves is as large as the theme.
        own.extend(bound);
    }
    None
}
