//! Pictures with other colours: flat marks there and back, edges, transparency, photos.
#![allow(clippy::unwrap_used)]

mod support;

use image::{Rgba, RgbaImage};
use rhodon_color::{Rgb8, difference};
use rhodon_picture::{PictureError, repaint};
use support::{Kind, jpeg, plant, png, webp};

fn code(text: &str) -> Rgb8 {
    text.parse().unwrap()
}

fn decoded(bytes: &[u8]) -> RgbaImage {
    image::load_from_memory(bytes).unwrap().into_rgba8()
}

/// A mark of discs on a ground, its edges smoothed, with nothing around it.
fn mark(side: u32, colors: &[Rgb8]) -> RgbaImage {
    RgbaImage::from_fn(side, side, |x, y| {
        let at = |v: u32| f64::from(v) / f64::from(side);
        let mut color = [0.0; 3];
        let mut alpha = 0.0;
        for (i, code) in colors.iter().enumerate() {
            let (cx, cy, r) = if i == 0 {
                (0.5, 0.5, 0.46)
            } else {
                (0.05 + 0.3 * i as f64, 0.3 + 0.15 * i as f64, 0.14)
            };
            let away = ((at(x) - cx).powi(2) + (at(y) - cy).powi(2)).sqrt();
            let cover = ((r - away) * f64::from(side) + 0.5).clamp(0.0, 1.0);
            let rgb = code.channels().map(f64::from);
            if i == 0 {
                (color, alpha) = (rgb, cover);
            } else {
                color = std::array::from_fn(|c| color[c] + (rgb[c] - color[c]) * cover);
            }
        }
        let [r, g, b] = color.map(|v| v.round() as u8);
        Rgba([r, g, b, (alpha * 255.0).round() as u8])
    })
}

fn apart(a: &RgbaImage, b: &RgbaImage) -> u8 {
    // The hidden colour of what is transparent is nobody's.
    let seen = a
        .pixels()
        .zip(b.pixels())
        .filter(|(a, b)| a.0[3] > 0 || b.0[3] > 0);
    let all = seen.flat_map(|(a, b)| (0..4).map(move |c| a.0[c].abs_diff(b.0[c])));
    all.max().unwrap()
}

#[test]
fn a_flat_mark_there_and_back_is_the_same_and_is_what_a_renderer_would_draw() {
    let old = [code("#0f5c7a"), code("#e4572e"), code("#f4f1e8")];
    let new = [code("#2a1a5e"), code("#8a9a2b"), code("#f4f1e8")];
    for side in [64, 256, 1024] {
        let before = mark(side, &old);
        let there = repaint(&png(&before), &[(old[0], new[0]), (old[1], new[1])]).unwrap();
        assert_eq!(there.used, [0, 1]);
        let painted = decoded(&there.bytes);
        let drawn = mark(side, &new);
        assert!(
            apart(&painted, &drawn) <= 2,
            "{side}: {}",
            apart(&painted, &drawn)
        );
        let back = repaint(&there.bytes, &[(new[0], old[0]), (new[1], old[1])]).unwrap();
        assert!(apart(&decoded(&back.bytes), &before) <= 1, "{side}");
    }
}

#[test]
fn what_is_unlike_stays_and_a_map_of_nothing_changes_nothing() {
    let before = mark(128, &[code("#0f5c7a"), code("#e4572e")]);
    let other = repaint(&png(&before), &[(code("#8a9a2b"), code("#ffffff"))]).unwrap();
    assert_eq!((other.changed, other.used.len()), (0, 0));
    assert_eq!(decoded(&other.bytes), before);
    let one = repaint(&png(&before), &[(code("#e4572e"), code("#7a4b8f"))]).unwrap();
    let painted = decoded(&one.bytes);
    let ground = painted.get_pixel(64, 100);
    assert_eq!(ground.0, [0x0f, 0x5c, 0x7a, 255]);
    // The transparent corner stays what it is.
    assert_eq!(painted.get_pixel(0, 0).0[3], 0);
}

#[test]
fn a_photo_keeps_its_shading() {
    let planted = plant(3, Kind::Photo);
    let (from, to) = (planted.colors[0], code("#12b886"));
    for bytes in [webp(&planted.image), jpeg(&planted.image, 88)] {
        let done = repaint(&bytes, &[(from, to)]).unwrap();
        let (before, after) = (decoded(&bytes), decoded(&done.bytes));
        let (mut near, mut moved) = (0, 0);
        for (was, is) in before.pixels().zip(after.pixels()) {
            let code = |p: &Rgba<u8>| Rgb8::new(p.0[0], p.0[1], p.0[2]);
            if difference(code(was), from) < 5.0 {
                near += 1;
                moved += usize::from(difference(code(is), to) < 12.0);
            }
        }
        assert!(near > 500 && moved * 10 > near * 9, "{moved} of {near}");
    }
}

#[test]
fn a_gif_and_what_is_no_picture_are_refused() {
    let gif = b"GIF89a\x01\x00\x01\x00\x80\x00\x00\x0f\x5c\x7a\xff\xff\xff,\x00\x00\x00\x00\x01\x00\x01\x00\x00\x02\x02D\x01\x00;";
    let refused = repaint(gif, &[]).unwrap_err();
    assert!(
        matches!(refused, PictureError::Unsupported { .. }),
        "{refused}"
    );
    assert_eq!(repaint(b"#0f5c7a", &[]).unwrap_err(), PictureError::Unknown);
}
