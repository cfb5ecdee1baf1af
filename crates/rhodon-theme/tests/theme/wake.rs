//! The wake of a change: what moved, and what became unreadable.

use rhodon_color::{Rgb8, difference};
use rhodon_theme::{Change, Diff, Mode, diff};
use serde_json::{Value, json};

use crate::support::derived;

fn wake(before: Value, after: Value) -> Diff {
    diff(&derived(before), &derived(after))
}

fn change(path: &str, mode: Option<Mode>, before: Option<&str>, after: Option<&str>) -> Change {
    Change {
        path: path.into(),
        mode,
        before: before.map(str::to_owned),
        after: after.map(str::to_owned),
        difference: code(before).zip(code(after)).map(|(a, b)| difference(a, b)),
    }
}

fn code(written: Option<&str>) -> Option<Rgb8> {
    written?.parse().ok()
}

#[test]
fn the_same_document_moves_nothing() {
    assert_eq!(wake(json!({}), json!({})), Diff::default());
    assert_eq!(
        wake(json!({}), json!({ "name": "Another name" })),
        Diff::default()
    );
    assert_eq!(
        wake(json!({}), json!({ "handoff": { "css": {} } })),
        Diff::default()
    );
}

#[test]
fn one_value_is_one_change() {
    let found = wake(json!({}), json!({ "shape": { "border": 3 } }));
    assert_eq!(
        found.changes,
        [change("shape.border.width", None, Some("1px"), Some("3px"))]
    );
    assert!(found.unreadable.is_empty());
}

#[test]
fn a_role_changes_in_the_mode_in_which_it_was_set() {
    let set = |code: &str| json!({ "roles": { "shadow.far": { "dark": code } } });
    let found = wake(set("#111111"), set("#222222"));
    assert_eq!(
        found.changes,
        [change(
            "shadow.far",
            Some(Mode::Dark),
            Some("#111111"),
            Some("#222222")
        )]
    );
}

#[test]
fn what_follows_a_role_changes_with_it() {
    let found = wake(
        json!({}),
        json!({ "roles": { "primary.edge": { "light": "#664400" } } }),
    );
    let mut paths: Vec<_> = found.changes.iter().map(|c| &*c.path).collect();
    paths.retain(|p| !p.starts_with("chart."));
    assert_eq!(paths, ["primary.edge", "focus.ring", "selected.edge"]);
    assert!(found.changes.iter().all(|c| c.mode == Some(Mode::Light)));
}

#[test]
fn what_is_new_has_no_before_and_what_is_gone_no_after() {
    let own = json!({ "tokens": { "ferry.wake": { "value": "#abcdef" } } });
    let added = wake(json!({}), own.clone());
    assert_eq!(
        added.changes,
        [change("ferry.wake", None, None, Some("#abcdef"))]
    );
    let removed = wake(own, json!({}));
    assert_eq!(
        removed.changes,
        [change("ferry.wake", None, Some("#abcdef"), None)]
    );
}

#[test]
fn a_token_that_begins_to_differ_by_mode_is_compared_mode_by_mode() {
    let found = wake(
        json!({ "tokens": { "ferry.wake": { "value": "#abcdef" } } }),
        json!({ "tokens": { "ferry.wake": { "light": "#abcdef", "dark": "#123456" } } }),
    );
    assert_eq!(
        found.changes,
        [change(
            "ferry.wake",
            Some(Mode::Dark),
            Some("#abcdef"),
            Some("#123456")
        )]
    );
}

#[test]
fn only_pairs_that_were_readable_before_are_told() {
    let bad = |extra: Value| {
        let mut roles = json!({ "text.muted": { "light": "#dddddd" } });
        for (key, value) in extra.as_object().unwrap() {
            roles[key] = value.clone();
        }
        json!({ "roles": roles })
    };
    let first = wake(json!({}), bad(json!({})));
    assert_eq!(first.unreadable.len(), 4, "one for each surface");
    assert!(
        first
            .unreadable
            .iter()
            .all(|p| &*p.fg == "text.muted" && p.mode == Mode::Light)
    );
    let second = wake(
        bad(json!({})),
        bad(json!({ "border.strong": { "dark": "#222222" } })),
    );
    assert!(!second.unreadable.is_empty());
    assert!(
        second
            .unreadable
            .iter()
            .all(|p| &*p.fg == "border.strong" && p.mode == Mode::Dark)
    );
    let mended = wake(bad(json!({})), json!({}));
    assert!(mended.unreadable.is_empty());
    assert_eq!(mended.changes.len(), 1);
}

#[test]
fn a_brand_colour_moves_its_scale_and_all_that_is_painted_with_it() {
    let brand =
        |code: &str| json!({ "brand": [{ "name": "Petrol", "slug": "petrol", "color": code }] });
    let found = wake(brand("#0f5c7a"), brand("#0f5c7b"));
    let moved = |path: &str| found.changes.iter().any(|c| &*c.path == path);
    assert!(moved("petrol.600") && moved("primary.fill") && moved("bar.fill"));
    assert!(!moved("type.size.body") && !moved("shape.radius.medium"));
    let order: Vec<usize> = found
        .changes
        .iter()
        .filter_map(|c| {
            derived(brand("#0f5c7b"))
                .tokens
                .iter()
                .position(|t| t.path == c.path)
        })
        .collect();
    assert!(
        order.windows(2).all(|w| w[0] <= w[1]),
        "in the order of the later theme"
    );
}

#[test]
fn what_moves_at_more_contrast_alone_is_told_apart_and_so_is_what_fails_there() {
    let more = |code: &str| json!({ "contrast": { "roles": { "text.muted": { "light": code } } } });
    let found = wake(more("#333333"), more("#444444"));
    assert!(found.changes.is_empty());
    assert_eq!(
        found.more,
        [change(
            "text.muted",
            Some(Mode::Light),
            Some("#333333"),
            Some("#444444")
        )]
    );
    assert_eq!((found.moved(), found.lost()), (1, 0));
    // What was set for the level is never let go: it fails there, and there alone.
    let faint = wake(more("#333333"), more("#8a8a8a"));
    assert!(faint.unreadable.is_empty());
    assert!(
        faint
            .unreadable_at_more
            .iter()
            .all(|p| &*p.fg == "text.muted" && p.mode == Mode::Light)
    );
    assert_eq!(faint.lost(), 4, "one for each surface");
    // What moves usually too is told once.
    let usual = |code: &str| json!({ "roles": { "text.muted": { "dark": code } } });
    let both = wake(usual("#eeeeee"), usual("#dddddd"));
    assert_eq!((both.changes.len(), both.more.len()), (1, 0));
}
