//! Exports, archives, and reading files back.

use reqwest::{Method, StatusCode};
use serde_json::{Value, json};

use super::{Server, tern};

#[tokio::test]
async fn a_child_is_written_with_the_choices_of_its_parent_until_it_makes_its_own() {
    let server = Server::start().await;
    let mut parent = tern("#0f5c7a");
    parent["handoff"] = json!({ "css": { "prefix": "bsf", "mode": "class" } });
    server.post("/api/themes", json!({ "spec": parent })).await;
    let mut child = json!({ "format": 1, "name": "Chick", "extends": "tern" });
    let ask = |spec: &Value| json!({ "spec": spec, "target": "css", "options": {} });
    let (_, written) = server.post("/api/export", ask(&child)).await;
    assert_eq!(
        (&written["options"]["prefix"], &written["options"]["format"]),
        (&json!("bsf"), &json!("hex"))
    );
    assert!(
        written["command"]
            .as_str()
            .unwrap()
            .contains("--set mode=class --set prefix=bsf")
    );
    child["handoff"] = json!({ "css": { "prefix": "" } });
    let (_, written) = server.post("/api/export", ask(&child)).await;
    assert_eq!(
        (&written["options"]["prefix"], &written["options"]["mode"]),
        (&json!(""), &json!("class"))
    );
}

#[tokio::test]
async fn a_choice_in_the_document_that_no_target_takes_is_told_with_its_place() {
    let server = Server::start().await;
    let mut spec = tern("#0f5c7a");
    spec["handoff"] = json!({ "css": { "mode": "night" }, "sass": { "colour": "x" } });
    for (target, expected) in [
        (
            "css",
            "/handoff/css: option mode: expected one of auto, attribute, class, function, found \"night\"",
        ),
        (
            "sass",
            "/handoff/sass: unknown option \"colour\": expected one of prefix, groups",
        ),
    ] {
        let body = json!({ "spec": spec, "target": target, "options": {} });
        let (status, problem) = server.post("/api/export", body).await;
        assert_eq!(
            (status, &problem["detail"]),
            (StatusCode::UNPROCESSABLE_ENTITY, &json!(expected))
        );
    }
    // It is saved and read back all the same: nothing else of the theme hangs on it.
    let (status, _) = server.post("/api/themes", json!({ "spec": spec })).await;
    assert_eq!(status, StatusCode::CREATED);
}

/// Bytes of an archive of some targets.
async fn packed(server: &Server, spec: &Value, targets: &[&str]) -> Vec<u8> {
    let body = json!({ "spec": spec, "revision": 3, "targets": targets });
    let response = server
        .ask(Method::POST, "/api/archive")
        .json(&body)
        .send()
        .await
        .unwrap();
    assert_eq!(response.status(), StatusCode::OK);
    assert_eq!(response.headers()["content-type"], "application/zip");
    assert_eq!(
        response.headers()["content-disposition"],
        "attachment; filename=\"tern-3.zip\""
    );
    response.bytes().await.unwrap().to_vec()
}

fn unpacked(bytes: Vec<u8>) -> std::collections::BTreeMap<String, String> {
    let mut zip = zip::ZipArchive::new(std::io::Cursor::new(bytes)).unwrap();
    let names: Vec<String> = zip.file_names().map(|n| n.unwrap().into_owned()).collect();
    let text = |name: &String| std::io::read_to_string(zip.by_name(name).unwrap()).unwrap();
    names.iter().cloned().zip(names.iter().map(text)).collect()
}

#[tokio::test]
async fn an_archive_holds_the_files_and_a_page_that_says_where_they_go() {
    let server = Server::start().await;
    let mut spec = tern("#0f5c7a");
    spec["handoff"] = json!({ "css": { "prefix": "bsf" } });
    let bytes = packed(&server, &spec, &["css", "sass-overrides", "palette"]).await;
    assert_eq!(
        bytes,
        packed(&server, &spec, &["css", "sass-overrides", "palette"]).await
    );
    let files = unpacked(bytes);
    let names: Vec<&str> = files.keys().map(String::as_str).collect();
    assert_eq!(
        names,
        [
            "README.md",
            "_after.scss",
            "_before.scss",
            "_states.scss",
            "theme.css",
            "theme.gpl"
        ]
    );
    // The options of the document hold, and the export gives the same.
    assert!(files["theme.css"].contains("--bsf-deep-600: "));
    let (_, css) = server
        .post(
            "/api/export",
            json!({ "spec": spec, "target": "css", "options": {}, "revision": 3 }),
        )
        .await;
    assert_eq!(css["files"][0]["text"], json!(files["theme.css"]));
    let page = &files["README.md"];
    for expected in [
        "# Tern, revision 3\n",
        "- `_before.scss`\n- `_after.scss`\n- `_states.scss`\n",
        "Load theme.css before your own styles.",
        "rhodon export theme.rhodon.json --target css --set prefix=bsf --revision 3 --out .",
        "- the format holds only colours: type.family.body, ",
    ] {
        assert!(page.contains(expected), "{expected}\n{page}");
    }
}

#[tokio::test]
async fn a_target_that_cannot_be_written_does_not_stop_an_archive() {
    let server = Server::start().await;
    let mut spec = tern("#0f5c7a");
    spec["tokens"] = json!({ "object": { "value": "#123" } });
    let files = unpacked(packed(&server, &spec, &["css", "kotlin"]).await);
    assert!(files.contains_key("theme.css") && !files.contains_key("ThemeColors.kt"));
    assert!(
        files["README.md"]
            .contains("- kotlin: object would be named object, a reserved word of Kotlin")
    );
    for (targets, pointer) in [
        (json!(["kotlin"]), "/spec"),
        (json!([]), "/targets"),
        (json!(["none"]), "/target"),
    ] {
        let (status, problem) = server
            .post("/api/archive", json!({ "spec": spec, "targets": targets }))
            .await;
        assert_eq!(
            (status, &problem["problems"][0]["pointer"]),
            (StatusCode::UNPROCESSABLE_ENTITY, &json!(pointer))
        );
    }
}

#[tokio::test]
async fn files_are_read_into_a_document_or_told_why_not() {
    let server = Server::start().await;
    let (_, written) = server
        .post(
            "/api/export",
            json!({ "spec": tern("#0f5c7a"), "target": "tokens", "options": {} }),
        )
        .await;
    let files: Vec<Value> = written["files"]
        .as_array()
        .unwrap()
        .iter()
        .map(|f| json!({ "name": f["path"], "text": f["text"] }))
        .collect();
    let (status, read) = server.post("/api/read", json!({ "files": files })).await;
    assert_eq!(
        (status, &read["spec"], &read["problems"]),
        (StatusCode::OK, &tern("#0f5c7a"), &json!([]))
    );
    let bad = json!({ "a": { "$type": "color", "$value": "bleu" } }).to_string();
    let (_, read) = server
        .post(
            "/api/read",
            json!({ "files": [{ "name": "a.json", "text": bad }] }),
        )
        .await;
    assert_eq!(
        (&read["spec"], &read["problems"][0]["place"]),
        (&Value::Null, &json!("a"))
    );
}

#[tokio::test]
async fn an_export_equals_what_the_command_writes() {
    let server = Server::start().await;
    let body = json!({ "spec": tern("#0f5c7a"), "target": "css", "options": { "prefix": "bsf" } });
    let (_, written) = server.post("/api/export", body).await;
    assert_eq!(written["files"][0]["path"], "theme.css");
    assert_eq!(
        written["command"],
        "rhodon export theme.rhodon.json --target css --set prefix=bsf --out ."
    );
    let body = json!({ "spec": tern("#0f5c7a"), "target": "css", "options": { "prefix": "; rm" } });
    let (status, problem) = server.post("/api/export", body).await;
    assert_eq!(
        (status, &problem["problems"][0]["pointer"]),
        (StatusCode::UNPROCESSABLE_ENTITY, &json!("/options"))
    );
}

/// A check tells what is wrong with what mends it, and the contrast of everything on everything; the
/// preview of every screen counts the same.
#[tokio::test]
async fn a_check_tells_findings_and_the_matrix() {
    let server = Server::start().await;
    let mut spec = tern("#0f5c7a");
    spec["roles"] = json!({ "text.muted": { "light": "#9aa5ad" } });
    let (status, check) = server.post("/api/check", json!({ "spec": spec })).await;
    assert_eq!(status, StatusCode::OK);
    let first = &check["findings"][0];
    assert_eq!(
        (&first["id"], &first["severity"]),
        (&json!("contrast"), &json!("error"))
    );
    assert_eq!(first["fix"]["patch"][0]["path"], "/roles");
    let matrix = &check["matrix"];
    let at = |list: &str, path: &str| {
        let all = matrix[list].as_array().unwrap();
        all.iter().position(|p| p == path).unwrap()
    };
    let width = matrix["grounds"].as_array().unwrap().len();
    let cell = at("inks", "text.muted") * width + at("grounds", "surface.base");
    let ratio = matrix["light"][cell].as_f64().unwrap();
    assert!((ratio - first["figures"]["ratio"].as_f64().unwrap()).abs() < 0.001);
    assert_eq!(matrix["needs"][cell], 4.5);
    let (_, preview) = server.post("/api/preview", json!({ "spec": spec })).await;
    let errors = check["findings"]
        .as_array()
        .unwrap()
        .iter()
        .filter(|f| f["severity"] == "error")
        .count();
    assert_eq!(preview["counts"]["errors"], errors);
}

#[tokio::test]
async fn a_page_that_was_measured_is_judged_by_the_aim() {
    let server = Server::start().await;
    let ask = |measured: Value| json!({ "spec": tern("#0f5c7a"), "measured": measured });
    let page = json!({ "page": "booking", "dominant": 90, "secondary": 6, "accent": 4 });
    let (status, check) = server.post("/api/check", ask(page)).await;
    assert_eq!(status, StatusCode::OK);
    let told = check["findings"].as_array().unwrap().iter();
    let told: Vec<_> = told.filter(|f| f["id"] == "proportion").collect();
    assert_eq!(
        told[0]["message"],
        "Neutral grounds cover 90 % of the page booking; the theme aims at 60 %."
    );
    for (wrong, at) in [
        (
            json!({ "page": "", "dominant": 1, "secondary": 1, "accent": 1 }),
            "/measured/page",
        ),
        (
            json!({ "page": "a\u{0}", "dominant": 1, "secondary": 1, "accent": 1 }),
            "/measured/page",
        ),
        (
            json!({ "page": "a", "dominant": 101, "secondary": 1, "accent": 1 }),
            "/measured",
        ),
    ] {
        let (status, refused) = server.post("/api/check", ask(wrong)).await;
        assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY);
        assert_eq!(refused["problems"][0]["pointer"], at, "{refused}");
    }
}
