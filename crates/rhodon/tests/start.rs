//! What the start command needs from a system: it finds PostgreSQL's programs wherever they are, and
//! says which versions of what are too old.
#![allow(clippy::unwrap_used)]

use std::fs;
use std::os::unix::fs::PermissionsExt;
use std::path::Path;
use std::process::Command;

/// A program that says which version it is.
fn stand_in(folder: &Path, name: &str, version: &str) {
    fs::create_dir_all(folder).unwrap();
    let path = folder.join(name);
    fs::write(&path, format!("#!/bin/sh\necho '{version}'\n")).unwrap();
    fs::set_permissions(&path, fs::Permissions::from_mode(0o755)).unwrap();
}

fn postgres(folder: &Path, version: &str) {
    for name in ["initdb", "pg_ctl"] {
        stand_in(folder, name, &format!("{name} (PostgreSQL) {version}"));
    }
}

/// Runs lines after the start command's library, with programs in front of the path.
fn run(programs: &Path, places: &str, lines: &str) -> (bool, String) {
    let library = concat!(env!("CARGO_MANIFEST_DIR"), "/../../bin/lib.sh");
    let path = format!("{}:{}", programs.display(), std::env::var("PATH").unwrap());
    let run = Command::new("bash")
        .args(["-euc", &format!(". '{library}'; PATH='{path}'; {lines}")])
        .env("PG_PLACES", places)
        .output()
        .unwrap();
    let text = [run.stdout, run.stderr].concat();
    (run.status.success(), String::from_utf8(text).unwrap())
}

#[test]
fn postgresql_is_found_in_its_places_and_else_on_the_path() {
    let root = tempfile::tempdir().unwrap();
    let (on_path, places) = (root.path().join("bin"), root.path().join("pg"));
    let pattern = format!("{}/*/bin", places.display());
    postgres(&on_path, "17.2");
    let (fine, found) = run(&on_path, &pattern, "need_postgres; echo \"$PGBIN\"");
    assert!(fine && found.trim() == on_path.to_str().unwrap(), "{found}");
    // The newest in a usual place is taken before what is on the path, and half an installation is none.
    postgres(&places.join("15/bin"), "15.9 (Debian)");
    stand_in(&places.join("18/bin"), "psql", "psql (PostgreSQL) 18.1");
    postgres(&places.join("9.6/bin"), "9.6.24");
    let (_, found) = run(&on_path, &pattern, "need_postgres; echo \"$PGBIN\"");
    assert_eq!(found.trim(), places.join("15/bin").to_str().unwrap());
}

#[test]
fn what_is_too_old_is_told_with_the_version_that_is_needed() {
    let root = tempfile::tempdir().unwrap();
    postgres(root.path(), "13.18");
    stand_in(root.path(), "cargo", "cargo 1.85.0 (d73d2caf9 2024-12-31)");
    let (fine, told) = run(root.path(), "/nowhere/*", "need_postgres");
    assert!(!fine && told.contains("PostgreSQL 13 in"), "{told}");
    assert!(told.contains("install 14 or newer"), "{told}");
    let (fine, told) = run(root.path(), "/nowhere/*", "need_tools");
    assert!(!fine, "{told}");
    assert!(
        told.contains("cargo 1.85.0 (d73d2caf9 2024-12-31) is too old: install Rust 1.95 or newer"),
        "{told}"
    );
    for (version, fine) in [
        ("cargo 1.95.0", true),
        ("cargo 1.100.1 (x)", true),
        ("cargo 2.0.0", true),
        ("", false),
    ] {
        let found = run(root.path(), "/nowhere/*", &format!("rust_is '{version}'"));
        assert_eq!(found.0, fine, "{version}");
    }
}
