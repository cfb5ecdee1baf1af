//! Settings and data that are read line by line, whatever program they are for: `bar = #0f5c7a`,
//! `row: "rgb(15 92 122)"`, `badge=0xFF0F5C7A`. Where it is no comment, a code is a colour; a CSS name,
//! a level of grey, bare digits and three numbers are one only as the whole value of what sounds like one.

use std::ops::Range;

use foldhash::{HashMap, HashMapExt};
use rhodon_color::{Color, Rgb8};

use super::entry::Entry;
use super::spelling::{alpha_first, named_or_bare, sounds_like_color, within};
use super::{ColorUse, Written};

/// Finds the colours of settings.
pub(super) fn find(text: &str, out: &mut Vec<ColorUse>) {
    let (mut at, begun) = (0, out.len());
    // A heading says for all below it whether they are colours.
    let mut under_colors = false;
    let mut entry = Entry::default();
    // The heading of each that is found.
    let (mut section, mut sections) = ("", Vec::new());
    for line in text.split_inclusive('\n') {
        let body = &line[..comment_start(line)];
        let heading = heading(body);
        if let Some(heading) = heading {
            under_colors = sounds_like_color(heading);
            section = heading;
        }
        let bare = body.trim();
        if heading.is_some() || bare.is_empty() || bare.starts_with(['-', '{']) {
            std::mem::take(&mut entry).close(out);
        }
        let from = out.len();
        in_line(body, under_colors, &mut entry, out);
        for found in &mut out[from..] {
            found.range = found.range.start + at..found.range.end + at;
            sections.push(section);
        }
        at += line.len();
    }
    entry.close(out);
    tell_apart(&mut out[begun..], &sections);
}

/// Keys that stand under several headings have the heading before their name.
fn tell_apart(found: &mut [ColorUse], sections: &[&str]) {
    let mut under: HashMap<String, (&str, bool)> = HashMap::new();
    for (one, section) in found.iter().zip(sections) {
        let Some(name) = &one.name else { continue };
        match under.get_mut(name) {
            Some((first, several)) => *several |= first != section,
            None => drop(under.insert(name.clone(), (section, false))),
        }
    }
    for (one, section) in found.iter_mut().zip(sections) {
        let is_shared = |name: &String| under.get(name).is_some_and(|(_, several)| *several);
        // A heading of a whole page would be kept as often as there are keys below it.
        let fits = (1..=AROUND).contains(&section.len());
        if let Some(name) = one.name.as_mut().filter(|name| fits && is_shared(name)) {
            *name = format!("{section}.{name}");
        }
    }
}

/// The colours of a line without its comment.
fn in_line(line: &str, under_colors: bool, entry: &mut Entry, out: &mut Vec<ColorUse>) {
    within(line, |range, color| {
        let name = key_before(line, range.start);
        if let Some(key) = &name {
            entry.color(key, out.len());
        }
        out.push(ColorUse::css(range, color, name));
    });
    values(line, |range, key| {
        let value = &line[range.clone()];
        let names = under_colors || sounds_like_color(key);
        let channels = names.then(|| channels(&line[range.start..])).flatten();
        let (range, read) = match channels {
            Some((length, code)) => {
                let whole = range.start..range.start + length;
                (whole, Some((code.into(), Written::Channels)))
            }
            None => (range, color(value, names)),
        };
        match read {
            Some((color, written)) => {
                entry.color(key, out.len());
                let name = Some(key.to_owned());
                out.push(ColorUse {
                    range,
                    color,
                    name,
                    written,
                });
            }
            None => entry.text(key, value),
        }
    });
}

/// A value that is a number behind `0x`, or a name or bare digits where `names` says so.
fn color(value: &str, names: bool) -> Option<(Color, Written)> {
    if let Some(digits) = value.strip_prefix("0x") {
        return Some((alpha_first(digits)?, Written::AlphaFirst));
    }
    Some((named_or_bare(value).filter(|_| names)?, Written::Css))
}

/// Three numbers from 0 to 255 with commas between them and nothing behind, and how long they are.
fn channels(text: &str) -> Option<(usize, Rgb8)> {
    if text.len() > AROUND {
        return None;
    }
    let held = text.trim_end_matches(['"', '\'', ';', ' ', '\t', '\r', '\n']);
    let mut parts = held
        .splitn(4, ',')
        .map(|part| part.trim().parse::<u8>().ok());
    let code = Rgb8::new(parts.next()??, parts.next()??, parts.next()??);
    parts.next().is_none().then_some((held.len(), code))
}

/// Where the comment of a line begins, or its end. `#` opens one unless a colour follows: at the
/// beginning of a line, where `#bad` is a word, one of six or eight digits.
fn comment_start(line: &str) -> usize {
    let bytes = line.as_bytes();
    let begins = line.len() - line.trim_start().len();
    let mut quote = None;
    for (at, &byte) in bytes.iter().enumerate() {
        let before = at.checked_sub(1).map(|at| bytes[at]);
        let apart = at == begins || before.is_none_or(|b| b.is_ascii_whitespace());
        match (byte, quote) {
            // Within a word it is an apostrophe.
            (b'"' | b'\'', None) if !before.is_some_and(|b| b.is_ascii_alphanumeric()) => {
                quote = Some(byte);
            }
            (_, Some(open)) if byte == open => quote = None,
            (b'#', None) if apart => {
                let digits = digits(&bytes[at + 1..]);
                let fits = matches!(digits, 6 | 8) || (at > begins && matches!(digits, 3 | 4));
                if !fits {
                    return at;
                }
            }
            (b';', None) if apart => return at,
            (b'/', None) if apart && bytes.get(at + 1) == Some(&b'/') => return at,
            _ => {}
        }
    }
    line.len()
}

/// How many hex digits stand first, if nothing else is joined to them.
fn digits(bytes: &[u8]) -> usize {
    let count = bytes.iter().take_while(|b| b.is_ascii_hexdigit()).count();
    match bytes.get(count) {
        Some(b) if b.is_ascii_alphanumeric() || *b == b'_' => 0,
        _ => count,
    }
}

/// `[colours]`, or `colours:` with nothing behind it.
fn heading(line: &str) -> Option<&str> {
    let line = line.trim();
    if let Some(inner) = line.strip_prefix('[') {
        return inner.strip_suffix(']');
    }
    line.strip_suffix(':')
}

/// How far around a sign a key and its value are looked for, in bytes: lines may be of any length.
const AROUND: usize = 80;

/// Every value behind `=`, `:` or `=>` with its key; quotes are no part of either.
fn values(line: &str, mut found: impl FnMut(Range<usize>, &str)) {
    for (sign, _) in line.match_indices(['=', ':']) {
        let near = &line[..line.floor_char_boundary(sign + 1 + AROUND)];
        let behind = near[sign + 1..].trim_start_matches([' ', '\t', '>']);
        let quote = behind.chars().next().filter(|c| matches!(c, '"' | '\''));
        let inner = &behind[quote.map_or(0, char::len_utf8)..];
        let held = match quote {
            Some(quote) => inner.split(quote).next(),
            None => inner.split([',', ';', '}', ')', ']']).next(),
        };
        let (from, held) = (
            near.len() - inner.len(),
            held.unwrap_or_default().trim_end(),
        );
        if let Some(key) = key_before(line, from).filter(|_| !held.is_empty()) {
            found(from..from + held.len(), &key);
        }
    }
}

/// The key whose value begins there: the word before the last `=` or `:`.
fn key_before(line: &str, at: usize) -> Option<String> {
    let before = &line[line.floor_char_boundary(at.saturating_sub(AROUND))..at];
    let sign = before.rfind(['=', ':'])?;
    // What stands between key and value belongs to neither; another value is another's.
    if before[sign + 1..].contains(',') {
        return None;
    }
    let is_key = |c: char| c.is_alphanumeric() || matches!(c, '_' | '-' | '.');
    let key = before[..sign].trim_end_matches(|c| !is_key(c));
    let start = key
        .char_indices()
        .rev()
        .take_while(|(_, c)| is_key(*c))
        .last()?
        .0;
    Some(key[start..].trim_start_matches('-').to_owned()).filter(|key| !key.is_empty())
}
