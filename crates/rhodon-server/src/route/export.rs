//! Targets, and writing one.

use std::collections::BTreeMap;
use std::sync::Arc;

use axum::Json;
use axum::body::Bytes;
use axum::extract::State;
use axum::http::header;
use axum::response::{IntoResponse, Response};
use chrono::NaiveDate;
use rhodon_formats::{
    File, Handover, Output, Source, Stamp, TARGETS, Warning, Written, archive, find,
};
use rhodon_theme::{Derived, Mode, Resolved, Slug};
use serde::{Deserialize, Serialize};
use serde_json::Value;
use utoipa::ToSchema;

use crate::bench::{Bench, derived};
use crate::error::ApiError;
use crate::family::below_of;
use crate::json::JsonBody;
use crate::response_cache::{self, Question};

/// A kind of file that can be written.
#[derive(Debug, Serialize, ToSchema)]
pub struct TargetView {
    id: &'static str,
    name: &'static str,
    /// As in the vocabulary.
    #[schema(schema_with = crate::schema::group_schema)]
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
    #[schema(schema_with = crate::schema::spec_schema)]
    spec: Value,
    /// Number of the saved revision, for the header of the files.
    revision: Option<i32>,
    /// The day on which that was saved, for what is printed.
    date: Option<NaiveDate>,
    /// Id of the target, or `form:NAME` for a form of the document.
    target: String,
    /// Options that differ from their default.
    #[serde(default)]
    options: BTreeMap<String, String>,
    /// Slug of the saved theme, for targets that hold the themes below it too.
    theme: Option<String>,
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
    /// How the files are loaded, with names of this theme.
    usage: String,
}

/// One file.
#[derive(Debug, Serialize, ToSchema)]
pub struct FileView {
    path: String,
    text: String,
    /// How many lines at its head tell where it comes from; they change with every revision.
    head: usize,
}

impl From<File> for FileView {
    fn from(file: File) -> Self {
        let head = file.text[..file.head].lines().count();
        Self {
            path: file.path,
            text: file.text,
            head,
        }
    }
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
    State(bench): State<Bench>,
    JsonBody(body): JsonBody<ExportRequest>,
) -> Result<Json<ExportView>, ApiError> {
    let ExportRequest {
        spec,
        revision,
        date,
        target,
        options,
        theme,
    } = body;
    // An unknown target is told before anything is computed.
    Handover::find(&target)?;
    let decided = bench.read(spec).await?;
    let beside = beside(&bench, [target.as_str()], theme.as_deref()).await?;
    let job = move || {
        with_family(&decided, &beside, (revision, date), |source| {
            Ok(Handover::find(&target)?.write(source, options)?.into())
        })
    };
    Ok(Json(bench.work.run(job).await??))
}

/// The themes below a saved one, where one of these ids holds them too.
pub(crate) async fn beside<'a>(
    bench: &Bench,
    ids: impl IntoIterator<Item = &'a str>,
    slug: Option<&str>,
) -> Result<Vec<Arc<Derived>>, ApiError> {
    let takes_family = |id| Handover::find(id).is_ok_and(|part| part.takes_family());
    match ids.into_iter().any(takes_family) {
        true => below_of(bench, slug).await,
        false => Ok(Vec::new()),
    }
}

/// What stands at the head of the files.
fn stamp(theme: &Derived, (revision, date): (Option<i32>, Option<NaiveDate>)) -> Stamp {
    Stamp {
        theme: theme.name.clone(),
        revision,
        date: date.map(|day| day.to_string()),
    }
}

/// A theme as targets see it, derived, with the head that its files get.
pub(crate) fn with_source<T>(
    decided: &Resolved,
    saved: (Option<i32>, Option<NaiveDate>),
    write: impl FnOnce(&Source<'_>) -> Result<T, ApiError>,
) -> Result<T, ApiError> {
    with_family(decided, &[], saved, write)
}

/// As [`with_source`], with the themes beside it for targets that take several.
pub(crate) fn with_family<T>(
    decided: &Resolved,
    beside: &[Arc<Derived>],
    saved: (Option<i32>, Option<NaiveDate>),
    write: impl FnOnce(&Source<'_>) -> Result<T, ApiError>,
) -> Result<T, ApiError> {
    let beside: Vec<&Derived> = beside.iter().map(|theme| &**theme).collect();
    let theme = derived(decided).map_err(|p| ApiError::invalid("/spec", p))?;
    let stamp = stamp(&theme, saved);
    write(&Source {
        decided,
        theme: &theme,
        stamp: &stamp,
        beside: &beside,
    })
}

impl From<Written> for ExportView {
    fn from(written: Written) -> Self {
        let Output { files, warnings } = written.output;
        let warning = |w: Warning| WarningView {
            token: w.token,
            message: w.message,
        };
        Self {
            files: files.into_iter().map(FileView::from).collect(),
            warnings: warnings.into_iter().map(warning).collect(),
            options: written.options.into_iter().collect(),
            command: written.command,
            usage: written.usage,
        }
    }
}

/// Whose names are asked for.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NamesRequest {
    #[schema(schema_with = crate::schema::spec_schema)]
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
    State(bench): State<Bench>,
    JsonBody(body): JsonBody<NamesRequest>,
) -> Result<Json<NamesView>, ApiError> {
    let target = find(&body.target)?;
    let (decided, theme) = bench.derive(body.spec).await?;
    let settings = target.settings_of(&decided, [])?;
    let names = target.names(&theme, &settings);
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
    #[schema(schema_with = crate::schema::spec_schema)]
    spec: Value,
    /// Number of the saved revision, for the header of the files.
    revision: Option<i32>,
    /// The day on which that was saved, for what is printed.
    date: Option<NaiveDate>,
    /// Ids of targets, whose options are those of the document, and `form:NAME` for its forms.
    targets: Vec<String>,
    /// Slug of the saved theme, for targets that hold the themes below it too.
    theme: Option<String>,
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
    State(bench): State<Bench>,
    JsonBody(body): JsonBody<ArchiveRequest>,
) -> Result<Response, ApiError> {
    let ArchiveRequest {
        spec,
        revision,
        date,
        targets,
        theme: slug,
    } = body;
    for id in &targets {
        Handover::find(id)?;
    }
    if targets.is_empty() {
        return Err(ApiError::value("/targets", "expected at least one target"));
    }
    let theme = bench.read(spec).await?;
    let beside = beside(&bench, targets.iter().map(String::as_str), slug.as_deref()).await?;
    let name = file_name(&theme.merged.name, revision);
    let job = move || {
        let asked = (&targets, revision, date, names_of(&beside));
        response_cache::answered(Question::new("archive", &theme, &asked), || {
            let parts = targets.iter().map(|id| Handover::find(id));
            let parts = parts.collect::<Result<Vec<_>, _>>()?;
            with_family(&theme, &beside, (revision, date), |source| {
                Ok(archive(&parts, source)?.bytes)
            })
        })
    };
    let packed = bench.work.run(job).await??;
    Ok(zip(&name, packed))
}

/// What tells themes beside one apart in a key: every value of theirs.
fn names_of(beside: &[Arc<Derived>]) -> Vec<(String, Vec<String>)> {
    let values = |theme: &Arc<Derived>| {
        let cells = theme
            .tokens
            .iter()
            .flat_map(|token| Mode::BOTH.map(|m| token.cell(m)));
        (
            theme.name.clone(),
            cells.map(|cell| cell.value.to_string()).collect(),
        )
    };
    beside.iter().map(values).collect()
}

/// The theme's slug with its revision.
fn file_name(theme: &str, revision: Option<i32>) -> String {
    let revision = revision.map(|r| format!("-{r}")).unwrap_or_default();
    format!("{}{revision}.zip", Slug::from_name(theme, &Slug::theme()))
}

pub(super) fn zip(name: &str, packed: Bytes) -> Response {
    let headers = [
        (header::CONTENT_TYPE, "application/zip".to_owned()),
        (
            header::CONTENT_DISPOSITION,
            format!("attachment; filename=\"{name}\""),
        ),
    ];
    (headers, packed).into_response()
}
