//! A brand colour less.

use crate::document::{Document, Problems};
use crate::label::Slug;

/// Removes a brand colour of the document's own; a parent's of that slug shows again.
pub(super) fn remove(document: &Document, slug: &Slug) -> Result<Document, Problems> {
    let index = super::rename::position(document, slug)?;
    let mut out = document.clone();
    out.brand.remove(index);
    if out.brand.is_empty() && out.extends.is_none() {
        let message = "a theme needs at least one brand colour: add another before this one goes";
        return Err(Problems::one("/brand", message));
    }
    Ok(out)
}
