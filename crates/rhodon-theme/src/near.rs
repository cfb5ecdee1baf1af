//! The tokens that come nearest to a colour.

use std::sync::Arc;

use rhodon_color::{Rgb8, lab_d65, lab_difference};

use crate::derive::Derived;
use crate::token::Mode;
use crate::value::ColorValue;

/// A token, in one mode, beside a colour.
#[derive(Clone, Debug, PartialEq)]
pub struct Near {
    /// Its path.
    pub path: Arc<str>,
    /// The mode, or none where it has one value for both.
    pub mode: Option<Mode>,
    /// Its value.
    pub color: ColorValue,
    /// CIEDE2000 from the colour; see-through values are compared as if they were opaque.
    pub difference: f64,
}

/// The tokens nearest to a colour, the nearest first and at most `most`; of equals steps come before what
/// is painted with them.
pub fn near(theme: &Derived, code: Rgb8, most: usize) -> Vec<Near> {
    let own = lab_d65(code);
    let mut all = Vec::with_capacity(theme.tokens.len() * 2);
    for token in &theme.tokens {
        let modes: &[Option<Mode>] = match token.is_modeless() {
            true => &[None],
            false => &[Some(Mode::Light), Some(Mode::Dark)],
        };
        for mode in modes {
            let cell = token.cell(mode.unwrap_or(Mode::Light));
            let Some(color) = cell.value.color() else {
                continue;
            };
            all.push(Near {
                path: token.path.clone(),
                mode: *mode,
                color: *color,
                difference: lab_difference(own, lab_d65(color.code)),
            });
        }
    }
    // Stable: tokens come scales first.
    all.sort_by(|a, b| a.difference.total_cmp(&b.difference));
    all.truncate(most);
    all
}
