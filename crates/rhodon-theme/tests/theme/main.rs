//! The core as a whole: from a document to its tokens.
#![allow(clippy::unwrap_used)]

mod audit;
mod change;
mod children;
mod document;
mod drawn_changes;
mod family;
mod intents;
mod kept;
mod more;
mod named;
mod near;
mod pins;
mod promises;
mod roles;
mod scales;
mod set_roles;
mod steps;
mod style;
mod support;
mod tokens;
mod wake;
