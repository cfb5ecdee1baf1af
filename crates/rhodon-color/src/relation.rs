//! Companions of a colour by hue relation, at equal lightness and strength.

use crate::draw::share;
use crate::{
    HueSlice, Place, Rgb8, difference, hue_within, lightness_limits, luminance_from_lightness,
};

/// A hue relation: the turns, in degrees of Oklch hue, from a colour to its companions.
#[derive(Debug)]
pub struct Relation {
    /// Stable name, as used on the command line and in the API.
    pub id: &'static str,
    /// Degrees from the first colour; the colour itself is not listed.
    pub turns: &'static [f64],
}

/// Every relation. A new one is one line.
pub const RELATIONS: &[Relation] = &[
    Relation {
        id: "complementary",
        turns: &[180.0],
    },
    Relation {
        id: "analogous",
        turns: &[-30.0, 30.0],
    },
    Relation {
        id: "split",
        turns: &[150.0, 210.0],
    },
    Relation {
        id: "triad",
        turns: &[120.0, 240.0],
    },
    Relation {
        id: "square",
        turns: &[90.0, 180.0, 270.0],
    },
];

/// The companions of a colour: same L\*, and the same share of the chroma that sRGB
/// offers at that lightness, so that none is cut and none is duller than the others.
pub fn companions(color: Rgb8, turns: &[f64]) -> Vec<Rgb8> {
    let origin = color.to_oklch();
    let y = luminance_from_lightness(color.lightness());
    let limit = HueSlice::new(origin.h).max_chroma(y);
    let strength = if limit > 1e-6 {
        (origin.c / limit).min(1.0)
    } else {
        0.0
    };
    turns
        .iter()
        .map(|turn| {
            let slice = HueSlice::new(hue_within(origin.h + turn));
            Rgb8::from_linear_clipped(slice.linear_at(y, strength * slice.max_chroma(y)))
        })
        .collect()
}

/// How far, in degrees, a draw may stand from the exact relation.
const SPREAD: f64 = 16.0;

/// Turns near a relation's own. Draw 0 is the relation itself; every other number gives a
/// variation of its own, always the same one (SplitMix64 on the number and the place).
pub fn drawn(turns: &[f64], draw: u32) -> Vec<f64> {
    let offset = |i: usize| {
        let unit = share(u64::from(draw) << 32 | i as u64);
        (unit * 2.0 - 1.0) * SPREAD
    };
    turns
        .iter()
        .enumerate()
        .map(|(i, t)| if draw == 0 { *t } else { t + offset(i) })
        .collect()
}

/// CIEDE2000 that a companion keeps from colours that mean something else.
const APART: f64 = 12.0;
/// Degrees by which a turn gives way, and how far at most.
const GIVES_WAY: (u32, u32) = (2, 60);

/// Turns near these whose companions stay apart from other colours, such as those of success and
/// danger. One that cannot within 60° stays as it is.
pub fn turns_apart(color: Rgb8, turns: &[f64], others: &[Rgb8]) -> Vec<f64> {
    let is_apart = |turn: f64| {
        let found = companions(color, &[turn]);
        let mut pairs = found
            .iter()
            .flat_map(|c| others.iter().map(move |o| (c, o)));
        pairs.all(|(c, o)| difference(*c, *o) >= APART)
    };
    let (step, most) = GIVES_WAY;
    let away = |turn: f64| {
        (0..=most / step)
            .flat_map(|i| [f64::from(i * step), -f64::from(i * step)])
            .map(|offset| turn + offset)
            .find(|turn| is_apart(*turn))
    };
    turns.iter().map(|t| away(*t).unwrap_or(*t)).collect()
}

/// The nearest lighter and darker colours of the same hue and strength that are read on a colour and
/// on which it is read, at a ratio.
pub fn partners(color: Rgb8, ratio: f64) -> Vec<Rgb8> {
    let place = Place::of(color);
    let (darker, lighter) = lightness_limits(color, ratio);
    // Rounding to a code must not fall short of the ratio.
    let beyond = [darker.map(|l| l - 0.4), lighter.map(|l| l + 0.4)];
    let mut found: Vec<f64> = beyond.into_iter().flatten().collect();
    found.sort_by(|a, b| {
        let far = |l: &f64| (l - place.lightness).abs();
        far(a).total_cmp(&far(b))
    });
    let at = |lightness: f64| Place { lightness, ..place }.cut().stop().color;
    found.into_iter().map(at).collect()
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn companions_give_way_to_what_means_something_else() {
        let petrol = Rgb8::new(15, 92, 122);
        let danger = companions(petrol, &[180.0])[0];
        let turns = turns_apart(petrol, &[180.0, 90.0], &[danger]);
        assert!((turns[0] - 180.0).abs() > 3.0 && (turns[0] - 180.0).abs() <= 60.0);
        assert_eq!(turns[1], 90.0);
        assert!(difference(companions(petrol, &turns)[0], danger) >= APART);
    }

    #[test]
    fn partners_are_read_on_their_colour() {
        for color in [
            Rgb8::new(15, 92, 122),
            Rgb8::new(232, 187, 42),
            Rgb8::new(119, 119, 119),
        ] {
            let found = partners(color, 4.5);
            assert!(!found.is_empty());
            for partner in found {
                let ratio = crate::contrast_ratio(color, partner);
                assert!((4.5..5.2).contains(&ratio), "{color} {partner} {ratio}");
            }
        }
    }

    #[test]
    fn draws_repeat_and_stay_near_their_relation() {
        for relation in RELATIONS {
            assert_eq!(drawn(relation.turns, 0), relation.turns);
            for draw in 1..50 {
                let found = drawn(relation.turns, draw);
                assert_eq!(found, drawn(relation.turns, draw));
                assert!(
                    found
                        .iter()
                        .zip(relation.turns)
                        .all(|(a, b)| (a - b).abs() <= SPREAD)
                );
            }
        }
        assert_ne!(drawn(&[180.0], 1), drawn(&[180.0], 2));
    }
}
