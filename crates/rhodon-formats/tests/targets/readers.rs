//! Files that a theme starts with, whatever they are.

use rhodon_formats::read::{InputFile, READERS, read};
use rhodon_theme::MAX_BRAND;
use serde_json::{Value, json};

use crate::support::demo;

/// Name and colour of every brand colour that files come to.
fn brand(name: &str, text: &str) -> Vec<(String, String)> {
    let import = read(&[InputFile::text(name, text)]);
    assert_eq!(import.problems, [], "{text}");
    let brand = import.spec.unwrap().brand.into_iter();
    brand
        .map(|b| (b.name, b.color.to_rgb8().to_string()))
        .collect()
}

#[test]
fn a_theme_starts_with_the_colours_of_what_a_project_has() {
    let expected = [("Petrol", "#0f5c7a"), ("Buoy", "#e4572e")]
        .map(|(name, code)| (name.to_owned(), code.to_owned()));
    for (name, text) in [
        (
            "a.json",
            r##"{"version":3,"settings":{"color":{"palette":[
            {"slug":"sea","name":"Petrol","color":"#0f5c7a"},{"slug":"x","color":"#e4572e","name":"Buoy"}]}}}"##,
        ),
        (
            "a.json",
            r##"{"petrol":"#0f5c7a","buoy":{"value":"#e4572e"}}"##,
        ),
        (
            "a.toml",
            "[brand]\npetrol = \"#0f5c7a\"\nbuoy = 'rgb(228, 87, 46)'\n",
        ),
        (
            "a.php",
            "[ [ 'name' => 'Petrol', 'color' => '#0f5c7a' ], [ 'name' => 'Buoy', 'color' => '#e4572e' ] ]",
        ),
        ("a.txt", "Petrol: #0f5c7a\n#e4572e Buoy\n"),
    ] {
        assert_eq!(brand(name, text), expected, "{text}");
    }
    // Of those that are used alike the first comes first; one that nobody named is told by its look.
    assert_eq!(brand("a.ts", "f('#e4572e'); f('#0f5c7a')")[0].1, "#e4572e");
    assert_eq!(brand("a.json", r##"{"color":"#8a9a2b"}"##)[0].0, "Lime");
}

/// The brand and the intents that files of a framework come to.
fn decided(name: &str, text: &str) -> (Vec<(String, String)>, Value) {
    let spec = read(&[InputFile::text(name, text)]).spec.unwrap().to_json();
    (brand(name, text), spec["intents"].clone())
}

fn named(pairs: &[(&str, &str)]) -> Vec<(String, String)> {
    pairs
        .iter()
        .map(|(name, hex)| ((*name).to_owned(), (*hex).to_owned()))
        .collect()
}

#[test]
fn maps_of_steps_are_scales_and_what_is_read_on_them_is_none() {
    let sass = "$ferry-primary: (50: #e3f0f5, 300: #5ca6c5, 500: #1680ac, 900: #065081, A100: #b0dbff, A200: #7dc4ff,
            A400: #4aadff, contrast: (50: #111111, 300: #222222, 500: #fafafa, 900: #ffffff));
        $ferry-accent: (50: #fff3e0, 500: #ff9800, 900: #e65100);";
    let (brand, intents) = decided("palette.scss", sass);
    assert_eq!(
        brand,
        named(&[("Primary", "#1680ac"), ("Accent", "#ff9800")])
    );
    assert_eq!(intents, Value::Null, "they are called as what they play");
    let one = "$ferry-accent: (50: #fff3e0, 500: #ff9800, 900: #e65100);";
    let (brand, intents) = decided("palette.scss", one);
    assert_eq!(brand, named(&[("Ferry accent", "#ff9800")]));
    assert_eq!(intents, json!({ "accent": { "scale": "ferry-accent" } }));
}

#[test]
fn configurations_are_read_by_the_keys_that_lead_to_a_colour() {
    let config = "export default { theme: { extend: { colors: {
            gray: { 50: '#f9fafb', 300: '#d1d5db', 500: '#6b7280', 900: '#111827' },
            harbour: { light: '#3fa9d0', DEFAULT: '#1680ac', dark: '#0b5474', foreground: '#ffffff' },
            reef: { 50: '#fff3e0', 500: '#f57c00', 900: '#8a3f00', DEFAULT: '#e65100' },
            error: '#c62828', 'on-error': '#fff',
        } } } };";
    let (brand, intents) = decided("utility.config.js", config);
    let expected = named(&[
        ("Reef", "#e65100"),
        ("Harbour", "#1680ac"),
        ("Error", "#c62828"),
        ("Gray", "#6b7280"),
    ]);
    assert_eq!(brand, expected);
    assert_eq!(
        intents,
        json!({ "neutral": { "scale": "gray" }, "danger": { "scale": "error" } })
    );
    let theme = "const theme: Theme = make({ palette: { mode: 'light',
            primary: { main: '#1680ac', dark: '#0b5474', contrastText: '#fff' },
            secondary: { main: 'rgb(255, 152, 0)' }, success: { main: '#2e7d32' } } });";
    let expected = [
        ("Primary", "#1680ac"),
        ("Secondary", "#ff9800"),
        ("Success", "#2e7d32"),
    ];
    assert_eq!(decided("theme.ts", theme), (named(&expected), Value::Null));
    let resource = "<resources><color name=\"colorPrimary\">#1680AC</color><color name=\"colorPrimaryDark\">#065081</color>\
            <color name=\"colorAccent\">#FFFF9800</color></resources>";
    let expected = [("Primary", "#1680ac"), ("Accent", "#ff9800")];
    assert_eq!(
        decided("colors.xml", resource),
        (named(&expected), Value::Null)
    );
    let php =
        "return [ 'theme' => [ 'primary' => [ 'main' => '#1680ac' ], 'negative' => '#c62828' ] ];";
    let expected = [("Primary", "#1680ac"), ("Negative", "#c62828")];
    let danger = json!({ "danger": { "scale": "negative" } });
    assert_eq!(decided("theme.php", php), (named(&expected), danger));
}

/// Variables of component themes are the arguments of a function that stands where they are used.
#[test]
fn bare_arguments_are_colours() {
    let sheet = ":root { --background: 0 0% 100%; --primary: 200 77% 38%; --destructive: 0 84.2% 60.2%; --ratio: 3 50% 2 }
        .dark { --primary: 200 70% 60% } .a { color: hsl(var(--primary) / .5) }";
    let expected = named(&[("Primary", "#167aac"), ("Destructive", "#ef4444")]);
    let danger = json!({ "danger": { "scale": "destructive" } });
    assert_eq!(decided("a.css", sheet), (expected.clone(), danger.clone()));
    let json = r#"{ "light": { "primary": "200 77% 38%", "destructive": "0 84.2% 60.2%", "gap": "4 8 12" } }"#;
    assert_eq!(decided("a.json", json), (expected.clone(), danger.clone()));
    let script = "export const light = { primary: '200 77% 38%', destructive: '0 84.2% 60.2%', gap: '4 8 12' };";
    assert_eq!(decided("a.ts", script), (expected, danger));
    // Three whole numbers are a colour where a function says so, or the name.
    let sheet = ":root { --sea: 15 92 122; --color-buoy: 228, 87, 46; --gap: 4 8 12 } .a { color: rgb(var(--sea) / 50%); margin: var(--gap) }";
    let expected = named(&[("Sea", "#0f5c7a"), ("Buoy", "#e4572e")]);
    assert_eq!(decided("a.css", sheet), (expected, Value::Null));
}

/// The states and the dark sides of a widget are shades of its own colour, which has the widget's name.
#[test]
fn the_colours_of_widgets_are_called_after_them() {
    let deck = r##"{ "PushKey": { "fg": ["#d14f21", "#a33a12"], "hover": ["#b03d14", "#84300f"], "text": ["gray98", "gray98"] } }"##;
    assert_eq!(brand("deck.json", deck), named(&[("Push key", "#d14f21")]));
    let code = "ACCENT = \"#d14f21\"\nACCENT_HOVER = \"#b03d14\"\nkey = Key(fg=(\"#247a4a\", \"#35a566\"), text_color=\"white\")\n";
    let import = read(&[InputFile::text("app.py", code)]);
    assert_eq!(
        brand("app.py", code),
        named(&[("Accent", "#d14f21"), ("Key", "#247a4a")])
    );
    assert!(
        import
            .notes
            .contains(&"Accent hover #b03d14 is a shade of Accent: it is left".to_owned())
    );
}

#[test]
fn what_is_left_is_told() {
    let sheet = ":root { --brand: #7a1f3d; --brand-dark: #5c162d; --calm: #1680ac; --page: #5a7d9a } .tern { --calm: #52b1e0 }";
    let import = read(&[InputFile::text("a.css", sheet)]);
    let left = [
        "Brand dark #5c162d is a shade of Brand: it is left",
        "Page #5a7d9a is a ground: it is left",
        "Calm #52b1e0 is another Calm: it is left",
    ];
    assert_eq!(import.notes, left);
    // Alone it is a colour as any other.
    assert_eq!(
        brand("a.css", ":root { --brand-dark: #5c162d }")[0].0,
        "Brand dark"
    );
}

/// What a project paints with is the step that a scale is known by, whichever that is.
#[test]
fn a_scale_is_known_by_the_step_that_its_project_paints_with() {
    let steps = ":root { --sea-100: #d6edf9; --sea-300: #40b8eb; --sea-500: #0b779e; --sea-700: #18475b; --sea-900: #13232b";
    let painted = |more: &str| brand("a.css", &format!("{steps}; {more} }}"))[0].1.clone();
    assert_eq!(painted("--gap: 4px"), "#0b779e");
    assert_eq!(painted("--primary: var(--sea-700)"), "#18475b");
    assert_eq!(painted("--hero-fill: var(--sea-300)"), "#40b8eb");
    assert_eq!(painted("--primary-300: var(--sea-300)"), "#0b779e");
}

/// What an export paints with leads back to the brand that it was made of, in both modes.
#[test]
fn exports_are_read_as_their_brand_in_both_modes() {
    let made = demo();
    let colors = |document: &Value| {
        let brand = document["brand"].as_array().unwrap().iter();
        let mut colors: Vec<String> = brand.map(|b| b["color"].to_string()).collect();
        colors.sort();
        colors
    };
    let mut own = colors(&made.decided.document().to_json());
    // The grey is painted with at its ends: which step it was made around, no export says.
    own.retain(|color| color != "\"#5c6b73\"");
    for (target, names) in [
        ("css", &["theme.css"][..]),
        ("sass", &["_theme.scss"]),
        ("react-theme", &["theme.react.ts"]),
        ("android", &["values/colors.xml", "values-night/colors.xml"]),
    ] {
        let written = made.files(target, &[]).into_iter();
        let wanted = written.filter(|file| names.contains(&&*file.path));
        let files: Vec<_> = wanted
            .map(|file| InputFile::text(file.path, file.text))
            .collect();
        let spec = read(&files).spec.unwrap().to_json();
        let read = colors(&spec);
        let lost: Vec<_> = own.iter().filter(|color| !read.contains(color)).collect();
        assert!(lost.is_empty(), "{target}: {lost:?} of {read:?}");
        if target != "sass" {
            assert_eq!(spec["roles"]["text.muted"]["dark"], "#9db2be", "{target}");
        }
    }
}

/// A configuration that says which step is the usual one is read as the brand that it was made of.
#[test]
fn an_exported_configuration_is_read_as_its_brand() {
    let made = demo();
    let brand_of = made.decided.document().brand.iter();
    let own: Vec<String> = brand_of.map(|b| b.color.to_rgb8().to_string()).collect();
    let read = brand("theme.preset.js", &made.text("utility-js", &[]));
    for hex in own {
        assert!(
            read.iter().any(|(_, read)| *read == hex),
            "{hex} in {read:?}"
        );
    }
}

#[test]
fn a_list_with_something_else_in_it_says_so_and_keeps_the_rest() {
    let import = read(&[InputFile::text("a.txt", "Petrol: #0f5c7a\nsomething\n")]);
    assert_eq!(import.spec.unwrap().brand.len(), 1);
    let told: Vec<String> = import.problems.iter().map(ToString::to_string).collect();
    assert_eq!(told.len(), 1, "{told:?}");
    assert!(
        told[0].starts_with("a.txt: something: expected"),
        "{told:?}"
    );
}

#[test]
fn a_long_list_is_read_as_far_as_a_theme_goes_and_one_of_nothing_says_so() {
    let lines: String = (0..42).map(|i| format!("#0f5c{i:02x}\n")).collect();
    let import = read(&[InputFile::text("a.txt", lines)]);
    assert_eq!(import.spec.unwrap().brand.len(), MAX_BRAND);
    let told: Vec<String> = import.problems.iter().map(ToString::to_string).collect();
    assert_eq!(
        told,
        [
            "a.txt: #0f5c28: expected at most 40 colours",
            "a.txt: #0f5c29: expected at most 40 colours"
        ]
    );
    let nothing = read(&[InputFile::text("a.txt", "# a list\n")]);
    assert!(nothing.spec.is_none());
    assert_eq!(
        nothing.problems[0].message,
        "expected at least one colour, found none"
    );
    let unknown = read(&[InputFile::text("a.md", "# Title")]);
    assert!(unknown.problems[0].message.ends_with("found none of them"));
}

#[test]
fn every_file_that_can_be_read_is_offered() {
    let offered: Vec<String> = READERS
        .iter()
        .flat_map(|reader| (reader.endings)())
        .collect();
    for name in [
        "a.json",
        "a.tokens.json",
        "a.txt",
        "a.css",
        "a.php",
        "a.toml",
    ] {
        assert!(
            offered.iter().any(|ending| name.ends_with(ending)),
            "{name}"
        );
    }
    assert!(
        offered.iter().all(|ending| ending.starts_with('.')),
        "{offered:?}"
    );
}
