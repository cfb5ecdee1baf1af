//! Published themes: immutable files for anybody, and which one is current.

use reqwest::Method;
use rhodon_testing::fresh_database;
use serde_json::{Value, json};

use super::Server;

const PATH: &str = "/api/themes/night-crossing/published";

impl Server {
    async fn publishing() -> Self {
        let folder =
            std::env::temp_dir().join(format!("rhodon-published-{}", uuid::Uuid::now_v7()));
        Self::start_with(fresh_database("published").await, move |app| {
            app.with_published(folder.to_str())
        })
        .await
    }

    async fn ask_published(&self, method: Method) -> Value {
        let request = self.ask(method.clone(), PATH);
        let (status, view) = self.answer(&method, PATH, request).await;
        assert_eq!(status, 200, "{view}");
        view
    }
}

#[tokio::test]
async fn a_theme_is_published_replaced_withdrawn_and_what_was_loaded_stays() {
    let server = Server::publishing().await;
    assert_eq!(
        server.ask_published(Method::GET).await["current"],
        Value::Null
    );
    let first = server.ask_published(Method::POST).await;
    let address = first["current"].as_str().unwrap().to_owned();
    assert!(
        address.starts_with("/published/night-crossing-"),
        "{address}"
    );
    assert_eq!(first["isBehind"], false);
    // A revision published twice is one file.
    assert_eq!(
        server.ask_published(Method::POST).await["files"],
        first["files"]
    );

    let (_, theme) = server.get("/api/themes/night-crossing").await;
    let mut spec = theme["spec"].clone();
    spec["shape"]["radius"] = json!(13);
    let body = json!({ "spec": spec, "label": "rounder" });
    server
        .put(
            "/api/themes/night-crossing",
            theme["revision"].as_i64().unwrap(),
            body,
        )
        .await;
    assert_eq!(server.ask_published(Method::GET).await["isBehind"], true);
    let second = server.ask_published(Method::POST).await;
    assert_ne!(second["current"], first["current"]);
    assert_eq!(second["files"].as_array().unwrap().len(), 2);
    assert_eq!(
        server.ask_published(Method::DELETE).await["current"],
        Value::Null
    );

    let file = server.ask(Method::GET, &address).send().await.unwrap();
    let header = |name: &str| file.headers()[name].to_str().unwrap().to_owned();
    assert_eq!(
        header("cache-control"),
        "public, max-age=31536000, immutable"
    );
    assert_eq!(header("access-control-allow-origin"), "*");
    assert_eq!(header("cross-origin-resource-policy"), "cross-origin");
    assert_eq!(header("content-type"), "text/css; charset=utf-8");
    let text = file.text().await.unwrap();
    assert!(
        text.contains("Night Crossing, revision 1"),
        "{}",
        &text[..200]
    );
    let packed = server
        .ask(Method::GET, &address)
        .header("accept-encoding", "gzip");
    let packed = packed.send().await.unwrap();
    assert_eq!(packed.headers()["content-encoding"], "gzip");
    assert!(packed.bytes().await.unwrap().len() * 3 < text.len());
    let index = server
        .ask(Method::GET, "/published/night-crossing.json")
        .send()
        .await
        .unwrap();
    assert_eq!(index.headers()["cache-control"], "no-cache");
}

#[tokio::test]
async fn what_is_not_there_and_servers_that_publish_nothing_say_so() {
    let server = Server::publishing().await;
    for path in [
        "/published/nothing.css",
        "/published/..%2Fsecret",
        "/published/.hidden",
    ] {
        let answer = server.ask(Method::GET, path).send().await.unwrap();
        assert_eq!(answer.status(), 404, "{path}");
    }
    let bare = Server::start().await;
    assert_eq!(bare.ask_published(Method::GET).await["open"], false);
    let request = bare.ask(Method::POST, PATH);
    let (status, refused) = bare.answer(&Method::POST, PATH, request).await;
    assert_eq!(status, 404);
    assert!(
        refused["detail"].as_str().unwrap().contains("--published"),
        "{refused}"
    );
    let (status, refused) = bare.get("/api/sites/port-anlow/page").await;
    assert_eq!(status, 404);
    assert!(
        refused["detail"].as_str().unwrap().contains("RHODON_SITES"),
        "{refused}"
    );
}
