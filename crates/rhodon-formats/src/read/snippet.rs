//! What is pasted with colours: lines of code, tables, and the three numbers of a brand sheet.

use rhodon_color::{Color, Rgb8};

use crate::color_use::{alpha_first, within};

/// The three numbers of a line, as `15, 92, 122`, `Petrol RGB 15/92/122` or `R15 G92 B122`, with what stands
/// before them. None where the line has a code, which is exact.
pub(super) fn channels(line: &str) -> Option<(&str, Rgb8)> {
    if line.contains(['#', '(']) || line.contains("0x") {
        return None;
    }
    let words = words(line);
    let label = words.iter().position(|(_, word)| is_label(word, "rgb"));
    let first = label.map_or_else(
        || words.iter().position(|(_, word)| channel(word).is_some()),
        |label| Some(label + 1),
    )?;
    let numbers: Vec<Option<u8>> = words[first..]
        .iter()
        .map(|(_, word)| channel(word))
        .collect();
    // Without a label that says so, three numbers and nothing behind them.
    let [Some(r), Some(g), Some(b), rest @ ..] = numbers.as_slice() else {
        return None;
    };
    if label.is_none() && !rest.is_empty() {
        return None;
    }
    let end = words[label.unwrap_or(first)].0;
    Some((&line[..end], Rgb8::new(*r, *g, *b)))
}

/// Words with where they begin, apart by spaces and the signs that stand between numbers.
fn words(line: &str) -> Vec<(usize, &str)> {
    let between =
        |c: char| c.is_whitespace() || matches!(c, ',' | '/' | ';' | ':' | '=' | '|' | '-');
    let (mut rest, mut words) = (line, Vec::new());
    while let Some(from) = rest.find(|c| !between(c)) {
        rest = &rest[from..];
        let (word, behind) = rest.split_at(rest.find(between).unwrap_or(rest.len()));
        words.push((line.len() - rest.len(), word));
        rest = behind;
    }
    words
}

/// A number from 0 to 255, with the letter of its channel in front or not.
fn channel(word: &str) -> Option<u8> {
    let digits = word.trim_start_matches(['r', 'g', 'b', 'R', 'G', 'B']);
    let is_plain = word.len() - digits.len() <= 1 && digits.bytes().all(|b| b.is_ascii_digit());
    is_plain.then(|| digits.parse().ok())?
}

fn is_label(word: &str, label: &str) -> bool {
    word.eq_ignore_ascii_case(label)
}

/// A name without the other notations that a brand sheet tells beside it: `Petrol  CMYK 88 25 0 52`.
pub(super) fn without_notations(name: &str) -> &str {
    let label = words(name).into_iter().skip(1).find(|(_, word)| {
        let labels = ["rgb", "cmyk", "hsl", "hex"];
        labels.iter().any(|label| is_label(word, label))
    });
    label.map_or(name, |(at, _)| &name[..at])
}

/// What languages put in front of a name.
const KEYWORDS: [&str; 8] = [
    "export", "public", "static", "final", "const", "let", "var", "val",
];

/// A name without what a language puts in front of it; alone, such a word is a name.
pub(super) fn without_keywords(name: &str) -> &str {
    let name = name.trim();
    match name.split_once(' ') {
        Some((word, rest)) if KEYWORDS.contains(&word) => without_keywords(rest),
        _ => name,
    }
}

/// The codes within a line of code, each with what stands before it.
pub(super) fn codes(entry: &str) -> Vec<(&str, Color)> {
    let mut found = Vec::new();
    within(entry, |range, color| found.push((range, color)));
    for (at, _) in entry.match_indices("0x") {
        let digits = &entry[at + 2..];
        let count = digits
            .bytes()
            .take(9)
            .take_while(u8::is_ascii_alphanumeric)
            .count();
        let color = alpha_first(&digits[..count]);
        found.extend(color.map(|color| (at..at + 2 + count, color)));
    }
    let mut from = 0;
    let mut out = Vec::with_capacity(found.len());
    for (range, color) in found {
        out.push((
            named(entry.get(from..range.start).unwrap_or_default()),
            color,
        ));
        from = range.end;
    }
    out
}

/// What names a code among what stands before it: a `name`, or what is no tag, bracket or call.
fn named(before: &str) -> &str {
    if let Some((_, rest)) = before.rsplit_once("name=\"") {
        return rest.split('"').next().unwrap_or_default();
    }
    let inner = before.rsplit(['{', '<', '>']).next().unwrap_or_default();
    match inner.split_once([':', '=']) {
        Some((name, _)) => name,
        None => inner,
    }
}

/// Whether an entry is what stands around colours and none itself: brackets, rules of tables, comments.
pub(super) fn is_around(entry: &str) -> bool {
    let comments = ["//", "/*", "*", "<", "# "];
    entry.ends_with('{')
        || comments.iter().any(|mark| entry.starts_with(mark))
        || !entry.contains(char::is_alphanumeric)
}
