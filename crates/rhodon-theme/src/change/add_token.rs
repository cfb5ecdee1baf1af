//! Own tokens under the names that colours go by in a project.

use rhodon_color::Color;

use crate::document::{CustomToken, Document, Problems, Resolved, Typed};
use crate::label::TokenPath;
use crate::value::{TokenKind, Written};

/// An own token to be.
#[derive(Clone, Debug, PartialEq)]
pub struct NewToken {
    /// What the colour is called where it comes from: a variable, a key, a resource.
    pub name: String,
    /// Any CSS colour.
    pub color: String,
}

/// The group of what has no group, or one that is derived.
const GROUP: &str = "own";

/// Adds own tokens, each under a path that is made from its name and free here and in the parents. One
/// that is there with the same value stays alone; where nothing is left to add, that is told.
pub(super) fn add(theme: &Resolved, tokens: &[NewToken]) -> Result<Document, Problems> {
    let mut document = theme.document().clone();
    let mut there = None;
    for new in tokens {
        let value = value(&new.color)?;
        let told = || {
            Problems::one(
                "",
                format!("{:?} makes no name: expected letters", new.name),
            )
        };
        let path = path_of(theme, &new.name).ok_or_else(told)?;
        let same = |token: &CustomToken| token.value.as_ref().is_some_and(|v| **v == *value);
        if document.tokens.get(&path).is_some_and(same) {
            there = Some(path);
            continue;
        }
        let path = free(theme, &document, path).ok_or_else(told)?;
        let token = CustomToken {
            value: Some(value),
            ..CustomToken::default()
        };
        document.tokens.insert(path, token);
    }
    match there {
        Some(path) if document == *theme.document() => {
            let message = format!("{path} has this value already: there is nothing to add");
            Err(Problems::one("", message))
        }
        _ => document.checked(),
    }
}

fn value(text: &str) -> Result<Typed<Written>, Problems> {
    let color = Typed::<Color>::from_field(text)
        .map_err(|e| Problems::one("", format!("\"{text}\": {e}")))?;
    let kind = TokenKind::Color;
    Typed::<Written>::parse(color.text(), kind).map_err(|e| Problems::one("", e))
}

/// `--panel-edge` and `panelEdge` as `panel.edge`: the first word is the group, where it may be one.
fn path_of(theme: &Resolved, name: &str) -> Option<TokenPath> {
    let words = words(name);
    let (first, rest) = words.split_first()?;
    let group = Some(first.as_str()).filter(|g| !rest.is_empty() && !theme.merged.derives(g));
    match group {
        Some(group) => TokenPath::from_names([group, &rest.join("-")]),
        None => TokenPath::from_names([GROUP, &words.join("-")]),
    }
}

/// Words of a name, also where only capitals part them.
fn words(name: &str) -> Vec<String> {
    let mut out = vec![String::new()];
    let mut before = ' ';
    for c in name.chars() {
        let parts = !c.is_alphanumeric() || (c.is_uppercase() && before.is_lowercase());
        if parts && out.last().is_some_and(|word| !word.is_empty()) {
            out.push(String::new());
        }
        if let Some(last) = out.last_mut().filter(|_| c.is_alphanumeric()) {
            last.extend(c.to_lowercase());
        }
        before = c;
    }
    out.retain(|word| !word.is_empty());
    out
}

/// The path, with a number where it is taken.
fn free(theme: &Resolved, document: &Document, path: TokenPath) -> Option<TokenPath> {
    let taken = |path: &TokenPath| {
        document.tokens.contains_key(path) || theme.merged.tokens.contains_key(path)
    };
    if !taken(&path) {
        return Some(path);
    }
    let numbered = (2..1000).filter_map(|n| format!("{path}-{n}").parse().ok());
    numbered.into_iter().find(|path| !taken(path))
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn names_are_taken_apart_as_people_read_them() {
        for (name, wanted) in [
            ("--panel-edge", "panel edge"),
            ("panelEdge", "panel edge"),
            ("$ferry_wake_2", "ferry wake 2"),
            ("colors.blue.500", "colors blue 500"),
            ("BLUE", "blue"),
            ("--", ""),
        ] {
            assert_eq!(words(name).join(" "), wanted, "{name}");
        }
    }
}
