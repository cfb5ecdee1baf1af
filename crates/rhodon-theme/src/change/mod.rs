//! Changes that need the rules: what a new, renamed, removed or moved brand colour, or another
//! choice for an intent, means for everything else in the document.
//!
//! Each operation is one file; what it leaves dangling is mended by [`mend`], in one place for all
//! of them, so that no change can make a document that is refused.

mod add;
mod add_token;
mod diff;
mod give_back;
mod intent;
mod leave_out;
mod mend;
mod named;
mod remove;
mod rename;
mod rename_intent;
mod reorder;

pub use add::{NewBrand, opacity_note};
pub use add_token::NewToken;
pub use diff::{Change, Diff, diff};
pub use named::{add_named, set_role};

use crate::audit::mend_kind;
use crate::document::{Document, IntentChoice, Problems, Resolved};
use crate::label::Slug;

/// One change of a document that is more than a value.
#[derive(Clone, Debug, PartialEq)]
pub enum Operation {
    /// Adds brand colours behind the others, each under a free name and slug.
    AddBrand(Vec<NewBrand>),
    /// Adds own tokens under the names that colours go by elsewhere.
    AddTokens(Vec<NewToken>),
    /// Gives a brand colour another name; its slug follows its name until somebody sets it.
    RenameBrand {
        /// Which one.
        brand: Slug,
        /// Its new name.
        name: String,
        /// A slug set by hand.
        slug: Option<Slug>,
    },
    /// Removes a brand colour.
    RemoveBrand(Slug),
    /// Puts a brand colour at another place in the order, counted from 0 within the document.
    MoveBrand {
        /// Which one.
        brand: Slug,
        /// Its new place.
        to: usize,
    },
    /// Gives an intent of the user's own another name.
    RenameIntent {
        /// Which one.
        intent: Slug,
        /// Its new name.
        to: Slug,
    },
    /// Sets what an intent is painted with; nothing gives it back to derived, or removes one's own.
    SetIntent {
        /// Which one.
        intent: Slug,
        /// A scale or a colour.
        paint: Option<IntentChoice>,
    },
    /// Gives decisions of this document back: the parent's hold again, or what is derived. Each is
    /// told by its place, as [`crate::Decision::pointer`] writes it.
    GiveBack(Vec<String>),
    /// Leaves out of exports the steps of a scale, or of all, that nothing refers to.
    LeaveOutUnused(Option<Slug>),
    /// Mends every finding of a kind, as in `contrast`, that can be mended without harm.
    MendFindings(String),
}

/// What an operation comes to.
#[derive(Clone, Debug, PartialEq)]
pub struct Changed {
    /// The document, which reads and derives.
    pub document: Document,
    /// What else it changes, in sentences without a full stop.
    pub notes: Vec<String>,
}

/// Applies an operation to a document, complete with its parents.
///
/// # Errors
/// What cannot be: an unknown brand colour, a name or slug that is taken, no colour left.
pub fn apply(operation: &Operation, theme: &Resolved) -> Result<Changed, Problems> {
    let document = match operation {
        Operation::RenameBrand { brand, name, slug } => {
            return rename::rename(theme, brand, name, slug.clone());
        }
        Operation::RenameIntent { intent, to } => {
            return rename_intent::rename(theme, intent, to);
        }
        Operation::LeaveOutUnused(scale) => {
            return leave_out::leave_out_unused(theme, scale.as_ref());
        }
        Operation::MendFindings(kind) => {
            let mended = mend_kind(theme, kind)?;
            if mended.done.is_empty() {
                let message = format!("nothing of the kind {kind:?} can be mended without harm");
                return Err(Problems::one("", message));
            }
            return Ok(Changed {
                document: mended.document,
                notes: mended.done,
            });
        }
        Operation::AddBrand(colors) => add::add(theme, colors)?,
        Operation::AddTokens(tokens) => add_token::add(theme, tokens)?,
        Operation::RemoveBrand(brand) => remove::remove(theme.document(), brand)?,
        Operation::MoveBrand { brand, to } => reorder::reorder(theme.document(), brand, *to)?,
        Operation::SetIntent { intent, paint } => intent::set(theme.document(), intent, paint),
        Operation::GiveBack(places) => give_back::give_back(theme, places)?,
    };
    mend::mend(theme, document, None)
}
