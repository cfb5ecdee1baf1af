//! The files of a ZIP archive. What it claims to hold is not believed.

use std::io::{Read, Seek};

use zip::ZipArchive;
use zip::result::ZipError;

/// How much an archive may hold.
#[derive(Clone, Copy, Debug)]
pub struct Room {
    /// The most entries, folders counted.
    pub entries: usize,
    /// The most bytes of the files that are wanted, all together.
    pub bytes: u64,
}

/// Why an archive is not unpacked.
#[derive(Clone, Debug, PartialEq, Eq, thiserror::Error)]
pub enum UnpackError {
    /// It is none, or broken.
    #[error("a damaged ZIP: {0}")]
    Damaged(String),
    /// It has too many entries.
    #[error("{0} entries")]
    Entries(usize),
    /// Its files are too large, in bytes that there is room for.
    #[error("more than {} MB unpacked: expected at most that", .0 / 1_000_000)]
    Bytes(u64),
}

impl From<ZipError> for UnpackError {
    fn from(error: ZipError) -> Self {
        Self::Damaged(error.to_string())
    }
}

/// Files of an archive whose paths are wanted, as the archive names them: they may lead anywhere.
///
/// # Errors
/// It is damaged, or holds more than there is room for.
pub fn unpack(
    archive: impl Read + Seek,
    room: Room,
    wanted: impl Fn(&str) -> bool,
) -> Result<Vec<(String, Vec<u8>)>, UnpackError> {
    let mut archive = ZipArchive::new(archive)?;
    if archive.len() > room.entries {
        return Err(UnpackError::Entries(archive.len()));
    }
    let (mut out, mut left) = (Vec::new(), room.bytes);
    for index in 0..archive.len() {
        let entry = archive.by_index(index)?;
        if !entry.is_file() {
            continue;
        }
        let path = entry.name()?.into_owned();
        if !wanted(&path) {
            continue;
        }
        let mut bytes = Vec::new();
        let read = entry.take(left + 1).read_to_end(&mut bytes);
        read.map_err(|e| UnpackError::Damaged(e.to_string()))?;
        left = left
            .checked_sub(bytes.len() as u64)
            .ok_or(UnpackError::Bytes(room.bytes))?;
        out.push((path, bytes));
    }
    Ok(out)
}
