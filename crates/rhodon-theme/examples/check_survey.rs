//! Runs the audit over 10,000 random brands of one to four colours, and over usual dark, light and grey
//! ones: what is found, and how near fills come to their surfaces.
//! `cargo run --release -p rhodon-theme --example check_survey`

mod brands;

use std::collections::BTreeMap;
use std::time::{Duration, Instant};

use rhodon_color::{Color, difference};
use rhodon_theme::{Document, Mode, Resolved, Role, Severity, audit, derive};

use brands::{Draw, HARD, THEMES};

/// Colours of brand sheets that vanish on one page or the other.
const USUAL: &[&str] = &[
    "#001f3f", "#111827", "#0a0a23", "#0b132b", "#1a1a2e", "#14213d", "#212529", "#343a40",
    "#1d3557", "#2b2d42", "#0d1b2a", "#22223b", "#222222", "#333333", "#444444", "#555555",
    "#666666", "#888888", "#999999", "#aaaaaa", "#bbbbbb", "#cccccc", "#dddddd", "#eeeeee",
    "#e0e0e0", "#f5f5f5", "#fafafa", "#fdf0d5", "#f1faee", "#faedcd", "#fefae0", "#edf2f4",
    "#e9ecef", "#ffe8d6", "#fff1e6", "#f8edeb",
];

fn all_brands() -> Vec<Vec<Color>> {
    let named = USUAL.iter().chain(HARD);
    let named: Vec<Color> = named.filter_map(|h| Color::parse(h).ok()).collect();
    let mut out: Vec<Vec<Color>> = named.iter().map(|c| vec![*c]).collect();
    out.extend(named.windows(2).map(<[Color]>::to_vec));
    out.extend(Draw(THEMES).brands(10_000));
    out
}

fn main() -> Result<(), Box<dyn std::error::Error>> {
    let brands = all_brands();
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
                let grounds = Role::SURFACES
                    .iter()
                    .filter_map(|surface| code(surface.path()));
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
