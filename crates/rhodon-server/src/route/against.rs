//! Two colours against each other.

use axum::Json;
use axum::extract::State;
use rhodon_theme::{Against, Side, against};
use serde::{Deserialize, Serialize};
use serde_json::Value;
use utoipa::ToSchema;

use crate::bench::{Bench, derived};
use crate::error::ApiError;
use crate::json::JsonBody;
use crate::preview::hundredth;

/// A document, and two colours or tokens of it.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct AgainstRequest {
    #[schema(schema_with = crate::schema::spec_schema)]
    spec: Value,
    /// What stands in front: any CSS colour, hex with or without `#`, or the path of a token.
    front: String,
    /// What it stands on, the same.
    ground: String,
}

/// Two colours, in one mode.
#[derive(Debug, Serialize, ToSchema)]
pub struct AgainstView {
    /// `light`, `dark`, or none where neither differs by it.
    #[schema(schema_with = crate::schema::optional_mode_schema)]
    mode: Option<&'static str>,
    front: String,
    ground: String,
    /// WCAG 2.2 contrast ratio, to a hundredth, never rounded up.
    ratio: f64,
    /// CIEDE2000, to a hundredth.
    difference: f64,
    /// What the ratio is enough for, in words.
    serves: &'static str,
}

impl From<Against> for AgainstView {
    fn from(pair: Against) -> Self {
        Self {
            mode: pair.mode.map(|mode| mode.id()),
            front: pair.front.to_string(),
            ground: pair.ground.to_string(),
            ratio: (pair.ratio * 100.0).floor() / 100.0,
            difference: hundredth(pair.difference),
            serves: pair.serves(),
        }
    }
}

/// Two colours against each other: contrast, difference, and what that is enough for.
#[utoipa::path(
    post, path = "/against", request_body = AgainstRequest, operation_id = "measure_against",
    responses((status = 200, body = Vec<AgainstView>), (status = 422, body = ApiError))
)]
pub(crate) async fn measure(
    State(bench): State<Bench>,
    JsonBody(body): JsonBody<AgainstRequest>,
) -> Result<Json<Vec<AgainstView>>, ApiError> {
    let AgainstRequest {
        spec,
        front,
        ground,
    } = body;
    let theme = bench.read(spec).await?;
    let job = move || -> Result<Vec<Against>, ApiError> {
        let theme = derived(&theme).map_err(|p| ApiError::invalid("/spec", p))?;
        let side = |text, place| Side::read(&theme, text).map_err(|e| ApiError::value(place, e));
        let (front, ground) = (side(&front, "/front")?, side(&ground, "/ground")?);
        Ok(against(&front, &ground))
    };
    let measured = bench.work.run(job).await??;
    Ok(Json(measured.into_iter().map(AgainstView::from).collect()))
}
