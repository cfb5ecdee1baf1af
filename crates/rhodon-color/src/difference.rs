//! Colour difference: CIEDE2000 on CIE Lab with the D65 white.

use palette::color_difference::Ciede2000;
use palette::{Lab, white_point::D65};

use crate::Rgb8;
use crate::matrix::SRGB_TO_XYZ;
use crate::matrix::apply;
use crate::space::xyz_to_lab_d65;

/// CIE Lab of a code, prepared for many differences.
pub type Lab65 = Lab<D65, f64>;

/// CIE Lab (D65) of a code.
pub fn lab_d65(color: Rgb8) -> Lab65 {
    let [l, a, b] = xyz_to_lab_d65(apply(&SRGB_TO_XYZ, color.to_linear()));
    Lab::new(l, a, b)
}

/// CIEDE2000 (ISO/CIE 11664-6) between two colours: 0 for equal ones, about 2 for a
/// difference that is just seen, 100 between black and white.
pub fn difference(a: Rgb8, b: Rgb8) -> f64 {
    lab_d65(a).difference(lab_d65(b))
}

/// The least that [`difference`] of two colours can be by their L\* (0–100) alone: its other terms are a square
/// form that is never below zero (ISO/CIE 11664-6, 4.3: the rotation is above −2).
pub fn least_difference(a: f64, b: f64) -> f64 {
    let middle = ((a + b) / 2.0 - 50.0).powi(2);
    let weight = 1.0 + 0.015 * middle / (20.0 + middle).sqrt();
    (a - b).abs() / weight
}

/// The difference of two prepared colours where it is below a limit; none where it is not, which is mostly
/// known by their lightness.
pub fn difference_below(a: Lab65, b: Lab65, limit: f64) -> Option<f64> {
    if least_difference(a.l, b.l) >= limit {
        return None;
    }
    let exact = a.difference(b);
    (exact < limit).then_some(exact)
}

/// As [`difference`], of colours that are prepared.
pub fn lab_difference(a: Lab65, b: Lab65) -> f64 {
    a.difference(b)
}
