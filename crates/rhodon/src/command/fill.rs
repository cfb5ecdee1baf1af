//! `rhodon fill`
use std::path::Path;
use std::path::PathBuf;

use clap::Args;
use indexmap::IndexMap;
use rhodon_formats::form::{called, fill, learn};
use rhodon_theme::{Derived, Form};
use serde_json::json;

use super::diff::theme;
use crate::input;
use crate::output::{Failure, Printer, pretty};

/// Shown below the help.
const EXAMPLES: &str = "\
Examples:
  rhodon fill theme.rhodon.json --form colors.ini.form > colors.ini
  rhodon fill theme.rhodon.json --example colors.ini";

#[derive(Debug, Args)]
#[command(after_help = EXAMPLES)]
pub struct FillArgs {
    /// A theme document; `-` reads standard input.
    pub spec: PathBuf,
    /// The form: a text with places such as {{ token("primary.fill") | hex }}.
    #[arg(long, required_unless_present = "example")]
    pub form: Option<PathBuf>,
    /// A file in the in-house format instead: prints the form that gives it back, as JSON of a document's
    /// `forms`.
    #[arg(long, conflicts_with_all = ["form", "family"])]
    pub example: Option<PathBuf>,
    /// Theme documents that `family` goes over; this one alone where none is given.
    #[arg(long, num_args = 1..)]
    pub family: Vec<PathBuf>,
}

pub fn run(args: &FillArgs, printer: &mut Printer) -> Result<(), Failure> {
    let own = theme(&args.spec)?;
    if let Some(example) = &args.example {
        return learned(example, &own, printer);
    }
    let Some(path) = &args.form else {
        return Err(Failure::bad("expected --form or --example"));
    };
    let place = path.display().to_string();
    let text = input::text(path)?;
    let family = args
        .family
        .iter()
        .map(|path| theme(path))
        .collect::<Result<Vec<_>, _>>()?;
    let family: Vec<&Derived> = family.iter().collect();
    let form = Form {
        file: place.clone(),
        slots: IndexMap::new(),
        text,
        pack: None,
    };
    let filled = fill(&form, &own, &family).map_err(|e| Failure::bad(format!("{place}:{e}")))?;
    if printer.is_json() {
        let report = json!({ "form": place, "text": filled.text });
        return printer.result(&report, String::new);
    }
    printer.raw(&filled.text)
}

/// The form of an example, and what of it stays open.
fn learned(path: &Path, own: &Derived, printer: &mut Printer) -> Result<(), Failure> {
    let example = input::file(path)?;
    let learned =
        learn(&example, own).map_err(|why| Failure::bad(format!("{}: {why}", example.name)))?;
    let called = called(&learned.form, own);
    for name in &learned.open {
        let called = called.iter().find(|called| called.slot == *name);
        let role = called.map(|called| format!("; its name speaks of {}", called.role));
        eprintln!(
            "{}: {name}: no token is near this colour: it stays as it is{}",
            example.name,
            role.unwrap_or_default()
        );
    }
    for (name, away) in &learned.near {
        eprintln!(
            "{}: {name}: the nearest token is {away:.1} away (CIEDE2000)",
            example.name
        );
    }
    let report = json!({ "learned": learned.form });
    printer.result(&report, || pretty(&report).trim_end().to_owned())
}
