//! One hue of sRGB, addressed by luminance and chroma.
//!
//! Along a ray of constant `s = C / L` each linear channel is `L³ · p(s)` with a cubic `p`
//! that depends on the hue alone, and so is luminance. Fixing the luminance therefore turns
//! the gamut's limit and the search for a chroma into roots of cubics: no nested search,
//! no cube root inside a loop.

use crate::lightness::luminance_from_lightness;
use crate::matrix::{Mat3, product};
use crate::oklab::{LMS_TO_LUMINANCE, LMS_TO_SRGB, OKLAB_TO_LMS};
use crate::space::SRGB_TO_P3;
use crate::{Oklch, Rgb8};

/// Coefficients of a cubic, lowest power first.
type Cubic = [f64; 4];

fn eval(p: &Cubic, s: f64) -> f64 {
    ((p[3] * s + p[2]) * s + p[1]) * s + p[0]
}

fn slope(p: &Cubic, s: f64) -> f64 {
    (3.0 * p[3] * s + 2.0 * p[2]) * s + p[1]
}

/// No colour of either gamut has a larger ratio of chroma to lightness (sRGB blue has 0.69).
const MAX_RATIO: f64 = 1.0;

/// How often the way to the gamut's end is halved, and how fine a grid that makes.
const HALVINGS: i32 = 24;
const GRID: f64 = MAX_RATIO / (1 << HALVINGS) as f64;

/// A step of Newton's below which the next, whose error is of its square, ends within a cell of the grid.
const CLOSE: f64 = 1e-5;

/// Hues in degrees at which a ray leaves sRGB and comes back, for some luminances: between 264.05 and 264.21, found by
/// looking at every twentieth of a degree, and some room around. There halving alone says where it ends.
const LEFT_AND_ENTERED: std::ops::Range<f64> = 263.5..264.8;

const LMS_TO_P3: Mat3 = product(&SRGB_TO_P3, &LMS_TO_SRGB);

/// The colours of one Oklch hue inside sRGB, or inside Display-P3.
#[derive(Clone, Debug)]
pub struct HueSlice {
    hue: f64,
    channels: [Cubic; 3],
    luminance: Cubic,
}

impl HueSlice {
    /// The sRGB slice at a hue in degrees.
    pub fn new(hue: f64) -> Self {
        Self::within(hue, &LMS_TO_SRGB)
    }

    /// The Display-P3 slice at a hue in degrees; [`Self::linear_at`] then gives linear P3.
    pub fn in_p3(hue: f64) -> Self {
        Self::within(hue, &LMS_TO_P3)
    }

    fn within(hue: f64, lms_to_rgb: &Mat3) -> Self {
        let (sin, cos) = libm::sincos(hue.to_radians());
        let k: [f64; 3] =
            std::array::from_fn(|j| OKLAB_TO_LMS[j][1] * cos + OKLAB_TO_LMS[j][2] * sin);
        let cubic = |weights: &[f64; 3]| {
            std::array::from_fn(|n| {
                let binomial = [1.0, 3.0, 3.0, 1.0][n];
                (0..3)
                    .map(|j| weights[j] * k[j].powi(n as i32))
                    .sum::<f64>()
                    * binomial
            })
        };
        Self {
            hue,
            channels: std::array::from_fn(|i| cubic(&lms_to_rgb[i])),
            luminance: cubic(&LMS_TO_LUMINANCE),
        }
    }

    /// The largest chroma that the gamut holds at a luminance `y` (0–1, CIE Y).
    pub fn max_chroma(&self, y: f64) -> f64 {
        let s = self.max_ratio(y);
        s * self.oklab_lightness(y, s)
    }

    /// The colour at luminance `y` (0–1) and chroma `c`, cut to the gamut's limit.
    pub fn at(&self, y: f64, c: f64) -> Oklch {
        let s = self.ratio(y, c).min(self.max_ratio(y));
        let l = self.oklab_lightness(y, s);
        Oklch {
            l,
            c: s * l,
            h: self.hue,
        }
    }

    /// Linear RGB of the slice's gamut at luminance `y` and chroma `c`; the caller keeps `c` within
    /// [`Self::max_chroma`], beyond which channels leave 0–1.
    pub fn linear_at(&self, y: f64, c: f64) -> [f64; 3] {
        let s = self.ratio(y, c);
        let scale = y / eval(&self.luminance, s);
        std::array::from_fn(|i| eval(&self.channels[i], s) * scale)
    }

    /// The code at CIE L\* `lightness` and chroma `c`, which the caller keeps within
    /// [`Self::max_chroma`].
    pub fn code_at(&self, lightness: f64, c: f64) -> Rgb8 {
        let y = luminance_from_lightness(lightness);
        Rgb8::from_linear_clipped(self.linear_at(y, c))
    }

    fn oklab_lightness(&self, y: f64, s: f64) -> f64 {
        pxfm::f_cbrt(y / eval(&self.luminance, s))
    }

    /// The `s` at which a channel leaves 0–1, as [`Self::halved`] finds it: Newton's steps lead to the cell of its
    /// grid, which is then looked at.
    fn max_ratio(&self, y: f64) -> f64 {
        if y <= 0.0 || y >= 1.0 {
            return 0.0;
        }
        if LEFT_AND_ENTERED.contains(&self.hue) {
            return self.halved(y);
        }
        let cell = (self.end_of_room(y) / GRID).floor();
        let ends_here = |cell: f64| {
            cell >= 0.0 && self.holds(y, cell * GRID) && !self.holds(y, (cell + 1.0) * GRID)
        };
        let near = [cell, cell - 1.0, cell + 1.0];
        let found = near.into_iter().find(|cell| ends_here(*cell));
        found.map_or_else(|| self.halved(y), |cell| cell * GRID)
    }

    /// The same by bisection of the cubics.
    fn halved(&self, y: f64) -> f64 {
        let (mut low, mut high) = (0.0, MAX_RATIO);
        for _ in 0..HALVINGS {
            let mid = (low + high) / 2.0;
            if self.holds(y, mid) {
                low = mid;
            } else {
                high = mid;
            }
        }
        low
    }

    /// Whether the gamut holds the colour at luminance `y` and ratio `s`.
    fn holds(&self, y: f64, s: f64) -> bool {
        let white = eval(&self.luminance, s);
        self.channels.iter().all(|p| {
            let v = eval(p, s);
            v >= 0.0 && v * y <= white
        })
    }

    /// The `s` at which the least room of all channels ends, to about a cell of the grid.
    fn end_of_room(&self, y: f64) -> f64 {
        let (mut low, mut high) = (0.0, MAX_RATIO);
        let mut s = 0.25;
        for _ in 0..HALVINGS {
            let (room, slope) = self.room(y, s);
            if room >= 0.0 {
                low = s;
            } else {
                high = s;
            }
            let mut next = s - room / slope;
            // Where another channel ends the room, its cubic leads astray.
            if !(low < next && next < high) {
                next = (low + high) / 2.0;
            }
            let step = (next - s).abs();
            s = next;
            if step < CLOSE {
                break;
            }
        }
        s
    }

    /// How far the channel that is nearest to an end of 0–1 is from it, and how that changes with `s`.
    fn room(&self, y: f64, s: f64) -> (f64, f64) {
        let white = eval(&self.luminance, s);
        let (mut least, mut of, mut is_white) = (f64::INFINITY, &self.luminance, false);
        for p in &self.channels {
            let v = eval(p, s);
            for (room, at_white) in [(v, false), (white - v * y, true)] {
                if room < least {
                    (least, of, is_white) = (room, p, at_white);
                }
            }
        }
        let slope = match is_white {
            true => slope(&self.luminance, s) - slope(of, s) * y,
            false => slope(of, s),
        };
        (least, slope)
    }

    /// The `s` of a chroma: the root of `s³ · y − c³ · p(s)`, by Newton from the grey side.
    fn ratio(&self, y: f64, c: f64) -> f64 {
        if y <= 0.0 || c <= 0.0 {
            return 0.0;
        }
        let c3 = c * c * c;
        let p = &self.luminance;
        let mut s = c / pxfm::f_cbrt(y);
        for _ in 0..12 {
            let value = s * s * s * y - c3 * eval(p, s);
            let slope = 3.0 * s * s * y - c3 * slope(p, s);
            let step = value / slope;
            if !step.is_finite() {
                break;
            }
            s -= step;
            if step.abs() < 1e-12 {
                break;
            }
        }
        s.clamp(0.0, MAX_RATIO)
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn newtons_steps_end_where_halving_does() {
        let all = (0..3600).map(|i| f64::from(i) * 0.1 + 0.007);
        let blues = (0..400).map(|i| 262.0 + f64::from(i) / 100.0);
        for hue in all.chain(blues) {
            for slice in [HueSlice::new(hue), HueSlice::in_p3(hue)] {
                for l in 0..=60 {
                    let y = luminance_from_lightness(f64::from(l) / 0.6);
                    let expected = if y > 0.0 && y < 1.0 {
                        slice.halved(y)
                    } else {
                        0.0
                    };
                    assert_eq!(
                        slice.max_ratio(y).to_bits(),
                        expected.to_bits(),
                        "{hue} {l}"
                    );
                }
            }
        }
    }
}
