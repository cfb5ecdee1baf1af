//! PNG, JPEG, WebP and GIF: limits first, then pixels.

use std::io::Cursor;

use image::metadata::Orientation;
use image::{ColorType, DynamicImage, ImageDecoder, ImageFormat, ImageReader, Limits, RgbaImage};

use crate::error::PictureError;
use crate::jpeg;
use crate::profile;
use crate::refuse::check_size;
use crate::shrink::{self, Grid};

/// What one decoder may take beside the pixels themselves, in bytes.
const MAX_ALLOC: u64 = 256_000_000;

/// What a decoder gave, before anything was done with it.
pub(crate) struct Raw {
    pub format: ImageFormat,
    pub size: (u32, u32),
    pub color: ColorType,
    pub orientation: Orientation,
    pub icc: Option<Vec<u8>>,
    pub buffer: Vec<u8>,
}

/// Reads a picture of pixels to at most `most` a side: upright, in sRGB. Gives its size as well.
pub(crate) fn decode(bytes: &[u8], most: usize) -> Result<((u32, u32), Grid), PictureError> {
    let raw = raw(bytes)?;
    let wide = (raw.size.0 as usize, raw.size.1 as usize);
    let grid = shrink::from_buffer(&raw.buffer, raw.color, wide, most);
    let mut grid = grid.ok_or_else(|| raw.unsupported())?;
    drop(raw.buffer);
    if let Some(icc) = raw.icc {
        profile::to_srgb(&mut grid.pixels, &icc);
    }
    Ok(upright(raw.size, grid, raw.orientation))
}

impl Raw {
    /// A form of pixels that is not read.
    pub(crate) fn unsupported(&self) -> PictureError {
        PictureError::Unsupported {
            what: format!(
                "a {} of {:?}",
                kind(self.format).unwrap_or("picture"),
                self.color
            ),
            expected: "8 or 16 bits in grey or RGB",
        }
    }
}

fn kind(format: ImageFormat) -> Option<&'static str> {
    match format {
        ImageFormat::Png => Some("PNG"),
        ImageFormat::Jpeg => Some("JPEG"),
        ImageFormat::WebP => Some("WebP"),
        ImageFormat::Gif => Some("GIF"),
        _ => None,
    }
}

/// Decodes a picture; limits hold before any pixel is.
pub(crate) fn raw(bytes: &[u8]) -> Result<Raw, PictureError> {
    let format = image::guess_format(bytes).map_err(|_| PictureError::Unknown)?;
    let kind = kind(format).ok_or(PictureError::Unknown)?;
    let told = |e: image::ImageError| PictureError::from_decoder(kind, &e);
    let is_jpeg = format == ImageFormat::Jpeg;
    let outline = jpeg::outline(bytes).filter(|_| is_jpeg);
    if is_jpeg && outline.is_none_or(|o| !o.complete) {
        let cause = "the file ends before the picture does";
        return Err(PictureError::damaged(kind, cause));
    }
    let mut reader = ImageReader::with_format(Cursor::new(bytes), format);
    let mut limits = Limits::default();
    limits.max_alloc = Some(MAX_ALLOC);
    reader.limits(limits);
    let mut decoder = reader.into_decoder().map_err(told)?;
    let size = decoder.dimensions();
    let color = decoder.color_type();
    let progressive = outline.is_some_and(|o| o.progressive);
    let (held, form) = match (progressive, color.bytes_per_pixel()) {
        // Three coefficients of 16 bits beside the pixel.
        (true, own) => (u64::from(own) + 6, "in a progressive JPEG"),
        (false, own @ 5..) => (u64::from(own), "of 16 bits a channel"),
        (false, own) => (u64::from(own), "in colour"),
    };
    check_size(size, held, form)?;
    let orientation = decoder.orientation().unwrap_or(Orientation::NoTransforms);
    let icc = decoder.icc_profile().ok().flatten();
    let length = usize::try_from(decoder.total_bytes()).map_err(|_| PictureError::Size {
        width: size.0,
        height: size.1,
    })?;
    let mut buffer = vec![0; length];
    decoder.read_image(&mut buffer).map_err(told)?;
    Ok(Raw {
        format,
        size,
        color,
        orientation,
        icc,
        buffer,
    })
}

/// From how many bytes of pixels on no other picture is decoded beside this one.
const HEAVY: u64 = 90_000_000;

/// Whether the pixels take so much that nothing else should be decoded at the same time. Reads the
/// head of the file alone.
pub fn is_heavy(bytes: &[u8]) -> bool {
    let Ok(format) = image::guess_format(bytes) else {
        return false;
    };
    let decoder = ImageReader::with_format(Cursor::new(bytes), format).into_decoder();
    let progressive = jpeg::outline(bytes).is_some_and(|o| o.progressive);
    decoder.is_ok_and(|d| d.total_bytes() > HEAVY / if progressive { 3 } else { 1 })
}

pub(crate) fn upright(
    (w, h): (u32, u32),
    grid: Grid,
    orientation: Orientation,
) -> ((u32, u32), Grid) {
    if orientation == Orientation::NoTransforms {
        return ((w, h), grid);
    }
    let (width, height) = (grid.width as u32, grid.height as u32);
    let Some(image) = RgbaImage::from_raw(width, height, grid.pixels.as_flattened().to_vec())
    else {
        return ((w, h), grid);
    };
    let mut image = DynamicImage::ImageRgba8(image);
    image.apply_orientation(orientation);
    let turned = matches!(
        orientation,
        Orientation::Rotate90
            | Orientation::Rotate270
            | Orientation::Rotate90FlipH
            | Orientation::Rotate270FlipH
    );
    let image = image.into_rgba8();
    let grid = Grid {
        width: image.width() as usize,
        height: image.height() as usize,
        pixels: image.pixels().map(|p| p.0).collect(),
    };
    (if turned { (h, w) } else { (w, h) }, grid)
}
