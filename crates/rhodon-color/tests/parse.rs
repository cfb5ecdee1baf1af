//! Every form of CSS Color 4, in and out, and what CSS refuses.
#![allow(clippy::unwrap_used)]

use proptest::prelude::*;
use rhodon_color::{Color, Notation, Rgb8};

fn hex(text: &str) -> String {
    Color::parse(text)
        .unwrap_or_else(|e| panic!("{text}: {e}"))
        .to_hex()
}

#[test]
fn each_form_gives_its_code() {
    for (text, code) in [
        ("#0f5c7a", "#0f5c7a"),
        ("#0F5C7A", "#0f5c7a"),
        ("#abc", "#aabbcc"),
        ("#abcd", "#aabbccdd"),
        ("#0f5c7a80", "#0f5c7a80"),
        ("teal", "#008080"),
        ("RebeccaPurple", "#663399"),
        ("transparent", "#00000000"),
        ("rgb(15, 92, 122)", "#0f5c7a"),
        ("rgba(15,92,122,.5)", "#0f5c7a80"),
        ("rgb(15 92 122 / 50%)", "#0f5c7a80"),
        ("rgb(70% 10% 30%)", "#b31a4d"),
        ("rgb(127.5 0 0)", "#800000"),
        ("rgb(50%, 50%, 50%)", "#808080"),
        ("rgb(300 -5 0)", "#ff0000"),
        ("rgb(none 92 none)", "#005c00"),
        ("rgb(calc(10 + 5) calc(46 * 2) calc(244 / 2))", "#0f5c7a"),
        ("RGB( /* sea */ 15 92 122)", "#0f5c7a"),
        ("rgb(15 92 122", "#0f5c7a"),
        ("hsl(120 100% 25%)", "#008000"),
        ("hsl(120deg, 100%, 25%, 1)", "#008000"),
        ("hsla(0.33333turn 100% 25%)", "#008000"),
        ("hsl(-240 100 25)", "#008000"),
        ("hsl(133.333grad 100% 25%)", "#008000"),
        ("hwb(120 0% 49.8039%)", "#008000"),
        ("hwb(0 60% 60%)", "#808080"),
    ] {
        assert_eq!(hex(text), code, "{text}");
    }
}

#[test]
fn typed_hex_may_lack_its_hash() {
    for (text, code) in [
        ("0f5c7a", "#0f5c7a"),
        (" e91 ", "#ee9911"),
        ("0F5C7A80", "#0f5c7a80"),
        ("teal", "#008080"),
    ] {
        assert_eq!(Color::parse_typed(text).unwrap().to_hex(), code, "{text}");
    }
    assert!(Color::parse_typed("0f5c7").is_err());
}

/// Reference values of the Web Platform Tests for css-color: each of these is `green`.
#[test]
fn green_is_green_in_every_space() {
    for text in [
        "lab(46.2775% -47.5621 48.3837)",
        "lch(46.2775% 67.8446 134.5)",
        "oklab(51.975% -0.1403 0.10768)",
        "oklch(51.975% 0.17686 142.495)",
        "color(srgb 0 50.196% 0)",
        "color(srgb-linear 0 0.21586 0)",
        "color(display-p3 0.21604 0.49418 0.13151)",
        "color(a98-rgb 0.281363 0.498012 0.116746)",
        "color(prophoto-rgb 0.230479 0.395789 0.129968)",
        "color(rec2020 0.235202 0.431704 0.085432)",
        "color(xyz 0.07719 0.15438 0.02573)",
        "color(xyz-d65 0.07719 0.15438 0.02573)",
        "color(xyz-d50 0.083144 0.154746 0.020961)",
    ] {
        // The tests' own decimals are rounded: they allow one step of 8-bit.
        let [r, g, b] = Color::parse(text).unwrap().to_rgb8().channels();
        assert!(
            r <= 1 && (127..=129).contains(&g) && b <= 1,
            "{text}: {r} {g} {b}"
        );
    }
}

#[test]
fn what_css_refuses_is_refused_with_a_sentence() {
    for (text, part) in [
        ("", "found nothing"),
        ("#12345", "3, 4, 6 or 8 hex digits"),
        ("#ggg", "hex digits"),
        ("12345", "#0f5c7a"),
        ("0f5c7a", "CSS colour"),
        ("bad", "`bad`"),
        ("bluish", "`bluish`"),
        ("currentcolor", "depends on where it stands"),
        ("rgb(1,2", "3 values in rgb(), found 2"),
        ("rgb(1 2)", "3 values in rgb(), found 2"),
        ("rgb(1, 2 3)", "commas or spaces"),
        ("rgb(1 2, 3)", "commas or spaces"),
        ("rgb(10%, 20, 30)", "three numbers or three percentages"),
        ("rgb(none, 1, 2)", "none"),
        ("rgb(1 2 3 0.5)", "a slash before the opacity"),
        ("rgb(1,2,3 / 0.5)", "a comma before the opacity"),
        ("rgb(1 2 3 / 0.5 0.6)", "nothing more"),
        (
            "rgb(1deg 2 3)",
            "number or a percentage for red, found an angle",
        ),
        ("rgb(1px 2 3)", "`1px`"),
        ("hsl(50%, 50%, 50%)", "a number or an angle for hue"),
        ("hsl(120, 50, 50)", "percentages after the hue"),
        ("hwb(120, 0%, 0%)", "apart by spaces"),
        ("lab(50%, 1, 2)", "apart by spaces"),
        ("color(srgb 1 2)", "3 values in color(), found 2"),
        ("color(cmyk 0 0 0)", "one of the spaces"),
        ("rgb(from red r g b)", "relative colours"),
        ("rgb(calc(1 + 2%) 0 0)", "one kind"),
        ("rgb(calc(1 / 0) 0 0)", "other than zero"),
        ("red blue", "nothing more"),
        ("color-mix(in srgb, red, blue)", "`color-mix()`"),
        ("url(x)", "CSS colour"),
    ] {
        let message = Color::parse(text).expect_err(text).to_string();
        assert!(
            message.starts_with("expected ") && message.contains(part),
            "{text}: {message}"
        );
    }
}

#[test]
fn an_opacity_is_written_in_each_notation() {
    let half = Color::parse("#0f5c7a80").unwrap();
    for (notation, text) in [
        (Notation::Hex, "#0f5c7a80"),
        (Notation::Rgb, "rgb(15 92 122 / 0.502)"),
        (Notation::Hsl, "hsl(196.82 78.1% 26.86% / 0.502)"),
        (Notation::Oklch, "oklch(0.44612 0.08422 230.693 / 0.502)"),
    ] {
        assert_eq!(notation.write(half), text);
        assert_eq!(Color::parse(text).unwrap().to_hex(), "#0f5c7a80", "{text}");
        assert_eq!(notation.id().parse(), Ok(notation));
    }
    assert_eq!(
        "lab".parse::<Notation>().unwrap_err().to_string(),
        "expected hex, rgb, hsl or oklch"
    );
}

#[test]
fn what_lies_outside_srgb_is_kept_where_a_notation_can() {
    let green = Color::parse("color(display-p3 0 1 0)").unwrap();
    let written = Notation::Oklch.write(green);
    assert!(
        !Color::parse(&written).unwrap().gamut_fit().srgb,
        "{written}"
    );
    for notation in [Notation::Hex, Notation::Rgb, Notation::Hsl] {
        let written = notation.write(green);
        assert!(
            Color::parse(&written).unwrap().gamut_fit().srgb,
            "{written}"
        );
    }
    assert_eq!(
        Notation::Oklch.write(Color::parse("#777").unwrap()),
        "oklch(0.56926 0 none)"
    );
}

#[test]
fn opacities_are_cut_to_their_range_and_kept() {
    for (text, alpha) in [
        ("rgb(0 0 0 / 2)", 1.0),
        ("rgb(0 0 0 / -1)", 0.0),
        ("rgb(0 0 0 / none)", 0.0),
        ("rgb(0 0 0 / 12.5%)", 0.125),
        ("#0000", 0.0),
        ("color(srgb 0 0 0 / 0.3)", 0.3),
        ("oklch(0 0 0)", 1.0),
    ] {
        assert_eq!(Color::parse(text).unwrap().alpha(), alpha, "{text}");
    }
}

#[test]
fn angles_of_every_unit_are_one_hue() {
    let wanted = hex("hsl(90 60% 40%)");
    for text in [
        "hsl(90deg 60% 40%)",
        "hsl(0.25turn 60% 40%)",
        "hsl(100grad 60% 40%)",
        "hsl(1.5707963rad 60% 40%)",
        "hsl(450 60% 40%)",
        "hsl(-270deg 60% 40%)",
        "hsl(9e1 60% 40%)",
        "hsl(calc(45deg * 2) 60% 40%)",
    ] {
        assert_eq!(hex(text), wanted, "{text}");
    }
}

proptest! {
    #[test]
    fn reading_never_panics(text in "\\PC{0,40}|[rgbhslwackp]{2,5}\\([-+.0-9a-z%,/ ()*]{0,30}\\)?") {
        let _ = Color::parse(&text);
    }

    #[test]
    fn every_notation_reads_back_to_the_same_code(r: u8, g: u8, b: u8) {
        let code = Rgb8::new(r, g, b);
        for notation in Notation::ALL {
            let text = notation.write(code.into());
            prop_assert_eq!(Color::parse(&text).unwrap().to_rgb8(), code, "{}", text);
        }
    }
}
