//! `rhodon companions`
use clap::Args;
use rhodon_color::{Color, RELATIONS, companions};
use serde::Serialize;

use crate::input;
use crate::input::Inputs;
use crate::output::{Failure, Printer};

#[derive(Debug, Args)]
pub struct CompanionsArgs {
    /// complementary, analogous, split, triad or square.
    #[arg(long)]
    pub relation: String,
    #[command(flatten)]
    pub inputs: Inputs,
}

#[derive(Serialize)]
struct Report<'a> {
    input: &'a str,
    ok: bool,
    companions: Vec<String>,
}

pub fn run(args: &CompanionsArgs, printer: &mut Printer) -> Result<(), Failure> {
    let Some(relation) = RELATIONS.iter().find(|r| r.id == args.relation) else {
        let known: Vec<_> = RELATIONS.iter().map(|r| r.id).collect();
        return Err(Failure::bad(format!(
            "--relation: expected one of {}, found {:?}",
            known.join(", "),
            args.relation
        )));
    };
    input::each(
        &args.inputs.values,
        printer,
        |item, printer| match Color::parse(&item.text) {
            Ok(color) => {
                let found = companions(color.to_rgb8(), relation.turns);
                let codes: Vec<String> = found.iter().map(ToString::to_string).collect();
                printer.result(
                    &Report {
                        input: &item.text,
                        ok: true,
                        companions: codes.clone(),
                    },
                    || codes.join("  "),
                )
            }
            Err(e) => printer.refused(item, e),
        },
    )
}
