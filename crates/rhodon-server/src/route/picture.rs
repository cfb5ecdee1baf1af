//! Pictures: read within limits, kept small by their content, and looked at again.

use std::sync::{Arc, LazyLock};

use axum::Json;
use axum::body::{Body, Bytes};
use axum::extract::State;
use axum::http::{StatusCode, header};
use axum::response::{IntoResponse, Response};
use quick_cache::sync::Cache;
use rhodon_color::Rgb8;
use rhodon_picture::{Found, Lean, MAX_BYTES, MOST_COLORS, Picture, PictureError, is_heavy};
use rhodon_store::PictureRecord;
use rhodon_theme::{color_look, is_grey};
use serde::{Deserialize, Serialize};
use tokio::sync::Semaphore;
use utoipa::{IntoParams, ToSchema};

use crate::bench::Bench;
use crate::error::ApiError;
use crate::json::JsonBody;
use crate::path::{Path, Query};

/// Pictures that are decoded at once.
const DECODED_AT_ONCE: u32 = 2;
static DECODING: LazyLock<Semaphore> = LazyLock::new(|| Semaphore::new(DECODED_AT_ONCE as usize));

/// Pictures that are held decoded, 4 MB each: those whose spots are being moved.
const HELD: usize = 6;
static PICTURES: LazyLock<Cache<String, Arc<Picture>>> = LazyLock::new(|| Cache::new(HELD));

/// Digits of the hash that names a picture.
const DIGITS: usize = 32;
/// How many colours are told unless somebody asks for more or fewer.
const USUAL: usize = 8;

/// How colours are looked for.
#[derive(Debug, Deserialize, IntoParams)]
#[serde(deny_unknown_fields)]
#[into_params(parameter_in = Query)]
pub struct LookFor {
    /// How many at most, 1 to 12; 8 where none is given.
    count: Option<usize>,
    /// lighter, darker, stronger or softer.
    lean: Option<String>,
}

impl LookFor {
    fn read(&self) -> Result<(usize, Option<Lean>), ApiError> {
        let count = self.count.unwrap_or(USUAL);
        if !(1..=MOST_COLORS).contains(&count) {
            let message = format!("expected 1 to {MOST_COLORS} colours, found {count}");
            return Err(ApiError::value("/count", message));
        }
        let lean = self.lean.as_deref().map(str::parse).transpose();
        Ok((
            count,
            lean.map_err(|e: String| ApiError::value("/lean", e))?,
        ))
    }
}

/// A picture and the colours that stand in it.
#[derive(Debug, Serialize, ToSchema)]
pub struct PictureView {
    /// Hash of what is kept, in hexadecimal digits: its address is `/api/pictures/{id}`.
    id: String,
    /// Width as it came, upright, in pixels.
    width: u32,
    /// Height as it came, upright, in pixels.
    height: u32,
    /// The most telling first.
    colors: Vec<FoundView>,
}

/// A colour of a picture.
#[derive(Debug, Serialize, ToSchema)]
pub struct FoundView {
    hex: String,
    /// A readable name for it.
    name: String,
    /// How much of what is seen it stands for, 0–1.
    share: f64,
    /// Its spot: 0–1 from the left.
    x: f64,
    /// Its spot: 0–1 from the top.
    y: f64,
    /// Whether the code is written in the file.
    written: bool,
    /// Whether it is seen as a grey, black or white, as paper and ink are.
    grey: bool,
}

fn view(id: String, picture: &Picture, look: (usize, Option<Lean>)) -> PictureView {
    let found = |found: Found| FoundView {
        hex: found.color.to_string(),
        name: color_look(found.color),
        share: found.share,
        x: found.x,
        y: found.y,
        written: picture.written.contains(&found.color),
        grey: is_grey(found.color),
    };
    PictureView {
        id,
        width: picture.width,
        height: picture.height,
        colors: picture
            .colors(look.0, look.1)
            .into_iter()
            .map(found)
            .collect(),
    }
}

pub(super) fn refused(error: &PictureError) -> ApiError {
    let detail = error.to_string();
    let status = match error {
        PictureError::Bytes(_) | PictureError::Size { .. } | PictureError::Depth { .. } => {
            StatusCode::PAYLOAD_TOO_LARGE
        }
        _ => StatusCode::UNPROCESSABLE_ENTITY,
    };
    ApiError::new(
        status,
        "/problems/no-picture",
        "The picture cannot be read",
        detail,
    )
}

/// Reads a picture, keeps it small without its metadata, and tells its colours.
#[utoipa::path(
    post, path = "/pictures", params(LookFor), operation_id = "add_picture",
    request_body(content = Vec<u8>, content_type = "application/octet-stream", description = "PNG, JPEG, WebP, GIF or SVG"),
    responses((status = 200, body = PictureView), (status = 413, body = ApiError), (status = 422, body = ApiError))
)]
pub(crate) async fn add(
    State(bench): State<Bench>,
    Query(look): Query<LookFor>,
    body: Body,
) -> Result<Json<PictureView>, ApiError> {
    let look = look.read()?;
    // A place to decode comes before the bytes: what waits holds nothing.
    let mut place = DECODING
        .acquire()
        .await
        .map_err(|e| ApiError::unexpected(&e))?;
    let bytes = received(body).await?;
    if is_heavy(&bytes) {
        // The one place goes back first, so that two that want both do not wait for each other.
        drop(place);
        place = DECODING
            .acquire_many(DECODED_AT_ONCE)
            .await
            .map_err(|e| ApiError::unexpected(&e))?;
    }
    let read = bench.work.run(move || {
        let picture = Picture::read(&bytes)?;
        drop(bytes);
        let kept = picture.to_webp();
        let id = blake3::hash(&kept).to_hex()[..DIGITS].to_owned();
        let told = view(id, &picture, look);
        Ok((picture, kept, told))
    });
    let (picture, kept, told) = read.await?.map_err(|e: PictureError| refused(&e))?;
    drop(place);
    let record = PictureRecord {
        id: told.id.clone(),
        width: picture.width,
        height: picture.height,
        written: picture.written.iter().map(ToString::to_string).collect(),
        webp: kept,
    };
    bench.store.keep_picture(record).await?;
    PICTURES.insert(told.id.clone(), Arc::new(picture));
    Ok(Json(told))
}

/// The bytes of a body, refused as soon as they are too many.
pub(super) async fn received(body: Body) -> Result<Bytes, ApiError> {
    let bytes = axum::body::to_bytes(body, MAX_BYTES).await;
    bytes.map_err(|_| {
        let detail = format!("expected a file of at most {} MB", MAX_BYTES / 1_000_000);
        ApiError::new(
            StatusCode::PAYLOAD_TOO_LARGE,
            "/problems/too-large",
            "The picture is too large",
            detail,
        )
    })
}

/// A picture as it is kept.
#[utoipa::path(
    get, path = "/pictures/{id}", operation_id = "get_picture", params(("id" = String, Path,)),
    responses((status = 200, content_type = "image/webp", body = Vec<u8>), (status = 404, body = ApiError))
)]
pub(crate) async fn get(
    State(bench): State<Bench>,
    Path(id): Path<String>,
) -> Result<Response, ApiError> {
    let record = bench.store.picture(&id).await?;
    let headers = [
        (header::CONTENT_TYPE, "image/webp"),
        (header::CACHE_CONTROL, "public, max-age=31536000, immutable"),
    ];
    Ok((headers, record.webp).into_response())
}

/// The colours of a kept picture, looked for in another way.
#[utoipa::path(
    get, path = "/pictures/{id}/colors", operation_id = "picture_colors", params(("id" = String, Path,), LookFor),
    responses((status = 200, body = PictureView), (status = 404, body = ApiError), (status = 422, body = ApiError))
)]
pub(crate) async fn colors(
    State(bench): State<Bench>,
    Path(id): Path<String>,
    Query(look): Query<LookFor>,
) -> Result<Json<PictureView>, ApiError> {
    let look = look.read()?;
    let picture = held(&bench, &id).await?;
    Ok(Json(
        bench.work.run(move || view(id, &picture, look)).await?,
    ))
}

/// A place in a picture.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SpotRequest {
    /// 0–1 from the left.
    x: f64,
    /// 0–1 from the top.
    y: f64,
    /// Over which radius colours are averaged, 0–0.25 of the longer side.
    #[serde(default)]
    radius: f64,
}

/// The colour of a spot.
#[derive(Debug, Serialize, ToSchema)]
pub struct SpotView {
    /// None where nothing is to be seen there.
    hex: Option<String>,
    name: Option<String>,
}

/// The colour at a spot of a kept picture.
#[utoipa::path(
    post, path = "/pictures/{id}/spot", operation_id = "picture_spot", params(("id" = String, Path,)),
    request_body = SpotRequest, responses((status = 200, body = SpotView), (status = 404, body = ApiError))
)]
pub(crate) async fn spot(
    State(bench): State<Bench>,
    Path(id): Path<String>,
    JsonBody(body): JsonBody<SpotRequest>,
) -> Result<Json<SpotView>, ApiError> {
    let picture = held(&bench, &id).await?;
    let color = picture.at(body.x, body.y, body.radius);
    Ok(Json(SpotView {
        hex: color.map(|c| c.to_string()),
        name: color.map(color_look),
    }))
}

/// A kept picture, decoded.
async fn held(bench: &Bench, id: &str) -> Result<Arc<Picture>, ApiError> {
    if let Some(known) = PICTURES.get(id) {
        return Ok(known);
    }
    let record = bench.store.picture(id).await?;
    let read = bench.work.run(move || {
        let mut picture = Picture::read(&record.webp)?;
        (picture.width, picture.height) = (record.width, record.height);
        let codes = record.written.iter().map(|code| code.parse::<Rgb8>());
        picture.written = codes.flatten().collect();
        Ok(picture)
    });
    let picture = Arc::new(read.await?.map_err(|e: PictureError| refused(&e))?);
    PICTURES.insert(id.to_owned(), picture.clone());
    Ok(picture)
}
