//! The code of a colour as shown: three 8-bit sRGB channels.

use std::{fmt, str::FromStr};

use crate::Oklch;
use crate::lightness::lightness_from_luminance;
use crate::matrix::SRGB_TO_XYZ;
use crate::matrix::apply;
use crate::transfer::{decode8, encode8};

/// An opaque 8-bit sRGB colour. Prints and reads as `#rrggbb`.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Hash, PartialOrd, Ord)]
#[allow(missing_docs)]
pub struct Rgb8 {
    pub r: u8,
    pub g: u8,
    pub b: u8,
}

impl Rgb8 {
    /// `#ffffff`
    pub const WHITE: Self = Self::new(255, 255, 255);
    /// `#000000`
    pub const BLACK: Self = Self::new(0, 0, 0);

    /// From three channels.
    pub const fn new(r: u8, g: u8, b: u8) -> Self {
        Self { r, g, b }
    }

    /// The three channels.
    pub const fn channels(self) -> [u8; 3] {
        [self.r, self.g, self.b]
    }

    /// `#rrggbb` in ASCII. Exports print thousands of codes: digits are looked up, not formatted.
    pub fn digits(self) -> [u8; 7] {
        let mut text = *b"#000000";
        for (i, channel) in self.channels().into_iter().enumerate() {
            text[1 + 2 * i] = DIGITS[usize::from(channel >> 4)];
            text[2 + 2 * i] = DIGITS[usize::from(channel & 15)];
        }
        text
    }

    /// Nearest code of linear sRGB; channels outside 0–1 are clipped.
    pub fn from_linear_clipped(rgb: [f64; 3]) -> Self {
        let [r, g, b] = rgb.map(encode8);
        Self { r, g, b }
    }

    /// Linear sRGB, each channel 0–1.
    pub fn to_linear(self) -> [f64; 3] {
        self.channels().map(decode8)
    }

    /// Oklch of this code.
    pub fn to_oklch(self) -> Oklch {
        Oklch::from_linear(self.to_linear())
    }

    /// CIE L\* (D65), 0–100.
    pub fn lightness(self) -> f64 {
        lightness_from_luminance(self.luminance_cie())
    }

    /// The Y of CIE XYZ. It differs from WCAG's rounded weights in the fifth digit.
    pub fn luminance_cie(self) -> f64 {
        apply(&SRGB_TO_XYZ, self.to_linear())[1].clamp(0.0, 1.0)
    }
}

impl fmt::Display for Rgb8 {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        f.write_str(std::str::from_utf8(&self.digits()).unwrap_or_default())
    }
}

const DIGITS: &[u8; 16] = b"0123456789abcdef";

/// The text is not of the form `#rrggbb`.
#[derive(Clone, Debug, PartialEq, Eq, thiserror::Error)]
#[error("expected a code of the form #rrggbb")]
pub struct Rgb8Error;

impl FromStr for Rgb8 {
    type Err = Rgb8Error;

    fn from_str(s: &str) -> Result<Self, Rgb8Error> {
        let digits = s
            .strip_prefix('#')
            .filter(|d| d.len() == 6 && d.bytes().all(|b| b.is_ascii_hexdigit()));
        let value = u32::from_str_radix(digits.ok_or(Rgb8Error)?, 16).map_err(|_| Rgb8Error)?;
        let [_, r, g, b] = value.to_be_bytes();
        Ok(Self { r, g, b })
    }
}
