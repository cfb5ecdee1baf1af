//! The colour spaces of CSS Color 4 and the way between them, through CIE XYZ
//! with the D65 white. Matrices are those of CSS Color 4, section 18; their
//! inverses are computed from them.

use crate::matrix::SRGB_TO_XYZ;
use crate::matrix::{Mat3, Vec3, apply, inverse, product};
use crate::polar::from_polar;
use crate::polar::to_polar;
use crate::{oklab, transfer};

/// A colour space in which CSS can state a colour.
///
/// Coordinates are in CSS's own units: RGB spaces 0–1, `Lab` L 0–100, `Oklab` L 0–1,
/// hues in degrees, `Hsl` and `Hwb` percentages as 0–1.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
#[allow(missing_docs)]
pub enum Space {
    Srgb,
    SrgbLinear,
    Hsl,
    Hwb,
    DisplayP3,
    DisplayP3Linear,
    A98Rgb,
    ProphotoRgb,
    Rec2020,
    XyzD50,
    XyzD65,
    Lab,
    Lch,
    Oklab,
    Oklch,
}

pub(crate) const XYZ_TO_SRGB: Mat3 = inverse(&SRGB_TO_XYZ);
const P3_TO_XYZ: Mat3 = [
    [
        608311.0 / 1250200.0,
        189793.0 / 714400.0,
        198249.0 / 1000160.0,
    ],
    [
        35783.0 / 156275.0,
        247089.0 / 357200.0,
        198249.0 / 2500400.0,
    ],
    [0.0, 32229.0 / 714400.0, 5220557.0 / 5000800.0],
];
const XYZ_TO_P3: Mat3 = inverse(&P3_TO_XYZ);
pub(crate) const SRGB_TO_P3: Mat3 = product(&XYZ_TO_P3, &SRGB_TO_XYZ);
const A98_TO_XYZ: Mat3 = [
    [
        573536.0 / 994567.0,
        263643.0 / 1420810.0,
        187206.0 / 994567.0,
    ],
    [
        591459.0 / 1989134.0,
        6239551.0 / 9945670.0,
        374412.0 / 4972835.0,
    ],
    [
        53769.0 / 1989134.0,
        351524.0 / 4972835.0,
        4929758.0 / 4972835.0,
    ],
];
const PROPHOTO_TO_XYZ_D50: Mat3 = [
    [
        0.797_766_644_900_642_3,
        0.135_181_297_400_533_08,
        0.031_347_734_128_392_2,
    ],
    [
        0.288_074_828_819_401_3,
        0.711_835_234_241_873,
        0.000_089_936_938_725_64,
    ],
    [0.0, 0.0, 0.825_104_602_510_460_2],
];
const REC2020_TO_XYZ: Mat3 = [
    [
        63426534.0 / 99577255.0,
        20160776.0 / 139408157.0,
        47086771.0 / 278816314.0,
    ],
    [
        26158966.0 / 99577255.0,
        472592308.0 / 697040785.0,
        8267143.0 / 139408157.0,
    ],
    [0.0, 19567812.0 / 697040785.0, 295819943.0 / 278816314.0],
];
const D50_TO_D65: Mat3 = [
    [
        0.955_473_421_488_075,
        -0.023_098_454_948_764_71,
        0.063_259_243_200_570_72,
    ],
    [
        -0.028_369_709_333_863_7,
        1.009_995_398_081_304_1,
        0.021_041_441_191_917_323,
    ],
    [
        0.012_314_014_864_481_998,
        -0.020_507_649_298_898_964,
        1.330_365_926_242_124,
    ],
];
const D65_TO_D50: Mat3 = inverse(&D50_TO_D65);

/// The D50 white of CSS, from its chromaticity (0.3457, 0.3585).
const WHITE_D50: Vec3 = [0.3457 / 0.3585, 1.0, (1.0 - 0.3457 - 0.3585) / 0.3585];
/// The D65 white of CSS, from its chromaticity (0.3127, 0.3290).
const WHITE_D65: Vec3 = [0.3127 / 0.3290, 1.0, (1.0 - 0.3127 - 0.3290) / 0.3290];

impl Space {
    /// Encoded sRGB of the spaces that are only another way to write it. No matrix is
    /// involved, so that `50%` stays exactly half.
    pub(crate) fn as_srgb(self, c: Vec3) -> Option<Vec3> {
        match self {
            Space::Srgb => Some(c),
            Space::Hsl => Some(hsl_to_srgb(c)),
            Space::Hwb => Some(hwb_to_srgb(c)),
            _ => None,
        }
    }

    /// XYZ (D65) of coordinates in this space.
    pub(crate) fn to_xyz(self, c: Vec3) -> Vec3 {
        match self {
            Space::Srgb => apply(&SRGB_TO_XYZ, c.map(transfer::srgb_to_linear)),
            Space::Hsl => Space::Srgb.to_xyz(hsl_to_srgb(c)),
            Space::Hwb => Space::Srgb.to_xyz(hwb_to_srgb(c)),
            Space::SrgbLinear => apply(&SRGB_TO_XYZ, c),
            Space::DisplayP3 => apply(&P3_TO_XYZ, c.map(transfer::srgb_to_linear)),
            Space::DisplayP3Linear => apply(&P3_TO_XYZ, c),
            Space::A98Rgb => apply(&A98_TO_XYZ, c.map(transfer::a98_to_linear)),
            Space::ProphotoRgb => apply(
                &D50_TO_D65,
                apply(&PROPHOTO_TO_XYZ_D50, c.map(transfer::prophoto_to_linear)),
            ),
            Space::Rec2020 => apply(&REC2020_TO_XYZ, c.map(transfer::rec2020_to_linear)),
            Space::XyzD50 => apply(&D50_TO_D65, c),
            Space::XyzD65 => c,
            Space::Lab => apply(&D50_TO_D65, lab_to_xyz(c, WHITE_D50)),
            Space::Lch => Space::Lab.to_xyz(from_polar(c)),
            Space::Oklab => oklab::to_xyz(c),
            Space::Oklch => oklab::to_xyz(from_polar(c)),
        }
    }

    /// Coordinates in this space of an XYZ (D65) colour.
    pub(crate) fn of_xyz(self, xyz: Vec3) -> Vec3 {
        match self {
            Space::Srgb => apply(&XYZ_TO_SRGB, xyz).map(transfer::srgb_from_linear),
            Space::SrgbLinear => apply(&XYZ_TO_SRGB, xyz),
            Space::Hsl => srgb_to_hsl(Space::Srgb.of_xyz(xyz)),
            Space::Hwb => srgb_to_hwb(Space::Srgb.of_xyz(xyz)),
            Space::DisplayP3 => apply(&XYZ_TO_P3, xyz).map(transfer::srgb_from_linear),
            Space::DisplayP3Linear => apply(&XYZ_TO_P3, xyz),
            Space::A98Rgb => apply(&inverse(&A98_TO_XYZ), xyz).map(transfer::a98_from_linear),
            Space::ProphotoRgb => apply(&inverse(&PROPHOTO_TO_XYZ_D50), apply(&D65_TO_D50, xyz))
                .map(transfer::prophoto_from_linear),
            Space::Rec2020 => {
                apply(&inverse(&REC2020_TO_XYZ), xyz).map(transfer::rec2020_from_linear)
            }
            Space::XyzD50 => apply(&D65_TO_D50, xyz),
            Space::XyzD65 => xyz,
            Space::Lab => xyz_to_lab(apply(&D65_TO_D50, xyz), WHITE_D50),
            Space::Lch => to_polar(Space::Lab.of_xyz(xyz)),
            Space::Oklab => oklab::from_xyz(xyz),
            Space::Oklch => to_polar(oklab::from_xyz(xyz)),
        }
    }
}

/// CIE Lab against the D65 white, in which [`crate::difference`] is measured.
pub(crate) fn xyz_to_lab_d65(xyz: Vec3) -> Vec3 {
    xyz_to_lab(xyz, WHITE_D65)
}

const KAPPA: f64 = 24389.0 / 27.0;
const EPSILON: f64 = 216.0 / 24389.0;

fn xyz_to_lab(xyz: Vec3, white: Vec3) -> Vec3 {
    let f = |t: f64| {
        if t > EPSILON {
            pxfm::f_cbrt(t)
        } else {
            (KAPPA * t + 16.0) / 116.0
        }
    };
    let [x, y, z] = [
        f(xyz[0] / white[0]),
        f(xyz[1] / white[1]),
        f(xyz[2] / white[2]),
    ];
    [116.0 * y - 16.0, 500.0 * (x - y), 200.0 * (y - z)]
}

fn lab_to_xyz([l, a, b]: Vec3, white: Vec3) -> Vec3 {
    let fy = (l + 16.0) / 116.0;
    let (fx, fz) = (fy + a / 500.0, fy - b / 200.0);
    let cube = |f: f64| {
        let c = f * f * f;
        if c > EPSILON {
            c
        } else {
            (116.0 * f - 16.0) / KAPPA
        }
    };
    let y = if l > KAPPA * EPSILON {
        fy * fy * fy
    } else {
        l / KAPPA
    };
    [cube(fx) * white[0], y * white[1], cube(fz) * white[2]]
}

/// CSS Color 4, section 7.1.
fn hsl_to_srgb([h, s, l]: Vec3) -> Vec3 {
    let f = |n: f64| {
        let k = (n + h.rem_euclid(360.0) / 30.0) % 12.0;
        l - s * l.min(1.0 - l) * (k - 3.0).min(9.0 - k).clamp(-1.0, 1.0)
    };
    [f(0.0), f(8.0), f(4.0)]
}

/// CSS Color 4, section 7.2.
fn srgb_to_hsl([r, g, b]: Vec3) -> Vec3 {
    let (max, min) = (r.max(g).max(b), r.min(g).min(b));
    let (mut l, d) = ((min + max) / 2.0, max - min);
    if l.abs() < 1e-12 {
        l = 0.0;
    }
    if d.abs() < 1e-12 {
        return [0.0, 0.0, l];
    }
    let mut s = if l == 0.0 || l == 1.0 {
        0.0
    } else {
        (max - l) / l.min(1.0 - l)
    };
    let mut h = 60.0
        * if max == r {
            (g - b) / d + if g < b { 6.0 } else { 0.0 }
        } else if max == g {
            (b - r) / d + 2.0
        } else {
            (r - g) / d + 4.0
        };
    // Very out-of-gamut colours give a negative saturation: turn the hue instead.
    if s < 0.0 {
        h += 180.0;
        s = -s;
    }
    [h.rem_euclid(360.0), s, l]
}

/// CSS Color 4, section 8.1.
fn hwb_to_srgb([h, w, b]: Vec3) -> Vec3 {
    if w + b >= 1.0 {
        return [w / (w + b); 3];
    }
    hsl_to_srgb([h, 1.0, 0.5]).map(|v| v * (1.0 - w - b) + w)
}

fn srgb_to_hwb(rgb: Vec3) -> Vec3 {
    let [r, g, b] = rgb;
    [srgb_to_hsl(rgb)[0], r.min(g).min(b), 1.0 - r.max(g).max(b)]
}
