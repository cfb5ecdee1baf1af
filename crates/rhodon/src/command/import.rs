//! `rhodon import`

use std::path::Path;

use rhodon_formats::read::{InputFile, read};
use rhodon_theme::Document;

use crate::cli::ImportArgs;
use crate::input;
use crate::output::{Failure, Printer};

pub fn run(args: &ImportArgs, printer: &mut Printer) -> Result<(), Failure> {
    let files = if args.files.is_empty() || args.files == [Path::new("-")] {
        vec![InputFile::text("standard input", input::all()?)]
    } else {
        args.files
            .iter()
            .map(|path| input::file(path))
            .collect::<Result<_, _>>()?
    };
    let import = read(&files);
    for note in &import.notes {
        eprintln!("{note}");
    }
    for problem in &import.problems {
        printer.mark_bad();
        eprintln!("{problem}");
    }
    let Some(spec) = import.spec else {
        return Ok(());
    };
    let value = named(spec, args.name.as_deref())?.to_json();
    printer.document(&value)
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
