//! What a change moved: tokens before and after, and pairs that became unreadable.

use std::collections::{HashMap, HashSet};
use std::sync::Arc;

use rhodon_color::difference;

use crate::derive::{Derived, More};
use crate::token::{Cell, Mode, Pair, Token};
use crate::value::Value;

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
    /// CIEDE2000 between the two, where both are colours; see-through ones are compared as if they were opaque.
    pub difference: Option<f64>,
}

impl Change {
    fn new(path: &Arc<str>, mode: Option<Mode>, [was, is]: [Option<Value>; 2]) -> Self {
        let code = |value: &Option<Value>| Some(value.as_ref()?.color()?.code);
        let apart = code(&was)
            .zip(code(&is))
            .map(|(was, is)| difference(was, is));
        Self {
            path: path.clone(),
            mode,
            before: was.map(|value| value.to_string()),
            after: is.map(|value| value.to_string()),
            difference: apart,
        }
    }
}

/// The difference between two derivations.
#[derive(Clone, Debug, Default, PartialEq)]
pub struct Diff {
    /// Tokens that differ, in the order of the later theme; what is gone comes last.
    pub changes: Vec<Change>,
    /// Values that differ where more contrast is asked for, and not usually.
    pub more: Vec<Change>,
    /// Pairs that had their ratio before and have it no more.
    pub unreadable: Vec<Pair>,
    /// The same of pairs where more contrast is asked for.
    pub unreadable_at_more: Vec<Pair>,
}

impl Diff {
    /// How many values differ, at either level of contrast.
    pub fn moved(&self) -> usize {
        self.changes.len() + self.more.len()
    }

    /// How many pairs can no longer be read, at either level.
    pub fn lost(&self) -> usize {
        self.unreadable.len() + self.unreadable_at_more.len()
    }
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
    let more = match (&before.more, &after.more) {
        (Some(was), Some(is)) => raised(before, after, [was, is], &changes),
        _ => Vec::new(),
    };
    let at_more = |theme: &'_ Derived| theme.more.as_ref().map_or(&[][..], |m| &m.pairs).to_vec();
    Diff {
        unreadable: lost(&before.pairs, &after.pairs),
        unreadable_at_more: lost(&at_more(before), &at_more(after)),
        changes,
        more,
    }
}

/// Pairs that fail and did not before.
fn lost(before: &[Pair], after: &[Pair]) -> Vec<Pair> {
    let named = |pair: &Pair| (pair.fg.clone(), pair.bg.clone(), pair.mode);
    let already: HashSet<_> = before.iter().filter(|p| !p.pass).map(named).collect();
    let failing = after.iter().filter(|p| !p.pass);
    failing
        .filter(|p| !already.contains(&named(p)))
        .cloned()
        .collect()
}

/// What differs at more contrast alone, in the order of the later theme.
fn raised(before: &Derived, after: &Derived, more: [&More; 2], usual: &[Change]) -> Vec<Change> {
    let told: HashSet<(&str, Option<Mode>)> = usual.iter().map(|c| (&*c.path, c.mode)).collect();
    let [was, is] = more.map(More::by_path);
    let old: HashMap<&str, &Token> = before.tokens.iter().map(|t| (&*t.path, t)).collect();
    let mut out = Vec::new();
    for token in &after.tokens {
        let path = &*token.path;
        let Some(own) = old.get(path) else { continue };
        let (was, is) = (was.get(path), is.get(path));
        if was.is_none() && is.is_none() {
            continue;
        }
        for mode in Mode::BOTH {
            let at = |cells: Option<&[Option<&Cell>; 2]>, usual: &Token| -> Value {
                let cell = cells.and_then(|cells| cells[mode as usize]);
                cell.unwrap_or(usual.cell(mode)).value.clone()
            };
            let values = [Some(at(was, own)), Some(at(is, token))];
            if values[0] != values[1] && !told.contains(&(path, Some(mode))) {
                out.push(Change::new(&token.path, Some(mode), values));
            }
        }
    }
    out
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
        let values = [before.map(cell), after.map(cell)];
        if values[0] != values[1] {
            changes.push(Change::new(path, *mode, values));
        }
    }
}
