//! What both levels of contrast cost against one, and one against a scale: each theme is derived in turn with
//! the next, so that whatever else the machine does falls on all alike.
//! `cargo run --release -p rhodon-theme --example derive_survey`

mod brands;

use std::hint::black_box;
use std::time::{Duration, Instant};

use mimalloc::MiMalloc;
use rhodon_color::{Color, Rgb8};
use rhodon_theme::scale::{self, Request};
use rhodon_theme::{Document, Resolved, derive};

use brands::Draw;

/// As in the `rhodon` binary.
#[global_allocator]
static ALLOCATOR: MiMalloc = MiMalloc;

/// Themes of each kind: more than what is kept of them.
const THEMES: usize = 1500;
const ROUNDS: usize = 9;
const COLORS: usize = 5;

/// Themes of any colours.
fn themes(draw: &mut Draw, more: bool) -> Vec<Resolved> {
    let mut theme = || {
        let colors: [Color; COLORS] = std::array::from_fn(|_| draw.code().into());
        let mut document = Document::from_brand("Survey", &colors);
        document.contrast.more = Some(more);
        Resolved::alone(document)
    };
    (0..THEMES).map(|_| theme()).collect()
}

fn timed<T>(work: impl FnOnce() -> T) -> Duration {
    let start = Instant::now();
    drop(black_box(work()));
    start.elapsed()
}

fn main() {
    let mut draw = Draw(0x2545_f491_4f6c_dd1d);
    let one = themes(&mut draw, false);
    let both = themes(&mut draw, true);
    let brand = Request::around(Rgb8::new(0x0f, 0x5c, 0x7a));
    println!("scale, one level, both levels in µs; both against one; one and both against a scale");
    for _ in 0..ROUNDS {
        let mut sums = [Duration::ZERO; 3];
        for (one, both) in one.iter().zip(&both) {
            sums[0] += timed(|| scale::build(black_box(&brand)));
            sums[1] += timed(|| derive(one));
            sums[2] += timed(|| derive(both));
        }
        let [scale, one, both] = sums.map(|sum| sum.as_secs_f64() * 1e6 / THEMES as f64);
        println!(
            "{scale:5.1} {one:6.1} {both:6.1}   {:.3}   {:5.1} {:5.1}",
            both / one,
            one / scale,
            both / scale
        );
    }
}
