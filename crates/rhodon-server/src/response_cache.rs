//! Answers kept for questions that were asked before.
//!
//! Deriving is a pure function of a document with its parents: the same documents in give the same
//! bytes out, so an answer never grows old. Undo, a second window and a reload ask again. The key
//! holds everything that an answer depends on: the route, the documents, what else was asked.

use std::sync::LazyLock;

use axum::body::Bytes;
use quick_cache::{Weighter, sync::Cache};
use rhodon_theme::{Document, Resolved};

/// All kept answers together, in bytes.
const CAPACITY: u64 = 32 * 1024 * 1024;
/// The typical size of an answer.
const TYPICAL: usize = 128 * 1024;

/// What an answer depends on, as the BLAKE3 hash of it.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Hash)]
pub(crate) struct Question([u8; 32]);

impl Question {
    /// A question to a route about documents, with what else was asked.
    pub(crate) fn new(route: &'static str, theme: &Resolved, more: &impl serde::Serialize) -> Self {
        let mut hasher = blake3::Hasher::new();
        hasher.update(route.as_bytes());
        hasher.update(&[0]);
        for document in theme.lineage() {
            hash(&mut hasher, document);
        }
        hash(&mut hasher, more);
        Self(hasher.finalize().into())
    }

    /// The question of what a document comes to.
    pub(crate) fn of(theme: &Resolved) -> Self {
        Self::new("", theme, &())
    }
}

fn hash(hasher: &mut blake3::Hasher, value: &impl serde::Serialize) {
    // What cannot be written hashes as nothing; documents can all be written.
    let bytes = serde_json::to_vec(value).unwrap_or_default();
    hasher.update(&(bytes.len() as u64).to_le_bytes());
    hasher.update(&bytes);
}

/// Whether a document is small enough for its derivation to be kept.
pub(crate) fn is_worth_keeping(document: &Document) -> bool {
    document.tokens.len() + document.roles.len() < 500
}

#[derive(Clone)]
struct Size;

impl Weighter<Question, Bytes> for Size {
    fn weight(&self, _: &Question, answer: &Bytes) -> u64 {
        answer.len() as u64 + 64
    }
}

static ANSWERS: LazyLock<Cache<Question, Bytes, Size>> =
    LazyLock::new(|| Cache::with_weighter(CAPACITY as usize / TYPICAL, CAPACITY, Size));

/// The answer to a question: the one that is kept, or a new one, which is kept from then on.
///
/// # Errors
/// What keeps it from being answered; that is not kept.
pub(crate) fn answered<E>(
    question: Question,
    answer: impl FnOnce() -> Result<Vec<u8>, E>,
) -> Result<Bytes, E> {
    // What is kept has hardly any room to grow: bytes that were written piece by piece may hold ten times as
    // much memory as they have length, which the cache would not know.
    ANSWERS.get_or_insert_with(&question, || {
        answer().map(|mut bytes| {
            bytes.shrink_to_fit();
            bytes.into()
        })
    })
}
