//! What a change moved: tokens before and after, and pairs that became unreadable.

use std::collections::HashMap;
use std::sync::Arc;

use crate::derive::Derived;
use crate::token::{Mode, Pair, Token};

/// A token whose value differs, in one mode.
#[derive(Clone, Debug, PartialEq)]
pub struct Change {
    /// Its path.
    pub path: Arc<str>,
    /// The mode, or none where the token has one value for both.
    pub mode: Option<Mode>,
    /// Its value before; none where it is new.
    pub before: Option<String>,
    /// Its value after; none where it is gone.
    pub after: Option<String>,
}

/// The difference between two derivations.
#[derive(Clone, Debug, Default, PartialEq)]
pub struct Diff {
    /// Tokens that differ, in the order of the later theme; what is gone comes last.
    pub changes: Vec<Change>,
    /// Pairs that had their ratio before and have it no more.
    pub unreadable: Vec<Pair>,
}

/// Compares two derivations token by token. A token that has one value on one side and two on the other
/// is compared mode by mode.
pub fn diff(before: &Derived, after: &Derived) -> Diff {
    let by_path = |theme: &'_ Derived| -> HashMap<Arc<str>, usize> {
        let tokens = theme.tokens.iter().enumerate();
        tokens.map(|(i, token)| (token.path.clone(), i)).collect()
    };
    let (old, new) = (by_path(before), by_path(after));
    let mut changes = Vec::new();
    for token in &after.tokens {
        let was = old.get(&token.path).map(|i| &before.tokens[*i]);
        compare(was, Some(token), &mut changes);
    }
    for token in before.tokens.iter().filter(|t| !new.contains_key(&t.path)) {
        compare(Some(token), None, &mut changes);
    }
    let failed = |t: &Derived| -> Vec<(Arc<str>, Arc<str>, Mode)> {
        t.pairs
            .iter()
            .filter(|p| !p.pass)
            .map(|p| (p.fg.clone(), p.bg.clone(), p.mode))
            .collect()
    };
    let already = failed(before);
    let unreadable = after
        .pairs
        .iter()
        .filter(|p| !p.pass && !already.contains(&(p.fg.clone(), p.bg.clone(), p.mode)));
    Diff {
        changes,
        unreadable: unreadable.cloned().collect(),
    }
}

/// The modes in which a token differs.
fn compare(before: Option<&Token>, after: Option<&Token>, changes: &mut Vec<Change>) {
    let Some(path) = after.or(before).map(|token| &token.path) else {
        return;
    };
    let is_one = [before, after]
        .into_iter()
        .flatten()
        .all(Token::is_modeless);
    let modes: &[Option<Mode>] = if is_one {
        &[None]
    } else {
        &[Some(Mode::Light), Some(Mode::Dark)]
    };
    for mode in modes {
        let cell = |token: &Token| token.cell(mode.unwrap_or(Mode::Light)).value.clone();
        let (was, is) = (before.map(cell), after.map(cell));
        if was != is {
            changes.push(Change {
                path: path.clone(),
                mode: *mode,
                before: was.map(|value| value.to_string()),
                after: is.map(|value| value.to_string()),
            });
        }
    }
}
