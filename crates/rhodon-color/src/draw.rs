//! Draws that are always the same for a number.

/// SplitMix64: the number after a number.
pub(crate) fn mixed(number: u64) -> u64 {
    let mut z = number.wrapping_mul(0x9e37_79b9_7f4a_7c15);
    z = (z ^ (z >> 30)).wrapping_mul(0xbf58_476d_1ce4_e5b9);
    z = (z ^ (z >> 27)).wrapping_mul(0x94d0_49bb_1331_11eb);
    z ^ (z >> 31)
}

/// The same as a share, 0–1.
pub(crate) fn share(number: u64) -> f64 {
    (mixed(number) >> 11) as f64 / (1u64 << 53) as f64
}
