//! Companions of a colour by hue relation.

use axum::Json;
use rhodon_color::{Color, RELATIONS, companions as by_turns};
use rhodon_theme::color_name;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::error::ApiError;
use crate::json::JsonBody;

/// Whose companions.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct CompanionRequest {
    /// Any CSS colour.
    color: String,
}

/// One relation and the companions it gives.
#[derive(Debug, Serialize, ToSchema)]
pub struct RelationView {
    relation: &'static str,
    companions: Vec<CompanionView>,
}

/// One companion.
#[derive(Debug, Serialize, ToSchema)]
pub struct CompanionView {
    hex: String,
    /// A readable name for it.
    name: String,
    /// Degrees of hue from the colour.
    turn: f64,
    /// Oklch hue in degrees, none for a grey.
    hue: Option<f64>,
}

/// Companions by every relation, at equal lightness and strength, inside sRGB.
#[utoipa::path(
    post, path = "/companions", request_body = CompanionRequest,
    responses((status = 200, body = Vec<RelationView>), (status = 422, body = ApiError))
)]
pub(crate) async fn companions(
    JsonBody(body): JsonBody<CompanionRequest>,
) -> Result<Json<Vec<RelationView>>, ApiError> {
    let color =
        Color::parse_typed(&body.color).map_err(|e| ApiError::value("/color", e.to_string()))?.to_rgb8();
    let view = |turns: &[f64]| {
        let found = by_turns(color, turns);
        let companion = |(code, turn): (rhodon_color::Rgb8, &f64)| CompanionView {
            hex: code.to_string(),
            name: color_name(code),
            turn: *turn,
            hue: code.to_oklch().hue(),
        };
        found.into_iter().zip(turns).map(companion).collect()
    };
    Ok(Json(RELATIONS.iter().map(|r| RelationView { relation: r.id, companions: view(r.turns) }).collect()))
}
