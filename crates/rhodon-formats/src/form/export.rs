//! Forms of a document, written as targets are.

use rhodon_theme::Slug;

use super::fill::fill;
use crate::error::ExportError;
use crate::output::{File, Output, Warning};
use crate::source::Source;
use crate::stamp::comment_safe;

/// Before the name of a form, where targets are named.
pub const PREFIX: &str = "form:";

/// Fills a form of the document, as a target is written.
///
/// # Errors
/// No form has that name, or a mistake in it.
pub fn export(name: &str, source: &Source<'_>) -> Result<Output, ExportError> {
    let forms = &source.decided.merged.forms;
    let found = name.parse::<Slug>().ok().and_then(|slug| forms.get(&slug));
    let form = found.ok_or_else(|| ExportError::NoForm {
        name: name.to_owned(),
        known: forms
            .keys()
            .map(Slug::as_str)
            .collect::<Vec<_>>()
            .join(", "),
    })?;
    let filled = fill(form, source.theme, &[]).map_err(|error| ExportError::Form {
        name: name.to_owned(),
        error,
    })?;
    let unused = |slot: String| Warning::new(&slot, "the form does not use this slot");
    Ok(Output {
        files: vec![File {
            path: form.file.clone(),
            text: filled.text,
            head: 0,
        }],
        warnings: filled.unused.into_iter().map(unused).collect(),
    })
}

/// What is known of a form in a sentence, for the page of an archive.
pub fn usage(file: &str) -> String {
    format!("Goes where your project has {}.", comment_safe(file))
}

/// The command that fills a form of a saved document in a pipeline.
pub fn command(name: &str) -> String {
    format!("rhodon export theme.rhodon.json --target {PREFIX}{name} --out .")
}
