//! What every request passes: hosts, origins, bodies, the page, its description.

use reqwest::{Method, StatusCode};
use serde_json::{Value, json};

use super::{Server, read, tern};

#[tokio::test]
async fn every_problem_of_a_document_is_told_with_its_place() {
    let server = Server::start().await;
    let spec = json!({
        "format": 1, "name": "", "colour": 1,
        "brand": [{ "name": "A", "color": "bluish" }, { "name": "A", "color": "#123" }]
    });
    let (status, problem) = server.post("/api/derive", json!({ "spec": spec })).await;
    assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY);
    let places: Vec<&str> = problem["problems"]
        .as_array()
        .unwrap()
        .iter()
        .map(|p| p["pointer"].as_str().unwrap())
        .collect();
    assert_eq!(
        places,
        ["/spec/colour", "/spec/name", "/spec/brand/0/color"]
    );
}

#[tokio::test]
async fn bad_bodies_have_the_one_shape() {
    let server = Server::start().await;
    let send = |body: &'static str, kind: &'static str| {
        server
            .ask(Method::POST, "/api/color")
            .header("content-type", kind)
            .body(body)
            .send()
    };
    for (body, kind, status) in [
        ("{", "application/json", 400),
        ("{}", "application/json", 422),
        ("{\"text\": 1}", "application/json", 422),
        ("{\"text\": \"red\", \"more\": 1}", "application/json", 422),
        ("text", "text/plain", 415),
    ] {
        let (found, problem) = read(send(body, kind).await.unwrap()).await;
        assert_eq!(
            (found.as_u16(), problem["status"].as_u64()),
            (status, Some(u64::from(status))),
            "{body}"
        );
    }
    let large = format!("{{\"text\": \"{}\"}}", "x".repeat(3_000_000));
    let request = server
        .ask(Method::POST, "/api/color")
        .header("content-type", "application/json")
        .body(large);
    assert_eq!(
        read(request.send().await.unwrap()).await.0,
        StatusCode::PAYLOAD_TOO_LARGE
    );
    assert_eq!(server.get("/api/nothing").await.0, StatusCode::NOT_FOUND);
    assert_eq!(
        server.get("/api/themes/nobody").await.0,
        StatusCode::NOT_FOUND
    );
}

#[tokio::test]
async fn other_hosts_and_other_origins_are_refused() {
    let server = Server::start().await;
    let request = server
        .ask(Method::GET, "/api/themes")
        .header("host", "evil.example");
    assert_eq!(
        read(request.send().await.unwrap()).await.0,
        StatusCode::MISDIRECTED_REQUEST
    );
    let write = |origin: String| {
        server
            .ask(Method::POST, "/api/color")
            .header("origin", origin)
            .json(&json!({ "text": "red" }))
            .send()
    };
    assert_eq!(
        read(write("http://evil.example".into()).await.unwrap())
            .await
            .0,
        StatusCode::FORBIDDEN
    );
    assert_eq!(
        read(write("null".into()).await.unwrap()).await.0,
        StatusCode::FORBIDDEN
    );
    assert_eq!(
        read(write(format!("http://{}", server.address)).await.unwrap())
            .await
            .0,
        StatusCode::OK
    );
}

#[tokio::test]
async fn pages_come_with_a_strict_policy_and_a_fresh_nonce() {
    let server = Server::start().await;
    let mut policies = Vec::new();
    for path in ["/", "/themes/brindle-sound-ferries/stave"] {
        let response = server.ask(Method::GET, path).send().await.unwrap();
        assert_eq!(
            response.status(),
            StatusCode::OK,
            "{path}: build the front end first, as bin/test does"
        );
        let policy = response.headers()["content-security-policy"]
            .to_str()
            .unwrap()
            .to_owned();
        assert!(
            policy.contains("script-src 'self';") && !policy.contains("unsafe"),
            "{policy}"
        );
        let nonce = policy
            .split("'nonce-")
            .nth(1)
            .unwrap()
            .split('\'')
            .next()
            .unwrap()
            .to_owned();
        let html = response.text().await.unwrap();
        assert!(html.contains(&nonce) && !html.contains("__CSP_NONCE__"));
        policies.push(policy);
    }
    assert_ne!(policies[0], policies[1]);
    let api = server.ask(Method::GET, "/api/health").send().await.unwrap();
    assert_eq!(api.headers()["x-content-type-options"], "nosniff");
}

#[tokio::test]
async fn the_published_description_is_up_to_date() {
    let committed: Value =
        serde_json::from_str(include_str!("../../../../docs/openapi.json")).unwrap();
    let message = "run `rhodon openapi > docs/openapi.json` and generate the front end's types";
    assert!(committed == rhodon_server::openapi(), "{message}");
}

#[tokio::test]
async fn health_answers_while_everything_is_busy() {
    let server = Server::start().await;
    let tokens: serde_json::Map<String, Value> = (0..3000)
        .map(|n| (format!("own.t{n}"), json!({ "value": if n == 2999 { "#111".to_owned() } else { format!("{{own.t{}}}", n + 1) } })))
        .collect();
    let mut spec = tern("#0f5c7a");
    spec["tokens"] = tokens.into();
    let heavy: Vec<_> = (0..24)
        .map(|n| {
            let mut own = spec.clone();
            own["name"] = format!("Heavy {n}").into();
            let request = server
                .ask(Method::POST, "/api/derive")
                .json(&json!({ "spec": own }));
            tokio::spawn(async move { request.send().await.unwrap().status() })
        })
        .collect();
    assert_eq!(server.get("/api/health").await.0, StatusCode::OK);
    assert_eq!(
        server.get("/api/themes/brindle-sound-ferries").await.0,
        StatusCode::OK
    );
    for one in heavy {
        assert_eq!(one.await.unwrap(), StatusCode::OK);
    }
}

#[tokio::test]
async fn problems_are_told_up_to_a_hundred() {
    let server = Server::start().await;
    let mut spec = tern("#0f5c7a");
    for n in 0..5000 {
        spec[format!("unknown{n}")] = 1.into();
    }
    let (status, refused) = server.post("/api/derive", json!({ "spec": spec })).await;
    assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY);
    assert_eq!(refused["problems"].as_array().unwrap().len(), 100);
    assert_eq!(refused["more"], 4900);
}

#[tokio::test]
async fn a_field_takes_what_is_pasted_with_one_colour_in_it() {
    let server = Server::start().await;
    for (text, css) in [
        ("0f5c7a", Some("#0f5c7a")),
        ("rgb(15 92 122)", Some("rgb(15 92 122)")),
        ("--petrol: #0f5c7a !important;", Some("#0f5c7a")),
        ("RGB 15/92/122", Some("#0f5c7a")),
        ("0xFF0F5C7A", Some("#0f5c7a")),
        ("#0f5c7a, #e4572e", None),
        ("petrol", None),
    ] {
        let (status, found) = server.post("/api/color", json!({ "text": text })).await;
        assert_eq!(found["css"].as_str(), css, "{text}: {status} {found}");
    }
}
