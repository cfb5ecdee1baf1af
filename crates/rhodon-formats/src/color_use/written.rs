//! A colour where it stands.

use std::ops::Range;

use rhodon_color::Color;

use super::constructor::Order;

/// A colour as it stands in a text.
#[derive(Clone, Debug, PartialEq)]
pub struct ColorUse {
    /// Bytes of its spelling.
    pub range: Range<usize>,
    /// What it is.
    pub color: Color,
    /// The variable, key or resource whose value it is.
    pub name: Option<String>,
    /// How it is written.
    pub written: Written,
}

/// How a colour is written in a kind of file.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Written {
    /// As CSS has it.
    Css,
    /// Digits with the opacity in front, behind `#` or `0x`.
    AlphaFirst,
    /// Three numbers from 0 to 255.
    Channels,
    /// What stands in the brackets of a CSS function of that name, which is written where it is used: `200 77% 38%`
    /// for `hsl(var(--sea))`.
    Arguments(&'static str),
    /// Numbers that code makes a colour of.
    Made(Order),
    /// Texts of an object, a component each.
    Components,
}

impl ColorUse {
    /// A colour as CSS has it.
    pub(super) fn css(range: Range<usize>, color: Color, name: Option<String>) -> Self {
        let written = Written::Css;
        Self {
            range,
            color,
            name,
            written,
        }
    }
}
