//! Deleted themes: list, bring back, remove for good.

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use serde::Deserialize;
use utoipa::ToSchema;
use uuid::Uuid;

use super::theme::ThemeSummary;
use crate::bench::Bench;
use crate::error::ApiError;
use crate::json::JsonBody;
use crate::path::Path;

/// Deleted themes, the last deleted first.
#[utoipa::path(get, path = "/deleted-themes", operation_id = "list_deleted_themes", responses((status = 200, body = Vec<ThemeSummary>)))]
pub(crate) async fn list(State(bench): State<Bench>) -> Result<Json<Vec<ThemeSummary>>, ApiError> {
    Ok(Json(
        bench
            .store
            .deleted()
            .await?
            .into_iter()
            .map(ThemeSummary::of)
            .collect(),
    ))
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
    responses(
        (status = 200, body = ThemeSummary), (status = 404, body = ApiError), (status = 409, body = ApiError)
    )
)]
pub(crate) async fn restore(
    State(bench): State<Bench>,
    JsonBody(body): JsonBody<RestoreRequest>,
) -> Result<Json<ThemeSummary>, ApiError> {
    let back = bench.store.restore(body.id).await?;
    Ok(Json(ThemeSummary::new(
        back.theme,
        Some(&back.revision.spec),
    )))
}

/// Removes a deleted theme with all its revisions, for good.
#[utoipa::path(
    delete, path = "/deleted-themes/{id}", operation_id = "purge_theme", params(("id" = Uuid, Path,)),
    responses((status = 204), (status = 404, body = ApiError))
)]
pub(crate) async fn purge(
    State(bench): State<Bench>,
    Path(id): Path<Uuid>,
) -> Result<StatusCode, ApiError> {
    bench.store.purge(id).await?;
    Ok(StatusCode::NO_CONTENT)
}
