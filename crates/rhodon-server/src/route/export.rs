//! Targets, and writing one.

use std::collections::BTreeMap;

use axum::Json;
use axum::extract::State;
use rhodon_exchange::{ExportError, Settings, Source, Stamp, TARGETS, export, find, remembered};
use rhodon_store::Store;
use serde::{Deserialize, Serialize};
use serde_json::Value;
use utoipa::ToSchema;

use super::derive::derived;
use crate::error::ApiError;
use crate::json::JsonBody;

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
    let option = |o: &rhodon_exchange::TargetOption| OptionView {
        key: o.key,
        kind: o.kind.id(),
        choices: o.kind.choices(),
        default: o.default,
        help: o.help,
    };
    let view = |t: &&rhodon_exchange::Target| TargetView {
        id: t.id,
        name: t.name,
        group: t.group.id(),
        keys: t.keys,
        options: t.options.iter().map(option).collect(),
        files: t.files,
        usage: t.usage,
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
    let stamp = Stamp { theme: theme.name.clone(), revision: body.revision };
    let set: Vec<_> = remembered(&decided, target).chain(body.options).collect();
    let settings = Settings::check(target.options, set.clone()).map_err(ExportError::from)?;
    let source = Source { decided: &decided, theme: &theme, stamp: &stamp };
    let output = export(target, &source, set)?;
    let set: String =
        settings.changed(target.options).map(|(k, v)| format!(" --set {k}={}", quoted(v))).collect();
    Ok(Json(ExportView {
        files: output.files.into_iter().map(|f| FileView { path: f.path, text: f.text }).collect(),
        warnings: output
            .warnings
            .into_iter()
            .map(|w| WarningView { token: w.token, message: w.message })
            .collect(),
        command: format!("rhodon export theme.rhodon.json --target {}{set} --out .", target.id),
    }))
}

/// A word of a shell command.
fn quoted(word: &str) -> String {
    let plain = |b: u8| b.is_ascii_alphanumeric() || b"-_.,/:@".contains(&b);
    if !word.is_empty() && word.bytes().all(plain) { word.to_owned() } else { format!("'{word}'") }
}
