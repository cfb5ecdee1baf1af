//! How a project's files say what its pages, text and lines are, in both modes, and what a theme made from them decides.

use proptest::prelude::*;
use rhodon_formats::read::{InputFile, read};
use rhodon_theme::{Mode, Resolved, Severity, audit, derive};
use serde_json::{Value, json};

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
        format!(":root {{ {light}; &[data-theme=dark] {{ {dark} }} }}"),
        format!("html {{ {light}; .dark & {{ {dark} }} }} .btn {{ &-dark {{ --text: #0f766e }} }}"),
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
    // By rules alone, and with a surface that is the page.
    let rules = "body { background: #fdfcf9; color: #1c1917 } .a { color: #0f766e } :root { --surface: #fff }
        @media (prefers-color-scheme: dark) { body { background: #1c1917; color: #fafaf9 } }";
    let (decided, _) = roles_of(rules);
    for role in ["text.main", "surface.base"] {
        assert_eq!(decided["roles"][role], expected["roles"][role]);
    }
    let (decided, _) = roles_of(":root { --brand: #0f766e; --surface: #fdfcf9 }");
    assert_eq!(
        decided["roles"],
        json!({ "surface.base": { "light": "#fdfcf9" } })
    );
    // By names beside each other, as Sass frameworks have them; a dark text that could not be read is none of dark mode.
    let sheet = ":root { --brand: #0f766e; --body-bg: #fdfcf9; --body-color: #1c1917; --body-bg-dark: #1c1917; --body-color-dark: #fafaf9; --link: #0b5d57; --link-dark: #07423e }";
    let (decided, notes) = roles_of(sheet);
    for role in ["text.main", "surface.base"] {
        assert_eq!(decided["roles"][role], expected["roles"][role]);
    }
    assert_eq!(decided["roles"]["link.rest"], json!({ "light": "#0b5d57" }));
    assert!(
        notes
            .iter()
            .any(|note| note.starts_with("link.rest #07423e is left in dark mode"))
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
fn both_modes_of_maps_are_taken() {
    let maps = "$sea: #0f5c7a; $themes: (light: (surface: #ffffff), dark: (surface: #162026));
        $light-theme: (background: #fbfcfd, text: #1a2b33, link: #0b6a94);
        $dark-theme: (background: #0e1519, text: #e8eef1, link: #7cc4e4);
        .button { background: $sea }";
    let import = read(&[InputFile::text("a.scss", maps)]);
    let spec = import.spec.unwrap().to_json();
    let brand: Vec<_> = spec["brand"].as_array().unwrap().iter().collect();
    assert_eq!((brand.len(), &brand[0]["color"]), (1, &json!("#0f5c7a")));
    assert_eq!(
        spec["roles"],
        json!({
            "surface.base": { "light": "#fbfcfd", "dark": "#0e1519" },
            "surface.raised": { "dark": "#162026" },
            "text.main": { "light": "#1a2b33", "dark": "#e8eef1" },
            "link.rest": { "light": "#0b6a94", "dark": "#7cc4e4" },
        })
    );
}

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

/// Names that say a role or an intent.
const NAMES: [&str; 12] = [
    "bg",
    "surface",
    "text",
    "text-muted",
    "border",
    "border-strong",
    "link",
    "link-hover",
    "focus-ring",
    "primary",
    "success",
    "danger",
];

proptest! {
    /// Whatever colours a project has under names that speak of roles, what comes of it can be read in both modes.
    #[test]
    fn any_project_comes_to_a_theme_that_can_be_read(codes in prop::array::uniform24(0_u32..0x100_0000)) {
        let block = |codes: &[u32]| -> String {
            let named = NAMES.iter().zip(codes);
            named.map(|(name, code)| format!("--{name}: #{code:06x}; ")).collect()
        };
        let (light, dark) = codes.split_at(NAMES.len());
        let sheet = format!(":root {{ {} }} .dark {{ {} }}", block(light), block(dark));
        let import = read(&[InputFile::text("a.css", sheet)]);
        let derived = derive(&Resolved::alone(import.spec.unwrap())).unwrap();
        let failed: Vec<_> = derived.pairs.iter().filter(|pair| !pair.pass).collect();
        prop_assert!(failed.is_empty(), "{failed:?}");
    }
}
