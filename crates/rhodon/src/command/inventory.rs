//! `rhodon inventory`
use std::path::PathBuf;

use clap::Args;
use rhodon_formats::color_use::finder_for;
use rhodon_formats::inventory::NEAR;
use rhodon_formats::inventory::{Used, inventory};
use serde::Serialize;

use crate::output::{Failure, Printer};
use crate::{archive, input};

/// Shown below the help.
const EXAMPLES: &str = "\
Examples:
  rhodon inventory src
  rhodon inventory site.zip";

#[derive(Debug, Args)]
#[command(after_help = EXAMPLES)]
pub struct InventoryArgs {
    /// Files, and folders and ZIP archives whose files are taken; node_modules and build output are passed over.
    #[arg(required = true)]
    pub files: Vec<PathBuf>,
    /// CIEDE2000 up to which two colours are nearly the same.
    #[arg(long, default_value_t = NEAR, value_parser = near)]
    pub near: f64,
}

fn near(text: &str) -> Result<f64, String> {
    let expected = || format!("expected a number from 0 to 20, found {text:?}");
    let value: f64 = text.parse().map_err(|_| expected())?;
    (0.0..=20.0)
        .contains(&value)
        .then_some(value)
        .ok_or_else(expected)
}

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
        let collect = if archive::is_archive(path) {
            archive::collect
        } else {
            input::collect
        };
        if let Err(failure) = collect(path, is_ours, &mut files) {
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

fn is_ours(name: &str) -> bool {
    finder_for(name).is_some()
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
