//! Resources and code of applications: XML and JSON by parsers, languages by their grammars.

use std::collections::HashMap;

use rhodon_theme::Mode;
use serde_json::{Value, json};

use super::support::{Made, camel, demo, theme};

/// `#AARRGGBB` or `0xAARRGGBB` as `#rrggbb[aa]`.
fn plain(argb: &str) -> String {
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

fn snake(path: &str) -> String {
    path.replace(['.', '-'], "_")
}

/// Colours of a resource file by name.
fn colors(xml: &str) -> HashMap<String, String> {
    let document = roxmltree::Document::parse(xml).unwrap();
    let colors = document.descendants().filter(|n| n.has_tag_name("color"));
    colors
        .map(|n| {
            (
                n.attribute("name").unwrap().to_owned(),
                plain(n.text().unwrap()),
            )
        })
        .collect()
}

#[test]
fn android_has_every_colour_by_day_and_by_night() {
    let demo = demo();
    let files = demo.files("android", &[]);
    let (day, night) = (colors(&files[0].text), colors(&files[1].text));
    for (path, code) in demo.colors(Mode::Light) {
        assert_eq!(day[&snake(path)], code, "{path}");
    }
    for (path, code) in demo.colors(Mode::Dark) {
        assert_eq!(
            night.get(&snake(path)).unwrap_or(&day[&snake(path)]),
            &code,
            "{path}"
        );
    }
}

#[test]
fn the_android_style_refers_only_to_what_is_there_and_leaves_no_bar_behind() {
    let files = demo().files("android", &[("style", "Theme.Ferry")]);
    let (day, night) = (colors(&files[0].text), colors(&files[1].text));
    let older = styled(&files[2].text);
    // Light bars, and a parent that follows the system's mode, are of later versions.
    assert!(older.iter().all(|(key, _)| !key.contains("windowLight")));
    assert!(
        files[2]
            .text
            .contains("parent=\"android:Theme.Material.Light\"")
    );
    let document = roxmltree::Document::parse(&files[3].text).unwrap();
    let style = document
        .descendants()
        .find(|n| n.has_tag_name("style"))
        .unwrap();
    assert_eq!(style.attribute("name"), Some("Theme.Ferry"));
    let mut set = Vec::new();
    for item in style.children().filter(|n| n.has_tag_name("item")) {
        set.push(item.attribute("name").unwrap());
        let text = item.text().unwrap();
        match text.split_once('/') {
            Some(("@color", name)) => {
                assert!(day.contains_key(name) && night.contains_key(name), "{name}")
            }
            Some(("@bool", name)) => {
                assert!(files[..2].iter().all(|f| f.text.contains(name)), "{name}")
            }
            other => panic!("{other:?}"),
        }
    }
    for attribute in [
        "android:statusBarColor",
        "android:navigationBarColor",
        "android:windowLightStatusBar",
    ] {
        assert!(set.contains(&attribute), "{attribute}");
    }
}

/// Attributes of the first style of a file.
fn styled(xml: &str) -> Vec<(String, String)> {
    let document = roxmltree::Document::parse(xml).unwrap();
    let items = document.descendants().filter(|n| n.has_tag_name("item"));
    let pair =
        |n: roxmltree::Node<'_, '_>| Some((n.attribute("name")?.to_owned(), n.text()?.to_owned()));
    items.filter_map(pair).collect()
}

/// A parent of the usual support library gets that library's attributes.
#[test]
fn the_support_library_has_attributes_without_a_prefix() {
    let set = [("parent", "Theme.Support.DayNight.NoActionBar")];
    let files = demo().files("android", &set);
    for file in &files[2..] {
        let items = styled(&file.text);
        let value = |key: &str| {
            items
                .iter()
                .find(|(k, _)| k == key)
                .map(|(_, v)| v.as_str())
        };
        assert_eq!(value("colorPrimary"), Some("@color/primary_fill"));
        assert_eq!(value("colorOnPrimary"), Some("@color/primary_fill_text"));
        assert_eq!(value("android:colorPrimary"), None);
        assert_eq!(value("android:statusBarColor"), Some("@color/bar_fill"));
    }
}

/// A list of faces is no resource; sizes of text that were relative to the reader's stay so.
#[test]
fn faces_are_left_out_of_android_and_said_so() {
    let theme = theme(
        json!({ "tokens": { "ferry.gap": { "kind": "dimension", "value": "4px" }, "ferry.note": { "kind": "dimension", "value": "0.75rem" } } }),
    );
    let output = theme.export("android", &[]).unwrap();
    let told = output
        .warnings
        .iter()
        .any(|w| w.token == "type.family.body" && w.message.contains("font files"));
    let text = &output.files[2].text;
    assert!(told && !text.contains("type_family_body"));
    assert!(text.contains("<dimen name=\"ferry_gap\">4dp</dimen>"));
    assert!(text.contains("<dimen name=\"ferry_note\">12sp</dimen>"));
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
