//! Files in a ZIP archive, as if it were a folder. What it claims to hold is not believed.

use std::fs::File;
use std::io::{BufReader, Read};
use std::path::{Component, Path};

use rhodon_formats::color_use::NOT_OURS;
use rhodon_formats::read::InputFile;
use zip::ZipArchive;

use crate::output::Failure;

/// The most that its files come to, in bytes.
const MOST: u64 = 64_000_000;
/// The most entries.
const MOST_ENTRIES: usize = 100_000;

/// Whether a file is looked into as an archive.
pub fn is_archive(path: &Path) -> bool {
    let ending = path.extension().and_then(|ending| ending.to_str());
    ending.is_some_and(|ending| ending.eq_ignore_ascii_case("zip"))
}

/// The files of an archive whose names are wanted, under their paths in it; what others made is passed
/// over, and so is what would lie outside of it.
pub fn collect(
    path: &Path,
    is_wanted: fn(&str) -> bool,
    files: &mut Vec<InputFile>,
) -> Result<(), Failure> {
    let place = path.display().to_string();
    let damaged =
        |why: &dyn std::fmt::Display| Failure::bad(format!("{place}: a damaged ZIP: {why}"));
    let file = File::open(path).map_err(|cause| Failure::Io {
        place: place.clone(),
        cause,
    })?;
    let mut archive = ZipArchive::new(BufReader::new(file)).map_err(|e| damaged(&e))?;
    if archive.len() > MOST_ENTRIES {
        let found = archive.len();
        let expected = format!("{place}: {found} entries: expected at most {MOST_ENTRIES}");
        return Err(Failure::bad(expected));
    }
    let mut left = MOST;
    for index in 0..archive.len() {
        let entry = archive.by_index(index).map_err(|e| damaged(&e))?;
        let Some(inner) = entry.enclosed_name().filter(|_| entry.is_file()) else {
            continue;
        };
        let name = inner.file_name().and_then(|name| name.to_str());
        if others_made(&inner) || !name.is_some_and(is_wanted) {
            continue;
        }
        let mut bytes = Vec::new();
        entry
            .take(left + 1)
            .read_to_end(&mut bytes)
            .map_err(|e| damaged(&e))?;
        left = left.checked_sub(bytes.len() as u64).ok_or_else(|| {
            let most = MOST / 1_000_000;
            Failure::bad(format!(
                "{place}: more than {most} MB unpacked: expected at most that"
            ))
        })?;
        files.push(InputFile {
            name: inner.display().to_string(),
            bytes,
        });
    }
    Ok(())
}

fn others_made(path: &Path) -> bool {
    let folders = path.parent().into_iter().flat_map(Path::components);
    folders.into_iter().any(|part| match part {
        Component::Normal(name) => name.to_str().is_some_and(|name| NOT_OURS.contains(&name)),
        _ => false,
    })
}
