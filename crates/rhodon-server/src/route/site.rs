//! Sites of a host that take a theme by name: what they take, registering, applying and taking back.

use std::collections::{BTreeMap, HashMap};

use axum::Json;
use axum::extract::State;
use axum::http::{HeaderMap, StatusCode, header};
use axum::response::{IntoResponse, Response};
use rhodon_publish::Shelf;
use rhodon_publish::site::{Fit, Host, SiteError, SiteView, Slot, Standing, fit};
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
    /// Names under which it was registered before it was renamed, and that the host still knows.
    formerly: Vec<String>,
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
    /// Whether that is the theme asked for, under its name or a former one.
    own: bool,
    /// Themes that it showed before and that the host still knows, the last one first.
    before: Vec<String>,
    version: u64,
}

/// A slot, and what stands in it or why nothing does.
#[derive(Debug, Serialize, ToSchema)]
pub struct SlotView {
    slot: String,
    meaning: String,
    token: Option<String>,
    /// Whether somebody chose that token.
    chosen: bool,
    value: Option<String>,
    why: Option<String>,
}

/// Which token each slot takes, where somebody chose.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SitesRequest {
    /// Paths of tokens by slot, kept for the next time; without them those that are kept.
    slots: Option<BTreeMap<String, String>>,
    /// Whether it is published and registered, or only looked at.
    register: bool,
}

/// What is remembered of a theme and the sites of a host.
#[derive(Default)]
struct Memory {
    slots: BTreeMap<String, String>,
    /// Names under which the theme was registered.
    names: Vec<String>,
    /// What each site showed before.
    before: HashMap<String, Vec<String>>,
}

fn view(name: String, standing: Option<Standing>, fit: Fit, mut memory: Memory) -> SitesView {
    let open = standing.is_some();
    let standing = standing.unwrap_or_default();
    let is_known = |name: &String| standing.themes.iter().any(|t| t.name == *name);
    let slot = |slot: Slot| {
        let taken = fit.taken.iter().find(|t| t.slot == slot.id);
        let left = fit.left.iter().find(|l| l.slot == slot.id);
        SlotView {
            token: taken
                .map(|t| t.token.clone())
                .or(left.and_then(|l| l.token.clone())),
            chosen: memory.slots.contains_key(&slot.id),
            value: taken.map(|t| t.value.clone()),
            why: left.map(|l| l.why.clone()),
            slot: slot.id,
            meaning: slot.meaning,
        }
    };
    let slots = standing.slots.into_iter().map(slot).collect();
    memory
        .names
        .retain(|former| *former != name && is_known(former));
    let site = |site: SiteView| {
        let mut before = memory.before.remove(&site.id).unwrap_or_default();
        before.retain(|known| is_known(known) && site.theme.as_ref() != Some(known));
        let is_own = |shown: &String| *shown == name || memory.names.contains(shown);
        SiteOfHost {
            own: site.theme.as_ref().is_some_and(is_own),
            id: site.id,
            name: site.name,
            theme: site.theme,
            before,
            version: site.version,
        }
    };
    SitesView {
        open,
        registered: standing
            .themes
            .iter()
            .find(|t| t.name == name)
            .map(|t| t.url.clone()),
        sites: standing.sites.into_iter().map(site).collect(),
        slots,
        beyond: fit.beyond,
        formerly: memory.names,
        name,
    }
}

/// The longest path of a token that is kept for a slot, in bytes.
const LONGEST_PATH: usize = 200;

/// The choices for slots that the host has; others have nothing to be kept for.
///
/// # Errors
/// What cannot be the path of a token.
fn chosen_of(
    standing: &Standing,
    mut chosen: BTreeMap<String, String>,
) -> Result<BTreeMap<String, String>, ApiError> {
    chosen.retain(|slot, _| standing.slots.iter().any(|known| known.id == *slot));
    let is_path = |path: &String| path.len() <= LONGEST_PATH && !path.chars().any(char::is_control);
    match chosen.iter().find(|(_, path)| !is_path(path)) {
        Some((slot, _)) => Err(ApiError::value(
            &format!("/slots/{slot}"),
            format!("expected the path of a token, at most {LONGEST_PATH} bytes in one line"),
        )),
        None => Ok(chosen),
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
    let (id, name) = (saved.theme.id, saved.theme.name.clone());
    let Some(host) = host else {
        let none = view(name, None, Fit::default(), Memory::default());
        return Ok(Json(none));
    };
    let theme = bench.read(saved.revision.spec).await?;
    let (_, theme) = derive_whole(&bench, theme).await?;
    let mut standing = host.look().await?;
    let slots = match body.slots {
        Some(chosen) => {
            let chosen = chosen_of(&standing, chosen)?;
            bench.store.keep_site_slots(&slug, &chosen).await?;
            chosen
        }
        None => bench.store.site_slots(&slug).await?,
    };
    let fitted = fit(&theme, &standing.slots, &slots);
    if body.register {
        let file = published_now(&bench, shelf, &slug).await?;
        let own = headers.get(header::HOST).and_then(|v| v.to_str().ok());
        let address = format!("{}{PLACE}/{file}", front.address(own));
        let taken = fitted.taken.iter();
        let taken = taken.map(|t| (t.slot.clone(), t.value.clone())).collect();
        // Remembered first: what the host has is known here, whatever happens in between.
        bench
            .store
            .keep_registration(host.address(), &name, id)
            .await?;
        host.register(&name, &address, &taken).await?;
        standing = host.look().await?;
    }
    let memory = Memory {
        slots,
        names: bench.store.registrations(host.address(), id).await?,
        before: bench.store.shown_before(host.address()).await?,
    };
    Ok(Json(view(name, Some(standing), fitted, memory)))
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

/// The page of a site as it is, to be looked at in a frame: nothing in it runs, and it reaches its own
/// host and the published themes alone.
#[utoipa::path(
    get, path = "/sites/{site}/page", operation_id = "site_page", params(("site" = String, Path,)),
    responses(
        (status = 200, body = String, content_type = "text/html"), (status = 404, body = ApiError),
        (status = 409, body = ApiError), (status = 502, body = ApiError)
    )
)]
pub(crate) async fn page(
    State(host): State<Option<Host>>,
    Path(site): Path<String>,
) -> Result<Response, ApiError> {
    let host = host.ok_or_else(no_host)?;
    host.look().await?.site(&site)?;
    let address = host.page_address(&site);
    let page = host.page(&site).await?;
    let html = with_base(&page, address.as_str());
    let origin = address.origin().ascii_serialization();
    let policy = format!(
        "sandbox; default-src 'none'; style-src 'self' {origin} 'unsafe-inline'; img-src 'self' {origin} data:; \
         font-src 'self' {origin} data:; base-uri {origin}; form-action 'none'; frame-ancestors 'self'"
    );
    let headers = [
        (header::CONTENT_TYPE, "text/html; charset=utf-8".to_owned()),
        (header::CONTENT_SECURITY_POLICY, policy),
    ];
    Ok((headers, html).into_response())
}

fn no_host() -> ApiError {
    ApiError::not_found("this server knows no host of sites: RHODON_SITES names one")
}

/// A page whose addresses lead to where it comes from.
fn with_base(page: &str, address: &str) -> String {
    let lower = page.to_ascii_lowercase();
    let opened = ["<head", "<html", "<!doctype"];
    let opened = opened.into_iter().find_map(|tag| lower.find(tag));
    let at = opened.and_then(|at| Some(at + page[at..].find('>')? + 1));
    let (before, after) = page.split_at(at.unwrap_or(0));
    format!("{before}<base href=\"{address}\">{after}")
}

/// Has a site show a registered theme, or none, and reads its page back.
#[utoipa::path(
    put, path = "/sites/{site}", operation_id = "apply_to_site", params(("site" = String, Path,)),
    request_body = ApplyRequest,
    responses((status = 200, body = AppliedView), (status = 404, body = ApiError), (status = 409, body = ApiError), (status = 502, body = ApiError))
)]
pub(crate) async fn apply(
    State(bench): State<Bench>,
    State(host): State<Option<Host>>,
    Path(id): Path<String>,
    JsonBody(body): JsonBody<ApplyRequest>,
) -> Result<Json<AppliedView>, ApiError> {
    let host = host.ok_or_else(no_host)?;
    let standing = host.look().await?;
    let mut site = standing.site(&id)?.clone();
    site.version = body.version;
    let is_other = |shown: &&String| Some(*shown) != body.theme.as_ref();
    if let Some(shown) = site.theme.as_ref().filter(is_other) {
        // Remembered first: what it shows now can be brought back, whatever happens in between.
        bench.store.keep_shown(host.address(), &id, shown).await?;
    }
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

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_base_stands_first_in_the_head() {
        for (page, wanted) in [
            (
                "<!doctype html><html><head><title>x",
                "<!doctype html><html><head><base href=\"http://h/\"><title>x",
            ),
            (
                "<!DOCTYPE html><HTML lang=\"en\"><link>",
                "<!DOCTYPE html><HTML lang=\"en\"><base href=\"http://h/\"><link>",
            ),
            (
                "<!doctype html><p>é",
                "<!doctype html><base href=\"http://h/\"><p>é",
            ),
            ("text", "<base href=\"http://h/\">text"),
        ] {
            assert_eq!(with_base(page, "http://h/"), wanted);
        }
    }
}
