//! How a colour may be spelt, whatever stands around it.

use rhodon_color::{Color, bare_code, grey_level};

/// Names of functions that are colours once their arguments are plain.
pub(super) const FUNCTIONS: &[&str] = &[
    "rgb", "rgba", "hsl", "hsla", "hwb", "lab", "lch", "oklab", "oklch", "color",
];

/// Whether a function of that name is a colour.
pub(super) fn is_function(name: &str) -> bool {
    name.len() <= 5 && FUNCTIONS.iter().any(|f| f.eq_ignore_ascii_case(name))
}

/// How far the bracket that closes a function is looked for, in bytes.
const LONGEST_CALL: usize = 400;

/// A colour by its CSS name; `transparent` and `currentColor` are none to be counted.
pub(super) fn named(word: &str) -> Option<Color> {
    let fits = (3..=20).contains(&word.len()) && word.bytes().all(|b| b.is_ascii_alphabetic());
    let color = fits.then(|| Color::parse(word).ok())??;
    (color.alpha() > 0.0).then_some(color)
}

/// A colour as programs beyond style sheets have it: a name, a level of grey or six digits without a sign.
pub(super) fn named_or_bare(word: &str) -> Option<Color> {
    let known = named(word).or_else(|| bare_code(word));
    known.or_else(|| grey_level(word).map(Color::from))
}

/// A function with its arguments.
pub(super) fn function(text: &str) -> Option<Color> {
    Color::parse(text).ok()
}

/// A text that is a colour as a whole: hex or a function, a name only where `names` says so.
pub(super) fn whole(text: &str, names: bool) -> Option<Color> {
    if let Some(digits) = text.strip_prefix('#') {
        return Color::from_hex(digits);
    }
    if text.ends_with(')') && is_function(text.split('(').next()?) {
        return function(text);
    }
    named(text).filter(|_| names)
}

/// Six hex digits, or eight with the opacity in front, as they stand behind `0x`.
pub(crate) fn alpha_first(digits: &str) -> Option<Color> {
    matches!(digits.len(), 6 | 8).then(|| Color::from_hex_alpha_first(digits))?
}

/// Whether what is called so holds a colour, by the words of its name.
pub(super) fn sounds_like_color(name: &str) -> bool {
    let name = name.to_ascii_lowercase();
    let holds = |word: &&str| name.contains(word);
    let mut words = name.split(|c: char| !c.is_ascii_alphanumeric());
    COLORED.iter().any(holds) || words.any(|word| matches!(word, "fg" | "bg"))
}

/// What names of colours hold.
const COLORED: [&str; 8] = [
    "color", "colour", "ground", "fill", "stroke", "tint", "shade", "border",
];

/// Words that stand beside a colour in a shorthand.
const BESIDE: &[&str] = &[
    "solid",
    "dashed",
    "dotted",
    "double",
    "inset",
    "none",
    "thin",
    "medium",
    "thick",
    "to",
    "left",
    "right",
    "top",
    "bottom",
    "center",
    "no-repeat",
    "repeat",
    "auto",
];

/// Whether a text is a value of a style sheet as a whole, such as `1px solid #0f5c7a`, and not a
/// sentence that mentions a colour.
pub(super) fn is_shorthand(text: &str) -> bool {
    let mut depth = 0usize;
    let apart = |c: char| {
        match c {
            '(' => depth += 1,
            ')' => depth = depth.saturating_sub(1),
            _ => {}
        }
        depth == 0 && (c.is_whitespace() || matches!(c, ',' | '/'))
    };
    let is_value = |part: &str| {
        part.starts_with(['#', '-', '.'])
            || part.starts_with(|c: char| c.is_ascii_digit())
            || (part.ends_with(')') && part.contains('('))
            || BESIDE.contains(&part)
            || named(part).is_some()
    };
    let parts: Vec<&str> = text.split(apart).filter(|p| !p.is_empty()).collect();
    !parts.is_empty() && parts.into_iter().all(is_value)
}

/// Hex and functions inside a longer text, such as `1px solid #0f5c7a`, as ranges of it.
pub(crate) fn within(text: &str, mut found: impl FnMut(std::ops::Range<usize>, Color)) {
    let bytes = text.as_bytes();
    let is_word = |b: u8| b.is_ascii_alphanumeric() || b == b'_' || b == b'-';
    let mut i = 0;
    while i < bytes.len() {
        let apart =
            i == 0 || !(is_word(bytes[i - 1]) || matches!(bytes[i - 1], b'&' | b'#' | b'/'));
        if bytes[i] == b'#' && apart {
            let end = (i + 1..bytes.len())
                .find(|j| !is_word(bytes[*j]))
                .unwrap_or(bytes.len());
            if let Some(color) = Color::from_hex(&text[i + 1..end]) {
                found(i..end, color);
            }
            i = end.max(i + 1);
        } else if bytes[i].is_ascii_alphabetic() && apart {
            let end = (i..bytes.len())
                .find(|j| !is_word(bytes[*j]))
                .unwrap_or(bytes.len());
            let call = bytes.get(end) == Some(&b'(') && is_function(&text[i..end]);
            let near = &text[end..text.floor_char_boundary(end + LONGEST_CALL)];
            match near.find(')').map(|at| end + at + 1).filter(|_| call) {
                Some(close) => {
                    if let Some(color) = function(&text[i..close]) {
                        found(i..close, color);
                    }
                    i = close;
                }
                None => i = end,
            }
        } else {
            i += 1;
        }
    }
}
