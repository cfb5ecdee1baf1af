//! The tokens nearest to a colour.

use rhodon_color::{Rgb8, difference};
use rhodon_theme::{Mode, Side, against, near};
use serde_json::json;

use crate::support::derived;

#[test]
fn an_exact_colour_is_found_as_its_step_first_and_the_rest_by_distance() {
    let brand = json!({ "brand": [{ "name": "Petrol", "slug": "petrol", "color": "#0f5c7a" }] });
    let theme = derived(brand);
    let code: Rgb8 = "#0f5c7a".parse().unwrap();
    let found = near(&theme, code, 20);
    assert_eq!(found.len(), 20);
    assert!(found[0].path.starts_with("petrol."), "{:?}", found[0]);
    assert_eq!((found[0].mode, found[0].color.code), (None, code));
    assert!(
        found
            .iter()
            .any(|n| &*n.path == "primary.fill" && n.mode == Some(Mode::Light)),
        "what is painted with it is told too"
    );
    assert!(found.windows(2).all(|w| w[0].difference <= w[1].difference));
    assert!(
        found
            .iter()
            .all(|n| n.difference == difference(code, n.color.code))
    );
}

/// A code has one value and a token one in each mode; what a ratio is enough for goes by it unrounded.
#[test]
fn any_two_colours_are_measured_against_each_other() {
    let theme = derived(json!({}));
    let side = |text: &str| Side::read(&theme, text);
    for (front, serves) in [
        ("#767676", "any text"),
        ("#777", "large text and parts"),
        ("#959595", "nothing that is read or must be seen"),
        ("000", "any text, at more contrast too"),
    ] {
        let pairs = against(&side(front).unwrap(), &side("white").unwrap());
        assert_eq!(pairs.len(), 1);
        assert_eq!(
            (pairs[0].mode, pairs[0].serves()),
            (None, serves),
            "{front}"
        );
    }
    let pairs = against(&side("text.main").unwrap(), &side("surface.base").unwrap());
    for (pair, mode) in pairs.iter().zip(Mode::BOTH) {
        let declared = theme
            .pairs
            .iter()
            .find(|p| p.mode == mode && &*p.fg == "text.main" && &*p.bg == "surface.base");
        assert_eq!(
            (pair.mode, pair.ratio),
            (Some(mode), declared.unwrap().ratio)
        );
    }
    assert!(side("shape.radius.small").is_err() && side("tern").is_err());
}
