//! Reading documents, inheriting, references, and what is refused.

use insta::assert_snapshot;
use rhodon_theme::{Document, InheritError, Mode, Origin, Resolved, Slug, derive};
use serde_json::json;

use crate::support::{document, problems, theme};

#[test]
fn every_problem_is_told_at_once_with_its_place() {
    assert_snapshot!(problems(json!({
        "nmae": "x",
        "brand": [
            { "name": "Petrol", "color": "bluish" },
            { "name": "Sea", "slug": "Sea", "color": "#123456", "colour": 1 },
            { "name": "Surface", "color": "#123456" }
        ],
        "steps": ["50", "50"],
        "scales": { "petrol": { "turn": 50, "methd": "natural", "method": "fancy", "alpha": [8.5] } },
        "roles": { "primary.fill": { "light": "{petrol.600", "dark": "nothing" } },
        "tokens": { "ferry.wake": {}, "primary.mine": { "value": "#fff" }, "Ferry": { "value": "#fff" } },
        "type": { "ratio": "big", "import": "http://example.test/x" },
        "shape": { "radius": -1 }
    })), @r#"
    /nmae: unknown key "nmae": the nearest known key is "name"
    /brand/0/color: "bluish": expected a CSS colour name or a code such as #0f5c7a, found `bluish`
    /brand/1/colour: unknown key "colour": the nearest known key is "color"
    /brand/1/slug: "Sea": expected a slug of lower-case letters, digits and single hyphens, starting with a letter
    /brand/2/slug: surface names a group that is derived: expected another slug
    /steps/1: expected different labels, found 50 twice
    /scales/petrol/methd: unknown key "methd": the nearest known key is "method"
    /scales/petrol/method: "fancy": expected natural, aligned or mix
    /scales/petrol/turn: expected a number from -20 to 20, found 50
    /scales/petrol/alpha/0: expected a whole number, found 8.5
    /roles/primary.fill/light: "{petrol.600": expected a closing brace after the token path
    /roles/primary.fill/dark: "nothing": expected a CSS colour name or a code such as #0f5c7a, found `nothing`
    /tokens/ferry.wake: expected a value, or one for light and one for dark
    /tokens/Ferry: "Ferry": expected a token path of slugs joined by dots, such as ferry.wake
    /tokens/primary.mine: "primary.mine" belongs to a group that is derived: expected a group of your own
    /type/import: expected an https address without quotes, brackets or spaces, found "http://example.test/x"
    /type/ratio: expected a number from 1.05 to 2, found "big"
    /shape/radius: expected a number from 0 to 64, found -1
    "#);
}

#[test]
fn contradictions_are_told_with_their_place() {
    for (extra, line) in [
        (
            json!({ "format": 9 }),
            "/format: expected format 1, found 9",
        ),
        (
            json!({ "aim": { "dominant": 60, "secondary": 30, "accent": 20 } }),
            "/aim: expected parts that add up to 100, found 110",
        ),
        (
            json!({ "brand": [] }),
            "/brand: expected at least one brand colour, found none",
        ),
        (
            json!({ "brand": [{ "name": "A", "color": "#111" }, { "name": "a", "color": "#222" }] }),
            "/brand/1/slug: \"A\" and \"a\" share the slug a: expected different slugs",
        ),
        (
            json!({ "scales": { "petrl": {} } }),
            "/scales/petrl: no scale \"petrl\": expected one of petrol, secondary",
        ),
        (
            json!({ "scales": { "petrol": { "at": 650 } } }),
            "/scales/petrol: no step 650: expected one of 50, 100",
        ),
        (
            json!({ "scales": { "petrol": { "omit": [650] } } }),
            "/scales/petrol/omit/650: no step 650 in this scale",
        ),
        (
            json!({ "scales": { "petrol": { "to": "sea" } } }),
            "/scales/petrol/to: no brand colour \"sea\"",
        ),
        (
            json!({ "scales": { "petrol": { "pins": { "500": "#0f5c7b" } } } }),
            "#0f5c7a are too close in lightness for two steps of one scale",
        ),
        (
            json!({ "intents": { "primary": { "scale": "sea" } } }),
            "/intents/primary/scale: no brand colour \"sea\"",
        ),
        (
            json!({ "intents": { "boarding": {} } }),
            "/intents/boarding: expected a scale or a color",
        ),
        (
            json!({ "roles": { "primary.fil": { "light": "#fff" } } }),
            "no role \"primary.fil\": the nearest is \"primary.fill\"",
        ),
        (
            json!({ "roles": { "primary.fill": { "light": "{petrol.650}" } } }),
            "/roles/primary.fill/light: no token \"petrol.650\"",
        ),
        (
            json!({ "tokens": { "a.b": { "value": "{x.y}" } } }),
            "/tokens/a.b: no token \"x.y\"",
        ),
        (
            json!({ "tokens": { "a.b": { "value": "{c.d}" }, "c.d": { "value": "{e.f}" }, "e.f": { "value": "{c.d}" } } }),
            "tokens refer to each other in a circle: c.d → e.f → c.d",
        ),
        (
            json!({ "roles": { "text.main": { "light": "{text.muted}" }, "text.muted": { "light": "{text.main}" } } }),
            "/roles/text.main/light: tokens refer to each other in a circle: text.main → text.muted → text.main",
        ),
        (
            json!({ "tokens": { "a.b": { "kind": "dimension", "value": "{petrol.600}" } } }),
            "/tokens/a.b: expected a dimension, found a color",
        ),
    ] {
        let found = problems(extra);
        assert!(found.contains(line), "expected {line:?} in {found:?}");
    }
}

#[test]
fn reading_back_what_was_written_gives_the_same() {
    let text = include_str!("../../../../demo/brindle-sound-ferries.rhodon.json");
    let spec = Document::parse(text).unwrap();
    assert_eq!(Document::read(&spec.to_json()).unwrap(), spec);
}

#[test]
fn the_order_of_keys_decides_nothing() {
    let one = Document::parse(
        r##"{"format":1,"name":"A","brand":[{"name":"P","color":"#123"}],"tokens":{"b.x":{"value":"#111"},"a.x":{"value":"#222"}}}"##,
    );
    let other = Document::parse(
        r##"{"tokens":{"a.x":{"value":"#222"},"b.x":{"value":"#111"}},"brand":[{"color":"#123","name":"P"}],"name":"A","format":1}"##,
    );
    assert_eq!(
        one.unwrap().to_json().to_string(),
        other.unwrap().to_json().to_string()
    );
}

#[test]
fn text_that_is_not_json_is_told_with_line_and_column() {
    let message = Document::parse("{\n  \"format\": 1,,\n}")
        .unwrap_err()
        .to_string();
    assert!(message.contains("line 2 column 15"), "{message}");
}

#[test]
fn a_child_follows_its_parent_and_keeps_its_overrides() {
    let parent = Document::read(&document(json!({
        "roles": { "border.subtle": { "light": "#cccccc", "dark": "#333333" } },
        "tokens": { "ferry.wake": { "value": "{petrol.200}" } }
    })))
    .unwrap();
    let child = Document::read(&json!({
        "format": 1, "name": "Night", "extends": "tern",
        "roles": { "border.subtle": { "dark": "#444444" } },
        "shape": { "radius": 12 }
    }))
    .unwrap();
    let merged = Resolved::follow(child, |slug| {
        (slug.as_str() == "tern").then(|| parent.clone())
    })
    .unwrap();
    let derived = derive(&merged).unwrap();
    let cell = |path: &str, mode| derived.token(path).unwrap().cell(mode);
    assert_eq!(cell("petrol.600", Mode::Light).origin, Origin::Inherited);
    let subtle = Mode::BOTH.map(|m| {
        (
            cell("border.subtle", m).value.to_string(),
            cell("border.subtle", m).origin,
        )
    });
    assert_eq!(
        subtle,
        [
            ("#cccccc".to_owned(), Origin::Inherited),
            ("#444444".to_owned(), Origin::Set)
        ]
    );
    assert_eq!(cell("ferry.wake", Mode::Light).origin, Origin::Inherited);
    assert_eq!(
        cell("shape.radius.medium", Mode::Light).value.to_string(),
        "12px"
    );
}

#[test]
fn parents_that_are_missing_or_circular_are_told() {
    let extending = |parent: &str| {
        Document::read(&json!({ "format": 1, "name": "X", "extends": parent })).unwrap()
    };
    let missing = Resolved::follow(extending("a"), |_| None).unwrap_err();
    assert_eq!(missing, InheritError::Missing("a".parse().unwrap()));
    let circle = Resolved::follow(extending("a"), |slug: &Slug| {
        Some(extending(if slug.as_str() == "a" { "b" } else { "a" }))
    });
    assert_eq!(
        circle.unwrap_err().to_string(),
        "themes extend each other in a circle: a → b → a"
    );
}

#[test]
fn references_follow_steps_roles_and_own_tokens() {
    let derived = derive(&theme(json!({
        "roles": {
            "surface.raised": { "light": "{text.main}" },
            "link.rest": { "light": "{ferry.deep}", "dark": "rgb(1 2 3)" }
        },
        "tokens": { "ferry.deep": { "value": "{petrol.800}" }, "ferry.copy": { "value": "{primary.fill}" } }
    })))
    .unwrap();
    let value = |path: &str, mode| derived.token(path).unwrap().cell(mode).value.to_string();
    assert_eq!(
        value("surface.raised", Mode::Light),
        value("text.main", Mode::Light)
    );
    assert_eq!(
        value("link.rest", Mode::Light),
        value("petrol.800", Mode::Light)
    );
    assert_eq!(value("link.rest", Mode::Dark), "#010203");
    assert_eq!(value("ferry.copy", Mode::Dark), "#0f5c7a");
    let alias = &derived.token("link.rest").unwrap().cell(Mode::Light).alias;
    assert_eq!(alias.as_deref(), Some("ferry.deep"));
}

#[test]
fn text_follows_a_surface_that_was_set_by_hand() {
    let derived = derive(&theme(
        json!({ "roles": { "surface.base": { "light": "#d0d8dc" } } }),
    ))
    .unwrap();
    let failing: Vec<_> = derived.pairs.iter().filter(|p| !p.pass).collect();
    assert!(failing.is_empty(), "{failing:?}");
}

#[test]
fn scales_do_what_their_settings_say() {
    let derived = derive(&theme(json!({
        "brand": [
            { "name": "Petrol", "slug": "petrol", "color": "#0f5c7a" },
            { "name": "Sand", "slug": "sand", "color": "#f3e3c3" }
        ],
        "scales": {
            "petrol": { "at": "700", "zero": true, "alpha": [8, 64], "omit": ["950"], "lightness": { "300": 75 } },
            "sand": { "to": "petrol", "steps": ["1", "2", "3", "4", "5"] },
            "success": { "off": true }
        }
    }))).unwrap();
    let value = |path: &str| {
        derived
            .token(path)
            .unwrap()
            .cell(Mode::Light)
            .value
            .to_string()
    };
    assert_eq!(
        (value("petrol.700").as_str(), value("petrol.a8").as_str()),
        ("#0f5c7a", "#0f5c7a14")
    );
    assert_eq!(
        (value("sand.1").as_str(), value("sand.5").as_str()),
        ("#f3e3c3", "#0f5c7a")
    );
    let petrol = &derived.scales[0].scale;
    assert!((petrol.step("300").unwrap().lightness - 75.0).abs() < 0.3);
    assert_eq!(petrol.steps[0].label.as_str(), "0");
    let omitted = |path: &str| derived.token(path).unwrap().omitted;
    assert!(omitted("petrol.950") && !omitted("petrol.900") && omitted("success.500"));
}

#[test]
fn a_pin_without_room_moves_and_says_so() {
    let derived = derive(&theme(json!({
        "brand": [{ "name": "Ink", "slug": "ink", "color": "#050505" }],
        "scales": { "ink": { "at": "50" } }
    })))
    .unwrap();
    assert_eq!(derived.notes.len(), 1);
    assert!(
        derived.notes[0].starts_with("Ink: #050505 stands at 950 instead of 50"),
        "{:?}",
        derived.notes
    );
}

#[test]
fn a_wide_scale_keeps_its_contrast() {
    let derived = derive(&theme(json!({ "scales": { "petrol": { "wide": true } } }))).unwrap();
    for step in &derived.scales[0].scale.steps {
        let wide = step.p3.unwrap();
        assert!(wide.gamut_fit().p3);
        let [_, y, _] = wide.in_space(rhodon_color::Space::XyzD65);
        assert!(
            (y - step.color.luminance_cie()).abs() < 1e-4,
            "{}",
            step.label
        );
    }
}

#[test]
fn choices_for_the_handoff_and_kept_tokens_are_part_of_the_document() {
    let extra = json!({
        "handoff": { "css": { "mode": "class", "prefix": "" }, "sass": {} },
        "kept": { "motion.quick": { "$type": "duration", "$value": { "value": 1, "unit": "s" } } },
    });
    let theme = theme(extra.clone());
    let written = theme.merged.to_json();
    assert_eq!(
        (&written["handoff"], &written["kept"]),
        (&extra["handoff"], &extra["kept"])
    );
    // A child has its parent's choices, option by option.
    let child = json!({ "format": 1, "name": "C", "extends": "tern", "handoff": { "css": { "mode": "auto" } } });
    let child = Document::read(&child).unwrap();
    let resolved = Resolved::follow(child.clone(), |_| Some(theme.merged.clone())).unwrap();
    assert_eq!(
        resolved.merged.to_json()["handoff"],
        json!({ "css": { "mode": "auto", "prefix": "" }, "sass": {} })
    );
    assert_eq!(resolved.document(), &child);
    assert_eq!(
        problems(
            json!({ "handoff": { "css": { "mode": 1 }, "C": {} }, "kept": { "a": 1, "b": { "$value": ["\u{0}"] }, "c\u{0}": {} } })
        ),
        "/handoff/css/mode: expected text, found 1\n\
         /handoff/C: \"C\": expected a slug of lower-case letters, digits and single hyphens, starting with a letter\n\
         /kept/a: expected an object, found 1\n\
         /kept/b: expected text without the character U+0000\n\
         /kept/c\u{0}: \"c\u{0}\": expected a path of at most 1,000 bytes and 32 names, none of which starts with $, without control characters"
    );
}

#[test]
fn a_new_colour_gets_a_slug_that_is_free() {
    let mut spec = theme(json!({ "tokens": { "ferry.wake": { "value": "#111" } } })).merged;
    for (name, slug) in [
        ("Petrol", "petrol-2"),
        ("Surface", "surface-color"),
        ("Ferry", "ferry-2"),
        ("Danger", "danger"),
        ("42", "brand"),
    ] {
        assert_eq!(spec.free_slug(name).as_str(), slug);
    }
    spec.add_brand("Petrol", "#222".parse().unwrap(), None);
    spec.add_brand("Petrol", "#333".parse().unwrap(), None);
    assert_eq!(spec.brand[2].slug.as_str(), "petrol-3");
}

#[test]
fn the_schema_is_published() {
    let schema = Document::schema();
    assert_eq!(schema["additionalProperties"], false);
    let keys: Vec<&str> = schema["properties"]
        .as_object()
        .unwrap()
        .keys()
        .map(String::as_str)
        .collect();
    assert_eq!(keys.len(), 18, "{keys:?}");
}

/// The demo theme as a person reads it; every change of a rule shows here.
#[test]
fn the_demo_theme() {
    let spec = Document::parse(include_str!(
        "../../../../demo/brindle-sound-ferries.rhodon.json"
    ))
    .unwrap();
    let derived = derive(&Resolved::alone(spec)).unwrap();
    let mut lines = Vec::new();
    for token in &derived.tokens {
        for mode in if token.is_modeless() {
            &Mode::BOTH[..1]
        } else {
            &Mode::BOTH[..]
        } {
            let cell = token.cell(*mode);
            let mode = if token.is_modeless() {
                "both"
            } else {
                mode.id()
            };
            let alias = cell
                .alias
                .as_deref()
                .map(|a| format!(" = {a}"))
                .unwrap_or_default();
            lines.push(format!(
                "{} {mode} {}{alias} ({})",
                token.path, cell.value, cell.reason
            ));
        }
    }
    assert_snapshot!("demo", lines.join("\n"));
}
