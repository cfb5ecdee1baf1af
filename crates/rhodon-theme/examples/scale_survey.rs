//! Measures scales over random and hard brands: order, even gaps, hue drift, and time.
//! `cargo run --release -p rhodon-theme --example scale_survey -- natural`

mod brands;

use std::time::Instant;

use rhodon_color::{Rgb8, difference, hue_turn};
use rhodon_theme::scale::{self, Request};

use brands::Draw;

fn main() -> Result<(), Box<dyn std::error::Error>> {
    let method = std::env::args()
        .nth(1)
        .unwrap_or_else(|| "natural".to_owned())
        .parse()?;
    let mut draw = Draw(0x2545_f491_4f6c_dd1d);
    let brands: Vec<Rgb8> = (0..10_000).map(|_| draw.code()).collect();
    let (mut broken, mut drifts, mut spreads, mut gaps, mut jumps, mut off) =
        (0, vec![], vec![], vec![], vec![], vec![]);
    let start = Instant::now();
    let scales: Vec<_> = brands
        .iter()
        .map(|b| {
            scale::build(&Request {
                method,
                ..Request::around(*b)
            })
        })
        .collect::<Result<_, _>>()?;
    let time = start.elapsed() / 10_000;
    for (brand, scale) in brands.iter().zip(&scales) {
        let steps = &scale.steps;
        broken += usize::from(
            steps
                .windows(2)
                .any(|w| w[0].color.luminance() <= w[1].color.luminance()),
        );
        assert!(steps.iter().any(|s| s.color == *brand), "{brand} lost");
        let own = brand.to_oklch();
        let d: Vec<f64> = steps
            .windows(2)
            .map(|w| difference(w[0].color, w[1].color))
            .collect();
        let inner = &d[1..9];
        let mean = inner.iter().sum::<f64>() / 8.0;
        spreads.push((inner.iter().map(|g| (g - mean).powi(2)).sum::<f64>() / 8.0).sqrt() / mean);
        gaps.extend(d.iter().copied());
        jumps.push(d[0]);
        for (s, t) in steps.iter().zip([
            97.0, 92.5, 82.0, 71.0, 60.0, 49.6, 40.5, 31.0, 21.5, 13.5, 7.5,
        ]) {
            if !s.pinned {
                off.push((s.lightness - t).abs());
            }
        }
        if own.c > 0.02 {
            let drift = steps
                .iter()
                .map(|s| s.color.to_oklch())
                .filter(|c| c.c > 0.02);
            drifts.extend(drift.map(|c| hue_turn(own.h, c.h).abs()));
        }
    }
    let show = |name: &str, mut v: Vec<f64>| {
        v.sort_by(f64::total_cmp);
        let at = |q: f64| v[((v.len() - 1) as f64 * q) as usize];
        println!(
            "{name}: least {:.2}, median {:.2}, p95 {:.2}, most {:.2}",
            at(0.0),
            at(0.5),
            at(0.95),
            at(1.0)
        );
    };
    println!("{method:?}: {time:?} a scale, {broken} with broken order");
    show("difference of neighbours", gaps);
    show("difference 50 to 100", jumps);
    show("spread of the inner gaps", spreads);
    show("hue drift in degrees", drifts);
    show("distance from target L*", off);
    Ok(())
}
