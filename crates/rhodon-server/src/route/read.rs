//! Reading files into a theme document.

use axum::Json;
use axum::extract::State;
use rhodon_formats::read::{InputFile, ReadProblem, read as read_files};
use serde::{Deserialize, Serialize};
use serde_json::Value;
use utoipa::ToSchema;

use crate::bench::Bench;
use crate::error::ApiError;
use crate::json::JsonBody;

/// Files that belong together.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ReadRequest {
    files: Vec<InputFileView>,
}

/// A file.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct InputFileView {
    /// Its name, by which other files refer to it.
    name: String,
    text: String,
}

/// What was read.
#[derive(Debug, Serialize, ToSchema)]
pub struct ReadView {
    /// The document; none where too little could be read for one.
    #[schema(schema_with = crate::schema::optional_spec_schema)]
    spec: Option<Value>,
    /// What was done with names and values that do not fit as they are.
    notes: Vec<String>,
    /// What could not be taken over.
    problems: Vec<ReadProblemView>,
}

/// Something in a file that could not be taken over.
#[derive(Debug, Serialize, ToSchema)]
pub struct ReadProblemView {
    file: String,
    /// A token path or JSON Pointer; empty for the whole file.
    place: String,
    message: String,
}

impl From<InputFileView> for InputFile {
    fn from(file: InputFileView) -> Self {
        Self::text(file.name, file.text)
    }
}

impl From<ReadProblem> for ReadProblemView {
    fn from(p: ReadProblem) -> Self {
        Self {
            file: p.file,
            place: p.place,
            message: p.message,
        }
    }
}

/// A document from a saved one, or from the files of a set of design tokens.
#[utoipa::path(post, path = "/read", request_body = ReadRequest, responses((status = 200, body = ReadView)))]
pub(crate) async fn read(
    State(bench): State<Bench>,
    JsonBody(body): JsonBody<ReadRequest>,
) -> Result<Json<ReadView>, ApiError> {
    let files: Vec<InputFile> = body.files.into_iter().map(InputFile::from).collect();
    let import = bench.work.run(move || read_files(&files)).await?;
    Ok(Json(ReadView {
        spec: import.spec.map(|s| s.to_json()),
        notes: import.notes,
        problems: import
            .problems
            .into_iter()
            .map(ReadProblemView::from)
            .collect(),
    }))
}
