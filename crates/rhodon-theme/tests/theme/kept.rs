//! Deriving stays a pure function though scales, chart colours and paths are kept.

use rhodon_theme::Derived;
use serde_json::json;

use crate::support::derived;

/// What is kept from one derivation to the next changes no value: a document comes to the same whatever was
/// derived in between.
#[test]
fn a_theme_comes_to_the_same_whatever_was_derived_before_it() {
    let brand = |third: &str| {
        json!({ "brand": [
            { "name": "Petrol", "slug": "petrol", "color": "#0f5c7a" },
            { "name": "Lichen", "slug": "lichen", "color": "#8a9a2b" },
            { "name": "Buoy", "slug": "buoy", "color": third }
        ] })
    };
    let told = |theme: &Derived| format!("{:?} {:?} {:?}", theme.tokens, theme.pairs, theme.more);
    let first = told(&derived(brand("#e4572e")));
    for n in 0..600u32 {
        // More scales than are kept.
        let other = format!("#{:02x}{:02x}2e", n % 256, (n * 7) % 256);
        drop(derived(brand(&other)));
    }
    assert_eq!(told(&derived(brand("#e4572e"))), first);
    let _warm = derived(brand("#e4572e"));
    assert_eq!(told(&derived(brand("#e4572e"))), first);
}

/// One that differs from another only in a name, a surface or a role set by hand does not get what is kept of
/// the other.
#[test]
fn what_is_kept_is_of_the_same_name_surfaces_and_hands() {
    let scales = json!({ "brand": [
        { "name": "Petrol", "slug": "petrol", "color": "#0f5c7a" },
        { "name": "Lichen", "slug": "lichen", "color": "#8a9a2b" }
    ] });
    let with = |pointer: &str, value: serde_json::Value| {
        let mut own = scales.clone();
        match pointer {
            "name" => own["brand"][0]["name"] = value,
            key => own[key] = value,
        }
        own
    };
    let variants = [
        scales.clone(),
        with("name", json!("Deep petrol")),
        with(
            "roles",
            json!({ "surface.base": { "light": "#e8e0d0", "dark": "#2a2320" } }),
        ),
        with("roles", json!({ "primary.fill": { "light": "#b03a2e" } })),
        with(
            "contrast",
            json!({ "roles": { "surface.base": { "light": "#d8d0c0" } } }),
        ),
        with("intents", json!({ "secondary": { "scale": "petrol" } })),
    ];
    let told = |theme: &Derived| {
        let reasons = theme
            .tokens
            .iter()
            .map(|t| t.cell(rhodon_theme::Mode::Light).reason.to_string());
        let reasons: Vec<String> = reasons.collect();
        format!(
            "{:?} {:?} {:?} {reasons:?}",
            theme.tokens, theme.pairs, theme.more
        )
    };
    // Nothing of any is kept the first time; the second time a scale comes back, the third what it came to.
    let fresh: Vec<String> = variants
        .iter()
        .map(|own| {
            for n in 0..600u32 {
                drop(derived(json!({ "brand": [
                    { "name": "Other", "slug": "other", "color": format!("#{:02x}{:02x}5e", n % 256, (n * 11) % 256) }
                ] })));
            }
            told(&derived(own.clone()))
        })
        .collect();
    for _ in 0..3 {
        for (own, fresh) in variants.iter().zip(&fresh) {
            assert_eq!(told(&derived(own.clone())), *fresh);
        }
    }
}
