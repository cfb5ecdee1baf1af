//! Colours of asset catalogues: an object of texts, `"red" : "0x0F"`, `"green" : "0.361"`, `"blue" : "122"`.

use std::ops::Range;

use rhodon_color::{Color, Rgb8, Space};

use super::{ColorUse, Written};

/// Components that were met in an object.
#[derive(Default)]
pub(super) struct Components {
    values: [Option<f64>; 4],
    range: Option<Range<usize>>,
}

const KEYS: [&str; 4] = ["red", "green", "blue", "alpha"];

impl Components {
    /// Notes a text under a key.
    pub(super) fn add(&mut self, key: &str, text: &str, range: &Range<usize>) {
        let Some(index) = KEYS.iter().position(|k| *k == key) else {
            return;
        };
        let Some(value) = text
            .get(range.clone())
            .and_then(|t| component(t, index == 3))
        else {
            return;
        };
        self.values[index] = Some(value);
        let known = self.range.take().unwrap_or_else(|| range.clone());
        self.range = Some(known.start.min(range.start)..known.end.max(range.end));
    }

    /// The colour, once red, green and blue are there.
    pub(super) fn take(&mut self, name: &Option<String>) -> Option<ColorUse> {
        let [red, green, blue, alpha] = std::mem::take(&mut self.values);
        let range = self.range.take();
        let code = Rgb8::new(byte(red?), byte(green?), byte(blue?));
        let opaque = Color::from(code);
        Some(ColorUse {
            range: range?,
            color: Color::new(Space::Srgb, opaque.coords(), alpha.unwrap_or(1.0)),
            name: name.clone(),
            written: Written::Components,
        })
    }
}

fn byte(value: f64) -> u8 {
    (value * 255.0).round() as u8
}

/// A component as 0–1: two hex digits, a share with a point, or a whole number to 255.
fn component(text: &str, is_alpha: bool) -> Option<f64> {
    let text = text.trim();
    let value = if let Some(hex) = text.strip_prefix("0x").or_else(|| text.strip_prefix("0X")) {
        f64::from(u8::from_str_radix(hex, 16).ok()?) / 255.0
    } else if text.contains('.') || is_alpha {
        text.parse().ok()?
    } else {
        f64::from(text.parse::<u8>().ok()?) / 255.0
    };
    (0.0..=1.0).contains(&value).then_some(value)
}
