//! Transfer functions between encoded and linear light, from the sample code of
//! CSS Color 4 (section 18), and tables for 8-bit sRGB.

use std::sync::LazyLock;

/// sRGB, also used by Display-P3; mirrored for negative values as CSS does.
pub(crate) fn srgb_to_linear(v: f64) -> f64 {
    let a = v.abs();
    let out = if a <= 0.04045 {
        a / 12.92
    } else {
        libm::pow((a + 0.055) / 1.055, 2.4)
    };
    out.copysign(v)
}

/// The inverse of [`srgb_to_linear`].
pub(crate) fn srgb_from_linear(v: f64) -> f64 {
    let a = v.abs();
    let out = if a > 0.003_130_8 {
        1.055 * libm::pow(a, 1.0 / 2.4) - 0.055
    } else {
        12.92 * a
    };
    out.copysign(v)
}

/// A98: a plain power of 563/256.
pub(crate) fn a98_to_linear(v: f64) -> f64 {
    libm::pow(v.abs(), 563.0 / 256.0).copysign(v)
}

pub(crate) fn a98_from_linear(v: f64) -> f64 {
    libm::pow(v.abs(), 256.0 / 563.0).copysign(v)
}

/// ProPhoto: a power of 1.8 with a linear toe below 16/512.
pub(crate) fn prophoto_to_linear(v: f64) -> f64 {
    let a = v.abs();
    let out = if a <= 16.0 / 512.0 {
        a / 16.0
    } else {
        libm::pow(a, 1.8)
    };
    out.copysign(v)
}

pub(crate) fn prophoto_from_linear(v: f64) -> f64 {
    let a = v.abs();
    let out = if a >= 1.0 / 512.0 {
        libm::pow(a, 1.0 / 1.8)
    } else {
        16.0 * a
    };
    out.copysign(v)
}

const REC2020_ALPHA: f64 = 1.099_296_826_809_44;
const REC2020_BETA: f64 = 0.018_053_968_510_807;

/// Rec. 2020, as ITU-R BT.2020-2 table 4 defines it.
pub(crate) fn rec2020_to_linear(v: f64) -> f64 {
    let a = v.abs();
    let out = if a < REC2020_BETA * 4.5 {
        a / 4.5
    } else {
        libm::pow((a + REC2020_ALPHA - 1.0) / REC2020_ALPHA, 1.0 / 0.45)
    };
    out.copysign(v)
}

pub(crate) fn rec2020_from_linear(v: f64) -> f64 {
    let a = v.abs();
    let out = if a > REC2020_BETA {
        REC2020_ALPHA * libm::pow(a, 0.45) - (REC2020_ALPHA - 1.0)
    } else {
        4.5 * a
    };
    out.copysign(v)
}

static DECODE: LazyLock<[f64; 256]> =
    LazyLock::new(|| std::array::from_fn(|i| srgb_to_linear(i as f64 / 255.0)));

/// `THRESHOLDS[i]` is the linear value from which code `i + 1` is nearer than `i`.
static THRESHOLDS: LazyLock<[f64; 255]> =
    LazyLock::new(|| std::array::from_fn(|i| srgb_to_linear((i as f64 + 0.5) / 255.0)));

/// Linear light of an 8-bit sRGB channel.
pub(crate) fn decode8(code: u8) -> f64 {
    DECODE[code as usize]
}

/// The 8-bit sRGB channel nearest (in encoded terms) to a linear value, clamped.
pub(crate) fn encode8(linear: f64) -> u8 {
    // 255 thresholds: the partition point is at most 255 and fits.
    THRESHOLDS.partition_point(|&t| t <= linear) as u8
}
