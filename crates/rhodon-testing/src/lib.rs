//! What the tests of several crates share.

#[cfg(feature = "cases")]
mod cases;
#[cfg(feature = "database")]
mod database;
mod process;

#[cfg(feature = "cases")]
pub use cases::cases;
#[cfg(feature = "database")]
pub use database::{fresh_database, kill_backend, make_durable};
pub use process::Served;
