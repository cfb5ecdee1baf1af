//! One file per command.

mod backup;
mod check;
mod color;
mod companions;
mod contrast;
mod derive;
mod diff;
mod export;
mod extract;
mod fill;
mod import;
mod inventory;
mod new;
mod publish;
mod recolor;
mod scale;
mod serve;
mod site;
mod standin;
mod targets;
mod vision;
mod watch;

use clap::CommandFactory;

use crate::cli::{Cli, Command, SchemaOf};
use crate::output::{Failure, Outcome, Printer};

/// Runs what was typed.
pub fn run(cli: Cli) -> Result<Outcome, Failure> {
    let mut printer = Printer::new(cli.json);
    match cli.command {
        Command::Color(args) => color::run(&args.values, &mut printer)?,
        Command::Contrast(args) => contrast::run(&args.values, &mut printer)?,
        Command::Vision(args) => vision::run(&args, &mut printer)?,
        Command::Companions(args) => companions::run(&args, &mut printer)?,
        Command::Scale(args) => scale::run(&args, &mut printer)?,
        Command::Derive(args) => derive::run(&args, &mut printer)?,
        Command::Check(args) => check::run(&args, &mut printer)?,
        Command::Inventory(args) => inventory::run(&args, &mut printer)?,
        Command::Recolor(args) => recolor::run(&args, &mut printer)?,
        Command::Fill(args) => fill::run(&args, &mut printer)?,
        Command::Diff(args) => diff::run(&args, &mut printer)?,
        Command::Extract(args) => extract::run(&args, &mut printer)?,
        Command::Export(args) if args.watch => watch::run(&args, &mut printer)?,
        Command::Export(args) => export::run(&args, &mut printer)?,
        Command::Targets => targets::run(&mut printer)?,
        Command::Import(args) => import::run(&args, &mut printer)?,
        Command::Publish(args) => publish::run(&args, &mut printer)?,
        Command::New(args) => new::run(&args, &mut printer)?,
        Command::Schema(args) => printer.raw(&pretty(&match args.of {
            SchemaOf::Document => rhodon_theme::Document::schema(),
            SchemaOf::Report => rhodon_theme::CheckReport::schema(),
        }))?,
        Command::Openapi => printer.raw(&pretty(&rhodon_server::openapi()))?,
        Command::Completions { shell } => {
            let mut script = Vec::new();
            clap_complete::generate(shell, &mut Cli::command(), "rhodon", &mut script);
            printer.bytes(&script)?;
        }
        Command::Man => printer.bytes(&manual()?)?,
        Command::Serve(args) => serve::run(&args)?,
        Command::Backup(args) => backup::backup(&args, &mut printer)?,
        Command::Restore(args) => backup::restore(&args, &mut printer)?,
        Command::Site(args) => site::run(&args, &mut printer)?,
        Command::Standin(args) => standin::run(&args)?,
    }
    printer.finish()
}

/// The manual: one page, with a section for each command.
fn manual() -> Result<Vec<u8>, Failure> {
    let failed = |cause| Failure::Io {
        place: "the manual".to_owned(),
        cause,
    };
    let whole = Cli::command();
    let mut page = Vec::new();
    clap_mangen::Man::new(whole.clone())
        .render(&mut page)
        .map_err(failed)?;
    for command in whole.get_subcommands() {
        let name = format!("rhodon {}", command.get_name());
        let man = clap_mangen::Man::new(command.clone().display_name(&name));
        page.extend(format!(".SH \"{}\"\n", name.to_uppercase()).bytes());
        man.render_synopsis_section(&mut page).map_err(failed)?;
        man.render_description_section(&mut page).map_err(failed)?;
        man.render_options_section(&mut page).map_err(failed)?;
        man.render_extra_section(&mut page).map_err(failed)?;
    }
    Ok(page)
}

/// JSON for files that people read.
pub fn pretty(value: &serde_json::Value) -> String {
    format!("{value:#}\n")
}
