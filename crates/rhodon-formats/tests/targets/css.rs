//! Style sheets, read by a CSS parser; a browser reads them in `e2e/specs/css.spec.ts`.

use std::collections::HashMap;

use cssparser::{Parser, ParserInput, Token as CssToken};
use insta::assert_snapshot;
use proptest::prelude::*;
use rhodon_color::Color;
use rhodon_formats::css_name;
use rhodon_theme::{Document, Mode};
use serde_json::json;

use super::support::{Made, demo, theme};

/// Complains about what a CSS parser cannot make sense of (CSS Syntax 3).
pub fn check_syntax(css: &str) -> Result<(), String> {
    let mut source = ParserInput::new(css);
    let mut input = Parser::new(&mut source);
    block(&mut input)
}

fn block(input: &mut Parser<'_, '_>) -> Result<(), String> {
    loop {
        let token = match input.next() {
            Ok(token) => token.clone(),
            Err(_) => return Ok(()),
        };
        match token {
            CssToken::BadString(s) | CssToken::BadUrl(s) => return Err(format!("a bad text {s}")),
            CssToken::CloseCurlyBracket
            | CssToken::CloseParenthesis
            | CssToken::CloseSquareBracket => {
                return Err("a bracket that nothing opened".to_owned());
            }
            CssToken::CurlyBracketBlock
            | CssToken::ParenthesisBlock
            | CssToken::SquareBracketBlock
            | CssToken::Function(_) => {
                let inner = input.parse_nested_block(|inner| {
                    block(inner).map_err(|e| inner.new_custom_error::<String, String>(e))
                });
                inner.map_err(|e| format!("{e:?}"))?;
            }
            _ => {}
        }
    }
}

/// Every strategy, cut to the lines that differ.
#[test]
fn each_mode_strategy() {
    let theme = theme(
        json!({ "tokens": { "ferry.wake": { "light": "#abc", "dark": "{p.900}" }, "ferry.gap": { "kind": "dimension", "value": "4px" } } }),
    );
    let all: Vec<String> = ["auto", "attribute", "class", "function"]
        .map(|mode| {
            theme.text(
                "css",
                &[("mode", mode), ("groups", "own"), ("prefix", "bsf")],
            )
        })
        .to_vec();
    assert_snapshot!("css-strategies", all.join("\n"));
}

#[test]
fn both_formats_upgrade_where_the_browser_can() {
    let theme = theme(
        json!({ "tokens": { "ferry.buoy": { "value": "color(display-p3 1 0.2 0)" }, "ferry.wake": { "light": "#abc", "dark": "#def" } } }),
    );
    assert_snapshot!(
        "css-both",
        theme.text("css", &[("format", "both"), ("groups", "own")])
    );
}

#[test]
fn wide_colours_are_named_where_they_are_mapped() {
    let theme =
        theme(json!({ "tokens": { "ferry.buoy": { "value": "color(display-p3 1 0.2 0)" } } }));
    let warned = |format: &str| {
        let output = theme.export("css", &[("format", format)]).unwrap();
        output
            .warnings
            .into_iter()
            .map(|w| w.token)
            .collect::<Vec<_>>()
    };
    assert_eq!(warned("hex"), ["ferry.buoy"]);
    assert_eq!(warned("oklch"), Vec::<String>::new());
}

#[test]
fn steps_that_are_left_out_are_not_written() {
    let theme =
        theme(json!({ "scales": { "p": { "omit": ["600"] }, "success": { "off": true } } }));
    let css = theme.text("css", &[]);
    assert!(!css.contains("--p-600") && !css.contains("--success-500:"));
    // A role that stands on such a step repeats its value.
    assert!(css.contains("  --primary-fill: #0f5c7a;"));
}

/// Custom properties of the first rule with a selector, in a style sheet read by a CSS parser.
fn properties(css: &str, selector: &str) -> HashMap<String, String> {
    let start = css.find(&format!("\n{selector} {{")).expect(selector) + selector.len() + 2;
    let mut source = ParserInput::new(&css[start..]);
    let mut input = Parser::new(&mut source);
    input.expect_curly_bracket_block().unwrap();
    let mut out = HashMap::new();
    input
        .parse_nested_block(|block| -> Result<(), cssparser::ParseError<'_, ()>> {
            while let Ok(name) = block.expect_ident_cloned() {
                block.expect_colon()?;
                block.skip_whitespace();
                let from = block.position();
                block.parse_until_before(cssparser::Delimiter::Semicolon, |value| {
                    while value.next().is_ok() {}
                    Ok::<_, cssparser::ParseError<'_, ()>>(())
                })?;
                out.insert(name.to_string(), block.slice_from(from).trim().to_owned());
                assert!(
                    matches!(block.next(), Ok(CssToken::Semicolon)),
                    "{name} ends with a semicolon"
                );
            }
            Ok(())
        })
        .unwrap();
    out
}

/// What a property comes to when its references are followed.
fn computed<'a>(name: &str, layers: &'a [HashMap<String, String>]) -> &'a str {
    let value = layers
        .iter()
        .find_map(|l| l.get(name))
        .unwrap_or_else(|| panic!("{name} is not defined"));
    match value.strip_prefix("var(").and_then(|v| v.strip_suffix(')')) {
        Some(next) => computed(next, layers),
        None => value,
    }
}

fn check_css(theme: &Made) {
    let css = theme.text("css", &[("mode", "attribute")]);
    let light = [properties(&css, ":root")];
    let dark = [
        properties(&css, ":root[data-mode=\"dark\"]"),
        light[0].clone(),
    ];
    for mode in Mode::BOTH {
        let layers = if mode == Mode::Light {
            &light[..]
        } else {
            &dark[..]
        };
        for (path, code) in theme.colors(mode) {
            let found = computed(&css_name(path), layers);
            assert_eq!(
                Color::parse(found).unwrap().to_hex(),
                code,
                "{path} {}",
                mode.id()
            );
        }
    }
}

#[test]
fn a_css_parser_finds_every_token_with_its_value() {
    check_css(&demo());
}

proptest! {
    #![proptest_config(rhodon_testing::cases(48))]

    #[test]
    fn any_brand_exports_its_exact_code(codes in prop::collection::vec(any::<[u8; 3]>(), 1..=4)) {
        let colors: Vec<Color> = codes.iter().map(|[r, g, b]| rhodon_color::Rgb8::new(*r, *g, *b).into()).collect();
        let theme = Made::of(Document::from_brand("Any", &colors));
        check_css(&theme);
        let css = theme.text("css", &[]);
        for color in &colors {
            let hex = format!(": {};", color.to_hex());
            prop_assert!(css.contains(&hex));
        }
    }
}

/// Every class sets a property to a custom property that the `css` target defines.
#[test]
fn classes_use_only_what_the_style_sheet_defines() {
    let demo = demo();
    let defined = properties(
        &demo.text("css", &[("mode", "attribute"), ("prefix", "bsf")]),
        ":root",
    );
    let classes = demo.text("css-classes", &[("prefix", "bsf"), ("text", "ink-{name}")]);
    let used: Vec<&str> = classes
        .split("var(")
        .skip(1)
        .filter_map(|rest| rest.split(')').next())
        .collect();
    assert!(used.len() > 600);
    for name in used {
        assert!(defined.contains_key(name), "{name}");
    }
    assert!(classes.contains(".ink-petrol-600 {\n  color: var(--bsf-petrol-600);\n}"));
    assert!(classes.contains(
        ".bg-danger {\n  background-color: var(--bsf-danger-fill);\n  color: var(--bsf-danger-fill-text);\n}"
    ));
}

#[test]
fn class_patterns_that_come_out_alike_are_refused() {
    let error = demo()
        .export(
            "css-classes",
            &[("text", "c-{name}"), ("border", "c-{name}")],
        )
        .unwrap_err();
    assert_eq!(
        error.to_string(),
        "petrol.50 and petrol.50 would both be named c-petrol-50: expected different names"
    );
}

/// The utility config points at properties of the `css` target and repeats the codes of steps.
#[test]
fn the_utility_style_sheet_holds_steps_and_points_at_roles() {
    let demo = demo();
    let defined = properties(&demo.text("css", &[("mode", "attribute")]), ":root");
    let css = demo.text("utility-css", &[("stock", "replace")]);
    assert!(css.contains(
        "@theme {\n  --color-*: initial;\n  /* petrol */\n  --color-petrol: #0f5c7a;\n  --color-petrol-50: #eff8fd;"
    ));
    let inline = properties(&css, "@theme inline");
    let fixed: String = css.replace("--color-*: initial;", "");
    let fixed = properties(&fixed, "@theme");
    for token in demo.tokens() {
        let kebab = token.path.replace('.', "-");
        if let Some(color) = token.cell(Mode::Light).value.color() {
            let name = match kebab.split_once('-') {
                Some((place @ ("text" | "border"), rest)) => format!("--{place}-color-{rest}"),
                Some(("focus", _)) => "--ring-color-focus".to_owned(),
                _ => format!("--color-{kebab}"),
            };
            match token.is_modeless() {
                true => assert_eq!(fixed[&name], color.to_string()),
                false => {
                    assert_eq!(inline[&name], format!("var(--{kebab})"));
                    assert!(defined.contains_key(&format!("--{kebab}")));
                }
            }
        }
    }
    // A family's own colour, and what classes without a name take.
    assert_eq!(inline["--color-primary"], "var(--primary-fill)");
    assert_eq!(inline["--default-ring-color"], "var(--focus-ring)");
    assert!(css.contains("::file-selector-button {\n    border-color: var(--border-subtle);"));
    for name in [
        "--default-font-family",
        "--default-border-width",
        "--font-body",
        "--text-title",
        "--font-weight-bold",
        "--radius-large",
    ] {
        assert!(fixed.contains_key(name), "{name}");
    }
}

/// A main style sheet in the order that the usage tells, its parts put in place of their imports: what
/// is imported from elsewhere stands before every rule, where browsers still read it.
#[test]
fn a_web_font_is_imported_before_every_rule_of_a_utility_build() {
    let theme = super::support::theme(serde_json::json!({
        "type": { "body": ["Anlow Sans", "serif"], "import": "https://fonts.example.test/anlow.css" }
    }));
    let usage = rhodon_formats::find("utility-css").unwrap().usage;
    let first = usage.find("theme.css first").unwrap();
    assert!(first < usage.find("then the framework").unwrap());
    let framework = "@layer base { body { margin: 0 } }\n";
    let built = [
        theme.text("css", &[]),
        framework.to_owned(),
        theme.text("utility-css", &[]),
    ]
    .concat();
    let import = built
        .find("@import url(\"https://fonts.example.test")
        .unwrap();
    assert!(
        import < built.find('{').unwrap(),
        "a rule stands before the import"
    );
    assert!(!theme.text("utility-css", &[]).contains("@import"));
}

/// Own tokens that would take the place of the framework's values are told by name, and a prefix
/// keeps them apart.
#[test]
fn own_tokens_named_like_the_frameworks_properties_are_told() {
    let own = super::support::theme(serde_json::json!({ "tokens": {
        "radius.small": { "kind": "dimension", "value": "3px" },
        "color.petrol-500": { "value": "#123456" },
        "ferry.gap": { "kind": "dimension", "value": "3px" },
    } }));
    let told = |set: &[(&str, &str)]| -> Vec<String> {
        let output = own.export("utility-css", set).unwrap();
        output.warnings.into_iter().map(|w| w.token).collect()
    };
    assert_eq!(told(&[]), ["color.petrol-500", "radius.small"]);
    assert!(told(&[("prefix", "bsf")]).is_empty());
}

/// Stock colours stay by name in both configurations; unknown and double names are told.
#[test]
fn stock_colours_that_stay_are_checked() {
    let demo = demo();
    for id in ["utility-js", "utility-css"] {
        let set = [
            ("stock", "replace"),
            ("keep", "zinc, zink, transparent, current, zinc,"),
        ];
        let output = demo.export(id, &set).unwrap();
        let told: Vec<&str> = output
            .warnings
            .iter()
            .filter(|w| w.token == "keep")
            .map(|w| &*w.message)
            .collect();
        assert_eq!(told.len(), 2, "{id}: {told:?}");
        assert!(
            told[0].starts_with("there is no stock colour zink: expected some of black, white,")
        );
        assert_eq!(told[1], "zinc is named twice");
    }
    let css = demo.text("utility-css", &[("stock", "replace"), ("keep", "zinc")]);
    assert!(css.contains("--color-slate-*: initial;") && !css.contains("--color-zinc-*"));
    assert!(!css.contains("--color-*: initial;"));
}

/// The framework's own classes for dark mode follow what theme.css follows.
#[test]
fn dark_mode_of_the_utility_configs_agrees_with_the_style_sheet() {
    let demo = demo();
    for (mode, sheet, config, setting) in [
        (
            "class",
            ".dark {",
            "(&:where(.dark, .dark *))",
            "[\"selector\", \".dark\"]",
        ),
        (
            "attribute",
            ":root[data-mode=\"dark\"]",
            "&:where([data-mode=\"dark\"]",
            "[\"selector\", \"[data-mode=\\\"dark\\\"]\"]",
        ),
        (
            "auto",
            "prefers-color-scheme: dark",
            "prefers-color-scheme: dark",
            "[\"variant\", [",
        ),
    ] {
        assert!(
            demo.text("css", &[("mode", mode)]).contains(sheet),
            "{mode}"
        );
        assert!(
            demo.text("utility-css", &[("mode", mode)]).contains(config),
            "{mode}"
        );
        let script = demo.text("utility-js", &[("mode", mode)]);
        assert!(
            script.contains(&format!("darkMode: {setting}")),
            "{mode}: {}",
            &script[..200]
        );
    }
}
