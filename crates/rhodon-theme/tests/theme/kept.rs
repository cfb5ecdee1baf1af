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
