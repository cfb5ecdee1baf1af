//! Revisions: list, read, undo, redo.

use axum::Json;
use axum::extract::State;
use axum::http::{HeaderMap, StatusCode};
use axum::response::Response;
use chrono::{DateTime, Utc};
use rhodon_store::{RevisionRecord, Save, Store};
use rhodon_theme::{Document, Origin};
use serde::Serialize;
use serde_json::Value;
use utoipa::ToSchema;

use super::derive::derived;
use super::theme::{ThemeView, base_revision};
use crate::error::ApiError;
use crate::path::Path;

/// How many revisions a list holds.
const LIST: u64 = 60;

/// A revision in a list.
#[derive(Debug, Serialize, ToSchema)]
#[serde(rename_all = "camelCase")]
pub struct RevisionSummary {
    revision: i32,
    /// What it changed, in words.
    label: String,
    /// Number of the revision it was made from.
    came_from: Option<i32>,
    created_at: DateTime<Utc>,
    /// Small pictures of its brand scales: codes from light to dark.
    scales: Vec<Vec<String>>,
}

/// A revision with its document.
#[derive(Debug, Serialize, ToSchema)]
#[serde(rename_all = "camelCase")]
pub struct RevisionView {
    revision: i32,
    label: String,
    came_from: Option<i32>,
    created_at: DateTime<Utc>,
    #[schema(schema_with = crate::openapi::spec_schema)]
    spec: Value,
}

impl RevisionSummary {
    fn new(r: RevisionRecord, scales: Vec<Vec<String>>) -> Self {
        Self {
            revision: r.number,
            label: r.label,
            came_from: r.came_from,
            created_at: r.created_at,
            scales,
        }
    }
}

/// Codes of the scales that the user brought; none where an old document can no longer be derived.
async fn picture(store: &Store, spec: &Value) -> Vec<Vec<String>> {
    let Ok((_, theme)) = derived(store, spec).await else {
        return Vec::new();
    };
    let own = theme.scales.iter().filter(|s| s.origin != Origin::Derived);
    own.map(|s| {
        s.scale
            .steps
            .iter()
            .map(|step| step.color.to_string())
            .collect()
    })
    .collect()
}

impl From<RevisionRecord> for RevisionView {
    fn from(r: RevisionRecord) -> Self {
        Self {
            revision: r.number,
            label: r.label,
            came_from: r.came_from,
            created_at: r.created_at,
            spec: r.spec,
        }
    }
}

/// The newest revisions, newest first.
#[utoipa::path(
    get, path = "/themes/{slug}/revisions", operation_id = "list_revisions", params(("slug" = String, Path,)),
    responses((status = 200, body = Vec<RevisionSummary>), (status = 404, body = ApiError))
)]
pub(crate) async fn list(
    State(store): State<Store>,
    Path(slug): Path<String>,
) -> Result<Json<Vec<RevisionSummary>>, ApiError> {
    let mut out = Vec::new();
    for record in store.revisions(&slug, LIST).await? {
        let scales = picture(&store, &record.spec).await;
        out.push(RevisionSummary::new(record, scales));
    }
    Ok(Json(out))
}

/// One revision.
#[utoipa::path(
    get, path = "/themes/{slug}/revisions/{revision}", operation_id = "get_revision",
    params(("slug" = String, Path,), ("revision" = i32, Path,)),
    responses((status = 200, body = RevisionView), (status = 404, body = ApiError))
)]
pub(crate) async fn get(
    State(store): State<Store>,
    Path((slug, revision)): Path<(String, i32)>,
) -> Result<Json<RevisionView>, ApiError> {
    Ok(Json(store.revision(&slug, revision).await?.into()))
}

/// Moves back to the revision that the current one came from.
#[utoipa::path(
    post, path = "/themes/{slug}/undo", operation_id = "undo", params(("slug" = String, Path,), ("If-Match" = String, Header,)),
    responses(
        (status = 200, body = ThemeView), (status = 404, body = ApiError),
        (status = 409, body = ApiError), (status = 422, body = ApiError)
    )
)]
pub(crate) async fn undo(
    State(store): State<Store>,
    Path(slug): Path<String>,
    headers: HeaderMap,
) -> Result<Response, ApiError> {
    let moved = store.undo(&slug, base_revision(&headers)?).await?;
    Ok(ThemeView::of(&store, moved).await?.response(StatusCode::OK))
}

/// Moves forward to the newest revision that came from the current one.
#[utoipa::path(
    post, path = "/themes/{slug}/redo", operation_id = "redo", params(("slug" = String, Path,), ("If-Match" = String, Header,)),
    responses(
        (status = 200, body = ThemeView), (status = 404, body = ApiError),
        (status = 409, body = ApiError), (status = 422, body = ApiError)
    )
)]
pub(crate) async fn redo(
    State(store): State<Store>,
    Path(slug): Path<String>,
    headers: HeaderMap,
) -> Result<Response, ApiError> {
    let moved = store.redo(&slug, base_revision(&headers)?).await?;
    Ok(ThemeView::of(&store, moved).await?.response(StatusCode::OK))
}

/// Saves an earlier document as a new revision; what came after it stays in the list.
#[utoipa::path(
    post, path = "/themes/{slug}/revisions/{revision}/restore",
    params(("slug" = String, Path,), ("revision" = i32, Path,), ("If-Match" = String, Header,)),
    responses(
        (status = 200, body = ThemeView), (status = 404, body = ApiError),
        (status = 409, body = ApiError), (status = 422, body = ApiError)
    )
)]
pub(crate) async fn bring_back(
    State(store): State<Store>,
    Path((slug, revision)): Path<(String, i32)>,
    headers: HeaderMap,
) -> Result<Response, ApiError> {
    let base = base_revision(&headers)?;
    let record = store.revision(&slug, revision).await?;
    let spec = Document::read(&record.spec).map_err(|p| ApiError::invalid("/spec", p))?;
    let label = format!("restored revision {revision}");
    let saved = store
        .save(
            &slug,
            Save {
                spec: &spec,
                label: &label,
                base,
            },
        )
        .await?;
    Ok(ThemeView::of(&store, saved).await?.response(StatusCode::OK))
}
