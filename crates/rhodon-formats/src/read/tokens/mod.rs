//! The open Design Tokens format (Design Tokens Community Group, 2025.10): one file or several,
//! with modes by its resolver module or by the names of the files.
//!
//! The way of the data: files → the layers of each mode ([`layer`]) → a flat table of tokens
//! ([`table`]) → values as a theme writes them ([`value`]) → a document: the one that stands in
//! the files, with what was changed in them ([`edited`]), or a new one ([`foreign`]).

mod edited;
mod extend;
mod foreign;
mod layer;
mod report;
mod table;
mod value;

use memchr::memmem;
use rhodon_theme::{Document, Resolved, derive};
use serde_json::Value;
use table::{Raw, Table};

use super::import::{Import, InputFile, ReadProblem};
use super::reader::Reader;
use crate::color_use::{Finder, finder_for};
use crate::write::tokens::{EXTENSION, OLD_EXTENSION};

/// Tokens of both modes.
struct Tables {
    light: Table,
    dark: Table,
    /// Whether dark mode has values of its own.
    has_dark: bool,
    /// What is another value where more contrast is asked for, over light and over dark.
    more: [Table; 2],
}

/// See the module.
pub(super) static READER: Reader = Reader {
    id: "tokens",
    name: "Set of design tokens",
    endings: || {
        [".tokens.json", ".resolver.json", ".json"]
            .map(str::to_owned)
            .to_vec()
    },
    sniff,
    read,
};

/// Any JSON may hold tokens, and what is named like it is told what is wrong with it.
fn sniff(file: &InputFile) -> bool {
    let first = file
        .bytes
        .iter()
        .find(|b| !b.is_ascii_whitespace() && b.is_ascii());
    let is_json = file.name.ends_with(".json") || file.bytes.is_empty();
    // Other files with colours in them are read for those, JSON among them.
    let finder = finder_for(&file.name);
    let is_other = finder.is_some_and(|finder| !has_marks(&file.bytes) && finds(finder, file));
    (matches!(first, Some(b'{' | b'[')) || is_json) && !is_other
}

/// Keys by which design tokens are known (Design Tokens Format and Resolver modules, 2025.10).
const MARKS: [&str; 4] = ["\"$value\"", "\"$type\"", "\"$ref\"", "\"resolutionOrder\""];

fn has_marks(bytes: &[u8]) -> bool {
    let holds = |mark: &&str| memmem::find(bytes, mark.as_bytes()).is_some();
    MARKS.iter().any(holds)
}

fn finds(finder: &Finder, file: &InputFile) -> bool {
    std::str::from_utf8(&file.bytes).is_ok_and(|text| !finder.find(text).is_empty())
}

fn read(files: &[InputFile], import: &mut Import) {
    let mut parsed: Vec<(&str, Value)> = Vec::with_capacity(files.len());
    for file in files {
        match file.json() {
            Ok(value) => parsed.push((&file.name, value)),
            Err(problem) => import.problems.push(problem),
        }
    }
    if !parsed.is_empty() {
        read_parsed(&parsed, import);
    }
}

fn read_parsed(files: &[(&str, Value)], import: &mut Import) {
    let layers = layer::layers(files, &mut import.problems);
    let light = Table::read(&layers.light, &mut import.problems);
    let dark = Table::read(&layers.dark, &mut import.problems);
    let tables = Tables {
        light,
        dark,
        has_dark: layers.has_dark,
        more: (layers.more).map(|layers| Table::read(&layers, &mut import.problems)),
    };
    let own = files.iter().find_map(|(name, value)| {
        let added = value.get("$extensions")?;
        let own = added.get(EXTENSION).or_else(|| added.get(OLD_EXTENSION))?;
        Some((*name, own.get("document")?))
    });
    let document = own.and_then(|(name, value)| match Document::read(value) {
        Ok(spec) => Some(spec),
        Err(problems) => {
            let told = problems.0.into_iter();
            import
                .problems
                .extend(told.map(|p| ReadProblem::new(name, p.pointer, p.message)));
            None
        }
    });
    let spec = match document {
        Some(spec) => Some(edited::apply(spec, &tables, import)),
        None => foreign::spec(&tables, import),
    };
    import.spec = spec.and_then(|spec| sound(spec, import));
}

/// The document without what contradicts the rest of it, each told: a circle of references, a
/// reference to another type. A document whose parent is not at hand is taken as it is.
fn sound(mut spec: Document, import: &mut Import) -> Option<Document> {
    if spec.extends.is_some() {
        return Some(spec);
    }
    // What refers to something that is dropped goes with it in the next round.
    loop {
        let checked = Document::read(&spec.to_json());
        let Err(problems) = checked.and_then(|s| derive(&Resolved::alone(s)).map(|_| ())) else {
            return Some(spec);
        };
        let before = spec.tokens.len() + spec.roles.len() + spec.kept.len();
        for problem in problems.0 {
            let path = problem.pointer.split('/').nth(2).unwrap_or_default();
            let path = path.replace("~1", "/").replace("~0", "~");
            spec.tokens.retain(|own, _| own.as_str() != path);
            spec.roles.retain(|role, _| role.as_str() != path);
            spec.kept.retain(|kept, _| kept.as_str() != path);
            let problem = ReadProblem::new("theme", problem.pointer, problem.message);
            report::report(&mut import.problems, problem);
        }
        if spec.tokens.len() + spec.roles.len() + spec.kept.len() == before {
            return None;
        }
    }
}

impl Import {
    /// Tells what is wrong with a token, once: both modes may read the same one.
    fn refuse(&mut self, raw: &Raw, path: &str, message: impl Into<String>) {
        let problem = ReadProblem::new(&raw.file, path, message);
        report::report(&mut self.problems, problem);
    }
}
