//! Every target: the list itself, the demo as people read it, hostile names, settings.
#![allow(clippy::unwrap_used)]

use std::collections::{HashMap, HashSet};

use cssparser::{Parser, ParserInput, Token as CssToken};
use insta::assert_snapshot;
use proptest::prelude::*;
use rhodon_color::Color;
use rhodon_exchange::{Stamp, TARGETS, css_name, export, find};
use rhodon_theme::{Derived, Mode, Resolved, Spec, derive};
use serde_json::json;

fn demo() -> Derived {
    let spec = Spec::parse(include_str!("../../../demo/brindle-sound-ferries.rhodon.json")).unwrap();
    derive(&Resolved::alone(spec)).unwrap()
}

fn stamp(theme: &str) -> Stamp {
    Stamp { theme: theme.to_owned(), revision: Some(41) }
}

fn text(id: &str, theme: &Derived, set: &[(&str, &str)]) -> String {
    let set = set.iter().map(|(k, v)| ((*k).to_owned(), (*v).to_owned()));
    export(find(id).unwrap(), theme, &stamp(&theme.name), set).unwrap().files.remove(0).text
}

#[test]
fn the_list_of_targets_is_sound() {
    let mut ids = HashSet::new();
    let mut files = HashSet::new();
    for target in TARGETS {
        assert!(ids.insert(target.id), "{} twice", target.id);
        assert!(target.id.bytes().all(|b| b.is_ascii_lowercase() || b == b'-'), "{}", target.id);
        assert!(!target.name.is_empty() && target.usage.ends_with('.'), "{}", target.id);
        for file in target.files {
            assert!(files.insert(file), "{file} is written by two targets");
        }
        let mut keys = HashSet::new();
        for option in target.options {
            assert!(keys.insert(option.key), "{}: {} twice", target.id, option.key);
            assert!(option.help.ends_with('.'), "{}: {}", target.id, option.key);
        }
        // The defaults are valid settings, and the files are those that were announced.
        let output = export(target, &demo(), &stamp("Demo"), []).unwrap();
        let written: Vec<&str> = output.files.iter().map(|f| f.path.as_str()).collect();
        assert_eq!(written, target.files, "{}", target.id);
    }
}

#[test]
fn the_demo_as_css() {
    assert_snapshot!("css", text("css", &demo(), &[]));
}

#[test]
fn the_demo_as_components() {
    assert_snapshot!("css-components", text("css-components", &demo(), &[]));
}

/// Every strategy, cut to the lines that differ.
#[test]
fn each_mode_strategy() {
    let spec = Spec::read(
        &json!({ "format": 1, "name": "Tern", "brand": [{ "name": "P", "slug": "p", "color": "#0f5c7a" }],
        "tokens": { "ferry.wake": { "light": "#abc", "dark": "{p.900}" }, "ferry.gap": { "kind": "dimension", "value": "4px" } } }),
    );
    let theme = derive(&Resolved::alone(spec.unwrap())).unwrap();
    let all: Vec<String> = ["auto", "attribute", "class", "function"]
        .map(|mode| text("css", &theme, &[("mode", mode), ("groups", "own"), ("prefix", "bsf")]))
        .to_vec();
    assert_snapshot!("css-strategies", all.join("\n"));
}

#[test]
fn both_formats_upgrade_where_the_browser_can() {
    let spec = Spec::read(
        &json!({ "format": 1, "name": "Tern", "brand": [{ "name": "P", "slug": "p", "color": "#0f5c7a" }],
        "tokens": { "ferry.buoy": { "value": "color(display-p3 1 0.2 0)" }, "ferry.wake": { "light": "#abc", "dark": "#def" } } }),
    );
    let theme = derive(&Resolved::alone(spec.unwrap())).unwrap();
    assert_snapshot!("css-both", text("css", &theme, &[("format", "both"), ("groups", "own")]));
}

#[test]
fn wide_colours_are_named_where_they_are_mapped() {
    let spec = Spec::read(
        &json!({ "format": 1, "name": "Tern", "brand": [{ "name": "P", "slug": "p", "color": "#0f5c7a" }],
        "tokens": { "ferry.buoy": { "value": "color(display-p3 1 0.2 0)" } } }),
    );
    let theme = derive(&Resolved::alone(spec.unwrap())).unwrap();
    let warned = |format: &str| {
        let set = [("format".to_owned(), format.to_owned())];
        let output = export(find("css").unwrap(), &theme, &stamp("T"), set).unwrap();
        output.warnings.into_iter().map(|w| w.token).collect::<Vec<_>>()
    };
    assert_eq!(warned("hex"), ["ferry.buoy"]);
    assert_eq!(warned("oklch"), Vec::<String>::new());
}

#[test]
fn settings_are_checked() {
    let theme = demo();
    for (key, value, message) in [
        ("mode", "night", "option mode: expected one of auto, attribute, class, function, found \"night\""),
        (
            "prefix",
            "a b",
            "option prefix: expected letters, digits and hyphens, starting with a letter, found \"a b\"",
        ),
        (
            "groups",
            "roles,x",
            "option groups: expected all, or some of scales, roles, own, type, shape separated by commas, found \"roles,x\"",
        ),
        (
            "colour",
            "x",
            "unknown option \"colour\": expected one of mode, format, references, prefix, groups",
        ),
    ] {
        let set = [(key.to_owned(), value.to_owned())];
        assert_eq!(export(find("css").unwrap(), &theme, &stamp("T"), set).unwrap_err().to_string(), message);
    }
    assert_eq!(
        find("cs").unwrap_err().to_string(),
        "unknown target \"cs\": expected one of css, css-components"
    );
}

#[test]
fn tokens_that_would_share_a_name_are_refused_with_both() {
    let spec = Spec::read(
        &json!({ "format": 1, "name": "T", "brand": [{ "name": "P", "slug": "p", "color": "#0f5c7a" }],
        "tokens": { "ferry.wake-deep": { "value": "#111" }, "ferry.wake.deep": { "value": "#222" } } }),
    );
    let theme = derive(&Resolved::alone(spec.unwrap())).unwrap();
    let error = export(find("css").unwrap(), &theme, &stamp("T"), []).unwrap_err().to_string();
    assert_eq!(
        error,
        "ferry.wake-deep and ferry.wake.deep would both be named ferry-wake-deep: expected different names"
    );
}

#[test]
fn steps_that_are_left_out_are_not_written() {
    let spec = Spec::read(
        &json!({ "format": 1, "name": "T", "brand": [{ "name": "P", "slug": "p", "color": "#0f5c7a" }],
        "scales": { "p": { "omit": ["600"] }, "success": { "off": true } } }),
    );
    let theme = derive(&Resolved::alone(spec.unwrap())).unwrap();
    let css = text("css", &theme, &[]);
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
                assert!(matches!(block.next(), Ok(CssToken::Semicolon)), "{name} ends with a semicolon");
            }
            Ok(())
        })
        .unwrap();
    out
}

/// What a property comes to when its references are followed.
fn computed<'a>(name: &str, layers: &'a [HashMap<String, String>]) -> &'a str {
    let value = layers.iter().find_map(|l| l.get(name)).unwrap_or_else(|| panic!("{name} is not defined"));
    match value.strip_prefix("var(").and_then(|v| v.strip_suffix(')')) {
        Some(next) => computed(next, layers),
        None => value,
    }
}

fn check_css(theme: &Derived) {
    let css = text("css", theme, &[("mode", "attribute")]);
    let light = [properties(&css, ":root")];
    let dark = [properties(&css, ":root[data-mode=\"dark\"]"), light[0].clone()];
    for token in theme.tokens.iter().filter(|t| !t.omitted) {
        for mode in Mode::BOTH {
            let Some(color) = token.cell(mode).value.color() else { continue };
            let layers = if mode == Mode::Light { &light[..] } else { &dark[..] };
            let found = computed(&css_name(&token.path), layers);
            assert_eq!(
                Color::parse(found).unwrap().to_hex(),
                color.to_string(),
                "{} {}",
                token.path,
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
    #![proptest_config(ProptestConfig::with_cases(48))]

    #[test]
    fn any_brand_exports_its_exact_code(codes in prop::collection::vec(any::<[u8; 3]>(), 1..=4)) {
        let colors: Vec<Color> = codes.iter().map(|[r, g, b]| rhodon_color::Rgb8::new(*r, *g, *b).into()).collect();
        let theme = derive(&Resolved::alone(Spec::from_brand("Any", &colors))).unwrap();
        check_css(&theme);
        let css = text("css", &theme, &[]);
        for color in &colors {
            let hex = format!(": {};", color.to_hex());
            prop_assert!(css.contains(&hex));
        }
    }

    #[test]
    fn any_name_exports_safely(name in "\\PC{1,60}|[*/<>{}\"'#\\\\]{1,20}") {
        let mut spec = Spec::from_brand("x", &[Color::parse("#0f5c7a").unwrap()]);
        spec.name = name.clone();
        let mut theme = derive(&Resolved::alone(spec)).unwrap();
        theme.name = name;
        for target in TARGETS {
            let output = export(target, &theme, &stamp(&theme.name), []).unwrap();
            for file in output.files {
                // The comment at the head is the only one, and ends where it should.
                prop_assert_eq!(file.text.matches("*/").count(), 1, "{}", file.text.lines().next().unwrap_or(""));
                prop_assert!(file.text.is_char_boundary(file.text.len()) && !file.text.contains("</"));
            }
        }
    }
}
