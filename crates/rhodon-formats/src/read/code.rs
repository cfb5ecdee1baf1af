//! Pasted code: lines of a configuration, of an app's code or its resources, and variables that hold bare
//! arguments. They are read as files of their kind are, so that the same rules hold.

use rhodon_color::Color;

use super::key_name::readable;
use crate::color_use::finder_for;

/// The colours of code with their names, which may be empty; none where a text is no code of a kind that is known
/// by its look.
pub(super) fn in_code(text: &str) -> Option<Vec<(String, Color)>> {
    let (file, text) = kind(text)?;
    let found = finder_for(file)?.find(&text);
    let named = found.into_iter().map(|found| {
        let name = found.name.as_deref().map(readable);
        (name.unwrap_or_default(), found.color)
    });
    let named: Vec<_> = named.collect();
    (!named.is_empty()).then_some(named)
}

/// Whether a text is one piece of code over several lines.
pub(super) fn is_one_piece(text: &str) -> bool {
    let mut lines = text.lines().map(str::trim_end);
    lines.any(|line| line.ends_with(['{', '(', '['])) && kind(text).is_some()
}

/// The name of a file that holds such code, and the code as it would stand there.
fn kind(text: &str) -> Option<(&'static str, String)> {
    let begun = text.trim_start();
    if begun.starts_with('<') && text.contains("name=") {
        return Some(("a.xml", text.to_owned()));
    }
    let makes = ["Color(", "Color.", "Color>{"]
        .iter()
        .any(|call| text.contains(call));
    let quotes = [
        "'#", "\"#", "\"rgb", "'rgb", "\"hsl", "'hsl", "\"oklch", "'oklch",
    ];
    let holds = text.contains(['{', '(', '[']) && quotes.iter().any(|quote| text.contains(quote));
    if makes || holds {
        return Some(("a.ts", text.to_owned()));
    }
    let is_variable =
        begun.starts_with("--") && begun.contains(':') && !begun.contains(['#', '(', '{']);
    is_variable.then(|| ("a.css", format!(":root {{ {text} }}")))
}
