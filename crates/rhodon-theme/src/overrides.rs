//! What the user wrote by hand, with references followed: roles and own tokens.

use std::collections::HashMap;
use std::sync::Arc;

use crate::document::{Problems, Resolved, TokenKind};
use crate::label::TokenPath;
use crate::reason::Reason;
use crate::token::Mode;
use crate::value::{ColorValue, Origin, Value, Written};

/// A role set by hand, in one mode.
#[derive(Clone, Debug)]
pub(crate) struct SetRole {
    /// Its colour, or the path of a derived role whose colour it takes.
    pub value: Result<ColorValue, Arc<str>>,
    pub alias: Option<Arc<str>>,
    pub origin: Origin,
}

impl SetRole {
    pub(crate) fn reason(&self) -> Reason {
        match &self.alias {
            Some(path) => format!("set to {path}").into(),
            None => "set to a colour".into(),
        }
    }
}

/// Where a chain of references ends.
#[derive(Clone, Debug)]
pub(crate) enum End {
    /// At a value.
    Value(Value),
    /// At a path that is neither set by hand nor a step: a derived role, or nothing at all.
    Path(String),
}

/// Everything written by hand, ready to be looked up.
#[derive(Debug, Default)]
pub(crate) struct Overrides {
    roles: [HashMap<String, SetRole>; 2],
    written: [HashMap<String, Written>; 2],
    steps: HashMap<Arc<str>, Value>,
}

impl Overrides {
    /// Reads all values and follows all references.
    ///
    /// # Errors
    /// References that form a circle, with the circle spelt out, or that lead to a value of
    /// another kind.
    pub(crate) fn new(theme: &Resolved, steps: HashMap<Arc<str>, Value>) -> Result<Self, Problems> {
        let mut overrides = Self {
            steps,
            ..Self::default()
        };
        let mut problems = Problems::default();
        for (path, values) in &theme.spec.roles {
            for (mode, text) in [(Mode::Light, &values.light), (Mode::Dark, &values.dark)] {
                let Some(text) = text else { continue };
                match Written::parse(text, TokenKind::Color) {
                    Ok(written) => {
                        drop(overrides.written[mode as usize].insert(path.to_string(), written))
                    }
                    Err(e) => problems.add(format!("/roles/{path}/{}", mode.id()), e),
                }
            }
        }
        for (path, token) in &theme.spec.tokens {
            for mode in Mode::BOTH {
                let own = match mode {
                    Mode::Light => &token.light,
                    Mode::Dark => &token.dark,
                };
                let Some(text) = own.as_ref().or(token.value.as_ref()) else {
                    continue;
                };
                match Written::parse(text, token.kind.unwrap_or_default()) {
                    Ok(written) => {
                        drop(overrides.written[mode as usize].insert(path.to_string(), written))
                    }
                    Err(e) => problems.add(format!("/tokens/{path}"), e),
                }
            }
        }
        for mode in Mode::BOTH {
            overrides.set_roles(theme, mode, &mut problems);
        }
        for path in theme.spec.tokens.keys() {
            for mode in Mode::BOTH {
                if let Err(circle) = overrides.follow(path.as_str(), mode) {
                    problems.add(format!("/tokens/{path}"), circle);
                    break;
                }
            }
        }
        if problems.0.is_empty() {
            Ok(overrides)
        } else {
            Err(problems)
        }
    }

    fn set_roles(&mut self, theme: &Resolved, mode: Mode, problems: &mut Problems) {
        let inherited = &theme.inherited.roles[mode as usize];
        for path in theme.spec.roles.keys() {
            let Some(written) = self.written[mode as usize].get(path.as_str()) else {
                continue;
            };
            let alias = match written {
                Written::Reference(target) => Some(target.as_str().into()),
                Written::Literal(_) => None,
            };
            let place = format!("/roles/{path}/{}", mode.id());
            let value = match self.follow(path.as_str(), mode) {
                Ok(End::Value(Value::Color(color))) => Ok(color),
                Ok(End::Path(role)) => Err(role.into()),
                Ok(End::Value(_)) => {
                    problems.add(place, "expected a colour, found a token of another kind");
                    continue;
                }
                Err(circle) => {
                    problems.add(place, circle);
                    continue;
                }
            };
            let origin = if inherited.contains(path) {
                Origin::Inherited
            } else {
                Origin::Set
            };
            self.roles[mode as usize].insert(
                path.to_string(),
                SetRole {
                    value,
                    alias,
                    origin,
                },
            );
        }
    }

    /// A role set by hand.
    pub(crate) fn role(&self, path: &str, mode: Mode) -> Option<&SetRole> {
        self.roles[mode as usize].get(path)
    }

    /// What was written for a path.
    pub(crate) fn written(&self, path: &TokenPath, mode: Mode) -> Option<&Written> {
        self.written[mode as usize].get(path.as_str())
    }

    /// Follows references from a path to where they end.
    ///
    /// # Errors
    /// A circle, spelt out.
    pub(crate) fn follow(&self, path: &str, mode: Mode) -> Result<End, String> {
        let mut seen = vec![path.to_owned()];
        loop {
            let at = &seen[seen.len() - 1];
            match self.written[mode as usize].get(at) {
                Some(Written::Literal(value)) => return Ok(End::Value(value.clone())),
                Some(Written::Reference(next)) => {
                    let next = next.to_string();
                    let circle = seen.iter().position(|p| *p == next);
                    seen.push(next);
                    if let Some(start) = circle {
                        return Err(format!(
                            "tokens refer to each other in a circle: {}",
                            seen[start..].join(" → ")
                        ));
                    }
                }
                None => {
                    return Ok(match self.steps.get(at.as_str()) {
                        Some(value) => End::Value(value.clone()),
                        None => End::Path(at.clone()),
                    });
                }
            }
        }
    }
}
