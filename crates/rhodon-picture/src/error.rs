//! Why bytes are no picture of ours.

use image::ImageError;
use image::error::LimitErrorKind;

use crate::limits::{MAX_BYTES, MAX_PIXELS, MAX_SIDE};

/// How much of a reader's own words is told, in characters.
const MOST_SAID: usize = 160;

/// Why a picture was refused: what it is and what was expected, in a sentence without a full stop.
#[derive(Clone, Debug, PartialEq, Eq, thiserror::Error)]
pub enum PictureError {
    /// Bytes that begin like no picture that is read.
    #[error("no picture that is read here: expected PNG, JPEG, WebP, GIF or SVG")]
    Unknown,
    /// The right kind, but damaged.
    #[error("a damaged {kind}: {cause}")]
    Damaged {
        /// What it begins like.
        kind: &'static str,
        /// What was met.
        cause: String,
    },
    /// The right kind in a form that is not read.
    #[error("{what}: expected {expected}")]
    Unsupported {
        /// What it is.
        what: String,
        /// What would be read.
        expected: &'static str,
    },
    /// A file beyond [`MAX_BYTES`].
    #[error("a file of {} MB: expected at most {} MB", .0 / 1_000_000, MAX_BYTES / 1_000_000)]
    Bytes(usize),
    /// A side or an area beyond what is decoded.
    #[error("{width} × {height} pixels: expected at most {} million, and {MAX_SIDE} a side", MAX_PIXELS / 1_000_000)]
    Size {
        /// In pixels.
        width: u32,
        /// In pixels.
        height: u32,
    },
    /// More memory than one picture is given.
    #[error("{width} × {height} pixels {form}: expected at most {most} million of that form")]
    Depth {
        /// In pixels.
        width: u32,
        /// In pixels.
        height: u32,
        /// What makes it heavy.
        form: &'static str,
        /// Millions of pixels of that form that are decoded.
        most: u64,
    },
    /// Nothing in it is opaque.
    #[error("nothing but transparency: expected something to be seen")]
    Empty,
}

impl PictureError {
    /// What a reader says, as part of one sentence.
    pub(crate) fn damaged(kind: &'static str, said: &str) -> Self {
        let words: Vec<&str> = said.split_whitespace().collect();
        let cause = words.join(" ").chars().take(MOST_SAID).collect();
        Self::Damaged { kind, cause }
    }

    /// What a decoder says about bytes of a kind.
    pub(crate) fn from_decoder(kind: &'static str, error: &ImageError) -> Self {
        match error {
            ImageError::Limits(e) if matches!(e.kind(), LimitErrorKind::InsufficientMemory) => {
                Self::Damaged {
                    kind,
                    cause: "it asks for more memory than its size explains".into(),
                }
            }
            ImageError::Unsupported(e) => Self::Unsupported {
                what: format!("a {kind} in a form that is not read ({e})"),
                expected: "8 or 16 bits in grey or RGB",
            },
            ImageError::IoError(e) if e.kind() == std::io::ErrorKind::UnexpectedEof => {
                Self::Damaged {
                    kind,
                    cause: "the file ends before the picture does".into(),
                }
            }
            other => Self::damaged(kind, &other.to_string()),
        }
    }
}
