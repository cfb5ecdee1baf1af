//! What is wrong with a document, what mends it, and the contrast of everything on everything.

use std::collections::BTreeMap;

use axum::Json;
use axum::extract::State;
use rhodon_formats::report::check;
use rhodon_theme::{Aim, Derived, FindingReport, Level, Matrix, Resolved, proportion};
use serde::{Deserialize, Serialize};
use serde_json::Value;
use utoipa::ToSchema;

use super::derive::at_level;
use crate::bench::{Bench, derived};
use crate::error::ApiError;
use crate::json::JsonBody;

/// A document, how much contrast is asked for, and what a page was measured at.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct CheckRequest {
    #[schema(schema_with = crate::schema::spec_schema)]
    spec: Value,
    /// `usual`, which is the default, or `more`.
    #[serde(default)]
    #[schema(schema_with = crate::schema::level_schema)]
    level: Level,
    measured: Option<MeasuredPage>,
}

/// The balance of colours on a page as it is shown, in percent.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct MeasuredPage {
    /// Its name.
    page: String,
    dominant: f64,
    secondary: f64,
    accent: f64,
}

/// The longest name of a page, in bytes.
const MAX_PAGE: usize = 80;

impl MeasuredPage {
    fn check(&self) -> Result<(), ApiError> {
        let parts = [self.dominant, self.secondary, self.accent];
        let named = !self.page.is_empty()
            && self.page.len() <= MAX_PAGE
            && !self.page.chars().any(char::is_control);
        if !named {
            let expected = format!("expected 1 to {MAX_PAGE} bytes");
            return Err(ApiError::value("/measured/page", expected));
        }
        if !parts.iter().all(|part| (0.0..=100.0).contains(part)) {
            let expected = "expected shares of 0 to 100 percent";
            return Err(ApiError::value("/measured", expected));
        }
        Ok(())
    }

    fn told(&self, theme: &Resolved) -> Option<FindingView> {
        let balance = Aim {
            dominant: self.dominant,
            secondary: self.secondary,
            accent: self.accent,
        };
        let found = proportion(theme, &self.page, balance)?;
        Some(FindingReport::new(&found, None).into())
    }
}

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
    /// The mode in which it is worst, where it holds for both and was measured in each.
    #[serde(skip_serializing_if = "Option::is_none")]
    worst: Option<&'static str>,
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
            worst: f.worst.map(|m| m.id()),
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
    post, path = "/check", request_body = CheckRequest,
    responses((status = 200, body = CheckView), (status = 422, body = ApiError))
)]
pub(crate) async fn check_theme(
    State(bench): State<Bench>,
    JsonBody(body): JsonBody<CheckRequest>,
) -> Result<Json<CheckView>, ApiError> {
    if let Some(measured) = &body.measured {
        measured.check()?;
    }
    let theme = bench.read(body.spec).await?;
    let job = move || {
        let made = derived(&theme).map_err(|p| ApiError::invalid("/spec", p))?;
        let shown = at_level(&made, body.level)?;
        let mut view = checked(&theme, &made, &shown);
        let balance = body.measured.and_then(|m| m.told(&theme));
        view.findings.extend(balance);
        Ok::<_, ApiError>(view)
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
