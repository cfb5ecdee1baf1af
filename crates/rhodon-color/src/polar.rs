//! Rectangular and polar form of colours.

use crate::matrix::Vec3;

/// Polar form: lightness, chroma, hue in degrees 0–360.
pub(crate) fn to_polar([l, a, b]: Vec3) -> Vec3 {
    let hue = libm::atan2(b, a).to_degrees();
    [
        l,
        libm::hypot(a, b),
        if hue < 0.0 { hue + 360.0 } else { hue },
    ]
}

/// The inverse of [`to_polar`].
pub(crate) fn from_polar([l, c, h]: Vec3) -> Vec3 {
    let (sin, cos) = libm::sincos(h.to_radians());
    [l, c * cos, c * sin]
}
