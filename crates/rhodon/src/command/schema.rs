//! `rhodon schema`
use clap::{Args, ValueEnum};

use crate::output::{Failure, Printer, pretty};

#[derive(Debug, Args)]
pub struct SchemaArgs {
    /// What the schema is of.
    #[arg(long = "of", value_enum, default_value_t = SchemaOf::Document)]
    pub of: SchemaOf,
}

#[derive(Clone, Copy, Debug, ValueEnum)]
pub enum SchemaOf {
    /// The theme document.
    Document,
    /// What `check --json` prints.
    Report,
}

pub fn run(args: &SchemaArgs, printer: &mut Printer) -> Result<(), Failure> {
    let schema = match args.of {
        SchemaOf::Document => rhodon_theme::Document::schema(),
        SchemaOf::Report => rhodon_theme::CheckReport::schema(),
    };
    printer.raw(&pretty(&schema))
}
