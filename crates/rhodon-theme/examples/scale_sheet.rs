//! Prints the scale sheet of the documentation as SVG: `cargo run -p rhodon-theme
//! --example scale_sheet -- natural > sheet.svg`. Each row is one hard brand colour.

use std::fmt::Write;

use rhodon_color::{Color, Rgb8, contrast_ratio};
use rhodon_theme::scale::{self, Request};

/// Brands that are hard on a scale: vivid, extreme, nearly grey.
const BRANDS: &[&str] = &[
    "#00ff00", "#16c72e", "#39ff14", "#00a86b", "#8a9a2b", "#ffff00", "#f2c200", "#ff8800",
    "#e4572e", "#ff0000", "#b00020", "#ff0088", "#c71585", "#8000ff", "#3a00b8", "#0000ff",
    "#0077ff", "#0f5c7a", "#00b7c7", "#00ffff", "#5c6b73", "#808080", "#7f8081", "#000000",
    "#060608", "#ffffff", "#fdfcfa", "#402010", "#d8c8b0",
];

fn main() -> Result<(), Box<dyn std::error::Error>> {
    let method = std::env::args()
        .nth(1)
        .unwrap_or_else(|| "natural".to_owned())
        .parse()?;
    let (cell, row) = (78, 36);
    let height = BRANDS.len() * row + 10;
    let mut svg = format!(
        "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"960\" height=\"{height}\" font-family=\"sans-serif\" font-size=\"9\"><rect width=\"960\" height=\"{height}\" fill=\"#f4f4f4\"/>"
    );
    for (i, brand) in BRANDS.iter().enumerate() {
        let code = Color::parse(brand)?.to_rgb8();
        let scale = scale::build(&Request {
            method,
            ..Request::around(code)
        })?;
        let y = i * row + 6;
        write!(
            svg,
            "<text x=\"8\" y=\"{}\" font-size=\"12\">{brand}</text>",
            y + 20
        )?;
        for (k, step) in scale.steps.iter().enumerate() {
            let x = 84 + k * cell;
            let ink = if contrast_ratio(step.color, Rgb8::WHITE) > 4.5 {
                "#fff"
            } else {
                "#000"
            };
            let mark = if step.pinned { " ◆" } else { "" };
            write!(
                svg,
                "<rect x=\"{x}\" y=\"{y}\" width=\"{cell}\" height=\"{}\" fill=\"{}\"/>",
                row - 4,
                step.color
            )?;
            write!(
                svg,
                "<text x=\"{}\" y=\"{}\" fill=\"{ink}\">{} {:.0}{mark}</text>",
                x + 4,
                y + 26,
                step.color,
                step.lightness
            )?;
        }
    }
    println!("{svg}</svg>");
    Ok(())
}
