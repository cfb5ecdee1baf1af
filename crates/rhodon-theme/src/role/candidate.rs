//! The colours that a chart's are chosen from, and the choice.

use std::collections::HashMap;
use std::sync::LazyLock;

use foldhash::fast::RandomState;
use rhodon_color::{ContrastOn, HueSlice, Oklab, Rgb8, VisionKind, luminance_from_lightness};

/// Rounds of exchanging; more change nothing.
const ROUNDS: usize = 2;
/// How many distances are compared at once.
const LANES: usize = 8;
/// Hues of the set, and shares of the gamut's chroma with the most chroma of each.
const HUES: usize = 24;
const STRENGTHS: [(f64, f64); 2] = [(0.95, 0.19), (0.4, 0.07)];

/// A colour as seen by normal, protan, deutan and tritan eyes.
fn seen(code: Rgb8) -> [Oklab; 4] {
    let lab = |c: Rgb8| Oklab::from_linear(c.to_linear());
    let [p, d, t] = VisionKind::ALL.map(|kind| lab(kind.full().see(code)));
    [lab(code), p, d, t]
}

/// Many colours as seen by one pair of eyes, a row for each coordinate: the compiler then handles several
/// colours at once.
#[derive(Default)]
struct View {
    l: Vec<f64>,
    a: Vec<f64>,
    b: Vec<f64>,
}

impl View {
    fn push(&mut self, lab: Oklab) {
        self.l.push(lab.l);
        self.a.push(lab.a);
        self.b.push(lab.b);
    }

    /// Takes the square of the distance of each from a colour where it is less than what is there.
    fn lower_to(&self, from: Oklab, squares: &mut [f64]) {
        let rows = self.l.iter().zip(&self.a).zip(&self.b);
        for (square, ((l, a), b)) in squares.iter_mut().zip(rows) {
            let (l, a, b) = (l - from.l, a - from.a, b - from.b);
            let own = l * l + a * a + b * b;
            *square = if own < *square { own } else { *square };
        }
    }
}

/// The colours to choose from, and how far apart any two are. Both are the same for every theme.
pub(super) struct Candidates {
    codes: Vec<Rgb8>,
    /// Where each stands among the codes.
    places: HashMap<Rgb8, usize, RandomState>,
    /// The same, as each kind of eyes sees them.
    views: [View; 4],
    /// The same, prepared for many contrasts.
    contrasts: Vec<ContrastOn>,
    /// Row by row.
    distances: Vec<f32>,
}

/// Those of light and of dark mode.
pub(super) static CANDIDATES: LazyLock<[Candidates; 2]> = LazyLock::new(|| {
    [
        Candidates::new(&[16.0, 26.0, 36.0, 46.0, 55.0, 59.0]),
        Candidates::new(&[47.0, 56.0, 65.0, 74.0, 83.0, 93.0]),
    ]
});

impl Candidates {
    fn new(tones: &[f64]) -> Self {
        let mut codes = Vec::with_capacity(tones.len() * HUES * STRENGTHS.len());
        for tone in tones {
            for i in 0..HUES {
                let slice = HueSlice::new(i as f64 * 360.0 / HUES as f64);
                let y = luminance_from_lightness(*tone);
                for (share, most) in STRENGTHS {
                    let chroma = (share * slice.max_chroma(y)).min(most);
                    codes.push(slice.code_at(*tone, chroma));
                }
            }
        }
        let mut views: [View; 4] = Default::default();
        for code in &codes {
            for (view, lab) in views.iter_mut().zip(seen(*code)) {
                view.push(lab);
            }
        }
        let mut set = Self {
            places: codes
                .iter()
                .enumerate()
                .rev()
                .map(|(i, code)| (*code, i))
                .collect(),
            contrasts: codes.iter().map(|code| ContrastOn::new(*code)).collect(),
            views,
            codes,
            distances: Vec::new(),
        };
        set.distances = set
            .codes
            .iter()
            .flat_map(|code| set.distances_to(*code))
            .collect();
        set
    }

    /// The least distance of each from a colour, in any kind of vision.
    fn distances_to(&self, code: Rgb8) -> Vec<f32> {
        let mut squares = vec![f64::INFINITY; self.codes.len()];
        for (view, from) in self.views.iter().zip(seen(code)) {
            view.lower_to(from, &mut squares);
        }
        squares
            .into_iter()
            .map(|square| square.sqrt() as f32)
            .collect()
    }

    /// Distances from one candidate to all.
    fn row(&self, index: usize) -> &[f32] {
        let count = self.codes.len();
        &self.distances[index * count..(index + 1) * count]
    }

    /// Other colours in the place of those that do not show, each as far as can be from all that stay.
    pub(super) fn exchange(
        &self,
        shows: impl Fn(ContrastOn) -> bool,
        first: Rgb8,
        usual: &[Rgb8],
    ) -> Vec<Rgb8> {
        let mut out = usual.to_vec();
        let is_seen = |code: &Rgb8| shows(ContrastOn::new(*code));
        if usual.iter().all(is_seen) {
            return out;
        }
        let mut nearest = self.distances_from(&shows, first);
        for code in usual.iter().filter(|code| is_seen(code)) {
            match self.places.get(code) {
                Some(known) => lower(&mut nearest, self.row(*known)),
                None => lower(&mut nearest, &self.distances_to(*code)),
            }
        }
        for code in out.iter_mut().filter(|code| !is_seen(code)) {
            let best = furthest(&nearest);
            *code = self.codes[best];
            lower(&mut nearest, self.row(best));
        }
        out
    }

    /// The distance of each from a colour; what does not show is nearer than anything, so that it is never
    /// the furthest.
    fn distances_from(&self, shows: impl Fn(ContrastOn) -> bool, first: Rgb8) -> Vec<f32> {
        let mut distances = self.distances_to(first);
        for (distance, on) in distances.iter_mut().zip(&self.contrasts) {
            if !shows(*on) {
                *distance = -1.0;
            }
        }
        distances
    }

    /// `count` candidates that show, apart from each other and from `first`.
    pub(super) fn choose(
        &self,
        shows: impl Fn(ContrastOn) -> bool,
        first: Rgb8,
        count: usize,
    ) -> Vec<Rgb8> {
        let from_first = self.distances_from(shows, first);
        let mut nearest = from_first.clone();
        let mut chosen: Vec<usize> = Vec::with_capacity(count);
        for _ in 0..count {
            let best = furthest(&nearest);
            chosen.push(best);
            lower(&mut nearest, self.row(best));
        }
        for _ in 0..ROUNDS {
            let before = chosen.clone();
            self.exchange_each(&from_first, &mut chosen);
            if chosen == before {
                break;
            }
        }
        chosen.into_iter().map(|index| self.codes[index]).collect()
    }

    /// Exchanges each in turn for whatever is furthest from all others. Those that come later are as they were
    /// before the round: their distances are taken together once, last first.
    fn exchange_each(&self, from_first: &[f32], chosen: &mut [usize]) {
        let mut from_later = vec![from_first.to_vec()];
        for index in chosen.iter().skip(1).rev() {
            let mut nearest = from_later[from_later.len() - 1].clone();
            lower(&mut nearest, self.row(*index));
            from_later.push(nearest);
        }
        let mut from_earlier: Option<Vec<f32>> = None;
        for (index, mut nearest) in chosen.iter_mut().zip(from_later.into_iter().rev()) {
            if let Some(earlier) = &from_earlier {
                lower(&mut nearest, earlier);
            }
            *index = furthest(&nearest);
            let row = self.row(*index);
            match &mut from_earlier {
                Some(earlier) => lower(earlier, row),
                None => from_earlier = Some(row.to_vec()),
            }
        }
    }
}

/// Takes the smaller of two distances, place by place. Plain comparison, and whole rows, let
/// the compiler handle several at once.
fn lower(nearest: &mut [f32], row: &[f32]) {
    for (n, r) in nearest.iter_mut().zip(row) {
        *n = if *r < *n { *r } else { *n };
    }
}

/// The first index with the largest value. The largest is sought in several lanes, for the compiler
/// to handle them at once.
fn furthest(distances: &[f32]) -> usize {
    let (rows, rest) = distances.as_chunks::<LANES>();
    let mut most = [f32::NEG_INFINITY; LANES];
    for row in rows {
        for (most, distance) in most.iter_mut().zip(row) {
            *most = if *distance > *most { *distance } else { *most };
        }
    }
    let all = most.iter().chain(rest);
    let largest = all.fold(f32::NEG_INFINITY, |a, b| a.max(*b));
    let first = distances.iter().position(|distance| *distance == largest);
    first.unwrap_or_default()
}
