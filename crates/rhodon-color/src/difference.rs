//! Colour difference: CIEDE2000 on CIE Lab with the D65 white.

use palette::color_difference::Ciede2000;
use palette::{Lab, white_point::D65};

use crate::Rgb8;
use crate::matrix::apply;
use crate::space::{SRGB_TO_XYZ, xyz_to_lab_d65};

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

/// As [`difference`], of colours that are prepared.
pub fn lab_difference(a: Lab65, b: Lab65) -> f64 {
    a.difference(b)
}
