//! Families: whose each value of a child is, and the ways back to the parent's.

use std::collections::HashMap;

use proptest::prelude::*;
use rhodon_theme::{
    Derived, Document, Mode, Operation, Resolved, Token, Whose, apply, decisions, derive, diff,
    sources,
};
use serde_json::{Map, Value, json};

use crate::support::document;

fn read(value: Value) -> Document {
    Document::read(&value).unwrap()
}

fn parent() -> Resolved {
    let extra = json!({
        "roles": { "border.subtle": { "light": "#cccccc" } },
        "scales": { "petrol": { "turn": 3, "pins": { "200": "#b7d3e0" } } },
        "tokens": { "ferry.wake": { "value": "{petrol.200}" } }
    });
    Resolved::alone(read(document(extra)))
}

fn child(extra: Value) -> Resolved {
    let mut own = json!({ "format": 1, "name": "Night", "extends": "tern" });
    for (key, value) in extra.as_object().unwrap() {
        own[key] = value.clone();
    }
    parent().extended_by(read(own))
}

fn places(theme: &Resolved) -> Vec<String> {
    decisions(theme).iter().map(|d| d.pointer()).collect()
}

/// Whose a value is, as `own`, `inherited` or the places it follows from.
fn told(theme: &Resolved, path: &str, mode: Mode) -> String {
    let (all, cells) = sources(theme, &derive(theme).unwrap()).unwrap();
    let cell = cells
        .iter()
        .find(|c| *c.path == *path && c.mode.is_none_or(|m| m == mode))
        .unwrap_or_else(|| panic!("no source of {path}"));
    match &cell.whose {
        Whose::Own => "own".to_owned(),
        Whose::Inherited => "inherited".to_owned(),
        Whose::Derived(by) => by
            .iter()
            .map(|i| all[*i].pointer())
            .collect::<Vec<_>>()
            .join(" "),
    }
}

#[test]
fn decisions_are_listed_place_by_place_and_told_in_words() {
    let theme = child(json!({
        "brand": [
            { "name": "Petrol", "slug": "petrol", "color": "#17384a" },
            { "name": "Lamp", "slug": "lamp", "color": "#f2b632" }
        ],
        "scales": { "petrol": { "strength": 1.2, "pins": { "300": "#8fb4c6" } } },
        "roles": { "border.subtle": { "light": "#dddddd", "dark": "#222222" } },
        "shape": { "radius": 9 },
        "handoff": { "css": { "mode": "auto" } }
    }));
    let listed: Vec<_> = decisions(&theme)
        .into_iter()
        .map(|d| (d.pointer(), d.to_string(), d.value, d.replaces, d.before))
        .collect();
    let expected = [
        (
            "/brand/petrol",
            "brand colour petrol",
            "#17384a",
            Some("#0f5c7a"),
        ),
        ("/brand/lamp", "brand colour lamp", "#f2b632", None),
        (
            "/scales/petrol/pins/300",
            "scale petrol, pins, 300",
            "#8fb4c6",
            None,
        ),
        (
            "/scales/petrol/strength",
            "scale petrol, strength",
            "1.2",
            None,
        ),
        (
            "/roles/border.subtle/light",
            "role border.subtle in light",
            "#dddddd",
            Some("#cccccc"),
        ),
        (
            "/roles/border.subtle/dark",
            "role border.subtle in dark",
            "#222222",
            None,
        ),
        ("/shape/radius", "shape radius", "9", None),
        ("/handoff/css/mode", "target css, mode", "auto", None),
    ];
    let expected: Vec<_> = expected
        .map(|(place, words, value, before)| {
            let before: Option<String> = before.map(str::to_owned);
            let replaces = before.is_some();
            (
                place.to_owned(),
                words.to_owned(),
                Some(value.to_owned()),
                replaces,
                before,
            )
        })
        .into();
    assert_eq!(listed, expected);
}

#[test]
fn settings_of_a_scale_are_inherited_one_by_one() {
    let theme = child(json!({
        "scales": { "petrol": { "turn": -4, "pins": { "300": "#8fb4c6" } } }
    }));
    let merged = theme.merged.scale(&"petrol".parse().unwrap());
    assert_eq!(merged.turn, Some(-4.0));
    let pins: Vec<&str> = merged.pins.keys().map(|label| label.as_str()).collect();
    assert_eq!(pins, ["200", "300"]);
}

#[test]
fn a_value_says_whose_it_is_and_from_which_decision_it_follows() {
    let theme = child(json!({
        "brand": [{ "name": "Lamp", "slug": "lamp", "color": "#f2b632" }],
        "intents": { "accent": { "scale": "lamp" } },
        "roles": { "text.main": { "light": "#101418" } },
        "shape": { "radius": 9 }
    }));
    assert_eq!(told(&theme, "petrol.600", Mode::Light), "inherited");
    assert_eq!(told(&theme, "border.subtle", Mode::Light), "inherited");
    assert_eq!(told(&theme, "ferry.wake", Mode::Dark), "inherited");
    assert_eq!(told(&theme, "text.main", Mode::Light), "own");
    assert_eq!(told(&theme, "text.main", Mode::Dark), "inherited");
    assert_eq!(told(&theme, "shape.radius.medium", Mode::Light), "own");
    let lamp = told(&theme, "lamp.700", Mode::Light);
    assert!(lamp.starts_with("/brand/lamp"), "{lamp}");
    let accent = told(&theme, "accent.fill", Mode::Light);
    assert!(accent.contains("/brand/lamp"), "{accent}");
}

#[test]
fn what_is_given_back_is_the_parents_again_and_what_hung_on_it_is_mended() {
    let theme = child(json!({
        "brand": [{ "name": "Lamp", "slug": "lamp", "color": "#f2b632" }],
        "scales": { "lamp": { "turn": 5 } },
        "roles": { "link.rest": { "light": "{lamp.800}" }, "border.subtle": { "light": "#dddddd" } }
    }));
    let back = |place: &str| apply(&Operation::GiveBack(vec![place.to_owned()]), &theme).unwrap();
    let without = back("/roles/border.subtle/light").document;
    let merged = theme.with_document(without).merged.to_json();
    assert_eq!(
        merged["roles"]["border.subtle"],
        json!({ "light": "#cccccc" })
    );
    assert_eq!(
        merged["roles"]["link.rest"],
        json!({ "light": "{lamp.800}" })
    );
    // The colour takes its scale's settings along, and the link that was painted with it.
    let without = back("/brand/lamp");
    assert!(without.document.brand.is_empty() && without.document.scales.is_empty());
    assert!(!without.notes.is_empty());
    let refused = apply(
        &Operation::GiveBack(vec!["/roles/x/light".to_owned()]),
        &theme,
    );
    let message = refused.unwrap_err().to_string();
    assert!(
        message.contains("/roles/x/light: nothing of this theme's own"),
        "{message}"
    );
}

const COLORS: [&str; 8] = [
    "#0f5c7a", "#f2b632", "#b3123a", "#17384a", "#808080", "#fdf0d5", "#000000", "#7fb7c9",
];

/// Random decisions of one theme; colours and references are such as every theme of the line has.
fn decided() -> impl Strategy<Value = Map<String, Value>> {
    let color = || prop::sample::select(&COLORS[..]);
    let value = || {
        prop_oneof![
            color().prop_map(str::to_owned),
            Just("{neutral.300}".to_owned())
        ]
    };
    let brand = prop::collection::btree_map(
        prop::sample::select(vec!["petrol", "lamp", "moss"]),
        color(),
        0..3,
    );
    let roles = prop::collection::btree_map(
        prop::sample::select(vec![
            "text.muted",
            "border.subtle",
            "surface.sunken",
            "primary.fill",
        ]),
        (prop::option::of(value()), prop::option::of(value())),
        0..3,
    );
    let extras = (
        prop::option::of(-20i32..20),
        prop::option::of(0i32..16),
        prop::option::of(color()),
        prop::option::of(1.1f64..1.5),
    );
    (brand, roles, extras).prop_map(|(brand, roles, (turn, radius, accent, ratio))| {
        let mut out = Map::new();
        let brand: Vec<Value> = brand
            .into_iter()
            .map(|(slug, color)| json!({ "name": slug, "slug": slug, "color": color }))
            .collect();
        out.insert("brand".into(), brand.into());
        let roles = roles
            .into_iter()
            .filter(|(_, (l, d))| l.is_some() || d.is_some());
        let roles: Map<String, Value> = roles
            .map(|(path, (light, dark))| {
                let mut modes = Map::new();
                light.map(|l| modes.insert("light".into(), l.into()));
                dark.map(|d| modes.insert("dark".into(), d.into()));
                (path.to_owned(), modes.into())
            })
            .collect();
        out.insert("roles".into(), roles.into());
        turn.map(|t| out.insert("scales".into(), json!({ "neutral": { "turn": t } })));
        radius.map(|r| out.insert("shape".into(), json!({ "radius": r })));
        accent.map(|a| out.insert("intents".into(), json!({ "accent": { "color": a } })));
        ratio.map(|r| {
            out.insert(
                "type".into(),
                json!({ "ratio": (r * 100.0).round() / 100.0 }),
            )
        });
        out
    })
}

/// A family of three, eldest first; those that contradict themselves are left out.
fn family() -> impl Strategy<Value = Resolved> {
    (decided(), decided(), decided()).prop_filter_map("no theme", |(eldest, middle, own)| {
        let mut line = Resolved::alone(Document::read(&document(eldest_of(eldest))).ok()?);
        for (slug, decided) in [("tern", middle), ("middle", own)] {
            let mut value = Value::Object(decided);
            value["format"] = 1.into();
            value["name"] = "Child".into();
            value["extends"] = slug.into();
            line = line.extended_by(Document::read(&value).ok()?);
        }
        derive(&line).ok()?;
        derive(line.parent()?).ok()?;
        Some(line)
    })
}

/// The eldest needs a brand colour.
fn eldest_of(mut decided: Map<String, Value>) -> Value {
    if decided["brand"] == json!([]) {
        decided.remove("brand");
    }
    Value::Object(decided)
}

/// Values by path and mode.
fn values(theme: &Derived) -> HashMap<(String, Mode), String> {
    let of = |token: &Token, mode| {
        let key = (token.path.to_string(), mode);
        (key, token.cell(mode).value.to_string())
    };
    let both = |token| Mode::BOTH.map(|mode| of(token, mode));
    theme.tokens.iter().flat_map(both).collect()
}

proptest! {
    #![proptest_config(rhodon_testing::cases(24))]

    #[test]
    fn every_token_of_random_families_says_whose_it_is(theme in family()) {
        let made = derive(&theme).unwrap();
        let (all, cells) = sources(&theme, &made).unwrap();
        let theirs = values(&derive(theme.parent().unwrap()).unwrap());
        let ours = values(&made);
        let told: usize = cells.iter().map(|c| if c.mode.is_none() { 2 } else { 1 }).sum();
        prop_assert_eq!(told, ours.len());
        for cell in cells {
            let modes = cell.mode.map_or(Mode::BOTH.to_vec(), |m| vec![m]);
            for mode in modes {
                let key = (cell.path.to_string(), mode);
                match &cell.whose {
                    Whose::Inherited => prop_assert_eq!(theirs.get(&key), ours.get(&key), "{:?}", key),
                    Whose::Derived(by) => prop_assert!(!by.is_empty() && by.iter().all(|i| all[*i].derives()), "{:?}", key),
                    Whose::Own => prop_assert!(all.iter().any(|d| d.derives()), "{:?}", key),
                }
            }
        }
    }

    #[test]
    fn giving_everything_back_gives_the_parents_values(theme in family()) {
        let deriving = decisions(&theme).into_iter().filter(|d| d.derives());
        let all: Vec<String> = deriving.map(|d| d.pointer()).collect();
        let bare = apply(&Operation::GiveBack(all), &theme).unwrap().document;
        let bare = theme.with_document(bare);
        prop_assert_eq!(places(&bare), Vec::<String>::new());
        let parent = derive(theme.parent().unwrap()).unwrap();
        prop_assert_eq!(diff(&parent, &derive(&bare).unwrap()).changes, vec![]);
    }

    #[test]
    fn one_decision_given_back_is_the_parents_in_the_document(theme in family()) {
        for decision in decisions(&theme) {
            // What hangs on a colour or an intent may go with it; what stands alone is checked here.
            if !["roles", "shape", "type", "scales"].contains(&decision.key) {
                continue;
            }
            let Ok(back) = apply(&Operation::GiveBack(vec![decision.pointer()]), &theme) else {
                continue;
            };
            let at = |document: &Document| {
                let names = decision.names.iter();
                let json = document.to_json();
                names.fold(json[decision.key].clone(), |at, name| at[name].clone())
            };
            let merged = theme.with_document(back.document).merged;
            prop_assert_eq!(at(&merged), at(&theme.parent().unwrap().merged), "{}", decision);
        }
    }

    #[test]
    fn written_out_a_child_stays_as_it_is(theme in family()) {
        let free = Resolved::alone(theme.written_out());
        prop_assert_eq!(diff(&derive(&theme).unwrap(), &derive(&free).unwrap()).changes, vec![]);
    }
}
