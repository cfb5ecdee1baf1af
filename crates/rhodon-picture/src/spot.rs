//! Places in a picture.

use rhodon_color::Rgb8;

use crate::shrink::Grid;

/// The mean colour around a place, of what is covered there.
pub(crate) fn average(grid: &Grid, x: f64, y: f64, radius: f64) -> Option<Rgb8> {
    let column = |v: f64, size: usize| ((v.clamp(0.0, 1.0) * size as f64) as usize).min(size - 1);
    let (cx, cy) = (column(x, grid.width), column(y, grid.height));
    let reach = (radius.clamp(0.0, 0.25) * grid.width.max(grid.height) as f64).round() as usize;
    let (mut sum, mut weight) = ([0u64; 3], 0u64);
    for row in cy.saturating_sub(reach)..=(cy + reach).min(grid.height - 1) {
        for col in cx.saturating_sub(reach)..=(cx + reach).min(grid.width - 1) {
            if col.abs_diff(cx).pow(2) + row.abs_diff(cy).pow(2) > reach.pow(2) {
                continue;
            }
            let [r, g, b, a] = grid.pixels[row * grid.width + col].map(u64::from);
            weight += a;
            for (sum, v) in sum.iter_mut().zip([r, g, b]) {
                *sum += a * v;
            }
        }
    }
    let [r, g, b] = sum.map(|v| (v + weight / 2).checked_div(weight).unwrap_or(0) as u8);
    (weight > 0).then_some(Rgb8::new(r, g, b))
}

/// A place inside an area; `x` and `y` are 0–1.
#[derive(Clone, Copy, Debug, PartialEq)]
pub(crate) struct Depth {
    pub x: f64,
    pub y: f64,
    pub thirds: u32,
}

/// The place deepest inside an area and its depth in thirds of a pixel. Distance
/// to the edge by two passes (Borgefors 1986, chamfer 3–4).
pub(crate) fn deepest(
    width: usize,
    height: usize,
    inside: impl Fn(usize) -> bool,
) -> Option<Depth> {
    let at = |col: usize, row: usize| row * width + col;
    let mut depth: Vec<u32> = (0..width * height)
        .map(|i| if inside(i) { u32::MAX / 2 } else { 0 })
        .collect();
    let edge = 3;
    for row in 0..height {
        for col in 0..width {
            let i = at(col, row);
            if depth[i] == 0 {
                continue;
            }
            let mut least = if col == 0 || row == 0 { edge } else { depth[i] };
            if col > 0 {
                least = least.min(depth[i - 1] + 3);
            }
            if row > 0 {
                least = least.min(depth[i - width] + 3);
                if col > 0 {
                    least = least.min(depth[i - width - 1] + 4);
                }
                if col + 1 < width {
                    least = least.min(depth[i - width + 1] + 4);
                }
            }
            depth[i] = least;
        }
    }
    let mut best: Option<(u32, usize)> = None;
    for row in (0..height).rev() {
        for col in (0..width).rev() {
            let i = at(col, row);
            if depth[i] == 0 {
                continue;
            }
            let last = col + 1 == width || row + 1 == height;
            let mut least = if last { depth[i].min(edge) } else { depth[i] };
            if col + 1 < width {
                least = least.min(depth[i + 1] + 3);
            }
            if row + 1 < height {
                least = least.min(depth[i + width] + 3);
                if col > 0 {
                    least = least.min(depth[i + width - 1] + 4);
                }
                if col + 1 < width {
                    least = least.min(depth[i + width + 1] + 4);
                }
            }
            depth[i] = least;
            if best.is_none_or(|(most, _)| least >= most) {
                best = Some((least, i));
            }
        }
    }
    let (thirds, i) = best?;
    let middle = |v: usize, size: usize| (v as f64 + 0.5) / size as f64;
    Some(Depth {
        x: middle(i % width, width),
        y: middle(i / width, height),
        thirds,
    })
}
