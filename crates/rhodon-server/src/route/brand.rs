//! Brand colours: adding some, and renaming one with everything that refers to it.

use axum::Json;
use axum::extract::State;
use rhodon_store::Store;
use rhodon_theme::{Document, Slug, rename_brand};
use serde::{Deserialize, Serialize};
use serde_json::Value;
use utoipa::ToSchema;

use crate::error::ApiError;
use crate::json::JsonBody;
use crate::resolve;

/// Which brand colour, and its new name.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct RenameRequest {
    #[schema(schema_with = crate::openapi::spec_schema)]
    spec: Value,
    /// Slug of the brand colour.
    brand: String,
    name: String,
    /// A slug set by hand; without it the slug follows the name while it was made from one.
    slug: Option<String>,
}

/// Colours to add.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct AddBrandRequest {
    #[schema(schema_with = crate::openapi::spec_schema)]
    spec: Value,
    colors: Vec<NewColor>,
}

/// A brand colour to be.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewColor {
    name: String,
    /// Any CSS colour.
    color: String,
}

/// Adds brand colours behind the others, each under a slug that is free here and in the parents.
#[utoipa::path(
    post, path = "/add-brand", request_body = AddBrandRequest,
    responses((status = 200, body = DocumentView), (status = 422, body = ApiError))
)]
pub(crate) async fn add(
    State(store): State<Store>,
    JsonBody(body): JsonBody<AddBrandRequest>,
) -> Result<Json<DocumentView>, ApiError> {
    let mut spec = resolve::read(&body.spec)?;
    let mut whole = resolve::follow(&store, spec.clone()).await?.spec;
    for new in &body.colors {
        whole.add_brand(new.name.trim(), &new.color);
        spec.brand.extend(whole.brand.last().cloned());
    }
    // What was typed is checked like any document.
    let checked = Document::read(&spec.to_json()).map_err(|p| ApiError::invalid("/spec", p))?;
    Ok(Json(DocumentView {
        spec: checked.to_json(),
    }))
}

/// A changed document.
#[derive(Debug, Serialize, ToSchema)]
pub struct DocumentView {
    #[schema(schema_with = crate::openapi::spec_schema)]
    spec: Value,
}

/// Renames a brand colour; scales, intents, roles and tokens that refer to it follow.
#[utoipa::path(
    post, path = "/rename-brand", request_body = RenameRequest,
    responses((status = 200, body = DocumentView), (status = 422, body = ApiError))
)]
pub(crate) async fn rename(
    JsonBody(body): JsonBody<RenameRequest>,
) -> Result<Json<DocumentView>, ApiError> {
    let spec = resolve::read(&body.spec)?;
    let slug = |pointer: &str, text: &str| -> Result<Slug, ApiError> {
        text.parse()
            .map_err(|e| ApiError::value(pointer, format!("\"{text}\": {e}")))
    };
    let brand = slug("/brand", &body.brand)?;
    let wanted = body.slug.as_deref().map(|s| slug("/slug", s)).transpose()?;
    let renamed = rename_brand(&spec, &brand, body.name.trim(), wanted)
        .map_err(|p| ApiError::invalid("/spec", p))?;
    Ok(Json(DocumentView {
        spec: renamed.to_json(),
    }))
}
