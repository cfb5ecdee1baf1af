//! CIE L\* and luminance. L\* depends on luminance alone (CIE 15:2004, 8.2.1).

const KAPPA: f64 = 24389.0 / 27.0;
const EPSILON: f64 = 216.0 / 24389.0;

/// L\* (0–100) of a relative luminance (0–1).
pub fn lightness_from_luminance(y: f64) -> f64 {
    if y > EPSILON {
        116.0 * pxfm::f_cbrt(y) - 16.0
    } else {
        KAPPA * y
    }
}

/// Relative luminance (0–1) of an L\* (0–100).
pub fn luminance_from_lightness(l: f64) -> f64 {
    if l > KAPPA * EPSILON {
        let f = (l + 16.0) / 116.0;
        f * f * f
    } else {
        l / KAPPA
    }
}
