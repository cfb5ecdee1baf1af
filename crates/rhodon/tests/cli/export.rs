//! Themes written for their consumers, and read back.

use std::fs;

use super::rhodon;

#[test]
fn export_writes_to_a_folder_or_to_standard_output() {
    let out = tempfile::tempdir().unwrap();
    let folder = out.path().to_str().unwrap();
    let document = "brindle-sound-ferries.rhodon.json";
    let run = rhodon(
        &[
            "export", document, "--target", "all", "--out", folder, "--json",
        ],
        "",
    );
    assert_eq!(run.code, 0, "{}", run.err);
    for line in run.lines() {
        for file in line["files"].as_array().unwrap() {
            let written = fs::read(out.path().join(file["path"].as_str().unwrap())).unwrap();
            assert_eq!(written.len() as u64, file["bytes"].as_u64().unwrap());
        }
    }
    let single = rhodon(&["export", document, "--target", "css"], "");
    assert_eq!(
        single.out.as_bytes(),
        fs::read(out.path().join("theme.css")).unwrap()
    );
    let brands = rhodon(
        &[
            "export",
            "--brands",
            "#0f5c7a rgb(228 87 46)",
            "--target",
            "css",
            "--set",
            "prefix=bsf",
        ],
        "",
    );
    assert!(
        brands
            .out
            .contains("--bsf-primary-fill: var(--bsf-blue-600);"),
        "{}",
        brands.err
    );
}

#[test]
fn import_reads_back_what_export_wrote() {
    let folder = tempfile::tempdir().unwrap();
    let folder = folder.path().to_str().unwrap();
    let document = "brindle-sound-ferries.rhodon.json";
    rhodon(
        &[
            "export", document, "--target", "tokens", "spec", "--out", folder,
        ],
        "",
    );
    let file = |name: &str| format!("{folder}/{name}");
    let tokens = ["tokens.json", "tokens.dark.json", "theme.resolver.json"].map(file);
    let read = rhodon(&["import", &tokens[0], &tokens[1], &tokens[2]], "");
    assert_eq!(read.code, 0, "{}", read.err);
    assert_eq!(
        read.out,
        std::fs::read_to_string(file("theme.rhodon.json")).unwrap()
    );
    let named = rhodon(&["import", "-", "--name", "Night", "--json"], &read.out);
    assert!(named.out.contains("\"name\":\"Night\""));
    let bad = rhodon(
        &["import", "-"],
        r##"{ "a": { "$type": "color", "$value": "#0f5c7a" }, "b": { "$type": "color", "$value": "bleu" } }"##,
    );
    // What does not say itself what it is is read as what it looks like.
    for (text, color) in [
        (":root { --brand: #0f5c7a }", "Brand"),
        ("#0f5c7a\n#e4572e\n", "Blue"),
        (r##"{ "colors": { "primary": "#0f5c7a" } }"##, "Primary"),
        (
            r##"<resources><color name="sea">#0f5c7a</color></resources>"##,
            "Sea",
        ),
    ] {
        let read = rhodon(&["import", "-", "--json"], text);
        let name = format!("\"name\":\"{color}\",\"slug\"");
        assert!(
            read.code == 0 && read.out.contains(&name),
            "{text}: {} {}",
            read.out,
            read.err
        );
    }
    // The rest was read all the same.
    assert_eq!((bad.code, bad.out.contains("\"#0f5c7a\"")), (2, true));
    assert!(
        bad.err.contains("\nstandard input: b: \"bleu\": "),
        "{}",
        bad.err
    );
}

#[test]
fn a_target_that_cannot_be_written_does_not_stop_the_others() {
    let folder = tempfile::tempdir().unwrap();
    let folder = folder.path().to_str().unwrap();
    let spec = r##"{ "format": 1, "name": "T", "brand": [{ "name": "P", "color": "#0f5c7a" }], "tokens": { "object": { "value": "#123" } } }"##;
    let run = rhodon(
        &["export", "-", "--target", "all", "--out", folder, "--json"],
        spec,
    );
    assert_eq!(run.code, 2);
    assert_eq!(
        run.err,
        "--target kotlin: object would be named object, a reserved word of Kotlin: expected another name\n"
    );
    let written: Vec<String> = run
        .lines()
        .iter()
        .map(|l| l["target"].as_str().unwrap().to_owned())
        .collect();
    assert!(written.contains(&"dart".to_owned()) && !written.contains(&"kotlin".to_owned()));
    assert!(fs::exists(format!("{folder}/theme_colors.dart")).unwrap());
}

#[test]
fn export_refuses_what_it_cannot_do() {
    let document = "brindle-sound-ferries.rhodon.json";
    for (args, message) in [
        (
            &["export", document, "--target", "cs"][..],
            "unknown target \"cs\"",
        ),
        (
            &["export", document, "--target", "css", "--set", "mode=night"],
            "option mode: expected one of",
        ),
        (
            &["export", document, "--target", "css", "--set", "colour=x"],
            "unknown option \"colour\"",
        ),
        (
            &["export", document, "--target", "css", "--set", "mode"],
            "expected key=value",
        ),
        (
            &["export", document, "--target", "all"],
            "expected --out for",
        ),
        (
            &["export", "--brands", "nope", "--target", "css"],
            "--brands: \"nope\"",
        ),
    ] {
        let run = rhodon(args, "");
        assert_eq!(run.code, 2, "{args:?}");
        assert!(run.err.contains(message), "{args:?}: {}", run.err);
    }
}

#[test]
fn themes_beside_are_for_targets_that_take_them() {
    let args = [
        "export",
        "night-crossing.rhodon.json",
        "--target",
        "css",
        "--with",
        "nowhere.json",
    ];
    let run = rhodon(&args, "");
    assert_eq!(run.code, 2);
    assert!(
        run.err
            .contains("expected a target that takes several themes"),
        "{}",
        run.err
    );
}
