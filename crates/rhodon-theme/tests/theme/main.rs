//! The core as a whole: from a document to its tokens.
#![allow(clippy::unwrap_used)]

mod audit;
mod change;
mod document;
mod family;
mod intents;
mod kept;
mod more;
mod named;
mod near;
mod promises;
mod roles;
mod scales;
mod set_roles;
mod support;
mod tokens;
mod wake;
