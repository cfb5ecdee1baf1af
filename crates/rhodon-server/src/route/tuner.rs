//! One colour along lightness, strength and hue: what it would become, and where screens and pages
//! set limits.

use axum::Json;
use rhodon_color::{Color, MOST_STRENGTH, Place, Rgb8, Stop, lightness_with};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::error::ApiError;
use crate::json::JsonBody;

/// Stops of one strip: enough that the eye sees no band.
const STOPS: usize = 41;
/// Ratios whose lines are marked: graphics, text, text at the stronger level (WCAG 2.2, 1.4.11, 1.4.3
/// and 1.4.6).
const RATIOS: [f64; 3] = [3.0, 4.5, 7.0];
/// The most pages that lines are drawn for.
const MOST_PAGES: usize = 8;

/// A colour, or a place to which one was moved.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct TunerRequest {
    /// Any CSS colour; where a place is given, it is moved there.
    color: Option<String>,
    at: Option<PlaceView>,
    /// Codes of the pages that it must be told from.
    #[serde(default)]
    pages: Vec<String>,
}

/// Where a colour stands.
#[derive(Clone, Copy, Debug, Deserialize, Serialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct PlaceView {
    /// CIE L\*, 0–100.
    lightness: f64,
    /// Oklch chroma, from 0.
    strength: f64,
    /// Oklch hue in degrees.
    hue: f64,
}

/// A colour with its strips.
#[derive(Debug, Serialize, ToSchema)]
#[serde(rename_all = "camelCase")]
pub struct TunerView {
    /// The colour that the screen shows there.
    hex: String,
    /// Where it was asked to stand.
    at: PlaceView,
    lightness: Strip,
    strength: Strip,
    hue: Strip,
    /// The most strength that the screen has at this lightness and hue.
    end: f64,
    /// Lines on the lightness strip.
    lines: Vec<PageLine>,
}

/// What the colour becomes along one of the three.
#[derive(Debug, Serialize, ToSchema)]
pub struct Strip {
    /// The value at the last stop; the first is 0.
    high: f64,
    stops: Vec<StopView>,
}

/// One stop of a strip.
#[derive(Debug, Serialize, ToSchema)]
pub struct StopView {
    hex: String,
    /// Whether the screen shows that colour; else it loses strength there.
    fits: bool,
}

/// Where a ratio against a page is reached.
#[derive(Debug, Serialize, ToSchema)]
pub struct PageLine {
    /// Index of the page.
    page: usize,
    ratio: f64,
    /// CIE L\*.
    lightness: f64,
}

impl Strip {
    fn of(high: f64, stops: Vec<Stop>) -> Self {
        let view = |stop: Stop| StopView {
            hex: stop.color.to_string(),
            fits: stop.fits,
        };
        Self {
            high,
            stops: stops.into_iter().map(view).collect(),
        }
    }
}

impl From<Place> for PlaceView {
    fn from(place: Place) -> Self {
        Self {
            lightness: place.lightness,
            strength: place.strength,
            hue: place.hue,
        }
    }
}

/// Tells what a colour would become along lightness, strength and hue.
#[utoipa::path(
    post, path = "/tuner", request_body = TunerRequest,
    responses((status = 200, body = TunerView), (status = 422, body = ApiError))
)]
pub(crate) async fn tuner(
    JsonBody(body): JsonBody<TunerRequest>,
) -> Result<Json<TunerView>, ApiError> {
    let place = place(&body)?;
    let pages = body.pages.iter().take(MOST_PAGES).enumerate();
    let mut lines = Vec::new();
    for (page, code) in pages {
        let pointer = format!("/pages/{page}");
        let code: Rgb8 = code
            .parse()
            .map_err(|e| ApiError::value(&pointer, format!("\"{code}\": {e}")))?;
        lines.extend(RATIOS.iter().filter_map(|ratio| {
            Some(PageLine {
                page,
                ratio: *ratio,
                lightness: lightness_with(code, *ratio)?,
            })
        }));
    }
    Ok(Json(TunerView {
        hex: place.stop().color.to_string(),
        at: place.into(),
        lightness: Strip::of(100.0, place.along_lightness(STOPS)),
        strength: Strip::of(MOST_STRENGTH, place.along_strength(STOPS)),
        hue: Strip::of(360.0, place.along_hue(STOPS)),
        end: place.end(),
        lines,
    }))
}

fn place(body: &TunerRequest) -> Result<Place, ApiError> {
    if let Some(at) = body.at {
        let place = Place {
            lightness: at.lightness,
            strength: at.strength,
            hue: at.hue,
        };
        return Ok(place.cut());
    }
    let text = body.color.as_deref().unwrap_or_default();
    let color = Color::parse_typed(text).map_err(|e| ApiError::value("/color", e.to_string()))?;
    Ok(Place::of(color.to_rgb8()))
}
