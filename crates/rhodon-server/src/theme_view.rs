//! A theme with its current document, as an answer.

use std::sync::Arc;

use axum::Json;
use axum::http::{HeaderValue, StatusCode, header};
use axum::response::{IntoResponse, Response};
use chrono::{DateTime, Utc};
use rhodon_color::Color;
use rhodon_store::Saved;
use rhodon_theme::{Derived, Document, Resolved};
use serde::Serialize;
use serde_json::Value;
use serde_json::value::RawValue;
use utoipa::ToSchema;
use uuid::Uuid;

use crate::bench::Bench;
use crate::error::ApiError;
use crate::preview::{Preview, preview_of};

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
    /// Codes of the brand colours in its own document, as in the list of themes.
    colors: Vec<String>,
    /// What the current revision changed, in words.
    label: String,
    #[schema(schema_with = crate::schema::spec_schema)]
    spec: Value,
    can_undo: bool,
    can_redo: bool,
    /// What the screens show of it, where it was asked for.
    #[serde(skip_serializing_if = "Option::is_none")]
    #[schema(value_type = Option<Preview<'static>>)]
    preview: Option<Box<RawValue>>,
}

/// What a preview is made of: the theme, what it comes to, and what it was before.
pub(crate) type Shown = (Resolved, Arc<Derived>, Option<Resolved>);

impl ThemeView {
    /// With what the screens show of it, where somebody asks. It is saved by now: what cannot be
    /// shown is left out.
    async fn new(bench: &Bench, saved: Saved, shown: Option<Shown>) -> Result<Self, ApiError> {
        let t = saved.theme;
        // Documents are written in the order of their keys, which the database does not keep.
        let spec = Document::read(&saved.revision.spec);
        let spec = spec.map_err(|p| ApiError::invalid("/spec", p))?;
        let preview = match shown {
            Some((theme, made, before)) => {
                let job = move || {
                    let preview = preview_of(&theme, &made, before.as_ref()).ok()?;
                    serde_json::value::to_raw_value(&preview).ok()
                };
                bench.work.run(job).await.unwrap_or_default()
            }
            None => None,
        };
        Ok(Self {
            id: t.id,
            slug: t.slug,
            name: t.name,
            parent: t.parent,
            revision: t.revision,
            updated_at: t.updated_at,
            colors: brand_codes(&saved.revision.spec),
            label: saved.revision.label,
            spec: spec.to_json(),
            can_undo: saved.can_undo,
            can_redo: saved.can_redo,
            preview,
        })
    }
}

/// A theme as a response that carries its revision for `If-Match`.
pub(crate) async fn answer(
    bench: &Bench,
    saved: Saved,
    shown: Option<Shown>,
    status: StatusCode,
) -> Result<Response, ApiError> {
    let view = ThemeView::new(bench, saved, shown).await?;
    let tag = HeaderValue::from_str(&format!("\"{}\"", view.revision));
    let mut response = (status, Json(view)).into_response();
    if let Ok(tag) = tag {
        response.headers_mut().insert(header::ETAG, tag);
    }
    Ok(response)
}

/// Codes of the brand colours of a document; what is no colour is passed over.
pub(crate) fn brand_codes(spec: &Value) -> Vec<String> {
    let brand = spec
        .get("brand")
        .and_then(Value::as_array)
        .into_iter()
        .flatten();
    let codes = brand.filter_map(|b| Color::parse(b.get("color")?.as_str()?).ok());
    codes.map(|color| color.to_rgb8().to_string()).collect()
}
