//! Families, publishing, sites and more contrast, as a pipeline uses them.

use std::fs;

use rhodon_testing::Served;
use serde_json::{Value, json};
use tempfile::TempDir;

use crate::rhodon;

/// The simulated services, until they are dropped.
struct Standin(Served);

impl Standin {
    fn start() -> Self {
        let args = ["standin", "--listen", "127.0.0.1:0"];
        Self(Served::start(env!("CARGO_BIN_EXE_rhodon"), args))
    }

    fn site(&self, args: &[&str]) -> (i32, Value, String) {
        let given = [
            "--json",
            "site",
            "--host",
            &self.0.address,
            "--token",
            "harbour-pilot",
        ];
        let run = rhodon(&[&given[..], args].concat(), "");
        let value = run
            .out
            .lines()
            .next()
            .map(|l| serde_json::from_str(l).unwrap());
        (run.code, value.unwrap_or_default(), run.err)
    }
}

const NIGHT: &str = "night-crossing.rhodon.json";
const URL: &str = "http://127.0.0.1/published/night.css";

#[test]
fn a_theme_is_registered_applied_replaced_and_taken_back() {
    let host = Standin::start();
    let (_, standing, _) = host.site(&["list"]);
    assert_eq!(standing["sites"][0]["theme"], "Harbour 2024");
    // Told before anything is sent.
    let (code, dry, _) = host.site(&["register", NIGHT, "--url", URL, "--dry-run"]);
    assert_eq!((code, &dry["sent"]), (0, &json!(false)));
    let taken = dry["taken"].as_array().unwrap();
    let action = taken.iter().find(|t| t["slot"] == "action").unwrap();
    assert_eq!(
        (&action["token"], &action["value"]),
        (&json!("primary.fill"), &json!("#3b3f8c"))
    );
    // `ink` is a part of `link`: the longer word goes first.
    let token = |slot: &str| &taken.iter().find(|t| t["slot"] == slot).unwrap()["token"];
    assert_eq!(
        (token("link"), token("ink")),
        (&json!("link.rest"), &json!("text.main"))
    );
    assert!(dry["beyond"].as_u64().unwrap() > 100);
    let (_, standing, _) = host.site(&["list"]);
    assert_eq!(standing["themes"].as_array().unwrap().len(), 1);

    let own = [
        "register",
        NIGHT,
        "--url",
        URL,
        "--slot",
        "alarm=warning.fill",
        "--slot",
        "line=backdrop.fill",
    ];
    let (code, sent, err) = host.site(&own);
    assert_eq!(code, 0, "{err}");
    let left = &sent["left"][0];
    assert_eq!(left["slot"], "line");
    assert!(
        left["why"].as_str().unwrap().contains("see-through"),
        "{left}"
    );
    let (_, applied, _) = host.site(&["apply", "port-anlow", "Night Crossing"]);
    assert_eq!(
        (&applied["before"], &applied["shows"]),
        (&json!("Harbour 2024"), &json!(true))
    );
    let (code, _, err) = host.site(&["remove", "Night Crossing"]);
    assert_eq!(code, 2);
    assert!(err.contains("a theme in use stays"), "{err}");
    // What was shown before can be brought back; the page is kept for a minute.
    let (_, back, _) = host.site(&["apply", "port-anlow", "Harbour 2024"]);
    assert_eq!(
        (&back["before"], &back["shows"]),
        (&json!("Night Crossing"), &json!(false))
    );
    let (code, _, _) = host.site(&["withdraw", "skerry-holm"]);
    assert_eq!(code, 0);
    assert_eq!(host.site(&["remove", "Night Crossing"]).0, 0);
}

#[test]
fn hosts_and_names_that_are_wrong_are_told() {
    let host = Standin::start();
    for (args, why) in [
        (
            &["apply", "nowhere", "x"][..],
            "expected one of port-anlow, skerry-holm",
        ),
        (
            &["apply", "port-anlow", "Unknown"],
            "no theme is called Unknown",
        ),
        (
            &["register", NIGHT, "--url", URL, "--slot", "roof=text.main"],
            "no slot is called roof",
        ),
        (
            &["register", NIGHT, "--url", URL, "--slot", "roof"],
            "expected slot=token.path",
        ),
        (
            &["register", "none.rhodon.json", "--url", URL],
            "none.rhodon.json",
        ),
    ] {
        let (code, _, err) = host.site(args);
        assert_eq!(code, 2, "{args:?}");
        assert!(err.contains(why), "{args:?}: {err}");
    }
    let away = rhodon(&["site", "--host", "http://127.0.0.1:9", "list"], "");
    assert_eq!(away.code, 2);
    assert!(away.err.contains("does not answer"), "{}", away.err);
    let refused = rhodon(
        &[
            "site",
            "--host",
            &host.0.address,
            "--token",
            "wrong",
            "withdraw",
            "port-anlow",
        ],
        "",
    );
    assert!(
        refused.err.contains("expected the token"),
        "{}",
        refused.err
    );
    assert_eq!(rhodon(&["site", "--host", "harbour", "list"], "").code, 2);
}

#[test]
fn a_theme_is_published_under_a_name_of_its_content() {
    let folder = TempDir::new().unwrap();
    let to = folder.path().to_str().unwrap();
    let first = rhodon(
        &["--json", "publish", NIGHT, "--to", to, "--revision", "4"],
        "",
    );
    let report = first.lines().remove(0);
    let file = report["file"].as_str().unwrap();
    assert_eq!(
        (&report["theme"], &report["new"]),
        (&json!("night-crossing"), &json!(true))
    );
    let text = fs::read_to_string(folder.path().join(file)).unwrap();
    assert_eq!(text.len(), report["bytes"].as_u64().unwrap() as usize);
    let again = rhodon(
        &["--json", "publish", NIGHT, "--to", to, "--revision", "4"],
        "",
    );
    assert_eq!(again.lines()[0]["new"], false);
    let index = fs::read_to_string(folder.path().join("night-crossing.json")).unwrap();
    let index: Value = serde_json::from_str(&index).unwrap();
    assert_eq!(
        index,
        json!({ "current": file, "files": [{ "file": file, "revision": 4 }] })
    );
    let family = rhodon(&["--json", "publish", ".", "--family", "--to", to], "");
    assert_eq!((family.code, family.lines().len()), (0, 3));
    assert_eq!(rhodon(&["publish", NIGHT, "--to", "ftp://x"], "").code, 2);
}

#[test]
fn a_whole_family_is_exported_each_into_its_folder() {
    let folder = TempDir::new().unwrap();
    let out = folder.path().to_str().unwrap();
    let run = rhodon(
        &[
            "--json", "export", ".", "--family", "--target", "css", "json", "--out", out,
        ],
        "",
    );
    let lines = run.lines();
    assert_eq!(lines.len(), 6);
    for line in &lines {
        let (theme, file) = (line["theme"].as_str().unwrap(), &line["files"][0]);
        let path = folder
            .path()
            .join(theme)
            .join(file["path"].as_str().unwrap());
        assert_eq!(
            fs::metadata(path).unwrap().len(),
            file["bytes"].as_u64().unwrap()
        );
    }
    // One that cannot be used does not stop the others.
    let mixed = TempDir::new().unwrap();
    fs::write(mixed.path().join("a.rhodon.json"), "{").unwrap();
    fs::copy(
        "../../demo/brindle-sound-ferries.rhodon.json",
        mixed.path().join("b.rhodon.json"),
    )
    .unwrap();
    let run = rhodon(
        &[
            "--json",
            "export",
            mixed.path().to_str().unwrap(),
            "--family",
            "--target",
            "css",
            "--out",
            out,
        ],
        "",
    );
    assert_eq!((run.code, run.lines().len()), (2, 1));
    assert!(run.err.contains("a.rhodon.json"), "{}", run.err);
}

#[test]
fn the_switch_takes_the_children_beside_it_or_those_that_are_named() {
    let folder = TempDir::new().unwrap();
    let out = folder.path().to_str().unwrap();
    let eldest = "brindle-sound-ferries.rhodon.json";
    rhodon(&["export", eldest, "--target", "switch", "--out", out], "");
    let sheet = || fs::read_to_string(folder.path().join("switch.css")).unwrap();
    let both = sheet();
    assert!(
        both.contains("[data-theme=\"night-crossing\"]")
            && both.contains("[data-theme=\"brindle-freight\"]")
    );
    rhodon(
        &[
            "export", eldest, "--target", "switch", "--with", NIGHT, "--out", out,
        ],
        "",
    );
    assert!(!sheet().contains("brindle-freight"));
}

#[test]
fn derive_tells_the_level_of_more_contrast_beside_the_mode() {
    let run = rhodon(&["--json", "derive", "--brands", "#0f5c7a"], "");
    let derived = run.lines().remove(0);
    let of = |key: &str, level: Value| {
        let all = derived[key].as_array().unwrap().iter();
        all.filter(|one| one.get("level").cloned().unwrap_or_default() == level)
            .count()
    };
    assert!(of("tokens", json!("more")) > 20 && of("tokens", Value::Null) > 150);
    assert!(of("pairs", json!("more")) > 200);
    let off = json!({ "format": 1, "name": "Tern", "contrast": { "more": false },
        "brand": [{ "name": "Petrol", "slug": "petrol", "color": "#0f5c7a" }] });
    let run = rhodon(&["--json", "derive"], off.to_string());
    assert!(!run.out.contains("\"level\""));
    let run = rhodon(&["export", "-", "--target", "css"], off.to_string());
    assert!(!run.out.contains("prefers-contrast"));
}

#[test]
fn a_form_is_filled_learned_and_its_mistakes_are_told_by_line_and_column() {
    let folder = TempDir::new().unwrap();
    let form = folder.path().join("scheme.txt");
    fs::write(&form, "fill = {{ token(\"primary.fill\") | hex }}\n").unwrap();
    let path = form.to_str().unwrap();
    let run = rhodon(&["fill", NIGHT, "--form", path], "");
    assert_eq!((run.code, run.out.as_str()), (0, "fill = #3b3f8c\n"));
    let example = folder.path().join("theirs.json");
    fs::write(
        &example,
        "{ \"accent\": \"#3B3F8C\", \"other\": \"#123456\" }\n",
    )
    .unwrap();
    let run = rhodon(
        &[
            "--json",
            "fill",
            NIGHT,
            "--example",
            example.to_str().unwrap(),
        ],
        "",
    );
    assert_eq!(run.code, 0, "{}", run.err);
    assert!(run.out.contains("like("), "{}", run.out);
    fs::write(&form, "a\n  {{ nothing_here() }}\n").unwrap();
    let run = rhodon(&["fill", NIGHT, "--form", path], "");
    assert_eq!(run.code, 2);
    assert!(run.err.contains("scheme.txt:2:"), "{}", run.err);
}

#[test]
fn a_file_of_the_sites_that_cannot_be_read_or_written_is_named() {
    let folder = TempDir::new().unwrap();
    fs::write(folder.path().join("sites.json"), "{").unwrap();
    for (file, expected) in [("sites.json", "EOF"), ("none/sites.json", "No such file")] {
        let path = folder.path().join(file).display().to_string();
        let args = ["standin", "--listen", "127.0.0.1:0", "--sites", &path];
        let run = rhodon(&args, "");
        assert_eq!(run.code, 2);
        assert!(
            run.err.contains(file) && run.err.contains(expected),
            "{}",
            run.err
        );
    }
}
