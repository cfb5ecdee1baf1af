//! Revisions have names, are searched, and are reached however many there are.
#![allow(clippy::unwrap_used)]

mod support;

use rhodon_store::{Revisions, Save, Store, StoreError};
use rhodon_theme::Document;
use support::{at_most, save, spec, store};

async fn store_with_tern() -> (Store, Document) {
    let store = store("revisions").await;
    let spec = spec("Tern", "#0f5c7a");
    store.create(&spec, "created").await.unwrap();
    (store, spec)
}

#[tokio::test]
async fn revisions_have_names_are_searched_and_reached_page_by_page() {
    let (store, spec) = store_with_tern().await;
    for (base, label) in [
        (1, "Moss: strength 90 %"),
        (2, "Buoy 100_% added"),
        (3, "restored"),
    ] {
        store.save("tern", save(&spec, label, base)).await.unwrap();
    }
    store
        .name_revision("tern", 2, Some("Sent to the Printer"))
        .await
        .unwrap();
    let found = async |words| {
        let wanted = Revisions {
            words,
            ..at_most(9)
        };
        let found = store.revisions("tern", &wanted).await.unwrap();
        found.into_iter().map(|r| r.number).collect::<Vec<_>>()
    };
    assert_eq!(found("printer SENT").await, [2]);
    assert_eq!(found("%").await, [3, 2], "a sign is itself, and no pattern");
    assert_eq!(found("_").await, [3]);
    assert_eq!(found("4").await, [4]);
    assert_eq!(found("gull").await, [0; 0]);
    let next = Revisions {
        before: Some(3),
        ..at_most(1)
    };
    let page = store.revisions("tern", &next).await.unwrap();
    assert_eq!(
        (page.len(), page[0].number, page[0].name.as_deref()),
        (1, 2, Some("Sent to the Printer"))
    );
    let gone = store.name_revision("tern", 2, None).await.unwrap();
    assert_eq!(gone.name, None);
    assert!(matches!(
        store.name_revision("tern", 99, Some("x")).await,
        Err(StoreError::NoRevision { number: 99, .. })
    ));
}

#[tokio::test]
async fn a_named_revision_is_not_replaced_by_the_next_of_its_topic() {
    let (store, spec) = store_with_tern().await;
    let option = |base| Save {
        topic: Some("handoff"),
        ..save(&spec, "an option", base)
    };
    store.save("tern", option(1)).await.unwrap();
    store.name_revision("tern", 2, Some("kept")).await.unwrap();
    store.save("tern", option(2)).await.unwrap();
    store.save("tern", option(3)).await.unwrap();
    let listed = store.revisions("tern", &at_most(9)).await.unwrap();
    let numbers: Vec<i32> = listed.iter().map(|r| r.number).collect();
    assert_eq!(numbers, [4, 2, 1], "3 was replaced, 2 has a name");
    assert_eq!(listed[0].came_from, Some(2));
}
