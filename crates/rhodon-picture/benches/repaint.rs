//! A picture of one megapixel with other colours, decoded and encoded.
#![allow(missing_docs, clippy::unwrap_used)]

use std::hint::black_box;
use std::io::Cursor;

use criterion::{Criterion, criterion_group, criterion_main};
use image::{ImageFormat, Rgba, RgbaImage};
use rhodon_color::Rgb8;
use rhodon_picture::repaint;

fn bench(c: &mut Criterion) {
    let (old, new) = (Rgb8::new(0x0f, 0x5c, 0x7a), Rgb8::new(0xa3, 0x3a, 0x1e));
    let mark = RgbaImage::from_fn(1024, 1024, |x, y| {
        let away = f64::from(x % 256 - x % 256 / 2).hypot(f64::from(y % 256) - 128.0);
        let cover = (100.0 - away + 0.5).clamp(0.0, 1.0);
        let [r, g, b] = old
            .channels()
            .map(|v| (255.0 + (f64::from(v) - 255.0) * cover) as u8);
        Rgba([r, g, b, 255])
    });
    let mut bytes = Cursor::new(Vec::new());
    mark.write_to(&mut bytes, ImageFormat::Png).unwrap();
    let bytes = bytes.into_inner();
    c.bench_function("repaint/one megapixel", |b| {
        b.iter(|| repaint(black_box(&bytes), &[(old, new)]).unwrap())
    });
    c.bench_function("repaint/decoding it alone", |b| {
        b.iter(|| {
            image::load_from_memory(black_box(&bytes))
                .unwrap()
                .into_rgba8()
        })
    });
}

criterion_group!(benches, bench);
criterion_main!(benches);
