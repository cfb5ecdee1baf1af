//! Deriving a document that need not be saved: what every slider calls.

use std::borrow::Cow;

use axum::body::Bytes;
use axum::extract::State;
use axum::http::header;
use axum::response::{IntoResponse, Response};
use rhodon_theme::{Derived, Level, Resolved};
use serde::{Deserialize, Serialize};
use serde_json::Value;
use utoipa::ToSchema;

use crate::bench::{Bench, derived};
use crate::error::ApiError;
use crate::json::JsonBody;
use crate::preview::{Preview, preview_of};
use crate::response_cache::{self, Question};
use crate::view::DerivedView;

/// A document, and how much contrast is asked for.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct DeriveRequest {
    #[schema(schema_with = crate::schema::spec_schema)]
    pub(crate) spec: Value,
    /// `usual`, which is the default, or `more`.
    #[serde(default)]
    #[schema(schema_with = crate::schema::level_schema)]
    pub(crate) level: Level,
}

/// All tokens and pairs of a document.
#[utoipa::path(
    post, path = "/derive", request_body = DeriveRequest,
    responses((status = 200, body = DerivedView<'static>), (status = 422, body = ApiError))
)]
pub(crate) async fn derive_theme(
    State(bench): State<Bench>,
    JsonBody(body): JsonBody<DeriveRequest>,
) -> Result<Response, ApiError> {
    let theme = bench.read(body.spec).await?;
    let answer = bench.work.run(move || answer(&theme, body.level)).await??;
    Ok(json(answer))
}

fn answer(theme: &Resolved, level: Level) -> Result<Bytes, ApiError> {
    response_cache::answered(Question::new("derive", theme, &level), || {
        let derived = derived(theme).map_err(|p| ApiError::invalid("/spec", p))?;
        written(&DerivedView::from(&*at_level(&derived, level)?))
    })
}

/// What a document comes to at a level of contrast.
///
/// # Errors
/// A level that the document switches off.
pub(super) fn at_level(derived: &Derived, level: Level) -> Result<Cow<'_, Derived>, ApiError> {
    match level {
        Level::Usual => Ok(Cow::Borrowed(derived)),
        Level::More => derived.at_more().map(Cow::Owned).ok_or_else(|| {
            ApiError::value(
                "/level",
                "the document switches this level off: expected usual",
            )
        }),
    }
}

/// Room for the answer about most themes, in bytes: one that grows piece by piece is copied again and again.
const ROOM: usize = 144 * 1024;

/// A value as JSON, with no more room than it needs, or twice that.
pub(crate) fn written(value: &impl Serialize) -> Result<Vec<u8>, ApiError> {
    let mut bytes = Vec::with_capacity(ROOM);
    sonic_rs::to_writer(&mut bytes, value).map_err(|cause| ApiError::unexpected(&cause))?;
    bytes.shrink_to_fit();
    Ok(bytes)
}

pub(crate) fn json(answer: impl Into<Bytes>) -> Response {
    ([(header::CONTENT_TYPE, "application/json")], answer.into()).into_response()
}

/// A document, and the one before it.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct PreviewRequest {
    #[schema(schema_with = crate::schema::spec_schema)]
    spec: Value,
    /// What to compare with, to tell what the change moved.
    #[schema(schema_with = crate::schema::optional_spec_schema)]
    before: Option<Value>,
}

/// Tokens, pairs and the proof's style sheets of a document.
#[utoipa::path(
    post, path = "/preview", request_body = PreviewRequest,
    responses((status = 200, body = Preview<'static>), (status = 422, body = ApiError))
)]
pub(crate) async fn preview(
    State(bench): State<Bench>,
    JsonBody(body): JsonBody<PreviewRequest>,
) -> Result<Response, ApiError> {
    let theme = bench.read(body.spec).await?;
    let before = match body.before {
        Some(before) => Some(bench.read_at("/before", before).await?),
        None => None,
    };
    let job = move || {
        let derived = derived(&theme).map_err(|p| ApiError::invalid("/spec", p))?;
        written(&preview_of(&theme, &derived, before.as_ref())?)
    };
    Ok(json(bench.work.run(job).await??))
}
