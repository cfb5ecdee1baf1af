//! Reading a CSS colour.

use cssparser::{CowRcStr, ParseError, ParseErrorKind, Parser, ParserInput, Token};

use super::component::{self, Component, Result};
use super::error::ColorError;
use super::function::{COLOR_SLOTS, COLOR_SPACES, FUNCTIONS, Function, Slot};
use crate::{Color, Rgb8, Space};

/// Longer texts are not colours; the limit keeps hostile input cheap.
const MAX_LENGTH: usize = 1000;
/// Brackets nested deeper than this are refused before they are parsed.
const MAX_DEPTH: usize = 16;

const FORMS: &str =
    "a CSS colour such as #0f5c7a, rgb(15 92 122), hsl(197 78% 27%) or oklch(45% 0.08 230)";

/// Colour keywords whose value depends on where they stand.
const CONTEXT_KEYWORDS: &[&str] = &[
    "accentcolor",
    "accentcolortext",
    "activetext",
    "buttonborder",
    "buttonface",
    "buttontext",
    "canvas",
    "canvastext",
    "currentcolor",
    "field",
    "fieldtext",
    "graytext",
    "highlight",
    "highlighttext",
    "inherit",
    "initial",
    "linktext",
    "mark",
    "marktext",
    "revert",
    "revert-layer",
    "selecteditem",
    "selecteditemtext",
    "unset",
    "visitedtext",
];

/// See [`Color::parse`].
pub(crate) fn parse(text: &str) -> std::result::Result<Color, ColorError> {
    if text.len() > MAX_LENGTH {
        return Err(ColorError::expected(FORMS).found(format!("{} characters", text.len())));
    }
    if text.bytes().filter(|b| *b == b'(').count() > MAX_DEPTH {
        return Err(ColorError::expected(format!(
            "at most {MAX_DEPTH} brackets"
        )));
    }
    let trimmed = text.trim();
    if trimmed.is_empty() {
        return Err(ColorError::expected(FORMS).found("nothing"));
    }
    let mut source = ParserInput::new(text);
    let mut input = Parser::new(&mut source);
    input
        .parse_entirely(color)
        .map_err(|error| sentence(&error, trimmed))
}

/// See [`Color::parse_typed`].
pub(crate) fn parse_typed(text: &str) -> std::result::Result<Color, ColorError> {
    match hex(text.trim()) {
        Some(color) => Ok(color),
        None => parse(text),
    }
}

/// Turns the tokenizer's errors into the same kind of sentence as ours.
fn sentence(error: &ParseError<'_, ColorError>, text: &str) -> ColorError {
    match &error.kind {
        ParseErrorKind::Custom(own) => own.clone(),
        ParseErrorKind::Basic(cssparser::BasicParseErrorKind::EndOfInput) => {
            ColorError::expected("more values").found("the end")
        }
        ParseErrorKind::Basic(cssparser::BasicParseErrorKind::UnexpectedToken(token)) => {
            ColorError::expected("nothing more").found(describe(token))
        }
        ParseErrorKind::Basic(_) => ColorError::expected(FORMS).found(format!("`{text}`")),
    }
}

fn describe(token: &Token<'_>) -> String {
    use cssparser::ToCss;
    format!("`{}`", token.to_css_string())
}

fn color<'i>(input: &mut Parser<'i, '_>) -> Result<'i, Color> {
    let token = input.next()?.clone();
    match token {
        Token::Hash(digits) | Token::IDHash(digits) => hex(&digits).ok_or_else(|| {
            let expected = ColorError::expected("3, 4, 6 or 8 hex digits after #");
            input.new_custom_error(expected.found(format!("`{digits}`")))
        }),
        Token::Ident(word) => keyword(&word).map_err(|e| input.new_custom_error(e)),
        Token::Function(name) => input.parse_nested_block(|block| function(&name, block)),
        other => Err(input.new_custom_error(ColorError::expected(FORMS).found(describe(&other)))),
    }
}

/// See [`Color::from_hex`].
pub(crate) fn hex(digits: &str) -> Option<Color> {
    // A sign would be read as part of the number.
    if !digits.bytes().all(|b| b.is_ascii_hexdigit()) {
        return None;
    }
    let value = u32::from_str_radix(digits, 16).ok()?;
    let twice = |shift: u32| ((value >> shift & 15) * 17) as u8;
    let [r, g, b, a] = match digits.len() {
        3 => [twice(8), twice(4), twice(0), 255],
        4 => [twice(12), twice(8), twice(4), twice(0)],
        6 => (value << 8 | 255).to_be_bytes(),
        8 => value.to_be_bytes(),
        _ => return None,
    };
    let opaque = Color::from(Rgb8::new(r, g, b));
    Some(Color::new(
        Space::Srgb,
        opaque.coords(),
        f64::from(a) / 255.0,
    ))
}

fn keyword(word: &str) -> std::result::Result<Color, ColorError> {
    let lower = word.to_ascii_lowercase();
    if lower == "transparent" {
        return Ok(Color::new(Space::Srgb, [0.0; 3], 0.0));
    }
    if let Some(named) = palette::named::from_str(&lower) {
        return Ok(Rgb8::new(named.red, named.green, named.blue).into());
    }
    if CONTEXT_KEYWORDS.contains(&lower.as_str()) {
        let expected = ColorError::expected("a colour with a value of its own");
        return Err(expected.found(format!("`{word}`, which depends on where it stands")));
    }
    Err(
        ColorError::expected("a CSS colour name or a code such as #0f5c7a")
            .found(format!("`{word}`")),
    )
}

fn function<'i>(name: &CowRcStr<'i>, input: &mut Parser<'i, '_>) -> Result<'i, Color> {
    if input.try_parse(|i| i.expect_ident_matching("from")).is_ok() {
        let found = ColorError::expected("values")
            .found("`from` (relative colours are not part of CSS Color 4)");
        return Err(input.new_custom_error(found));
    }
    if name.eq_ignore_ascii_case("color") {
        return color_function(input);
    }
    match FUNCTIONS
        .iter()
        .find(|f| f.names.iter().any(|n| name.eq_ignore_ascii_case(n)))
    {
        Some(known) => components(known.space, &known.slots, known, input),
        None => {
            let names: Vec<_> = FUNCTIONS.iter().map(|f| f.names[0]).collect();
            let expected = ColorError::expected(format!("one of {}, color", names.join(", ")));
            Err(input.new_custom_error(expected.found(format!("`{name}()`"))))
        }
    }
}

fn color_function<'i>(input: &mut Parser<'i, '_>) -> Result<'i, Color> {
    let word = input.expect_ident_cloned()?;
    let space = COLOR_SPACES
        .iter()
        .find(|(name, _)| word.eq_ignore_ascii_case(name));
    let Some((_, space)) = space else {
        let names: Vec<_> = COLOR_SPACES.iter().map(|(name, _)| *name).collect();
        let expected = ColorError::expected(format!("one of the spaces {}", names.join(", ")));
        return Err(input.new_custom_error(expected.found(format!("`{word}`"))));
    };
    let modern = Function {
        names: &["color"],
        space: *space,
        slots: COLOR_SLOTS,
        legacy: false,
    };
    components(*space, &COLOR_SLOTS, &modern, input)
}

fn components<'i>(
    space: Space,
    slots: &[Slot; 3],
    function: &Function,
    input: &mut Parser<'i, '_>,
) -> Result<'i, Color> {
    let mut found = [Component::None; 3];
    let mut commas = false;
    for (i, place) in found.iter_mut().enumerate() {
        if i > 0 && !input.is_exhausted() {
            let comma = input.try_parse(|p| p.expect_comma()).is_ok();
            if i == 1 {
                commas = comma;
            }
            if comma != commas || (comma && !function.legacy) {
                let form = if function.legacy {
                    "commas or spaces, not both"
                } else {
                    "values apart by spaces"
                };
                return Err(input.new_custom_error(ColorError::expected(form)));
            }
        }
        *place = component::next(input).map_err(|e| counted(e, function, i))?;
    }
    if commas {
        check_legacy(function, &found).map_err(|e| input.new_custom_error(e))?;
    }
    let mut coords = [0.0; 3];
    for (i, slot) in slots.iter().enumerate() {
        coords[i] = coordinate(slot, found[i]).map_err(|e| input.new_custom_error(e))?;
    }
    let alpha = alpha(commas, input)?;
    Ok(Color::new(space, coords, alpha))
}

/// A missing component reads better with the count of what is there.
fn counted<'i>(
    error: ParseError<'i, ColorError>,
    function: &Function,
    have: usize,
) -> ParseError<'i, ColorError> {
    match &error.kind {
        ParseErrorKind::Custom(own)
            if *own == ColorError::expected("another value").found("the end") =>
        {
            let expected = ColorError::expected(format!("3 values in {}()", function.names[0]));
            let location = error.location;
            ParseError {
                kind: ParseErrorKind::Custom(expected.found(have.to_string())),
                location,
            }
        }
        _ => error,
    }
}

/// The comma forms: rgb takes three of one kind, hsl percentages, and nothing is missing.
fn check_legacy(
    function: &Function,
    found: &[Component; 3],
) -> std::result::Result<(), ColorError> {
    if found.contains(&Component::None) {
        return Err(ColorError::expected("numbers where commas are used").found("none"));
    }
    let same =
        |a: Component, b: Component| std::mem::discriminant(&a) == std::mem::discriminant(&b);
    let fine = match function.space {
        Space::Srgb => same(found[0], found[1]) && same(found[1], found[2]),
        _ => found[1..]
            .iter()
            .all(|c| matches!(c, Component::Percent(_))),
    };
    if fine {
        return Ok(());
    }
    Err(ColorError::expected(match function.space {
        Space::Srgb => "three numbers or three percentages where commas are used",
        _ => "percentages after the hue where commas are used",
    }))
}

fn coordinate(slot: &Slot, component: Component) -> std::result::Result<f64, ColorError> {
    let refused = || {
        let kinds = match (slot.angle, slot.percent) {
            (true, _) => "a number or an angle",
            (_, Some(_)) => "a number or a percentage",
            _ => "a number",
        };
        ColorError::expected(format!("{kinds} for {}", slot.name)).found(component.kind())
    };
    let value = match component {
        Component::None => 0.0,
        Component::Number(n) => n * slot.number.ok_or_else(refused)?,
        Component::Percent(p) => p / 100.0 * slot.percent.ok_or_else(refused)?,
        Component::Angle(a) if slot.angle => a,
        Component::Angle(_) => return Err(refused()),
    };
    // Numbers beyond what a double holds read as infinity; CSS keeps the largest finite one.
    Ok(value.clamp(-1e30, 1e30).clamp(slot.range.0, slot.range.1))
}

fn alpha<'i>(commas: bool, input: &mut Parser<'i, '_>) -> Result<'i, f64> {
    if input.is_exhausted() {
        return Ok(1.0);
    }
    let separated = if commas {
        input.try_parse(|i| i.expect_comma()).is_ok()
    } else {
        input.try_parse(|i| i.expect_delim('/')).is_ok()
    };
    if !separated {
        let expected = if commas {
            "a comma before the opacity"
        } else {
            "a slash before the opacity"
        };
        let found = input.next().map(describe).unwrap_or_default();
        return Err(input.new_custom_error(ColorError::expected(expected).found(found)));
    }
    match component::next(input)? {
        Component::None if !commas => Ok(0.0),
        Component::Number(n) => Ok(n.clamp(0.0, 1.0)),
        Component::Percent(p) => Ok((p / 100.0).clamp(0.0, 1.0)),
        other => {
            let expected = ColorError::expected("a number or a percentage for the opacity");
            Err(input.new_custom_error(expected.found(other.kind())))
        }
    }
}
