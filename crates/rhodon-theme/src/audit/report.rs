//! Findings as they are told: by the command, by the API, and in reports.

use std::collections::BTreeMap;

use schemars::JsonSchema;
use serde::Serialize;
use serde_json::Value;

use super::fix::worth_trying;
use super::{Finding, Severity, audit, mend};
use crate::derive::Derived;
use crate::document::Resolved;
use crate::token::Mode;

/// A finding with what mends it.
#[derive(Clone, Debug, PartialEq, Serialize, JsonSchema)]
pub struct FindingReport {
    /// Its kind, as in `contrast`.
    pub id: String,
    /// How much it matters.
    pub severity: Severity,
    /// A sentence with the figure and its limit.
    pub message: String,
    /// In which mode; null where it holds for both.
    pub mode: Option<Mode>,
    /// The mode in which it is worst, where it was measured in both and holds for both.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub worst: Option<Mode>,
    /// Paths of the tokens concerned, the one at fault first.
    pub tokens: Vec<String>,
    /// Figures by name.
    pub figures: BTreeMap<String, f64>,
    /// Where the rule comes from.
    pub rule: String,
    /// What mends it without harm; null where nothing does.
    pub fix: Option<FixReport>,
    /// Why somebody lets it stand; null where it counts.
    pub accepted: Option<AcceptedReport>,
    /// What is compared once it is accepted: larger is better.
    pub measure: f64,
}

/// A small change of the document.
#[derive(Clone, Debug, PartialEq, Serialize, JsonSchema)]
pub struct FixReport {
    /// What it does, in words.
    pub label: String,
    /// The change (JSON Patch, RFC 6902).
    pub patch: Value,
    /// What the first token comes to, as `#rrggbb`.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub becomes: Option<String>,
}

/// Why a finding stands.
#[derive(Clone, Debug, PartialEq, Serialize, JsonSchema)]
pub struct AcceptedReport {
    /// In somebody's words.
    pub reason: String,
}

/// What a check comes to.
#[derive(Clone, Debug, PartialEq, Serialize, JsonSchema)]
pub struct CheckReport {
    /// Whether no finding counts that is an error.
    pub ok: bool,
    /// By what matters most.
    pub findings: Vec<FindingReport>,
}

impl CheckReport {
    /// Of a theme, with more findings from elsewhere behind its own.
    pub fn new(theme: &Resolved, derived: &Derived, more: Vec<Finding>) -> Self {
        let findings = audit(theme, derived);
        let mut left = worth_trying(derived.tokens.len());
        let reported = findings.iter().map(|f| {
            let tried = f.stands() && left > 0;
            left -= usize::from(tried && f.may_be_mended());
            let fix = tried.then(|| mend(theme, &findings, f)).flatten();
            FindingReport::new(
                f,
                fix.map(|fix| FixReport {
                    label: fix.label,
                    patch: fix.patch,
                    becomes: fix.becomes.map(|c| c.to_string()),
                }),
            )
        });
        let mut findings: Vec<FindingReport> = reported.collect();
        findings.extend(more.iter().map(|f| FindingReport::new(f, None)));
        findings.sort_by_key(|f| std::cmp::Reverse(f.severity));
        Self {
            ok: !findings.iter().any(|f| f.counts(Severity::Error)),
            findings,
        }
    }

    /// JSON Schema (2020-12) of the report.
    pub fn schema() -> Value {
        let mut schema = schemars::schema_for!(CheckReport);
        schema.insert("title".into(), "Rhodon check report".into());
        schema.into()
    }
}

impl FindingReport {
    /// A finding with what mends it.
    pub fn new(finding: &Finding, fix: Option<FixReport>) -> Self {
        let figure = |(name, value): (&&'static str, &f64)| ((*name).to_owned(), *value);
        Self {
            id: finding.id.to_owned(),
            severity: finding.severity,
            message: finding.message.clone(),
            mode: finding.mode,
            worst: finding.worst,
            tokens: finding.tokens.iter().map(|t| t.to_string()).collect(),
            figures: finding.figures.iter().map(figure).collect(),
            rule: finding.rule.to_owned(),
            fix,
            accepted: finding
                .accepted
                .clone()
                .map(|reason| AcceptedReport { reason }),
            measure: finding.measure,
        }
    }

    /// Whether it counts and is at least as grave.
    pub fn counts(&self, least: Severity) -> bool {
        self.accepted.is_none() && self.severity >= least
    }
}
