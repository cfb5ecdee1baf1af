//! Where colours come from: pictures, the tuner, companions, drawn starts, and what they leave in a
//! document.

use reqwest::{Method, StatusCode};
use serde_json::{Value, json};

use super::{Server, tern};

const CREST: &str = r##"<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 60"><rect width="70" height="60" fill="#0f5c7a"/>
    <rect x="70" width="30" height="60" fill="#e4572e"/></svg>"##;

impl Server {
    async fn put_picture(
        &self,
        query: &str,
        bytes: impl Into<reqwest::Body>,
    ) -> (StatusCode, Value) {
        let path = "/api/pictures";
        let request = self
            .ask(Method::POST, &format!("{path}{query}"))
            .header("content-type", "application/octet-stream")
            .body(bytes);
        self.answer(&Method::POST, path, request).await
    }
}

fn codes(picture: &Value) -> Vec<&str> {
    let colors = picture["colors"].as_array().unwrap();
    colors.iter().map(|c| c["hex"].as_str().unwrap()).collect()
}

#[tokio::test]
async fn a_picture_is_kept_by_its_content_and_looked_at_again() {
    let server = Server::start().await;
    let (status, made) = server.put_picture("?count=8", CREST).await;
    assert_eq!(status, StatusCode::OK, "{made}");
    assert_eq!(codes(&made), ["#0f5c7a", "#e4572e"]);
    assert_eq!(made["colors"][0]["written"], true);
    let (_, again) = server.put_picture("", CREST).await;
    assert_eq!(again["id"], made["id"], "the same picture is kept once");
    let id = made["id"].as_str().unwrap();
    let path = format!("/api/pictures/{id}");
    let kept = server.ask(Method::GET, &path).send().await.unwrap();
    assert_eq!(kept.headers()["content-type"], "image/webp");
    assert!(
        kept.headers()["cache-control"]
            .to_str()
            .unwrap()
            .contains("immutable")
    );
    let bytes = kept.bytes().await.unwrap();
    assert_eq!(&bytes[8..12], b"WEBP");
    let path = format!("/api/pictures/{id}/colors");
    let request = server.ask(Method::GET, &format!("{path}?lean=stronger&count=1"));
    let (_, leaning) = server.answer(&Method::GET, &path, request).await;
    assert_eq!(
        codes(&leaning),
        ["#e4572e"],
        "what is written is known of a kept mark too"
    );
    let spot = json!({ "x": 0.9, "y": 0.5, "radius": 0.01 });
    let (_, found) = server.post(&format!("/api/pictures/{id}/spot"), spot).await;
    assert_eq!(found["hex"], "#e4572e");
    let (status, _) = server.get("/api/pictures/0123").await;
    assert_eq!(status, StatusCode::NOT_FOUND);
}

#[tokio::test]
async fn what_is_no_picture_is_refused_in_words() {
    let server = Server::start().await;
    let (status, problem) = server.put_picture("", "just a text").await;
    assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY);
    assert_eq!(
        problem["detail"],
        "no picture that is read here: expected PNG, JPEG, WebP, GIF or SVG"
    );
    for query in ["?count=0", "?count=99", "?lean=sideways", "?odd=1"] {
        let (status, problem) = server.put_picture(query, CREST).await;
        assert!(status.is_client_error(), "{query}: {problem}");
    }
    let (status, problem) = server.put_picture("", vec![0u8; 25_000_001]).await;
    assert_eq!(status, StatusCode::PAYLOAD_TOO_LARGE);
    assert_eq!(problem["detail"], "expected a file of at most 25 MB");
}

#[tokio::test]
async fn the_tuner_tells_what_a_colour_would_become() {
    let server = Server::start().await;
    let ask = |body: Value| server.post("/api/tuner", body);
    let (_, view) = ask(json!({ "color": "#0f5c7a", "pages": ["#fbfbfc", "#131618"] })).await;
    assert_eq!(view["hex"], "#0f5c7a");
    assert_eq!(view["lightness"]["stops"][0]["hex"], "#000000");
    assert_eq!(view["lines"].as_array().unwrap().len(), 6);
    let mut at = view["at"].clone();
    at["hue"] = json!(30.0);
    let (_, moved) = ask(json!({ "at": at })).await;
    assert_ne!(moved["hex"], "#0f5c7a");
    let lightness = |v: &Value| v["at"]["lightness"].as_f64().unwrap();
    assert!((lightness(&moved) - lightness(&view)).abs() < 1e-9);
    for bad in [
        json!({}),
        json!({ "color": "bluish" }),
        json!({ "color": "#fff", "pages": ["white"] }),
    ] {
        assert_eq!(ask(bad).await.0, StatusCode::UNPROCESSABLE_ENTITY);
    }
}

#[tokio::test]
async fn companions_stand_apart_turn_and_have_readable_partners() {
    let server = Server::start().await;
    let ask = |body: Value| server.post("/api/companions", body);
    let (_, plain) = ask(json!({ "color": "#0f5c7a" })).await;
    let opposite = plain["relations"][0]["companions"][0].clone();
    let (_, apart) = ask(json!({ "color": "#0f5c7a", "apart": [opposite["hex"]] })).await;
    assert_ne!(
        apart["relations"][0]["companions"][0]["hex"],
        opposite["hex"]
    );
    let (_, own) = ask(json!({ "color": "#0f5c7a", "turns": [180.0, 12.5] })).await;
    assert_eq!(own["own"][0]["hex"], opposite["hex"]);
    assert_eq!(own["own"][1]["turn"], 12.5);
    assert!(!plain["partners"].as_array().unwrap().is_empty());
    let nearest = json!({ "colors": ["#0f5c7b", "white"], "among": ["#e4572e", "#0f5c7a"] });
    let (_, near) = server.post("/api/nearest", nearest).await;
    assert_eq!(near[0]["index"], 1);
    assert!(near[0]["difference"].as_f64().unwrap() < 1.0);
    let (_, none) = server
        .post("/api/nearest", json!({ "colors": ["#fff"], "among": [] }))
        .await;
    assert_eq!(none, json!([null]));
    let (_, drawn) = server.post("/api/start", json!({ "draw": 7 })).await;
    assert_eq!(
        drawn,
        server.post("/api/start", json!({ "draw": 7 })).await.1
    );
    assert_eq!(drawn.as_array().unwrap().len(), 3);
    let keep = json!({ "draw": 8, "keep": [null, "#0f5c7a", null] });
    let (_, around) = server.post("/api/start", keep).await;
    assert_eq!(around[1]["hex"], "#0f5c7a");
    assert_eq!(around.as_array().unwrap().len(), 3);
    let wrong = json!({ "draw": 8, "keep": [null, "petrol"] });
    let (status, refused) = server.post("/api/start", wrong).await;
    assert_eq!(status, 422);
    assert_eq!(refused["problems"][0]["pointer"], "/keep/1");
}

#[tokio::test]
async fn an_intent_is_renamed_and_a_colour_keeps_where_it_came_from() {
    let server = Server::start().await;
    let mut spec = tern("#0f5c7a");
    spec["intents"] = json!({ "boarding": { "scale": "deep" } });
    let rename = json!({ "do": "rename-intent", "intent": "boarding", "to": "at-the-gate" });
    let (_, changed) = server
        .post("/api/change", json!({ "spec": spec, "change": rename }))
        .await;
    assert_eq!(
        changed["spec"]["intents"],
        json!({ "at-the-gate": { "scale": "deep" } })
    );
    let from = json!({ "kind": "picture", "name": "crest.svg", "x": 0.5, "y": 0.25 });
    let color = json!({ "name": "Kelp", "color": "#2f6b3a", "from": from });
    let add = json!({ "do": "add-brand", "colors": [color] });
    let (_, changed) = server
        .post("/api/change", json!({ "spec": spec, "change": add }))
        .await;
    assert_eq!(changed["spec"]["brand"][1]["from"], from);
    let odd = json!({ "name": "Kelp", "color": "#2f6b3a", "from": { "kind": "dream" } });
    let add = json!({ "do": "add-brand", "colors": [odd] });
    let (status, problem) = server
        .post("/api/change", json!({ "spec": spec, "change": add }))
        .await;
    assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY);
    assert_eq!(
        problem["problems"][0]["pointer"],
        "/change/colors/0/from/kind"
    );
}

#[tokio::test]
async fn the_files_of_a_project_tell_their_colours() {
    let server = Server::start().await;
    let file = |name: &str, text: &str| json!({ "name": name, "text": text });
    let sheet = ":root { --sea-100: #e4f0f5; --sea-500: #0f5c7a; --sea-700: #0a3f54; --sea-900: #052029 } .a { color: #0f5c7b }";
    let files = json!([file("src/a.css", sheet), file("photo.png", "x")]);
    let (status, found) = server
        .post("/api/inventory", json!({ "files": files }))
        .await;
    assert_eq!(status, StatusCode::OK);
    assert_eq!(found["skipped"][0]["file"], "photo.png");
    assert_eq!(found["scales"][0]["base"], "#0f5c7a");
    let base = found["colors"]
        .as_array()
        .unwrap()
        .iter()
        .find(|c| c["hex"] == "#0f5c7a")
        .unwrap();
    assert_eq!(
        (&base["name"], &base["near"]),
        (&json!("Sea 500"), &json!(["#0f5c7b"]))
    );
    assert_eq!(
        base["places"][0]["column"],
        sheet.find("#0f5c7a").unwrap() + 1
    );
    let (status, problem) = server
        .post("/api/inventory", json!({ "files": [], "near": 99 }))
        .await;
    assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY);
    assert_eq!(problem["problems"][0]["pointer"], "/near");
    // More than any other body may hold, and less than a project may.
    let large = ".a { color: #0f5c7a }\n".repeat(200_000);
    let (status, found) = server
        .post(
            "/api/inventory",
            json!({ "files": [file("b.css", &large)] }),
        )
        .await;
    assert_eq!(
        (status, &found["colors"][0]["count"]),
        (StatusCode::OK, &json!(200_000))
    );
    assert_eq!(found["colors"][0]["places"].as_array().unwrap().len(), 200);
}
