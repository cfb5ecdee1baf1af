//! Colours as the bare arguments of a function: `--sea: 200 77% 38%`, used as `hsl(var(--sea) / 50%)`.

use std::collections::HashMap;

use memchr::memmem;
use rhodon_color::Color;

use super::spelling::{FUNCTIONS, function, sounds_like_color};

/// The longest list of arguments, in bytes.
const LONGEST: usize = 60;

/// Functions in which a style sheet puts its variables, by the variable.
#[derive(Debug, Default)]
pub(super) struct Calls<'a>(HashMap<&'a str, &'static str>);

impl<'a> Calls<'a> {
    /// Looks for `hsl(var(--sea)` and its like.
    pub(super) fn of(text: &'a str) -> Self {
        let calls = memmem::find_iter(text.as_bytes(), "(var(--").filter_map(|at| {
            let before = text[..at].rfind(|c: char| !c.is_ascii_alphabetic());
            let name = &text[before.map_or(0, |n| n + 1).min(at)..at];
            let known = FUNCTIONS.iter().find(|f| f.eq_ignore_ascii_case(name))?;
            let variable = text[at + "(var(".len()..].split([')', ',', ' ']).next()?;
            Some((variable, *known))
        });
        Self(calls.collect())
    }

    /// The colour of a variable's value, where that is the arguments of a function, and the function.
    pub(super) fn color(&self, name: &str, value: &str) -> Option<(Color, &'static str)> {
        let called = self.0.get(name).copied();
        match called {
            Some(call) => Some((within(call, value)?, call)),
            None => bare(name, value),
        }
    }
}

/// The colour of a value that no function is seen around: two of three numbers are percentages, as only `hsl`
/// has them, or the name says that three whole numbers are a colour.
pub(crate) fn bare(name: &str, value: &str) -> Option<(Color, &'static str)> {
    let opaque = value.split('/').next()?;
    let call = match opaque.matches('%').count() {
        2 => "hsl",
        0 if sounds_like_color(name) && is_three_bytes(opaque) => "rgb",
        _ => return None,
    };
    Some((within(call, value)?, call))
}

fn is_three_bytes(value: &str) -> bool {
    let parts = value.split([' ', ',']).filter(|part| !part.is_empty());
    let bytes: Vec<bool> = parts.map(|part| part.parse::<u8>().is_ok()).collect();
    bytes.len() == 3 && bytes.iter().all(|is_byte| *is_byte)
}

fn within(call: &str, value: &str) -> Option<Color> {
    let fits = value.len() <= LONGEST
        && value.starts_with(|c: char| c.is_ascii_digit() || matches!(c, '.' | '-'));
    fits.then(|| function(&format!("{call}({value})")))?
}
