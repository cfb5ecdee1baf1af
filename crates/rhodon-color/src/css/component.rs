//! One component of a colour function: a number, a percentage, an angle or `none`.

use cssparser::{ParseError, Parser, Token};

use super::calc;
use super::error::ColorError;

pub(crate) type Result<'i, T> = std::result::Result<T, ParseError<'i, ColorError>>;

/// A component with its unit; percentages as typed (`50%` is 50), angles in degrees.
#[derive(Clone, Copy, Debug, PartialEq)]
pub(crate) enum Component {
    None,
    Number(f64),
    Percent(f64),
    Angle(f64),
}

impl Component {
    pub(crate) fn kind(self) -> &'static str {
        match self {
            Self::None => "none",
            Self::Number(_) => "a number",
            Self::Percent(_) => "a percentage",
            Self::Angle(_) => "an angle",
        }
    }
}

/// Reads the next component, `calc()` included.
pub(crate) fn next<'i>(input: &mut Parser<'i, '_>) -> Result<'i, Component> {
    input.skip_whitespace();
    let start = input.position();
    let token = match input.next() {
        Ok(token) => token.clone(),
        Err(_) => {
            return Err(
                input.new_custom_error(ColorError::expected("another value").found("the end"))
            );
        }
    };
    match &token {
        Token::Ident(word) if word.eq_ignore_ascii_case("none") => Ok(Component::None),
        Token::Function(name) if name.eq_ignore_ascii_case("calc") => {
            input.parse_nested_block(calc::sum)
        }
        _ => match measured(&token, input.slice_from(start)) {
            Some(component) => Ok(component),
            None => {
                let found = format!("`{}`", input.slice_from(start).trim());
                let expected = ColorError::expected("a number, a percentage, an angle or none");
                Err(input.new_custom_error(expected.found(found)))
            }
        },
    }
}

/// A numeric token as a component. The tokenizer keeps single precision, so the
/// digits are read again from the text.
pub(crate) fn measured(token: &Token<'_>, text: &str) -> Option<Component> {
    let value = leading_number(text)?;
    match token {
        Token::Number { .. } => Some(Component::Number(value)),
        Token::Percentage { .. } => Some(Component::Percent(value)),
        Token::Dimension { unit, .. } => {
            let degrees = match unit.to_ascii_lowercase().as_str() {
                "deg" => value,
                "grad" => value * 0.9,
                "rad" => value.to_degrees(),
                "turn" => value * 360.0,
                _ => return None,
            };
            Some(Component::Angle(degrees))
        }
        _ => None,
    }
}

/// The number at the start of a numeric token's text.
fn leading_number(text: &str) -> Option<f64> {
    let bytes = text.as_bytes();
    let digits = |mut i: usize| {
        while bytes.get(i).is_some_and(u8::is_ascii_digit) {
            i += 1;
        }
        i
    };
    let mut end = digits(usize::from(matches!(bytes.first(), Some(b'+' | b'-'))));
    if bytes.get(end) == Some(&b'.') {
        end = digits(end + 1);
    }
    if matches!(bytes.get(end), Some(b'e' | b'E')) {
        let sign = usize::from(matches!(bytes.get(end + 1), Some(b'+' | b'-')));
        let exponent = digits(end + 1 + sign);
        if exponent > end + 1 + sign {
            end = exponent;
        }
    }
    text.get(..end)?.parse().ok()
}

#[cfg(test)]
mod tests {
    use super::leading_number;

    #[test]
    fn numbers_are_read_as_css_reads_them() {
        for (text, value) in [
            ("1", 1.0),
            ("-.5%", -0.5),
            ("+3.25deg", 3.25),
            ("1e2", 100.0),
            ("2em", 2.0),
            ("1e-1%", 0.1),
        ] {
            assert_eq!(leading_number(text), Some(value), "{text}");
        }
    }
}
