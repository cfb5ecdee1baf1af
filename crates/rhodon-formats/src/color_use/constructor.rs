//! Colours that code makes of numbers: `Color(red: 0.06, green: 0.36, blue: 0.48)`, `Color.fromARGB(255, 15, 92, 122)`,
//! `UIColor(red: 15/255, …)`.

use std::ops::Range;

use rhodon_color::{Color, Rgb8, Space};

/// The order of numbers that have no labels.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Order {
    /// The opacity last, from 0 to 1, where there is one.
    AlphaLast,
    /// The opacity first, from 0 to 255.
    AlphaFirst,
}

/// What a number is of.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
enum Part {
    Red,
    Green,
    Blue,
    Alpha,
}

/// How a number is written.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
enum Kind {
    /// From 0 to 255.
    Byte,
    /// The same in two hexadecimal digits.
    Hex,
    /// From 0 to 255, divided by that where it is written.
    Divided,
    /// From 0 to 1, with so many decimals.
    Unit(usize),
}

/// A number among the arguments.
struct Number {
    part: Part,
    kind: Kind,
    /// Its digits.
    range: Range<usize>,
    /// From 0 to 1.
    value: f64,
}

/// The colour that the arguments of a constructor are.
pub(super) fn color(arguments: &str, order: Order) -> Option<Color> {
    let numbers = numbers(arguments, order)?;
    let value = |part| numbers.iter().find(|n| n.part == part).map(|n| n.value);
    // Whole codes, as the others have them.
    let whole = |part| Some((value(part)? * 255.0).round() / 255.0);
    let coords = [whole(Part::Red)?, whole(Part::Green)?, whole(Part::Blue)?];
    let alpha = value(Part::Alpha).unwrap_or(1.0);
    Some(Color::new(Space::Srgb, coords, alpha))
}

/// The same arguments for another code; each number stays of its kind.
pub(crate) fn respelt(
    arguments: &str,
    order: Order,
    code: Rgb8,
    opacity: Option<f64>,
) -> Option<String> {
    let [red, green, blue] = code.channels().map(|channel| f64::from(channel) / 255.0);
    let mut out = arguments.to_owned();
    for number in numbers(arguments, order)?.into_iter().rev() {
        let value = match number.part {
            Part::Red => red,
            Part::Green => green,
            Part::Blue => blue,
            Part::Alpha => match opacity {
                Some(opacity) => opacity,
                None => continue,
            },
        };
        let old = &arguments[number.range.clone()];
        out.replace_range(number.range, &number.kind.written(value, old));
    }
    let holds =
        opacity.is_none_or(|a| color(&out, order).is_some_and(|c| (c.alpha() - a).abs() < 0.005));
    holds.then_some(out)
}

impl Order {
    /// A call that takes numbers in this order.
    pub(crate) fn call(self) -> &'static str {
        match self {
            Self::AlphaLast => "Color",
            Self::AlphaFirst => "argb",
        }
    }
}

/// A whole call for another code: `Color(red: 0.06, …)`, `argb(255, 15, …)`.
pub(crate) fn respelt_call(text: &str, code: Rgb8, opacity: Option<f64>) -> Option<String> {
    let (call, arguments) = text.strip_suffix(')')?.split_once('(')?;
    let orders = [Order::AlphaLast, Order::AlphaFirst];
    let order = orders.into_iter().find(|order| order.call() == call)?;
    Some(format!(
        "{call}({})",
        respelt(arguments, order, code, opacity)?
    ))
}

impl Kind {
    fn written(self, value: f64, old: &str) -> String {
        let byte = (value * 255.0).round();
        match self {
            Self::Byte => format!("{byte}"),
            // `0x0F` stays in capitals.
            Self::Hex if old.contains(|c: char| c.is_ascii_uppercase()) => {
                format!("0x{:02X}", byte as u8)
            }
            Self::Hex => format!("0x{:02x}", byte as u8),
            // `15.0 / 255` stays a decimal number.
            Self::Divided => format!("{byte}{}", old.find('.').map_or("", |at| &old[at..])),
            Self::Unit(decimals) => format!("{value:.decimals$}"),
        }
    }
}

/// The least decimals by which each of 256 values is told from the others.
const LEAST_DECIMALS: usize = 3;
/// More say nothing that a number of double precision holds.
const MOST_DECIMALS: usize = 17;
/// What numbers are divided by that run to 255.
const DIVISORS: [&str; 4] = ["255", "255.0", "255f", "255.0f"];

/// An argument: its label, where its digits stand, and whether they are divided by 255.
struct Argument<'a> {
    label: Option<&'a str>,
    runs_to_one: bool,
    range: Range<usize>,
    digits: &'a str,
    is_divided: bool,
}

impl Argument<'_> {
    fn is_small(&self) -> bool {
        !self.is_divided && matches!(self.digits, "0" | "1")
    }
}

/// The numbers of a colour, each with what it is of; none where the arguments are something else.
fn numbers(text: &str, order: Order) -> Option<Vec<Number>> {
    let arguments = numeric(text)?;
    let is_labelled = arguments.iter().any(|a| a.label.is_some());
    let least = if order == Order::AlphaFirst && !is_labelled {
        4
    } else {
        3
    };
    if !(least..=4).contains(&arguments.len()) {
        return None;
    }
    let by_order = match order {
        Order::AlphaFirst => [Part::Alpha, Part::Red, Part::Green, Part::Blue],
        Order::AlphaLast => [Part::Red, Part::Green, Part::Blue, Part::Alpha],
    };
    let parts = arguments.iter().zip(by_order);
    let parts: Option<Vec<Part>> = parts
        .map(|(a, usual)| a.label.map_or(Some(usual), part_called))
        .collect();
    let of_parts: Vec<(Part, &Argument<'_>)> = parts?.into_iter().zip(&arguments).collect();
    let channels = || {
        of_parts
            .iter()
            .filter(|(part, _)| *part != Part::Alpha)
            .map(|(_, a)| a)
    };
    let all_small = channels().all(|a| a.is_small());
    // A point in one of them says what all of them are; whole numbers behind a colon or before an `f` run to 1.
    let may_run_to_one = arguments.iter().any(|a| a.runs_to_one);
    let to_one =
        all_small && may_run_to_one || channels().any(|a| !a.is_divided && a.digits.contains('.'));
    let alpha_to_one = order == Order::AlphaLast || is_labelled;
    let numbers = of_parts.iter().map(|(part, argument)| {
        let to_one = if *part == Part::Alpha {
            alpha_to_one
        } else {
            to_one
        };
        argument.number(*part, to_one)
    });
    numbers.collect()
}

impl Argument<'_> {
    /// Its value, from 0 to 1.
    fn number(&self, part: Part, to_one: bool) -> Option<Number> {
        if let Some(digits) = hexadecimal(self.digits) {
            let value = f64::from(u8::from_str_radix(digits, 16).ok()?) / 255.0;
            return Some(Number {
                part,
                kind: Kind::Hex,
                range: self.range.clone(),
                value,
            });
        }
        let n: f64 = self.digits.parse().ok()?;
        let decimals = self
            .digits
            .split_once('.')
            .map_or(0, |(_, behind)| behind.len());
        let is_unit = to_one && (part != Part::Alpha || n <= 1.0);
        let kind = match (self.is_divided, is_unit) {
            (true, _) => Kind::Divided,
            (false, true) => Kind::Unit(decimals.clamp(LEAST_DECIMALS, MOST_DECIMALS)),
            (false, false) => Kind::Byte,
        };
        let value = if matches!(kind, Kind::Unit(_)) {
            n
        } else {
            n / 255.0
        };
        let range = self.range.clone();
        (0.0..=1.0).contains(&value).then_some(Number {
            part,
            kind,
            range,
            value,
        })
    }
}

/// The arguments that are numbers; none where another one stands among them than the name of sRGB.
fn numeric(text: &str) -> Option<Vec<Argument<'_>>> {
    let mut found = Vec::new();
    let mut end = 0;
    for whole in text.split(',') {
        end += whole.len() + 1;
        let (label, value) = match whole.split_once([':', '=']) {
            Some((label, value)) => (Some(label.trim()), value),
            None => (None, whole),
        };
        let written = value.trim();
        if label.is_none() && matches!(written, "" | ".sRGB") {
            continue;
        }
        let from = end - 1 - value.trim_start().len();
        let length = match hexadecimal(written) {
            Some(_) => written.len(),
            None => written
                .find(|c: char| !c.is_ascii_digit() && c != '.')
                .unwrap_or(written.len()),
        };
        let (digits, rest) = written.split_at(length);
        let rest = rest.trim();
        let is_divided = rest
            .strip_prefix('/')
            .is_some_and(|by| DIVISORS.contains(&by.trim()));
        if digits.is_empty() || !(is_divided || matches!(rest, "" | "f" | "F" | "d")) {
            return None;
        }
        found.push(Argument {
            label,
            // `R: 1` is a byte of a record, `red: 1` all of a channel.
            runs_to_one: matches!(rest, "f" | "F")
                || whole.contains(':') && label.is_some_and(|l| l.starts_with(char::is_lowercase)),
            range: from..from + digits.len(),
            digits,
            is_divided,
        });
    }
    Some(found)
}

/// The digits of a hexadecimal byte.
fn hexadecimal(written: &str) -> Option<&str> {
    let digits = written
        .strip_prefix("0x")
        .or_else(|| written.strip_prefix("0X"))?;
    let fits = (1..=2).contains(&digits.len()) && digits.bytes().all(|b| b.is_ascii_hexdigit());
    fits.then_some(digits)
}

fn part_called(label: &str) -> Option<Part> {
    match label.to_ascii_lowercase().as_str() {
        "red" | "r" => Some(Part::Red),
        "green" | "g" => Some(Part::Green),
        "blue" | "b" => Some(Part::Blue),
        "alpha" | "opacity" | "a" => Some(Part::Alpha),
        _ => None,
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    const SPELT: [(&str, Order, &str); 15] = [
        ("15, 92, 122", Order::AlphaLast, "#0f5c7a"),
        ("15, 92, 122, 1", Order::AlphaLast, "#0f5c7a"),
        ("15, 92, 122, 0.5", Order::AlphaLast, "#0f5c7a80"),
        ("128, 15, 92, 122", Order::AlphaFirst, "#0f5c7a80"),
        (
            "red: 0.059, green: 0.361, blue: 0.478",
            Order::AlphaLast,
            "#0f5c7a",
        ),
        (
            ".sRGB, red: 0.059, green: 0.361, blue: 0.478, opacity: 0.5",
            Order::AlphaLast,
            "#0f5c7a80",
        ),
        (
            "red: 15/255, green: 92 / 255.0, blue: 122.0/255",
            Order::AlphaLast,
            "#0f5c7a",
        ),
        (
            "red = 15, green = 92, blue = 122, alpha = 128",
            Order::AlphaLast,
            "#0f5c7a80",
        ),
        (
            "blue = 0.478f, green = 0.361f, red = 0.059f",
            Order::AlphaLast,
            "#0f5c7a",
        ),
        ("red: 1, green: 0, blue: 0", Order::AlphaLast, "#ff0000"),
        ("0x0f, 0x5C, 0x7a, 0x80", Order::AlphaLast, "#0f5c7a80"),
        ("R: 15, G: 92, B: 122, A: 255", Order::AlphaLast, "#0f5c7a"),
        ("0xFF, 0x0F, 0x5C, 0x7A", Order::AlphaFirst, "#0f5c7a"),
        ("0, 0, 0", Order::AlphaLast, "#000000"),
        ("\n  15,\n  92,\n  122,\n", Order::AlphaLast, "#0f5c7a"),
    ];

    #[test]
    fn numbers_are_read_in_all_their_scales_and_written_back_in_them() {
        for (text, order, hex) in SPELT {
            let own = color(text, order).map(Color::to_hex);
            assert_eq!(own.as_deref(), Some(hex), "{text}");
            for code in [
                Rgb8::new(163, 58, 30),
                Rgb8::new(1, 254, 128),
                Rgb8::new(0, 0, 1),
            ] {
                let new = respelt(text, order, code, None).unwrap_or_default();
                let read = color(&new, order);
                assert_eq!(read.map(|c| c.to_rgb8()), Some(code), "{text} {new}");
                assert_eq!(
                    read.map(Color::alpha8),
                    color(text, order).map(Color::alpha8),
                    "{new}"
                );
            }
        }
        let swift = respelt(
            "red: 15.0/255, green: 92/255, blue: 0.5",
            Order::AlphaLast,
            Rgb8::new(255, 0, 128),
            None,
        );
        assert_eq!(
            swift.as_deref(),
            Some("red: 255.0/255, green: 0/255, blue: 0.502")
        );
    }

    #[test]
    fn what_is_no_color_of_numbers_is_none() {
        for text in [
            "",
            "1, 2",
            "1, 2, 3, 4, 5",
            "a, b, c",
            "300, 1, 2",
            "red: 1, x: 2, blue: 3",
            "15, 92, \"z\"",
            ".displayP3, red: 0.1, green: 0.2, blue: 0.3",
            "1.5, 0.2, 0.3",
            "15 92 122",
            "é, 1, 2",
            "0x0f5, 1, 2",
            "0x, 1, 2",
        ] {
            assert_eq!(color(text, Order::AlphaLast), None, "{text}");
        }
        assert_eq!(color("15, 92, 122", Order::AlphaFirst), None);
        let long = format!("0.{}, 0.5, 0.5", "1".repeat(70_000));
        let new = respelt(&long, Order::AlphaLast, Rgb8::new(255, 0, 0), None);
        assert_eq!(new.as_deref(), Some("1.00000000000000000, 0.000, 0.000"));
        // Where no number holds it, an opacity is not written.
        assert_eq!(
            respelt(
                "15, 92, 122",
                Order::AlphaLast,
                Rgb8::new(1, 2, 3),
                Some(0.5)
            ),
            None
        );
    }
}
