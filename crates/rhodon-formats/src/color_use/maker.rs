//! What makes colours of numbers: constructors, functions of types of colours, records of channels.

use std::ops::Range;

use super::constructor::Order;

/// Constructors of colours.
const TYPES: [&str; 6] = [
    "Color", "Color32", "UIColor", "NSColor", "CGColor", "QColor",
];
/// What the name of a record of channels ends with: `color.RGBA{15, 92, 122, 255}`.
const RECORDS: [&str; 4] = ["Color", "RGBA", "RGB", "Rgb"];
/// Functions of a type of colours, and the order of their numbers.
const FUNCTIONS: [(&str, Order); 8] = [
    ("rgb", Order::AlphaLast),
    ("from_rgb", Order::AlphaLast),
    ("fromRgb", Order::AlphaLast),
    ("FromRgb", Order::AlphaLast),
    ("fromRGBO", Order::AlphaLast),
    ("argb", Order::AlphaFirst),
    ("fromARGB", Order::AlphaFirst),
    ("FromArgb", Order::AlphaFirst),
];
/// The longest arguments, in bytes.
const LONGEST: usize = 200;

/// The order in which a call takes numbers, by the words before its bracket, the last one last.
pub(super) fn order(before: &[&str]) -> Option<Order> {
    match before {
        [.., of, "." | "::", call] if TYPES.contains(of) => {
            let known = FUNCTIONS.iter().find(|(name, _)| name == call);
            known.map(|(_, order)| *order)
        }
        [.., "." | "::"] => None,
        [.., call] if TYPES.contains(call) => Some(Order::AlphaLast),
        // `QColor petrol(15, 92, 122)` declares.
        [.., of, name] if TYPES.contains(of) && is_name(name) => Some(Order::AlphaLast),
        _ => None,
    }
}

/// The same for a brace: `color.RGBA{…}`, `Color petrol{…}`, `Color petrol = {…}`.
pub(super) fn order_within_braces(before: &[&str]) -> Option<Order> {
    let is_record = |word: &str| RECORDS.iter().any(|end| word.ends_with(end));
    let typed = match before {
        [.., of, name, "="] if is_name(name) => is_record(of),
        [.., of] if is_record(of) => true,
        [.., of, name] if is_name(name) => is_record(of),
        _ => false,
    };
    typed.then_some(Order::AlphaLast)
}

fn is_name(word: &str) -> bool {
    word.bytes().all(|b| b.is_ascii_alphanumeric() || b == b'_')
}

/// The end of the arguments that begin at a place, where they are as short as those of a colour and hold
/// no brackets themselves.
pub(super) fn arguments(text: &str, from: usize, close: char) -> Option<Range<usize>> {
    let end = text[from..].find([')', '(', '}', '{'])? + from;
    let fits = text[end..].starts_with(close) && end - from <= LONGEST;
    fits.then_some(from..end)
}
