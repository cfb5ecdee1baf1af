//! Eight chart colours that stay apart for every eye, on the page and on cards.
//!
//! The first is the primary colour, where it shows. The others are chosen from a fixed set:
//! first each as far as can be from those before it, in the kind of vision in which they are
//! nearest; then each is exchanged, in turn, for whatever keeps all of them further apart.

use std::sync::{Arc, LazyLock};

use quick_cache::sync::Cache;
use rhodon_color::{ContrastOn, HueSlice, Oklab, Rgb8, VisionKind, luminance_from_lightness};

use super::painter::{Choice, Painter};
use crate::level::Level;
use crate::token::Mode;
use crate::value::ColorValue;
use crate::vocabulary::{Intent, IntentPart, Role};

const CHARTS: [Role; 8] = [
    Role::CHART_1,
    Role::CHART_2,
    Role::CHART_3,
    Role::CHART_4,
    Role::CHART_5,
    Role::CHART_6,
    Role::CHART_7,
    Role::CHART_8,
];
/// Rounds of exchanging; more change nothing.
const ROUNDS: usize = 2;
/// Hues of the set, and shares of the gamut's chroma with the most chroma of each.
const HUES: usize = 24;
const STRENGTHS: [(f64, f64); 2] = [(0.95, 0.19), (0.4, 0.07)];

/// A colour as seen by normal, protan, deutan and tritan eyes.
#[derive(Clone, Copy, Debug)]
struct Seen {
    code: Rgb8,
    eyes: [Oklab; 4],
}

impl Seen {
    fn new(code: Rgb8) -> Self {
        let lab = |c: Rgb8| Oklab::from_linear(c.to_linear());
        let [p, d, t] = VisionKind::ALL.map(|kind| lab(kind.full().see(code)));
        Self {
            code,
            eyes: [lab(code), p, d, t],
        }
    }

    /// Least distance in any kind of vision.
    fn distance(&self, other: &Self) -> f32 {
        let squares = self.eyes.iter().zip(other.eyes).map(|(a, b)| {
            let (l, a, b) = (a.l - b.l, a.a - b.a, a.b - b.b);
            l * l + a * a + b * b
        });
        squares.fold(f64::INFINITY, f64::min).sqrt() as f32
    }
}

/// The colours to choose from, and how far apart any two are. Both are the same for every theme.
struct Candidates {
    colors: Vec<Seen>,
    /// The same, prepared for many contrasts.
    contrasts: Vec<ContrastOn>,
    /// Row by row.
    distances: Vec<f32>,
}

static CANDIDATES: LazyLock<[Candidates; 2]> = LazyLock::new(|| {
    [
        Candidates::new(&[16.0, 26.0, 36.0, 46.0, 55.0, 59.0]),
        Candidates::new(&[47.0, 56.0, 65.0, 74.0, 83.0, 93.0]),
    ]
});

impl Candidates {
    fn new(tones: &[f64]) -> Self {
        let mut colors = Vec::with_capacity(tones.len() * HUES * STRENGTHS.len());
        for tone in tones {
            for i in 0..HUES {
                let slice = HueSlice::new(i as f64 * 360.0 / HUES as f64);
                let y = luminance_from_lightness(*tone);
                for (share, most) in STRENGTHS {
                    let chroma = (share * slice.max_chroma(y)).min(most);
                    colors.push(Seen::new(slice.code_at(*tone, chroma)));
                }
            }
        }
        let distances = colors
            .iter()
            .flat_map(|a| colors.iter().map(|b| a.distance(b)))
            .collect();
        let contrasts = colors.iter().map(|c| ContrastOn::new(c.code)).collect();
        Self {
            colors,
            contrasts,
            distances,
        }
    }

    /// Distances from one candidate to all.
    fn row(&self, index: usize) -> &[f32] {
        let count = self.colors.len();
        &self.distances[index * count..(index + 1) * count]
    }

    /// Other colours in the place of those that do not show, each as far as can be from all that stay.
    fn exchange(
        &self,
        shows: impl Fn(ContrastOn) -> bool,
        first: &Seen,
        usual: &[Rgb8],
    ) -> Vec<Rgb8> {
        let mut out = usual.to_vec();
        let is_seen = |code: &Rgb8| shows(ContrastOn::new(*code));
        if usual.iter().all(is_seen) {
            return out;
        }
        let mut nearest = self.distances_from(&shows, first);
        for code in usual.iter().filter(|code| is_seen(code)) {
            match self.colors.iter().position(|c| c.code == *code) {
                Some(known) => lower(&mut nearest, self.row(known)),
                None => {
                    let own = Seen::new(*code);
                    let row: Vec<f32> = self.colors.iter().map(|c| c.distance(&own)).collect();
                    lower(&mut nearest, &row);
                }
            }
        }
        for code in out.iter_mut().filter(|code| !is_seen(code)) {
            let best = furthest(&nearest);
            *code = self.colors[best].code;
            lower(&mut nearest, self.row(best));
        }
        out
    }

    /// The distance of each from a colour; what does not show is nearer than anything, so that it is never
    /// the furthest.
    fn distances_from(&self, shows: impl Fn(ContrastOn) -> bool, first: &Seen) -> Vec<f32> {
        let distance = |(c, on): (&Seen, &ContrastOn)| match shows(*on) {
            true => c.distance(first),
            false => -1.0,
        };
        self.colors
            .iter()
            .zip(&self.contrasts)
            .map(distance)
            .collect()
    }

    /// `count` candidates that show, apart from each other and from `first`.
    fn choose(&self, shows: impl Fn(ContrastOn) -> bool, first: &Seen, count: usize) -> Vec<Rgb8> {
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
            for i in 0..chosen.len() {
                nearest.copy_from_slice(&from_first);
                for (_, other) in chosen.iter().enumerate().filter(|(j, _)| *j != i) {
                    lower(&mut nearest, self.row(*other));
                }
                chosen[i] = furthest(&nearest);
            }
            if chosen == before {
                break;
            }
        }
        chosen
            .into_iter()
            .map(|index| self.colors[index].code)
            .collect()
    }
}

/// All that a choice depends on.
#[derive(Clone, Debug, PartialEq, Eq, Hash)]
struct Asked {
    mode: Mode,
    level: Level,
    first: Rgb8,
    grounds: [Rgb8; 2],
    usual: Vec<Rgb8>,
}

/// How many choices are kept: most documents after another one ask for the same again.
const KEPT: usize = 512;

static CHOSEN: LazyLock<Cache<Asked, Arc<[Rgb8]>>> = LazyLock::new(|| Cache::new(KEPT));

impl Asked {
    fn chosen(self, choose: impl FnOnce(&Self) -> Vec<Rgb8>) -> Arc<[Rgb8]> {
        if let Some(known) = CHOSEN.get(&self) {
            return known;
        }
        let chosen: Arc<[Rgb8]> = choose(&self).into();
        CHOSEN.insert(self, chosen.clone());
        chosen
    }
}

/// The chart colours of the usual level behind the first, where another one is painted.
fn usual_colors(p: &Painter<'_>) -> Vec<Rgb8> {
    let of = |role: &Role| {
        let token = p.on.usual.iter().find(|t| *t.path == *role.path())?;
        Some(token.cell(p.mode).value.color()?.code)
    };
    CHARTS[1..].iter().filter_map(of).collect()
}

/// Takes the smaller of two distances, place by place. Plain comparison, and whole rows, let
/// the compiler handle several at once.
fn lower(nearest: &mut [f32], row: &[f32]) {
    for (n, r) in nearest.iter_mut().zip(row) {
        *n = if *r < *n { *r } else { *n };
    }
}

/// The first index with the largest value.
fn furthest(distances: &[f32]) -> usize {
    let mut best = 0;
    for (i, d) in distances.iter().enumerate() {
        if *d > distances[best] {
            best = i;
        }
    }
    best
}

pub(crate) fn paint(p: &mut Painter<'_>) {
    let Some(edge) = p.find(Intent::Primary.role(IntentPart::Edge)) else {
        return;
    };
    let grounds = [p.surfaces[0], p.surfaces[1]];
    let set = match p.mode {
        Mode::Light => &CANDIDATES[0],
        Mode::Dark => &CANDIDATES[1],
    };
    let on = grounds.map(|g| ContrastOn::new(p.code(g)));
    let shows = |c: ContrastOn| on.iter().all(|g| g.between(c) >= p.graphic());
    let usual = usual_colors(p);
    let asked = Asked {
        mode: p.mode,
        level: p.level,
        first: p.code(edge),
        grounds: grounds.map(|g| p.code(g)),
        usual,
    };
    let chosen = asked.chosen(|Asked { first, usual, .. }| {
        let first = Seen::new(*first);
        match usual.is_empty() {
            true => set.choose(shows, &first, CHARTS.len() - 1),
            false => set.exchange(shows, &first, usual),
        }
    });
    let mut ids = vec![p.put_same(CHARTS[0], edge)];
    for (n, code) in chosen.iter().copied().enumerate() {
        let reason = "far from the other chart colours in every kind of vision".into();
        let color = ColorValue::opaque(code);
        ids.push(p.put(
            CHARTS[n + 1],
            Choice {
                color,
                alias: None,
                reason,
            },
        ));
    }
    for id in ids {
        for ground in grounds {
            p.pair(id, ground, p.graphic());
        }
    }
}
