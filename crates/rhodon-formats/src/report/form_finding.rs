//! Findings of the forms of a theme that its archive packs.

use std::time::{Duration, Instant};

use rhodon_theme::{Finding, Severity};

use crate::error::ExportError;
use crate::form::export;
use crate::output::Loss;
use crate::source::Source;

/// How long forms are looked through: one that goes on and on costs a second itself.
const LONGEST: Duration = Duration::from_millis(300);

/// What is wrong with the forms of a theme.
pub(super) fn form_findings(source: &Source<'_>) -> Vec<Finding> {
    let forms = source.decided.merged.forms.iter();
    let packed = forms.filter(|(_, form)| form.pack != Some(false));
    let begun = Instant::now();
    packed
        .take_while(|_| begun.elapsed() < LONGEST)
        .flat_map(|(name, _)| match export(name.as_str(), source) {
            Ok(output) => Loss::of(&output.warnings)
                .into_iter()
                .map(|loss| unused(name.as_str(), &loss))
                .collect(),
            Err(error) => vec![wrong(name.as_str(), &error)],
        })
        .collect()
}

fn wrong(name: &str, error: &ExportError) -> Finding {
    let said = match error {
        ExportError::Form { error, .. } => error.in_words(),
        other => other.to_string(),
    };
    let message = format!("The form {name} cannot be filled: {said}.");
    let rule = "what the archive packs can be written";
    Finding::told("form", Severity::Error, message, &[], rule)
}

fn unused(name: &str, loss: &Loss<'_>) -> Finding {
    let message = format!("The form {name}: {}: {}.", loss.named(4), loss.message);
    let rule = "what is named is used";
    Finding::told("form", Severity::Note, message, &[], rule)
}
