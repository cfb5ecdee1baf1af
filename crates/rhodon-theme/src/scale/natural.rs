//! **natural**: the pins keep their exact colour, the steps around them follow in lightness,
//! strength and hue.

use rhodon_color::{HueSlice, Oklch, Rgb8, hue_turn, hue_within, luminance_from_lightness};

use crate::scale::chroma::{Strength, limit};
use crate::scale::manual_lightness::adjusted;
use crate::scale::pin::Placed;
use crate::scale::round::{Coded, Slack, to_code};
use crate::scale::{Request, lightness};

/// L\* over which a hue turn unfolds fully.
const TURN_SPAN: f64 = 60.0;

pub(crate) fn build(request: &Request, targets: &[f64], pins: &[Placed]) -> Vec<Coded> {
    let lightness = lightness::natural(targets, pins);
    paint(
        request,
        &adjusted(lightness, &request.labels, &request.lightness, pins),
        pins,
        Slack::Even,
    )
}

/// Colours for given L\*: pins exactly, the rest by the pins' hue and strength.
pub(crate) fn paint(
    request: &Request,
    lightness: &[f64],
    pins: &[Placed],
    slack: Slack,
) -> Vec<Coded> {
    let course = Course::new(pins, request);
    let mut slice = HueSlice::new(course.hue(lightness[0]));
    let mut slice_hue = course.hue(lightness[0]);
    lightness
        .iter()
        .enumerate()
        .map(|(i, &l)| {
            if let Some(pin) = pins.iter().find(|p| p.index == i) {
                return Coded::new(pin.color);
            }
            let hue = course.hue(l);
            if hue != slice_hue {
                slice = HueSlice::new(hue);
                slice_hue = hue;
            }
            let limit = limit(&slice, l);
            let chroma = (course.chroma(l, limit) * request.strength).min(limit);
            let y = luminance_from_lightness(l);
            let linear = slice.linear_at(y, chroma);
            to_code(
                linear,
                Oklch {
                    l: 0.0,
                    c: chroma,
                    h: hue,
                },
                l,
                slack,
            )
        })
        .collect()
}

/// Hue and strength along a scale: a pin's own beside it, a smooth passage between two.
#[derive(Debug)]
pub(crate) struct Course {
    anchors: Vec<Anchor>,
    turn: f64,
}

#[derive(Debug)]
struct Anchor {
    lightness: f64,
    hue: f64,
    strength: Strength,
}

impl Course {
    pub(crate) fn new(pins: &[Placed], request: &Request) -> Self {
        let mut anchors: Vec<Anchor> = pins
            .iter()
            .map(|p| Anchor::new(p.color, p.lightness))
            .collect();
        if anchors.is_empty() {
            anchors.push(Anchor::new(request.tone, request.tone.lightness()));
        }
        // A grey has no hue of its own: it borrows its neighbour's.
        let coloured: Vec<f64> = anchors
            .iter()
            .filter(|a| a.strength_is_coloured())
            .map(|a| a.hue)
            .collect();
        for anchor in &mut anchors {
            if !anchor.strength_is_coloured()
                && let Some(hue) = coloured.first()
            {
                anchor.hue = *hue;
            }
        }
        Self {
            anchors,
            turn: request.turn,
        }
    }

    /// Neighbouring anchors (lighter, darker) and the share of the darker.
    fn between(&self, lightness: f64) -> (&Anchor, &Anchor, f64) {
        let below = self.anchors.partition_point(|a| a.lightness > lightness);
        let last = self.anchors.len() - 1;
        let (a, b) = (
            &self.anchors[below.saturating_sub(1)],
            &self.anchors[below.min(last)],
        );
        let span = a.lightness - b.lightness;
        let share = if span > 1e-9 {
            ((a.lightness - lightness) / span).clamp(0.0, 1.0)
        } else {
            0.0
        };
        (a, b, share)
    }

    pub(crate) fn hue(&self, lightness: f64) -> f64 {
        let (a, b, share) = self.between(lightness);
        let across = hue_turn(a.hue, b.hue);
        let away = (a.lightness - lightness) / TURN_SPAN;
        let turned = if self.turn == 0.0 || share > 0.0 {
            0.0
        } else {
            self.turn * away.clamp(-1.0, 1.0)
        };
        hue_within(a.hue + across * share + turned)
    }

    pub(crate) fn chroma(&self, lightness: f64, limit: f64) -> f64 {
        let (a, b, share) = self.between(lightness);
        let from_a = a.strength.at(lightness, limit);
        if share <= 0.0 {
            return from_a;
        }
        let weight = crate::scale::chroma::smoothstep(share);
        from_a + (b.strength.at(lightness, limit) - from_a) * weight
    }
}

impl Anchor {
    fn new(color: Rgb8, lightness: f64) -> Self {
        let lch = color.to_oklch();
        let channels = color.channels();
        let spread = channels.iter().max().unwrap_or(&0) - channels.iter().min().unwrap_or(&0);
        let limit = limit(&HueSlice::new(lch.h), lightness);
        Self {
            lightness,
            hue: lch.h,
            strength: Strength::new(lightness, lch.c, limit, spread),
        }
    }

    fn strength_is_coloured(&self) -> bool {
        self.strength.is_coloured()
    }
}
