//! Roles: what follows from brand colours in both modes, and what is set by hand.

use rhodon_color::{Rgb8, Vision, VisionKind, contrast_ratio, difference, hue_turn};
use rhodon_theme::{Derived, Mode, Section};
use serde_json::json;

use crate::support::{code, derived, of_brand, value};

/// Brands of different lightness, strength and hue.
const BRANDS: [&str; 8] = [
    "#0f5c7a", "#e4572e", "#ffd400", "#16c72e", "#101018", "#f7f3ec", "#808080", "#6a00f4",
];
pub(super) const SURFACES: [&str; 4] = [
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
