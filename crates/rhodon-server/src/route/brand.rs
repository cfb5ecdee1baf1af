//! Adding and renaming brand colours of a document that need not be saved. Kept for those who use
//! them; [`super::change`] does the same and more.

use axum::Json;
use axum::extract::State;
use rhodon_theme::{Operation, apply};
use serde::{Deserialize, Serialize};
use serde_json::Value;
use utoipa::ToSchema;

use super::change::{NewColor, slug};
use crate::bench::Bench;
use crate::error::ApiError;
use crate::json::JsonBody;

/// Which brand colour, and its new name.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct RenameRequest {
    #[schema(schema_with = crate::schema::spec_schema)]
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
    #[schema(schema_with = crate::schema::spec_schema)]
    spec: Value,
    colors: Vec<NewColor>,
}

/// A changed document.
#[derive(Debug, Serialize, ToSchema)]
pub struct DocumentView {
    #[schema(schema_with = crate::schema::spec_schema)]
    spec: Value,
}

/// Adds brand colours behind the others, each under a slug that is free here and in the parents.
#[utoipa::path(
    post, path = "/add-brand", request_body = AddBrandRequest,
    responses((status = 200, body = DocumentView), (status = 422, body = ApiError))
)]
pub(crate) async fn add(
    State(bench): State<Bench>,
    JsonBody(body): JsonBody<AddBrandRequest>,
) -> Result<Json<DocumentView>, ApiError> {
    let colors = NewColor::brands(body.colors, "/colors")?;
    applied(&bench, body.spec, Operation::AddBrand(colors)).await
}

/// Renames a brand colour; scales, intents, roles and tokens that refer to it follow.
#[utoipa::path(
    post, path = "/rename-brand", request_body = RenameRequest,
    responses((status = 200, body = DocumentView), (status = 422, body = ApiError))
)]
pub(crate) async fn rename(
    State(bench): State<Bench>,
    JsonBody(body): JsonBody<RenameRequest>,
) -> Result<Json<DocumentView>, ApiError> {
    let operation = Operation::RenameBrand {
        brand: slug("/brand", &body.brand)?,
        name: body.name.trim().to_owned(),
        slug: body
            .slug
            .as_deref()
            .map(|wanted| slug("/slug", wanted))
            .transpose()?,
    };
    applied(&bench, body.spec, operation).await
}

async fn applied(
    bench: &Bench,
    spec: Value,
    operation: Operation,
) -> Result<Json<DocumentView>, ApiError> {
    let theme = bench.read(spec).await?;
    let changed = bench.work.run(move || apply(&operation, &theme)).await?;
    let changed = changed.map_err(|p| ApiError::invalid("/spec", p))?;
    Ok(Json(DocumentView {
        spec: changed.document.to_json(),
    }))
}
