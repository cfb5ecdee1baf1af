//! A server with a project's folder that is killed while it writes: every file stays whole, and the
//! next start brings theme and folder in step. `RHODON_KILLS` asks for more of it.
#![allow(clippy::unwrap_used)]

use std::fs;
use std::path::{Path, PathBuf};
use std::time::{Duration, Instant};

use rhodon_testing::{Served, fresh_database};
use serde_json::{Value, json};

fn start(database: &str, folder: &Path) -> Served {
    let folder = folder.to_str().unwrap();
    let args = [
        "serve",
        "--listen",
        "127.0.0.1:0",
        "--database",
        database,
        "--workspace",
        folder,
    ];
    Served::start(env!("CARGO_BIN_EXE_rhodon"), args)
}

fn document(turn: i64) -> Value {
    json!({
        "format": 1, "name": "Tern", "pack": ["css", "sass", "json"],
        "brand": [{ "name": "Petrol", "slug": "petrol", "color": "#0f5c7a" }],
        "scales": { "petrol": { "turn": turn } }
    })
}

fn text(path: &Path) -> String {
    fs::read_to_string(path).unwrap_or_default()
}

/// The files that hold the theme, each of which is whole: it ends as such files end.
fn check_whole(folder: &Path) {
    for (name, end) in [
        ("theme.css", "}\n"),
        ("_theme.scss", "\n"),
        ("theme.json", "}\n"),
    ] {
        let text = text(&folder.join(name));
        assert!(
            text.is_empty() || text.ends_with(end),
            "{name} is cut off: {text:?}"
        );
    }
    let document = text(&folder.join("tern.rhodon.json"));
    assert!(
        serde_json::from_str::<Value>(&document).is_ok(),
        "{document}"
    );
}

#[tokio::test]
async fn killed_while_it_saves_every_file_is_whole_and_the_next_start_mends() {
    let kills: i64 = std::env::var("RHODON_KILLS")
        .ok()
        .and_then(|n| n.parse().ok())
        .unwrap_or(6);
    let database = fresh_database("kills").await;
    let folder: PathBuf = std::env::temp_dir().join(format!("rhodon-kills-{}", std::process::id()));
    fs::create_dir_all(&folder).unwrap();
    fs::write(folder.join("tern.rhodon.json"), document(0).to_string()).unwrap();
    let client = reqwest::Client::new();
    let (mut turn, mut saves) = (0, 0);
    for round in 0..kills {
        let server = start(&database, &folder);
        let theme = format!("{}/api/themes/tern", server.address);
        let read =
            async || -> Option<Value> { client.get(&theme).send().await.ok()?.json().await.ok() };
        let until = Instant::now() + Duration::from_secs(30);
        // The tie is there, and what the last kill left is mended.
        loop {
            let workspace = client
                .get(format!("{}/api/workspace", server.address))
                .send()
                .await;
            let workspace: Value = workspace.unwrap().json().await.unwrap();
            if workspace["ties"][0]["state"] == "in-step" {
                break;
            }
            assert!(Instant::now() < until, "never in step: {workspace}");
            tokio::time::sleep(Duration::from_millis(20)).await;
        }
        let spec = read().await.unwrap()["spec"].clone();
        let on_disk: Value = serde_json::from_str(&text(&folder.join("tern.rhodon.json"))).unwrap();
        let turned = |document: &Value| document["scales"]["petrol"]["turn"].as_f64();
        assert_eq!(turned(&on_disk), turned(&spec), "round {round}");
        let json: Value = serde_json::from_str(&text(&folder.join("theme.json"))).unwrap();
        let export = client
            .post(format!("{}/api/export", server.address))
            .json(&json!({ "spec": spec, "target": "json" }));
        let export: Value = export.send().await.unwrap().json().await.unwrap();
        let fresh: Value =
            serde_json::from_str(export["files"][0]["text"].as_str().unwrap()).unwrap();
        assert_eq!(json["petrol"], fresh["petrol"], "round {round}");
        // Saves, one upon the other, until it is killed in the middle of one.
        let saving = async {
            loop {
                turn = (turn + 1) % 20;
                let request = client
                    .put(&theme)
                    .header("if-match", "*")
                    .json(&json!({ "spec": document(turn), "label": "turned" }));
                match request.send().await {
                    Ok(answer) => saves += i64::from(answer.status().is_success()),
                    Err(_) => break,
                }
            }
        };
        let _ = tokio::time::timeout(
            Duration::from_millis(150 + 37 * round.unsigned_abs() % 400),
            saving,
        )
        .await;
        drop(server);
        check_whole(&folder);
    }
    assert!(saves > kills, "{saves} saves");
    println!("{saves} saves, {kills} kills");
    fs::remove_dir_all(&folder).unwrap();
}
