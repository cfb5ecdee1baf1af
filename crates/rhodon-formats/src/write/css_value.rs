//! Values in CSS syntax, shared by every target that writes style sheets.

use rhodon_color::Notation;
use rhodon_theme::{ColorValue, Mode, Token, Value};

use crate::job::Job;
use crate::name::Names;

/// Generic families (CSS Fonts 4, 2.1.2), which must not be quoted.
pub(crate) const GENERIC: [&str; 12] = [
    "serif",
    "sans-serif",
    "monospace",
    "cursive",
    "fantasy",
    "system-ui",
    "ui-serif",
    "ui-sans-serif",
    "ui-monospace",
    "ui-rounded",
    "math",
    "emoji",
];
/// Other words that are written without quotes.
const KEYWORDS: [&str; 3] = ["inherit", "initial", "unset"];

/// A value as a CSS declaration takes it.
pub(crate) fn value(value: &Value, notation: Notation) -> String {
    match value {
        Value::Color(color) => color_value(color, notation),
        Value::FontFamily(names) => names
            .iter()
            .map(|n| family(n))
            .collect::<Vec<_>>()
            .join(", "),
        other => other.to_string(),
    }
}

/// A value in a map of a preprocessor: a list of families needs brackets there.
pub(crate) fn in_map(value: &Value) -> String {
    let text = self::value(value, Notation::Hex);
    if matches!(value, Value::FontFamily(_)) {
        format!("({text})")
    } else {
        text
    }
}

/// Every token of a mode as entries of a map, each line behind `pad`.
pub(crate) fn map_entries(job: &Job<'_>, names: &Names<'_>, mode: Mode, pad: &str) -> String {
    let line = |token: &Token| {
        let value = in_map(&token.cell(mode).value);
        format!("{pad}\"{}\": {value},\n", names[&*token.path])
    };
    job.tokens().map(line).collect()
}

/// A colour: what lies outside sRGB is kept where the notation can hold it.
pub(crate) fn color_value(color: &ColorValue, notation: Notation) -> String {
    match notation {
        // The code is at hand: no conversion is needed to write it.
        Notation::Hex => color.to_string(),
        Notation::Oklch => notation.write(color.widest()),
        _ => notation.write(color.color()),
    }
}

/// A family name, quoted unless it is a keyword.
fn family(name: &str) -> String {
    let word = name.to_ascii_lowercase();
    if GENERIC.contains(&&*word) || KEYWORDS.contains(&&*word) {
        return word;
    }
    let mut out = String::with_capacity(name.len() + 2);
    out.push('"');
    for c in name.chars() {
        match c {
            // A style sheet may stand inside an HTML element, which `</` would end; preprocessors
            // read `#{}`, `@{}` and `${}` inside strings.
            '"' | '\\' | '<' | '#' | '@' | '$' | '\n' | '\r' | '\u{c}' => {
                out.push_str(&format!("\\{:x} ", c as u32))
            }
            c => out.push(c),
        }
    }
    out.push('"');
    out
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn family_names_are_quoted_and_keywords_are_not() {
        let names = [
            "Harbour Grotesk",
            "say \"hi\"",
            "a\\b",
            "</style>",
            "Sans-Serif",
        ]
        .map(str::to_owned)
        .to_vec();
        let text = value(&Value::FontFamily(names), Notation::Hex);
        assert_eq!(
            text,
            r#""Harbour Grotesk", "say \22 hi\22 ", "a\5c b", "\3c /style>", sans-serif"#
        );
    }
}
