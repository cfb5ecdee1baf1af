//! What a change moved: tokens before and after, and pairs that became unreadable.

use std::collections::HashMap;
use std::sync::Arc;

use crate::derive::Derived;
use crate::token::{Mode, Pair};

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

/// A token in a mode, with its value as text.
type Entry = (Arc<str>, Option<Mode>, String);

/// Compares two derivations token by token.
pub fn diff(before: &Derived, after: &Derived) -> Diff {
    let (old, new) = (entries(before), entries(after));
    let (old_by_key, new_by_key) = (by_key(&old), by_key(&new));
    let mut changes = Vec::new();
    for (path, mode, value) in &new {
        let was = old_by_key.get(&(path.as_ref(), *mode)).copied();
        if was != Some(value) {
            let (before, after) = (was.cloned(), Some(value.clone()));
            changes.push(Change {
                path: path.clone(),
                mode: *mode,
                before,
                after,
            });
        }
    }
    for (path, mode, value) in &old {
        if !new_by_key.contains_key(&(path.as_ref(), *mode)) {
            changes.push(Change {
                path: path.clone(),
                mode: *mode,
                before: Some(value.clone()),
                after: None,
            });
        }
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

fn entries(theme: &Derived) -> Vec<Entry> {
    let mut out = Vec::with_capacity(theme.tokens.len() * 2);
    for token in &theme.tokens {
        let modes: &[Option<Mode>] = if token.is_modeless() {
            &[None]
        } else {
            &[Some(Mode::Light), Some(Mode::Dark)]
        };
        for mode in modes {
            let value = token.cell(mode.unwrap_or(Mode::Light)).value.to_string();
            out.push((token.path.clone(), *mode, value));
        }
    }
    out
}

fn by_key(entries: &[Entry]) -> HashMap<(&str, Option<Mode>), &String> {
    entries
        .iter()
        .map(|(path, mode, value)| ((path.as_ref(), *mode), value))
        .collect()
}
