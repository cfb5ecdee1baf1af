//! `rhodon inventory`

use std::path::Path;

use rhodon_formats::color_use::{NOT_OURS, finder_for};
use rhodon_formats::inventory::{Used, inventory};
use rhodon_formats::read::InputFile;
use serde::Serialize;
use walkdir::{DirEntry, WalkDir};

use crate::cli::InventoryArgs;
use crate::input;
use crate::output::{Failure, Printer};

#[derive(Serialize)]
struct Report<'a> {
    hex: &'a str,
    count: usize,
    names: &'a [String],
    places: Vec<PlaceReport<'a>>,
    near: &'a [String],
}

#[derive(Serialize)]
struct PlaceReport<'a> {
    file: &'a str,
    line: usize,
    column: usize,
    text: &'a str,
}

pub fn run(args: &InventoryArgs, printer: &mut Printer) -> Result<(), Failure> {
    let mut files = Vec::new();
    for path in &args.files {
        // One that cannot be read does not take the others along.
        if let Err(failure) = collect(path, &mut files) {
            printer.mark_bad();
            eprintln!("{failure}");
        }
    }
    let found = inventory(&files, args.near);
    for (file, why) in &found.skipped {
        printer.mark_bad();
        eprintln!("{file}: {why}");
    }
    for used in &found.colors {
        printer.result(&report(used), || told(used))?;
    }
    Ok(())
}

/// A file as it is named, or all files of a folder in which colours are found.
fn collect(path: &Path, files: &mut Vec<InputFile>) -> Result<(), Failure> {
    if !path.is_dir() {
        files.push(input::file(path)?);
        return Ok(());
    }
    let ours = |entry: &DirEntry| {
        let name = entry.file_name().to_string_lossy();
        !(entry.file_type().is_dir() && entry.depth() > 0 && NOT_OURS.contains(&name.as_ref()))
    };
    let walk = WalkDir::new(path).sort_by_file_name().into_iter();
    for entry in walk.filter_entry(ours) {
        let entry = entry.map_err(|e| Failure::Io {
            place: path.display().to_string(),
            cause: e.into(),
        })?;
        let is_ours = finder_for(&entry.file_name().to_string_lossy()).is_some();
        if entry.file_type().is_file() && is_ours {
            files.push(input::file(entry.path())?);
        }
    }
    Ok(())
}

fn report(used: &Used) -> Report<'_> {
    let places = used.places.iter().map(|place| PlaceReport {
        file: &place.file,
        line: place.line,
        column: place.column,
        text: &place.text,
    });
    Report {
        hex: &used.hex,
        count: used.places.len(),
        names: &used.names,
        places: places.collect(),
        near: &used.near,
    }
}

fn told(used: &Used) -> String {
    let mut out = format!("{:9}  {:5} ×", used.hex, used.places.len());
    if !used.names.is_empty() {
        out += &format!("  {}", used.names.join(", "));
    }
    if let Some(first) = used.places.first() {
        out += &format!("  {}:{}:{}", first.file, first.line, first.column);
    }
    if !used.near.is_empty() {
        out += &format!("  nearly {}", used.near.join(", "));
    }
    out
}
