//! From the bytes of a photo of twelve megapixels to its colours, beside decoding it alone.
#![allow(missing_docs, reason = "criterion's macros make public items")]

#[path = "../tests/support/mod.rs"]
mod support;

use std::hint::black_box;
use std::io::Cursor;

use criterion::{Criterion, criterion_group, criterion_main};
use image::imageops::{FilterType, resize};
use rhodon_picture::Picture;
use support::{Kind, jpeg, plant};

fn photo() -> Vec<u8> {
    let small = plant(7, Kind::Phone).image;
    jpeg(&resize(&small, 4000, 3000, FilterType::Triangle), 88)
}

fn bench(c: &mut Criterion) {
    let bytes = photo();
    let mut group = c.benchmark_group("photo of 12 megapixels");
    group.sample_size(10);
    group.bench_function("decoded alone", |b| {
        b.iter(|| {
            image::ImageReader::new(Cursor::new(black_box(&bytes)))
                .with_guessed_format()
                .map(|r| r.decode())
        });
    });
    group.bench_function("bytes to colours", |b| {
        b.iter(|| Picture::read(black_box(&bytes)).map(|p| p.colors(8, None)));
    });
    group.finish();
    if let Ok(picture) = Picture::read(&bytes) {
        c.bench_function("colours of a picture at hand", |b| {
            b.iter(|| black_box(&picture).colors(8, None));
        });
    }
}

criterion_group!(benches, bench);
criterion_main!(benches);
