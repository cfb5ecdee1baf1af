//! What comes in at the door: every form of a picture, and what only looks like one.
#![allow(clippy::unwrap_used)]

mod support;

use image::{DynamicImage, ImageBuffer, ImageFormat, Luma, Rgba, RgbaImage};
use moxcms::ColorProfile;
use proptest::prelude::*;
use rhodon_color::{Rgb8, difference};
use rhodon_picture::{MAX_BYTES, Picture, PictureError};
use std::io::Cursor;
use support::{Kind, exif_turned, jpeg, plant, png, with_segment};

fn refused(bytes: &[u8]) -> String {
    Picture::read(bytes).unwrap_err().to_string()
}

fn encoded(image: &DynamicImage, format: ImageFormat) -> Vec<u8> {
    let mut out = Cursor::new(Vec::new());
    image.write_to(&mut out, format).unwrap();
    out.into_inner()
}

fn flat(width: u32, height: u32, pixel: [u8; 4]) -> RgbaImage {
    RgbaImage::from_pixel(width, height, Rgba(pixel))
}

/// A PNG that says a size and holds nothing.
fn hollow_png(width: u32, height: u32) -> Vec<u8> {
    let mut bytes = png(&flat(1, 1, [1, 2, 3, 255]));
    bytes[16..20].copy_from_slice(&width.to_be_bytes());
    bytes[20..24].copy_from_slice(&height.to_be_bytes());
    let mut crc = 0xffff_ffff_u32;
    for byte in &bytes[12..29] {
        crc ^= u32::from(*byte);
        for _ in 0..8 {
            crc = (crc >> 1) ^ if crc & 1 == 1 { 0xedb8_8320 } else { 0 };
        }
    }
    bytes[29..33].copy_from_slice(&(!crc).to_be_bytes());
    bytes
}

#[test]
fn what_is_no_picture_is_told_in_one_sentence() {
    let text = refused(b"name,code\nPetrol,#0f5c7a\n");
    assert_eq!(
        text,
        "no picture that is read here: expected PNG, JPEG, WebP, GIF or SVG"
    );
    let html = refused(b"<!doctype html><html><body>no</body></html>");
    assert_eq!(html, text);
    assert_eq!(refused(b""), text);
    let whole = jpeg(&plant(1, Kind::Photo).image, 88);
    let cut = refused(&whole[..whole.len() / 2]);
    assert_eq!(cut, "a damaged JPEG: the file ends before the picture does");
    let whole = png(&plant(1, Kind::Photo).image);
    assert!(refused(&whole[..whole.len() / 2]).starts_with("a damaged PNG: "));
    let svg = refused(b"<svg xmlns='http://www.w3.org/2000/svg'><g></svg>");
    assert!(svg.starts_with("a damaged SVG: "), "{svg}");
}

#[test]
fn what_is_too_large_is_refused_with_its_figure() {
    let wide = refused(&hollow_png(60_000, 60_000));
    assert_eq!(
        wide,
        "60000 × 60000 pixels: expected at most 50 million, and 10000 a side"
    );
    assert!(refused(&hollow_png(10_001, 10)).starts_with("10001 × 10 pixels"));
    assert!(refused(&hollow_png(9_000, 9_000)).starts_with("9000 × 9000 pixels"));
    let mut heavy = png(&flat(2, 2, [9, 9, 9, 255]));
    heavy.resize(MAX_BYTES + 1, 0);
    assert_eq!(refused(&heavy), "a file of 25 MB: expected at most 25 MB");
}

#[test]
fn every_depth_and_channel_gives_its_colour() {
    let petrol = Rgb8::new(15, 92, 122);
    let [r, g, b] = petrol.channels();
    let plain = DynamicImage::ImageRgba8(flat(40, 30, [r, g, b, 255]));
    let deep = DynamicImage::ImageRgba16(plain.to_rgba16());
    for (image, format) in [
        (plain.clone(), ImageFormat::Png),
        (deep, ImageFormat::Png),
        (plain.clone(), ImageFormat::Gif),
        (plain, ImageFormat::WebP),
    ] {
        let picture = Picture::read(&encoded(&image, format)).unwrap();
        assert_eq!((picture.width, picture.height), (40, 30));
        let found = picture.colors(8, None);
        assert_eq!(found.len(), 1, "one colour is one: {found:?}");
        assert_eq!(found[0].color, petrol, "{format:?}");
        assert!((found[0].share - 1.0).abs() < 1e-6);
    }
    let grey: ImageBuffer<Luma<u16>, Vec<u16>> = ImageBuffer::from_pixel(9, 9, Luma([0x8080]));
    let grey = encoded(&DynamicImage::ImageLuma16(grey), ImageFormat::Png);
    let found = Picture::read(&grey).unwrap().colors(8, None);
    assert_eq!(found[0].color, Rgb8::new(128, 128, 128));
}

#[test]
fn nothing_to_be_seen_is_told_and_half_is_seen_over_white() {
    assert_eq!(
        refused(&png(&flat(20, 20, [200, 0, 0, 0]))),
        PictureError::Empty.to_string()
    );
    let half = Picture::read(&png(&flat(20, 20, [200, 0, 0, 128]))).unwrap();
    assert_eq!(half.colors(1, None)[0].color, Rgb8::new(227, 127, 127));
}

#[test]
fn a_picture_turned_by_its_camera_stands_upright() {
    let mut image = flat(64, 32, [20, 40, 200, 255]);
    for y in 0..32 {
        for x in 0..32 {
            image.put_pixel(x, y, Rgba([220, 40, 20, 255]));
        }
    }
    // 6: the camera's left is up.
    let turned = Picture::read(&exif_turned(&jpeg(&image, 95), 6)).unwrap();
    assert_eq!((turned.width, turned.height), (32, 64));
    let up = turned.at(0.5, 0.2, 0.02).unwrap();
    let down = turned.at(0.5, 0.8, 0.02).unwrap();
    assert!(up.r > 180 && down.b > 150, "{up} above {down}");
}

/// The same colours, once as sRGB has them and once as Display-P3 has them with its profile.
#[test]
fn a_wide_photo_and_its_twin_have_the_same_colours() {
    let image = plant(21, Kind::Photo).image;
    let p3 = ColorProfile::new_display_p3();
    let layout = moxcms::Layout::Rgba;
    let to_p3 = ColorProfile::new_srgb()
        .create_transform_8bit(layout, &p3, layout, moxcms::TransformOptions::default())
        .unwrap();
    let mut twin = image.clone();
    to_p3.transform(image.as_raw(), &mut twin).unwrap();
    assert_ne!(image, twin);
    let icc = p3.encode().unwrap();
    let mut payload = b"ICC_PROFILE\0\x01\x01".to_vec();
    payload.extend(icc);
    let wide = with_segment(&jpeg(&twin, 95), 0xe2, &payload);
    let colors = |bytes: &[u8]| Picture::read(bytes).unwrap().colors(8, None);
    let (plain, wide) = (colors(&jpeg(&image, 95)), colors(&wide));
    for found in &plain {
        let nearest = wide
            .iter()
            .map(|w| difference(w.color, found.color))
            .fold(f64::MAX, f64::min);
        assert!(nearest <= 2.0, "{}: {nearest}", found.color);
    }
    // Without its profile it would not be the same picture.
    let told = colors(&jpeg(&twin, 95));
    let away = plain
        .iter()
        .zip(&told)
        .map(|(a, b)| difference(a.color, b.color));
    assert!(away.fold(0.0, f64::max) > 2.0);
}

#[test]
fn the_first_frame_of_an_animation_is_the_picture() {
    let mut bytes = Vec::new();
    {
        let mut encoder = image::codecs::gif::GifEncoder::new(&mut bytes);
        for pixel in [[15, 92, 122, 255], [255, 0, 0, 255]] {
            encoder
                .encode_frame(image::Frame::new(flat(8, 8, pixel)))
                .unwrap();
        }
    }
    let found = Picture::read(&bytes).unwrap().colors(8, None);
    assert_eq!((found.len(), found[0].color), (1, Rgb8::new(15, 92, 122)));
}

proptest! {
    #![proptest_config(ProptestConfig { cases: 400, failure_persistence: None, ..ProptestConfig::default() })]

    /// Any damage to any kind ends as a picture or a sentence.
    #[test]
    fn damage_never_panics(kind in 0usize..5, at in prop::collection::vec((0.0..1.0f64, any::<u8>()), 1..12), cut in 0.2..1.0f64) {
        let mut bytes = whole(kind);
        for (place, byte) in at {
            let i = (place * (bytes.len() - 1) as f64) as usize;
            bytes[i] = byte;
        }
        bytes.truncate((cut * bytes.len() as f64) as usize);
        match Picture::read(&bytes) {
            Ok(picture) => prop_assert!(!picture.colors(12, None).is_empty()),
            Err(error) => prop_assert!(!error.to_string().contains('\n')),
        }
    }
}

fn whole(kind: usize) -> Vec<u8> {
    let image = DynamicImage::ImageRgba8(flat(24, 18, [15, 92, 122, 200]));
    match kind {
        0 => encoded(&image, ImageFormat::Png),
        1 => jpeg(&image.into_rgba8(), 80),
        2 => encoded(&image, ImageFormat::WebP),
        3 => encoded(&image, ImageFormat::Gif),
        _ => br##"<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><style>.a{fill:#0f5c7a}</style>
            <g id="g"><circle class="a" r="4"/></g><use href="#g" x="3" fill="url(#l)"/></svg>"##.to_vec(),
    }
}
