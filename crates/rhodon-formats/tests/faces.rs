//! Files with other faces: lists of faces where they stand, each change in the spelling of what was there.
#![allow(clippy::unwrap_used)]

use proptest::prelude::*;
use rhodon_formats::read::InputFile;
use rhodon_formats::recolor::{ColorMap, FaceMap, Faces, Loading, Plan, Recolored, recolor};
use rhodon_theme::{Derived, Document, Resolved, derive};
use serde_json::json;

fn plan(faces: &[(&str, &str)]) -> Plan {
    let mut plan = Plan::default();
    for (old, new) in faces {
        plan.faces.add(old, Faces::typed(new).unwrap());
    }
    plan
}

fn done(name: &str, text: &str, faces: &[(&str, &str)]) -> Recolored {
    recolor(&InputFile::text(name, text), &plan(faces)).unwrap()
}

const TERN_TO_ANLOW: &[(&str, &str)] = &[("Tern Sans", "Anlow Text")];

#[test]
fn one_face_takes_the_place_of_another_as_that_was_written() {
    for (name, old, new) in [
        (
            "a.css",
            "a{font-family:Tern Sans,serif}",
            "a{font-family:Anlow Text,serif}",
        ),
        (
            "a.css",
            "a { font-family: 'Tern Sans' }",
            "a { font-family: 'Anlow Text' }",
        ),
        (
            "a.css",
            "a { font-family: \"tern  sans\" , x !important; }",
            "a { font-family: \"Anlow Text\" , x !important; }",
        ),
        (
            "a.css",
            "a { font: italic 700 1rem/1.2 'Tern Sans', serif }",
            "a { font: italic 700 1rem/1.2 'Anlow Text', serif }",
        ),
        (
            "a.css",
            ":root { --font-body: \"Tern Sans\", serif }",
            ":root { --font-body: \"Anlow Text\", serif }",
        ),
        (
            "a.scss",
            "$font-stack: 'Tern Sans', serif !default; // a: word",
            "$font-stack: 'Anlow Text', serif !default; // a: word",
        ),
        (
            "a.sass",
            ".a\n  font-family: 'Tern Sans', serif\n$b: 1\n",
            ".a\n  font-family: 'Anlow Text', serif\n$b: 1\n",
        ),
        (
            "a.scss",
            ".a { &-b { font-family: 'Tern Sans'; } }",
            ".a { &-b { font-family: 'Anlow Text'; } }",
        ),
        (
            "a.scss",
            "$font: \"Tern Sans\", \"Wow! Sans\" !default !global;",
            "$font: \"Anlow Text\", \"Wow! Sans\" !default !global;",
        ),
        (
            "a.less",
            "@font-family-base: 'Tern Sans', serif;",
            "@font-family-base: 'Anlow Text', serif;",
        ),
        (
            "a.html",
            "<style>p { font-family: Tern Sans }</style><p style=\"font-family: 'Tern Sans'\">Tern Sans</p>",
            "<style>p { font-family: Anlow Text }</style><p style=\"font-family: 'Anlow Text'\">Tern Sans</p>",
        ),
        (
            "a.svg",
            "<text font-family=\"Tern Sans, serif\">",
            "<text font-family=\"Anlow Text, serif\">",
        ),
        (
            "a.json",
            r#"{"styles": {"fontFamily": "Tern Sans, serif", "name": "Tern Sans"}}"#,
            r#"{"styles": {"fontFamily": "Anlow Text, serif", "name": "Tern Sans"}}"#,
        ),
        (
            "a.json",
            r#"{"fontFamily": "\"Tern Sans\", serif"}"#,
            r#"{"fontFamily": "\"Anlow Text\", serif"}"#,
        ),
        (
            "a.js",
            "export default { fontFamily: { sans: ['Tern Sans', 'serif'], mono: ['Quay'] } }",
            "export default { fontFamily: { sans: ['Anlow Text', 'serif'], mono: ['Quay'] } }",
        ),
    ] {
        let found = done(name, old, TERN_TO_ANLOW);
        assert_eq!(found.text, new, "{old}");
        let back = done(name, &found.text, &[("Anlow Text", "Tern Sans")]);
        assert_eq!(back.text, old.replace("tern  sans", "Tern Sans"), "{old}");
    }
}

#[test]
fn what_is_no_list_of_faces_stays() {
    for (name, text) in [
        (
            "a.css",
            "@font-face { font-family: 'Tern Sans'; src: url(tern.woff2) }",
        ),
        (
            "a.css",
            "@import url('https://faces.example/css?family=Tern+Sans'); /* font-family: Tern Sans */",
        ),
        (
            "a.css",
            "a::after { content: 'Tern Sans' } .tern-sans { color: red }",
        ),
        (
            "a.css",
            ":root { --font-feature-settings: 'Tern Sans', 'x' }",
        ),
        (
            "a.css",
            "a { font-family: inherit } b { font-family: serif, 'Tern Sans' } c { font: caption }",
        ),
        (
            "a.js",
            "const title = 'Tern Sans'; const font = { name: 'Tern Sans' }",
        ),
    ] {
        assert_eq!(done(name, text, TERN_TO_ANLOW).text, text);
    }
}

#[test]
fn a_list_takes_the_place_of_a_whole_list() {
    let found = done(
        "a.css",
        "a { font-family: 'Tern Sans', Arial, serif; font-weight: 700 }",
        &[("tern sans", "Anlow, \"2nd Berth\", sans-serif")],
    );
    assert_eq!(
        found.text,
        "a { font-family: 'Anlow', '2nd Berth', sans-serif; font-weight: 700 }"
    );
    let told = &found.faces[0];
    assert_eq!((told.line, told.column), (1, 18));
    assert_eq!(told.face, "Tern Sans");
    assert_eq!(told.from, "'Tern Sans', Arial, serif");
}

#[test]
fn a_reference_stands_where_a_style_sheet_can_have_one() {
    let mut plan = Plan {
        to_variables: true,
        ..Plan::default()
    };
    let new = Faces {
        families: vec!["Anlow".to_owned(), "serif".to_owned()],
        variable: Some("--type-family-body".to_owned()),
    };
    plan.faces.add("Tern", new);
    let text = "$font-base: Tern, serif; a { font: 1rem Tern, serif; --font: Tern, x }";
    let found = recolor(&InputFile::text("a.scss", text), &plan).unwrap();
    assert_eq!(
        found.text,
        "$font-base: Anlow, serif; a { font: 1rem var(--type-family-body); --font: var(--type-family-body) }"
    );
    let script = r#"x = { fontFamily: "Tern, serif" }"#;
    let found = recolor(&InputFile::text("a.ts", script), &plan).unwrap();
    assert_eq!(found.text, r#"x = { fontFamily: "Anlow, serif" }"#);
}

#[test]
fn from_one_theme_to_another_faces_follow_the_tokens() {
    let theme = |body: &str, heading: &str| {
        let spec = json!({ "format": 1, "name": "T", "brand": [{ "name": "P", "slug": "p", "color": "#0f5c7a" }],
            "type": { "body": [body, "serif"], "heading": [heading, "serif"], "mono": ["Quay Mono"] } });
        derive(&Resolved::alone(Document::read(&spec).unwrap())).unwrap()
    };
    let text =
        "a { font-family: Tern } b { font-family: Vess, Arial } c { font-family: Quay Mono }";
    let faced = |old: &Derived, new: &Derived| {
        let plan = Plan {
            faces: FaceMap::between(old, new),
            ..Plan::default()
        };
        recolor(&InputFile::text("a.css", text), &plan)
            .unwrap()
            .text
    };
    assert_eq!(
        faced(&theme("Tern", "Vess"), &theme("Anlow", "Vess")),
        text.replace("Tern", "Anlow, serif")
    );
    // What was one face and becomes two is nobody's to decide.
    assert_eq!(faced(&theme("Tern", "Tern"), &theme("Anlow", "Vess")), text);
    assert_eq!(faced(&theme("Tern", "Tern"), &theme("Anlow", "Tern")), text);
}

#[test]
fn a_name_ends_neither_its_quotes_nor_the_text_around_them() {
    let named = &[("Tern", "Bob's \"Quay\" \\ </style>")];
    for (name, text) in [
        ("a.css", "a { font-family: \"Tern\" }"),
        ("a.html", "<p style=\"font-family: Tern\">"),
        ("a.html", "<style>a { font-family: 'Tern' }</style>"),
        ("a.js", "x = { fontFamily: 'Tern' }"),
    ] {
        let found = done(name, text, named);
        assert_ne!(found.text, text);
        assert_eq!(
            found.text.matches("</style>").count(),
            text.matches("</style>").count()
        );
        // What was put in is read as one face again.
        let faces = done(name, &found.text, &[]).faces;
        assert_eq!(faces.len(), 1, "{}", found.text);
    }
    let found = done("a.json", r#"{"fontFamily": "Tern, serif"}"#, named);
    let held: serde_json::Value = serde_json::from_str(&found.text).unwrap();
    assert_eq!(
        rhodon_theme::font_families(held["fontFamily"].as_str().unwrap()),
        ["Bob's \"Quay\" \\ </style>", "serif"]
    );
}

#[test]
fn colours_and_faces_change_in_one_go() {
    let mut plan = plan(TERN_TO_ANLOW);
    plan.map = ColorMap::parse(r##"{"#0f5c7a": "#a33a1e"}"##).unwrap();
    let text =
        "a{color:#0f5c7a;font:1rem Tern Sans;border-color:#0f5c7a}\nb{font-family:'Tern Sans'}";
    let found = recolor(&InputFile::text("a.css", text), &plan).unwrap();
    assert_eq!(
        found.text,
        "a{color:#a33a1e;font:1rem Anlow Text;border-color:#a33a1e}\nb{font-family:'Anlow Text'}"
    );
    let places: Vec<_> = found.faces.iter().map(|f| (f.line, f.column)).collect();
    assert_eq!(places, [(1, 27), (2, 15)]);
    assert_eq!(found.changes.len(), 2);
}

#[test]
fn faces_that_would_make_a_file_too_long_are_refused() {
    let text = "a{font:1em Tern}".repeat(1_000);
    let plan = plan(&[("Tern", &"V".repeat(50_000))]);
    let refused = recolor(&InputFile::text("a.css", text), &plan);
    assert!(refused.unwrap_err().contains("more than 40 MB"));
}

#[test]
fn a_list_that_holds_what_looks_like_a_colour_is_taken_once() {
    let mut plan = plan(&[("Tern", "Anlow, serif")]);
    plan.map = ColorMap::parse(r##"{"#fff": "#a33a1e"}"##).unwrap();
    let text = "x = { fontFamily: 'Tern, #fff, #fff' , color: '#fff' }";
    let found = recolor(&InputFile::text("a.js", text), &plan).unwrap();
    assert_eq!(
        found.text,
        "x = { fontFamily: 'Anlow, serif' , color: '#a33a1e' }"
    );
}

/// Pieces of which files are made that say faces, whole and cut.
const PIECES: [&str; 26] = [
    "font-family:",
    "font: 1rem ",
    "--font: ",
    "$font: ",
    "Tern Sans",
    "\"Tern Sans\"",
    "'Tern",
    "\\\"Tern Sans\\\"",
    "'",
    "\"",
    "\\",
    ", ",
    "serif",
    ";",
    " {",
    "}",
    "\n",
    "é",
    "<style>",
    "</style>",
    "style=\"",
    "fontFamily: ",
    "[",
    "]",
    "// ",
    "#0f5c7a",
];

proptest! {
    #[test]
    fn pieces_in_any_order_change_at_the_told_places_alone(
        pieces in prop::collection::vec(prop::sample::select(&PIECES[..]), 0..40),
        ending in prop::sample::select(&["css", "scss", "html", "js", "json", "sass", "xml"][..]),
    ) {
        let old = pieces.concat();
        let mut plan = plan(&[("tern sans", "Quay's \"Own\""), ("tern", "Vess, serif")]);
        plan.map = ColorMap::parse(r##"{"#0f5c7a": "#a33a1e"}"##).unwrap();
        let Ok(found) = recolor(&InputFile::text(format!("a.{ending}"), &*old), &plan) else {
            return Ok(());
        };
        let starts: Vec<usize> = std::iter::once(0)
            .chain(old.match_indices('\n').map(|(at, _)| at + 1))
            .collect();
        let colors = found.changes.iter().map(|c| (c.line, c.column, &c.from, &c.to));
        let faces = found.faces.iter().filter_map(|f| Some((f.line, f.column, &f.from, f.to.as_ref()?)));
        let mut places: Vec<_> = colors.chain(faces).collect();
        places.sort();
        let (mut new, mut at) = (String::new(), 0);
        for (line, column, from, to) in places {
            let start = starts[line - 1] + column - 1;
            prop_assert!(old[start..].starts_with(from.as_str()));
            new += &old[at..start];
            new += to;
            at = start + from.len();
        }
        prop_assert_eq!(new + &old[at..], found.text);
    }
}

#[test]
fn a_face_that_no_file_loads_is_told() {
    let sheet = "a { font-family: 'Tern Sans', serif }";
    let missing = |files: &[(&str, &str)], new: &str| -> Vec<String> {
        let mut loading = Loading::default();
        for (name, text) in files {
            loading.add(&done(name, text, &[("Tern Sans", new)]));
        }
        loading.missing().map(str::to_owned).collect()
    };
    assert_eq!(missing(&[("a.css", sheet)], "Anlow Text"), ["Anlow Text"]);
    let script = r#"x = { fontFamily: "\"Tern Sans\", serif" }"#;
    assert_eq!(missing(&[("a.ts", script)], "Anlow Text"), ["Anlow Text"]);
    // Systems have it, or the file that loads it is there too.
    assert!(missing(&[("a.css", sheet)], "Georgia").is_empty());
    for (name, loader) in [
        (
            "b.css",
            "@font-face { font-family: \"Anlow Text\"; src: url(a.woff2) }",
        ),
        (
            "b.css",
            "@import url('https://fonts.example/css?family=Anlow+Text:wght@400');",
        ),
        (
            "b.html",
            "<link rel=stylesheet href=\"fonts/anlow-text.css\">",
        ),
        ("b.ts", "import \"@fonts/anlow-text\";"),
    ] {
        assert!(
            missing(&[("a.css", sheet), (name, loader)], "Anlow Text").is_empty(),
            "{loader}"
        );
    }
    // A face that stays is nobody's news.
    assert!(
        missing(
            &[("a.css", "a { font-family: 'Other Face' }")],
            "Anlow Text"
        )
        .is_empty()
    );
}
