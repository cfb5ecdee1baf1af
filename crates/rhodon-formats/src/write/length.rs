//! Lengths in other units.

use rhodon_theme::{Unit, Value};

/// px in one rem: the size of root text that browsers start from (CSS Values 4, 6.1.1).
const REM: f64 = 16.0;

/// A length in px, which apps take as density-independent pixels.
pub(crate) fn px(value: &Value) -> Option<f64> {
    match value {
        Value::Dimension(n, Unit::Px) => Some(*n),
        Value::Dimension(n, Unit::Rem) => Some(round(n * REM)),
        _ => None,
    }
}

/// A length in rem, to a hundredth of a px.
pub(crate) fn rem(px: f64) -> f64 {
    round((px * 100.0).round() / 100.0 / REM)
}

fn round(n: f64) -> f64 {
    (n * 10_000.0).round() / 10_000.0
}

/// Whether a length is a size of text.
pub(crate) fn is_text_size(path: &str, value: &Value) -> bool {
    path.starts_with("type.size.") || matches!(value, Value::Dimension(_, Unit::Rem))
}
