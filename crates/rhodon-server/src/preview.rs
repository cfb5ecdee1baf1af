//! What the screens show of a document: its tokens, the sheets that paint the proof, what moved.

use rhodon_formats::{Source, Stamp, find};
use rhodon_theme::{Change, Derived, Diff, Pair, Resolved, diff};
use serde::Serialize;
use utoipa::ToSchema;

use crate::bench::derived;
use crate::counts::{CountsView, counts};
use crate::error::ApiError;
use crate::view::DerivedView;

/// What the screens show of a document.
#[derive(Debug, Serialize, ToSchema)]
pub struct Preview<'a> {
    derived: DerivedView<'a>,
    /// The exported style sheets that paint the proof, in the order in which they are loaded.
    sheets: Vec<String>,
    /// How many findings count.
    counts: CountsView,
    #[serde(skip_serializing_if = "Option::is_none")]
    wake: Option<WakeView>,
}

/// What a change moved.
#[derive(Debug, Serialize, ToSchema)]
pub struct WakeView {
    changes: Vec<ChangeView>,
    /// What moves where more contrast is asked for, and not usually.
    more: Vec<ChangeView>,
    /// Pairs that can no longer be read, as `foreground on background (mode)`; those of more contrast say so.
    unreadable: Vec<String>,
}

/// A token before and after.
#[derive(Debug, Serialize, ToSchema)]
pub struct ChangeView {
    path: String,
    /// `light`, `dark`, or none for both.
    #[schema(schema_with = crate::schema::optional_mode_schema)]
    mode: Option<&'static str>,
    before: Option<String>,
    after: Option<String>,
    /// CIEDE2000 between the two, to a hundredth, where both are colours.
    difference: Option<f64>,
}

impl From<Change> for ChangeView {
    fn from(change: Change) -> Self {
        Self {
            path: change.path.to_string(),
            mode: change.mode.map(|m| m.id()),
            before: change.before,
            after: change.after,
            difference: change.difference.map(hundredth),
        }
    }
}

/// Pairs that a change made unreadable, in words.
pub(crate) fn lost_told(diff: &Diff) -> Vec<String> {
    let told = |pairs: &[Pair], level: &str| -> Vec<String> {
        let told = |pair: &Pair| format!("{} on {} ({}{level})", pair.fg, pair.bg, pair.mode.id());
        pairs.iter().map(told).collect()
    };
    let mut all = told(&diff.unreadable, "");
    all.extend(told(&diff.unreadable_at_more, ", more contrast"));
    all
}

impl From<Diff> for WakeView {
    fn from(diff: Diff) -> Self {
        Self {
            unreadable: lost_told(&diff),
            changes: told(diff.changes),
            more: told(diff.more),
        }
    }
}

/// A difference as it is told.
pub(crate) fn hundredth(difference: f64) -> f64 {
    (difference * 100.0).round() / 100.0
}

pub(crate) fn told(changes: Vec<Change>) -> Vec<ChangeView> {
    changes.into_iter().map(ChangeView::from).collect()
}

/// Targets whose files paint the proof.
const PROOF: [(&str, &[(&str, &str)]); 2] =
    [("css", &[("mode", "attribute")]), ("css-components", &[])];

/// What the screens show of a theme, and what moved since another document.
///
/// # Errors
/// Names that clash in a style sheet; a document before that cannot be derived.
pub(crate) fn preview_of<'a>(
    theme: &Resolved,
    made: &'a Derived,
    before: Option<&Resolved>,
) -> Result<Preview<'a>, ApiError> {
    let wake = match before {
        Some(before) => {
            let before = derived(before).map_err(|p| ApiError::invalid("/before", p))?;
            Some(diff(&before, made).into())
        }
        None => None,
    };
    Ok(Preview {
        derived: DerivedView::from(made),
        sheets: sheets(theme, made)?,
        counts: counts(theme, made),
        wake,
    })
}

/// The exported style sheets that paint a page of the proof.
///
/// # Errors
/// Names that clash in a style sheet.
pub(crate) fn sheets(theme: &Resolved, made: &Derived) -> Result<Vec<String>, ApiError> {
    let stamp = Stamp {
        theme: made.name.clone(),
        revision: None,
        date: None,
    };
    let source = Source::alone(theme, made, &stamp);
    let mut sheets = Vec::with_capacity(PROOF.len());
    for (id, set) in PROOF {
        let set = set.iter().map(|(k, v)| ((*k).to_owned(), (*v).to_owned()));
        let target = find(id)?;
        let output = target.export(&source, target.settings(set)?)?;
        // `@import` is not allowed in a constructed sheet; the proof fetches nothing from elsewhere.
        sheets.extend(output.files.into_iter().map(|f| without_imports(f.body())));
    }
    Ok(sheets)
}

fn without_imports(text: &str) -> String {
    if !text.contains("@import") {
        return text.to_owned();
    }
    text.lines()
        .filter(|line| !line.starts_with("@import"))
        .map(|line| format!("{line}\n"))
        .collect()
}
