//! One file per command.

pub(crate) mod backup;
pub(crate) mod check;
mod color;
pub(crate) mod companions;
mod contrast;
pub(crate) mod derive;
pub(crate) mod diff;
pub(crate) mod export;
pub(crate) mod extract;
pub(crate) mod fill;
pub(crate) mod import;
pub(crate) mod inventory;
mod manual;
pub(crate) mod new;
pub(crate) mod publish;
pub(crate) mod recolor;
pub(crate) mod restore;
pub(crate) mod scale;
pub(crate) mod schema;
pub(crate) mod serve;
pub(crate) mod site;
pub(crate) mod standin;
mod targets;
pub(crate) mod vision;
mod watch;
use crate::cli::{Cli, Command};
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
        Command::Schema(args) => schema::run(&args, &mut printer)?,
        Command::Openapi => printer.raw(&pretty(&rhodon_server::openapi()))?,
        Command::Completions { shell } => manual::completions(shell, &mut printer)?,
        Command::Man => manual::run(&mut printer)?,
        Command::Serve(args) => serve::run(&args)?,
        Command::Backup(args) => backup::run(&args, &mut printer)?,
        Command::Restore(args) => restore::run(&args, &mut printer)?,
        Command::Site(args) => site::run(&args, &mut printer)?,
        Command::Standin(args) => standin::run(&args)?,
    }
    printer.finish()
}

/// JSON for files that people read.
pub fn pretty(value: &serde_json::Value) -> String {
    format!("{value:#}\n")
}
