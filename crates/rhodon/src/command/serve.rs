//! `rhodon serve`
use std::net::IpAddr;
use std::net::SocketAddr;
use std::path::PathBuf;

use clap::{Args, ValueEnum};
use rhodon_server::PublicUrl;
use tracing_subscriber::EnvFilter;

use crate::output::Failure;

/// Shown below the help.
const EXAMPLES: &str = "\
Examples:
  rhodon serve --demo
  rhodon serve --workspace . --listen 127.0.0.1:8080";

#[derive(Debug, Args)]
#[command(after_help = EXAMPLES)]
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

#[derive(Clone, Copy, Debug, PartialEq, Eq, ValueEnum)]
pub enum LogFormat {
    /// Lines for people.
    Text,
    /// One JSON object a line.
    Json,
}

pub fn run(args: &ServeArgs) -> Result<(), Failure> {
    log(args)?;
    let runtime = runtime()?;
    let database = args.database.clone().ok_or_else(|| {
        Failure::bad("--database: expected the address of a PostgreSQL server, here or in DATABASE_URL; bin/start has one of its own")
    })?;
    let config = rhodon_server::Config {
        listen: args.listen,
        database,
        demo: args.demo,
        services: rhodon_server::Addresses {
            community: args.community.clone(),
            fonts: args.fonts.clone(),
        },
        workspace: args.workspace.clone(),
        published: args.published.clone(),
        sites: args.sites.clone(),
        sites_token: args.sites_token.clone().unwrap_or_default(),
        front: rhodon_server::Front {
            public: args.public_url.clone(),
            proxies: args.proxy.clone(),
        },
        metrics: args.metrics,
    };
    runtime
        .block_on(rhodon_server::serve(config, |address| {
            println!("Rhodon is at http://{address}")
        }))
        .map_err(|e| Failure::bad(e.to_string()))
}

/// What happens goes to standard error, as lines or as JSON.
fn log(args: &ServeArgs) -> Result<(), Failure> {
    let filter = EnvFilter::try_new(&args.log).map_err(|e| {
        let words = "error, warn, info, debug or trace, or module=level";
        Failure::bad(format!(
            "--log: {e}: expected {words}, found {:?}",
            args.log
        ))
    })?;
    let log = tracing_subscriber::fmt()
        .with_env_filter(filter)
        .with_writer(std::io::stderr);
    match args.log_format {
        LogFormat::Text => log.init(),
        LogFormat::Json => log.json().flatten_event(true).init(),
    }
    Ok(())
}

/// Where a server runs.
pub fn runtime() -> Result<tokio::runtime::Runtime, Failure> {
    tokio::runtime::Runtime::new().map_err(|cause| Failure::Io {
        place: "the runtime".to_owned(),
        cause,
    })
}
