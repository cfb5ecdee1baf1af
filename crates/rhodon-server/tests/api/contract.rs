//! Every answer has the shape that `docs/openapi.json` publishes.

use std::collections::HashMap;
use std::sync::LazyLock;

use jsonschema::Validator;
use reqwest::{Method, StatusCode};
use serde_json::{Value, json};

use super::{Server, tern};

static DESCRIPTION: LazyLock<Value> =
    LazyLock::new(|| serde_json::from_str(include_str!("../../../../docs/openapi.json")).unwrap());

/// A validator for each documented answer, by method, path and status.
static ANSWERS: LazyLock<HashMap<(String, String, String), Validator>> = LazyLock::new(|| {
    let mut out = HashMap::new();
    for (path, methods) in DESCRIPTION["paths"].as_object().unwrap() {
        for (method, operation) in methods.as_object().unwrap() {
            for (status, answer) in operation["responses"].as_object().unwrap() {
                let Some(content) = answer["content"].as_object() else {
                    continue;
                };
                for schema in content
                    .values()
                    .map(|c| &c["schema"])
                    .filter(|s| !s.is_null())
                {
                    out.insert(
                        (method.clone(), path.clone(), status.clone()),
                        validator(schema),
                    );
                }
            }
        }
    }
    out
});

fn validator(schema: &Value) -> Validator {
    let whole = json!({ "components": DESCRIPTION["components"], "allOf": [schema] });
    jsonschema::draft202012::new(&whole).unwrap()
}

/// The documented path of an address.
fn template(address: &str) -> Option<&'static str> {
    let path = address.split('?').next().unwrap_or(address);
    let parts: Vec<&str> = path.split('/').collect();
    let fits = |template: &&String| {
        let wanted: Vec<&str> = template.split('/').collect();
        wanted.len() == parts.len()
            && wanted
                .iter()
                .zip(&parts)
                .all(|(w, p)| w.starts_with('{') || w == p)
    };
    // A path without parameters goes before one with.
    let mut found: Vec<&String> = DESCRIPTION["paths"]
        .as_object()
        .unwrap()
        .keys()
        .filter(fits)
        .collect();
    found.sort_by_key(|t| t.matches('{').count());
    found.first().map(|t| t.as_str())
}

/// Checks one answer; refusals of any kind have the one shape, also where there is no such address.
pub(crate) fn check(method: &Method, address: &str, status: StatusCode, body: &Value) {
    static PROBLEM: LazyLock<Validator> =
        LazyLock::new(|| validator(&json!({ "$ref": "#/components/schemas/Problem" })));
    let method = method.as_str().to_lowercase();
    let answer = |path: &str, status: &str| {
        ANSWERS.get(&(method.clone(), path.to_owned(), status.to_owned()))
    };
    let documented = template(address).and_then(|path| {
        let other = || answer(path, "default").filter(|_| !status.is_success());
        answer(path, status.as_str()).or_else(other)
    });
    let validator = match documented {
        Some(validator) => validator,
        None if !status.is_success() => &PROBLEM,
        None => panic!("{method} {address} answers {status}, which is not documented"),
    };
    let wrong: Vec<String> = validator
        .iter_errors(body)
        .map(|e| format!("{}: {e}", e.instance_path()))
        .collect();
    assert!(wrong.is_empty(), "{method} {address} {status}: {wrong:#?}");
    if !status.is_success() {
        assert_eq!(body["status"], status.as_u16());
        assert!(!body["detail"].as_str().unwrap().is_empty());
    }
}

#[tokio::test]
async fn what_is_asked_without_a_body_answers_as_documented() {
    let server = Server::start().await;
    for path in [
        "/api/health",
        "/api/targets",
        "/api/themes",
        "/api/themes/night-crossing",
    ] {
        assert_eq!(server.get(path).await.0, StatusCode::OK, "{path}");
    }
    for path in [
        "/api/themes/nobody",
        "/api/themes/nobody/revisions",
        "/api/themes/night-crossing/revisions/99",
        "/api/themes/%F0%9F%9A%A2",
    ] {
        assert_eq!(server.get(path).await.0, StatusCode::NOT_FOUND, "{path}");
    }
    for path in [
        "/api/themes/night-crossing/revisions/one",
        "/api/themes/night-crossing/revisions/99999999999",
    ] {
        assert_eq!(server.get(path).await.0, StatusCode::BAD_REQUEST, "{path}");
    }
}

#[tokio::test]
async fn every_route_with_a_document_refuses_a_bad_one_with_its_places() {
    let server = Server::start().await;
    let mut spec = tern("#0f5c7a");
    spec["roles"] = json!({ "primary.fil": { "light": "#fff" } });
    let no_such_role = "/spec/roles/primary.fil";
    for (path, body) in [
        ("/api/derive", json!({ "spec": spec })),
        ("/api/preview", json!({ "spec": spec })),
        ("/api/themes", json!({ "spec": spec })),
        (
            "/api/export",
            json!({ "spec": spec, "target": "css", "options": {} }),
        ),
        ("/api/archive", json!({ "spec": spec, "targets": ["css"] })),
        ("/api/names", json!({ "spec": spec, "target": "css" })),
    ] {
        let (status, problem) = server.post(path, body).await;
        assert_eq!(
            status,
            StatusCode::UNPROCESSABLE_ENTITY,
            "{path}: {problem}"
        );
        assert_eq!(problem["problems"][0]["pointer"], no_such_role, "{path}");
        assert!(
            problem["detail"]
                .as_str()
                .unwrap()
                .contains("the nearest is"),
            "{path}"
        );
    }
    let (status, problem) = server
        .put(
            "/api/themes/night-crossing",
            1,
            json!({ "spec": spec, "label": "bad" }),
        )
        .await;
    assert_eq!(
        (status, &problem["problems"][0]["pointer"]),
        (StatusCode::UNPROCESSABLE_ENTITY, &json!(no_such_role))
    );
    assert_eq!(
        server.get("/api/themes/night-crossing").await.1["revision"],
        1,
        "nothing was saved"
    );
}

#[tokio::test]
async fn every_route_refuses_a_body_of_another_shape() {
    let server = Server::start().await;
    for (path, methods) in DESCRIPTION["paths"].as_object().unwrap() {
        for (method, operation) in methods.as_object().unwrap() {
            if operation["requestBody"].is_null() {
                continue;
            }
            let address = path.replace("{slug}", "night-crossing");
            let method: Method = method.to_uppercase().parse().unwrap();
            for body in ["{\"odd\": tru", "[]", "{\"odd\": 1}", ""] {
                let request = server
                    .ask(method.clone(), &address)
                    .header("content-type", "application/json")
                    .header("if-match", "\"1\"")
                    .body(body);
                let (status, _) = server.answer(&method, &address, request).await;
                assert!(
                    [400, 422].contains(&status.as_u16()),
                    "{method} {address} {body:?}: {status}"
                );
            }
        }
    }
}

#[tokio::test]
async fn a_revision_that_is_no_number_is_told_and_nothing_is_saved() {
    let server = Server::start().await;
    let (_, before) = server.get("/api/themes/night-crossing").await;
    for base in ["", "\"one\"", "W/\"1\"", "\"-1\"", "\"99999999999\""] {
        let body = json!({ "spec": before["spec"], "label": "x" });
        let path = "/api/themes/night-crossing";
        let request = server
            .ask(Method::PUT, path)
            .header("if-match", base)
            .json(&body);
        let (status, problem) = server.answer(&Method::PUT, path, request).await;
        assert!(status.is_client_error(), "{base:?}: {status} {problem}");
    }
    assert_eq!(server.get("/api/themes/night-crossing").await.1, before);
}

#[tokio::test]
async fn methods_that_a_route_lacks_are_refused_in_the_one_shape() {
    let server = Server::start().await;
    for (method, path) in [
        (Method::DELETE, "/api/themes"),
        (Method::GET, "/api/derive"),
        (Method::PATCH, "/api/themes/night-crossing"),
        (Method::PUT, "/api/health"),
    ] {
        let (status, _) = server
            .answer(&method, path, server.ask(method.clone(), path))
            .await;
        assert_eq!(status, StatusCode::METHOD_NOT_ALLOWED, "{method} {path}");
    }
}

#[tokio::test]
async fn themes_that_would_extend_each_other_are_refused() {
    let server = Server::start().await;
    server
        .post("/api/themes", json!({ "spec": tern("#0f5c7a") }))
        .await;
    let chick = json!({ "format": 1, "name": "Chick", "extends": "tern" });
    let (status, _) = server.post("/api/themes", json!({ "spec": chick })).await;
    assert_eq!(status, StatusCode::CREATED);
    for (parent, circle) in [("chick", "tern → chick → tern"), ("tern", "tern → tern")] {
        let mut spec = tern("#0f5c7a");
        spec["extends"] = json!(parent);
        let (status, problem) = server
            .put(
                "/api/themes/tern",
                1,
                json!({ "spec": spec, "label": "odd" }),
            )
            .await;
        assert_eq!(
            status,
            StatusCode::UNPROCESSABLE_ENTITY,
            "{parent}: {problem}"
        );
        assert_eq!(problem["problems"][0]["pointer"], "/spec/extends");
        assert!(
            problem["detail"]
                .as_str()
                .unwrap()
                .ends_with(&format!("in a circle: {circle}")),
            "{problem}"
        );
    }
    assert_eq!(server.get("/api/themes/chick").await.0, StatusCode::OK);
    assert_eq!(server.get("/api/themes/tern").await.1["revision"], 1);
}
