//! A community that shares sets of colours: found by word, owner and nearness; shared and withdrawn.

use std::sync::{Arc, Mutex, MutexGuard, PoisonError};

use axum::extract::{Path, Query, State};
use axum::http::{HeaderMap, StatusCode, header};
use axum::routing::get;
use axum::{Json, Router};
use rhodon_color::{Oklab, Rgb8};
use serde::{Deserialize, Serialize};

use crate::answer::Refusal;
use crate::made_up::{Color, Set, sets};

/// Sets of one page.
const PAGE: usize = 24;
/// The most colours of a set, and letters of its name.
const MOST: (usize, usize) = (40, 80);

/// A set with the key that withdraws it: none for those that were here from the start.
struct Held {
    set: Set,
    key: Option<String>,
}

#[derive(Clone)]
struct Community(Arc<Mutex<Vec<Held>>>);

impl Community {
    fn held(&self) -> MutexGuard<'_, Vec<Held>> {
        self.0.lock().unwrap_or_else(PoisonError::into_inner)
    }
}

pub(crate) fn routes() -> Router {
    let held = sets().into_iter().map(|set| Held { set, key: None });
    Router::new()
        .route("/community/sets", get(find).post(share))
        .route("/community/sets/{id}", get(one).delete(withdraw))
        .with_state(Community(Arc::new(Mutex::new(held.collect()))))
}

#[derive(Debug, Default, Deserialize)]
#[serde(default, deny_unknown_fields)]
struct Wanted {
    word: String,
    owner: String,
    /// Codes with commas between them.
    near: String,
    order: String,
    seed: u64,
    page: Option<usize>,
}

#[derive(Debug, Serialize)]
struct Page {
    sets: Vec<Set>,
    page: usize,
    pages: usize,
    total: usize,
}

async fn find(
    State(community): State<Community>,
    Query(wanted): Query<Wanted>,
) -> Result<Json<Page>, Refusal> {
    let near = codes(&wanted.near)?;
    let mut found: Vec<Set> = {
        let held = community.held();
        let sets = held.iter().map(|held| &held.set);
        sets.filter(|set| is_like(set, &wanted)).cloned().collect()
    };
    if !near.is_empty() {
        found.sort_by(|a, b| away(a, &near).total_cmp(&away(b, &near)));
    } else if wanted.order == "random" {
        fastrand::Rng::with_seed(wanted.seed).shuffle(&mut found);
    }
    let total = found.len();
    let pages = total.div_ceil(PAGE).max(1);
    let page = wanted.page.unwrap_or(1);
    if page == 0 || page > pages {
        let why = format!("page {page}: expected 1 to {pages}");
        return Err(Refusal(StatusCode::BAD_REQUEST, why));
    }
    let sets = found.into_iter().skip((page - 1) * PAGE).take(PAGE);
    Ok(Json(Page {
        sets: sets.collect(),
        page,
        pages,
        total,
    }))
}

fn codes(text: &str) -> Result<Vec<Rgb8>, Refusal> {
    let parts = text.split(',').map(str::trim).filter(|t| !t.is_empty());
    let read = parts.map(|code| code.parse::<Rgb8>().map_err(|e| format!("near: {e}")));
    read.collect::<Result<_, _>>()
        .map_err(|why| Refusal(StatusCode::BAD_REQUEST, why))
}

fn is_like(set: &Set, wanted: &Wanted) -> bool {
    let word = wanted.word.to_lowercase();
    let holds = |text: &str| text.to_lowercase().contains(&word);
    let owner = wanted.owner.is_empty() || set.owner.eq_ignore_ascii_case(&wanted.owner);
    owner && (holds(&set.name) || holds(&set.note) || set.words.iter().any(|w| holds(w)))
}

/// How far a set is from colours: for each, the nearest of the set, summed.
fn away(set: &Set, near: &[Rgb8]) -> f64 {
    let labs: Vec<Oklab> = set
        .colors
        .iter()
        .filter_map(|c| c.hex.parse::<Rgb8>().ok())
        .map(|c| Oklab::from_linear(c.to_linear()))
        .collect();
    near.iter()
        .map(|code| {
            let goal = Oklab::from_linear(code.to_linear());
            let far = |lab: &Oklab| {
                (lab.l - goal.l).powi(2) + (lab.a - goal.a).powi(2) + (lab.b - goal.b).powi(2)
            };
            labs.iter().map(far).fold(f64::INFINITY, f64::min).sqrt()
        })
        .sum()
}

async fn one(
    State(community): State<Community>,
    Path(id): Path<String>,
) -> Result<Json<Set>, Refusal> {
    let held = community.held();
    let found = held.iter().find(|held| held.set.id == id);
    found
        .map(|held| Json(held.set.clone()))
        .ok_or_else(|| missing(&id))
}

fn missing(id: &str) -> Refusal {
    Refusal(StatusCode::NOT_FOUND, format!("no set is called {id}"))
}

#[derive(Debug, Deserialize)]
#[serde(deny_unknown_fields)]
struct Shared {
    name: String,
    #[serde(default)]
    words: Vec<String>,
    #[serde(default)]
    note: String,
    owner: String,
    when: String,
    colors: Vec<SharedColor>,
}

#[derive(Debug, Deserialize)]
#[serde(deny_unknown_fields)]
struct SharedColor {
    name: String,
    hex: String,
}

#[derive(Debug, Serialize)]
struct Receipt {
    id: String,
    key: String,
}

async fn share(
    State(community): State<Community>,
    Json(shared): Json<Shared>,
) -> Result<(StatusCode, Json<Receipt>), Refusal> {
    let bad = |why: String| Refusal(StatusCode::UNPROCESSABLE_ENTITY, why);
    if shared.name.trim().is_empty() || shared.name.chars().count() > MOST.1 {
        return Err(bad(format!("name: expected 1 to {} letters", MOST.1)));
    }
    if shared.owner.trim().is_empty() {
        return Err(bad("owner: expected a name".to_owned()));
    }
    if shared.colors.is_empty() || shared.colors.len() > MOST.0 {
        return Err(bad(format!("colors: expected 1 to {}", MOST.0)));
    }
    let color = |c: SharedColor| {
        let code: Rgb8 = c.hex.parse().map_err(|e| format!("colors: {e}"))?;
        Ok(Color {
            name: c.name,
            hex: code.to_string(),
        })
    };
    let colors: Result<Vec<Color>, String> = shared.colors.into_iter().map(color).collect();
    let mut held = community.held();
    let receipt = Receipt {
        id: format!("s{:08x}", fastrand::u32(..)),
        key: format!("{:032x}", fastrand::u128(..)),
    };
    let set = Set {
        id: receipt.id.clone(),
        name: shared.name,
        words: shared.words,
        note: shared.note,
        owner: shared.owner,
        when: shared.when,
        colors: colors.map_err(bad)?,
    };
    let key = Some(receipt.key.clone());
    held.insert(0, Held { set, key });
    Ok((StatusCode::CREATED, Json(receipt)))
}

async fn withdraw(
    State(community): State<Community>,
    Path(id): Path<String>,
    headers: HeaderMap,
) -> Result<StatusCode, Refusal> {
    let mut held = community.held();
    let at = held.iter().position(|held| held.set.id == id);
    let at = at.ok_or_else(|| missing(&id))?;
    let given = headers
        .get(header::AUTHORIZATION)
        .and_then(|v| v.to_str().ok())
        .and_then(|v| v.strip_prefix("Bearer "));
    if given.is_none() || given != held[at].key.as_deref() {
        let why = "expected the key that came when this set was shared".to_owned();
        return Err(Refusal(StatusCode::FORBIDDEN, why));
    }
    held.remove(at);
    Ok(StatusCode::NO_CONTENT)
}
