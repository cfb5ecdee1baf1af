//! What exists already: files and pictures with other colours, forms.

use reqwest::{Method, StatusCode};
use serde_json::{Value, json};

use super::Server;

fn theme(code: &str) -> Value {
    json!({ "format": 1, "name": "T", "brand": [{ "name": "Petrol", "slug": "petrol", "color": code }] })
}

#[tokio::test]
async fn faces_of_files_become_others_or_those_of_tokens() {
    let server = Server::start().await;
    let text = "h1 { font: 700 2rem 'Tern Sans', serif }\np { font-family: tern sans }\ncode { font-family: Quay }\n";
    let asked = |faces: Value, to_variables: bool| {
        let mut spec = theme("#0f5c7a");
        spec["type"] = json!({ "body": ["Anlow Text", "sans-serif"] });
        json!({ "spec": spec, "files": [{ "name": "a.css", "text": text }], "faces": faces, "to_variables": to_variables })
    };
    let by_hand = asked(json!({ "Tern Sans": "Vess", "Quay": null }), false);
    let (status, found) = server.post("/api/recolor", by_hand).await;
    assert_eq!(status, 200, "{found}");
    assert_eq!(
        found["faces"],
        json!([
            { "face": "Tern Sans", "count": 2, "new": ["'Vess', serif", "Vess"], "places": ["a.css:1", "a.css:2"], "unloaded": ["Vess"] },
            { "face": "Quay", "count": 1, "new": [], "places": ["a.css:3"], "unloaded": [] },
        ])
    );
    let changed = &found["files"][0];
    assert_eq!(
        changed["faces"][1],
        json!({ "line": 2, "column": 18, "from": "tern sans", "to": "Vess" })
    );
    assert!(changed["text"].as_str().unwrap().contains("family: Vess }"));
    let of_token = asked(json!({ "tern sans": "{type.family.body}" }), true);
    let (_, found) = server.post("/api/recolor", of_token).await;
    let new = &found["files"][0]["text"];
    assert!(
        new.as_str()
            .unwrap()
            .starts_with("h1 { font: 700 2rem var(--type-family-body) }"),
        "{new}"
    );
    // A theme whose faces the files have brings them along, but for those that somebody leaves.
    let mut old = theme("#0f5c7a");
    old["type"] = json!({ "body": ["Tern Sans"], "mono": ["Quay"] });
    server.post("/api/themes", json!({ "spec": old })).await;
    let mut from = asked(json!({ "Quay": null }), false);
    from["from"] = json!({ "theme": "t" });
    let (_, found) = server.post("/api/recolor", from).await;
    let new: Vec<_> = found["faces"]
        .as_array()
        .unwrap()
        .iter()
        .map(|line| line["new"].clone())
        .collect();
    assert_eq!(
        new,
        [
            json!(["'Anlow Text', sans-serif", "Anlow Text, sans-serif"]),
            json!([])
        ]
    );
    for (new, why) in [
        ("", "expected a face"),
        ("{petrol.500}", "petrol.500 holds no faces"),
        ("{none}", "no token is called none"),
    ] {
        let (status, refused) = server
            .post("/api/recolor", asked(json!({ "a/b": new }), false))
            .await;
        let problem = &refused["problems"][0];
        assert_eq!(
            (status.as_u16(), &problem["pointer"]),
            (422, &json!("/faces/a~1b"))
        );
        assert!(
            problem["message"].as_str().unwrap().starts_with(why),
            "{refused}"
        );
    }
}

#[tokio::test]
async fn files_get_other_colours_by_hand_and_from_an_earlier_revision() {
    let server = Server::start().await;
    let files = json!([{ "name": "css/a.css", "text": "a { color: #0f5c7a; fill: tan }\n.b { background: #0d5069; color: #0F5C7A }\n" },
        { "name": "a.exe", "text": "" }]);
    let by_hand = json!({ "spec": theme("#0f5c7a"), "files": files, "map": { "#0f5c7a": "#a33a1e", "tan": null }, "kin": true });
    let (status, found) = server.post("/api/recolor", by_hand.clone()).await;
    assert_eq!(status, 200, "{found}");
    let line = |hex: &str| {
        found["lines"]
            .as_array()
            .unwrap()
            .iter()
            .find(|l| l["hex"] == hex)
            .unwrap()
            .clone()
    };
    assert_eq!(
        (&line("#0f5c7a")["count"], &line("#0f5c7a")["new"]),
        (&json!(2), &json!(["#a33a1e"]))
    );
    assert_eq!(line("#0d5069")["follows"], "#0f5c7a");
    assert_eq!(
        (&line("#d2b48c")["new"], &line("#d2b48c")["why"]),
        (&json!([]), &json!("not in the map"))
    );
    assert_eq!(
        line("#0f5c7a")["places"],
        json!(["css/a.css:1", "css/a.css:2"])
    );
    assert!(
        found["files"][0]["text"]
            .as_str()
            .unwrap()
            .contains("color: #A33A1E")
    );
    assert_eq!(found["skipped"][0]["file"], "a.exe");

    // The colours of a picture have lines beside those of texts; what becomes itself has one too.
    let with_picture = json!({ "spec": theme("#0f5c7a"), "files": files, "kin": true,
        "pictures": [{ "name": "mark.png", "colors": ["#0f5c7a", "#0d5069", "#e4572e"] }],
        "map": { "#0f5c7a": "#a33a1e", "#e4572e": "#e4572e" } });
    let (_, found) = server.post("/api/recolor", with_picture).await;
    let told: Vec<String> = found["lines"]
        .as_array()
        .unwrap()
        .iter()
        .map(|l| format!("{} {} {}", l["hex"], l["places"], l["why"]))
        .collect();
    assert_eq!(
        told,
        [
            r##""#0f5c7a" ["css/a.css:1","css/a.css:2","mark.png"] null"##,
            r##""#0d5069" ["css/a.css:2","mark.png"] null"##,
            r##""#d2b48c" ["css/a.css:1"] "not in the map""##,
            r##""#e4572e" ["mark.png"] "the same already""##,
        ]
    );
    assert_eq!(found["files"].as_array().unwrap().len(), 1);
    let no_color = json!({ "spec": theme("#0f5c7a"), "files": [], "pictures": [{ "name": "mark.png", "colors": ["#0f5c7a", "petrolish"] }] });
    let (status, refused) = server.post("/api/recolor", no_color).await;
    assert_eq!(
        (status.as_u16(), &refused["problems"][0]["pointer"]),
        (422, &json!("/pictures/0/colors/1")),
        "{refused}"
    );

    let archive = server
        .ask(Method::POST, "/api/recolor/archive")
        .json(&by_hand)
        .send()
        .await
        .unwrap();
    assert_eq!(archive.headers()["content-type"], "application/zip");
    let bytes = archive.bytes().await.unwrap();
    let zip = zip::ZipArchive::new(std::io::Cursor::new(bytes)).unwrap();
    assert_eq!(
        zip.file_names().flatten().collect::<Vec<_>>(),
        ["css/a.css"]
    );

    let (_, made) = server
        .post("/api/themes", json!({ "spec": theme("#0f5c7a") }))
        .await;
    let slug = made["slug"].as_str().unwrap();
    let path = format!("/api/themes/{slug}");
    let (status, _) = server
        .put(
            &path,
            1,
            json!({ "spec": theme("#a33a1e"), "label": "red" }),
        )
        .await;
    assert_eq!(status, 200);
    let from = |revision: Value| json!({ "spec": theme("#a33a1e"), "files": files, "from": { "theme": slug, "revision": revision } });
    let (_, found) = server.post("/api/recolor", from(json!(1))).await;
    assert!(
        found["files"][0]["text"]
            .as_str()
            .unwrap()
            .contains("color: #a33a1e"),
        "{found}"
    );
    // From what it is now to what it is now nothing changes.
    let (_, found) = server.post("/api/recolor", from(json!(null))).await;
    assert_eq!(found["files"][0]["changes"], json!([]));
    assert_eq!(server.post("/api/recolor", from(json!(9))).await.0, 404);
    let (_, refused) = server
        .post(
            "/api/recolor",
            json!({ "spec": theme("#a33a1e"), "files": files, "map": { "petrol": "#fff" } }),
        )
        .await;
    assert_eq!(refused["problems"][0]["pointer"], "/map/petrol");
}

#[tokio::test]
async fn a_picture_gets_other_colours_and_what_is_none_is_refused() {
    let server = Server::start().await;
    let ask = |map: &str, bytes: Vec<u8>| {
        server
            .ask(Method::POST, "/api/recolor/picture")
            .query(&[("map", map)])
            .body(bytes)
            .send()
    };
    let refused = ask("#0f5c7a>#a33a1e", b"no picture".to_vec())
        .await
        .unwrap();
    assert_eq!(refused.status(), 422);
    let wrong = ask("#0f5c7a-#a33a1e", Vec::new()).await.unwrap();
    let problem: Value = wrong.json().await.unwrap();
    assert_eq!(problem["problems"][0]["pointer"], "/map");
}

#[tokio::test]
async fn forms_are_learned_kept_filled_exported_and_packed() {
    let server = Server::start().await;
    let example = json!({ "name": "scheme.json", "text": "{ \"primary\": \"#0F5C7A\", \"odd\": \"#123abc\" }\n" });
    let (status, learned) = server
        .post(
            "/api/forms/learn",
            json!({ "spec": theme("#0f5c7a"), "example": example }),
        )
        .await;
    assert_eq!(status, 200, "{learned}");
    assert_eq!(learned["open"], json!(["odd"]));
    let mut spec = theme("#0f5c7a");
    spec["forms"] = json!({ "scheme": learned["form"] });
    let (_, filled) = server
        .post("/api/forms/fill", json!({ "spec": spec, "form": "scheme" }))
        .await;
    assert_eq!(filled["text"], example["text"]);
    let (_, exported) = server
        .post(
            "/api/export",
            json!({ "spec": spec, "target": "form:scheme" }),
        )
        .await;
    assert_eq!(exported["files"][0]["path"], "scheme.json");
    let archive = server
        .ask(Method::POST, "/api/archive")
        .json(&json!({ "spec": spec, "targets": ["css", "form:scheme"] }));
    let bytes = archive.send().await.unwrap().bytes().await.unwrap();
    let zip = zip::ZipArchive::new(std::io::Cursor::new(bytes)).unwrap();
    assert!(zip.file_names().flatten().any(|name| name == "scheme.json"));

    spec["forms"]["scheme"]["text"] = json!("a\n {{ nobody }}");
    let (status, filled) = server
        .post("/api/forms/fill", json!({ "spec": spec, "form": "scheme" }))
        .await;
    assert_eq!((status, &filled["text"]), (StatusCode::OK, &json!(null)));
    assert_eq!(
        (&filled["mistake"]["line"], &filled["mistake"]["column"]),
        (&json!(2), &json!(5))
    );
    assert_eq!(
        server
            .post("/api/forms/fill", json!({ "spec": spec, "form": "nobody" }))
            .await
            .0,
        404
    );
    let (status, refused) = server
        .post(
            "/api/export",
            json!({ "spec": spec, "target": "form:scheme" }),
        )
        .await;
    assert_eq!(status, 422);
    assert!(
        refused["detail"]
            .as_str()
            .unwrap()
            .starts_with("/forms/scheme: 2:5: no slot is called nobody"),
        "{refused}"
    );
}
