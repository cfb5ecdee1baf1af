//! Style sheets within pages: style elements, and links to sheets of faces.

use super::sheet::Sheet;

/// Reads the style elements and links of a page.
pub(super) fn read(text: &str, sheet: &mut Sheet) {
    // Names of elements are the same in small letters; places stay where they are.
    let small = text.to_ascii_lowercase();
    let mut at = 0;
    while let Some(from) = small[at..].find('<').map(|n| at + n) {
        at = from + 1;
        let Some(end) = small[from..].find('>').map(|n| from + n) else {
            return;
        };
        if is_element(&small[at..], "style") {
            let close = small[end..].find("</style").map_or(text.len(), |n| end + n);
            sheet.read(&text[end + 1..close]);
            at = close;
        } else if is_element(&small[at..], "link") {
            sheet.imports.extend(attribute(&text[from..end], "href"));
            at = end;
        }
    }
}

fn is_element(behind: &str, name: &str) -> bool {
    let rest = behind.strip_prefix(name);
    rest.is_some_and(|rest| rest.starts_with(|c: char| c.is_ascii_whitespace() || c == '>'))
}

/// The value of an attribute that stands in quotes, with its ampersands as they are meant.
fn attribute(tag: &str, name: &str) -> Option<String> {
    let from = tag.to_ascii_lowercase().find(&format!("{name}="))? + name.len() + 1;
    let quote = tag[from..]
        .chars()
        .next()
        .filter(|c| ['"', '\''].contains(c))?;
    let value = tag[from + 1..].split(quote).next()?;
    Some(value.replace("&amp;", "&"))
}
