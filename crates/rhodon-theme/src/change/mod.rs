//! What edits come to.

mod diff;
mod rename;

pub use diff::{Change, Diff, diff};
pub use rename::rename_brand;
