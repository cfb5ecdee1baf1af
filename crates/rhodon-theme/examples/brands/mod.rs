//! Brands to measure with: random ones by a fixed draw.

use rhodon_color::{Color, Rgb8};

/// Codes by Marsaglia's xorshift (2003), the same for a seed.
pub struct Draw(pub u64);

impl Draw {
    /// The next code.
    pub fn code(&mut self) -> Rgb8 {
        self.0 ^= self.0 << 13;
        self.0 ^= self.0 >> 7;
        self.0 ^= self.0 << 17;
        let [r, g, b, ..] = self.0.to_le_bytes();
        Rgb8::new(r, g, b)
    }

    /// Brands of one to four colours in turn.
    #[allow(dead_code)]
    pub fn brands(&mut self, count: usize) -> Vec<Vec<Color>> {
        (0..count)
            .map(|i| (0..=i % 4).map(|_| self.code().into()).collect())
            .collect()
    }
}

/// The seed of the surveys of whole themes.
#[allow(dead_code)]
pub const THEMES: u64 = 0x9e37_79b9_7f4a_7c15;

/// Colours that are hard for a theme: ends of the gamut, greys, near-black and near-white.
#[allow(dead_code)]
pub const HARD: &[&str] = &[
    "#000000", "#ffffff", "#ffff00", "#00ff00", "#0000ff", "#ff0000", "#00ffff", "#ff00ff",
    "#808080", "#7f8081", "#010101", "#fefefe", "#767676", "#777777", "#16c72e", "#39ff14",
    "#f2c200", "#3a00b8",
];
