//! What a variable, a key or the path of one calls a colour, as a person would write it.

use rhodon_theme::capitalised;

use crate::color_use::is_plain;

/// Last keys that say of a colour only that it is the usual one of its group.
pub(crate) const USUAL: [&str; 4] = ["default", "main", "base", "DEFAULT"];
/// Keys that say so among those of widgets, whose texts have keys of their own.
const GROUND: [&str; 3] = ["fg_color", "fgColor", "fg"];
/// Keys that say of a colour what it is beside that of its group.
pub(super) const BESIDE: [&str; 19] = [
    "light",
    "dark",
    "lighter",
    "darker",
    "hover",
    "active",
    "pressed",
    "focus",
    "contrast",
    "contrastText",
    "text",
    "foreground",
    "background",
    "bg",
    "border",
    "edge",
    "subtle",
    "muted",
    "strong",
];
/// Keys that only hold others.
pub(crate) const HOLDERS: [&str; 13] = [
    "colors", "colours", "color", "colour", "palette", "palettes", "theme", "themes", "extend",
    "settings", "tokens", "exports", "values",
];
/// Words around a name that say what everybody sees.
const COLOR: [&str; 5] = ["color", "colour", "colors", "colours", "clr"];

/// The name of a colour by its variable, or by the keys that lead to it, with dots between them; empty
/// where they say only that it is one.
///
/// ```
/// use rhodon_formats::read::readable;
/// assert_eq!(readable("--brand-blue"), "Brand blue");
/// assert_eq!(readable("theme.palette.primary.main"), "Primary");
/// assert_eq!(readable("theme.colors.brand.500"), "Brand 500");
/// assert_eq!(readable("colorPrimaryDark"), "Primary dark");
/// assert_eq!(readable("ACCENT_HOVER"), "Accent hover");
/// assert_eq!(readable("PushButton.hover"), "Push button hover");
/// assert_eq!(readable("color"), "");
/// ```
pub fn readable(key: &str) -> String {
    // Constants are often written in capitals.
    let lower = (!key.chars().any(char::is_lowercase)).then(|| key.to_lowercase());
    let key = lower.as_deref().unwrap_or(key);
    let sign = |c: char| !c.is_alphanumeric();
    let mut parts: Vec<&str> = key
        .split('.')
        .map(|part| part.trim_matches(sign))
        .filter(|part| !part.is_empty())
        .collect();
    while parts.len() > 1
        && parts
            .last()
            .is_some_and(|last| USUAL.contains(last) || GROUND.contains(last) || is_plain(last))
    {
        parts.pop();
    }
    let Some(last) = parts.pop().filter(|last| !is_plain(last)) else {
        return String::new();
    };
    let group = parts
        .last()
        .filter(|group| stands_beside(last) && !HOLDERS.contains(group));
    let words: Vec<String> = group
        .into_iter()
        .chain([&last])
        .flat_map(|part| words(part))
        .collect();
    capitalised(&without_color(&words).join(" "))
}

/// Whether a key says too little without the one around it.
fn stands_beside(key: &str) -> bool {
    let digits = key.trim_start_matches(['A', 'a']);
    let words = words(key);
    let mut own = without_color(&words).iter();
    own.all(|word| BESIDE.contains(&word.as_str()))
        || BESIDE.contains(&key)
        || !digits.is_empty() && digits.bytes().all(|b| b.is_ascii_digit())
}

/// Words of a key, whether signs or capitals part them.
pub(crate) fn words(key: &str) -> Vec<String> {
    let mut words: Vec<String> = Vec::new();
    for part in key
        .split(|c: char| !c.is_alphanumeric())
        .filter(|part| !part.is_empty())
    {
        let mut before: Option<char> = None;
        for c in part.chars() {
            let begins = c.is_uppercase() && before.is_some_and(char::is_lowercase);
            match words.last_mut() {
                Some(word) if before.is_some() && !begins => word.push(c),
                _ if begins => words.push(c.to_lowercase().collect()),
                _ => words.push(c.to_string()),
            }
            before = Some(c);
        }
    }
    words
}

/// How many words all names begin with; one of each is left.
pub(crate) fn shared_words(names: impl Iterator<Item: AsRef<str>>) -> usize {
    let lower = |word: String| word.to_lowercase();
    let names: Vec<Vec<String>> = names
        .map(|name| words(name.as_ref()).into_iter().map(lower).collect())
        .collect();
    let Some((first, others)) = names.split_first().filter(|(_, others)| !others.is_empty()) else {
        return 0;
    };
    let alike = |other: &Vec<String>| first.iter().zip(other).take_while(|(a, b)| a == b).count();
    let shortest = names.iter().map(Vec::len).min().unwrap_or_default();
    let shared = others.iter().map(alike).min().unwrap_or_default();
    shared.min(shortest.saturating_sub(1))
}

/// Words without those at the ends that say it is a colour, as long as some are left.
fn without_color(words: &[String]) -> &[String] {
    let is_color = |word: &String| COLOR.contains(&word.to_lowercase().as_str());
    match words {
        [first, rest @ ..] if !rest.is_empty() && is_color(first) => without_color(rest),
        [rest @ .., last] if !rest.is_empty() && is_color(last) => without_color(rest),
        _ => words,
    }
}
