//! The line at the head of a file that tells where it comes from.

/// Theme and revision of an export. There is no date: the same spec gives the same bytes.
#[derive(Clone, Debug, Default, PartialEq, Eq)]
pub struct Stamp {
    /// Name of the theme.
    pub theme: String,
    /// Number of the saved revision, where there is one.
    pub revision: Option<i32>,
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
            "{}{revision}, content {}",
            comment_safe(&self.theme),
            content_hash(body)
        )
    }
}

/// The first twelve hex digits of BLAKE3.
pub(crate) fn content_hash(body: &str) -> String {
    blake3::hash(body.as_bytes()).to_hex()[..12].to_owned()
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
        };
        assert_eq!(
            stamp.line("x"),
            "quotes x a, revision 3, content 3ae7d805f678"
        );
        assert_eq!(comment_safe("🚢"), "Theme");
        for kept in ["Ærø", "Orchard Co-op", "Up & down (2)", "Rhône–Alpes: all!"] {
            assert_eq!(comment_safe(kept), kept);
        }
        assert_eq!(comment_safe("a -- b --> c -"), "a b c");
    }
}
