//! From bytes to a picture.

use crate::error::PictureError;
use crate::picture::{Picture, SIDE};
use crate::refuse::check_bytes;
use crate::{decode, mark};

impl Picture {
    /// Reads PNG, JPEG, WebP, GIF (its first frame) or SVG.
    ///
    /// # Errors
    /// What it is and what was expected: too large, damaged, another kind. Limits hold before any
    /// pixel is decoded.
    pub fn read(bytes: &[u8]) -> Result<Self, PictureError> {
        check_bytes(bytes)?;
        if mark::is_svg(bytes) {
            return mark::read(bytes);
        }
        let ((width, height), grid) = decode::decode(bytes, SIDE)?;
        Self::of(width, height, Vec::new(), grid)
    }
}
