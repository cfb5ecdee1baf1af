//! `rhodon serve`

use tracing_subscriber::EnvFilter;

use crate::cli::{LogFormat, ServeArgs};
use crate::output::Failure;

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
