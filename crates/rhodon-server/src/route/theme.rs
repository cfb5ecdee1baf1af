//! Themes: list, create, read, save, delete, duplicate.

use std::collections::HashMap;

use axum::Json;
use axum::extract::{Query, State};
use axum::http::{HeaderMap, StatusCode};
use axum::response::Response;
use chrono::{DateTime, Utc};
use rhodon_store::{Children, RevisionRecord, Saved, ThemeRecord};
use rhodon_theme::Document;
use serde::{Deserialize, Serialize};
use serde_json::Value;
use utoipa::ToSchema;
use uuid::Uuid;

use crate::bench::Bench;
use crate::error::ApiError;
use crate::json::JsonBody;
use crate::path::Path;
use crate::saving::{self, Edit, base_revision, checked_label};
use crate::theme_view::{ThemeView, answer, brand_codes};

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
    /// Codes of the brand colours in its own document; in the list of themes those of the nearest
    /// theme that it extends, where it has none.
    colors: Vec<String>,
    /// Since when it is deleted.
    #[serde(skip_serializing_if = "Option::is_none")]
    deleted_at: Option<DateTime<Utc>>,
}

impl ThemeSummary {
    pub(crate) fn new(t: ThemeRecord, spec: Option<&Value>) -> Self {
        Self {
            id: t.id,
            slug: t.slug,
            name: t.name,
            parent: t.parent,
            revision: t.revision,
            updated_at: t.updated_at,
            colors: spec.map(brand_codes).unwrap_or_default(),
            deleted_at: t.deleted_at,
        }
    }

    pub(super) fn of((theme, current): (ThemeRecord, RevisionRecord)) -> Self {
        Self::new(theme, Some(&current.spec))
    }
}

/// All themes, the last changed first.
#[utoipa::path(get, path = "/themes", operation_id = "list_themes", responses((status = 200, body = Vec<ThemeSummary>)))]
pub(crate) async fn list(State(bench): State<Bench>) -> Result<Json<Vec<ThemeSummary>>, ApiError> {
    let listed = bench.store.list().await?;
    let mut themes: Vec<_> = listed.into_iter().map(ThemeSummary::of).collect();
    inherit_colors(&mut themes);
    Ok(Json(themes))
}

/// A theme without a brand colour of its own is shown by those that it inherits.
fn inherit_colors(themes: &mut [ThemeSummary]) {
    let known = |t: &ThemeSummary| (t.slug.clone(), (t.parent.clone(), t.colors.clone()));
    let known: HashMap<_, _> = themes.iter().map(known).collect();
    for theme in themes.iter_mut().filter(|t| t.colors.is_empty()) {
        let mut next = theme.parent.as_ref();
        for _ in 0..known.len() {
            let Some((parent, colors)) = next.and_then(|slug| known.get(slug)) else {
                break;
            };
            theme.colors.clone_from(colors);
            next = parent.as_ref().filter(|_| colors.is_empty());
        }
    }
}

/// A document to create a theme from.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct CreateRequest {
    #[schema(schema_with = crate::schema::spec_schema)]
    spec: Value,
}

/// Creates a theme.
#[utoipa::path(
    post, path = "/themes", operation_id = "create_theme", request_body = CreateRequest,
    responses((status = 201, body = ThemeView), (status = 422, body = ApiError))
)]
pub(crate) async fn create(
    State(bench): State<Bench>,
    JsonBody(body): JsonBody<CreateRequest>,
) -> Result<Response, ApiError> {
    let document = bench.document(body.spec).await?;
    let made = saving::first(&bench, &document, "created").await?;
    answer(&bench, made, None, StatusCode::CREATED).await
}

/// A theme and its current document.
#[utoipa::path(
    get, path = "/themes/{slug}", operation_id = "get_theme", params(("slug" = String, Path,)),
    responses((status = 200, body = ThemeView), (status = 404, body = ApiError))
)]
pub(crate) async fn get(
    State(bench): State<Bench>,
    Path(slug): Path<String>,
) -> Result<Response, ApiError> {
    let found = bench.store.get(&slug).await?;
    answer(&bench, found, None, StatusCode::OK).await
}

/// A document to save as a new revision.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SaveRequest {
    #[schema(schema_with = crate::schema::spec_schema)]
    spec: Value,
    /// What was changed, in words.
    label: String,
    /// A word for the kind of change: such changes in a row are one step of undo.
    topic: Option<String>,
    /// Whether the answer tells what the screens show of the saved document.
    #[serde(default)]
    preview: bool,
}

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
    State(bench): State<Bench>,
    Path(slug): Path<String>,
    headers: HeaderMap,
    JsonBody(body): JsonBody<SaveRequest>,
) -> Result<Response, ApiError> {
    let base = base_revision(&bench, &slug, &headers).await?;
    let label = checked_label(&body.label)?;
    if body
        .topic
        .as_ref()
        .is_some_and(|t| t.is_empty() || t.len() > 40 || t.contains('\0'))
    {
        return Err(ApiError::value("/topic", "expected 1 to 40 bytes"));
    }
    let before = match body.preview {
        true => Some(bench.store.get(&slug).await?.revision.spec),
        false => None,
    };
    // What moved is told where the document before still can be read.
    let before = match before {
        Some(spec) => Some(bench.read(spec).await.ok()),
        None => None,
    };
    let document = bench.document(body.spec).await?;
    let edit = Edit {
        slug: &slug,
        base,
        label: &label,
        topic: body.topic.as_deref(),
    };
    saving::save(&bench, &document, edit, before).await
}

/// What becomes of the themes that extend one that is deleted.
#[derive(Clone, Copy, Debug, Default, Deserialize, ToSchema)]
#[serde(rename_all = "lowercase")]
pub enum ChildrenChoice {
    /// There may be none.
    #[default]
    Refuse,
    /// They are deleted too.
    Delete,
    /// They stay, with what they have from it written out.
    Free,
}

/// How to delete.
#[derive(Debug, Deserialize)]
#[serde(deny_unknown_fields)]
pub(crate) struct DeleteQuery {
    #[serde(default)]
    children: ChildrenChoice,
}

/// Deletes a theme; it can be brought back.
#[utoipa::path(
    delete, path = "/themes/{slug}", operation_id = "delete_theme",
    params(("slug" = String, Path,), ("children" = Option<ChildrenChoice>, Query,)),
    responses((status = 200, body = ThemeSummary), (status = 404, body = ApiError), (status = 409, body = ApiError))
)]
pub(crate) async fn delete(
    State(bench): State<Bench>,
    Path(slug): Path<String>,
    query: Result<Query<DeleteQuery>, axum::extract::rejection::QueryRejection>,
) -> Result<Json<ThemeSummary>, ApiError> {
    let query = query.map_err(|_| {
        ApiError::value(
            "/children",
            "expected children=refuse, children=delete or children=free",
        )
    })?;
    let children = match query.children {
        ChildrenChoice::Refuse => Children::Refuse,
        ChildrenChoice::Delete => Children::Delete,
        ChildrenChoice::Free => Children::Free,
    };
    let gone = bench.store.delete(&slug, children).await?;
    Ok(Json(ThemeSummary::new(gone, None)))
}

/// A copy of a theme under a name of its own.
#[utoipa::path(
    post, path = "/themes/{slug}/duplicate", operation_id = "duplicate_theme", params(("slug" = String, Path,)),
    responses((status = 201, body = ThemeView), (status = 404, body = ApiError))
)]
pub(crate) async fn duplicate(
    State(bench): State<Bench>,
    Path(slug): Path<String>,
) -> Result<Response, ApiError> {
    let Saved {
        theme, revision, ..
    } = bench.store.get(&slug).await?;
    let mut spec = Document::read(&revision.spec).map_err(|p| ApiError::invalid("/spec", p))?;
    spec.name = copy_name(&theme.name);
    let label = format!("copied from {}", theme.name);
    let made = saving::first(&bench, &spec, &label).await?;
    answer(&bench, made, None, StatusCode::CREATED).await
}

/// The name of a copy, within the length that names may have.
fn copy_name(name: &str) -> String {
    let kept: String = name.chars().take(190).collect();
    format!("{kept} copy")
}
