//! The Display-P3 counterpart of an sRGB step.

use rhodon_color::{Color, HueSlice, Rgb8, Space};

/// The colour of the same hue and luminance that takes the same share of Display-P3's chroma
/// as the code takes of sRGB's. Contrast is therefore the same on both kinds of screen.
pub(crate) fn counterpart(code: Rgb8) -> Color {
    let lch = code.to_oklch();
    let y = code.luminance_cie();
    let narrow = HueSlice::new(lch.h).max_chroma(y);
    let wide = HueSlice::in_p3(lch.h);
    let share = if narrow > 1e-6 {
        (lch.c / narrow).min(1.0)
    } else {
        0.0
    };
    let linear = wide.linear_at(y, share * wide.max_chroma(y));
    let coords = Color::new(
        Space::DisplayP3Linear,
        linear.map(|v| v.clamp(0.0, 1.0)),
        1.0,
    )
    .in_space(Space::DisplayP3);
    Color::new(Space::DisplayP3, coords, 1.0)
}
