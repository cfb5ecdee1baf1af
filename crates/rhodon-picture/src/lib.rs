//! Pictures: decoded within limits, upright and in sRGB, and the colours that stand in them.
//!
//! | to … | use |
//! |---|---|
//! | read the bytes of a picture or a mark | [`Picture::read`] |
//! | find its colours | [`Picture::colors`] |
//! | pick the colour at a spot | [`Picture::at`] |
//! | keep it small, without its metadata | [`Picture::to_webp`] |
//! | give it other colours, whole | [`repaint`] |
//!
//! What is transparent counts for nothing; what is half transparent is seen over white.

mod cluster;
mod decode;
mod error;
mod extract;
mod jpeg;
mod lean;
mod limits;
mod mark;
mod pick;
mod picture;
mod profile;
mod read;
mod refuse;
mod repaint;
mod shrink;
mod spot;

pub use decode::is_heavy;
pub use error::PictureError;
pub use extract::{Found, MOST_COLORS};
pub use lean::Lean;
pub use limits::{MAX_BYTES, MAX_PIXELS, MAX_SIDE};
pub use picture::{Picture, SIDE};
pub use repaint::{Repainted, repaint};
