//! Forms: a text with places to fill, in the language of the `minijinja` crate as it stands. Names are
//! those of the form's slots, and `theme`, `scales`, `roles`, `tokens`, `modes`, `family` and
//! `token("primary.fill", "dark")`. A form from a stranger is safe to fill: it reads no file, and its
//! steps, its ranges, its depth and its output are bounded.

mod bounds;
mod color;
mod context;
mod learn;
mod limit;

use std::fmt;

use minijinja::{Environment, ErrorKind, Value};
use rhodon_theme::{Derived, Form, Slug};

use crate::stamp::comment_safe;
use crate::target::{ExportError, File, Output, Source, Warning};

pub use color::FILTERS;
pub use learn::{Learned, learn};

/// Before the name of a form, where targets are named.
pub const PREFIX: &str = "form:";
/// The most steps that filling takes.
const FUEL: u64 = 3_000_000;
/// How deep calls may stand in each other.
const DEPTH: usize = 60;
/// The largest output, in bytes.
pub const MAX_OUTPUT: usize = 4 * 1024 * 1024;

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

/// A filled form.
#[derive(Clone, Debug, Default, PartialEq, Eq)]
pub struct Filled {
    /// The file.
    pub text: String,
    /// Slots that the text does not use.
    pub unused: Vec<String>,
}

/// Fills a form with a theme. `family` are the themes that `family` stands for: this one alone where
/// there are no others.
///
/// # Errors
/// The first mistake, with its place.
pub fn fill(form: &Form, theme: &Derived, family: &[&Derived]) -> Result<Filled, FormError> {
    bounds::check(&form.text)?;
    let mut environment = environment(theme);
    let slots = context::slots(&environment, form, theme)?;
    let names: Vec<String> = slots.iter().map(|(name, _)| name.clone()).collect();
    environment
        .add_template("form", &form.text)
        .map_err(|e| told(&e, &form.text, &names))?;
    let template = environment
        .get_template("form")
        .map_err(|e| told(&e, &form.text, &names))?;
    let used = template.undeclared_variables(false);
    let known = |name: &String| names.contains(name) || context::NAMES.contains(&name.as_str());
    let mut unknown: Vec<&String> = used.iter().filter(|name| !known(name)).collect();
    unknown.sort();
    if let Some(name) = unknown.first() {
        return Err(no_slot(name, &form.text, &names));
    }
    let context = context::context(theme, family, slots);
    let mut out = limit::Output::new(MAX_OUTPUT);
    let done = template.render_captured_to(context, &mut out);
    if out.is_full() {
        return Err(too_much(format!(
            "the output passes {} MB",
            MAX_OUTPUT / 1_000_000
        )));
    }
    done.map_err(|e| told(&e, &form.text, &names))?;
    let mut unused: Vec<String> = names
        .into_iter()
        .filter(|name| !used.contains(name))
        .collect();
    unused.sort();
    Ok(Filled {
        text: out.into_text(),
        unused,
    })
}

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

fn environment(theme: &Derived) -> Environment<'static> {
    let mut environment = Environment::empty();
    environment.set_keep_trailing_newline(true);
    environment.set_undefined_behavior(minijinja::UndefinedBehavior::Strict);
    environment.set_fuel(Some(FUEL));
    environment.set_recursion_limit(DEPTH);
    environment.set_debug(true);
    environment.set_formatter(color::formatter);
    color::add_filters(&mut environment);
    context::add_functions(&mut environment, theme);
    environment
}

fn too_much(message: String) -> FormError {
    FormError {
        line: None,
        column: None,
        slot: None,
        message: format!("{message}: expected a form that ends"),
    }
}

/// A name that nothing stands behind, at its first place.
fn no_slot(name: &str, text: &str, slots: &[String]) -> FormError {
    let is_word = |c: Option<char>| c.is_some_and(|c| c.is_alphanumeric() || c == '_');
    let place = text.match_indices(name).map(|(at, _)| at).find(|at| {
        let opened = text[..*at].rfind("{{").max(text[..*at].rfind("{%"));
        let closed = text[..*at].rfind("}}").max(text[..*at].rfind("%}"));
        opened > closed
            && !is_word(text[..*at].chars().next_back())
            && !is_word(text[at + name.len()..].chars().next())
    });
    let (line, column) = place.map(|at| place_of(text, at)).unzip();
    let known = slots.join(", ");
    let expected = if slots.is_empty() {
        "token(\"…\")".to_owned()
    } else {
        format!("one of {known}, or token(\"…\")")
    };
    FormError {
        line,
        column,
        slot: None,
        message: format!("no slot is called {name}: expected {expected}"),
    }
}

/// Line and column in characters, from 1.
fn place_of(text: &str, at: usize) -> (usize, usize) {
    let before = &text[..at.min(text.len())];
    let start = before.rfind('\n').map_or(0, |n| n + 1);
    (
        before.matches('\n').count() + 1,
        before[start..].chars().count() + 1,
    )
}

/// A mistake in our words, with its place.
fn told(error: &minijinja::Error, text: &str, slots: &[String]) -> FormError {
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

/// A value that forms print as it is.
fn text(value: impl Into<String>) -> Value {
    Value::from(value.into())
}
