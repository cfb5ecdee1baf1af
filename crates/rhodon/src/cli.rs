//! What was typed: each command takes what stands in its own file.
use clap::{Parser, Subcommand};

use crate::command::backup::BackupArgs;
use crate::command::check::CheckArgs;
use crate::command::companions::CompanionsArgs;
use crate::command::derive::DeriveArgs;
use crate::command::diff::DiffArgs;
use crate::command::export::ExportArgs;
use crate::command::extract::ExtractArgs;
use crate::command::fill::FillArgs;
use crate::command::import::ImportArgs;
use crate::command::inventory::InventoryArgs;
use crate::command::new::NewArgs;
use crate::command::publish::PublishArgs;
use crate::command::recolor::RecolorArgs;
use crate::command::restore::RestoreArgs;
use crate::command::scale::ScaleArgs;
use crate::command::schema::SchemaArgs;
use crate::command::serve::ServeArgs;
use crate::command::site::SiteArgs;
use crate::command::standin::StandinArgs;
use crate::command::vision::VisionArgs;
use crate::input::Inputs;

/// Turns brand colours into theme tokens, checks them, and writes them for any consumer.
#[derive(Debug, Parser)]
#[command(name = "rhodon", version, disable_help_subcommand = true)]
#[command(mut_arg("color", |color| color.help("When a colour stands beside its code")))]
pub struct Cli {
    /// Print one JSON value per line of input.
    #[arg(long, global = true)]
    pub json: bool,
    #[command(flatten)]
    pub color: colorchoice_clap::Color,
    #[command(subcommand)]
    pub command: Command,
}

#[derive(Debug, Subcommand)]
pub enum Command {
    /// Convert and measure CSS colours.
    #[command(
        after_help = "Examples:\n  rhodon color \"#0f5c7a\" rebeccapurple\n  rhodon color --json < colors.txt"
    )]
    Color(Inputs),
    /// WCAG 2.2 ratio and CIEDE2000 of two colours.
    #[command(after_help = "Examples:\n  rhodon contrast \"#0f5c7a\" \"#ffffff\"")]
    Contrast(Inputs),
    /// Colours as seen with another colour vision.
    Vision(VisionArgs),
    /// Companions of each colour by hue relation, at equal lightness and strength.
    Companions(CompanionsArgs),
    /// A scale around each colour.
    Scale(ScaleArgs),
    /// All tokens and pairs of a theme.
    Derive(DeriveArgs),
    /// Find what is wrong with a theme, and mend it.
    Check(CheckArgs),
    /// Write a theme for its consumers.
    Export(ExportArgs),
    /// List the targets and their options.
    Targets,
    /// The colours of pictures, each with its share and the spot that it stands for.
    Extract(ExtractArgs),
    /// Every colour in use in files or folders: how often, under which names, where.
    Inventory(InventoryArgs),
    /// Files with other colours: only the colours change, each in its spelling.
    Recolor(RecolorArgs),
    /// Fill a form that is no part of a document, or learn one from an example.
    Fill(FillArgs),
    /// What differs between two themes, token by token.
    Diff(DiffArgs),
    /// Read a saved document, design tokens, or any file with colours into a theme document.
    Import(ImportArgs),
    /// Publish a theme's style sheet under a name that changes with its content.
    Publish(PublishArgs),
    /// Print a new theme document.
    New(NewArgs),
    /// Print the JSON Schema of a theme document, or of the report of a check.
    Schema(SchemaArgs),
    /// Print the OpenAPI document of the server.
    Openapi,
    /// Print what completes the commands in a shell.
    Completions {
        /// The shell.
        shell: clap_complete::Shell,
    },
    /// Print the manual page.
    Man,
    /// Run the web application.
    Serve(ServeArgs),
    /// Everything that the database keeps, as one archive of open files.
    Backup(BackupArgs),
    /// Fill an empty database with a backup.
    Restore(RestoreArgs),
    /// Sites that take a theme by name: list, register, apply, withdraw.
    Site(SiteArgs),
    /// Run simulated services that stand in for outside ones: a community's sets and web fonts.
    Standin(StandinArgs),
}

#[cfg(test)]
mod tests {
    use clap::CommandFactory;

    use super::*;

    /// Every example of the help is one that is understood.
    #[test]
    fn examples_are_commands() {
        let whole = Cli::command();
        let mut count = 0;
        for command in whole.get_subcommands() {
            let help = command.get_after_help().map(ToString::to_string);
            for line in help.unwrap_or_default().lines().skip(1) {
                let typed = line.split(['<', '>']).next().unwrap_or_default();
                let words = shlex::split(typed).unwrap_or_default();
                let parsed = Cli::try_parse_from(&words);
                assert!(parsed.is_ok(), "{line}: {:?}", parsed.err());
                assert_eq!(words[1], command.get_name());
                count += 1;
            }
        }
        assert!(count > 20, "{count}");
    }
}
