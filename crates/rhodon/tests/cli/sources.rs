//! Colours of pictures and of files, and themes made from them.

use std::fs;
use std::io::Write;

use serde_json::{Value, json};

use super::rhodon;

const CREST: &str = r##"<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 60"><rect width="70" height="60" fill="#0f5c7a"/>
    <rect x="70" width="30" height="60" fill="#e4572e"/></svg>"##;

#[test]
fn extract_prints_a_line_a_picture_and_goes_on_after_a_bad_one() {
    let folder = tempfile::tempdir().unwrap();
    let path = |name: &str, text: &str| {
        let path = folder.path().join(name);
        fs::write(&path, text).unwrap();
        path.to_str().unwrap().to_owned()
    };
    let (crest, list) = (path("crest.svg", CREST), path("list.png", "a,b\n"));
    let run = rhodon(
        &[
            "extract",
            "--json",
            "--count",
            "4",
            &list,
            &crest,
            "nowhere.png",
        ],
        "",
    );
    let lines = run.lines();
    assert_eq!((run.code, lines.len()), (2, 3));
    assert_eq!(lines[0]["ok"], false);
    assert!(
        lines[0]["error"]
            .as_str()
            .unwrap()
            .starts_with("no picture that is read here")
    );
    assert!(
        run.err.lines().next().unwrap().starts_with("argument 1: "),
        "{}",
        run.err
    );
    let found = &lines[1];
    assert_eq!(
        (&found["ok"], &found["width"], &found["height"]),
        (&json!(true), &json!(100), &json!(60))
    );
    let codes: Vec<&str> = found["colors"]
        .as_array()
        .unwrap()
        .iter()
        .map(|c| c["hex"].as_str().unwrap())
        .collect();
    assert_eq!(codes, ["#0f5c7a", "#e4572e"]);
    let share = found["colors"][0]["share"].as_f64().unwrap();
    assert!((share - 0.7).abs() < 0.01, "{share}");
    let from_pipe = rhodon(&["extract", "--json", "--lean", "stronger", "-"], CREST);
    assert_eq!(from_pipe.lines()[0]["colors"][0]["hex"], "#e4572e");
    assert_eq!(rhodon(&["extract", "--count", "13", &crest], "").code, 2);
}

#[test]
fn inventory_walks_a_folder_and_passes_over_what_others_made() {
    let folder = tempfile::tempdir().unwrap();
    for (name, text) in [
        ("src/a.css", ".a { color: #0f5c7a } .b { color: #0f5c7a }"),
        ("src/b.ts", "const c = '#e4572e';"),
        ("node_modules/x/y.css", ".z { color: #ff0000 }"),
        ("notes.txt", "#00ff00"),
    ] {
        let path = folder.path().join(name);
        fs::create_dir_all(path.parent().unwrap()).unwrap();
        fs::write(path, text).unwrap();
    }
    let run = rhodon(
        &["inventory", "--json", folder.path().to_str().unwrap()],
        "",
    );
    let lines = run.lines();
    let counts: Vec<(&Value, &Value)> = lines.iter().map(|l| (&l["hex"], &l["count"])).collect();
    assert_eq!(run.code, 0, "{}", run.err);
    assert_eq!(
        counts,
        [
            (&json!("#0f5c7a"), &json!(2)),
            (&json!("#e4572e"), &json!(1))
        ]
    );
    let place = &lines[0]["places"][1];
    assert_eq!(
        (&place["line"], &place["column"], &place["text"]),
        (&json!(1), &json!(35), &json!("#0f5c7a"))
    );
    assert_eq!(lines[1]["names"], json!(["c"]));
    let style = folder.path().join("src/a.css");
    let some = rhodon(
        &[
            "inventory",
            "--json",
            "nowhere.css",
            style.to_str().unwrap(),
        ],
        "",
    );
    assert_eq!((some.code, some.lines().len()), (2, 1), "the rest is told");
    assert!(some.err.starts_with("nowhere.css: "), "{}", some.err);
    for near in ["-1", "21", "x"] {
        assert_eq!(
            rhodon(&["inventory", "--near", near, "."], "").code,
            2,
            "{near}"
        );
    }
}

#[test]
fn import_makes_a_theme_of_any_file_with_colours_and_its_tokens_hold_them() {
    let folder = tempfile::tempdir().unwrap();
    for (name, text, codes) in [
        (
            "harbour.css",
            "--petrol: #0f5c7a; .a { color: #e4572e } .b { border: 1px solid #e4572e } .c { color: #eee }",
            ["#e4572e", "#0f5c7a"],
        ),
        (
            "theme.scss",
            "$petrol: #0f5c7a; $buoy: #e4572e;",
            ["#0f5c7a", "#e4572e"],
        ),
        (
            "colors.xml",
            "<color name=\"petrol\">#FF0F5C7A</color><color name=\"buoy\">#E4572E</color>",
            ["#0f5c7a", "#e4572e"],
        ),
        (
            "Theme.kt",
            "val petrol = Color(0xFF0F5C7A)\nval buoy = Color(0xFFE4572E)",
            ["#0f5c7a", "#e4572e"],
        ),
        (
            "brand.gpl",
            "# harbour\n15 92 122 Petrol\n228 87 46 Buoy\n",
            ["#0f5c7a", "#e4572e"],
        ),
        ("crest.svg", CREST, ["#0f5c7a", "#e4572e"]),
    ] {
        let path = folder.path().join(name);
        fs::write(&path, text).unwrap();
        let run = rhodon(&["import", "--json", path.to_str().unwrap()], "");
        assert_eq!(run.code, 0, "{name}: {}", run.err);
        let spec = &run.lines()[0];
        let found: Vec<&str> = spec["brand"]
            .as_array()
            .unwrap()
            .iter()
            .map(|b| b["color"].as_str().unwrap())
            .collect();
        assert_eq!(found, codes, "{name}");
        let written = folder.path().join("t.rhodon.json");
        fs::write(&written, spec.to_string()).unwrap();
        let tokens = rhodon(
            &[
                "export",
                written.to_str().unwrap(),
                "--target",
                "tokens",
                "--out",
                folder.path().to_str().unwrap(),
            ],
            "",
        );
        assert_eq!(tokens.code, 0, "{}", tokens.err);
        let text = fs::read_to_string(folder.path().join("tokens.json")).unwrap();
        for code in codes {
            assert!(text.contains(code), "{name}: {code}");
        }
    }
    let none = rhodon(&["import", "-"], "body { margin: 0 }");
    assert_eq!(none.code, 2);
}

/// An archive is looked into like a folder; one that lies is told, and the rest is done.
#[test]
fn archives_are_looked_into_like_folders() {
    let folder = tempfile::tempdir().unwrap();
    let path = |name: &str| folder.path().join(name).to_str().unwrap().to_owned();
    let zip = |name: &str, entries: &[(&str, &[u8])]| {
        let file = fs::File::create(path(name)).unwrap();
        let mut zip = zip::ZipWriter::new(file);
        for (name, bytes) in entries {
            let options = zip::write::SimpleFileOptions::default();
            zip.start_file(*name, options).unwrap();
            zip.write_all(bytes).unwrap();
        }
        zip.finish().unwrap();
    };
    let sheet = b":root { --quay: #0f5c7a }".as_slice();
    zip(
        "site.zip",
        &[
            ("css/site.css", sheet),
            ("node_modules/other/x.css", b"a { color: #ff0000 }"),
            ("../out.css", b"a { color: #00ff00 }"),
            ("read.me", b"#0000ff"),
        ],
    );
    let run = rhodon(&["inventory", "--json", &path("site.zip")], "");
    let lines = run.lines();
    assert_eq!((run.code, lines.len()), (0, 1), "{}", run.err);
    assert_eq!(lines[0]["hex"], "#0f5c7a");
    assert_eq!(lines[0]["places"][0]["file"], "css/site.css");

    let import = rhodon(&["import", &path("site.zip")], "");
    let spec: Value = serde_json::from_str(&import.out).unwrap();
    assert_eq!(spec["brand"][0]["color"], "#0f5c7a");

    let bomb = vec![b' '; 70_000_000];
    zip("bomb.zip", &[("a.css", bomb.as_slice())]);
    fs::write(path("text.zip"), "no archive").unwrap();
    let run = rhodon(
        &[
            "inventory",
            "--json",
            &path("bomb.zip"),
            &path("text.zip"),
            &path("site.zip"),
        ],
        "",
    );
    assert_eq!((run.code, run.lines().len()), (2, 1));
    assert!(run.err.contains("more than 64 MB unpacked"), "{}", run.err);
    assert!(run.err.contains("a damaged ZIP"), "{}", run.err);
}
