//! From an exact colour to the 8-bit code that serves it best.

use rhodon_color::{Oklab, Oklch, Rgb8, luminance_from_lightness};

/// Rounding may turn a hue by this sine (1.5°) before a neighbouring code is sought.
const HUE_SLACK: f64 = 0.026;
/// How far rounding may change L\* before a neighbouring code is sought.
#[derive(Clone, Copy, Debug)]
pub(crate) enum Slack {
    /// For scales that promise even steps.
    Even,
    /// For scales that promise a lightness.
    Exact,
}

impl Slack {
    fn lightness(self) -> f64 {
        match self {
            Self::Even => 0.3,
            Self::Exact => 0.12,
        }
    }
}

/// Rounding may change chroma this far before a neighbouring code is sought.
const CHROMA_SLACK: f64 = 0.006;
/// From this chroma on a hue is plainly seen.
const CLEAR_CHROMA: f64 = 0.012;
/// Below this chroma a step is a grey, and greys keep three equal channels.
const GREY: f64 = 0.001;

/// A code, and where it stands in Oklab if that was found on the way.
#[derive(Clone, Copy, Debug)]
pub(crate) struct Coded {
    pub(crate) code: Rgb8,
    lab: Option<Oklab>,
}

impl Coded {
    pub(crate) fn new(code: Rgb8) -> Self {
        Self { code, lab: None }
    }

    /// Oklch of the code.
    pub(crate) fn oklch(self) -> Oklch {
        self.lab.map_or_else(|| self.code.to_oklch(), Oklch::from)
    }
}

/// The nearest code, or one of its 26 neighbours where plain rounding turns the hue or moves
/// the lightness: in dark steps one code is several degrees wide.
pub(crate) fn to_code(linear: [f64; 3], wanted: Oklch, lightness: f64, slack: Slack) -> Coded {
    let nearest = Rgb8::from_linear_clipped(linear);
    if wanted.c < GREY {
        return Coded::new(nearest);
    }
    let goal = Goal::new(wanted, lightness, slack);
    let (turn, first) = goal.turn(nearest);
    let mut best = (goal.lightness(nearest) + turn, first);
    if best.0 < 2.0 {
        return first;
    }
    let channels = nearest.channels().map(i16::from);
    for n in 0..27i16 {
        let offsets = [n % 3 - 1, n / 3 % 3 - 1, n / 9 - 1];
        let moved: [i16; 3] = std::array::from_fn(|i| channels[i] + offsets[i]);
        if moved.iter().any(|v| !(0..=255).contains(v)) {
            continue;
        }
        let code = Rgb8::new(moved[0] as u8, moved[1] as u8, moved[2] as u8);
        // It is cheap, and most neighbours fall out by it.
        let lightness = goal.lightness(code);
        if lightness >= best.0 {
            continue;
        }
        let (turn, coded) = goal.turn(code);
        let drift = lightness + turn;
        if drift < best.0 {
            best = (drift, coded);
        }
    }
    best.1
}

/// What a code is compared with.
struct Goal {
    lab: Oklab,
    chroma: f64,
    luminance: f64,
    /// dL\*/dY over the slack, to weigh an error in luminance as one in L\* without a cube root.
    weight: f64,
}

impl Goal {
    fn new(wanted: Oklch, lightness: f64, slack: Slack) -> Self {
        let f = (lightness + 16.0) / 116.0;
        let slope = if lightness > 8.0 {
            116.0 / (3.0 * f * f)
        } else {
            24389.0 / 27.0
        };
        let weight = slope / slack.lightness();
        Self {
            lab: wanted.into(),
            chroma: wanted.c,
            luminance: luminance_from_lightness(lightness),
            weight,
        }
    }

    /// What the lightness of a code adds to its drift, which is below 3 where, on the whole, no slack is used
    /// up.
    fn lightness(&self, code: Rgb8) -> f64 {
        let off = (code.luminance_cie() - self.luminance).abs() * self.weight;
        off * off.max(1.0)
    }

    /// What its hue and chroma add, and where it stands.
    fn turn(&self, code: Rgb8) -> (f64, Coded) {
        let found = Oklab::from_linear(code.to_linear());
        let chroma = (found.a * found.a + found.b * found.b).sqrt();
        let cross = (self.lab.a * found.b - self.lab.b * found.a).abs();
        let dot = self.lab.a * found.a + self.lab.b * found.b;
        let sine = if dot <= 0.0 {
            1.0
        } else {
            cross / (self.chroma * chroma)
        };
        // A turn shows the less, the weaker the colour.
        let sine = sine * (self.chroma / CLEAR_CHROMA).min(1.0);
        let drift = sine / HUE_SLACK + (chroma - self.chroma).abs() / CHROMA_SLACK;
        let lab = Some(found);
        (drift, Coded { code, lab })
    }
}
