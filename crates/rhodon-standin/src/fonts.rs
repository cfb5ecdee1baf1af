//! A service of web fonts: a catalogue, style sheets by family and weights, and the files.

use axum::extract::{Path, Query};
use axum::http::{StatusCode, header};
use axum::response::{IntoResponse, Response};
use axum::routing::get;
use axum::{Json, Router};
use serde::{Deserialize, Serialize};

use crate::answer::Refusal;

/// A face with its file: one that holds every weight, for Latin script.
#[derive(Clone, Copy, Debug, Serialize)]
struct Face {
    family: &'static str,
    /// What it is: serif, sans, display or mono.
    kind: &'static str,
    /// Lightest and boldest.
    weights: [u16; 2],
    scripts: &'static [&'static str],
    #[serde(skip)]
    file: &'static str,
    #[serde(skip)]
    bytes: &'static [u8],
}

macro_rules! face {
    ($family:literal, $kind:literal, $weights:expr, $file:literal) => {
        Face {
            family: $family,
            kind: $kind,
            weights: $weights,
            scripts: &["latin"],
            file: concat!($file, ".woff2"),
            bytes: include_bytes!(concat!("../fonts/", $file, ".woff2")),
        }
    };
}

/// What the service has. A new face is one line.
const FACES: &[Face] = &[
    face!("Karla", "sans", [200, 800], "karla"),
    face!("Lora", "serif", [400, 700], "lora"),
    face!("Petrona", "serif", [100, 900], "petrona"),
    face!("Red Hat Mono", "mono", [300, 700], "red-hat-mono"),
    face!("Sora", "display", [100, 800], "sora"),
];

pub(crate) fn routes() -> Router {
    Router::new()
        .route("/fonts/faces", get(async || Json(FACES)))
        .route("/fonts/sheet", get(sheet))
        .route("/fonts/files/{file}", get(file))
}

#[derive(Debug, Deserialize)]
#[serde(deny_unknown_fields)]
struct Wanted {
    family: String,
    /// One weight, or the lightest and the boldest: `400..700`.
    weights: Option<String>,
}

async fn sheet(Query(wanted): Query<Wanted>) -> Result<Response, Refusal> {
    let found = FACES.iter().find(|face| face.family == wanted.family);
    let face = found.ok_or_else(|| {
        let why = format!("no face is called {}", wanted.family);
        Refusal(StatusCode::NOT_FOUND, why)
    })?;
    let [low, high] = match &wanted.weights {
        None => face.weights,
        Some(text) => weights(text, face.weights)?,
    };
    let css = format!(
        "@font-face {{\n  font-family: \"{}\";\n  font-style: normal;\n  font-weight: {low} {high};\n  \
         font-display: swap;\n  src: url(\"files/{}\") format(\"woff2\");\n}}\n",
        face.family, face.file
    );
    Ok(([(header::CONTENT_TYPE, "text/css; charset=utf-8")], css).into_response())
}

/// Weights that a face has.
fn weights(text: &str, has: [u16; 2]) -> Result<[u16; 2], Refusal> {
    let (low, high) = text.split_once("..").unwrap_or((text, text));
    let read = |t: &str| t.parse::<u16>().ok();
    match (read(low), read(high)) {
        (Some(low), Some(high)) if low <= high && low >= has[0] && high <= has[1] => {
            Ok([low, high])
        }
        _ => {
            let why = format!(
                "weights: expected some of {}..{}, found {text}",
                has[0], has[1]
            );
            Err(Refusal(StatusCode::BAD_REQUEST, why))
        }
    }
}

async fn file(Path(name): Path<String>) -> Result<Response, Refusal> {
    let found = FACES.iter().find(|face| face.file == name);
    let face = found.ok_or_else(|| {
        let why = format!("no file is called {name}");
        Refusal(StatusCode::NOT_FOUND, why)
    })?;
    let headers = [
        (header::CONTENT_TYPE, "font/woff2"),
        (header::CACHE_CONTROL, "public, max-age=31536000, immutable"),
        (header::ACCESS_CONTROL_ALLOW_ORIGIN, "*"),
    ];
    Ok((headers, face.bytes).into_response())
}
