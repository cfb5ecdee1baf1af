//! Whether the server and its database answer.

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use rhodon_store::Store;
use serde::Serialize;
use utoipa::ToSchema;

use crate::error::ApiError;

/// All is well.
#[derive(Debug, Serialize, ToSchema)]
pub struct Health {
    status: &'static str,
}

/// Ready: the database answers, and its schema is the one that this program knows.
#[utoipa::path(get, path = "/health", responses((status = 200, body = Health), (status = 503, body = ApiError)))]
pub(crate) async fn health(State(store): State<Store>) -> Result<Json<Health>, ApiError> {
    store.ping().await?;
    if !store.is_current().await? {
        let detail =
            "the database waits for migrations: start this server anew, or the newest of several";
        let status = StatusCode::SERVICE_UNAVAILABLE;
        return Err(ApiError::new(
            status,
            "/problems/not-ready",
            "Not ready",
            detail,
        ));
    }
    Ok(Json(Health { status: "ok" }))
}
