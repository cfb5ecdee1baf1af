//! Children: what they decide themselves and what they have of their parents.

use rhodon_theme::{
    Document, Mode, ModeValues, Origin, Resolved, Section, Slug, TokenKind, TokenPath, derive,
};
use serde_json::{Value, json};

use crate::support::{document, problems, value};

/// A parent with a decision of every kind.
fn parent() -> Document {
    Document::read(&document(json!({
        "steps": ["100", "500", "900"],
        "scales": { "petrol": { "turn": 5, "strength": 1.1 } },
        "intents": { "info": { "scale": "petrol" } },
        "roles": { "link.rest": { "light": "#005577", "dark": "#77ccee" } },
        "tokens": { "ferry.wake": { "value": "#abcdef", "description": "behind" } },
        "type": { "base": 18, "ratio": 1.3, "body": ["Anlow Sans"] },
        "shape": { "radius": 3, "border": 2 },
        "aim": { "dominant": 70, "secondary": 20, "accent": 10 }
    })))
    .unwrap()
}

fn child(extra: Value) -> Resolved {
    let mut own = json!({ "format": 1, "name": "Night", "extends": "tern" });
    for (key, value) in extra.as_object().unwrap() {
        own[key] = value.clone();
    }
    Resolved::follow(Document::read(&own).unwrap(), |_| Some(parent())).unwrap()
}

#[test]
fn a_child_that_decides_nothing_is_its_parent() {
    let (own, theirs) = (
        child(json!({})),
        derive(&Resolved::alone(parent())).unwrap(),
    );
    let found = derive(&own).unwrap();
    assert_eq!(found.name, "Night");
    assert_eq!(found.tokens.len(), theirs.tokens.len());
    for (a, b) in found.tokens.iter().zip(&theirs.tokens) {
        for mode in Mode::BOTH {
            assert_eq!(a.cell(mode).value, b.cell(mode).value, "{}", a.path);
            assert!(
                a.section == Section::Type
                    || a.section == Section::Shape
                    || a.cell(mode).origin != Origin::Set,
                "{}",
                a.path
            );
        }
    }
}

#[test]
fn a_child_decides_key_by_key() {
    let own = child(json!({
        "brand": [
            { "name": "Petrol", "slug": "petrol", "color": "#083b52" },
            { "name": "Moon", "slug": "moon", "color": "#d8d4c0" }
        ],
        "scales": { "petrol": { "turn": -5 } },
        "roles": { "link.rest": { "dark": "#99ddff" } },
        "type": { "base": 15 },
        "shape": { "border": 1 },
        "aim": { "dominant": 50, "secondary": 30, "accent": 20 }
    }));
    let spec = &own.merged;
    let colors: Vec<_> = spec
        .brand
        .iter()
        .map(|b| (b.slug.as_str(), b.color.text()))
        .collect();
    assert_eq!(
        colors,
        [("petrol", "#083b52"), ("moon", "#d8d4c0")],
        "its own colour in its parent's place"
    );
    assert_eq!(
        (spec.typography.base, spec.typography.ratio),
        (Some(15.0), Some(1.3))
    );
    assert_eq!(
        (spec.shape.radius, spec.shape.border),
        (Some(3.0), Some(1.0))
    );
    assert_eq!(spec.aim.unwrap().accent, 20.0);
    let color =
        |text| rhodon_theme::Typed::<rhodon_theme::Written>::parse(text, TokenKind::Color).unwrap();
    let link = &spec.roles[&"link.rest".parse::<TokenPath>().unwrap()];
    assert_eq!(
        link,
        &ModeValues {
            light: Some(color("#005577")),
            dark: Some(color("#99ddff"))
        }
    );
    assert_eq!(spec.steps.as_ref().unwrap().len(), 3);
    let found = derive(&own).unwrap();
    assert_eq!(value(&found, "ferry.wake", Mode::Light), "#abcdef");
    assert_eq!(value(&found, "info.fill", Mode::Light), "#083b52");
    let origin = |path: &str, mode| found.token(path).unwrap().cell(mode).origin;
    assert_eq!(origin("link.rest", Mode::Light), Origin::Inherited);
    assert_eq!(origin("link.rest", Mode::Dark), Origin::Set);
    assert_eq!(origin("ferry.wake", Mode::Light), Origin::Inherited);
}

#[test]
fn grandparents_are_followed_through_their_children() {
    let middle = Document::read(
        &json!({ "format": 1, "name": "Middle", "extends": "tern", "shape": { "radius": 9 } }),
    );
    let last = Document::read(
        &json!({ "format": 1, "name": "Last", "extends": "middle", "shape": { "border": 4 } }),
    );
    let by_slug = |slug: &Slug| match slug.as_str() {
        "tern" => Some(parent()),
        "middle" => middle.clone().ok(),
        _ => None,
    };
    let resolved = Resolved::follow(last.unwrap(), by_slug).unwrap();
    assert_eq!(
        (resolved.merged.shape.radius, resolved.merged.shape.border),
        (Some(9.0), Some(4.0))
    );
    assert_eq!(resolved.merged.brand[0].slug.as_str(), "petrol");
}

#[test]
fn an_aim_is_a_whole() {
    for (aim, line) in [
        (json!({ "dominant": 60, "secondary": 30 }), "accent"),
        (
            json!({ "dominant": -10, "secondary": 60, "accent": 50 }),
            "/aim/dominant: expected a number from 0 to 100",
        ),
        (
            json!({ "dominant": "60", "secondary": 30, "accent": 10 }),
            "/aim/dominant: expected a number from 0 to 100, found \"60\"",
        ),
    ] {
        let found = problems(json!({ "aim": aim }));
        assert!(found.contains(line), "{line:?} in {found:?}");
    }
}
