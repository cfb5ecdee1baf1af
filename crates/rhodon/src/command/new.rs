//! `rhodon new`

use rhodon_theme::Document;

use crate::cli::NewArgs;
use crate::input;
use crate::output::{Failure, Printer};

pub fn run(args: &NewArgs, printer: &mut Printer) -> Result<(), Failure> {
    let colors = input::brand(&args.brands).map_err(|e| Failure::bad(format!("--brands: {e}")))?;
    let spec = Document::from_brand(&args.name, &colors);
    // What was typed as a name is checked like any document.
    let checked =
        Document::read(&spec.to_json()).map_err(|p| crate::document::told("--name", &p))?;
    let value = checked.to_json();
    printer.document(&value)
}
