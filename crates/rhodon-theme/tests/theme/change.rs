//! Operations on brand colours and intents: whatever hangs on them is taken along or moved, and
//! what comes out always reads and derives.

use rhodon_theme::{
    Document, IntentChoice, NewBrand, NewToken, Operation, Resolved, Slug, apply, derive,
};
use serde_json::{Value, json};

use crate::support::theme;

pub fn slug(text: &str) -> Slug {
    text.parse().unwrap()
}

pub fn four(extra: Value) -> Resolved {
    let mut all = json!({
        "brand": [
            { "name": "Petrol", "slug": "petrol", "color": "#0f5c7a" },
            { "name": "Lichen", "slug": "lichen", "color": "#8a9a2b" },
            { "name": "Buoy", "slug": "buoy", "color": "#e4572e" },
            { "name": "Heather", "slug": "heather", "color": "#7a4b8f" }
        ]
    });
    for (key, value) in extra.as_object().unwrap() {
        all[key] = value.clone();
    }
    theme(all)
}

/// The document after an operation, and what else was changed.
fn changed(theme: &Resolved, operation: Operation) -> (Value, Vec<String>) {
    let changed = apply(&operation, theme).unwrap();
    derive(&theme.with_document(changed.document.clone())).unwrap();
    (changed.document.to_json(), changed.notes)
}

#[test]
fn a_removed_colour_takes_the_role_that_was_set_for_it_along() {
    let theme = four(json!({ "roles": { "heather.fill": { "light": "#552266" } } }));
    let (document, notes) = changed(&theme, Operation::RemoveBrand(slug("heather")));
    assert_eq!(document.get("roles"), None);
    assert_eq!(notes, ["the role heather.fill, set by hand, goes"]);
}

#[test]
fn roles_of_more_contrast_are_taken_along_and_follow_like_the_others() {
    let contrast = json!({ "roles": {
        "heather.fill": { "light": "#331144" },
        "text.main": { "light": "{heather.900}", "dark": "{petrol.50}" }
    } });
    let theme = four(json!({ "contrast": contrast }));
    let (document, notes) = changed(&theme, Operation::RemoveBrand(slug("heather")));
    assert_eq!(
        document["contrast"]["roles"],
        json!({ "text.main": { "dark": "{petrol.50}" } })
    );
    assert_eq!(
        notes,
        [
            "the role heather.fill at more contrast, set by hand, goes",
            "the role text.main at more contrast (light) goes back to derived"
        ]
    );
    let rename = Operation::RenameBrand {
        brand: slug("petrol"),
        name: "Sea".into(),
        slug: None,
    };
    let (document, _) = changed(&theme, rename);
    assert_eq!(
        document["contrast"]["roles"]["text.main"],
        json!({ "light": "{heather.900}", "dark": "{sea.50}" })
    );
}

#[test]
fn everything_that_hangs_on_a_removed_colour_is_taken_along_or_moved() {
    let theme = four(json!({
        "scales": { "lichen": { "turn": 4 }, "petrol": { "to": "lichen" } },
        "intents": { "danger": { "scale": "lichen" }, "boarding": { "scale": "lichen" } },
        "roles": {
            "text.main": { "light": "{lichen.900}", "dark": "#eeeeee" },
            "boarding.fill": { "light": "#445500" }
        },
        "tokens": {
            "ferry.wake": { "value": "{lichen.300}" },
            "ferry.foam": { "light": "{ferry.wake}", "dark": "{boarding.fill}" }
        }
    }));
    let wake = derive(&theme)
        .unwrap()
        .token("lichen.300")
        .unwrap()
        .cell(rhodon_theme::Mode::Light)
        .value
        .to_string();
    let (document, notes) = changed(&theme, Operation::RemoveBrand(slug("lichen")));
    assert_eq!(document["scales"], json!({ "petrol": {} }));
    assert_eq!(document.get("intents"), None);
    assert_eq!(
        document["roles"],
        json!({ "text.main": { "dark": "#eeeeee" } })
    );
    assert_eq!(document["tokens"]["ferry.wake"], json!({ "value": wake }));
    assert_eq!(document["tokens"]["ferry.foam"]["light"], "{ferry.wake}");
    assert_eq!(
        notes,
        [
            "the intent boarding loses its scale".to_owned(),
            "the intent danger loses its scale".to_owned(),
            "the scale petrol no longer runs to another".to_owned(),
            "the settings of the scale lichen go".to_owned(),
            "the role boarding.fill, set by hand, goes".to_owned(),
            "the role text.main (light) goes back to derived".to_owned(),
            format!(
                "the token ferry.foam keeps its value as {}",
                document["tokens"]["ferry.foam"]["dark"].as_str().unwrap()
            ),
            format!("the token ferry.wake keeps its value as {wake}"),
        ]
    );
}

#[test]
fn a_colour_that_moves_up_takes_its_roles_to_the_intent_that_it_plays_now() {
    let theme = four(json!({
        "roles": { "heather.fill": { "light": "#552266" }, "text.muted": { "light": "{heather.fill}" } },
        "tokens": { "ferry.wake": { "value": "{heather.tint}" } }
    }));
    let (document, _) = changed(&theme, Operation::RemoveBrand(slug("buoy")));
    assert_eq!(
        document["roles"],
        json!({ "accent.fill": { "light": "#552266" }, "text.muted": { "light": "{accent.fill}" } })
    );
    assert_eq!(document["tokens"]["ferry.wake"]["value"], "{accent.tint}");
    let moved = Operation::MoveBrand {
        brand: slug("heather"),
        to: 0,
    };
    let (document, _) = changed(&theme, moved);
    assert_eq!(
        document["roles"]["primary.fill"],
        json!({ "light": "#552266" })
    );
}

#[test]
fn a_third_colour_takes_the_place_of_the_derived_accent_and_its_settings() {
    let two = theme(json!({
        "brand": [
            { "name": "Petrol", "color": "#0f5c7a" }, { "name": "Lichen", "color": "#8a9a2b" }
        ],
        "scales": { "accent": { "strength": 0.5 } },
        "tokens": { "ferry.wake": { "value": "{accent.300}" } }
    }));
    let colors = vec![NewBrand {
        name: "Buoy".into(),
        color: "#e4572e".into(),
        from: None,
        steps: Vec::new(),
    }];
    let (document, notes) = changed(&two, Operation::AddBrand(colors));
    assert_eq!(document.get("scales"), None);
    assert_eq!(notes[0], "the settings of the scale accent go");
    assert!(
        document["tokens"]["ferry.wake"]["value"]
            .as_str()
            .unwrap()
            .starts_with('#')
    );
}

#[test]
fn names_within_a_theme_differ() {
    let theme = four(json!({}));
    let add = |name: &str| NewBrand {
        name: name.into(),
        color: "#123456".into(),
        from: None,
        steps: Vec::new(),
    };
    let (document, _) = changed(
        &theme,
        Operation::AddBrand(vec![add("petrol"), add("Petrol")]),
    );
    let names: Vec<_> = document["brand"]
        .as_array()
        .unwrap()
        .iter()
        .map(|b| b["name"].as_str().unwrap())
        .collect();
    assert_eq!(names[4..], ["petrol 2", "Petrol 3"]);
    let rename = Operation::RenameBrand {
        brand: slug("buoy"),
        name: " heather ".into(),
        slug: Some(slug("buoy")),
    };
    assert_eq!(
        apply(&rename, &theme).unwrap_err().to_string(),
        "/brand/2/name: another brand colour is called \"Heather\": expected another name"
    );
}

#[test]
fn the_last_colour_stays_and_unknown_ones_are_told() {
    let one = theme(json!({ "brand": [{ "name": "Petrol", "color": "#0f5c7a" }] }));
    let message = apply(&Operation::RemoveBrand(slug("petrol")), &one)
        .unwrap_err()
        .to_string();
    assert_eq!(
        message,
        "/brand: a theme needs at least one brand colour: add another before this one goes"
    );
    let message = apply(&Operation::RemoveBrand(slug("sea")), &one)
        .unwrap_err()
        .to_string();
    assert_eq!(message, "/brand: no brand colour \"sea\" in this theme");
}

#[test]
fn a_child_loses_its_own_colour_and_has_its_parents_again() {
    let parent = four(json!({})).document().clone();
    let child = Document::read(&json!({
        "format": 1, "name": "Child", "extends": "parent",
        "brand": [{ "name": "Petrol", "slug": "petrol", "color": "#083b52" }],
        "roles": { "link.rest": { "light": "{petrol.700}" } }
    }))
    .unwrap();
    let theme = Resolved::follow(child, |_| Some(parent.clone())).unwrap();
    let (document, notes) = changed(&theme, Operation::RemoveBrand(slug("petrol")));
    assert_eq!(document.get("brand"), None);
    assert_eq!(document["roles"]["link.rest"]["light"], "{petrol.700}");
    assert!(notes.is_empty(), "{notes:?}");
}

#[test]
fn an_intent_of_ones_own_goes_with_its_roles() {
    let theme = four(json!({
        "intents": { "boarding": { "color": "#00aa55" } },
        "roles": { "boarding.fill": { "dark": "#115533" } }
    }));
    let (document, notes) = changed(
        &theme,
        Operation::SetIntent {
            intent: slug("boarding"),
            paint: None,
        },
    );
    assert_eq!(
        (document.get("intents"), document.get("roles")),
        (None, None)
    );
    assert_eq!(notes, ["the role boarding.fill, set by hand, goes"]);
    let paint = Some(IntentChoice::Scale(slug("heather")));
    let (document, _) = changed(
        &theme,
        Operation::SetIntent {
            intent: slug("danger"),
            paint,
        },
    );
    assert_eq!(document["intents"]["danger"], json!({ "scale": "heather" }));
}

#[test]
fn a_role_that_would_come_to_refer_to_itself_goes_back_to_derived() {
    // Heather becomes the accent when Petrol goes, and its role moves to what it refers to.
    let theme = four(json!({ "roles": { "heather.fill": { "light": "{accent.fill}" } } }));
    let (document, notes) = changed(&theme, Operation::RemoveBrand(slug("petrol")));
    assert_eq!(document.get("roles"), None);
    assert!(
        notes.contains(&"the role accent.fill (light) goes back to derived".to_owned()),
        "{notes:?}"
    );
}

#[test]
fn an_intent_of_ones_own_is_renamed_with_all_that_hangs_on_it() {
    let theme = four(json!({
        "intents": { "boarding": { "scale": "petrol" }, "delayed": { "color": "#b3123a" } },
        "roles": { "boarding.fill": { "light": "#445500" }, "link.rest": { "light": "{delayed.edge}" } },
        "scales": { "delayed": { "turn": 4 } },
        "tokens": { "ferry.wake": { "light": "{boarding.fill}", "dark": "{delayed.700}" } }
    }));
    let rename = |intent: &str, to: &str| Operation::RenameIntent {
        intent: slug(intent),
        to: slug(to),
    };
    let (document, _) = changed(&theme, rename("boarding", "at-the-gate"));
    assert_eq!(document["roles"]["at-the-gate.fill"]["light"], "#445500");
    assert_eq!(
        document["tokens"]["ferry.wake"]["light"],
        "{at-the-gate.fill}"
    );
    let (document, _) = changed(&theme, rename("delayed", "late"));
    assert_eq!(document["intents"]["late"]["color"], "#b3123a");
    assert_eq!(document["scales"]["late"]["turn"], 4.0);
    assert_eq!(document["roles"]["link.rest"]["light"], "{late.edge}");
    assert!(!document.to_string().contains("delayed"), "{document}");
    for (intent, to) in [
        ("boarding", "petrol"),
        ("boarding", "danger"),
        ("danger", "alarm"),
    ] {
        let refusal = apply(&rename(intent, to), &theme).unwrap_err().to_string();
        assert!(
            refusal.contains("taken") || refusal.contains("no intent"),
            "{refusal}"
        );
    }
}

#[test]
fn what_follows_the_primary_colour_follows_the_one_that_is_set() {
    let derived = |extra: Value| derive(&four(extra)).unwrap();
    let set = derived(json!({ "intents": { "primary": { "scale": "heather" } } }));
    let first = derived(json!({}));
    let hue = |theme: &rhodon_theme::Derived| {
        let step = theme.token("neutral.500").unwrap();
        rhodon_color::Color::parse(&step.cell(rhodon_theme::Mode::Light).value.to_string())
            .unwrap()
            .to_rgb8()
            .to_oklch()
            .h
    };
    assert!(
        (hue(&first) - 229.0).abs() < 12.0,
        "petrol's: {}",
        hue(&first)
    );
    assert!((hue(&set) - 315.0).abs() < 12.0, "heather's: {}", hue(&set));
}

#[test]
fn a_colour_remembers_where_it_came_from() {
    let from = json!({ "kind": "picture", "name": "crest.svg", "x": 0.25, "y": 0.5 });
    let new = NewBrand {
        name: "Kelp".into(),
        color: "#2f6b3a".into(),
        from: Some(rhodon_theme::Provenance::parse(&from).unwrap()),
        steps: Vec::new(),
    };
    let (document, _) = changed(&four(json!({})), Operation::AddBrand(vec![new]));
    assert_eq!(document["brand"][4]["from"], from);
    let read = Document::read(&document).unwrap();
    assert_eq!(read.to_json(), document);
    for (bad, told) in [
        (
            json!({ "kind": "dream" }),
            "/kind: expected picture, file, companion or set, found \"dream\"",
        ),
        (
            json!({ "kind": "picture", "name": "a", "x": 2, "y": 0 }),
            "/x: ",
        ),
        (
            json!({ "kind": "set", "name": "a", "line": 3 }),
            "/line: unknown key",
        ),
        (
            json!({ "kind": "picture", "name": "a", "x": 0, "y": 0, "picture": "../x" }),
            "/picture: ",
        ),
    ] {
        let refusal = rhodon_theme::Provenance::parse(&bad)
            .unwrap_err()
            .to_string();
        assert!(refusal.starts_with(told), "{refusal}");
    }
}

/// A scale that a project has is taken over with its steps as they are.
#[test]
fn a_new_colour_may_bring_its_steps() {
    let theme = four(json!({}));
    let step = |label: &str, code: &str| (label.parse().unwrap(), code.parse().unwrap());
    let new = NewBrand {
        name: "Tide".into(),
        color: "#2b6cb0".into(),
        from: None,
        steps: vec![
            step("100", "#ebf8ff"),
            step("500", "#2b6cb0"),
            step("900", "#1a365d"),
        ],
    };
    let (document, _) = changed(&theme, Operation::AddBrand(vec![new]));
    assert_eq!(
        document["scales"]["tide"],
        json!({
            "steps": ["100", "500", "900"],
            "at": "500",
            "pins": { "100": "#ebf8ff", "900": "#1a365d" },
        })
    );
    let made = derive(&theme.with_document(Document::read(&document).unwrap())).unwrap();
    let tide = made
        .scales
        .iter()
        .find(|s| s.slug.as_str() == "tide")
        .unwrap();
    let codes: Vec<_> = tide
        .scale
        .steps
        .iter()
        .map(|s| s.color.to_string())
        .collect();
    assert_eq!(codes, ["#ebf8ff", "#2b6cb0", "#1a365d"]);
}

/// What a colour is called in a project becomes the path of an own token, free and in a group of its own.
#[test]
fn names_of_a_project_become_own_tokens() {
    let theme = four(json!({ "tokens": { "panel.edge": { "value": "#112233" } } }));
    let new = |name: &str, color: &str| NewToken {
        name: name.into(),
        color: color.into(),
    };
    let tokens = vec![
        new("--panel-edge", "#445566"),
        new("panelEdge", "#112233"),
        new("$primary-strong", "teal"),
        new("BLUE", "0f5c7a"),
    ];
    let (document, _) = changed(&theme, Operation::AddTokens(tokens));
    assert_eq!(
        document["tokens"],
        json!({
            "panel.edge": { "value": "#112233" },
            "panel.edge-2": { "value": "#445566" },
            "own.primary-strong": { "value": "teal" },
            "own.blue": { "value": "#0f5c7a" },
        })
    );
    for (name, color, part) in [
        ("--", "#112233", "makes no name"),
        ("tide", "bluish", "bluish"),
        ("panel edge", "#112233", "panel.edge has this value already"),
    ] {
        let refused = apply(&Operation::AddTokens(vec![new(name, color)]), &theme).unwrap_err();
        assert!(refused.to_string().contains(part), "{refused}");
    }
}
