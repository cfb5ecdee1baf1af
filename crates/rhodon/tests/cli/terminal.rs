//! What people at a terminal get beyond results: colours, completions, a manual, examples, sentences
//! instead of lists.

use super::rhodon;

#[test]
fn patches_of_colour_stand_beside_codes_only_where_they_are_asked_for_or_seen() {
    let plain = rhodon(&["scale", "#0f5c7a"], "").out;
    assert!(plain.contains("#0f5c7a") && !plain.contains('\u{1b}'));
    let shown = rhodon(&["scale", "#0f5c7a", "--color", "always"], "").out;
    assert!(
        shown.contains("\u{1b}[48;2;15;92;122m  \u{1b}[0m #0f5c7a"),
        "{shown}"
    );
    // What is read by programs stays what it is.
    for args in [
        &["new", "--brands", "#0f5c7a"][..],
        &["scale", "--json", "#0f5c7a"],
        &[
            "export",
            "brindle-sound-ferries.rhodon.json",
            "--target",
            "css",
        ],
    ] {
        let coloured = rhodon(&[args, &["--color", "always"]].concat(), "").out;
        assert_eq!(coloured, rhodon(args, "").out, "{args:?}");
    }
}

#[test]
fn shells_get_completions_and_people_a_manual() {
    for shell in ["bash", "zsh", "fish"] {
        let script = rhodon(&["completions", shell], "").out;
        assert!(
            script.contains("inventory") && script.contains("companions"),
            "{shell}"
        );
    }
    let manual = rhodon(&["man"], "").out;
    for part in [
        ".TH rhodon",
        ".SH \"RHODON EXPORT\"",
        "Examples:",
        "theme.rhodon.json",
    ] {
        assert!(manual.contains(part), "{part}");
    }
    assert!(
        rhodon(&["check", "--help"], "")
            .out
            .contains("Examples:\n  rhodon check theme.rhodon.json")
    );
}

/// A reason that holds for many tokens is told once, with some of them by name.
#[test]
fn what_a_target_leaves_out_is_told_by_reason() {
    let folder = tempfile::tempdir().unwrap();
    let out = folder.path().to_str().unwrap();
    let run = rhodon(
        &[
            "export",
            "brindle-sound-ferries.rhodon.json",
            "--target",
            "android",
            "--out",
            out,
        ],
        "",
    );
    let told: Vec<&str> = run
        .err
        .lines()
        .filter(|l| l.contains("more contrast"))
        .collect();
    assert_eq!(told.len(), 1, "{}", run.err);
    assert!(
        told[0].starts_with("android: text.muted, ")
            && told[0].contains(" more: its value for more contrast")
    );
}
