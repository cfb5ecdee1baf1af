//! Themes that are one with documents in a folder: in step, on bad days, and by two servers.

use std::fs;
use std::path::{Path, PathBuf};
use std::time::{Duration, Instant};

use reqwest::Method;
use rhodon_testing::fresh_database;
use serde_json::{Value, json};

use super::Server;

/// A folder with documents, for as long as a test runs.
struct Project(PathBuf);

impl Project {
    fn new(documents: &[(&str, Value)]) -> Self {
        let path = std::env::temp_dir().join(format!("rhodon-project-{}", uuid::Uuid::now_v7()));
        fs::create_dir(&path).unwrap();
        let project = Self(path);
        for (file, document) in documents {
            project.put(file, document);
        }
        project
    }

    fn path(&self, file: &str) -> PathBuf {
        self.0.join(file)
    }

    /// Writes a document as an editor does: another file in its place.
    fn put(&self, file: &str, document: &Value) {
        let path = self.path(file);
        fs::create_dir_all(path.parent().unwrap()).unwrap();
        let part = path.with_extension("part");
        fs::write(&part, serde_json::to_string_pretty(document).unwrap()).unwrap();
        fs::rename(part, path).unwrap();
    }

    fn text(&self, file: &str) -> String {
        fs::read_to_string(self.path(file)).unwrap_or_default()
    }

    fn document(&self, file: &str) -> Value {
        serde_json::from_str(&self.text(file)).unwrap_or_default()
    }
}

impl Drop for Project {
    fn drop(&mut self) {
        let _ = fs::remove_dir_all(&self.0);
    }
}

fn tern(color: &str) -> Value {
    json!({ "format": 1, "name": "Tern", "brand": [{ "name": "Petrol", "slug": "petrol", "color": color }], "pack": ["css"] })
}

const TERN: &str = "tokens/tern.rhodon.json";

impl Server {
    async fn with_folder(project: &Project) -> Self {
        Self::start_on(fresh_database("folder").await, Some(project.0.clone())).await
    }

    /// Waits until things stand as they should, and gives the tie of a theme.
    async fn tie(&self, slug: &str, stands: impl Fn(&Value) -> bool) -> Value {
        let until = Instant::now() + Duration::from_secs(20);
        loop {
            let (_, workspace) = self.get("/api/workspace").await;
            let ties = workspace["ties"].as_array().unwrap();
            if let Some(tie) = ties.iter().find(|t| t["slug"] == slug && stands(t)) {
                return tie.clone();
            }
            assert!(Instant::now() < until, "never: {workspace}");
            tokio::time::sleep(Duration::from_millis(30)).await;
        }
    }

    async fn decide(&self, slug: &str, ask: &str) -> Value {
        let (status, workspace) = self
            .post(&format!("/api/workspace/{slug}"), json!({ "do": ask }))
            .await;
        assert_eq!(status, 200, "{workspace}");
        let mut ties = workspace["ties"].as_array().unwrap().iter();
        ties.find(|t| t["slug"] == slug).unwrap().clone()
    }

    /// Waits until a theme has a revision, and gives it.
    async fn revision(&self, slug: &str, number: i64) -> Value {
        let until = Instant::now() + Duration::from_secs(20);
        loop {
            let (_, theme) = self.get(&format!("/api/themes/{slug}")).await;
            if theme["revision"] == number {
                return theme;
            }
            assert!(Instant::now() < until, "never: {theme}");
            tokio::time::sleep(Duration::from_millis(30)).await;
        }
    }
}

fn in_step(tie: &Value) -> bool {
    tie["state"] == "in-step"
}

/// Waits until a file says something.
async fn says(project: &Project, file: &str, what: &str) {
    let until = Instant::now() + Duration::from_secs(20);
    while !project.text(file).contains(what) {
        assert!(
            Instant::now() < until,
            "{file} never: {what}\n{}",
            project.text(file)
        );
        tokio::time::sleep(Duration::from_millis(20)).await;
    }
}

#[tokio::test]
async fn a_document_in_the_folder_is_a_theme_and_both_stay_in_step() {
    let project = Project::new(&[
        (TERN, tern("#0f5c7a")),
        (
            "tokens/night.rhodon.json",
            json!({ "format": 1, "name": "Night", "extends": "tern" }),
        ),
        ("notes.rhodon.json", json!({ "format": 1 })),
    ]);
    let server = Server::with_folder(&project).await;
    let tie = server.tie("tern", in_step).await;
    assert_eq!((&tie["path"], &tie["files"]), (&json!(TERN), &json!(1)));
    server.tie("night", in_step).await;
    assert!(project.text("tokens/theme.css").contains("#0f5c7a"));
    let (_, workspace) = server.get("/api/workspace").await;
    let stranger = &workspace["strangers"][0];
    assert_eq!(stranger["path"], "notes.rhodon.json");
    assert!(stranger["why"].to_string().contains("/name"), "{stranger}");

    // A revision writes the document and the files into their place.
    let mut spec = tern("#b3123a");
    spec["handoff"] = json!({ "css": { "into": "src/styles" } });
    let body = json!({ "spec": spec, "label": "red" });
    let (status, _) = server.put("/api/themes/tern", 1, body).await;
    assert_eq!(status, 200);
    says(&project, TERN, "#b3123a").await;
    says(&project, "src/styles/theme.css", "#b3123a").await;
    assert_eq!(project.document(TERN)["name"], "Tern");
    assert!(!project.text("src/styles/theme.css").contains("into"));

    // A document changed on disk is a revision.
    spec["brand"][0]["color"] = json!("#2f6b3a");
    project.put(TERN, &spec);
    let theme = server.revision("tern", 3).await;
    assert_eq!(theme["label"], format!("from {TERN}"));
    assert_eq!(theme["spec"]["brand"][0]["color"], "#2f6b3a");
    says(&project, "src/styles/theme.css", "#2f6b3a").await;
    // Neither writes the other anew where only the spelling differs.
    let pretty = project.text(TERN);
    server.decide("tern", "settle").await;
    assert_eq!(project.text(TERN), pretty);
}

#[tokio::test]
async fn what_changed_on_both_sides_is_a_clash_until_somebody_chooses() {
    let project = Project::new(&[(TERN, tern("#0f5c7a"))]);
    let server = Server::with_folder(&project).await;
    server.tie("tern", in_step).await;
    server.decide("tern", "cut").await;
    project.put(TERN, &tern("#2f6b3a"));
    let body = json!({ "spec": tern("#b3123a"), "label": "red" });
    server.put("/api/themes/tern", 1, body).await;
    let tie = server.decide("tern", "tie").await;
    assert_eq!(tie["state"], "clash");
    assert!(
        tie["message"].as_str().unwrap().contains("both changed"),
        "{tie}"
    );
    let (_, sides) = server.get("/api/workspace/tern/differences").await;
    let changes = sides["changes"].as_array().unwrap();
    let exact = |c: &&Value| c["before"] == "#b3123a" && c["after"] == "#2f6b3a";
    assert!(changes.iter().any(|c| exact(&c)), "{sides}");
    assert_eq!(project.document(TERN)["brand"][0]["color"], "#2f6b3a");

    let tie = server.decide("tern", "take-file").await;
    assert_eq!(tie["state"], "in-step");
    let theme = server.revision("tern", 3).await;
    assert_eq!(theme["spec"]["brand"][0]["color"], "#2f6b3a");

    server.decide("tern", "cut").await;
    project.put(TERN, &tern("#111111"));
    server
        .put(
            "/api/themes/tern",
            3,
            json!({ "spec": tern("#7a4b8f"), "label": "violet" }),
        )
        .await;
    assert_eq!(server.decide("tern", "tie").await["state"], "clash");
    assert_eq!(
        server.decide("tern", "write-file").await["state"],
        "in-step"
    );
    assert_eq!(project.document(TERN)["brand"][0]["color"], "#7a4b8f");
}

#[tokio::test]
async fn bad_days_are_told_and_nothing_is_lost() {
    let project = Project::new(&[(TERN, tern("#0f5c7a"))]);
    let server = Server::with_folder(&project).await;
    server.tie("tern", in_step).await;
    let stands = |state: &'static str| move |tie: &Value| tie["state"] == state;

    // Broken: the theme stays as it is, and the file too.
    fs::write(project.path(TERN), "{ \"format\": 1, ").unwrap();
    let tie = server.tie("tern", stands("broken")).await;
    assert!(tie["message"].as_str().unwrap().contains(TERN), "{tie}");
    assert_eq!(project.text(TERN), "{ \"format\": 1, ");
    server.revision("tern", 1).await;
    fs::write(project.path(TERN), [0xff, 0xfe, 0]).unwrap();
    server
        .tie("tern", |tie| tie["message"].to_string().contains("no text"))
        .await;
    // One that contradicts itself is told by its place.
    let mut wrong = tern("#0f5c7a");
    wrong["roles"] = json!({ "text.main": { "light": "{nothing.500}" } });
    project.put(TERN, &wrong);
    server
        .tie("tern", |tie| {
            tie["state"] == "broken" && !tie["message"].to_string().contains("no text")
        })
        .await;

    // Gone: it comes back only where somebody asks.
    fs::remove_file(project.path(TERN)).unwrap();
    let tie = server.tie("tern", stands("gone")).await;
    assert!(
        tie["message"].as_str().unwrap().contains("write it again"),
        "{tie}"
    );
    server
        .put(
            "/api/themes/tern",
            1,
            json!({ "spec": tern("#b3123a"), "label": "red" }),
        )
        .await;
    server.tie("tern", stands("gone")).await;
    assert!(!project.path(TERN).exists());
    assert_eq!(
        server.decide("tern", "write-file").await["state"],
        "in-step"
    );
    assert_eq!(project.document(TERN)["brand"][0]["color"], "#b3123a");

    // Moved to another place, it is the same theme.
    fs::create_dir(project.path("design")).unwrap();
    fs::rename(project.path(TERN), project.path("design/tern.rhodon.json")).unwrap();
    let tie = server
        .tie("tern", |tie| {
            tie["path"] == "design/tern.rhodon.json" && in_step(tie)
        })
        .await;
    assert_eq!(tie["slug"], "tern");
    assert!(project.text("design/theme.css").contains("#b3123a"));

    // A file of a target that somebody else changed stays until somebody says otherwise.
    fs::write(project.path("design/theme.css"), "mine").unwrap();
    server
        .put(
            "/api/themes/tern",
            2,
            json!({ "spec": tern("#2f6b3a"), "label": "green" }),
        )
        .await;
    let tie = server
        .tie("tern", |tie| tie["kept"] == json!(["design/theme.css"]))
        .await;
    assert_eq!(
        (project.text("design/theme.css").as_str(), &tie["state"]),
        ("mine", &json!("in-step"))
    );
    let tie = server.decide("tern", "overwrite").await;
    assert_eq!(tie["kept"], json!([]));
    assert!(project.text("design/theme.css").contains("#2f6b3a"));

    // A target into a link that leads out of the folder.
    let outside = Project::new(&[]);
    std::os::unix::fs::symlink(&outside.0, project.path("link")).unwrap();
    let mut spec = tern("#2f6b3a");
    for into in ["link", "../elsewhere"] {
        spec["handoff"] = json!({ "css": { "into": into } });
        let (_, theme) = server.get("/api/themes/tern").await;
        let revision = theme["revision"].as_i64().unwrap();
        server
            .put(
                "/api/themes/tern",
                revision,
                json!({ "spec": spec, "label": into }),
            )
            .await;
        let tie = server.tie("tern", stands("failed")).await;
        let message = tie["message"].as_str().unwrap();
        assert!(
            message.contains("leads out") || message.contains("inside the folder"),
            "{tie}"
        );
    }
    assert_eq!(fs::read_dir(&outside.0).unwrap().count(), 0);
    assert!(!project.0.with_file_name("elsewhere").exists());

    // The whole folder gone, and back.
    let aside = project.0.with_extension("aside");
    fs::rename(&project.0, &aside).unwrap();
    let until = Instant::now() + Duration::from_secs(20);
    loop {
        let (_, workspace) = server.get("/api/workspace").await;
        if workspace["problem"]
            .to_string()
            .contains("cannot be opened")
        {
            break;
        }
        assert!(Instant::now() < until, "{workspace}");
        tokio::time::sleep(Duration::from_millis(100)).await;
    }
    fs::rename(&aside, &project.0).unwrap();
    server.decide("tern", "settle").await;
    let (_, workspace) = server.get("/api/workspace").await;
    assert_eq!(workspace["problem"], Value::Null);
}

#[tokio::test]
async fn a_deleted_theme_leaves_its_file_and_a_circle_is_refused() {
    let project = Project::new(&[
        (TERN, tern("#0f5c7a")),
        (
            "tokens/night.rhodon.json",
            json!({ "format": 1, "name": "Night", "extends": "tern" }),
        ),
    ]);
    let server = Server::with_folder(&project).await;
    server.tie("tern", in_step).await;
    server.tie("night", in_step).await;
    let mut circle = tern("#0f5c7a");
    circle["extends"] = json!("night");
    project.put(TERN, &circle);
    let tie = server.tie("tern", |t| t["state"] == "broken").await;
    assert!(tie["message"].to_string().contains("circle"), "{tie}");
    project.put(TERN, &tern("#0f5c7a"));
    server.tie("tern", in_step).await;
    let gone = server
        .ask(Method::DELETE, "/api/themes/night")
        .send()
        .await
        .unwrap();
    assert_eq!(gone.status(), 200);
    server.decide("tern", "settle").await;
    let (_, workspace) = server.get("/api/workspace").await;
    assert_eq!(workspace["ties"].as_array().unwrap().len(), 1);
    assert!(project.path("tokens/night.rhodon.json").exists());
}

#[tokio::test]
async fn files_follow_a_draft_and_show_what_is_saved_afterwards() {
    let project = Project::new(&[(TERN, tern("#0f5c7a"))]);
    let server = Server::with_folder(&project).await;
    server.tie("tern", in_step).await;
    let draft = |color: &str| {
        let request = server.ask(Method::PUT, "/api/workspace/tern/draft");
        request.json(&json!({ "spec": tern(color) })).send()
    };
    // Not unless somebody switched it on.
    assert_eq!(draft("#b3123a").await.unwrap().status(), 204);
    assert!(project.text("tokens/theme.css").contains("#0f5c7a"));
    assert_eq!(server.decide("tern", "follow").await["follows"], true);
    let began = Instant::now();
    for color in ["#b3123a", "#b3123b", "#b3123c", "#b3123d"] {
        assert_eq!(draft(color).await.unwrap().status(), 204);
        assert!(project.text("tokens/theme.css").contains(color), "{color}");
    }
    assert!(
        began.elapsed() >= Duration::from_millis(400),
        "more than ten a second"
    );
    assert_eq!(project.document(TERN)["brand"][0]["color"], "#0f5c7a");
    server.decide("tern", "settle").await;
    assert!(project.text("tokens/theme.css").contains("#0f5c7a"));
}

/// Fifty children that all change at once, as another branch has them.
#[tokio::test]
async fn fifty_documents_changed_at_once_are_a_revision_each_and_back() {
    let child = |i: usize, radius: usize| json!({ "format": 1, "name": format!("Child {i}"), "extends": "tern", "shape": { "radius": radius } });
    let project = Project::new(&[(TERN, tern("#0f5c7a"))]);
    let file = |i: usize| format!("tokens/child-{i}.rhodon.json");
    (0..50).for_each(|i| project.put(&file(i), &child(i, 4)));
    let server = Server::with_folder(&project).await;
    for i in 0..50 {
        server.tie(&format!("child-{i}"), in_step).await;
    }
    for (revision, radius) in [(2, 9), (3, 4)] {
        (0..50).for_each(|i| project.put(&file(i), &child(i, radius)));
        for i in 0..50 {
            let theme = server.revision(&format!("child-{i}"), revision).await;
            assert_eq!(
                theme["spec"]["shape"]["radius"].as_f64(),
                Some(radius as f64)
            );
        }
    }
}

#[tokio::test]
async fn two_servers_with_one_folder_agree() {
    let project = Project::new(&[(TERN, tern("#0f5c7a"))]);
    let database = fresh_database("folder").await;
    let one = Server::start_on(database.clone(), Some(project.0.clone())).await;
    let two = Server::start_on(database, Some(project.0.clone())).await;
    for server in [&one, &two] {
        server.tie("tern", in_step).await;
    }
    project.put(TERN, &tern("#2f6b3a"));
    one.revision("tern", 2).await;
    for server in [&one, &two] {
        server.decide("tern", "settle").await;
        server.tie("tern", in_step).await;
    }
    let (_, all) = one.get("/api/themes/tern/revisions").await;
    assert_eq!(all.as_array().unwrap().len(), 2, "{all}");
    let (status, refused) = Server::start()
        .await
        .post("/api/workspace/none", json!({ "do": "tie" }))
        .await;
    assert_eq!(status, 404);
    assert!(
        refused["detail"].as_str().unwrap().contains("--workspace"),
        "{refused}"
    );
    assert!(Path::new(&project.0).exists());
}
