//! `rhodon vision`
use clap::Args;
use rhodon_color::{Color, Vision, VisionKind};
use serde::Serialize;

use crate::input;
use crate::input::Inputs;
use crate::output::{Failure, Printer};

#[derive(Debug, Args)]
pub struct VisionArgs {
    /// protan, deutan or tritan.
    #[arg(long)]
    pub kind: String,
    /// From 0, none, to 1, full.
    #[arg(long, default_value_t = 1.0)]
    pub severity: f64,
    #[command(flatten)]
    pub inputs: Inputs,
}

#[derive(Serialize)]
struct Report<'a> {
    input: &'a str,
    ok: bool,
    hex: String,
}

pub fn run(args: &VisionArgs, printer: &mut Printer) -> Result<(), Failure> {
    let kind = match args.kind.as_str() {
        "protan" => VisionKind::Protan,
        "deutan" => VisionKind::Deutan,
        "tritan" => VisionKind::Tritan,
        other => {
            return Err(Failure::bad(format!(
                "--kind: expected protan, deutan or tritan, found {other:?}"
            )));
        }
    };
    if !(0.0..=1.0).contains(&args.severity) {
        return Err(Failure::bad(format!(
            "--severity: expected a number from 0 to 1, found {}",
            args.severity
        )));
    }
    let vision = Vision::new(kind, args.severity);
    input::each(
        &args.inputs.values,
        printer,
        |item, printer| match Color::parse(&item.text) {
            Ok(color) => {
                let hex = vision.see(color.to_rgb8()).to_string();
                let report = Report {
                    input: &item.text,
                    ok: true,
                    hex: hex.clone(),
                };
                printer.result(&report, || hex)
            }
            Err(e) => printer.refused(item, e),
        },
    )
}
