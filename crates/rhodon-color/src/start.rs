//! A brand to begin with, drawn by a number.

use crate::draw::share;
use crate::relation::drawn;
use crate::{
    HueSlice, RELATIONS, Relation, Rgb8, companions, difference, luminance_from_lightness,
};

/// L\* of the first colour, and how far the draw goes.
const LIGHTNESS: (f64, f64) = (30.0, 18.0);
/// Its share of the strength that the screen has there.
const STRENGTH: (f64, f64) = (0.6, 0.4);
/// Degrees that a companion stands away at least.
const AWAY: f64 = 60.0;

/// Places of a drawn brand.
const PLACES: usize = 3;
/// L\* of the last one: three of one lightness are hard to tell apart for some eyes.
const LIGHT: f64 = 72.0;
/// Below this chroma a colour is a grey.
const GREY: f64 = 0.03;
/// CIEDE2000 that a drawn colour keeps from those that stay.
const APART: f64 = 12.0;
/// The most strength of the last one.
const SOFT: f64 = 0.11;

/// Three colours that go together, always the same for a number: one that carries text, and two of its
/// companions, one of them light.
pub fn drawn_start(draw: u32) -> Vec<Rgb8> {
    drawn_around(draw, &[])
}

/// The same, with colours that stay in their places: what is drawn beside them are companions of the first
/// of those.
pub fn drawn_around(draw: u32, kept: &[Option<Rgb8>]) -> Vec<Rgb8> {
    let part = |i: u64| share((u64::from(draw) << 8) + i + 1);
    let carrier = |hue: f64| {
        let slice = HueSlice::new(hue);
        let lightness = LIGHTNESS.0 + LIGHTNESS.1 * part(1);
        let most = slice.max_chroma(luminance_from_lightness(lightness));
        slice.code_at(lightness, most * (STRENGTH.0 + STRENGTH.1 * part(2)))
    };
    let far = |r: &&Relation| r.turns.iter().all(|t| t.abs() >= AWAY);
    let relations: Vec<&Relation> = RELATIONS.iter().filter(far).collect();
    let which = (part(3) * relations.len() as f64) as usize;
    let turns = relations.get(which).map_or(&[][..], |r| r.turns);
    let at = |place: usize| kept.get(place).copied().flatten();
    // Greys have no companions of their own.
    let base = (0..PLACES)
        .filter_map(at)
        .find(|color| color.to_oklch().c >= GREY);
    let count = match kept.len() {
        0 => 1 + turns.len(),
        count => count,
    };
    // Beside what is kept every draw is another: a relation alone would be the same again and again. Where
    // one comes too near to it, those of other relations step in.
    let turns = match base {
        Some(_) => {
            let others = relations.iter().flat_map(|r| r.turns);
            let all: Vec<f64> = turns.iter().chain(others).copied().collect();
            drawn(&all, draw.max(1))
        }
        None => turns.to_vec(),
    };
    let own = base.is_none().then(|| carrier(part(0) * 360.0));
    let is_apart = |color: &Rgb8| {
        let mut kept = kept.iter().flatten();
        kept.all(|other| difference(*color, *other) > APART)
    };
    let others = base.or(own).map(|base| companions(base, &turns));
    let others = others.into_iter().flatten();
    let mut found = own.into_iter().chain(others).filter(is_apart);
    let place = |place: usize| match at(place) {
        Some(color) => Some(color),
        None if place == 0 && own.is_none() => {
            found.next().map(|color| carrier(color.to_oklch().h))
        }
        None => found.next().map(|color| match place + 1 == PLACES {
            true => light(color),
            false => color,
        }),
    };
    (0..count.min(PLACES)).filter_map(place).collect()
}

fn light(color: Rgb8) -> Rgb8 {
    let lch = color.to_oklch();
    HueSlice::new(lch.h).code_at(LIGHT, lch.c.min(SOFT))
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::{contrast_ratio, difference};

    #[test]
    fn every_draw_is_a_brand_of_its_own() {
        for draw in 0..400 {
            let colors = drawn_start(draw);
            assert_eq!(colors, drawn_start(draw));
            assert!(
                contrast_ratio(colors[0], Rgb8::WHITE) >= 4.0,
                "{draw}: {}",
                colors[0]
            );
            assert!(difference(colors[0], colors[1]) > 8.0, "{draw}: {colors:?}");
        }
        assert_ne!(drawn_start(1), drawn_start(2));
    }

    #[test]
    fn what_is_kept_stays_in_its_place_and_the_others_are_drawn_anew() {
        for draw in 1..200 {
            let first = drawn_start(draw);
            for place in 0..first.len() {
                let mut kept = vec![None; first.len()];
                kept[place] = Some(first[place]);
                let others = drawn_around(draw + 1, &kept);
                assert_eq!(others.len(), first.len(), "{draw}");
                assert_eq!(others[place], first[place], "{draw} {place}");
                assert!(contrast_ratio(others[0], Rgb8::WHITE) >= 4.0, "{draw}");
                for (at, color) in others.iter().enumerate() {
                    let away = difference(*color, first[place]);
                    assert!(at == place || away > 4.0, "{draw}: {others:?}");
                }
                assert_ne!(others, drawn_around(draw + 2, &kept), "{draw}");
            }
            // Black has no companions: a brand is drawn beside it.
            let black = drawn_around(draw, &[Some(Rgb8::BLACK), None, None]);
            assert_eq!((black.len(), black[0]), (3, Rgb8::BLACK), "{draw}");
            assert!(difference(black[1], black[2]) > 4.0, "{draw}: {black:?}");
            let kept: Vec<_> = first.iter().copied().map(Some).collect();
            assert_eq!(drawn_around(draw + 1, &kept), first);
        }
    }
}
