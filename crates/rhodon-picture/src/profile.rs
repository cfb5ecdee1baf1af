//! Embedded colour profiles: what a screen would show.

use moxcms::{ColorProfile, DataColorSpace, Layout, TransformOptions};

/// Brings pixels from an embedded ICC profile to sRGB, in place. A profile that is none, or that
/// is not for RGB, is left aside, as browsers do.
pub(crate) fn to_srgb(rgba: &mut [[u8; 4]], icc: &[u8]) {
    let Some(converted) = converted(rgba.as_flattened(), icc) else {
        return;
    };
    rgba.as_flattened_mut().copy_from_slice(&converted);
}

fn converted(rgba: &[u8], icc: &[u8]) -> Option<Vec<u8>> {
    let profile = ColorProfile::new_from_slice(icc).ok()?;
    if profile.color_space != DataColorSpace::Rgb {
        return None;
    }
    let transform = profile
        .create_transform_8bit(
            Layout::Rgba,
            &ColorProfile::new_srgb(),
            Layout::Rgba,
            TransformOptions::default(),
        )
        .ok()?;
    let mut out = vec![0; rgba.len()];
    transform.transform(rgba, &mut out).ok()?;
    Some(out)
}
