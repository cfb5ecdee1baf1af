//! The open Design Tokens format (Design Tokens Community Group, 2025.10): one file or several,
//! with modes by its resolver module or by the names of the files.
//!
//! The way of the data: files → the layers of each mode ([`layer`]) → a flat table of tokens
//! ([`table`]) → values as a theme writes them ([`value`]) → a document: the one that stands in
//! the files, with what was changed in them ([`edited`]), or a new one ([`foreign`]).

mod edited;
mod foreign;
mod layer;
mod table;
mod value;

use rhodon_theme::Spec;
use serde_json::Value;

use super::document::{Import, ReadProblem};
use crate::write::tokens::EXTENSION;
use table::Table;

/// Tokens of both modes.
struct Tables {
    light: Table,
    dark: Table,
    /// Whether dark mode has values of its own.
    has_dark: bool,
}

pub(super) fn read(files: &[(&str, Value)], import: &mut Import) {
    let layers = layer::layers(files, &mut import.problems);
    let light = Table::read(&layers.light, &mut import.problems);
    let dark = Table::read(&layers.dark, &mut import.problems);
    let tables = Tables { light, dark, has_dark: layers.has_dark };
    let own = files.iter().find_map(|(name, value)| {
        Some((*name, value.pointer(&format!("/$extensions/{EXTENSION}/document"))?))
    });
    let document = own.and_then(|(name, value)| match Spec::read(value) {
        Ok(spec) => Some(spec),
        Err(problems) => {
            let told = problems.0.into_iter();
            import.problems.extend(told.map(|p| ReadProblem::new(name, p.pointer, p.message)));
            None
        }
    });
    match document {
        Some(spec) => import.spec = Some(edited::apply(spec, &tables, import)),
        None => import.spec = foreign::spec(&tables, import),
    }
}
