//! What writing costs: the CSS target, every target of the demo theme, and every target of a
//! theme of 40 scales and 2,000 own tokens. `cargo bench -p rhodon-formats`

use std::hint::black_box;

use criterion::{Criterion, criterion_group, criterion_main};
use mimalloc::MiMalloc;
use rhodon_formats::{Source, Stamp, TARGETS, Target, find};
use rhodon_theme::{Derived, Document, Resolved, derive};
use serde_json::{Map, Value, json};

/// As in the `rhodon` binary.
#[global_allocator]
static ALLOCATOR: MiMalloc = MiMalloc;

struct Made {
    decided: Resolved,
    derived: Derived,
    stamp: Stamp,
}

impl Made {
    fn of(spec: Document) -> Self {
        let decided = Resolved::alone(spec);
        let derived = derive(&decided).expect("a theme");
        Self {
            decided,
            derived,
            stamp: Stamp {
                theme: "Bench".to_owned(),
                revision: Some(1),
                date: None,
            },
        }
    }

    fn source(&self) -> Source<'_> {
        Source::alone(&self.decided, &self.derived, &self.stamp)
    }
}

fn demo() -> Made {
    let text = include_str!("../../../demo/brindle-sound-ferries.rhodon.json");
    Made::of(Document::parse(text).expect("the demo"))
}

/// 40 brand colours and 2,000 own tokens: codes, codes by mode, and references.
fn large() -> Made {
    let brand = |i: usize| {
        let code = format!(
            "#{:02x}{:02x}{:02x}",
            (i * 67) % 256,
            (i * 151 + 40) % 256,
            (i * 211 + 90) % 256
        );
        json!({ "name": format!("Brand {i}"), "slug": format!("brand-{i}"), "color": code })
    };
    let token = |i: usize| {
        let value = match i % 4 {
            0 => json!({ "value": format!("#{:06x}", i * 7919 % 0xff_ffff) }),
            1 => json!({ "light": "#123456", "dark": "#abcdef" }),
            2 => json!({ "value": format!("{{brand-{}.500}}", i % 40) }),
            _ => json!({ "kind": "dimension", "value": format!("{}px", i % 64) }),
        };
        (format!("part-{}.own-{i}", i % 50), value)
    };
    let spec = json!({
        "format": 1, "name": "Large",
        "brand": (0..40).map(brand).collect::<Vec<_>>(),
        "tokens": (0..2000).map(token).collect::<Map<String, Value>>(),
    });
    Made::of(Document::read(&spec).expect("a large theme"))
}

/// Writes a target with its defaults; gives the number of files.
fn write(target: &'static Target, source: &Source<'_>) -> usize {
    let settings = target.settings([]).expect("defaults");
    target.export(source, settings).expect("files").files.len()
}

fn css(c: &mut Criterion) {
    let (made, target) = (demo(), find("css").expect("the target"));
    c.bench_function("css target of the demo theme", |b| {
        b.iter(|| write(target, black_box(&made.source())));
    });
}

fn every_target(c: &mut Criterion) {
    for (name, made) in [
        ("demo theme", demo()),
        ("theme of 40 scales and 2,000 own tokens", large()),
    ] {
        c.bench_function(&format!("every target of the {name}"), |b| {
            b.iter(|| {
                TARGETS
                    .iter()
                    .map(|t| write(t, black_box(&made.source())))
                    .sum::<usize>()
            });
        });
    }
}

criterion_group!(benches, css, every_target);
criterion_main!(benches);
