//! A page of one's own: taken as files or as a ZIP, kept beside its theme, and recoloured.

use std::collections::HashMap;
use std::io::Cursor;
use std::sync::{Arc, LazyLock};

use axum::Json;
use axum::extract::multipart::{MultipartError, MultipartRejection};
use axum::extract::{Multipart, State};
use axum::http::StatusCode;
use quick_cache::sync::Cache;
use rhodon_formats::read::InputFile;
use rhodon_formats::recolor::{Plan, recolor};
use rhodon_formats::{Room, UnpackError, style_sheet, unpack};
use rhodon_store::{PageFile, PageRecord, StoreError};
use serde::{Deserialize, Serialize};
use serde_json::Value;
use utoipa::ToSchema;
use uuid::Uuid;

use super::export::with_source;
use super::recolor::{PlanRequest, plan};
use crate::bench::Bench;
use crate::error::ApiError;
use crate::json::JsonBody;
use crate::path::Path;

/// The largest page, in bytes.
pub(crate) const MAX_BYTES: usize = 20 * 1024 * 1024;
/// The most files of a page.
const MAX_FILES: usize = 500;
/// The longest path.
const MAX_PATH: usize = 300;
/// Digits of the hash that names a version.
const DIGITS: usize = 16;
/// The theme's style sheet within a page.
const SHEET: &str = "theme-at-hand.css";
/// Pages and versions that are held.
const HELD: usize = 8;

/// Files of a page as they are served, by path.
type Files = HashMap<String, Vec<u8>>;

/// Recoloured versions, by page and version.
static VERSIONS: LazyLock<Cache<(Uuid, String), Arc<Files>>> = LazyLock::new(|| Cache::new(HELD));
/// Pages as they came.
static PAGES: LazyLock<Cache<Uuid, Arc<Files>>> = LazyLock::new(|| Cache::new(HELD));

/// A page of one's own.
#[derive(Debug, Serialize, ToSchema)]
pub struct PageView {
    /// Its address is `/own/{id}/as-it-came/{entry}`.
    id: Uuid,
    /// Path of the file that is shown.
    entry: String,
    files: Vec<PageFileView>,
}

/// A file of it.
#[derive(Debug, Serialize, ToSchema)]
pub struct PageFileView {
    path: String,
    bytes: usize,
}

impl From<&PageRecord> for PageView {
    fn from(page: &PageRecord) -> Self {
        let file = |file: &PageFile| PageFileView {
            path: file.path.clone(),
            bytes: file.bytes.len(),
        };
        Self {
            id: page.id,
            entry: page.entry.clone(),
            files: page.files.iter().map(file).collect(),
        }
    }
}

fn too_large(detail: String) -> ApiError {
    ApiError::new(
        StatusCode::PAYLOAD_TOO_LARGE,
        "/problems/too-large",
        "The page is too large",
        detail,
    )
}

fn wrong(message: String) -> ApiError {
    ApiError::value("", message)
}

fn broken(e: MultipartError) -> ApiError {
    if e.status() == StatusCode::PAYLOAD_TOO_LARGE {
        return too_large(format!("expected at most {} MB", MAX_BYTES / 1_000_000));
    }
    wrong(format!("expected a form with files: {e}"))
}

/// Keeps a page beside a theme: parts of a form, each a file under its path, or one ZIP.
#[utoipa::path(
    put, path = "/themes/{slug}/page", params(("slug" = String, Path,)), operation_id = "keep_page",
    request_body(content = Vec<u8>, content_type = "multipart/form-data"),
    responses((status = 200, body = PageView), (status = 404, body = ApiError), (status = 413, body = ApiError), (status = 422, body = ApiError))
)]
pub(crate) async fn keep(
    State(bench): State<Bench>,
    Path(slug): Path<String>,
    parts: Result<Multipart, MultipartRejection>,
) -> Result<Json<PageView>, ApiError> {
    let mut parts = parts.map_err(|e| wrong(format!("expected a form with files: {e}")))?;
    let mut files: Vec<PageFile> = Vec::new();
    let mut sum = 0;
    while let Some(part) = parts.next_field().await.map_err(broken)? {
        let path = part.name().unwrap_or_default().to_owned();
        let bytes = part.bytes().await.map_err(broken)?;
        sum += bytes.len();
        if sum > MAX_BYTES || files.len() >= MAX_FILES {
            let most = MAX_BYTES / 1_000_000;
            let detail = format!("expected at most {MAX_FILES} files of {most} MB together");
            return Err(too_large(detail));
        }
        let bytes = bytes.into();
        files.push(PageFile { path, bytes });
    }
    let files = bench.work.run(move || opened(files)).await??;
    let entry = entry(&files)
        .ok_or_else(|| wrong("expected an HTML file among the files, found none".to_owned()))?;
    bench.store.keep_page(&slug, &entry, files).await?;
    Ok(Json(PageView::from(&bench.store.page_of(&slug).await?)))
}

/// The files that are meant: those of a ZIP where one came, all under clean paths.
fn opened(files: Vec<PageFile>) -> Result<Vec<PageFile>, ApiError> {
    let mut out = Vec::new();
    for file in files {
        if file.path.to_ascii_lowercase().ends_with(".zip") {
            out.extend(unpacked(&file)?);
        } else {
            out.push(file);
        }
    }
    for file in &mut out {
        file.path = clean(&file.path)?;
    }
    // One folder around everything says nothing.
    let folder = out
        .first()
        .and_then(|f| Some(format!("{}/", f.path.split_once('/')?.0)));
    if let Some(folder) = folder.filter(|f| out.iter().all(|file| file.path.starts_with(f))) {
        for file in &mut out {
            file.path.drain(..folder.len());
        }
    }
    out.sort_by(|a, b| a.path.cmp(&b.path));
    out.dedup_by(|a, b| a.path == b.path);
    Ok(out)
}

fn clean(path: &str) -> Result<String, ApiError> {
    let path = path.replace('\\', "/");
    let inside = !path.is_empty()
        && path.len() <= MAX_PATH
        && !path.chars().any(char::is_control)
        && path.split('/').all(|part| !matches!(part, "" | "." | ".."));
    if inside {
        return Ok(path);
    }
    let shown: String = path.chars().take(80).collect();
    Err(wrong(format!("{shown}: expected a path inside the page")))
}

/// The files of a ZIP.
fn unpacked(file: &PageFile) -> Result<Vec<PageFile>, ApiError> {
    let room = Room {
        entries: MAX_FILES * 2,
        bytes: MAX_BYTES as u64,
    };
    let files = unpack(Cursor::new(&file.bytes), room, |_| true).map_err(|e| match e {
        UnpackError::Entries(found) => too_large(format!(
            "{found} files in the ZIP: expected at most {MAX_FILES}"
        )),
        UnpackError::Bytes(_) => too_large(e.to_string()),
        UnpackError::Damaged(_) => wrong(format!("{}: {e}", file.path)),
    })?;
    let file = |(path, bytes)| PageFile { path, bytes };
    Ok(files.into_iter().map(file).collect())
}

fn is_html(path: &str) -> bool {
    let path = path.to_ascii_lowercase();
    path.ends_with(".html") || path.ends_with(".htm")
}

/// The file that is shown: an index, else the HTML file nearest to the root.
fn entry(files: &[PageFile]) -> Option<String> {
    let rank = |path: &&str| {
        let name = path.rsplit('/').next().unwrap_or(path);
        (path.matches('/').count(), !name.starts_with("index."))
    };
    let pages = files
        .iter()
        .map(|f| f.path.as_str())
        .filter(|path| is_html(path));
    pages.min_by_key(rank).map(str::to_owned)
}

/// The page beside a theme, where there is one.
#[utoipa::path(
    get, path = "/themes/{slug}/page", params(("slug" = String, Path,)), operation_id = "get_page",
    responses((status = 200, body = Option<PageView>), (status = 404, body = ApiError))
)]
pub(crate) async fn get(
    State(bench): State<Bench>,
    Path(slug): Path<String>,
) -> Result<Json<Option<PageView>>, ApiError> {
    match bench.store.page_of(&slug).await {
        Ok(page) => Ok(Json(Some(PageView::from(&page)))),
        Err(StoreError::NoPage(_)) => Ok(Json(None)),
        Err(e) => Err(e.into()),
    }
}

/// Removes the page beside a theme.
#[utoipa::path(
    delete, path = "/themes/{slug}/page", params(("slug" = String, Path,)), operation_id = "remove_page",
    responses((status = 204), (status = 404, body = ApiError))
)]
pub(crate) async fn remove(
    State(bench): State<Bench>,
    Path(slug): Path<String>,
) -> Result<StatusCode, ApiError> {
    bench.store.remove_page(&slug).await?;
    Ok(StatusCode::NO_CONTENT)
}

/// What a page gets.
#[derive(Debug, Deserialize, ToSchema)]
pub struct PaintRequest {
    #[serde(flatten)]
    plan: PlanRequest,
    /// The theme's own style sheet is loaded last: for pages that use its names already.
    #[serde(default)]
    sheet: bool,
}

/// A recoloured version of a page.
#[derive(Debug, Serialize, ToSchema)]
pub struct VersionView {
    /// Its address is `/own/{id}/{version}/{entry}`.
    version: String,
    /// How many places are other ones.
    changed: usize,
}

/// Recolours a page; the version is shown until others take its place.
#[utoipa::path(
    post, path = "/pages/{id}/recolored", params(("id" = Uuid, Path,)), request_body = PaintRequest, operation_id = "recolor_page",
    responses((status = 200, body = VersionView), (status = 404, body = ApiError), (status = 422, body = ApiError))
)]
pub(crate) async fn recolored(
    State(bench): State<Bench>,
    Path(id): Path<Uuid>,
    JsonBody(body): JsonBody<PaintRequest>,
) -> Result<Json<VersionView>, ApiError> {
    let sheet = match body.sheet {
        true => Some(sheet(&bench, body.plan.spec()).await?),
        false => None,
    };
    let plan = plan(&bench, body.plan).await?;
    let files = came(&bench, id).await?;
    let job = move || {
        let (mut files, changed) = repainted(&files, &plan);
        if let Some(sheet) = sheet {
            load_last(&mut files, sheet);
        }
        (files, changed)
    };
    let (files, changed) = bench.work.run(job).await?;
    let mut hash = blake3::Hasher::new();
    let mut paths: Vec<&String> = files.keys().collect();
    paths.sort();
    for path in paths {
        hash.update(&files[path]);
    }
    let version = hash.finalize().to_hex()[..DIGITS].to_owned();
    VERSIONS.insert((id, version.clone()), Arc::new(files));
    Ok(Json(VersionView { version, changed }))
}

/// The style sheet of a theme, as the target writes it with the document's options.
async fn sheet(bench: &Bench, spec: Value) -> Result<String, ApiError> {
    let decided = bench.read(spec).await?;
    let job = move || with_source(&decided, (None, None), |source| Ok(style_sheet(source)?));
    bench.work.run(job).await?
}

/// Has every HTML file load one more style sheet, behind its own.
fn load_last(files: &mut Files, sheet: String) {
    for (path, bytes) in files.iter_mut().filter(|(path, _)| is_html(path)) {
        let up = "../".repeat(path.matches('/').count());
        let link = format!("<link rel=\"stylesheet\" href=\"{up}{SHEET}\">");
        let text = String::from_utf8_lossy(bytes);
        let lower = text.to_ascii_lowercase();
        let at = lower.find("</head>").or_else(|| lower.find("<body"));
        let at = at
            .filter(|at| text.is_char_boundary(*at))
            .unwrap_or(text.len());
        *bytes = format!("{}{link}{}", &text[..at], &text[at..]).into_bytes();
    }
    files.insert(SHEET.to_owned(), sheet.into_bytes());
}

/// Files with other colours, and how many places changed; what is no text stays.
fn repainted(files: &Files, plan: &Plan) -> (Files, usize) {
    let mut changed = 0;
    let one = |(path, bytes): (&String, &Vec<u8>)| {
        let file = InputFile {
            name: path.clone(),
            bytes: bytes.clone(),
        };
        let bytes = match recolor(&file, plan) {
            Ok(found) => {
                changed += found.changes.len();
                found.text.into_bytes()
            }
            Err(_) => file.bytes,
        };
        (path.clone(), bytes)
    };
    let files = files.iter().map(one).collect();
    (files, changed)
}

/// The files of a page as they came.
pub(crate) async fn came(bench: &Bench, id: Uuid) -> Result<Arc<Files>, ApiError> {
    if let Some(known) = PAGES.get(&id) {
        return Ok(known);
    }
    let page = bench.store.page(id).await?;
    let files: Files = page.files.into_iter().map(|f| (f.path, f.bytes)).collect();
    let files = Arc::new(files);
    PAGES.insert(id, files.clone());
    Ok(files)
}

/// The files of a version that was made.
pub(crate) fn version(id: Uuid, version: &str) -> Option<Arc<Files>> {
    VERSIONS.get(&(id, version.to_owned()))
}

#[cfg(test)]
#[allow(clippy::unwrap_used)]
mod tests {
    use std::io::Write;

    use zip::write::{SimpleFileOptions, ZipWriter};

    use super::*;

    fn file(path: &str, bytes: &[u8]) -> PageFile {
        PageFile {
            path: path.to_owned(),
            bytes: bytes.to_owned(),
        }
    }

    fn zipped(files: &[(&str, &[u8])]) -> PageFile {
        let mut zip = ZipWriter::new(Cursor::new(Vec::new()));
        for (path, bytes) in files {
            zip.start_file(*path, SimpleFileOptions::default()).unwrap();
            zip.write_all(bytes).unwrap();
        }
        file("site.zip", &zip.finish().unwrap().into_inner())
    }

    fn paths(files: Vec<PageFile>) -> Vec<String> {
        let opened = opened(files).unwrap();
        opened.into_iter().map(|f| f.path).collect()
    }

    #[test]
    fn files_and_archives_come_without_the_folder_around_them() {
        let zip = zipped(&[("site/index.html", b"<p>"), ("site/css/a.css", b"a{}")]);
        assert_eq!(paths(vec![zip]), ["css/a.css", "index.html"]);
        let loose = vec![file("index.html", b""), file("css\\a.css", b"")];
        assert_eq!(paths(loose), ["css/a.css", "index.html"]);
        let entry = |names: &[&str]| {
            let files: Vec<PageFile> = names.iter().map(|n| file(n, b"")).collect();
            entry(&files)
        };
        assert_eq!(
            entry(&["b/index.html", "about.HTML"]).as_deref(),
            Some("about.HTML")
        );
        assert_eq!(
            entry(&["about.html", "index.htm"]).as_deref(),
            Some("index.htm")
        );
        assert_eq!(entry(&["a.css"]), None);
    }

    #[test]
    fn paths_that_lead_out_bombs_and_damage_are_refused_in_words() {
        let refused = |files: Vec<PageFile>| opened(files).unwrap_err().detail().to_owned();
        for path in [
            "../x.html",
            "a/../../x.html",
            "/x.html",
            "a//x.html",
            "",
            "a\u{0}b",
        ] {
            assert!(
                refused(vec![file(path, b"")]).contains("expected a path inside the page"),
                "{path}"
            );
        }
        let climbs = zipped(&[("../../etc/x.html", b"")]);
        assert!(refused(vec![climbs]).contains("expected a path inside the page"));
        let nothing = vec![0u8; 8 * 1024 * 1024];
        let bomb = zipped(&[
            ("a.html", &nothing),
            ("b.html", &nothing),
            ("c.html", &nothing),
        ]);
        assert!(bomb.bytes.len() < 100_000);
        assert!(refused(vec![bomb]).contains("more than 20 MB unpacked"));
        assert!(refused(vec![file("a.zip", b"PK")]).starts_with("a.zip: a damaged ZIP"));
    }
}
