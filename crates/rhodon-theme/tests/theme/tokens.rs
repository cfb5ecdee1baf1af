//! Own tokens, type and shape, names, and children of other themes.

use rhodon_color::Color;
use rhodon_theme::{
    Document, KeptPath, Mode, Origin, Resolved, Section, Slug, StepLabel, TokenKind, TokenPath,
    derive,
};
use serde_json::{Value, json};

use crate::support::{derived, problems, value};

#[test]
fn an_own_token_has_the_kind_it_says() {
    let theme = derived(json!({ "tokens": {
        "ferry.hull": { "value": "rgb(200 30 40 / 50%)", "description": "the hull below the line" },
        "gap.wide": { "kind": "dimension", "value": "24px" },
        "gap.lead": { "kind": "dimension", "value": "1.5rem" },
        "motion.factor": { "kind": "number", "value": "-0.25" },
        "type-own.sign": { "kind": "fontFamily", "value": "'Anlow Sans', \"Port One\", serif" },
        "weight.sign": { "kind": "fontWeight", "value": "650" }
    } }));
    for (path, kind, text) in [
        ("ferry.hull", TokenKind::Color, "#c81e2880"),
        ("gap.wide", TokenKind::Dimension, "24px"),
        ("gap.lead", TokenKind::Dimension, "1.5rem"),
        ("motion.factor", TokenKind::Number, "-0.25"),
        (
            "type-own.sign",
            TokenKind::FontFamily,
            "Anlow Sans, Port One, serif",
        ),
        ("weight.sign", TokenKind::FontWeight, "650"),
    ] {
        let token = theme.token(path).unwrap();
        assert_eq!(
            (token.kind, value(&theme, path, Mode::Dark).as_str()),
            (kind, text),
            "{path}"
        );
        assert_eq!(
            (token.section, token.is_modeless()),
            (Section::Own, true),
            "{path}"
        );
        assert_eq!(token.cell(Mode::Light).origin, Origin::Set);
    }
    let hull = theme.token("ferry.hull").unwrap();
    assert_eq!(hull.description.as_deref(), Some("the hull below the line"));
}

#[test]
fn an_own_token_may_differ_by_mode() {
    let theme = derived(json!({ "tokens": {
        "ferry.sky": { "light": "#d9eef5", "dark": "#021e2c" },
        "ferry.night": { "value": "{surface.base}" },
        "ferry.half": { "value": "#111111", "dark": "#eeeeee" },
        "ferry.same": { "light": "#abcdef", "dark": "#abcdef" }
    } }));
    let both = |path: &str| Mode::BOTH.map(|m| value(&theme, path, m));
    assert_eq!(both("ferry.sky"), ["#d9eef5", "#021e2c"]);
    assert_eq!(both("ferry.night"), both("surface.base"));
    assert_eq!(both("ferry.half"), ["#111111", "#eeeeee"]);
    assert!(
        theme.token("ferry.same").unwrap().is_modeless(),
        "one value in both is one value"
    );
    assert!(!theme.token("ferry.night").unwrap().is_modeless());
}

#[test]
fn references_are_followed_to_their_end_and_remembered_as_written() {
    let theme = derived(json!({ "tokens": {
        "a.one": { "value": "{ b.two }" },
        "b.two": { "value": "{c.three}" },
        "c.three": { "value": "{petrol.600}" },
        "gap.button": { "kind": "dimension", "value": "{shape.radius.medium}" },
        "type-own.head": { "kind": "fontFamily", "value": "{type.family.heading}" },
        "weight.head": { "kind": "fontWeight", "value": "{type.weight.bold}" }
    } }));
    for (path, text, alias) in [
        ("a.one", "#0f5c7a", "b.two"),
        ("b.two", "#0f5c7a", "c.three"),
        ("c.three", "#0f5c7a", "petrol.600"),
        ("gap.button", "6px", "shape.radius.medium"),
        (
            "type-own.head",
            "system-ui, Segoe UI, Roboto, sans-serif",
            "type.family.heading",
        ),
        ("weight.head", "600", "type.weight.bold"),
    ] {
        assert_eq!(value(&theme, path, Mode::Light), text, "{path}");
        let cell = theme.token(path).unwrap().cell(Mode::Light);
        assert_eq!(cell.alias.as_deref(), Some(alias));
        assert_eq!(
            cell.reason.to_string(),
            format!("own token, set to {alias}")
        );
    }
}

#[test]
fn values_of_the_wrong_kind_say_what_was_expected() {
    for (token, line) in [
        (
            json!({ "kind": "dimension", "value": "12" }),
            "expected a length in px or rem, such as 12px",
        ),
        (
            json!({ "kind": "dimension", "value": "NaNpx" }),
            "expected a length in px or rem",
        ),
        (
            json!({ "kind": "dimension", "value": "1e12px" }),
            "expected a length in px or rem",
        ),
        (
            json!({ "kind": "number", "value": "inf" }),
            "expected a number",
        ),
        (
            json!({ "kind": "number", "value": "" }),
            "expected 1 to 1000 characters, found 0",
        ),
        (
            json!({ "kind": "fontWeight", "value": "0" }),
            "expected a font weight from 1 to 1000",
        ),
        (
            json!({ "kind": "fontWeight", "value": "bold" }),
            "expected a font weight from 1 to 1000",
        ),
        (
            json!({ "kind": "fontFamily", "value": " , '' " }),
            "expected font families separated by commas",
        ),
        (
            json!({ "kind": "colour", "value": "#fff" }),
            "expected color, dimension, number, fontFamily or fontWeight",
        ),
        (
            json!({ "value": "{}" }),
            "expected a token path of slugs joined by dots",
        ),
        (
            json!({ "value": "{Ferry.Wake}" }),
            "expected a token path of slugs joined by dots",
        ),
        (
            json!({ "kind": "number", "value": "{petrol.600}" }),
            "expected a number, found a color",
        ),
        (
            json!({ "light": "#fff" }),
            "expected a value, or one for light and one for dark",
        ),
        (json!({ "value": 5 }), "expected text, found 5"),
        (
            json!({ "value": "#fff", "note": "x" }),
            "unknown key \"note\"",
        ),
        (json!("#fff"), "expected an object, found \"#fff\""),
    ] {
        let found = problems(json!({ "tokens": { "ferry.odd": token } }));
        assert!(
            found.starts_with("/tokens/ferry.odd") && found.contains(line),
            "{line:?} in {found:?}"
        );
    }
}

#[test]
fn colours_without_names_are_named_by_their_look_and_told_apart() {
    let colors: Vec<Color> = ["#0f5c7a", "#0f5c7b", "#0f5c7c", "#e4572e"]
        .iter()
        .map(|c| Color::parse(c).unwrap())
        .collect();
    let spec = Document::from_brand("Four", &colors);
    let names: Vec<_> = spec
        .brand
        .iter()
        .map(|b| (b.name.as_str(), b.slug.as_str()))
        .collect();
    assert_eq!(
        names,
        [
            ("Blue", "blue"),
            ("Blue 2", "blue-2"),
            ("Blue 3", "blue-3"),
            ("Orange", "orange")
        ]
    );
    assert_eq!(
        Document::read(&spec.to_json()).unwrap(),
        spec,
        "what is made can be read"
    );
    derive(&Resolved::alone(spec)).unwrap();
}

#[test]
fn names_are_as_long_as_they_may_be_and_no_longer() {
    let long = |n: usize| "a".repeat(n);
    assert!(long(60).parse::<Slug>().is_ok() && long(61).parse::<Slug>().is_err());
    assert!(long(24).parse::<StepLabel>().is_ok() && long(25).parse::<StepLabel>().is_err());
    assert!(long(200).parse::<TokenPath>().is_ok() && long(201).parse::<TokenPath>().is_err());
    assert!(long(1000).parse::<KeptPath>().is_ok() && long(1001).parse::<KeptPath>().is_err());
    let fallback: Slug = "brand".parse().unwrap();
    let slug = Slug::from_name(&long(500), &fallback);
    assert!(
        slug.as_str().len() <= 48
            && slug
                .unique(|s| s.as_str().len() < 50)
                .as_str()
                .ends_with("-2")
    );
}

#[test]
fn foreign_names_fold_to_paths() {
    for (names, path) in [
        (vec!["Brand", "Deep Sea", "500"], Some("brand.deep-sea.500")),
        (vec!["色", "主"], Some("se.zhu")),
        (vec!["500"], Some("file.500")),
        (vec!["…", "!"], None),
        (vec![], None),
        (vec!["a", "", "b"], Some("a.b")),
    ] {
        let found = TokenPath::from_names(names.iter().copied());
        assert_eq!(found.as_ref().map(TokenPath::as_str), path, "{names:?}");
    }
    let long = "x".repeat(150);
    assert_eq!(TokenPath::from_names([long.as_str(), long.as_str()]), None);
}

#[test]
fn documents_of_the_wrong_shape_say_so() {
    for (text, line) in [
        ("[]", "expected an object, found a list"),
        ("null", "expected an object, found null"),
        ("{}", "/format"),
        (
            r#"{"format":"1","name":"X"}"#,
            "/format: expected format 1, found \"1\"",
        ),
        (
            r##"{"format":1,"brand":[{"name":"A","color":"#111"}]}"##,
            "/name",
        ),
        (
            r##"{"format":1,"name":"","brand":[{"name":"A","color":"#111"}]}"##,
            "/name",
        ),
        (
            r##"{"format":1,"name":"X","brand":{"a":"#111"}}"##,
            "/brand: expected a list, found an object",
        ),
        (
            r##"{"format":1,"name":"X","brand":["#111"]}"##,
            "/brand/0: expected an object, found \"#111\"",
        ),
        (
            r##"{"format":1,"name":"X","brand":[{"name":"A"}]}"##,
            "color",
        ),
        (
            r##"{"format":1,"name":"X","brand":[{"name":"A","color":"#111"}],"scales":[]}"##,
            "/scales: expected an object, found a list",
        ),
        (
            r##"{"format":1,"name":"X","extends":"No Slug"}"##,
            "/extends: \"No Slug\": expected a slug",
        ),
        ("{\"format\":1", "line 1 column 11"),
        ("", "line 1 column 0"),
    ] {
        let found = Document::parse(text).unwrap_err().to_string();
        assert!(found.contains(line), "{line:?} in {found:?}");
    }
    let many: Vec<Value> = (0..41)
        .map(|i| json!({ "name": format!("C{i}"), "color": "#123456" }))
        .collect();
    assert!(
        problems(json!({ "brand": many })).contains("/brand: expected at most 40"),
        "41 colours"
    );
    let name = "n".repeat(201);
    assert!(
        problems(json!({ "name": name }))
            .contains("/name: expected 1 to 200 characters, found 201"),
        "a long name"
    );
}
