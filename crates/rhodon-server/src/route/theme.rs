//! Themes: list, create, read, save, delete, bring back, duplicate.

use axum::Json;
use axum::extract::State;
use axum::http::{HeaderMap, HeaderValue, StatusCode, header};
use axum::response::{IntoResponse, Response};
use chrono::{DateTime, Utc};
use rhodon_store::{RevisionRecord, Save, Store, ThemeRecord};
use rhodon_theme::{Document, derive};
use serde::{Deserialize, Serialize};
use serde_json::Value;
use utoipa::ToSchema;
use uuid::Uuid;

use crate::error::ApiError;
use crate::json::JsonBody;
use crate::path::Path;
use crate::resolve;

/// A theme in a list.
#[derive(Debug, Serialize, ToSchema)]
#[serde(rename_all = "camelCase")]
pub struct ThemeSummary {
    id: Uuid,
    slug: String,
    name: String,
    /// Slug of the theme it extends.
    parent: Option<String>,
    revision: i32,
    updated_at: DateTime<Utc>,
}

impl From<ThemeRecord> for ThemeSummary {
    fn from(t: ThemeRecord) -> Self {
        Self {
            id: t.id,
            slug: t.slug,
            name: t.name,
            parent: t.parent,
            revision: t.revision,
            updated_at: t.updated_at,
        }
    }
}

/// A theme with its current document.
#[derive(Debug, Serialize, ToSchema)]
#[serde(rename_all = "camelCase")]
pub struct ThemeView {
    id: Uuid,
    slug: String,
    name: String,
    /// Slug of the theme it extends.
    parent: Option<String>,
    revision: i32,
    updated_at: DateTime<Utc>,
    /// What the current revision changed, in words.
    label: String,
    #[schema(schema_with = crate::openapi::spec_schema)]
    spec: Value,
    can_undo: bool,
    can_redo: bool,
}

impl ThemeView {
    /// With whether there is something to undo and redo.
    pub(crate) async fn of(
        store: &Store,
        found: (ThemeRecord, RevisionRecord),
    ) -> Result<Self, ApiError> {
        let (t, current) = found;
        let (can_undo, can_redo) = store.steps(&t.slug).await?;
        // Documents of an older format are upgraded here, and written on the next save.
        let spec = Document::read(&current.spec).map_err(|p| ApiError::invalid("/spec", p))?;
        Ok(Self {
            id: t.id,
            slug: t.slug,
            name: t.name,
            parent: t.parent,
            revision: t.revision,
            updated_at: t.updated_at,
            label: current.label,
            spec: spec.to_json(),
            can_undo,
            can_redo,
        })
    }

    /// As a response that carries its revision for `If-Match`.
    pub(crate) fn response(self, status: StatusCode) -> Response {
        let tag = HeaderValue::from_str(&format!("\"{}\"", self.revision));
        let mut response = (status, Json(self)).into_response();
        if let Ok(tag) = tag {
            response.headers_mut().insert(header::ETAG, tag);
        }
        response
    }
}

/// The revision that a write says it is based on.
pub(crate) fn base_revision(headers: &HeaderMap) -> Result<i32, ApiError> {
    let value = headers.get(header::IF_MATCH).and_then(|v| v.to_str().ok());
    let number = value.and_then(|v| v.trim().trim_matches('"').parse().ok());
    number.ok_or_else(|| {
        let detail = "expected the revision that was edited in If-Match, such as \"41\"";
        ApiError::new(
            StatusCode::PRECONDITION_REQUIRED,
            "/problems/no-revision",
            "No revision",
            detail,
        )
    })
}

/// All themes, the last changed first.
#[utoipa::path(get, path = "/themes", operation_id = "list_themes", responses((status = 200, body = Vec<ThemeSummary>)))]
pub(crate) async fn list(State(store): State<Store>) -> Result<Json<Vec<ThemeSummary>>, ApiError> {
    Ok(Json(
        store.list().await?.into_iter().map(Into::into).collect(),
    ))
}

/// A document to create a theme from.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct CreateRequest {
    #[schema(schema_with = crate::openapi::spec_schema)]
    spec: Value,
}

/// Creates a theme.
#[utoipa::path(
    post, path = "/themes", operation_id = "create_theme", request_body = CreateRequest,
    responses((status = 201, body = ThemeView), (status = 422, body = ApiError))
)]
pub(crate) async fn create(
    State(store): State<Store>,
    JsonBody(body): JsonBody<CreateRequest>,
) -> Result<Response, ApiError> {
    let spec = usable(&store, &body.spec).await?;
    let made = store.create(&spec, "created").await?;
    Ok(ThemeView::of(&store, made)
        .await?
        .response(StatusCode::CREATED))
}

/// A document that reads and derives; nothing else is saved.
async fn usable(store: &Store, value: &Value) -> Result<Document, ApiError> {
    let spec = resolve::read(value)?;
    let resolved = resolve::follow(store, spec.clone()).await?;
    derive(&resolved).map_err(|p| ApiError::invalid("/spec", p))?;
    Ok(spec)
}

/// A theme and its current document.
#[utoipa::path(
    get, path = "/themes/{slug}", operation_id = "get_theme", params(("slug" = String, Path,)),
    responses((status = 200, body = ThemeView), (status = 404, body = ApiError))
)]
pub(crate) async fn get(
    State(store): State<Store>,
    Path(slug): Path<String>,
) -> Result<Response, ApiError> {
    let found = store.get(&slug).await?;
    Ok(ThemeView::of(&store, found).await?.response(StatusCode::OK))
}

/// A document to save as a new revision.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SaveRequest {
    #[schema(schema_with = crate::openapi::spec_schema)]
    spec: Value,
    /// What was changed, in words.
    label: String,
}

/// The longest label that is kept.
const MAX_LABEL: usize = 300;

/// Saves a new revision. A changed name also changes the slug.
#[utoipa::path(
    put, path = "/themes/{slug}", operation_id = "save_theme", request_body = SaveRequest,
    params(("slug" = String, Path,), ("If-Match" = String, Header,)),
    responses(
        (status = 200, body = ThemeView), (status = 404, body = ApiError),
        (status = 409, body = ApiError), (status = 422, body = ApiError)
    )
)]
pub(crate) async fn save(
    State(store): State<Store>,
    Path(slug): Path<String>,
    headers: HeaderMap,
    JsonBody(body): JsonBody<SaveRequest>,
) -> Result<Response, ApiError> {
    let base = base_revision(&headers)?;
    let label = body.label.trim();
    if label.is_empty() || label.chars().count() > MAX_LABEL || label.chars().any(char::is_control)
    {
        return Err(ApiError::value(
            "/label",
            format!("expected 1 to {MAX_LABEL} characters"),
        ));
    }
    let spec = usable(&store, &body.spec).await?;
    let saved = store
        .save(
            &slug,
            Save {
                spec: &spec,
                label,
                base,
            },
        )
        .await?;
    Ok(ThemeView::of(&store, saved).await?.response(StatusCode::OK))
}

/// Deletes a theme; it can be brought back.
#[utoipa::path(
    delete, path = "/themes/{slug}", operation_id = "delete_theme", params(("slug" = String, Path,)),
    responses((status = 200, body = ThemeSummary), (status = 404, body = ApiError), (status = 409, body = ApiError))
)]
pub(crate) async fn delete(
    State(store): State<Store>,
    Path(slug): Path<String>,
) -> Result<Json<ThemeSummary>, ApiError> {
    Ok(Json(store.delete(&slug).await?.into()))
}

/// A copy of a theme under a name of its own.
#[utoipa::path(
    post, path = "/themes/{slug}/duplicate", operation_id = "duplicate_theme", params(("slug" = String, Path,)),
    responses((status = 201, body = ThemeView), (status = 404, body = ApiError))
)]
pub(crate) async fn duplicate(
    State(store): State<Store>,
    Path(slug): Path<String>,
) -> Result<Response, ApiError> {
    let (theme, current) = store.get(&slug).await?;
    let mut spec = Document::read(&current.spec).map_err(|p| ApiError::invalid("/spec", p))?;
    spec.name = copy_name(&theme.name);
    let made = store
        .create(&spec, &format!("copied from {}", theme.name))
        .await?;
    Ok(ThemeView::of(&store, made)
        .await?
        .response(StatusCode::CREATED))
}

/// The name of a copy, within the length that names may have.
fn copy_name(name: &str) -> String {
    let kept: String = name.chars().take(190).collect();
    format!("{kept} copy")
}

/// Which theme to bring back.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct RestoreRequest {
    id: Uuid,
}

/// Brings a deleted theme back.
#[utoipa::path(
    post, path = "/deleted-themes/restore", operation_id = "restore_theme", request_body = RestoreRequest,
    responses((status = 200, body = ThemeSummary), (status = 404, body = ApiError))
)]
pub(crate) async fn restore(
    State(store): State<Store>,
    JsonBody(body): JsonBody<RestoreRequest>,
) -> Result<Json<ThemeSummary>, ApiError> {
    Ok(Json(store.restore(body.id).await?.into()))
}
