//! The API over HTTP, against a real PostgreSQL.
#![allow(clippy::unwrap_used)]

mod contract;
mod exist;
mod family;
mod handoff;
mod library;
mod published;
mod sources;
mod workspace;

use std::net::SocketAddr;
use std::path::PathBuf;

use reqwest::{Client, Method, RequestBuilder, Response, StatusCode};
use rhodon_server::{Addresses, App, Live, ServeError, Services, load_demo};
use rhodon_store::Store;
use rhodon_testing::fresh_database;
use serde_json::{Value, json};

struct Server {
    address: SocketAddr,
    /// The services that it asks.
    services: SocketAddr,
    client: Client,
}

impl Server {
    async fn start() -> Self {
        Self::start_on(fresh_database("api").await, None).await
    }

    /// A server on a database, with a project's folder.
    async fn start_on(database: String, workspace: Option<PathBuf>) -> Self {
        Self::start_with(database, |app| app.with_workspace(workspace)).await
    }

    /// A server on a database, with what else is given to it.
    async fn start_with(
        database: String,
        with: impl FnOnce(App) -> Result<App, ServeError> + Send + 'static,
    ) -> Self {
        let store = Store::connect(&database).await.unwrap();
        store.migrate().await.unwrap();
        load_demo(&store).await.unwrap();
        let standin = tokio::net::TcpListener::bind("127.0.0.1:0").await.unwrap();
        let services = standin.local_addr().unwrap();
        tokio::spawn(async move { axum::serve(standin, rhodon_standin::router()).await });
        let at = Some(format!("http://{services}"));
        let known = Services::at(&Addresses {
            community: at.clone(),
            fonts: at,
        });
        let known = known.unwrap();
        let listener = tokio::net::TcpListener::bind("127.0.0.1:0").await.unwrap();
        let address = listener.local_addr().unwrap();
        tokio::spawn(async move {
            let live = Live::start(database);
            let app = with(App::new(store, live, known)).unwrap();
            axum::serve(listener, app.router(address)).await
        });
        Self {
            address,
            services,
            client: Client::new(),
        }
    }

    fn ask(&self, method: Method, path: &str) -> RequestBuilder {
        self.client
            .request(method, format!("http://{}{path}", self.address))
    }

    async fn get(&self, path: &str) -> (StatusCode, Value) {
        self.answer(&Method::GET, path, self.ask(Method::GET, path))
            .await
    }

    async fn post(&self, path: &str, body: Value) -> (StatusCode, Value) {
        self.answer(
            &Method::POST,
            path,
            self.ask(Method::POST, path).json(&body),
        )
        .await
    }

    async fn put(&self, path: &str, base: i64, body: Value) -> (StatusCode, Value) {
        let request = self
            .ask(Method::PUT, path)
            .header("if-match", format!("\"{base}\""))
            .json(&body);
        self.answer(&Method::PUT, path, request).await
    }

    /// Sends a request; its answer must be as it is documented.
    async fn answer(
        &self,
        method: &Method,
        path: &str,
        request: RequestBuilder,
    ) -> (StatusCode, Value) {
        let (status, body) = read(request.send().await.unwrap()).await;
        contract::check(method, path, status, &body);
        (status, body)
    }
}

async fn read(response: Response) -> (StatusCode, Value) {
    let status = response.status();
    let kind = response.headers()["content-type"]
        .to_str()
        .unwrap()
        .to_owned();
    let expected = if status.is_success() {
        "application/json"
    } else {
        "application/problem+json"
    };
    assert_eq!(kind, expected, "{status}");
    (status, response.json().await.unwrap())
}

fn tern(code: &str) -> Value {
    json!({ "format": 1, "name": "Tern", "brand": [{ "name": "Deep", "slug": "deep", "color": code }] })
}

#[tokio::test]
async fn a_theme_is_created_saved_undone_and_redone() {
    let server = Server::start().await;
    let (status, made) = server
        .post("/api/themes", json!({ "spec": tern("#0f5c7a") }))
        .await;
    assert_eq!(
        (status, &made["slug"], &made["revision"]),
        (StatusCode::CREATED, &json!("tern"), &json!(1))
    );
    let (status, saved) = server
        .put(
            "/api/themes/tern",
            1,
            json!({ "spec": tern("#112233"), "label": "darker" }),
        )
        .await;
    assert_eq!(
        (status, &saved["revision"], &saved["canUndo"]),
        (StatusCode::OK, &json!(2), &json!(true))
    );

    let request = server
        .ask(Method::POST, "/api/themes/tern/undo")
        .header("if-match", "\"2\"");
    let (_, undone) = read(request.send().await.unwrap()).await;
    assert_eq!(
        (&undone["revision"], &undone["canRedo"]),
        (&json!(1), &json!(true))
    );
    assert_eq!(undone["spec"]["brand"][0]["color"], "#0f5c7a");
    let request = server
        .ask(Method::POST, "/api/themes/tern/redo")
        .header("if-match", "\"1\"");
    assert_eq!(
        read(request.send().await.unwrap()).await.1["label"],
        "darker"
    );
    let (_, list) = server.get("/api/themes/tern/revisions").await;
    assert_eq!(list.as_array().unwrap().len(), 2);
    assert_eq!(
        server.get("/api/themes/tern/revisions/1").await.1["spec"],
        tern("#0f5c7a")
    );
}

#[tokio::test]
async fn a_stale_write_gets_409_with_both_revisions() {
    let server = Server::start().await;
    server
        .post("/api/themes", json!({ "spec": tern("#0f5c7a") }))
        .await;
    server
        .put(
            "/api/themes/tern",
            1,
            json!({ "spec": tern("#112233"), "label": "theirs" }),
        )
        .await;
    let (status, problem) = server
        .put(
            "/api/themes/tern",
            1,
            json!({ "spec": tern("#445566"), "label": "mine" }),
        )
        .await;
    assert_eq!(
        (status, &problem["type"]),
        (StatusCode::CONFLICT, &json!("/problems/stale-revision"))
    );
    assert_eq!(
        (&problem["current"]["label"], &problem["base"]["label"]),
        (&json!("theirs"), &json!("created"))
    );
    assert_eq!(problem["current"]["spec"]["brand"][0]["color"], "#112233");
}

#[tokio::test]
async fn a_write_must_say_what_it_is_based_on() {
    let server = Server::start().await;
    let body = json!({ "spec": tern("#0f5c7a"), "label": "x" });
    let response = server
        .ask(Method::PUT, "/api/themes/night-crossing")
        .json(&body)
        .send()
        .await
        .unwrap();
    assert_eq!(read(response).await.0, StatusCode::PRECONDITION_REQUIRED);
}

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
async fn a_theme_without_colours_of_its_own_is_listed_with_those_it_inherits() {
    let server = Server::start().await;
    server
        .post("/api/themes", json!({ "spec": tern("#0f5c7a") }))
        .await;
    for (name, parent) in [("Chick", "tern"), ("Egg", "chick")] {
        let spec = json!({ "format": 1, "name": name, "extends": parent });
        server.post("/api/themes", json!({ "spec": spec })).await;
    }
    let (_, listed) = server.get("/api/themes").await;
    for slug in ["tern", "chick", "egg"] {
        let found = listed
            .as_array()
            .unwrap()
            .iter()
            .find(|t| t["slug"] == slug);
        assert_eq!(found.unwrap()["colors"], json!(["#0f5c7a"]), "{slug}");
    }
}

#[tokio::test]
async fn a_child_theme_derives_with_its_parent() {
    let server = Server::start().await;
    let (_, child) = server.get("/api/themes/night-crossing").await;
    let (status, derived) = server
        .post("/api/derive", json!({ "spec": child["spec"] }))
        .await;
    assert_eq!(status, StatusCode::OK);
    let scales: Vec<&str> = derived["scales"]
        .as_array()
        .unwrap()
        .iter()
        .map(|s| s["slug"].as_str().unwrap())
        .collect();
    assert!(
        scales.contains(&"petrol") && scales.contains(&"midwatch"),
        "{scales:?}"
    );
    let petrol = derived["tokens"]
        .as_array()
        .unwrap()
        .iter()
        .find(|t| t["path"] == "petrol.600")
        .unwrap();
    assert_eq!(
        (&petrol["light"]["origin"], &petrol["light"]["value"]),
        (&json!("inherited"), &json!("#0f5c7a"))
    );
    let orphan = json!({ "format": 1, "name": "Orphan", "extends": "nobody" });
    let (status, problem) = server.post("/api/derive", json!({ "spec": orphan })).await;
    assert_eq!(
        (status, &problem["problems"][0]["pointer"]),
        (StatusCode::UNPROCESSABLE_ENTITY, &json!("/spec/extends"))
    );
}

#[tokio::test]
async fn a_preview_tells_what_moved() {
    let server = Server::start().await;
    let body = json!({ "spec": tern("#0f5c7b"), "before": tern("#0f5c7a") });
    let (_, preview) = server.post("/api/preview", body).await;
    let changes = preview["wake"]["changes"].as_array().unwrap();
    assert!(
        changes
            .iter()
            .any(|c| c["path"] == "deep.600" && c["after"] == "#0f5c7b"),
        "{changes:?}"
    );
    assert_eq!(preview["sheets"].as_array().unwrap().len(), 2);
    assert!(
        preview["sheets"][0]
            .as_str()
            .unwrap()
            .contains("--deep-600: #0f5c7b;")
    );
}

#[tokio::test]
async fn added_colours_get_slugs_that_are_free_here_and_in_the_parent() {
    let server = Server::start().await;
    let mut child = json!({ "format": 1, "name": "Child", "extends": "brindle-sound-ferries" });
    child["tokens"] = json!({ "mast.light": { "value": "#123" } });
    let colors = json!([
        { "name": "Petrol", "color": "#111111" },
        { "name": "Petrol", "color": "#222222" },
        { "name": "Mast", "color": "#333333" },
        { "name": "Ærø", "color": "#444444" },
    ]);
    let (status, added) = server
        .post("/api/add-brand", json!({ "spec": child, "colors": colors }))
        .await;
    assert_eq!(status, StatusCode::OK, "{added}");
    let brand = added["spec"]["brand"].as_array().unwrap();
    let slugs: Vec<&str> = brand.iter().map(|b| b["slug"].as_str().unwrap()).collect();
    assert_eq!(slugs, ["petrol-2", "petrol-3", "mast-2", "aero"]);
    let bad = json!({ "spec": child, "colors": [{ "name": "x", "color": "bleu" }] });
    let (status, problem) = server.post("/api/add-brand", bad).await;
    assert_eq!(
        (status, &problem["problems"][0]["pointer"]),
        (
            StatusCode::UNPROCESSABLE_ENTITY,
            &json!("/spec/brand/0/color")
        )
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
async fn deleting_and_bringing_back() {
    let server = Server::start().await;
    let gone = server
        .ask(Method::DELETE, "/api/themes/brindle-sound-ferries")
        .send()
        .await
        .unwrap();
    let (status, problem) = read(gone).await;
    assert_eq!(
        (status, &problem["type"]),
        (StatusCode::CONFLICT, &json!("/problems/has-children"))
    );
    let (_, gone) = read(
        server
            .ask(Method::DELETE, "/api/themes/night-crossing")
            .send()
            .await
            .unwrap(),
    )
    .await;
    assert_eq!(
        server.get("/api/themes/night-crossing").await.0,
        StatusCode::NOT_FOUND
    );
    let (_, back) = server
        .post("/api/deleted-themes/restore", json!({ "id": gone["id"] }))
        .await;
    assert_eq!(back["slug"], "night-crossing");
    let (_, copy) = read(
        server
            .ask(Method::POST, "/api/themes/night-crossing/duplicate")
            .send()
            .await
            .unwrap(),
    )
    .await;
    assert_eq!(copy["name"], "Night Crossing copy");
}

#[tokio::test]
async fn the_published_description_is_up_to_date() {
    let committed: Value =
        serde_json::from_str(include_str!("../../../../docs/openapi.json")).unwrap();
    let message = "run `rhodon openapi > docs/openapi.json` and generate the front end's types";
    assert!(committed == rhodon_server::openapi(), "{message}");
}

#[tokio::test]
async fn a_second_window_hears_of_a_change() {
    let server = Server::start().await;
    let (_, made) = server
        .post("/api/themes", json!({ "spec": tern("#0f5c7a") }))
        .await;
    let mut stream = server.ask(Method::GET, "/api/events").send().await.unwrap();
    assert_eq!(stream.headers()["content-type"], "text/event-stream");
    let wanted = format!("data:{{\"id\":{},\"revision\":2}}", made["id"]);
    // The listener may still be connecting: write until the news arrives.
    for base in 1..=20 {
        server
            .put(
                "/api/themes/tern",
                base,
                json!({ "spec": tern("#112233"), "label": "darker" }),
            )
            .await;
        let news =
            tokio::time::timeout(std::time::Duration::from_millis(500), stream.chunk()).await;
        if let Ok(Ok(Some(bytes))) = news {
            let text = String::from_utf8(bytes.to_vec())
                .unwrap()
                .replace("data: ", "data:");
            let expected = wanted.replace(":2}", &format!(":{}}}", base + 1));
            assert!(text.contains(&expected), "{text} {expected}");
            return;
        }
    }
    panic!("no news of twenty changes");
}

#[tokio::test]
async fn an_earlier_revision_is_restored_as_a_new_one() {
    let server = Server::start().await;
    server
        .post("/api/themes", json!({ "spec": tern("#0f5c7a") }))
        .await;
    server
        .put(
            "/api/themes/tern",
            1,
            json!({ "spec": tern("#112233"), "label": "darker" }),
        )
        .await;
    let request = server
        .ask(Method::POST, "/api/themes/tern/revisions/1/restore")
        .header("if-match", "\"2\"");
    let (status, back) = read(request.send().await.unwrap()).await;
    assert_eq!(
        (status, &back["revision"], &back["label"]),
        (StatusCode::OK, &json!(3), &json!("restored revision 1"))
    );
    assert_eq!(back["spec"], tern("#0f5c7a"));
    let (_, list) = server.get("/api/themes/tern/revisions").await;
    let scales: Vec<usize> = list
        .as_array()
        .unwrap()
        .iter()
        .map(|r| r["scales"].as_array().unwrap().len())
        .collect();
    assert_eq!(scales, [1, 1, 1]);
}

#[tokio::test]
async fn a_child_is_derived_anew_when_its_parent_changes() {
    let server = Server::start().await;
    let (_, child) = server.get("/api/themes/night-crossing").await;
    let petrol = |derived: &Value| {
        let tokens = derived["tokens"].as_array().unwrap();
        tokens.iter().find(|t| t["path"] == "petrol.600").unwrap()["light"]["value"].clone()
    };
    let ask = || server.post("/api/derive", json!({ "spec": child["spec"] }));
    assert_eq!(petrol(&ask().await.1), "#0f5c7a");
    let (_, parent) = server.get("/api/themes/brindle-sound-ferries").await;
    let mut spec = parent["spec"].clone();
    spec["brand"][0]["color"] = json!("#0f5c7b");
    let (status, _) = server
        .put(
            "/api/themes/brindle-sound-ferries",
            1,
            json!({ "spec": spec, "label": "bluer" }),
        )
        .await;
    assert_eq!(status, StatusCode::OK);
    assert_eq!(petrol(&ask().await.1), "#0f5c7b");
}

#[tokio::test]
async fn the_same_document_gives_the_same_answer() {
    let server = Server::start().await;
    let first = server
        .post("/api/derive", json!({ "spec": tern("#0f5c7a") }))
        .await;
    assert_eq!(
        first,
        server
            .post("/api/derive", json!({ "spec": tern("#0f5c7a") }))
            .await
    );
    let request = server
        .ask(Method::POST, "/api/derive")
        .header("content-type", "text/plain")
        .body("{}");
    assert_eq!(
        read(request.send().await.unwrap()).await.0,
        StatusCode::UNSUPPORTED_MEDIA_TYPE
    );
}

#[tokio::test]
async fn lists_companions_and_renaming() {
    let server = Server::start().await;
    let (_, items) = server
        .post("/api/colors", json!({ "text": "Sea: 0f5c7a; bluish" }))
        .await;
    assert_eq!(
        (&items[0]["name"], &items[0]["css"]),
        (&json!("Sea"), &json!("#0f5c7a"))
    );
    assert!(
        items[1]["error"].as_str().unwrap().starts_with("expected"),
        "{items}"
    );

    let (_, found) = server
        .post("/api/companions", json!({ "color": "#0f5c7a", "draw": 3 }))
        .await;
    assert_eq!(
        found,
        server
            .post("/api/companions", json!({ "color": "#0f5c7a", "draw": 3 }))
            .await
            .1
    );
    assert_eq!(found["wheel"].as_array().unwrap().len(), 36);

    let body = json!({ "spec": tern("#0f5c7a"), "brand": "deep", "name": "Shallow" });
    let (_, renamed) = server.post("/api/rename-brand", body).await;
    assert_eq!(renamed["spec"]["brand"][0]["slug"], "shallow");
    let body =
        json!({ "spec": tern("#0f5c7a"), "brand": "deep", "name": "Deep", "slug": "Not A Slug" });
    let (status, problem) = server.post("/api/rename-brand", body).await;
    assert_eq!(
        (status, &problem["problems"][0]["pointer"]),
        (StatusCode::UNPROCESSABLE_ENTITY, &json!("/slug"))
    );
}

#[tokio::test]
async fn kept_answers_belong_to_their_route() {
    let server = Server::start().await;
    let spec = tern("#0f5c7a");
    let archive = json!({ "spec": spec, "targets": ["css"] });
    let packed = server
        .ask(Method::POST, "/api/archive")
        .json(&archive)
        .send()
        .await
        .unwrap();
    assert_eq!(packed.headers()["content-type"], "application/zip");
    // The very same body means something else elsewhere.
    let (status, refused) = server.post("/api/derive", archive.clone()).await;
    assert_eq!(
        (status, &refused["type"]),
        (
            StatusCode::UNPROCESSABLE_ENTITY,
            &json!("/problems/invalid-request")
        )
    );
    let body = json!({ "spec": spec });
    let (_, derived) = server.post("/api/derive", body.clone()).await;
    assert!(derived["tokens"].is_array());
    let (_, previewed) = server.post("/api/preview", body).await;
    assert!(previewed["sheets"].is_array());
}

#[tokio::test]
async fn a_change_is_applied_to_the_document_at_hand_and_tells_what_it_moved() {
    let server = Server::start().await;
    server
        .post("/api/themes", json!({ "spec": tern("#0f5c7a") }))
        .await;
    let change = json!({
        "change": { "do": "add-brand", "colors": [
            { "name": "Navy", "color": "navy" }, { "name": "Navy", "color": "c2410c80" }
        ] },
        "label": "two colours", "preview": true
    });
    let request = server
        .ask(Method::POST, "/api/themes/tern/change")
        .header("if-match", "\"1\"")
        .json(&change);
    let (status, saved) = read(request.send().await.unwrap()).await;
    assert_eq!(
        (status, &saved["revision"]),
        (StatusCode::OK, &json!(2)),
        "{saved}"
    );
    let names: Vec<_> = saved["spec"]["brand"]
        .as_array()
        .unwrap()
        .iter()
        .map(|b| b["name"].clone())
        .collect();
    assert_eq!(names, ["Deep", "Navy", "Navy 2"]);
    // What is see-through keeps its opacity as a step.
    assert_eq!(saved["spec"]["scales"]["navy-2"], json!({ "alpha": [50] }));
    assert!(
        !saved["preview"]["wake"]["changes"]
            .as_array()
            .unwrap()
            .is_empty()
    );
    let remove =
        json!({ "spec": saved["spec"], "change": { "do": "remove-brand", "brand": "navy-2" } });
    let (_, tried) = server.post("/api/change", remove).await;
    assert_eq!(
        tried["notes"],
        json!(["the settings of the scale navy-2 go"])
    );
}

#[tokio::test]
async fn a_parent_does_not_lose_what_its_child_needs() {
    let server = Server::start().await;
    let mut parent = tern("#0f5c7a");
    parent["tokens"] = json!({ "ferry.wake": { "value": "#112233" } });
    server.post("/api/themes", json!({ "spec": parent })).await;
    let child = json!({
        "format": 1, "name": "Chick", "extends": "tern",
        "tokens": { "ferry.foam": { "value": "{ferry.wake}" } }
    });
    assert_eq!(
        server.post("/api/themes", json!({ "spec": child })).await.0,
        StatusCode::CREATED
    );
    let (status, refused) = server
        .put(
            "/api/themes/tern",
            1,
            json!({ "spec": tern("#0f5c7a"), "label": "without" }),
        )
        .await;
    assert_eq!(
        (status, &refused["type"]),
        (StatusCode::CONFLICT, &json!("/problems/breaks-child"))
    );
    assert_eq!(
        refused["detail"],
        "\"Chick\" extends this theme and would not work with it: ferry.foam: no token \"ferry.wake\""
    );
}

#[tokio::test]
async fn an_operation_does_not_take_from_a_child_what_it_needs_either() {
    let server = Server::start().await;
    let mut parent = tern("#0f5c7a");
    parent["brand"]
        .as_array_mut()
        .unwrap()
        .push(json!({ "name": "Buoy", "slug": "buoy", "color": "#e4572e" }));
    server.post("/api/themes", json!({ "spec": parent })).await;
    let child = json!({
        "format": 1, "name": "Chick", "extends": "tern",
        "tokens": { "ferry.foam": { "value": "{buoy.500}" } }
    });
    server.post("/api/themes", json!({ "spec": child })).await;
    let remove =
        json!({ "change": { "do": "remove-brand", "brand": "buoy" }, "label": "Buoy removed" });
    let request = server
        .ask(Method::POST, "/api/themes/tern/change")
        .header("if-match", "\"1\"")
        .json(&remove);
    let (status, refused) = read(request.send().await.unwrap()).await;
    assert_eq!(
        (status, &refused["type"]),
        (StatusCode::CONFLICT, &json!("/problems/breaks-child"))
    );
    assert_eq!(
        refused["detail"],
        "\"Chick\" extends this theme and would not work with it: ferry.foam: no token \"buoy.500\""
    );
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
async fn if_match_takes_one_strong_tag_or_any() {
    let server = Server::start().await;
    server
        .post("/api/themes", json!({ "spec": tern("#0f5c7a") }))
        .await;
    let put = |tag: &'static str| {
        let body = json!({ "spec": tern("#0f5c7b"), "label": "changed" });
        server
            .ask(Method::PUT, "/api/themes/tern")
            .header("if-match", tag)
            .json(&body)
    };
    for tag in ["1", "\"+1\"", "\"01\"", "W/\"1\"", "\"\""] {
        let (status, _) = read(put(tag).send().await.unwrap()).await;
        assert_eq!(status, StatusCode::PRECONDITION_REQUIRED, "{tag}");
    }
    let (status, saved) = read(put("*").send().await.unwrap()).await;
    assert_eq!((status, &saved["revision"]), (StatusCode::OK, &json!(2)));
}
