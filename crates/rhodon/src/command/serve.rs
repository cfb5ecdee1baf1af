//! `rhodon serve`

use tracing_subscriber::EnvFilter;

use crate::cli::ServeArgs;
use crate::output::Failure;

pub fn run(args: &ServeArgs) -> Result<(), Failure> {
    let filter = EnvFilter::try_from_env("RHODON_LOG").unwrap_or_else(|_| EnvFilter::new("warn"));
    tracing_subscriber::fmt()
        .with_env_filter(filter)
        .with_writer(std::io::stderr)
        .init();
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
    };
    runtime
        .block_on(rhodon_server::serve(config, |address| {
            println!("Rhodon is at http://{address}")
        }))
        .map_err(|e| Failure::bad(e.to_string()))
}

/// Where a server runs.
pub fn runtime() -> Result<tokio::runtime::Runtime, Failure> {
    tokio::runtime::Runtime::new().map_err(|cause| Failure::Io {
        place: "the runtime".to_owned(),
        cause,
    })
}
