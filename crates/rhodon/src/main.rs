//! The `rhodon` binary: `serve`, and the commands for a pipeline.
//!
//! Results go to standard output, all talk to standard error. Exit codes: 0 done, 1 the
//! check found failures, 2 bad input. A closed pipe is no failure.

mod archive;
mod cli;
mod command;
mod document;
mod input;
mod output;
mod progress;
mod report;
mod run;
mod swatch;

use std::process::ExitCode;

use clap::Parser;
use mimalloc::MiMalloc;

/// An export makes tens of thousands of short texts; this takes a third of its time away.
#[global_allocator]
static ALLOCATOR: MiMalloc = MiMalloc;

fn main() -> ExitCode {
    let cli = cli::Cli::parse();
    cli.color.write_global();
    match run::run(cli) {
        Ok(outcome) => outcome.into(),
        Err(failure) => {
            if !failure.is_closed_pipe() {
                eprintln!("{failure}");
            }
            failure.into()
        }
    }
}
