//! Files in a ZIP archive, as if it were a folder.

use std::fs::File;
use std::io::BufReader;
use std::path::{Component, Path};

use rhodon_formats::color_use::NOT_OURS;
use rhodon_formats::read::InputFile;
use rhodon_formats::{Room, UnpackError, unpack};

use crate::output::Failure;

/// How much is looked into.
const ROOM: Room = Room {
    entries: 100_000,
    bytes: 64_000_000,
};

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
    let file = File::open(path).map_err(|cause| Failure::Io {
        place: place.clone(),
        cause,
    })?;
    let found = unpack(BufReader::new(file), ROOM, |inner| {
        is_ours(inner, is_wanted)
    });
    let found = found.map_err(|e| match e {
        UnpackError::Entries(_) => {
            Failure::bad(format!("{place}: {e}: expected at most {}", ROOM.entries))
        }
        _ => Failure::bad(format!("{place}: {e}")),
    })?;
    let file = |(name, bytes)| InputFile { name, bytes };
    files.extend(found.into_iter().map(file));
    Ok(())
}

fn is_ours(inner: &str, is_wanted: fn(&str) -> bool) -> bool {
    let mut parts = Path::new(inner).components().peekable();
    while let Some(part) = parts.next() {
        let Component::Normal(name) = part else {
            return false;
        };
        let Some(name) = name.to_str() else {
            return false;
        };
        match parts.peek() {
            Some(_) if NOT_OURS.contains(&name) => return false,
            Some(_) => {}
            None => return is_wanted(name),
        }
    }
    false
}
