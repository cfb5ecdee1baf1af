//! Themes and revisions against a real PostgreSQL; each test has a database of its own.
#![allow(clippy::unwrap_used)]

mod support;

use rhodon_store::{Children, Store, StoreError};
use rhodon_testing::fresh_database;
use rhodon_theme::{Document, InheritError};
use support::{at_most, save, spec, store};

#[tokio::test]
async fn servers_that_migrate_at_once_do_not_collide() {
    let url = fresh_database("migrate").await;
    let all = (0..4).map(|_| {
        let url = url.clone();
        tokio::spawn(async move { Store::connect(&url).await.unwrap().migrate().await })
    });
    for task in all.collect::<Vec<_>>() {
        task.await.unwrap().unwrap();
    }
    Store::connect(&url).await.unwrap().migrate().await.unwrap();
}

#[tokio::test]
async fn a_document_comes_back_as_it_was_saved() {
    let store = store("store").await;
    let wanted = Document::parse(include_str!(
        "../../../demo/brindle-sound-ferries.rhodon.json"
    ))
    .unwrap();
    store.create(&wanted, "created").await.unwrap();
    let saved = store.get("brindle-sound-ferries").await.unwrap();
    let (theme, revision) = (saved.theme, saved.revision);
    assert_eq!(
        (theme.revision, revision.number, revision.label.as_str()),
        (1, 1, "created")
    );
    assert_eq!(Document::read(&revision.spec).unwrap(), wanted);
}

#[tokio::test]
async fn undo_and_redo_walk_the_revisions_and_lose_none() {
    let store = store("store").await;
    let versions = ["#0f5c7a", "#0f5c7b", "#0f5c7c"].map(|c| spec("Tern", c));
    store.create(&versions[0], "created").await.unwrap();
    store
        .save("tern", save(&versions[1], "second", 1))
        .await
        .unwrap();
    store
        .save("tern", save(&versions[2], "third", 2))
        .await
        .unwrap();
    let now = store.get("tern").await.unwrap();
    assert_eq!((now.can_undo, now.can_redo), (true, false));

    assert_eq!(
        store.undo("tern", 3).await.unwrap().revision.label,
        "second"
    );
    assert_eq!(
        store.undo("tern", 2).await.unwrap().revision.label,
        "created"
    );
    assert!(matches!(
        store.undo("tern", 1).await,
        Err(StoreError::NothingTo("undo"))
    ));
    assert_eq!(
        store.redo("tern", 1).await.unwrap().revision.label,
        "second"
    );

    // A change after undo starts a branch; what was undone stays in the list.
    store
        .save("tern", save(&versions[0], "other", 2))
        .await
        .unwrap();
    assert!(matches!(
        store.redo("tern", 4).await,
        Err(StoreError::NothingTo("redo"))
    ));
    let labels: Vec<String> = store
        .revisions("tern", &at_most(10))
        .await
        .unwrap()
        .into_iter()
        .map(|r| r.label)
        .collect();
    assert_eq!(labels, ["other", "third", "second", "created"]);
    assert_eq!(
        store.undo("tern", 4).await.unwrap().revision.label,
        "second"
    );
    assert_eq!(store.redo("tern", 2).await.unwrap().revision.label, "other");
}

#[tokio::test]
async fn a_stale_write_is_refused_with_both_revisions() {
    let store = store("store").await;
    store
        .create(&spec("Tern", "#0f5c7a"), "created")
        .await
        .unwrap();
    store
        .save("tern", save(&spec("Tern", "#112233"), "theirs", 1))
        .await
        .unwrap();
    let mine = spec("Tern", "#445566");
    match store.save("tern", save(&mine, "mine", 1)).await {
        Err(StoreError::Stale {
            current,
            base: 1,
            based_on: Some(base),
        }) => {
            assert_eq!(
                (current.label.as_str(), base.label.as_str()),
                ("theirs", "created")
            );
        }
        other => panic!("{other:?}"),
    }
    assert_eq!(store.get("tern").await.unwrap().revision.label, "theirs");
}

#[tokio::test]
async fn of_two_writes_at_once_exactly_one_wins() {
    let store = store("store").await;
    store
        .create(&spec("Tern", "#0f5c7a"), "created")
        .await
        .unwrap();
    let tasks: Vec<_> = (0..8)
        .map(|i| {
            let store = store.clone();
            tokio::spawn(async move {
                let mine = spec("Tern", &format!("#0000{:02x}", 0x10 + i));
                store.save("tern", save(&mine, "mine", 1)).await.is_ok()
            })
        })
        .collect();
    let mut won = 0;
    for task in tasks {
        won += usize::from(task.await.unwrap());
    }
    assert_eq!(
        (
            won,
            store.revisions("tern", &at_most(10)).await.unwrap().len()
        ),
        (1, 2)
    );
}

#[tokio::test]
async fn slugs_follow_names_and_stay_unique() {
    let store = store("store").await;
    let first = store
        .create(&spec("Night Crossing", "#000080"), "created")
        .await
        .unwrap()
        .theme;
    let second = store
        .create(&spec("Night crossing!", "#000080"), "created")
        .await
        .unwrap()
        .theme;
    assert_eq!(
        (first.slug.as_str(), second.slug.as_str()),
        ("night-crossing", "night-crossing-2")
    );

    let child = Document {
        extends: Some("night-crossing".parse().unwrap()),
        ..spec("Child", "#123456")
    };
    store.create(&child, "created").await.unwrap();
    let renamed = store
        .save(
            "night-crossing",
            save(&spec("Day Crossing", "#000080"), "renamed", 1),
        )
        .await
        .unwrap()
        .theme;
    assert_eq!(
        (renamed.slug.as_str(), renamed.id),
        ("day-crossing", first.id)
    );
    let followed = store.get("child").await.unwrap();
    assert_eq!(followed.theme.parent.as_deref(), Some("day-crossing"));
    assert_eq!(followed.revision.spec["extends"], "day-crossing");
}

#[tokio::test]
async fn a_deleted_theme_can_be_brought_back() {
    let store = store("store").await;
    let made = store
        .create(&spec("Tern", "#0f5c7a"), "created")
        .await
        .unwrap()
        .theme;
    store.delete("tern", Children::Refuse).await.unwrap();
    assert!(matches!(
        store.get("tern").await,
        Err(StoreError::NoTheme(_))
    ));
    assert!(store.list().await.unwrap().is_empty());
    // Its slug is free meanwhile; coming back it takes the next one.
    store
        .create(&spec("Tern", "#0f5c7a"), "created")
        .await
        .unwrap();
    assert_eq!(store.restore(made.id).await.unwrap().theme.slug, "tern-2");
    assert_eq!(store.list().await.unwrap().len(), 2);
}

#[tokio::test]
async fn a_parent_is_not_deleted_under_its_children() {
    let store = store("store").await;
    store
        .create(&spec("Parent", "#0f5c7a"), "created")
        .await
        .unwrap();
    let child = Document {
        extends: Some("parent".parse().unwrap()),
        ..spec("Child", "#123456")
    };
    store.create(&child, "created").await.unwrap();
    match store.delete("parent", Children::Refuse).await {
        Err(StoreError::HasChildren { children, .. }) => assert_eq!(children, ["Child"]),
        other => panic!("{other:?}"),
    }
    store.delete("child", Children::Refuse).await.unwrap();
    store.delete("parent", Children::Refuse).await.unwrap();
}

#[tokio::test]
async fn undoing_a_new_name_takes_back_the_slug_and_the_children() {
    let store = store("store").await;
    store
        .create(&spec("Tern", "#0f5c7a"), "created")
        .await
        .unwrap();
    let child = Document {
        extends: Some("tern".parse().unwrap()),
        ..spec("Chick", "#123456")
    };
    store.create(&child, "created").await.unwrap();
    store
        .save("tern", save(&spec("Gull", "#0f5c7a"), "renamed", 1))
        .await
        .unwrap();
    assert_eq!(
        store.get("chick").await.unwrap().theme.parent.as_deref(),
        Some("gull")
    );

    let saved = store.undo("gull", 2).await.unwrap();
    let (undone, _) = (saved.theme, saved.revision);
    assert_eq!(
        (undone.slug.as_str(), undone.name.as_str()),
        ("tern", "Tern")
    );
    let saved = store.get("chick").await.unwrap();
    let (chick, revision) = (saved.theme, saved.revision);
    assert_eq!(
        (chick.parent.as_deref(), &revision.spec["extends"]),
        (Some("tern"), &"tern".into())
    );

    // Somebody took the new slug meanwhile.
    store
        .create(&spec("Gull", "#445566"), "created")
        .await
        .unwrap();
    let saved = store.redo("tern", 1).await.unwrap();
    let (redone, _) = (saved.theme, saved.revision);
    assert_eq!(
        (redone.slug.as_str(), redone.name.as_str()),
        ("gull-2", "Gull")
    );
    assert_eq!(
        store.get("chick").await.unwrap().theme.parent.as_deref(),
        Some("gull-2")
    );
}

#[tokio::test]
async fn a_name_that_gives_the_same_slug_keeps_it() {
    let store = store("store").await;
    store
        .create(&spec("Tern", "#0f5c7a"), "created")
        .await
        .unwrap();
    let second = store
        .create(&spec("Tern", "#0f5c7a"), "created")
        .await
        .unwrap()
        .theme;
    assert_eq!(second.slug, "tern-2");
    for (base, name) in [(1, "Tern!"), (2, "  Tern  "), (3, "Térn")] {
        let renamed = store
            .save("tern-2", save(&spec(name, "#0f5c7a"), "renamed", base))
            .await
            .unwrap()
            .theme;
        assert_eq!(
            (renamed.slug.as_str(), renamed.name.as_str()),
            ("tern-2", name)
        );
    }
    let nameless = store
        .save("tern-2", save(&spec("…", "#0f5c7a"), "renamed", 4))
        .await
        .unwrap()
        .theme;
    assert_eq!(nameless.slug, "theme");
}

#[tokio::test]
async fn themes_are_listed_by_their_last_change() {
    let store = store("store").await;
    for name in ["One", "Two", "Three"] {
        store
            .create(&spec(name, "#0f5c7a"), "created")
            .await
            .unwrap();
    }
    store
        .save("one", save(&spec("One", "#112233"), "darker", 1))
        .await
        .unwrap();
    let slugs = || async {
        store
            .list()
            .await
            .unwrap()
            .into_iter()
            .map(|t| t.0.slug)
            .collect::<Vec<_>>()
    };
    assert_eq!(slugs().await, ["one", "three", "two"]);
    store.undo("one", 2).await.unwrap();
    store
        .save("two", save(&spec("Two", "#112233"), "darker", 1))
        .await
        .unwrap();
    assert_eq!(slugs().await, ["two", "one", "three"]);
}

#[tokio::test]
async fn what_is_not_there_is_told_by_name() {
    let store = store("store").await;
    store
        .create(&spec("Tern", "#0f5c7a"), "created")
        .await
        .unwrap();
    for error in [
        store.get("gull").await.unwrap_err(),
        store.undo("gull", 1).await.unwrap_err(),
        store.delete("gull", Children::Refuse).await.unwrap_err(),
        store.revisions("gull", &at_most(5)).await.unwrap_err(),
        store.revisions("gull", &at_most(1)).await.unwrap_err(),
    ] {
        assert!(
            matches!(&error, StoreError::NoTheme(slug) if slug == "gull"),
            "{error:?}"
        );
        assert!(error.to_string().contains("gull"), "{error}");
    }
    let missing = store.revision("tern", 7).await.unwrap_err();
    assert!(
        matches!(missing, StoreError::NoRevision { number: 7, .. }),
        "{missing:?}"
    );
    assert!(store.restore(uuid::Uuid::nil()).await.is_err());
    assert!(matches!(
        store.redo("tern", 1).await,
        Err(StoreError::NothingTo("redo"))
    ));
    // A base that never was is stale too, with nothing to show for it.
    let odd = spec("Tern", "#445566");
    match store.save("tern", save(&odd, "odd", 99)).await {
        Err(StoreError::Stale {
            base: 99,
            based_on: None,
            ..
        }) => {}
        other => panic!("{other:?}"),
    }
}

#[tokio::test]
async fn many_revisions_are_kept_and_the_newest_listed() {
    let store = store("store").await;
    store
        .create(&spec("Tern", "#000000"), "created")
        .await
        .unwrap();
    for i in 1..40 {
        let next = spec("Tern", &format!("#0000{i:02x}"));
        store
            .save("tern", save(&next, &format!("change {i}"), i))
            .await
            .unwrap();
    }
    let newest = store.revisions("tern", &at_most(10)).await.unwrap();
    assert_eq!(newest.len(), 10);
    assert_eq!((newest[0].number, newest[9].number), (40, 31));
    for back in (2..=40).rev() {
        store.undo("tern", back).await.unwrap();
    }
    assert_eq!(store.get("tern").await.unwrap().revision.label, "created");
    assert_eq!(
        store.revisions("tern", &at_most(100)).await.unwrap().len(),
        40,
        "undoing loses nothing"
    );
}

#[tokio::test]
async fn undo_and_redo_do_not_close_a_circle() {
    let store = store("store").await;
    let extending = |name: &str, parent: &str| Document {
        extends: Some(parent.parse().unwrap()),
        ..spec(name, "#0f5c7a")
    };
    store
        .create(&spec("Tern", "#0f5c7a"), "created")
        .await
        .unwrap();
    store
        .create(&spec("Gull", "#0f5c7a"), "created")
        .await
        .unwrap();
    store
        .save("tern", save(&extending("Tern", "gull"), "under gull", 1))
        .await
        .unwrap();
    store.undo("tern", 2).await.unwrap();
    store
        .save("gull", save(&extending("Gull", "tern"), "under tern", 1))
        .await
        .unwrap();
    match store.redo("tern", 1).await {
        Err(StoreError::Inherit(InheritError::Circle(line))) => {
            assert_eq!(line, ["tern", "gull", "tern"].map(|s| s.parse().unwrap()));
        }
        other => panic!("{other:?}"),
    }
    assert_eq!(store.get("tern").await.unwrap().theme.parent, None);
}
