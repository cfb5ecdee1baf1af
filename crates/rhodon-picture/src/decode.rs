//! PNG, JPEG, WebP and GIF: limits first, then pixels.

use std::io::Cursor;

use image::metadata::Orientation;
use image::{DynamicImage, ImageDecoder, ImageFormat, ImageReader, Limits, RgbaImage};

use crate::error::PictureError;
use crate::jpeg;
use crate::limits::check_size;
use crate::profile;
use crate::shrink::{self, Grid};

/// What one decoder may take beside the pixels themselves, in bytes.
const MAX_ALLOC: u64 = 256_000_000;

/// Reads a picture of pixels to at most `most` a side: upright, in sRGB. Gives its size as well.
pub(crate) fn decode(bytes: &[u8], most: usize) -> Result<((u32, u32), Grid), PictureError> {
    let format = image::guess_format(bytes).map_err(|_| PictureError::Unknown)?;
    let kind = match format {
        ImageFormat::Png => "PNG",
        ImageFormat::Jpeg => "JPEG",
        ImageFormat::WebP => "WebP",
        ImageFormat::Gif => "GIF",
        _ => return Err(PictureError::Unknown),
    };
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
    let wide = (size.0 as usize, size.1 as usize);
    let mut grid = shrink::from_buffer(&buffer, color, wide, most).ok_or_else(|| {
        PictureError::Unsupported {
            what: format!("a {kind} of {color:?}"),
            expected: "8 or 16 bits in grey or RGB",
        }
    })?;
    drop(buffer);
    if let Some(icc) = icc {
        profile::to_srgb(&mut grid.pixels, &icc);
    }
    Ok(upright(size, grid, orientation))
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

fn upright((w, h): (u32, u32), grid: Grid, orientation: Orientation) -> ((u32, u32), Grid) {
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
