//! The filling of a form, within its bounds.

use std::sync::mpsc;
use std::thread;
use std::time::Duration;

use minijinja::{Environment, Value};
use rhodon_theme::{Derived, Form};

use super::error::{FUEL, FormError, mistake, told, too_much};
use super::{bounds, color, context, limit};

/// The longest that it takes: a step may be one over a whole list.
const MAX_TIME: Duration = Duration::from_secs(1);
/// What the deepest form takes of stack, and more.
const STACK: usize = 4 * 1024 * 1024;
/// How deep calls may stand in each other.
const DEPTH: usize = 60;
/// The largest output, in bytes.
pub const MAX_OUTPUT: usize = 4 * 1024 * 1024;

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
