//! The gamut mapping of CSS Color 4, section 13.2: chroma is reduced in Oklch until
//! clipping makes no difference that is seen.

use crate::oklab::{Oklab, Oklch};

/// Channels this far outside 0–1 are rounding, not colour.
pub(crate) const TOLERANCE: f64 = 1e-6;
/// The just noticeable difference in Oklab that CSS names.
const JND: f64 = 0.02;
const EPSILON: f64 = 0.0001;

pub(crate) fn inside(rgb: [f64; 3]) -> bool {
    rgb.iter()
        .all(|v| (-TOLERANCE..=1.0 + TOLERANCE).contains(v))
}

fn clip(rgb: [f64; 3]) -> [f64; 3] {
    rgb.map(|v| v.clamp(0.0, 1.0))
}

/// Linear sRGB inside the gamut for an unbounded linear sRGB colour.
pub(crate) fn map(rgb: [f64; 3]) -> [f64; 3] {
    if inside(rgb) {
        return clip(rgb);
    }
    let origin = Oklch::from_linear(rgb);
    if origin.l >= 1.0 {
        return [1.0; 3];
    }
    if origin.l <= 0.0 {
        return [0.0; 3];
    }
    let candidate = |c: f64| Oklch { c, ..origin }.to_linear();
    let error = |lin: [f64; 3], c: f64| {
        Oklab::from_linear(clip(lin)).distance(Oklab::from(Oklch { c, ..origin }))
    };
    if error(rgb, origin.c) < JND {
        return clip(rgb);
    }
    let (mut min, mut max, mut min_inside) = (0.0, origin.c, true);
    let mut best = clip(rgb);
    while max - min > EPSILON {
        let chroma = (min + max) / 2.0;
        let current = candidate(chroma);
        if min_inside && inside(current) {
            min = chroma;
            continue;
        }
        best = clip(current);
        let e = error(current, chroma);
        if e < JND {
            if JND - e < EPSILON {
                return best;
            }
            min_inside = false;
            min = chroma;
        } else {
            max = chroma;
        }
    }
    best
}
