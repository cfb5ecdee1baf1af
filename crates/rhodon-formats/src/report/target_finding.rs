//! Findings of the targets that a theme is handed to: names that clash, and what they cannot carry.

use rhodon_theme::{Finding, Severity};

use crate::error::ExportError;
use crate::losses::NO_MORE;
use crate::output::{Loss, Warning};
use crate::source::Source;
use crate::target::Target;

/// How many tokens are named in one sentence.
const NAMED: usize = 4;

/// What is wrong with a theme in some targets.
pub(super) fn target_findings(source: &Source<'_>, targets: &[&'static Target]) -> Vec<Finding> {
    let mut out = Vec::new();
    for target in targets {
        let settings = target.settings_of(source.decided, []);
        match settings.and_then(|s| target.export(source, s)) {
            Ok(output) => out.extend(losses(target, &output.warnings)),
            Err(error) => out.push(name(target, &error)),
        }
    }
    out
}

fn name(target: &Target, error: &ExportError) -> Finding {
    let tokens = match error {
        ExportError::Clash { first, second, .. } => vec![first.as_str(), second],
        ExportError::Reserved { token, .. } => vec![token.as_str()],
        _ => Vec::new(),
    };
    let message = format!("{}: {error}.", target.name);
    let rule = "every name of a file is its own and none of the language's";
    Finding::told("name", Severity::Error, message, &tokens, rule)
}

/// One finding for each thing that a target cannot carry, with the tokens it happens to.
fn losses(target: &Target, warnings: &[Warning]) -> Vec<Finding> {
    let finding = |loss: Loss<'_>| {
        // What most consumers have no word for is good to know and nobody's mistake.
        let severity = match loss.message {
            NO_MORE => Severity::Note,
            _ => Severity::Warning,
        };
        let named = loss.named(NAMED);
        let message = format!("{}: {named}: {}.", target.name, loss.message);
        let rule = "nothing is dropped in silence";
        Finding::told("loss", severity, message, &loss.tokens, rule)
    };
    Loss::of(warnings).into_iter().map(finding).collect()
}
