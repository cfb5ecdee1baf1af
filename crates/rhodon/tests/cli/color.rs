//! Colours measured and converted, a line each.

use std::io::{BufRead, BufReader, Write};
use std::process::{Command, Stdio};

use serde_json::Value;

use super::{keys, rhodon};

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
    let keys = keys(&line);
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
