//! Targets: files that a consumer loads unchanged, written from derived tokens.
//!
//! A target is one file in `write/` and one line in [`TARGETS`]. Its id, name, options and help
//! live in that file; the command line, the API and the interface only ask.

mod archive;
pub mod color_set;
pub mod color_use;
mod error;
mod face_use;
pub mod form;
mod handover;
pub mod inventory;
mod job;
mod losses;
mod markup;
mod name;
mod named_steps;
mod option;
mod output;
pub mod read;
pub mod recolor;
mod renamed;
pub mod report;
mod source;
mod stamp;
mod style_walk;
mod target;
pub mod type_use;
mod unpack;
mod web_font;
mod write;

pub use archive::{Archive, archive, bundle, files as archive_files};
pub use error::ExportError;
pub use handover::{Handover, Written, style_sheet};
pub use name::css_name;
pub use option::{OptionError, OptionKind, Settings, TargetOption};
pub use output::{File, Loss, Output, Warning};
pub use renamed::rename_in_options;
pub use source::Source;
pub use stamp::Stamp;
pub use target::{Group, INTO, Target};
pub use unpack::{Room, UnpackError, unpack};
pub use write::{PaintRule, TARGETS, find, paint_rules};
