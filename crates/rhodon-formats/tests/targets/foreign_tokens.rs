//! Design tokens that others wrote.

use rhodon_theme::Document;
use serde_json::json;

use super::support::Made;
use super::tokens::{read, read_back, written};

/// A set of files as another program has them.
fn foreign() -> Vec<(&'static str, String)> {
    let core = json!({
        "Palette": {
            "$type": "color",
            "Deep Sea": {
                "50": { "$value": { "colorSpace": "srgb", "components": [0.93725, 0.97255, 0.99216] } },
                "500": { "$value": "#0f5c7a", "$description": "The boats' hulls" },
                "900": { "$value": "oklch(0.25 0.04 230)" },
            },
            "Flare": { "$value": { "colorSpace": "display-p3", "components": [1, 0.2, 0], "alpha": 0.5 } },
            "Gold": { "$value": { "colorSpace": "hsl", "components": [45, 90, "none"] } },
        },
        "space": { "$type": "dimension", "s": { "$value": { "value": 4, "unit": "px" } }, "m": { "$value": "0.5rem" } },
        "font": {
            "text": { "$type": "fontFamily", "$value": ["Harbour Grotesk", "serif"] },
            "strong": { "$type": "fontWeight", "$value": "semi-bold" },
        },
        "motion": { "$type": "duration", "quick": { "$value": { "value": 120, "unit": "ms" } } },
        "ratio": { "$type": "number", "golden": { "$value": 1.618 } },
    });
    let roles = json!({
        "page": { "ground": { "$value": "{Palette.Deep Sea.50}" }, "hull": { "$value": { "$ref": "#/Palette/Deep Sea/500/$value" } } },
        "text": { "loud": { "$type": "color", "$value": "{page.hull}" } },
        "entry": { "$extends": "{page}", "hull": { "$type": "color", "$value": "#123456" } },
    });
    let dark =
        json!({ "page": { "ground": { "$type": "color", "$value": "{Palette.Deep Sea.900}" } } });
    vec![
        ("core.json", core.to_string()),
        ("roles.json", roles.to_string()),
        ("roles.dark.json", dark.to_string()),
    ]
}

#[test]
fn foreign_tokens_become_own_ones_with_their_references_and_types() {
    let import = read(&foreign());
    assert_eq!(import.problems, []);
    let spec = import.spec.unwrap().to_json();
    for (path, expected) in [
        ("palette.deep-sea.50", json!({ "value": "#eff8fd" })),
        (
            "palette.deep-sea.500",
            json!({ "value": "#0f5c7a", "description": "The boats' hulls" }),
        ),
        (
            "palette.deep-sea.900",
            json!({ "value": "oklch(0.25 0.04 230)" }),
        ),
        (
            "palette.flare",
            json!({ "value": "color(display-p3 1 0.2 0 / 0.5)" }),
        ),
        ("palette.gold", json!({ "value": "hsl(45 90% none)" })),
        ("space.s", json!({ "kind": "dimension", "value": "4px" })),
        ("space.m", json!({ "kind": "dimension", "value": "0.5rem" })),
        (
            "font.text",
            json!({ "kind": "fontFamily", "value": "Harbour Grotesk, serif" }),
        ),
        (
            "font.strong",
            json!({ "kind": "fontWeight", "value": "600" }),
        ),
        (
            "ratio.golden",
            json!({ "kind": "number", "value": "1.618" }),
        ),
        (
            "page.ground",
            json!({ "light": "{palette.deep-sea.50}", "dark": "{palette.deep-sea.900}" }),
        ),
        ("page.hull", json!({ "value": "{palette.deep-sea.500}" })),
        ("file-text.loud", json!({ "value": "{page.hull}" })),
        ("entry.ground", json!({ "value": "{palette.deep-sea.50}" })),
        ("entry.hull", json!({ "value": "#123456" })),
    ] {
        assert_eq!(spec["tokens"][path], expected, "{path}");
    }
    assert_eq!(
        spec["kept"]["motion.quick"],
        json!({ "$value": { "value": 120, "unit": "ms" }, "$type": "duration" })
    );
    let brand: Vec<&str> = spec["brand"]
        .as_array()
        .unwrap()
        .iter()
        .map(|b| b["name"].as_str().unwrap())
        .collect();
    assert_eq!(brand[0], "Deep Sea", "{brand:?}");
    assert!(
        import
            .notes
            .contains(&"text.loud is now file-text.loud".to_owned()),
        "{:?}",
        import.notes
    );
}

#[test]
fn what_foreign_files_hold_comes_out_again_and_in_again() {
    let spec = read(&foreign()).spec.unwrap();
    let made = Made::of(spec.clone());
    let files = written(&made, "tokens");
    assert!(files[0].1.contains("\"duration\""));
    assert_eq!(read_back(&files), spec);
}

#[test]
fn a_resolver_says_which_file_is_for_which_mode() {
    let mut files = foreign();
    files[2].0 = "night.json";
    files.push(("theme.resolver.json", json!({
        "version": "2025.10",
        "sets": { "core": { "sources": [{ "$ref": "./core.json" }, { "$ref": "./roles.json" }] } },
        "modifiers": {
            "scheme": { "contexts": { "light": [], "dark": [{ "$ref": "night.json" }] }, "default": "light" },
            "density": { "contexts": { "cosy": [{ "space": { "s": { "$type": "dimension", "$value": "6px" } } }], "tight": [] }, "default": "cosy" },
        },
        "resolutionOrder": [{ "$ref": "#/sets/core" }, { "$ref": "#/modifiers/scheme" }, { "$ref": "#/modifiers/density" }],
    }).to_string()));
    let import = read(&files);
    assert_eq!(import.problems, []);
    let spec = import.spec.unwrap().to_json();
    assert_eq!(
        spec["tokens"]["page.ground"]["dark"],
        "{palette.deep-sea.900}"
    );
    assert_eq!(spec["tokens"]["space.s"]["value"], "6px");
}

/// One bad value each: it is named with its place, and the rest is read.
#[test]
fn problems_name_the_file_and_the_path_and_the_rest_is_read() {
    for (bad, expected) in [
        (
            json!({ "$type": "color", "$value": "bleu" }),
            "file.json: a.bad: \"bleu\": ",
        ),
        (
            json!({ "$type": "color", "$value": 7 }),
            "file.json: a.bad: expected a colour as an object or as CSS text",
        ),
        (
            json!({ "$type": "color", "$value": { "components": [0, 0, 0] } }),
            "file.json: a.bad: expected a colour with a colorSpace",
        ),
        (
            json!({ "$type": "color", "$value": { "colorSpace": "srgb", "components": [0, 0] } }),
            "file.json: a.bad: expected a colour with three components",
        ),
        (
            json!({ "$type": "color", "$value": { "colorSpace": "cmyk", "components": [0, 0, 0] } }),
            "file.json: a.bad: no colour space \"cmyk\"",
        ),
        (
            json!({ "$type": "color", "$value": "{a.none}" }),
            "file.json: a.bad: no token \"a.none\" to refer to",
        ),
        (
            json!({ "$type": "dimension", "$value": { "value": 1, "unit": "em" } }),
            "file.json: a.bad: expected a length in px or rem",
        ),
        (
            json!({ "$type": "fontWeight", "$value": 1001 }),
            "file.json: a.bad: expected a font weight from 1 to 1000",
        ),
        (
            json!({ "$type": "number", "$value": "many" }),
            "file.json: a.bad: expected a number",
        ),
        (
            json!({ "$type": 5, "$value": "#fff" }),
            "file.json: a.bad: expected $type to be text",
        ),
        (
            json!("no token"),
            "file.json: a.bad: expected a token or a group, found neither",
        ),
    ] {
        let file =
            json!({ "a": { "good": { "$type": "color", "$value": "#0f5c7a" }, "bad": bad } });
        let import = read(&[("file.json", file.to_string())]);
        let told: Vec<String> = import.problems.iter().map(ToString::to_string).collect();
        assert!(
            told.len() == 1 && told[0].starts_with(expected),
            "{bad}: {told:?}"
        );
        assert_eq!(
            import.spec.unwrap().to_json()["tokens"]["a.good"]["value"],
            "#0f5c7a"
        );
    }
}

/// What contradicts the rest is dropped with what hangs on it, each told; the rest makes a theme.
#[test]
fn circles_and_references_to_another_type_are_told_and_the_rest_is_read() {
    let file = json!({
        "ok": { "$type": "color", "$value": "#0f5c7a" },
        "a": { "$type": "color", "$value": "{b}" },
        "b": { "$type": "color", "$value": "{a}" },
        "size": { "$type": "dimension", "$value": { "value": 4, "unit": "px" } },
        "wrong": { "$type": "color", "$value": "{size}" },
        "after": { "$type": "color", "$value": "{wrong}" },
        "nul": { "$type": "note", "$value": "a\u{0}b" },
        "plain": { "$type": "note", "$value": "the text \\u0000 is none" },
    });
    let import = read(&[("file.json", file.to_string())]);
    let told: Vec<String> = import.problems.iter().map(ToString::to_string).collect();
    for path in ["a", "b", "wrong", "after"] {
        assert!(
            told.iter()
                .any(|t| t.starts_with(&format!("theme: /tokens/{path}: "))),
            "{path}: {told:?}"
        );
    }
    assert!(
        told.contains(&"file.json: nul: expected text without the character U+0000".to_owned()),
        "{told:?}"
    );
    let spec = import.spec.unwrap();
    assert_eq!(
        spec.tokens.keys().map(|p| p.as_str()).collect::<Vec<_>>(),
        ["file-ok", "size"]
    );
    assert_eq!(
        spec.kept.keys().map(|p| p.as_str()).collect::<Vec<_>>(),
        ["plain"]
    );
    assert_eq!(Document::read(&spec.to_json()), Ok(spec));
}

#[test]
fn names_that_fold_to_one_are_told_with_both() {
    let file = json!({ "$type": "color", "Deep Sea": { "$value": "#0f5c7a" }, "deep-sea": { "$value": "#123" } });
    let import = read(&[("file.json", file.to_string())]);
    assert_eq!(
        import.problems[0].to_string(),
        "file.json: deep-sea: it and Deep Sea would both be named file-deep-sea: expected different names"
    );
}

#[test]
fn files_that_hold_no_theme_are_refused_with_a_reason() {
    for (files, expected) in [
        (vec![], "files: expected at least one file"),
        (
            vec![("a.json", "{".to_owned())],
            "a.json: expected JSON, found text that breaks off at line 1 column 1",
        ),
        (
            vec![("a.json", "PNG".to_owned())],
            "a.json: expected JSON, found a mistake at line 1 column 1: expected value",
        ),
        (
            vec![("a.json", "[]".to_owned())],
            "a.json: expected an object of tokens and groups",
        ),
        (
            vec![(
                "a.json",
                json!({ "n": { "$type": "number", "$value": 1 } }).to_string(),
            )],
            "a.json: expected at least one opaque colour",
        ),
        (
            vec![(
                "a.json",
                json!({ "format": 1, "name": "T", "brand": [{ "name": "P", "color": "bleu" }] })
                    .to_string(),
            )],
            "a.json: /brand/0/color: \"bleu\": ",
        ),
        (
            vec![(
                "a.json",
                json!({ "resolutionOrder": [{ "$ref": "#/sets/none" }] }).to_string(),
            )],
            "a.json: #/resolutionOrder/0: expected a set or modifier",
        ),
    ] {
        let import = read(&files);
        assert_eq!(import.spec, None);
        let told = import
            .problems
            .first()
            .map(ToString::to_string)
            .unwrap_or_default();
        assert!(told.starts_with(expected), "{told}");
    }
}
