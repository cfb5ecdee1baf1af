//! From a document in a request to what it comes to: read, completed by its parents, derived.

use std::collections::HashMap;
use std::sync::{Arc, LazyLock};
use std::time::Instant;

use quick_cache::sync::Cache;
use rhodon_store::{Store, StoreError};
use rhodon_theme::{Derived, Document, Problems, Resolved, Slug, derive};
use serde_json::Value;

use crate::error::ApiError;
use crate::metrics;
use crate::response_cache::{Question, is_worth_keeping};
use crate::work::Work;

/// Derivations that are kept: the documents that windows show, and those before their last change.
const KEPT: usize = 48;

static DERIVED: LazyLock<Cache<Question, Arc<Derived>>> = LazyLock::new(|| Cache::new(KEPT));

/// What a document comes to; asked again, it is not computed again.
pub(crate) fn derived(theme: &Resolved) -> Result<Arc<Derived>, Problems> {
    let question = Question::of(theme);
    if let Some(known) = DERIVED.get(&question) {
        return Ok(known);
    }
    let begun = Instant::now();
    let made = Arc::new(derive(theme)?);
    metrics::derived(begun);
    if is_worth_keeping(&theme.merged) {
        DERIVED.insert(question, made.clone());
    }
    Ok(made)
}

/// Where documents are read, completed and computed with. Cheap to clone.
#[derive(Clone, Debug)]
pub(crate) struct Bench {
    pub store: Store,
    pub work: Work,
}

impl Bench {
    /// Reads a document from a request body, where it stands under `spec`, and its parents.
    pub(crate) async fn read(&self, value: Value) -> Result<Resolved, ApiError> {
        self.read_at("/spec", value).await
    }

    /// As [`Bench::read`], for a document that stands elsewhere.
    pub(crate) async fn read_at(
        &self,
        at: &'static str,
        value: Value,
    ) -> Result<Resolved, ApiError> {
        self.complete(self.document_at(at, value).await?).await
    }

    /// Reads a document alone, without its parents.
    pub(crate) async fn document(&self, value: Value) -> Result<Document, ApiError> {
        self.document_at("/spec", value).await
    }

    async fn document_at(&self, at: &str, value: Value) -> Result<Document, ApiError> {
        let read = self.work.run(move || Document::read(&value)).await?;
        read.map_err(|p| ApiError::invalid(at, p))
    }

    /// Follows `extends` through the store.
    pub(crate) async fn complete(&self, document: Document) -> Result<Resolved, ApiError> {
        if document.extends.is_none() {
            return Ok(Resolved::alone(document));
        }
        let mut parents: HashMap<Slug, Document> = HashMap::new();
        let mut next = document.extends.clone();
        while let Some(slug) = next.filter(|s| !parents.contains_key(s)) {
            let parent = match self.store.get(slug.as_str()).await {
                Ok(saved) => Document::read(&saved.revision.spec)
                    .map_err(|p| ApiError::invalid("/spec/extends", p))?,
                Err(StoreError::NoTheme(_)) => break,
                Err(e) => return Err(e.into()),
            };
            next = parent.extends.clone();
            parents.insert(slug, parent);
        }
        Ok(Resolved::follow(document, |slug| {
            parents.get(slug).cloned()
        })?)
    }

    /// Reads, completes and derives a document.
    pub(crate) async fn derive(&self, value: Value) -> Result<(Resolved, Arc<Derived>), ApiError> {
        let theme = self.read(value).await?;
        let found = self
            .work
            .run(move || derived(&theme).map(|d| (theme, d)))
            .await?;
        found.map_err(|p| ApiError::invalid("/spec", p))
    }
}
