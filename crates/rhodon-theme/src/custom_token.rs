//! Tokens of the user's own, with references followed across groups.

use std::collections::HashMap;
use std::sync::Arc;

use crate::document::{Problems, Resolved};
use crate::overrides::{End, Overrides};
use crate::token::{Cell, Cells, Mode, Section, Token};
use crate::value::{Origin, Value, Written};

/// Adds the own tokens behind those that are derived.
///
/// # Errors
/// A reference to nothing, or to a token of another kind.
pub(crate) fn tokens(
    theme: &Resolved,
    overrides: &Overrides,
    out: &mut Vec<Token>,
) -> Result<(), Problems> {
    if theme.spec.tokens.is_empty() {
        return Ok(());
    }
    let mut problems = Problems::default();
    let mut made = Vec::with_capacity(theme.spec.tokens.len());
    let derived: HashMap<&str, &Token> = out.iter().map(|t| (&*t.path, t)).collect();
    for (path, own) in &theme.spec.tokens {
        let kind = own.kind.unwrap_or_default();
        let origin = if theme.inherited.tokens.contains(path) {
            Origin::Inherited
        } else {
            Origin::Set
        };
        let mut cell = |mode: Mode| -> Option<Cell> {
            let mut refuse = |message: String| problems.add(format!("/tokens/{path}"), message);
            let value: Value = match overrides.follow(path.as_str(), mode) {
                Ok(End::Value(value)) => value,
                Ok(End::Path(end)) => match derived.get(end.as_str()) {
                    Some(token) => token.cell(mode).value.clone(),
                    None => {
                        refuse(format!("no token \"{end}\""));
                        return None;
                    }
                },
                Err(circle) => {
                    refuse(circle);
                    return None;
                }
            };
            if value.kind() != kind {
                refuse(format!(
                    "expected a {}, found a {}",
                    kind.id(),
                    value.kind().id()
                ));
                return None;
            }
            let alias = match overrides.written(path, mode) {
                Some(Written::Reference(target)) => Some(Arc::from(target.as_str())),
                _ => None,
            };
            let reason = alias.as_ref().map_or_else(
                || "own token".into(),
                |a| format!("own token, set to {a}").into(),
            );
            Some(Cell {
                value,
                alias,
                origin,
                reason,
            })
        };
        let (Some(light), Some(dark)) = (cell(Mode::Light), cell(Mode::Dark)) else {
            continue;
        };
        let cells = if light == dark {
            Cells::Both(light)
        } else {
            Cells::Each(Box::new([light, dark]))
        };
        made.push(Token {
            path: path.as_str().into(),
            kind,
            section: Section::Own,
            omitted: false,
            description: own.description.clone(),
            cells,
        });
    }
    // The map borrows from `out`.
    drop(derived);
    out.extend(made);
    if problems.0.is_empty() {
        Ok(())
    } else {
        Err(problems)
    }
}
