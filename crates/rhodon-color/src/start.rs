//! A brand to begin with, drawn by a number.

use crate::draw::share;
use crate::{HueSlice, RELATIONS, Relation, Rgb8, companions, luminance_from_lightness};

/// L\* of the first colour, and how far the draw goes.
const LIGHTNESS: (f64, f64) = (30.0, 18.0);
/// Its share of the strength that the screen has there.
const STRENGTH: (f64, f64) = (0.6, 0.4);
/// Degrees that a companion stands away at least.
const AWAY: f64 = 60.0;

/// Three colours that go together, always the same for a number: one that carries text, and two of its
/// companions, one of them light.
pub fn drawn_start(draw: u32) -> Vec<Rgb8> {
    let part = |i: u64| share((u64::from(draw) << 8) + i + 1);
    let slice = HueSlice::new(part(0) * 360.0);
    let lightness = LIGHTNESS.0 + LIGHTNESS.1 * part(1);
    let most = slice.max_chroma(luminance_from_lightness(lightness));
    let first = slice.code_at(lightness, most * (STRENGTH.0 + STRENGTH.1 * part(2)));
    let far = |r: &&Relation| r.turns.iter().all(|t| t.abs() >= AWAY);
    let relations: Vec<&Relation> = RELATIONS.iter().filter(far).collect();
    let which = (part(3) * relations.len() as f64) as usize;
    let turns = relations.get(which).map_or(&[][..], |r| r.turns);
    let found = companions(first, turns);
    let mut out = vec![first];
    out.extend(found.iter().take(2));
    if let Some(last) = out.last_mut().filter(|_| found.len() > 1) {
        // Three of one lightness are hard to tell apart for some eyes.
        let lch = last.to_oklch();
        *last = HueSlice::new(lch.h).code_at(72.0, lch.c.min(0.11));
    }
    out
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
}
