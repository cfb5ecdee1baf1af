//! Published themes: a saved revision as an immutable file, and which file is current.

use std::io::Write;
use std::sync::LazyLock;

use axum::Json;
use axum::body::{Body, Bytes};
use axum::extract::State;
use axum::http::{HeaderMap, HeaderValue, header};
use axum::response::{IntoResponse, Response};
use flate2::Compression;
use flate2::write::GzEncoder;
use quick_cache::sync::Cache;
use rhodon_formats::style_sheet;
use rhodon_publish::{Index, Shelf, ShelfError};
use serde::Serialize;
use utoipa::ToSchema;

use super::export::with_source;
use crate::asset::accepts_gzip;
use crate::bench::Bench;
use crate::error::ApiError;
use crate::path::Path;

/// Where published files are served.
pub(crate) const PLACE: &str = "/published";
/// Files that are held in memory.
const HELD: usize = 64;

/// A theme's published files.
#[derive(Debug, Serialize, ToSchema)]
#[serde(rename_all = "camelCase")]
pub struct PublishedView {
    /// Whether this server publishes at all.
    open: bool,
    /// Address of the file that is current, on this server.
    current: Option<String>,
    /// Whether the saved theme says something else than the file that is current.
    is_behind: bool,
    /// Every file, the last published first.
    files: Vec<PublishedFile>,
}

/// One file.
#[derive(Debug, Serialize, ToSchema)]
pub struct PublishedFile {
    file: String,
    revision: Option<i32>,
}

impl From<ShelfError> for ApiError {
    fn from(error: ShelfError) -> Self {
        match error {
            ShelfError::Missing(_) => Self::not_found(error.to_string()),
            other => Self::value("/published", other.to_string()),
        }
    }
}

fn needed(shelf: Option<Shelf>) -> Result<Shelf, ApiError> {
    shelf.ok_or_else(|| {
        let message = "this server publishes nothing: start it with --published, a folder or s3://bucket/folder";
        ApiError::not_found(message)
    })
}

/// The style sheet of a saved theme, and its revision.
async fn sheet(bench: &Bench, slug: &str) -> Result<(String, i32), ApiError> {
    let saved = bench.store.get(slug).await?;
    let revision = saved.theme.revision;
    let theme = bench.read(saved.revision.spec).await?;
    let saved = (Some(revision), None);
    let job = move || with_source(&theme, saved, |source| Ok(style_sheet(source)?));
    Ok((bench.work.run(job).await??, revision))
}

fn view(index: Index, revision: i32) -> PublishedView {
    let current = index
        .files
        .iter()
        .find(|f| index.current.as_ref() == Some(&f.file));
    let is_behind = current.is_some_and(|entry| entry.revision != Some(revision));
    PublishedView {
        open: true,
        current: index.current.map(|file| format!("{PLACE}/{file}")),
        is_behind,
        files: index
            .files
            .into_iter()
            .rev()
            .map(|entry| PublishedFile {
                file: entry.file,
                revision: entry.revision,
            })
            .collect(),
    }
}

/// What of a theme is published.
#[utoipa::path(
    get, path = "/themes/{slug}/published", operation_id = "get_published", params(("slug" = String, Path,)),
    responses((status = 200, body = PublishedView), (status = 404, body = ApiError), (status = 422, body = ApiError))
)]
pub(crate) async fn get(
    State(bench): State<Bench>,
    State(shelf): State<Option<Shelf>>,
    Path(slug): Path<String>,
) -> Result<Json<PublishedView>, ApiError> {
    let saved = bench.store.get(&slug).await?;
    let Some(shelf) = shelf else {
        return Ok(Json(PublishedView {
            open: false,
            ..view(Index::default(), saved.theme.revision)
        }));
    };
    Ok(Json(view(shelf.index(&slug).await?, saved.theme.revision)))
}

/// Publishes a saved theme; gives the name of its file.
pub(super) async fn published_now(
    bench: &Bench,
    shelf: Option<Shelf>,
    slug: &str,
) -> Result<String, ApiError> {
    let shelf = needed(shelf)?;
    let (text, revision) = sheet(bench, slug).await?;
    Ok(shelf.publish(slug, &text, Some(revision)).await?.file)
}

/// Publishes the saved theme; the same content is the same file.
#[utoipa::path(
    post, path = "/themes/{slug}/published", operation_id = "publish_theme", params(("slug" = String, Path,)),
    responses((status = 200, body = PublishedView), (status = 404, body = ApiError), (status = 422, body = ApiError))
)]
pub(crate) async fn publish(
    State(bench): State<Bench>,
    State(shelf): State<Option<Shelf>>,
    Path(slug): Path<String>,
) -> Result<Json<PublishedView>, ApiError> {
    let shelf = needed(shelf)?;
    let (text, revision) = sheet(&bench, &slug).await?;
    shelf.publish(&slug, &text, Some(revision)).await?;
    Ok(Json(view(shelf.index(&slug).await?, revision)))
}

/// Says that no file of the theme is current any more; those that are published stay.
#[utoipa::path(
    delete, path = "/themes/{slug}/published", operation_id = "withdraw_theme", params(("slug" = String, Path,)),
    responses((status = 200, body = PublishedView), (status = 404, body = ApiError), (status = 422, body = ApiError))
)]
pub(crate) async fn withdraw(
    State(bench): State<Bench>,
    State(shelf): State<Option<Shelf>>,
    Path(slug): Path<String>,
) -> Result<Json<PublishedView>, ApiError> {
    let saved = bench.store.get(&slug).await?;
    let index = needed(shelf)?.withdraw(&slug).await?;
    Ok(Json(view(index, saved.theme.revision)))
}

/// A file as it is and packed.
#[derive(Clone)]
struct Held {
    plain: Bytes,
    packed: Bytes,
}

/// Immutable files: once read they need no look at the disk again.
static FILES: LazyLock<Cache<String, Held>> = LazyLock::new(|| Cache::new(HELD));

/// A published file, for anybody and for ever; an index is asked for anew each time.
pub(crate) async fn serve(
    State(shelf): State<Option<Shelf>>,
    Path(file): Path<String>,
    headers: HeaderMap,
) -> Result<Response, ApiError> {
    let shelf = needed(shelf)?;
    let is_index = file.ends_with(".json");
    let held = match FILES.get(&file) {
        Some(held) => held,
        None => {
            let held = packed(shelf.read(&file).await?);
            if !is_index {
                FILES.insert(file, held.clone());
            }
            held
        }
    };
    let gzip = accepts_gzip(&headers);
    let bytes = if gzip { held.packed } else { held.plain };
    let mut response = Body::from(bytes).into_response();
    let out = response.headers_mut();
    let (kind, cache) = match is_index {
        true => ("application/json", "no-cache"),
        false => (
            "text/css; charset=utf-8",
            "public, max-age=31536000, immutable",
        ),
    };
    out.insert(header::CONTENT_TYPE, HeaderValue::from_static(kind));
    out.insert(header::CACHE_CONTROL, HeaderValue::from_static(cache));
    out.insert(header::VARY, HeaderValue::from_static("accept-encoding"));
    // Published is for everybody: any page may load it.
    out.insert(
        header::ACCESS_CONTROL_ALLOW_ORIGIN,
        HeaderValue::from_static("*"),
    );
    out.insert(
        "cross-origin-resource-policy",
        HeaderValue::from_static("cross-origin"),
    );
    if gzip {
        out.insert(header::CONTENT_ENCODING, HeaderValue::from_static("gzip"));
    }
    Ok(response)
}

fn packed(plain: Bytes) -> Held {
    let mut gzip = GzEncoder::new(Vec::with_capacity(plain.len() / 3), Compression::best());
    // Writing to memory does not fail; what it would leave is the plain text's own answer.
    let done = gzip.write_all(&plain).and_then(|()| gzip.finish());
    Held {
        packed: done.map(Bytes::from).unwrap_or_else(|_| plain.clone()),
        plain,
    }
}
