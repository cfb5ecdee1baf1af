//! Lists of font families as CSS reads them (CSS Fonts 4, 2.1: "font-family").

use cssparser::{BasicParseError, ParseError, Parser, ParserInput};

/// The families of a list: names in quotes with their escapes, others as words. What CSS would
/// refuse is split at its commas and taken as it stands, so that a name such as `2nd Berth`, which
/// people type without quotes, is one.
///
/// ```
/// use rhodon_theme::font_families;
/// assert_eq!(font_families("\"Harbour, Grotesk\", 'Anlow' , serif"), ["Harbour, Grotesk", "Anlow", "serif"]);
/// assert_eq!(font_families("2nd  Berth, serif"), ["2nd  Berth", "serif"]);
/// assert_eq!(font_families("'Quay\\1  side', '\\1 '"), ["Quay side"]);
/// ```
pub fn font_families(text: &str) -> Vec<String> {
    let mut input = ParserInput::new(text);
    let mut parser = Parser::new(&mut input);
    let parsed = parser.parse_comma_separated(|p| family(p).map_err(ParseError::<()>::from));
    let plain = || {
        text.split(',')
            .map(|name| unquoted(name.trim()).to_owned())
            .collect()
    };
    let names: Vec<String> = parsed.unwrap_or_else(|_| plain());
    names
        .into_iter()
        .map(printable)
        .filter(|name| !name.trim().is_empty())
        .collect()
}

/// A name without controls, which an escape can hold: no face is called so, and no document holds them.
fn printable(name: String) -> String {
    match name.contains(char::is_control) {
        true => name.replace(char::is_control, ""),
        false => name,
    }
}

/// What CSS reads as more than a name.
const LIST: [char; 3] = [',', '"', '\''];

/// The families of an entry of a document, which may be a whole list as CSS has it. A plain name is
/// taken as it stands, and so is what CSS would read as nothing.
pub(crate) fn entry_families(entry: &str) -> Vec<String> {
    if entry.contains(LIST) {
        let listed = font_families(entry);
        if !listed.is_empty() {
            return listed;
        }
    }
    vec![entry.to_owned()]
}

/// An entry of a document that is read as this one family.
pub(crate) fn as_entry(name: &str) -> String {
    if entry_families(name) == [name] {
        return name.to_owned();
    }
    let mut quoted = String::with_capacity(name.len() + 2);
    // Writing to a string cannot fail.
    let _ = cssparser::serialize_string(name, &mut quoted);
    quoted
}

/// A name without the quotes around it.
fn unquoted(name: &str) -> &str {
    let inner = |quote: char| name.strip_prefix(quote)?.strip_suffix(quote);
    inner('"').or_else(|| inner('\'')).unwrap_or(name)
}

fn family<'i>(p: &mut Parser<'i, '_>) -> Result<String, BasicParseError<'i>> {
    if let Ok(quoted) = p.try_parse(|p| p.expect_string_cloned()) {
        return Ok(quoted.to_string());
    }
    let mut words = vec![p.expect_ident_cloned()?.to_string()];
    while let Ok(word) = p.try_parse(|p| p.expect_ident_cloned()) {
        words.push(word.to_string());
    }
    Ok(words.join(" "))
}
