//! Another colour in the same spelling: kind, case, units, separators, decimals and opacity stay.

use std::ops::Range;

use cssparser::{Parser, ParserInput, Token};

use super::beyond::{bare_code, grey_level};
use super::function::{COLOR_SLOTS, COLOR_SPACES, FUNCTIONS, Slot};
use super::parse::parse;
use crate::{Color, Rgb8, Space};

/// Decimals beyond those that were written, at most: enough for any code in any space.
const MORE_DECIMALS: usize = 6;

/// A code spelt as another colour was. Without `alpha` the opacity stays as it is written; a name
/// becomes hex digits. Decimals are added only where the code would be another one without them.
/// `None` where the text is no colour, or its form cannot hold the code.
///
/// ```
/// use rhodon_color::{Rgb8, respelt};
/// let new = Rgb8::new(0x0f, 0x5c, 0x7a);
/// assert_eq!(respelt("RGBA(228, 87, 46, .5)", new, None).unwrap(), "RGBA(15, 92, 122, .5)");
/// assert_eq!(respelt("#FFF8", new, None).unwrap(), "#0F5C7A88");
/// assert_eq!(respelt("E4572E", new, None).unwrap(), "0F5C7A");
/// assert_eq!(respelt("gray93", new, None).unwrap(), "#0f5c7a");
/// ```
pub fn respelt(text: &str, new: Rgb8, alpha: Option<f64>) -> Option<String> {
    if alpha.is_none() && code_of(text) == Some(new) {
        return Some(text.to_owned());
    }
    if let Some(digits) = text.strip_prefix('#') {
        return Some(format!("#{}", hex_like(digits, new, alpha)?));
    }
    if text.contains('(') {
        return function_like(text, new, alpha);
    }
    let is_veiled = alpha.is_some_and(|a| a < 1.0);
    if bare_code(text).is_some() {
        // Digits alone are six: no opacity stands behind them.
        return hex_like(text, new, None).filter(|_| !is_veiled);
    }
    code_of(text)?;
    let long = if is_veiled { "aaaaaaaa" } else { "aaaaaa" };
    Some(format!("#{}", hex_like(long, new, alpha)?))
}

/// The code of a text, whether style sheets know how it is spelt or only programs do.
fn code_of(text: &str) -> Option<Rgb8> {
    let known = parse(text).ok().or_else(|| bare_code(text));
    known.map(Color::to_rgb8).or_else(|| grey_level(text))
}

/// The same for digits with the opacity in front, as the languages of apps write them: `#` or `0x` before
/// them, lines between and letters behind them stay.
///
/// ```
/// use rhodon_color::{Rgb8, respelt_alpha_first};
/// let new = Rgb8::new(0x0f, 0x5c, 0x7a);
/// assert_eq!(respelt_alpha_first("0x80_E457_2EL", new, None).unwrap(), "0x80_0F5C_7AL");
/// assert_eq!(respelt_alpha_first("Tan", new, Some(0.5)).unwrap(), "#800f5c7a");
/// ```
pub fn respelt_alpha_first(text: &str, new: Rgb8, alpha: Option<f64>) -> Option<String> {
    if code_of(text).is_some() && text.bytes().all(|b| b.is_ascii_alphabetic()) {
        // What had a name has digits now.
        return respelt_alpha_first("#aaaaaa", new, alpha);
    }
    let prefix = ["#", "0x", "0X"]
        .into_iter()
        .find(|p| text.starts_with(p))?;
    let body = &text[prefix.len()..];
    let digits: String = body.chars().filter(char::is_ascii_hexdigit).collect();
    // The rule of CSS, with the opacity turned behind and back.
    let front = |length: usize| {
        if length == 4 || length == 8 {
            length / 4
        } else {
            0
        }
    };
    let (opacity, code) = digits.split_at(front(digits.len()));
    let spelt = hex_like(&format!("{code}{opacity}"), new, alpha)?;
    let (code, opacity) = spelt.split_at(spelt.len() - front(spelt.len()));
    let turned = format!("{opacity}{code}");
    if turned.len() != digits.len() {
        let behind = body.trim_start_matches(|c: char| c.is_ascii_hexdigit() || c == '_');
        return Some(format!("{prefix}{turned}{behind}"));
    }
    let mut next = turned.chars();
    let put = |c: char| {
        if c.is_ascii_hexdigit() {
            next.next().unwrap_or(c)
        } else {
            c
        }
    };
    Some(format!(
        "{prefix}{}",
        body.chars().map(put).collect::<String>()
    ))
}

/// Hex digits in the length and case of others; short ones stay short where the code allows it.
fn hex_like(digits: &str, new: Rgb8, alpha: Option<f64>) -> Option<String> {
    super::parse::hex(digits)?;
    let is_short = digits.len() < 5;
    let code = new.to_string();
    let opacity = match (alpha, digits.len()) {
        (Some(alpha), _) if alpha < 1.0 => format!("{:02x}", (alpha * 255.0).round() as u8),
        (Some(_), _) | (None, 3 | 6) => String::new(),
        (None, 4) => digits[3..].repeat(2),
        (None, _) => digits[6..].to_owned(),
    };
    let long = format!("{}{opacity}", &code[1..]).to_ascii_lowercase();
    let pairs = || long.as_bytes().chunks(2);
    let out: String = if is_short && pairs().all(|p| p[0] == p[1]) {
        pairs().map(|p| p[0] as char).collect()
    } else {
        long
    };
    let is_upper = digits.bytes().any(|b| b.is_ascii_uppercase())
        && !digits.bytes().any(|b| b.is_ascii_lowercase());
    Some(if is_upper {
        out.to_ascii_uppercase()
    } else {
        out
    })
}

/// How a component is written.
#[derive(Clone, Copy, Debug, PartialEq)]
enum Form {
    Number,
    Percent,
    /// Degrees that one of its unit stands for.
    Angle(f64),
    /// `none`, or a calculation.
    Other,
}

/// A component: where it stands, and how it is written.
#[derive(Clone, Debug)]
struct Written {
    range: Range<usize>,
    form: Form,
    decimals: usize,
    /// Whether a number below one begins with its point.
    bare_point: bool,
    /// What stands behind its digits.
    unit: String,
}

/// A function with its parts.
struct Parts {
    space: Space,
    slots: [Slot; 3],
    components: Vec<Written>,
    commas: bool,
    /// Where its bracket closes.
    close: usize,
}

fn function_like(text: &str, new: Rgb8, alpha: Option<f64>) -> Option<String> {
    parse(text).ok()?;
    let parts = taken_apart(text)?;
    let coords = Color::from(new).in_space(parts.space);
    (0..=MORE_DECIMALS).find_map(|more| {
        let out = put_together(text, &parts, coords, alpha, more);
        let same = parse(&out).is_ok_and(|color| color.to_rgb8() == new);
        same.then_some(out)
    })
}

fn taken_apart(text: &str) -> Option<Parts> {
    let mut source = ParserInput::new(text);
    let mut input = Parser::new(&mut source);
    let name = input.expect_function().ok()?.clone();
    let parts = input.parse_nested_block(|block| {
        let (space, slots) = if name.eq_ignore_ascii_case("color") {
            let word = block.expect_ident_cloned()?;
            let known = COLOR_SPACES
                .iter()
                .find(|(name, _)| word.eq_ignore_ascii_case(name));
            (known.map(|(_, space)| *space), COLOR_SLOTS)
        } else {
            let known = FUNCTIONS
                .iter()
                .find(|f| f.names.iter().any(|n| name.eq_ignore_ascii_case(n)));
            (
                known.map(|f| f.space),
                known.map_or(COLOR_SLOTS, |f| f.slots),
            )
        };
        let (mut components, mut commas) = (Vec::new(), false);
        loop {
            block.skip_whitespace();
            let start = block.position().byte_index();
            let Ok(token) = block.next().cloned() else {
                break;
            };
            match &token {
                Token::Comma => commas = true,
                Token::Delim('/') => {}
                Token::Function(_) => {
                    block.parse_nested_block(|inner| {
                        while inner.next().is_ok() {}
                        Ok::<_, cssparser::ParseError<'_, ()>>(())
                    })?;
                    components.push(written(&token, text, start..block.position().byte_index()));
                }
                _ => components.push(written(&token, text, start..block.position().byte_index())),
            }
        }
        let close = block.position().byte_index();
        Ok::<_, cssparser::ParseError<'_, ()>>(space.map(|space| Parts {
            space,
            slots,
            components,
            commas,
            close,
        }))
    });
    parts
        .ok()
        .flatten()
        .filter(|parts| parts.components.len() >= 3)
}

fn written(token: &Token<'_>, text: &str, range: Range<usize>) -> Written {
    let own = &text[range.clone()];
    let digits_end = own
        .find(|c: char| !(c.is_ascii_digit() || matches!(c, '.' | '+' | '-')))
        .unwrap_or(own.len());
    let (digits, unit) = own.split_at(digits_end);
    let form = match token {
        Token::Number { .. } => Form::Number,
        Token::Percentage { .. } => Form::Percent,
        Token::Dimension { .. } => match unit.to_ascii_lowercase().as_str() {
            "grad" => Form::Angle(0.9),
            "rad" => Form::Angle(1f64.to_degrees()),
            "turn" => Form::Angle(360.0),
            _ => Form::Angle(1.0),
        },
        _ => Form::Other,
    };
    Written {
        range,
        form,
        decimals: digits.split_once('.').map_or(0, |(_, d)| d.len()),
        bare_point: digits.trim_start_matches(['+', '-']).starts_with('.'),
        unit: if form == Form::Other {
            String::new()
        } else {
            unit.to_owned()
        },
    }
}

fn put_together(
    text: &str,
    parts: &Parts,
    coords: [f64; 3],
    alpha: Option<f64>,
    more: usize,
) -> String {
    let mut out = String::with_capacity(text.len() + 8);
    let mut at = 0;
    for (i, slot) in parts.slots.iter().enumerate() {
        let component = &parts.components[i];
        out.push_str(&text[at..component.range.start]);
        out.push_str(&like(component, slot, coords[i], parts.commas, more));
        at = component.range.end;
    }
    match (alpha, parts.components.get(3)) {
        (None, _) => {}
        (Some(alpha), Some(old)) => {
            out.push_str(&text[at..old.range.start]);
            let (value, unit) = if old.form == Form::Percent {
                (alpha * 100.0, "%")
            } else {
                (alpha, "")
            };
            out.push_str(&trimmed(value, 3, 0));
            out.push_str(unit);
            at = old.range.end;
        }
        (Some(alpha), None) if alpha < 1.0 => {
            out.push_str(&text[at..parts.close]);
            out.push_str(if parts.commas { ", " } else { " / " });
            out.push_str(&trimmed(alpha, 3, 0));
            at = parts.close;
        }
        (Some(_), None) => {}
    }
    out.push_str(&text[at..]);
    out
}

/// A coordinate in the form of a component.
fn like(old: &Written, slot: &Slot, coord: f64, commas: bool, more: usize) -> String {
    // What has no form of its own takes the usual one.
    let percent = old.form == Form::Percent || (old.form == Form::Other && commas && !slot.angle);
    let value = match old.form {
        Form::Angle(unit) => coord / unit,
        _ if percent => coord / slot.percent.unwrap_or(1.0) * 100.0,
        _ => coord / slot.number.unwrap_or(1.0),
    };
    let mut text = trimmed(value, old.decimals + more, old.decimals);
    if old.bare_point {
        text = match text.strip_prefix("-0.") {
            Some(rest) => format!("-.{rest}"),
            None => text
                .strip_prefix('0')
                .filter(|t| t.starts_with('.'))
                .unwrap_or(&text)
                .to_owned(),
        };
    }
    let unit = if percent { "%" } else { &old.unit };
    format!("{text}{unit}")
}

/// A number with at most so many decimals, of which the last zeros go down to the least.
fn trimmed(value: f64, most: usize, least: usize) -> String {
    let value = if value.abs() < 1e-9 { 0.0 } else { value };
    let mut text = format!("{value:.most$}");
    if most > least {
        let point = text.find('.').map_or(text.len(), |at| at + 1);
        while text.len() > point + least && text.ends_with('0') {
            text.pop();
        }
        if text.ends_with('.') {
            text.pop();
        }
    }
    if text.bytes().all(|b| matches!(b, b'-' | b'0' | b'.')) {
        text = text.trim_start_matches('-').to_owned();
    }
    text
}

#[cfg(test)]
#[allow(clippy::unwrap_used)]
mod tests {
    use super::*;

    fn new() -> Rgb8 {
        Rgb8::new(0x0f, 0x5c, 0x7a)
    }

    #[test]
    fn kind_case_units_separators_and_opacity_stay() {
        for (old, wanted) in [
            ("#E4572E", "#0F5C7A"),
            ("#e4572e80", "#0f5c7a80"),
            ("#123456", "#0f5c7a"),
            ("#Abc", "#0f5c7a"),
            ("rgb(1,2,3)", "rgb(15,92,122)"),
            ("rgba( 1 , 2 , 3 , 50% )", "rgba( 15 , 92 , 122 , 50% )"),
            ("rgb(1 2 3 / .25)", "rgb(15 92 122 / .25)"),
            ("rgb(10% 20% 30%)", "rgb(6% 36% 48%)"),
            ("oklch(0.446 0.084 30.7)", "oklch(0.446 0.084 230.7)"),
            ("OKLCH(44.6% .084 30.7DEG)", "OKLCH(44.6% .084 230.7DEG)"),
            ("tomato", "#0f5c7a"),
        ] {
            assert_eq!(respelt(old, new(), None).as_deref(), Some(wanted), "{old}");
        }
    }

    #[test]
    fn what_stands_between_and_behind_the_numbers_stays() {
        let shape =
            |text: &str| text.replace(|c: char| c.is_ascii_digit() || matches!(c, '.' | '-'), "");
        for old in [
            "hsl(10, 20%, 30%)",
            "hsl(.5turn 20% 30%)",
            "HSLA(10deg,20%,30%,.5)",
            "color(srgb 1 0.5 0)",
            "lab(50% 10 -20/0.3)",
            "lch( 50 10 200grad )",
        ] {
            let out = respelt(old, new(), None).unwrap();
            assert_eq!(shape(&out), shape(old), "{old} → {out}");
        }
    }

    #[test]
    fn short_digits_stay_short_where_the_code_allows_it() {
        let short = Rgb8::new(0xaa, 0xbb, 0xcc);
        assert_eq!(respelt("#fff", short, None).as_deref(), Some("#abc"));
        assert_eq!(respelt("#FFF8", short, None).as_deref(), Some("#ABC8"));
        assert_eq!(respelt("#ffffff", short, None).as_deref(), Some("#aabbcc"));
    }

    #[test]
    fn digits_with_the_opacity_in_front_keep_their_form() {
        for (old, alpha, wanted) in [
            ("0xFFE4572E", None, "0xFF0F5C7A"),
            ("0Xe4572e", None, "0X0f5c7a"),
            ("#80E4572E", None, "#800F5C7A"),
            ("#8abc", None, "#880f5c7a"),
            ("#e4572e", Some(0.5), "#800f5c7a"),
            ("0xE4572EL", Some(0.5), "0x800F5C7AL"),
        ] {
            assert_eq!(
                respelt_alpha_first(old, new(), alpha).as_deref(),
                Some(wanted),
                "{old}"
            );
        }
        assert_eq!(
            respelt_alpha_first("#8abc", Rgb8::new(0x11, 0x22, 0x33), None).as_deref(),
            Some("#8123")
        );
        assert_eq!(respelt_alpha_first("12", new(), None), None);
        assert_eq!(respelt_alpha_first("0x12", new(), None), None);
    }

    #[test]
    fn another_opacity_is_written_where_it_is_asked_for() {
        for (old, wanted) in [
            ("#fff", "#0f5c7a80"),
            ("rgb(1, 2, 3)", "rgb(15, 92, 122, 0.502)"),
            ("rgb(1 2 3)", "rgb(15 92 122 / 0.502)"),
            ("rgb(1 2 3 / 10%)", "rgb(15 92 122 / 50.196%)"),
            ("red", "#0f5c7a80"),
        ] {
            let out = respelt(old, new(), Some(128.0 / 255.0));
            assert_eq!(out.as_deref(), Some(wanted), "{old}");
        }
        assert_eq!(
            respelt("#e4572e80", new(), Some(1.0)).as_deref(),
            Some("#0f5c7a")
        );
    }

    #[test]
    fn every_function_holds_every_code_exactly() {
        let forms = [
            "rgb(1, 2, 3)",
            "rgb(1% 2% 3%)",
            "hsl(1 2% 3%)",
            "hsla(1, 2%, 3%, 0.5)",
            "hwb(1 2% 3%)",
            "lab(1% 2 3)",
            "lch(1 2 3)",
            "oklab(0.1 0.2 0.3)",
            "oklch(10% 0.1 30)",
            "color(display-p3 0.1 0.2 0.3)",
            "color(xyz 0.1 0.2 0.3)",
        ];
        let mut seed = 7u32;
        for _ in 0..400 {
            seed = seed.wrapping_mul(1_664_525).wrapping_add(1_013_904_223);
            let [r, g, b, _] = seed.to_be_bytes();
            let code = Rgb8::new(r, g, b);
            for form in forms {
                let out = respelt(form, code, None);
                let back = out
                    .as_deref()
                    .and_then(|t| parse(t).ok())
                    .map(|c| c.to_rgb8());
                assert_eq!(back, Some(code), "{form} → {out:?}");
            }
        }
        for text in ["12", "rgb(1, 2)", "#12", "", "none"] {
            assert_eq!(respelt(text, new(), None), None, "{text}");
        }
    }
}
