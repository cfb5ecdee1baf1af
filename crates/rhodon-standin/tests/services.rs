//! The simulated services, as their clients see them.
#![allow(clippy::unwrap_used)]

use reqwest::{Client, Method, StatusCode};
use serde_json::{Value, json};

struct Services {
    address: String,
    client: Client,
}

impl Services {
    async fn start() -> Self {
        let listener = tokio::net::TcpListener::bind("127.0.0.1:0").await.unwrap();
        let address = format!("http://{}", listener.local_addr().unwrap());
        tokio::spawn(
            async move { axum::serve(listener, rhodon_standin::router(None).unwrap()).await },
        );
        Self {
            address,
            client: Client::new(),
        }
    }

    async fn ask(
        &self,
        method: Method,
        path: &str,
        body: Value,
        token: &str,
    ) -> (StatusCode, Value) {
        let request = self
            .client
            .request(method, format!("{}{path}", self.address));
        let answer = request.bearer_auth(token).json(&body).send().await.unwrap();
        let status = answer.status();
        (status, answer.json().await.unwrap_or_default())
    }

    async fn get(&self, path: &str) -> (StatusCode, Value) {
        self.ask(Method::GET, path, Value::Null, "").await
    }

    async fn text(&self, path: &str) -> String {
        let answer = self
            .client
            .get(format!("{}{path}", self.address))
            .send()
            .await
            .unwrap();
        answer.text().await.unwrap()
    }
}

const TOKEN: &str = "harbour-pilot";

fn theme() -> Value {
    json!({ "url": "http://127.0.0.1/published/x.css", "slots": { "page": "#f7f9fa", "face-text": "Figtree" } })
}

#[tokio::test]
async fn a_theme_is_registered_applied_and_stays_while_it_is_shown() {
    let host = Services::start().await;
    let put = |path: &'static str, body: Value| host.ask(Method::PUT, path, body, TOKEN);
    assert_eq!(put("/site-themes/Brindle", theme()).await.0, 204);
    let (_, before) = host.get("/sites").await;
    assert_eq!(before["sites"][1]["theme"], Value::Null);
    let (status, applied) = put(
        "/sites/skerry-holm/theme",
        json!({ "name": "Brindle", "version": 1 }),
    )
    .await;
    assert_eq!((status.as_u16(), &applied["version"]), (200, &json!(2)));
    let page = host.text("/sites/skerry-holm/page").await;
    assert!(
        page.contains("href=\"http://127.0.0.1/published/x.css\"")
            && page.contains("--page: #f7f9fa"),
        "{page}"
    );
    // Who looked before somebody else changed it is told so.
    let (status, refused) = put(
        "/sites/skerry-holm/theme",
        json!({ "name": null, "version": 1 }),
    )
    .await;
    assert_eq!(status, 409);
    assert!(
        refused["error"].as_str().unwrap().contains("somebody else"),
        "{refused}"
    );
    let (status, _) = host
        .ask(Method::DELETE, "/site-themes/Brindle", Value::Null, TOKEN)
        .await;
    assert_eq!(status, 409);
    assert_eq!(
        put(
            "/sites/skerry-holm/theme",
            json!({ "name": null, "version": 2 })
        )
        .await
        .0,
        200
    );
    // The page is kept for a minute.
    assert!(
        host.text("/sites/skerry-holm/page")
            .await
            .contains("published/x.css")
    );
    let (status, _) = host
        .ask(Method::DELETE, "/site-themes/Brindle", Value::Null, TOKEN)
        .await;
    assert_eq!(status, 204);
}

#[tokio::test]
async fn what_a_site_does_not_take_is_told_by_its_slot() {
    let host = Services::start().await;
    for (name, body, why) in [
        (
            "x",
            json!({ "url": "a", "slots": { "page": "#fff" } }),
            "page: expected six digits",
        ),
        (
            "x",
            json!({ "url": "a", "slots": { "page": "red" } }),
            "page: expected six digits",
        ),
        (
            "x",
            json!({ "url": "a", "slots": { "radius": "6px" } }),
            "radius: no slot",
        ),
        (
            "x",
            json!({ "url": "a", "slots": { "face-text": "A, B" } }),
            "face-text: expected the name",
        ),
        (
            "x",
            json!({ "url": "\"><script>", "slots": {} }),
            "url: expected an address",
        ),
        (
            "A name that is longer than forty letters are",
            json!({ "url": "a", "slots": {} }),
            "name: expected 1 to 40",
        ),
    ] {
        let path = format!("/site-themes/{name}");
        let (status, refused) = host.ask(Method::PUT, &path, body, TOKEN).await;
        assert_eq!(status, 422, "{why}");
        assert!(
            refused["error"].as_str().unwrap().starts_with(why),
            "{refused}"
        );
    }
    let (status, _) = host
        .ask(Method::PUT, "/site-themes/x", theme(), "wrong")
        .await;
    assert_eq!(status, 401);
    assert_eq!(host.get("/sites/nowhere/page").await.0, 404);
}

#[tokio::test]
async fn sets_are_found_page_by_page_and_by_nearness() {
    let community = Services::start().await;
    let (_, first) = community.get("/community/sets").await;
    let (total, pages) = (
        first["total"].as_u64().unwrap(),
        first["pages"].as_u64().unwrap(),
    );
    assert!(total >= 320 && pages > 10, "{total} in {pages}");
    let (_, last) = community
        .get(&format!("/community/sets?page={pages}"))
        .await;
    assert_ne!(first["sets"][0]["id"], last["sets"][0]["id"]);
    let (status, _) = community
        .get(&format!("/community/sets?page={}", pages + 1))
        .await;
    assert_eq!(status, 400);
    let color = first["sets"][3]["colors"][0]["hex"]
        .as_str()
        .unwrap()
        .to_owned();
    let (_, near) = community
        .get(&format!(
            "/community/sets?near={}",
            color.replace('#', "%23")
        ))
        .await;
    let nearest = near["sets"][0]["colors"].as_array().unwrap();
    assert!(
        nearest.iter().any(|c| c["hex"] == color.as_str()),
        "{nearest:?}"
    );
    let (status, refused) = community.get("/community/sets?near=blue-ish").await;
    assert_eq!(status, 400);
    assert!(
        refused["error"].as_str().unwrap().starts_with("near: "),
        "{refused}"
    );
}

#[tokio::test]
async fn a_set_is_withdrawn_by_whoever_shared_it_alone() {
    let community = Services::start().await;
    let set = json!({ "name": "Kelp", "owner": "Ines", "when": "2026-11-26",
        "colors": [{ "name": "Wrack", "hex": "#2f6f4f" }] });
    let (status, receipt) = community
        .ask(Method::POST, "/community/sets", set, "")
        .await;
    assert_eq!(status, 201);
    let path = format!("/community/sets/{}", receipt["id"].as_str().unwrap());
    let (status, _) = community
        .ask(Method::DELETE, &path, Value::Null, "guess")
        .await;
    assert_eq!(status, 403);
    let key = receipt["key"].as_str().unwrap();
    let (status, _) = community.ask(Method::DELETE, &path, Value::Null, key).await;
    assert_eq!(status, 204);
    assert_eq!(community.get(&path).await.0, 404);
}

#[tokio::test]
async fn trouble_comes_and_goes_on_request() {
    let services = Services::start().await;
    let trouble =
        |kind: &'static str| services.ask(Method::PUT, "/trouble", json!({ "kind": kind }), "");
    assert_eq!(trouble("failing").await.0, 204);
    assert_eq!(services.get("/sites").await.0, 500);
    trouble("nonsense").await;
    assert!(services.text("/sites").await.starts_with("<!doctype html>"));
    assert_eq!(trouble("unheard").await.0, 422);
    trouble("none").await;
    assert_eq!(services.get("/sites").await.0, 200);
}

#[tokio::test]
async fn a_face_comes_with_its_weights() {
    let fonts = Services::start().await;
    let (_, faces) = fonts.get("/fonts/faces").await;
    let family = faces.as_array().or(faces["faces"].as_array()).unwrap()[0]["family"]
        .as_str()
        .unwrap()
        .to_owned();
    let sheet = fonts
        .text(&format!(
            "/fonts/sheet?family={}&weights=400",
            family.replace(' ', "%20")
        ))
        .await;
    assert!(
        sheet.contains("@font-face") && sheet.contains(&family),
        "{sheet}"
    );
}
