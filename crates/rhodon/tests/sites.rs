//! Sites and published files while everything is killed at random: the server, the host of the sites, a
//! process of the database. `RHODON_KILLS` asks for more of it. One test in a file of its own: the database
//! ends every connection with the process that is killed.
#![allow(clippy::unwrap_used)]

use std::collections::BTreeSet;
use std::fs;
use std::net::TcpListener;
use std::path::Path;
use std::time::{Duration, Instant};

use reqwest::{Client, Method, RequestBuilder};
use rhodon_testing::{Served, fresh_database, kill_backend, make_durable};
use serde_json::{Value, json};

/// The longest that anything takes to come back.
const BACK: Duration = Duration::from_secs(40);
const SITES: [&str; 2] = ["port-anlow", "skerry-holm"];
const THEMES: [&str; 2] = ["tern", "gull"];

fn document(name: &str, turn: usize) -> Value {
    json!({
        "format": 1, "name": name,
        "brand": [{ "name": "Petrol", "slug": "petrol", "color": "#0f5c7a" }],
        "scales": { "petrol": { "turn": turn % 20 } }
    })
}

/// Everything that is at work, with what outlives it.
struct World {
    client: Client,
    database: String,
    folder: tempfile::TempDir,
    host_port: u16,
    server: Served,
    host: Served,
}

impl World {
    async fn new() -> Self {
        let database = fresh_database("sites").await;
        make_durable(&database).await;
        let folder = tempfile::tempdir().unwrap();
        // Its address stays, however often it is started.
        let free = TcpListener::bind("127.0.0.1:0").unwrap();
        let host_port = free.local_addr().unwrap().port();
        drop(free);
        let host = host(host_port, folder.path());
        let server = server(&database, host_port, folder.path());
        Self {
            client: Client::builder().timeout(BACK).build().unwrap(),
            database,
            folder,
            host_port,
            server,
            host,
        }
    }

    fn ask(&self, method: Method, path: &str) -> RequestBuilder {
        let address = format!("{}/api{path}", self.server.address);
        self.client.request(method, address)
    }

    async fn sites_of(&self, theme: &str, register: bool) -> Option<Value> {
        let ask = self.ask(Method::POST, &format!("/themes/{theme}/sites"));
        told(ask.json(&json!({ "register": register }))).await
    }

    /// One thing after the other that somebody does with a theme and sites; how many were acknowledged.
    async fn act(&self, turn: usize) -> usize {
        let theme = THEMES[turn / 3 % 2];
        let site = SITES[turn / 2 % 2];
        let mut done = 0;
        let name = if theme == "tern" { "Tern" } else { "Gull" };
        let change = json!({ "spec": document(name, turn), "label": "turned" });
        let saving = self.ask(Method::PUT, &format!("/themes/{theme}"));
        done += usize::from(
            told(saving.header("if-match", "*").json(&change))
                .await
                .is_some(),
        );
        let published = format!("/themes/{theme}/published");
        done += usize::from(told(self.ask(Method::POST, &published)).await.is_some());
        if let Some(sites) = self.sites_of(theme, true).await {
            done += 1;
            let all = sites["sites"].as_array().unwrap();
            let found = all.iter().find(|s| s["id"] == site).unwrap();
            let wanted = if turn.is_multiple_of(5) {
                Value::Null
            } else {
                sites["name"].clone()
            };
            let body = json!({ "theme": wanted, "version": found["version"] });
            let applying = self.ask(Method::PUT, &format!("/sites/{site}")).json(&body);
            done += usize::from(told(applying).await.is_some());
        }
        if turn.is_multiple_of(4) {
            done += usize::from(told(self.ask(Method::DELETE, &published)).await.is_some());
        }
        done
    }

    /// What was killed is started again; what was not stays.
    async fn mend(&mut self) {
        let until = Instant::now() + BACK;
        loop {
            if self.host.process.try_wait().unwrap().is_some() {
                self.host = host(self.host_port, self.folder.path());
            }
            if self.server.process.try_wait().unwrap().is_some() {
                self.server = server(&self.database, self.host_port, self.folder.path());
            }
            let answer = self.ask(Method::GET, "/health").send().await;
            let health = match answer {
                Ok(answer) => answer.text().await.unwrap_or_default(),
                Err(error) => error.to_string(),
            };
            if health.contains("ok") && self.sites_of("tern", false).await.is_some() {
                return;
            }
            assert!(Instant::now() < until, "it does not come back: {health}");
            tokio::time::sleep(Duration::from_millis(50)).await;
        }
    }

    /// Every site shows a file that is there and whole, and the server says the same as the host.
    async fn check(&self, seen: &mut BTreeSet<String>) {
        let address = format!("http://127.0.0.1:{}/sites", self.host_port);
        let host: Value = self
            .client
            .get(address)
            .send()
            .await
            .unwrap()
            .json()
            .await
            .unwrap();
        let files = self.folder.path().join("published");
        for theme in host["themes"].as_array().unwrap() {
            let url = theme["url"].as_str().unwrap();
            let Some((_, file)) = url.rsplit_once("/published/") else {
                continue;
            };
            let text = fs::read_to_string(files.join(file)).unwrap_or_default();
            assert!(
                text.ends_with("}\n"),
                "{} loads {file}: {text:?}",
                theme["name"]
            );
            let served = format!("{}/published/{file}", self.server.address);
            let served = self.client.get(served).send().await.unwrap();
            assert_eq!(served.text().await.unwrap(), text);
        }
        let told = self.sites_of("tern", false).await.unwrap();
        for (ours, theirs) in told["sites"]
            .as_array()
            .unwrap()
            .iter()
            .zip(host["sites"].as_array().unwrap())
        {
            assert_eq!(
                (&ours["id"], &ours["theme"], &ours["version"]),
                (&theirs["id"], &theirs["theme"], &theirs["version"])
            );
            let before = ours["before"].as_array().unwrap();
            // Port Anlow showed that before anything was done: it can be brought back for ever.
            let is_first = ours["id"] == SITES[0] && ours["theme"] != "Harbour 2024";
            assert!(
                !is_first || before.contains(&json!("Harbour 2024")),
                "{ours}"
            );
        }
        let there: BTreeSet<String> = fs::read_dir(&files)
            .unwrap()
            .map(|entry| entry.unwrap().file_name().into_string().unwrap())
            .filter(|name| name.ends_with(".css"))
            .collect();
        assert!(seen.is_subset(&there), "{seen:?} were there, now {there:?}");
        *seen = there;
    }
}

fn server(database: &str, host: u16, folder: &Path) -> Served {
    let host = format!("http://127.0.0.1:{host}");
    let published = folder.join("published");
    let args = [
        "serve",
        "--listen",
        "127.0.0.1:0",
        "--database",
        database,
        "--published",
        published.to_str().unwrap(),
        "--sites",
        &host,
        "--sites-token",
        "harbour-pilot",
    ];
    Served::start(env!("CARGO_BIN_EXE_rhodon"), args)
}

fn host(port: u16, folder: &Path) -> Served {
    let listen = format!("127.0.0.1:{port}");
    let kept = folder.join("sites.json");
    let args = [
        "standin",
        "--listen",
        &listen,
        "--sites",
        kept.to_str().unwrap(),
    ];
    Served::start(env!("CARGO_BIN_EXE_rhodon"), args)
}

/// The answer of a request that was acknowledged.
async fn told(request: RequestBuilder) -> Option<Value> {
    let answer = request.send().await.ok()?;
    if !answer.status().is_success() {
        return None;
    }
    answer.json().await.ok()
}

#[tokio::test]
async fn whatever_is_killed_every_site_shows_a_file_that_is_there() {
    let kills: usize = std::env::var("RHODON_KILLS").map_or(6, |n| n.parse().unwrap());
    let mut world = World::new().await;
    for (theme, name) in [("tern", "Tern"), ("gull", "Gull")] {
        let spec = json!({ "spec": document(name, 0) });
        let made = told(world.ask(Method::POST, "/themes").json(&spec))
            .await
            .unwrap();
        assert_eq!(made["slug"], theme);
    }
    let (mut seen, mut done, mut turn) = (BTreeSet::new(), 0, 0);
    for round in 0..kills {
        let rest = Duration::from_millis(40 + (round as u64 * 97) % 500);
        let acting = async {
            loop {
                turn += 1;
                done += world.act(turn).await;
            }
        };
        let _ = tokio::time::timeout(rest, acting).await;
        match round % 3 {
            0 => world.server.process.kill().unwrap(),
            1 => world.host.process.kill().unwrap(),
            _ => kill_backend(&world.database).await,
        }
        // Somebody goes on meanwhile and is told no.
        turn += 1;
        done += world.act(turn).await;
        world.mend().await;
        world.check(&mut seen).await;
    }
    assert!(done >= kills, "{done} of {turn} turns were acknowledged");
    println!(
        "{done} requests were acknowledged between {kills} kills, {} files",
        seen.len()
    );
}
