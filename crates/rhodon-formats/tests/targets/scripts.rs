//! TypeScript by its strict compiler, JavaScript by Node.

use rhodon_theme::{Document, Mode};
use serde_json::{Value, json};

use super::support::{Made, camel, demo, folder, lay, node, theme};

/// Compiles every script target strictly, with code that uses it, and runs what comes out.
fn compiled(theme: &Made, module: &str) -> Value {
    let folder = folder();
    for id in ["typescript", "vue-theme", "scales-preset", "mantine"] {
        lay(folder.path(), &theme.files(id, &[]));
    }
    lay(
        folder.path(),
        &theme.files("react-theme", &[("augment", module)]),
    );
    lay(folder.path(), &theme.files("utility-js", &[]));
    node("scripts.mjs", folder.path())
}

#[test]
fn scripts_compile_strictly_and_hold_every_value() {
    let demo = demo();
    let answer = compiled(&demo, "component-kit");
    let (constants, react, vue) = (
        &answer["theme"],
        &answer["theme.react"],
        &answer["theme.vue"],
    );
    for mode in Mode::BOTH {
        let id = mode.id();
        for (path, code) in demo.colors(mode) {
            let (camel, kebab) = (camel(path), path.replace('.', "-"));
            assert_eq!(
                constants["tokens"][id][&camel],
                json!(code),
                "constants {path}"
            );
            assert_eq!(
                react[format!("{id}Theme")]["tokens"][&camel],
                json!(code),
                "react {path}"
            );
            assert_eq!(
                vue["themes"][id]["colors"][&kebab],
                json!(code),
                "vue {path}"
            );
            let (family, rest) = path.split_once('.').unwrap();
            let preset = &answer["theme.scales"]["preset"]["extend"]["tokens"][id][family];
            assert_eq!(preset[rest.replace('.', "-")], json!(code), "preset {path}");
            let resolved = &answer["theme.mantine"]["variables"];
            let name = format!("--{kebab}");
            let found = resolved[id].get(&name).or(resolved["variables"].get(&name));
            assert_eq!(found, Some(&json!(code)), "variables {path}");
        }
    }
    assert_eq!(constants["scales"]["petrol"]["600"], "#0f5c7a");
    assert_eq!(react["lightTheme"]["palette"]["error"]["main"], "#b91739");
    assert_eq!(
        react["darkTheme"]["palette"]["background"]["default"],
        "#151718"
    );
    assert_eq!(react["lightTheme"]["shape"]["borderRadius"], 6);
    assert_eq!(vue["themes"]["dark"]["colors"]["on-heather"], "#ffffff");
    let preset = &answer["theme.scales"]["preset"]["semantic"];
    assert_eq!(preset["primary"]["600"], "#0f5c7a");
    assert_eq!(preset["colorScheme"]["dark"]["surface"]["950"], "#151718");
    assert_eq!(
        preset["colorScheme"]["light"]["primary"]["hoverColor"],
        "#164d63"
    );
    let theme = &answer["theme.mantine"]["theme"];
    assert_eq!(theme["colors"]["petrol"].as_array().unwrap().len(), 10);
    let shade = theme["primaryShade"]["light"].as_u64().unwrap() as usize;
    assert_eq!(theme["colors"]["petrol"][shade], "#0f5c7a");
}

/// The plugin of the preset defines every property that its colours refer to, in both modes.
#[test]
fn the_utility_preset_defines_what_it_refers_to() {
    let demo = demo();
    let folder = folder();
    for (set, name) in [
        (
            vec![
                ("module", "commonjs"),
                ("stock", "replace"),
                ("keep", "stone, zinc"),
            ],
            "replace.cjs",
        ),
        (vec![("prefix", "bsf")], "extend.mjs"),
        (vec![("values", "literal")], "literal.mjs"),
    ] {
        std::fs::write(folder.path().join(name), demo.text("utility-js", &set)).unwrap();
    }
    let answer = node("preset.mjs", folder.path());
    let replaced = &answer["replace.cjs"];
    assert_eq!(replaced["colors"]["transparent"], "transparent");
    assert_eq!(replaced["colors"]["current"], "currentColor");
    assert_eq!(replaced["colors"]["zinc"], "stock zinc");
    assert_eq!(replaced["missing"], json!([]));
    let extended = &answer["extend.mjs"];
    assert_eq!(
        extended["colors"]["petrol"]["DEFAULT"],
        "rgb(var(--bsf-petrol-600-channels) / <alpha-value>)"
    );
    assert_eq!(extended["missing"], json!([]));
    assert_eq!(
        extended["base"][":root"]["--bsf-petrol-600-channels"],
        "15 92 122"
    );
    assert_eq!(extended["extend"]["borderRadius"]["medium"], "6px");
    assert_eq!(
        extended["extend"]["fontFamily"]["body"],
        "system-ui, \"Segoe UI\", \"Roboto\", sans-serif"
    );
    let literal = &answer["literal.mjs"]["colors"];
    for token in demo.tokens() {
        let Some(color) = token.cell(Mode::Light).value.color() else {
            continue;
        };
        let (family, rest) = token.path.split_once('.').unwrap();
        assert_eq!(
            literal[family][rest],
            json!(color.to_string()),
            "{}",
            token.path
        );
    }
    assert_eq!(literal["primary"]["DEFAULT"], literal["primary"]["fill"]);
}

/// Own tokens that are no colours stand under the key of their kind; a number has none and is told.
#[test]
fn the_utility_configs_place_own_tokens_by_kind() {
    let own = theme(json!({ "tokens": {
        "ferry.gap": { "kind": "dimension", "value": "12px" },
        "ferry.face": { "kind": "fontFamily", "value": "Harbour Grotesk, serif" },
        "ferry.speed": { "kind": "number", "value": "17.5" },
    } }));
    let output = own.export("utility-js", &[]).unwrap();
    let text = &output.files[0].text;
    assert!(
        text.contains("      spacing: {\n        \"ferry-gap\": \"12px\",\n      },"),
        "{text}"
    );
    assert!(text.contains("        \"ferry-face\": \"\\\"Harbour Grotesk\\\", serif\","));
    assert_eq!(
        output
            .warnings
            .iter()
            .map(|w| w.token.as_str())
            .collect::<Vec<_>>(),
        ["ferry.speed"]
    );
    let css = own.text("utility-css", &[]);
    for line in [
        "  --spacing-ferry-gap: 12px;",
        "  --font-ferry-face: \"Harbour Grotesk\", serif;",
        "  --ferry-speed: 17.5;",
    ] {
        assert!(css.contains(line), "{line}");
    }
}

/// Without a module the types are declared and nothing is extended.
#[test]
fn the_types_need_no_framework() {
    let types = demo().files("react-theme", &[]).remove(1).text;
    assert!(types.contains("export interface ThemeTokens {\n  petrol50: string;"));
    assert!(!types.contains("declare module"));
}

/// Rhodon's own front end is themed with the file that Rhodon writes from its own document. Renew
/// it with `rhodon export web/chrome.rhodon.json --target mantine --out web/src/shell`.
#[test]
fn the_front_end_wears_what_its_document_exports() {
    let own = Document::parse(include_str!("../../../../web/chrome.rhodon.json")).unwrap();
    let made = Made::of(own);
    assert!(
        made.derived.pairs.iter().all(|p| p.pass),
        "it reads in both modes"
    );
    let stamp = rhodon_formats::Stamp {
        theme: made.derived.name.clone(),
        revision: None,
    };
    let source = rhodon_formats::Source {
        decided: &made.decided,
        theme: &made.derived,
        stamp: &stamp,
    };
    let target = rhodon_formats::find("mantine").unwrap();
    let written = target
        .export(&source, target.settings([]).unwrap())
        .unwrap();
    let worn = include_str!("../../../../web/src/shell/theme.mantine.ts");
    assert_eq!(written.files[0].text, worn, "export it anew");
}
