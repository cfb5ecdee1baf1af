//! Renaming an intent of the user's own: roles, references and settings follow it.

use super::Changed;
use super::mend::{Renamed, mend};
use crate::document::{Problems, Resolved};
use crate::label::Slug;
use crate::palette::scales_of_intents;
use crate::vocabulary::is_derived_group;

pub(super) fn rename(theme: &Resolved, intent: &Slug, to: &Slug) -> Result<Changed, Problems> {
    let refused = |message: String| Err(Problems::one(format!("/intents/{intent}"), message));
    let mut out = theme.document().clone();
    let Some(choice) = out.intents.shift_remove(intent) else {
        return refused(format!("no intent \"{intent}\" is set in this theme"));
    };
    if is_derived_group(intent.as_str()) {
        return refused(format!(
            "{intent} is an intent of every theme: it keeps its name"
        ));
    }
    let taken = scales_of_intents(theme)?.contains_key(to)
        || is_derived_group(to.as_str())
        || theme.merged.brand.iter().any(|b| b.slug == *to)
        || out.tokens.keys().any(|path| path.group() == to.as_str());
    if taken && to != intent {
        return refused(format!("the name {to} is taken: expected another"));
    }
    out.intents.insert(to.clone(), choice);
    out.intents.sort_keys();
    if let Some(settings) = out.scales.shift_remove(intent) {
        out.scales.insert(to.clone(), settings);
        out.scales.sort_keys();
    }
    mend(theme, out.checked()?, Some(Renamed { from: intent, to }))
}
