//! How strong each step of a natural scale is.
//!
//! A brand uses some share of the chroma that sRGB offers at its lightness; the scale keeps
//! that share, softened towards white and black, and bounded so that a step is not
//! much more vivid than the brand.

use rhodon_color::HueSlice;

/// Within this many L\* of the pin its own share holds.
const NEAR: f64 = 35.0;
/// A tint leaves white along a straight line: at most this much chroma for each L\* below 100
/// at full strength. Without it vivid greens jump from almost white to neon.
pub(crate) const TINT_RISE: f64 = 0.0115;

/// `t²(3 − 2t)`, cut to 0–1.
pub(crate) fn smoothstep(t: f64) -> f64 {
    let t = t.clamp(0.0, 1.0);
    t * t * (3.0 - 2.0 * t)
}

/// The minimum of two positive values, rounded where they meet.
fn soft_min(a: f64, b: f64) -> f64 {
    if a <= 0.0 || b <= 0.0 {
        return 0.0;
    }
    let ratio = (a.min(b) / a.max(b)).powi(6);
    // Far from where they meet nothing is rounded, and a root need not be found.
    match 1.0 + ratio {
        1.0 => a.min(b),
        sum => a.min(b) / pxfm::f_cbrt(sum.sqrt()),
    }
}

fn envelope(lightness: f64) -> f64 {
    1.0 - 0.3 * smoothstep((lightness - 72.0) / 25.0) - 0.55 * smoothstep((45.0 - lightness) / 42.0)
}

/// The chroma that one pinned colour asks of the steps around it.
#[derive(Clone, Debug)]
pub(crate) struct Strength {
    lightness: f64,
    chroma: f64,
    /// Share of the limit at the pin.
    share_near: f64,
    /// Share further away; rises slower for near-greys.
    share_far: f64,
    bound: f64,
    scale: f64,
}

impl Strength {
    /// From a colour's L\*, Oklch chroma, its gamut limit there, and the spread of its
    /// three 8-bit channels, which tells a grey from a weak colour.
    pub(crate) fn new(lightness: f64, chroma: f64, limit: f64, spread: u8) -> Self {
        let coloured = smoothstep((f64::from(spread) - 1.0) / 4.0);
        let share_far = (chroma / limit.max(0.06)).min(1.0) * coloured;
        let share_near = if limit > 1e-6 {
            (chroma / limit).min(1.0)
        } else {
            0.0
        };
        let bound = 1.12 * share_far * limit.max(0.13);
        let mut strength = Self {
            lightness,
            chroma,
            share_near,
            share_far,
            bound,
            scale: 1.0,
        };
        let own = strength.at(lightness, limit);
        if own > 1e-9 {
            strength.scale = chroma / own;
        }
        strength
    }

    /// Chroma at an L\* where the gamut ends at `limit`.
    pub(crate) fn at(&self, lightness: f64, limit: f64) -> f64 {
        let distance = ((lightness - self.lightness).abs() / NEAR).min(1.0);
        let near = libm::cos(std::f64::consts::FRAC_PI_2 * distance).powi(2);
        let share = self.share_far + (self.share_near - self.share_far) * near;
        let softened = (envelope(lightness) / envelope(self.lightness)).min(1.15);
        let wanted = soft_min(share * softened * limit, self.bound);
        let tint = self.tint_bound(lightness, share);
        (soft_min(wanted, tint) * self.scale).min(limit)
    }

    /// Whether the colour is more than a grey.
    pub(crate) fn is_coloured(&self) -> bool {
        self.share_far > 0.0
    }

    /// Lighter than the pin, the line from white; it never runs below the pin's own point.
    fn tint_bound(&self, lightness: f64, share: f64) -> f64 {
        if lightness <= self.lightness {
            return f64::MAX;
        }
        let own_rise = self.chroma / (100.0 - self.lightness).max(0.5);
        (TINT_RISE * share).max(own_rise) * (100.0 - lightness)
    }
}

/// The gamut limit at an L\*.
pub(crate) fn limit(slice: &HueSlice, lightness: f64) -> f64 {
    slice.max_chroma(rhodon_color::luminance_from_lightness(lightness))
}
