//! What is kept: palettes, sheets, documents.

use std::collections::HashMap;

use rhodon_theme::{Document, Mode};
use serde_json::{Value, json};

use super::support::{demo, theme};

/// Complains about a line that the text palette format does not have.
pub fn check_palette(text: &str) -> Result<(), String> {
    let mut lines = text.lines();
    for start in ["GIMP Palette", "Name: ", "Columns: "] {
        lines
            .next()
            .filter(|l| l.starts_with(start))
            .ok_or(format!("expected {start}"))?;
    }
    for line in lines.filter(|l| !l.starts_with('#')) {
        let (numbers, name) = line
            .split_once('\t')
            .ok_or(format!("no name in {line:?}"))?;
        let channels: Vec<u8> = numbers
            .split_whitespace()
            .filter_map(|n| n.parse().ok())
            .collect();
        if channels.len() != 3 || name.is_empty() {
            return Err(format!("expected three channels and a name in {line:?}"));
        }
    }
    Ok(())
}

/// Rows of the palette are scales: as many columns as a scale has steps, each scale in one row.
#[test]
fn a_palette_shows_a_scale_in_a_row() {
    let text = demo().text("palette", &[]);
    let columns: usize = text
        .lines()
        .find_map(|l| l.strip_prefix("Columns: "))
        .unwrap()
        .parse()
        .unwrap();
    assert_eq!(columns, 11);
    let names: Vec<&str> = text
        .lines()
        .filter_map(|l| l.split_once('\t'))
        .map(|(_, name)| name)
        .collect();
    let scale = |name: &str| name.split(' ').next().unwrap().to_owned();
    for row in names.chunks(columns).take(8) {
        assert!(row.iter().all(|n| scale(n) == scale(row[0])), "{row:?}");
    }
}

/// Files of one export carry one hash beside their own, so that two that do not belong together are
/// seen; the revision stands in every head.
#[test]
fn files_of_one_export_carry_one_hash() {
    let demo = demo();
    let export = |text: &str| {
        text.split(", export ")
            .nth(1)
            .map(|rest| rest[..12].to_owned())
    };
    let files = demo.files("sass-overrides", &[]);
    let hash = export(&files[0].text).unwrap();
    assert!(files.iter().all(|f| export(&f.text) == Some(hash.clone())));
    assert!(files.iter().all(|f| {
        f.text
            .contains("Brindle Sound Ferries, revision 41, content ")
    }));
    let other = demo.files("sass-overrides", &[("tokens", "all")]);
    assert_ne!(export(&other[0].text), Some(hash));
    assert_eq!(export(&demo.text("css", &[])), None);
}

/// Formats that can escape hold the name of the theme as people wrote it.
#[test]
fn names_stay_as_people_wrote_them_where_the_format_can_escape() {
    let name = "Bräu & Söhne <\"1871\"> */ #{x}";
    let theme = theme(json!({ "name": name }));
    let pairs: serde_json::Value = serde_json::from_str(&theme.text("pairs", &[])).unwrap();
    assert_eq!(pairs["about"]["theme"], name);
    assert_eq!(pairs["about"]["revision"], 41);
    for file in theme.files("sheet", &[]) {
        let body = file.text.trim_start_matches("<!doctype html>\n");
        let tree = roxmltree::Document::parse(body).unwrap();
        let title = tree.descendants().find(|n| n.has_tag_name("title"));
        let title = title.or(tree.descendants().find(|n| n.tag_name().name() == "title"));
        assert_eq!(title.unwrap().text(), Some(name), "{}", file.path);
    }
}

#[test]
fn the_palette_names_every_opaque_colour_in_order() {
    let demo = demo();
    let output = demo.export("palette", &[]).unwrap();
    let text = &output.files[0].text;
    let found: HashMap<&str, &str> = text
        .lines()
        .filter_map(|l| l.split_once('\t'))
        .map(|(rgb, name)| (name, rgb))
        .collect();
    assert_eq!(found["petrol 600"], " 15  92 122");
    assert_eq!(found["surface base dark"], " 21  23  24");
    let order: Vec<usize> = ["petrol 50", "petrol 600", "petrol 950"]
        .iter()
        .map(|n| text.find(&format!("\t{n}\n")).unwrap())
        .collect();
    assert!(order.is_sorted());
    let warned: Vec<&str> = output.warnings.iter().map(|w| w.token.as_str()).collect();
    assert!(warned.contains(&"backdrop.fill") && warned.contains(&"type.size.body"));
    for (path, _) in demo.colors(Mode::Light) {
        let name = path.replace('.', " ");
        let there = found.contains_key(name.as_str())
            || found.contains_key(format!("{name} light").as_str());
        assert!(there || warned.contains(&path), "{path} is written or told");
    }
}

#[test]
fn the_sheet_shows_names_codes_and_ratios() {
    let demo = demo();
    let files = demo.files("sheet", &[]);
    let html = files[1].text.trim_start_matches("<!doctype html>\n");
    let [svg, html] =
        [files[0].text.as_str(), html].map(|t| roxmltree::Document::parse(t).unwrap());
    let texts = |of: &roxmltree::Document<'_>| -> Vec<String> {
        let all = of
            .descendants()
            .filter(|n| n.is_text())
            .filter_map(|n| n.text());
        all.map(|t| t.trim().to_owned()).collect()
    };
    for (file, shown) in [("svg", texts(&svg)), ("html", texts(&html))] {
        let has = |text: &str| shown.iter().any(|s| s.contains(text));
        // A brand colour with every code and its step, the edition, a role in both modes, a size in use.
        for expected in [
            "Petrol",
            "#0f5c7a",
            "rgb(15 92 122)",
            "hsl(",
            "oklch(",
            "petrol 600",
            "revision 41 · 2026-11-25",
            "surface.base",
            "#f5f7f8 / #151718",
            "surface.base, dark",
            "Port Anlow",
            "display",
        ] {
            assert!(has(expected), "{file}: {expected}");
        }
        // The exact step is marked once in each scale of a brand colour.
        let marks = shown.iter().filter(|s| s.contains('◆')).count();
        assert_eq!(marks, demo.derived.scales.len(), "{file}");
    }
    // Every declared pair is worn with its ratio.
    let worn = texts(&svg);
    for pair in &demo.derived.pairs {
        let line = format!("{} {:.2}", pair.fg, pair.ratio);
        assert!(worn.contains(&line), "{line}");
    }
    // Nothing lies outside the drawing.
    let size = |key: &str| {
        svg.root_element()
            .attribute(key)
            .unwrap()
            .parse::<f64>()
            .unwrap()
    };
    for node in svg.descendants().filter(|n| n.attribute("x").is_some()) {
        let at = |key: &str| node.attribute(key).unwrap().parse::<f64>().unwrap();
        assert!(at("x") < size("width") && at("y") < size("height"));
    }
}

#[test]
fn the_document_reads_back_as_it_was() {
    let demo = demo();
    let text = demo.text("spec", &[]);
    assert_eq!(&Document::parse(&text).unwrap(), demo.decided.document());
    let files = demo.files("spec", &[("schema", "beside")]);
    assert_eq!(files[1].path, "theme.schema.json");
    let schema: Value = serde_json::from_str(&files[1].text).unwrap();
    let document: Value = serde_json::from_str(&files[0].text).unwrap();
    jsonschema::validator_for(&schema)
        .unwrap()
        .validate(&document)
        .unwrap();
}

#[test]
fn flat_json_holds_every_value_under_the_chosen_names() {
    let demo = demo();
    for (names, fill) in [
        ("kebab", "primary-fill"),
        ("camel", "primaryFill"),
        ("path", "primary.fill"),
    ] {
        let content: Value = serde_json::from_str(&demo.text("json", &[("names", names)])).unwrap();
        assert_eq!(
            content["light"].as_object().unwrap().len(),
            demo.tokens().count()
        );
        assert_eq!(content["dark"][fill], "#0f5c7a");
    }
    let own = theme(
        serde_json::json!({ "tokens": { "ferry.speed": { "kind": "number", "value": "17.5" } } }),
    );
    let content: Value = serde_json::from_str(&own.text("json", &[])).unwrap();
    assert_eq!(content["light"]["ferry-speed"], 17.5);
}
