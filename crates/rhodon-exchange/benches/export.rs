//! What writing costs: the CSS target of a theme of ten scales, and every target of it.
//! `cargo bench -p rhodon-exchange`

use std::hint::black_box;

use criterion::{Criterion, criterion_group, criterion_main};
use rhodon_color::Color;
use rhodon_exchange::{Stamp, TARGETS, export, find};
use rhodon_theme::{Derived, Resolved, Spec, derive};

fn theme() -> Derived {
    let colors =
        ["#0f5c7a", "#8a9a2b", "#e4572e", "#5c6b73", "#7a4b8f"].map(|b| Color::parse(b).expect("a colour"));
    derive(&Resolved::alone(Spec::from_brand("Bench", &colors))).expect("a theme")
}

fn css(c: &mut Criterion) {
    let (theme, stamp) = (theme(), Stamp::default());
    let target = find("css").expect("the target");
    c.bench_function("css target of 10 scales", |b| {
        b.iter(|| export(target, black_box(&theme), &stamp, []).expect("a file"))
    });
}

fn all(c: &mut Criterion) {
    let (theme, stamp) = (theme(), Stamp::default());
    c.bench_function("every target of 10 scales", |b| {
        b.iter(|| {
            TARGETS
                .iter()
                .map(|t| export(t, black_box(&theme), &stamp, []).expect("files").files.len())
                .sum::<usize>()
        });
    });
}

criterion_group!(benches, css, all);
criterion_main!(benches);
