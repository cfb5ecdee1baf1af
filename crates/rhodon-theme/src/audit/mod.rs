//! The audit: what is wrong with a theme, found before its users find it. Each finding is one file
//! with a function that looks for it, and one line in [`FINDINGS`].

mod alike;
mod contrast;
mod edit;
mod fix;
mod gamut;
mod literal;
mod matrix;
mod mode;
mod near_brand;
mod order;
mod proportion;
mod report;
mod scene;
mod state;
mod step_gap;
mod unused;
mod vanishing;

use std::collections::BTreeMap;
use std::sync::Arc;

use schemars::JsonSchema;
use serde::Serialize;

use crate::derive::Derived;
use crate::document::Resolved;
use crate::token::Mode;

pub(crate) use edit::Edit;
pub use fix::{Fix, Mended, mend, mend_all, mend_kind};
pub use matrix::Matrix;
pub use proportion::proportion;
pub use report::{AcceptedReport, CheckReport, FindingReport, FixReport};
use scene::Scene;

/// How much a finding matters.
#[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, JsonSchema)]
#[serde(rename_all = "lowercase")]
pub enum Severity {
    /// Good to know.
    Note,
    /// Somebody will stumble over it.
    Warning,
    /// Somebody cannot use what is made with the theme.
    Error,
}

impl Severity {
    /// All of them, the gravest first.
    pub const ALL: [Self; 3] = [Self::Error, Self::Warning, Self::Note];

    /// Its name, as in `error`.
    pub fn id(self) -> &'static str {
        match self {
            Self::Note => "note",
            Self::Warning => "warning",
            Self::Error => "error",
        }
    }

    /// What it weighs when two states of a theme are compared.
    pub fn weight(self) -> u32 {
        match self {
            Self::Note => 0,
            Self::Warning => 1,
            Self::Error => 100,
        }
    }
}

/// Something that is wrong, or good to know.
#[derive(Clone, Debug, PartialEq)]
pub struct Finding {
    /// Its kind, as in `contrast`.
    pub id: &'static str,
    /// How much it matters.
    pub severity: Severity,
    /// A sentence with the figure and its limit.
    pub message: String,
    /// In which mode; none where it holds for both.
    pub mode: Option<Mode>,
    /// The mode in which it is worst, where it was measured in both.
    pub worst: Option<Mode>,
    /// Paths of the tokens concerned, the one at fault first.
    pub tokens: Vec<Arc<str>>,
    /// Figures by name.
    pub figures: BTreeMap<&'static str, f64>,
    /// What is compared when it was accepted before: larger is better.
    pub measure: f64,
    /// Where the rule comes from.
    pub rule: &'static str,
    /// Why somebody lets it stand.
    pub accepted: Option<String>,
    /// What might mend it, the smallest change first.
    pub(crate) edits: Vec<Edit>,
}

impl Finding {
    /// A finding of somebody else, without figures and without what mends it.
    pub fn told(
        id: &'static str,
        severity: Severity,
        message: String,
        tokens: &[&str],
        rule: &'static str,
    ) -> Self {
        Self {
            id,
            severity,
            message,
            mode: None,
            tokens: tokens.iter().map(|t| Arc::from(*t)).collect(),
            figures: BTreeMap::new(),
            measure: 0.0,
            rule,
            worst: None,
            accepted: None,
            edits: Vec::new(),
        }
    }

    /// Whether it is the same finding, whatever its figures.
    pub fn is_same(&self, other: &Finding) -> bool {
        (self.id, self.mode, &self.tokens) == (other.id, other.mode, &other.tokens)
    }

    /// Whether there is anything to try.
    pub(crate) fn may_be_mended(&self) -> bool {
        !self.edits.is_empty()
    }

    /// Whether it counts: nobody accepted it.
    pub fn stands(&self) -> bool {
        self.accepted.is_none()
    }
}

/// Looks for one kind of finding.
type Look = fn(&Scene<'_>, &mut Vec<Finding>);

/// Every kind, the gravest first.
const FINDINGS: &[Look] = &[
    contrast::look,
    mode::look,
    alike::look,
    order::look,
    state::look,
    vanishing::look,
    literal::look,
    near_brand::look,
    step_gap::look,
    gamut::look,
    unused::look,
];

/// Everything that is found in a theme, by what matters most.
pub fn audit(theme: &Resolved, derived: &Derived) -> Vec<Finding> {
    let scene = Scene::new(theme, derived);
    let mut out = Vec::new();
    FINDINGS.iter().for_each(|look| look(&scene, &mut out));
    for finding in &mut out {
        finding.accepted = accepted(theme, finding);
    }
    // The sort is stable: kinds keep their order.
    out.sort_by_key(|f| std::cmp::Reverse(f.severity));
    out
}

/// The reason for which a finding was accepted, as long as it is no worse than it was then.
fn accepted(theme: &Resolved, finding: &Finding) -> Option<String> {
    let found = theme.merged.accepted.iter().find(|a| {
        a.id == finding.id
            && a.mode == finding.mode
            && a.tokens.len() == finding.tokens.len()
            && a.tokens
                .iter()
                .zip(&finding.tokens)
                .all(|(a, b)| a.as_str() == &**b)
    });
    let holds = found.filter(|a| finding.measure >= a.measure - 0.01);
    holds.map(|a| a.reason.clone())
}
