//! Sets of colours and faces: one's own, and those of outside services in good days and bad ones.

use reqwest::{Method, StatusCode};
use serde_json::{Value, json};

use super::Server;

impl Server {
    async fn trouble(&self, kind: &str) {
        let url = format!("http://{}/trouble", self.services);
        let asked = self.client.put(url).json(&json!({ "kind": kind }));
        assert_eq!(asked.send().await.unwrap().status(), 204);
    }

    async fn delete(&self, path: &str) -> (StatusCode, Value) {
        let request = self.ask(Method::DELETE, path);
        let answer = request.send().await.unwrap();
        (answer.status(), answer.json().await.unwrap_or(Value::Null))
    }
}

fn kelp() -> Value {
    json!({ "name": "Kelp", "words": ["green calm"], "owner": "Ines", "note": "",
        "colors": [{ "name": "Wrack", "hex": "#2F6F4F" }, { "name": "", "hex": "#88b090" }] })
}

fn names(found: &Value) -> Vec<&str> {
    let sets = found["sets"].as_array().unwrap();
    sets.iter().map(|s| s["name"].as_str().unwrap()).collect()
}

#[tokio::test]
async fn a_set_is_kept_found_shared_withdrawn_and_written_to_a_file() {
    let server = Server::start().await;
    let (status, kept) = server.post("/api/sets", kelp()).await;
    assert_eq!(status, 201);
    assert_eq!(kept["colors"][0]["hex"], "#2f6f4f");
    assert_eq!(kept["words"], json!(["green", "calm"]));
    assert_ne!(kept["colors"][1]["name"], "");
    let id = kept["id"].as_str().unwrap();
    for query in [
        "word=cal",
        "owner=ines",
        "near=%232f6f50,%2388b091",
        "order=random&seed=7",
        "",
    ] {
        let (_, found) = server.get(&format!("/api/sets?{query}")).await;
        assert_eq!(names(&found), ["Kelp"], "{query}");
    }
    let file = server
        .ask(Method::GET, &format!("/api/sets/{id}/file/json"))
        .send()
        .await
        .unwrap();
    assert_eq!(
        file.headers()["content-disposition"],
        "attachment; filename=\"kelp.json\""
    );
    let file = file.text().await.unwrap();
    let (_, read) = server
        .post(
            "/api/read-set",
            json!({ "name": "kelp.json", "text": file }),
        )
        .await;
    assert_eq!(read["colors"], kept["colors"]);

    let (status, shared) = server
        .post(&format!("/api/sets/{id}/share"), json!(null))
        .await;
    assert_eq!((status, &shared["shared"]), (StatusCode::OK, &json!(true)));
    let mine = "/api/community/sets?owner=Ines&word=kelp";
    assert_eq!(names(&server.get(mine).await.1), ["Kelp"]);
    let (_, back) = server.delete(&format!("/api/sets/{id}/share")).await;
    assert_eq!(back["shared"], false);
    assert_eq!(server.get(mine).await.1["total"], 0);
    assert_eq!(server.delete(&format!("/api/sets/{id}")).await.0, 204);
    assert_eq!(server.get("/api/sets").await.1["total"], 0);
}

#[tokio::test]
async fn bad_sets_are_refused_at_their_field() {
    let server = Server::start().await;
    let with = |key: &str, value: Value| {
        let mut set = kelp();
        set[key] = value;
        set
    };
    for (set, pointer) in [
        (with("name", json!(" ")), "/name"),
        (with("name", json!("k".repeat(81))), "/name"),
        (with("note", json!("k".repeat(401))), "/note"),
        (with("colors", json!([])), "/colors"),
        (
            with("colors", json!([{ "name": "a", "hex": "petrol" }])),
            "/colors/0/hex",
        ),
    ] {
        let (status, problem) = server.post("/api/sets", set).await;
        assert_eq!(status, 422);
        assert_eq!(problem["problems"][0]["pointer"], pointer);
    }
    assert_eq!(server.get("/api/sets?near=petrol").await.0, 422);
    assert_eq!(server.get("/api/sets?order=best").await.0, 422);
    // Nobody's set cannot be shared.
    let (_, kept) = server.post("/api/sets", with("owner", json!(""))).await;
    let share = format!("/api/sets/{}/share", kept["id"].as_str().unwrap());
    assert_eq!(
        server.post(&share, json!(null)).await.1["problems"][0]["pointer"],
        "/owner"
    );
}

#[tokio::test]
async fn services_in_trouble_are_told_in_a_sentence_and_nothing_else_stops() {
    let server = Server::start().await;
    let (_, kept) = server.post("/api/sets", kelp()).await;
    let share = format!("/api/sets/{}/share", kept["id"].as_str().unwrap());
    for (kind, says) in [
        ("slow", "took longer than 4 s"),
        ("failing", "refused: trouble on request"),
        ("nonsense", "answered something else"),
        ("cut", ""),
    ] {
        server.trouble(kind).await;
        let (status, problem) = server.get("/api/community/sets").await;
        assert_eq!(status, 502, "{kind}");
        let detail = problem["detail"].as_str().unwrap();
        assert!(
            detail.starts_with("The community ") && detail.contains(says),
            "{detail}"
        );
        assert_eq!(problem["type"], "/problems/service");
        if kind != "slow" {
            assert_eq!(server.get("/api/fonts").await.0, 502);
            assert_eq!(server.post(&share, json!(null)).await.0, 502, "{kind}");
        }
        assert_eq!(names(&server.get("/api/sets").await.1), ["Kelp"]);
        // What was not confirmed is not called shared.
        assert_eq!(server.get("/api/sets").await.1["sets"][0]["shared"], false);
    }
    server.trouble("none").await;
    assert_eq!(server.get("/api/community/sets").await.0, 200);
}

#[tokio::test]
async fn faces_come_with_their_sheet_and_their_file_from_one_address() {
    let server = Server::start().await;
    let (_, faces) = server.get("/api/fonts").await;
    let lora = faces
        .as_array()
        .unwrap()
        .iter()
        .find(|f| f["family"] == "Lora")
        .unwrap();
    assert_eq!(lora["weights"], json!([400, 700]));
    // The address that a page of one's own imports answers with a style sheet.
    let sheet = server
        .client
        .get(lora["sheet"].as_str().unwrap())
        .send()
        .await
        .unwrap();
    assert!(sheet.text().await.unwrap().contains("font-weight: 400 700"));
    let ours = server
        .ask(Method::GET, "/api/fonts/sheet?family=Lora")
        .send()
        .await
        .unwrap();
    let css = ours.text().await.unwrap();
    let file = css
        .split("url(\"")
        .nth(1)
        .and_then(|rest| rest.split('"').next())
        .unwrap();
    assert!(file.starts_with("/api/fonts/files/"), "{css}");
    let bytes = server
        .ask(Method::GET, file)
        .send()
        .await
        .unwrap()
        .bytes()
        .await
        .unwrap();
    assert_eq!(&bytes[..4], b"wOF2");
    // No path leads out of the service.
    assert_eq!(
        server
            .ask(Method::GET, "/api/fonts/files/..%2F..%2Ftrouble")
            .send()
            .await
            .unwrap()
            .status(),
        502
    );
    let none = server
        .ask(Method::GET, "/api/fonts/sheet?family=Nothing")
        .send()
        .await
        .unwrap();
    assert_eq!(none.status(), 502);
    assert_eq!(
        none.text().await.unwrap(),
        "/* The font service refused: no face is called Nothing. */\n"
    );
}
