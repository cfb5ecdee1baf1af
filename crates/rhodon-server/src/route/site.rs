//! Sites of a host that take a theme by name: what they take, registering, applying and taking back.

use std::collections::BTreeMap;

use axum::Json;
use axum::extract::State;
use axum::http::{HeaderMap, StatusCode, header};
use rhodon_publish::Shelf;
use rhodon_publish::site::{Fit, Host, SiteError, Standing, fit};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::published::{PLACE, published_now};
use crate::bench::Bench;
use crate::error::ApiError;
use crate::family::derive_whole;
use crate::front::SharedFront;
use crate::json::JsonBody;
use crate::path::Path;

impl From<SiteError> for ApiError {
    fn from(error: SiteError) -> Self {
        let status = match error {
            SiteError::Missing(_) => StatusCode::NOT_FOUND,
            SiteError::Refused(_) => StatusCode::CONFLICT,
            _ => StatusCode::BAD_GATEWAY,
        };
        Self::new(status, "/problems/site", "A site", error.to_string())
    }
}

/// Sites, and what they would take of a theme.
#[derive(Debug, Serialize, ToSchema)]
#[serde(rename_all = "camelCase")]
pub struct SitesView {
    /// Whether this server knows a host of sites.
    open: bool,
    /// The name under which the theme is registered there.
    name: String,
    sites: Vec<SiteOfHost>,
    /// The address that is registered under that name.
    registered: Option<String>,
    slots: Vec<SlotView>,
    /// How many tokens have no slot there.
    beyond: usize,
}

/// A site.
#[derive(Debug, Serialize, ToSchema)]
pub struct SiteOfHost {
    id: String,
    name: String,
    /// Name of the theme that it shows.
    theme: Option<String>,
    version: u64,
}

/// A slot, and what stands in it or why nothing does.
#[derive(Debug, Serialize, ToSchema)]
pub struct SlotView {
    slot: String,
    meaning: String,
    token: Option<String>,
    value: Option<String>,
    why: Option<String>,
}

/// Which token each slot takes, where somebody chose.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SitesRequest {
    /// Paths of tokens by slot.
    #[serde(default)]
    slots: BTreeMap<String, String>,
    /// Whether it is published and registered, or only looked at.
    register: bool,
}

fn view(name: String, standing: Option<Standing>, fit: Fit) -> SitesView {
    let open = standing.is_some();
    let Standing {
        slots,
        sites,
        themes,
    } = standing.unwrap_or_else(|| Standing {
        slots: Vec::new(),
        sites: Vec::new(),
        themes: Vec::new(),
    });
    let slot = |slot: rhodon_publish::site::Slot| {
        let taken = fit.taken.iter().find(|t| t.slot == slot.id);
        let left = fit.left.iter().find(|l| l.slot == slot.id);
        SlotView {
            token: taken
                .map(|t| t.token.clone())
                .or(left.and_then(|l| l.token.clone())),
            value: taken.map(|t| t.value.clone()),
            why: left.map(|l| l.why.clone()),
            slot: slot.id,
            meaning: slot.meaning,
        }
    };
    SitesView {
        open,
        registered: themes.into_iter().find(|t| t.name == name).map(|t| t.url),
        sites: sites
            .into_iter()
            .map(|site| SiteOfHost {
                id: site.id,
                name: site.name,
                theme: site.theme,
                version: site.version,
            })
            .collect(),
        slots: slots.into_iter().map(slot).collect(),
        beyond: fit.beyond,
        name,
    }
}

/// What the sites of the host take of a saved theme; with `register` it is published and registered there.
#[utoipa::path(
    post, path = "/themes/{slug}/sites", operation_id = "theme_sites", params(("slug" = String, Path,)),
    request_body = SitesRequest,
    responses((status = 200, body = SitesView), (status = 404, body = ApiError), (status = 409, body = ApiError), (status = 502, body = ApiError))
)]
pub(crate) async fn sites(
    State(bench): State<Bench>,
    State(shelf): State<Option<Shelf>>,
    State(host): State<Option<Host>>,
    State(front): State<SharedFront>,
    Path(slug): Path<String>,
    headers: HeaderMap,
    JsonBody(body): JsonBody<SitesRequest>,
) -> Result<Json<SitesView>, ApiError> {
    let saved = bench.store.get(&slug).await?;
    let name = saved.theme.name.clone();
    let Some(host) = host else {
        return Ok(Json(view(name, None, Fit::default())));
    };
    let theme = bench.read(saved.revision.spec).await?;
    let (_, theme) = derive_whole(&bench, theme).await?;
    let standing = host.look().await?;
    let fitted = fit(&theme, &standing.slots, &body.slots);
    if !body.register {
        return Ok(Json(view(name, Some(standing), fitted)));
    }
    let file = published_now(&bench, shelf, &slug).await?;
    let own = headers.get(header::HOST).and_then(|v| v.to_str().ok());
    let address = format!("{}{PLACE}/{file}", front.address(own));
    let slots = fitted
        .taken
        .iter()
        .map(|t| (t.slot.clone(), t.value.clone()));
    host.register(&name, &address, &slots.collect()).await?;
    let standing = host.look().await?;
    Ok(Json(view(name, Some(standing), fitted)))
}

/// What a site is to show.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ApplyRequest {
    /// Name of a registered theme; none shows none.
    theme: Option<String>,
    /// The version of the site that was looked at.
    version: u64,
}

/// What a site shows now.
#[derive(Debug, Serialize, ToSchema)]
pub struct AppliedView {
    /// Name of the theme that it showed before.
    before: Option<String>,
    /// Whether its page loads the theme's file by now: the page was read back.
    shows: bool,
}

/// Has a site show a registered theme, or none, and reads its page back.
#[utoipa::path(
    put, path = "/sites/{site}", operation_id = "apply_to_site", params(("site" = String, Path,)),
    request_body = ApplyRequest,
    responses((status = 200, body = AppliedView), (status = 404, body = ApiError), (status = 409, body = ApiError), (status = 502, body = ApiError))
)]
pub(crate) async fn apply(
    State(host): State<Option<Host>>,
    Path(id): Path<String>,
    JsonBody(body): JsonBody<ApplyRequest>,
) -> Result<Json<AppliedView>, ApiError> {
    let missing =
        || ApiError::not_found("this server knows no host of sites: RHODON_SITES names one");
    let host = host.ok_or_else(missing)?;
    let standing = host.look().await?;
    let mut site = standing.site(&id)?.clone();
    site.version = body.version;
    let before = host.apply(&site, body.theme.as_deref()).await?;
    let theme = standing
        .themes
        .iter()
        .find(|t| Some(&t.name) == body.theme.as_ref());
    let shows = match theme {
        Some(theme) => host.loads(&site, &theme.url).await?,
        None => false,
    };
    Ok(Json(AppliedView { before, shows }))
}
