//! The switch: several themes in one sheet, common values once.

use std::collections::BTreeMap;

use rhodon_formats::{Source, Stamp, find};
use rhodon_theme::{Derived, Document, IntentChoice, Mode, Part, Resolved, derive};
use serde_json::json;

use super::support::demo;

/// A child of the demo theme with a primary colour of its own.
fn child(parent: &Resolved, name: &str, color: &str) -> Derived {
    let own = json!({
        "format": 1, "name": name, "extends": "demo",
        "brand": [{ "name": "Own", "slug": "own", "color": color }],
        "intents": { "primary": { "scale": "own" } }, "shape": { "radius": 12 }
    });
    let child = Document::read(&own).unwrap();
    derive(&parent.clone().extended_by(child)).unwrap()
}

fn written(beside: &[&Derived], set: &[(&str, &str)]) -> Vec<(String, String)> {
    let demo = demo();
    let stamp = Stamp::default();
    let source = Source {
        decided: &demo.decided,
        theme: &demo.derived,
        stamp: &stamp,
        beside,
    };
    let target = find("switch").unwrap();
    let set = set.iter().map(|(k, v)| ((*k).to_owned(), (*v).to_owned()));
    let output = target
        .export(&source, target.settings(set).unwrap())
        .unwrap();
    output.files.into_iter().map(|f| (f.path, f.text)).collect()
}

fn text<'a>(files: &'a [(String, String)], path: &str) -> &'a str {
    &files.iter().find(|(p, _)| p == path).unwrap().1
}

#[test]
fn a_parent_and_five_children_are_little_more_than_the_parent() {
    let demo = demo();
    let colors = ["#3b3f8c", "#2f6b3a", "#b3123a", "#7a4b8f", "#e4572e"];
    let children: Vec<Derived> = colors
        .iter()
        .enumerate()
        .map(|(i, color)| child(&demo.decided, &format!("Child {i}"), color))
        .collect();
    let beside: Vec<&Derived> = children.iter().collect();
    let files = written(&beside, &[]);
    let alone = demo.files("css", &[])[0].text.len();
    let size = text(&files, "switch.css").len();
    assert!(size as f64 <= 1.62 * alone as f64, "{size} of {alone}");
}

#[test]
fn names_do_not_collide_and_nothing_breaks_out_of_its_place() {
    let demo = demo();
    let hostile = "@primary</script><script>alert(1)</script>\" */";
    let twice = [
        child(&demo.decided, "Night", "#3b3f8c"),
        child(&demo.decided, "Night", "#2f6b3a"),
        child(&demo.decided, hostile, "#b3123a"),
    ];
    let beside: Vec<&Derived> = twice.iter().collect();
    let files = written(&beside, &[("key", "look")]);
    let sheet = text(&files, "switch.css");
    for slug in ["night", "night-2"] {
        assert!(
            sheet.contains(&format!(":root[data-theme=\"{slug}\"] {{")),
            "{slug}"
        );
    }
    let script = text(&files, "switch.js");
    assert!(script.contains("const key = \"look\""));
    assert!(!script.contains("</script>"), "{script}");
    assert!(text(&files, "switch.head.html").contains("getItem(\"look\")"));
    assert!(text(&files, "switch.d.ts").contains("\"night\" | \"night-2\""));
}

#[test]
fn alone_it_offers_the_one_theme_in_both_modes() {
    let files = written(&[], &[]);
    assert!(text(&files, "switch.d.ts").contains("ThemeSlug = \"brindle-sound-ferries\";"));
    let sheet = text(&files, "switch.css");
    assert!(!sheet.contains("[data-theme=") && sheet.contains(":light-dark("));
}

/// Values of a part as they hold where a choice is made: the sheet's own, overlaid with those of the rule.
fn declared(sheet: &str, selector: &str) -> BTreeMap<String, String> {
    let rule = |head: &str| {
        let start = sheet
            .find(&format!("{head} {{"))
            .unwrap_or_else(|| panic!("{head}"));
        let body = &sheet[start + head.len() + 2..];
        let body = &body[..body.find("\n}").unwrap()];
        let lines = body
            .split(';')
            .filter_map(|line| line.trim().split_once(':'));
        let pairs = lines.map(|(name, value)| (name.trim().to_owned(), value.trim().to_owned()));
        pairs.collect::<BTreeMap<_, _>>()
    };
    let mut all = rule(":root");
    all.extend(rule(selector));
    all
}

#[test]
fn brand_colours_play_a_part_by_their_name_alone() {
    let demo = demo();
    let files = written(
        &[],
        &[("primary", "petrol,buoy,heather"), ("surface", "heather")],
    );
    let sheet = text(&files, "switch.css");
    // Who plays it anyway is offered and has no rule.
    assert!(!sheet.contains("[data-primary=\"petrol\"]"), "{sheet}");
    assert!(!sheet.contains("[data-theme="));
    let script = text(&files, "switch.js");
    let list = "primary: [\n    [\"petrol\", \"Petrol\"],\n    [\"buoy\", \"Buoy\"],\n    [\"heather\", \"Heather\"],\n  ],";
    assert!(script.contains(list), "{script}");
    assert!(script.contains(
        "surface: [\n    [\"slate\", \"Slate\"],\n    [\"heather\", \"Heather\"],\n  ],"
    ));
    assert!(
        text(&files, "switch.d.ts").contains("PrimarySlug = \"petrol\" | \"buoy\" | \"heather\";")
    );

    // The same as a theme whose document says so.
    let mut said = demo.decided.merged.clone();
    said.intents.insert(
        "primary".parse().unwrap(),
        IntentChoice::Scale("buoy".parse().unwrap()),
    );
    let said = derive(&Resolved::alone(said)).unwrap();
    let buoy = declared(sheet, ":root[data-primary=\"buoy\"]");
    for token in said
        .tokens
        .iter()
        .filter(|t| Part::of_group(t.group()) == Some(Part::Primary))
    {
        let code = token.cell(Mode::Dark).value.to_string();
        let name = format!("--{}", token.path.replace('.', "-"));
        let value = &buoy[&name];
        let is_there = value.contains(&code) || value.contains("var(");
        assert!(is_there, "{name}: {value}, expected {code}");
    }
    assert_eq!(
        buoy["--bar-fill"],
        "var(--usual,#e4572e)var(--more,#f68768)"
    );
}

#[test]
fn a_light_colour_is_the_page_itself_and_what_was_set_by_hand_gives_way() {
    let spec = json!({
        "format": 1, "name": "Quay", "brand": [
            { "name": "Plum", "slug": "plum", "color": "#7a1f5c" },
            { "name": "Sand", "slug": "sand", "color": "#f3ead7" },
            { "name": "Pitch", "slug": "pitch", "color": "#14181a" },
        ],
        "roles": { "surface.base": { "light": "#ffffff" }, "link.rest": { "light": "#0645ad" } }
    });
    let decided = Resolved::alone(Document::read(&spec).unwrap());
    let theme = derive(&decided).unwrap();
    let stamp = Stamp::default();
    let target = find("switch").unwrap();
    let set = [("surface", "sand,pitch,fog"), ("primary", "sand")];
    let set = set.map(|(key, value)| (key.to_owned(), value.to_owned()));
    let source = Source::alone(&decided, &theme, &stamp);
    let output = target
        .export(&source, target.settings(set).unwrap())
        .unwrap();
    let sheet = &output
        .files
        .iter()
        .find(|f| f.path == "switch.css")
        .unwrap()
        .text;
    let sand = declared(sheet, ":root[data-surface=\"sand\"]");
    assert!(
        sand["--surface-base"].starts_with("light-dark(#f3ead7,"),
        "{}",
        sand["--surface-base"]
    );
    let pitch = declared(sheet, ":root[data-surface=\"pitch\"]");
    assert!(
        pitch["--surface-base"].ends_with(",#14181a)"),
        "{}",
        pitch["--surface-base"]
    );
    // What follows the part but is no part of it stays as it was said.
    let primary = declared(sheet, ":root[data-primary=\"sand\"]");
    assert!(
        primary["--link-rest"].contains("#0645ad"),
        "{}",
        primary["--link-rest"]
    );
    let told: Vec<String> = output.warnings.iter().map(|w| w.message.clone()).collect();
    assert!(
        told.iter().any(|w| w.contains("no brand colour fog")),
        "{told:?}"
    );
}
