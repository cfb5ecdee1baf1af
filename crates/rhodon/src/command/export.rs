//! `rhodon export`
use std::path::{Path, PathBuf};

use chrono::NaiveDate;
use clap::Args;
use rhodon_formats::{
    Handover, Loss, OptionError, Output, Source, Stamp, TARGETS, Target, Warning,
};
use rhodon_theme::{Derived, Document, Resolved, derive};
use serde::Serialize;

use crate::document;
use crate::input;
use crate::output::{Failure, Printer, write_into};

/// Shown below the help.
const EXAMPLES: &str = "\
Examples:
  rhodon export theme.rhodon.json --target css > theme.css
  rhodon export theme.rhodon.json --target css sass --set prefix=tern --out src/theme
  rhodon export themes --family --target css --out dist
  rhodon export theme.rhodon.json --target css --out src/theme --watch";

#[derive(Debug, Args)]
#[command(after_help = EXAMPLES)]
pub struct ExportArgs {
    /// A theme document; `-` reads standard input.
    #[arg(required_unless_present = "brands", conflicts_with = "brands")]
    pub spec: Option<PathBuf>,
    /// Brand colours instead of a document.
    #[arg(long)]
    pub brands: Option<String>,
    /// Every document of a folder instead, each into a folder of its slug.
    #[arg(long, requires = "out", conflicts_with_all = ["brands", "watch"])]
    pub family: bool,
    /// Target id, or form:NAME for a form of the document; may be given several times, or `all`.
    #[arg(long = "target", required = true, num_args = 1.., value_delimiter = ',')]
    pub targets: Vec<String>,
    /// Documents beside it, for targets that take several themes; without them those in its folder that
    /// extend it.
    #[arg(long, num_args = 1.., conflicts_with = "family")]
    pub with: Vec<PathBuf>,
    /// An option of the target, key=value.
    #[arg(long = "set")]
    pub set: Vec<String>,
    /// Folder for the files.
    #[arg(long)]
    pub out: Option<PathBuf>,
    /// Write again whenever the document or one that it extends changes, until it is stopped.
    #[arg(long, requires = "out", conflicts_with = "brands")]
    pub watch: bool,
    /// Number of the saved revision, told at the head of the files.
    #[arg(long)]
    pub revision: Option<i32>,
    /// The day on which that was saved, as 2026-11-25, told by what is printed.
    #[arg(long)]
    pub date: Option<NaiveDate>,
}

#[derive(Serialize)]
struct Report<'a> {
    /// Which theme, where a whole family is written.
    #[serde(skip_serializing_if = "Option::is_none")]
    theme: Option<&'a str>,
    target: &'a str,
    files: Vec<FileReport<'a>>,
    warnings: &'a [Warning],
}

#[derive(Serialize)]
struct FileReport<'a> {
    path: &'a str,
    bytes: usize,
}

pub fn run(args: &ExportArgs, printer: &mut Printer) -> Result<(), Failure> {
    match &args.spec {
        Some(folder) if args.family => family(args, folder, printer),
        _ => {
            let (place, decided) = decided(args)?;
            let whole = Whole {
                place,
                slug: None,
                out: args.out.clone(),
            };
            one(args, &whole, &decided, printer)
        }
    }
}

/// Where a theme comes from, and where its files go.
struct Whole {
    place: String,
    slug: Option<String>,
    out: Option<PathBuf>,
}

/// Every document of a folder, each into a folder of its own. One that cannot be used does not stop the
/// others.
fn family(args: &ExportArgs, folder: &Path, printer: &mut Printer) -> Result<(), Failure> {
    let documents = document::in_folder(folder)?;
    if documents.is_empty() {
        let what = format!(
            "{}: expected documents named *{}",
            folder.display(),
            document::ENDING
        );
        return Err(Failure::bad(what));
    }
    for (slug, path) in documents {
        let whole = Whole {
            place: path.display().to_string(),
            out: args.out.as_ref().map(|out| out.join(&slug)),
            slug: Some(slug),
        };
        match document::read(&path).and_then(|decided| one(args, &whole, &decided, printer)) {
            Ok(()) => {}
            Err(failure) if failure.is_closed_pipe() => return Err(failure),
            Err(failure) => {
                printer.mark_bad();
                eprintln!("{failure}");
            }
        }
    }
    Ok(())
}

fn one(
    args: &ExportArgs,
    whole: &Whole,
    decided: &Resolved,
    printer: &mut Printer,
) -> Result<(), Failure> {
    let theme = derive(decided).map_err(|p| document::told(&whole.place, &p))?;
    let stamp = Stamp {
        theme: theme.name.clone(),
        revision: args.revision,
        date: args.date.map(|day| day.to_string()),
    };
    let parts = parts(&args.targets)?;
    let beside = match parts.iter().any(Handover::takes_family) {
        true => beside(args)?,
        false if !args.with.is_empty() => {
            let message = "--with: expected a target that takes several themes, such as switch";
            return Err(Failure::bad(message));
        }
        false => Vec::new(),
    };
    let beside: Vec<&Derived> = beside.iter().collect();
    let targets: Vec<_> = parts.iter().filter_map(Handover::target).collect();
    let set = settings(&args.set, &targets)?;
    let mut outputs: Vec<(String, Output)> = Vec::with_capacity(parts.len());
    let source = Source {
        decided,
        theme: &theme,
        stamp: &stamp,
        beside: &beside,
    };
    for part in parts {
        let takes = |key: &str| {
            let options = part.target().map_or(&[][..], |target| target.options);
            options.iter().any(|option| option.key == key)
        };
        let own = set.iter().filter(|(key, _)| takes(key)).cloned();
        match part.write(&source, own) {
            Ok(written) => outputs.push((part.id(), written.output)),
            // One that cannot be written does not stop the others.
            Err(e) => {
                printer.mark_bad();
                eprintln!("--target {}: {e}", part.id());
            }
        }
    }
    if outputs.is_empty() {
        return Ok(());
    }
    if let Some(folder) = &whole.out {
        for (_, output) in &outputs {
            for file in &output.files {
                write_into(folder, &file.path, file.text.as_bytes())?;
            }
        }
    }
    print(whole, &outputs, printer)
}

/// What stands beside the document for targets that take several themes: those that were named, else
/// the documents in its folder that extend it.
fn beside(args: &ExportArgs) -> Result<Vec<Derived>, Failure> {
    let paths = match (&args.spec, args.with.is_empty()) {
        (_, false) => args.with.clone(),
        (Some(spec), true) if spec != Path::new("-") => document::below(spec)?,
        _ => Vec::new(),
    };
    let theme = |path: &PathBuf| {
        let read = document::read(path)?;
        derive(&read).map_err(|p| document::told(&path.display().to_string(), &p))
    };
    paths.iter().map(theme).collect()
}

/// The document, and the name of the place it comes from.
fn decided(args: &ExportArgs) -> Result<(String, Resolved), Failure> {
    match (&args.brands, &args.spec) {
        (Some(brands), _) => {
            let colors =
                input::brand(brands).map_err(|e| Failure::bad(format!("--brands: {e}")))?;
            Ok((
                "--brands".to_owned(),
                Resolved::alone(Document::from_brand("Theme", &colors)),
            ))
        }
        (None, Some(path)) => Ok((path.display().to_string(), document::read(path)?)),
        (None, None) => Err(Failure::bad("expected a theme document or --brands")),
    }
}

/// The targets, and behind them the document's own forms.
fn parts(ids: &[String]) -> Result<Vec<Handover<'_>>, Failure> {
    if ids.iter().any(|id| id == "all") {
        return Ok(TARGETS.iter().copied().map(Handover::Target).collect());
    }
    let mut parts = ids
        .iter()
        .map(|id| Handover::find(id).map_err(|e| Failure::bad(format!("--target: {e}"))))
        .collect::<Result<Vec<_>, _>>()?;
    parts.sort_by_key(|part| part.target().is_none());
    Ok(parts)
}

/// Settings must belong to at least one of the targets.
fn settings(
    given: &[String],
    targets: &[&'static Target],
) -> Result<Vec<(String, String)>, Failure> {
    let mut out = Vec::with_capacity(given.len());
    for text in given {
        let Some((key, value)) = text.split_once('=') else {
            return Err(Failure::bad(format!(
                "--set: expected key=value, found {text:?}"
            )));
        };
        if !targets
            .iter()
            .any(|t| t.options.iter().any(|o| o.key == key))
        {
            let mut known: Vec<&str> = targets
                .iter()
                .flat_map(|t| t.options.iter().map(|o| o.key))
                .collect();
            known.dedup();
            let error = OptionError::Unknown {
                key: key.to_owned(),
                known: known.join(", "),
            };
            return Err(Failure::bad(format!("--set: {error}")));
        }
        out.push((key.to_owned(), value.to_owned()));
    }
    Ok(out)
}

fn print(
    whole: &Whole,
    outputs: &[(String, Output)],
    printer: &mut Printer,
) -> Result<(), Failure> {
    let files: usize = outputs.iter().map(|(_, o)| o.files.len()).sum();
    for (target, output) in outputs {
        let reports = output
            .files
            .iter()
            .map(|f| FileReport {
                path: &f.path,
                bytes: f.text.len(),
            })
            .collect();
        let report = Report {
            theme: whole.slug.as_deref(),
            target,
            files: reports,
            warnings: &output.warnings,
        };
        if printer.is_json() {
            printer.result(&report, String::new)?;
            continue;
        }
        tell(target, &output.warnings);
        match &whole.out {
            Some(folder) => {
                for file in &output.files {
                    printer.raw(&format!("{}\n", folder.join(&file.path).display()))?;
                }
            }
            None if files == 1 => printer.raw(&output.files[0].text)?,
            None => return Err(Failure::bad(format!("expected --out for {files} files"))),
        }
    }
    Ok(())
}

/// How many tokens are named in a sentence about several.
const NAMED: usize = 6;

/// What a target could not carry, each reason once.
fn tell(target: &str, warnings: &[Warning]) {
    for loss in Loss::of(warnings) {
        eprintln!("{target}: {}: {}", loss.named(NAMED), loss.message);
    }
}
