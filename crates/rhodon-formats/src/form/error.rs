//! What is wrong with a form, and where.

use std::fmt;

use minijinja::ErrorKind;

use super::color::FILTERS;

/// The most steps that filling takes.
pub(super) const FUEL: u64 = 500_000;

/// A mistake in a form.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct FormError {
    /// Line, from 1; none where it is about a slot.
    pub line: Option<usize>,
    /// Column in characters, from 1.
    pub column: Option<usize>,
    /// The slot that it is about.
    pub slot: Option<String>,
    /// What was wrong and what was expected.
    pub message: String,
}

impl FormError {
    /// The mistake with its place in words, as a sentence goes on: `line 1, column 4: no slot is …`.
    pub fn in_words(&self) -> String {
        let place = match (self.line, self.column, &self.slot) {
            (Some(line), Some(column), _) => format!("line {line}, column {column}: "),
            (Some(line), None, _) => format!("line {line}: "),
            (None, _, Some(slot)) => format!("slot {slot}: "),
            _ => String::new(),
        };
        format!("{place}{}", self.message)
    }
}

impl fmt::Display for FormError {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        match (self.line, self.column, &self.slot) {
            (Some(line), Some(column), _) => write!(f, "{line}:{column}: {}", self.message),
            (Some(line), None, _) => write!(f, "{line}: {}", self.message),
            (None, _, Some(slot)) => write!(f, "slot {slot}: {}", self.message),
            _ => f.write_str(&self.message),
        }
    }
}

pub(super) fn too_much(message: String) -> FormError {
    FormError {
        line: None,
        column: None,
        slot: None,
        message: format!("{message}: expected a form that ends"),
    }
}

/// A mistake at a byte of the text.
pub(super) fn mistake(text: &str, at: usize, message: String) -> FormError {
    let (line, column) = place_of(text, at);
    FormError {
        line: Some(line),
        column: Some(column),
        slot: None,
        message,
    }
}

/// Line and column in characters, from 1.
pub(super) fn place_of(text: &str, at: usize) -> (usize, usize) {
    let before = &text[..at.min(text.len())];
    let start = before.rfind('\n').map_or(0, |n| n + 1);
    (
        before.matches('\n').count() + 1,
        before[start..].chars().count() + 1,
    )
}

/// A mistake in our words, with its place.
pub(super) fn told(error: &minijinja::Error, text: &str, slots: &[String]) -> FormError {
    let place = error
        .range()
        .filter(|r| text.is_char_boundary(r.start))
        .map(|r| place_of(text, r.start));
    let detail = error.detail().unwrap_or_default();
    let message = match error.kind() {
        ErrorKind::OutOfFuel => return too_much(format!("it takes more than {FUEL} steps")),
        ErrorKind::SyntaxError => format!(
            "{detail}: expected the language of forms, such as {{{{ {} }}}}",
            slots.first().map_or("brand", String::as_str)
        ),
        ErrorKind::UnknownFilter => format!(
            "{detail}: expected one of {}",
            FILTERS.map(|(name, _)| name).join(", ")
        ),
        ErrorKind::UnknownFunction => format!("{detail}: expected token(\"…\") or range(…)"),
        ErrorKind::UndefinedError => {
            "nothing stands behind this: expected a slot, or a part that its value has".to_owned()
        }
        ErrorKind::TemplateNotFound => "another file: expected a form that stands alone".to_owned(),
        _ if detail.is_empty() => error.kind().to_string(),
        _ => detail.to_owned(),
    };
    FormError {
        line: place.map(|(line, _)| line).or(error.line()),
        column: place.map(|(_, column)| column),
        slot: None,
        message,
    }
}
