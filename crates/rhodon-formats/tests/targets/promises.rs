//! Properties of every target over random themes: exact codes, complete modes, no step lost in silence.

use std::collections::HashSet;

use proptest::prelude::*;
use rhodon_color::{Color, Rgb8};
use rhodon_formats::{TARGETS, Target};
use rhodon_theme::{Document, Mode};
use serde_json::{Value, json};

use super::support::{Made, parse, theme};

fn brand(codes: &[[u8; 3]]) -> Made {
    let colors: Vec<Color> = codes
        .iter()
        .map(|[r, g, b]| Rgb8::new(*r, *g, *b).into())
        .collect();
    Made::of(Document::from_brand("Any", &colors))
}

/// A code in each way of writing it.
fn spellings(code: Rgb8) -> [String; 4] {
    let [r, g, b] = code.channels();
    [
        code.to_string(),
        format!("FF{r:02X}{g:02X}{b:02X}"),
        format!("{r:>3} {g:>3} {b:>3}"),
        format!(
            "\"red\": \"0x{r:02X}\",\n          \"green\": \"0x{g:02X}\",\n          \"blue\": \"0x{b:02X}\""
        ),
    ]
}

/// Settings that leave nothing to another file and nothing out.
fn complete(target: &Target) -> Vec<(&'static str, &'static str)> {
    let wanted = [("tokens", "all"), ("values", "channels")];
    let has = |key: &str| target.options.iter().any(|o| o.key == key);
    wanted.into_iter().filter(|(key, _)| has(key)).collect()
}

proptest! {
    #![proptest_config(rhodon_testing::cases(24))]

    /// Promise: the exact code that came in is in every export that holds colours.
    #[test]
    fn the_brand_survives_in_every_target(codes in prop::collection::vec(any::<[u8; 3]>(), 1..=5)) {
        let theme = brand(&codes);
        for target in TARGETS.iter().filter(|t| t.id != "css-classes" && t.id != "css-components") {
            let files = theme.files(target.id, &[]);
            for file in &files {
                if let Err(e) = parse(file) {
                    return Err(TestCaseError::fail(format!("{}: {e}", target.id)));
                }
            }
            let all: String = files.into_iter().map(|f| f.text).collect();
            for [r, g, b] in &codes {
                let code = Rgb8::new(*r, *g, *b);
                // A configuration of a utility framework has a brand colour as channels.
                let channels = format!("\"{r} {g} {b}\"");
                let there = spellings(code).iter().chain([&channels]).any(|s| all.contains(s));
                // Overrides carry what the framework has a variable for, and maps of everything.
                prop_assert!(there, "{} lost {}", target.id, code);
            }
        }
    }

    /// What is left out of ten or eleven steps is told, step by step.
    #[test]
    fn steps_without_a_place_are_told(count in 2usize..30, at in 0usize..30, code in any::<[u8; 3]>()) {
        let labels: Vec<String> = (1..=count).map(|n| n.to_string()).collect();
        let [r, g, b] = code;
        let theme = theme(json!({
            "brand": [{ "name": "P", "slug": "p", "color": format!("#{r:02x}{g:02x}{b:02x}") }],
            "scales": { "p": { "steps": labels, "at": labels[at % count] } },
        }));
        let kept: HashSet<String> = theme.tokens().filter(|t| t.group() == "p").map(|t| t.path.to_string()).collect();
        prop_assert_eq!(kept.len(), count);
        for (id, places) in [("mantine", 10), ("sass-palettes", 10), ("scales-preset", 11)] {
            let output = theme.export(id, &[]).unwrap();
            let told: HashSet<String> = output.warnings.iter().map(|w| w.token.clone()).filter(|t| kept.contains(t)).collect();
            prop_assert_eq!(told.len(), count.saturating_sub(places), "{} of {}", id, count);
            // The brand may have moved to a step with room; wherever it is, it is not lost.
            let scale = &theme.derived.scales[0];
            prop_assert!(!told.contains(&*scale.step_path(scale.scale.base)), "{} lost the brand", id);
        }
    }
}

/// Every mode of every role is in the targets that have modes.
#[test]
fn dark_values_stand_beside_light_ones() {
    let theme =
        theme(json!({ "roles": { "link.rest": { "light": "#0a0b0c", "dark": "#f1f2f3" } } }));
    for target in TARGETS {
        // These refer to the values of another target, hold one mode by their nature, or the document.
        if matches!(
            target.id,
            "css-classes" | "css-components" | "site-palette" | "utility-css" | "spec"
        ) {
            continue;
        }
        let all: String = theme
            .files(target.id, &complete(target))
            .into_iter()
            .map(|f| f.text)
            .collect();
        for code in ["#0a0b0c", "#f1f2f3"] {
            let code: Rgb8 = code.parse().unwrap();
            let [r, g, b] = code.channels();
            let channels = format!("\"{r} {g} {b}\"");
            assert!(
                spellings(code)
                    .iter()
                    .chain([&channels])
                    .any(|s| all.contains(s)),
                "{} {code}",
                target.id
            );
        }
    }
}

/// Colours outside sRGB are mapped and said so, or kept.
#[test]
fn wide_colours_are_told_or_kept_in_every_target() {
    let theme =
        theme(json!({ "tokens": { "ferry.buoy": { "value": "color(display-p3 1 0.2 0)" } } }));
    for target in TARGETS {
        let listed = [("include", "all")];
        let set: &[_] = if target.id == "site-palette" {
            &listed
        } else {
            &[]
        };
        let output = theme.export(target.id, set).unwrap();
        let told = output.warnings.iter().any(|w| w.token == "ferry.buoy");
        let all: String = output.files.into_iter().map(|f| f.text).collect();
        let kept = all.contains("display-p3") || all.contains("var(--ferry-buoy)");
        assert!(
            told || kept || target.id == "css-components",
            "{}",
            target.id
        );
    }
}

/// Steps and scales that are left out of exports are in none; what stands on them repeats their values.
#[test]
fn what_is_left_out_is_nowhere() {
    let theme = theme(json!({
        "scales": { "p": { "omit": ["300"] }, "success": { "off": true } },
        "roles": { "link.rest": { "light": "{p.300}" } },
    }));
    let code = theme.derived.scales[0].scale.steps[3].color;
    // The document itself, in a file of its own or in that of the tokens, names the step it decided on.
    for target in TARGETS
        .iter()
        .filter(|t| !matches!(t.id, "spec" | "tokens" | "sheet"))
    {
        let all: String = theme
            .files(target.id, &[])
            .into_iter()
            .map(|f| f.text)
            .collect();
        for name in [
            "p-300",
            "p300:",
            "p300 ",
            "p_300",
            "p.300",
            "success-500",
            "success500",
            "success_500",
        ] {
            let elsewhere = all
                .match_indices(name)
                .any(|(at, _)| !all[..at].ends_with(|c: char| c.is_alphanumeric()));
            assert!(!elsewhere, "{} has {name}", target.id);
        }
    }
    let flat: Value = serde_json::from_str(&theme.text("json", &[])).unwrap();
    assert_eq!(flat["light"]["link-rest"], code.to_string());
    for mode in Mode::BOTH {
        assert!(flat[mode.id()].get("success-fill").is_some());
    }
}

/// The hue of a code in degrees.
fn hue(code: &str) -> f64 {
    code.parse::<rhodon_color::Rgb8>().unwrap().to_oklch().h
}

/// Frameworks hover a button by the neighbours of its colour: a red one on a blue theme stays red there too.
#[test]
fn the_neighbours_of_a_fill_set_by_hand_are_shades_of_it() {
    let red = json!({ "light": "#7a1f0f", "dark": "#7a1f0f" });
    let theme = theme(json!({ "roles": { "primary.fill": red } }));
    let own = hue("#7a1f0f");
    let react = theme.text("react-theme", &[]);
    let vue = theme.text("vue-theme", &[]);
    // The palettes of both modes; and the colours that begin with the intent's name.
    let blocks = react
        .split("primary: {")
        .skip(1)
        .map(|b| &b[..b.find('}').unwrap()]);
    let palettes: Vec<&str> = blocks
        .flat_map(str::lines)
        .filter(|l| !l.contains("contrastText"))
        .collect();
    let named = |l: &&str| {
        ["primary:", "\"primary-darken-1\":"]
            .iter()
            .any(|k| l.trim().starts_with(k))
    };
    let themes: Vec<&str> = vue.lines().filter(named).collect();
    let codes = |lines: &[&str]| -> Vec<String> {
        let code = |l: &&str| l.find("\"#").map(|at| l[at + 1..at + 8].to_owned());
        lines.iter().filter_map(code).collect()
    };
    let (palettes, themes) = (codes(&palettes), codes(&themes));
    assert!(
        palettes.len() >= 6 && themes.len() == 4,
        "{palettes:?} {themes:?}"
    );
    for code in palettes.iter().chain(&themes) {
        let turn = rhodon_color::hue_turn(own, hue(code)).abs();
        assert!(turn < 20.0, "{code} is {turn} degrees away");
    }
}

/// A face that nothing loads would be another one in the consumer: that is told, but not of what systems have.
#[test]
fn a_face_that_nothing_loads_is_told() {
    let told = |face: &str, target: &str| {
        let theme = theme(json!({ "type": { "body": [face, "serif"] } }));
        let output = theme.export(target, &[]).unwrap();
        let message = format!("these files name {face} and nothing loads it");
        output
            .warnings
            .iter()
            .any(|w| w.message.contains(&message) && w.token == "type.family.body")
    };
    for target in ["css", "site-css", "react-theme", "sass-overrides"] {
        assert!(told("Anlow Sans", target), "{target}");
        assert!(!told("Georgia", target), "{target}");
    }
    assert!(!told("Anlow Sans", "spec"), "a document loads nothing");
}

#[test]
fn several_web_fonts_are_imported_one_by_one_before_every_rule() {
    let sheets = [
        "https://fonts.example.test/a.css",
        "https://fonts.example.test/b.css",
    ];
    let theme = theme(json!({ "type": { "import": sheets } }));
    for target in ["css", "site-css"] {
        let text = theme.text(target, &[]);
        let [first, second] = sheets.map(|s| text.find(&format!("@import url(\"{s}\");")).unwrap());
        assert!(
            first < second && second < text.find('{').unwrap(),
            "{target}"
        );
    }
}

/// A web font that the theme chose is loaded by every file that names it, or told.
#[test]
fn a_web_font_is_loaded_or_told_by_every_target_that_names_it() {
    let address = "https://fonts.example.test/anlow.css";
    let theme = theme(json!({ "type": { "body": ["Anlow Sans", "serif"], "import": address } }));
    let mut loading = 0;
    for target in TARGETS {
        let output = theme.export(target.id, &[]).unwrap();
        let holds = |text: &str| output.files.iter().any(|f| f.body().contains(text));
        let told = output.warnings.iter().any(|w| w.message.contains(address));
        loading += usize::from(holds(address));
        assert!(
            !holds("Anlow Sans") || holds(address) || told,
            "{}",
            target.id
        );
        assert!(!(holds(address) && told), "{} says what it does", target.id);
    }
    assert!(loading >= 3);
}
