//! Values as they are written in a document, and as tokens carry them.

use std::{fmt, str::FromStr};

use rhodon_color::{Color, Rgb8};
use schemars::JsonSchema;
use serde::Serialize;

use crate::font_family::font_families;
use crate::label::{NameError, TokenPath};

/// A colour a token carries: the code every screen can show, an opacity, and the
/// wider colour behind it where there is one.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct ColorValue {
    /// Opaque code.
    pub code: Rgb8,
    /// Opacity, 0–1.
    pub alpha: f64,
    /// The same colour outside sRGB.
    pub p3: Option<Color>,
}

impl ColorValue {
    /// An opaque colour.
    pub fn opaque(code: Rgb8) -> Self {
        Self {
            code,
            alpha: 1.0,
            p3: None,
        }
    }

    /// As CSS states it, in sRGB.
    pub fn color(&self) -> Color {
        let base = Color::from(self.code);
        Color::new(base.space(), base.coords(), self.alpha)
    }

    /// As CSS states it, in the widest form known.
    pub fn widest(&self) -> Color {
        self.p3.map_or_else(
            || self.color(),
            |w| Color::new(w.space(), w.coords(), self.alpha),
        )
    }
}

impl From<Color> for ColorValue {
    fn from(color: Color) -> Self {
        let p3 = (!color.gamut_fit().srgb).then_some(color);
        Self {
            code: color.to_rgb8(),
            alpha: color.alpha(),
            p3,
        }
    }
}

impl fmt::Display for ColorValue {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        self.code.fmt(f)?;
        if self.alpha < 1.0 {
            write!(f, "{:02x}", (self.alpha * 255.0).round() as u8)?;
        }
        Ok(())
    }
}

/// The unit of a dimension.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
#[allow(missing_docs)]
pub enum Unit {
    Px,
    Rem,
}

impl fmt::Display for Unit {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        f.write_str(match self {
            Self::Px => "px",
            Self::Rem => "rem",
        })
    }
}

/// What a token is worth.
#[derive(Clone, Debug, PartialEq)]
pub enum Value {
    /// A colour.
    Color(ColorValue),
    /// A length.
    Dimension(f64, Unit),
    /// A plain number.
    Number(f64),
    /// Font families, the first that exists is used.
    FontFamily(Vec<String>),
    /// A font weight, 1–1000.
    FontWeight(u16),
}

impl Value {
    /// The colour, where it is one.
    pub fn color(&self) -> Option<&ColorValue> {
        match self {
            Self::Color(c) => Some(c),
            _ => None,
        }
    }
}

impl fmt::Display for Value {
    /// The form in which documents and the command line show a value.
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        match self {
            Self::Color(c) => c.fmt(f),
            Self::Dimension(n, unit) => write!(f, "{n}{unit}"),
            Self::Number(n) => n.fmt(f),
            Self::FontFamily(names) => f.write_str(&names.join(", ")),
            Self::FontWeight(n) => n.fmt(f),
        }
    }
}

/// A value as written: a literal, or a reference to another token.
#[derive(Clone, Debug, PartialEq)]
pub enum Written {
    /// `{petrol.600}`
    Reference(TokenPath),
    /// A literal of the token's kind.
    Literal(Value),
}

impl Written {
    /// Reads a literal of a kind, or `{path}`.
    ///
    /// # Errors
    /// A sentence that says what was expected.
    pub fn parse(text: &str, kind: TokenKind) -> Result<Self, String> {
        let text = text.trim();
        if let Some(path) = text.strip_prefix('{') {
            let path = path
                .strip_suffix('}')
                .ok_or("expected a closing brace after the token path")?;
            return path
                .trim()
                .parse()
                .map(Self::Reference)
                .map_err(|e| e.to_string());
        }
        let literal = match kind {
            TokenKind::Color => Value::Color(Color::parse(text).map_err(|e| e.to_string())?.into()),
            TokenKind::Dimension => {
                dimension(text).ok_or("expected a length in px or rem, such as 12px")?
            }
            TokenKind::Number => Value::Number(finite(text).ok_or("expected a number")?),
            TokenKind::FontFamily => {
                let names = font_families(text);
                if names.is_empty() {
                    return Err("expected font families separated by commas".to_owned());
                }
                Value::FontFamily(names)
            }
            TokenKind::FontWeight => {
                let weight = text.parse().ok().filter(|w| (1..=1000).contains(w));
                Value::FontWeight(weight.ok_or("expected a font weight from 1 to 1000")?)
            }
        };
        Ok(Self::Literal(literal))
    }
}

fn finite(text: &str) -> Option<f64> {
    text.parse::<f64>()
        .ok()
        .filter(|n| n.is_finite() && n.abs() < 1e9)
}

fn dimension(text: &str) -> Option<Value> {
    let (number, unit) = match text.strip_suffix("rem") {
        Some(n) => (n, Unit::Rem),
        None => (text.strip_suffix("px")?, Unit::Px),
    };
    Some(Value::Dimension(finite(number)?, unit))
}

/// The kind of a token's value, in the words of the open Design Tokens format.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, JsonSchema)]
#[serde(rename_all = "camelCase")]
#[allow(missing_docs)]
pub enum TokenKind {
    #[default]
    Color,
    Dimension,
    Number,
    FontFamily,
    FontWeight,
}

impl TokenKind {
    /// All kinds.
    pub const ALL: [Self; 5] = [
        Self::Color,
        Self::Dimension,
        Self::Number,
        Self::FontFamily,
        Self::FontWeight,
    ];

    /// Its name in the open Design Tokens format.
    pub fn id(self) -> &'static str {
        match self {
            Self::Color => "color",
            Self::Dimension => "dimension",
            Self::Number => "number",
            Self::FontFamily => "fontFamily",
            Self::FontWeight => "fontWeight",
        }
    }
}

impl FromStr for TokenKind {
    type Err = NameError;

    fn from_str(s: &str) -> Result<Self, NameError> {
        let found = Self::ALL.into_iter().find(|k| k.id() == s);
        found.ok_or(NameError::new(
            "color, dimension, number, fontFamily or fontWeight",
        ))
    }
}

/// Where a value comes from.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, JsonSchema)]
#[serde(rename_all = "lowercase")]
pub enum Origin {
    /// The user decided it in this document.
    Set,
    /// A rule made it.
    Derived,
    /// A parent decided it.
    Inherited,
}

impl Value {
    /// The kind of this value.
    pub fn kind(&self) -> TokenKind {
        match self {
            Self::Color(_) => TokenKind::Color,
            Self::Dimension(..) => TokenKind::Dimension,
            Self::Number(_) => TokenKind::Number,
            Self::FontFamily(_) => TokenKind::FontFamily,
            Self::FontWeight(_) => TokenKind::FontWeight,
        }
    }
}

impl Origin {
    /// All of them.
    pub const ALL: [Self; 3] = [Self::Set, Self::Derived, Self::Inherited];

    /// Of a decision: a parent's or the document's own.
    pub(crate) fn decided(inherited: bool) -> Self {
        if inherited {
            Self::Inherited
        } else {
            Self::Set
        }
    }

    /// Its name, as in `set`.
    pub fn id(self) -> &'static str {
        match self {
            Self::Set => "set",
            Self::Derived => "derived",
            Self::Inherited => "inherited",
        }
    }
}
