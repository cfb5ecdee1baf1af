//! Pins: colours that a scale contains exactly, and what gives way to them.

use rhodon_theme::Mode;
use serde_json::json;

use crate::scales::{codes, pinned, scale_of};
use crate::support::derived;

#[test]
fn lightness_of_a_pinned_step_is_the_pins() {
    let scale = scale_of("#0f5c7a", json!({ "lightness": { "600": 55.0 } }));
    assert_eq!(scale.step("600").unwrap().color.to_string(), "#0f5c7a");
}

#[test]
fn pins_hold_beside_the_brand_and_the_rest_passes_between_them() {
    let scale = scale_of(
        "#0f5c7a",
        json!({ "pins": { "100": "#d9eef5", "900": "rgb(2 30 44)" } }),
    );
    assert_eq!(
        pinned(&scale),
        [
            ("100", "#d9eef5".to_owned()),
            ("600", "#0f5c7a".to_owned()),
            ("900", "#021e2c".to_owned())
        ]
    );
    for pair in scale.steps.windows(2) {
        assert!(
            pair[0].lightness - pair[1].lightness > 1.0,
            "{} {}",
            pair[0].label,
            pair[1].label
        );
    }
    assert_eq!(
        scale.base_step().label.as_str(),
        "600",
        "the brand stays the scale's own colour"
    );
}

#[test]
fn the_brand_can_be_asked_to_another_step() {
    for label in ["400", "500", "700", "800"] {
        let scale = scale_of("#0f5c7a", json!({ "at": label }));
        assert_eq!(pinned(&scale), [(label, "#0f5c7a".to_owned())]);
        for pair in scale.steps.windows(2) {
            let least = 1.0;
            assert!(
                pair[0].lightness - pair[1].lightness > least,
                "{label}: {:?}",
                codes(&scale)
            );
        }
    }
}

#[test]
fn pinning_a_step_at_the_colour_it_has_moves_nothing() {
    let before = derived(json!({}));
    for scale in ["petrol", "neutral"] {
        for label in ["100", "300", "900"] {
            let step = before
                .scales
                .iter()
                .find(|s| s.slug.as_str() == scale)
                .unwrap();
            let code = step.scale.step(label).unwrap().color.to_string();
            let after = derived(json!({ "scales": { scale: { "pins": { label: code } } } }));
            let moved = rhodon_theme::diff(&before, &after);
            assert_eq!(moved.changes, [], "{scale} {label}");
            let held = after
                .scales
                .iter()
                .find(|s| s.slug.as_str() == scale)
                .unwrap();
            assert!(held.scale.step(label).unwrap().pinned);
            let reason = &after
                .token(&format!("{scale}.{label}"))
                .unwrap()
                .cell(Mode::Light)
                .reason;
            assert_eq!(reason.to_string(), "pinned: set for this step");
        }
    }
}

#[test]
fn lightness_that_had_to_give_way_is_told() {
    let theme = derived(json!({
        "scales": { "neutral": { "lightness": { "950": 100, "50": 5 } }, "petrol": { "lightness": { "400": 75, "500": 80 } } }
    }));
    assert!(
        theme
            .notes
            .iter()
            .any(|n| n.starts_with("Neutral: 950 stands at L* ")),
        "{:?}",
        theme.notes
    );
    assert!(
        theme
            .notes
            .iter()
            .any(|n| n.starts_with("Petrol: 500 stands at L* ")),
        "{:?}",
        theme.notes
    );
}

#[test]
fn a_scale_between_two_colours_has_both_at_its_ends() {
    let between = |color: &str, to: &str| {
        derived(json!({
            "brand": [{ "name": "A", "slug": "a", "color": color }, { "name": "B", "slug": "b", "color": to }],
            "scales": { "a": { "to": "b" } }
        }))
    };
    for (color, to) in [("#f3e3c3", "#0f5c7a"), ("#0f5c7a", "#f3e3c3")] {
        let theme = between(color, to);
        let scale = &theme.scales[0].scale;
        let (first, last) = (
            scale.steps[0].color.to_string(),
            scale.steps[10].color.to_string(),
        );
        assert_eq!(
            (first.as_str(), last.as_str()),
            ("#f3e3c3", "#0f5c7a"),
            "light to dark, whichever comes first"
        );
        assert_eq!(scale.base_step().color.to_string(), color);
        for pair in scale.steps.windows(2) {
            assert!(pair[0].lightness > pair[1].lightness);
        }
    }
}
