//! Any two colours against each other, codes or tokens.

use rhodon_color::{Color, Rgb8, contrast_ratio, difference};

use crate::derive::Derived;
use crate::document::Typed;
use crate::level::Level;
use crate::token::{Mode, Token};

/// What one of two colours is.
#[derive(Clone, Debug)]
pub enum Side<'a> {
    /// The same in both modes.
    Code(Rgb8),
    /// A token of the theme.
    Token(&'a Token),
}

impl<'a> Side<'a> {
    /// A colour as it is typed, or the token of a path; see-through ones count as if they were opaque.
    ///
    /// # Errors
    /// What was expected.
    pub fn read(theme: &'a Derived, text: &str) -> Result<Self, String> {
        let text = text.trim();
        let token = theme.token(text);
        if let Some(token) = token.filter(|token| token.cell(Mode::Light).value.color().is_some()) {
            return Ok(Self::Token(token));
        }
        let typed = Typed::<Color>::from_field(text);
        let code = typed.map(|typed| typed.value().to_rgb8());
        code.map(Self::Code)
            .map_err(|e| format!("{e}, or the path of a token that is one"))
    }

    fn is_modeless(&self) -> bool {
        match self {
            Self::Code(_) => true,
            Self::Token(token) => token.is_modeless(),
        }
    }

    fn code(&self, mode: Mode) -> Option<Rgb8> {
        match self {
            Self::Code(code) => Some(*code),
            Self::Token(token) => Some(token.cell(mode).value.color()?.code),
        }
    }
}

/// Two colours against each other, in one mode.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Against {
    /// The mode, or none where neither differs by it.
    pub mode: Option<Mode>,
    /// What stands in front.
    pub front: Rgb8,
    /// What it stands on.
    pub ground: Rgb8,
    /// WCAG 2.2 contrast ratio, 1–21.
    pub ratio: f64,
    /// CIEDE2000.
    pub difference: f64,
}

/// Measures two colours, once or in both modes.
pub fn against(front: &Side<'_>, ground: &Side<'_>) -> Vec<Against> {
    let modes: &[Option<Mode>] = match front.is_modeless() && ground.is_modeless() {
        true => &[None],
        false => &[Some(Mode::Light), Some(Mode::Dark)],
    };
    let measured = modes.iter().filter_map(|mode| {
        let in_mode = mode.unwrap_or(Mode::Light);
        let (front, ground) = (front.code(in_mode)?, ground.code(in_mode)?);
        Some(Against {
            mode: *mode,
            front,
            ground,
            ratio: contrast_ratio(front, ground),
            difference: difference(front, ground),
        })
    });
    measured.collect()
}

impl Against {
    /// What it is enough for, by WCAG 2.2, 1.4.3, 1.4.6 and 1.4.11.
    pub fn serves(&self) -> &'static str {
        if self.ratio >= Level::More.text() {
            "any text, at more contrast too"
        } else if self.ratio >= Level::Usual.text() {
            "any text"
        } else if self.ratio >= Level::Usual.graphic() {
            "large text and parts"
        } else {
            "nothing that is read or must be seen"
        }
    }
}
