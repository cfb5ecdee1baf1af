//! Pictures that colours were taken from stay as long as a theme names them.
#![allow(clippy::unwrap_used)]

mod support;

use rhodon_store::{PictureRecord, StoreError};
use rhodon_theme::Document;
use serde_json::json;
use support::{save, store};

fn picture(id: &str) -> PictureRecord {
    PictureRecord {
        id: id.to_owned(),
        width: 40,
        height: 30,
        written: Vec::new(),
        webp: vec![1, 2, 3],
    }
}

#[tokio::test]
async fn pictures_that_no_revision_names_are_cleared_after_a_while() {
    let store = store("pictures").await;
    let (named, tried) = ("a".repeat(64), "b".repeat(64));
    for id in [&named, &tried] {
        store.keep_picture(picture(id)).await.unwrap();
    }
    let from =
        json!({ "kind": "picture", "name": "quay.png", "picture": named, "x": 0.5, "y": 0.5 });
    let brand = json!([
        { "name": "Petrol", "slug": "petrol", "color": "#0f5c7a", "from": from },
        { "name": "Buoy", "slug": "buoy", "color": "#e4572e" },
    ]);
    let spec = Document::read(&json!({ "format": 1, "name": "Tern", "brand": brand })).unwrap();
    let made = store.create(&spec, "created").await.unwrap();
    // It stands in an earlier revision alone, which may be brought back.
    let without = Document::read(&json!({
        "format": 1, "name": "Tern", "brand": [{ "name": "Buoy", "slug": "buoy", "color": "#e4572e" }]
    }));
    let without = without.unwrap();
    let save = save(&without, "Petrol removed", 1);
    store.save(&made.theme.slug, save).await.unwrap();
    assert_eq!(store.clear_pictures(30).await.unwrap(), 0);
    assert_eq!(store.clear_pictures(0).await.unwrap(), 1);
    assert_eq!(store.picture(&named).await.unwrap(), picture(&named));
    let gone = store.picture(&tried).await.unwrap_err();
    assert!(matches!(gone, StoreError::NoPicture(_)), "{gone}");
}
