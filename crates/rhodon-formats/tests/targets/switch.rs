//! The switch: several themes in one sheet, common values once.

use rhodon_formats::{Source, Stamp, find};
use rhodon_theme::{Derived, Document, Resolved, derive};
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
    assert!(size as f64 <= 1.6 * alone as f64, "{size} of {alone}");
}

#[test]
fn names_do_not_collide_and_nothing_breaks_out_of_its_place() {
    let demo = demo();
    let hostile = "</script><script>alert(1)</script>\" */";
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
