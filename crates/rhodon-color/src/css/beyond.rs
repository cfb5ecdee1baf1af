//! Codes that programs take and style sheets do not: levels of grey by name, digits without their sign.

use super::parse::hex;
use crate::{Color, Rgb8};

/// A level of grey by its name in X11's list of colours (`rgb.txt`): `gray0` is black, `gray100` white, and
/// what lies between is that share of 255, to the nearest whole.
///
/// ```
/// use rhodon_color::{Rgb8, grey_level};
/// assert_eq!(grey_level("gray93"), Some(Rgb8::new(237, 237, 237)));
/// assert_eq!(grey_level("Grey7"), Some(Rgb8::new(18, 18, 18)));
/// assert_eq!(grey_level("gray"), None);
/// assert_eq!(grey_level("gray101"), None);
/// ```
pub fn grey_level(word: &str) -> Option<Rgb8> {
    let (name, level) = word.split_at_checked(4)?;
    let is_grey = ["gray", "grey"]
        .iter()
        .any(|g| name.eq_ignore_ascii_case(g));
    let is_level = level.len() <= 3 && level.bytes().all(|b| b.is_ascii_digit());
    let level: u32 = level.parse().ok().filter(|_| is_grey && is_level)?;
    let value = u8::try_from((level * 255 + 50) / 100).ok()?;
    Some(Rgb8::new(value, value, value))
}

/// Six hex digits without the sign before them, as settings of programs hold them.
///
/// ```
/// use rhodon_color::bare_code;
/// assert_eq!(bare_code("24689E").unwrap().to_hex(), "#24689e");
/// assert_eq!(bare_code("#24689e"), None);
/// assert_eq!(bare_code("246"), None);
/// ```
pub fn bare_code(text: &str) -> Option<Color> {
    (text.len() == 6).then(|| hex(text))?
}
