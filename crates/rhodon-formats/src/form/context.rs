//! What forms can name.

use std::collections::BTreeMap;
use std::sync::Arc;

use minijinja::{Environment, Error, ErrorKind, Value, context};
use rhodon_theme::{Derived, Form, Mode, Section, Token, Value as TokenValue};

use super::error::{FormError, told};
use super::{bounds, color};

/// Names that mean something in every form, beside the functions.
pub(super) const NAMES: [&str; 8] = [
    "theme", "scales", "roles", "tokens", "modes", "family", "token", "range",
];
/// The longest range.
const MAX_RANGE: i64 = 1_000;

/// The values of a form's slots.
pub(super) fn slots(
    environment: &Environment<'_>,
    form: &Form,
    theme: &Derived,
) -> Result<Vec<(String, Value)>, FormError> {
    let mut out = Vec::with_capacity(form.slots.len());
    for (name, slot) in &form.slots {
        let wrong = |message: String| FormError {
            line: None,
            column: None,
            slot: Some(name.to_string()),
            message,
        };
        let mut value = match (&slot.token, &slot.color) {
            (Some(path), _) => {
                let token = theme.token(path.as_str());
                let token = token.ok_or_else(|| {
                    wrong(format!(
                        "no token is called {path}: expected one of the theme"
                    ))
                })?;
                cell(token, slot.mode.unwrap_or(Mode::Light))
            }
            (None, Some(own)) => color::value(**own),
            (None, None) => continue,
        };
        if let Some(filter) = &slot.filter {
            let source = format!("value | {filter}");
            bounds::check_expression(&source).map_err(wrong)?;
            let expression = environment.compile_expression(&source);
            let filtered = expression.and_then(|e| e.eval(context! { value }));
            value = filtered.map_err(|e| wrong(told(&e, &source, &[]).message))?;
        }
        out.push((name.to_string(), value));
    }
    Ok(out)
}

/// Everything that stands behind a name.
pub(super) fn context(theme: &Derived, family: &[&Derived], slots: Vec<(String, Value)>) -> Value {
    let family: Vec<Value> = match family {
        [] => vec![theme_value(theme)],
        all => all.iter().map(|theme| theme_value(theme)).collect(),
    };
    let mut all: BTreeMap<String, Value> = slots.into_iter().collect();
    let names = [
        ("theme", theme_value(theme)),
        ("scales", scales(theme)),
        ("roles", tokens(theme, |t| t.section == Section::Roles)),
        ("tokens", tokens(theme, |_| true)),
        ("modes", Mode::BOTH.iter().map(|m| text(m.id())).collect()),
        ("family", Value::from(family)),
    ];
    all.extend(names.map(|(name, value)| (name.to_owned(), value)));
    Value::from(all)
}

pub(super) fn add_functions(environment: &mut Environment<'static>, theme: &Derived) {
    let by_path = by_path(theme);
    environment.add_function("token", move |path: String, mode: Option<String>| {
        token(&by_path, &path, mode.as_deref())
    });
    environment.add_function("range", |from: i64, to: Option<i64>, by: Option<i64>| {
        let (from, to) = to.map_or((0, from), |to| (from, to));
        let by = by.unwrap_or(1);
        let count = if by == 0 {
            i64::MAX
        } else {
            (to.saturating_sub(from) / by).abs()
        };
        if count > MAX_RANGE {
            let why = format!("a range of {count}: expected at most {MAX_RANGE}");
            return Err(Error::new(ErrorKind::InvalidOperation, why));
        }
        let steps = std::iter::successors(Some(from), |n| n.checked_add(by));
        let inside = steps.take_while(|n| if by > 0 { *n < to } else { *n > to });
        Ok(inside.map(Value::from).collect::<Vec<Value>>())
    });
}

type ByPath = Arc<BTreeMap<String, [Value; 2]>>;

fn by_path(theme: &Derived) -> ByPath {
    let both = |token: &Token| Mode::BOTH.map(|mode| cell(token, mode));
    Arc::new(
        theme
            .tokens
            .iter()
            .map(|t| (t.path.to_string(), both(t)))
            .collect(),
    )
}

fn token(tokens: &ByPath, path: &str, mode: Option<&str>) -> Result<Value, Error> {
    let wrong = |why: String| Error::new(ErrorKind::InvalidOperation, why);
    let index = match mode {
        None | Some("light") => 0,
        Some("dark") => 1,
        Some(other) => {
            return Err(wrong(format!(
                "no mode is called {other}: expected light or dark"
            )));
        }
    };
    let found = tokens.get(path);
    let values = found.ok_or_else(|| {
        wrong(format!(
            "no token is called {path}: expected one of the theme"
        ))
    })?;
    Ok(values[index].clone())
}

fn cell(token: &Token, mode: Mode) -> Value {
    match &token.cell(mode).value {
        TokenValue::Color(found) => color::value(found.color()),
        other => text(other.to_string()),
    }
}

fn theme_value(theme: &Derived) -> Value {
    let by_path = by_path(theme);
    let token = move |path: String, mode: Option<String>| token(&by_path, &path, mode.as_deref());
    context! {
        name => theme.name.as_str(),
        scales => scales(theme),
        roles => tokens(theme, |t| t.section == Section::Roles),
        token => Value::from_function(token),
    }
}

fn scales(theme: &Derived) -> Value {
    let scale = |scale: &rhodon_theme::NamedScale| {
        let step = |step: &rhodon_theme::scale::Step| {
            context! {
                label => step.label.as_str(),
                color => color::value(step.color.into()),
                lightness => step.lightness,
            }
        };
        context! {
            name => &*scale.name,
            slug => scale.slug.as_str(),
            base => color::value(scale.scale.base_step().color.into()),
            steps => scale.scale.steps.iter().map(step).collect::<Vec<Value>>(),
        }
    };
    theme.scales.iter().map(scale).collect()
}

fn tokens(theme: &Derived, is_wanted: impl Fn(&Token) -> bool) -> Value {
    let all = theme.tokens.iter().filter(|t| !t.omitted && is_wanted(t));
    let each = |token: &Token| {
        context! {
            path => &*token.path,
            group => token.group(),
            light => cell(token, Mode::Light),
            dark => cell(token, Mode::Dark),
        }
    };
    all.map(each).collect()
}

/// A value that forms print as it is.
fn text(value: impl Into<String>) -> Value {
    Value::from(value.into())
}
