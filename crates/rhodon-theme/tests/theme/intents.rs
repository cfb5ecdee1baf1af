//! Which colour plays which intent.

use rhodon_theme::{Derived, Intent, Mode, Origin};
use serde_json::json;

use crate::support::{code, derived, value};

#[test]
fn brand_colours_become_intents_in_their_order() {
    let brand: Vec<_> = ["#0f5c7a", "#e4572e", "#8a9a2b", "#7a4b8f"]
        .iter()
        .zip(["petrol", "buoy", "kelp", "heather"])
        .map(|(color, slug)| json!({ "name": slug, "slug": slug, "color": color }))
        .collect();
    let theme = derived(json!({ "brand": brand }));
    let scale = |intent: &str| theme.intent_scale(intent).unwrap().slug.to_string();
    assert_eq!(
        ["primary", "secondary", "accent", "heather"].map(scale),
        ["petrol", "buoy", "kelp", "heather"]
    );
    let names: Vec<_> = theme.intents.iter().map(|i| i.name.as_str()).collect();
    assert_eq!(names[..8], Intent::ALL.map(Intent::id));
    assert!(
        theme.token("heather.fill-hover").is_some(),
        "a fourth colour has roles of its own"
    );
    assert!(
        theme.token("petrol.fill").is_none(),
        "the first has them as primary"
    );
}

#[test]
fn a_colour_named_after_a_ground_plays_no_intent() {
    let palette = |names: &[&str]| {
        let codes = ["#fafafa", "#222222", "#0f5c7a", "#e4572e"];
        let color = |(name, color): (&&str, &str)| json!({ "name": name, "slug": format!("own-{}", name.to_lowercase()), "color": color });
        let brand: Vec<_> = names.iter().zip(codes).map(color).collect();
        derived(json!({ "brand": brand }))
    };
    let playing = |theme: &Derived| {
        ["primary", "secondary"].map(|name| theme.intent_scale(name).unwrap().slug.to_string())
    };
    let site = palette(&["Background", "Text", "Sea", "Buoy"]);
    assert_eq!(playing(&site), ["own-sea", "own-buoy"]);
    for kept in ["own-background.fill", "own-text.fill"] {
        assert!(site.token(kept).is_some(), "{kept}");
    }
    let sea = code(&site, "primary.fill", Mode::Light);
    assert_eq!(sea.to_string(), "#0f5c7a");
    // Where there is nothing else, they play.
    let bare = palette(&["Background", "Text"]);
    assert_eq!(playing(&bare)[0], "own-background");
}

#[test]
fn a_brand_colour_named_like_an_intent_is_that_intent() {
    let theme = derived(json!({ "brand": [
        { "name": "Petrol", "slug": "petrol", "color": "#0f5c7a" },
        { "name": "Danger", "slug": "danger", "color": "#b3001b" },
        { "name": "Sand", "slug": "sand", "color": "#f3e3c3" }
    ] }));
    assert_eq!(value(&theme, "danger.fill", Mode::Light), "#b3001b");
    let secondary = theme.intent_scale("secondary").unwrap();
    assert_eq!(
        secondary.slug.as_str(),
        "sand",
        "danger is spoken for: the next colour is the second"
    );
    assert_eq!(
        theme.token("danger.fill").unwrap().cell(Mode::Light).origin,
        Origin::Derived
    );
}

#[test]
fn an_intent_takes_the_scale_or_the_colour_it_is_given() {
    let theme = derived(json!({ "intents": {
        "info": { "scale": "petrol" },
        "warning": { "color": "hsl(45 100% 50%)" },
        "boarding": { "color": "#5b2a86" }
    } }));
    assert_eq!(theme.intent_scale("info").unwrap().slug.as_str(), "petrol");
    assert_eq!(value(&theme, "warning.fill", Mode::Dark), "#ffbf00");
    assert_eq!(value(&theme, "boarding.fill", Mode::Light), "#5b2a86");
    let parts = [
        "fill",
        "fill-text",
        "fill-hover",
        "fill-pressed",
        "gradient-end",
    ];
    for part in parts
        .iter()
        .chain(&["tint", "tint-hover", "tint-text", "edge"])
    {
        assert!(theme.token(&format!("boarding.{part}")).is_some(), "{part}");
    }
    assert!(theme.pairs.iter().all(|p| p.pass));
    assert_eq!(
        theme
            .intents
            .iter()
            .find(|i| i.name.as_str() == "info")
            .unwrap()
            .origin,
        Origin::Set
    );
}
