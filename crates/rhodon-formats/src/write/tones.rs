//! A scale's colours at round lightnesses, for frameworks that ask for a palette of tones.

use rhodon_color::{HueSlice, Rgb8, luminance_from_lightness};
use rhodon_theme::NamedScale;

/// The tones of a colour, in L\*.
pub(crate) const TONES: [u8; 18] = [
    0, 5, 10, 15, 20, 25, 30, 35, 40, 50, 60, 70, 80, 90, 95, 98, 99, 100,
];
/// Those that grounds are taken from beside them.
pub(crate) const GROUND_TONES: [u8; 10] = [4, 6, 12, 17, 22, 24, 87, 92, 94, 96];

/// The colour of a scale at a lightness: hue and chroma between those of the steps around it, so
/// that it belongs to the scale.
pub(crate) fn tone(scale: &NamedScale, lightness: u8) -> Rgb8 {
    let wanted = f64::from(lightness);
    let steps = scale
        .scale
        .steps
        .iter()
        .map(|s| (s.color.lightness(), s.color));
    let mut around: Vec<(f64, Rgb8)> = [(0.0, Rgb8::BLACK), (100.0, Rgb8::WHITE)]
        .into_iter()
        .chain(steps)
        .collect();
    around.sort_by(|a, b| a.0.total_cmp(&b.0));
    let exact = around.iter().find(|(l, _)| (l - wanted).abs() < 0.05);
    if let Some((_, code)) = exact {
        return *code;
    }
    let above = around
        .partition_point(|(l, _)| *l < wanted)
        .clamp(1, around.len() - 1);
    let ((low, dark), (high, light)) = (around[above - 1], around[above]);
    let share = (wanted - low) / (high - low).max(f64::EPSILON);
    let (dark, light) = (dark.to_oklch(), light.to_oklch());
    let hue = hue_between(dark, light, share);
    let slice = HueSlice::new(hue);
    let y = luminance_from_lightness(wanted);
    let chroma = dark.c + (light.c - dark.c) * share;
    Rgb8::from_linear_clipped(slice.linear_at(y, chroma.min(slice.max_chroma(y))))
}

/// The hue on the shorter way; a grey has none and takes the other's.
fn hue_between(from: rhodon_color::Oklch, to: rhodon_color::Oklch, share: f64) -> f64 {
    match (from.hue(), to.hue()) {
        (Some(a), Some(b)) => a + ((b - a + 540.0).rem_euclid(360.0) - 180.0) * share,
        (Some(one), None) | (None, Some(one)) => one,
        (None, None) => 0.0,
    }
}
