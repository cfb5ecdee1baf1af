//! Tokens by family, as nested objects take them: `primary.fill-hover` is `fill-hover` in `primary`.

use indexmap::IndexMap;
use rhodon_theme::Token;

use crate::error::ExportError;
use crate::name::kebab;

/// A family's tokens by the rest of their names. A token named as its family has an empty rest.
pub(crate) type Families<'a> = IndexMap<&'a str, IndexMap<String, &'a Token>>;

/// Sorts tokens into families, in their own order.
///
/// # Errors
/// Two tokens that come out alike.
pub(crate) fn families<'a>(
    tokens: impl Iterator<Item = &'a Token>,
) -> Result<Families<'a>, ExportError> {
    let mut out = Families::new();
    for token in tokens {
        let (family, rest) = token.path.split_once('.').unwrap_or((&token.path, ""));
        let key = kebab("", rest);
        if let Some(first) = out.entry(family).or_default().insert(key.clone(), token) {
            let name = if key.is_empty() {
                family.to_owned()
            } else {
                format!("{family} {key}")
            };
            return Err(ExportError::Clash {
                first: first.path.to_string(),
                second: token.path.to_string(),
                name,
            });
        }
    }
    Ok(out)
}
