//! Two themes side by side, token by token.

use std::sync::Arc;

use axum::Json;
use axum::extract::{Query, State};
use rhodon_theme::{Derived, Diff, diff};
use serde::{Deserialize, Serialize};
use utoipa::{IntoParams, ToSchema};

use crate::bench::Bench;
use crate::error::ApiError;
use crate::family::derive_whole;
use crate::preview::{ChangeView, told};

/// Two saved themes.
#[derive(Debug, Deserialize, IntoParams)]
#[serde(deny_unknown_fields)]
#[into_params(parameter_in = Query)]
pub(crate) struct Two {
    /// Slug of the one before.
    before: String,
    /// Slug of the one after.
    after: String,
}

/// Two themes side by side.
#[derive(Debug, Serialize, ToSchema)]
pub struct DiffView {
    /// Every value that differs.
    changes: Vec<ChangeView>,
    /// What differs where more contrast is asked for, and not usually.
    more: Vec<ChangeView>,
}

impl From<Diff> for DiffView {
    fn from(diff: Diff) -> Self {
        Self {
            changes: told(diff.changes),
            more: told(diff.more),
        }
    }
}

/// Every token in which two saved themes differ.
#[utoipa::path(
    get, path = "/diff", operation_id = "diff_themes", params(Two),
    responses((status = 200, body = DiffView), (status = 404, body = ApiError))
)]
pub(crate) async fn diff_themes(
    State(bench): State<Bench>,
    two: Result<Query<Two>, axum::extract::rejection::QueryRejection>,
) -> Result<Json<DiffView>, ApiError> {
    let expected = "expected the slugs of two themes, before=…&after=…";
    let Query(two) = two.map_err(|_| ApiError::value("/before", expected))?;
    let [before, after] = [
        saved(&bench, &two.before).await?,
        saved(&bench, &two.after).await?,
    ];
    Ok(Json(diff(&before, &after).into()))
}

async fn saved(bench: &Bench, slug: &str) -> Result<Arc<Derived>, ApiError> {
    let spec = bench.store.get(slug).await?.revision.spec;
    let theme = bench.read(spec).await?;
    Ok(derive_whole(bench, theme).await?.1)
}
