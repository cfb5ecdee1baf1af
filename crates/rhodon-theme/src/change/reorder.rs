//! The order of brand colours decides which is primary, secondary and accent.

use crate::document::{Document, Problems};
use crate::label::Slug;

/// Puts a brand colour at another place.
pub(super) fn reorder(document: &Document, slug: &Slug, to: usize) -> Result<Document, Problems> {
    let index = super::rename::position(document, slug)?;
    let mut out = document.clone();
    let moved = out.brand.remove(index);
    out.brand.insert(to.min(out.brand.len()), moved);
    Ok(out)
}
