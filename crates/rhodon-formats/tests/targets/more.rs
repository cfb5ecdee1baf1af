//! Targets for people who ask for more contrast: each consumer finds what the theme comes to there,
//! and what has no place is told.

use std::collections::HashMap;

use rhodon_formats::TARGETS;
use rhodon_formats::read::{InputFile, read};
use rhodon_theme::{Derived, Mode};
use serde_json::{Value, json};

use super::style;
use super::support::{Made, camel, demo, theme};

/// Path and value of what differs in a mode.
fn raised(theme: &Made, mode: Mode) -> HashMap<&str, String> {
    let cells = theme.derived.more.as_ref().unwrap().cells.iter();
    let here = cells.filter(|c| c.mode == mode);
    here.map(|c| (&*c.path, c.cell.value.to_string())).collect()
}

fn kebab(path: &str) -> String {
    path.replace('.', "-")
}

/// The demo where nothing is made for more contrast.
fn switched_off() -> Made {
    let mut spec = demo().decided.merged;
    spec.contrast.more = Some(false);
    Made::of(spec)
}

fn file(theme: &Made, id: &str, path: &str) -> Value {
    let files = theme.files(id, &[]);
    let found = files.iter().find(|f| f.path == path);
    serde_json::from_str(&found.unwrap_or_else(|| panic!("{path}")).text).unwrap()
}

#[test]
fn style_sheets_and_scripts_hold_exactly_what_differs() {
    let demo = demo();
    let answer = style::compiled(&demo);
    let flat = file(&demo, "json", "theme.json");
    for mode in Mode::BOTH {
        let expected = raised(&demo, mode);
        assert!(expected.len() > 30, "{}", expected.len());
        for language in ["sass", "less"] {
            let written = answer["more"][language][mode.id()].as_object().unwrap();
            assert_eq!(written.len(), expected.len(), "{language}");
            for (path, value) in &expected {
                let found = written[&kebab(path)].as_str().unwrap();
                assert_eq!(found, value, "{language} {path}");
            }
        }
        let written = flat["more"][mode.id()].as_object().unwrap();
        let by_name = expected
            .iter()
            .map(|(path, value)| (kebab(path), json!(value)));
        assert_eq!(*written, by_name.collect::<serde_json::Map<_, _>>());
    }
}

/// What a tool for modes does: the sources of a context over each other.
#[test]
fn the_resolver_gives_every_value_of_both_levels() {
    let demo = demo();
    let files = demo.files("tokens", &[]);
    let json = |path: &str| file(&demo, "tokens", path);
    let resolver = json("theme.resolver.json");
    let contexts = &resolver["modifiers"]["mode"]["contexts"];
    for mode in Mode::BOTH {
        for (level, context) in [
            (Some(&demo.derived), mode.id().to_owned()),
            (
                demo.derived.at_more().as_ref(),
                format!("{}-more", mode.id()),
            ),
        ] {
            let mut layers = vec![json("tokens.json")];
            let sources = contexts[&context].as_array().unwrap();
            layers.extend(sources.iter().map(|s| json(s["$ref"].as_str().unwrap())));
            for token in level.unwrap().tokens.iter().filter(|t| !t.omitted) {
                let Some(color) = token.cell(mode).value.color() else {
                    continue;
                };
                let found = resolved(&layers, &token.path);
                assert_eq!(
                    found["hex"],
                    json!(color.code.to_string()),
                    "{context} {}",
                    token.path
                );
            }
        }
    }
    assert_eq!(files.len(), 5);
}

/// The value of a token, through references, in the last layer that has it.
fn resolved<'a>(layers: &'a [Value], path: &str) -> &'a Value {
    let pointer = format!("/{}/$value", path.replace('.', "/"));
    let root = format!("/{}/$root/$value", path.replace('.', "/"));
    let at = |layer: &'a Value| layer.pointer(&pointer).or_else(|| layer.pointer(&root));
    let value = layers
        .iter()
        .rev()
        .find_map(at)
        .unwrap_or_else(|| panic!("{path}"));
    let alias = value
        .as_str()
        .and_then(|text| text.strip_prefix('{')?.strip_suffix('}'));
    alias.map_or(value, |alias| {
        resolved(layers, alias.trim_end_matches(".$root"))
    })
}

#[test]
fn what_was_changed_in_the_files_of_more_contrast_becomes_a_decision_of_that_level() {
    let demo = demo();
    let mut files: Vec<InputFile> = Vec::new();
    for f in demo.files("tokens", &[]) {
        let mut content: Value = serde_json::from_str(&f.text).unwrap();
        if f.path == "tokens.dark-more.json" {
            content["text"]["muted"]["$value"] = json!("{slate.50}");
        }
        files.push(InputFile::text(f.path, content.to_string()));
    }
    // With the resolver, and by the names of the files alone.
    for given in [&files[..], &files[..4]] {
        let import = read(given);
        assert_eq!(
            (import.problems.len(), import.notes.len()),
            (0, 0),
            "{:?}",
            import.notes
        );
        let mut expected = demo.decided.merged.to_json();
        expected["contrast"] = json!({ "roles": { "text.muted": { "dark": "{slate.50}" } } });
        let mut found = import.spec.unwrap().to_json();
        if found["contrast"]["more"] == json!(true) {
            expected["contrast"]["more"] = json!(true);
        }
        assert_eq!(
            found.as_object_mut().unwrap().remove("contrast"),
            expected.as_object_mut().unwrap().remove("contrast")
        );
        assert_eq!(found, expected);
    }
}

/// What is wrong in a file of more contrast is told at its place, and the rest is read.
#[test]
fn damage_in_the_files_of_more_contrast_is_told_and_loses_nothing_else() {
    let demo = demo();
    for (damage, told) in [
        (json!("no colour"), "text.muted"),
        (json!("{nowhere.50}"), "text.muted"),
        (
            json!({ "colorSpace": "srgb", "components": [2] }),
            "text.muted",
        ),
    ] {
        let files = demo.files("tokens", &[]).into_iter().map(|f| {
            let mut content: Value = serde_json::from_str(&f.text).unwrap();
            if f.path == "tokens.light-more.json" {
                content["text"]["muted"]["$value"] = damage.clone();
            }
            InputFile::text(f.path, content.to_string())
        });
        let import = read(&files.collect::<Vec<_>>());
        assert_eq!(import.problems.len(), 1, "{damage}: {:?}", import.problems);
        let problem = &import.problems[0];
        assert_eq!(problem.file, "tokens.light-more.json");
        assert!(problem.place.contains(told), "{problem:?}");
        assert_eq!(import.spec.unwrap(), demo.decided.merged, "{damage}");
    }
}

#[test]
fn a_catalogue_has_the_appearances_of_high_contrast() {
    let demo = demo();
    let more = demo.derived.at_more().unwrap();
    let files = demo.files("apple", &[]);
    for path in ["text.muted", "border.subtle", "primary.fill"] {
        let name = format!("Theme.xcassets/{}.colorset/Contents.json", camel(path));
        let found = files.iter().find(|f| f.path == name).unwrap();
        let content: Value = serde_json::from_str(&found.text).unwrap();
        let (usual, more) = (demo.derived.token(path).unwrap(), more.token(path).unwrap());
        let entries = content["colors"].as_array().unwrap();
        for mode in Mode::BOTH {
            let shown = chosen(entries, mode);
            assert_eq!(
                shown,
                more.cell(mode).value.color().unwrap().code.channels(),
                "{path}"
            );
        }
        assert_eq!(
            entries.len(),
            if usual.cells == more.cells { 2 } else { 4 },
            "{path}"
        );
    }
}

/// What a system in a mode with more contrast shows: the entry with most of its appearances.
fn chosen(entries: &[Value], mode: Mode) -> [u8; 3] {
    let asked = ["light", "dark"][mode as usize];
    let fits = |entry: &&Value| {
        let all = entry["appearances"].as_array().cloned().unwrap_or_default();
        all.iter()
            .all(|a| a["value"] == asked || a["value"] == "high")
    };
    let weight = |entry: &&Value| entry["appearances"].as_array().map_or(0, Vec::len);
    let entry = entries.iter().filter(fits).max_by_key(weight).unwrap();
    ["red", "green", "blue"].map(|key| {
        let text = entry["color"]["components"][key].as_str().unwrap();
        u8::from_str_radix(text.trim_start_matches("0x"), 16).unwrap()
    })
}

/// The text of a block, from its title to the line that ends it.
fn block<'a>(text: &'a str, title: &str, end: &str) -> &'a str {
    let from = text.find(title).unwrap_or_else(|| panic!("{title}"));
    let rest = &text[from..];
    &rest[..rest.find(end).unwrap()]
}

#[test]
fn apps_have_schemes_and_constants_of_both_levels() {
    let demo = demo();
    for (id, scheme) in [
        ("dart", "ColorScheme lightMoreScheme"),
        ("kotlin", "val LightMoreScheme"),
    ] {
        let text = demo.text(id, &[]);
        for (mode, class) in [
            (Mode::Light, " LightMoreColors {"),
            (Mode::Dark, " DarkMoreColors {"),
        ] {
            let own = block(&text, class, "\n}");
            let expected = raised(&demo, mode);
            assert_eq!(own.matches("Color(0x").count(), expected.len(), "{id}");
            for (path, value) in expected {
                let code = value[1..7].to_uppercase();
                assert!(
                    own.contains(&format!("{} = Color(0xFF{code})", camel(path))),
                    "{id} {path}"
                );
            }
        }
        let muted = &raised(&demo, Mode::Light)["text.muted"][1..].to_uppercase();
        assert!(block(&text, scheme, "\n)").contains(muted), "{id}");
    }
}

#[test]
fn widgets_of_a_desktop_come_in_both_levels() {
    let demo = demo();
    let content = file(&demo, "pairs", "theme.pairs.json");
    let more = demo.derived.at_more().unwrap();
    let pair = |theme: &Derived, path: &str| {
        let token = theme.token(path).unwrap();
        json!(Mode::BOTH.map(|mode| token.cell(mode).value.to_string()))
    };
    for (path, value) in content["more"]["tokens"].as_object().unwrap() {
        assert_eq!(*value, pair(&more, path));
        assert_ne!(*value, pair(&demo.derived, path), "{path}");
    }
    let field = |level: &Value| level["widgets"]["field"]["border"].clone();
    assert_eq!(field(&content), pair(&demo.derived, "border.strong"));
    assert_eq!(field(&content["more"]), pair(&more, "border.strong"));
}

#[test]
fn what_has_no_place_for_more_contrast_says_so_by_name() {
    let demo = demo();
    let names: Vec<&str> = raised(&demo, Mode::Light).into_keys().collect();
    let mut silent = Vec::new();
    for target in TARGETS {
        let output = demo.export(target.id, &[]).unwrap();
        let told = |path: &&str| {
            let left = output
                .warnings
                .iter()
                .filter(|w| w.message.contains("more contrast"));
            left.into_iter().any(|w| w.token == **path)
        };
        match names.iter().filter(|path| told(path)).count() {
            0 => silent.push(target.id),
            told => assert_eq!(told, names.len(), "{}", target.id),
        }
    }
    assert_eq!(
        silent,
        [
            "css",
            "css-classes",
            "css-components",
            "switch",
            "sass",
            "less",
            "tokens",
            "typescript",
            "json",
            "utility-js",
            "utility-css",
            "kotlin",
            "apple",
            "dart",
            "pairs",
            "site-css",
            "site-styles",
            "spec"
        ]
    );
}

/// Where the level is switched off nothing tells of it.
#[test]
fn without_the_level_nothing_of_it_is_written() {
    let off = switched_off();
    for target in TARGETS {
        let output = off.export(target.id, &[]).unwrap();
        assert!(
            output
                .warnings
                .iter()
                .all(|w| !w.message.contains("more contrast"))
        );
        for file in output
            .files
            .iter()
            .filter(|_| !["spec", "tokens"].contains(&target.id))
        {
            for word in [
                "contrast: more",
                "-more",
                "MoreColors",
                "\"more\"",
                "const more",
                "--usual",
                "\"high\"",
            ] {
                assert!(!file.text.contains(word), "{} {word}", file.path);
            }
        }
    }
}

#[test]
fn an_own_token_with_the_name_of_the_switchs_choice_is_told() {
    let own = theme(json!({ "tokens": { "more": { "value": "#123456" } } }));
    let error = own.export("switch", &[]).unwrap_err().to_string();
    assert!(
        error.contains("more and the choice of contrast would both be named more"),
        "{error}"
    );
}
