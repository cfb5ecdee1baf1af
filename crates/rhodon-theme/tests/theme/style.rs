//! Type and shape: sizes, faces, weights and corners.

use rhodon_theme::{Document, Mode, Origin};
use serde_json::{Value, json};

use crate::support::{derived, document, theme, value};

#[test]
fn sizes_run_by_the_ratio_from_the_base() {
    let theme = derived(json!({ "type": { "base": 20, "ratio": 1.25 } }));
    for (name, powers) in [
        ("fine", -2),
        ("small", -1),
        ("body", 0),
        ("lead", 1),
        ("title", 3),
        ("display", 5),
    ] {
        let rem = (20.0 * 1.25f64.powi(powers) / 16.0 * 10_000.0).round() / 10_000.0;
        assert_eq!(
            value(&theme, &format!("type.size.{name}"), Mode::Light),
            format!("{rem}rem"),
            "{name}"
        );
    }
    let free = derived(json!({}));
    assert_eq!(value(&free, "type.size.body", Mode::Light), "1rem");
    assert_eq!(value(&free, "type.size.title", Mode::Light), "1.728rem");
}

#[test]
fn families_and_weights_are_the_set_ones_and_headings_follow_text() {
    let theme = derived(json!({ "type": {
        "body": ["Anlow Sans", "sans-serif"], "mono": ["Anlow Mono"], "regular": 380, "bold": 720,
        "import": "https://fonts.example.test/anlow.css"
    } }));
    let light = |path: &str| value(&theme, path, Mode::Light);
    assert_eq!(light("type.family.body"), "Anlow Sans, sans-serif");
    assert_eq!(light("type.family.heading"), "Anlow Sans, sans-serif");
    assert_eq!(light("type.family.mono"), "Anlow Mono");
    assert_eq!(
        [light("type.weight.regular"), light("type.weight.bold")],
        ["380", "720"]
    );
    assert_eq!(theme.web_fonts, ["https://fonts.example.test/anlow.css"]);
    let origin = |path: &str| theme.token(path).unwrap().cell(Mode::Light).origin;
    assert_eq!(
        (origin("type.family.body"), origin("type.family.heading")),
        (Origin::Set, Origin::Derived)
    );
}

/// An entry may be a list as style sheets have it; what is no list is a name as it stands.
#[test]
fn families_are_read_as_style_sheets_write_them() {
    for (written, read) in [
        (
            "\"Harbour, Grotesk\", 'Anlow' , serif",
            "Harbour, Grotesk, Anlow, serif",
        ),
        ("Anlow  Sans, serif", "Anlow Sans, serif"),
        ("Harbour \"Grotesk\"", "Harbour \"Grotesk\""),
        ("2nd  Berth", "2nd  Berth"),
        ("a\\b", "a\\b"),
        ("'", "'"),
    ] {
        let theme = derived(json!({ "type": { "body": [written] } }));
        assert_eq!(
            value(&theme, "type.family.body", Mode::Light),
            read,
            "{written}"
        );
    }
}

#[test]
fn corners_are_shares_of_one_radius_and_a_square_theme_rounds_nothing() {
    let radii = |radius: Value| {
        let theme = derived(json!({ "shape": { "radius": radius } }));
        ["small", "medium", "large", "round"]
            .map(|n| value(&theme, &format!("shape.radius.{n}"), Mode::Light))
    };
    assert_eq!(radii(json!(5)), ["2.5px", "5px", "10px", "9999px"]);
    assert_eq!(radii(json!(0)), ["0px", "0px", "0px", "0px"]);
    let border = derived(json!({ "shape": { "border": 0.5 } }));
    assert_eq!(value(&border, "shape.border.width", Mode::Light), "0.5px");
}

#[test]
fn web_font_addresses_cannot_break_out_of_a_file() {
    for bad in [
        "http://a.test/x",
        "javascript:alert(1)",
        "https://a.test/x\")",
        "https://a.test/a b",
        "//a.test/x",
        "https://a.test/<x>",
        "",
        "https://a.test/x'",
        "https://a.test/\u{0}",
        "https://a.test/\\x",
        "http://localhost.a.test/x",
        "http://127.0.0.1:80@a.test/x",
    ] {
        let found = Document::read(&document(json!({ "type": { "import": bad } })));
        assert!(found.is_err(), "{bad:?} was taken");
    }
    for own in [
        "http://127.0.0.1:8080/sheet?family=Anlow",
        "http://localhost/x",
    ] {
        theme(json!({ "type": { "import": own } }));
    }
    theme(
        json!({ "type": { "import": "https://fonts.example.test/css?family=Anlow+Sans:wght@400;700&display=swap" } }),
    );
}
