//! Refusals before any pixel is decoded.

use crate::error::PictureError;
use crate::limits::{MAX_BYTES, MAX_DECODED, MAX_PIXELS, MAX_SIDE};

/// Refuses a file that is too large.
pub(crate) fn check_bytes(bytes: &[u8]) -> Result<(), PictureError> {
    if bytes.len() > MAX_BYTES {
        return Err(PictureError::Bytes(bytes.len()));
    }
    Ok(())
}

/// Refuses a picture whose pixels would take too much: `bytes` is what one takes while it is decoded.
pub(crate) fn check_size(
    (width, height): (u32, u32),
    bytes: u64,
    form: &'static str,
) -> Result<(), PictureError> {
    let pixels = u64::from(width) * u64::from(height);
    if pixels == 0 || pixels > MAX_PIXELS || width.max(height) > MAX_SIDE {
        return Err(PictureError::Size { width, height });
    }
    if pixels * bytes > MAX_DECODED {
        let most = MAX_DECODED / bytes / 1_000_000;
        return Err(PictureError::Depth {
            width,
            height,
            form,
            most,
        });
    }
    Ok(())
}
