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
use std::sync::mpsc;
use std::thread;
use std::time::Duration;

use minijinja::{Environment, ErrorKind, Value};
use rhodon_theme::{Derived, Form, Slug};

use crate::stamp::comment_safe;
use crate::target::{ExportError, File, Output, Source, Warning};

pub use color::FILTERS;
pub use learn::{Learned, learn};

/// Before the name of a form, where targets are named.
pub const PREFIX: &str = "form:";
/// The most steps that filling takes.
const FUEL: u64 = 500_000;
/// The longest that it takes: a step may be one over a whole list.
const MAX_TIME: Duration = Duration::from_secs(1);
/// What the deepest form takes of stack, and more.
const STACK: usize = 4 * 1024 * 1024;
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
    let told = |e: minijinja::Error| told(&e, &form.text, &names);
    environment
        .add_template_owned("form", form.text.clone())
        .map_err(told)?;
    let template = environment.get_template("form").map_err(told)?;
    let used = template.undeclared_variables(false);
    let known = |name: &String| names.contains(name) || context::NAMES.contains(&name.as_str());
    let mut unknown: Vec<&String> = used.iter().filter(|name| !known(name)).collect();
    unknown.sort();
    if let Some(name) = unknown.first() {
        return Err(no_slot(name, &form.text, &names));
    }
    let context = context::context(theme, family, slots);
    let text = rendered(environment, context)?.map_err(told)?;
    let mut unused: Vec<String> = names
        .into_iter()
        .filter(|name| !used.contains(name))
        .collect();
    unused.sort();
    Ok(Filled { text, unused })
}

/// The filled text, in time and within its length.
fn rendered(
    environment: Environment<'static>,
    context: Value,
) -> Result<Result<String, minijinja::Error>, FormError> {
    let (tell, told) = mpsc::channel();
    // What takes too long is left to come to the end of its steps by itself.
    let job = move || {
        let mut out = limit::Output::new(MAX_OUTPUT);
        let template = environment.get_template("form");
        let done = template.and_then(|t| t.render_captured_to(context, &mut out).map(drop));
        // Nobody may wait any more.
        drop(tell.send((done, out)));
    };
    let started = thread::Builder::new().stack_size(STACK).spawn(job);
    started.map_err(|e| too_much(format!("no thread to fill it: {e}")))?;
    let Ok((done, out)) = told.recv_timeout(MAX_TIME) else {
        return Err(too_much(format!(
            "it takes longer than {} s",
            MAX_TIME.as_secs()
        )));
    };
    if out.is_full() {
        let most = MAX_OUTPUT / 1_000_000;
        return Err(too_much(format!("the output passes {most} MB")));
    }
    Ok(done.map(|()| out.into_text()))
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

/// The command that fills a form of a saved document in a pipeline.
pub fn command(name: &str) -> String {
    format!("rhodon export theme.rhodon.json --target {PREFIX}{name} --out .")
}

fn environment(theme: &Derived) -> Environment<'static> {
    let mut environment = Environment::empty();
    environment.set_keep_trailing_newline(true);
    environment.set_undefined_behavior(minijinja::UndefinedBehavior::Strict);
    environment.set_fuel(Some(FUEL));
    environment.set_recursion_limit(DEPTH);
    environment.set_debug(true);
    color::add_filters(&mut environment);
    color::add_tests(&mut environment);
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
    let known = slots.join(", ");
    let expected = if slots.is_empty() {
        "token(\"…\")".to_owned()
    } else {
        format!("one of {known}, or token(\"…\")")
    };
    let at = bounds::place_of_name(text, name).unwrap_or_default();
    mistake(
        text,
        at,
        format!("no slot is called {name}: expected {expected}"),
    )
}

/// A mistake at a byte of the text.
fn mistake(text: &str, at: usize, message: String) -> FormError {
    let (line, column) = place_of(text, at);
    FormError {
        line: Some(line),
        column: Some(column),
        slot: None,
        message,
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
