//! `rhodon check`
use std::fs;
use std::path::Path;

use clap::{Args, ValueEnum};
use rhodon_formats::report::{check as checked, html, sarif};
use rhodon_theme::{
    CheckReport, Derived, Document, FindingReport, Resolved, Severity, derive, mend_all,
};

use crate::document;
use crate::input::{self, Item};
use crate::output::{Failure, Printer};

/// Shown below the help.
const EXAMPLES: &str = "\
Examples:
  rhodon check theme.rhodon.json --fail-on warning
  rhodon check theme.rhodon.json --format sarif > check.sarif
  rhodon check theme.rhodon.json --fix --in-place";

#[derive(Debug, Args)]
#[command(after_help = EXAMPLES)]
pub struct CheckArgs {
    /// Theme documents; `-` or none reads one from standard input. With `--brands` the colours of one
    /// brand, or lines of colours separated by tabs from standard input.
    pub values: Vec<String>,
    /// The values are brand colours.
    #[arg(long)]
    pub brands: bool,
    /// How the report is written; a page and SARIF are of one document.
    #[arg(long, value_enum, default_value_t = CheckFormat::Text, conflicts_with = "brands")]
    pub format: CheckFormat,
    /// Write the document with every fix of errors and warnings applied.
    #[arg(long, conflicts_with = "brands")]
    pub fix: bool,
    /// With --fix: over the file instead of to standard output.
    #[arg(long, requires = "fix")]
    pub in_place: bool,
    /// From which severity on a finding fails the check.
    #[arg(long, value_enum, default_value_t = FailOn::Error)]
    pub fail_on: FailOn,
}

#[derive(Clone, Copy, Debug, PartialEq, Eq, ValueEnum)]
pub enum CheckFormat {
    /// Sentences for people.
    Text,
    /// SARIF 2.1.0.
    Sarif,
    /// One page that needs nothing else.
    Html,
}

#[derive(Clone, Copy, Debug, PartialEq, Eq, ValueEnum)]
pub enum FailOn {
    /// Errors alone.
    Error,
    /// Errors and warnings.
    Warning,
}

pub fn run(args: &CheckArgs, printer: &mut Printer) -> Result<(), Failure> {
    if args.brands {
        return brands(args, printer);
    }
    let standard = ["-".to_owned()];
    let paths = if args.values.is_empty() {
        &standard[..]
    } else {
        &args.values
    };
    let single = args.format != CheckFormat::Text || (args.fix && !args.in_place);
    if single && paths.len() > 1 {
        let wanted = if args.fix {
            "--fix without --in-place"
        } else {
            "--format"
        };
        let found = paths.len();
        return Err(Failure::bad(format!(
            "{wanted}: expected one document, found {found}"
        )));
    }
    for path in paths {
        let path = Path::new(path);
        let theme = match document::read(path) {
            Ok(theme) => theme,
            Err(Failure::Bad(message)) => {
                // One that cannot be read does not stop the others.
                eprintln!("{message}");
                printer.mark_bad();
                continue;
            }
            Err(failure) => return Err(failure),
        };
        check(args, path, theme, printer)?;
    }
    Ok(())
}

fn check(
    args: &CheckArgs,
    path: &Path,
    theme: Resolved,
    printer: &mut Printer,
) -> Result<(), Failure> {
    let place = path.display().to_string();
    let told = |p| document::told(&place, &p);
    let theme = if args.fix {
        let mended = mend_all(&theme).map_err(told)?;
        mended
            .done
            .iter()
            .for_each(|line| eprintln!("{place}: {line}"));
        let text = format!("{:#}\n", mended.document.to_json());
        if args.in_place {
            fs::write(path, text).map_err(|cause| Failure::Io {
                place: place.clone(),
                cause,
            })?;
        } else {
            printer.raw(&text)?;
        }
        theme.with_document(mended.document)
    } else {
        theme
    };
    let derived = derive(&theme).map_err(|p| document::told(&place, &p))?;
    let report = checked(&theme, &derived);
    mark(args, &report, printer);
    if args.fix && !args.in_place {
        // The document stands on standard output: what is left is told beside it.
        let left = report
            .findings
            .iter()
            .filter(|f| f.counts(Severity::Warning));
        left.for_each(|f| eprintln!("{place}: {}", line(f)));
        return Ok(());
    }
    match args.format {
        CheckFormat::Sarif => {
            let text = fs::read_to_string(path).unwrap_or_default();
            printer.raw(&format!("{:#}\n", sarif(&report, &place, &text)))
        }
        CheckFormat::Html => printer.raw(&html(&report, &derived)),
        CheckFormat::Text => print(&report, &derived, printer),
    }
}

fn brands(args: &CheckArgs, printer: &mut Printer) -> Result<(), Failure> {
    let stdin = args.values.is_empty() || args.values == ["-"];
    let one = |item: &Item, printer: &mut Printer| {
        let theme = input::brand(&item.text)
            .map(|colors| Resolved::alone(Document::from_brand("Theme", &colors)));
        let checked = theme.and_then(|theme| {
            let derived = derive(&theme).map_err(|p| p.to_string())?;
            Ok((checked(&theme, &derived), derived))
        });
        match checked {
            Ok((report, derived)) => {
                mark(args, &report, printer);
                print(&report, &derived, printer)
            }
            Err(e) => printer.refused(item, e),
        }
    };
    if stdin {
        return input::each(&args.values, printer, one);
    }
    let item = Item {
        place: "arguments".to_owned(),
        text: args.values.join("\t"),
    };
    one(&item, printer)
}

fn mark(args: &CheckArgs, report: &CheckReport, printer: &mut Printer) {
    let least = match args.fail_on {
        FailOn::Error => Severity::Error,
        FailOn::Warning => Severity::Warning,
    };
    if report.findings.iter().any(|f| f.counts(least)) {
        printer.mark_failed();
    }
}

fn print(report: &CheckReport, derived: &Derived, printer: &mut Printer) -> Result<(), Failure> {
    printer.result(report, || {
        let mut lines: Vec<String> = report.findings.iter().map(line).collect();
        let readable = derived.pairs.iter().filter(|p| p.pass).count();
        let counting = report
            .findings
            .iter()
            .filter(|f| f.counts(Severity::Warning));
        lines.push(format!(
            "{}: {readable} of {} pairs readable in both modes, {} intents, {} findings",
            derived.name,
            derived.pairs.len(),
            derived.intents.len(),
            counting.count()
        ));
        lines.join("\n")
    })
}

/// `error contrast: Muted text on … Mended by: …`
fn line(finding: &FindingReport) -> String {
    let mended = match (&finding.accepted, &finding.fix) {
        (Some(accepted), _) => format!(" Accepted: {}", accepted.reason),
        (None, Some(fix)) => format!(" Mended by: {}.", fix.label),
        (None, None) => String::new(),
    };
    format!(
        "{} {}: {}{mended}",
        finding.severity.id(),
        finding.id,
        finding.message
    )
}
