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
            let name = text[..at]
                .rsplit(|c: char| !c.is_ascii_alphabetic())
                .next()?;
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

#[cfg(test)]
mod tests {
    use super::*;

    fn read(text: &str, name: &str, value: &str) -> Option<String> {
        let found = Calls::of(text).color(name, value);
        found.map(|(color, call)| format!("{call} {}", color.to_hex()))
    }

    #[test]
    fn the_function_around_a_variable_says_what_its_numbers_are() {
        let used =
            "é(var(--sea)) .a { color: rgb(var(--sea) / .5); fill: OKLCH(var(--wave, 1)) } (var(--";
        assert_eq!(
            read(used, "--sea", "15 92 122").as_deref(),
            Some("rgb #0f5c7a")
        );
        assert_eq!(
            read(used, "--wave", "0.45 0.085 227").as_deref(),
            Some("oklch #065e7a")
        );
        // What a function takes it for, and not what it looks like.
        assert_eq!(read("rgb(var(--a))", "--a", "200deg 77% 38%"), None);
        assert_eq!(
            read("", "--a", "200 77% 38%").as_deref(),
            Some("hsl #167aac")
        );
        assert_eq!(
            read("", "--color-a", "15 92 122").as_deref(),
            Some("rgb #0f5c7a")
        );
        for (name, value) in [
            ("--gap", "15 92 122"),
            ("--color-a", "15 92 300"),
            ("--color-a", "15 92"),
            ("--a", "50% 20%"),
            ("--a", "a 50% 20%"),
            ("--a", ""),
        ] {
            assert_eq!(read("", name, value), None, "{name}: {value}");
        }
    }
}
