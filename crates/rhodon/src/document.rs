//! Theme documents from files, with their parents beside them.

use std::fs;
use std::path::{Path, PathBuf};

use rhodon_theme::{Document, Problems, Resolved, Slug};

use crate::input;
use crate::output::Failure;

/// Ending of theme documents.
pub const ENDING: &str = ".rhodon.json";

/// Reads a document and the parents it extends, which lie beside it as `slug.rhodon.json`.
/// `-` reads standard input; parents are then sought in the current folder.
pub fn read(path: &Path) -> Result<Resolved, Failure> {
    let (place, text, folder) = if path == Path::new("-") {
        (
            "standard input".to_owned(),
            input::all()?,
            PathBuf::from("."),
        )
    } else {
        let text = fs::read_to_string(path).map_err(|cause| Failure::Io {
            place: path.display().to_string(),
            cause,
        })?;
        (
            path.display().to_string(),
            text,
            path.parent().unwrap_or(Path::new(".")).to_owned(),
        )
    };
    let spec = Document::parse(&text).map_err(|p| told(&place, &p))?;
    let mut trouble = None;
    let resolved = Resolved::follow(spec, |slug| match parent(&folder, slug) {
        Ok(found) => found,
        Err(failure) => {
            trouble = Some(failure);
            None
        }
    });
    match (trouble, resolved) {
        (Some(failure), _) => Err(failure),
        (None, Err(e)) => Err(Failure::bad(format!("{place}: /extends: {e}"))),
        (None, Ok(resolved)) => Ok(resolved),
    }
}

fn parent(folder: &Path, slug: &Slug) -> Result<Option<Document>, Failure> {
    let path = folder.join(format!("{slug}{ENDING}"));
    let Ok(text) = fs::read_to_string(&path) else {
        return Ok(None);
    };
    Document::parse(&text)
        .map(Some)
        .map_err(|p| told(&path.display().to_string(), &p))
}

/// The documents of a folder with their slugs, by name.
pub fn in_folder(folder: &Path) -> Result<Vec<(String, PathBuf)>, Failure> {
    let io = |cause| Failure::Io {
        place: folder.display().to_string(),
        cause,
    };
    let mut found = Vec::new();
    for entry in fs::read_dir(folder).map_err(io)? {
        let path = entry.map_err(io)?.path();
        let name = path.file_name().and_then(|name| name.to_str());
        if let Some(slug) = name.and_then(|name| name.strip_suffix(ENDING)) {
            found.push((slug.to_owned(), path.clone()));
        }
    }
    found.sort();
    Ok(found)
}

/// The documents in a document's folder that extend it, directly or not, by name; those that cannot be
/// read are passed over.
pub fn below(path: &Path) -> Result<Vec<PathBuf>, Failure> {
    let name = path
        .file_name()
        .and_then(|n| n.to_str())
        .unwrap_or_default();
    let slug = name.strip_suffix(ENDING).unwrap_or_default();
    let folder = match path.parent() {
        Some(folder) if folder != Path::new("") => folder,
        _ => Path::new("."),
    };
    let extends_it = |path: &PathBuf| {
        let whole = read(path);
        let above = |theme: Resolved| {
            theme
                .lineage()
                .any(|d| d.extends.as_ref().is_some_and(|s| s.as_str() == slug))
        };
        whole.is_ok_and(above)
    };
    let all = in_folder(folder)?.into_iter().map(|(_, path)| path);
    Ok(all.filter(extends_it).collect())
}

/// Problems as lines that begin with the file's name.
pub fn told(place: &str, problems: &Problems) -> Failure {
    Failure::bad(
        problems
            .0
            .iter()
            .map(|p| format!("{place}: {p}"))
            .collect::<Vec<_>>()
            .join("\n"),
    )
}
