//! `site-styles`, as the host of a block theme reads it: presets and custom values become custom properties,
//! and what is painted refers to them.

use std::collections::{BTreeSet, HashSet};

use rhodon_color::{Color, contrast_ratio};
use rhodon_formats::{Source, Stamp, find};
use rhodon_theme::{Document, Resolved, derive};
use serde_json::{Value, json};

use super::support::{Made, demo, theme};

/// The files by their path, parsed.
fn parsed(made: &Made, set: &[(&str, &str)]) -> Vec<(String, Value)> {
    let files = made.files("site-styles", set).into_iter();
    files
        .map(|f| (f.path, serde_json::from_str(&f.text).unwrap()))
        .collect()
}

/// The custom properties that the host makes of settings, with their values.
fn properties(file: &Value) -> Vec<(String, String)> {
    let settings = &file["settings"];
    let mut out = Vec::new();
    for (kind, list, key) in [
        ("color", &settings["color"]["palette"], "color"),
        ("gradient", &settings["color"]["gradients"], "gradient"),
        (
            "font-family",
            &settings["typography"]["fontFamilies"],
            "fontFamily",
        ),
        ("font-size", &settings["typography"]["fontSizes"], "size"),
    ] {
        for entry in list.as_array().unwrap() {
            let text = |key: &str| {
                entry[key]
                    .as_str()
                    .unwrap_or_else(|| panic!("{key} of {entry}"))
                    .to_owned()
            };
            assert!(!text("name").is_empty());
            out.push((format!("preset--{kind}--{}", text("slug")), text(key)));
        }
    }
    for (key, value) in settings["custom"].as_object().unwrap() {
        let value = value
            .as_str()
            .map_or_else(|| value.to_string(), str::to_owned);
        out.push((format!("custom--{key}"), value));
    }
    out
}

/// A value of the styles as it is painted: `var:custom|text-main` is that property.
fn painted(file: &Value, keys: &[&str]) -> String {
    let value = keys.iter().fold(&file["styles"], |value, key| &value[key]);
    let text = value
        .as_str()
        .unwrap_or_else(|| panic!("{keys:?}"))
        .to_owned();
    match text.strip_prefix("var:") {
        Some(name) => {
            let name = name.replace('|', "--");
            let known = properties(file)
                .into_iter()
                .find(|(known, _)| *known == name);
            known.unwrap_or_else(|| panic!("{name} is not declared")).1
        }
        None => text,
    }
}

fn texts<'a>(value: &'a Value, out: &mut Vec<&'a str>) {
    match value {
        Value::String(text) => out.push(text),
        Value::Array(all) => all.iter().for_each(|one| texts(one, out)),
        Value::Object(all) => all.values().for_each(|one| texts(one, out)),
        _ => {}
    }
}

#[test]
fn everything_that_is_asked_for_is_declared_under_the_same_slugs_in_every_variation() {
    let demo = demo();
    for set in [
        &[][..],
        &[("palette", "all")],
        &[("palette", "brand"), ("groups", "roles")],
    ] {
        let files = parsed(&demo, set);
        let slugs = |file: &Value| {
            properties(file)
                .into_iter()
                .map(|(name, _)| name)
                .collect::<BTreeSet<_>>()
        };
        let usual = slugs(&files[0].1);
        for (path, file) in &files {
            let listed: Vec<_> = properties(file);
            let once: HashSet<_> = listed.iter().map(|(name, _)| name).collect();
            assert_eq!(once.len(), listed.len(), "{path}");
            assert_eq!(slugs(file), usual, "{path}");
            let mut asked = Vec::new();
            texts(&file["styles"], &mut asked);
            for name in asked.iter().filter_map(|text| text.strip_prefix("var:")) {
                let name = name.replace('|', "--");
                assert!(usual.contains(&name), "{path}: {name}");
            }
            assert_eq!(file["version"], 3);
        }
    }
    let palette = |set: &[(&str, &str)]| {
        parsed(&demo, set)[0].1["settings"]["color"]["palette"]
            .as_array()
            .unwrap()
            .len()
    };
    let (some, all) = (
        palette(&[("palette", "brand")]),
        palette(&[("palette", "all")]),
    );
    assert!(some < 8 && all > 150, "{some} {all}");
}

/// Hosts hold letters and digits of keys apart: what is so already stays.
#[test]
fn keys_are_as_the_host_writes_them() {
    let made = theme(json!({
        "brand": [{ "name": "Danger 2", "slug": "danger2", "color": "#b3123a" }],
        "scales": { "danger2": { "alpha": [8] } },
    }));
    let file = &parsed(&made, &[("palette", "all")])[0].1;
    for (name, _) in properties(file) {
        let mut pairs = name.chars().zip(name.chars().skip(1));
        let joined =
            pairs.any(|(a, b)| a != '-' && b != '-' && a.is_ascii_digit() != b.is_ascii_digit());
        assert!(!joined && name == name.to_lowercase(), "{name}");
    }
}

#[test]
fn texts_and_buttons_read_in_every_variation_whatever_the_brand() {
    for brand in ["#0f5c7a", "#ffd400", "#101010", "#7b2ff7", "#e9f4ff"] {
        let made = theme(json!({ "brand": [{ "name": "P", "color": brand }] }));
        for (path, file) in parsed(&made, &[]) {
            let code = |keys: &[&str]| Color::parse(&painted(&file, keys)).unwrap().to_rgb8();
            let page = ["color", "background"];
            let pairs: [(&[&str], &[&str]); 8] = [
                (&["color", "text"], &page),
                (&["elements", "heading", "color", "text"], &page),
                (&["elements", "link", "color", "text"], &page),
                (&["elements", "link", ":hover", "color", "text"], &page),
                (&["elements", "caption", "color", "text"], &page),
                (
                    &["elements", "button", "color", "text"],
                    &["elements", "button", "color", "background"],
                ),
                (
                    &["elements", "button", ":hover", "color", "text"],
                    &["elements", "button", ":hover", "color", "background"],
                ),
                (
                    &["blocks", "core/code", "color", "text"],
                    &["blocks", "core/code", "color", "background"],
                ),
            ];
            for (text, ground) in pairs {
                let ratio = contrast_ratio(code(text), code(ground));
                assert!(ratio >= 4.5, "{brand} {path} {text:?}: {ratio}");
            }
            let is_dark = path.contains("-dark");
            let scheme = if is_dark {
                "color-scheme: dark"
            } else {
                "color-scheme: light"
            };
            assert!(painted(&file, &["css"]).contains(scheme), "{path}");
            assert_eq!(code(&page).to_oklch().l < 0.5, is_dark, "{path}");
        }
    }
}

#[test]
fn headings_grow_towards_the_first_and_faces_are_quoted() {
    let made = theme(json!({ "type": { "heading": ["Harbour Grotesk", "serif"] } }));
    let output = made.export("site-styles", &[]).unwrap();
    // Settings in JSON load no face: that is told.
    assert!(
        output
            .warnings
            .iter()
            .any(|w| w.message.contains("Harbour Grotesk")),
        "{:?}",
        output.warnings
    );
    let file: Value = serde_json::from_str(&output.files[0].text).unwrap();
    assert_eq!(
        painted(&file, &["elements", "heading", "typography", "fontFamily"]),
        "\"Harbour Grotesk\", serif"
    );
    let size = |key: &str| -> f64 {
        let text = painted(&file, &["elements", key, "typography", "fontSize"]);
        text.trim_end_matches("rem")
            .parse()
            .unwrap_or_else(|_| panic!("{text}"))
    };
    let sizes = ["h1", "h2", "h3", "h4", "h5", "h6"].map(size);
    assert!(
        sizes.is_sorted_by(|a, b| a >= b) && sizes[0] > sizes[5],
        "{sizes:?}"
    );
}

#[test]
fn each_theme_beside_it_has_its_own_variations() {
    let made = theme(json!({}));
    let other = json!({ "format": 1, "name": "Tern", "brand": [{ "name": "P", "slug": "p", "color": "#a33a1e" }] });
    let other = derive(&Resolved::alone(Document::read(&other).unwrap())).unwrap();
    let stamp = Stamp::default();
    let source = Source {
        beside: &[&other],
        ..Source::alone(&made.decided, &made.derived, &stamp)
    };
    let target = find("site-styles").unwrap();
    let files = target
        .export(&source, target.settings([]).unwrap())
        .unwrap()
        .files;
    let paths: Vec<&str> = files.iter().map(|f| f.path.as_str()).collect();
    let styles = ["tern", "tern-dark", "tern-more", "tern-dark-more"];
    let others = ["tern-2", "tern-2-dark", "tern-2-more", "tern-2-dark-more"];
    let styles: Vec<String> = styles
        .iter()
        .chain(&others)
        .map(|s| format!("site-styles/styles/{s}.json"))
        .collect();
    assert_eq!(paths[0], "site-styles/theme.json");
    assert_eq!(paths[1..], styles);
    let parsed: Vec<Value> = files
        .iter()
        .map(|f| serde_json::from_str(&f.text).unwrap())
        .collect();
    let fill = |at: usize| painted(&parsed[at], &["elements", "button", "color", "background"]);
    assert_eq!(
        (fill(1), fill(5)),
        ("#0f5c7a".to_owned(), "#a33a1e".to_owned())
    );
    assert_eq!(parsed[2]["title"], "Tern, dark");
}

/// The value that a rule of a sheet sets, as the browser comes to it.
fn drawn(file: &Value, selector: &str, property: &str) -> String {
    let sheet = file["styles"]["css"].as_str().unwrap();
    let rule = sheet
        .split_inclusive('}')
        .find(|rule| rule.trim().starts_with(selector))
        .unwrap_or_else(|| panic!("no rule for {selector}"));
    let (_, sets) = rule.trim_end_matches('}').rsplit_once('{').unwrap();
    let set = sets
        .split(';')
        .find_map(|set| set.trim().strip_prefix(property)?.strip_prefix(':'))
        .unwrap_or_else(|| panic!("{property} of {selector}"));
    let name = set.split("var(--wp--").nth(1).unwrap_or_default();
    let name = name.trim_end_matches(')');
    let known = properties(file)
        .into_iter()
        .find(|(known, _)| known == name);
    known
        .unwrap_or_else(|| panic!("{name:?} is not declared"))
        .1
}

#[test]
fn what_browsers_draw_reads_and_gives_way_to_the_theme_of_the_site() {
    for brand in ["#0f5c7a", "#ffd400", "#101010"] {
        let made = theme(json!({ "brand": [{ "name": "P", "color": brand }] }));
        for (path, file) in parsed(&made, &[]) {
            let code = |selector, property| {
                Color::parse(&drawn(&file, selector, property))
                    .unwrap()
                    .to_rgb8()
            };
            let fields = ":where(input:not(";
            let ground = code(fields, "background-color");
            for (text, on, least) in [
                (code(fields, "color"), ground, 4.5),
                (
                    code(":where(input, textarea)::placeholder", "color"),
                    ground,
                    4.5,
                ),
                (code(fields, "border"), ground, 3.0),
                (
                    code(":where(input, select, textarea):focus", "outline"),
                    ground,
                    3.0,
                ),
                (
                    code(":root { accent", "accent-color"),
                    Color::parse(&painted(&file, &["color", "background"]))
                        .unwrap()
                        .to_rgb8(),
                    3.0,
                ),
                (
                    code("::selection", "color"),
                    code("::selection", "background-color"),
                    4.5,
                ),
            ] {
                let ratio = contrast_ratio(text, on);
                assert!(ratio >= least, "{brand} {path} {text} on {on}: {ratio}");
            }
        }
    }
    // Where exports carry no roles, codes stand in the rules.
    let made = theme(json!({ "brand": [{ "name": "P", "color": "#0f5c7a" }] }));
    let sheet = parsed(&made, &[("groups", "scales")])[0].1["styles"]["css"].to_string();
    assert!(
        !sheet.contains("var(") && sheet.contains("accent-color: #0f5c7a"),
        "{sheet}"
    );
}
