//! Pictures with other colours. Each pixel is taken as a mix of the two colours of the picture that
//! explain it best, and a rest; the mix is made anew with the new colours and the rest is kept. So
//! smoothed edges, shading and transparency stay, and what is unlike any changed colour stays as it is.
//! Renderers smooth edges in encoded sRGB, so that is where colours are mixed.

use std::collections::HashMap;
use std::io::Cursor;

use image::codecs::{jpeg::JpegEncoder, png::PngEncoder, webp::WebPEncoder};
use image::{ExtendedColorType, ImageEncoder, ImageFormat};
use rhodon_color::{Rgb8, difference};

use crate::decode::{self, upright};
use crate::error::PictureError;
use crate::extract::MOST_COLORS;
use crate::picture::Picture;
use crate::profile;
use crate::refuse::check_bytes;
use crate::shrink::{Grid, as_it_is};

/// CIEDE2000 below which a colour of the picture is the one that the map names.
const SAME: f64 = 6.0;
/// Share of the pixels from which on one code is a colour of the picture.
const FLAT: f64 = 0.0004;
/// Share of what is covered from which on areas of one code are all that there is.
const MOSTLY: f64 = 0.8;
/// The most codes that are taken from their counts.
const MOST_FLAT: usize = 24;
/// A rest up to the first is a colour's shading; from the second on it is another colour.
const REST: (f32, f32) = (28.0, 72.0);
/// How far around a pixel is looked for the areas that it softens the edge of.
const AROUND: usize = 2;
/// A rest with which two areas explain the pixel between them.
const BETWEEN: f32 = 14.0;
/// Quality of a JPEG that is written.
const QUALITY: u8 = 92;
/// No anchor.
const NONE: u8 = u8::MAX;

/// A picture with other colours.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct Repainted {
    /// The file, in the format that it came in; a WebP without loss.
    pub bytes: Vec<u8>,
    /// How many pixels are other ones.
    pub changed: usize,
    /// Which lines of the map found their colour.
    pub used: Vec<usize>,
}

/// Gives a PNG, WebP or JPEG other colours: from the first of each pair to the second.
///
/// # Errors
/// As [`Picture::read`]; and GIFs, which hold too few colours for edges.
pub fn repaint(bytes: &[u8], map: &[(Rgb8, Rgb8)]) -> Result<Repainted, PictureError> {
    check_bytes(bytes)?;
    let raw = decode::raw(bytes)?;
    let format = raw.format;
    let size = (raw.size.0 as usize, raw.size.1 as usize);
    let mut grid = as_it_is(&raw.buffer, raw.color, size).ok_or_else(|| raw.unsupported())?;
    if let Some(icc) = &raw.icc {
        profile::to_srgb(&mut grid.pixels, icc);
    }
    let (_, mut grid) = upright(raw.size, grid, raw.orientation);
    let anchors = Anchors::of(seen(bytes, &grid, map)?, map);
    let changed = anchors.paint(&mut grid);
    Ok(Repainted {
        bytes: encoded(&grid, format)?,
        changed,
        used: anchors.used,
    })
}

fn encoded(grid: &Grid, format: ImageFormat) -> Result<Vec<u8>, PictureError> {
    let mut out = Cursor::new(Vec::new());
    let (width, height) = (grid.width as u32, grid.height as u32);
    let pixels = grid.pixels.as_flattened();
    let rgba = ExtendedColorType::Rgba8;
    let done = match format {
        ImageFormat::Png => PngEncoder::new(&mut out).write_image(pixels, width, height, rgba),
        ImageFormat::WebP => {
            WebPEncoder::new_lossless(&mut out).write_image(pixels, width, height, rgba)
        }
        ImageFormat::Jpeg => {
            let opaque: Vec<u8> = grid
                .pixels
                .iter()
                .flat_map(|p| [p[0], p[1], p[2]])
                .collect();
            JpegEncoder::new_with_quality(&mut out, QUALITY).write_image(
                &opaque,
                width,
                height,
                ExtendedColorType::Rgb8,
            )
        }
        _ => {
            return Err(PictureError::Unsupported {
                what: "a GIF".to_owned(),
                expected: "PNG, WebP or JPEG for other colours",
            });
        }
    };
    done.map_err(|e| PictureError::from_decoder("picture", &e))?;
    Ok(out.into_inner())
}

type Rgb = [f32; 3];

fn rgb(code: Rgb8) -> Rgb {
    code.channels().map(f32::from)
}

fn of(pixel: &[u8; 4]) -> Rgb {
    [
        f32::from(pixel[0]),
        f32::from(pixel[1]),
        f32::from(pixel[2]),
    ]
}

fn mixed(a: Rgb, b: Rgb, t: f32) -> Rgb {
    std::array::from_fn(|i| a[i] + (b[i] - a[i]) * t)
}

/// Colours of the picture: what they are and what they become.
struct Anchors {
    old: Vec<Rgb>,
    new: Vec<Rgb>,
    exact: HashMap<u32, u8>,
    used: Vec<usize>,
}

/// Two anchors, and how far along the way from one to the other.
#[derive(Clone, Copy)]
struct Mix {
    a: u8,
    b: u8,
    t: f32,
    rest: f32,
}

impl Anchors {
    fn of(mut colors: Vec<Rgb8>, map: &[(Rgb8, Rgb8)]) -> Self {
        // Shading leads to black and to white, also where neither is in the picture.
        for end in [Rgb8::BLACK, Rgb8::WHITE] {
            if !colors.contains(&end) {
                colors.push(end);
            }
        }
        let present: Vec<Rgb8> = map
            .iter()
            .map(|(old, _)| *old)
            .filter(|old| colors.contains(old))
            .collect();
        let (mut old, mut new) = (Vec::new(), Vec::new());
        let mut used = Vec::new();
        for color in colors {
            let exact = map.iter().position(|(from, _)| *from == color);
            // A line whose colour stands in the picture means that one alone.
            let is_free = |i: &usize| !present.contains(&map[*i].0);
            let near = || {
                let away = |i: &usize| difference(map[*i].0, color);
                let lines = (0..map.len()).filter(is_free);
                let nearest = lines.min_by(|a, b| away(a).total_cmp(&away(b)));
                nearest.filter(|i| away(i) < SAME)
            };
            match exact.or_else(near) {
                Some(line) => {
                    old.push(rgb(map[line].0));
                    new.push(rgb(map[line].1));
                    if !used.contains(&line) {
                        used.push(line);
                    }
                }
                None => {
                    old.push(rgb(color));
                    new.push(rgb(color));
                }
            }
        }
        let key = |c: &Rgb| opaque(c.map(|v| v as u8));
        let exact = old.iter().enumerate().rev().map(|(i, c)| (key(c), i as u8));
        used.sort_unstable();
        Self {
            exact: exact.collect(),
            old,
            new,
            used,
        }
    }

    fn is_mapped(&self, i: u8) -> bool {
        self.old[usize::from(i)] != self.new[usize::from(i)]
    }

    /// Paints the picture anew; gives how many pixels are other ones.
    fn paint(&self, grid: &mut Grid) -> usize {
        if (0..self.old.len()).all(|i| !self.is_mapped(i as u8)) {
            return 0;
        }
        let labels = self.labels(grid);
        let (width, height) = (grid.width, grid.height);
        let mut table = Table::new();
        let mut changed = 0;
        for (at, pixel) in grid.pixels.iter_mut().enumerate() {
            if pixel[3] == 0 {
                continue;
            }
            let before = *pixel;
            let own = labels[at];
            let painted = if own == NONE {
                let here = around(&labels, width, height, at);
                let mix = self.between(of(pixel), here);
                self.again(of(pixel), mix.unwrap_or_else(|| table.mix(self, pixel)))
            } else {
                self.new[usize::from(own)]
            };
            for (channel, value) in pixel.iter_mut().zip(painted) {
                *channel = value.round().clamp(0.0, 255.0) as u8;
            }
            changed += usize::from(*pixel != before);
        }
        changed
    }

    /// Which anchor each pixel is, exactly.
    fn labels(&self, grid: &Grid) -> Vec<u8> {
        let mut labels = Vec::with_capacity(grid.pixels.len());
        for run in grid.pixels.chunk_by(|a, b| a == b) {
            let [r, g, b, alpha] = run[0];
            let known = self.exact.get(&opaque([r, g, b])).filter(|_| alpha > 0);
            labels.resize(labels.len() + run.len(), known.copied().unwrap_or(NONE));
        }
        labels
    }

    /// The mix of two areas that stand around a pixel, where one explains it.
    fn between(&self, pixel: Rgb, around: u32) -> Option<Mix> {
        if around.count_ones() < 2 {
            return None;
        }
        let here: Vec<u8> = (0..32).filter(|i| around >> i & 1 == 1).collect();
        let best = self.best(pixel, &here)?;
        (best.rest <= BETWEEN).then_some(best)
    }

    fn best(&self, pixel: Rgb, among: &[u8]) -> Option<Mix> {
        let pairs = among
            .iter()
            .enumerate()
            .flat_map(|(n, a)| among[n..].iter().map(|b| (*a, *b)));
        pairs
            .map(|(a, b)| self.fit(pixel, a, b))
            .min_by(|x, y| x.rest.total_cmp(&y.rest))
    }

    fn fit(&self, pixel: Rgb, a: u8, b: u8) -> Mix {
        let (from, to) = (self.old[usize::from(a)], self.old[usize::from(b)]);
        let (mut along, mut length) = (0.0, 0.0);
        for i in 0..3 {
            along += (pixel[i] - from[i]) * (to[i] - from[i]);
            length += (to[i] - from[i]) * (to[i] - from[i]);
        }
        let t = if length > 0.0 {
            (along / length).clamp(0.0, 1.0)
        } else {
            0.0
        };
        let here = mixed(from, to, t);
        let rest = (0..3)
            .map(|i| (pixel[i] - here[i]).powi(2))
            .sum::<f32>()
            .sqrt();
        Mix { a, b, t, rest }
    }

    /// A pixel with its mix made anew and its rest kept.
    fn again(&self, pixel: Rgb, mix: Mix) -> Rgb {
        if !self.is_mapped(mix.a) && !self.is_mapped(mix.b) {
            return pixel;
        }
        let (a, b) = (usize::from(mix.a), usize::from(mix.b));
        let was = mixed(self.old[a], self.old[b], mix.t);
        let is = mixed(self.new[a], self.new[b], mix.t);
        let like = 1.0 - ((mix.rest - REST.0) / (REST.1 - REST.0)).clamp(0.0, 1.0);
        std::array::from_fn(|i| pixel[i] + (is[i] - was[i]) * like)
    }
}

/// The best pair for colours that are nearly the same, found once: 5 bits a channel.
struct Table(Vec<Option<(u8, u8)>>);

impl Table {
    fn new() -> Self {
        Self(vec![None; 1 << 15])
    }

    fn mix(&mut self, anchors: &Anchors, pixel: &[u8; 4]) -> Mix {
        let [r, g, b, _] = pixel.map(|v| usize::from(v >> 3));
        let place = &mut self.0[r << 10 | g << 5 | b];
        let (a, b) = *place.get_or_insert_with(|| {
            let all: Vec<u8> = (0..anchors.old.len() as u8).collect();
            anchors
                .best(of(pixel), &all)
                .map_or((0, 0), |mix| (mix.a, mix.b))
        });
        anchors.fit(of(pixel), a, b)
    }
}

/// Which anchors stand around a pixel, as bits.
fn around(labels: &[u8], width: usize, height: usize, at: usize) -> u32 {
    let (x, y) = (at % width, at / width);
    let mut bits = 0;
    for row in y.saturating_sub(AROUND)..(y + AROUND + 1).min(height) {
        for label in &labels
            [row * width + x.saturating_sub(AROUND)..row * width + (x + AROUND + 1).min(width)]
        {
            if *label < 32 {
                bits |= 1 << label;
            }
        }
    }
    bits
}

/// A code as one number.
fn opaque([r, g, b]: [u8; 3]) -> u32 {
    u32::from_be_bytes([0, r, g, b])
}

/// The colours of a picture: those of its areas and of the map; of a photo those that are seen in it
/// as well.
fn seen(bytes: &[u8], grid: &Grid, map: &[(Rgb8, Rgb8)]) -> Result<Vec<Rgb8>, PictureError> {
    let (mut colors, share) = flat(grid);
    for (old, _) in map {
        if !colors.contains(old) && grid_has(grid, *old) {
            colors.push(*old);
        }
    }
    if share >= MOSTLY {
        return Ok(colors);
    }
    for found in Picture::read(bytes)?.colors(MOST_COLORS, None) {
        if colors.iter().all(|c| difference(*c, found.color) >= SAME) {
            colors.push(found.color);
        }
    }
    Ok(colors)
}

/// Codes that whole areas have, the largest first, and the share of what is covered that they fill.
/// What stands in a row alone softens an edge.
fn flat(grid: &Grid) -> (Vec<Rgb8>, f64) {
    let (width, height) = (grid.width, grid.height);
    let mut counts: HashMap<u32, usize> = HashMap::new();
    let mut covered = 0;
    for y in 0..height {
        let row = &grid.pixels[y * width..(y + 1) * width];
        let mut x = 0;
        for run in row.chunk_by(|a, b| a == b) {
            let (from, to) = (y * width + x, y * width + x + run.len());
            x += run.len();
            let [r, g, b, alpha] = run[0];
            if alpha == 0 {
                continue;
            }
            covered += run.len();
            if run.len() < 3 || y == 0 || y + 1 == height {
                continue;
            }
            let same =
                |i: &usize| grid.pixels[i - width] == run[0] && grid.pixels[i + width] == run[0];
            *counts.entry(opaque([r, g, b])).or_default() +=
                (from + 1..to - 1).filter(same).count();
        }
    }
    let least = ((grid.pixels.len() as f64 * FLAT) as usize).max(1);
    let mut flat: Vec<(u32, usize)> = counts.into_iter().filter(|(_, n)| *n >= least).collect();
    // Where a great many codes are common, it is a run of colours and no flat mark.
    if flat.len() > MOST_FLAT * 4 {
        return (Vec::new(), 0.0);
    }
    flat.sort_by(|a, b| b.1.cmp(&a.1).then(a.0.cmp(&b.0)));
    flat.truncate(MOST_FLAT);
    let area: usize = flat.iter().map(|(_, n)| n).sum();
    let code = |(key, _): (u32, usize)| {
        let [_, r, g, b] = key.to_be_bytes();
        Rgb8::new(r, g, b)
    };
    let colors = flat.into_iter().map(code).collect();
    (colors, area as f64 / f64::max(covered as f64, 1.0))
}

fn grid_has(grid: &Grid, code: Rgb8) -> bool {
    let [r, g, b] = code.channels();
    grid.pixels.iter().any(|p| p[3] > 0 && p[..3] == [r, g, b])
}
