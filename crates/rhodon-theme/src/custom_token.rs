//! Tokens of the user's own, with references followed across groups.

use std::collections::HashMap;
use std::sync::Arc;

use crate::document::{CustomToken, Problems, Resolved};
use crate::label::TokenPath;
use crate::overrides::{End, Overrides};
use crate::token::{Cell, Cells, Mode, Section, Token};
use crate::value::{Origin, Value, Written};

/// Adds the own tokens behind those that are derived.
///
/// # Errors
/// A reference to nothing, or to a token of another kind; a value for one mode alone.
pub(crate) fn tokens(
    theme: &Resolved,
    overrides: &Overrides<'_>,
    out: &mut Vec<Token>,
) -> Result<(), Problems> {
    if theme.merged.tokens.is_empty() {
        return Ok(());
    }
    let mut problems = Problems::default();
    let mut made = Vec::with_capacity(theme.merged.tokens.len());
    let derived = out.iter().map(|t| (&*t.path, t)).collect();
    let bench = Bench {
        theme,
        overrides,
        derived,
    };
    for (path, own) in &theme.merged.tokens {
        match Mode::BOTH.map(|mode| bench.cell(path, own, mode)) {
            [Ok(light), Ok(dark)] => made.push(token(path, own, light, dark)),
            [Err(message), _] | [_, Err(message)] => {
                problems.add(format!("/tokens/{path}"), message);
            }
        }
    }
    out.extend(made);
    problems.into_result(())
}

fn token(path: &TokenPath, own: &CustomToken, light: Cell, dark: Cell) -> Token {
    let cells = if light == dark {
        Cells::Both(light)
    } else {
        Cells::Each(Box::new([light, dark]))
    };
    Token {
        path: path.as_str().into(),
        kind: own.kind.unwrap_or_default(),
        section: Section::Own,
        omitted: false,
        description: own.description.clone(),
        cells,
    }
}

/// What own tokens are made from.
struct Bench<'a> {
    theme: &'a Resolved,
    overrides: &'a Overrides<'a>,
    derived: HashMap<&'a str, &'a Token>,
}

impl Bench<'_> {
    /// The value of a token in a mode, or why it has none.
    fn cell(&self, path: &TokenPath, own: &CustomToken, mode: Mode) -> Result<Cell, String> {
        let Some(written) = self.overrides.written(path, mode) else {
            return Err(crate::document::INCOMPLETE.to_owned());
        };
        let value = self.value(path, mode)?;
        let kind = own.kind.unwrap_or_default();
        if value.kind() != kind {
            return Err(format!(
                "expected a {}, found a {}",
                kind.id(),
                value.kind().id()
            ));
        }
        let alias: Option<Arc<str>> = match written {
            Written::Reference(target) => Some(target.as_str().into()),
            Written::Literal(_) => None,
        };
        let reason = match &alias {
            Some(path) => format!("own token, set to {path}").into(),
            None => "own token".into(),
        };
        let inherited = self.theme.inherited.tokens.contains(path);
        let origin = Origin::decided(inherited);
        Ok(Cell {
            value,
            alias,
            origin,
            reason,
        })
    }

    fn value(&self, path: &TokenPath, mode: Mode) -> Result<Value, String> {
        match self.overrides.follow(path.as_str(), mode) {
            Ok(End::Value(value)) => Ok(value),
            Ok(End::Path(end)) => match self.derived.get(&*end) {
                Some(token) => Ok(token.cell(mode).value.clone()),
                None => Err(format!("no token \"{end}\"")),
            },
            Err(circle) => Err(circle.to_string()),
        }
    }
}
