//! The sample scenario, for a database that holds no theme yet.

use rhodon_store::{Store, StoreError};
use rhodon_theme::{Document, Problems};

/// The parent first, so that it is there when its children come.
const THEMES: [&str; 3] = [
    include_str!("../../../demo/brindle-sound-ferries.rhodon.json"),
    include_str!("../../../demo/night-crossing.rhodon.json"),
    include_str!("../../../demo/brindle-freight.rhodon.json"),
];

/// Why the demo could not be loaded.
#[derive(Debug, thiserror::Error)]
pub enum DemoError {
    /// A demo document is wrong.
    #[error("demo: {0}")]
    Document(#[from] Problems),
    /// It could not be saved.
    #[error(transparent)]
    Store(#[from] StoreError),
}

/// Loads the demo themes if the store is empty.
///
/// # Errors
/// The store failed.
pub async fn load(store: &Store) -> Result<(), DemoError> {
    let themes = THEMES
        .iter()
        .map(|text| Document::parse(text))
        .collect::<Result<Vec<_>, _>>()?;
    Ok(store.seed(&themes, "demo data").await?)
}
