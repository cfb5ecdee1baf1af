//! `rhodon check`: text, JSON, SARIF, a page, and mending.

use serde_json::{Value, json};

use super::rhodon;

fn damaged() -> String {
    let spec = json!({
        "format": 1,
        "name": "Bad quay",
        "brand": [{ "name": "Petrol", "slug": "petrol", "color": "#0f5c7a" }],
        "roles": {
            "text.muted": { "light": "#9aa5ad" },
            "link.rest": { "light": "#0f5c7b" },
        },
    });
    format!("{spec:#}\n")
}

#[test]
fn a_derived_theme_passes_and_a_damaged_one_fails() {
    let demo = rhodon(&["check", "brindle-sound-ferries.rhodon.json"], "");
    assert_eq!(demo.code, 0, "{}{}", demo.out, demo.err);
    assert!(
        demo.out
            .contains("360 of 360 pairs readable in both modes, 9 intents"),
        "{}",
        demo.out
    );
    // The same fails where warnings are not let through.
    let strict = rhodon(
        &[
            "check",
            "--fail-on",
            "warning",
            "brindle-sound-ferries.rhodon.json",
        ],
        "",
    );
    assert_eq!(strict.code, 1);
    let bad = rhodon(&["check"], damaged());
    assert_eq!(bad.code, 1);
    assert!(bad.out.contains(
        "error contrast: Muted text on the base surface has 2.3 : 1 in light; text needs 4.5."
    ));
    let unreadable = rhodon(&["check"], "{");
    assert_eq!(unreadable.code, 2);
    assert!(
        unreadable.err.contains("expected JSON"),
        "{}",
        unreadable.err
    );
}

#[test]
fn the_report_is_what_its_schema_says() {
    let run = rhodon(&["check", "--json"], damaged());
    let report = &run.lines()[0];
    let schema: Value =
        serde_json::from_str(&rhodon(&["schema", "--of", "report"], "").out).unwrap();
    jsonschema::validator_for(&schema)
        .unwrap()
        .validate(report)
        .unwrap();
    assert_eq!(report["ok"], false);
    let finding = &report["findings"][0];
    assert_eq!(
        (&finding["id"], &finding["severity"], &finding["mode"]),
        (&json!("contrast"), &json!("error"), &json!("light"))
    );
    assert_eq!(
        finding["fix"]["patch"],
        json!([{ "op": "remove", "path": "/roles/text.muted" }])
    );
    assert!(finding["figures"]["ratio"].as_f64().unwrap() < 4.5);
    assert_eq!(finding["accepted"], Value::Null);
    // `derive` gives the same list.
    let derived = rhodon(&["derive", "--json"], damaged());
    assert_eq!(derived.lines()[0]["findings"], report["findings"]);
}

#[test]
fn brands_are_checked_line_by_line_and_a_bad_one_stops_nothing() {
    let run = rhodon(
        &["check", "--brands", "--json"],
        "#000000\nnope\n#ffd400\t#111827\n",
    );
    let lines = run.lines();
    assert_eq!((run.code, lines.len()), (2, 3));
    assert_eq!(
        (&lines[0]["ok"], &lines[2]["ok"]),
        (&json!(true), &json!(true))
    );
    assert!(run.err.contains("line 2"), "{}", run.err);
}

#[test]
fn sarif_points_into_the_document() {
    let folder = tempfile::tempdir().unwrap();
    let path = folder.path().join("quay.rhodon.json");
    std::fs::write(&path, damaged()).unwrap();
    let run = rhodon(&["check", "--format", "sarif", path.to_str().unwrap()], "");
    assert_eq!(run.code, 1);
    let sarif: Value = serde_json::from_str(&run.out).unwrap();
    assert_eq!(sarif["version"], "2.1.0");
    // Types made from the published schema: every value must have its kind, every needed one be there.
    let typed: serde_sarif::sarif::Sarif = serde_json::from_str(&run.out).unwrap();
    let back = serde_json::to_value(typed).unwrap();
    assert_eq!(back, sarif, "nothing that the schema does not know");
    let rules = sarif["runs"][0]["tool"]["driver"]["rules"]
        .as_array()
        .unwrap();
    for result in sarif["runs"][0]["results"].as_array().unwrap() {
        assert!(rules.iter().any(|r| r["id"] == result["ruleId"]));
        assert!(["error", "warning", "note"].contains(&result["level"].as_str().unwrap()));
    }
    let first = &sarif["runs"][0]["results"][0]["locations"][0]["physicalLocation"]["region"];
    let line = damaged()
        .lines()
        .position(|l| l.contains("\"text.muted\""))
        .unwrap()
        + 1;
    assert_eq!(
        (&first["startLine"], &first["startColumn"]),
        (&json!(line), &json!(5))
    );
}

#[test]
fn the_page_needs_nothing_else_and_names_every_finding() {
    let run = rhodon(&["check", "--format", "html"], damaged());
    assert!(run.out.starts_with("<!doctype html>") && !run.out.contains("http"));
    assert!(
        run.out.contains("Muted text on the base surface")
            && run.out.contains("Mended by: let go of text.muted")
    );
}

#[test]
fn mending_writes_a_document_that_passes_and_mends_no_further() {
    let folder = tempfile::tempdir().unwrap();
    let path = folder.path().join("quay.rhodon.json");
    std::fs::write(&path, damaged()).unwrap();
    let place = path.to_str().unwrap();
    let printed = rhodon(&["check", "--fix", place], "");
    assert_eq!(printed.code, 0, "{}", printed.err);
    assert_eq!(
        std::fs::read_to_string(&path).unwrap(),
        damaged(),
        "the file is left alone"
    );
    assert!(printed.err.contains("let go of text.muted in light"));
    let written = rhodon(&["check", "--fix", "--in-place", place], "");
    assert_eq!(written.code, 0);
    assert_eq!(std::fs::read_to_string(&path).unwrap(), printed.out);
    let again = rhodon(&["check", "--fix", place], "");
    assert_eq!(again.out, printed.out);
    for (refused, told) in [
        (vec!["check", "--in-place", place], "--fix"),
        (
            vec!["check", "--fix", place, place],
            "--fix without --in-place: expected one document, found 2",
        ),
        (
            vec!["check", "--format", "sarif", place, place],
            "--format: expected one document, found 2",
        ),
        (
            vec!["check", "--brands", "--fix", "#000"],
            "cannot be used with",
        ),
        (vec!["check", "--fail-on", "note", place], "error, warning"),
    ] {
        let run = rhodon(&refused, "");
        assert!(
            run.code == 2 && run.err.contains(told),
            "{refused:?}: {}",
            run.err
        );
        assert!(run.out.is_empty(), "{refused:?}");
    }
}
