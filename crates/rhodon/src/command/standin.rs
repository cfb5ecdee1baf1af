//! `rhodon standin`

use super::serve::runtime;
use crate::cli::StandinArgs;
use crate::output::Failure;

pub fn run(args: &StandinArgs) -> Result<(), Failure> {
    let served = rhodon_standin::serve(args.listen, |address| {
        println!("Stand-in services are at http://{address}");
    });
    runtime()?.block_on(served).map_err(|cause| Failure::Io {
        place: args.listen.to_string(),
        cause,
    })
}
