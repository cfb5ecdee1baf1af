//! Themes are made, saved, undone, renamed, deleted and brought back.

use reqwest::{Method, StatusCode};
use serde_json::{Value, json};

use super::{Server, read, tern};

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
async fn a_revision_gets_a_name_and_is_found_by_it() {
    let server = Server::start().await;
    server
        .post("/api/themes", json!({ "spec": tern("#0f5c7a") }))
        .await;
    let name = async |name: Value| {
        let request = server
            .ask(Method::PUT, "/api/themes/tern/revisions/1/name")
            .json(&json!({ "name": name }));
        read(request.send().await.unwrap()).await
    };
    let (status, named) = name(json!("  Sent to the printer ")).await;
    assert_eq!(
        (status, &named["name"]),
        (StatusCode::OK, &json!("Sent to the printer"))
    );
    let (_, found) = server.get("/api/themes/tern/revisions?words=PRINTER").await;
    assert_eq!(found[0]["name"], "Sent to the printer");
    assert!(
        found[0]["scales"].as_array().unwrap().len() > 1,
        "all scales"
    );
    let (_, none) = server.get("/api/themes/tern/revisions?words=harbour").await;
    assert_eq!(none, json!([]));
    let (_, older) = server.get("/api/themes/tern/revisions?before=1").await;
    assert_eq!(older, json!([]));
    let (status, told) = name(json!("x".repeat(81))).await;
    assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY);
    assert_eq!(told["problems"][0]["pointer"], "/name");
    let (status, told) = server.get("/api/themes/tern/revisions?before=soon").await;
    assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY);
    assert!(
        told["detail"].as_str().unwrap().contains("before=NUMBER"),
        "{told}"
    );
    for odd in ["%00", &"a+".repeat(150)] {
        let path = format!("/api/themes/tern/revisions?words={odd}");
        let (status, told) = server.get(&path).await;
        assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY);
        assert_eq!(told["problems"][0]["pointer"], "/words");
    }
    assert_eq!(name(json!("")).await.1["name"], Value::Null);
}

#[tokio::test]
async fn the_tokens_nearest_to_a_colour_are_told() {
    let server = Server::start().await;
    let ask = json!({ "spec": tern("#0f5c7a"), "color": "0F5C7A" });
    let (_, found) = server.post("/api/near-tokens", ask).await;
    assert_eq!(found["hex"], "#0f5c7a");
    let tokens = found["tokens"].as_array().unwrap();
    assert_eq!(tokens.len(), 12);
    assert_eq!(
        (&tokens[0]["difference"], &tokens[0]["mode"]),
        (&json!(0.0), &Value::Null)
    );
    let odd = json!({ "spec": tern("#0f5c7a"), "color": "sea" });
    let (status, told) = server.post("/api/near-tokens", odd).await;
    assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY);
    assert_eq!(told["problems"][0]["pointer"], "/color");
}

#[tokio::test]
async fn two_colours_are_measured_against_each_other() {
    let server = Server::start().await;
    let spec = tern("#0f5c7a");
    let ask = json!({ "spec": spec, "front": "777", "ground": "white" });
    let (_, told) = server.post("/api/against", ask).await;
    let one = json!([{ "mode": null, "front": "#777777", "ground": "#ffffff", "ratio": 4.47, "difference": 36.49, "serves": "large text and parts" }]);
    assert_eq!(told, one);
    let ask = json!({ "spec": spec, "front": "text.main", "ground": "surface.base" });
    let (_, told) = server.post("/api/against", ask).await;
    let modes: Vec<_> = told
        .as_array()
        .unwrap()
        .iter()
        .map(|pair| &pair["mode"])
        .collect();
    assert_eq!(modes, ["light", "dark"]);
    for (front, ground, place) in [("sea", "#fff", "/front"), ("#fff", "text.size", "/ground")] {
        let ask = json!({ "spec": spec, "front": front, "ground": ground });
        let (status, told) = server.post("/api/against", ask).await;
        assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY);
        assert_eq!(told["problems"][0]["pointer"], place);
    }
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
    assert_eq!(scales, [8, 8, 8], "all of its scales");
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
