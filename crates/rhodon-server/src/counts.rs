//! How many findings a theme has.

use rhodon_theme::{Derived, Resolved, Severity};
use serde::Serialize;
use utoipa::ToSchema;

/// How many findings count, by severity.
#[derive(Clone, Debug, Serialize, ToSchema)]
pub struct CountsView {
    pub(crate) errors: usize,
    pub(crate) warnings: usize,
    /// Paths of the tokens that are at fault.
    tokens: Vec<String>,
}

/// Of a theme alone, without its targets.
pub(crate) fn counts(theme: &Resolved, made: &Derived) -> CountsView {
    let findings = rhodon_theme::audit(theme, made);
    let of = |severity: Severity| {
        let counting = findings
            .iter()
            .filter(|f| f.severity == severity && f.stands());
        counting.count()
    };
    let counting = findings
        .iter()
        .filter(|f| f.severity > Severity::Note && f.stands());
    CountsView {
        errors: of(Severity::Error),
        warnings: of(Severity::Warning),
        tokens: counting
            .filter_map(|f| f.tokens.first().map(|t| t.to_string()))
            .collect(),
    }
}
