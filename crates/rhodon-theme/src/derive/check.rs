//! What contradicts the rest once everything is derived.

use std::collections::{HashMap, HashSet};

use foldhash::fast::RandomState;

use crate::document::{MOST, Problems, Resolved};
use crate::label::TokenPath;
use crate::overrides::{End, Overrides};
use crate::token::{Mode, Section, Token};
use crate::value::TokenKind;

/// Roles set by hand must exist, and refer to something that exists.
pub(super) fn roles(
    theme: &Resolved,
    overrides: &Overrides<'_>,
    tokens: &[Token],
) -> Result<(), Problems> {
    if theme.merged.roles.is_empty() && theme.merged.contrast.roles.is_empty() {
        return Ok(());
    }
    let mut problems = Problems::default();
    let kinds: HashMap<&str, TokenKind> = tokens.iter().map(|t| (&*t.path, t.kind)).collect();
    let roles: HashSet<&str> = tokens
        .iter()
        .filter(|t| t.section == Section::Roles)
        .map(|t| &*t.path)
        .collect();
    for path in theme.document().contrast.roles.keys() {
        if !roles.contains(path.as_str()) {
            let message = unknown_role(path, &roles, &problems);
            problems.add(format!("/contrast/roles/{path}"), message);
        }
    }
    for path in theme.merged.roles.keys() {
        if !roles.contains(path.as_str()) {
            // A parent may set roles of an intent that its child does without.
            if theme.document().roles.contains_key(path) {
                problems.add(
                    format!("/roles/{path}"),
                    unknown_role(path, &roles, &problems),
                );
            }
            continue;
        }
        for mode in Mode::BOTH {
            let Ok(End::Path(end)) = overrides.follow(path.as_str(), mode) else {
                continue;
            };
            let message = match kinds.get(&*end) {
                Some(TokenKind::Color) => continue,
                Some(kind) => format!("expected a color, found a {}: \"{end}\"", kind.id()),
                None => format!("no token \"{end}\""),
            };
            problems.add(format!("/roles/{path}/{}", mode.id()), message);
        }
    }
    problems.into_result(())
}

/// With the nearest role, as long as problems are told one by one.
fn unknown_role(path: &TokenPath, roles: &HashSet<&str>, told: &Problems) -> String {
    if told.len() >= MOST {
        return String::new();
    }
    let near = roles
        .iter()
        .map(|role| (strsim::damerau_levenshtein(role, path.as_str()), role));
    let near = near.min().map_or("", |(_, role)| role);
    format!("no role \"{path}\": the nearest is \"{near}\"")
}

/// No two tokens may share a path.
pub(super) fn paths(tokens: &[Token]) -> Result<(), Problems> {
    let mut seen = HashSet::with_capacity_and_hasher(tokens.len(), RandomState::default());
    let twice = tokens.iter().find(|t| !seen.insert(&*t.path));
    match twice {
        None => Ok(()),
        Some(t) => Err(Problems::one(
            "",
            format!(
                "two tokens have the path \"{}\": expected different names",
                t.path
            ),
        )),
    }
}
