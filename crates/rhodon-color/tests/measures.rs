//! Conversions, gamut mapping, contrast, difference and hue relations against
//! values published elsewhere, and as properties over all of sRGB.
#![allow(clippy::unwrap_used)]

use proptest::prelude::*;
use rhodon_color::{
    Color, HueSlice, Lab65, RELATIONS, Rgb8, Space, Vision, VisionKind, companions, contrast_ratio,
    difference, difference_below, hue_within, ink_on, lab_d65, lightness_from_luminance,
    lightness_limits, luminance_from_lightness,
};

const SPACES: [Space; 15] = [
    Space::Srgb,
    Space::SrgbLinear,
    Space::Hsl,
    Space::Hwb,
    Space::DisplayP3,
    Space::DisplayP3Linear,
    Space::A98Rgb,
    Space::ProphotoRgb,
    Space::Rec2020,
    Space::XyzD50,
    Space::XyzD65,
    Space::Lab,
    Space::Lch,
    Space::Oklab,
    Space::Oklch,
];

fn code(text: &str) -> Rgb8 {
    Color::parse(text).unwrap().to_rgb8()
}

fn close(a: [f64; 3], b: [f64; 3], within: f64) -> bool {
    a.iter().zip(b).all(|(x, y)| (x - y).abs() <= within)
}

/// Values of the Oklab article (Björn Ottosson, 2020) and of CSS Color 4's sample code.
#[test]
fn known_colours_have_known_coordinates() {
    let red = Color::parse("red").unwrap();
    assert!(close(
        red.in_space(Space::Oklch),
        [0.627_955, 0.257_683, 29.234],
        1e-3
    ));
    assert!(close(
        red.in_space(Space::Lab),
        [54.290_5, 80.804_9, 69.891],
        1e-3
    ));
    let white = Color::parse("white").unwrap();
    assert!(close(white.in_space(Space::Oklab), [1.0, 0.0, 0.0], 1e-9));
    assert!(close(white.in_space(Space::Lab), [100.0, 0.0, 0.0], 1e-9));
    assert_eq!(white.to_oklch().hue(), None);
}

/// WCAG's own examples: #767676 is the lightest grey that passes on white.
#[test]
fn contrast_is_wcags() {
    assert!((contrast_ratio(Rgb8::WHITE, Rgb8::BLACK) - 21.0).abs() < 1e-12);
    assert!((contrast_ratio(code("#767676"), Rgb8::WHITE) - 4.542_224_959_605_253).abs() < 1e-12);
    assert!(contrast_ratio(code("#777777"), Rgb8::WHITE) < 4.5);
}

/// Computed with the reference spreadsheet of Sharma, Wu and Dalal (2005) on D65 Lab.
#[test]
fn difference_is_ciede2000() {
    assert_eq!(difference(Rgb8::WHITE, Rgb8::WHITE), 0.0);
    assert!((difference(Rgb8::WHITE, Rgb8::BLACK) - 100.0).abs() < 1e-6);
    assert!((difference(code("red"), code("lime")) - 86.608).abs() < 0.01);
    assert!((difference(code("blue"), code("yellow")) - 103.427).abs() < 0.02);
}

#[test]
fn a_wide_colour_is_mapped_as_css_describes() {
    let p3_green = Color::parse("color(display-p3 0 1 0)").unwrap();
    assert!(!p3_green.gamut_fit().srgb && p3_green.gamut_fit().p3);
    // CSS Color 4, section 13.2, gives 0 0.98576 0.15974.
    assert_eq!(code("color(display-p3 0 1 0)").to_string(), "#00fb29");
    assert_eq!(code("oklch(100% 0.4 30)"), Rgb8::WHITE);
    assert_eq!(code("oklch(0% 0.4 30)"), Rgb8::BLACK);
}

#[test]
fn full_protan_sees_red_as_a_dark_olive() {
    let seen = Vision::new(VisionKind::Protan, 1.0).see(code("red"));
    assert_eq!(seen.to_string(), "#6d5f00");
}

#[test]
fn companions_share_lightness_and_never_leave_the_gamut() {
    let petrol = code("#0f5c7a");
    for relation in RELATIONS {
        let found = companions(petrol, relation.turns);
        assert_eq!(found.len(), relation.turns.len(), "{}", relation.id);
        for companion in found {
            assert!(
                (companion.lightness() - petrol.lightness()).abs() < 0.35,
                "{} {companion}",
                relation.id
            );
        }
    }
}

proptest! {
    #[test]
    fn every_space_leads_back(r: u8, g: u8, b: u8) {
        let color = Color::from(Rgb8::new(r, g, b));
        for space in SPACES {
            let there = Color::new(space, color.in_space(space), 1.0);
            // 1e-7 in encoded sRGB: far below one 8-bit step, above the rounding of the cube roots.
            prop_assert!(close(there.in_space(Space::Srgb), color.coords(), 1e-7), "{:?}", space);
        }
    }

    #[test]
    fn lightness_leads_back(l in 0.0..=100.0f64) {
        prop_assert!((lightness_from_luminance(luminance_from_lightness(l)) - l).abs() < 1e-9);
    }

    #[test]
    fn a_slice_holds_hue_and_luminance(hue in 0.0..360.0f64, l in 1.0..99.0f64, share in 0.0..1.0f64) {
        let (slice, y) = (HueSlice::new(hue), luminance_from_lightness(l));
        let c = share * slice.max_chroma(y);
        let linear = slice.linear_at(y, c);
        prop_assert!(linear.iter().all(|v| (-1e-7..=1.0 + 1e-7).contains(v)), "{:?}", linear);
        let color = slice.at(y, c);
        prop_assert!((color.c - c).abs() < 1e-8);
        let back = Color::new(Space::SrgbLinear, linear, 1.0);
        prop_assert!((back.in_space(Space::XyzD65)[1] - y).abs() < 1e-9);
        if c > 1e-3 {
            let turned = (back.to_oklch().h - hue).rem_euclid(360.0);
            prop_assert!(turned.min(360.0 - turned) < 1e-3, "{}", turned);
        }
    }

    #[test]
    fn the_gamut_limit_touches_a_face(hue in 0.0..360.0f64, l in 2.0..98.0f64) {
        let (slice, y) = (HueSlice::new(hue), luminance_from_lightness(l));
        let linear = slice.linear_at(y, slice.max_chroma(y));
        prop_assert!(linear.iter().any(|v| v.abs() < 1e-5 || (v - 1.0).abs() < 1e-5), "{:?}", linear);
    }

    #[test]
    fn mapping_never_leaves_srgb_and_keeps_what_fits(l in 0.0..1.0f64, c in 0.0..0.5f64, h in 0.0..360.0f64) {
        let color = Color::new(Space::Oklch, [l, c, h], 1.0);
        let mapped = color.to_rgb8();
        if color.gamut_fit().srgb {
            let rounded = color.in_space(Space::Srgb).map(|v| (v * 255.0).round().clamp(0.0, 255.0) as u8);
            prop_assert_eq!(mapped.channels(), rounded);
        }
    }
}

/// Pairs of Sharma, Wu and Dalal, "The CIEDE2000 color-difference formula" (2005), table 1, that
/// test the hue mean, the rotation term and the greys.
#[test]
fn difference_has_the_published_values() {
    use palette::color_difference::Ciede2000;
    let lab = |[l, a, b]: [f64; 3]| Lab65::new(l, a, b);
    for (one, other, wanted) in [
        ([50.0, 2.6772, -79.7751], [50.0, 0.0, -82.7485], 2.0425),
        ([50.0, 3.1571, -77.2803], [50.0, 0.0, -82.7485], 2.8615),
        ([50.0, -1.3802, -84.2814], [50.0, 0.0, -82.7485], 1.0),
        ([50.0, 0.0, 0.0], [50.0, -1.0, 2.0], 2.3669),
        ([50.0, 2.49, -0.001], [50.0, -2.49, 0.0009], 7.1792),
        ([50.0, 2.49, -0.001], [50.0, -2.49, 0.0011], 7.2195),
        ([50.0, -0.001, 2.49], [50.0, 0.0011, -2.49], 4.7461),
        ([50.0, 2.5, 0.0], [73.0, 25.0, -18.0], 27.1492),
        ([50.0, 2.5, 0.0], [56.0, -27.0, -3.0], 31.9030),
        (
            [60.2574, -34.0099, 36.2677],
            [60.4626, -34.1751, 39.4387],
            1.2644,
        ),
        (
            [22.7233, 20.0904, -46.6940],
            [23.0331, 14.9730, -42.5619],
            2.0373,
        ),
        (
            [90.9257, -0.5406, -0.9208],
            [88.6381, -0.8985, -0.7239],
            1.5381,
        ),
        (
            [2.0776, 0.0795, -1.1350],
            [0.9033, -0.0636, -0.5514],
            0.9082,
        ),
    ] {
        let found = lab(one).difference(lab(other));
        assert!(
            (found - wanted).abs() < 1e-4,
            "{one:?} {other:?}: {found}, not {wanted}"
        );
    }
}

#[test]
fn lightness_limits_are_where_a_ratio_begins() {
    for ground in ["#ffffff", "#000000", "#0f5c7a", "#e4572e", "#767676"] {
        let ground = code(ground);
        for ratio in [3.0, 4.5, 7.0] {
            let (darker, lighter) = lightness_limits(ground, ratio);
            for limit in [darker, lighter].into_iter().flatten() {
                let y = luminance_from_lightness(limit);
                let (a, b) = (ground.luminance() + 0.05, y + 0.05);
                let found = if a > b { a / b } else { b / a };
                assert!((found - ratio).abs() < 1e-9, "{ground} {ratio}: {found}");
            }
            assert_eq!(
                darker.is_some(),
                contrast_ratio(ground, Rgb8::BLACK) >= ratio,
                "{ground} {ratio}"
            );
            assert_eq!(
                lighter.is_some(),
                contrast_ratio(ground, Rgb8::WHITE) >= ratio,
                "{ground} {ratio}"
            );
        }
    }
}

#[test]
fn known_eyes_see_known_colours() {
    // Machado, Oliveira and Fernandes (2009): full severity, in linear light.
    for (kind, color, seen) in [
        (VisionKind::Protan, "lime", "#ffe500"),
        (VisionKind::Deutan, "red", "#a39000"),
        (VisionKind::Deutan, "lime", "#eed300"),
        (VisionKind::Tritan, "blue", "#006396"),
        (VisionKind::Tritan, "white", "#ffffff"),
    ] {
        let found = Vision::new(kind, 1.0).see(code(color));
        let apart = difference(found, code(seen));
        assert!(
            apart < 4.0,
            "{kind:?} sees {color} as {found}, {apart} from {seen}"
        );
    }
    // More severe is further from normal.
    for kind in VisionKind::ALL {
        let moved = |s: f64| difference(code("#e4572e"), Vision::new(kind, s).see(code("#e4572e")));
        let steps: Vec<f64> = (0..=10).map(|i| moved(f64::from(i) / 10.0)).collect();
        assert!(
            steps.windows(2).all(|w| w[1] >= w[0] - 0.3),
            "{kind:?} {steps:?}"
        );
        assert_eq!(
            Vision::new(kind, 7.0).see(code("#e4572e")),
            Vision::new(kind, 1.0).see(code("#e4572e"))
        );
        assert_eq!(
            Vision::new(kind, -1.0).see(code("#e4572e")),
            code("#e4572e")
        );
    }
}

#[test]
fn a_code_reads_only_as_it_prints() {
    assert_eq!("#0F5c7A".parse::<Rgb8>().unwrap(), Rgb8::new(15, 92, 122));
    for bad in [
        "", "#", "0f5c7a", "#0f5c7", "#0f5c7aa", "#0f5c7g", " #0f5c7a", "#+f5c7a", "#öö",
    ] {
        assert_eq!(
            bad.parse::<Rgb8>().unwrap_err().to_string(),
            "expected a code of the form #rrggbb",
            "{bad:?}"
        );
    }
}

#[test]
fn a_gamut_is_told_as_it_is() {
    for (text, srgb, p3) in [
        ("#ff0000", true, true),
        ("color(display-p3 1 0 0)", false, true),
        ("color(rec2020 0 1 0)", false, false),
        ("oklch(0.7 0.4 150)", false, false),
        ("lab(50 0 0)", true, true),
        ("color(srgb 1.01 0 0)", false, true),
    ] {
        let fit = Color::parse(text).unwrap().gamut_fit();
        assert_eq!((fit.srgb, fit.p3), (srgb, p3), "{text}");
    }
}

proptest! {
    #[test]
    fn contrast_and_difference_do_not_care_which_comes_first(a in any::<[u8; 3]>(), b in any::<[u8; 3]>()) {
        let [a, b] = [a, b].map(|[r, g, b]| Rgb8::new(r, g, b));
        prop_assert_eq!(contrast_ratio(a, b), contrast_ratio(b, a));
        prop_assert!((difference(a, b) - difference(b, a)).abs() < 1e-9);
        prop_assert!((1.0..=21.0).contains(&contrast_ratio(a, b)));
        prop_assert_eq!(difference(a, b) == 0.0, a == b);
    }

    #[test]
    fn ink_is_readable_on_anything(r: u8, g: u8, b: u8) {
        let ground = Rgb8::new(r, g, b);
        prop_assert!(contrast_ratio(ink_on(ground), ground) >= 4.5);
    }

    #[test]
    fn a_mapped_colour_keeps_its_hue(l in 0.2..0.9f64, h in 0.0..360.0f64) {
        // Section 13.2 clips within a just noticeable difference of 0.02 in Oklab.
        let asked = Color::new(Space::Oklch, [l, 0.37, h], 1.0);
        let mapped = asked.to_rgb8().to_oklch();
        prop_assert!((mapped.l - l).abs() < 0.03, "{} {} gave {:?}", l, h, mapped);
        let turned = (mapped.h - h).rem_euclid(360.0);
        let apart = mapped.c * turned.min(360.0 - turned).to_radians().sin();
        prop_assert!(apart.abs() < 0.03, "{} {} gave {:?}", l, h, mapped);
    }
}

#[test]
fn a_difference_below_a_limit_is_the_difference_and_no_other_is_told() {
    let mut told = 0;
    for n in 0..40_000_u32 {
        let [a, b] = [
            n.wrapping_mul(2_654_435_761),
            n.wrapping_mul(40_503) ^ 0x5a5a_5a5a,
        ]
        .map(|x| Rgb8::new((x >> 24) as u8, (x >> 16) as u8, (x >> 8) as u8));
        let exact = difference(a, b);
        for limit in [10.0, 16.0, 40.0] {
            let found = difference_below(lab_d65(a), lab_d65(b), limit);
            assert_eq!(found, (exact < limit).then_some(exact), "{a} {b} {limit}");
            told += usize::from(found.is_some());
        }
    }
    assert!(told > 1000, "{told}");
}

#[test]
fn a_hue_is_brought_within_a_turn_as_by_division() {
    for n in -90_000..90_000 {
        let degrees = f64::from(n) * 0.013_7;
        assert_eq!(
            hue_within(degrees).to_bits(),
            degrees.rem_euclid(360.0).to_bits()
        );
    }
}
