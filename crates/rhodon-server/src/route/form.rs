//! Forms of a document: filled while they are written, and learned from examples.

use axum::Json;
use axum::extract::State;
use rhodon_formats::form::{Called, FILTERS, FormError, called, fill, learn};
use rhodon_formats::read::InputFile;
use rhodon_theme::{Mode, Slug};
use serde::{Deserialize, Serialize};
use serde_json::Value;
use utoipa::ToSchema;

use super::read::InputFileView;
use crate::bench::Bench;
use crate::error::ApiError;
use crate::json::JsonBody;

/// Which form is filled.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct FillRequest {
    #[schema(schema_with = crate::schema::spec_schema)]
    spec: Value,
    /// Its name in the document.
    form: String,
}

/// A filled form, or what is wrong with it.
#[derive(Debug, Serialize, ToSchema)]
pub struct FilledView {
    /// The file; none where there is a mistake.
    text: Option<String>,
    mistake: Option<MistakeView>,
    /// Slots that the text does not use.
    unused: Vec<String>,
    /// Filters with what they do.
    filters: Vec<FilterView>,
    /// Slots that follow nothing of the theme and are called after a role of it.
    called: Vec<CalledView>,
}

/// A slot that is called after a role.
#[derive(Debug, Serialize, ToSchema)]
pub struct CalledView {
    slot: String,
    token: &'static str,
    /// `dark` where its name says so.
    mode: Option<&'static str>,
}

impl From<Called> for CalledView {
    fn from(called: Called) -> Self {
        Self {
            slot: called.slot.to_string(),
            token: called.role.path(),
            mode: called.mode.map(Mode::id),
        }
    }
}

/// A mistake in a form.
#[derive(Debug, Serialize, ToSchema)]
pub struct MistakeView {
    /// From 1.
    line: Option<usize>,
    /// In characters, from 1.
    column: Option<usize>,
    slot: Option<String>,
    message: String,
}

/// A filter of forms.
#[derive(Debug, Serialize, ToSchema)]
pub struct FilterView {
    name: &'static str,
    help: &'static str,
}

impl From<FormError> for MistakeView {
    fn from(e: FormError) -> Self {
        Self {
            line: e.line,
            column: e.column,
            slot: e.slot,
            message: e.message,
        }
    }
}

/// Fills a form of a document.
#[utoipa::path(
    post, path = "/forms/fill", request_body = FillRequest,
    responses((status = 200, body = FilledView), (status = 404, body = ApiError), (status = 422, body = ApiError))
)]
pub(crate) async fn fill_form(
    State(bench): State<Bench>,
    JsonBody(body): JsonBody<FillRequest>,
) -> Result<Json<FilledView>, ApiError> {
    let (decided, theme) = bench.derive(body.spec).await?;
    let slug: Option<Slug> = body.form.parse().ok();
    let form = slug.and_then(|slug| decided.merged.forms.get(&slug).cloned());
    let form =
        form.ok_or_else(|| ApiError::not_found(format!("no form is called {}", body.form)))?;
    let both = move || (fill(&form, &theme, &[]), called(&form, &theme));
    let (filled, called) = bench.work.run(both).await?;
    let filters = FILTERS.map(|(name, help)| FilterView { name, help });
    let (text, mistake, unused) = match filled {
        Ok(filled) => (Some(filled.text), None, filled.unused),
        Err(error) => (None, Some(error.into()), Vec::new()),
    };
    Ok(Json(FilledView {
        text,
        mistake,
        unused,
        filters: filters.into(),
        called: called.into_iter().map(CalledView::from).collect(),
    }))
}

/// An example to learn from.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct LearnRequest {
    #[schema(schema_with = crate::schema::spec_schema)]
    spec: Value,
    example: InputFileView,
}

/// A form that gives an example back.
#[derive(Debug, Serialize, ToSchema)]
pub struct LearnedView {
    /// The form, as documents have it.
    #[schema(value_type = Object)]
    form: Value,
    /// Slots that no token is near to.
    open: Vec<String>,
    /// Slots whose token is only near.
    near: Vec<NearView>,
}

/// A slot whose token is not exactly the colour of the example.
#[derive(Debug, Serialize, ToSchema)]
pub struct NearView {
    slot: String,
    /// CIEDE2000.
    difference: f64,
}

/// Makes a form of an example in an in-house format.
#[utoipa::path(
    post, path = "/forms/learn", request_body = LearnRequest,
    responses((status = 200, body = LearnedView), (status = 422, body = ApiError))
)]
pub(crate) async fn learn_form(
    State(bench): State<Bench>,
    JsonBody(body): JsonBody<LearnRequest>,
) -> Result<Json<LearnedView>, ApiError> {
    let (_, theme) = bench.derive(body.spec).await?;
    let example = InputFile::from(body.example);
    let learned = bench.work.run(move || learn(&example, &theme)).await?;
    let learned = learned.map_err(|why| ApiError::value("/example/text", why))?;
    let near = |(slot, difference): (rhodon_theme::SlotName, f64)| NearView {
        slot: slot.to_string(),
        difference,
    };
    Ok(Json(LearnedView {
        form: serde_json::to_value(&learned.form).unwrap_or_default(),
        open: learned.open.iter().map(ToString::to_string).collect(),
        near: learned.near.into_iter().map(near).collect(),
    }))
}
