//! Small documents to try rules on.

use rhodon_color::Rgb8;
use rhodon_theme::{Derived, Document, Mode, Resolved, derive};
use serde_json::{Value, json};

/// A theme of one brand colour, with more decisions.
pub fn document(extra: Value) -> Value {
    let mut base = json!({
        "format": 1,
        "name": "Tern",
        "brand": [{ "name": "Petrol", "slug": "petrol", "color": "#0f5c7a" }]
    });
    for (key, value) in extra.as_object().unwrap() {
        base[key] = value.clone();
    }
    base
}

pub fn theme(extra: Value) -> Resolved {
    Resolved::alone(Document::read(&document(extra)).unwrap())
}

pub fn derived(extra: Value) -> Derived {
    derive(&theme(extra)).unwrap()
}

/// What a brand colour alone comes to.
pub fn of_brand(code: &str) -> Derived {
    derived(json!({ "brand": [{ "name": "Own", "slug": "own", "color": code }] }))
}

/// All problems of a document, as lines.
pub fn problems(extra: Value) -> String {
    let found =
        Document::read(&document(extra)).and_then(|s| derive(&Resolved::alone(s)).map(|_| ()));
    found.expect_err("a problem").to_string()
}

/// The value of a token as text.
pub fn value(theme: &Derived, path: &str, mode: Mode) -> String {
    theme
        .token(path)
        .unwrap_or_else(|| panic!("no token {path}"))
        .cell(mode)
        .value
        .to_string()
}

/// The code of a colour token.
pub fn code(theme: &Derived, path: &str, mode: Mode) -> Rgb8 {
    theme
        .token(path)
        .unwrap_or_else(|| panic!("no token {path}"))
        .cell(mode)
        .value
        .color()
        .unwrap()
        .code
}
