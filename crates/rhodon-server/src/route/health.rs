//! Whether the server and its database answer.

use axum::Json;
use axum::extract::State;
use rhodon_store::Store;
use serde::Serialize;
use utoipa::ToSchema;

use crate::error::ApiError;

/// All is well.
#[derive(Debug, Serialize, ToSchema)]
pub struct Health {
    status: &'static str,
}

/// Answers while the database answers.
#[utoipa::path(get, path = "/health", responses((status = 200, body = Health), (status = 503, body = ApiError)))]
pub(crate) async fn health(State(store): State<Store>) -> Result<Json<Health>, ApiError> {
    store.ping().await?;
    Ok(Json(Health { status: "ok" }))
}
