//! Roles: what follows from brand colours in both modes, and what is set by hand.

use rhodon_color::{Rgb8, Vision, VisionKind, contrast_ratio, difference, hue_turn};
use rhodon_theme::{Derived, Intent, Mode, Origin, Section};
use serde_json::json;

use crate::support::{code, derived, of_brand, problems, value};

/// Brands of different lightness, strength and hue.
const BRANDS: [&str; 8] = [
    "#0f5c7a", "#e4572e", "#ffd400", "#16c72e", "#101018", "#f7f3ec", "#808080", "#6a00f4",
];
const SURFACES: [&str; 4] = [
    "surface.base",
    "surface.raised",
    "surface.sunken",
    "surface.overlay",
];

fn least_on_surfaces(theme: &Derived, path: &str, mode: Mode) -> f64 {
    let own = code(theme, path, mode);
    SURFACES
        .map(|s| contrast_ratio(own, code(theme, s, mode)))
        .into_iter()
        .fold(f64::MAX, f64::min)
}

#[test]
fn text_links_and_edges_are_readable_on_every_surface() {
    for brand in BRANDS {
        let theme = of_brand(brand);
        for mode in Mode::BOTH {
            for (path, need) in [
                ("text.main", 7.0),
                ("text.muted", 4.5),
                ("border.strong", 3.0),
                ("link.rest", 4.5),
                ("link.hover", 4.5),
                ("link.pressed", 4.5),
                ("focus.ring", 3.0),
                ("danger.tint-text", 4.5),
                ("warning.edge", 3.0),
            ] {
                let least = least_on_surfaces(&theme, path, mode);
                assert!(
                    least >= need,
                    "{brand} {path} {}: {least} of {need}",
                    mode.id()
                );
            }
        }
    }
}

fn least_difference_from_surfaces(theme: &Derived, color: &str, mode: Mode) -> f64 {
    let color: Rgb8 = color.parse().unwrap();
    ["base", "raised", "sunken", "overlay"]
        .map(|name| difference(color, code(theme, &format!("surface.{name}"), mode)))
        .into_iter()
        .fold(f64::INFINITY, f64::min)
}

/// Navy and black would vanish on the dark page, cream and white on the light one: there a step of
/// the scale stands for them, which has the contrast of a part, and says why. In the other mode they
/// are themselves.
#[test]
fn a_fill_can_be_told_from_its_page() {
    for (brand, vanishes_in) in [
        ("#000000", Mode::Dark),
        ("#001f3f", Mode::Dark),
        ("#111827", Mode::Dark),
        ("#fdf0d5", Mode::Light),
        ("#ffffff", Mode::Light),
        ("#e0e0e0", Mode::Light),
    ] {
        let theme = of_brand(brand);
        assert_eq!(value(&theme, "primary.fill", vanishes_in.other()), brand);
        let moved = value(&theme, "primary.fill", vanishes_in);
        assert_ne!(moved, brand);
        let told = least_difference_from_surfaces(&theme, &moved, vanishes_in);
        assert!(told >= 16.0, "{brand}: {moved} {told:.1}");
        assert!(least_on_surfaces(&theme, "primary.fill", vanishes_in) >= 3.0);
        let cell = theme.token("primary.fill").unwrap().cell(vanishes_in);
        let reason = cell.reason.to_string();
        assert!(
            reason.starts_with("Own itself would hardly show on surface."),
            "{reason}"
        );
        // The brand colour stays in its scale, and can be held.
        assert!(
            theme
                .tokens
                .iter()
                .any(|t| t.cell(Mode::Light).value.to_string() == brand)
        );
        let step = theme.scales[0].step_path(theme.scales[0].scale.base);
        let held = derived(json!({
            "brand": [{ "name": "Own", "slug": "own", "color": brand }],
            "roles": { "primary.fill": { "light": format!("{{{step}}}"), "dark": format!("{{{step}}}") } },
        }));
        assert_eq!(value(&held, "primary.fill", vanishes_in), brand);
    }
}

/// Black, grey and white have no companions by hue: the secondary colour is a grey well apart, the
/// accent takes a hue, and both say so.
#[test]
fn a_brand_without_hue_has_companions_of_another_kind() {
    for brand in ["#000000", "#808080", "#ffffff", "#7f8081"] {
        let theme = of_brand(brand);
        let scale = |intent: &str| theme.intent_scale(intent).unwrap().scale.base_step().color;
        let (secondary, accent) = (scale("secondary"), scale("accent"));
        assert!(secondary.to_oklch().c < 0.02, "{brand}: {secondary}");
        let own: Rgb8 = brand.parse().unwrap();
        assert!((secondary.lightness() - own.lightness()).abs() > 40.0);
        assert!(accent.to_oklch().c > 0.08, "{brand}: {accent}");
        let reason = &theme
            .intents
            .iter()
            .find(|i| i.name.as_str() == "accent")
            .unwrap()
            .reason;
        assert!(reason.to_string().contains("a hue of its own"), "{reason}");
    }
}

#[test]
fn a_brand_paints_its_own_fill_exactly_where_it_can_be_told() {
    for brand in BRANDS {
        let theme = of_brand(brand);
        for mode in Mode::BOTH {
            if least_difference_from_surfaces(&theme, brand, mode) < 16.0 {
                continue;
            }
            assert_eq!(value(&theme, "primary.fill", mode), brand);
            let cell = theme.token("primary.fill").unwrap().cell(mode);
            let step = cell.alias.as_deref().unwrap();
            assert!(step.starts_with("own."), "{step}");
            assert_eq!(
                value(&theme, step, mode),
                brand,
                "the alias names the step of the same colour"
            );
        }
    }
}

#[test]
fn text_on_a_fill_is_white_where_it_reads_and_else_dark() {
    for brand in BRANDS {
        let theme = of_brand(brand);
        let fill = code(&theme, "primary.fill", Mode::Light);
        let text = code(&theme, "primary.fill-text", Mode::Light);
        if contrast_ratio(Rgb8::WHITE, fill) >= 4.5 {
            assert_eq!(text, Rgb8::WHITE, "{brand}");
        } else {
            assert!(text.lightness() < 10.0, "{brand}: {text}");
        }
        for state in ["fill", "fill-hover", "fill-pressed", "gradient-end"] {
            let ground = code(&theme, &format!("primary.{state}"), Mode::Light);
            assert!(contrast_ratio(text, ground) >= 4.5, "{brand} {state}");
        }
    }
}

#[test]
fn states_move_away_from_the_text_and_pressed_further_than_hover() {
    for brand in BRANDS {
        let theme = of_brand(brand);
        let lightness =
            |part: &str| code(&theme, &format!("primary.{part}"), Mode::Light).lightness();
        let (fill, hover, pressed) = (
            lightness("fill"),
            lightness("fill-hover"),
            lightness("fill-pressed"),
        );
        assert!(
            (hover - fill).abs() > 4.0,
            "{brand}: hover is {} away",
            hover - fill
        );
        assert!(
            (pressed - fill).abs() > (hover - fill).abs() + 3.0,
            "{brand}: {fill} {hover} {pressed}"
        );
        assert!(
            (pressed - fill) * (hover - fill) > 0.0,
            "{brand}: both move the same way"
        );
    }
}

/// Roles that can be set, each with the states that are shades of it.
const STATES: [(&str, &[&str]); 4] = [
    (
        "primary.fill",
        &[
            "primary.fill-hover",
            "primary.fill-pressed",
            "primary.gradient-end",
            "bar.selected",
        ],
    ),
    ("primary.tint", &["primary.tint-hover"]),
    (
        "bar.fill",
        &["bar.hover", "bar.selected", "bar.gradient-end"],
    ),
    ("link.rest", &["link.hover", "link.pressed"]),
];

#[test]
fn the_states_of_a_colour_set_by_hand_are_shades_of_it() {
    // A blue theme; the second is a step of another scale, the third no colour of the theme.
    for set in ["{danger.700}", "#7a1f0f", "#4d5b1a"] {
        for (role, states) in STATES {
            let theme = derived(json!({ "roles": { role: { "light": set } } }));
            let own = code(&theme, role, Mode::Light).to_oklch();
            for state in states {
                let cell = theme.token(state).unwrap().cell(Mode::Light);
                let shade = code(&theme, state, Mode::Light).to_oklch();
                let turn = hue_turn(own.h, shade.h).abs();
                assert!(turn < 20.0, "{state} is {turn} from {role} set to {set}");
                let alias = cell.alias.as_deref();
                assert!(
                    alias.is_none_or(|path| theme.token(path).is_some()),
                    "{state} refers to {alias:?}"
                );
            }
        }
    }
}

#[test]
fn a_bar_of_its_own_colour_lets_its_text_be_read_in_every_state() {
    for set in BRANDS {
        let theme = derived(json!({ "roles": { "bar.fill": { "dark": set } } }));
        for ground in ["bar.fill", "bar.hover", "bar.selected", "bar.gradient-end"] {
            let on = code(&theme, ground, Mode::Dark);
            let ratio = contrast_ratio(code(&theme, "bar.text", Mode::Dark), on);
            assert!(ratio >= 4.5, "{set}: {ratio} on {ground}");
        }
    }
}

#[test]
fn surfaces_stand_in_their_order_in_both_modes() {
    for brand in BRANDS {
        let theme = of_brand(brand);
        let [base, raised, sunken, overlay] =
            SURFACES.map(|s| code(&theme, s, Mode::Light).lightness());
        assert!(
            sunken < base && base < raised && raised == overlay,
            "{brand}: {sunken} {base} {raised}"
        );
        let [base, raised, sunken, overlay] =
            SURFACES.map(|s| code(&theme, s, Mode::Dark).lightness());
        assert!(
            sunken < base && base < raised && raised < overlay,
            "{brand}: {sunken} {base} {raised}"
        );
        assert!(overlay < 20.0);
    }
}

#[test]
fn the_neutral_scale_has_a_trace_of_the_brands_hue() {
    let theme = of_brand("#0f5c7a");
    let brand: Rgb8 = "#0f5c7a".parse().unwrap();
    for step in &theme.intent_scale("neutral").unwrap().scale.steps {
        assert!(step.oklch.c <= 0.018, "{}: {}", step.label, step.oklch.c);
        if step.oklch.c > 0.008 {
            let turn = (step.oklch.h - brand.to_oklch().h + 540.0).rem_euclid(360.0) - 180.0;
            assert!(turn.abs() < 25.0, "{}: {turn}", step.label);
        }
    }
    let grey = of_brand("#777777");
    for step in &grey.intent_scale("neutral").unwrap().scale.steps {
        assert!(
            step.oklch.c < 0.002,
            "a grey brand has a grey neutral: {}",
            step.color
        );
    }
}

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
fn chart_colours_stay_apart_for_every_eye() {
    let visions: Vec<Vision> = VisionKind::ALL
        .iter()
        .map(|k| Vision::new(*k, 1.0))
        .collect();
    for brand in BRANDS {
        let theme = of_brand(brand);
        for mode in Mode::BOTH {
            let colors: Vec<Rgb8> = (1..=8)
                .map(|n| code(&theme, &format!("chart.{n}"), mode))
                .collect();
            for (i, a) in colors.iter().enumerate() {
                for b in &colors[i + 1..] {
                    for vision in &visions {
                        let apart = difference(vision.see(*a), vision.see(*b));
                        assert!(
                            apart > 5.0,
                            "{brand} {}: {a} and {b} are {apart} apart",
                            mode.id()
                        );
                    }
                }
                assert!(
                    contrast_ratio(*a, code(&theme, "surface.base", mode)) >= 3.0,
                    "{brand} {a}"
                );
            }
        }
    }
}

#[test]
fn shadows_and_backdrops_are_see_through() {
    let theme = of_brand("#0f5c7a");
    for (path, light, dark) in [
        ("backdrop.fill", 0.5, 0.7),
        ("shadow.near", 0.16, 0.6),
        ("shadow.far", 0.1, 0.45),
    ] {
        let alpha = |mode| {
            theme
                .token(path)
                .unwrap()
                .cell(mode)
                .value
                .color()
                .unwrap()
                .alpha
        };
        assert_eq!(
            (alpha(Mode::Light), alpha(Mode::Dark)),
            (light, dark),
            "{path}"
        );
    }
}

#[test]
fn every_pair_names_roles_that_exist_and_measures_them() {
    let theme = of_brand("#e4572e");
    assert!(theme.pairs.len() > 250, "{}", theme.pairs.len());
    for pair in &theme.pairs {
        let ratio = contrast_ratio(
            code(&theme, &pair.fg, pair.mode),
            code(&theme, &pair.bg, pair.mode),
        );
        assert!(
            (ratio - pair.ratio).abs() < 1e-9,
            "{} on {}",
            pair.fg,
            pair.bg
        );
        assert_eq!(pair.pass, pair.ratio >= pair.need);
        assert!([3.0, 4.5, 7.0].contains(&pair.need), "{}", pair.need);
    }
}

#[test]
fn roles_have_one_value_for_each_mode_and_scales_one_for_both() {
    let theme = of_brand("#e4572e");
    for token in &theme.tokens {
        assert_eq!(
            token.is_modeless(),
            token.section != Section::Roles,
            "{}",
            token.path
        );
        assert!(
            !token.cell(Mode::Light).reason.to_string().is_empty(),
            "{}",
            token.path
        );
    }
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
