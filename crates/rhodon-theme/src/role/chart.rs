//! Eight chart colours that stay apart for every eye, on the page and on cards.
//!
//! The first is the primary colour, where it shows; each further one is the candidate that is
//! furthest from all before it in the kind of vision in which they are nearest.

use std::sync::LazyLock;

use rhodon_color::{HueSlice, Oklab, Rgb8, Vision, VisionKind, contrast_ratio, luminance_from_lightness};

use super::GRAPHIC;
use super::painter::{Choice, Painter};
use crate::token::Mode;
use crate::value::ColorValue;

const COUNT: usize = 8;
/// Share of the gamut's chroma, and the most chroma, of a candidate.
const STRENGTH: (f64, f64) = (0.85, 0.16);
const HUES: usize = 24;

/// A colour as seen by normal, protan, deutan and tritan eyes.
#[derive(Clone, Copy, Debug)]
struct Seen {
    code: Rgb8,
    eyes: [Oklab; 4],
}

impl Seen {
    fn new(code: Rgb8) -> Self {
        let lab = |c: Rgb8| Oklab::from_linear(c.to_linear());
        let [p, d, t] = VisionKind::ALL.map(|kind| lab(Vision::new(kind, 1.0).see(code)));
        Self { code, eyes: [lab(code), p, d, t] }
    }

    /// Least distance in any kind of vision.
    fn distance(&self, other: &Self) -> f64 {
        self.eyes.iter().zip(other.eyes).map(|(a, b)| a.distance(b)).fold(f64::INFINITY, f64::min)
    }
}

static CANDIDATES: LazyLock<[Vec<Seen>; 2]> = LazyLock::new(|| {
    [candidates(&[20.0, 30.0, 40.0, 50.0, 58.0]), candidates(&[50.0, 60.0, 70.0, 80.0, 90.0])]
});

fn candidates(tones: &[f64]) -> Vec<Seen> {
    let mut out = Vec::with_capacity(tones.len() * HUES);
    for tone in tones {
        for i in 0..HUES {
            let slice = HueSlice::new(i as f64 * 360.0 / HUES as f64);
            let y = luminance_from_lightness(*tone);
            let chroma = (STRENGTH.0 * slice.max_chroma(y)).min(STRENGTH.1);
            out.push(Seen::new(Rgb8::from_linear_clipped(slice.linear_at(y, chroma))));
        }
    }
    out
}

pub(crate) fn paint(p: &mut Painter<'_>) {
    let Some(edge) = p.find("primary.edge") else { return };
    let grounds = [p.surfaces[0], p.surfaces[1]];
    let shows = |code: Rgb8| grounds.iter().all(|g| contrast_ratio(code, p.code(*g)) >= GRAPHIC);
    let index = match p.mode {
        Mode::Light => 0,
        Mode::Dark => 1,
    };
    let pool: Vec<Seen> = CANDIDATES[index].iter().filter(|c| shows(c.code)).copied().collect();
    let first = Seen::new(p.code(edge));
    let mut nearest: Vec<f64> = pool.iter().map(|c| c.distance(&first)).collect();
    let id = p.put_same("chart.1", edge);
    let mut ids = vec![id];
    for n in 2..=COUNT {
        let Some(best) = (0..pool.len()).max_by(|a, b| nearest[*a].total_cmp(&nearest[*b])) else { break };
        let chosen = pool[best];
        for (d, c) in nearest.iter_mut().zip(&pool) {
            *d = d.min(c.distance(&chosen));
        }
        let reason = "furthest from the chart colours before it, in every kind of vision".into();
        let color = ColorValue::opaque(chosen.code);
        ids.push(p.put(format!("chart.{n}"), Choice { color, alias: None, reason }));
    }
    for id in ids {
        for ground in grounds {
            p.pair(id, ground, GRAPHIC);
        }
    }
}
