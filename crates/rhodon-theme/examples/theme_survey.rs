//! Measures whole themes over random brands of one to four colours: pairs, status and chart
//! colours, hover distance, and time.
//! `cargo run --release -p rhodon-theme --example theme_survey`

mod brands;

use std::collections::BTreeMap;
use std::time::Instant;

use rhodon_color::{Color, Rgb8, Vision, VisionKind, difference};
use rhodon_theme::{Document, Mode, Resolved, derive, status_colors};

use brands::{Draw, HARD, THEMES};

fn main() -> Result<(), Box<dyn std::error::Error>> {
    let mut brands: Vec<Vec<Color>> = HARD
        .iter()
        .map(|h| vec![Color::parse(h).expect("valid")])
        .collect();
    brands.extend(Draw(THEMES).brands(10_000));
    let specs: Vec<Resolved> = brands
        .iter()
        .map(|b| Resolved::alone(Document::from_brand("Survey", b)))
        .collect();
    let start = Instant::now();
    let themes: Vec<_> = specs
        .iter()
        .map(|s| derive(s).map_err(|e| e.to_string()))
        .collect::<Result<_, _>>()?;
    let time = start.elapsed() / specs.len() as u32;
    let eyes = VisionKind::ALL.map(|kind| Vision::new(kind, 1.0));
    let (mut below, mut pairs, mut least_hover) = (BTreeMap::new(), 0, f64::INFINITY);
    let (mut least_status, mut chart) = (f64::INFINITY, Vec::new());
    for (theme, brand) in themes.iter().zip(&brands) {
        pairs += theme.pairs.len();
        for p in theme.pairs.iter().filter(|p| !p.pass) {
            below
                .entry(format!("{} on {} ({})", p.fg, p.bg, p.mode.id()))
                .or_insert_with(Vec::new)
                .push((brand[0].to_hex(), p.ratio));
        }
        let code = |path: &str, mode| {
            theme
                .token(path)
                .and_then(|t| t.cell(mode).value.color().map(|c| c.code))
                .expect("role")
        };
        for intent in &theme.intents {
            let d = difference(
                code(&format!("{}.fill", intent.name), Mode::Light),
                code(&format!("{}.fill-hover", intent.name), Mode::Light),
            );
            least_hover = least_hover.min(d);
        }
        least_status = least_status.min(status_colors(brand[0].to_rgb8()).least_difference());
        for mode in Mode::BOTH {
            let colors: Vec<Rgb8> = (1..=8).map(|n| code(&format!("chart.{n}"), mode)).collect();
            let mut least = f64::INFINITY;
            for i in 0..8 {
                for j in 0..i {
                    least = least.min(difference(colors[i], colors[j]));
                    for eye in &eyes {
                        least = least.min(difference(eye.see(colors[i]), eye.see(colors[j])));
                    }
                }
            }
            chart.push(least);
        }
    }
    chart.sort_by(f64::total_cmp);
    println!(
        "{} brands, {time:?} each, {} tokens and {} pairs in the first",
        brands.len(),
        themes[0].tokens.len(),
        themes[0].pairs.len()
    );
    println!(
        "{pairs} pairs, below their limit: {}",
        below.values().map(Vec::len).sum::<usize>()
    );
    for (name, cases) in &below {
        println!("  {name}: {} such as {:?}", cases.len(), cases[0]);
    }
    println!("fill to hover: least {least_hover:.2}; status apart: least {least_status:.2}");
    println!(
        "chart colours apart: least {:.2}, median {:.2}",
        chart[0],
        chart[chart.len() / 2]
    );
    Ok(())
}
