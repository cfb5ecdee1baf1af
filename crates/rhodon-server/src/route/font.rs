//! Faces of a web-font service: its catalogue, its style sheets, and its files, from this server's own
//! address, so that a page asks nobody else.

use axum::Json;
use axum::extract::State;
use axum::http::{StatusCode, header};
use axum::response::{IntoResponse, Response};
use serde::{Deserialize, Serialize};
use utoipa::{IntoParams, ToSchema};

use crate::error::ApiError;
use crate::path::{Path, Query};
use crate::service::Services;

/// A face of the service.
#[derive(Debug, Serialize, ToSchema)]
pub struct WebFace {
    family: String,
    /// sans, rounded, serif, slab, display or mono.
    kind: String,
    /// Lightest and boldest weight.
    weights: [u16; 2],
    scripts: Vec<String>,
    /// The address of its style sheet at the service: what a page of one's own imports.
    sheet: String,
}

#[derive(Debug, Deserialize)]
struct TheirFace {
    family: String,
    kind: String,
    weights: [u16; 2],
    #[serde(default)]
    scripts: Vec<String>,
}

/// The faces that the service has; none where no service is set.
#[utoipa::path(
    get, path = "/fonts", operation_id = "web_faces",
    responses((status = 200, body = Vec<WebFace>), (status = 502, body = ApiError))
)]
pub(crate) async fn faces(
    State(services): State<Services>,
) -> Result<Json<Vec<WebFace>>, ApiError> {
    if services.fonts.address().is_none() {
        return Ok(Json(Vec::new()));
    }
    let none: [(&str, &str); 0] = [];
    let found: Vec<TheirFace> = services.fonts.get("fonts/faces", &none).await?;
    let face = |face: TheirFace| {
        let mut sheet = services.fonts.address()?.join("fonts/sheet").ok()?;
        let [low, high] = face.weights;
        sheet
            .query_pairs_mut()
            .append_pair("family", &face.family)
            .append_pair("weights", &format!("{low}..{high}"));
        Some(WebFace {
            family: face.family,
            kind: face.kind,
            weights: face.weights,
            scripts: face.scripts,
            sheet: sheet.to_string(),
        })
    };
    Ok(Json(found.into_iter().filter_map(face).collect()))
}

/// Which style sheet.
#[derive(Debug, Deserialize, Serialize, IntoParams)]
#[serde(deny_unknown_fields)]
#[into_params(parameter_in = Query)]
pub struct SheetOf {
    family: String,
}

/// The style sheet of a face; its files come from here as well.
#[utoipa::path(
    get, path = "/fonts/sheet", params(SheetOf), operation_id = "web_face_sheet",
    responses((status = 200, content_type = "text/css", body = String), (status = 502, content_type = "text/css", body = String))
)]
pub(crate) async fn sheet(
    State(services): State<Services>,
    Query(query): Query<SheetOf>,
) -> Response {
    let (status, css) = match services.fonts.bytes("fonts/sheet", &query).await {
        Ok(bytes) => (StatusCode::OK, String::from_utf8_lossy(&bytes).into_owned()),
        // What asks for a sheet reads nothing else.
        Err(why) => (
            StatusCode::BAD_GATEWAY,
            format!("/* {} */\n", why.detail().replace("*/", "")),
        ),
    };
    let css = css.replace("url(\"files/", "url(\"/api/fonts/files/");
    let headers = [(header::CONTENT_TYPE, "text/css; charset=utf-8")];
    (status, headers, css).into_response()
}

/// A font file of the service.
#[utoipa::path(
    get, path = "/fonts/files/{file}", params(("file" = String, Path,)), operation_id = "web_face_file",
    responses((status = 200, content_type = "font/woff2", body = Vec<u8>), (status = 502, body = ApiError))
)]
pub(crate) async fn file(
    State(services): State<Services>,
    Path(file): Path<String>,
) -> Result<Response, ApiError> {
    let none: [(&str, &str); 0] = [];
    let path = format!("fonts/files/{}", file.replace(['/', '\\', '?', '#'], ""));
    let bytes = services.fonts.bytes(&path, &none).await?;
    let headers = [
        (header::CONTENT_TYPE, "font/woff2"),
        (header::CACHE_CONTROL, "public, max-age=86400"),
    ];
    Ok((headers, bytes).into_response())
}
