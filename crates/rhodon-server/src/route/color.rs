//! Reading one colour as it is typed.

use axum::Json;
use rhodon_color::{Color, Notation};
use rhodon_formats::read::{ListItem, color_list};
use rhodon_theme::{Typed, color_name, opacity_note};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::error::ApiError;
use crate::json::JsonBody;

/// What was typed.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ColorRequest {
    text: String,
}

/// A colour in every notation.
#[derive(Debug, Serialize, ToSchema)]
#[serde(rename_all = "camelCase")]
pub struct ColorView {
    /// What a document holds for it: as typed, with its `#`.
    css: String,
    hex: String,
    rgb: String,
    hsl: String,
    oklch: String,
    /// A readable name for it.
    name: String,
    in_srgb: bool,
    /// What a brand colour cannot carry of it, in a sentence.
    note: Option<String>,
}

/// Reads a CSS colour, hex with or without `#`.
#[utoipa::path(
    post, path = "/color", request_body = ColorRequest,
    responses((status = 200, body = ColorView), (status = 422, body = ApiError))
)]
pub(crate) async fn color(
    JsonBody(body): JsonBody<ColorRequest>,
) -> Result<Json<ColorView>, ApiError> {
    let typed = Typed::<Color>::from_field(&body.text)
        .map_err(|e| ApiError::value("/text", e.to_string()))?;
    let color = *typed.value();
    Ok(Json(ColorView {
        css: typed.text().to_owned(),
        hex: color.to_hex(),
        rgb: Notation::Rgb.write(color),
        hsl: Notation::Hsl.write(color),
        oklch: Notation::Oklch.write(color),
        name: color_name(typed.text(), color),
        in_srgb: color.gamut_fit().srgb,
        note: opacity_note(color),
    }))
}

/// A pasted list.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ColorsRequest {
    text: String,
}

/// One entry of the list: with `css` a colour, with `error` a refusal.
#[derive(Debug, Serialize, ToSchema)]
pub struct ColorItem {
    /// The entry as it was pasted.
    input: String,
    /// The name in front of it, or one after its look.
    name: String,
    css: Option<String>,
    hex: Option<String>,
    error: Option<String>,
    /// What a brand colour cannot carry of it, in a sentence.
    note: Option<String>,
}

/// Reads a pasted list of colours in whatever notation; every entry becomes a colour or a refusal.
#[utoipa::path(post, path = "/colors", request_body = ColorsRequest, responses((status = 200, body = Vec<ColorItem>)))]
pub(crate) async fn colors(JsonBody(body): JsonBody<ColorsRequest>) -> Json<Vec<ColorItem>> {
    let item = |i: ListItem| {
        let color = i.color.as_ref().ok().and_then(|c| Color::parse(c).ok());
        let css = i.color.as_deref().unwrap_or_default();
        let look = || color.map(|c| color_name(css, c)).unwrap_or_default();
        ColorItem {
            input: i.input,
            name: i.name.unwrap_or_else(look),
            hex: color.map(Color::to_hex),
            error: i.color.as_ref().err().cloned(),
            note: color.and_then(opacity_note),
            css: i.color.ok(),
        }
    };
    Json(color_list(&body.text).into_iter().map(item).collect())
}
