//! Conversions, gamut mapping, contrast, difference and hue relations against
//! values published elsewhere, and as properties over all of sRGB.
#![allow(clippy::unwrap_used)]

use proptest::prelude::*;
use rhodon_color::{
    Color, HueSlice, RELATIONS, Rgb8, Space, Vision, VisionKind, companions, contrast_ratio, difference,
    lightness_from_luminance, luminance_from_lightness,
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
    assert!(close(red.in_space(Space::Oklch), [0.627_955, 0.257_683, 29.234], 1e-3));
    assert!(close(red.in_space(Space::Lab), [54.290_5, 80.804_9, 69.891], 1e-3));
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
            assert!((companion.lightness() - petrol.lightness()).abs() < 0.35, "{} {companion}", relation.id);
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
