//! What is derived from a document, and what a change of it moves.

use reqwest::{Method, StatusCode};
use serde_json::{Value, json};

use super::{Server, read, tern};

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

/// The parent lets go of a token while the child begins to refer to it, both at once: whichever is
/// first, the other one is refused, and the child still derives.
#[tokio::test]
async fn a_parent_does_not_lose_what_its_child_comes_to_need_meanwhile() {
    let server = Server::start().await;
    let mut parent = tern("#0f5c7a");
    parent["tokens"] = json!({ "ferry.wake": { "value": "#112233" } });
    for n in 0..16 {
        let (above, below) = (format!("tern-{n}"), format!("chick-{n}"));
        parent["name"] = json!(above);
        server.post("/api/themes", json!({ "spec": parent })).await;
        let mut child = json!({ "format": 1, "name": below, "extends": above });
        server.post("/api/themes", json!({ "spec": child })).await;
        child["tokens"] = json!({ "ferry.foam": { "value": "{ferry.wake}" } });
        let mut without = parent.clone();
        without["tokens"] = json!({});
        let (above, below) = (
            format!("/api/themes/{above}"),
            format!("/api/themes/{below}"),
        );
        let (lets_go, refers) = tokio::join!(
            server.put(&above, 1, json!({ "spec": without, "label": "without" })),
            server.put(&below, 1, json!({ "spec": child, "label": "with" })),
        );
        assert!(
            (lets_go.0 == StatusCode::OK) != (refers.0 == StatusCode::OK),
            "{lets_go:?} {refers:?}"
        );
        let (_, now) = server.get(&below).await;
        let (status, said) = server
            .post("/api/derive", json!({ "spec": now["spec"] }))
            .await;
        assert_eq!(status, StatusCode::OK, "{said}");
    }
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
async fn options_that_name_a_brand_colour_follow_its_new_name() {
    let server = Server::start().await;
    let mut spec = tern("#0f5c7a");
    let slug = spec["brand"][0]["slug"].as_str().unwrap().to_owned();
    spec["handoff"] = json!({
        "switch": { "primary": format!("{slug},fog"), "key": slug },
        "utility-js": { "keep": "slate" },
    });
    let change = json!({ "do": "rename-brand", "brand": slug, "name": "Sound" });
    let body = json!({ "spec": spec, "change": change });
    let (status, changed) = server.post("/api/change", body).await;
    assert_eq!(status, 200, "{changed}");
    let handoff = &changed["spec"]["handoff"];
    assert_eq!(
        handoff["switch"],
        json!({ "primary": "sound,fog", "key": slug })
    );
    assert_eq!(handoff["utility-js"], json!({ "keep": "slate" }));
}
