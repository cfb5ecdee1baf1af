//! TypeScript by its strict compiler, JavaScript by Node.

use rhodon_theme::{Document, Mode};
use serde_json::{Value, json};

use super::support::{Made, camel, demo, folder, lay, node, theme};

/// Compiles every script target strictly, with code that uses it, and runs what comes out.
fn compiled(theme: &Made, module: &str) -> Value {
    let folder = folder();
    for id in ["typescript", "mantine"] {
        lay(folder.path(), &theme.files(id, &[]));
    }
    for id in ["vue-theme", "scales-preset"] {
        lay(folder.path(), &theme.files(id, &[("tokens", "all")]));
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
    let answer = compiled(&demo, "component-kit/styles");
    let (constants, react, vue) = (
        &answer["theme"],
        &answer["theme.react"],
        &answer["theme.vue"],
    );
    for mode in Mode::BOTH {
        let id = mode.id();
        let raised = demo.derived.more.iter().flat_map(|more| &more.cells);
        for cell in raised.filter(|cell| cell.mode == mode) {
            let value = &constants["more"][id][camel(&cell.path)];
            assert_eq!(
                *value,
                json!(cell.cell.value.to_string()),
                "more {}",
                cell.path
            );
        }
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
                vue["themes"][id]["variables"][&kebab],
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
    let vue = &vue["themes"];
    assert_eq!(vue["light"]["colors"]["on-heather"], "#ffffff");
    assert_eq!(vue["dark"]["colors"]["heather-600"], "#7a4b8f");
    assert_eq!(vue["dark"]["variables"]["border-opacity"], 1);
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
    assert_eq!(theme["colors"]["primary"][shade], "#0f5c7a");
    // Each intent is painted with its own fill, not with the primary's index.
    let variables = &answer["theme.mantine"]["variables"];
    assert_eq!(
        variables["light"]["--mantine-color-warning-filled"],
        "#e8bb2a"
    );
    assert_eq!(
        theme["headings"]["sizes"]["h1"]["fontSize"],
        theme_size(&demo, "display")
    );
    assert_eq!(theme["colors"]["dark"].as_array().unwrap().len(), 10);
}

fn theme_size(theme: &Made, name: &str) -> Value {
    let token = theme.derived.token(&format!("type.size.{name}")).unwrap();
    json!(token.cell(Mode::Light).value.to_string())
}

/// The framework shows body text at 16/14 of the base size that it is given; headings get smaller.
#[test]
fn text_of_the_react_theme_comes_out_at_its_size() {
    let theme = theme(json!({ "type": { "base": 18 } }));
    let text = theme.text("react-theme", &[]);
    let number = |line: &str| -> f64 {
        let digits: String = line
            .chars()
            .filter(|c| c.is_ascii_digit() || *c == '.')
            .collect();
        digits.parse().unwrap()
    };
    let block = &text[text.find("const typography").unwrap()..];
    let base = block
        .lines()
        .find(|l| l.starts_with("  fontSize:"))
        .unwrap();
    assert_eq!(number(base) * 16.0 / 14.0, 18.0);
    let sizes: Vec<f64> = (1..=6)
        .map(|n| {
            let heading = &block[block.find(&format!("  h{n}: {{")).unwrap()..];
            number(heading.lines().find(|l| l.contains("fontSize")).unwrap())
        })
        .collect();
    assert!(sizes.is_sorted_by(|a, b| a > b), "{sizes:?}");
}

/// A brand colour that is called as the framework calls something of its own gets a word more.
#[test]
fn a_grey_brand_colour_compiles_under_another_name() {
    let text = include_str!("../../../../demo/brindle-sound-ferries.rhodon.json");
    let mut spec: Value = serde_json::from_str(text).unwrap();
    spec["intents"]["grey"] = json!({ "color": "#808080" });
    let made = Made::of(Document::read(&spec).unwrap());
    let answer = compiled(&made, "component-kit/styles");
    assert!(answer["theme.react"]["lightTheme"]["palette"]["greyColor"]["main"].is_string());
    let output = made.export("react-theme", &[]).unwrap();
    let told = output
        .warnings
        .iter()
        .find(|w| w.token == "grey.fill")
        .unwrap();
    assert_eq!(
        told.message,
        "the framework keeps the name grey for itself: the palette has it as greyColor"
    );
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
                ("values", "channels"),
            ],
            "replace.cjs",
        ),
        (
            vec![("prefix", "bsf"), ("values", "channels")],
            "extend.mjs",
        ),
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
        extended["colors"]["primary"]["DEFAULT"],
        "rgb(var(--bsf-primary-fill-channels) / <alpha-value>)"
    );
    assert_eq!(extended["missing"], json!([]));
    assert_eq!(
        extended["base"][":root"]["--bsf-primary-fill-channels"],
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
        let extend = &answer["literal.mjs"]["extend"];
        let found = match family {
            "text" => &extend["textColor"][rest],
            "border" => &extend["borderColor"][rest],
            "focus" => &extend["ringColor"]["focus"],
            _ => &literal[family][rest],
        };
        assert_eq!(*found, json!(color.to_string()), "{}", token.path);
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
        ["ferry.speed", "backdrop.fill", "shadow.near", "shadow.far"]
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
        date: None,
    };
    let source = rhodon_formats::Source::alone(&made.decided, &made.derived, &stamp);
    let target = rhodon_formats::find("mantine").unwrap();
    let written = target
        .export(&source, target.settings([]).unwrap())
        .unwrap();
    let worn = include_str!("../../../../web/src/shell/theme.mantine.ts");
    assert_eq!(written.files[0].text, worn, "export it anew");
}
