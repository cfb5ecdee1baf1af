//! Answers kept for documents that were asked for before.
//!
//! Deriving is a pure function of a document without parents: the same bytes in give the same
//! bytes out, so an answer never grows old. Undo, a second window and a reload ask again.

use std::sync::LazyLock;

use axum::body::Bytes;
use quick_cache::{Weighter, sync::Cache};

/// All kept answers and their questions together, in bytes.
const CAPACITY: u64 = 32 * 1024 * 1024;
/// The typical size of a question with its answer.
const TYPICAL: usize = 128 * 1024;

#[derive(Clone)]
struct Size;

impl Weighter<Bytes, Bytes> for Size {
    fn weight(&self, question: &Bytes, answer: &Bytes) -> u64 {
        (question.len() + answer.len()) as u64
    }
}

static ANSWERS: LazyLock<Cache<Bytes, Bytes, Size>> =
    LazyLock::new(|| Cache::with_weighter(CAPACITY as usize / TYPICAL, CAPACITY, Size));

/// The answer to a body that was asked for before.
pub(crate) fn recall(question: &Bytes) -> Option<Bytes> {
    ANSWERS.get(question)
}

/// Keeps an answer.
pub(crate) fn keep(question: Bytes, answer: &Bytes) {
    ANSWERS.insert(question, answer.clone());
}
