//! A colour as somebody states it: a space, three coordinates and an opacity.

use crate::css::{self, ColorError};
use crate::matrix::apply;
use crate::oklab::Oklch;
use crate::space::{SRGB_TO_P3, Space};
use crate::{Rgb8, gamut};

/// A colour in any space of CSS Color 4. Missing components (`none`) are zero.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Color {
    space: Space,
    coords: [f64; 3],
    alpha: f64,
}

/// Which gamuts hold a colour.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub struct GamutFit {
    /// Every channel is within 0–1 in sRGB.
    pub srgb: bool,
    /// Every channel is within 0–1 in Display-P3.
    pub p3: bool,
}

impl Color {
    /// A colour from coordinates in CSS's units (see [`Space`]) and an opacity, cut to 0–1.
    pub fn new(space: Space, coords: [f64; 3], alpha: f64) -> Self {
        Self {
            space,
            coords,
            alpha: alpha.clamp(0.0, 1.0),
        }
    }

    /// Reads any colour of CSS Color 4, and nothing else.
    ///
    /// # Errors
    /// What CSS rejects, with a sentence that says what was expected.
    ///
    /// ```
    /// use rhodon_color::Color;
    /// assert_eq!(Color::parse("hsl(198 78% 27%)").unwrap().to_rgb8().to_string(), "#0f5a7b");
    /// assert!(Color::parse("rgb(1, 2)").unwrap_err().to_string().starts_with("expected"));
    /// ```
    pub fn parse(text: &str) -> Result<Self, ColorError> {
        css::parse(text)
    }

    /// Reads what people type and paste: any CSS colour, and hex digits without their `#`.
    ///
    /// # Errors
    /// As [`Color::parse`].
    pub fn parse_typed(text: &str) -> Result<Self, ColorError> {
        css::parse_typed(text)
    }

    /// Reads 3, 4, 6 or 8 hex digits as CSS has them behind `#`.
    pub fn from_hex(digits: &str) -> Option<Self> {
        css::hex(digits)
    }

    /// Reads hex digits as the languages of apps have them: with the opacity in front where there is one.
    ///
    /// ```
    /// use rhodon_color::Color;
    /// assert_eq!(Color::from_hex_alpha_first("800F5C7A").unwrap().to_hex(), "#0f5c7a80");
    /// ```
    pub fn from_hex_alpha_first(digits: &str) -> Option<Self> {
        let front = match digits.len() {
            4 => 1,
            8 => 2,
            _ => 0,
        };
        let (alpha, code) = digits.split_at_checked(front)?;
        css::hex(&format!("{code}{alpha}"))
    }

    /// The space in which it was stated.
    pub fn space(self) -> Space {
        self.space
    }

    /// Its coordinates in that space.
    pub fn coords(self) -> [f64; 3] {
        self.coords
    }

    /// Opacity, 0–1.
    pub fn alpha(self) -> f64 {
        self.alpha
    }

    /// Coordinates in another space, unbounded.
    pub fn in_space(self, space: Space) -> [f64; 3] {
        match self.space.as_srgb(self.coords) {
            _ if space == self.space => self.coords,
            Some(srgb) if space == Space::Srgb => srgb,
            _ => space.of_xyz(self.space.to_xyz(self.coords)),
        }
    }

    /// Linear sRGB, unbounded.
    pub fn to_linear_srgb(self) -> [f64; 3] {
        self.in_space(Space::SrgbLinear)
    }

    /// Oklch, unbounded.
    pub fn to_oklch(self) -> Oklch {
        let [l, c, h] = self.in_space(Space::Oklch);
        Oklch { l, c, h }
    }

    /// The 8-bit code: plain rounding inside sRGB, the mapping of CSS Color 4 outside.
    pub fn to_rgb8(self) -> Rgb8 {
        let linear = self.to_linear_srgb();
        if gamut::inside(linear) {
            let [r, g, b] = self
                .in_space(Space::Srgb)
                .map(|v| (v * 255.0).round().clamp(0.0, 255.0) as u8);
            return Rgb8::new(r, g, b);
        }
        Rgb8::from_linear_clipped(gamut::map(linear))
    }

    /// Which gamuts hold it.
    pub fn gamut_fit(self) -> GamutFit {
        let rgb = self.to_linear_srgb();
        GamutFit {
            srgb: gamut::inside(rgb),
            p3: gamut::inside(apply(&SRGB_TO_P3, rgb)),
        }
    }

    /// Opacity as an 8-bit value.
    pub fn alpha8(self) -> u8 {
        (self.alpha * 255.0).round() as u8
    }

    /// `#rrggbb`, or `#rrggbbaa` where it is not opaque.
    pub fn to_hex(self) -> String {
        let code = self.to_rgb8();
        if self.alpha < 1.0 {
            format!("{code}{:02x}", self.alpha8())
        } else {
            code.to_string()
        }
    }
}

impl From<Rgb8> for Color {
    fn from(code: Rgb8) -> Self {
        Self::new(
            Space::Srgb,
            code.channels().map(|c| f64::from(c) / 255.0),
            1.0,
        )
    }
}

impl From<Oklch> for Color {
    fn from(c: Oklch) -> Self {
        Self::new(Space::Oklch, [c.l, c.c, c.h], 1.0)
    }
}
