//! The files of a theme in the folder: what its document hands it to, each target into its place.

use std::collections::{BTreeMap, BTreeSet};
use std::sync::Arc;

use rhodon_formats::{File, Handover, INTO};
use rhodon_theme::{Derived, Resolved};

use super::folder::{Folder, is_inside};
use crate::error::ApiError;
use crate::route::export::with_family;

/// Files by path, and what could not be written, in sentences.
#[derive(Debug, Default)]
pub(crate) struct Handed {
    pub files: BTreeMap<String, String>,
    pub failures: Vec<String>,
}

impl Handed {
    /// Takes files into a folder.
    fn take(&mut self, id: &str, into: &str, files: Vec<File>) {
        for file in files {
            let path = match into {
                "" => file.path,
                folder => format!("{folder}/{}", file.path),
            };
            if is_inside(&path) {
                self.files.insert(path, file.text);
            } else {
                let failure = format!("{id}: {path}: expected a path inside the folder");
                self.failures.push(failure);
            }
        }
    }

    /// The hash of each file, by path.
    pub(crate) fn hashes(&self) -> BTreeMap<String, String> {
        let files = self.files.iter();
        files
            .map(|(path, text)| (path.clone(), hash(text.as_bytes())))
            .collect()
    }
}

/// The files that a theme is handed over as; `document` is the path of its document, beside which
/// they lie unless its handoff says another folder.
pub(crate) fn handed(
    theme: &Resolved,
    beside: &[Arc<Derived>],
    document: &str,
    revision: Option<i32>,
) -> Result<Handed, ApiError> {
    let here = document.rsplit_once('/').map_or("", |(folder, _)| folder);
    with_family(theme, beside, (revision, None), |source| {
        let mut out = Handed::default();
        for id in theme.merged.handover() {
            let into = place(theme, &id).unwrap_or_else(|| here.to_owned());
            let written = Handover::find(&id).and_then(|part| part.write(source, []));
            match written {
                Ok(written) => out.take(&id, &into, written.output.files),
                Err(error) => out.failures.push(format!("{id}: {error}")),
            }
        }
        Ok(out)
    })
}

/// The folder that the handoff names for a target.
fn place(theme: &Resolved, id: &str) -> Option<String> {
    let options = theme
        .merged
        .handoff
        .iter()
        .find(|(slug, _)| slug.as_str() == id)?
        .1;
    let (_, into) = options.iter().find(|(key, _)| key.as_str() == INTO)?;
    let into = into.trim().trim_matches('/').trim_start_matches("./");
    Some(into.to_owned())
}

/// What became of files.
#[derive(Debug, Default)]
pub(crate) struct Written {
    /// Hashes of what lies there now, by path.
    pub hashes: BTreeMap<String, String>,
    /// Files that somebody else changed, which stay as they are.
    pub kept: Vec<String>,
    /// What went wrong, in sentences.
    pub failures: Vec<String>,
}

/// Writes what differs. A file that is neither what was written last nor what is to be written stays,
/// unless it is trusted; without a list all are.
pub(crate) fn hand(
    folder: &Folder,
    files: &BTreeMap<String, String>,
    last: &BTreeMap<String, String>,
    trusted: Option<&BTreeSet<String>>,
) -> Written {
    let mut out = Written::default();
    for (path, text) in files {
        let there = match folder.read(path) {
            Ok(there) => there,
            Err(failure) => {
                out.failures.push(failure);
                continue;
            }
        };
        let is = there.as_deref().map(hash);
        let wanted = hash(text.as_bytes());
        let is_ours = is.is_none()
            || is.as_ref() == last.get(path)
            || trusted.is_none_or(|trusted| trusted.contains(path));
        if is.as_ref() == Some(&wanted) {
            out.hashes.insert(path.clone(), wanted);
        } else if !is_ours {
            out.kept.push(path.clone());
        } else {
            match folder.write(path, text.as_bytes()) {
                Ok(()) => drop(out.hashes.insert(path.clone(), wanted)),
                Err(failure) => {
                    out.failures.push(failure);
                    out.hashes
                        .extend(last.get(path).map(|h| (path.clone(), h.clone())));
                }
            }
        }
    }
    out
}

/// The hash that a file is known by.
pub(crate) fn hash(bytes: &[u8]) -> String {
    blake3::hash(bytes).to_hex().to_string()
}
