//! The core as a whole: from a document to its tokens.
#![allow(clippy::unwrap_used)]

mod audit;
mod change;
mod document;
mod family;
mod kept;
mod more;
mod named;
mod near;
mod promises;
mod roles;
mod scales;
mod support;
mod tokens;
mod wake;
