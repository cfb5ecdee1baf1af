//! Whose each value of a child is: its own, its parent's, or what follows from which decision of
//! its own. Found by trying: a value follows from a decision if it is another one without it.

use std::collections::HashSet;
use std::sync::Arc;

use super::decision::{Decision, decisions};
use crate::change::{Operation, apply, diff};
use crate::derive::{Derived, derive};
use crate::document::{Problems, Resolved};
use crate::token::{Mode, Token};
use crate::value::Origin;

/// Whose a value is.
#[derive(Clone, Debug, PartialEq, Eq)]
pub enum Whose {
    /// This theme decided it.
    Own,
    /// The parent has the same, decided or derived there.
    Inherited,
    /// It follows from these decisions of this theme, told by their place in the list of them.
    Derived(Vec<usize>),
}

/// One value of a token, and whose it is.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct CellSource {
    /// Path of the token.
    pub path: Arc<str>,
    /// The mode; none where the token has one value for both.
    pub mode: Option<Mode>,
    /// Whose it is.
    pub whose: Whose,
}

/// How many times a theme is derived to find out. With more decisions than that, some are tried
/// together and named together.
const TRIES: usize = 64;

/// Whose each value of a child is, and the decisions it is told by. Nothing for a theme without a
/// parent: there everything is its own.
///
/// # Errors
/// What keeps the child, or its parent, from being derived.
pub fn sources(
    theme: &Resolved,
    made: &Derived,
) -> Result<(Vec<Decision>, Vec<CellSource>), Problems> {
    let all = decisions(theme);
    let Some(parent) = theme.parent() else {
        return Ok((all, Vec::new()));
    };
    let parent = derive(parent)?;
    let moved = moved(theme, made, &all);
    let differs = Moved::from_diff(&parent, made);
    let mut cells = Vec::with_capacity(made.tokens.len() * 2);
    for token in &made.tokens {
        let modes: &[Option<Mode>] = match token.is_modeless() {
            true => &[None],
            false => &[Some(Mode::Light), Some(Mode::Dark)],
        };
        cells.extend(modes.iter().map(|mode| CellSource {
            path: token.path.clone(),
            mode: *mode,
            whose: whose(token, *mode, &all, &moved, &differs),
        }));
    }
    Ok((all, cells))
}

/// Cells that are another value elsewhere.
struct Moved(HashSet<(Arc<str>, Mode)>);

impl Moved {
    fn from_diff(before: &Derived, after: &Derived) -> Self {
        let changes = diff(before, after).changes.into_iter();
        let cells = changes.flat_map(|change| {
            let modes = match change.mode {
                Some(mode) => vec![mode],
                None => Mode::BOTH.to_vec(),
            };
            modes
                .into_iter()
                .map(move |mode| (change.path.clone(), mode))
        });
        Self(cells.collect())
    }

    fn has(&self, token: &Token, mode: Option<Mode>) -> bool {
        let modes = mode.map_or_else(|| Mode::BOTH.to_vec(), |mode| vec![mode]);
        modes
            .into_iter()
            .any(|mode| self.0.contains(&(token.path.clone(), mode)))
    }
}

/// What each decision, or each few of them, moves.
fn moved(theme: &Resolved, made: &Derived, all: &[Decision]) -> Vec<(Vec<usize>, Moved)> {
    let deriving: Vec<usize> = (0..all.len()).filter(|i| all[*i].derives()).collect();
    let size = deriving.len().div_ceil(TRIES).max(1);
    let mut out = Vec::with_capacity(deriving.len().div_ceil(size));
    for few in deriving.chunks(size) {
        let places = few.iter().map(|i| all[*i].pointer()).collect();
        // Without a decision on which too much hangs the theme is none: then all of them count.
        let Ok(other) = apply(&Operation::GiveBack(places), theme) else {
            continue;
        };
        if let Ok(other) = derive(&theme.with_document(other.document)) {
            out.push((few.to_vec(), Moved::from_diff(&other, made)));
        }
    }
    out
}

fn whose(
    token: &Token,
    mode: Option<Mode>,
    all: &[Decision],
    moved: &[(Vec<usize>, Moved)],
    differs: &Moved,
) -> Whose {
    let named = |decision: &Decision| match decision.key {
        "roles" => {
            let in_mode = mode.is_none_or(|m| decision.names.get(1).is_some_and(|n| n == m.id()));
            in_mode && decision.names.first().is_some_and(|n| **n == *token.path)
        }
        "tokens" => decision.names.first().is_some_and(|n| **n == *token.path),
        _ => false,
    };
    if all.iter().any(named) {
        return Whose::Own;
    }
    let by = moved.iter().filter(|(_, cells)| cells.has(token, mode));
    let by: Vec<usize> = by.flat_map(|(few, _)| few.iter().copied()).collect();
    let is_set = token.cell(mode.unwrap_or(Mode::Light)).origin == Origin::Set;
    match (by.is_empty(), differs.has(token, mode)) {
        (false, _) if is_set => Whose::Own,
        (false, _) => Whose::Derived(by),
        (true, false) => Whose::Inherited,
        // No decision alone moves it: it takes several.
        (true, true) => Whose::Derived((0..all.len()).filter(|i| all[*i].derives()).collect()),
    }
}
