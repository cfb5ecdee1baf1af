//! What is wrong with a document, what mends it, and the contrast of everything on everything.

use std::collections::BTreeMap;

use axum::Json;
use axum::extract::State;
use rhodon_formats::report::check;
use rhodon_theme::{Derived, FindingReport, Matrix, Resolved};
use serde::Serialize;
use serde_json::Value;
use utoipa::ToSchema;

use super::derive::{DeriveRequest, at_level};
use crate::bench::{Bench, derived};
use crate::error::ApiError;
use crate::json::JsonBody;

/// What a check comes to.
#[derive(Debug, Serialize, ToSchema)]
pub struct CheckView {
    /// Pairs that are readable, of all, in both modes.
    readable: usize,
    pairs: usize,
    intents: usize,
    /// By what matters most.
    findings: Vec<FindingView>,
    matrix: MatrixView,
}

/// Something that is wrong, or good to know.
#[derive(Debug, Serialize, ToSchema)]
pub struct FindingView {
    id: String,
    #[schema(schema_with = crate::schema::severity_schema)]
    severity: &'static str,
    message: String,
    /// `light`, `dark`, or none for both.
    #[schema(schema_with = crate::schema::optional_mode_schema)]
    mode: Option<&'static str>,
    /// Paths of the tokens concerned, the one at fault first.
    tokens: Vec<String>,
    figures: BTreeMap<String, f64>,
    rule: String,
    fix: Option<FixView>,
    /// Why it was accepted.
    accepted: Option<String>,
    measure: f64,
}

/// What mends a finding without harm.
#[derive(Debug, Serialize, ToSchema)]
pub struct FixView {
    label: String,
    /// JSON Patch (RFC 6902) of the document.
    #[schema(schema_with = crate::schema::patch_schema)]
    patch: Value,
    /// What the first token comes to.
    becomes: Option<String>,
}

/// Foregrounds down, grounds across.
#[derive(Debug, Serialize, ToSchema)]
pub struct MatrixView {
    inks: Vec<String>,
    grounds: Vec<String>,
    /// Contrast ratios, ink by ink.
    light: Vec<f64>,
    dark: Vec<f64>,
    /// The ratio that a declared pair needs; 0 where none is declared.
    needs: Vec<f64>,
    /// The least ratio of what is read; what needs less must only be seen.
    text: f64,
}

impl From<FindingReport> for FindingView {
    fn from(f: FindingReport) -> Self {
        Self {
            id: f.id,
            severity: f.severity.id(),
            message: f.message,
            mode: f.mode.map(|m| m.id()),
            tokens: f.tokens,
            figures: f.figures,
            rule: f.rule,
            fix: f.fix.map(|fix| FixView {
                label: fix.label,
                patch: fix.patch,
                becomes: fix.becomes,
            }),
            accepted: f.accepted.map(|a| a.reason),
            measure: f.measure,
        }
    }
}

impl MatrixView {
    fn of(theme: &Derived) -> Self {
        let m = Matrix::of(theme);
        let texts = |paths: Vec<std::sync::Arc<str>>| paths.iter().map(|p| p.to_string()).collect();
        // A tenth of a hundredth is more than anybody reads.
        let short = |all: Vec<f64>| {
            all.into_iter()
                .map(|r| (r * 1000.0).round() / 1000.0)
                .collect()
        };
        let [light, dark] = m.ratios;
        Self {
            inks: texts(m.inks),
            grounds: texts(m.grounds),
            light: short(light),
            dark: short(dark),
            needs: m.needs.into_iter().map(Option::unwrap_or_default).collect(),
            text: theme.level.text(),
        }
    }
}

/// Findings with what mends them, and the contrast of every foreground on every ground.
#[utoipa::path(
    post, path = "/check", request_body = DeriveRequest,
    responses((status = 200, body = CheckView), (status = 422, body = ApiError))
)]
pub(crate) async fn check_theme(
    State(bench): State<Bench>,
    JsonBody(body): JsonBody<DeriveRequest>,
) -> Result<Json<CheckView>, ApiError> {
    let theme = bench.read(body.spec).await?;
    let job = move || {
        let made = derived(&theme).map_err(|p| ApiError::invalid("/spec", p))?;
        let shown = at_level(&made, body.level)?;
        Ok::<_, ApiError>(checked(&theme, &made, &shown))
    };
    Ok(Json(bench.work.run(job).await??))
}

/// Pairs and matrix are those of the level that is shown; what is found is found at both.
fn checked(theme: &Resolved, made: &Derived, shown: &Derived) -> CheckView {
    let report = check(theme, made);
    CheckView {
        readable: shown.pairs.iter().filter(|p| p.pass).count(),
        pairs: shown.pairs.len(),
        intents: made.intents.len(),
        findings: report.findings.into_iter().map(FindingView::from).collect(),
        matrix: MatrixView::of(shown),
    }
}
