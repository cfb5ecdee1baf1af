//! L\* set by hand: the step takes it, the steps beside it follow smoothly, pins hold.

use std::collections::BTreeMap;

use crate::label::StepLabel;
use crate::scale::pin::Placed;

/// The least L\* kept for every step between two that are fixed.
const GAP: f64 = 1.0;

/// Moves steps to the L\* set for them, as far as their neighbours leave room, and spreads the
/// steps between two fixed ones in the proportion they had.
pub(crate) fn adjusted(
    lightness: Vec<f64>,
    labels: &[StepLabel],
    set: &[(StepLabel, f64)],
    pins: &[Placed],
) -> Vec<f64> {
    let Some(last) = lightness.len().checked_sub(1).filter(|_| !set.is_empty()) else {
        return lightness;
    };
    let is_pin = |i: usize| pins.iter().any(|p| p.index == i);
    let by_hand: BTreeMap<usize, f64> = set
        .iter()
        .filter_map(|(label, l)| Some((labels.iter().position(|known| known == label)?, *l)))
        .filter(|(i, _)| !is_pin(*i))
        .collect();
    // Pins and ends stay where they are, unless an end is set by hand.
    let mut fixed: BTreeMap<usize, f64> = pins.iter().map(|p| (p.index, p.lightness)).collect();
    for end in [0, last] {
        if !by_hand.contains_key(&end) {
            fixed.entry(end).or_insert(lightness[end]);
        }
    }
    for (i, wanted) in by_hand {
        // White and black stand just beyond the ends: whatever comes first leaves room for the rest.
        let (above, high) = fixed
            .range(..i)
            .next_back()
            .map_or((0, 100.0), |(j, l)| (*j, *l));
        let (below, low) = fixed
            .range(i + 1..)
            .next()
            .map_or((last, 0.0), |(j, l)| (*j, *l));
        let (most, least) = (
            high - GAP * (i - above) as f64,
            low + GAP * (below - i) as f64,
        );
        let middle = (most + least) / 2.0;
        fixed.insert(
            i,
            if least <= most {
                wanted.clamp(least, most)
            } else {
                middle
            },
        );
    }
    spread(&lightness, &fixed)
}

/// The same L\*, strictly falling: a stretch between two pins, or a pin and an end, that is not is
/// made even, and an end gives way where a pin leaves it no room.
pub(crate) fn falling(mut lightness: Vec<f64>, pins: &[Placed]) -> Vec<f64> {
    if lightness.windows(2).all(|w| w[0] - w[1] >= LEAST) {
        return lightness;
    }
    let last = lightness.len() - 1;
    if let Some(first) = pins.first().filter(|p| p.index > 0) {
        let room = first.lightness + GAP * first.index as f64;
        lightness[0] = lightness[0].max(room).min(100.0);
    }
    if let Some(end) = pins.last().filter(|p| p.index < last) {
        let room = end.lightness - GAP * (last - end.index) as f64;
        lightness[last] = lightness[last].min(room).max(0.0);
    }
    let mut stops: Vec<usize> = pins.iter().map(|p| p.index).collect();
    stops.extend([0, last]);
    stops.sort_unstable();
    stops.dedup();
    for w in stops.windows(2) {
        let (a, b) = (w[0], w[1]);
        if lightness[a..=b]
            .windows(2)
            .any(|pair| pair[0] - pair[1] < LEAST)
        {
            let step = (lightness[a] - lightness[b]) / (b - a) as f64;
            for i in a + 1..b {
                lightness[i] = lightness[a] - step * (i - a) as f64;
            }
        }
    }
    lightness
}

/// The least L\* between neighbours of a plain mix that is left as it is.
const LEAST: f64 = 0.25;

/// Between two fixed steps the others keep their proportion.
fn spread(lightness: &[f64], fixed: &BTreeMap<usize, f64>) -> Vec<f64> {
    let mut out = lightness.to_vec();
    let stops: Vec<(usize, f64)> = fixed.iter().map(|(i, l)| (*i, *l)).collect();
    for w in stops.windows(2) {
        let ((a, new_a), (b, new_b)) = (w[0], w[1]);
        let steps = (b - a) as f64;
        // What is left between two fixed steps once every step has its gap.
        let (old_left, new_left) = (
            lightness[a] - lightness[b] - GAP * steps,
            new_a - new_b - GAP * steps,
        );
        for i in a + 1..b {
            let before = GAP * (i - a) as f64;
            let even = (i - a) as f64 / steps;
            let share = if old_left > 1e-9 {
                (lightness[a] - lightness[i] - before) / old_left
            } else {
                even
            };
            out[i] = new_a - before - new_left.max(0.0) * share.clamp(0.0, 1.0);
        }
    }
    for (i, l) in stops {
        out[i] = l;
    }
    out
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::scale::default_labels;

    fn moved(set: &[(&str, f64)], pins: &[Placed]) -> Vec<f64> {
        let start = vec![
            97.0, 92.0, 82.0, 71.0, 60.0, 50.0, 40.0, 31.0, 21.0, 13.0, 7.0,
        ];
        let set: Vec<_> = set.iter().map(|(l, v)| (l.parse().unwrap(), *v)).collect();
        adjusted(start, &default_labels(), &set, pins)
    }

    fn pin(index: usize, lightness: f64) -> Placed {
        Placed {
            index,
            color: rhodon_color::Rgb8::BLACK,
            lightness,
            explicit: false,
        }
    }

    #[test]
    fn neighbours_follow_and_pins_hold() {
        let found = moved(&[("300", 76.0)], &[pin(6, 40.0)]);
        assert_eq!(
            (found[0], found[3], found[6], found[10]),
            (97.0, 76.0, 40.0, 7.0)
        );
        // Beyond its own gap of 1, 92 had used 4 of the 23 that were left between 97 and 71.
        assert!(
            (found[1] - (97.0 - 1.0 - 18.0 * 4.0 / 23.0)).abs() < 1e-9,
            "{found:?}"
        );
        assert!(found.windows(2).all(|w| w[0] > w[1]), "{found:?}");
    }

    #[test]
    fn order_holds_whatever_is_asked_for() {
        for asked in [0.0, 5.0, 50.0, 99.0, 100.0] {
            for label in ["50", "300", "500", "950"] {
                let found = moved(&[(label, asked), ("400", 100.0 - asked)], &[pin(6, 40.0)]);
                assert!(
                    found.windows(2).all(|w| w[0] - w[1] > 0.9),
                    "{label} {asked}: {found:?}"
                );
                assert_eq!(found[6], 40.0);
            }
        }
    }

    #[test]
    fn a_pin_is_not_moved_and_nothing_set_changes_nothing() {
        assert_eq!(moved(&[("600", 70.0)], &[pin(6, 40.0)]), moved(&[], &[]));
    }
}
