//! Contrast as WCAG 2.2 defines it.

use crate::Rgb8;

/// Relative luminance (WCAG 2.2, "relative luminance"), 0–1.
pub fn luminance(color: Rgb8) -> f64 {
    let [r, g, b] = color.to_linear();
    0.2126 * r + 0.7152 * g + 0.0722 * b
}

impl Rgb8 {
    /// Relative luminance as WCAG 2.2 defines it, 0–1.
    pub fn luminance(self) -> f64 {
        luminance(self)
    }
}

/// Contrast ratio (WCAG 2.2, "contrast ratio"), 1–21, whichever way round.
pub fn contrast_ratio(a: Rgb8, b: Rgb8) -> f64 {
    ContrastOn::new(a).ratio(b)
}

/// Black or white, whichever is read better on a colour: one of them always has 4.5 : 1.
pub fn ink_on(ground: Rgb8) -> Rgb8 {
    let white = contrast_ratio(Rgb8::WHITE, ground) >= contrast_ratio(Rgb8::BLACK, ground);
    if white { Rgb8::WHITE } else { Rgb8::BLACK }
}

/// Contrast against one colour, prepared for many others.
#[derive(Clone, Copy, Debug)]
pub struct ContrastOn {
    luminance: f64,
}

impl ContrastOn {
    /// Against this colour.
    pub fn new(ground: Rgb8) -> Self {
        Self {
            luminance: luminance(ground),
        }
    }

    /// Contrast ratio of another colour, as [`contrast_ratio`].
    pub fn ratio(self, color: Rgb8) -> f64 {
        self.between(Self::new(color))
    }

    /// The same of another colour that is prepared.
    pub fn between(self, other: Self) -> f64 {
        let other = other.luminance;
        (self.luminance.max(other) + 0.05) / (self.luminance.min(other) + 0.05)
    }
}

/// The L\* values whose contrast against `ground` is exactly `ratio`: one darker, one lighter,
/// each none where it would lie beyond black or white.
pub fn lightness_limits(ground: Rgb8, ratio: f64) -> (Option<f64>, Option<f64>) {
    let y = luminance(ground) + 0.05;
    let inside = |v: f64| {
        (0.0..=1.0)
            .contains(&v)
            .then(|| crate::lightness_from_luminance(v))
    };
    (inside(y / ratio - 0.05), inside(y * ratio - 0.05))
}
