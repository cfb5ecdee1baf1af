//! The command line as a pipeline meets it: the real binary, real pipes.
#![allow(clippy::unwrap_used)]

mod bad_input;
mod check;
mod measures;
mod recolor;
mod sites;
mod sources;
mod terminal;

use std::fs;
use std::io::{BufRead, BufReader, Write};
use std::process::{Command, Stdio};

use serde_json::Value;

struct Run {
    code: i32,
    out: String,
    err: String,
}

impl Run {
    /// One JSON value per line.
    fn lines(&self) -> Vec<Value> {
        self.out
            .lines()
            .map(|l| serde_json::from_str(l).unwrap_or_else(|e| panic!("{l}: {e}")))
            .collect()
    }
}

fn rhodon(args: &[&str], input: impl AsRef<[u8]>) -> Run {
    let mut child = Command::new(env!("CARGO_BIN_EXE_rhodon"))
        .args(args)
        .current_dir(concat!(env!("CARGO_MANIFEST_DIR"), "/../../demo"))
        .env_remove("DATABASE_URL")
        .stdin(Stdio::piped())
        .stdout(Stdio::piped())
        .stderr(Stdio::piped())
        .spawn()
        .unwrap();
    child
        .stdin
        .take()
        .unwrap()
        .write_all(input.as_ref())
        .unwrap();
    let output = child.wait_with_output().unwrap();
    let text = |bytes: Vec<u8>| String::from_utf8(bytes).unwrap();
    Run {
        code: output.status.code().unwrap(),
        out: text(output.stdout),
        err: text(output.stderr),
    }
}

#[test]
fn color_prints_one_value_per_line_and_goes_on_after_a_bad_one() {
    let run = rhodon(&["color", "--json"], "#0f5c7a\nrgb(1,2\nred\n");
    let lines = run.lines();
    assert_eq!((run.code, lines.len()), (2, 3));
    assert_eq!(
        (&lines[0]["hex"], &lines[1]["ok"], &lines[2]["hex"]),
        (&"#0f5c7a".into(), &false.into(), &"#ff0000".into())
    );
    assert_eq!(
        run.err,
        "line 2: \"rgb(1,2\": expected 3 values in rgb(), found 2\n"
    );
}

#[test]
fn many_lines_stay_in_their_order_and_so_does_what_is_wrong_with_some() {
    let code = |i: usize| format!("#{:06x}", i * 9_973 % 0x100_0000);
    let is_bad = |i: usize| i % 97 == 96;
    let input: String = (0..1_000)
        .map(|i| {
            if is_bad(i) {
                "nope\n".to_owned()
            } else {
                code(i) + "\n"
            }
        })
        .collect();
    let run = rhodon(&["color", "-"], input);
    let told: Vec<&str> = run.out.lines().map(|l| &l[..7]).collect();
    let good: Vec<String> = (0..1_000).filter(|i| !is_bad(*i)).map(code).collect();
    assert_eq!(
        (run.code, told),
        (2, good.iter().map(String::as_str).collect())
    );
    let wrong: Vec<&str> = run
        .err
        .lines()
        .map(|l| l.split(':').next().unwrap())
        .collect();
    let lines: Vec<String> = (0..1_000)
        .filter(|i| is_bad(*i))
        .map(|i| format!("line {}", i + 1))
        .collect();
    assert_eq!(wrong, lines);
}

#[test]
fn a_line_is_answered_before_the_next_is_written() {
    let mut child = Command::new(env!("CARGO_BIN_EXE_rhodon"))
        .args(["vision", "--kind", "protan", "-"])
        .stdin(Stdio::piped())
        .stdout(Stdio::piped())
        .spawn()
        .unwrap();
    let (mut input, output) = (child.stdin.take().unwrap(), child.stdout.take().unwrap());
    let mut answers = BufReader::new(output).lines();
    for code in ["#ffffff", "#000000"] {
        writeln!(input, "{code}").unwrap();
        assert_eq!(answers.next().unwrap().unwrap(), code);
    }
    drop(input);
    assert!(child.wait().unwrap().success());
}

#[test]
fn color_has_the_documented_shape() {
    let line = rhodon(&["color", "--json", "oklch(60% 0.1 none / 50%)"], "")
        .lines()
        .remove(0);
    let keys: Vec<&str> = line
        .as_object()
        .unwrap()
        .keys()
        .map(String::as_str)
        .collect();
    assert_eq!(
        keys,
        [
            "input",
            "ok",
            "hex",
            "alpha",
            "srgb",
            "oklch",
            "lab",
            "luminance",
            "inSrgb",
            "inP3"
        ]
    );
    let grey = rhodon(&["color", "--json", "#808080"], "")
        .lines()
        .remove(0);
    assert_eq!(grey["oklch"][2], Value::Null);
    assert!((grey["luminance"].as_f64().unwrap() - 0.215_860_500_113_899_26).abs() < 1e-12);
}

#[test]
fn contrast_and_vision_measure() {
    let run = rhodon(
        &["contrast", "--json"],
        "[\"#fff\",\"#767676\"]\n[\"#fff\"]\n",
    );
    assert!((run.lines()[0]["ratio"].as_f64().unwrap() - 4.542_224_959_605_253).abs() < 1e-9);
    assert_eq!((run.code, &run.lines()[1]["ok"]), (2, &false.into()));
    assert_eq!(
        rhodon(&["vision", "--kind", "protan", "red"], "").out,
        "#6d5f00\n"
    );
    assert_eq!(
        rhodon(
            &["vision", "--kind", "protan", "--severity", "0", "red"],
            ""
        )
        .out,
        "#ff0000\n"
    );
    let wrong = rhodon(&["vision", "--kind", "blue", "red"], "");
    assert_eq!(
        (wrong.code, wrong.err.as_str()),
        (
            2,
            "--kind: expected protan, deutan or tritan, found \"blue\"\n"
        )
    );
}

#[test]
fn companions_stand_by_relation() {
    let run = rhodon(
        &["companions", "--relation", "square", "--json", "#0f5c7a"],
        "",
    );
    assert_eq!(run.lines()[0]["companions"].as_array().unwrap().len(), 3);
    let wrong = rhodon(&["companions", "--relation", "pentagon", "red"], "");
    assert_eq!(wrong.code, 2);
    assert!(
        wrong
            .err
            .contains("expected one of complementary, analogous, split, triad, square"),
        "{}",
        wrong.err
    );
}

#[test]
fn the_published_schema_is_up_to_date() {
    let committed: Value =
        serde_json::from_str(include_str!("../../../../docs/theme.schema.json")).unwrap();
    let printed: Value = serde_json::from_str(&rhodon(&["schema"], "").out).unwrap();
    assert!(
        committed == printed,
        "run `rhodon schema > docs/theme.schema.json`"
    );
}

#[test]
fn scale_takes_labels_method_and_pin() {
    let run = rhodon(
        &[
            "scale", "--json", "--steps", "1,2,3,4", "--pin", "3", "#0f5c7a",
        ],
        "",
    );
    let steps = run.lines()[0]["steps"].as_array().unwrap().clone();
    let labels: Vec<&str> = steps.iter().map(|s| s["label"].as_str().unwrap()).collect();
    assert_eq!(labels, ["1", "2", "3", "4"]);
    assert_eq!(
        (&steps[2]["hex"], &steps[2]["pinned"]),
        (&"#0f5c7a".into(), &true.into())
    );
    let keys: Vec<&str> = steps[0]
        .as_object()
        .unwrap()
        .keys()
        .map(String::as_str)
        .collect();
    assert_eq!(
        keys,
        [
            "label",
            "hex",
            "oklch",
            "lightness",
            "pinned",
            "onWhite",
            "onBlack"
        ]
    );
    let wrong = rhodon(&["scale", "--pin", "9", "#0f5c7a"], "");
    assert_eq!(wrong.code, 2);
    assert!(
        wrong.err.contains("no step 9: expected one of 50, 100"),
        "{}",
        wrong.err
    );
    assert_eq!(rhodon(&["scale", "--method", "fancy", "red"], "").code, 2);
}

#[test]
fn derive_reads_brands_by_line_and_documents_with_parents() {
    let run = rhodon(
        &["derive", "--json", "--brands"],
        "#0f5c7a\t#e4572e\nnope\n0f5c7a\n",
    );
    let lines = run.lines();
    assert_eq!((run.code, lines.len()), (2, 3));
    assert!(run.err.starts_with("line 2: \"nope\": "), "{}", run.err);
    for line in [&lines[0], &lines[2]] {
        assert!(
            line["pairs"]
                .as_array()
                .unwrap()
                .iter()
                .all(|p| p["pass"] == true)
        );
        let findings = line["findings"].as_array().unwrap();
        assert!(
            findings.iter().all(|f| f["severity"] != "error"),
            "{findings:?}"
        );
    }
    let token = &lines[0]["tokens"][0];
    let keys: Vec<&str> = token
        .as_object()
        .unwrap()
        .keys()
        .map(String::as_str)
        .collect();
    assert_eq!(keys, ["path", "mode", "value", "alias", "origin", "reason"]);

    let child = rhodon(&["derive", "--json", "night-crossing.rhodon.json"], "");
    assert_eq!(child.code, 0, "{}", child.err);
    let fill = child.lines()[0]["tokens"]
        .as_array()
        .unwrap()
        .iter()
        .find(|t| t["path"] == "primary.fill")
        .unwrap()
        .clone();
    assert_eq!(fill["value"], "#3b3f8c");
}

#[test]
fn a_bad_document_is_told_line_by_line() {
    let run = rhodon(
        &["derive", "-"],
        "{\"format\":1,\"name\":\"x\",\"brnd\":[]}",
    );
    assert_eq!(run.code, 2);
    let lines: Vec<&str> = run.err.lines().collect();
    assert_eq!(
        lines[0],
        "standard input: /brnd: unknown key \"brnd\": the nearest known key is \"brand\""
    );
    assert_eq!(rhodon(&["derive", "missing.json"], "").code, 2);
    let orphan = rhodon(
        &["derive", "-"],
        "{\"format\":1,\"name\":\"x\",\"extends\":\"nobody\"}",
    );
    assert!(
        orphan.err.contains("no theme \"nobody\" to extend"),
        "{}",
        orphan.err
    );
}

#[test]
fn options_may_stand_behind_the_inputs() {
    let color = rhodon(&["color", "#0f5c7a", "--json"], "");
    assert_eq!((color.code, color.lines().len()), (0, 1));
    let theme = rhodon(&["derive", "night-crossing.rhodon.json", "--json"], "");
    assert_eq!((theme.code, &theme.lines()[0]["ok"]), (0, &true.into()));
    let piped = rhodon(&["color", "-", "--json"], "red\nblue\n");
    assert_eq!(piped.lines().len(), 2);
}

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

#[test]
fn targets_and_new_speak_json() {
    let targets = rhodon(&["targets", "--json"], "").lines();
    assert!(
        targets
            .iter()
            .any(|t| t["id"] == "css" && t["options"][0]["key"] == "mode")
    );
    let made = rhodon(
        &[
            "new",
            "--brands",
            "#0f5c7a #e4572e",
            "--name",
            "Tern",
            "--json",
        ],
        "",
    )
    .lines()
    .remove(0);
    assert_eq!(
        (&made["name"], made["brand"].as_array().unwrap().len()),
        (&"Tern".into(), 2)
    );
    let again = rhodon(&["derive", "--json", "-"], made.to_string());
    assert_eq!(again.code, 0, "{}", again.err);
}

#[test]
fn a_closed_pipe_is_no_failure() {
    let mut child = Command::new(env!("CARGO_BIN_EXE_rhodon"))
        .args(["derive", "--json", "--brands"])
        .stdin(Stdio::piped())
        .stdout(Stdio::piped())
        .stderr(Stdio::piped())
        .spawn()
        .unwrap();
    drop(child.stdout.take());
    let _ = child
        .stdin
        .take()
        .unwrap()
        .write_all("#0f5c7a\n".repeat(50).as_bytes());
    let output = child.wait_with_output().unwrap();
    assert_eq!(
        (
            output.status.code(),
            String::from_utf8(output.stderr).unwrap().as_str()
        ),
        (Some(0), "")
    );
}
