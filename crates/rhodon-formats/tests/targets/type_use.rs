//! How a project's style sheets set text and corners, and what a theme made from them decides.

use proptest::prelude::*;
use rhodon_formats::read::{InputFile, read};
use rhodon_formats::type_use::type_in_use;
use rhodon_theme::{Document, Mode, Resolved, Severity, audit, derive};
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

/// What a theme that is read from one sheet has as its page.
fn page_of(name: &str, text: &str) -> Value {
    let import = read(&[InputFile::text(name, text)]);
    import.spec.unwrap().to_json()["roles"]["surface.base"].clone()
}

#[test]
fn the_ground_of_the_pages_is_that_of_its_mode() {
    let brand = "a { color: #0f5c7a }";
    for (sheet, expected) in [
        (
            "body { background: #fffaf5 url(a.png) }",
            json!({ "light": "#fffaf5" }),
        ),
        (
            "html { background-color: #111827 }",
            json!({ "dark": "#111827" }),
        ),
        (
            ":root { --background: 40 60% 97% } .dark { --background: 0 0% 5% } body { background: hsl(var(--background)) }",
            json!({ "light": "#fcf9f3", "dark": "#0d0d0d" }),
        ),
        ("$body-bg: #f0ead6 !default;", json!({ "light": "#f0ead6" })),
        // The step that is white, and not a code of its own.
        (
            "body { background: white }",
            json!({ "light": "{neutral.0}" }),
        ),
        (
            "body { background: linear-gradient(#fff, #eee) }",
            Value::Null,
        ),
        ("body { background: #0f5c7a }", Value::Null),
        ("body { background: #fff8 }", Value::Null),
        (
            "body { background: none } .page { background: #fff }",
            Value::Null,
        ),
        ("@media print { body { background: #fffaf5 } }", Value::Null),
    ] {
        assert_eq!(
            page_of("a.scss", &format!("{sheet} {brand}")),
            expected,
            "{sheet}"
        );
    }
    let sheet = "body { background: #f0ead6 } a { color: #7a1f3d }";
    let spec = read(&[InputFile::text("a.css", sheet)]).spec.unwrap();
    let theme = Resolved::alone(spec);
    let found = audit(&theme, &derive(&theme).unwrap());
    let wrong: Vec<_> = found
        .iter()
        .filter(|f| f.severity != Severity::Note)
        .collect();
    assert!(
        wrong.is_empty(),
        "a theme on its own page is readable: {wrong:?}"
    );
}

/// The roles of a theme that is read from one sheet, and what is told of them.
fn roles_of(sheet: &str) -> (Value, Vec<String>) {
    let import = read(&[InputFile::text("a.css", sheet)]);
    let spec = import.spec.unwrap().to_json();
    let brand = spec["brand"].as_array().unwrap().iter();
    let brand: Vec<_> = brand.map(|b| b["color"].clone()).collect();
    (
        json!({ "brand": brand, "roles": spec["roles"] }),
        import.notes,
    )
}

/// The same project said in the ways in which sheets say a mode.
#[test]
fn both_modes_of_a_project_are_taken() {
    let light = "--brand: #0f766e; --bg: #fdfcf9; --text: #1c1917; --color-border: #e7e5e4; --link: #0b5d57";
    let dark = "--brand: #2dd4bf; --bg: #1c1917; --text: #fafaf9; --color-border: #44403c; --link: #5eead4";
    let pairs = light.split("; ").zip(dark.split("; "));
    let both: Vec<String> = pairs
        .map(|(light, dark)| {
            let (name, light) = light.split_once(": ").unwrap();
            let (_, dark) = dark.split_once(": ").unwrap();
            format!("{name}: light-dark({light}, {dark})")
        })
        .collect();
    let expected = json!({ "brand": ["#0f766e"], "roles": {
        "surface.base": { "light": "#fdfcf9", "dark": "#1c1917" },
        "text.main": { "light": "#1c1917", "dark": "#fafaf9" },
        "border.subtle": { "light": "#e7e5e4", "dark": "#44403c" },
        "link.rest": { "light": "#0b5d57", "dark": "#5eead4" },
        "primary.fill": { "dark": "#2dd4bf" },
    } });
    for sheet in [
        format!(
            ":root {{ {light} }} @media screen and (prefers-color-scheme: dark) {{ :root:not([data-mode='light']) {{ {dark} }} }}"
        ),
        format!("@theme {{ {light} }} .dark {{ {dark} }}"),
        format!("[data-theme=light] {{ {light} }} html[data-theme=dark] {{ {dark} }}"),
        format!(
            ":root {{ {light} }} @layer a {{ .theme-dark, .night {{ {dark} }} }} .card {{ --bg: #eee; --text: #777 }}"
        ),
    ] {
        let (decided, notes) = roles_of(&sheet);
        assert_eq!(decided, expected, "{sheet}");
        let told = "primary.fill is #2dd4bf in dark mode, instead of #0f766e";
        assert!(notes.iter().any(|note| note == told), "{notes:?}");
    }
    let sheet = format!(":root {{ {} }} .a {{ color: #0f766e }}", both.join("; "));
    let (decided, _) = roles_of(&sheet);
    assert_eq!(
        decided["roles"]["text.main"],
        expected["roles"]["text.main"]
    );
    assert_eq!(
        decided["roles"]["surface.base"],
        expected["roles"]["surface.base"]
    );
    // A site that is dark first, with its light mode as the other one.
    let sheet = format!(
        ":root {{ {dark} }} @media (prefers-color-scheme: light) {{ :root {{ {light} }} }}"
    );
    let (decided, _) = roles_of(&sheet);
    assert_eq!(decided["brand"], json!(["#2dd4bf"]));
    assert_eq!(
        decided["roles"]["primary.fill"],
        json!({ "light": "#0f766e" })
    );
    assert_eq!(
        decided["roles"]["text.main"],
        expected["roles"]["text.main"]
    );
}

/// What a project says nothing of stands among its own greys, warm or cold.
#[test]
fn greys_that_nobody_says_have_the_hue_of_those_that_are_said() {
    let sheet = ":root { --brand: #0f766e; --bg: #fdfcf9; --text-secondary: #6b5d52 }";
    let theme = Resolved::alone(read(&[InputFile::text("a.css", sheet)]).spec.unwrap());
    let derived = derive(&theme).unwrap();
    let sunken = derived.token("surface.sunken").unwrap();
    let hue = |code: rhodon_color::Rgb8| code.to_oklch().h;
    let own = hue("#6b5d52".parse().unwrap());
    for mode in Mode::BOTH {
        let code = sunken.cell(mode).value.color().unwrap().code;
        assert!((hue(code) - own).abs() < 25.0, "{code} in {mode:?}");
    }
}

/// Configurations, code and resources tell a mode by keys and names of files.
#[test]
fn both_modes_of_configurations_and_resources_are_taken() {
    let config = r#"const light = { palette: { primary: { main: '#0f766e' }, background: { default: '#fdfcf9', paper: '#ffffff' }, text: { primary: '#1c1917' } } };
        const dark = { palette: { primary: { main: '#2dd4bf' }, background: { default: '#1c1917', paper: '#292524' }, text: { primary: '#fafaf9' } } };"#;
    let settings = r##"{ "themes": {
        "light": { "colors": { "primary": "#0f766e", "background": "#fdfcf9", "surface": "#ffffff", "text": "#1c1917" } },
        "dark": { "colors": { "primary": "#2dd4bf", "background": "#1c1917", "surface": "#292524", "text": "#fafaf9" } } } }"##;
    let resources = |colors: [&str; 4]| {
        let names = [
            "colorPrimary",
            "colorBackground",
            "colorSurface",
            "colorOnBackground",
        ];
        let line = |(name, color)| format!("<color name=\"{name}\">#FF{color}</color>");
        let lines: String = names.into_iter().zip(colors).map(line).collect();
        format!("<resources>{lines}</resources>")
    };
    let day = resources(["0f766e", "fdfcf9", "ffffff", "1c1917"]);
    let night = resources(["2dd4bf", "1c1917", "292524", "fafaf9"]);
    let files = |named: &[(&str, &str)]| -> Vec<InputFile> {
        let files = named.iter();
        files
            .map(|(name, text)| InputFile::text(*name, *text))
            .collect()
    };
    for files in [
        files(&[("theme.ts", config)]),
        files(&[("settings.json", settings)]),
        files(&[
            ("values/colors.xml", &day),
            ("values-night/colors.xml", &night),
        ]),
    ] {
        let spec = read(&files).spec.unwrap().to_json();
        assert_eq!(
            spec["brand"].as_array().unwrap().len(),
            1,
            "{}",
            spec["brand"]
        );
        let expected = json!({
            "surface.base": { "light": "#fdfcf9", "dark": "#1c1917" },
            "surface.raised": { "dark": "#292524" },
            "text.main": { "light": "#1c1917", "dark": "#fafaf9" },
            "primary.fill": { "dark": "#2dd4bf" },
        });
        assert_eq!(spec["roles"], expected, "{}", files[0].name);
    }
}

#[test]
fn what_could_not_be_read_is_left_and_told() {
    let sheet = ":root { --brand: #7a1f3d; --bg: #fffdf8; --text: #2a2a2a; --text-muted: #c9c4bb } .btn-dark { background: #000; color: #fff }";
    let (decided, notes) = roles_of(sheet);
    assert_eq!(
        decided["roles"],
        json!({ "surface.base": { "light": "#fffdf8" }, "text.main": { "light": "#2a2a2a" } })
    );
    let left: Vec<_> = notes
        .iter()
        .filter(|note| note.contains("is left"))
        .collect();
    assert_eq!(left.len(), 1, "{notes:?}");
    assert!(
        left[0].starts_with("text.muted #c9c4bb is left in light mode: text.muted on surface.")
    );
    let theme = Resolved::alone(read(&[InputFile::text("a.css", sheet)]).spec.unwrap());
    assert!(derive(&theme).unwrap().pairs.iter().all(|pair| pair.pass));
}

/// Text in the brand's colour is the brand's, where a project has no other.
#[test]
fn a_role_is_no_brand_colour_but_where_nothing_else_is() {
    let one = "body { color: #0f5c7a; background: #fff }";
    assert_eq!(roles_of(one).0["brand"], json!(["#0f5c7a"]));
    let two = "body { color: #0f2c3a } .bar { background: #7a1f3d }";
    assert_eq!(roles_of(two).0["brand"], json!(["#7a1f3d"]));
    let linked = "a { color: #0f5c7a } .bar { background: #7a1f3d } .btn { background: #0f5c7a }";
    assert_eq!(roles_of(linked).0["brand"], json!(["#0f5c7a", "#7a1f3d"]));
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
    /// Whatever stands in a file, reading ends and what it says can be decided.
    #[test]
    fn pieces_of_sheets_in_any_order_are_read(
        pieces in prop::collection::vec(prop::sample::select(PIECES), 0..24),
        name in prop::sample::select(&["a.css", "a.scss", "a.less", "a.html", "a.ts", "a.json"][..]),
    ) {
        let text = format!("{} a {{ color: #0f5c7a }}", pieces.concat());
        let import = read(&[InputFile::text(name, text)]);
        if let Some(spec) = import.spec {
            prop_assert!(Document::read(&spec.to_json()).is_ok());
        }
    }
}

/// Beginnings and ends that belong to no whole.
const PIECES: &[&str] = &[
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
