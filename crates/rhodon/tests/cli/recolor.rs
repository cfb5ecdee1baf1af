//! Files with other colours, and what differs between themes.

use std::fs;
use std::path::Path;

use serde_json::{Value, json};

use super::rhodon;

struct Folder(tempfile::TempDir);

impl Folder {
    fn new(files: &[(&str, &str)]) -> Self {
        let folder = Self(tempfile::tempdir().unwrap());
        for (name, text) in files {
            let path = folder.0.path().join(name);
            fs::create_dir_all(path.parent().unwrap()).unwrap();
            fs::write(path, text).unwrap();
        }
        folder
    }

    fn path(&self, name: &str) -> String {
        self.0.path().join(name).display().to_string()
    }

    fn read(&self, name: &str) -> String {
        fs::read_to_string(self.0.path().join(name)).unwrap()
    }
}

const MAP: &str = r##"{"#0f5c7a": "#a33a1e"}"##;

#[test]
fn one_file_goes_to_standard_output_and_what_was_done_to_standard_error() {
    let folder = Folder::new(&[
        ("a.css", "a { color: #0F5C7A;\n  fill: tan }\n"),
        ("map.json", MAP),
    ]);
    let (file, map) = (folder.path("a.css"), folder.path("map.json"));
    let run = rhodon(&["recolor", &file, "--map", &map], "");
    assert_eq!(
        (run.code, run.out.as_str()),
        (0, "a { color: #A33A1E;\n  fill: tan }\n")
    );
    assert!(
        run.err.ends_with("a.css: 1 changed, 1 left\n"),
        "{}",
        run.err
    );
    let run = rhodon(&["recolor", "--json", &file, "--map", &map], "");
    assert_eq!(
        run.lines()[0],
        json!({
            "file": file,
            "changes": [{ "line": 1, "column": 12, "from": "#0F5C7A", "to": "#A33A1E" }],
            "left": [{ "line": 2, "column": 9, "text": "tan", "why": "not in the map" }],
            "unreadable": [],
        })
    );
    assert_eq!(folder.read("a.css"), "a { color: #0F5C7A;\n  fill: tan }\n");
}

#[test]
fn faces_change_with_colours_or_alone() {
    let text =
        "a { font: 1rem 'Tern Sans', serif; color: #0f5c7a }\nb { font-family: Tern Sans }\n";
    let folder = Folder::new(&[("a.css", text), ("map.json", MAP)]);
    let (file, map) = (folder.path("a.css"), folder.path("map.json"));
    let face = ["--face", "tern sans=Anlow Text"];
    let run = rhodon(&[&["recolor", &file][..], &face].concat(), "");
    assert_eq!(run.code, 0, "{}", run.err);
    assert_eq!(run.out, text.replace("Tern Sans", "Anlow Text"));
    let told = "Anlow Text: none of the files loads this face: bring one of that name, or load its style sheet";
    assert!(
        run.err
            .ends_with(&format!("a.css: 2 changed, 1 left\n{told}\n")),
        "{}",
        run.err
    );
    let all = [&["recolor", "--json", &file, "--map", &map][..], &face].concat();
    let change = |line: u32, column: u32, from: &str, to: &str| json!({ "line": line, "column": column, "from": from, "to": to });
    assert_eq!(
        rhodon(&all, "").lines()[0]["changes"],
        json!([
            change(1, 16, "'Tern Sans', serif", "'Anlow Text', serif"),
            change(1, 43, "#0f5c7a", "#a33a1e"),
            change(2, 18, "Tern Sans", "Anlow Text"),
        ])
    );
}

#[test]
fn a_folder_goes_to_a_folder_with_its_pictures_and_a_bad_file_stops_nothing() {
    let svg = "<svg xmlns='http://www.w3.org/2000/svg'><path fill='#0f5c7a'/></svg>";
    let folder = Folder::new(&[
        ("old/css/a.css", "a{color:#0f5c7a}"),
        ("old/mark.svg", svg),
        ("old/bad.png", "no picture"),
        ("old/node_modules/x.css", "a{color:#0f5c7a}"),
        ("map.json", MAP),
    ]);
    let (old, map, out) = (
        folder.path("old"),
        folder.path("map.json"),
        folder.path("new"),
    );
    let run = rhodon(
        &["recolor", "--json", &old, "--map", &map, "--out", &out],
        "",
    );
    assert_eq!(run.code, 2);
    assert_eq!(run.lines().len(), 3);
    assert!(run.err.contains("bad.png"), "{}", run.err);
    assert_eq!(folder.read("new/css/a.css"), "a{color:#a33a1e}");
    assert_eq!(
        folder.read("new/mark.svg"),
        svg.replace("#0f5c7a", "#a33a1e")
    );
    assert!(!Path::new(&folder.path("new/x.css")).exists());
}

#[test]
fn from_one_theme_to_another_files_follow_the_tokens() {
    let theme = |code: &str, face: &str| {
        let brand = json!([{ "name": "Brand", "slug": "brand", "color": code }]);
        let body = json!({ "body": [face, "sans-serif"] });
        json!({ "format": 1, "name": "T", "brand": brand, "type": body }).to_string()
    };
    let sheet = ".button { background: #0f5c7a }\n.button:hover { background: #0d5069 }\nbody { font-family: Tern, serif }\n";
    let folder = Folder::new(&[
        ("from.rhodon.json", &theme("#0f5c7a", "Tern")),
        ("to.rhodon.json", &theme("#a33a1e", "Vess")),
        ("a.css", sheet),
    ]);
    let (from, to, file) = (
        folder.path("from.rhodon.json"),
        folder.path("to.rhodon.json"),
        folder.path("a.css"),
    );
    let run = rhodon(&["recolor", &file, "--from", &from, "--to", &to], "");
    assert!(
        run.out
            .starts_with(".button { background: #a33a1e }\n.button:hover { background: #0d5069 }"),
        "{}",
        run.out
    );
    assert!(
        run.out
            .ends_with("body { font-family: Vess, sans-serif }\n"),
        "{}",
        run.out
    );
    let run = rhodon(
        &[
            "recolor",
            &file,
            "--from",
            &from,
            "--to",
            &to,
            "--kin",
            "--to-variables",
        ],
        "",
    );
    assert!(
        run.out.starts_with(".button { background: var(--"),
        "{}",
        run.out
    );
    assert!(!run.out.contains("#0d5069"), "{}", run.out);

    let run = rhodon(&["diff", "--json", &from, &to], "");
    let changes = run.lines()[0]["changes"].as_array().unwrap().clone();
    let fill: Vec<&Value> = changes
        .iter()
        .filter(|c| c["path"] == "primary.fill")
        .collect();
    assert_eq!(fill[0]["mode"], "light");
    assert_eq!(
        (&fill[0]["before"], &fill[0]["after"]),
        (&json!("#0f5c7a"), &json!("#a33a1e"))
    );
    let same = rhodon(&["diff", "--json", &from, &from], "");
    assert_eq!(same.lines()[0], json!({ "changes": [] }));
}

#[test]
fn what_is_asked_wrong_is_told() {
    let folder = Folder::new(&[
        ("a.css", ""),
        ("b.css", ""),
        ("map.json", r##"{"petrol": 1}"##),
        ("good.json", MAP),
    ]);
    let (a, b) = (folder.path("a.css"), folder.path("b.css"));
    for (arguments, why) in [
        (vec!["recolor", &a], "--map"),
        (
            vec!["recolor", &a, "--face", "Tern Sans"],
            "--face: expected a face and what takes its place, \"Old=New\", found \"Tern Sans\"",
        ),
        (vec!["recolor", &a, "--face", "Tern="], "--face: expected"),
        (
            vec!["recolor", &a, "--map", &folder.path("map.json")],
            "/petrol: expected",
        ),
        (
            vec!["recolor", &a, "--map", &folder.path("none.json")],
            "none.json",
        ),
        (
            vec!["recolor", &a, &b, "--map", &folder.path("good.json")],
            "expected --out for 2 files",
        ),
    ] {
        let run = rhodon(&arguments, "");
        assert_eq!(run.code, 2, "{arguments:?}");
        assert!(run.err.contains(why), "{}", run.err);
    }
}

#[test]
fn export_watches_the_document_and_its_parents_and_outlives_a_bad_one() {
    use std::process::{Command, Stdio};
    use std::time::{Duration, Instant};

    let parent = |code: &str| {
        json!({ "format": 1, "name": "P", "brand": [{ "name": "Sea", "slug": "sea", "color": code }] }).to_string()
    };
    let child = |name: &str| json!({ "format": 1, "name": name, "extends": "parent" }).to_string();
    let folder = Folder::new(&[
        ("parent.rhodon.json", &parent("#0f5c7a")),
        ("child.rhodon.json", &child("C")),
    ]);
    let out = folder.path("build");
    let mut process = Command::new(env!("CARGO_BIN_EXE_rhodon"))
        .args([
            "export",
            &folder.path("child.rhodon.json"),
            "--target",
            "css",
            "--out",
            &out,
            "--watch",
        ])
        .stdout(Stdio::null())
        .stderr(Stdio::null())
        .spawn()
        .unwrap();
    let holds = |text: &str| {
        let began = Instant::now();
        while began.elapsed() < Duration::from_secs(20) {
            if fs::read_to_string(format!("{out}/theme.css"))
                .is_ok_and(|sheet| sheet.contains(text))
            {
                return true;
            }
            std::thread::sleep(Duration::from_millis(20));
        }
        false
    };
    let put = |name: &str, text: &str| fs::write(folder.path(name), text).unwrap();
    assert!(holds("#0f5c7a"));
    put("parent.rhodon.json", &parent("#a33a1e"));
    assert!(holds("#a33a1e"), "a parent changed");
    put("child.rhodon.json", "{ not a document");
    std::thread::sleep(Duration::from_millis(200));
    assert!(holds("#a33a1e"), "what was good stays");
    put("child.rhodon.json", &child("Deep water"));
    assert!(holds("Deep water"), "and it goes on");
    assert!(process.try_wait().unwrap().is_none());
    process.kill().unwrap();
    process.wait().unwrap();
    let parts = fs::read_dir(&out).unwrap().flatten();
    assert!(
        parts
            .map(|f| f.file_name())
            .all(|name| !name.to_string_lossy().ends_with(".part"))
    );
    let run = rhodon(
        &["export", "-", "--target", "css", "--out", &out, "--watch"],
        "",
    );
    assert!(
        run.err.contains("--watch: expected a document in a file"),
        "{}",
        run.err
    );
}
