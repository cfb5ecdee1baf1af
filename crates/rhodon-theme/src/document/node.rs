//! Colours and modes where a document holds them.

use rhodon_color::Color;

use super::field::Node;
use super::problem::{Problems, quoted};
use super::typed::Typed;
use crate::token::Mode;

impl Node<'_> {
    /// Light or dark.
    pub(super) fn mode(&self, problems: &mut Problems) -> Option<Mode> {
        match self.text(5, problems)?.as_str() {
            "light" => Some(Mode::Light),
            "dark" => Some(Mode::Dark),
            _ => {
                problems.add(&self.pointer, "expected the mode light or dark");
                None
            }
        }
    }

    /// A colour together with the text that it was written as.
    pub(super) fn color(&self, problems: &mut Problems) -> Option<Typed<Color>> {
        let text = self.text(1000, problems)?;
        text.parse()
            .map_err(|e| problems.add(&self.pointer, format!("{}: {e}", quoted(&text))))
            .ok()
    }
}
