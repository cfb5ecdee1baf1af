//! Revisions: list, read, undo, redo.

use std::sync::{Arc, LazyLock};

use axum::Json;
use axum::extract::rejection::QueryRejection;
use axum::extract::{Query, State};
use axum::http::{HeaderMap, StatusCode};
use axum::response::Response;
use chrono::{DateTime, Utc};
use quick_cache::sync::Cache;
use rhodon_color::Rgb8;
use rhodon_store::{RevisionRecord, Revisions};
use rhodon_theme::{Document, Resolved, derive};
use serde::{Deserialize, Serialize, Serializer};
use serde_json::Value;
use utoipa::{IntoParams, ToSchema};

use crate::bench::Bench;
use crate::error::ApiError;
use crate::json::JsonBody;
use crate::path::Path;
use crate::response_cache::Question;
use crate::saving::{self, Edit, base_revision};
use crate::theme_view::{ThemeView, answer};

/// The most revisions of one answer.
const LIST: u64 = 60;

/// A revision in a list.
#[derive(Debug, Serialize, ToSchema)]
#[serde(rename_all = "camelCase")]
pub struct RevisionSummary {
    revision: i32,
    /// What it changed, in words.
    label: String,
    /// What somebody calls it.
    name: Option<String>,
    /// Number of the revision it was made from.
    came_from: Option<i32>,
    created_at: DateTime<Utc>,
    /// Small pictures of its scales: codes from light to dark.
    #[schema(value_type = Vec<Vec<String>>)]
    scales: Arc<Strips>,
}

/// A revision with its document.
#[derive(Debug, Serialize, ToSchema)]
#[serde(rename_all = "camelCase")]
pub struct RevisionView {
    revision: i32,
    label: String,
    name: Option<String>,
    came_from: Option<i32>,
    created_at: DateTime<Utc>,
    #[schema(schema_with = crate::schema::spec_schema)]
    spec: Value,
}

impl RevisionSummary {
    fn new(r: RevisionRecord, scales: Arc<Strips>) -> Self {
        Self {
            revision: r.number,
            label: r.label,
            name: r.name,
            came_from: r.came_from,
            created_at: r.created_at,
            scales,
        }
    }
}

/// Codes of scales, from light to dark, in as little room as they take: thousands are kept.
#[derive(Debug, Default)]
struct Strips {
    codes: Box<[Rgb8]>,
    /// Where each scale ends among the codes.
    ends: Box<[usize]>,
}

impl Strips {
    /// Those of a theme; none where it can no longer be derived.
    fn of(theme: &Resolved) -> Self {
        let Ok(derived) = derive(theme) else {
            return Self::default();
        };
        let (mut codes, mut ends) = (Vec::new(), Vec::new());
        for named in &derived.scales {
            codes.extend(named.scale.steps.iter().map(|step| step.color));
            ends.push(codes.len());
        }
        Self {
            codes: codes.into(),
            ends: ends.into(),
        }
    }
}

impl Serialize for Strips {
    /// A list of codes for each scale.
    fn serialize<S: Serializer>(&self, serializer: S) -> Result<S::Ok, S::Error> {
        let starts = std::iter::once(0).chain(self.ends.iter().copied());
        let scales = starts.zip(&self.ends).map(|(start, end)| {
            let codes = self.codes[start..*end].iter();
            codes.map(Rgb8::to_string).collect::<Vec<_>>()
        });
        serializer.collect_seq(scales)
    }
}

/// How many pictures are kept: lists are asked for again and again, and what was saved stays as it is.
const KEPT: usize = 2000;

static PICTURES: LazyLock<Cache<Question, Arc<Strips>>> = LazyLock::new(|| Cache::new(KEPT));

/// Codes of all scales; none where an old document can no longer be derived.
async fn picture(bench: &Bench, spec: &Value) -> Arc<Strips> {
    let Ok(theme) = bench.read(spec.clone()).await else {
        return Arc::default();
    };
    let question = Question::of(&theme);
    if let Some(known) = PICTURES.get(&question) {
        return known;
    }
    // Old states are not kept as a whole: they would take the place of what is at work.
    match bench.work.run(move || Strips::of(&theme)).await {
        Ok(drawn) => {
            let drawn = Arc::new(drawn);
            PICTURES.insert(question, drawn.clone());
            drawn
        }
        // There was no place for it now; the next list asks again.
        Err(_) => Arc::default(),
    }
}

impl From<RevisionRecord> for RevisionView {
    fn from(r: RevisionRecord) -> Self {
        Self {
            revision: r.number,
            label: r.label,
            name: r.name,
            came_from: r.came_from,
            created_at: r.created_at,
            spec: r.spec,
        }
    }
}

/// Which revisions of a theme are listed.
#[derive(Debug, Deserialize, IntoParams)]
#[serde(deny_unknown_fields)]
#[into_params(parameter_in = Query)]
pub(crate) struct Wanted {
    /// Only those with a smaller number: the last of one answer leads to the next.
    before: Option<i32>,
    /// Words that stand in what was changed, in the name or in the number of each.
    #[serde(default)]
    words: String,
}

/// The newest revisions that are looked for, newest first, at most sixty.
#[utoipa::path(
    get, path = "/themes/{slug}/revisions", operation_id = "list_revisions",
    params(("slug" = String, Path,), Wanted),
    responses((status = 200, body = Vec<RevisionSummary>), (status = 404, body = ApiError))
)]
pub(crate) async fn list(
    State(bench): State<Bench>,
    Path(slug): Path<String>,
    wanted: Result<Query<Wanted>, QueryRejection>,
) -> Result<Json<Vec<RevisionSummary>>, ApiError> {
    let expected = "expected before=NUMBER, words=TEXT or nothing";
    let Query(wanted) = wanted.map_err(|_| ApiError::value("/revisions", expected))?;
    one_line("/words", &wanted.words, LONGEST_WORDS)?;
    let wanted = Revisions {
        limit: LIST,
        before: wanted.before,
        words: &wanted.words,
    };
    let mut out = Vec::new();
    for record in bench.store.revisions(&slug, &wanted).await? {
        let scales = picture(&bench, &record.spec).await;
        out.push(RevisionSummary::new(record, scales));
    }
    Ok(Json(out))
}

/// The most characters that are looked for.
const LONGEST_WORDS: usize = 200;

/// A text that a person types into one line.
///
/// # Errors
/// It is longer, or holds what no line does.
fn one_line(pointer: &str, text: &str, most: usize) -> Result<(), ApiError> {
    if text.chars().count() <= most && !text.chars().any(char::is_control) {
        return Ok(());
    }
    let told = format!("expected at most {most} characters in one line");
    Err(ApiError::value(pointer, told))
}

/// The most characters of a revision's name.
const LONGEST_NAME: usize = 80;

/// What a revision is called.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct RevisionName {
    /// At most 80 characters; none takes the name away.
    name: Option<String>,
}

/// Gives a revision a name, or takes it away. A named one stays in the list for good.
#[utoipa::path(
    put, path = "/themes/{slug}/revisions/{revision}/name", operation_id = "name_revision",
    params(("slug" = String, Path,), ("revision" = i32, Path,)), request_body = RevisionName,
    responses(
        (status = 200, body = RevisionView), (status = 404, body = ApiError), (status = 422, body = ApiError)
    )
)]
pub(crate) async fn name(
    State(bench): State<Bench>,
    Path((slug, revision)): Path<(String, i32)>,
    JsonBody(body): JsonBody<RevisionName>,
) -> Result<Json<RevisionView>, ApiError> {
    let name = body.name.as_deref().map(str::trim);
    let name = name.filter(|name| !name.is_empty());
    one_line("/name", name.unwrap_or_default(), LONGEST_NAME)?;
    let named = bench.store.name_revision(&slug, revision, name).await?;
    Ok(Json(named.into()))
}

/// One revision.
#[utoipa::path(
    get, path = "/themes/{slug}/revisions/{revision}", operation_id = "get_revision",
    params(("slug" = String, Path,), ("revision" = i32, Path,)),
    responses((status = 200, body = RevisionView), (status = 404, body = ApiError))
)]
pub(crate) async fn get(
    State(bench): State<Bench>,
    Path((slug, revision)): Path<(String, i32)>,
) -> Result<Json<RevisionView>, ApiError> {
    Ok(Json(bench.store.revision(&slug, revision).await?.into()))
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
    State(bench): State<Bench>,
    Path(slug): Path<String>,
    headers: HeaderMap,
) -> Result<Response, ApiError> {
    let base = base_revision(&bench, &slug, &headers).await?;
    let target = bench.store.undo_target(&slug).await?;
    let moved = saving::step(&bench, (&slug, base), target, |store| {
        let slug = &slug;
        async move { store.undo(slug, base).await }
    })
    .await?;
    answer(&bench, moved, None, StatusCode::OK).await
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
    State(bench): State<Bench>,
    Path(slug): Path<String>,
    headers: HeaderMap,
) -> Result<Response, ApiError> {
    let base = base_revision(&bench, &slug, &headers).await?;
    let target = bench.store.redo_target(&slug).await?;
    let moved = saving::step(&bench, (&slug, base), target, |store| {
        let slug = &slug;
        async move { store.redo(slug, base).await }
    })
    .await?;
    answer(&bench, moved, None, StatusCode::OK).await
}

/// What to restore of an earlier revision.
#[derive(Debug, Deserialize)]
#[serde(deny_unknown_fields)]
pub(crate) struct RestoreQuery {
    /// Leave what is chosen for the handoff as it is now.
    #[serde(default)]
    keep_handoff: bool,
}

/// Saves an earlier document as a new revision; what came after it stays in the list.
#[utoipa::path(
    post, path = "/themes/{slug}/revisions/{revision}/restore",
    params(
        ("slug" = String, Path,), ("revision" = i32, Path,), ("If-Match" = String, Header,),
        ("keep_handoff" = Option<bool>, Query,)
    ),
    responses(
        (status = 200, body = ThemeView), (status = 404, body = ApiError),
        (status = 409, body = ApiError), (status = 422, body = ApiError)
    )
)]
pub(crate) async fn bring_back(
    State(bench): State<Bench>,
    Path((slug, revision)): Path<(String, i32)>,
    query: Result<Query<RestoreQuery>, QueryRejection>,
    headers: HeaderMap,
) -> Result<Response, ApiError> {
    let query = query.map_err(|_| {
        ApiError::value(
            "/keep_handoff",
            "expected keep_handoff=true or keep_handoff=false",
        )
    })?;
    let base = base_revision(&bench, &slug, &headers).await?;
    let record = bench.store.revision(&slug, revision).await?;
    let mut spec = Document::read(&record.spec).map_err(|p| ApiError::invalid("/spec", p))?;
    if query.keep_handoff {
        let current = bench.store.get(&slug).await?.revision.spec;
        let current = Document::read(&current).map_err(|p| ApiError::invalid("/spec", p))?;
        (spec.handoff, spec.pack) = (current.handoff, current.pack);
    }
    let label = format!("restored revision {revision}");
    let edit = Edit {
        slug: &slug,
        base,
        label: &label,
        topic: None,
    };
    saving::save(&bench, &spec, edit, None).await
}
