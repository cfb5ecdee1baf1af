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
    let at = |place: String| move |cause| Failure::Io { place, cause };
    let kept = args.sites.as_deref();
    let file = kept.map_or_else(String::new, |file| file.display().to_string());
    let router = rhodon_standin::router(kept).map_err(at(file))?;
    let served = rhodon_standin::serve(args.listen, router, |address| {
        println!("Stand-in services are at http://{address}");
    });
    let served = runtime()?.block_on(served);
    served.map_err(at(args.listen.to_string()))
}
