//! A theme document from files: a document as it was saved, or design tokens.

use std::fmt;

use rhodon_theme::Document;
use serde_json::Value;

use super::tokens;

/// A file that is read.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct InputFile {
    /// Its name, by which other files refer to it.
    pub name: String,
    /// What is in it.
    pub text: String,
}

/// Something in a file that could not be taken over.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct ReadProblem {
    /// Name of the file.
    pub file: String,
    /// The place in it: a token path, a JSON Pointer, or nothing for the whole file.
    pub place: String,
    /// What was wrong and what was expected.
    pub message: String,
}

impl ReadProblem {
    pub(crate) fn new(file: &str, place: impl Into<String>, message: impl Into<String>) -> Self {
        Self {
            file: file.to_owned(),
            place: place.into(),
            message: message.into(),
        }
    }
}

impl fmt::Display for ReadProblem {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        let Self {
            file,
            place,
            message,
        } = self;
        if place.is_empty() {
            write!(f, "{file}: {message}")
        } else {
            write!(f, "{file}: {place}: {message}")
        }
    }
}

/// What was read.
#[derive(Clone, Debug, PartialEq)]
pub struct Import {
    /// The document; none where too little could be read for one.
    pub spec: Option<Document>,
    /// What was done with names and values that do not fit as they are, in sentences.
    pub notes: Vec<String>,
    /// What could not be taken over. The rest was.
    pub problems: Vec<ReadProblem>,
}

/// The most bytes that are read, all files together.
const MAX_BYTES: usize = 16 * 1024 * 1024;

/// Reads files that belong together: one theme document, or the files of a set of design tokens.
pub fn document(files: &[InputFile]) -> Import {
    let mut import = Import {
        spec: None,
        notes: Vec::new(),
        problems: Vec::new(),
    };
    if files.iter().map(|f| f.text.len()).sum::<usize>() > MAX_BYTES {
        let message = format!(
            "expected at most {} MB in all files together",
            MAX_BYTES / 1024 / 1024
        );
        import
            .problems
            .push(ReadProblem::new(&files[0].name, "", message));
        return import;
    }
    let mut parsed: Vec<(&str, Value)> = Vec::with_capacity(files.len());
    for file in files {
        match serde_json::from_str(&file.text) {
            Ok(value) => parsed.push((&file.name, value)),
            Err(e) => {
                let message = format!("expected JSON, found an error at {e}");
                import
                    .problems
                    .push(ReadProblem::new(&file.name, "", message));
            }
        }
    }
    match parsed.iter().find(|(_, value)| is_document(value)) {
        Some((name, value)) => saved(name, value, &mut import),
        None if !parsed.is_empty() => tokens::read(&parsed, &mut import),
        None if import.problems.is_empty() => {
            import
                .problems
                .push(ReadProblem::new("files", "", "expected at least one file"));
        }
        None => {}
    }
    import
}

/// Whether JSON has the look of a theme document.
fn is_document(value: &Value) -> bool {
    value.get("format").is_some_and(Value::is_number)
        && value.get("name").is_some_and(Value::is_string)
}

fn saved(name: &str, value: &Value, import: &mut Import) {
    match Document::read(value) {
        Ok(spec) => import.spec = Some(spec),
        Err(problems) => {
            import.problems.extend(
                problems
                    .0
                    .into_iter()
                    .map(|p| ReadProblem::new(name, p.pointer, p.message)),
            );
        }
    }
}
