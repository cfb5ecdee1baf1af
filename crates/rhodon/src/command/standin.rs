//! `rhodon standin`
use std::net::SocketAddr;
use std::path::PathBuf;

use clap::Args;

use super::serve::runtime;
use crate::output::Failure;

#[derive(Debug, Args)]
pub struct StandinArgs {
    /// Address to listen on.
    #[arg(long, default_value = "127.0.0.1:4871")]
    pub listen: SocketAddr,
    /// File that keeps what the sites show, for the next start
    #[arg(long, value_name = "FILE")]
    pub sites: Option<PathBuf>,
}

pub fn run(args: &StandinArgs) -> Result<(), Failure> {
    let served = rhodon_standin::serve(args.listen, args.sites.as_deref(), |address| {
        println!("Stand-in services are at http://{address}");
    });
    runtime()?.block_on(served).map_err(|cause| Failure::Io {
        place: args.listen.to_string(),
        cause,
    })
}
