//! One folder or file per format that is read.

mod document;
mod list;
mod tokens;

pub use document::{Import, InputFile, ReadProblem, document};
pub use list::{ListItem, color_list};
