//! What a check found, for pipelines and for people, and what only targets can find.

mod form_finding;
mod html;
mod sarif;
mod target_finding;

pub use html::html;
pub use sarif::sarif;

use form_finding::form_findings;
use rhodon_theme::{CheckReport, Derived, Resolved};
use target_finding::target_findings;

use crate::source::Source;
use crate::stamp::Stamp;
use crate::write::find;

/// What is wrong with a theme, with the files of the targets that it is handed to, and with its forms.
pub fn check(theme: &Resolved, derived: &Derived) -> CheckReport {
    let stamp = Stamp {
        theme: derived.name.clone(),
        ..Stamp::default()
    };
    let source = Source::alone(theme, derived, &stamp);
    let targets: Vec<_> = theme
        .merged
        .packed()
        .filter_map(|id| find(id).ok())
        .collect();
    let mut beyond = target_findings(&source, &targets);
    beyond.extend(form_findings(&source));
    CheckReport::new(theme, derived, beyond)
}
