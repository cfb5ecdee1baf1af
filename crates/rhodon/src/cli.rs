//! What was typed.

use std::net::{IpAddr, SocketAddr};
use std::path::PathBuf;

use chrono::NaiveDate;
use clap::{Args, Parser, Subcommand, ValueEnum};
use rhodon_formats::inventory::NEAR;
use rhodon_server::PublicUrl;

/// Turns brand colours into theme tokens, checks them, and writes them for any consumer.
#[derive(Debug, Parser)]
#[command(name = "rhodon", version, disable_help_subcommand = true)]
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
    #[command(
        after_help = "Examples:\n  rhodon scale \"#0f5c7a\"\n  rhodon scale --steps 1,2,3,4,5,6,7,8,9 --pin 6 \"#0f5c7a\""
    )]
    Scale(ScaleArgs),
    /// All tokens and pairs of a theme.
    #[command(
        after_help = "Examples:\n  rhodon derive theme.rhodon.json\n  rhodon derive --brands \"#0f5c7a\" \"#e4572e\" --json"
    )]
    Derive(DeriveArgs),
    /// Find what is wrong with a theme, and mend it.
    #[command(
        after_help = "Examples:\n  rhodon check theme.rhodon.json --fail-on warning\n  rhodon check theme.rhodon.json --format sarif > check.sarif\n  rhodon check theme.rhodon.json --fix --in-place"
    )]
    Check(CheckArgs),
    /// Write a theme for its consumers.
    #[command(
        after_help = "Examples:\n  rhodon export theme.rhodon.json --target css > theme.css\n  rhodon export theme.rhodon.json --target css sass --set prefix=tern --out src/theme\n  rhodon export themes --family --target css --out dist\n  rhodon export theme.rhodon.json --target css --out src/theme --watch"
    )]
    Export(ExportArgs),
    /// List the targets and their options.
    Targets,
    /// The colours of pictures, each with its share and the spot that it stands for.
    #[command(after_help = "Examples:\n  rhodon extract logo.png --count 5")]
    Extract(ExtractArgs),
    /// Every colour in use in files or folders: how often, under which names, where.
    #[command(after_help = "Examples:\n  rhodon inventory src")]
    Inventory(InventoryArgs),
    /// Files with other colours: only the colours change, each in its spelling.
    #[command(
        after_help = "Examples:\n  rhodon recolor src --from old.rhodon.json --to new.rhodon.json --kin --out recoloured"
    )]
    Recolor(RecolorArgs),
    /// Fill a form that is no part of a document, or learn one from an example.
    #[command(
        after_help = "Examples:\n  rhodon fill theme.rhodon.json --form colors.ini.form > colors.ini\n  rhodon fill theme.rhodon.json --example colors.ini"
    )]
    Fill(FillArgs),
    /// What differs between two themes, token by token.
    #[command(after_help = "Examples:\n  rhodon diff before.rhodon.json after.rhodon.json")]
    Diff(DiffArgs),
    /// Read a saved document, design tokens, or any file with colours into a theme document.
    #[command(
        after_help = "Examples:\n  rhodon import tokens.json tokens.dark.json > theme.rhodon.json"
    )]
    Import(ImportArgs),
    /// Publish a theme's style sheet under a name that changes with its content.
    #[command(after_help = "Examples:\n  rhodon publish theme.rhodon.json --to public/themes")]
    Publish(PublishArgs),
    /// Print a new theme document.
    #[command(
        after_help = "Examples:\n  rhodon new --brands \"#0f5c7a,#e4572e\" --name \"Tern Line\" > theme.rhodon.json"
    )]
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
    #[command(
        after_help = "Examples:\n  rhodon serve --demo\n  rhodon serve --workspace . --listen 127.0.0.1:8080"
    )]
    Serve(ServeArgs),
    /// Everything that the database keeps, as one archive of open files.
    #[command(
        after_help = "Examples:\n  rhodon backup --database postgres://rhodon@localhost/rhodon --out rhodon.zip"
    )]
    Backup(BackupArgs),
    /// Fill an empty database with a backup.
    #[command(
        after_help = "Examples:\n  rhodon restore rhodon.zip --database postgres://rhodon@localhost/empty"
    )]
    Restore(RestoreArgs),
    /// Sites that take a theme by name: list, register, apply, withdraw.
    #[command(
        after_help = "Examples:\n  rhodon site list\n  rhodon site register theme.rhodon.json --url https://themes.example/theme-3fa94c07.css\n  rhodon site apply timetable \"Tern Line\" --wait"
    )]
    Site(SiteArgs),
    /// Run simulated services that stand in for outside ones: a community's sets and web fonts.
    Standin(StandinArgs),
}

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

#[derive(Debug, Args)]
pub struct CheckArgs {
    /// Theme documents; `-` or none reads one from standard input. With `--brands` the colours of one
    /// brand, or lines of colours separated by tabs from standard input.
    pub values: Vec<String>,
    /// The values are brand colours.
    #[arg(long)]
    pub brands: bool,
    /// How the report is written; a page and SARIF are of one document.
    #[arg(long, value_enum, default_value_t = CheckFormat::Text, conflicts_with = "brands")]
    pub format: CheckFormat,
    /// Write the document with every fix of errors and warnings applied.
    #[arg(long, conflicts_with = "brands")]
    pub fix: bool,
    /// With --fix: over the file instead of to standard output.
    #[arg(long, requires = "fix")]
    pub in_place: bool,
    /// From which severity on a finding fails the check.
    #[arg(long, value_enum, default_value_t = FailOn::Error)]
    pub fail_on: FailOn,
}

#[derive(Clone, Copy, Debug, PartialEq, Eq, ValueEnum)]
pub enum CheckFormat {
    /// Sentences for people.
    Text,
    /// SARIF 2.1.0.
    Sarif,
    /// One page that needs nothing else.
    Html,
}

#[derive(Clone, Copy, Debug, PartialEq, Eq, ValueEnum)]
pub enum FailOn {
    /// Errors alone.
    Error,
    /// Errors and warnings.
    Warning,
}

#[derive(Debug, Args)]
pub struct Inputs {
    /// One each; `-` or none reads lines from standard input.
    pub values: Vec<String>,
}

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

#[derive(Debug, Args)]
pub struct CompanionsArgs {
    /// complementary, analogous, split, triad or square.
    #[arg(long)]
    pub relation: String,
    #[command(flatten)]
    pub inputs: Inputs,
}

#[derive(Debug, Args)]
pub struct ScaleArgs {
    /// Step labels, light to dark, separated by commas.
    #[arg(long)]
    pub steps: Option<String>,
    /// natural, aligned or mix.
    #[arg(long, default_value = "natural")]
    pub method: String,
    /// The step that holds the colour.
    #[arg(long)]
    pub pin: Option<String>,
    /// Degrees of hue, -20 to 20, that dark steps are turned.
    #[arg(long, default_value_t = 0.0, allow_hyphen_values = true)]
    pub turn: f64,
    #[command(flatten)]
    pub inputs: Inputs,
}

#[derive(Debug, Args)]
pub struct DeriveArgs {
    /// Each line is a brand: one to eight colours separated by tabs. As arguments: one brand.
    #[arg(long)]
    pub brands: bool,
    /// A theme document, or colours with --brands; `-` or none reads standard input.
    pub values: Vec<String>,
}

#[derive(Debug, Args)]
pub struct ExportArgs {
    /// A theme document; `-` reads standard input.
    #[arg(required_unless_present = "brands", conflicts_with = "brands")]
    pub spec: Option<PathBuf>,
    /// Brand colours instead of a document.
    #[arg(long)]
    pub brands: Option<String>,
    /// Every document of a folder instead, each into a folder of its slug.
    #[arg(long, requires = "out", conflicts_with_all = ["brands", "watch"])]
    pub family: bool,
    /// Target id, or form:NAME for a form of the document; may be given several times, or `all`.
    #[arg(long = "target", required = true, num_args = 1..)]
    pub targets: Vec<String>,
    /// Documents beside it, for targets that take several themes; without them those in its folder that
    /// extend it.
    #[arg(long, num_args = 1.., conflicts_with = "family")]
    pub with: Vec<PathBuf>,
    /// An option of the target, key=value.
    #[arg(long = "set")]
    pub set: Vec<String>,
    /// Folder for the files.
    #[arg(long)]
    pub out: Option<PathBuf>,
    /// Write again whenever the document or one that it extends changes, until it is stopped.
    #[arg(long, requires = "out", conflicts_with = "brands")]
    pub watch: bool,
    /// Number of the saved revision, told at the head of the files.
    #[arg(long)]
    pub revision: Option<i32>,
    /// The day on which that was saved, as 2026-11-25, told by what is printed.
    #[arg(long)]
    pub date: Option<NaiveDate>,
}

#[derive(Debug, Args)]
pub struct ExtractArgs {
    /// PNG, JPEG, WebP, GIF or SVG files; `-` reads one from standard input.
    #[arg(required = true)]
    pub pictures: Vec<PathBuf>,
    /// How many colours at most.
    #[arg(long, default_value_t = 8, value_parser = clap::value_parser!(u8).range(1..=12))]
    pub count: u8,
    /// Which colours are preferred.
    #[arg(long, value_enum)]
    pub lean: Option<Toward>,
}

#[derive(Clone, Copy, Debug, PartialEq, Eq, ValueEnum)]
pub enum Toward {
    /// Light ones.
    Lighter,
    /// Dark ones.
    Darker,
    /// Strong ones.
    Stronger,
    /// Soft ones.
    Softer,
}

#[derive(Debug, Args)]
pub struct InventoryArgs {
    /// Files, and folders whose files are taken; node_modules and build output are passed over.
    #[arg(required = true)]
    pub files: Vec<PathBuf>,
    /// CIEDE2000 up to which two colours are nearly the same.
    #[arg(long, default_value_t = NEAR, value_parser = near)]
    pub near: f64,
}

fn near(text: &str) -> Result<f64, String> {
    let expected = || format!("expected a number from 0 to 20, found {text:?}");
    let value: f64 = text.parse().map_err(|_| expected())?;
    (0.0..=20.0)
        .contains(&value)
        .then_some(value)
        .ok_or_else(expected)
}

#[derive(Debug, Args)]
pub struct RecolorArgs {
    /// Style sheets, markup, JSON, resources, code, palettes and pictures, and folders of them.
    #[arg(required = true)]
    pub files: Vec<PathBuf>,
    /// Which colours become which: {"#0f5c7a": "#1f6f4a", …}; a new colour may be a reference with its
    /// colour, var(--brand, #1f6f4a).
    #[arg(long, required_unless_present = "from", conflicts_with_all = ["from", "to"])]
    pub map: Option<PathBuf>,
    /// The theme document whose colours the files have.
    #[arg(long, requires = "to")]
    pub from: Option<PathBuf>,
    /// The theme document whose colours they get, token by token.
    #[arg(long, requires = "from")]
    pub to: Option<PathBuf>,
    /// Take along relatives of brand colours that no token has: hover shades, tints, borders.
    #[arg(long)]
    pub kin: bool,
    /// Change the colours that comments mention too.
    #[arg(long)]
    pub comments: bool,
    /// Refer to tokens by var(--…) where a style sheet can.
    #[arg(long)]
    pub to_variables: bool,
    /// Folder for the files; without it one file goes to standard output.
    #[arg(long)]
    pub out: Option<PathBuf>,
}

#[derive(Debug, Args)]
pub struct FillArgs {
    /// A theme document; `-` reads standard input.
    pub spec: PathBuf,
    /// The form: a text with places such as {{ token("primary.fill") | hex }}.
    #[arg(long, required_unless_present = "example")]
    pub form: Option<PathBuf>,
    /// A file in the in-house format instead: prints the form that gives it back, as JSON of a document's
    /// `forms`.
    #[arg(long, conflicts_with_all = ["form", "family"])]
    pub example: Option<PathBuf>,
    /// Theme documents that `family` goes over; this one alone where none is given.
    #[arg(long, num_args = 1..)]
    pub family: Vec<PathBuf>,
}

#[derive(Debug, Args)]
pub struct DiffArgs {
    /// The theme document before.
    pub before: PathBuf,
    /// The theme document after.
    pub after: PathBuf,
}

#[derive(Debug, Args)]
pub struct ImportArgs {
    /// Files that belong together, such as tokens.json, tokens.dark.json and theme.resolver.json;
    /// `-` or none reads one file from standard input.
    pub files: Vec<PathBuf>,
    /// Name of the theme, where the files hold none.
    #[arg(long)]
    pub name: Option<String>,
}

#[derive(Debug, Args)]
pub struct NewArgs {
    /// Brand colours.
    #[arg(long)]
    pub brands: String,
    /// Name of the theme.
    #[arg(long, default_value = "Theme")]
    pub name: String,
}

#[derive(Debug, Args)]
pub struct PublishArgs {
    /// A theme document, or with --family a folder of them.
    pub spec: PathBuf,
    /// A folder, or s3://bucket/folder with the usual AWS_… variables.
    #[arg(long)]
    pub to: String,
    /// Every document of the folder.
    #[arg(long)]
    pub family: bool,
    /// Number of the saved revision, told at the head of the file and in the index.
    #[arg(long)]
    pub revision: Option<i32>,
}

#[derive(Debug, Args)]
pub struct SiteArgs {
    /// Address of the host of the sites, such as the one of `rhodon standin`.
    #[arg(long, env = "RHODON_SITES", default_value = "http://127.0.0.1:4871")]
    pub host: String,
    /// What permits to change anything there.
    #[arg(long, env = "RHODON_SITES_TOKEN", hide_env_values = true)]
    pub token: Option<String>,
    #[command(subcommand)]
    pub command: SiteCommand,
}

#[derive(Debug, Subcommand)]
pub enum SiteCommand {
    /// What the sites take, and what each shows.
    List,
    /// Register a theme, or give the one of its name other values.
    Register(SiteRegister),
    /// Have a site show a registered theme, and read its page back.
    Apply {
        /// The site.
        site: String,
        /// Name of the theme.
        name: String,
        /// Wait until the page shows it.
        #[arg(long)]
        wait: bool,
    },
    /// Have a site show no theme.
    Withdraw {
        /// The site.
        site: String,
    },
    /// Forget a theme that no site shows.
    Remove {
        /// Name of the theme.
        name: String,
    },
}

#[derive(Debug, Args)]
pub struct SiteRegister {
    /// A theme document.
    pub spec: PathBuf,
    /// Address of its published style sheet.
    #[arg(long)]
    pub url: String,
    /// Its name there; without it the theme's own.
    #[arg(long)]
    pub name: Option<String>,
    /// Which token a slot takes, slot=token.path.
    #[arg(long = "slot")]
    pub slots: Vec<String>,
    /// Only tell what would be sent.
    #[arg(long)]
    pub dry_run: bool,
}

#[derive(Debug, Args)]
pub struct ServeArgs {
    /// Load the demo themes if the database has none.
    #[arg(long)]
    pub demo: bool,
    /// Address to listen on.
    #[arg(long, default_value = "127.0.0.1:4870", env = "RHODON_LISTEN")]
    pub listen: SocketAddr,
    /// Address under which people reach it, such as https://themes.example; may be given several times.
    #[arg(
        long,
        env = "RHODON_PUBLIC_URL",
        value_name = "URL",
        value_delimiter = ','
    )]
    pub public_url: Vec<PublicUrl>,
    /// Proxy whose forwarded headers are believed; may be given several times.
    #[arg(long, env = "RHODON_PROXY", value_name = "IP", value_delimiter = ',')]
    pub proxy: Vec<IpAddr>,
    /// Address at which metrics are served in Prometheus' text form, apart from people.
    #[arg(long, env = "RHODON_METRICS", value_name = "ADDRESS")]
    pub metrics: Option<SocketAddr>,
    /// What is logged: error, warn, info, debug or trace, also by module as in warn,rhodon_server=debug.
    #[arg(long, env = "RHODON_LOG", default_value = "warn")]
    pub log: String,
    /// How the log is written.
    #[arg(long, env = "RHODON_LOG_FORMAT", value_enum, default_value_t = LogFormat::Text)]
    pub log_format: LogFormat,
    /// PostgreSQL server.
    #[arg(long, env = "DATABASE_URL", hide_env_values = true)]
    pub database: Option<String>,
    /// A project's folder: themes are one with the documents (*.rhodon.json) in it.
    #[arg(long, env = "RHODON_WORKSPACE", value_name = "DIR")]
    pub workspace: Option<PathBuf>,
    /// Where published themes lie: a folder, or s3://bucket/folder with the usual AWS_… variables.
    #[arg(long, env = "RHODON_PUBLISHED")]
    pub published: Option<String>,
    /// Community that shares sets of colours, such as the one of `rhodon standin`.
    #[arg(long, env = "RHODON_COMMUNITY")]
    pub community: Option<String>,
    /// Host of sites, such as the one of `rhodon standin`.
    #[arg(long, env = "RHODON_SITES")]
    pub sites: Option<String>,
    /// What permits to change anything at the host of sites.
    #[arg(long, env = "RHODON_SITES_TOKEN", hide_env_values = true)]
    pub sites_token: Option<String>,
    /// Service of web fonts, such as the one of `rhodon standin`.
    #[arg(long, env = "RHODON_FONTS")]
    pub fonts: Option<String>,
}

#[derive(Debug, Args)]
pub struct BackupArgs {
    /// PostgreSQL server.
    #[arg(long, env = "DATABASE_URL", hide_env_values = true)]
    pub database: String,
    /// The archive, which takes the place of one that is there.
    #[arg(long, value_name = "FILE")]
    pub out: PathBuf,
}

#[derive(Debug, Args)]
pub struct RestoreArgs {
    /// The archive.
    pub archive: PathBuf,
    /// PostgreSQL server, without themes.
    #[arg(long, env = "DATABASE_URL", hide_env_values = true)]
    pub database: String,
}

#[derive(Clone, Copy, Debug, PartialEq, Eq, ValueEnum)]
pub enum LogFormat {
    /// Lines for people.
    Text,
    /// One JSON object a line.
    Json,
}

#[derive(Debug, Args)]
pub struct StandinArgs {
    /// Address to listen on.
    #[arg(long, default_value = "127.0.0.1:4871")]
    pub listen: SocketAddr,
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
