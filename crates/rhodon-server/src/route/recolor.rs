//! Files and pictures with other colours.

mod faces;
mod lines;

use std::collections::BTreeMap;

use axum::Json;
use axum::body::Body;
use axum::extract::State;
use axum::http::header;
use axum::response::{IntoResponse, Response};
use rhodon_color::{Color, Rgb8};
use rhodon_formats::read::InputFile;
use rhodon_formats::recolor::{ColorMap, FaceMap, Plan, Recolored, recolor};
use rhodon_formats::{bundle, css_name};
use rhodon_picture::repaint;
use rhodon_theme::{Derived, Document, Mode, Resolved, Value as TokenValue};
use serde::{Deserialize, Serialize};
use serde_json::Value;
use utoipa::{IntoParams, ToSchema};

use self::faces::FaceLineView;
use self::lines::{MapLineView, lines};
use super::export::zip;
use super::picture::{received, refused};
use super::read::InputFileView;
use crate::bench::{Bench, derived};
use crate::error::ApiError;
use crate::json::JsonBody;
use crate::path::Query;

/// Files and what they get.
#[derive(Debug, Deserialize, ToSchema)]
pub struct RecolorRequest {
    files: Vec<InputFileView>,
    /// Colours of pictures that go along: the map has lines for them too.
    #[serde(default)]
    pictures: Vec<PictureColors>,
    #[serde(flatten)]
    plan: PlanRequest,
}

/// The colours of a picture.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct PictureColors {
    /// Name of its file.
    name: String,
    /// Its codes, the most telling first.
    colors: Vec<String>,
}

/// What files get.
#[derive(Debug, Deserialize, ToSchema)]
pub struct PlanRequest {
    /// The theme whose colours the files get.
    #[schema(schema_with = crate::schema::spec_schema)]
    spec: Value,
    /// Old codes with new ones, chosen by hand: a colour, or `{path}` of a token; null leaves a colour as it is.
    #[serde(default)]
    map: BTreeMap<String, Option<String>>,
    /// The theme whose colours the files have: each token's old value then becomes its new one.
    #[serde(default)]
    from: Option<FromTheme>,
    /// Relatives of mapped colours go along.
    #[serde(default)]
    kin: bool,
    /// Colours that comments mention are changed too.
    #[serde(default)]
    comments: bool,
    /// Style sheets refer to tokens where they can.
    #[serde(default)]
    to_variables: bool,
    /// Faces, each the first of its list, with what takes their place: one face before the same others, a whole list,
    /// or `{path}` of a token; null leaves a face as it is.
    #[serde(default)]
    faces: BTreeMap<String, Option<String>>,
}

impl PlanRequest {
    /// The theme whose colours the files get.
    pub(super) fn spec(&self) -> Value {
        self.spec.clone()
    }
}

/// A saved theme, as it is or was.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct FromTheme {
    /// Its slug.
    theme: String,
    /// One of its revisions; the current one where none is named.
    revision: Option<i32>,
}

/// Files with other colours.
#[derive(Debug, Serialize, ToSchema)]
pub struct RecoloredView {
    /// Every colour of the files, most used first, with what becomes of it.
    lines: Vec<MapLineView>,
    /// Every face that a list of the files begins with, most used first, with what takes its place.
    faces: Vec<FaceLineView>,
    files: Vec<RecoloredFile>,
    /// Files that were not looked into, with the reason.
    skipped: Vec<SkippedFile>,
}

/// A file with other colours.
#[derive(Debug, Serialize, ToSchema)]
pub struct RecoloredFile {
    name: String,
    text: String,
    changes: Vec<ChangedPlace>,
    /// Lists of faces that were changed.
    faces: Vec<ChangedFace>,
    unreadable: Vec<UnreadableView>,
}

/// A list of faces that was changed.
#[derive(Debug, Serialize, ToSchema)]
pub struct ChangedFace {
    line: usize,
    /// In bytes, from 1.
    column: usize,
    from: String,
    to: String,
}

/// A place that was changed.
#[derive(Debug, Serialize, ToSchema)]
pub struct ChangedPlace {
    line: usize,
    /// In bytes, from 1.
    column: usize,
    from: String,
    to: String,
    /// The code of what stood there, with its opacity.
    before: String,
    /// The code of what stands there now, however it is written.
    after: String,
}

/// A text that could be read on the ground of its rule before.
#[derive(Debug, Serialize, ToSchema)]
pub struct UnreadableView {
    line: usize,
    text: String,
    ground: String,
    before: f64,
    after: f64,
}

/// A file that was not looked into.
#[derive(Debug, Serialize, ToSchema)]
pub struct SkippedFile {
    file: String,
    why: String,
}

pub(super) async fn plan(bench: &Bench, body: PlanRequest) -> Result<Plan, ApiError> {
    let new = bench.read(body.spec).await?;
    let new = bench.work.run(move || derived(&new)).await?;
    let new = new.map_err(|p| ApiError::invalid("/spec", p))?;
    let by_hand = by_hand(&body.map, &new, body.to_variables)?;
    let (map, faces) = match &body.from {
        None => {
            let faces = faces::chosen(FaceMap::default(), &body.faces, &new)?;
            (by_hand, faces)
        }
        Some(from) => {
            let old = origin(bench, from).await?;
            let between = bench.work.run(move || {
                let old = derived(&old)?;
                let faces = FaceMap::between(&old, &new);
                Ok((ColorMap::between(&old, &new), faces, new))
            });
            let (map, faces, new) = between.await?.map_err(|p| ApiError::invalid("/from", p))?;
            let faces = faces::chosen(faces, &body.faces, &new)?;
            (map.overlaid(by_hand), faces)
        }
    };
    Ok(Plan {
        map,
        kin: body.kin,
        comments: body.comments,
        to_variables: body.to_variables,
        faces,
    })
}

/// The theme whose colours and faces files have.
async fn origin(bench: &Bench, from: &FromTheme) -> Result<Resolved, ApiError> {
    let saved = match from.revision {
        Some(number) => bench.store.revision(&from.theme, number).await?,
        None => bench.store.get(&from.theme).await?.revision,
    };
    let old = Document::read(&saved.spec).map_err(|p| ApiError::invalid("/from", p))?;
    bench.complete(old).await
}

/// The map that somebody chose, with tokens in the place of their names in braces.
fn by_hand(
    map: &BTreeMap<String, Option<String>>,
    theme: &Derived,
    to_variables: bool,
) -> Result<ColorMap, ApiError> {
    let mut chosen: BTreeMap<&str, Option<String>> = BTreeMap::new();
    for (old, new) in map {
        let path = new
            .as_deref()
            .and_then(|n| n.trim().strip_prefix('{')?.strip_suffix('}'));
        let value = match path {
            None => new.clone(),
            Some(path) => Some(
                token(path.trim(), theme, to_variables)
                    .map_err(|why| ApiError::value(&format!("/map/{old}"), why))?,
            ),
        };
        chosen.insert(old, value);
    }
    let text = serde_json::to_string(&chosen).unwrap_or_default();
    ColorMap::parse(&text).map_err(|e| ApiError::value(&format!("/map{}", e.pointer), e.message))
}

/// A token as a map has it.
fn token(path: &str, theme: &Derived, to_variables: bool) -> Result<String, String> {
    let token = theme
        .token(path)
        .ok_or_else(|| format!("no token is called {path}: expected one of the theme"))?;
    let TokenValue::Color(color) = &token.cell(Mode::Light).value else {
        return Err(format!("{path} is no colour: expected a token that is one"));
    };
    let hex = color.color().to_hex();
    Ok(if to_variables {
        format!("var({}, {hex})", css_name(path))
    } else {
        hex
    })
}

/// What came of files.
struct Done {
    plan: Plan,
    files: Vec<(String, Recolored)>,
    /// Colours of pictures, each with the name of its file.
    pictures: Vec<(String, Color)>,
    skipped: Vec<SkippedFile>,
}

async fn done(bench: &Bench, body: RecolorRequest) -> Result<Done, ApiError> {
    let mut done = Done {
        plan: plan(bench, body.plan).await?,
        files: Vec::new(),
        pictures: colors_of(body.pictures)?,
        skipped: Vec::new(),
    };
    let files: Vec<InputFile> = body.files.into_iter().map(InputFile::from).collect();
    bench
        .work
        .run(move || {
            for file in files {
                match recolor(&file, &done.plan) {
                    Ok(found) => done.files.push((file.name, found)),
                    Err(why) => done.skipped.push(SkippedFile {
                        file: file.name,
                        why,
                    }),
                }
            }
            done
        })
        .await
}

/// The colours of pictures, parsed.
fn colors_of(pictures: Vec<PictureColors>) -> Result<Vec<(String, Color)>, ApiError> {
    let mut out = Vec::new();
    for (i, picture) in pictures.into_iter().enumerate() {
        for (j, text) in picture.colors.iter().enumerate() {
            let at = format!("/pictures/{i}/colors/{j}");
            let color = Color::parse(text).map_err(|e| ApiError::value(&at, e.to_string()))?;
            out.push((picture.name.clone(), color));
        }
    }
    Ok(out)
}

/// Gives files other colours and faces: nothing else changes, each in its spelling.
#[utoipa::path(
    post, path = "/recolor", request_body = RecolorRequest,
    responses((status = 200, body = RecoloredView), (status = 404, body = ApiError), (status = 422, body = ApiError))
)]
pub(crate) async fn recolor_files(
    State(bench): State<Bench>,
    JsonBody(body): JsonBody<RecolorRequest>,
) -> Result<Json<RecoloredView>, ApiError> {
    let done = done(&bench, body).await?;
    Ok(Json(RecoloredView {
        lines: lines(&done),
        faces: faces::lines(&done),
        files: done
            .files
            .into_iter()
            .map(|(name, found)| file(name, found))
            .collect(),
        skipped: done.skipped,
    }))
}

fn file(name: String, found: Recolored) -> RecoloredFile {
    RecoloredFile {
        name,
        text: found.text,
        changes: found
            .changes
            .into_iter()
            .map(|c| ChangedPlace {
                line: c.line,
                column: c.column,
                from: c.from,
                to: c.to,
                before: c.color.to_hex(),
                after: c.new.to_hex(),
            })
            .collect(),
        faces: found
            .faces
            .into_iter()
            .filter_map(|f| {
                Some(ChangedFace {
                    line: f.line,
                    column: f.column,
                    from: f.from,
                    to: f.to?,
                })
            })
            .collect(),
        unreadable: found
            .unreadable
            .into_iter()
            .map(|u| UnreadableView {
                line: u.line,
                text: u.text,
                ground: u.ground,
                before: u.before,
                after: u.after,
            })
            .collect(),
    }
}

/// The same files as one archive (ZIP).
#[utoipa::path(
    post, path = "/recolor/archive", request_body = RecolorRequest,
    responses((status = 200, content_type = "application/zip", body = Vec<u8>), (status = 422, body = ApiError))
)]
pub(crate) async fn archive_recolored(
    State(bench): State<Bench>,
    JsonBody(body): JsonBody<RecolorRequest>,
) -> Result<Response, ApiError> {
    let done = done(&bench, body).await?;
    let files: Vec<(String, String)> = done
        .files
        .into_iter()
        .map(|(name, found)| (name, found.text))
        .collect();
    let packed = bench.work.run(move || bundle(&files)).await?;
    Ok(zip("recolored.zip", packed.map_err(ApiError::from)?.into()))
}

/// Which colours of a picture become which.
#[derive(Debug, Deserialize, IntoParams)]
#[serde(deny_unknown_fields)]
#[into_params(parameter_in = Query)]
pub struct PictureMap {
    /// `#0f5c7a>#a33a1e` with commas between.
    map: String,
}

/// Gives a picture other colours: PNG, WebP or JPEG.
#[utoipa::path(
    post, path = "/recolor/picture", params(PictureMap),
    request_body(content = Vec<u8>, content_type = "application/octet-stream", description = "PNG, WebP or JPEG"),
    responses((status = 200, content_type = "application/octet-stream", body = Vec<u8>), (status = 413, body = ApiError), (status = 422, body = ApiError))
)]
pub(crate) async fn recolor_picture(
    State(bench): State<Bench>,
    Query(query): Query<PictureMap>,
    body: Body,
) -> Result<Response, ApiError> {
    let pair = |text: &str| -> Option<(Rgb8, Rgb8)> {
        let (old, new) = text.split_once('>')?;
        Some((old.trim().parse().ok()?, new.trim().parse().ok()?))
    };
    let mut map = Vec::new();
    for text in query.map.split(',').filter(|t| !t.trim().is_empty()) {
        let expected = || ApiError::value("/map", format!("expected #old>#new, found {text}"));
        map.push(pair(text).ok_or_else(expected)?);
    }
    let bytes = received(body).await?;
    let done = bench.work.run(move || repaint(&bytes, &map)).await?;
    let done = done.map_err(|e| refused(&e))?;
    let headers = [(header::CONTENT_TYPE, "application/octet-stream")];
    Ok((headers, done.bytes).into_response())
}
