//! Deriving a document that need not be saved: what every slider calls.

use axum::body::Bytes;
use axum::extract::State;
use axum::http::{HeaderMap, header};
use axum::response::{IntoResponse, Response};
use rhodon_formats::{Source, Stamp, find};
use rhodon_store::Store;
use rhodon_theme::{Derived, Diff, Resolved, derive, diff};
use serde::{Deserialize, Serialize};
use serde_json::Value;
use utoipa::ToSchema;

use crate::error::ApiError;
use crate::json::JsonBody;
use crate::resolve;
use crate::response_cache;
use crate::view::DerivedView;

/// A document.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct DeriveRequest {
    #[schema(schema_with = crate::openapi::spec_schema)]
    spec: Value,
}

/// All tokens and pairs of a document.
#[utoipa::path(
    post, path = "/derive", request_body = DeriveRequest,
    responses((status = 200, body = DerivedView<'static>), (status = 422, body = ApiError))
)]
pub(crate) async fn derive_theme(
    State(store): State<Store>,
    headers: HeaderMap,
    question: Bytes,
) -> Result<Response, ApiError> {
    if let Some(answer) = response_cache::recall(&question) {
        return Ok(json(answer));
    }
    let body: DeriveRequest = crate::json::parse(&headers, &question)?;
    let (_, derived) = derived(&store, &body.spec).await?;
    let answer = written(&DerivedView::from(&derived))?;
    // A parent may change without this document changing.
    if body.spec.get("extends").is_none_or(Value::is_null) {
        response_cache::keep(question, &answer);
    }
    Ok(json(answer))
}

fn written(value: &impl Serialize) -> Result<Bytes, ApiError> {
    let bytes = serde_json::to_vec(value).map_err(|cause| ApiError::unexpected(&cause))?;
    Ok(bytes.into())
}

fn json(answer: Bytes) -> Response {
    ([(header::CONTENT_TYPE, "application/json")], answer).into_response()
}

/// A document, and the one before it.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct PreviewRequest {
    #[schema(schema_with = crate::openapi::spec_schema)]
    spec: Value,
    /// What to compare with, to tell what the change moved.
    #[schema(schema_with = crate::openapi::optional_spec_schema)]
    before: Option<Value>,
}

/// What the screens show of a document.
#[derive(Debug, Serialize, ToSchema)]
pub struct Preview<'a> {
    derived: DerivedView<'a>,
    /// The exported style sheets that paint the proof, in the order in which they are loaded.
    sheets: Vec<String>,
    #[serde(skip_serializing_if = "Option::is_none")]
    wake: Option<WakeView>,
}

/// What a change moved.
#[derive(Debug, Serialize, ToSchema)]
pub struct WakeView {
    changes: Vec<ChangeView>,
    /// Pairs that can no longer be read, as `foreground on background (mode)`.
    unreadable: Vec<String>,
}

/// A token before and after.
#[derive(Debug, Serialize, ToSchema)]
pub struct ChangeView {
    path: String,
    /// `light`, `dark`, or none for both.
    mode: Option<&'static str>,
    before: Option<String>,
    after: Option<String>,
}

impl From<Diff> for WakeView {
    fn from(diff: Diff) -> Self {
        let changes = diff.changes.into_iter().map(|c| ChangeView {
            path: c.path.to_string(),
            mode: c.mode.map(|m| m.id()),
            before: c.before,
            after: c.after,
        });
        let unreadable = diff
            .unreadable
            .iter()
            .map(|p| format!("{} on {} ({})", p.fg, p.bg, p.mode.id()));
        Self {
            changes: changes.collect(),
            unreadable: unreadable.collect(),
        }
    }
}

/// Targets whose files paint the proof.
const PROOF: [(&str, &[(&str, &str)]); 2] =
    [("css", &[("mode", "attribute")]), ("css-components", &[])];

/// Tokens, pairs and the proof's style sheets of a document.
#[utoipa::path(
    post, path = "/preview", request_body = PreviewRequest,
    responses((status = 200, body = Preview<'static>), (status = 422, body = ApiError))
)]
pub(crate) async fn preview(
    State(store): State<Store>,
    JsonBody(body): JsonBody<PreviewRequest>,
) -> Result<Response, ApiError> {
    let (decided, derived) = derived(&store, &body.spec).await?;
    let stamp = Stamp {
        theme: derived.name.clone(),
        revision: None,
    };
    let mut sheets = Vec::with_capacity(PROOF.len());
    let source = Source {
        decided: &decided,
        theme: &derived,
        stamp: &stamp,
    };
    for (id, set) in PROOF {
        let set = set.iter().map(|(k, v)| ((*k).to_owned(), (*v).to_owned()));
        let target = find(id)?;
        let output = target.export(&source, target.settings(set)?)?;
        sheets.extend(output.files.into_iter().map(|f| f.text));
    }
    let wake = match &body.before {
        Some(before) => Some(diff(&self::derived(&store, before).await?.1, &derived).into()),
        None => None,
    };
    Ok(json(written(&Preview {
        derived: DerivedView::from(&derived),
        sheets,
        wake,
    })?))
}

/// Reads, completes and derives a document from a request.
pub(crate) async fn derived(store: &Store, spec: &Value) -> Result<(Resolved, Derived), ApiError> {
    let resolved = resolve::follow(store, resolve::read(spec)?).await?;
    let derived = derive(&resolved).map_err(|p| ApiError::invalid("/spec", p))?;
    Ok((resolved, derived))
}
