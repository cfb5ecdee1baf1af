//! How a project's style sheets set text and corners, and what a theme made from them decides.

use proptest::prelude::*;
use rhodon_formats::read::{InputFile, read};
use rhodon_formats::type_use::type_in_use;
use rhodon_theme::{Document, Resolved, derive};
use serde_json::{Value, json};

use crate::support::theme;

/// What a theme that is read from one file says of type and shape.
fn read_one(name: &str, text: &str) -> Value {
    let import = read(&[InputFile::text(name, text)]);
    let spec = import.spec.unwrap().to_json();
    json!([spec.get("type"), spec.get("shape")])
}

#[test]
fn a_sites_style_sheet_brings_its_faces_sizes_and_corners() {
    let sheet = r#"
        @import url("https://faces.example/css2?family=Vess:wght@400;700&display=swap");
        @import url("https://other.example/reset.css");
        @font-face { font-family: "Loaded Here"; src: url(a.woff2) }
        html { font-size: 62.5% }
        :root { --brand: #7a1f3d; --font-body: "Vess", Helvetica, sans-serif }
        body { font-family: var(--font-body); font-size: 1.7rem; color: #222 }
        h1, h2 { font: 700 2.4rem/1.2 'Anlow Display', Georgia, serif; color: #7a1f3d }
        h1 { font-weight: 800 }
        code { font-family: "Harbour Mono", monospace !important }
        .button { border-radius: 9px } .button.small, input { border-radius: 9px }
        .card { border-radius: 20px }
        @media (max-width: 500px) { body { font-family: Narrow, serif; font-size: 12px } }
    "#;
    let expected = json!([
        {
            "body": ["Vess", "Helvetica", "sans-serif"],
            "heading": ["Anlow Display", "Georgia", "serif"],
            "mono": ["Harbour Mono", "monospace"],
            "import": "https://faces.example/css2?family=Vess:wght@400;700&display=swap",
            "base": 17.0,
            "bold": 800,
        },
        { "radius": 9.0 },
    ]);
    assert_eq!(read_one("site.css", sheet), expected);
}

#[test]
fn variables_of_a_dialect_say_it_without_a_rule() {
    let sheet = "
        // $font-family-base: 'Not this', serif;
        $brand: #0f5c7a !default;
        $font-size-base: 1rem !default;
        $font-family-sans: 'Tern', Arial, sans-serif !default;
        $font-family-base: $font-family-sans !default;
        $font-weight-base: 400;
        $headings-font-family: \"Skerry\", serif !default;
        $font-family-monospace: Menlo, monospace;
        $border-radius: .5rem !default;
        $border-radius-lg: 2rem;
    ";
    let expected = json!([
        {
            "body": ["Tern", "Arial", "sans-serif"],
            "heading": ["Skerry", "serif"],
            "mono": ["Menlo", "monospace"],
        },
        { "radius": 8.0 },
    ]);
    assert_eq!(read_one("_variables.scss", sheet), expected);
}

#[test]
fn a_page_says_it_in_its_style_elements_and_links() {
    let page = r#"<!doctype html><head>
        <link rel="stylesheet" href="https://faces.example/fonts?a=1&amp;b=2">
        <link rel="stylesheet" href="site.css">
        <STYLE media="all">body { font: italic 14px "Quay Sans", sans-serif; background: #0f5c7a }</STYLE>
        <p style="font-family: Elsewhere">body { font-family: Nobody }</p>"#;
    let expected = json!([
        {
            "body": ["Quay Sans", "sans-serif"],
            "base": 14.0,
            "import": "https://faces.example/fonts?a=1&b=2",
        },
        null,
    ]);
    assert_eq!(read_one("index.html", page), expected);
}

#[test]
fn configurations_say_it_by_their_keys() {
    let faces = |body: &[&str]| json!({ "body": body });
    let both = json!({ "body": ["Vess", "sans-serif"], "heading": ["Anlow", "serif"] });
    for (name, text, expected) in [
        (
            "theme.ts",
            r#"make({ palette: { primary: { main: '#0f5c7a' } }, typography: { fontFamily: '"Vess", Arial' }, shape: { borderRadius: 10 } })"#,
            json!([faces(&["Vess", "Arial"]), { "radius": 10.0 }]),
        ),
        (
            "utility.js",
            "export default { theme: { extend: { colors: { sea: '#0f5c7a' }, fontFamily: { serif: ['Quay', 'serif'], sans: ['Vess', 'sans-serif'] }, borderRadius: { lg: '20px', DEFAULT: '.5rem' } } } }",
            json!([faces(&["Vess", "sans-serif"]), { "radius": 8.0 }]),
        ),
        (
            "theme.json",
            r##"{ "color": "#0f5c7a", "typography": { "fontFamilies": [
                { "fontFamily": "Anlow, serif", "slug": "heading", "name": "Anlow" },
                { "name": "Vess", "slug": "body", "fontFamily": "\"Vess\", sans-serif" } ] } }"##,
            json!([both, null]),
        ),
        (
            "theme.ts",
            "export const t = { color: '#0f5c7a', fonts: { heading: 'Anlow, serif', body: 'Vess, sans-serif' }, fontSize: '12px', fontWeight: 'bold' }",
            json!([both, null]),
        ),
    ] {
        assert_eq!(read_one(name, text), expected, "{text}");
    }
}

#[test]
fn an_address_of_faces_that_no_document_takes_is_told() {
    let sheet =
        "@import 'http://faces.example/font.css'; @import '/fonts/own.css'; a { color: #0f5c7a }";
    let import = read(&[InputFile::text("a.css", sheet)]);
    let told = ["http://faces.example/font.css", "/fonts/own.css"]
        .map(|address| format!("Faces from {address} are left: expected an https address"));
    assert_eq!(import.notes, told);
    assert!(import.spec.unwrap().to_json().get("type").is_none());
}

#[test]
fn what_says_nothing_of_faces_decides_nothing() {
    for value in [
        "inherit",
        "var(--unknown)",
        "$unknown",
        "map.get($faces, body)",
        "",
    ] {
        let sheet = format!("body {{ font-family: {value}; font-size: 16px; color: #0f5c7a }}");
        assert_eq!(read_one("a.scss", &sheet), json!([null, null]), "{value}");
    }
    let plain = [InputFile::text("a.toml", "font-family = \"Vess\"")];
    assert_eq!(type_in_use(&plain).told, []);
}

/// What Rhodon writes is read again as what was decided.
#[test]
fn exported_sheets_are_read_as_what_was_decided() {
    let decided = json!({ "body": ["Vess", "sans-serif"], "heading": ["Anlow", "serif"], "mono": ["Quay", "monospace"] });
    let made = theme(json!({ "type": decided }));
    for (target, file) in [
        ("css", "theme.css"),
        ("sass", "_theme.scss"),
        ("less", "theme.less"),
    ] {
        let read = read_one(file, &made.text(target, &[]));
        assert_eq!(read[0], decided, "{target}");
    }
}

proptest! {
    /// Whatever stands in a file, reading ends, what it says can be decided, and what comes of it can be read.
    #[test]
    fn pieces_of_sheets_in_any_order_are_read(
        pieces in prop::collection::vec(prop::sample::select(PIECES), 0..24),
        name in prop::sample::select(&["a.css", "a.scss", "a.less", "a.html", "a.ts", "a.json"][..]),
    ) {
        let text = format!("{} a {{ color: #0f5c7a }}", pieces.concat());
        let import = read(&[InputFile::text(name, text.clone())]);
        if let Some(spec) = import.spec {
            let read = Document::read(&spec.to_json());
            prop_assert!(read.is_ok());
            let derived = derive(&Resolved::alone(read.unwrap())).unwrap();
            let failed: Vec<_> = derived.pairs.iter().filter(|pair| !pair.pass).collect();
            prop_assert!(failed.is_empty(), "{text}: {failed:?}");
        }
    }
}

/// Beginnings and ends that belong to no whole.
const PIECES: &[&str] = &[
    ":root{",
    ".dark{",
    "[data-mode='dark'] body{",
    "@media (prefers-color-scheme: dark){",
    "@theme{",
    "--bg:",
    "--bg-dark:",
    "--text:",
    "--text-muted:",
    "--link:",
    "--primary:",
    "light-dark(",
    "#111;",
    "#fdfcf9;",
    "#777,",
    "dark: { text: '#eee',",
    "light: { background: '#fff' },",
    "body{",
    "}",
    "h1,",
    "code",
    "font-family:",
    "font:",
    "12px/",
    " 1.2 ",
    "'Véss",
    "\"",
    ";",
    "var(--a",
    ")",
    "--a:",
    "--font-body:",
    "$font:",
    "$a",
    "@b",
    ", serif",
    "@import",
    " url(",
    "https://font.example/ü?x",
    "/*",
    "*/",
    "//",
    "\n",
    "#{",
    "<style",
    ">",
    "</style>",
    "<link href=\"",
    "@media{",
    "@layer x{",
    "border-radius:",
    "1e999px",
    "-3rem",
    "\u{0}",
    "\\",
    "fontFamily:",
    "'fontFamily' =>",
    "{\"slug\":\"heading\",",
    "[\"Ünst\",",
    "]",
    "Color(",
    "0.5,",
];
