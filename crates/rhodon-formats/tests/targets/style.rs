//! Sass and Less, compiled by a Rust compiler and by those that people use.

use std::path::{Path, PathBuf};

use rhodon_theme::Mode;
use serde_json::Value;

use super::support::{Made, demo, folder, lay, node};

/// Files by name, for a compiler that would look on disk.
#[derive(Debug, Default)]
struct Shelf(Vec<(PathBuf, String)>);

impl grass::Fs for Shelf {
    fn is_dir(&self, _: &Path) -> bool {
        false
    }

    fn is_file(&self, path: &Path) -> bool {
        self.0.iter().any(|(p, _)| p == path)
    }

    fn read(&self, path: &Path) -> std::io::Result<Vec<u8>> {
        let found = self.0.iter().find(|(p, _)| p == path);
        found
            .map(|(_, text)| text.clone().into_bytes())
            .ok_or_else(|| std::io::ErrorKind::NotFound.into())
    }
}

/// What a framework's variables look like from outside: defaults, a map of colours, and classes
/// made of that map.
const VARIABLES: &str = "$primary: #000001 !default; $body-bg: #000002 !default; $body-bg-dark: #000003 !default;\n\
    $font-family-base: serif !default; $border-radius: 1px !default;\n\
    $theme-colors: (\"primary\": $primary) !default;\n";
const COMPONENTS: &str = "@each $name, $color in $theme-colors { .button-#{$name} { background: $color; } }\n\
    body { background: $body-bg; font-family: $font-family-base; border-radius: $border-radius; }\n\
    .dark body { background: $body-bg-dark; }\n";

fn sass(files: &[(&str, String)], source: &str) -> Result<String, String> {
    let shelf = Shelf(
        files
            .iter()
            .map(|(path, text)| (PathBuf::from(path), text.clone()))
            .collect(),
    );
    let options = grass::Options::default().fs(&shelf).quiet(true);
    grass::from_string(source.to_owned(), &options).map_err(|e| e.to_string())
}

/// What the compilers that people use make of the files of a theme.
pub fn compiled(theme: &Made) -> Value {
    let folder = folder();
    for id in ["sass", "less", "sass-overrides", "sass-palettes"] {
        lay(folder.path(), &theme.files(id, &[]));
    }
    std::fs::write(folder.path().join("_variables.scss"), VARIABLES).unwrap();
    std::fs::write(folder.path().join("_components.scss"), COMPONENTS).unwrap();
    node("style.mjs", folder.path())
}

/// Compiles a written file the way it is loaded.
pub fn check_sass(path: &str, text: &str) -> Result<(), String> {
    let source = match path {
        "_before.scss" => format!("@import \"before\";\n{VARIABLES}{COMPONENTS}"),
        "_after.scss" => format!("{VARIABLES}@import \"after\";\n{COMPONENTS}"),
        "_theme.scss" => {
            "@use \"theme\"; :root { @include theme.mode(light); } .dark { @include theme.mode(dark); }"
                .to_owned()
        }
        "_states.scss" => "@import \"states\";".to_owned(),
        _ => "@use \"palettes\"; @use \"sass:map\"; a { b: map.keys(palettes.$light-theme); }".to_owned(),
    };
    sass(&[(path, text.to_owned())], &source).map(|_| ())
}

fn module(theme: &Made) -> Vec<(&'static str, String)> {
    vec![("_theme.scss", theme.text("sass", &[]))]
}

/// `name: value;` lines of a compiled rule.
fn lines(css: &str) -> Vec<(String, String)> {
    let of = |line: &str| {
        let (name, value) = line.trim().strip_suffix(';')?.split_once(": ")?;
        Some((name.to_owned(), value.to_owned()))
    };
    css.lines().filter_map(of).collect()
}

#[test]
fn the_mixin_writes_every_token_of_a_mode() {
    let demo = demo();
    for mode in Mode::BOTH {
        let source = format!(
            "@use \"theme\"; a {{ @include theme.mode({}); }}",
            mode.id()
        );
        let written = lines(&sass(&module(&demo), &source).unwrap());
        for (path, code) in demo.colors(mode) {
            let name = format!("--{}", path.replace('.', "-"));
            let found = written
                .iter()
                .find(|(n, _)| *n == name)
                .unwrap_or_else(|| panic!("{name}"));
            let color = rhodon_color::Color::parse(&found.1).unwrap();
            assert_eq!(color.to_hex(), code, "{path} {}", mode.id());
        }
        let family = written
            .iter()
            .find(|(n, _)| n == "--type-family-body")
            .unwrap();
        assert_eq!(family.1, "system-ui, \"Segoe UI\", \"Roboto\", sans-serif");
    }
}

#[test]
fn overrides_before_a_load_reach_every_dependent() {
    let demo = demo();
    let through_use = "@use \"theme\" with ($petrol-600: #123456);\n\
        a { fill: theme.$primary-fill; bar: theme.token(\"bar-fill\"); step: theme.step(\"petrol\", 600); dark: theme.token(\"primary-fill\", dark); }";
    let through_import = "$petrol-600: #123456;\n@import \"theme\";\n\
        a { fill: $primary-fill; bar: token(\"bar-fill\"); step: step(\"petrol\", 600); dark: token(\"primary-fill\", dark); }";
    for source in [through_use, through_import] {
        let written = lines(&sass(&module(&demo), source).unwrap());
        assert_eq!(written.len(), 4);
        assert!(
            written.iter().all(|(_, value)| value == "#123456"),
            "{written:?}"
        );
    }
}

#[test]
fn variables_set_after_an_import_win() {
    let source =
        "@import \"theme\";\n$bar-fill: #654321;\na { bar: $bar-fill; fill: $primary-fill; }";
    let written = lines(&sass(&module(&demo()), source).unwrap());
    assert_eq!(written[0].1, "#654321");
    assert_eq!(written[1].1, "#0f5c7a");
}

#[test]
fn a_lookup_that_finds_nothing_says_what_there_is() {
    for (call, message) in [
        (
            "theme.token(\"primary-fil\")",
            "No token \"primary-fil\": expected one of petrol-50, petrol-100,",
        ),
        (
            "theme.step(\"petrol\", 650)",
            "No step 650 in petrol: expected one of 50, 100, 200,",
        ),
        (
            "theme.step(\"petrel\", 600)",
            "No scale \"petrel\": expected one of petrol, lichen,",
        ),
        (
            "theme.token(\"primary-fill\", night)",
            "No mode night: expected light or dark.",
        ),
    ] {
        let error = sass(
            &module(&demo()),
            &format!("@use \"theme\"; a {{ b: {call}; }}"),
        )
        .unwrap_err();
        assert!(error.contains(message), "{call}: {error}");
    }
}

#[test]
fn overrides_stand_before_a_frameworks_variables_and_its_map_behind_them() {
    let demo = demo();
    let files = demo.files("sass-overrides", &[]);
    let shelf = [
        ("_before.scss", files[0].text.clone()),
        ("_after.scss", files[1].text.clone()),
    ];
    let source = format!("@import \"before\";\n{VARIABLES}@import \"after\";\n{COMPONENTS}");
    let css = sass(&shelf, &source).unwrap();
    for expected in [
        ".button-primary {\n  background: #0f5c7a;",
        ".button-heather {\n  background: #7a4b8f;",
        ".button-accent {\n  background: #e4572e;",
        "body {\n  background: #f5f7f8;\n  font-family: system-ui, \"Segoe UI\", \"Roboto\", sans-serif;\n  border-radius: 6px;",
        ".dark body {\n  background: #151718;",
    ] {
        assert!(css.contains(expected), "{expected}\n{css}");
    }
}

#[test]
fn palettes_hold_steps_with_their_readable_text() {
    let demo = demo();
    let shelf = [("_palettes.scss", demo.text("sass-palettes", &[]))];
    let source = "@use \"palettes\"; @use \"sass:map\";\n\
        a { main: map.get(palettes.$petrol-palette, 600); on: map.get(palettes.$petrol-palette, contrast, 600);\n\
            own: map.get(palettes.$dark-theme, color, \"heather\", default); ink: map.get(palettes.$dark-theme, color, \"heather\", default-contrast); page: map.get(palettes.$dark-system, surface); tone: map.get(palettes.$tones, 100); }";
    let written = lines(&sass(&shelf, source).unwrap());
    let values: Vec<&str> = written.iter().map(|(_, v)| v.as_str()).collect();
    assert_eq!(
        values,
        [
            "#0f5c7a", "#ffffff", "#7a4b8f", "#ffffff", "#151718", "#ffffff"
        ]
    );
}

/// What a framework's theme functions do with a theme map: they take three palettes out of it, their
/// own default and the text on it, and refuse what has none.
const THEME_FUNCTION: &str = "@function pick($theme, $name, $hue) {\n\
      $palette: map.get($theme, color, $name);\n\
      @if not map.has-key($palette, $hue) { @error \"Hue #{$hue} does not exist in #{$name}\"; }\n\
      @return map.get($palette, $hue);\n\
    }\n";

#[test]
fn theme_maps_go_to_the_frameworks_functions_as_they_are() {
    let demo = demo();
    let shelf = [("_palettes.scss", demo.text("sass-palettes", &[]))];
    for mode in ["light", "dark"] {
        for name in ["primary", "accent", "warn"] {
            let source = format!(
                "@use \"palettes\"; @use \"sass:map\";\n{THEME_FUNCTION}\
                 a {{ @each $hue in default lighter darker text default-contrast lighter-contrast \
                 darker-contrast '500-contrast' {{ #{{$hue}}: pick(palettes.${mode}-theme, {name}, $hue); }} }}"
            );
            let written = lines(&sass(&shelf, &source).unwrap());
            let get = |key: &str| {
                let found = written.iter().find(|(k, _)| k == key);
                rhodon_color::Color::parse(&found.unwrap().1)
                    .unwrap()
                    .to_rgb8()
            };
            for hue in ["default", "lighter", "darker"] {
                let ratio = rhodon_color::contrast_ratio(get(hue), get(&format!("{hue}-contrast")));
                assert!(ratio >= 4.5, "{mode} {name} {hue}: {ratio:.2}");
            }
            assert!(get("darker").luminance() < get("default").luminance());
            assert!(get("lighter").luminance() > get("default").luminance());
        }
    }
}

/// The newer interface takes tones of a colour with five companions, and its properties by name.
#[test]
fn tones_and_system_properties_are_complete() {
    let demo = demo();
    let shelf = [("_palettes.scss", demo.text("sass-palettes", &[]))];
    let source = "@use \"palettes\"; @use \"sass:map\";\n\
        a { @each $key in secondary neutral neutral-variant error { #{$key}: map.get(palettes.$tones, $key, 40); }\n\
            primary: map.get(palettes.$tones, 40); white: map.get(palettes.$tones, 100); ground: map.get(palettes.$tones, neutral, 6);\n\
            @each $key, $value in palettes.$dark-system { --sys-#{$key}: #{$value}; } }";
    let written = lines(&sass(&shelf, source).unwrap());
    let get = |key: &str| {
        let found = written.iter().find(|(k, _)| k == key);
        found.unwrap_or_else(|| panic!("{key}")).1.clone()
    };
    for key in [
        "primary",
        "secondary",
        "neutral",
        "neutral-variant",
        "error",
    ] {
        let color = rhodon_color::Color::parse(&get(key)).unwrap().to_rgb8();
        assert!(
            (color.lightness() - 40.0).abs() < 0.6,
            "{key} is {}",
            get(key)
        );
    }
    assert_eq!(get("white"), "#ffffff");
    for key in [
        "surface",
        "on-surface",
        "outline-variant",
        "inverse-on-surface",
        "surface-container-highest",
    ] {
        assert!(get(&format!("--sys-{key}")).starts_with('#'), "{key}");
    }
}

/// A see-through colour is written with its opacity behind its code, a step is found by a label that
/// is text, and the prefix may be left out.
#[test]
fn the_module_answers_as_people_ask() {
    let own = super::support::theme(serde_json::json!({ "scales": { "p": { "alpha": [8] } } }));
    let shelf = [("_theme.scss", own.text("sass", &[("prefix", "bsf")]))];
    let source = "@use \"theme\"; a { @include theme.mode(light); one: theme.step(\"p\", \"600\"); two: theme.token(\"p-600\"); three: theme.token(\"bsf-p-600\"); }";
    let written = lines(&sass(&shelf, source).unwrap());
    let get = |key: &str| written.iter().find(|(k, _)| k == key).unwrap().1.clone();
    let alpha = own
        .derived
        .token("p.a8")
        .unwrap()
        .cell(Mode::Light)
        .value
        .to_string();
    assert_eq!(get("--bsf-p-a8"), alpha);
    assert!(alpha.len() == 9, "{alpha}");
    for key in ["one", "two", "three"] {
        assert_eq!(get(key), "#0f5c7a");
    }
}

/// Every intent that comes into the framework's map has text, ground and border in both modes.
#[test]
fn alerts_of_own_intents_are_coloured() {
    let demo = demo();
    let files = demo.files("sass-overrides", &[]);
    let shelf = [
        ("_before.scss", files[0].text.clone()),
        ("_after.scss", files[1].text.clone()),
        ("_states.scss", files[2].text.clone()),
    ];
    let maps = "$theme-colors-text: () !default; $theme-colors-bg-subtle-dark: () !default;\n\
        @each $name, $color in $theme-colors { .alert-#{$name} {\n\
          color: map.get($theme-colors-text, $name); background: map.get($theme-colors-bg-subtle, $name);\n\
          border-color: map.get($theme-colors-border-subtle-dark, $name); } }\n";
    let source = format!(
        "@use \"sass:map\";\n@import \"before\";\n{VARIABLES}@import \"after\";\n{maps}@import \"states\";"
    );
    let css = sass(&shelf, &source).unwrap();
    let role = |path: &str, mode: Mode| {
        let token = demo.derived.token(path).unwrap();
        token.cell(mode).value.to_string()
    };
    for intent in ["accent", "neutral", "heather", "primary"] {
        let rule = format!(
            ".alert-{intent} {{\n  color: {};\n  background: {};\n  border-color: {};\n}}",
            role(&format!("{intent}.tint-text"), Mode::Light),
            role(&format!("{intent}.tint"), Mode::Light),
            role(&format!("{intent}.edge"), Mode::Dark),
        );
        assert!(css.contains(&rule), "{rule}\n{css}");
    }
    let hover = role("heather.fill-hover", Mode::Dark);
    let dark = &css[css.find("[data-bs-theme=dark] .btn-heather").unwrap()..];
    assert!(dark.contains(&format!("--bs-btn-hover-bg: {hover};")));
}

/// The compilers that people use give the same values as the Rust one.
#[test]
fn the_usual_compilers_of_sass_and_less_agree() {
    let demo = demo();
    let answer = compiled(&demo);
    for (compiler, mode) in [
        ("sass", Mode::Light),
        ("sass", Mode::Dark),
        ("less", Mode::Light),
        ("less", Mode::Dark),
    ] {
        let found = &answer[compiler][mode.id()];
        for (path, code) in demo.colors(mode) {
            let name = path.replace('.', "-");
            let text = found[&name]
                .as_str()
                .unwrap_or_else(|| panic!("{compiler} {name}"));
            assert_eq!(
                rhodon_color::Color::parse(text).unwrap().to_hex(),
                code,
                "{compiler} {name}"
            );
        }
    }
    assert_eq!(answer["overridden"], Value::from("#123456"));
    assert!(
        answer["framework"]
            .as_str()
            .unwrap()
            .contains(".button-heather {\n  background: #7a4b8f;")
    );
    assert!(
        answer["error"]
            .as_str()
            .unwrap()
            .contains("No token \"primary-fil\"")
    );
    assert_eq!(answer["step"], "#0f5c7a");
}
