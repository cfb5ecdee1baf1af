//! Made-up pictures.
#![allow(clippy::unwrap_used)]
#![allow(dead_code, reason = "each test file uses its own part")]

use std::io::Cursor;

use image::codecs::jpeg::JpegEncoder;
use image::codecs::webp::WebPEncoder;
use image::{DynamicImage, ImageFormat, Rgba, RgbaImage};
use rhodon_color::{Rgb8, difference};

#[derive(Clone, Copy, Debug, PartialEq)]
pub enum Kind {
    /// Flat shapes on nothing.
    Mark,
    /// Shapes on an uneven ground, with noise.
    Photo,
    /// The same, larger.
    Phone,
}

pub struct Planted {
    pub image: RgbaImage,
    pub colors: Vec<Rgb8>,
}

/// SplitMix64: the same picture for the same seed.
pub struct Random(pub u64);

impl Random {
    pub fn next(&mut self) -> f64 {
        self.0 = self.0.wrapping_add(0x9e37_79b9_7f4a_7c15);
        let mut z = self.0;
        z = (z ^ (z >> 30)).wrapping_mul(0xbf58_476d_1ce4_e5b9);
        z = (z ^ (z >> 27)).wrapping_mul(0x94d0_49bb_1331_11eb);
        ((z ^ (z >> 31)) >> 11) as f64 / (1u64 << 53) as f64
    }

    fn code(&mut self) -> Rgb8 {
        let mut channel = || (self.next() * 256.0) as u8;
        Rgb8::new(channel(), channel(), channel())
    }

    /// Colours that one can tell apart.
    fn colors(&mut self, count: usize, apart: f64) -> Vec<Rgb8> {
        let mut out: Vec<Rgb8> = Vec::new();
        while out.len() < count {
            let next = self.code();
            if out.iter().all(|o| difference(*o, next) >= apart) {
                out.push(next);
            }
        }
        out
    }
}

/// Six colours in shapes of 2 to 8 percent each.
pub fn plant(seed: u64, kind: Kind) -> Planted {
    let mut random = Random(seed.wrapping_mul(7919) + 1);
    let (width, height) = match kind {
        Kind::Mark => (420, 300),
        Kind::Photo => (640, 480),
        Kind::Phone => (1280, 960),
    };
    let ground = random.colors(2, 10.0);
    let colors = random.colors(6, 14.0);
    let mut image = RgbaImage::new(width, height);
    for (x, y, pixel) in image.enumerate_pixels_mut() {
        let t = f64::from(x + y) / f64::from(width + height);
        let mixed = |a: u8, b: u8| (f64::from(a) * (1.0 - t) + f64::from(b) * t) as u8;
        let [a, b] = [ground[0].channels(), ground[1].channels()];
        *pixel = match kind {
            Kind::Mark => Rgba([0; 4]),
            _ => Rgba([mixed(a[0], b[0]), mixed(a[1], b[1]), mixed(a[2], b[2]), 255]),
        };
    }
    // One shape a cell, so that none hides another.
    let (cell_w, cell_h) = (width / 3, height / 2);
    for (i, color) in colors.iter().enumerate() {
        let (cx, cy) = (i as u32 % 3 * cell_w, i as u32 / 3 * cell_h);
        let size = 0.36 + 0.34 * random.next();
        let (w, h) = (
            (f64::from(cell_w) * size) as u32,
            (f64::from(cell_h) * size) as u32,
        );
        let (left, top) = (cx + (cell_w - w) / 2, cy + (cell_h - h) / 2);
        let round = random.next() < 0.5;
        for y in 0..h {
            for x in 0..w {
                let (u, v) = (
                    f64::from(x) / f64::from(w) * 2.0 - 1.0,
                    f64::from(y) / f64::from(h) * 2.0 - 1.0,
                );
                if !round || u * u + v * v <= 1.0 {
                    let [r, g, b] = color.channels();
                    image.put_pixel(left + x, top + y, Rgba([r, g, b, 255]));
                }
            }
        }
    }
    if kind != Kind::Mark {
        for pixel in image.pixels_mut() {
            for channel in &mut pixel.0[..3] {
                // Nearly a bell: the sum of three.
                let noise = (random.next() + random.next() + random.next() - 1.5) * 16.0;
                *channel = (f64::from(*channel) + noise).clamp(0.0, 255.0) as u8;
            }
        }
    }
    Planted { image, colors }
}

pub fn png(image: &RgbaImage) -> Vec<u8> {
    let mut out = Cursor::new(Vec::new());
    image.write_to(&mut out, ImageFormat::Png).unwrap();
    out.into_inner()
}

pub fn webp(image: &RgbaImage) -> Vec<u8> {
    let mut out = Vec::new();
    let encoder = WebPEncoder::new_lossless(&mut out);
    image.write_with_encoder(encoder).unwrap();
    out
}

pub fn jpeg(image: &RgbaImage, quality: u8) -> Vec<u8> {
    let mut out = Vec::new();
    let encoder = JpegEncoder::new_with_quality(&mut out, quality);
    let rgb = DynamicImage::ImageRgba8(image.clone()).into_rgb8();
    rgb.write_with_encoder(encoder).unwrap();
    out
}

/// A segment put right behind the start of a JPEG.
pub fn with_segment(jpeg: &[u8], marker: u8, payload: &[u8]) -> Vec<u8> {
    let length = u16::try_from(payload.len() + 2).unwrap();
    let mut out = jpeg[..2].to_vec();
    out.extend([0xff, marker]);
    out.extend(length.to_be_bytes());
    out.extend(payload);
    out.extend(&jpeg[2..]);
    out
}

/// The EXIF tag that tells how a camera was held (Exif 2.32, orientation).
pub fn exif_turned(jpeg: &[u8], orientation: u8) -> Vec<u8> {
    let mut exif = b"Exif\0\0MM\0\x2a\0\0\0\x08\0\x01\x01\x12\0\x03\0\0\0\x01\0".to_vec();
    exif.extend([orientation, 0, 0, 0, 0, 0, 0]);
    with_segment(jpeg, 0xe1, &exif)
}
