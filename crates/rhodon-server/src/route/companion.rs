//! Companions of a colour by hue relation.

use axum::Json;
use rhodon_color::{Color, RELATIONS, Rgb8, companions as by_turns, drawn, partners, turns_apart};
use rhodon_theme::{TEXT_RATIO, color_look};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::error::ApiError;
use crate::json::JsonBody;

/// Colours on the wheel that the interface draws.
const WHEEL: usize = 36;
/// The most codes and turns that are taken in.
const MOST_OTHERS: usize = 40;

/// Whose companions.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct CompanionRequest {
    /// Any CSS colour.
    color: String,
    /// 0 gives the relations exactly; every other number a draw of its own near them, the same
    /// each time.
    #[serde(default)]
    draw: u32,
    /// Codes that companions stay apart from.
    #[serde(default)]
    apart: Vec<String>,
    /// Degrees of hue of one's own choice.
    #[serde(default)]
    turns: Vec<f64>,
}

/// The relations of a colour.
#[derive(Debug, Serialize, ToSchema)]
pub struct CompanionsView {
    /// The colour itself.
    hex: String,
    /// Its Oklch hue in degrees, none for a grey.
    hue: Option<f64>,
    relations: Vec<RelationView>,
    /// Every hue at the same lightness and strength, from this colour's hue on.
    wheel: Vec<String>,
    /// Companions at the turns of one's own choice.
    own: Vec<CompanionView>,
    /// The nearest colours of its hue that are read on it, the nearest first.
    partners: Vec<String>,
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
}

/// Companions by every relation, at equal lightness and strength, inside sRGB.
#[utoipa::path(
    post, path = "/companions", request_body = CompanionRequest,
    responses((status = 200, body = CompanionsView), (status = 422, body = ApiError))
)]
pub(crate) async fn companions(
    JsonBody(body): JsonBody<CompanionRequest>,
) -> Result<Json<CompanionsView>, ApiError> {
    let color = Color::parse_typed(&body.color)
        .map_err(|e| ApiError::value("/color", e.to_string()))?
        .to_rgb8();
    let others = body.apart.iter().enumerate().map(|(i, code)| {
        let read = code.parse::<Rgb8>();
        read.map_err(|e| ApiError::value(&format!("/apart/{i}"), format!("\"{code}\": {e}")))
    });
    let others: Vec<Rgb8> = others.take(MOST_OTHERS).collect::<Result<_, _>>()?;
    let companions_at = |turns: &[f64]| -> Vec<CompanionView> {
        let companion = |(code, turn): (Rgb8, &f64)| CompanionView {
            hex: code.to_string(),
            name: color_look(code),
            turn: *turn,
        };
        by_turns(color, turns)
            .into_iter()
            .zip(turns)
            .map(companion)
            .collect()
    };
    let view =
        |turns: &[f64]| companions_at(&turns_apart(color, &drawn(turns, body.draw), &others));
    let turns: Vec<f64> = body.turns.iter().take(MOST_OTHERS).copied().collect();
    let around: Vec<f64> = (0..WHEEL)
        .map(|i| i as f64 * 360.0 / WHEEL as f64)
        .collect();
    Ok(Json(CompanionsView {
        hex: color.to_string(),
        hue: color.to_oklch().hue(),
        own: companions_at(&turns),
        partners: partners(color, TEXT_RATIO)
            .iter()
            .map(ToString::to_string)
            .collect(),
        relations: RELATIONS
            .iter()
            .map(|r| RelationView {
                relation: r.id,
                companions: view(r.turns),
            })
            .collect(),
        wheel: by_turns(color, &around)
            .iter()
            .map(ToString::to_string)
            .collect(),
    }))
}
