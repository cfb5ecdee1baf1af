//! The real interface in a real browser: each file in `e2e/specs/` is a test of its own, against the
//! real binary with a database of its own. One alone: `cargo test -p rhodon --test browser stave`.
//! Needs what `bin/test` installs: Chromium, npm packages, a front end.

use std::path::{Path, PathBuf};
use std::process::Command;
use std::sync::{Arc, LazyLock, Mutex};

use libtest_mimic::{Arguments, Failed, Trial};
use rhodon_testing::{Served, fresh_database};

const ROOT: &str = concat!(env!("CARGO_MANIFEST_DIR"), "/../..");

/// The binary and the services that it asks, until they are dropped.
struct Server {
    own: Served,
    services: Served,
    /// The project's folder that it has.
    folder: PathBuf,
}

impl Server {
    fn start() -> Self {
        let binary = env!("CARGO_BIN_EXE_rhodon");
        let database = tokio::runtime::Runtime::new()
            .expect("a runtime")
            .block_on(fresh_database("browser"));
        let services = Served::start(binary, ["standin", "--listen", "127.0.0.1:0"]);
        let folder = std::env::temp_dir().join(format!("rhodon-harbour-{}", std::process::id()));
        std::fs::create_dir_all(&folder).expect("a folder for the project");
        // Beside the project's folder: what is published is none of its documents.
        let published = folder.with_extension("published");
        let args = [
            "serve",
            "--workspace",
            folder.to_str().expect("a path of text"),
            "--published",
            published.to_str().expect("a path of text"),
            "--demo",
            "--listen",
            "127.0.0.1:0",
            "--database",
            &database,
            "--community",
            &services.address,
            "--fonts",
            &services.address,
            "--sites",
            &services.address,
            "--sites-token",
            "harbour-pilot",
        ];
        Self {
            own: Served::start(binary, args),
            services,
            folder,
        }
    }
}

impl Drop for Server {
    fn drop(&mut self) {
        let _ = std::fs::remove_dir_all(&self.folder);
        let _ = std::fs::remove_dir_all(self.folder.with_extension("published"));
    }
}

/// One server for all specs, started by the first that runs.
static SERVER: LazyLock<Mutex<Option<Arc<Server>>>> = LazyLock::new(Mutex::default);

fn server() -> Arc<Server> {
    let mut held = SERVER
        .lock()
        .expect("no spec panics while it starts the server");
    held.get_or_insert_with(|| Arc::new(Server::start()))
        .clone()
}

fn run(spec: &Path) -> Result<(), Failed> {
    let server = server();
    let playwright = format!("{ROOT}/e2e/node_modules/.bin/playwright");
    let name = spec
        .file_name()
        .and_then(|n| n.to_str())
        .unwrap_or_default();
    let output = Command::new(&playwright)
        .args(["test", "--workers=1", &format!("/{name}$")])
        .arg(format!("--output=test-results/{name}"))
        .current_dir(format!("{ROOT}/e2e"))
        .env("RHODON_URL", &server.own.address)
        .env("RHODON_SERVICES", &server.services.address)
        .env("RHODON_FOLDER", &server.folder)
        .env("RHODON_BINARY", env!("CARGO_BIN_EXE_rhodon"))
        .output()
        .map_err(|e| format!("{playwright}: {e}: run bin/test, which installs it"))?;
    if output.status.success() {
        return Ok(());
    }
    Err(String::from_utf8_lossy(&output.stdout).into_owned().into())
}

fn specs() -> Vec<PathBuf> {
    let folder = format!("{ROOT}/e2e/specs");
    let entries = std::fs::read_dir(folder).expect("the folder of the specs");
    let mut found: Vec<PathBuf> = entries.flatten().map(|entry| entry.path()).collect();
    found.retain(|path| path.to_str().is_some_and(|p| p.ends_with(".spec.ts")));
    found.sort();
    found
}

fn main() {
    let mut arguments = Arguments::from_args();
    // Two browsers at once keep two cores busy.
    arguments.test_threads = arguments.test_threads.or(Some(2));
    let trials = specs().into_iter().map(|path| {
        let name = path
            .file_stem()
            .and_then(|s| s.to_str())
            .unwrap_or_default();
        let name = name.trim_end_matches(".spec").to_owned();
        Trial::test(name, move || run(&path))
    });
    let conclusion = libtest_mimic::run(&arguments, trials.collect());
    *SERVER.lock().expect("all specs ended") = None;
    conclusion.exit();
}
