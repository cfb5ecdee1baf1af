//! What is decoded, decided before any pixel is.

/// The largest file, in bytes.
pub const MAX_BYTES: usize = 25_000_000;
/// The most pixels.
pub const MAX_PIXELS: u64 = 50_000_000;
/// The longest side, in pixels.
pub const MAX_SIDE: u32 = 10_000;
/// The most memory that one picture's pixels take while they are decoded, in bytes.
pub(crate) const MAX_DECODED: u64 = 200_000_000;
