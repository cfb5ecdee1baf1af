//! `rhodon site`
use std::collections::BTreeMap;
use std::path::PathBuf;
use std::time::Duration;

use clap::{Args, Subcommand};
use rhodon_publish::site::{Fit, Host, SiteError, SiteView, fit};
use rhodon_theme::derive;
use serde_json::json;

use super::serve::runtime;
use crate::document;
use crate::output::{Failure, Printer};

/// Shown below the help.
const EXAMPLES: &str = "\
Examples:
  rhodon site list
  rhodon site register theme.rhodon.json --url https://themes.example/theme-3fa94c07.css
  rhodon site apply timetable \"Tern Line\" --wait";

#[derive(Debug, Args)]
#[command(after_help = EXAMPLES)]
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

/// How often a page is read back while it is waited for.
const AGAIN: Duration = Duration::from_secs(2);
/// The longest that a page is waited for.
const TRIES: usize = 40;

pub fn run(args: &SiteArgs, printer: &mut Printer) -> Result<(), Failure> {
    let host = Host::at(&args.host, args.token.as_deref().unwrap_or_default());
    let host = host.map_err(|e| Failure::bad(format!("--host: {e}")))?;
    runtime()?.block_on(asked(&host, &args.command, printer))
}

fn told(error: SiteError) -> Failure {
    Failure::bad(error.to_string())
}

async fn asked(host: &Host, command: &SiteCommand, printer: &mut Printer) -> Result<(), Failure> {
    match command {
        SiteCommand::List => {
            let standing = host.look().await.map_err(told)?;
            printer.result(&standing, || {
                let line = |site: &SiteView| {
                    let theme = site.theme.as_deref().unwrap_or("no theme");
                    format!("{}  {}  {theme}", site.id, site.name)
                };
                standing
                    .sites
                    .iter()
                    .map(line)
                    .collect::<Vec<_>>()
                    .join("\n")
            })
        }
        SiteCommand::Register(args) => register(host, args, printer).await,
        SiteCommand::Apply { site, name, wait } => {
            let standing = host.look().await.map_err(told)?;
            let site = standing.site(site).map_err(told)?;
            let before = host.apply(site, Some(name)).await.map_err(told)?;
            let theme = standing.themes.iter().find(|theme| theme.name == *name);
            let url = theme.map(|theme| theme.url.as_str()).unwrap_or_default();
            let shows = shows(host, site, url, *wait).await.map_err(told)?;
            let report =
                json!({ "site": site.id, "theme": name, "before": before, "shows": shows });
            printer.result(&report, || match shows {
                true => format!("{} shows {name}", site.name),
                false => format!(
                    "{} has {name}; its page is kept and shows it within a minute",
                    site.name
                ),
            })
        }
        SiteCommand::Withdraw { site } => {
            let standing = host.look().await.map_err(told)?;
            let site = standing.site(site).map_err(told)?;
            let before = host.apply(site, None).await.map_err(told)?;
            let report = json!({ "site": site.id, "theme": null, "before": before });
            printer.result(&report, || format!("{} shows no theme", site.name))
        }
        SiteCommand::Remove { name } => {
            host.remove(name).await.map_err(told)?;
            printer.result(&json!({ "removed": name }), || {
                format!("{name} is forgotten")
            })
        }
    }
}

/// Whether the page of a site loads a sheet, by reading it back.
async fn shows(host: &Host, site: &SiteView, url: &str, wait: bool) -> Result<bool, SiteError> {
    for _ in 0..TRIES {
        if host.loads(site, url).await? {
            return Ok(true);
        }
        if !wait {
            break;
        }
        tokio::time::sleep(AGAIN).await;
    }
    Ok(false)
}

async fn register(host: &Host, args: &SiteRegister, printer: &mut Printer) -> Result<(), Failure> {
    let place = args.spec.display().to_string();
    let decided = document::read(&args.spec)?;
    let theme = derive(&decided).map_err(|p| document::told(&place, &p))?;
    let mut chosen = BTreeMap::new();
    for text in &args.slots {
        let Some((slot, path)) = text.split_once('=') else {
            let what = format!("--slot: expected slot=token.path, found {text:?}");
            return Err(Failure::bad(what));
        };
        chosen.insert(slot.to_owned(), path.to_owned());
    }
    let standing = host.look().await.map_err(told)?;
    let unknown = chosen
        .keys()
        .find(|slot| !standing.slots.iter().any(|s| s.id == **slot));
    if let Some(unknown) = unknown {
        let known: Vec<&str> = standing.slots.iter().map(|s| s.id.as_str()).collect();
        let what = format!(
            "--slot: no slot is called {unknown}: expected one of {}",
            known.join(", ")
        );
        return Err(Failure::bad(what));
    }
    let fit = fit(&theme, &standing.slots, &chosen);
    let name = args.name.clone().unwrap_or(theme.name);
    if !args.dry_run {
        let slots = fit.taken.iter().map(|t| (t.slot.clone(), t.value.clone()));
        host.register(&name, &args.url, &slots.collect())
            .await
            .map_err(told)?;
    }
    let report = json!({ "name": name, "sent": !args.dry_run, "taken": fit.taken, "left": fit.left, "beyond": fit.beyond });
    printer.result(&report, || lines(&name, &fit))
}

fn lines(name: &str, fit: &Fit) -> String {
    let mut out = vec![name.to_owned()];
    out.extend(
        fit.taken
            .iter()
            .map(|t| format!("  {}  {}  {}", t.slot, t.token, t.value)),
    );
    out.extend(
        fit.left
            .iter()
            .map(|l| format!("  {}  left: {}", l.slot, l.why)),
    );
    out.push(format!("  {} tokens have no slot there", fit.beyond));
    out.join("\n")
}
