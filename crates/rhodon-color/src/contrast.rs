//! Contrast as WCAG 2.2 defines it.

use crate::Rgb8;

/// Relative luminance (WCAG 2.2, "relative luminance"), 0–1.
pub fn luminance(color: Rgb8) -> f64 {
    let [r, g, b] = color.to_linear();
    0.2126 * r + 0.7152 * g + 0.0722 * b
}

/// Contrast ratio (WCAG 2.2, "contrast ratio"), 1–21, whichever way round.
pub fn contrast_ratio(a: Rgb8, b: Rgb8) -> f64 {
    let (a, b) = (luminance(a), luminance(b));
    (a.max(b) + 0.05) / (a.min(b) + 0.05)
}
