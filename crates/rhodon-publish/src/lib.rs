//! Published themes. A file is immutable and named by its content, so that caches may hold it for
//! ever; beside it lies a small index that says which is current. Files lie in a folder, or in storage
//! that speaks the S3 protocol: the same code for both.
//!
//! A file is written before the index names it, and none is removed that anybody may still load:
//! whoever is stopped in between leaves a file too many, never a name without a file.

mod shelf;
pub mod site;

pub use shelf::{Entry, Index, Published, Shelf, ShelfError};
