//! `apple`: an asset catalogue with both appearances, and constants in Swift.

use rhodon_color::Space;
use rhodon_theme::{ColorValue, Mode, Token};
use serde_json::{Value, json};

use super::code::{self, Manner, decimal};
use super::gap;
use super::language::SWIFT;
use crate::name;
use crate::target::{Comment, ExportError, File, Group, Job, Output, Target};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "apple",
    name: "Apple asset catalogue and Swift",
    group: Group::Apps,
    options: &[],
    files: &["Theme.xcassets/Contents.json", "Theme.xcassets/….colorset/Contents.json", "ThemeColors.swift"],
    keys: &[
        "xcassets",
        "colorset",
        "Contents.json",
        "appearances",
        "luminosity",
        "display-p3",
        "Color(",
        "swift",
    ],
    usage: "Add Theme.xcassets and ThemeColors.swift to the target; ThemeColors.primaryFill follows the system's appearance.",
    write,
};

/// Who wrote a catalogue, as the format asks.
fn info() -> Value {
    json!({ "author": "xcode", "version": 1 })
}

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let names = SWIFT.names(job.tokens(), name::camel)?;
    let mut files = vec![catalogue("Theme.xcassets/Contents.json", &json!({ "info": info() }))];
    for token in job.colors() {
        let path = format!("Theme.xcassets/{}.colorset/Contents.json", names[&*token.path]);
        files.push(catalogue(&path, &json!({ "colors": entries(token), "info": info() })));
    }
    let mut body = String::from("import SwiftUI\n\npublic enum ThemeColors {\n");
    for token in job.colors() {
        let name = &names[&*token.path];
        body.push_str(&format!("    public static let {name} = Color(\"{name}\", bundle: .main)\n"));
    }
    body.push_str("}\n\npublic enum ThemeMeasures {\n");
    body.push_str(&code::members(&Swift, job.others(), &names, Mode::Light));
    body.push_str("}\n");
    files.push(job.file("ThemeColors.swift", Comment::BLOCK, &body));
    let differing = job.others().filter(|t| !t.is_modeless());
    Ok(Output { files, warnings: gap::told(differing, "only its value in light mode is written") })
}

fn catalogue(path: &str, content: &Value) -> File {
    File { path: path.to_owned(), text: format!("{content:#}\n") }
}

/// One entry for any appearance and one for dark, each with a wider one where it differs.
fn entries(token: &Token) -> Vec<Value> {
    let modes: &[Mode] = if token.is_modeless() { &[Mode::Light] } else { &Mode::BOTH };
    let mut out = Vec::new();
    for mode in modes {
        let Some(color) = token.cell(*mode).value.color() else { continue };
        let appearances =
            (*mode == Mode::Dark).then(|| json!([{ "appearance": "luminosity", "value": "dark" }]));
        let mut add = |gamut: Option<&str>, color: Value| {
            let mut entry = serde_json::Map::new();
            entry.extend(appearances.clone().map(|a| ("appearances".to_owned(), a)));
            entry.extend(gamut.map(|g| ("display-gamut".to_owned(), g.into())));
            entry.insert("color".to_owned(), color);
            entry.insert("idiom".to_owned(), "universal".into());
            out.push(entry.into());
        };
        if color.wide.is_some() {
            add(Some("sRGB"), narrow(color));
            add(Some("display-P3"), wide(color));
        } else {
            add(None, narrow(color));
        }
    }
    out
}

fn narrow(color: &ColorValue) -> Value {
    let hex = |v: u8| format!("0x{v:02X}");
    json!({ "color-space": "srgb", "components": {
        "red": hex(color.code.r), "green": hex(color.code.g), "blue": hex(color.code.b),
        "alpha": format!("{:.3}", color.alpha),
    } })
}

fn wide(color: &ColorValue) -> Value {
    let [r, g, b] = color.widest().in_space(Space::DisplayP3).map(|v| format!("{:.4}", v.clamp(0.0, 1.0)));
    json!({ "color-space": "display-p3", "components": {
        "red": r, "green": g, "blue": b, "alpha": format!("{:.3}", color.alpha),
    } })
}

struct Swift;

impl Manner for Swift {
    fn color(&self, color: &ColorValue) -> String {
        let [r, g, b] = [color.code.r, color.code.g, color.code.b].map(|v| decimal(f64::from(v) / 255.0));
        format!("Color(.sRGB, red: {r}, green: {g}, blue: {b}, opacity: {})", decimal(color.alpha))
    }

    fn length(&self, px: f64, _: bool) -> String {
        decimal(px)
    }

    fn number(&self, n: f64) -> String {
        decimal(n)
    }

    fn weight(&self, n: u16) -> String {
        n.to_string()
    }

    fn families(&self, names: &[String]) -> String {
        format!("[{}]", names.iter().map(|n| code::quoted(n, false)).collect::<Vec<_>>().join(", "))
    }

    fn member(&self, name: &str, kind: &'static str, value: &str) -> String {
        let kind = match kind {
            "color" => "Color",
            "weight" => "Int",
            "families" => "[String]",
            "length" => "CGFloat",
            _ => "Double",
        };
        format!("    public static let {name}: {kind} = {value}\n")
    }
}
