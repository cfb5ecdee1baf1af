//! Values together with the text that somebody wrote for them.

use std::borrow::Cow;
use std::fmt;
use std::ops::Deref;
use std::str::FromStr;
use std::sync::Arc;

use rhodon_color::{Color, ColorError, Notation, Rgb8};
use schemars::{JsonSchema, Schema, SchemaGenerator};
use serde::{Serialize, Serializer};

use crate::label::TokenPath;
use crate::value::{TokenKind, Value, Written};

/// A value, parsed once, and its text, which is what a document keeps.
#[derive(Clone, Debug)]
pub struct Typed<T> {
    text: Arc<str>,
    value: T,
}

impl<T> Typed<T> {
    /// The text as it was written.
    pub fn text(&self) -> &str {
        &self.text
    }

    /// What it means.
    pub fn value(&self) -> &T {
        &self.value
    }
}

impl<T> Deref for Typed<T> {
    type Target = T;

    fn deref(&self) -> &T {
        &self.value
    }
}

/// The same text of the same kind means the same.
impl<T> PartialEq for Typed<T> {
    fn eq(&self, other: &Self) -> bool {
        self.text == other.text
    }
}

impl<T> fmt::Display for Typed<T> {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        f.write_str(&self.text)
    }
}

impl<T> Serialize for Typed<T> {
    fn serialize<S: Serializer>(&self, serializer: S) -> Result<S::Ok, S::Error> {
        serializer.serialize_str(&self.text)
    }
}

impl<T> JsonSchema for Typed<T> {
    fn inline_schema() -> bool {
        true
    }

    fn schema_name() -> Cow<'static, str> {
        "Text".into()
    }

    fn json_schema(generator: &mut SchemaGenerator) -> Schema {
        String::json_schema(generator)
    }
}

impl FromStr for Typed<Color> {
    type Err = ColorError;

    fn from_str(text: &str) -> Result<Self, ColorError> {
        Ok(Self {
            text: text.into(),
            value: Color::parse(text)?,
        })
    }
}

impl From<Rgb8> for Typed<Color> {
    fn from(code: Rgb8) -> Self {
        Self {
            text: code.to_string().into(),
            value: code.into(),
        }
    }
}

impl Typed<Color> {
    /// A colour as it is typed into a field: any CSS colour, hex with or without `#`. One rule for
    /// every field.
    ///
    /// # Errors
    /// What was expected.
    pub fn from_field(text: &str) -> Result<Self, ColorError> {
        let text = text.trim();
        match text.parse() {
            Ok(color) => Ok(color),
            Err(_) => {
                let value = Color::parse_typed(text)?;
                Ok(Self {
                    text: format!("#{text}").into(),
                    value,
                })
            }
        }
    }

    /// A colour, written as its code with its opacity, or as CSS states it beyond sRGB.
    pub fn from_color(color: Color) -> Self {
        Self {
            text: color.to_hex().into(),
            value: color,
        }
    }
}

impl Typed<Written> {
    /// Reads a literal of a kind, or `{path}`.
    ///
    /// # Errors
    /// A sentence that says what was expected.
    pub fn parse(text: &str, kind: TokenKind) -> Result<Self, String> {
        Ok(Self {
            text: text.into(),
            value: Written::parse(text, kind)?,
        })
    }

    /// A reference to a token.
    pub fn reference(path: TokenPath) -> Self {
        Self {
            text: format!("{{{path}}}").into(),
            value: Written::Reference(path),
        }
    }

    /// A literal, as documents write it: colours beyond sRGB as CSS states them.
    pub fn literal(value: Value) -> Self {
        let text = match value.color() {
            Some(color) if color.p3.is_some() => Notation::Oklch.write(color.widest()),
            _ => value.to_string(),
        };
        Self {
            text: text.into(),
            value: Written::Literal(value),
        }
    }

    /// The path it refers to.
    pub fn target(&self) -> Option<&TokenPath> {
        match &self.value {
            Written::Reference(path) => Some(path),
            Written::Literal(_) => None,
        }
    }
}
