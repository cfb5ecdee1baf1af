//! What is let go of where values that were set by hand cannot be read.

use std::sync::Arc;

use crate::token::Pair;

/// Sides of failed pairs of one mode that may be let go, each with the pair that it fails in: what stands
/// in front, and only where nothing of that may go what stands behind.
pub fn unread<'a>(
    pairs: impl Iterator<Item = &'a Pair> + Clone,
    may_go: impl Fn(&str) -> bool,
) -> Vec<(&'a Arc<str>, &'a Pair)> {
    let side = |of: fn(&Pair) -> &Arc<str>| {
        let failed = pairs.clone().filter(|pair| !pair.pass);
        let sides = failed.map(|pair| (of(pair), pair));
        sides.filter(|(path, _)| may_go(path)).collect::<Vec<_>>()
    };
    let front = side(|pair| &pair.fg);
    if front.is_empty() {
        return side(|pair| &pair.bg);
    }
    front
}
