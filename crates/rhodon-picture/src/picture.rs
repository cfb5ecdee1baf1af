//! A picture as it is worked with: small, upright, in sRGB.

use std::io::Cursor;

use image::{ExtendedColorType, ImageEncoder, codecs::webp::WebPEncoder};
use rhodon_color::Rgb8;

use crate::error::PictureError;
use crate::shrink::Grid;
use crate::spot;

/// The longest side of a picture that is kept, in pixels.
pub const SIDE: usize = 1024;

/// A picture of at most [`SIDE`] pixels a side.
#[derive(Clone, Debug, PartialEq)]
pub struct Picture {
    /// Width before it was made small, upright, in pixels.
    pub width: u32,
    /// Height before it was made small, upright, in pixels.
    pub height: u32,
    /// The colours written in a mark, exact, in the order of the file; none in what has pixels alone.
    pub written: Vec<Rgb8>,
    pub(crate) grid: Grid,
}

impl Picture {
    /// A picture, unless there is nothing to be seen on it.
    pub(crate) fn of(
        width: u32,
        height: u32,
        written: Vec<Rgb8>,
        grid: Grid,
    ) -> Result<Self, PictureError> {
        if grid.pixels.iter().all(|p| p[3] == 0) {
            return Err(PictureError::Empty);
        }
        Ok(Self {
            width,
            height,
            written,
            grid,
        })
    }

    /// The colour at a place, averaged over a radius, where there is any. `x` and `y` are 0–1 from
    /// the upper left, `radius` is 0–1 of the longer side; 0 is the one pixel.
    pub fn at(&self, x: f64, y: f64, radius: f64) -> Option<Rgb8> {
        spot::average(&self.grid, x, y, radius)
    }

    /// The picture as it is kept: small, lossless, without metadata.
    pub fn to_webp(&self) -> Vec<u8> {
        let mut out = Cursor::new(Vec::new());
        let (width, height) = (self.grid.width as u32, self.grid.height as u32);
        let pixels = self.grid.pixels.as_flattened();
        let encoded = WebPEncoder::new_lossless(&mut out).write_image(
            pixels,
            width,
            height,
            ExtendedColorType::Rgba8,
        );
        debug_assert!(encoded.is_ok(), "a grid always fits a WebP of this size");
        out.into_inner()
    }
}
