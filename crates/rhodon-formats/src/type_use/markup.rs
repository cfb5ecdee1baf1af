//! Style sheets within pages: style elements, and links to sheets of faces.

use super::sheet::Sheet;
use crate::markup::{Part, parts};

/// Reads the style elements and links of a page.
pub(super) fn read(text: &str, sheet: &mut Sheet) {
    parts(text, |part| match part {
        Part::Style(range) => sheet.read(&text[range]),
        Part::Attribute(found) if found.element == "link" && found.name == "href" => {
            let address = &text[found.value];
            sheet.imports.push(address.replace("&amp;", "&"));
        }
        _ => {}
    });
}
