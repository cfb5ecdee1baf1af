//! The tokens that come nearest to a colour.

use axum::Json;
use axum::extract::State;
use rhodon_color::Color;
use rhodon_theme::{Near, Typed, near};
use serde::{Deserialize, Serialize};
use serde_json::Value;
use utoipa::ToSchema;

use crate::bench::{Bench, derived};
use crate::error::ApiError;
use crate::json::JsonBody;
use crate::preview::hundredth;

/// A document, and a colour that is looked for.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NearTokensRequest {
    #[schema(schema_with = crate::schema::spec_schema)]
    spec: Value,
    /// Any CSS colour, hex with or without `#`.
    color: String,
}

/// The tokens nearest to a colour.
#[derive(Debug, Serialize, ToSchema)]
pub struct NearTokensView {
    /// The colour.
    hex: String,
    /// At most twelve, the nearest first.
    tokens: Vec<NearTokenView>,
}

/// A token, in one mode, beside the colour.
#[derive(Debug, Serialize, ToSchema)]
pub struct NearTokenView {
    path: String,
    /// `light`, `dark`, or none for both.
    #[schema(schema_with = crate::schema::optional_mode_schema)]
    mode: Option<&'static str>,
    /// Its value.
    value: String,
    /// CIEDE2000, to a hundredth.
    difference: f64,
}

impl From<Near> for NearTokenView {
    fn from(near: Near) -> Self {
        Self {
            path: near.path.to_string(),
            mode: near.mode.map(|mode| mode.id()),
            value: near.color.to_string(),
            difference: hundredth(near.difference),
        }
    }
}

/// How many tokens are told.
const MOST: usize = 12;

/// The tokens of a document that come nearest to a colour.
#[utoipa::path(
    post, path = "/near-tokens", request_body = NearTokensRequest,
    responses((status = 200, body = NearTokensView), (status = 422, body = ApiError))
)]
pub(crate) async fn near_tokens(
    State(bench): State<Bench>,
    JsonBody(body): JsonBody<NearTokensRequest>,
) -> Result<Json<NearTokensView>, ApiError> {
    let typed = Typed::<Color>::from_field(&body.color)
        .map_err(|e| ApiError::value("/color", e.to_string()))?;
    let code = typed.value().to_rgb8();
    let theme = bench.read(body.spec).await?;
    let job = move || derived(&theme).map(|made| near(&made, code, MOST));
    let found = bench.work.run(job).await?;
    let found = found.map_err(|p| ApiError::invalid("/spec", p))?;
    Ok(Json(NearTokensView {
        hex: code.to_string(),
        tokens: found.into_iter().map(NearTokenView::from).collect(),
    }))
}
