//! Renaming a brand colour with everything that refers to it.

use axum::Json;
use rhodon_theme::{Slug, rename_brand};
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

/// The document with the new name.
#[derive(Debug, Serialize, ToSchema)]
pub struct RenamedView {
    #[schema(schema_with = crate::openapi::spec_schema)]
    spec: Value,
}

/// Renames a brand colour; scales, intents, roles and tokens that refer to it follow.
#[utoipa::path(
    post, path = "/rename-brand", request_body = RenameRequest,
    responses((status = 200, body = RenamedView), (status = 422, body = ApiError))
)]
pub(crate) async fn rename(JsonBody(body): JsonBody<RenameRequest>) -> Result<Json<RenamedView>, ApiError> {
    let spec = resolve::read(&body.spec)?;
    let slug = |pointer: &str, text: &str| -> Result<Slug, ApiError> {
        text.parse().map_err(|e| ApiError::value(pointer, format!("\"{text}\": {e}")))
    };
    let brand = slug("/brand", &body.brand)?;
    let wanted = body.slug.as_deref().map(|s| slug("/slug", s)).transpose()?;
    let renamed =
        rename_brand(&spec, &brand, body.name.trim(), wanted).map_err(|p| ApiError::invalid("/spec", p))?;
    Ok(Json(RenamedView { spec: renamed.to_json() }))
}
