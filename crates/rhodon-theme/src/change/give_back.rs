//! Decisions of a child given back to its parent, or to what is derived.

use crate::document::{Document, Problems, Resolved};
use crate::family::{decisions, without};

/// The document without the decisions at these places.
pub(super) fn give_back(theme: &Resolved, places: &[String]) -> Result<Document, Problems> {
    let own = decisions(theme);
    let mut chosen = Vec::with_capacity(places.len());
    for place in places {
        match own.iter().find(|decision| decision.pointer() == *place) {
            Some(decision) => chosen.push(decision),
            None => {
                let message = "nothing of this theme's own stands here: expected the place of one of its decisions";
                return Err(Problems::one(place.clone(), message));
            }
        }
    }
    without(theme.document(), chosen)
}
