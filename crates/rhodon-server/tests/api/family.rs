//! Families: all themes at once, whose each value is, what a change means below, other parents.

use std::io::{Cursor, Read};

use reqwest::Method;
use serde_json::{Value, json};

use super::Server;

const PARENT: &str = "/api/themes/brindle-sound-ferries";

impl Server {
    async fn spec(&self, path: &str) -> (Value, i64) {
        let (status, theme) = self.get(path).await;
        assert_eq!(status, 200, "{theme}");
        (theme["spec"].clone(), theme["revision"].as_i64().unwrap())
    }
}

fn of<'a>(list: &'a Value, slug: &str) -> &'a Value {
    let mut all = list.as_array().unwrap().iter();
    all.find(|one| one["slug"] == slug).unwrap()
}

#[tokio::test]
async fn all_themes_are_listed_with_their_state_and_what_is_their_own() {
    let server = Server::start().await;
    let (status, all) = server.get("/api/family").await;
    assert_eq!(status, 200);
    let (eldest, night) = (
        of(&all, "brindle-sound-ferries"),
        of(&all, "night-crossing"),
    );
    assert_eq!(eldest["own"], json!([]));
    assert_eq!(eldest["label"], "demo data");
    assert_eq!(night["parent"], "brindle-sound-ferries");
    assert_eq!(
        night["own"],
        json!(["brand colour midwatch", "intent primary", "shape radius"])
    );
    let own = eldest["colors"].as_array().unwrap();
    let theirs = night["colors"].as_array().unwrap();
    assert_eq!(theirs[..own.len()], own[..]);
    assert_eq!(theirs.len(), own.len() + 1);
    assert_eq!(
        (&night["errors"], &night["broken"]),
        (&json!(0), &Value::Null)
    );
}

#[tokio::test]
async fn a_child_tells_whose_each_value_is_and_gives_decisions_back() {
    let server = Server::start().await;
    let (spec, revision) = server.spec("/api/themes/night-crossing").await;
    let (status, lineage) = server.post("/api/lineage", json!({ "spec": spec })).await;
    assert_eq!(status, 200, "{lineage}");
    assert_eq!(lineage["parent"]["name"], "Brindle Sound Ferries");
    assert_eq!(lineage["merged"]["brand"].as_array().unwrap().len(), 6);
    assert_eq!(of(&lineage["brand"], "midwatch")["own"], true);
    assert_eq!(of(&lineage["brand"], "petrol")["own"], false);
    let radius = json!({ "place": "/shape/radius", "label": "shape radius", "value": "10", "replaces": true, "before": "6" });
    assert!(lineage["decisions"].as_array().unwrap().contains(&radius));
    let cell = |path: &str| {
        let mut cells = lineage["cells"].as_array().unwrap().iter();
        cells.find(|c| c["path"] == path).unwrap().clone()
    };
    assert_eq!(cell("petrol.600")["whose"], "inherited");
    assert_eq!(cell("primary.fill")["whose"], "derived");
    assert_eq!(cell("shape.radius.medium")["whose"], "own");

    let change = json!({ "do": "give-back", "places": ["/shape/radius", "/brand/midwatch"] });
    let request = server
        .ask(Method::POST, "/api/themes/night-crossing/change")
        .header("if-match", format!("\"{revision}\""))
        .json(&json!({ "change": change, "label": "given back" }));
    let path = "/api/themes/night-crossing/change";
    let (status, saved) = server.answer(&Method::POST, path, request).await;
    assert_eq!(status, 200, "{saved}");
    // The intent that was painted with the colour went with it.
    assert_eq!(
        saved["spec"],
        json!({ "format": 1, "name": "Night Crossing", "extends": "brindle-sound-ferries" })
    );
    let wrong = json!({ "do": "give-back", "places": ["/shape/radius"] });
    let body = json!({ "spec": saved["spec"], "change": wrong });
    let (status, refused) = server.post("/api/change", body).await;
    assert_eq!(status, 422);
    assert_eq!(refused["problems"][0]["pointer"], "/spec/shape/radius");
    // What has no parent has nothing from one.
    let (eldest, _) = server.spec(PARENT).await;
    let (_, lineage) = server.post("/api/lineage", json!({ "spec": eldest })).await;
    assert_eq!(
        (&lineage["parent"], &lineage["cells"]),
        (&Value::Null, &json!([]))
    );
}

#[tokio::test]
async fn what_a_change_moves_below_is_told_before_and_after() {
    let server = Server::start().await;
    let (before, _) = server.spec(PARENT).await;
    let below = format!("{PARENT}/below");
    let (status, none) = server.post(&below, json!({ "spec": before })).await;
    assert_eq!((status, &none), (200.try_into().unwrap(), &json!([])));
    let nobody = "/api/themes/nobody/below";
    let (status, _) = server.post(nobody, json!({ "spec": before })).await;
    assert_eq!(status, 404);
    let mut after = before.clone();
    after["roles"]["text.muted"] = json!({ "light": "#aaaaaa" });
    let (_, told) = server.post(&below, json!({ "spec": after })).await;
    let night = of(&told, "night-crossing");
    assert_eq!(told.as_array().unwrap().len(), 2);
    assert!(night["moved"].as_u64().unwrap() >= 1);
    let lost = night["unreadable"].as_array().unwrap();
    assert!(
        lost.contains(&json!("text.muted on surface.base (light)")),
        "{lost:?}"
    );
    // Of the way back, against the document that is asked about.
    let body = json!({ "spec": before, "before": after });
    let (_, back) = server.post(&below, body).await;
    let night = of(&back, "night-crossing");
    assert_eq!(night["unreadable"], json!([]));
    assert!(night["moved"].as_u64().unwrap() >= 1);
}

#[tokio::test]
async fn another_parent_or_none_is_tried_and_then_saved_as_one_revision() {
    let server = Server::start().await;
    let path = "/api/themes/night-crossing";
    let (spec, revision) = server.spec(path).await;
    let ask = |parent: Value| server.post("/api/parent", json!({ "spec": spec, "parent": parent }));
    let (status, free) = ask(Value::Null).await;
    assert_eq!(status, 200, "{free}");
    assert_eq!(free["wake"]["changes"], json!([]));
    assert_eq!(free["spec"]["extends"], Value::Null);
    assert_eq!(free["spec"]["brand"].as_array().unwrap().len(), 6);
    let (_, under) = ask(json!("brindle-freight")).await;
    assert!(!under["wake"]["changes"].as_array().unwrap().is_empty());
    let body = json!({ "spec": under["spec"], "label": "moved under Brindle Freight" });
    let (status, saved) = server.put(path, revision, body).await;
    assert_eq!(
        (status.as_u16(), &saved["parent"]),
        (200, &json!("brindle-freight"))
    );
    assert_eq!(saved["revision"], revision + 1);
    // Not under what stands below it, nor under what is not there.
    let freight_path = "/api/themes/brindle-freight";
    let (freight, revision) = server.spec(freight_path).await;
    let mut circle = freight.clone();
    circle["extends"] = json!("night-crossing");
    let body = json!({ "spec": circle, "label": "moved" });
    let (status, refused) = server.put(freight_path, revision, body).await;
    assert_eq!(status, 422);
    assert!(refused.to_string().contains("in a circle"), "{refused}");
    let nobody = json!({ "spec": freight, "parent": "nobody" });
    let (status, refused) = server.post("/api/parent", nobody).await;
    assert_eq!(status, 422);
    assert!(
        refused.to_string().contains("no theme \\\"nobody\\\""),
        "{refused}"
    );
}

#[tokio::test]
async fn two_themes_are_told_apart_and_a_family_comes_as_one_archive() {
    let server = Server::start().await;
    let (_, same) = server
        .get("/api/diff?before=night-crossing&after=night-crossing")
        .await;
    assert_eq!(same, json!({ "changes": [], "more": [] }));
    let (_, diff) = server
        .get("/api/diff?before=brindle-sound-ferries&after=night-crossing")
        .await;
    let changes = diff["changes"].as_array().unwrap();
    let radius = changes
        .iter()
        .find(|c| c["path"] == "shape.radius.medium")
        .unwrap();
    assert_ne!(radius["before"], radius["after"]);
    let (status, _) = server.get("/api/diff?before=night-crossing").await;
    assert_eq!(status, 422);
    let (status, _) = server
        .get("/api/diff?before=night-crossing&after=none")
        .await;
    assert_eq!(status, 404);

    let request = server.ask(Method::GET, &format!("{PARENT}/family.zip"));
    let bytes = request.send().await.unwrap().bytes().await.unwrap();
    let mut zip = zip::ZipArchive::new(Cursor::new(bytes)).unwrap();
    let names: Vec<String> = zip.file_names().map(|n| n.unwrap().into_owned()).collect();
    for slug in ["brindle-sound-ferries", "brindle-freight", "night-crossing"] {
        assert!(names.contains(&format!("{slug}.rhodon.json")), "{names:?}");
        assert!(
            names.iter().any(|n| n.starts_with(&format!("{slug}/"))),
            "{names:?}"
        );
    }
    let mut text = String::new();
    let mut file = zip.by_name("night-crossing.rhodon.json").unwrap();
    file.read_to_string(&mut text).unwrap();
    let document: Value = serde_json::from_str(&text).unwrap();
    assert_eq!(document["extends"], "brindle-sound-ferries");
}
