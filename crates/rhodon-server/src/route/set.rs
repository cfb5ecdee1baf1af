//! Sets of colours: one's own, kept here.

use axum::Json;
use axum::extract::State;
use axum::http::{StatusCode, header};
use axum::response::{IntoResponse, Response};
use chrono::{DateTime, Utc};
use rhodon_color::{Oklab, Rgb8};
use rhodon_formats::color_set::{ColorSet, MOST_COLORS, SetColor, SetFormat};
use rhodon_formats::read::InputFile;
use rhodon_store::{SetContent, SetOrder, SetPage, SetQuery, SetRecord, Store};
use rhodon_theme::{Slug, color_look};
use serde::{Deserialize, Serialize};
use utoipa::{IntoParams, ToSchema};
use uuid::Uuid;

use super::read::InputFileView;
use crate::error::ApiError;
use crate::json::JsonBody;
use crate::path::{Path, Query};

/// The longest name, note and owner, and the most words, of a set.
const MOST: (usize, usize, usize, usize) = (80, 400, 60, 12);
/// The most colours that nearness is asked to.
const MOST_NEAR: usize = 12;

/// A set of colours.
#[derive(Debug, Serialize, ToSchema)]
pub struct SetView {
    pub(super) id: String,
    pub(super) name: String,
    pub(super) words: Vec<String>,
    pub(super) note: String,
    pub(super) owner: String,
    /// The day from which it is, as 2026-11-25.
    pub(super) when: String,
    /// Whether the community has it as well.
    pub(super) shared: bool,
    pub(super) colors: Vec<SetColorView>,
}

/// A colour of a set.
#[derive(Debug, Serialize, Deserialize, ToSchema)]
pub struct SetColorView {
    pub(super) name: String,
    pub(super) hex: String,
}

impl From<SetColor> for SetColorView {
    fn from(color: SetColor) -> Self {
        Self {
            name: color.name,
            hex: color.hex,
        }
    }
}

/// One page of sets.
#[derive(Debug, Serialize, ToSchema)]
pub struct SetsView {
    pub(super) sets: Vec<SetView>,
    /// Which page, from 1.
    pub(super) page: u64,
    pub(super) pages: u64,
    pub(super) total: u64,
}

/// Which sets are looked for.
#[derive(Debug, Default, Deserialize, Serialize, IntoParams)]
#[serde(deny_unknown_fields, default)]
#[into_params(parameter_in = Query)]
pub struct FindSets {
    /// Beginnings of words in name, words or note.
    word: String,
    owner: String,
    /// Codes with commas between them: sets with the nearest colours come first.
    near: String,
    /// newest or random.
    order: String,
    /// Which random order.
    seed: u64,
    /// From 1.
    #[serde(skip_serializing_if = "Option::is_none")]
    page: Option<u64>,
}

impl FindSets {
    fn read(&self) -> Result<SetQuery, ApiError> {
        let order = match self.order.as_str() {
            "" | "newest" => SetOrder::Newest,
            "random" => SetOrder::Random(self.seed),
            other => {
                let message = format!("\"{other}\": expected newest or random");
                return Err(ApiError::value("/order", message));
            }
        };
        Ok(SetQuery {
            word: self.word.clone(),
            owner: self.owner.clone(),
            near: self.near()?.into_iter().map(place).collect(),
            order,
            page: self.page.unwrap_or(1),
        })
    }

    fn near(&self) -> Result<Vec<Rgb8>, ApiError> {
        let codes = self
            .near
            .split(',')
            .map(str::trim)
            .filter(|c| !c.is_empty());
        let read: Result<Vec<Rgb8>, _> = codes.map(str::parse).collect();
        let read = read.map_err(|e| ApiError::value("/near", format!("{e}")))?;
        if read.len() > MOST_NEAR {
            let message = format!("expected at most {MOST_NEAR} colours, found {}", read.len());
            return Err(ApiError::value("/near", message));
        }
        Ok(read)
    }
}

fn place(code: Rgb8) -> [f64; 3] {
    let lab = Oklab::from_linear(code.to_linear());
    [lab.l, lab.a, lab.b]
}

/// A set as it is to be kept.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SetRequest {
    name: String,
    #[serde(default)]
    words: Vec<String>,
    #[serde(default)]
    note: String,
    #[serde(default)]
    owner: String,
    colors: Vec<SetColorView>,
}

impl SetRequest {
    fn read(self) -> Result<SetContent, ApiError> {
        let text = |pointer: &str, text: String, most: usize| {
            let text = text.trim().replace('\0', "");
            let letters = text.chars().count();
            if letters > most {
                let message = format!("expected at most {most} letters, found {letters}");
                return Err(ApiError::value(pointer, message));
            }
            Ok(text)
        };
        let name = text("/name", self.name, MOST.0)?;
        if name.is_empty() {
            return Err(ApiError::value("/name", "expected a name, found nothing"));
        }
        let split = self.words.iter().flat_map(|w| w.split_whitespace());
        let words: Vec<String> = split.map(|w| w.replace('\0', "")).collect();
        if words.len() > MOST.3 || words.iter().any(|w| w.chars().count() > MOST.2) {
            let message = format!("expected at most {} words of {} letters", MOST.3, MOST.2);
            return Err(ApiError::value("/words", message));
        }
        if self.colors.is_empty() || self.colors.len() > MOST_COLORS {
            let message = format!(
                "expected 1 to {MOST_COLORS} colours, found {}",
                self.colors.len()
            );
            return Err(ApiError::value("/colors", message));
        }
        let color = |(i, c): (usize, SetColorView)| {
            let code: Rgb8 = c
                .hex
                .parse()
                .map_err(|e| ApiError::value(&format!("/colors/{i}/hex"), format!("{e}")))?;
            let name = text(&format!("/colors/{i}/name"), c.name, MOST.0)?;
            let name = if name.is_empty() {
                color_look(code)
            } else {
                name
            };
            Ok((name, code.to_string(), place(code)))
        };
        Ok(SetContent {
            name,
            words,
            note: text("/note", self.note, MOST.1)?,
            owner: text("/owner", self.owner, MOST.2)?,
            colors: self
                .colors
                .into_iter()
                .enumerate()
                .map(color)
                .collect::<Result<_, ApiError>>()?,
        })
    }
}

/// The day of a time, as 2026-11-25.
pub(super) fn day(time: DateTime<Utc>) -> String {
    time.format("%Y-%m-%d").to_string()
}

impl From<SetRecord> for SetView {
    fn from(set: SetRecord) -> Self {
        Self {
            id: set.id.to_string(),
            name: set.name,
            words: set.words,
            note: set.note,
            owner: set.owner,
            when: day(set.created_at),
            shared: set.shared.is_some(),
            colors: set
                .colors
                .into_iter()
                .map(|(name, hex)| SetColorView { name, hex })
                .collect(),
        }
    }
}

impl From<SetPage> for SetsView {
    fn from(found: SetPage) -> Self {
        Self {
            sets: found.sets.into_iter().map(SetView::from).collect(),
            page: found.page,
            pages: found.pages,
            total: found.total,
        }
    }
}

/// Sets that are kept here, found by word, owner and nearness.
#[utoipa::path(
    get, path = "/sets", params(FindSets), operation_id = "find_sets",
    responses((status = 200, body = SetsView), (status = 422, body = ApiError))
)]
pub(crate) async fn find(
    State(store): State<Store>,
    Query(query): Query<FindSets>,
) -> Result<Json<SetsView>, ApiError> {
    Ok(Json(store.sets(&query.read()?).await?.into()))
}

/// Keeps a set.
#[utoipa::path(
    post, path = "/sets", request_body = SetRequest, operation_id = "keep_set",
    responses((status = 201, body = SetView), (status = 422, body = ApiError))
)]
pub(crate) async fn keep(
    State(store): State<Store>,
    JsonBody(body): JsonBody<SetRequest>,
) -> Result<(StatusCode, Json<SetView>), ApiError> {
    let kept = store.keep_set(&body.read()?).await?;
    Ok((StatusCode::CREATED, Json(kept.into())))
}

/// Puts other content into a set.
#[utoipa::path(
    put, path = "/sets/{id}", params(("id" = Uuid, Path,)), request_body = SetRequest, operation_id = "change_set",
    responses((status = 200, body = SetView), (status = 404, body = ApiError), (status = 422, body = ApiError))
)]
pub(crate) async fn change(
    State(store): State<Store>,
    Path(id): Path<Uuid>,
    JsonBody(body): JsonBody<SetRequest>,
) -> Result<Json<SetView>, ApiError> {
    Ok(Json(store.change_set(id, &body.read()?).await?.into()))
}

/// Forgets a set; what the community has of it stays there.
#[utoipa::path(
    delete, path = "/sets/{id}", params(("id" = Uuid, Path,)), operation_id = "remove_set",
    responses((status = 204), (status = 404, body = ApiError))
)]
pub(crate) async fn remove(
    State(store): State<Store>,
    Path(id): Path<Uuid>,
) -> Result<StatusCode, ApiError> {
    store.remove_set(id).await?;
    Ok(StatusCode::NO_CONTENT)
}

/// A set as a file.
#[utoipa::path(
    get, path = "/sets/{id}/file/{format}", params(("id" = Uuid, Path,), ("format" = String, Path, description = "gpl, tokens or json")),
    operation_id = "set_file", responses((status = 200, body = String), (status = 404, body = ApiError))
)]
pub(crate) async fn file(
    State(store): State<Store>,
    Path((id, format)): Path<(Uuid, String)>,
) -> Result<Response, ApiError> {
    let format: SetFormat = format
        .parse()
        .map_err(|e: String| ApiError::value("/format", e))?;
    let set = store.set(id).await?;
    let slug = Slug::from_name(&set.name, &Slug::theme());
    let file = format!("{slug}.{}", format.ending());
    let color = |(name, hex): (String, String)| SetColor { name, hex };
    let set = ColorSet {
        name: set.name,
        words: set.words,
        note: set.note,
        owner: set.owner,
        colors: set.colors.into_iter().map(color).collect(),
    };
    let headers = [
        (header::CONTENT_TYPE, "text/plain; charset=utf-8".to_owned()),
        (
            header::CONTENT_DISPOSITION,
            format!("attachment; filename=\"{file}\""),
        ),
    ];
    Ok((headers, set.write(format)).into_response())
}

/// What a file holds of a set.
#[derive(Debug, Serialize, ToSchema)]
pub struct ReadSetView {
    name: String,
    words: Vec<String>,
    note: String,
    owner: String,
    colors: Vec<SetColorView>,
}

/// Reads a set from a file: a palette, design tokens, JSON, or any text with colours.
#[utoipa::path(
    post, path = "/read-set", request_body = InputFileView, operation_id = "read_set",
    responses((status = 200, body = ReadSetView), (status = 422, body = ApiError))
)]
pub(crate) async fn read(
    State(bench): State<crate::bench::Bench>,
    JsonBody(body): JsonBody<InputFileView>,
) -> Result<Json<ReadSetView>, ApiError> {
    let file = InputFile::from(body);
    let set = bench
        .work
        .run(move || ColorSet::read(&file).map_err(|why| format!("{}: {why}", file.name)));
    let set = set.await?.map_err(|why| ApiError::value("/text", why))?;
    Ok(Json(ReadSetView {
        name: set.name,
        words: set.words,
        note: set.note,
        owner: set.owner,
        colors: set.colors.into_iter().map(SetColorView::from).collect(),
    }))
}
