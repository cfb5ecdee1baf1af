//! One archive of several targets, with a page that says where each file goes.

use std::collections::HashSet;
use std::io::{Cursor, Write};

use zip::result::{ZipError, ZipResult};
use zip::write::{SimpleFileOptions, ZipWriter};
use zip::{CompressionMethod, DateTime};

use crate::error::ExportError;
use crate::handover::{Handover, Written};
use crate::output::{File, Loss, Output};
use crate::source::Source;
use crate::stamp::comment_safe;

/// Smaller files are stored as they are: setting up compression costs more than it saves, and an
/// asset catalogue has hundreds of them.
const WORTH_PACKING: usize = 1200;

/// The page's name in the archive.
const PAGE: &str = "README.md";

/// A packed archive.
#[derive(Clone, Debug)]
pub struct Archive {
    /// The bytes of a ZIP file.
    pub bytes: Vec<u8>,
    /// Targets that could not be written, which the page names too.
    pub failures: Failures,
}

/// Writes targets and forms with the options that the document holds for them, and packs their files
/// with a page. One that cannot be written does not stop the others. The same theme gives the same bytes.
///
/// # Errors
/// The first failure where nothing at all can be written.
pub fn archive(parts: &[Handover<'_>], source: &Source<'_>) -> Result<Archive, ExportError> {
    let (files, failures) = files(parts, source)?;
    let bytes = pack(files.iter().map(|f| (f.path.as_str(), f.text.as_str()))).map_err(unpacked)?;
    Ok(Archive { bytes, failures })
}

/// What could not be written, by its id, each with why.
type Failures = Vec<(String, ExportError)>;

/// The files of an archive, its page first; targets come before forms.
///
/// # Errors
/// The first failure where nothing at all can be written.
pub fn files(
    parts: &[Handover<'_>],
    source: &Source<'_>,
) -> Result<(Vec<File>, Failures), ExportError> {
    let mut written = Vec::with_capacity(parts.len());
    let mut failures = Vec::new();
    let mut parts = parts.to_vec();
    parts.sort_by_key(|part| part.target().is_none());
    for part in parts {
        match part.write(source, []) {
            Ok(one) => written.push(one),
            Err(error) => failures.push((part.id(), error)),
        }
    }
    if let (true, Some((_, error))) = (written.is_empty(), failures.first()) {
        return Err(error.clone());
    }
    let page = File {
        path: PAGE.to_owned(),
        text: page(source, &written, &failures),
        head: 0,
    };
    let written = written.into_iter().flat_map(|w| w.output.files);
    Ok((std::iter::once(page).chain(written).collect(), failures))
}

/// Packs files as they are, each under the path that it has; what leads out of the folder is left out.
///
/// # Errors
/// More than an archive holds.
pub fn bundle(files: &[(String, String)]) -> Result<Vec<u8>, ExportError> {
    let inside = |path: &str| !path.split('/').any(|part| matches!(part, "" | "." | ".."));
    let files = files.iter().filter(|(path, _)| inside(path));
    pack(files.map(|(path, text)| (path.as_str(), text.as_str()))).map_err(unpacked)
}

fn unpacked(cause: ZipError) -> ExportError {
    let cause = cause.to_string();
    ExportError::Pack { cause }
}

fn pack<'a>(files: impl Iterator<Item = (&'a str, &'a str)>) -> ZipResult<Vec<u8>> {
    let mut zip = ZipWriter::new(Cursor::new(Vec::with_capacity(256 * 1024)));
    // The format's first date: the archive depends on the theme alone.
    let options = SimpleFileOptions::default()
        .compression_method(CompressionMethod::Stored)
        .last_modified_time(DateTime::default());
    let packed = options
        .compression_method(CompressionMethod::Deflated)
        .compression_level(Some(1));
    let mut seen = HashSet::new();
    for (path, text) in files.filter(|(path, _)| seen.insert(path.to_owned())) {
        let worth = text.len() >= WORTH_PACKING;
        zip.start_file(path, if worth { packed } else { options })?;
        zip.write_all(text.as_bytes())?;
    }
    Ok(zip.finish()?.into_inner())
}

/// Where each file goes and how it is loaded.
fn page(source: &Source<'_>, written: &[Written], failures: &Failures) -> String {
    let revision = source
        .stamp
        .revision
        .map(|r| format!(", revision {r}"))
        .unwrap_or_default();
    let mut out = format!("# {}{revision}\n", comment_safe(&source.theme.name));
    for Written {
        name,
        usage,
        output,
        command,
        ..
    } in written
    {
        out.push_str(&format!("\n## {name}\n\n"));
        for file in files_shown(output) {
            out.push_str(&format!("- `{file}`\n"));
        }
        out.push_str(&format!("\n{usage}\n"));
        if !output.warnings.is_empty() {
            out.push_str("\nNot everything fits in here:\n\n");
            for loss in Loss::of(&output.warnings) {
                let tokens = loss.tokens.join(", ");
                out.push_str(&format!("- {}: {tokens}\n", loss.message));
            }
        }
        out.push_str(&format!("\n```\n{command}\n```\n"));
    }
    if !failures.is_empty() {
        out.push_str("\n## Not written\n\n");
        for (id, error) in failures {
            out.push_str(&format!("- {id}: {error}\n"));
        }
    }
    out
}

/// Paths of an output; a long row in one folder is cut.
fn files_shown(output: &Output) -> Vec<String> {
    const MOST: usize = 6;
    let mut out: Vec<String> = output
        .files
        .iter()
        .take(MOST)
        .map(|f| f.path.clone())
        .collect();
    if output.files.len() > MOST {
        out.push(format!("… {} more", output.files.len() - MOST));
    }
    out
}
