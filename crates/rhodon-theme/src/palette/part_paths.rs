//! Paths of the roles of intents, kept by the intent's name: both modes and levels of every theme ask for the
//! same.

use std::sync::{Arc, LazyLock};

use quick_cache::sync::Cache;

use crate::label::Slug;
use crate::vocabulary::IntentPart;

/// Paths of the roles of an intent, in the order of [`IntentPart::ALL`].
pub(super) type PartPaths = [Arc<str>; IntentPart::ALL.len()];

/// How many intents are kept by their names.
const KEPT_INTENTS: usize = 256;

static PART_PATHS: LazyLock<Cache<Slug, Arc<PartPaths>>> =
    LazyLock::new(|| Cache::new(KEPT_INTENTS));

/// The paths of the roles of an intent.
pub(super) fn part_paths(intent: &Slug) -> Arc<PartPaths> {
    if let Some(known) = PART_PATHS.get(intent) {
        return known;
    }
    let made = Arc::new(IntentPart::ALL.map(|part| part.of(intent.as_str())));
    PART_PATHS.insert(intent.clone(), made.clone());
    made
}
