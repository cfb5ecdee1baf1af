//! Publishing: to a folder and to a store of objects, the same promises.
#![allow(clippy::unwrap_used)]

use std::path::PathBuf;

use rhodon_publish::{Shelf, ShelfError};

fn folder() -> PathBuf {
    std::env::temp_dir().join(format!("rhodon-shelf-{}", uuid::Uuid::now_v7()))
}

async fn keeps_its_promises(shelf: &Shelf) {
    assert_eq!(shelf.index("brindle").await.unwrap().current, None);
    let first = shelf.publish("brindle", "a {}", Some(4)).await.unwrap();
    assert!(first.new && first.file.starts_with("brindle-") && first.file.ends_with(".css"));
    // The same content is the same file.
    let again = shelf.publish("brindle", "a {}", Some(5)).await.unwrap();
    assert_eq!((again.new, &again.file), (false, &first.file));
    let second = shelf.publish("brindle", "b {}", Some(6)).await.unwrap();
    assert_ne!(second.file, first.file);
    let index = shelf.index("brindle").await.unwrap();
    assert_eq!(index.current.as_ref(), Some(&second.file));
    let revisions: Vec<_> = index.files.iter().map(|entry| entry.revision).collect();
    assert_eq!(revisions, [Some(4), Some(6)]);
    // What was current before is there as it was, also once the theme is withdrawn.
    assert_eq!(shelf.withdraw("brindle").await.unwrap().current, None);
    assert_eq!(&shelf.read(&first.file).await.unwrap()[..], b"a {}");
    let back = shelf.publish("brindle", "a {}", Some(4)).await.unwrap();
    assert_eq!(
        shelf.index("brindle").await.unwrap().current,
        Some(back.file)
    );
    for name in [
        "nothing.css",
        "../secret",
        "/etc/passwd",
        "",
        ".hidden",
        "a/b.css",
    ] {
        let refused = shelf.read(name).await.unwrap_err();
        assert!(
            matches!(refused, ShelfError::Missing(_)),
            "{name}: {refused}"
        );
    }
}

#[tokio::test]
async fn a_folder_keeps_its_promises() {
    let path = folder();
    keeps_its_promises(&Shelf::at(path.to_str().unwrap()).unwrap()).await;
    // Nothing half written lies about.
    let left = std::fs::read_dir(&path).unwrap().flatten();
    let odd = left.filter(|f| !f.file_name().to_string_lossy().starts_with("brindle"));
    assert_eq!(odd.count(), 0);
    std::fs::remove_dir_all(path).unwrap();
}

#[tokio::test]
async fn a_store_of_objects_keeps_its_promises() {
    keeps_its_promises(&Shelf::in_memory()).await;
}

#[tokio::test]
async fn what_is_no_place_or_damaged_is_told_and_nothing_changes() {
    for place in ["ftp://x/y", "https://example.test/x"] {
        let refused = Shelf::at(place).unwrap_err().to_string();
        assert!(
            refused.contains("expected a folder, or an address"),
            "{refused}"
        );
    }
    let path = folder();
    std::fs::write(&path, "a file").unwrap();
    assert!(Shelf::at(path.to_str().unwrap()).is_err());
    std::fs::remove_file(&path).unwrap();
    let shelf = Shelf::at(path.to_str().unwrap()).unwrap();
    let first = shelf.publish("brindle", "a {}", None).await.unwrap();
    std::fs::write(path.join("brindle.json"), "{ half").unwrap();
    let refused = shelf.publish("brindle", "b {}", None).await.unwrap_err();
    assert!(
        refused.to_string().contains("brindle.json is damaged"),
        "{refused}"
    );
    assert_eq!(&shelf.read(&first.file).await.unwrap()[..], b"a {}");
    std::fs::remove_dir_all(path).unwrap();
}
