//! Runs the audit over 10,000 random brands of one to four colours, and over usual dark, light and grey
//! ones: what is found, and how near fills come to their surfaces.
//! `cargo run --release -p rhodon-theme --example check_survey`

use std::collections::BTreeMap;
use std::time::{Duration, Instant};

use rhodon_color::{Color, Rgb8, difference};
use rhodon_theme::{Document, Mode, Resolved, Severity, audit, derive};

/// Colours of brand sheets that vanish on one page or the other, and what is hard for other reasons.
const USUAL: &[&str] = &[
    "#000000", "#001f3f", "#111827", "#0a0a23", "#0b132b", "#1a1a2e", "#14213d", "#212529",
    "#343a40", "#1d3557", "#2b2d42", "#0d1b2a", "#22223b", "#222222", "#333333", "#444444",
    "#555555", "#666666", "#777777", "#888888", "#999999", "#aaaaaa", "#bbbbbb", "#cccccc",
    "#dddddd", "#eeeeee", "#e0e0e0", "#f5f5f5", "#fafafa", "#ffffff", "#fdf0d5", "#f1faee",
    "#faedcd", "#fefae0", "#edf2f4", "#e9ecef", "#ffe8d6", "#fff1e6", "#f8edeb", "#ffff00",
    "#808080", "#7f8081", "#010101", "#fefefe", "#00ff00", "#0000ff", "#ff0000", "#00ffff",
    "#ff00ff", "#16c72e", "#39ff14", "#f2c200", "#3a00b8", "#767676",
];

fn brands() -> Vec<Vec<Color>> {
    let mut state = 0x9e37_79b9_7f4a_7c15u64;
    let mut next = || {
        state ^= state << 13;
        state ^= state >> 7;
        state ^= state << 17;
        state
    };
    let named: Vec<Color> = USUAL.iter().filter_map(|h| Color::parse(h).ok()).collect();
    let mut out: Vec<Vec<Color>> = named.iter().map(|c| vec![*c]).collect();
    out.extend(named.windows(2).map(<[Color]>::to_vec));
    out.extend((0..10_000).map(|i| {
        let color = |_| {
            let [r, g, b, ..] = next().to_le_bytes();
            Color::from(Rgb8::new(r, g, b))
        };
        (0..=i % 4).map(color).collect()
    }));
    out
}

fn main() -> Result<(), Box<dyn std::error::Error>> {
    let brands = brands();
    let mut found: BTreeMap<(&str, Severity), (usize, String)> = BTreeMap::new();
    let (mut near, mut spent, mut pairs) = (0, Duration::ZERO, 0);
    for brand in &brands {
        let theme = Resolved::alone(Document::from_brand("Survey", brand));
        let derived = derive(&theme).map_err(|e| e.to_string())?;
        let start = Instant::now();
        let findings = audit(&theme, &derived);
        spent += start.elapsed();
        pairs += derived.pairs.len();
        for f in findings {
            let seen = found
                .entry((f.id, f.severity))
                .or_insert((0, f.message.clone()));
            seen.0 += 1;
        }
        for intent in &derived.intents {
            for mode in Mode::BOTH {
                let code = |path: &str| {
                    let token = derived.token(path)?;
                    token.cell(mode).value.color().map(|c| c.code)
                };
                let Some(fill) = code(&format!("{}.fill", intent.name)) else {
                    continue;
                };
                let surfaces = ["base", "raised", "sunken", "overlay"];
                let grounds = surfaces
                    .iter()
                    .filter_map(|s| code(&format!("surface.{s}")));
                near += grounds.filter(|g| difference(fill, *g) < 16.0).count();
            }
        }
    }
    println!(
        "{} brands, {pairs} pairs; audit {:?} each; fills closer than 16 to a surface: {near}",
        brands.len(),
        spent / brands.len() as u32
    );
    for ((id, severity), (count, example)) in &found {
        println!("  {} {id}: {count}, such as: {example}", severity.id());
    }
    Ok(())
}
