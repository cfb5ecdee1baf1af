//! Companions of a colour by hue relation, at equal lightness and strength.

use crate::{HueSlice, Rgb8, luminance_from_lightness};

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
    Relation { id: "complementary", turns: &[180.0] },
    Relation { id: "analogous", turns: &[-30.0, 30.0] },
    Relation { id: "split", turns: &[150.0, 210.0] },
    Relation { id: "triad", turns: &[120.0, 240.0] },
    Relation { id: "square", turns: &[90.0, 180.0, 270.0] },
];

/// The companions of a colour: same L\*, and the same share of the chroma that sRGB
/// offers at that lightness, so that none is cut and none is duller than the others.
pub fn companions(color: Rgb8, turns: &[f64]) -> Vec<Rgb8> {
    let origin = color.to_oklch();
    let y = luminance_from_lightness(color.lightness());
    let limit = HueSlice::new(origin.h).max_chroma(y);
    let strength = if limit > 1e-6 { (origin.c / limit).min(1.0) } else { 0.0 };
    turns
        .iter()
        .map(|turn| {
            let slice = HueSlice::new((origin.h + turn).rem_euclid(360.0));
            Rgb8::from_linear_clipped(slice.linear_at(y, strength * slice.max_chroma(y)))
        })
        .collect()
}
