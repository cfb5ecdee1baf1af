//! Operations on documents that were drawn: none makes one that is refused.

use std::collections::HashMap;

use proptest::prelude::*;
use rhodon_theme::{Document, IntentChoice, Operation, Resolved, apply, derive};
use serde_json::{Value, json};

use crate::change::{four, slug};

/// References, roles and settings that hang on any of the four colours.
fn hanging() -> impl Strategy<Value = Value> {
    let group = prop::sample::select(vec![
        "petrol", "lichen", "buoy", "heather", "accent", "danger",
    ]);
    let part = prop::sample::select(vec!["300", "fill", "tint-text", "edge"]);
    let reference = (group.clone(), part.clone()).prop_map(|(g, p)| format!("{{{g}.{p}}}"));
    let role = prop::sample::select(vec![
        "text.main",
        "heather.fill",
        "heather.edge",
        "accent.tint",
        "danger.fill",
        "surface.raised",
    ]);
    let roles = prop::collection::hash_map(role.clone(), reference.clone(), 0..4);
    let raised = prop::collection::hash_map(role, reference.clone(), 0..3);
    let tokens = prop::collection::hash_map("[a-d]", reference, 0..4);
    (roles, raised, tokens, prop::option::of(group)).prop_map(|(roles, raised, tokens, to)| {
        let in_light = |roles: HashMap<&str, String>| -> serde_json::Map<_, _> {
            roles.into_iter().map(|(k, v)| (k.to_owned(), json!({ "light": v }))).collect()
        };
        let tokens: serde_json::Map<_, _> =
            tokens.into_iter().map(|(k, v)| (format!("own.{k}"), json!({ "dark": v, "light": "#123" }))).collect();
        let mut extra = json!({
            "roles": in_light(roles), "tokens": tokens, "contrast": { "roles": in_light(raised) }
        });
        if let Some(to) = to {
            extra["intents"] = json!({ "info": { "scale": if to == "accent" || to == "danger" { "buoy" } else { to } } });
        }
        extra
    })
}

proptest! {
    #![proptest_config(rhodon_testing::cases(96))]

    #[test]
    fn no_operation_makes_a_document_that_is_refused(
        extra in hanging(),
        brand in prop::sample::select(vec!["petrol", "lichen", "buoy", "heather"]),
        which in 0..4,
    ) {
        let mut all = json!({ "format": 1, "name": "T", "brand": four(json!({})).document().to_json()["brand"] });
        for (key, value) in extra.as_object().unwrap() {
            all[key] = value.clone();
        }
        let Ok(document) = Document::read(&all) else { return Ok(()) };
        let theme = Resolved::alone(document);
        prop_assume!(derive(&theme).is_ok());
        let brand = slug(brand);
        let operation = match which {
            0 => Operation::RemoveBrand(brand),
            1 => Operation::MoveBrand { brand, to: 0 },
            2 => Operation::RenameBrand { brand, name: "Sea Wall".into(), slug: None },
            _ => Operation::SetIntent { intent: slug("accent"), paint: Some(IntentChoice::Scale(brand)) },
        };
        let changed = apply(&operation, &theme).map_err(|e| TestCaseError::fail(e.to_string()))?;
        prop_assert!(derive(&Resolved::alone(changed.document)).is_ok());
    }

    /// The same three generations down, where colours, intents and roles come from a parent and from its
    /// parent.
    #[test]
    fn no_operation_of_a_grandchild_makes_a_document_that_is_refused(
        above in hanging(),
        extra in hanging(),
        which in 0..4,
    ) {
        let read = |mut spec: Value, extra: &Value| {
            for (key, value) in extra.as_object().unwrap() {
                spec[key] = value.clone();
            }
            Document::read(&spec)
        };
        let eldest = json!({ "format": 1, "name": "Eldest", "brand": four(json!({})).document().to_json()["brand"] });
        let middle = json!({ "format": 1, "name": "Middle", "extends": "eldest", "brand": [{ "name": "Kelp", "slug": "kelp", "color": "#2f6b3a" }] });
        let own = json!({ "format": 1, "name": "Own", "extends": "middle", "brand": [{ "name": "Spray", "slug": "spray", "color": "#7fb7c9" }], "intents": { "accent": { "scale": "spray" } } });
        let (Ok(eldest), Ok(middle), Ok(own)) = (read(eldest, &json!({})), read(middle, &above), read(own, &extra)) else {
            return Ok(());
        };
        let theme = Resolved::alone(eldest).extended_by(middle).extended_by(own);
        prop_assume!(derive(&theme).is_ok());
        let brand = slug("spray");
        let operation = match which {
            0 => Operation::RemoveBrand(brand),
            1 => Operation::MoveBrand { brand, to: 0 },
            2 => Operation::RenameBrand { brand, name: "Sea Wall".into(), slug: None },
            _ => Operation::SetIntent { intent: slug("secondary"), paint: Some(IntentChoice::Scale(brand)) },
        };
        // What cannot be done is refused; what is done comes to something.
        if let Ok(changed) = apply(&operation, &theme) {
            prop_assert!(derive(&theme.with_document(changed.document)).is_ok());
        }
    }
}
