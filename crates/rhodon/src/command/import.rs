//! `rhodon import`
use std::path::Path;
use std::path::PathBuf;

use clap::Args;
use rhodon_formats::color_use::finder_for;
use rhodon_formats::read::{InputFile, read};
use rhodon_theme::Document;
use serde::de::IgnoredAny;

use crate::output::{Failure, Printer};
use crate::{archive, input};

/// Shown below the help.
const EXAMPLES: &str = "\
Examples:
  rhodon import tokens.json tokens.dark.json > theme.rhodon.json";

/// What standard input is called.
const STANDARD: &str = "standard input";

#[derive(Debug, Args)]
#[command(after_help = EXAMPLES)]
pub struct ImportArgs {
    /// Files that belong together, such as tokens.json, tokens.dark.json and theme.resolver.json, or a
    /// ZIP archive of them; `-` or none reads one file from standard input.
    pub files: Vec<PathBuf>,
    /// Name of the theme, where the files hold none.
    #[arg(long)]
    pub name: Option<String>,
}

pub fn run(args: &ImportArgs, printer: &mut Printer) -> Result<(), Failure> {
    let files = if args.files.is_empty() || args.files == [Path::new("-")] {
        vec![standard(input::all()?)]
    } else {
        let mut files = Vec::new();
        for path in &args.files {
            if archive::is_archive(path) {
                archive::collect(path, is_ours, &mut files)?;
            } else {
                files.push(input::file(path)?);
            }
        }
        files
    };
    let import = read(&files);
    for note in &import.notes {
        eprintln!("{note}");
    }
    for mut problem in import.problems {
        printer.mark_bad();
        if problem.file.starts_with(STANDARD) {
            // Nobody gave it the ending.
            STANDARD.clone_into(&mut problem.file);
        }
        eprintln!("{problem}");
    }
    let Some(spec) = import.spec else {
        return Ok(());
    };
    let value = named(spec, args.name.as_deref())?.to_json();
    printer.document(&value)
}

/// What comes without a name has the ending of what it looks like.
fn standard(text: String) -> InputFile {
    InputFile::text(name_of(&text), text)
}

fn name_of(text: &str) -> &'static str {
    let is_json = || serde_json::from_str::<IgnoredAny>(text).is_ok();
    match text.trim_start().chars().next() {
        Some('{' | '[') if is_json() => "standard input.json",
        Some('<') => "standard input.xml",
        _ if text.contains(['{', ';']) => "standard input.scss",
        _ => "standard input.txt",
    }
}

/// Whether a file of an archive may be read.
fn is_ours(name: &str) -> bool {
    finder_for(name).is_some()
}

/// The document under the name that was asked for, checked like any document.
fn named(spec: Document, name: Option<&str>) -> Result<Document, Failure> {
    let Some(name) = name else { return Ok(spec) };
    let renamed = Document {
        name: name.to_owned(),
        ..spec
    };
    Document::read(&renamed.to_json()).map_err(|p| crate::document::told("--name", &p))
}
