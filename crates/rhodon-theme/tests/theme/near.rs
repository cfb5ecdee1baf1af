//! The tokens nearest to a colour.

use rhodon_color::{Rgb8, difference};
use rhodon_theme::{Mode, near};
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
