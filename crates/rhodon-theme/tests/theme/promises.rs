//! The promises of the product as properties, over random brands and a hard set.

use proptest::prelude::*;
use rhodon_color::{Color, Rgb8, contrast_ratio, difference};
use rhodon_theme::scale::{self, METHODS, Method, Pin, Request, Scale};
use rhodon_theme::{APART, Derived, Document, Mode, Resolved, StepLabel, derive, status_colors};

/// Brands that break simple rules: ends, primaries, greys and near-greys, edges of contrast.
const HARD: &[&str] = &[
    "#000000", "#ffffff", "#ffff00", "#00ff00", "#0000ff", "#ff0000", "#00ffff", "#ff00ff",
    "#808080", "#7f8081", "#010101", "#000001", "#010000", "#fefefe", "#fffffe", "#feffff",
    "#767676", "#777777", "#16c72e", "#39ff14", "#f2c200", "#3a00b8", "#00003a", "#003a00",
    "#fdfcfa", "#060608", "#e0e0ff", "#ffe0e0", "#5c6b73", "#1a1a00",
];

fn code(text: &str) -> Rgb8 {
    text.parse().unwrap()
}

fn hard() -> impl Iterator<Item = Rgb8> {
    HARD.iter().map(|c| code(c))
}

fn method(id: &str) -> Method {
    id.parse().unwrap()
}

fn build(color: Rgb8, id: &str) -> Scale {
    scale::build(&Request {
        method: method(id),
        ..Request::around(color)
    })
    .unwrap()
}

fn check_scale(color: Rgb8, id: &str) -> Result<(), TestCaseError> {
    let scale = build(color, id);
    let pinned: Vec<Rgb8> = scale
        .steps
        .iter()
        .filter(|s| s.pinned)
        .map(|s| s.color)
        .collect();
    prop_assert_eq!(
        &pinned,
        &[color],
        "{} {}: the brand is not in its scale",
        color,
        id
    );
    if id == "mix" {
        return Ok(());
    }
    for w in scale.steps.windows(2) {
        prop_assert!(
            w[0].color.luminance() > w[1].color.luminance(),
            "{color} {id}: {} {} is not lighter than {} {}",
            w[0].label,
            w[0].color,
            w[1].label,
            w[1].color
        );
    }
    // Below this chroma 8-bit codes are too coarse to hold a hue.
    let own = color.to_oklch();
    if id == "natural" && own.c > 0.02 {
        for step in &scale.steps {
            let c = step.color.to_oklch();
            let drift = ((c.h - own.h + 540.0).rem_euclid(360.0) - 180.0).abs();
            prop_assert!(
                c.c < 0.02 || drift <= 4.0,
                "{color}: {} {} turns by {drift}°",
                step.label,
                step.color
            );
        }
    }
    Ok(())
}

fn theme_of(colors: &[Rgb8]) -> Derived {
    let colors: Vec<Color> = colors.iter().map(|c| Color::from(*c)).collect();
    derive(&Resolved::alone(Document::from_brand("Test", &colors))).unwrap()
}

fn check_theme(colors: &[Rgb8]) -> Result<(), TestCaseError> {
    let theme = theme_of(colors);
    for pair in &theme.pairs {
        prop_assert!(
            pair.pass,
            "{colors:?}: {} on {} is {} of {}",
            pair.fg,
            pair.bg,
            pair.ratio,
            pair.need
        );
    }
    for intent in ["primary", "secondary", "accent"].iter().take(colors.len()) {
        let token = theme.token(&format!("{intent}.fill")).unwrap();
        let own = colors[["primary", "secondary", "accent"]
            .iter()
            .position(|i| i == intent)
            .unwrap()];
        for mode in Mode::BOTH {
            let fill = token.cell(mode).value.color().unwrap().code;
            let surfaces = ["base", "raised", "sunken", "overlay"].map(|name| {
                let token = theme.token(&format!("surface.{name}")).unwrap();
                token.cell(mode).value.color().unwrap().code
            });
            if surfaces.iter().all(|s| difference(own, *s) >= 16.0) {
                prop_assert_eq!(fill, own);
            }
            for surface in surfaces {
                let told = difference(fill, surface);
                prop_assert!(told >= 16.0, "{fill} on {surface} {}: {told:.1}", mode.id());
            }
        }
    }
    for intent in &theme.intents {
        let fill = |part: &str| {
            let token = theme.token(&format!("{}.{part}", intent.name)).unwrap();
            token.cell(Mode::Light).value.color().unwrap().code
        };
        let moved = difference(fill("fill"), fill("fill-hover"));
        prop_assert!(
            moved >= 3.0,
            "{colors:?}: hover of {} differs by {moved} only",
            intent.name
        );
    }
    Ok(())
}

#[test]
fn hard_brands_have_good_scales() {
    for color in hard() {
        for m in METHODS {
            check_scale(color, m.id).unwrap();
        }
    }
}

#[test]
fn hard_brands_have_readable_themes() {
    let all: Vec<Rgb8> = hard().collect();
    for (i, color) in all.iter().enumerate() {
        check_theme(&[*color]).unwrap();
        check_theme(&[*color, all[(i + 7) % all.len()], all[(i + 13) % all.len()]]).unwrap();
    }
}

#[test]
fn hard_brands_have_status_colours_apart() {
    for color in hard() {
        let least = status_colors(color).least_difference();
        assert!(least >= APART, "{color}: {least}");
    }
}

#[test]
fn a_label_of_an_aligned_scale_means_one_contrast() {
    let aligned: Vec<Scale> = hard().map(|c| build(c, "aligned")).collect();
    for scale in &aligned {
        let derived = |label: &str| scale.step(label).filter(|s| !s.pinned).map(|s| s.color);
        if let Some(c) = derived("500") {
            assert!(contrast_ratio(c, Rgb8::WHITE) >= 4.5, "{c}");
        }
        for other in &aligned {
            let theirs = |label: &str| other.step(label).filter(|s| !s.pinned).map(|s| s.color);
            for (light, dark, least) in [
                ("100", "600", 4.9),
                ("200", "700", 4.9),
                ("300", "800", 4.9),
                ("200", "600", 3.4),
                ("300", "700", 3.4),
            ] {
                if let (Some(a), Some(b)) = (derived(light), theirs(dark)) {
                    assert!(contrast_ratio(a, b) >= least, "{light} {a} on {dark} {b}");
                }
            }
        }
    }
}

#[test]
fn a_grey_stays_grey() {
    for grey in ["#808080", "#000000", "#ffffff", "#777777"] {
        for step in build(code(grey), "natural").steps {
            let [r, g, b] = step.color.channels();
            assert!(r == g && g == b, "{grey}: {}", step.color);
        }
    }
}

proptest! {
    #![proptest_config(rhodon_testing::cases(400))]

    #[test]
    fn any_brand_has_good_scales(r: u8, g: u8, b: u8) {
        for m in METHODS {
            check_scale(Rgb8::new(r, g, b), m.id)?;
        }
    }

    #[test]
    fn any_brand_has_a_readable_theme(codes in prop::collection::vec(any::<[u8; 3]>(), 1..=4)) {
        let colors: Vec<Rgb8> = codes.into_iter().map(|[r, g, b]| Rgb8::new(r, g, b)).collect();
        check_theme(&colors)?;
    }

    #[test]
    fn any_brand_has_status_colours_apart(r: u8, g: u8, b: u8) {
        prop_assert!(status_colors(Rgb8::new(r, g, b)).least_difference() >= APART);
    }

    #[test]
    fn any_list_of_labels_gives_a_falling_scale(r: u8, g: u8, b: u8, count in 2usize..=40, pin in 0usize..40) {
        let color = Rgb8::new(r, g, b);
        let labels: Vec<StepLabel> = (1..=count).map(|i| i.to_string().parse().unwrap()).collect();
        let label = Some(labels[pin % count].clone());
        for label in [None, label] {
            let request = Request { labels: labels.clone(), pins: vec![Pin { color, label }], ..Request::around(color) };
            let scale = scale::build(&request).unwrap();
            prop_assert!(scale.steps.iter().any(|s| s.pinned && s.color == color));
            for w in scale.steps.windows(2) {
                prop_assert!(w[0].color.luminance() > w[1].color.luminance(), "{} of {count}: {:?}", color, w);
            }
        }
    }

    #[test]
    fn several_pins_all_survive(codes in prop::collection::vec(any::<[u8; 3]>(), 2..=4)) {
        let pins: Vec<Pin> = codes.iter().map(|[r, g, b]| Pin { color: Rgb8::new(*r, *g, *b), label: None }).collect();
        let request = Request { pins: pins.clone(), ..Request::around(pins[0].color) };
        // Pins that cannot stand in one scale are refused; all others survive in order.
        if let Ok(scale) = scale::build(&request) {
            for pin in &pins {
                prop_assert!(scale.steps.iter().any(|s| s.pinned && s.color == pin.color));
            }
            for w in scale.steps.windows(2) {
                prop_assert!(w[0].color.luminance() > w[1].color.luminance(), "{codes:?}: {w:?}");
            }
        }
    }

    #[test]
    fn deriving_twice_gives_the_same(codes in prop::collection::vec(any::<[u8; 3]>(), 1..=4)) {
        let colors: Vec<Rgb8> = codes.into_iter().map(|[r, g, b]| Rgb8::new(r, g, b)).collect();
        prop_assert_eq!(theme_of(&colors).tokens, theme_of(&colors).tokens);
    }
}

/// Settings of a scale, sensible or not.
fn settings() -> impl Strategy<Value = serde_json::Value> {
    let label =
        (0usize..6).prop_map(|i| ["50", "300", "500", "600", "900", "nowhere"][i].to_owned());
    let code = any::<[u8; 3]>().prop_map(|[r, g, b]| Rgb8::new(r, g, b).to_string());
    let words = || prop::collection::vec((1u32..1200).prop_map(|n| n.to_string()), 2..=12);
    (
        prop::option::of(prop::sample::select(&["natural", "aligned", "mix"][..])),
        prop::option::of(words()),
        prop::option::of(label.clone()),
        prop::collection::btree_map(label.clone(), code, 0..3),
        prop::collection::btree_map(label, 0.0..=100.0, 0..3),
        (prop::option::of(-20.0..=20.0), prop::option::of(0.0..=2.0)),
        (any::<bool>(), any::<bool>(), prop::collection::vec(1u8..=99, 0..3)),
    )
        .prop_map(|(method, steps, at, pins, lightness, (turn, strength), (zero, wide, alpha))| {
            let all = serde_json::json!({
                "method": method, "steps": steps, "at": at, "pins": pins, "lightness": lightness,
                "turn": turn, "strength": strength, "zero": zero, "wide": wide, "alpha": alpha
            });
            let set = all.as_object().unwrap().iter().filter(|(_, v)| !v.is_null());
            set.map(|(k, v)| (k.clone(), v.clone())).collect::<serde_json::Map<_, _>>().into()
        })
}

proptest! {
    #![proptest_config(rhodon_testing::cases(2000))]

    #[test]
    fn any_settings_give_a_falling_scale_or_a_sentence(
        code in any::<[u8; 3]>(),
        other in any::<[u8; 3]>(),
        to in any::<bool>(),
        settings in settings(),
    ) {
        let [own, end] = [code, other].map(|[r, g, b]| Rgb8::new(r, g, b).to_string());
        let mut settings = settings;
        if to {
            settings["to"] = "end".into();
        }
        let mixed = settings["method"] == "mix";
        let document = serde_json::json!({
            "format": 1, "name": "Any",
            "brand": [
                { "name": "Own", "slug": "own", "color": own },
                { "name": "End", "slug": "end", "color": end }
            ],
            "scales": { "own": settings }
        });
        let found = Document::read(&document).and_then(|spec| derive(&Resolved::alone(spec)));
        match found {
            Ok(theme) => {
                let scale = &theme.scales[0].scale;
                for w in scale.steps.windows(2).filter(|_| !mixed) {
                    prop_assert!(
                        w[0].color.luminance() > w[1].color.luminance(),
                        "{document}: {} {} before {} {}", w[0].label, w[0].color, w[1].label, w[1].color
                    );
                }
                prop_assert!(theme.pairs.iter().all(|p| p.pass), "{document}");
            }
            Err(problems) => {
                for problem in &problems.0 {
                    prop_assert!(problem.pointer.starts_with('/'), "{problem:?}");
                    prop_assert!(problem.message.contains("expected") || problem.message.contains("no step"), "{problem:?}");
                }
            }
        }
    }

    /// The same where the settings come from three generations, with roles and own tokens that refer to
    /// steps and steps that are left out.
    #[test]
    fn any_settings_of_three_generations_give_a_falling_scale_or_a_sentence(
        code in any::<[u8; 3]>(),
        generations in prop::collection::vec(settings(), 3),
        refers in prop::collection::vec(prop::option::of(prop::sample::select(&["50", "500", "900", "a12"][..])), 3),
        omit in prop::option::of(prop::sample::select(&["50", "300", "nowhere"][..])),
    ) {
        let [r, g, b] = code;
        let own = Rgb8::new(r, g, b).to_string();
        let names = ["Eldest", "Middle", "Youngest"];
        let mut line = Vec::new();
        for (n, mut settings) in generations.into_iter().enumerate() {
            if let Some(label) = omit.filter(|_| n == 1) {
                settings["omit"] = serde_json::json!([label]);
            }
            let mut document = serde_json::json!({
                "format": 1, "name": names[n], "scales": { "own": settings }
            });
            if n == 0 {
                document["brand"] = serde_json::json!([{ "name": "Own", "slug": "own", "color": own }]);
            } else {
                document["extends"] = names[n - 1].to_lowercase().into();
            }
            if let Some(label) = refers[n] {
                let path = format!("{{own.{label}}}");
                document["tokens"] = serde_json::json!({ format!("ferry.wake-{n}"): { "value": path } });
                document["roles"] = serde_json::json!({ "link.rest": { "dark": path } });
            }
            line.push(document);
        }
        let documents: Result<Vec<_>, _> = line.iter().map(Document::read).collect();
        let found = documents.and_then(|documents| {
            let mut documents = documents.into_iter();
            let eldest = Resolved::alone(documents.next().unwrap());
            derive(&documents.fold(eldest, Resolved::extended_by))
        });
        match found {
            Ok(theme) => {
                let own = &theme.scales[0];
                let mixed = own.settings.method == Some(method("mix"));
                for w in own.scale.steps.windows(2).filter(|_| !mixed) {
                    prop_assert!(w[0].color.luminance() > w[1].color.luminance(), "{line:?}");
                }
            }
            Err(problems) => {
                for problem in &problems.0 {
                    prop_assert!(problem.pointer.is_empty() || problem.pointer.starts_with('/'), "{problem:?}");
                    prop_assert!(problem.message.len() > 10, "{problem:?}");
                }
            }
        }
    }
}
