//! Resources and code of applications: XML and JSON by parsers, languages by their grammars.

use std::collections::HashMap;

use rhodon_theme::Mode;
use serde_json::{Value, json};

use super::support::{Made, camel, demo, theme};

/// `#AARRGGBB` or `0xAARRGGBB` as `#rrggbb[aa]`.
pub(super) fn plain(argb: &str) -> String {
    let digits = argb
        .trim_start_matches('#')
        .trim_start_matches("0x")
        .to_ascii_lowercase();
    let (alpha, code) = digits.split_at(2);
    if alpha == "ff" {
        format!("#{code}")
    } else {
        format!("#{code}{alpha}")
    }
}

/// The system tints controls and text with the accent colour, which reads in both modes.
#[test]
fn the_catalogue_has_an_accent_colour_and_swift_finds_it_in_a_package() {
    let dark = theme(json!({ "brand": [{ "name": "Navy", "slug": "navy", "color": "#001f3f" }] }));
    let files = dark.files("apple", &[]);
    let accent = files
        .iter()
        .find(|f| f.path.contains("AccentColor"))
        .unwrap();
    let found: serde_json::Value = serde_json::from_str(&accent.text).unwrap();
    let code = |at: usize| {
        let part = |key: &str| {
            found["colors"][at]["color"]["components"][key]
                .as_str()
                .unwrap()[2..]
                .to_lowercase()
        };
        let text = format!("#{}{}{}", part("red"), part("green"), part("blue"));
        text.parse::<rhodon_color::Rgb8>().unwrap()
    };
    for (at, mode) in [(0, Mode::Light), (1, Mode::Dark)] {
        let page = dark
            .derived
            .token("surface.base")
            .unwrap()
            .cell(mode)
            .value
            .color()
            .unwrap()
            .code;
        assert!(
            rhodon_color::contrast_ratio(code(at), page) >= 4.5,
            "{}",
            mode.id()
        );
    }
    let swift = &files.last().unwrap().text;
    assert!(swift.contains("#if SWIFT_PACKAGE\nprivate let themeBundle = Bundle.module"));
    assert!(!swift.contains("bundle: .main"));
}

/// `name = …0xAARRGGBB` between a title and the next closing bracket.
fn constants(text: &str, title: &str) -> HashMap<String, String> {
    let start = text.find(title).unwrap_or_else(|| panic!("{title}"));
    let body = &text[start..];
    let body = &body[..body.find("\n}").unwrap()];
    let mut out = HashMap::new();
    for line in body.lines() {
        if let (Some((before, _)), Some(at)) = (line.split_once(" = "), line.find("0x")) {
            out.insert(
                before.rsplit(' ').next().unwrap().to_owned(),
                plain(&line[at..at + 10]),
            );
        }
    }
    out
}

fn check_constants(theme: &Made, text: &str, [shared, light, dark]: [&str; 3]) {
    let shared = constants(text, shared);
    for (mode, title) in [(Mode::Light, light), (Mode::Dark, dark)] {
        let own = constants(text, title);
        for (path, code) in theme.colors(mode) {
            let name = camel(path);
            assert_eq!(
                own.get(&name).or(shared.get(&name)),
                Some(&code),
                "{path} {}",
                mode.id()
            );
        }
    }
}

#[test]
fn kotlin_and_dart_hold_every_colour_of_both_modes() {
    let demo = demo();
    check_constants(
        &demo,
        &demo.text("kotlin", &[]),
        [
            "object ThemeColors",
            "object LightColors",
            "object DarkColors",
        ],
    );
    check_constants(
        &demo,
        &demo.text("dart", &[]),
        ["class ThemeColors", "class LightColors", "class DarkColors"],
    );
}

/// Of each toolkit every style of text, none larger than one that stands above it, and plain text as large as the
/// theme says.
#[test]
fn styles_of_text_are_whole_and_in_order() {
    let set = json!({ "type": { "base": 18 } });
    for (target, size_of, plain_text) in [
        ("kotlin", "fontSize = ", "bodyLarge"),
        ("dart", "fontSize: ", "bodyMedium"),
    ] {
        let text = &theme(set.clone()).files(target, &[])[0].text;
        let styles = text.lines().filter_map(|line| {
            let (key, style) = line.trim().split_once(['=', ':'])?;
            let size = style.split_once(size_of)?.1;
            let end = size.find(|c: char| !c.is_ascii_digit() && c != '.')?;
            let size = size[..end].trim_end_matches('.');
            Some((key.trim(), size.parse::<f64>().unwrap()))
        });
        let styles: HashMap<&str, f64> = styles.collect();
        assert_eq!(styles.len(), 15, "{target}");
        assert_eq!(styles[plain_text], 18.0, "{target}");
        for group in ["display", "headline", "title", "body", "label"] {
            let [large, medium, small] =
                ["Large", "Medium", "Small"].map(|size| styles[&*format!("{group}{size}")]);
            assert!(large >= medium && medium >= small, "{target} {group}");
        }
    }
}

#[test]
fn the_schemes_differ_by_mode() {
    let demo = demo();
    let kotlin = demo.text("kotlin", &[("package", "com.brindle_sound.theme")]);
    assert!(kotlin.contains("package com.brindle_sound.theme\n"));
    assert!(
        kotlin.contains("val LightScheme = lightColorScheme(\n    primary = Color(0xFF0F5C7A),")
    );
    assert!(kotlin.contains("    surface = Color(0xFF151718),"));
    let dart = demo.text("dart", &[]);
    assert!(
        dart.contains(
            "const ColorScheme darkScheme = ColorScheme(\n  brightness: Brightness.dark,"
        )
    );
}

#[test]
fn a_weight_between_hundreds_is_told() {
    let theme = theme(json!({ "type": { "bold": 650 } }));
    let output = theme.export("dart", &[]).unwrap();
    assert_eq!(
        output
            .warnings
            .iter()
            .map(|w| w.token.as_str())
            .collect::<Vec<_>>(),
        ["type.weight.bold"]
    );
    assert!(
        output.files[0]
            .text
            .contains("typeWeightBold = FontWeight.w700;")
    );
    assert!(
        theme
            .text("kotlin", &[])
            .contains("typeWeightBold = FontWeight(650)")
    );
}

/// What a colour set of an asset catalogue must look like.
fn colour_set_schema() -> jsonschema::Validator {
    let schema: Value = serde_json::from_str(include_str!("schema/colorset.json")).unwrap();
    jsonschema::validator_for(&schema).unwrap()
}

#[test]
fn the_asset_catalogue_has_both_appearances_of_every_colour() {
    let demo = demo();
    let schema = colour_set_schema();
    let files = demo.files("apple", &[]);
    let swift = &files.last().unwrap().text;
    for token in demo
        .tokens()
        .filter(|t| t.cell(Mode::Light).value.color().is_some())
    {
        let name = camel(&token.path);
        let path = format!("Theme.xcassets/{name}.colorset/Contents.json");
        let file = files
            .iter()
            .find(|f| f.path == path)
            .unwrap_or_else(|| panic!("{path}"));
        let content: Value = serde_json::from_str(&file.text).unwrap();
        schema
            .validate(&content)
            .unwrap_or_else(|e| panic!("{path}: {e}"));
        let usual = |e: &&Value| !e["appearances"].to_string().contains("contrast");
        let entries = content["colors"].as_array().unwrap().iter();
        let entries: Vec<&Value> = entries.filter(usual).collect();
        assert_eq!(
            entries.len(),
            if token.is_modeless() { 1 } else { 2 },
            "{path}"
        );
        for (entry, mode) in entries.into_iter().zip(Mode::BOTH) {
            let part = |key: &str| {
                let text = entry["color"]["components"][key].as_str().unwrap();
                u8::from_str_radix(text.trim_start_matches("0x"), 16).unwrap()
            };
            let code = token.cell(mode).value.color().unwrap().code;
            assert_eq!(
                [part("red"), part("green"), part("blue")],
                code.channels(),
                "{path}"
            );
        }
        assert!(swift.contains(&format!(
            "let {name} = Color(\"{name}\", bundle: themeBundle)\n"
        )));
    }
}

#[test]
fn a_wide_colour_has_an_entry_for_wide_screens() {
    let theme =
        theme(json!({ "tokens": { "ferry.buoy": { "value": "color(display-p3 1 0.2 0)" } } }));
    let files = theme.files("apple", &[]);
    let file = files.iter().find(|f| f.path.contains("ferryBuoy")).unwrap();
    let content: Value = serde_json::from_str(&file.text).unwrap();
    colour_set_schema().validate(&content).unwrap();
    let wide = &content["colors"][1];
    assert_eq!(wide["display-gamut"], "display-P3");
    assert_eq!(
        wide["color"]["components"],
        json!({ "red": "1.0000", "green": "0.2000", "blue": "0.0000", "alpha": "1.000" })
    );
}

#[test]
fn pairs_hold_light_and_dark_of_every_token_and_every_widget() {
    let demo = demo();
    let content: Value = serde_json::from_str(&demo.text("pairs", &[])).unwrap();
    for (i, mode) in Mode::BOTH.into_iter().enumerate() {
        for (path, code) in demo.colors(mode) {
            assert_eq!(content["tokens"][path][i], json!(code), "{path}");
        }
    }
    assert_eq!(
        content["widgets"]["button"]["fill"],
        content["tokens"]["primary.fill"]
    );
    assert_eq!(content["widgets"]["field"]["radius"], json!(6.0));
    assert_eq!(
        content["widgets"]["button.danger"]["hover"],
        content["tokens"]["danger.fill-hover"]
    );
}
