//! What the tests of the store begin with.
#![allow(clippy::unwrap_used, dead_code)]

use rhodon_color::Color;
use rhodon_store::{Revisions, Save, Store};
use rhodon_testing::fresh_database;
use rhodon_theme::Document;

/// A store in a database of its own.
pub async fn store(name: &str) -> Store {
    let store = Store::connect(&fresh_database(name).await).await.unwrap();
    store.migrate().await.unwrap();
    store
}

pub fn spec(name: &str, code: &str) -> Document {
    Document::from_brand(name, &[Color::parse(code).unwrap()])
}

pub fn save<'a>(spec: &'a Document, label: &'a str, base: i32) -> Save<'a> {
    Save {
        spec,
        label,
        base,
        topic: None,
    }
}

pub fn at_most(limit: u64) -> Revisions<'static> {
    Revisions {
        limit,
        before: None,
        words: "",
    }
}
