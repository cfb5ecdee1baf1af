//! The HTTP interface: JSON under `/api`, the embedded front end everywhere else.
//!
//! Handlers extract, call the core or the store, and answer; no colour rule and no SQL is
//! here. What concerns every request is a layer with its own module: [`guard`], headers, faults.

mod asset;
mod bench;
mod counts;
mod demo;
mod error;
mod family;
mod fault;
mod front;
mod guard;
mod header;
mod housekeeping;
mod json;
mod listen;
mod live;
mod metrics;
mod openapi;
mod own;
mod path;
mod preview;
mod response_cache;
mod route;
mod saving;
mod schema;
mod serve;
mod service;
mod state;
mod theme_view;
mod view;
mod work;
mod workspace;

pub use demo::load as load_demo;
pub use error::ApiError;
pub use front::{Front, PublicUrl};
pub use live::Live;
pub use openapi::openapi;
pub use serve::{App, Config, ServeError, serve};
pub use service::{Addresses, Services};
