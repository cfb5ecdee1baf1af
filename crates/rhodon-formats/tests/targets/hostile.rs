//! Hostile names through every target: either the files are safe, or an error names what clashes.

use proptest::prelude::*;
use rhodon_formats::TARGETS;
use rhodon_theme::Document;
use serde_json::{Value, json};

use super::support::{Made, demo, folder, lay, node, parse, theme};

/// Texts that end comments, strings and elements, that other scripts write, and that are long.
const TEXTS: [&str; 18] = [
    "'\\1 ",
    "'quay\\fffe side'",
    "*/ \"quotes\" </x> {{ }}",
    "--> <!-- ]]>",
    "'; DROP TABLE themes; --",
    "#{1 + 1} @{x} ${y} \\(z) `w`",
    "\\ \\\\ \\\"",
    "</script><script>alert(1)</script>",
    "?> <?php echo 1;",
    "{petrol.600}",
    "class",
    "2nd berth",
    "Ærø Næs",
    "Паром",
    "連絡船",
    "عبّارة",
    "🚢⛴️",
    "\u{202e}evil\u{2028}line\u{feff}",
];

/// A theme that says a text everywhere it may.
fn everywhere(text: &str) -> Made {
    let family: String = text.chars().take(100).collect();
    theme(json!({
        "name": text,
        "brand": [
            { "name": text, "slug": "p", "color": "#0f5c7a" },
            { "name": "Second", "slug": "class", "color": "#8a9a2b" },
        ],
        "type": { "body": [family, "serif"], "heading": [family] },
        "tokens": {
            "ferry.wake": { "value": "#abcdef", "description": text },
            "ferry.class": { "value": "{class.600}" },
            "ferry.2nd": { "light": "#111", "dark": "#222" },
            "ferry.default": { "kind": "dimension", "value": "4px" },
            "ferry.face": { "kind": "fontFamily", "value": "serif" },
        },
        "kept": { "motion.in": { "$type": text, "$value": text } },
    }))
}

fn long() -> String {
    "Long ".repeat(40)
}

#[test]
fn texts_are_safe_in_every_target() {
    let long = long();
    for text in TEXTS.iter().copied().chain([long.as_str()]) {
        let theme = everywhere(text);
        for target in TARGETS {
            let files = theme.files(target.id, &[]);
            for file in &files {
                parse(file).unwrap_or_else(|e| panic!("{}: {text:?}: {e}", target.id));
                check_comment(&file.path, &file.text);
            }
        }
    }
}

/// The comment at the head is the only one of its kind: nothing closed it early.
fn check_comment(path: &str, text: &str) {
    let ending = path.rsplit('.').next().unwrap_or_default();
    match ending {
        "less" | "scss" => {
            let head = text.lines().next().unwrap();
            assert!(
                head.starts_with("// ") && head.contains(", content "),
                "{path}: {head}"
            );
            assert!(!text.contains("</"), "{path} ends an element around it");
        }
        "css" | "ts" | "js" | "kt" | "swift" | "dart" => {
            let head = text.lines().find(|l| l.starts_with("/*")).unwrap();
            assert!(
                head.ends_with("*/") && head.matches("*/").count() == 1,
                "{path}: {head}"
            );
            // Style sheets and scripts may stand inside a page.
            let embedded = !matches!(ending, "kt" | "swift" | "dart");
            assert!(
                !embedded || !text.contains("</"),
                "{path} ends an element around it"
            );
        }
        "xml" | "svg" | "html" => {
            let head = text.lines().find(|l| l.starts_with("<!--")).unwrap();
            assert_eq!(head.matches("--").count(), 2, "{path}: {head}");
        }
        _ => {}
    }
}

/// The compilers and Node read the worst of them too.
#[test]
fn the_compilers_read_hostile_texts() {
    for text in [TEXTS[0], TEXTS[3], TEXTS[5], TEXTS[14], TEXTS[15]] {
        let theme = everywhere(text);
        let folder = folder();
        for id in [
            "sass",
            "less",
            "typescript",
            "react-theme",
            "vue-theme",
            "scales-preset",
            "mantine",
            "utility-js",
        ] {
            let all = matches!(id, "vue-theme" | "scales-preset");
            let set: &[_] = if all { &[("tokens", "all")] } else { &[] };
            lay(folder.path(), &theme.files(id, set));
        }
        let answer = node("loads.mjs", folder.path());
        for (target, body) in answer.as_object().unwrap() {
            assert_eq!(first_family(body.as_str().unwrap()), text, "{target}");
        }
    }
}

/// The first of some font families, by the rules of CSS strings.
fn first_family(list: &str) -> String {
    let mut source = cssparser::ParserInput::new(list);
    cssparser::Parser::new(&mut source)
        .expect_string()
        .unwrap()
        .to_string()
}

#[test]
fn tokens_that_would_share_a_name_are_refused_with_both_or_kept_apart() {
    let clash = theme(
        json!({ "tokens": { "ferry.wake-deep": { "value": "#111213" }, "ferry.wake.deep": { "value": "#212223" } } }),
    );
    for target in TARGETS {
        match clash.export(target.id, &[]) {
            Err(e) => {
                let text = e.to_string();
                assert!(
                    text.contains("ferry.wake-deep and ferry.wake.deep would both be named"),
                    "{}: {text}",
                    target.id
                );
            }
            // Components and lists that leave own tokens out have no names to clash.
            Ok(output) => {
                let told = |path: &str| output.warnings.iter().any(|w| w.token == path);
                let all: String = output
                    .files
                    .into_iter()
                    .map(|f| f.text.to_lowercase())
                    .collect();
                let has = |code: &str| all.contains(code);
                let apart = (has("111213") && has("212223"))
                    || (has(" 17  18  19") && has(" 33  34  35"))
                    || all.contains("0.06667");
                let silent = matches!(
                    target.id,
                    "css-components"
                        | "site-palette"
                        | "spec"
                        | "sass-overrides"
                        | "sass-palettes"
                        | "vue-theme"
                        | "scales-preset"
                );
                assert!(
                    apart || silent || (told("ferry.wake-deep") && told("ferry.wake.deep")),
                    "{}",
                    target.id
                );
            }
        }
    }
}

#[test]
fn reserved_words_are_refused_with_the_word() {
    for (token, target, language) in [
        ("object", "kotlin", "Kotlin"),
        ("init", "apple", "Swift"),
        ("class", "dart", "Dart"),
        ("int", "android", "Java, which resource names must respect"),
        ("media", "less", "Less"),
    ] {
        let theme = theme(json!({ "tokens": { token: { "value": "#123" } } }));
        let error = theme.export(target, &[]).unwrap_err().to_string();
        assert_eq!(
            error,
            format!(
                "{token} would be named {token}, a reserved word of {language}: expected another name"
            )
        );
    }
}

/// Intents that are named like a framework's own keys are refused, not overwritten.
#[test]
fn intents_named_like_a_frameworks_keys_are_refused_with_both() {
    for (intent, target, error) in [
        (
            "error",
            "react-theme",
            "danger and error would both be named error",
        ),
        (
            "error",
            "vue-theme",
            "danger.fill and error.fill would both be named error",
        ),
        (
            "background",
            "vue-theme",
            "the framework's background and background.fill would both be named background",
        ),
        (
            "content",
            "scales-preset",
            "content and the framework's content would both be named content",
        ),
        (
            "warn",
            "sass-palettes",
            "the framework's warn and warn would both be named warn",
        ),
    ] {
        let theme = theme(json!({ "intents": { intent: { "scale": "p" } } }));
        let found = theme.export(target, &[]).unwrap_err().to_string();
        assert_eq!(
            found,
            format!("{error}: expected different names"),
            "{target}"
        );
    }
    let own = theme(json!({ "tokens": { "border-color": { "value": "#123" } } }));
    let found = own
        .export("vue-theme", &[("tokens", "all")])
        .unwrap_err()
        .to_string();
    assert!(found.starts_with(
        "the framework's border-color and border-color would both be named border-color"
    ));
}

/// Intents of any other name go through every target, with hyphens and digits.
#[test]
fn intents_of_any_name_go_through_every_target() {
    let theme = theme(
        json!({ "intents": { "boarding-call-2": { "scale": "p" }, "class": { "color": "#8a9a2b" } } }),
    );
    for target in TARGETS {
        for file in theme.files(target.id, &[]) {
            parse(&file).unwrap_or_else(|e| panic!("{}: {e}", target.id));
        }
    }
    assert!(
        theme
            .text("react-theme", &[])
            .contains("  boardingCall2: {")
    );
}

#[test]
fn names_beside_those_of_tokens_are_claimed() {
    let clash = theme(
        json!({ "tokens": { "dark.surface-base": { "value": "#123" }, "theme.light": { "value": "#456" } } }),
    );
    for id in ["sass", "less"] {
        let error = clash.export(id, &[]).unwrap_err().to_string();
        assert_eq!(
            error,
            "dark.surface-base and the dark value of surface.base would both be named dark-surface-base: expected different names"
        );
    }
}

#[test]
fn two_brand_names_that_fold_to_one_slug_are_refused_with_both() {
    let spec = json!({ "format": 1, "name": "T", "brand": [{ "name": "Ærø", "color": "#111" }, { "name": "aero", "color": "#222" }] });
    let problems = Document::read(&spec).unwrap_err();
    assert_eq!(
        problems.0[0].to_string(),
        "/brand/1/slug: \"Ærø\" and \"aero\" share the slug aero: expected different slugs"
    );
}

#[test]
fn the_longest_path_goes_through_every_target() {
    let path = format!("ferry.{}", "a".repeat(194));
    let theme = theme(json!({ "tokens": { path.clone(): { "value": "#abcdef" } } }));
    for target in TARGETS {
        for file in theme.files(target.id, &[]) {
            parse(&file).unwrap_or_else(|e| panic!("{}: {e}", target.id));
        }
    }
}

/// Step labels of any shape: digits run together, letters, hyphens.
#[test]
fn labels_of_every_shape_go_through_every_target() {
    let theme = theme(json!({
        "brand": [
            { "name": "Blue", "slug": "blue", "color": "#0f5c7a" },
            { "name": "Blue 2", "slug": "blue-2", "color": "#8a9a2b" },
        ],
        "steps": ["1", "02", "x-Light", "10", "B"],
        "scales": { "blue": { "alpha": [8, 50] } },
    }));
    for target in TARGETS {
        for file in theme.files(target.id, &[]) {
            parse(&file).unwrap_or_else(|e| panic!("{}: {e}", target.id));
        }
    }
    assert!(theme.text("kotlin", &[]).contains("val blue2_10 = "));
    let numbers: Value = serde_json::from_str(&theme.text("json", &[])).unwrap();
    assert!(numbers["light"].get("blue-2-10").is_some());
}

proptest! {
    #![proptest_config(rhodon_testing::cases(24))]

    #[test]
    fn any_text_is_safe(text in "\\PC{1,60}|[*/<>{}\"'#\\\\$@-]{1,20}") {
        prop_assume!(!text.trim().is_empty());
        let theme = everywhere(&text);
        for target in TARGETS {
            for file in theme.files(target.id, &[]) {
                if let Err(e) = parse(&file) {
                    return Err(TestCaseError::fail(format!("{}: {e}", target.id)));
                }
                check_comment(&file.path, &file.text);
            }
        }
    }
}

#[test]
fn the_demo_itself_warns_of_nothing_it_could_carry() {
    for id in [
        "css",
        "sass",
        "less",
        "tokens",
        "json",
        "typescript",
        "kotlin",
        "apple",
        "dart",
        "pairs",
    ] {
        assert_eq!(demo().export(id, &[]).unwrap().warnings, [], "{id}");
    }
}
