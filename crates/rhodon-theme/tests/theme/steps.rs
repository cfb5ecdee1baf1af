//! What a scale has for steps: labels, step 0, see-through steps, and those that exports leave out.

use rhodon_color::Rgb8;
use rhodon_theme::{Mode, Origin};
use serde_json::json;

use crate::scales::{labels, scale_of, with_settings};
use crate::support::{derived, value};

#[test]
fn labels_of_a_theme_hold_for_all_scales_and_those_of_a_scale_for_its_own() {
    let theme = derived(json!({
        "brand": [
            { "name": "Petrol", "slug": "petrol", "color": "#0f5c7a" },
            { "name": "Sand", "slug": "sand", "color": "#f3e3c3" }
        ],
        "steps": [100, 300, 500, 700, 900],
        "scales": { "sand": { "steps": ["tint", "base", "shade"] } }
    }));
    for scale in &theme.scales {
        let wanted: &[&str] = match scale.slug.as_str() {
            "sand" => &["tint", "base", "shade"],
            "neutral" => &["0", "100", "300", "500", "700", "900"],
            _ => &["100", "300", "500", "700", "900"],
        };
        assert_eq!(labels(&scale.scale), wanted, "{}", scale.slug);
    }
    // Numbers like those of the default list keep their meaning.
    let danger = theme
        .scales
        .iter()
        .find(|s| s.slug.as_str() == "danger")
        .unwrap();
    assert!((danger.scale.step("300").unwrap().lightness - 71.0).abs() < 6.0);
    assert_eq!(
        value(&theme, "sand.tint", Mode::Light),
        theme.scales[1].scale.steps[0].color.to_string()
    );
}

#[test]
fn words_spread_evenly_over_the_range() {
    let scale = scale_of(
        "#0f5c7a",
        json!({ "steps": ["a", "b", "c", "d", "e", "f", "g"] }),
    );
    let gaps: Vec<f64> = scale
        .steps
        .windows(2)
        .map(|w| w[0].lightness - w[1].lightness)
        .collect();
    let (least, most) = gaps
        .iter()
        .fold((f64::MAX, 0f64), |(a, b), g| (a.min(*g), b.max(*g)));
    assert!(least > 5.0 && most < 25.0, "{gaps:?}");
}

#[test]
fn step_zero_is_added_in_front_and_is_white_in_the_neutral_scale() {
    let scale = scale_of("#0f5c7a", json!({ "zero": true }));
    assert_eq!(labels(&scale)[..2], ["0", "50"]);
    assert!(scale.steps[0].lightness > scale.steps[1].lightness);
    let theme = with_settings("#0f5c7a", json!({}));
    let neutral = theme.intent_scale("neutral").unwrap();
    assert_eq!(neutral.scale.steps[0].color, Rgb8::WHITE);
    let without = derived(json!({ "scales": { "neutral": { "zero": false } } }));
    assert_eq!(
        labels(&without.intent_scale("neutral").unwrap().scale)[0],
        "50"
    );
    // A list that has a 0 of its own gets no second one.
    let own = scale_of("#0f5c7a", json!({ "zero": true, "steps": [0, 500, 900] }));
    assert_eq!(labels(&own), ["0", "500", "900"]);
}

#[test]
fn see_through_steps_are_the_scales_own_colour_at_each_opacity() {
    let theme = with_settings("#e4572e", json!({ "alpha": [1, 8, 50, 99] }));
    for (path, code) in [
        ("own.a1", "#e4572e03"),
        ("own.a8", "#e4572e14"),
        ("own.a50", "#e4572e80"),
        ("own.a99", "#e4572efc"),
    ] {
        assert_eq!(value(&theme, path, Mode::Dark), code);
        assert_eq!(
            theme.token(path).unwrap().cell(Mode::Light).origin,
            Origin::Derived
        );
    }
    assert!(
        theme
            .token("own.a8")
            .unwrap()
            .cell(Mode::Light)
            .reason
            .to_string()
            .contains("at 8 %")
    );
}

#[test]
fn what_exports_leave_out_is_still_in_the_theme() {
    let theme = with_settings("#0f5c7a", json!({ "omit": ["50", "950"], "alpha": [8] }));
    let omitted: Vec<_> = theme
        .tokens
        .iter()
        .filter(|t| t.omitted)
        .map(|t| &*t.path)
        .collect();
    assert_eq!(omitted, ["own.50", "own.950"]);
    let off = with_settings("#0f5c7a", json!({ "off": true, "alpha": [8] }));
    assert!(
        off.tokens
            .iter()
            .filter(|t| t.group() == "own" && &*t.path != "own.fill")
            .all(|t| t.omitted)
    );
    assert!(off.pairs.iter().all(|p| p.pass));
}
