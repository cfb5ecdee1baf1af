//! Relatives of a brand colour: what has its hue and is no grey moves with it. Lighter ones keep their
//! share of the way from the brand's L\* to white, darker ones to black, all their share of the strength
//! that the screen has there, and their difference of hue. So the order of lightness holds and nothing
//! leaves the gamut.

use rhodon_color::{HueSlice, Rgb8, hue_turn, hue_within, luminance_from_lightness};

/// Degrees of hue that a relative may differ.
const NEAR_HUE: f64 = 12.0;
/// Oklch chroma below which a colour in the middle of lightness is a grey.
const GREY: f64 = 0.045;
/// Above and below these L\*, tints and shades are told from grey with less and less: in proportion to
/// the way to white and to black.
const TOLD: (f64, f64) = (50.0, 25.0);

fn is_grey(code: Rgb8) -> bool {
    let lightness = code.lightness();
    let to_white = (100.0 - lightness) / (100.0 - TOLD.0);
    let to_black = lightness / TOLD.1;
    code.to_oklch().c < GREY * to_white.min(to_black).clamp(0.02, 1.0)
}

/// A colour with relatives, and what it becomes.
#[derive(Clone, Copy, Debug, PartialEq)]
pub(super) struct Family {
    old: Rgb8,
    new: Rgb8,
    hue: f64,
}

impl Family {
    /// A grey has no relatives.
    pub(super) fn new(old: Rgb8, new: Rgb8) -> Option<Self> {
        let lch = old.to_oklch();
        (!is_grey(old)).then_some(Self {
            old,
            new,
            hue: lch.h,
        })
    }
}

/// What a colour becomes as a relative of the nearest family, and the colour that it follows.
pub(super) fn relative(code: Rgb8, families: &[Family]) -> Option<(Rgb8, Rgb8)> {
    let lch = code.to_oklch();
    if is_grey(code) {
        return None;
    }
    let away = |family: &Family| hue_turn(family.hue, lch.h).abs();
    let lightness = code.lightness();
    let far = |family: &Family| (away(family), (family.old.lightness() - lightness).abs());
    let family = families
        .iter()
        .filter(|family| away(family) <= NEAR_HUE)
        .min_by(|a, b| {
            far(a)
                .0
                .total_cmp(&far(b).0)
                .then(far(a).1.total_cmp(&far(b).1))
        })?;
    Some((moved(lightness, lch.c, lch.h, family), family.old))
}

fn moved(lightness: f64, chroma: f64, hue: f64, family: &Family) -> Rgb8 {
    let (old, new) = (family.old.lightness(), family.new.lightness());
    let to = if lightness >= old {
        let share = (lightness - old) / (100.0 - old).max(1e-9);
        new + share * (100.0 - new)
    } else {
        let share = (old - lightness) / old.max(1e-9);
        new * (1.0 - share)
    };
    let target = family.new.to_oklch();
    // What becomes a grey has no hue that relatives could keep their distance to.
    if is_grey(family.new) {
        return HueSlice::new(0.0).code_at(to, 0.0);
    }
    let turned = hue_within(target.h + hue_turn(family.hue, hue));
    let strength = share(chroma, hue, lightness) * share_of(family.new) / share_of(family.old);
    let slice = HueSlice::new(turned);
    // Where the screen has far more strength than there was, as near white for yellows, a tint stays one.
    let in_proportion = chroma * target.c / family.old.to_oklch().c;
    let shared = most(&slice, to) * strength.min(1.0);
    slice.code_at(
        to,
        if lightness > family.old.lightness() {
            shared.min(in_proportion)
        } else {
            shared
        },
    )
}

/// The most Oklch chroma at an L\*.
fn most(slice: &HueSlice, lightness: f64) -> f64 {
    slice
        .max_chroma(luminance_from_lightness(lightness))
        .max(1e-9)
}

/// How much of the strength that the screen has there a colour has.
fn share(chroma: f64, hue: f64, lightness: f64) -> f64 {
    chroma / most(&HueSlice::new(hue), lightness)
}

fn share_of(code: Rgb8) -> f64 {
    let lch = code.to_oklch();
    share(lch.c, lch.h, code.lightness())
}

#[cfg(test)]
mod tests {
    use rhodon_color::difference;

    use super::*;

    fn code(text: &str) -> Rgb8 {
        text.parse().unwrap_or(Rgb8::BLACK)
    }

    #[test]
    fn relatives_keep_their_order_and_greys_and_strangers_stay() {
        let family = Family::new(code("#0f5c7a"), code("#a33a1e"));
        let families: Vec<Family> = family.into_iter().collect();
        let shades = [
            "#06222d", "#0a3e53", "#0d5069", "#0f5c7a", "#3a7f99", "#7db0c2", "#d4e6ec",
        ];
        let moved: Vec<f64> = shades
            .iter()
            .filter_map(|s| relative(code(s), &families))
            .map(|(new, _)| new.lightness())
            .collect();
        assert_eq!(moved.len(), shades.len());
        assert!(moved.windows(2).all(|w| w[0] < w[1]), "{moved:?}");
        let itself = relative(code("#0f5c7a"), &families).map(|(new, _)| new);
        assert!(
            itself.is_some_and(|new| difference(new, code("#a33a1e")) < 0.5),
            "{itself:?}"
        );
        assert_eq!(relative(code("#5c6b73"), &families), None);
        assert_eq!(relative(code("#8a9a2b"), &families), None);
        assert_eq!(Family::new(code("#808080"), code("#a33a1e")), None);
    }
}
