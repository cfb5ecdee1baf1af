//! `apple`: an asset catalogue with both appearances, and constants in Swift.

use rhodon_color::Space;
use rhodon_theme::{ColorValue, IntentScale, Level, Mode, Token, TokenKind};
use serde::Serialize;

use super::code::{self, CodeStyle, decimal};
use super::intent_color::readable;
use super::language::SWIFT;
use crate::error::ExportError;
use crate::job::{Comment, Job};
use crate::losses;
use crate::name;
use crate::output::{File, Output};
use crate::target::{Group, MoreContrast, Target};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "apple",
    name: "Asset catalogue and Swift",
    group: Group::Apps,
    options: &[],
    files: &[
        "Theme.xcassets/Contents.json",
        "Theme.xcassets/AccentColor.colorset/Contents.json",
        "Theme.xcassets/….colorset/Contents.json",
        "ThemeColors.swift",
    ],
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
    usage: "Add Theme.xcassets and ThemeColors.swift to the target of an iOS or macOS app; ThemeColors.primaryFill follows the system's appearance.",
    usage_of: None,
    token_name: Some(|_, t| Some(format!("{}.{}", home(t), name::camel(&t.path)))),
    carries_kept: false,
    takes_family: false,
    more: MoreContrast::Written(" Colours follow the system's choice of more contrast too."),
    write,
};

/// A folder of a catalogue, or a colour set in it.
#[derive(Serialize)]
struct Contents {
    #[serde(skip_serializing_if = "Option::is_none")]
    colors: Option<Vec<Entry>>,
    info: Info,
}

/// Who wrote a catalogue, as the format asks.
#[derive(Serialize)]
struct Info {
    author: &'static str,
    version: u8,
}

#[derive(Serialize)]
#[serde(rename_all = "kebab-case")]
struct Entry {
    #[serde(skip_serializing_if = "Option::is_none")]
    appearances: Option<Vec<Appearance>>,
    #[serde(skip_serializing_if = "Option::is_none")]
    display_gamut: Option<&'static str>,
    color: Shade,
    idiom: &'static str,
}

#[derive(Clone, Copy, Serialize)]
struct Appearance {
    appearance: &'static str,
    value: &'static str,
}

#[derive(Serialize)]
#[serde(rename_all = "kebab-case")]
struct Shade {
    color_space: &'static str,
    components: Components,
}

#[derive(Serialize)]
struct Components {
    red: String,
    green: String,
    blue: String,
    alpha: String,
}

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let names = SWIFT.names(job.tokens(), name::camel)?;
    let mut files = vec![catalogue("Theme.xcassets/Contents.json", None)];
    let more = job.theme.at_more();
    if let Some(intent) = job.theme.intents.first() {
        let path = "Theme.xcassets/AccentColor.colorset/Contents.json";
        let mut all = accent(job, intent);
        all.extend(more.iter().flat_map(|theme| accent(&job.of(theme), intent)));
        files.push(catalogue(path, Some(all)));
    }
    let raised = more.as_ref().map(|theme| job.of(theme));
    for token in job.colors() {
        let path = format!(
            "Theme.xcassets/{}.colorset/Contents.json",
            names[&*token.path]
        );
        let more = raised.as_ref().and_then(|raised| raised.token(&token.path));
        let more = more.filter(|more| more.cells != token.cells);
        let mut all = entries(token, Level::Usual);
        all.extend(more.into_iter().flat_map(|more| entries(more, Level::More)));
        files.push(catalogue(&path, Some(all)));
    }
    let mut body = format!("import SwiftUI\n\n{BUNDLE}\npublic enum ThemeColors {{\n");
    for token in job.colors() {
        let name = &names[&*token.path];
        body.push_str(&format!(
            "    public static let {name} = Color(\"{name}\", bundle: themeBundle)\n"
        ));
    }
    body.push_str("}\n\npublic enum ThemeMeasures {\n");
    body.push_str(&code::members(&Swift, job.others(), &names, Mode::Light));
    body.push_str("}\n");
    files.push(job.file("ThemeColors.swift", Comment::BLOCK, &body));
    let differing = job.others().filter(|t| !t.is_modeless());
    Ok(Output {
        files,
        warnings: losses::of(differing, "only its value in light mode is written"),
    })
}

/// Where the catalogue is: in the package, or in the application or framework around this file.
const BUNDLE: &str = "#if SWIFT_PACKAGE
private let themeBundle = Bundle.module
#else
private final class ThemeBundle {}
private let themeBundle = Bundle(for: ThemeBundle.self)
#endif
";

/// The colour with which the system tints controls, and text that can be tapped.
fn accent(job: &Job<'_>, intent: &IntentScale) -> Vec<Entry> {
    Mode::BOTH
        .map(|mode| {
            let color = narrow(&readable(job, intent, mode));
            entry(mode, job.theme.level, None, color)
        })
        .into()
}

/// The appearance of a system in dark mode.
const DARK: Appearance = Appearance {
    appearance: "luminosity",
    value: "dark",
};

/// The appearance of a system that is asked for more contrast.
const HIGH_CONTRAST: Appearance = Appearance {
    appearance: "contrast",
    value: "high",
};

fn entry(mode: Mode, level: Level, display_gamut: Option<&'static str>, color: Shade) -> Entry {
    let asked = [
        (mode == Mode::Dark, DARK),
        (level == Level::More, HIGH_CONTRAST),
    ];
    let appearances: Vec<_> = asked
        .into_iter()
        .filter_map(|(is, a)| is.then_some(a))
        .collect();
    Entry {
        appearances: (!appearances.is_empty()).then_some(appearances),
        display_gamut,
        color,
        idiom: "universal",
    }
}

/// The enumeration that holds a token.
fn home(token: &Token) -> &'static str {
    if token.kind == TokenKind::Color {
        "ThemeColors"
    } else {
        "ThemeMeasures"
    }
}

fn catalogue(path: &str, colors: Option<Vec<Entry>>) -> File {
    let contents = Contents {
        colors,
        info: Info {
            author: "xcode",
            version: 1,
        },
    };
    // The types hold nothing that JSON cannot.
    let text = serde_json::to_string_pretty(&contents).unwrap_or_default();
    File {
        path: path.to_owned(),
        text: text + "\n",
        head: 0,
    }
}

/// One entry for any appearance and one for dark, each with a wider one where it differs.
fn entries(token: &Token, level: Level) -> Vec<Entry> {
    let modes: &[Mode] = if token.is_modeless() {
        &[Mode::Light]
    } else {
        &Mode::BOTH
    };
    let mut out = Vec::with_capacity(2);
    for mode in modes {
        let Some(color) = token.cell(*mode).value.color() else {
            continue;
        };
        let entry = |gamut, color| entry(*mode, level, gamut, color);
        if color.p3.is_some() {
            out.push(entry(Some("sRGB"), narrow(color)));
            out.push(entry(Some("display-P3"), wide(color)));
        } else {
            out.push(entry(None, narrow(color)));
        }
    }
    out
}

fn narrow(color: &ColorValue) -> Shade {
    let [red, green, blue] = color.code.channels().map(|v| format!("0x{v:02X}"));
    let components = Components {
        red,
        green,
        blue,
        alpha: format!("{:.3}", color.alpha),
    };
    Shade {
        color_space: "srgb",
        components,
    }
}

fn wide(color: &ColorValue) -> Shade {
    let channels = color.widest().in_space(Space::DisplayP3);
    let [red, green, blue] = channels.map(|v| format!("{:.4}", v.clamp(0.0, 1.0)));
    let components = Components {
        red,
        green,
        blue,
        alpha: format!("{:.3}", color.alpha),
    };
    Shade {
        color_space: "display-p3",
        components,
    }
}

struct Swift;

impl CodeStyle for Swift {
    fn color(&self, color: &ColorValue) -> String {
        let [r, g, b] =
            [color.code.r, color.code.g, color.code.b].map(|v| decimal(f64::from(v) / 255.0));
        format!(
            "Color(.sRGB, red: {r}, green: {g}, blue: {b}, opacity: {})",
            decimal(color.alpha)
        )
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
        format!(
            "[{}]",
            names
                .iter()
                .map(|n| code::quoted(n, false))
                .collect::<Vec<_>>()
                .join(", ")
        )
    }

    fn member(&self, name: &str, kind: TokenKind, value: &str) -> String {
        let kind = match kind {
            TokenKind::Color => "Color",
            TokenKind::FontWeight => "Int",
            TokenKind::FontFamily => "[String]",
            TokenKind::Dimension => "CGFloat",
            TokenKind::Number => "Double",
        };
        format!("    public static let {name}: {kind} = {value}\n")
    }
}
