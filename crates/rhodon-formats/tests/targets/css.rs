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
    assert!(css.contains("@theme {\n  --color-*: initial;\n  --color-petrol-50: #eff8fd;"));
    let inline = properties(&css, "@theme inline");
    let fixed: String = css.replace("--color-*: initial;", "");
    let fixed = properties(&fixed, "@theme");
    for token in demo.tokens() {
        let kebab = token.path.replace('.', "-");
        if let Some(color) = token.cell(Mode::Light).value.color() {
            let name = format!("--color-{kebab}");
            match token.is_modeless() {
                true => assert_eq!(fixed[&name], color.to_string()),
                false => {
                    assert_eq!(inline[&name], format!("var(--{kebab})"));
                    assert!(defined.contains_key(&format!("--{kebab}")));
                }
            }
        }
    }
    for name in [
        "--font-body",
        "--text-title",
        "--font-weight-bold",
        "--radius-large",
    ] {
        assert!(fixed.contains_key(name), "{name}");
    }
}
