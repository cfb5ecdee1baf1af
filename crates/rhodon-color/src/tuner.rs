//! One colour moved along lightness, strength and hue, and what it would become everywhere on the
//! way.

use crate::{HueSlice, Rgb8, hue_within, lightness_limits, luminance_from_lightness};

/// Where a colour stands: CIE L\* 0–100, Oklch chroma, Oklch hue in degrees.
#[derive(Clone, Copy, Debug, PartialEq)]
#[allow(missing_docs)]
pub struct Place {
    pub lightness: f64,
    pub strength: f64,
    pub hue: f64,
}

/// The most strength that is offered: no colour of sRGB has more.
pub const MOST_STRENGTH: f64 = 0.33;

/// What a colour becomes at one point of a strip.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Stop {
    /// The nearest colour that the screen shows.
    pub color: Rgb8,
    /// Whether that is the colour itself: beyond the gamut, strength is taken.
    pub fits: bool,
}

impl Place {
    /// Where a code stands.
    pub fn of(color: Rgb8) -> Self {
        let lch = color.to_oklch();
        Self {
            lightness: color.lightness(),
            strength: lch.c,
            hue: lch.h,
        }
    }

    /// The same place with every value within its range.
    pub fn cut(self) -> Self {
        Self {
            lightness: self.lightness.clamp(0.0, 100.0),
            strength: self.strength.clamp(0.0, MOST_STRENGTH),
            hue: hue_within(self.hue),
        }
    }

    /// What the screen shows there.
    pub fn stop(self) -> Stop {
        let slice = HueSlice::new(self.hue);
        let most = self.most(&slice);
        Stop {
            color: slice.code_at(self.lightness, self.strength.min(most)),
            // Half a code of an 8-bit channel is no difference.
            fits: self.strength <= most + 0.002,
        }
    }

    /// The most strength that the screen has at this lightness and hue.
    pub fn end(self) -> f64 {
        self.most(&HueSlice::new(self.hue))
    }

    fn most(self, slice: &HueSlice) -> f64 {
        slice.max_chroma(luminance_from_lightness(self.lightness))
    }

    /// What it would become along lightness, `count` stops from 0 to 100.
    pub fn along_lightness(self, count: usize) -> Vec<Stop> {
        let at = |t: f64| Self {
            lightness: t * 100.0,
            ..self
        };
        along(count, at)
    }

    /// What it would become along strength, `count` stops from 0 to [`MOST_STRENGTH`].
    pub fn along_strength(self, count: usize) -> Vec<Stop> {
        let at = |t: f64| Self {
            strength: t * MOST_STRENGTH,
            ..self
        };
        along(count, at)
    }

    /// What it would become along hue, `count` stops from 0 to 360.
    pub fn along_hue(self, count: usize) -> Vec<Stop> {
        let at = |t: f64| Self {
            hue: t * 360.0,
            ..self
        };
        along(count, at)
    }
}

fn along(count: usize, at: impl Fn(f64) -> Place) -> Vec<Stop> {
    let last = count.saturating_sub(1).max(1) as f64;
    (0..count).map(|i| at(i as f64 / last).stop()).collect()
}

/// The L\* at which colours have a ratio against a page, on the side of the page that holds it.
pub fn lightness_with(page: Rgb8, ratio: f64) -> Option<f64> {
    let (darker, lighter) = lightness_limits(page, ratio);
    if page.lightness() > 50.0 {
        darker
    } else {
        lighter
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::contrast_ratio;

    #[test]
    fn a_colour_is_itself_where_it_stands() {
        for color in [
            Rgb8::new(15, 92, 122),
            Rgb8::new(255, 0, 0),
            Rgb8::new(128, 128, 128),
        ] {
            let stop = Place::of(color).stop();
            assert_eq!((stop.color, stop.fits), (color, true));
        }
    }

    #[test]
    fn strips_run_from_end_to_end_and_tell_where_the_gamut_ends() {
        let place = Place::of(Rgb8::new(15, 92, 122));
        let lightness = place.along_lightness(33);
        assert_eq!(
            (lightness[0].color, lightness[32].color),
            (Rgb8::BLACK, Rgb8::WHITE)
        );
        let strength = place.along_strength(34);
        let last = strength.iter().rposition(|s| s.fits).unwrap();
        let end = place.end() / MOST_STRENGTH * 33.0;
        assert!((last as f64 - end).abs() <= 1.0, "{last} of {end}");
        assert!(strength.windows(2).all(|w| w[0].fits || !w[1].fits));
        for stop in place.along_hue(25) {
            assert!((stop.color.lightness() - place.lightness).abs() < 1.0);
        }
    }

    #[test]
    fn a_line_of_contrast_is_where_the_ratio_is() {
        for page in [Rgb8::new(251, 251, 252), Rgb8::new(19, 22, 24)] {
            let lightness = lightness_with(page, 4.5).unwrap();
            let grey = Place {
                lightness,
                strength: 0.0,
                hue: 0.0,
            }
            .stop()
            .color;
            assert!((contrast_ratio(page, grey) - 4.5).abs() < 0.06);
        }
    }
}
