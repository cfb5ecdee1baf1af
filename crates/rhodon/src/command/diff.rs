//! `rhodon diff`
use std::path::Path;
use std::path::PathBuf;

use clap::Args;
use rhodon_theme::{Change, Derived, Mode, derive, diff};
use serde::Serialize;

use crate::document;
use crate::output::{Failure, Printer};

/// Shown below the help.
const EXAMPLES: &str = "\
Examples:
  rhodon diff before.rhodon.json after.rhodon.json";

#[derive(Debug, Args)]
#[command(after_help = EXAMPLES)]
pub struct DiffArgs {
    /// The theme document before.
    pub before: PathBuf,
    /// The theme document after.
    pub after: PathBuf,
}

#[derive(Serialize)]
struct Report {
    changes: Vec<ChangeReport>,
    /// What differs where more contrast is asked for, and not usually; left out where nothing does.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    more: Vec<ChangeReport>,
}

#[derive(Serialize)]
struct ChangeReport {
    path: String,
    mode: Option<Mode>,
    before: Option<String>,
    after: Option<String>,
}

pub fn run(args: &DiffArgs, printer: &mut Printer) -> Result<(), Failure> {
    let (before, after) = (theme(&args.before)?, theme(&args.after)?);
    let found = diff(&before, &after);
    let report = Report {
        changes: reports(found.changes),
        more: reports(found.more),
    };
    printer.result(&report, || told(&report))
}

/// A document and what it comes to.
pub fn theme(path: &Path) -> Result<Derived, Failure> {
    let place = path.display().to_string();
    derive(&document::read(path)?).map_err(|p| document::told(&place, &p))
}

fn reports(changes: Vec<Change>) -> Vec<ChangeReport> {
    let report = |change: Change| ChangeReport {
        path: change.path.to_string(),
        mode: change.mode,
        before: change.before,
        after: change.after,
    };
    changes.into_iter().map(report).collect()
}

fn told(report: &Report) -> String {
    let line = |change: &ChangeReport, level: &str| {
        let mode = change.mode.map_or("", Mode::id);
        let value = |v: &Option<String>| v.clone().unwrap_or_else(|| "none".to_owned());
        let (before, after) = (value(&change.before), value(&change.after));
        format!("{:<28} {mode:5}  {before} → {after}{level}", change.path)
    };
    let usual = report.changes.iter().map(|change| line(change, ""));
    let more = report.more.iter();
    let mut lines: Vec<String> = usual
        .chain(more.map(|change| line(change, "  at more contrast")))
        .collect();
    let count = lines.len();
    lines.push(format!(
        "{count} value{} differ{}",
        if count == 1 { "" } else { "s" },
        if count == 1 { "s" } else { "" }
    ));
    lines.join("\n")
}
