//! Families: what a child decided itself, whose each of its values is, and the ways back.

mod decision;
mod source;

pub(crate) use decision::without;
pub use decision::{Decision, decisions};
pub use source::{CellSource, Whose, sources};
