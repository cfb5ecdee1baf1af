//! `rhodon new`
use clap::Args;
use rhodon_theme::Document;

use crate::input;
use crate::output::{Failure, Printer};

/// Shown below the help.
const EXAMPLES: &str = "\
Examples:
  rhodon new --brands \"#0f5c7a,#e4572e\" --name \"Tern Line\" > theme.rhodon.json";

#[derive(Debug, Args)]
#[command(after_help = EXAMPLES)]
pub struct NewArgs {
    /// Brand colours.
    #[arg(long)]
    pub brands: String,
    /// Name of the theme.
    #[arg(long, default_value = "Theme")]
    pub name: String,
}

pub fn run(args: &NewArgs, printer: &mut Printer) -> Result<(), Failure> {
    let colors = input::brand(&args.brands).map_err(|e| Failure::bad(format!("--brands: {e}")))?;
    let spec = Document::from_brand(&args.name, &colors);
    // What was typed as a name is checked like any document.
    let checked =
        Document::read(&spec.to_json()).map_err(|p| crate::document::told("--name", &p))?;
    let value = checked.to_json();
    printer.document(&value)
}
