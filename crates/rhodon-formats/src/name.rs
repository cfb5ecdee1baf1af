//! Names in a consumer's own case, made from token paths, and checked for clashes.

use foldhash::{HashMap, HashMapExt};
use rhodon_theme::Token;

use crate::error::ExportError;

/// The letters and digits of a name, by which names of different styles are compared: `primaryFill` and
/// `--primary-fill` are one.
pub(crate) fn letters(name: &str) -> String {
    let all = name.chars().filter(char::is_ascii_alphanumeric);
    all.map(|c| c.to_ascii_lowercase()).collect()
}

/// The custom property of a token in an export without a prefix: `--primary-fill-hover`.
pub fn css_name(path: &str) -> String {
    format!("--{}", kebab("", path))
}

/// `primary.fill-hover` as `var(--primary-fill-hover)`, with a prefix where there is one.
pub(crate) fn css_reference(prefix: &str, path: &str) -> String {
    format!("var(--{})", kebab(prefix, path))
}

/// `primary.fill-hover` as `primary-fill-hover`, behind a prefix where there is one.
pub(crate) fn kebab(prefix: &str, path: &str) -> String {
    let name = path.replace('.', "-");
    if prefix.is_empty() {
        name
    } else {
        format!("{prefix}-{name}")
    }
}

/// `primary.fill-hover` as `primary_fill_hover`.
pub(crate) fn snake(path: &str) -> String {
    path.replace(['.', '-'], "_").to_ascii_lowercase()
}

/// `primary.fill-hover` as `primaryFillHover`. Digits that would run into each other are held
/// apart: `blue-2.50` is `blue2_50`.
pub(crate) fn camel(path: &str) -> String {
    let mut out = String::with_capacity(path.len());
    for word in path.split(['.', '-']) {
        let first = word.chars().next().unwrap_or_default();
        if first.is_ascii_digit() && out.ends_with(|c: char| c.is_ascii_digit()) {
            out.push('_');
        }
        let first = if out.is_empty() {
            first
        } else {
            first.to_ascii_uppercase()
        };
        out.push(first);
        out.push_str(&word[first.len_utf8()..]);
    }
    out
}

/// Names by token path.
pub(crate) type Names<'a> = HashMap<&'a str, String>;

/// Makes a name for every token and refuses two that come out alike.
///
/// # Errors
/// Names both tokens.
pub(crate) fn unique<'a>(
    tokens: impl Iterator<Item = &'a Token>,
    make: impl Fn(&str) -> String,
) -> Result<Names<'a>, ExportError> {
    let mut names = HashMap::with_capacity(512);
    let mut owners: HashMap<String, &str> = HashMap::with_capacity(512);
    for token in tokens {
        let name = make(&token.path);
        if let Some(first) = owners.insert(name.clone(), &token.path) {
            return Err(ExportError::Clash {
                first: first.to_owned(),
                second: token.path.to_string(),
                name,
            });
        }
        names.insert(&*token.path, name);
    }
    Ok(names)
}

/// Words that a language keeps for itself.
#[derive(Debug)]
pub(crate) struct Language {
    pub name: &'static str,
    pub reserved: &'static [&'static str],
}

impl Language {
    /// As [`unique`], refusing the language's own words too.
    ///
    /// # Errors
    /// Names both tokens, or the token and the word.
    pub(crate) fn names<'a>(
        &self,
        tokens: impl Iterator<Item = &'a Token>,
        make: impl Fn(&str) -> String,
    ) -> Result<Names<'a>, ExportError> {
        let names = unique(tokens, make)?;
        let hit = names
            .iter()
            .filter(|(_, name)| self.reserved.contains(&name.as_str()))
            .min();
        match hit {
            None => Ok(names),
            Some((token, word)) => Err(ExportError::Reserved {
                token: (*token).to_owned(),
                word: word.clone(),
                language: self.name,
            }),
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn each_case_is_made_from_the_path() {
        for (path, camels, snakes) in [
            (
                "primary.fill-hover",
                "primaryFillHover",
                "primary_fill_hover",
            ),
            ("petrol.600", "petrol600", "petrol_600"),
            ("blue-2.50", "blue2_50", "blue_2_50"),
            ("petrol.a8", "petrolA8", "petrol_a8"),
            ("wake", "wake", "wake"),
        ] {
            assert_eq!((camel(path), snake(path)), (camels.into(), snakes.into()));
        }
    }
}
