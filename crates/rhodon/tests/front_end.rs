//! The front end's own tests, and its types: generated from the published description, never stale.

use std::process::Command;

const ROOT: &str = concat!(env!("CARGO_MANIFEST_DIR"), "/../..");

/// Runs a program of the front end; its output is told where it fails.
fn run(folder: &str, program: &str, arguments: &[&str]) -> String {
    let path = format!("{ROOT}/{folder}/node_modules/.bin/{program}");
    let output = Command::new(&path)
        .args(arguments)
        .current_dir(format!("{ROOT}/{folder}"))
        .output()
        .unwrap_or_else(|e| panic!("{path}: {e}: run bin/test, which installs it"));
    let told = String::from_utf8_lossy(&output.stdout).into_owned();
    assert!(
        output.status.success(),
        "{told}{}",
        String::from_utf8_lossy(&output.stderr)
    );
    told
}

#[test]
fn what_needs_no_page_passes_its_own_tests() {
    let told = run("web", "vitest", &["run"]);
    assert!(told.contains("passed"), "{told}");
}

#[test]
fn the_types_are_those_of_the_published_description() {
    let fresh = tempfile::tempdir().expect("a folder");
    let fresh = fresh.path().join("schema.ts");
    let path = fresh.to_str().expect("a path");
    run(
        "web/codegen",
        "openapi-typescript",
        &["../../docs/openapi.json", "-o", path],
    );
    let fresh = std::fs::read_to_string(&fresh).expect("the generated file");
    let kept = std::fs::read_to_string(format!("{ROOT}/web/src/api/schema.ts")).expect("the file");
    assert!(fresh == kept, "run `npm run generate` in web/codegen");
}
