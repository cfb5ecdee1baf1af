//! Reading one colour as it is typed.

use axum::Json;
use rhodon_color::{Color, Notation, Rgb8, difference, drawn_around};
use rhodon_formats::read::{ListItem, color_list};
use rhodon_theme::{Typed, color_look, color_name, opacity_note};
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

/// The colour of a text that is one entry of a list, such as a line of code or of a brand sheet.
fn pasted(text: &str) -> Option<Typed<Color>> {
    let [item]: [ListItem; 1] = color_list(text).try_into().ok()?;
    item.color.ok()?.parse().ok()
}

/// Reads a CSS colour, hex with or without `#`, or what is pasted with a colour in it.
#[utoipa::path(
    post, path = "/color", request_body = ColorRequest,
    responses((status = 200, body = ColorView), (status = 422, body = ApiError))
)]
pub(crate) async fn color(
    JsonBody(body): JsonBody<ColorRequest>,
) -> Result<Json<ColorView>, ApiError> {
    let typed = Typed::<Color>::from_field(&body.text)
        .or_else(|e| pasted(&body.text).ok_or(e))
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
    /// The name in front of it or behind, or one after its look.
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

/// Colours, and those that are there.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NearestRequest {
    /// Any CSS colours, at most 200.
    colors: Vec<String>,
    /// Any CSS colours, at most 40.
    among: Vec<String>,
}

/// Which of them stands nearest.
#[derive(Debug, Serialize, ToSchema)]
pub struct NearestView {
    /// Its index.
    index: usize,
    /// CIEDE2000.
    difference: f64,
}

/// The most colours that are compared, and with how many.
const MOST_COMPARED: (usize, usize) = (200, 40);

/// For each colour the nearest of those that are there; none where there is nothing to compare.
#[utoipa::path(
    post, path = "/nearest", request_body = NearestRequest,
    responses((status = 200, body = Vec<Option<NearestView>>), (status = 422, body = ApiError))
)]
pub(crate) async fn nearest(
    JsonBody(body): JsonBody<NearestRequest>,
) -> Result<Json<Vec<Option<NearestView>>>, ApiError> {
    let colors = codes("/colors", &body.colors, MOST_COMPARED.0)?;
    let among = codes("/among", &body.among, MOST_COMPARED.1)?;
    let nearest = |color: &Rgb8| {
        let away = among
            .iter()
            .map(|other| difference(*color, *other))
            .enumerate();
        let (index, difference) = away.min_by(|a, b| a.1.total_cmp(&b.1))?;
        Some(NearestView { index, difference })
    };
    Ok(Json(colors.iter().map(nearest).collect()))
}

fn codes(at: &str, texts: &[String], most: usize) -> Result<Vec<Rgb8>, ApiError> {
    if texts.len() > most {
        let message = format!("expected at most {most} colours, found {}", texts.len());
        return Err(ApiError::value(at, message));
    }
    let read = |(i, text): (usize, &String)| {
        let color = Color::parse_typed(text);
        color
            .map(Color::to_rgb8)
            .map_err(|e| ApiError::value(&format!("{at}/{i}"), format!("\"{text}\": {e}")))
    };
    texts.iter().enumerate().map(read).collect()
}

/// Which draw.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct StartRequest {
    /// Every number gives a brand of its own, the same each time.
    draw: u32,
    /// Codes that stay, each in its place; nothing where another is drawn.
    #[serde(default)]
    keep: Vec<Option<String>>,
}

/// A colour to begin with.
#[derive(Debug, Serialize, ToSchema)]
pub struct StartColor {
    name: String,
    hex: String,
}

/// Colours to begin with, for who has none.
#[utoipa::path(post, path = "/start", request_body = StartRequest, responses((status = 200, body = Vec<StartColor>), (status = 422, body = ApiError)))]
pub(crate) async fn start(
    JsonBody(body): JsonBody<StartRequest>,
) -> Result<Json<Vec<StartColor>>, ApiError> {
    let code = |(at, text): (usize, &Option<String>)| {
        let code = text.as_ref().map(|text| text.parse::<Rgb8>());
        code.transpose()
            .map_err(|e| ApiError::value(&format!("/keep/{at}"), e.to_string()))
    };
    let keep = body.keep.iter().enumerate().map(code);
    let keep = keep.collect::<Result<Vec<_>, _>>()?;
    let color = |code: Rgb8| StartColor {
        name: color_look(code),
        hex: code.to_string(),
    };
    let drawn = drawn_around(body.draw, &keep);
    Ok(Json(drawn.into_iter().map(color).collect()))
}
