//! What a slider costs: one scale from a hex code, and a whole theme of ten scales in both
//! modes with every pair measured. `cargo bench -p rhodon-theme`

use std::hint::black_box;

use criterion::{BatchSize, Criterion, criterion_group, criterion_main};
use mimalloc::MiMalloc;
use rhodon_color::{Color, Rgb8};
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

/// Themes that were never derived: every colour is another one. More of them than are kept.
fn strangers(more: bool) -> impl Iterator<Item = Resolved> {
    let mut state = 0x2545_f491_4f6c_dd1d_u64;
    let themes: Vec<Resolved> = (0..2000)
        .map(|_| {
            let colors = BRAND.map(|_| {
                // Xorshift (Marsaglia 2003): any numbers will do, as long as they are the same each time.
                state ^= state << 13;
                state ^= state >> 7;
                state ^= state << 17;
                let [r, g, b, ..] = state.to_le_bytes();
                Color::from(Rgb8::new(r, g, b))
            });
            theme(&colors, more)
        })
        .collect();
    themes.into_iter().cycle()
}

fn theme(colors: &[Color], more: bool) -> Resolved {
    let mut document = Document::from_brand("Bench", colors);
    document.contrast.more = Some(more);
    Resolved::alone(document)
}

fn whole_theme(c: &mut Criterion) {
    let colors = BRAND.map(|b| Color::parse(b).expect("a colour"));
    let derived = derive(&theme(&colors, true)).expect("a theme");
    assert_eq!(
        (derived.scales.len(), derived.pairs.is_empty()),
        (10, false)
    );
    for (told, more) in [("one level", false), ("both levels", true)] {
        let mut fresh = strangers(more);
        c.bench_function(&format!("theme of 10 scales in both modes, {told}"), |b| {
            b.iter_batched_ref(
                || fresh.next().expect("a theme"),
                |theme| derive(theme).is_ok(),
                BatchSize::SmallInput,
            );
        });
    }
    for (told, more) in [("one level", false), ("both levels", true)] {
        // The third colour of the same five is dragged on.
        let mut drag = (0..=u16::MAX).cycle();
        c.bench_function(&format!("one colour of five changed, {told}"), |b| {
            b.iter_batched_ref(
                || {
                    let [r, g] = drag.next().expect("a number").to_le_bytes();
                    let mut moved = colors;
                    moved[2] = Color::from(Rgb8::new(r, g, 0x2e));
                    theme(&moved, more)
                },
                |theme| derive(theme).is_ok(),
                BatchSize::SmallInput,
            );
        });
    }
}

criterion_group!(benches, scale_from_hex, whole_theme);
criterion_main!(benches);
