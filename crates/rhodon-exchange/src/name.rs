//! Names in a consumer's own case, made from token paths, and checked for clashes.

use std::collections::HashMap;

use rhodon_theme::Token;

use crate::target::ExportError;

/// The custom property of a token in an export without a prefix: `--primary-fill-hover`.
pub fn css_name(path: &str) -> String {
    format!("--{}", kebab("", path))
}

/// `primary.fill-hover` as `primary-fill-hover`, behind a prefix where there is one.
pub(crate) fn kebab(prefix: &str, path: &str) -> String {
    let name = path.replace('.', "-");
    if prefix.is_empty() { name } else { format!("{prefix}-{name}") }
}

/// Makes a name for every token and refuses two that come out alike.
///
/// # Errors
/// Names both tokens.
pub(crate) fn unique<'a>(
    tokens: impl Iterator<Item = &'a Token>,
    make: impl Fn(&str) -> String,
) -> Result<HashMap<&'a str, String>, ExportError> {
    let mut names = HashMap::new();
    let mut owners: HashMap<String, &str> = HashMap::new();
    for token in tokens {
        let name = make(&token.path);
        if let Some(first) = owners.insert(name.clone(), &token.path) {
            return Err(ExportError::Clash { first: first.to_owned(), second: token.path.to_string(), name });
        }
        names.insert(&*token.path, name);
    }
    Ok(names)
}
