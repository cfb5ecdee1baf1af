//! Status colours tuned to a brand, and still told apart by every eye.

use std::sync::LazyLock;

use palette::color_difference::Ciede2000;
use quick_cache::sync::Cache;
use rhodon_color::{
    HueSlice, Lab65, Rgb8, VisionKind, difference_below, hue_turn, lab_d65,
    luminance_from_lightness,
};

use crate::vocabulary::Intent;

/// One status intent before it is tuned (engine document, "Status intents from a brand").
struct Anchor {
    intent: Intent,
    hue: f64,
    range: (f64, f64),
    lightness: f64,
}

const ANCHORS: [Anchor; 4] = [
    Anchor {
        intent: Intent::Success,
        hue: 158.0,
        range: (146.0, 168.0),
        lightness: 58.0,
    },
    Anchor {
        intent: Intent::Warning,
        hue: 82.0,
        range: (72.0, 92.0),
        lightness: 80.0,
    },
    Anchor {
        intent: Intent::Danger,
        hue: 26.0,
        range: (16.0, 34.0),
        lightness: 42.0,
    },
    Anchor {
        intent: Intent::Info,
        hue: 250.0,
        range: (238.0, 264.0),
        lightness: 42.0,
    },
];

/// Least CIEDE2000 between any two status colours, in every kind of vision.
pub const APART: f64 = 10.0;

/// The four status colours of a brand.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Status {
    colors: [Rgb8; 4],
}

impl Status {
    /// The four as they are where no brand has a say.
    pub(crate) fn untuned() -> Self {
        Self {
            colors: ANCHORS.each_ref().map(|a| anchored(a.hue, a.lightness)),
        }
    }

    /// The colour of a status intent; of any other that of the last.
    pub fn color(&self, intent: Intent) -> Rgb8 {
        let index = ANCHORS.iter().position(|a| a.intent == intent);
        self.colors[index.unwrap_or(ANCHORS.len() - 1)]
    }

    /// Whether any two are told apart by every kind of vision.
    fn is_apart(&self) -> bool {
        let mut pairs = self.views().into_iter().flat_map(pairs);
        pairs.all(|[a, b]| difference_below(a, b, APART).is_none())
    }

    /// Least CIEDE2000 between any two, in normal, protan, deutan and tritan vision.
    pub fn least_difference(&self) -> f64 {
        let pairs = self.views().into_iter().flat_map(pairs);
        let differences = pairs.map(|[a, b]| a.difference(b));
        differences.fold(f64::INFINITY, f64::min)
    }

    /// The four as normal, protan, deutan and tritan eyes see them.
    fn views(&self) -> [[Lab65; 4]; 4] {
        let seen = VisionKind::ALL.map(|kind| self.colors.map(|c| lab_d65(kind.full().see(c))));
        let [protan, deutan, tritan] = seen;
        [self.colors.map(lab_d65), protan, deutan, tritan]
    }
}

/// Any two of four.
fn pairs(labs: [Lab65; 4]) -> [[Lab65; 2]; 6] {
    [(0, 1), (0, 2), (0, 3), (1, 2), (1, 3), (2, 3)].map(|(a, b)| [labs[a], labs[b]])
}

/// Share of the gamut's chroma that an untuned status colour has.
const STRENGTH: f64 = 0.85;

/// A colour of a hue and an L\* at the strength of the status colours.
pub(crate) fn anchored(hue: f64, lightness: f64) -> Rgb8 {
    toned(hue, lightness, STRENGTH)
}

/// A hue at an L\*, with a share of the most chroma that the gamut holds there.
fn toned(hue: f64, lightness: f64, share: f64) -> Rgb8 {
    let slice = HueSlice::new(hue);
    let most = slice.max_chroma(luminance_from_lightness(lightness));
    slice.code_at(lightness, share * most)
}

/// How many brands' status colours are kept: most documents after another one ask for the same again.
const KEPT: usize = 256;

static TUNED: LazyLock<Cache<Rgb8, Status>> = LazyLock::new(|| Cache::new(KEPT));

/// The status colours for a brand colour: tuned to it as far as they stay apart.
pub fn tuned(brand: Rgb8) -> Status {
    TUNED.get(&brand).unwrap_or_else(|| {
        let status = tune(brand);
        TUNED.insert(brand, status);
        status
    })
}

fn tune(brand: Rgb8) -> Status {
    let lch = brand.to_oklch();
    let lightness = brand.lightness();
    let limit = HueSlice::new(lch.h)
        .max_chroma(luminance_from_lightness(lightness))
        .max(0.06);
    let strength = (lch.c / limit).clamp(0.55, 1.0);
    let at = |t: f64| Status {
        colors: std::array::from_fn(|i| {
            let anchor = &ANCHORS[i];
            let away = hue_turn(anchor.hue, lch.h);
            let pull = t * (lch.c / 0.05).min(1.0) * (0.15 * away).clamp(-8.0, 8.0);
            let hue = (anchor.hue + pull).clamp(anchor.range.0, anchor.range.1);
            let l = anchor.lightness + t * (0.15 * (lightness - 50.0)).clamp(-4.0, 4.0);
            let share = STRENGTH + (strength - STRENGTH) * t;
            toned(hue, l, share)
        }),
    };
    let tuned = [1.0, 0.75, 0.5, 0.25]
        .into_iter()
        .map(at)
        .find(Status::is_apart);
    tuned.unwrap_or_else(|| at(0.0))
}
