//! The command line as a pipeline meets it: the real binary, real pipes.
#![allow(clippy::unwrap_used)]

mod bad_input;
mod check;
mod color;
mod export;
mod measures;
mod recolor;
mod sites;
mod sources;
mod terminal;

use std::io::Write;
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

/// The keys of an object in their order.
fn keys(object: &Value) -> Vec<&str> {
    let object = object.as_object().expect("an object");
    object.keys().map(String::as_str).collect()
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
    let keys = keys(&steps[0]);
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
    let keys = keys(token);
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
