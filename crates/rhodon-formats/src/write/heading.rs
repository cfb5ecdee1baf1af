//! The six headings of a page, from the four sizes of text that a theme has above its body.

use rhodon_theme::{Mode, Unit, Value};

use super::length;
use crate::job::Job;

/// Keys of the headings, the largest first.
pub(crate) const HEADINGS: [&str; 6] = ["h1", "h2", "h3", "h4", "h5", "h6"];

/// A size for each heading, the largest first: display, title, lead and body, and between the
/// first three the size that grows by the same factor on both sides.
pub(crate) fn sizes(job: &Job<'_>) -> [Value; 6] {
    let named = |name: &str| {
        let token = job.token(&format!("type.size.{name}"));
        let value = token.map(|t| t.cell(Mode::Light).value.clone());
        value.unwrap_or(Value::Dimension(16.0, Unit::Px))
    };
    let [display, title, lead, body] = ["display", "title", "lead", "body"].map(named);
    let mut sizes = [
        between(&display, &title),
        between(&title, &lead),
        display,
        title,
        lead,
        body,
    ];
    let px = |value: &Value| length::px(value).unwrap_or_default();
    sizes.sort_by(|a, b| px(b).total_cmp(&px(a)));
    sizes
}

/// The size that grows by the same factor from one and to the other, in the unit of both.
fn between(large: &Value, small: &Value) -> Value {
    let px = |value: &Value| length::px(value).unwrap_or_default();
    let middle = (px(large) * px(small)).sqrt();
    match large {
        Value::Dimension(_, Unit::Rem) => Value::Dimension(length::rem(middle), Unit::Rem),
        _ => Value::Dimension((middle * 10.0).round() / 10.0, Unit::Px),
    }
}
