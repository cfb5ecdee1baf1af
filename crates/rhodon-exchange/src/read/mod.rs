//! One file per format that is read.

mod list;

pub use list::{ListItem, color_list};
