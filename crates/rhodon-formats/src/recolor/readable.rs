//! Texts and grounds that stand in one rule, measured before and after.

use foldhash::HashMap;
use rhodon_color::{Color, contrast_ratio};

use super::place::{Part, Places};
use crate::color_use::ColorUse;
use crate::inventory::Lines;

/// What WCAG 2.2 asks of text (1.4.3).
const NEED: f64 = 4.5;

/// A text that cannot be read on the ground of its rule any more.
#[derive(Clone, Debug, PartialEq)]
pub struct Unreadable {
    /// Line of the text's colour, from 1.
    pub line: usize,
    /// Code of the text, as it is now.
    pub text: String,
    /// Code of the ground, as it is now.
    pub ground: String,
    /// The ratio that it was.
    pub before: f64,
    /// The ratio that it is.
    pub after: f64,
}

/// Pairs of one rule that fell below what text needs.
pub(super) fn lost(
    text: &str,
    uses: &[ColorUse],
    places: &Places,
    after: &[Color],
) -> Vec<Unreadable> {
    // Text and ground of each rule, by their numbers.
    let mut rules: HashMap<Option<usize>, (Option<usize>, Option<usize>)> = HashMap::default();
    for (i, found) in uses.iter().enumerate() {
        let Some(place) = places.get(text, i) else {
            return Vec::new();
        };
        let part = place.part();
        if found.color.alpha8() < 255 || !matches!(part, Part::Text | Part::Ground) {
            continue;
        }
        let rule = rules.entry(place.rule()).or_default();
        match part {
            Part::Text => rule.0 = Some(i),
            _ => rule.1 = rule.1.or(Some(i)),
        }
    }
    let ratio = |a: Color, b: Color| contrast_ratio(a.to_rgb8(), b.to_rgb8());
    let mut out: Vec<(usize, Unreadable)> = Vec::new();
    for (ink, ground) in rules
        .into_values()
        .filter_map(|(ink, ground)| ink.zip(ground))
    {
        if after[ink] == uses[ink].color && after[ground] == uses[ground].color {
            continue;
        }
        let before = ratio(uses[ink].color, uses[ground].color);
        let now = ratio(after[ink], after[ground]);
        if now < NEED && now < before {
            out.push((
                uses[ink].range.start,
                Unreadable {
                    line: 0,
                    text: after[ink].to_hex(),
                    ground: after[ground].to_hex(),
                    before,
                    after: now,
                },
            ));
        }
    }
    out.sort_by_key(|(at, _)| *at);
    let mut lines = Lines::new(text);
    out.into_iter()
        .map(|(at, mut found)| {
            found.line = lines.line_of(at).0;
            found
        })
        .collect()
}
