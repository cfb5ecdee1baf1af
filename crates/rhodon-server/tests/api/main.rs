//! The API over HTTP, against a real PostgreSQL.
#![allow(clippy::unwrap_used)]

mod change;
mod contract;
mod exist;
mod family;
mod front_door;
mod handoff;
mod library;
mod published;
mod server;
mod sources;
mod themes;
mod workspace;

use server::{Server, read, tern};
