//! Scales: what each method and each setting does to the steps.

use proptest::prelude::{Strategy, any, prop, prop_assert, proptest};
use rhodon_color::{Rgb8, contrast_ratio, difference};
use rhodon_theme::scale::{Scale, Step};
use rhodon_theme::{Derived, Document, Resolved, derive};
use serde_json::{Value, json};

use crate::support::{derived, problems};

/// Default labels and the L* that they stand for.
const TARGETS: [(&str, f64); 11] = [
    ("50", 97.0),
    ("100", 92.5),
    ("200", 82.0),
    ("300", 71.0),
    ("400", 60.0),
    ("500", 49.6),
    ("600", 40.5),
    ("700", 31.0),
    ("800", 21.5),
    ("900", 13.5),
    ("950", 7.5),
];

/// The scale of one colour with some settings.
pub fn scale_of(color: &str, settings: Value) -> Scale {
    let theme = with_settings(color, settings);
    theme
        .scales
        .into_iter()
        .next()
        .unwrap()
        .scale
        .as_ref()
        .clone()
}

pub fn with_settings(color: &str, settings: Value) -> Derived {
    derived(json!({
        "brand": [{ "name": "Own", "slug": "own", "color": color }],
        "scales": { "own": settings }
    }))
}

pub fn labels(scale: &Scale) -> Vec<&str> {
    scale.steps.iter().map(|s| s.label.as_str()).collect()
}

pub fn codes(scale: &Scale) -> Vec<Rgb8> {
    scale.steps.iter().map(|s| s.color).collect()
}

pub fn pinned(scale: &Scale) -> Vec<(&str, String)> {
    scale
        .steps
        .iter()
        .filter(|s| s.pinned)
        .map(|s| (s.label.as_str(), s.color.to_string()))
        .collect()
}

pub fn hue_turn(from: &Step, to: &Step) -> f64 {
    (to.oklch.h - from.oklch.h + 540.0).rem_euclid(360.0) - 180.0
}

#[test]
fn without_settings_there_are_eleven_steps_and_the_brand_stands_at_its_nearest() {
    for (color, label) in [
        ("#0f5c7a", "600"),
        ("#e4572e", "400"),
        ("#f3e3c3", "100"),
        ("#1b1f3a", "900"),
        ("#ffffff", "50"),
        ("#000000", "950"),
    ] {
        let scale = scale_of(color, json!({}));
        assert_eq!(labels(&scale), TARGETS.map(|t| t.0), "{color}");
        assert_eq!(pinned(&scale), [(label, color.to_owned())]);
        assert_eq!(scale.base_step().label.as_str(), label);
        assert_eq!(scale.notes, [] as [&str; 0]);
    }
}

#[test]
fn a_natural_scale_follows_its_brand_and_leaves_its_ends() {
    // Lighter than its step by more than four L*: its neighbours come along, the ends stay.
    let scale = scale_of("#2b7a9b", json!({}));
    let base = scale.base_step();
    let target = TARGETS
        .iter()
        .find(|t| t.0 == base.label.as_str())
        .unwrap()
        .1;
    let moved = base.lightness - target;
    assert!(moved.abs() > 1.5, "{moved}");
    for (step, (label, target)) in scale.steps.iter().zip(TARGETS) {
        let by = step.lightness - target;
        assert!(by.abs() <= moved.abs() + 0.4, "{label} moved by {by}");
        assert!(by * moved > -0.4, "{label} moved the other way, by {by}");
    }
    for (end, target) in [(&scale.steps[0], 97.0), (&scale.steps[10], 7.5)] {
        assert!(
            (end.lightness - target).abs() < 0.6,
            "{} is at {}",
            end.label,
            end.lightness
        );
    }
}

#[test]
fn an_aligned_step_stands_on_its_target_in_every_hue() {
    for color in [
        "#0f5c7a", "#e4572e", "#8a9a2b", "#7a4b8f", "#ffd400", "#3a00b8", "#808080",
    ] {
        let scale = scale_of(color, json!({ "method": "aligned" }));
        for (step, (label, target)) in scale.steps.iter().zip(TARGETS).filter(|(s, _)| !s.pinned) {
            assert!(
                (step.lightness - target).abs() <= 0.25,
                "{color} {label}: {}",
                step.lightness
            );
        }
        let five_hundred = scale.step("500").unwrap();
        assert!(five_hundred.pinned || contrast_ratio(five_hundred.color, Rgb8::WHITE) >= 4.5);
    }
}

#[test]
fn a_mixed_scale_lies_on_the_lines_to_white_and_to_black() {
    let scale = scale_of("#0f5c7a", json!({ "method": "mix" }));
    let base = scale.base_step().color.channels().map(f64::from);
    for step in &scale.steps {
        let own = step.color.channels().map(f64::from);
        let end = if step.lightness > scale.base_step().lightness {
            255.0
        } else {
            0.0
        };
        // The share of the end is the same in every channel, up to rounding.
        let shares: Vec<f64> = base
            .iter()
            .zip(own)
            .map(|(b, o)| (o - b) / (end - b))
            .collect();
        for share in &shares {
            assert!(
                (share - shares[0]).abs() < 0.05,
                "{}: {shares:?}",
                step.color
            );
        }
    }
}

#[test]
fn a_turn_moves_the_hue_of_dark_steps_one_way_and_of_light_ones_the_other() {
    let (still, turned) = (
        scale_of("#0f5c7a", json!({})),
        scale_of("#0f5c7a", json!({ "turn": 15 })),
    );
    let base = turned.base_step();
    let (light, dark) = (turned.step("200").unwrap(), turned.step("900").unwrap());
    assert_eq!(
        base.color,
        still.base_step().color,
        "the brand itself is not turned"
    );
    assert!(
        hue_turn(base, dark) > 4.0,
        "dark turned by {}",
        hue_turn(base, dark)
    );
    assert!(
        hue_turn(base, light) < -4.0,
        "light turned by {}",
        hue_turn(base, light)
    );
    for (a, b) in still.steps.iter().zip(&turned.steps) {
        assert!(
            (a.lightness - b.lightness).abs() < 0.4,
            "{}: a turn is no change of lightness",
            a.label
        );
    }
}

#[test]
fn strength_takes_chroma_away_or_adds_it_and_spares_the_brand() {
    let chroma = |strength: f64| -> Vec<f64> {
        let scale = scale_of("#5a7d6b", json!({ "strength": strength }));
        scale
            .steps
            .iter()
            .filter(|s| !s.pinned)
            .map(|s| s.oklch.c)
            .collect()
    };
    let (none, half, plain, twice) = (chroma(0.0), chroma(0.5), chroma(1.0), chroma(2.0));
    assert!(none.iter().all(|c| *c < 0.004), "{none:?}");
    for i in 0..plain.len() {
        assert!(
            (half[i] - plain[i] / 2.0).abs() < 0.006,
            "{half:?} of {plain:?}"
        );
        assert!(twice[i] >= plain[i] - 0.003, "{twice:?} of {plain:?}");
    }
    assert!(twice.iter().sum::<f64>() > plain.iter().sum::<f64>() * 1.4);
    let scale = scale_of("#5a7d6b", json!({ "strength": 0 }));
    assert_eq!(pinned(&scale)[0].1, "#5a7d6b");
}

#[test]
fn a_step_set_by_hand_takes_its_lightness_as_far_as_its_neighbours_leave_room() {
    let free = scale_of("#0f5c7a", json!({}));
    let set = scale_of("#0f5c7a", json!({ "lightness": { "300": 75.0 } }));
    assert!((set.step("300").unwrap().lightness - 75.0).abs() < 0.4);
    for label in ["50", "600", "700", "950"] {
        assert_eq!(
            free.step(label).unwrap().color,
            set.step(label).unwrap().color,
            "{label} is not beside it"
        );
    }
    // Beyond the brand at 600 there is no room: the order holds.
    let crossed = scale_of(
        "#0f5c7a",
        json!({ "lightness": { "500": 10.0, "800": 90.0 } }),
    );
    for pair in crossed.steps.windows(2) {
        assert!(
            pair[0].lightness > pair[1].lightness,
            "{:?}",
            codes(&crossed)
        );
    }
    assert_eq!(pinned(&crossed)[0], ("600", "#0f5c7a".to_owned()));
}

#[test]
fn a_wide_scale_is_as_strong_or_stronger_beyond_srgb() {
    let theme = with_settings("#00b140", json!({ "wide": true }));
    let mut beyond = 0;
    for step in &theme.scales[0].scale.steps {
        let wide = step.p3.unwrap();
        assert!(wide.gamut_fit().p3, "{}", step.label);
        beyond += usize::from(!wide.gamut_fit().srgb);
    }
    assert!(beyond >= 5, "{beyond} of 11 steps use the wider gamut");
    let grey = with_settings("#777777", json!({ "wide": true }));
    for step in &grey.scales[0].scale.steps {
        let shown = step.p3.unwrap().to_rgb8();
        assert!(
            difference(shown, step.color) < 0.5,
            "{}: a grey has nothing to gain",
            step.label
        );
    }
}

#[test]
fn settings_that_cannot_be_met_are_told_with_their_place() {
    for (settings, line) in [
        (
            json!({ "steps": ["a"] }),
            "/scales/petrol/steps: expected 2 to 40 step labels, found 1",
        ),
        (
            json!({ "steps": [] }),
            "expected 2 to 40 step labels, found 0",
        ),
        (
            json!({ "steps": ["a b", "c"] }),
            "/scales/petrol/steps/0: \"a b\": expected a step label",
        ),
        (
            json!({ "alpha": [0] }),
            "/scales/petrol/alpha/0: expected a number from 1 to 99, found 0",
        ),
        (
            json!({ "alpha": [100] }),
            "/scales/petrol/alpha/0: expected a number from 1 to 99, found 100",
        ),
        (
            json!({ "strength": 2.5 }),
            "/scales/petrol/strength: expected a number from 0 to 2, found 2.5",
        ),
        (
            json!({ "turn": -21 }),
            "/scales/petrol/turn: expected a number from -20 to 20, found -21",
        ),
        (
            json!({ "lightness": { "300": 101 } }),
            "/scales/petrol/lightness/300: expected a number from 0 to 100",
        ),
        (
            json!({ "lightness": { "333": 50 } }),
            "/scales/petrol/lightness/333: no step 333 in this scale",
        ),
        (
            json!({ "pins": { "300": "seaweed" } }),
            "/scales/petrol/pins/300: \"seaweed\": expected a CSS colour",
        ),
        (
            json!({ "pins": { "333": "#abcdef" } }),
            "/scales/petrol: no step 333: expected one of 50, 100",
        ),
        (
            json!({ "zero": "yes" }),
            "/scales/petrol/zero: expected true or false, found \"yes\"",
        ),
        (
            json!({ "wide": 1 }),
            "/scales/petrol/wide: expected true or false, found 1",
        ),
        (
            json!({ "steps": ["a", "b"], "pins": { "a": "#ffffff", "b": "#000000" } }),
            "/scales/petrol: no step is left for",
        ),
    ] {
        let found = problems(json!({ "scales": { "petrol": settings } }));
        assert!(found.contains(line), "expected {line:?} in {found:?}");
    }
}

/// Settings of one scale, all at once: any method, end, pins, lightness by hand, strength, turn.
fn any_settings() -> impl Strategy<Value = serde_json::Value> {
    let label = || {
        prop::sample::select(vec![
            "50", "100", "200", "300", "400", "500", "600", "700", "800", "900", "950",
        ])
    };
    let code = || (0u32..0x100_0000).prop_map(|n| format!("#{n:06x}"));
    let method = prop::sample::select(vec!["natural", "aligned", "mix"]);
    let lightness = prop::collection::hash_map(label(), 0.0..=100.0f64, 0..5);
    let pins = prop::collection::hash_map(label(), code(), 0..3);
    (
        (code(), code(), method, any::<bool>()),
        (lightness, pins, 0.0..=2.0f64, -20.0..=20.0f64, any::<bool>()),
    )
        .prop_map(|((brand, end, method, runs), (lightness, pins, strength, turn, zero))| {
            let mut settings = json!({
                "method": method, "lightness": lightness, "pins": pins,
                "strength": strength, "turn": turn, "zero": zero
            });
            if runs {
                settings["to"] = "end".into();
            }
            json!({
                "brand": [
                    { "name": "Own", "slug": "own", "color": brand },
                    { "name": "End", "slug": "end", "color": end }
                ],
                "scales": { "own": settings.clone(), "neutral": { "lightness": settings["lightness"], "method": method } }
            })
        })
}

proptest! {
    #![proptest_config(rhodon_testing::cases(400))]

    #[test]
    fn order_and_exact_colours_hold_whatever_is_set(extra in any_settings()) {
        let Ok(document) = Document::read(&crate::support::document(extra.clone())) else { return Ok(()) };
        // Pins that contradict each other are refused with a sentence.
        let Ok(found) = derive(&Resolved::alone(document.clone())) else { return Ok(()) };
        for scale in &found.scales {
            let lightness: Vec<f64> = scale.scale.steps.iter().map(|s| s.lightness).collect();
            prop_assert!(lightness.windows(2).all(|w| w[0] > w[1]), "{}: {lightness:.2?} {extra}", scale.slug);
        }
        for brand in &document.brand {
            let scale = found.scales.iter().find(|s| s.slug == brand.slug).unwrap();
            let codes: Vec<_> = scale.scale.steps.iter().map(|s| s.color).collect();
            prop_assert!(codes.contains(&brand.color.to_rgb8()), "{}", brand.slug);
            for pin in scale.settings.pins.values() {
                prop_assert!(codes.contains(&pin.to_rgb8()), "{} {pin}", brand.slug);
            }
        }
    }
}

#[test]
fn a_plain_mix_that_runs_to_another_colour_blends_between_the_two() {
    let theme = derived(json!({
        "brand": [
            { "name": "Fern", "slug": "fern", "color": "#1d6f5c" },
            { "name": "Sand", "slug": "sand", "color": "#d8b98a" }
        ],
        "scales": { "fern": { "method": "mix", "to": "sand" } }
    }));
    let steps = &theme.scales[0].scale.steps;
    assert_eq!(steps[0].color.to_string(), "#d8b98a");
    assert_eq!(
        steps[5].color.to_string(),
        "#7b9473",
        "halfway, channel by channel"
    );
    assert_eq!(steps[10].color.to_string(), "#1d6f5c");
}
