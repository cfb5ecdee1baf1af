//! A document with its parents, which lie in the store.

use std::collections::HashMap;

use rhodon_store::{Store, StoreError};
use rhodon_theme::{Document, Resolved, Slug};
use serde_json::Value;

use crate::error::ApiError;

/// Reads a document from a request body, where it stands under `spec`.
pub(crate) fn read(value: &Value) -> Result<Document, ApiError> {
    Document::read(value).map_err(|p| ApiError::invalid("/spec", p))
}

/// Follows `extends` through the store.
pub(crate) async fn follow(store: &Store, spec: Document) -> Result<Resolved, ApiError> {
    if spec.extends.is_none() {
        return Ok(Resolved::alone(spec));
    }
    let mut parents: HashMap<Slug, Document> = HashMap::new();
    let mut next = spec.extends.clone();
    while let Some(slug) = next.filter(|s| !parents.contains_key(s)) {
        let parent = match store.get(slug.as_str()).await {
            Ok((_, revision)) => {
                Document::read(&revision.spec).map_err(|p| ApiError::invalid("/spec/extends", p))?
            }
            Err(StoreError::NoTheme(_)) => break,
            Err(e) => return Err(e.into()),
        };
        next = parent.extends.clone();
        parents.insert(slug, parent);
    }
    Ok(Resolved::follow(spec, |slug| parents.get(slug).cloned())?)
}
