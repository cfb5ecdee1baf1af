//! From what was typed to the command that does it.

use clap::CommandFactory;

use crate::cli::{Cli, Command};
use crate::command::{
    backup, check, color, companions, contrast, derive, diff, export, extract, fill, import,
    inventory, manual, new, publish, recolor, restore, scale, schema, serve, site, standin,
    targets, vision, watch,
};
use crate::output::{Failure, Outcome, Printer, pretty};

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
        Command::Schema(args) => schema::run(&args, &mut printer)?,
        Command::Openapi => printer.raw(&pretty(&rhodon_server::openapi()))?,
        Command::Completions { shell } => {
            manual::completions(shell, &mut Cli::command(), &mut printer)?
        }
        Command::Man => manual::run(&Cli::command(), &mut printer)?,
        Command::Serve(args) => serve::run(&args)?,
        Command::Backup(args) => backup::run(&args, &mut printer)?,
        Command::Restore(args) => restore::run(&args, &mut printer)?,
        Command::Site(args) => site::run(&args, &mut printer)?,
        Command::Standin(args) => standin::run(&args)?,
    }
    printer.finish()
}
