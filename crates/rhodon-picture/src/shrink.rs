//! Box averages, straight from a decoder's buffer.

use image::ColorType;

/// Pixels of 8 bits and four channels, row by row. The colour of what is half transparent is seen
/// over white; the fourth channel is how much of the pixel is covered at all.
#[derive(Clone, Debug, PartialEq, Eq)]
pub(crate) struct Grid {
    pub width: usize,
    pub height: usize,
    pub pixels: Vec<[u8; 4]>,
}

/// Averages a decoder's buffer to at most `most` a side; what is smaller stays as it is.
pub(crate) fn from_buffer(
    buffer: &[u8],
    color: ColorType,
    (width, height): (usize, usize),
    most: usize,
) -> Option<Grid> {
    let size = usize::from(color.bytes_per_pixel());
    let rows = Rows {
        buffer,
        width,
        height,
        size,
    };
    // Of 16 bits, in the machine's own order, the upper half is what 8 can hold.
    let upper = |px: &[u8], i: usize| u16::from_ne_bytes([px[2 * i], px[2 * i + 1]]) >> 8;
    let deep = |px: &[u8], i: usize| upper(px, i) as u8;
    Some(match color {
        ColorType::L8 => rows.opaque(most, |px| [px[0], px[0], px[0]]),
        ColorType::La8 => rows.average(most, |px| [px[0], px[0], px[0], px[1]]),
        ColorType::Rgb8 => rows.opaque(most, |px| [px[0], px[1], px[2]]),
        ColorType::Rgba8 => rows.average(most, |px| [px[0], px[1], px[2], px[3]]),
        ColorType::L16 => rows.average(most, |px| [deep(px, 0), deep(px, 0), deep(px, 0), 255]),
        ColorType::La16 => rows.average(most, |px| {
            [deep(px, 0), deep(px, 0), deep(px, 0), deep(px, 1)]
        }),
        ColorType::Rgb16 => rows.average(most, |px| [deep(px, 0), deep(px, 1), deep(px, 2), 255]),
        ColorType::Rgba16 => rows.average(most, |px| {
            [deep(px, 0), deep(px, 1), deep(px, 2), deep(px, 3)]
        }),
        _ => return None,
    })
}

/// Every pixel as it is: the colour of what is half transparent too.
pub(crate) fn as_it_is(
    buffer: &[u8],
    color: ColorType,
    (width, height): (usize, usize),
) -> Option<Grid> {
    let of = |size: usize, read: fn(&[u8]) -> [u8; 4]| -> Vec<[u8; 4]> {
        buffer.chunks_exact(size).map(read).collect()
    };
    fn deep(px: &[u8], i: usize) -> u8 {
        (u16::from_ne_bytes([px[2 * i], px[2 * i + 1]]) >> 8) as u8
    }
    let pixels = match color {
        ColorType::L8 => of(1, |px| [px[0], px[0], px[0], 255]),
        ColorType::La8 => of(2, |px| [px[0], px[0], px[0], px[1]]),
        ColorType::Rgb8 => of(3, |px| [px[0], px[1], px[2], 255]),
        ColorType::Rgba8 => of(4, |px| [px[0], px[1], px[2], px[3]]),
        ColorType::L16 => of(2, |px| [deep(px, 0), deep(px, 0), deep(px, 0), 255]),
        ColorType::La16 => of(4, |px| [deep(px, 0), deep(px, 0), deep(px, 0), deep(px, 1)]),
        ColorType::Rgb16 => of(6, |px| [deep(px, 0), deep(px, 1), deep(px, 2), 255]),
        ColorType::Rgba16 => of(8, |px| [deep(px, 0), deep(px, 1), deep(px, 2), deep(px, 3)]),
        _ => return None,
    };
    Some(Grid {
        width,
        height,
        pixels,
    })
}

/// Averages a grid further.
pub(crate) fn smaller(grid: &Grid, most: usize) -> Grid {
    let rows = Rows {
        buffer: grid.pixels.as_flattened(),
        width: grid.width,
        height: grid.height,
        size: 4,
    };
    // These are seen over white already: what is covered weighs by how much it covers.
    rows.weighed(most, |px| [px[0], px[1], px[2], px[3]], |_, value| value)
}

struct Rows<'a> {
    buffer: &'a [u8],
    width: usize,
    height: usize,
    size: usize,
}

/// What falls into one box.
#[derive(Clone, Copy, Default)]
struct Sum {
    color: [u64; 3],
    weight: u64,
    covered: u64,
    count: u64,
}

/// A channel seen over white.
fn over_white(alpha: u32, value: u32) -> u32 {
    (value * alpha + 255 * (255 - alpha) + 127) / 255
}

impl Rows<'_> {
    /// The same for pixels that hide all behind them: plain sums, which is what photos need.
    fn opaque(&self, most: usize, read: impl Fn(&[u8]) -> [u8; 3]) -> Grid {
        let (step, width, height) = self.boxes(most);
        let mut pixels = Vec::with_capacity(width * height);
        let mut sums = vec![[0u32; 3]; width];
        let row_bytes = self.width * self.size;
        for band in self.buffer.chunks(row_bytes * step).take(height) {
            sums.fill([0; 3]);
            for row in band.chunks_exact(row_bytes) {
                for (sum, cell) in sums.iter_mut().zip(row.chunks(self.size * step)) {
                    for px in cell.chunks_exact(self.size) {
                        let [r, g, b] = read(px);
                        sum[0] += u32::from(r);
                        sum[1] += u32::from(g);
                        sum[2] += u32::from(b);
                    }
                }
            }
            let rows = (band.len() / row_bytes) as u32;
            pixels.extend(sums.iter().enumerate().map(|(i, sum)| {
                let columns = (self.width - i * step).min(step) as u32;
                let count = (rows * columns).max(1);
                let [r, g, b] = sum.map(|v| ((v + count / 2) / count) as u8);
                [r, g, b, 255]
            }));
        }
        Grid {
            width,
            height,
            pixels,
        }
    }

    /// Pixels a side of a box, and how many boxes there are.
    fn boxes(&self, most: usize) -> (usize, usize, usize) {
        let step = self.width.max(self.height).div_ceil(most.max(1)).max(1);
        (step, self.width.div_ceil(step), self.height.div_ceil(step))
    }

    fn average(&self, most: usize, read: impl Fn(&[u8]) -> [u8; 4]) -> Grid {
        self.weighed(most, read, over_white)
    }

    fn weighed(
        &self,
        most: usize,
        read: impl Fn(&[u8]) -> [u8; 4],
        seen: impl Fn(u32, u32) -> u32,
    ) -> Grid {
        let (step, width, height) = self.boxes(most);
        let mut pixels = Vec::with_capacity(width * height);
        let mut sums = vec![Sum::default(); width];
        let row_bytes = self.width * self.size;
        for band in self.buffer.chunks(row_bytes * step).take(height) {
            sums.fill(Sum::default());
            for row in band.chunks_exact(row_bytes) {
                for (sum, cell) in sums.iter_mut().zip(row.chunks(self.size * step)) {
                    sum.add(cell, self.size, &read, &seen);
                }
            }
            pixels.extend(sums.iter().map(Sum::pixel));
        }
        Grid {
            width,
            height,
            pixels,
        }
    }
}

impl Sum {
    fn add(
        &mut self,
        cell: &[u8],
        size: usize,
        read: &impl Fn(&[u8]) -> [u8; 4],
        seen: &impl Fn(u32, u32) -> u32,
    ) {
        for px in cell.chunks_exact(size) {
            let [r, g, b, a] = read(px).map(u32::from);
            self.count += 1;
            if a == 255 {
                self.covered += 255;
                self.weight += 255;
                for (sum, v) in self.color.iter_mut().zip([r, g, b]) {
                    *sum += u64::from(255 * v);
                }
            } else if a > 0 {
                self.covered += 255;
                self.weight += u64::from(a);
                for (sum, v) in self.color.iter_mut().zip([r, g, b]) {
                    *sum += u64::from(a * seen(a, v));
                }
            }
        }
    }

    fn pixel(&self) -> [u8; 4] {
        if self.weight == 0 {
            return [255, 255, 255, 0];
        }
        let [r, g, b] = self
            .color
            .map(|v| ((v + self.weight / 2) / self.weight) as u8);
        [r, g, b, (self.covered / self.count.max(1)) as u8]
    }
}
