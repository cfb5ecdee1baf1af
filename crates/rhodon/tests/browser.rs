//! The real interface in a real browser: the specs in `e2e/` against the real binary with a
//! database of its own. Needs what `bin/test` installs: Chromium, npm packages, a front end.

use std::io::{BufRead, BufReader};
use std::process::{Child, Command, Stdio};

use rhodon_testing::fresh_database;

const ROOT: &str = concat!(env!("CARGO_MANIFEST_DIR"), "/../..");

/// The binary, serving until it is dropped.
struct Server {
    process: Child,
    address: String,
}

impl Server {
    fn start(database: &str) -> Self {
        let mut process = Command::new(env!("CARGO_BIN_EXE_rhodon"))
            .args([
                "serve",
                "--demo",
                "--listen",
                "127.0.0.1:0",
                "--database",
                database,
            ])
            .stdout(Stdio::piped())
            .spawn()
            .expect("the binary runs");
        let out = process.stdout.take().expect("its output is piped");
        let line = BufReader::new(out)
            .lines()
            .next()
            .expect("a line")
            .expect("text");
        let address = line.strip_prefix("Rhodon is at ").expect(&line).to_owned();
        Self { process, address }
    }
}

impl Drop for Server {
    fn drop(&mut self) {
        let _ = self.process.kill();
        let _ = self.process.wait();
    }
}

#[tokio::test]
async fn the_browser_specs_pass() {
    let server = Server::start(&fresh_database("browser").await);
    let playwright = format!("{ROOT}/e2e/node_modules/.bin/playwright");
    let mut command = Command::new(&playwright);
    command
        .arg("test")
        .current_dir(format!("{ROOT}/e2e"))
        .env("RHODON_URL", &server.address);
    // One spec while working on it: RHODON_SPEC=stave cargo test -p rhodon --test browser
    if let Ok(spec) = std::env::var("RHODON_SPEC") {
        command.arg(spec);
    }
    let status = command
        .status()
        .unwrap_or_else(|e| panic!("{playwright}: {e}: run bin/test, which installs it"));
    assert!(status.success(), "the list above tells which spec failed");
}

#[tokio::test]
async fn a_server_that_cannot_start_says_what_to_do() {
    let run = |args: &[&str]| {
        let output = Command::new(env!("CARGO_BIN_EXE_rhodon"))
            .args(["serve"])
            .args(args)
            .output()
            .expect("it runs");
        (
            output.status.code(),
            String::from_utf8(output.stderr).expect("text"),
        )
    };
    let (code, message) = run(&[
        "--listen",
        "127.0.0.1:0",
        "--database",
        "postgres://x:y@127.0.0.1:1/none",
    ]);
    assert_eq!(code, Some(2));
    assert!(
        message.starts_with("cannot use the database: ") && message.contains("DATABASE_URL"),
        "{message}"
    );
    let server = Server::start(&fresh_database("taken").await);
    let taken = server.address.strip_prefix("http://").expect("an address");
    let (code, message) = run(&[
        "--listen",
        taken,
        "--database",
        "postgres://x:y@127.0.0.1:1/none",
    ]);
    assert_eq!(code, Some(2));
    assert!(
        message.contains("cannot listen on") && message.contains("RHODON_PORT"),
        "{message}"
    );
}
