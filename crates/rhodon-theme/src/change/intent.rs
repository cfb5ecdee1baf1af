//! What an intent is painted with.

use crate::document::{Document, IntentChoice};
use crate::label::Slug;

/// Sets the choice for an intent, or lets go of it.
pub(super) fn set(document: &Document, intent: &Slug, choice: &Option<IntentChoice>) -> Document {
    let mut out = document.clone();
    match choice {
        Some(choice) => drop(out.intents.insert(intent.clone(), choice.clone())),
        None => drop(out.intents.shift_remove(intent)),
    }
    out.intents.sort_keys();
    out
}
