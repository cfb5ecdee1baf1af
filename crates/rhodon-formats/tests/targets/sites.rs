//! Lists and style sheets of site systems.

use rhodon_theme::Mode;
use serde_json::json;

use super::support::{demo, theme};

/// Name, slug and colour of each entry of a PHP list.
fn entries(php: &str) -> Vec<[String; 3]> {
    let value = |chunk: &str, key: &str| {
        let rest = &chunk[chunk.find(&format!("'{key}'")).unwrap()..];
        let rest = &rest[rest.find("=>").unwrap() + 2..];
        let start = rest.find('\'').unwrap() + 1;
        let mut end = start;
        while &rest[end..=end] != "'" || rest[..end].ends_with('\\') {
            end += 1;
        }
        rest[start..end].to_owned()
    };
    php.split("\tarray(")
        .skip(1)
        .map(|chunk| ["name", "slug", "color"].map(|key| value(chunk, key)))
        .collect()
}

#[test]
fn the_list_and_its_classes_are_in_step() {
    let demo = demo();
    let set = [
        ("include", "roles,brand"),
        ("repeat", "yes"),
        ("text", "ink-{name}"),
        ("background", "ground-{name}"),
        ("domain", "bsf"),
    ];
    let files = demo.files("site-palette", &set);
    let listed = entries(&files[0].text);
    assert!(listed.len() > 100 && files[0].text.contains("__( 'Surface base', 'bsf' )"));
    // Roles first: the order is the one that was asked for.
    assert_eq!(
        listed[0],
        ["Surface base", "surface-base", "#f5f7f8"].map(str::to_owned)
    );
    assert!(listed.contains(&["Petrol", "petrol", "#0f5c7a"].map(str::to_owned)));
    let css = &files[1].text;
    for [_, slug, color] in &listed {
        assert!(
            css.contains(&format!(".ink-{slug} {{\n  color: {color};\n}}")),
            "{slug}"
        );
        assert!(
            css.contains(&format!(
                ".ground-{slug} {{\n  background-color: {color};\n}}"
            )),
            "{slug}"
        );
    }
    assert_eq!(css.matches(" {\n").count(), listed.len() * 2);
}

#[test]
fn what_the_list_leaves_out_is_named() {
    let demo = demo();
    let output = demo.export("site-palette", &[]).unwrap();
    let warned = |path: &str| output.warnings.iter().any(|w| w.token == path);
    // What nobody asked for is not told, what the list cannot hold is.
    assert!(!warned("petrol.50") && !warned("ferry.wake") && warned("type.size.body"));
    // No colour twice, in either file.
    let colors: Vec<String> = entries(&output.files[0].text)
        .into_iter()
        .map(|[.., c]| c)
        .collect();
    let mut once = colors.clone();
    once.sort();
    once.dedup();
    assert_eq!(once.len(), colors.len());
    let all = demo
        .export("site-palette", &[("include", "all"), ("repeat", "yes")])
        .unwrap();
    assert!(!all.warnings.iter().any(|w| w.token == "petrol.50"));
    // A list has no place for a second mode.
    assert!(all.warnings.iter().any(|w| w.token == "surface.base"));
}

/// Site systems hold letters and digits apart: slugs that are already so stay as they are, in both
/// files.
#[test]
fn slugs_are_in_kebab_case_as_site_systems_write_it() {
    let theme = theme(json!({
        "brand": [{ "name": "Danger 2", "slug": "danger2", "color": "#b3123a" }],
        "scales": { "danger2": { "alpha": [8] } },
    }));
    let files = theme.files(
        "site-palette",
        &[("include", "brand,scales"), ("repeat", "yes")],
    );
    let kebab = |slug: &str| {
        let mut out = String::new();
        for c in slug.chars() {
            let apart = out.chars().last().is_some_and(|l: char| {
                l != '-' && c != '-' && l.is_ascii_digit() != c.is_ascii_digit()
            });
            out.extend(apart.then_some('-'));
            out.push(c);
        }
        out
    };
    let listed = entries(&files[0].text);
    assert!(listed.iter().any(|[_, slug, _]| slug == "danger-2-a-8"));
    for [_, slug, _] in listed {
        assert_eq!(kebab(&slug), slug);
        assert!(files[1].text.contains(&format!(".has-{slug}-color {{")));
    }
}

#[test]
fn names_are_quoted_for_php() {
    let theme = theme(
        json!({ "brand": [{ "name": "Skipper's \\ ?> <?php blue", "slug": "blue", "color": "#0f5c7a" }] }),
    );
    let files = theme.files("site-palette", &[("include", "brand"), ("domain", "")]);
    assert!(
        files[0]
            .text
            .contains(r"'name'  => 'Skipper\'s \\ ?> <?php blue',"),
        "{}",
        files[0].text
    );
    super::support::parse(&files[0]).unwrap();
}

#[test]
fn the_site_sheet_imports_faces_first_and_stands_alone() {
    let theme = theme(
        json!({ "type": { "body": ["Harbour Grotesk", "serif"], "import": "https://fonts.example/harbour.css" } }),
    );
    let css = theme.text("site-css", &[("prefix", "bsf")]);
    let at = |text: &str| css.find(text).unwrap_or_else(|| panic!("{text}"));
    assert!(at("@import url(\"https://fonts.example/harbour.css\");") < at(":root {"));
    assert!(css.contains(
        "  font-family: \"Harbour Grotesk\", serif;\n  font-family: var(--bsf-type-family-body);"
    ));
    for used in css
        .split("var(")
        .skip(1)
        .filter_map(|rest| rest.split(')').next())
    {
        assert!(css.contains(&format!("  {used}: ")), "{used} is defined");
    }
    for selector in [
        "\nbody {",
        ".site-title {",
        "\na:hover {",
        "\nbutton, .button",
        "::selection {",
    ] {
        assert!(css.contains(selector), "{selector}");
    }
    let role = theme
        .derived
        .token("link.hover")
        .unwrap()
        .cell(Mode::Light)
        .value
        .to_string();
    assert!(css.contains(&format!("a:hover {{\n  color: {role};\n")));
}
