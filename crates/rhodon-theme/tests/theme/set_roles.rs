//! Roles that are set by hand.

use rhodon_color::contrast_ratio;
use rhodon_theme::{Mode, Origin};
use serde_json::json;

use super::roles::SURFACES;
use crate::support::{code, derived, problems, value};

#[test]
fn a_role_set_in_one_mode_is_derived_in_the_other() {
    let free = derived(json!({}));
    let set = derived(json!({ "roles": { "border.subtle": { "dark": "#5a6a72" } } }));
    assert_eq!(value(&set, "border.subtle", Mode::Dark), "#5a6a72");
    assert_eq!(
        value(&set, "border.subtle", Mode::Light),
        value(&free, "border.subtle", Mode::Light)
    );
    let token = set.token("border.subtle").unwrap();
    assert_eq!(
        (
            token.cell(Mode::Light).origin,
            token.cell(Mode::Dark).origin
        ),
        (Origin::Derived, Origin::Set)
    );
    assert_eq!(token.cell(Mode::Dark).reason.to_string(), "set to a colour");
}

#[test]
fn what_hangs_on_a_role_that_was_set_follows_it() {
    let theme = derived(json!({ "roles": {
        "primary.fill": { "light": "#ffd400" },
        "primary.edge": { "light": "#884400" }
    } }));
    assert_eq!(value(&theme, "bar.fill", Mode::Light), "#ffd400");
    assert_eq!(value(&theme, "focus.ring", Mode::Light), "#884400");
    assert!(
        code(&theme, "bar.text", Mode::Light).lightness() < 10.0,
        "white is not readable on yellow"
    );
    assert!(code(&theme, "primary.fill-text", Mode::Light).lightness() < 10.0);
    assert!(
        theme
            .pairs
            .iter()
            .filter(|p| p.mode == Mode::Light)
            .all(|p| p.pass)
    );
}

#[test]
fn what_is_set_unreadable_is_kept_and_told() {
    let theme = derived(json!({ "roles": { "text.main": { "light": "#cccccc" } } }));
    assert_eq!(value(&theme, "text.main", Mode::Light), "#cccccc");
    let failing: Vec<_> = theme.pairs.iter().filter(|p| !p.pass).collect();
    assert_eq!(failing.len(), SURFACES.len());
    for pair in failing {
        assert_eq!(
            (&*pair.fg, pair.mode, pair.need),
            ("text.main", Mode::Light, 7.0)
        );
        let own = contrast_ratio(
            "#cccccc".parse().unwrap(),
            code(&theme, &pair.bg, Mode::Light),
        );
        assert_eq!(pair.ratio, own);
    }
}

#[test]
fn text_follows_a_surface_that_refers_to_a_later_role() {
    for (surface, target) in [
        ("surface.sunken", "primary.tint-hover"),
        ("surface.raised", "warning.tint"),
        ("surface.base", "disabled.fill"),
    ] {
        let reference = format!("{{{target}}}");
        let theme =
            derived(json!({ "roles": { surface: { "light": reference, "dark": reference } } }));
        for mode in Mode::BOTH {
            assert_eq!(
                value(&theme, surface, mode),
                value(&theme, target, mode),
                "{surface}"
            );
        }
        let failing: Vec<_> = theme.pairs.iter().filter(|p| !p.pass).collect();
        assert!(failing.is_empty(), "{surface}: {failing:?}");
    }
}

#[test]
fn a_role_may_refer_to_a_step_a_role_or_a_token_of_ones_own() {
    let theme = derived(json!({
        "roles": {
            "link.rest": { "light": "{petrol.800}" },
            "link.hover": { "light": "{ink.deep}" },
            "selection.fill": { "light": "{chart.3}", "dark": "{chart.3}" }
        },
        "tokens": { "ink.deep": { "light": "#002030", "dark": "#b0e0ff" } }
    }));
    let light = |path: &str| value(&theme, path, Mode::Light);
    assert_eq!(light("link.rest"), light("petrol.800"));
    assert_eq!(light("link.hover"), "#002030");
    assert_eq!(light("selection.fill"), light("chart.3"));
    assert_eq!(
        value(&theme, "selection.fill", Mode::Dark),
        value(&theme, "chart.3", Mode::Dark)
    );
    let alias = |path: &str| {
        theme
            .token(path)
            .unwrap()
            .cell(Mode::Light)
            .alias
            .clone()
            .unwrap()
            .to_string()
    };
    assert_eq!(
        ["link.rest", "link.hover", "selection.fill"].map(alias),
        ["petrol.800", "ink.deep", "chart.3"]
    );
}

#[test]
fn a_role_cannot_follow_a_length_nor_be_one() {
    let found = problems(json!({ "roles": {
        "link.rest": { "light": "{shape.radius.medium}" },
        "link.hover": { "light": "12px" }
    } }));
    assert!(
        found.contains("/roles/link.hover/light: \"12px\": expected a CSS colour"),
        "{found}"
    );
    let found = problems(json!({
        "roles": { "link.rest": { "light": "{gap.wide}" } },
        "tokens": { "gap.wide": { "kind": "dimension", "value": "12px" } }
    }));
    assert_eq!(
        found,
        "/roles/link.rest/light: expected a colour, found a token of another kind"
    );
    let found = problems(json!({ "roles": { "link.rest": { "dark": "{shape.radius.medium}" } } }));
    assert_eq!(
        found,
        "/roles/link.rest/dark: expected a color, found a dimension: \"shape.radius.medium\""
    );
}
