//! Sets of other people: a community service is asked, and given what one shares.

use axum::Json;
use axum::extract::State;
use rhodon_color::Rgb8;
use rhodon_formats::color_set::MOST_COLORS;
use rhodon_store::{SharedAs, Store};
use serde::Deserialize;
use serde_json::json;
use uuid::Uuid;

use super::set::{FindSets, SetColorView, SetView, SetsView, day};
use crate::error::ApiError;
use crate::path::{Path, Query};
use crate::service::Services;

/// A set as the community tells it.
#[derive(Debug, Deserialize)]
struct TheirSet {
    id: String,
    name: String,
    #[serde(default)]
    words: Vec<String>,
    #[serde(default)]
    note: String,
    #[serde(default)]
    owner: String,
    #[serde(default)]
    when: String,
    colors: Vec<SetColorView>,
}

#[derive(Debug, Deserialize)]
struct TheirPage {
    sets: Vec<TheirSet>,
    page: u64,
    pages: u64,
    total: u64,
}

/// What was answered to a set that was shared.
#[derive(Debug, Deserialize)]
struct Receipt {
    id: String,
    key: String,
}

/// A stranger's set, with those of its colours that are some.
fn read(set: TheirSet) -> SetView {
    let color = |c: SetColorView| {
        let code: Rgb8 = c.hex.parse().ok()?;
        Some(SetColorView {
            name: c.name,
            hex: code.to_string(),
        })
    };
    SetView {
        id: set.id,
        name: set.name,
        words: set.words,
        note: set.note,
        owner: set.owner,
        when: set.when,
        shared: true,
        colors: set
            .colors
            .into_iter()
            .filter_map(color)
            .take(MOST_COLORS)
            .collect(),
    }
}

/// Sets that people share, found by word, owner and nearness.
#[utoipa::path(
    get, path = "/community/sets", params(FindSets), operation_id = "find_shared_sets",
    responses((status = 200, body = SetsView), (status = 502, body = ApiError))
)]
pub(crate) async fn find(
    State(services): State<Services>,
    Query(query): Query<FindSets>,
) -> Result<Json<SetsView>, ApiError> {
    let found: TheirPage = services.community.get("community/sets", &query).await?;
    Ok(Json(SetsView {
        sets: found.sets.into_iter().map(read).collect(),
        page: found.page,
        pages: found.pages,
        total: found.total,
    }))
}

/// Shares a set that is kept here.
#[utoipa::path(
    post, path = "/sets/{id}/share", params(("id" = Uuid, Path,)), operation_id = "share_set",
    responses((status = 200, body = SetView), (status = 404, body = ApiError), (status = 502, body = ApiError))
)]
pub(crate) async fn share(
    State(store): State<Store>,
    State(services): State<Services>,
    Path(id): Path<Uuid>,
) -> Result<Json<SetView>, ApiError> {
    let set = store.set(id).await?;
    if set.shared.is_some() {
        return Ok(Json(set.into()));
    }
    if set.owner.is_empty() {
        let message = "expected a name of who shares it, found nothing";
        return Err(ApiError::value("/owner", message));
    }
    let colors: Vec<_> = set
        .colors
        .iter()
        .map(|(name, hex)| json!({ "name": name, "hex": hex }))
        .collect();
    let body = json!({
        "name": set.name, "words": set.words, "note": set.note, "owner": set.owner,
        "when": day(set.created_at), "colors": colors,
    });
    let Receipt { id: known_as, key } = services.community.post("community/sets", &body).await?;
    let shared = SharedAs { id: known_as, key };
    Ok(Json(store.mark_shared(id, Some(shared)).await?.into()))
}

/// Takes a set back from the community; it stays here.
#[utoipa::path(
    delete, path = "/sets/{id}/share", params(("id" = Uuid, Path,)), operation_id = "withdraw_set",
    responses((status = 200, body = SetView), (status = 404, body = ApiError), (status = 502, body = ApiError))
)]
pub(crate) async fn withdraw(
    State(store): State<Store>,
    State(services): State<Services>,
    Path(id): Path<Uuid>,
) -> Result<Json<SetView>, ApiError> {
    let set = store.set(id).await?;
    let Some(shared) = &set.shared else {
        return Ok(Json(set.into()));
    };
    let path = format!("community/sets/{}", shared.id);
    services.community.delete(&path, &shared.key).await?;
    Ok(Json(store.mark_shared(id, None).await?.into()))
}
