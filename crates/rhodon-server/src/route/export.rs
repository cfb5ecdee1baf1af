//! Targets, and writing one.

use std::collections::BTreeMap;

use axum::Json;
use axum::body::Bytes;
use axum::extract::State;
use axum::http::{HeaderMap, header};
use axum::response::{IntoResponse, Response};
use rhodon_formats::{Source, Stamp, TARGETS, archive, find};
use rhodon_store::Store;
use rhodon_theme::Slug;
use serde::{Deserialize, Serialize};
use serde_json::Value;
use utoipa::ToSchema;

use super::derive::derived;
use crate::error::ApiError;
use crate::json::JsonBody;
use crate::response_cache;

/// A kind of file that can be written.
#[derive(Debug, Serialize, ToSchema)]
pub struct TargetView {
    id: &'static str,
    name: &'static str,
    /// `web`, `frameworks`, `apps`, `sites` or `records`.
    group: &'static str,
    /// Keys inside its files by which people look for it.
    keys: &'static [&'static str],
    options: Vec<OptionView>,
    files: &'static [&'static str],
    usage: &'static str,
    /// Whether its files are used by the names of tokens.
    named: bool,
}

/// One of its options.
#[derive(Debug, Serialize, ToSchema)]
pub struct OptionView {
    key: &'static str,
    /// `choice`, `list` or `name`.
    kind: &'static str,
    choices: &'static [&'static str],
    default: &'static str,
    help: &'static str,
}

/// All targets, in the order in which they are shown.
#[utoipa::path(get, path = "/targets", responses((status = 200, body = Vec<TargetView>)))]
pub(crate) async fn targets() -> Json<Vec<TargetView>> {
    let option = |o: &rhodon_formats::TargetOption| OptionView {
        key: o.key,
        kind: o.kind.id(),
        choices: o.kind.choices(),
        default: o.default,
        help: o.help,
    };
    let view = |t: &&rhodon_formats::Target| TargetView {
        id: t.id,
        name: t.name,
        group: t.group.id(),
        keys: t.keys,
        options: t.options.iter().map(option).collect(),
        files: t.files,
        usage: t.usage,
        named: t.has_names(),
    };
    Json(TARGETS.iter().map(view).collect())
}

/// What to write.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ExportRequest {
    #[schema(schema_with = crate::openapi::spec_schema)]
    spec: Value,
    /// Number of the saved revision, for the header of the files.
    revision: Option<i32>,
    /// Id of the target.
    target: String,
    /// Options that differ from their default.
    #[serde(default)]
    options: BTreeMap<String, String>,
}

/// What was written.
#[derive(Debug, Serialize, ToSchema)]
pub struct ExportView {
    files: Vec<FileView>,
    warnings: Vec<WarningView>,
    /// The options it was written with: those given, else those of the document and its parents,
    /// else the defaults.
    options: BTreeMap<&'static str, String>,
    /// The command that writes the same in a pipeline, from a saved document.
    command: String,
}

/// One file.
#[derive(Debug, Serialize, ToSchema)]
pub struct FileView {
    path: String,
    text: String,
}

/// A token that the target cannot carry as it is.
#[derive(Debug, Serialize, ToSchema)]
pub struct WarningView {
    token: String,
    message: String,
}

/// Writes one target of a document.
#[utoipa::path(
    post, path = "/export", request_body = ExportRequest,
    responses((status = 200, body = ExportView), (status = 422, body = ApiError))
)]
pub(crate) async fn export_theme(
    State(store): State<Store>,
    JsonBody(body): JsonBody<ExportRequest>,
) -> Result<Json<ExportView>, ApiError> {
    let target = find(&body.target)?;
    let (decided, theme) = derived(&store, &body.spec).await?;
    let stamp = Stamp {
        theme: theme.name.clone(),
        revision: body.revision,
    };
    let settings = target.settings_of(&decided, body.options)?;
    let source = Source {
        decided: &decided,
        theme: &theme,
        stamp: &stamp,
    };
    let options = settings
        .all()
        .map(|(key, value)| (key, value.to_owned()))
        .collect();
    let command = target.command(&settings);
    let output = target.export(&source, settings)?;
    Ok(Json(ExportView {
        files: output
            .files
            .into_iter()
            .map(|f| FileView {
                path: f.path,
                text: f.text,
            })
            .collect(),
        warnings: output
            .warnings
            .into_iter()
            .map(|w| WarningView {
                token: w.token,
                message: w.message,
            })
            .collect(),
        options,
        command,
    }))
}

/// Whose names are asked for.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NamesRequest {
    #[schema(schema_with = crate::openapi::spec_schema)]
    spec: Value,
    /// Id of a target; its options are those of the document.
    target: String,
}

/// How each token is called in code that uses a target's files.
#[derive(Debug, Serialize, ToSchema)]
pub struct NamesView {
    /// Names by token path.
    names: BTreeMap<String, String>,
}

/// How each token is called in a target, in light mode where the modes differ.
#[utoipa::path(
    post, path = "/names", request_body = NamesRequest,
    responses((status = 200, body = NamesView), (status = 422, body = ApiError))
)]
pub(crate) async fn names_in_target(
    State(store): State<Store>,
    JsonBody(body): JsonBody<NamesRequest>,
) -> Result<Json<NamesView>, ApiError> {
    let target = find(&body.target)?;
    let (decided, theme) = derived(&store, &body.spec).await?;
    let names = target.names(&theme, &target.settings_of(&decided, [])?);
    Ok(Json(NamesView {
        names: names
            .into_iter()
            .map(|(path, name)| (path.to_owned(), name))
            .collect(),
    }))
}

/// What to pack.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ArchiveRequest {
    #[schema(schema_with = crate::openapi::spec_schema)]
    spec: Value,
    /// Number of the saved revision, for the header of the files.
    revision: Option<i32>,
    /// Ids of targets; their options are those of the document.
    targets: Vec<String>,
}

/// One archive (ZIP) of several targets, with a page that says where each file goes.
#[utoipa::path(
    post, path = "/archive", request_body = ArchiveRequest,
    responses(
        (status = 200, content_type = "application/zip", body = Vec<u8>),
        (status = 422, body = ApiError),
    )
)]
pub(crate) async fn archive_theme(
    State(store): State<Store>,
    headers: HeaderMap,
    question: Bytes,
) -> Result<Response, ApiError> {
    let body: ArchiveRequest = crate::json::parse(&headers, &question)?;
    let name = body.file_name();
    if let Some(packed) = response_cache::recall(&question) {
        return Ok(zip(&name, packed));
    }
    let targets = body
        .targets
        .iter()
        .map(|id| find(id))
        .collect::<Result<Vec<_>, _>>()?;
    if targets.is_empty() {
        return Err(ApiError::value("/targets", "expected at least one target"));
    }
    let (decided, theme) = derived(&store, &body.spec).await?;
    let stamp = Stamp {
        theme: theme.name.clone(),
        revision: body.revision,
    };
    let lone = decided.spec.extends.is_none();
    let packed = tokio::task::spawn_blocking(move || {
        archive(
            &targets,
            &Source {
                decided: &decided,
                theme: &theme,
                stamp: &stamp,
            },
        )
    });
    let packed: Bytes = packed
        .await
        .map_err(|cause| ApiError::unexpected(&cause))??
        .bytes
        .into();
    // A parent may change without this document changing.
    if lone {
        response_cache::keep(question, &packed);
    }
    Ok(zip(&name, packed))
}

impl ArchiveRequest {
    /// The theme's slug with its revision.
    fn file_name(&self) -> String {
        let name = self
            .spec
            .get("name")
            .and_then(Value::as_str)
            .unwrap_or_default();
        let revision = self.revision.map(|r| format!("-{r}")).unwrap_or_default();
        format!("{}{revision}.zip", Slug::from_name(name, &Slug::theme()))
    }
}

fn zip(name: &str, packed: Bytes) -> Response {
    let headers = [
        (header::CONTENT_TYPE, "application/zip".to_owned()),
        (
            header::CONTENT_DISPOSITION,
            format!("attachment; filename=\"{name}\""),
        ),
    ];
    (headers, packed).into_response()
}
