//! A host of sites: a few made-up ones, each with a page, which show a theme by name. It has habits that
//! real ones have: a fixed list of slots, short names, colours as six-digit hex alone, pages kept for a
//! minute, and themes in use that cannot be removed.

use std::collections::{BTreeMap, HashMap};
use std::path::Path as FilePath;
use std::sync::{Arc, Mutex, MutexGuard, PoisonError};
use std::time::{Duration, Instant};

use axum::extract::{Path, State};
use axum::http::{HeaderMap, StatusCode, header};
use axum::response::{Html, IntoResponse, Response};
use axum::routing::{get, put};
use axum::{Json, Router};
use serde::{Deserialize, Serialize};
use serde_json::{Value, json};

use crate::answer::Refusal;

/// Who may change anything.
pub const TOKEN: &str = "harbour-pilot";
/// The most letters of a theme's name.
const MAX_NAME: usize = 40;
/// How long a page is kept.
const KEPT: Duration = Duration::from_secs(60);

/// What a site takes: its name, its kind, what it is for.
const SLOTS: [(&str, &str, &str); 13] = [
    ("page", "color", "the ground of a page"),
    ("panel", "color", "the ground of a panel"),
    ("ink", "color", "running text"),
    ("quiet", "color", "text beside the matter"),
    ("line", "color", "lines between things"),
    ("banner", "color", "the bar on top"),
    ("banner-ink", "color", "text on the bar"),
    ("action", "color", "a button"),
    ("action-ink", "color", "text on a button"),
    ("link", "color", "a link in text"),
    ("alarm", "color", "a warning"),
    ("face-text", "face", "the face of running text"),
    ("face-title", "face", "the face of titles"),
];

/// A theme that was registered.
#[derive(Clone, Debug, Deserialize, Serialize)]
#[serde(deny_unknown_fields)]
struct Theme {
    /// Address of its style sheet.
    url: String,
    /// What its slots hold.
    slots: BTreeMap<String, String>,
}

#[derive(Deserialize, Serialize)]
struct Site {
    id: String,
    name: String,
    theme: Option<String>,
    /// Counts what was applied.
    version: u64,
    #[serde(skip)]
    kept: Option<(Instant, String)>,
}

#[derive(Deserialize, Serialize)]
struct Held {
    sites: Vec<Site>,
    themes: BTreeMap<String, Theme>,
}

#[derive(Clone)]
struct Host {
    held: Arc<Mutex<Held>>,
    /// Where it is written, for the next start.
    file: Option<Arc<FilePath>>,
}

impl Host {
    /// As it was left in a file, or as it is made up.
    fn kept_in(file: Option<&FilePath>) -> std::io::Result<Self> {
        let held = match file.map(std::fs::read).transpose() {
            Ok(Some(bytes)) => serde_json::from_slice(&bytes)?,
            Err(error) if error.kind() != std::io::ErrorKind::NotFound => return Err(error),
            _ => made_up(),
        };
        if let Some(file) = file {
            // Told now, and not at the first change.
            write(file, &held)?;
        }
        Ok(Self {
            held: Arc::new(Mutex::new(held)),
            file: file.map(Arc::from),
        })
    }

    fn held(&self) -> MutexGuard<'_, Held> {
        self.held.lock().unwrap_or_else(PoisonError::into_inner)
    }

    /// Writes what changed before it is acknowledged.
    fn keep(&self, held: &Held) -> Result<(), Refusal> {
        let written = self
            .file
            .as_deref()
            .map_or(Ok(()), |file| write(file, held));
        written.map_err(|e| Refusal(StatusCode::INTERNAL_SERVER_ERROR, e.to_string()))
    }
}

/// The file is the old one or the new one, whole.
fn write(file: &FilePath, held: &Held) -> std::io::Result<()> {
    let beside = file.with_extension("new");
    std::fs::write(&beside, serde_json::to_vec(held)?)?;
    std::fs::rename(&beside, file)
}

fn made_up() -> Held {
    let old = Theme {
        url: "/sites/port-anlow/old.css".to_owned(),
        slots: [
            ("page", "#f4f1e8"),
            ("ink", "#222222"),
            ("banner", "#44546a"),
        ]
        .map(|(slot, value)| (slot.to_owned(), value.to_owned()))
        .into(),
    };
    let site = |id, name, theme| Site {
        id: String::from(id),
        name: String::from(name),
        theme,
        version: 1,
        kept: None,
    };
    Held {
        sites: vec![
            site("port-anlow", "Port Anlow", Some("Harbour 2024".to_owned())),
            site("skerry-holm", "Skerry Holm", None),
        ],
        themes: [("Harbour 2024".to_owned(), old)].into(),
    }
}

/// The host, as it was left in a file where one is given.
///
/// # Errors
/// The file is there and cannot be read, or cannot be written.
pub(crate) fn routes(kept: Option<&FilePath>) -> std::io::Result<Router> {
    let host = Host::kept_in(kept)?;
    Ok(Router::new()
        .route("/sites", get(list))
        .route("/sites/{id}/page", get(page))
        .route("/sites/{id}/theme", put(apply))
        .route("/site-themes/{name}", put(register).delete(remove))
        .with_state(host))
}

async fn list(State(host): State<Host>) -> Json<Value> {
    let held = host.held();
    let slots: Vec<Value> = SLOTS
        .iter()
        .map(|(id, kind, meaning)| json!({ "id": id, "kind": kind, "meaning": meaning }))
        .collect();
    let sites: Vec<Value> = held
        .sites
        .iter()
        .map(|s| {
            json!({
                "id": s.id, "name": s.name, "page": format!("/sites/{}/page", s.id),
                "theme": s.theme, "version": s.version
            })
        })
        .collect();
    let used = |name: &String| -> Vec<&str> {
        let by = held.sites.iter().filter(|s| s.theme.as_ref() == Some(name));
        by.map(|s| s.id.as_str()).collect()
    };
    let themes: Vec<Value> = held
        .themes
        .iter()
        .map(|(name, theme)| json!({ "name": name, "url": theme.url, "usedBy": used(name) }))
        .collect();
    Json(json!({ "slots": slots, "sites": sites, "themes": themes }))
}

fn missing(what: &str, name: &str) -> Refusal {
    Refusal(StatusCode::NOT_FOUND, format!("no {what} is called {name}"))
}

/// A page as it was made at most a minute ago, by whatever theme the site had then.
async fn page(State(host): State<Host>, Path(id): Path<String>) -> Result<Response, Refusal> {
    let mut held = host.held();
    let Held { sites, themes } = &mut *held;
    let site = sites.iter_mut().find(|s| s.id == id);
    let site = site.ok_or_else(|| missing("site", &id))?;
    let is_fresh = |at: &Instant| at.elapsed() < KEPT;
    let kept = site.kept.take().filter(|(at, _)| is_fresh(at));
    let (at, html) = kept.unwrap_or_else(|| {
        let theme = site.theme.as_ref().and_then(|name| themes.get(name));
        (Instant::now(), written(&site.name, theme))
    });
    let headers = [
        (header::AGE, at.elapsed().as_secs().to_string()),
        (header::CACHE_CONTROL, format!("max-age={}", KEPT.as_secs())),
    ];
    site.kept = Some((at, html.clone()));
    Ok((headers, Html(html)).into_response())
}

fn written(name: &str, theme: Option<&Theme>) -> String {
    let link = theme.map(|t| format!("<link rel=\"stylesheet\" href=\"{}\">", t.url));
    let slots: HashMap<&String, &String> = theme.iter().flat_map(|t| &t.slots).collect();
    let mut lines: Vec<String> = slots
        .iter()
        .map(|(slot, value)| format!("--{slot}: {value};"))
        .collect();
    lines.sort();
    format!(
        "<!doctype html><html lang=\"en\"><meta charset=\"utf-8\"><title>{name}</title>{}<style>:root {{ {} }} \
         body {{ margin: 0; background: var(--page, #fff); color: var(--ink, #111) }} header {{ background: \
         var(--banner, #ddd); color: var(--banner-ink, #111); padding: 1rem }} main {{ padding: 1rem }}</style>\
         <header>{name}</header><main><h1>Sailings today</h1><p>The harbour office opens at six.</p></main></html>",
        link.unwrap_or_default(),
        lines.join(" ")
    )
}

fn permitted(headers: &HeaderMap) -> Result<(), Refusal> {
    let given = headers
        .get(header::AUTHORIZATION)
        .and_then(|v| v.to_str().ok());
    match given.and_then(|v| v.strip_prefix("Bearer ")) {
        Some(TOKEN) => Ok(()),
        _ => {
            let why = "expected the token of this host".to_owned();
            Err(Refusal(StatusCode::UNAUTHORIZED, why))
        }
    }
}

async fn register(
    State(host): State<Host>,
    Path(name): Path<String>,
    headers: HeaderMap,
    Json(theme): Json<Theme>,
) -> Result<StatusCode, Refusal> {
    permitted(&headers)?;
    let bad = |why: String| Refusal(StatusCode::UNPROCESSABLE_ENTITY, why);
    let letters = name.chars().count();
    if name.trim().is_empty() || letters > MAX_NAME {
        return Err(bad(format!(
            "name: expected 1 to {MAX_NAME} letters, found {letters}"
        )));
    }
    if theme.url.contains(['"', '<', '>', ' ']) {
        return Err(bad("url: expected an address".to_owned()));
    }
    for (slot, value) in &theme.slots {
        let known = SLOTS.iter().find(|(id, ..)| id == slot);
        let (_, kind, _) = known.ok_or_else(|| bad(format!("{slot}: no slot is called that")))?;
        let hex = |v: &str| {
            v.len() == 7 && v.starts_with('#') && v[1..].bytes().all(|b| b.is_ascii_hexdigit())
        };
        let plain = |v: &str| v.chars().all(|c| c.is_alphanumeric() || " -".contains(c));
        match *kind {
            "color" if !value.is_ascii() || !hex(value) => {
                return Err(bad(format!(
                    "{slot}: expected six digits behind #, found {value}"
                )));
            }
            "face" if value.is_empty() || !plain(value) => {
                return Err(bad(format!(
                    "{slot}: expected the name of one face, found {value}"
                )));
            }
            _ => {}
        }
    }
    let mut held = host.held();
    held.themes.insert(name, theme);
    host.keep(&held)?;
    Ok(StatusCode::NO_CONTENT)
}

async fn remove(
    State(host): State<Host>,
    Path(name): Path<String>,
    headers: HeaderMap,
) -> Result<StatusCode, Refusal> {
    permitted(&headers)?;
    let mut held = host.held();
    if let Some(site) = held.sites.iter().find(|s| s.theme.as_ref() == Some(&name)) {
        let why = format!("{} shows {name}: a theme in use stays", site.name);
        return Err(Refusal(StatusCode::CONFLICT, why));
    }
    if held.themes.remove(&name).is_none() {
        return Err(missing("theme", &name));
    }
    host.keep(&held)?;
    Ok(StatusCode::NO_CONTENT)
}

#[derive(Deserialize)]
#[serde(deny_unknown_fields)]
struct Wanted {
    /// Name of the theme; none shows none.
    name: Option<String>,
    /// The version that was looked at.
    version: u64,
}

async fn apply(
    State(host): State<Host>,
    Path(id): Path<String>,
    headers: HeaderMap,
    Json(wanted): Json<Wanted>,
) -> Result<Json<Value>, Refusal> {
    permitted(&headers)?;
    let mut held = host.held();
    if let Some(name) = &wanted.name
        && !held.themes.contains_key(name)
    {
        return Err(missing("theme", name));
    }
    let site = held.sites.iter_mut().find(|s| s.id == id);
    let site = site.ok_or_else(|| missing("site", &id))?;
    if site.version != wanted.version {
        let why = format!(
            "somebody else changed {} meanwhile: it is at version {} and shows {}",
            site.name,
            site.version,
            site.theme.as_deref().unwrap_or("no theme")
        );
        return Err(Refusal(StatusCode::CONFLICT, why));
    }
    let before = std::mem::replace(&mut site.theme, wanted.name);
    site.version += 1;
    let version = site.version;
    host.keep(&held)?;
    Ok(Json(json!({ "before": before, "version": version })))
}
