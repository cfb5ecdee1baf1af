//! Own tokens, type and shape, names, and children of other themes.

use rhodon_color::Color;
use rhodon_theme::{
    Document, KeptPath, Mode, ModeValues, Origin, Resolved, Section, Slug, StepLabel, TokenKind,
    TokenPath, derive,
};
use serde_json::{Value, json};

use crate::support::{derived, document, problems, theme, value};

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
fn sizes_run_by_the_ratio_from_the_base() {
    let theme = derived(json!({ "type": { "base": 20, "ratio": 1.25 } }));
    for (name, powers) in [
        ("fine", -2),
        ("small", -1),
        ("body", 0),
        ("lead", 1),
        ("title", 3),
        ("display", 5),
    ] {
        let rem = (20.0 * 1.25f64.powi(powers) / 16.0 * 10_000.0).round() / 10_000.0;
        assert_eq!(
            value(&theme, &format!("type.size.{name}"), Mode::Light),
            format!("{rem}rem"),
            "{name}"
        );
    }
    let free = derived(json!({}));
    assert_eq!(value(&free, "type.size.body", Mode::Light), "1rem");
    assert_eq!(value(&free, "type.size.title", Mode::Light), "1.728rem");
}

#[test]
fn families_and_weights_are_the_set_ones_and_headings_follow_text() {
    let theme = derived(json!({ "type": {
        "body": ["Anlow Sans", "sans-serif"], "mono": ["Anlow Mono"], "regular": 380, "bold": 720,
        "import": "https://fonts.example.test/anlow.css"
    } }));
    let light = |path: &str| value(&theme, path, Mode::Light);
    assert_eq!(light("type.family.body"), "Anlow Sans, sans-serif");
    assert_eq!(light("type.family.heading"), "Anlow Sans, sans-serif");
    assert_eq!(light("type.family.mono"), "Anlow Mono");
    assert_eq!(
        [light("type.weight.regular"), light("type.weight.bold")],
        ["380", "720"]
    );
    assert_eq!(theme.web_fonts, ["https://fonts.example.test/anlow.css"]);
    let origin = |path: &str| theme.token(path).unwrap().cell(Mode::Light).origin;
    assert_eq!(
        (origin("type.family.body"), origin("type.family.heading")),
        (Origin::Set, Origin::Derived)
    );
}

/// An entry may be a list as style sheets have it; what is no list is a name as it stands.
#[test]
fn families_are_read_as_style_sheets_write_them() {
    for (written, read) in [
        (
            "\"Harbour, Grotesk\", 'Anlow' , serif",
            "Harbour, Grotesk, Anlow, serif",
        ),
        ("Anlow  Sans, serif", "Anlow Sans, serif"),
        ("Harbour \"Grotesk\"", "Harbour \"Grotesk\""),
        ("2nd  Berth", "2nd  Berth"),
        ("a\\b", "a\\b"),
        ("'", "'"),
    ] {
        let theme = derived(json!({ "type": { "body": [written] } }));
        assert_eq!(
            value(&theme, "type.family.body", Mode::Light),
            read,
            "{written}"
        );
    }
}

#[test]
fn corners_are_shares_of_one_radius_and_a_square_theme_rounds_nothing() {
    let radii = |radius: Value| {
        let theme = derived(json!({ "shape": { "radius": radius } }));
        ["small", "medium", "large", "round"]
            .map(|n| value(&theme, &format!("shape.radius.{n}"), Mode::Light))
    };
    assert_eq!(radii(json!(5)), ["2.5px", "5px", "10px", "9999px"]);
    assert_eq!(radii(json!(0)), ["0px", "0px", "0px", "0px"]);
    let border = derived(json!({ "shape": { "border": 0.5 } }));
    assert_eq!(value(&border, "shape.border.width", Mode::Light), "0.5px");
}

#[test]
fn web_font_addresses_cannot_break_out_of_a_file() {
    for bad in [
        "http://a.test/x",
        "javascript:alert(1)",
        "https://a.test/x\")",
        "https://a.test/a b",
        "//a.test/x",
        "https://a.test/<x>",
        "",
        "https://a.test/x'",
        "https://a.test/\u{0}",
        "https://a.test/\\x",
        "http://localhost.a.test/x",
        "http://127.0.0.1:80@a.test/x",
    ] {
        let found = Document::read(&document(json!({ "type": { "import": bad } })));
        assert!(found.is_err(), "{bad:?} was taken");
    }
    for own in [
        "http://127.0.0.1:8080/sheet?family=Anlow",
        "http://localhost/x",
    ] {
        theme(json!({ "type": { "import": own } }));
    }
    theme(
        json!({ "type": { "import": "https://fonts.example.test/css?family=Anlow+Sans:wght@400;700&display=swap" } }),
    );
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

/// A parent with a decision of every kind.
fn parent() -> Document {
    Document::read(&document(json!({
        "steps": ["100", "500", "900"],
        "scales": { "petrol": { "turn": 5, "strength": 1.1 } },
        "intents": { "info": { "scale": "petrol" } },
        "roles": { "link.rest": { "light": "#005577", "dark": "#77ccee" } },
        "tokens": { "ferry.wake": { "value": "#abcdef", "description": "behind" } },
        "type": { "base": 18, "ratio": 1.3, "body": ["Anlow Sans"] },
        "shape": { "radius": 3, "border": 2 },
        "aim": { "dominant": 70, "secondary": 20, "accent": 10 }
    })))
    .unwrap()
}

fn child(extra: Value) -> Resolved {
    let mut own = json!({ "format": 1, "name": "Night", "extends": "tern" });
    for (key, value) in extra.as_object().unwrap() {
        own[key] = value.clone();
    }
    Resolved::follow(Document::read(&own).unwrap(), |_| Some(parent())).unwrap()
}

#[test]
fn a_child_that_decides_nothing_is_its_parent() {
    let (own, theirs) = (
        child(json!({})),
        derive(&Resolved::alone(parent())).unwrap(),
    );
    let found = derive(&own).unwrap();
    assert_eq!(found.name, "Night");
    assert_eq!(found.tokens.len(), theirs.tokens.len());
    for (a, b) in found.tokens.iter().zip(&theirs.tokens) {
        for mode in Mode::BOTH {
            assert_eq!(a.cell(mode).value, b.cell(mode).value, "{}", a.path);
            assert!(
                a.section == Section::Type
                    || a.section == Section::Shape
                    || a.cell(mode).origin != Origin::Set,
                "{}",
                a.path
            );
        }
    }
}

#[test]
fn a_child_decides_key_by_key() {
    let own = child(json!({
        "brand": [
            { "name": "Petrol", "slug": "petrol", "color": "#083b52" },
            { "name": "Moon", "slug": "moon", "color": "#d8d4c0" }
        ],
        "scales": { "petrol": { "turn": -5 } },
        "roles": { "link.rest": { "dark": "#99ddff" } },
        "type": { "base": 15 },
        "shape": { "border": 1 },
        "aim": { "dominant": 50, "secondary": 30, "accent": 20 }
    }));
    let spec = &own.merged;
    let colors: Vec<_> = spec
        .brand
        .iter()
        .map(|b| (b.slug.as_str(), b.color.text()))
        .collect();
    assert_eq!(
        colors,
        [("petrol", "#083b52"), ("moon", "#d8d4c0")],
        "its own colour in its parent's place"
    );
    assert_eq!(
        (spec.typography.base, spec.typography.ratio),
        (Some(15.0), Some(1.3))
    );
    assert_eq!(
        (spec.shape.radius, spec.shape.border),
        (Some(3.0), Some(1.0))
    );
    assert_eq!(spec.aim.unwrap().accent, 20.0);
    let color =
        |text| rhodon_theme::Typed::<rhodon_theme::Written>::parse(text, TokenKind::Color).unwrap();
    let link = &spec.roles[&"link.rest".parse::<TokenPath>().unwrap()];
    assert_eq!(
        link,
        &ModeValues {
            light: Some(color("#005577")),
            dark: Some(color("#99ddff"))
        }
    );
    assert_eq!(spec.steps.as_ref().unwrap().len(), 3);
    let found = derive(&own).unwrap();
    assert_eq!(value(&found, "ferry.wake", Mode::Light), "#abcdef");
    assert_eq!(value(&found, "info.fill", Mode::Light), "#083b52");
    let origin = |path: &str, mode| found.token(path).unwrap().cell(mode).origin;
    assert_eq!(origin("link.rest", Mode::Light), Origin::Inherited);
    assert_eq!(origin("link.rest", Mode::Dark), Origin::Set);
    assert_eq!(origin("ferry.wake", Mode::Light), Origin::Inherited);
}

#[test]
fn grandparents_are_followed_through_their_children() {
    let middle = Document::read(
        &json!({ "format": 1, "name": "Middle", "extends": "tern", "shape": { "radius": 9 } }),
    );
    let last = Document::read(
        &json!({ "format": 1, "name": "Last", "extends": "middle", "shape": { "border": 4 } }),
    );
    let by_slug = |slug: &Slug| match slug.as_str() {
        "tern" => Some(parent()),
        "middle" => middle.clone().ok(),
        _ => None,
    };
    let resolved = Resolved::follow(last.unwrap(), by_slug).unwrap();
    assert_eq!(
        (resolved.merged.shape.radius, resolved.merged.shape.border),
        (Some(9.0), Some(4.0))
    );
    assert_eq!(resolved.merged.brand[0].slug.as_str(), "petrol");
}

#[test]
fn an_aim_is_a_whole() {
    for (aim, line) in [
        (json!({ "dominant": 60, "secondary": 30 }), "accent"),
        (
            json!({ "dominant": -10, "secondary": 60, "accent": 50 }),
            "/aim/dominant: expected a number from 0 to 100",
        ),
        (
            json!({ "dominant": "60", "secondary": 30, "accent": 10 }),
            "/aim/dominant: expected a number from 0 to 100, found \"60\"",
        ),
    ] {
        let found = problems(json!({ "aim": aim }));
        assert!(found.contains(line), "{line:?} in {found:?}");
    }
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
