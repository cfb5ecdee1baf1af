//! Files read into a theme document. One file or folder a format; they are listed in [`READERS`],
//! and command line, API and interface only ask.

mod code;
mod colors;
mod document;
mod found_brand;
mod found_roles;
mod import;
mod key_name;
mod list;
mod reader;
mod registry;
mod snippet;
mod text_list;
mod tokens;

pub use import::{Import, InputFile, ReadProblem};
pub use key_name::readable;
pub(crate) use key_name::{HOLDERS, USUAL, shared_words, words as key_words};
pub use list::{ListItem, color_list};
pub use reader::Reader;
pub use registry::{READERS, read};
