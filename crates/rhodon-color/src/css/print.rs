//! Writing a CSS colour.

use std::{fmt, str::FromStr};

use crate::{Color, Space};

/// How a colour is written in CSS.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Notation {
    /// `#0f5c7a`, with two more digits where it is not opaque.
    Hex,
    /// `rgb(15 92 122)`
    Rgb,
    /// `hsl(196.8 78.1% 26.9%)`
    Hsl,
    /// `oklch(0.4437 0.0862 229.7)`
    Oklch,
}

impl Notation {
    /// All notations.
    pub const ALL: [Self; 4] = [Self::Hex, Self::Rgb, Self::Hsl, Self::Oklch];

    /// Its name, as used in options.
    pub fn id(self) -> &'static str {
        match self {
            Self::Hex => "hex",
            Self::Rgb => "rgb",
            Self::Hsl => "hsl",
            Self::Oklch => "oklch",
        }
    }

    /// Writes a colour. `Hex`, `Rgb` and `Hsl` write the mapped 8-bit code; `Oklch`
    /// keeps what lies outside sRGB. Every form reads back to the same code.
    pub fn write(self, color: Color) -> String {
        let alpha = if color.alpha() < 1.0 {
            format!(" / {}", trimmed(color.alpha(), 3))
        } else {
            String::new()
        };
        let code = color.to_rgb8();
        match self {
            Self::Hex => color.to_hex(),
            Self::Rgb => format!("rgb({} {} {}{alpha})", code.r, code.g, code.b),
            Self::Hsl => {
                let [h, s, l] = Color::from(code).in_space(Space::Hsl);
                format!(
                    "hsl({} {}% {}%{alpha})",
                    trimmed(h, 2),
                    trimmed(s * 100.0, 2),
                    trimmed(l * 100.0, 2)
                )
            }
            Self::Oklch => {
                let c = color.to_oklch();
                let hue = c.hue().map_or_else(|| "none".to_owned(), |h| trimmed(h, 3));
                format!(
                    "oklch({} {} {hue}{alpha})",
                    trimmed(c.l, 5),
                    trimmed(c.c, 5)
                )
            }
        }
    }
}

/// A decimal without trailing zeros and without `-0`.
fn trimmed(value: f64, digits: usize) -> String {
    let text = format!("{value:.digits$}");
    let text = text.trim_end_matches('0').trim_end_matches('.');
    if text == "-0" {
        "0".to_owned()
    } else {
        text.to_owned()
    }
}

/// The word names no notation.
#[derive(Clone, Debug, PartialEq, Eq, thiserror::Error)]
#[error("expected hex, rgb, hsl or oklch")]
pub struct NotationError;

impl FromStr for Notation {
    type Err = NotationError;

    fn from_str(s: &str) -> Result<Self, NotationError> {
        Self::ALL
            .into_iter()
            .find(|n| n.id() == s)
            .ok_or(NotationError)
    }
}

impl fmt::Display for Notation {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        f.write_str(self.id())
    }
}
