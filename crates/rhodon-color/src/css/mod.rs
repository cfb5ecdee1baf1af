//! CSS Color 4 text, in and out.

mod beyond;
mod calc;
mod component;
mod error;
mod function;
mod parse;
mod print;
mod respell;

pub use beyond::{bare_code, grey_level};
pub use error::ColorError;
pub(crate) use parse::{hex, parse, parse_typed};
pub use print::{Notation, NotationError};
pub use respell::{respelt, respelt_alpha_first};
