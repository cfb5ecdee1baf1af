//! A short run of mixed use with kills on the way; the long one is `node e2e/soak.mjs`.
#![allow(clippy::unwrap_used)]

use std::process::Command;

use rhodon_testing::fresh_database;
use serde_json::Value;

#[tokio::test]
async fn nothing_acknowledged_is_lost_and_nothing_fails_but_by_the_kills() {
    let database = fresh_database("soak").await;
    let script = concat!(env!("CARGO_MANIFEST_DIR"), "/../../e2e/soak.mjs");
    let run = Command::new("node")
        .args([script, env!("CARGO_BIN_EXE_rhodon"), &database])
        .args(["--seconds", "12", "--clients", "6", "--kills", "2"])
        .output()
        .unwrap();
    assert!(
        run.status.success(),
        "{}",
        String::from_utf8_lossy(&run.stderr)
    );
    let report: Value = serde_json::from_slice(&run.stdout).unwrap();
    assert_eq!(report["failed"], 0, "{:#}", report["errors"]);
    assert_eq!(report["lost"], 0, "{report:#}");
    assert!(report["edits"].as_u64().unwrap() > 10, "{report:#}");
}
