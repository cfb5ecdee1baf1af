//! Steps that nothing uses, left out of exports.

use std::collections::HashSet;
use std::sync::Arc;

use super::Changed;
use crate::derive::{Derived, derive};
use crate::document::{Document, Problems, Resolved};
use crate::label::{Slug, StepLabel};
use crate::palette::NamedScale;
use crate::token::Mode;

/// Leaves out the steps of a scale, or of all, that no token and no form refers to, at any level. Pins stay,
/// and the brand's own colours among them: somebody wanted those.
pub(super) fn leave_out_unused(theme: &Resolved, only: Option<&Slug>) -> Result<Changed, Problems> {
    let derived = derive(theme)?;
    let scales = derived.scales.iter();
    let asked: Vec<&NamedScale> = scales
        .filter(|scale| only.is_none_or(|slug| scale.slug == *slug))
        .collect();
    if let (true, Some(slug)) = (asked.is_empty(), only) {
        let message = format!("there is no scale {slug}: expected one of the theme's");
        return Err(Problems::one("", message));
    }
    let used = used(&derived, &theme.merged);
    let mut document = theme.document().clone();
    let mut notes = Vec::new();
    for scale in asked {
        let unused = unused(scale, &used);
        if unused.is_empty() {
            continue;
        }
        let settings = document.scales.entry(scale.slug.clone()).or_default();
        let labels: Vec<&str> = unused.iter().map(|label| label.as_str()).collect();
        if unused.len() + scale.settings.omit.len() == scale.scale.steps.len() {
            settings.off = Some(true);
            notes.push(format!("the scale {} is left out", scale.name));
            continue;
        }
        notes.push(format!("{}: {} left out", scale.name, labels.join(", ")));
        settings.omit.clone_from(&scale.settings.omit);
        settings.omit.extend(unused);
    }
    if notes.is_empty() {
        let whose = only.map_or("of every scale".to_owned(), |slug| format!("of {slug}"));
        return Err(Problems::one("", format!("every step {whose} is used")));
    }
    Ok(Changed {
        document: document.checked()?,
        notes,
    })
}

/// Paths that something refers to.
fn used(derived: &Derived, document: &Document) -> HashSet<Arc<str>> {
    let usual = derived.tokens.iter();
    let usual = usual.flat_map(|token| Mode::BOTH.map(|mode| token.cell(mode).alias.clone()));
    let more = derived.more.iter().flat_map(|more| &more.cells);
    let more = more.map(|raised| raised.cell.alias.clone());
    let forms = document.forms.values().flat_map(|form| form.slots.values());
    let forms = forms.map(|slot| slot.token.as_ref().map(|path| path.as_str().into()));
    usual.chain(more).chain(forms).flatten().collect()
}

/// Steps of a scale that exports carry and nothing needs.
fn unused(scale: &NamedScale, used: &HashSet<Arc<str>>) -> Vec<StepLabel> {
    if scale.settings.off == Some(true) {
        return Vec::new();
    }
    let steps = scale.scale.steps.iter().zip(scale.paths.iter());
    steps
        .filter(|(step, path)| !step.pinned && !used.contains(*path) && !scale.omits(&step.label))
        .map(|(step, _)| step.label.clone())
        .collect()
}
