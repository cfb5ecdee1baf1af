//! Oklab and its polar form, with the matrices of CSS Color 4, section 18,
//! which agree with its D65 white to the last digit.

use crate::matrix::SRGB_TO_XYZ;
use crate::matrix::{Mat3, Vec3, apply, inverse, product};
use crate::polar::{from_polar, to_polar};

const XYZ_TO_LMS: Mat3 = [
    [
        0.819_022_437_996_703,
        0.361_906_260_052_890_4,
        -0.128_873_781_520_987_9,
    ],
    [
        0.032_983_653_932_388_5,
        0.929_286_861_586_343_4,
        0.036_144_666_350_642_4,
    ],
    [
        0.048_177_189_359_624_2,
        0.264_239_531_752_730_8,
        0.633_547_828_469_430_9,
    ],
];
const LMS_TO_OKLAB: Mat3 = [
    [
        0.210_454_268_309_314,
        0.793_617_774_702_305_4,
        -0.004_072_043_011_619_3,
    ],
    [
        1.977_998_532_431_168_4,
        -2.428_592_242_048_58,
        0.450_593_709_617_411,
    ],
    [
        0.025_904_042_465_547_8,
        0.782_771_712_457_529_6,
        -0.808_675_754_923_077_4,
    ],
];
/// From Oklab to the cube roots of LMS; the first column is one.
pub(crate) const OKLAB_TO_LMS: Mat3 = inverse(&LMS_TO_OKLAB);
const LMS_TO_XYZ: Mat3 = inverse(&XYZ_TO_LMS);
const SRGB_TO_LMS: Mat3 = product(&XYZ_TO_LMS, &SRGB_TO_XYZ);
/// From LMS to linear sRGB.
pub(crate) const LMS_TO_SRGB: Mat3 = inverse(&SRGB_TO_LMS);
/// The luminance row of LMS → XYZ.
pub(crate) const LMS_TO_LUMINANCE: Vec3 = LMS_TO_XYZ[1];

/// Oklab of an XYZ (D65) colour.
pub(crate) fn from_xyz(xyz: Vec3) -> Vec3 {
    apply(&LMS_TO_OKLAB, apply(&XYZ_TO_LMS, xyz).map(pxfm::f_cbrt))
}

/// XYZ (D65) of Oklab coordinates.
pub(crate) fn to_xyz(lab: Vec3) -> Vec3 {
    apply(&LMS_TO_XYZ, apply(&OKLAB_TO_LMS, lab).map(|v| v * v * v))
}

/// A colour in Oklab: `l` 0–1, `a` and `b` about ±0.4.
#[derive(Clone, Copy, Debug, PartialEq)]
#[allow(missing_docs)]
pub struct Oklab {
    pub l: f64,
    pub a: f64,
    pub b: f64,
}

impl Oklab {
    /// From linear sRGB, unbounded.
    pub fn from_linear(rgb: [f64; 3]) -> Self {
        let [l, a, b] = apply(&LMS_TO_OKLAB, apply(&SRGB_TO_LMS, rgb).map(pxfm::f_cbrt));
        Self { l, a, b }
    }

    /// Linear sRGB, unbounded.
    pub fn to_linear(self) -> [f64; 3] {
        apply(
            &LMS_TO_SRGB,
            apply(&OKLAB_TO_LMS, [self.l, self.a, self.b]).map(|v| v * v * v),
        )
    }

    /// Euclidean distance: a quick measure for ordering candidates, where
    /// [`crate::difference`] would be exact but slow.
    pub fn distance(self, other: Self) -> f64 {
        let (dl, da, db) = (self.l - other.l, self.a - other.a, self.b - other.b);
        (dl * dl + da * da + db * db).sqrt()
    }
}

/// A colour in Oklch: `l` 0–1, chroma `c` from 0 to about 0.4, hue `h` in degrees.
#[derive(Clone, Copy, Debug, PartialEq)]
#[allow(missing_docs)]
pub struct Oklch {
    pub l: f64,
    pub c: f64,
    pub h: f64,
}

impl Oklch {
    /// Below this chroma the hue has no meaning.
    pub const POWERLESS_CHROMA: f64 = 1e-4;

    /// From linear sRGB, unbounded.
    pub fn from_linear(rgb: [f64; 3]) -> Self {
        Oklab::from_linear(rgb).into()
    }

    /// Linear sRGB, unbounded.
    pub fn to_linear(self) -> [f64; 3] {
        Oklab::from(self).to_linear()
    }

    /// The hue in degrees 0–360, or none where the colour is a grey.
    pub fn hue(self) -> Option<f64> {
        (self.c >= Self::POWERLESS_CHROMA).then_some(self.h)
    }
}

/// A hue in degrees, brought to 0–360. The same to the last bit as the rest of a division, which most hues
/// do not need.
pub fn hue_within(degrees: f64) -> f64 {
    match degrees {
        d if (0.0..360.0).contains(&d) => d,
        d if (360.0..720.0).contains(&d) => d - 360.0,
        d => d.rem_euclid(360.0),
    }
}

/// Degrees from one hue to another, on the shorter way: −180 to 180.
pub fn hue_turn(from: f64, to: f64) -> f64 {
    hue_within(to - from + 540.0) - 180.0
}

impl From<Oklab> for Oklch {
    fn from(lab: Oklab) -> Self {
        let [l, c, h] = to_polar([lab.l, lab.a, lab.b]);
        Self { l, c, h }
    }
}

impl From<Oklch> for Oklab {
    fn from(lch: Oklch) -> Self {
        let [l, a, b] = from_polar([lch.l, lch.c, lch.h]);
        Self { l, a, b }
    }
}
