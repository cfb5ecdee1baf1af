//! A server for others: reached under another name behind a proxy, watched by its figures and its log,
//! backed up and brought back.
#![allow(clippy::unwrap_used)]

use std::fs;
use std::io::{Read, Write};
use std::path::Path;
use std::process::{Command, Output, Stdio};

use reqwest::Client;
use rhodon_testing::{Served, fresh_database};
use serde_json::{Value, json};
use zip::{ZipArchive, ZipWriter};

const BINARY: &str = env!("CARGO_BIN_EXE_rhodon");

fn start(database: &str, more: &[&str]) -> Served {
    let args = [
        "serve",
        "--demo",
        "--listen",
        "127.0.0.1:0",
        "--database",
        database,
    ];
    Served::start(BINARY, args.iter().chain(more))
}

fn rhodon(args: &[&str], database: &str) -> Output {
    let run = Command::new(BINARY)
        .args(args)
        .env("DATABASE_URL", database)
        .output();
    run.unwrap()
}

fn told(output: &Output) -> String {
    String::from_utf8_lossy(&output.stderr).into_owned()
}

/// The files of an archive by path.
fn unpacked(path: &Path) -> Vec<(String, Vec<u8>)> {
    let mut archive = ZipArchive::new(fs::File::open(path).unwrap()).unwrap();
    let files = (0..archive.len()).map(|i| {
        let mut file = archive.by_index(i).unwrap();
        let mut bytes = Vec::new();
        file.read_to_end(&mut bytes).unwrap();
        (file.name().unwrap().into_owned(), bytes)
    });
    let mut files: Vec<_> = files.collect();
    files.sort();
    files
}

fn packed(path: &Path, files: &[(String, Vec<u8>)]) {
    let mut zip = ZipWriter::new(fs::File::create(path).unwrap());
    for (name, bytes) in files {
        zip.start_file(name, zip::write::SimpleFileOptions::default())
            .unwrap();
        zip.write_all(bytes).unwrap();
    }
    zip.finish().unwrap();
}

#[tokio::test]
async fn everything_that_is_kept_comes_back_as_it_was_or_not_at_all() {
    let (from, to) = (
        fresh_database("backup").await,
        fresh_database("restore").await,
    );
    let folder = tempfile::tempdir().unwrap();
    let host = Served::start(BINARY, ["standin", "--listen", "127.0.0.1:0"]);
    let published = folder.path().join("published");
    let sites = [
        "--published",
        published.to_str().unwrap(),
        "--sites",
        &host.address,
        "--sites-token",
        "harbour-pilot",
    ];
    let server = start(&from, &sites);
    let client = Client::new();
    let at = |path: &str| format!("{}{path}", server.address);
    let kept = json!({ "name": "Kelp", "words": ["sea"], "owner": "Ines", "note": "",
        "colors": [{ "name": "Wrack", "hex": "#2f6f4f" }, { "name": "", "hex": "#88b090" }] });
    let answer = client
        .post(at("/api/sets"))
        .json(&kept)
        .send()
        .await
        .unwrap();
    assert!(
        answer.status().is_success(),
        "{}",
        answer.text().await.unwrap()
    );
    let mark = r##"<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 4 4"><rect width="4" height="4" fill="#0f5c7a"/></svg>"##;
    let picture = client
        .post(at("/api/pictures"))
        .header("content-type", "application/octet-stream");
    assert!(
        picture
            .body(mark)
            .send()
            .await
            .unwrap()
            .status()
            .is_success()
    );
    // A deleted theme of the same name as one that is there.
    let spec = json!({ "format": 1, "name": "Tern", "brand": [{ "name": "P", "slug": "p", "color": "#0f5c7a" }] });
    for _ in 0..2 {
        let made = client
            .post(at("/api/themes"))
            .json(&json!({ "spec": spec }))
            .send()
            .await
            .unwrap();
        let slug = made.json::<Value>().await.unwrap()["slug"]
            .as_str()
            .unwrap()
            .to_owned();
        let gone = client
            .delete(at(&format!("/api/themes/{slug}")))
            .header("if-match", "\"1\"");
        assert!(gone.send().await.unwrap().status().is_success());
    }
    // A site shows a theme in the place of another, a slot was chosen, a revision has a name.
    let told_ok = async |request: reqwest::RequestBuilder| {
        let answer = request.send().await.unwrap();
        let status = answer.status();
        let text = answer.text().await.unwrap();
        assert!(status.is_success(), "{text}");
    };
    let registered = json!({ "slots": { "line": "border.strong" }, "register": true });
    let night = "/api/themes/night-crossing";
    told_ok(client.post(at(&format!("{night}/sites"))).json(&registered)).await;
    let applied = json!({ "theme": "Night Crossing", "version": 1 });
    told_ok(client.put(at("/api/sites/port-anlow")).json(&applied)).await;
    let name = json!({ "name": "sent to the printer" });
    told_ok(
        client
            .put(at(&format!("{night}/revisions/1/name")))
            .json(&name),
    )
    .await;
    let first = folder.path().join("first.zip");
    let run = rhodon(
        &["backup", "--json", "--out", first.to_str().unwrap()],
        &from,
    );
    assert!(run.status.success(), "{}", told(&run));
    let contents: Value = serde_json::from_slice(&run.stdout).unwrap();
    assert_eq!(
        (&contents["sets"], &contents["pictures"]),
        (&json!(1), &json!(1))
    );
    assert_eq!(contents["themes"], 5);
    let files = unpacked(&first);
    let document = files
        .iter()
        .find(|(n, _)| n == "themes/brindle-sound-ferries/revisions/0001.rhodon.json");
    let document: Value = serde_json::from_slice(&document.unwrap().1).unwrap();
    assert_eq!(document["name"], "Brindle Sound Ferries");
    let text = |name: &str| {
        let (_, bytes) = files.iter().find(|(n, _)| n == name).unwrap();
        String::from_utf8(bytes.clone()).unwrap()
    };
    assert!(text("sites.json").contains("Harbour 2024"));
    assert!(text("themes/night-crossing/theme.json").contains("border.strong"));
    assert!(text("themes/night-crossing/revisions/0001.json").contains("sent to the printer"));

    // Damaged, in parts or as a whole: nothing of it is kept.
    let damaged = folder.path().join("damaged.zip");
    for (part, text, message) in [
        (
            "themes/night-crossing/theme.json",
            "{\"id\": 7}",
            "night-crossing/theme.json",
        ),
        (
            "themes/night-crossing/revisions/0001.rhodon.json",
            "{",
            "0001.rhodon.json",
        ),
        ("sets.json", "[]", "a part of it is missing"),
        ("sites.json", "{\"themes\": []}", "missing field `shown`"),
        (
            "backup.json",
            "{\"format\": 9, \"themes\": 0, \"revisions\": 0, \"sets\": 0, \"pictures\": 0, \"pages\": 0}",
            "expected format 1, found 9",
        ),
    ] {
        let changed = files.iter().map(|(name, bytes)| match name == part {
            true => (name.clone(), text.as_bytes().to_vec()),
            false => (name.clone(), bytes.clone()),
        });
        packed(&damaged, &changed.collect::<Vec<_>>());
        let run = rhodon(&["restore", damaged.to_str().unwrap()], &to);
        assert_eq!(run.status.code(), Some(2), "{part}");
        assert!(told(&run).contains(message), "{part}: {}", told(&run));
    }
    fs::write(&damaged, "no archive").unwrap();
    assert!(
        told(&rhodon(&["restore", damaged.to_str().unwrap()], &to)).contains("expected a backup")
    );

    let run = rhodon(&["restore", first.to_str().unwrap()], &to);
    assert!(run.status.success(), "{}", told(&run));
    let second = folder.path().join("second.zip");
    rhodon(&["backup", "--out", second.to_str().unwrap()], &to);
    assert_eq!(unpacked(&second), files);
    let again = rhodon(&["restore", first.to_str().unwrap()], &to);
    assert!(
        told(&again).contains("expected an empty one"),
        "{}",
        told(&again)
    );

    // One that was made before sites were remembered is whole too.
    let earlier = folder.path().join("earlier.zip");
    let known: Vec<_> = files
        .iter()
        .filter(|(name, _)| name != "sites.json")
        .cloned()
        .collect();
    packed(&earlier, &known);
    let third = fresh_database("earlier").await;
    let run = rhodon(&["restore", earlier.to_str().unwrap()], &third);
    assert!(run.status.success(), "{}", told(&run));

    // A server on it works on.
    let server = start(&to, &[]);
    let found = client
        .get(format!("{}/api/sets?word=kelp", server.address))
        .send()
        .await
        .unwrap();
    assert_eq!(found.json::<Value>().await.unwrap()["total"], 1);
    let put = client
        .put(format!("{}/api/themes/night-crossing", server.address))
        .header("if-match", "\"1\"");
    let spec = json!({ "format": 1, "name": "Night Crossing", "extends": "brindle-sound-ferries" });
    let saved = put
        .json(&json!({ "spec": spec, "label": "anew" }))
        .send()
        .await
        .unwrap();
    assert!(
        saved.status().is_success(),
        "{}",
        saved.text().await.unwrap()
    );
}

#[tokio::test]
async fn it_is_reached_by_its_public_name_and_through_named_proxies_alone() {
    let database = fresh_database("public").await;
    let server = start(
        &database,
        &[
            "--public-url",
            "https://themes.example",
            "--proxy",
            "127.0.0.1",
        ],
    );
    let client = Client::new();
    let ask = async |headers: &[(&str, &str)]| {
        let request = client.post(format!("{}/api/color", server.address));
        let request = headers
            .iter()
            .fold(request, |r, (name, value)| r.header(*name, *value));
        let answer = request
            .json(&json!({ "text": "#fff" }))
            .send()
            .await
            .unwrap();
        answer.status().as_u16()
    };
    for (headers, status) in [
        (
            &[
                ("host", "themes.example"),
                ("origin", "https://themes.example"),
            ][..],
            200,
        ),
        // A proxy that calls by the inner name.
        (
            &[
                ("origin", "https://themes.example"),
                ("x-forwarded-host", "themes.example"),
            ],
            200,
        ),
        (&[("host", "evil.example")], 421),
        (&[("x-forwarded-host", "evil.example")], 421),
        (
            &[
                ("host", "themes.example"),
                ("origin", "https://evil.example"),
            ],
            403,
        ),
        (
            &[
                ("host", "themes.example"),
                ("origin", "http://themes.example"),
            ],
            200,
        ),
    ] {
        assert_eq!(ask(headers).await, status, "{headers:?}");
    }
    // Without a name for it, what a proxy forwards is nothing.
    let other = start(&database, &[]);
    let request = client
        .get(format!("{}/api/health", other.address))
        .header("x-forwarded-host", "evil.example");
    assert_eq!(request.send().await.unwrap().status(), 200);
    let wrong = Command::new(BINARY)
        .args(["serve", "--public-url", "themes.example"])
        .output()
        .unwrap();
    assert!(
        told(&wrong).contains("expected an address such as https://themes.example"),
        "{}",
        told(&wrong)
    );
}

/// Figures, and the number of a request in its answer and in the log beside what went wrong.
#[tokio::test]
async fn it_is_watched_by_figures_and_by_a_log_that_names_each_request() {
    let database = fresh_database("metrics").await;
    let port = std::net::TcpListener::bind("127.0.0.1:0")
        .unwrap()
        .local_addr()
        .unwrap();
    let mut process = Command::new(BINARY)
        .args([
            "serve",
            "--demo",
            "--listen",
            "127.0.0.1:0",
            "--database",
            &database,
        ])
        .args(["--metrics", &port.to_string(), "--log-format", "json"])
        .stdout(Stdio::piped())
        .stderr(Stdio::piped())
        .spawn()
        .unwrap();
    let mut line = String::new();
    std::io::BufRead::read_line(
        &mut std::io::BufReader::new(process.stdout.take().unwrap()),
        &mut line,
    )
    .unwrap();
    let address = line.trim().rsplit(' ').next().unwrap().to_owned();
    let client = Client::new();
    let spec = json!({ "format": 1, "name": "Tern", "brand": [{ "name": "P", "slug": "p", "color": "#0f5c7a" }] });
    client
        .post(format!("{address}/api/derive"))
        .json(&json!({ "spec": spec }))
        .send()
        .await
        .unwrap();
    let refused = client
        .get(format!("{address}/api/themes"))
        .header("host", "evil.example");
    let refused = refused
        .header("x-request-id", "harbour-7")
        .send()
        .await
        .unwrap();
    assert_eq!(refused.headers()["x-request-id"], "harbour-7");
    let answer = client
        .get(format!("{address}/api/health"))
        .send()
        .await
        .unwrap();
    assert!(answer.headers()["x-request-id"].to_str().unwrap().len() > 30);

    let figures = client
        .get(format!("http://{port}/metrics"))
        .send()
        .await
        .unwrap()
        .text()
        .await
        .unwrap();
    for part in [
        "rhodon_http_requests_total{method=\"POST\",route=\"/api/derive\",status=\"200\"} 1\n",
        "rhodon_http_request_duration_seconds_count{route=\"/api/health\"} 1\n",
        "rhodon_derive_duration_seconds_count 1\n",
        "rhodon_database_connections{kind=\"probe\"} 1\n",
        "rhodon_live_streams 0\n",
        "# TYPE rhodon_jobs_waiting gauge\n",
    ] {
        assert!(figures.contains(part), "{part} in {figures}");
    }
    // People do not see them.
    let outside = client
        .get(format!("{address}/metrics"))
        .send()
        .await
        .unwrap();
    assert!(
        !outside
            .text()
            .await
            .unwrap()
            .contains("rhodon_http_requests_total")
    );

    process.kill().unwrap();
    let log = String::from_utf8(process.wait_with_output().unwrap().stderr).unwrap();
    let told = log
        .lines()
        .map(|l| serde_json::from_str::<Value>(l).unwrap());
    let told: Vec<Value> = told.filter(|l| l["host"] == "evil.example").collect();
    assert_eq!(told.len(), 1, "{log}");
    assert_eq!(told[0]["client"], "127.0.0.1");
    assert!(told[0]["expected"].as_str().unwrap().contains("localhost"));
    let wrong = Command::new(BINARY)
        .args(["serve", "--log", "loud=very"])
        .output()
        .unwrap();
    assert!(
        String::from_utf8_lossy(&wrong.stderr).contains("--log: "),
        "{:?}",
        wrong
    );
}

#[tokio::test]
async fn what_is_chosen_for_a_slot_is_kept_where_the_host_has_that_slot() {
    let host = Served::start(BINARY, ["standin", "--listen", "127.0.0.1:0"]);
    let database = fresh_database("slots").await;
    let server = start(&database, &["--sites", &host.address]);
    let client = Client::new();
    let ask = async |body: Value| {
        let path = format!("{}/api/themes/night-crossing/sites", server.address);
        let answer = client.post(path).json(&body).send().await.unwrap();
        (answer.status(), answer.json::<Value>().await.unwrap())
    };
    let look = || ask(json!({ "register": false }));
    let slots = json!({ "line": "border.strong", "nose": "text.main" });
    ask(json!({ "slots": slots, "register": false })).await;
    let (_, kept) = look().await;
    let all = kept["slots"].as_array().unwrap().iter();
    let chosen: Vec<&Value> = all
        .filter(|slot| slot["chosen"] == true)
        .map(|slot| &slot["slot"])
        .collect();
    assert_eq!(chosen, ["line"]);
    for odd in ["x".repeat(201), "text\u{0}main".to_owned()] {
        let (status, refused) = ask(json!({ "slots": { "line": odd }, "register": false })).await;
        assert_eq!(status, 422);
        assert_eq!(refused["problems"][0]["pointer"], "/slots/line");
    }
    // What was kept stays.
    assert_eq!(look().await.1["slots"], kept["slots"]);
}
