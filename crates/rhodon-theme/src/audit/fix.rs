//! Mending: the first change that takes a finding away and makes nothing else worse.

use serde::Serialize;
use serde_json::Value;

use super::scene::Scene;
use super::{Edit, Finding, Severity, alike, audit};
use crate::derive::{Derived, derive};
use crate::document::{Document, Problems, Resolved};
use crate::value::ColorValue;

/// A change of the document that mends a finding.
#[derive(Clone, Debug, PartialEq, Serialize)]
pub struct Fix {
    /// What it does, in words.
    pub label: String,
    /// The change (JSON Patch, RFC 6902) of the document itself, without its parents.
    pub patch: Value,
    /// The document afterwards.
    #[serde(skip)]
    pub document: Document,
    /// What the first token of the finding comes to.
    #[serde(skip)]
    pub becomes: Option<ColorValue>,
}

/// What mends a finding of a theme; none where nothing does without harm.
pub fn mend(theme: &Resolved, findings: &[Finding], finding: &Finding) -> Option<Fix> {
    let edits = finding.edits.iter().flat_map(|edit| sought(theme, edit));
    edits
        .into_iter()
        .find_map(|edit| tried(theme, findings, finding, &edit))
}

/// A change as it is tried: one that only says what is wanted is sought here.
fn sought(theme: &Resolved, edit: &Edit) -> Vec<Edit> {
    let Edit::Apart(intent) = edit else {
        return vec![edit.clone()];
    };
    let Ok(derived) = derive(theme) else {
        return Vec::new();
    };
    alike::moves(&Scene::new(theme, &derived), intent)
}

fn tried(theme: &Resolved, findings: &[Finding], finding: &Finding, edit: &Edit) -> Option<Fix> {
    let before = theme.document();
    let mut document = before.clone();
    if !edit.apply(&mut document) {
        return None;
    }
    let document = document.checked().ok()?;
    let after = theme.with_document(document.clone());
    let derived = derive(&after).ok()?;
    let found = audit(&after, &derived);
    if found.iter().any(|f| f.is_same(finding) && f.stands()) || is_worse(findings, &found) {
        return None;
    }
    let patch = json_patch::diff(&before.to_json(), &document.to_json());
    let mode = finding.mode.unwrap_or(crate::token::Mode::Light);
    let becomes = finding.tokens.first().and_then(|path| {
        let token = derived.token(path)?;
        token.cell(mode).value.color().copied()
    });
    Some(Fix {
        label: label(edit, &derived),
        patch: serde_json::to_value(patch).ok()?,
        document,
        becomes,
    })
}

/// Whether something stands that did not stand before, or stands worse.
fn is_worse(before: &[Finding], after: &[Finding]) -> bool {
    let counts = |f: &&Finding| f.severity > Severity::Note && f.stands();
    after.iter().filter(counts).any(|new| {
        let old = before.iter().find(|f| f.is_same(new) && f.stands());
        old.is_none_or(|old| new.measure < old.measure - 0.01 || new.severity > old.severity)
    })
}

fn label(edit: &Edit, derived: &Derived) -> String {
    let value = |path: &str, mode: crate::token::Mode| {
        let token = derived.token(path);
        token.map_or_else(String::new, |t| t.cell(mode).value.to_string())
    };
    match edit {
        Edit::LetGo(path, mode) => {
            format!(
                "let go of {path} in {}: {} again",
                mode.id(),
                value(path, *mode)
            )
        }
        Edit::Refer(path, mode, to) => format!("set {path} in {} to {to}", mode.id()),
        Edit::Recolor(intent, code) => format!("paint {intent} with {code}"),
        Edit::LetGoLightness(scale, step) => format!("let go of the lightness of {scale} {step}"),
        Edit::Lightness(scale, step, l) => format!("set {scale} {step} to L* {l:.1}"),
        Edit::Unpin(scale, step) => format!("let go of {scale} {step}"),
        Edit::At(scale, Some(step)) => format!("let {scale} stand at {step}"),
        Edit::At(scale, None) => format!("let {scale} stand where it fits best"),
        Edit::Apart(intent) => format!("move {intent} away"),
        Edit::LeaveOut(scale) => format!("leave {scale} out of exports"),
        Edit::WithoutAlpha(scale, percent) => format!("do without {scale} a{percent}"),
    }
}

/// A document once everything that can be mended is, and what was done.
#[derive(Clone, Debug)]
pub struct Mended {
    /// The document itself, without its parents.
    pub document: Document,
    /// What was done, in order.
    pub done: Vec<String>,
    /// Errors and warnings that are left.
    pub left: Vec<Finding>,
}

/// The most changes that are made one after the other.
const MOST: usize = 200;
/// Tokens that may be derived anew while fixes are tried, so that no document costs more than a moment.
const TRIES: usize = 20_000;
/// How many findings get a fix at least, and at most; the others get theirs once these are mended.
const WORTH: (usize, usize) = (4, 60);

/// How many fixes are tried of a theme with so many tokens.
pub(super) fn worth_trying(tokens: usize) -> usize {
    (TRIES / tokens.max(1)).clamp(WORTH.0, WORTH.1)
}

/// Applies the fixes of errors and warnings one after the other, each tried on what the ones before it
/// left.
///
/// # Errors
/// A document that cannot be derived.
pub fn mend_all(theme: &Resolved) -> Result<Mended, Problems> {
    mend_some(theme, |_| MOST, |f| f.severity > Severity::Note)
}

/// As [`mend_all`], for findings of a kind, and for as many as are worth a moment.
///
/// # Errors
/// A document that cannot be derived.
pub fn mend_kind(theme: &Resolved, id: &str) -> Result<Mended, Problems> {
    mend_some(theme, worth_trying, |f| f.id == id)
}

/// `most` says how many fixes are made in a theme of so many tokens.
fn mend_some(
    theme: &Resolved,
    most: fn(usize) -> usize,
    wanted: impl Fn(&Finding) -> bool,
) -> Result<Mended, Problems> {
    let mut theme = theme.clone();
    let mut done = Vec::new();
    loop {
        let derived = derive(&theme)?;
        let findings = audit(&theme, &derived);
        let mut open = findings.iter().filter(|f| wanted(f) && f.stands());
        let goes_on = done.len() < most(derived.tokens.len());
        let fix = goes_on.then(|| open.find_map(|f| mend(&theme, &findings, f)));
        let Some(fix) = fix.flatten() else {
            let counts = |f: &&Finding| f.severity > Severity::Note && f.stands();
            return Ok(Mended {
                document: theme.document().clone(),
                done,
                left: findings.iter().filter(counts).cloned().collect(),
            });
        };
        done.push(fix.label);
        theme = theme.with_document(fix.document);
    }
}
