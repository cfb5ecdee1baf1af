//! Bad input of every kind: one line on standard error, exit 2, and the rest goes on.

use std::fs;

use super::rhodon;

const DOCUMENT: &str = "brindle-sound-ferries.rhodon.json";

#[test]
fn lines_of_other_systems_are_read() {
    let run = rhodon(&["color", "--json"], "red\r\n  blue  \r\n#0f5c7a");
    let codes: Vec<_> = run
        .lines()
        .iter()
        .map(|l| l["hex"].as_str().unwrap().to_owned())
        .collect();
    assert_eq!(
        (run.code, codes),
        (
            0,
            ["#ff0000", "#0000ff", "#0f5c7a"]
                .map(str::to_owned)
                .to_vec()
        )
    );
}

#[test]
fn nothing_gives_nothing() {
    for command in ["color", "scale", "contrast"] {
        let run = rhodon(&[command, "--json"], "");
        assert_eq!(
            (run.code, run.out.as_str(), run.err.as_str()),
            (0, "", ""),
            "{command}"
        );
    }
}

#[test]
fn bytes_that_are_no_text_are_told_with_their_line() {
    let run = rhodon(&["color", "--json"], b"red\n\xff\xfe\nblue\n");
    assert_eq!(run.code, 2);
    assert_eq!(run.lines().len(), 3, "{}", run.out);
    assert!(run.err.starts_with("line 2: "), "{}", run.err);
    assert_eq!(run.lines()[2]["hex"], "#0000ff");
}

#[test]
fn a_very_long_line_is_told_shortly() {
    let run = rhodon(
        &["color", "--json"],
        format!("{}\nred\n", "x".repeat(1_000_000)),
    );
    assert_eq!((run.code, run.lines().len()), (2, 2));
    assert!(run.err.len() < 2000, "{} bytes of error", run.err.len());
}

#[test]
fn every_line_is_told_once() {
    let run = rhodon(
        &["contrast", "--json"],
        "[\"red\",\"bleu\"]\nnot json\n[\"red\",\"blue\",\"x\"]\n[1,2]\n[\"red\",\"blue\"]\n",
    );
    assert_eq!((run.code, run.lines().len()), (2, 5));
    let lines: Vec<&str> = run.err.lines().collect();
    assert_eq!(lines.len(), 4, "{}", run.err);
    for (i, line) in lines.iter().enumerate() {
        assert!(
            line.starts_with(&format!("line {}: ", i + 1)) && line.contains("expected"),
            "{line}"
        );
    }
    assert!(run.lines()[4]["ratio"].is_number());
}

#[test]
fn brands_have_one_to_eight_colours() {
    let nine = ["#123456"; 9].join("\t");
    let run = rhodon(
        &["derive", "--json", "--brands"],
        format!("{nine}\n\t\n#0f5c7a\n"),
    );
    assert_eq!(run.code, 2);
    for (i, found) in [9, 0].into_iter().enumerate() {
        let line = run.err.lines().nth(i).unwrap();
        assert!(
            line.ends_with(&format!(": expected 1 to 8 colours, found {found}")),
            "{line}"
        );
    }
    assert_eq!(run.lines().last().unwrap()["ok"], true);
}

#[test]
fn options_of_the_wrong_kind_say_what_was_expected() {
    for (args, words) in [
        (
            &["vision", "--kind", "protan", "--severity", "much", "red"][..],
            "--severity",
        ),
        (
            &["vision", "--kind", "protan", "--severity", "1.5", "red"],
            "from 0 to 1",
        ),
        (&["scale", "--turn", "40", "red"], "from -20 to 20"),
        (&["scale", "--turn", "NaN", "red"], "from -20 to 20"),
        (&["scale", "--steps", "1", "red"], "2 to 40"),
        (&["scale", "--steps", "a b,c", "red"], "step label"),
        (&["scale", "--steps", "1,1", "red"], "1 twice"),
        (
            &["scale", "--method", "fancy", "red"],
            "natural, aligned or mix",
        ),
        (&["new", "--brands", "nope"], "--brands: \"nope\""),
        (&["new", "--brands", ""], "--brands"),
        (&["new", "--brands", "red", "--name", ""], "--name"),
        (
            &["export", DOCUMENT, "--brands", "red", "--target", "css"],
            "--brands",
        ),
        (&["export", DOCUMENT], "--target"),
        (&["serve", "--listen", "nowhere"], "--listen"),
        (&["paint"], "paint"),
    ] {
        let run = rhodon(args, "");
        assert_eq!(run.code, 2, "{args:?}: {}", run.out);
        assert!(
            run.err.contains(words),
            "{args:?}: no {words:?} in {}",
            run.err
        );
        assert_eq!(run.out, "", "{args:?}");
    }
}

#[test]
fn documents_that_cannot_be_read_are_told_by_name() {
    let folder = tempfile::tempdir().unwrap();
    let path = |name: &str| folder.path().join(name).to_str().unwrap().to_owned();
    fs::write(path("broken.json"), "{ \"format\": 1,").unwrap();
    fs::write(path("binary.json"), b"\x89PNG\r\n\x1a\n\0\0\xff").unwrap();
    fs::write(path("empty.json"), "").unwrap();
    fs::create_dir(path("folder.json")).unwrap();
    for name in [
        "broken.json",
        "binary.json",
        "empty.json",
        "folder.json",
        "missing.json",
    ] {
        for args in [
            vec!["derive".to_owned(), path(name)],
            vec![
                "export".to_owned(),
                path(name),
                "--target".to_owned(),
                "css".to_owned(),
            ],
            vec!["import".to_owned(), path(name)],
        ] {
            let args: Vec<&str> = args.iter().map(String::as_str).collect();
            let run = rhodon(&args, "");
            assert_eq!(run.code, 2, "{args:?}: {}", run.out);
            assert!(run.err.contains(name), "{args:?}: {}", run.err);
        }
    }
}

#[test]
fn a_folder_that_cannot_be_written_is_told() {
    let folder = tempfile::tempdir().unwrap();
    let file = folder.path().join("taken");
    fs::write(&file, "mine").unwrap();
    let run = rhodon(
        &[
            "export",
            DOCUMENT,
            "--target",
            "css",
            "--out",
            file.to_str().unwrap(),
        ],
        "",
    );
    assert_eq!(run.code, 2);
    assert!(run.err.contains("taken"), "{}", run.err);
    assert_eq!(fs::read_to_string(&file).unwrap(), "mine");
}

#[test]
fn an_export_leaves_files_of_others_alone_and_renews_its_own() {
    let folder = tempfile::tempdir().unwrap();
    let out = folder.path().to_str().unwrap();
    fs::write(folder.path().join("mine.css"), "a{}").unwrap();
    fs::write(folder.path().join("theme.css"), "old").unwrap();
    let run = rhodon(&["export", DOCUMENT, "--target", "css", "--out", out], "");
    assert_eq!((run.code, run.err.as_str()), (0, ""));
    assert_eq!(
        fs::read_to_string(folder.path().join("mine.css")).unwrap(),
        "a{}"
    );
    assert!(
        fs::read_to_string(folder.path().join("theme.css"))
            .unwrap()
            .contains("--petrol-600: #0f5c7a;")
    );
    let deep = folder.path().join("a/b/c");
    let run = rhodon(
        &[
            "export",
            DOCUMENT,
            "--target",
            "sass,less",
            "--out",
            deep.to_str().unwrap(),
        ],
        "",
    );
    assert_eq!(run.code, 0, "{}", run.err);
    for file in ["_theme.scss", "theme.less"] {
        assert!(deep.join(file).exists(), "folders are made: {file}");
    }
}

#[test]
fn a_server_without_a_database_says_what_to_do() {
    let run = rhodon(&["serve", "--listen", "127.0.0.1:0"], "");
    assert_eq!(run.code, 2);
    assert!(run.err.contains("DATABASE_URL"), "{}", run.err);
    let away = rhodon(
        &[
            "serve",
            "--listen",
            "127.0.0.1:0",
            "--database",
            "postgres://nobody@127.0.0.1:9/none",
        ],
        "",
    );
    assert_ne!(away.code, 0);
    assert!(away.err.contains("cannot use the database"), "{}", away.err);
}
