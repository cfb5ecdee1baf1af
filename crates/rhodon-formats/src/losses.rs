//! What targets cannot carry, in the same words everywhere.

use rhodon_theme::{Mode, Token};

use crate::job::Job;
use crate::output::Warning;

/// Tokens whose wide-gamut colour is mapped into sRGB.
pub(crate) fn mapped<'a>(tokens: impl Iterator<Item = &'a Token>) -> Vec<Warning> {
    let wide = |t: &&Token| {
        Mode::BOTH
            .iter()
            .any(|m| t.cell(*m).value.color().is_some_and(|c| c.p3.is_some()))
    };
    of(
        tokens.filter(wide),
        "its wide-gamut colour is written as the nearest one in sRGB",
    )
}

/// Tokens that are left out, each with the same reason.
pub(crate) fn of<'a>(tokens: impl Iterator<Item = &'a Token>, reason: &str) -> Vec<Warning> {
    tokens.map(|t| Warning::new(&t.path, reason)).collect()
}

/// What is said of a value for people who ask for more contrast.
pub(crate) const NO_MORE: &str = "its value for more contrast is left out";

/// Tokens whose value for more contrast has no place.
pub(crate) fn raised(job: &Job<'_>) -> Vec<Warning> {
    let more = job.theme.more.as_ref().map(|more| more.by_path());
    let raised = |t: &&Token| more.as_ref().is_some_and(|m| m.contains_key(&*t.path));
    of(job.tokens().filter(raised), NO_MORE)
}
