//! The line at the head of a file that tells where it comes from.

use serde_json::{Value, json};

use crate::output::File;

/// Theme and revision of an export. There is no date: the same spec gives the same bytes.
#[derive(Clone, Debug, Default, PartialEq, Eq)]
pub struct Stamp {
    /// Name of the theme.
    pub theme: String,
    /// Number of the saved revision, where there is one.
    pub revision: Option<i32>,
    /// On which day that was saved, where somebody says so; only what is printed tells it.
    pub date: Option<String>,
}

impl Stamp {
    /// `Theme, revision 4, content 1f3a…`, for a body that it will stand above. The theme's name
    /// is cut to what no comment syntax can be broken with.
    pub(crate) fn line(&self, body: &str) -> String {
        let revision = self
            .revision
            .map(|r| format!(", revision {r}"))
            .unwrap_or_default();
        format!(
            "{}{revision}, content {}{EXPORT}",
            comment_safe(&self.theme),
            content_hash(body)
        )
    }

    /// The same as an object, for formats that hold any name as people wrote it.
    pub(crate) fn object(&self, body: &str) -> Value {
        json!({
            "theme": self.theme,
            "revision": self.revision,
            "content": format!("{}{EXPORT}", content_hash(body)),
        })
    }
}

/// Stands where the hash of a whole export goes until all of its files are written.
const EXPORT: &str = ", export \u{e0e0}";

/// Puts the hash of all files of an export beside each file's own, where there are several.
pub(crate) fn seal(files: &mut [File]) {
    // A file alone has its own hash already.
    let hash = if files.len() < 2 {
        String::new()
    } else {
        let mut all = blake3::Hasher::new();
        for file in files.iter() {
            all.update(file.text.as_bytes());
        }
        format!(", export {}", short(&all.finalize()))
    };
    for file in files {
        if let Some(at) = file.text.find(EXPORT) {
            file.text.replace_range(at..at + EXPORT.len(), &hash);
            if at < file.head {
                file.head = file.head + hash.len() - EXPORT.len();
            }
        }
    }
}

/// The first twelve hex digits of BLAKE3.
pub(crate) fn content_hash(body: &str) -> String {
    short(&blake3::hash(body.as_bytes()))
}

fn short(hash: &blake3::Hash) -> String {
    hash.to_hex()[..12].to_owned()
}

/// Letters, digits and plain punctuation: nothing that ends a comment, begins an expression or
/// turns the direction of text in any language. A hyphen stays between letters, where it is no dash
/// of a comment's end.
pub(crate) fn comment_safe(name: &str) -> String {
    let mut safe = String::with_capacity(name.len());
    let mut before = ' ';
    let mut rest = name.chars().peekable();
    while let Some(c) = rest.next() {
        let joins = before.is_alphanumeric() && rest.peek().is_some_and(|n| n.is_alphanumeric());
        let kept = c.is_alphanumeric() || " .,'&()!?:+=%–—’“”".contains(c) || (c == '-' && joins);
        safe.push(if kept { c } else { ' ' });
        before = c;
    }
    let text = safe.split_whitespace().collect::<Vec<_>>().join(" ");
    if text.is_empty() {
        "Theme".to_owned()
    } else {
        text
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_hostile_name_cannot_end_a_comment() {
        let stamp = Stamp {
            theme: "*/ \"quotes\" </x> {{ }} --> #{a} \u{202e}".to_owned(),
            revision: Some(3),
            date: None,
        };
        assert_eq!(
            stamp.line("x"),
            format!("quotes x a, revision 3, content 3ae7d805f678{EXPORT}")
        );
        assert_eq!(comment_safe("🚢"), "Theme");
        for kept in ["Ærø", "Orchard Co-op", "Up & down (2)", "Rhône–Alpes: all!"] {
            assert_eq!(comment_safe(kept), kept);
        }
        assert_eq!(comment_safe("a -- b --> c -"), "a b c");
    }
}
