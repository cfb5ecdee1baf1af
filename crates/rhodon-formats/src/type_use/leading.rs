//! Colours that a project paints with: what it calls primary, danger or a fill. Of the steps of a scale it is the one that
//! the scale is known by.

use rhodon_theme::{Intent, IntentPart};

use super::TypeInUse;
use super::roles::{Project, color};
use super::words;
use crate::form::role_called;

/// Last words of variables that hold what something is filled with.
const FILLS: [&str; 2] = ["fill", "solid"];

/// Finds them, in the mode that is usual.
pub(super) fn leading(project: &Project<'_>, found: &mut TypeInUse) {
    let Project { sheet, usual, .. } = *project;
    let names = sheet.names_of_all().filter(|name| leads(&words(name)));
    let values = names.filter_map(|name| sheet.value_in(usual, name));
    found.leading = values.filter_map(|value| color(&value)).collect();
}

/// Whether words are those of an intent alone, or of a fill; a number is that of a step.
fn leads(words: &[String]) -> bool {
    let is_number = |word: &String| word.bytes().all(|b| b.is_ascii_digit());
    if words.iter().any(is_number) {
        return false;
    }
    let is_fill = |role| {
        Intent::ALL
            .iter()
            .any(|intent| intent.role(IntentPart::Fill) == role)
    };
    let last = words.last().map(String::as_str);
    last.is_some_and(|last| FILLS.contains(&last)) || role_called(words).is_some_and(is_fill)
}
