//! `calc()` with `+ - * /` and brackets, as CSS Values 4 (section 10) types it:
//! sums join values of one kind, products take one plain number.

use cssparser::{Parser, Token};

use super::component::{Component, Result, measured};
use super::error::ColorError;

/// A sum, up to the end of the enclosing bracket.
pub(crate) fn sum<'i>(input: &mut Parser<'i, '_>) -> Result<'i, Component> {
    let mut left = term(input)?;
    while let Ok(sign) = input.try_parse(|i| spaced_sign(i)) {
        let right = term(input)?;
        left = joined(left, right, sign).ok_or_else(|| {
            input.new_custom_error(ColorError::expected("calc() to add values of one kind"))
        })?;
    }
    input.expect_exhausted()?;
    Ok(left)
}

/// `+` or `-` with white space on both sides, as CSS demands.
fn spaced_sign<'i>(input: &mut Parser<'i, '_>) -> std::result::Result<f64, ()> {
    if !matches!(input.next_including_whitespace(), Ok(Token::WhiteSpace(_))) {
        return Err(());
    }
    let sign = match input.next() {
        Ok(Token::Delim('+')) => 1.0,
        Ok(Token::Delim('-')) => -1.0,
        _ => return Err(()),
    };
    match input.next_including_whitespace() {
        Ok(Token::WhiteSpace(_)) => Ok(sign),
        _ => Err(()),
    }
}

fn term<'i>(input: &mut Parser<'i, '_>) -> Result<'i, Component> {
    let mut left = factor(input)?;
    loop {
        let divide = match input.try_parse(|i| match i.next() {
            Ok(Token::Delim('*')) => Ok(false),
            Ok(Token::Delim('/')) => Ok(true),
            _ => Err(()),
        }) {
            Ok(divide) => divide,
            Err(()) => return Ok(left),
        };
        let right = factor(input)?;
        left = multiplied(left, right, divide).ok_or_else(|| {
            input.new_custom_error(ColorError::expected(
                "calc() to multiply or divide by a plain number other than zero",
            ))
        })?;
    }
}

fn factor<'i>(input: &mut Parser<'i, '_>) -> Result<'i, Component> {
    input.skip_whitespace();
    let start = input.position();
    let token = input.next()?.clone();
    match &token {
        Token::ParenthesisBlock => input.parse_nested_block(sum),
        Token::Function(name) if name.eq_ignore_ascii_case("calc") => input.parse_nested_block(sum),
        _ => measured(&token, input.slice_from(start)).ok_or_else(|| {
            let found = format!("`{}`", input.slice_from(start));
            input.new_custom_error(ColorError::expected("a value inside calc()").found(found))
        }),
    }
}

fn joined(left: Component, right: Component, sign: f64) -> Option<Component> {
    use Component::{Angle, Number, Percent};
    Some(match (left, right) {
        (Number(a), Number(b)) => Number(a + sign * b),
        (Percent(a), Percent(b)) => Percent(a + sign * b),
        (Angle(a), Angle(b)) => Angle(a + sign * b),
        _ => return None,
    })
}

fn multiplied(left: Component, right: Component, divide: bool) -> Option<Component> {
    use Component::{Angle, Number, Percent};
    let (value, by) = match (left, right) {
        (value, Number(by)) => (value, by),
        (Number(by), value) if !divide => (value, by),
        _ => return None,
    };
    if divide && by == 0.0 {
        return None;
    }
    let by = if divide { 1.0 / by } else { by };
    Some(match value {
        Number(a) => Number(a * by),
        Percent(a) => Percent(a * by),
        Angle(a) => Angle(a * by),
        Component::None => return None,
    })
}
