//! Forms: a text with places to fill, in the language of the `minijinja` crate as it stands. Names are
//! those of the form's slots, and `theme`, `scales`, `roles`, `tokens`, `modes`, `family` and
//! `token("primary.fill", "dark")`. A form from a stranger is safe to fill: it reads no file, and its
//! steps, its ranges, its depth and its output are bounded.

mod bounds;
mod called;
mod color;
mod context;
mod control_words;
mod error;
mod export;
mod fill;
mod learn;
mod limit;
mod near_tokens;
mod pair;
mod role_words;
mod rule_names;

pub use called::{Called, called};
pub use color::FILTERS;
pub use error::FormError;
pub use export::{PREFIX, command, export, usage};
pub use fill::{Filled, MAX_OUTPUT, fill};
pub use learn::{Learned, learn};
pub(crate) use role_words::role_called;
