//! Sites that take a theme by name: what they take of it, and the way to register, apply, replace and
//! take back. Nothing is sent that was not told before, and no theme vanishes because another is chosen.

mod fit;
mod host;

pub use fit::{Fit, Left, Taken, fit};
pub use host::{Host, Registered, SiteError, SiteView, Slot, Standing};
