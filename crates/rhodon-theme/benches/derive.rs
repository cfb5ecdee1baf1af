//! What a slider costs: one scale from a hex code, and a whole theme of ten scales in both
//! modes with every pair measured. `cargo bench -p rhodon-theme`

use std::hint::black_box;

use criterion::{Criterion, criterion_group, criterion_main};
use mimalloc::MiMalloc;
use rhodon_color::Color;
use rhodon_theme::scale::{self, Request};
use rhodon_theme::{Document, Resolved, derive};

/// As in the `rhodon` binary.
#[global_allocator]
static ALLOCATOR: MiMalloc = MiMalloc;

/// Five brand colours and five derived scales: the size of the demo theme.
const BRAND: [&str; 5] = ["#0f5c7a", "#8a9a2b", "#e4572e", "#5c6b73", "#7a4b8f"];

fn scale_from_hex(c: &mut Criterion) {
    c.bench_function("scale of 11 steps from a hex code", |b| {
        b.iter(|| {
            let code = Color::parse(black_box("#0f5c7a"))
                .expect("a colour")
                .to_rgb8();
            scale::build(&Request::around(code)).expect("a scale")
        });
    });
}

fn whole_theme(c: &mut Criterion) {
    let colors = BRAND.map(|b| Color::parse(b).expect("a colour"));
    let theme = Resolved::alone(Document::from_brand("Bench", &colors));
    let derived = derive(&theme).expect("a theme");
    assert_eq!(
        (derived.scales.len(), derived.pairs.is_empty()),
        (10, false)
    );
    let mut usual = Document::from_brand("Bench", &colors);
    usual.contrast.more = Some(false);
    let usual = Resolved::alone(usual);
    c.bench_function("theme of 10 scales in both modes, one level", |b| {
        b.iter(|| derive(black_box(&usual)).expect("a theme"))
    });
    c.bench_function("theme of 10 scales in both modes", |b| {
        b.iter(|| derive(black_box(&theme)).expect("a theme"))
    });
}

criterion_group!(benches, scale_from_hex, whole_theme);
criterion_main!(benches);
