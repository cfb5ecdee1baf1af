//! The colours of a picture (engine document, "Colours from a picture").

use rhodon_color::{Oklab, Rgb8, difference};

use crate::cluster::{Sample, centres, nearest, squared};
use crate::lean::Lean;
use crate::pick::{is_between, merged, picked};
use crate::picture::Picture;
use crate::shrink::{self, Grid};
use crate::spot::deepest;

/// The most colours that are looked for.
pub const MOST_COLORS: usize = 12;
/// The longest side of what is looked at, in pixels.
const LOOKED_AT: usize = 256;
/// Centres before near ones become one.
const CENTRES: usize = 24;
/// Oklab distance from its centre at which an area counts half.
const EVEN: f32 = 0.014;
/// How thin, in thirds of a pixel to its edge, an area is that softens an edge.
const THIN: u32 = 4;
/// CIEDE2000 below which a colour that was found is one that is written in a mark.
const SAME: f64 = 6.0;

/// A colour that stands in a picture.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Found {
    /// Its code.
    pub color: Rgb8,
    /// How much of what is covered it stands for, 0–1.
    pub share: f64,
    /// Its spot: 0–1 from the left.
    pub x: f64,
    /// Its spot: 0–1 from the top.
    pub y: f64,
}

impl Picture {
    /// Its colours, the most telling first: those written in a mark exact and by the area they paint,
    /// then what is seen. At most `count`, up to [`MOST_COLORS`].
    pub fn colors(&self, count: usize, lean: Option<Lean>) -> Vec<Found> {
        let count = count.clamp(1, MOST_COLORS);
        let seen = Seen::new(shrink::smaller(&self.grid, LOOKED_AT));
        let mut found = seen.written(&self.written);
        if let Some(lean) = lean {
            let by = |f: &Found| lean.favour(lab(f.color)) * (f.share.max(1e-4) as f32).sqrt();
            found.sort_by(|a, b| by(b).total_cmp(&by(a)));
        }
        let is_new = |found: &[Found], color| {
            let mut known = found.iter().map(|f| f.color);
            known.all(|known| difference(known, color) >= SAME)
        };
        if found.len() < count {
            for other in seen.found(count, lean) {
                if found.is_empty() || self.written.is_empty() || is_new(&found, other.color) {
                    found.push(other);
                }
            }
        }
        found.truncate(count);
        found
    }
}

fn lab(color: Rgb8) -> [f32; 3] {
    let lab = Oklab::from_linear(color.to_linear());
    [lab.l as f32, lab.a as f32, lab.b as f32]
}

fn code(lab: [f32; 3]) -> Rgb8 {
    let [l, a, b] = lab.map(f64::from);
    Rgb8::from_linear_clipped(Oklab { l, a, b }.to_linear())
}

/// What is looked at, in Oklab.
struct Seen {
    grid: Grid,
    samples: Vec<Sample>,
    covered: f32,
}

impl Seen {
    fn new(grid: Grid) -> Self {
        let sample = |p: &[u8; 4]| Sample {
            lab: lab(Rgb8::new(p[0], p[1], p[2])),
            weight: f32::from(p[3]) / 255.0,
        };
        let samples: Vec<Sample> = grid.pixels.iter().map(sample).collect();
        let covered = samples.iter().map(|s| s.weight).sum::<f32>().max(1e-6);
        Self {
            grid,
            samples,
            covered,
        }
    }

    /// Written colours by the area they paint: every pixel counts for the nearest.
    fn written(&self, colors: &[Rgb8]) -> Vec<Found> {
        if colors.is_empty() {
            return Vec::new();
        }
        let written: Vec<Sample> = colors
            .iter()
            .map(|c| Sample {
                lab: lab(*c),
                weight: 0.0,
            })
            .collect();
        let of = self.assigned(&written);
        let mut found: Vec<Found> = colors
            .iter()
            .enumerate()
            .map(|(i, color)| self.told(*color, &of, i))
            .collect();
        found.sort_by(|a, b| b.share.total_cmp(&a.share));
        found
    }

    /// For every pixel, which of the colours is nearest.
    fn assigned(&self, centres: &[Sample]) -> Vec<u8> {
        self.samples
            .iter()
            .map(|s| nearest(centres, s.lab) as u8)
            .collect()
    }

    /// A colour with its share and its spot: deepest in the area where it is itself.
    fn told(&self, color: Rgb8, of: &[u8], index: usize) -> Found {
        let (own, goal) = (index as u8, lab(color));
        let is = |i: usize| of[i] == own && self.samples[i].weight > 0.5;
        let near = |i: usize| is(i) && squared(self.samples[i].lab, goal) < 4e-4;
        let (width, height) = (self.grid.width, self.grid.height);
        let spot = deepest(width, height, near).or_else(|| deepest(width, height, is));
        let (x, y) = spot.map_or((0.5, 0.5), |spot| (spot.x, spot.y));
        let area: f32 = of
            .iter()
            .zip(&self.samples)
            .filter(|(of, _)| **of == own)
            .map(|(_, s)| s.weight)
            .sum();
        Found {
            color,
            share: f64::from(area / self.covered),
            x,
            y,
        }
    }

    /// Colours by area and by how far they stand from those that were picked before.
    fn found(&self, count: usize, lean: Option<Lean>) -> Vec<Found> {
        let centres = centres(&self.binned(), CENTRES);
        let of = self.assigned(&centres);
        let centres = merged(&centres, &self.flatness(&centres, &of));
        let of = self.assigned(&centres);
        let exact = self.commonest(centres.len(), &of);
        let flat = self.flatness(&centres, &of);
        let centres = self.without_edges(centres, &of);
        let picked = picked(&centres, &flat, self.covered, count, lean);
        picked
            .into_iter()
            .map(|i| self.told(exact[i].unwrap_or_else(|| code(centres[i].lab)), &of, i))
            .collect()
    }

    /// Takes the area of what only softens the edge between two others: thin, and of a colour between
    /// theirs, or between one of theirs and the white it is seen on.
    fn without_edges(&self, mut centres: Vec<Sample>, of: &[u8]) -> Vec<Sample> {
        let (width, height) = (self.grid.width, self.grid.height);
        let codes: Vec<[f32; 3]> = centres
            .iter()
            .map(|c| code(c.lab).channels().map(f32::from))
            .collect();
        for i in (0..centres.len()).rev() {
            let larger = |j: &usize| centres[*j].weight > centres[i].weight;
            let ends: Vec<[f32; 3]> = (0..centres.len())
                .filter(larger)
                .map(|j| codes[j])
                .chain([[255.0; 3]])
                .collect();
            let between = |(n, a): (usize, &[f32; 3])| {
                ends[n + 1..].iter().any(|b| is_between(codes[i], *a, *b))
            };
            if !ends.iter().enumerate().any(between) {
                continue;
            }
            let depth = deepest(width, height, |p| usize::from(of[p]) == i);
            if depth.is_none_or(|d| d.thirds <= THIN) {
                centres[i].weight = 0.0;
            }
        }
        centres
    }

    /// How even the area of each centre is, 0–1: a shape of one colour against a piece of a ground that
    /// runs from one colour to another, which is cut wherever it happens to be.
    fn flatness(&self, centres: &[Sample], of: &[u8]) -> Vec<f32> {
        let mut spread = vec![0f32; centres.len()];
        let mut weight = vec![1e-6f32; centres.len()];
        for (sample, own) in self.samples.iter().zip(of) {
            let own = usize::from(*own);
            spread[own] += sample.weight * squared(sample.lab, centres[own].lab);
            weight[own] += sample.weight;
        }
        let flat = |(spread, weight): (f32, f32)| 1.0 / (1.0 + spread / weight / (EVEN * EVEN));
        spread.into_iter().zip(weight).map(flat).collect()
    }

    /// Pixels of nearly one colour as one sample: 5 bits a channel.
    fn binned(&self) -> Vec<Sample> {
        let mut bins = vec![[0f32; 4]; 1 << 15];
        for (pixel, sample) in self.grid.pixels.iter().zip(&self.samples) {
            let [r, g, b, _] = pixel.map(|v| usize::from(v >> 3));
            let bin = &mut bins[r << 10 | g << 5 | b];
            for (sum, v) in bin.iter_mut().zip(sample.lab) {
                *sum += v * sample.weight;
            }
            bin[3] += sample.weight;
        }
        bins.into_iter()
            .filter(|bin| bin[3] > 0.0)
            .map(|[l, a, b, weight]| Sample {
                lab: [l / weight, a / weight, b / weight],
                weight,
            })
            .collect()
    }
}

/// How much of a centre's area one code must have to stand for it exactly: flat marks keep their code,
/// a photo's noise does not decide.
const FLAT: f32 = 0.25;

impl Seen {
    /// For each centre the one code that most of its area has, where there is one.
    fn commonest(&self, count: usize, of: &[u8]) -> Vec<Option<Rgb8>> {
        let opaque = self.grid.pixels.iter().zip(of).filter(|(p, _)| p[3] == 255);
        let mut codes: Vec<[u8; 4]> = opaque.map(|(p, own)| [*own, p[0], p[1], p[2]]).collect();
        let all = codes.len();
        // In order, equal codes stand in runs.
        codes.sort_unstable();
        let mut area = vec![0usize; count];
        let mut best: Vec<(usize, Option<Rgb8>)> = vec![(0, None); count];
        for run in codes.chunk_by(|a, b| a == b) {
            let [own, r, g, b] = run[0];
            let own = usize::from(own);
            area[own] += run.len();
            if run.len() > best[own].0 {
                best[own] = (run.len(), Some(Rgb8::new(r, g, b)));
            }
        }
        let flat = |(i, (count, code)): (usize, (usize, Option<Rgb8>))| {
            code.filter(|_| count * 1000 > all && count as f32 >= FLAT * area[i] as f32)
        };
        best.into_iter().enumerate().map(flat).collect()
    }
}
