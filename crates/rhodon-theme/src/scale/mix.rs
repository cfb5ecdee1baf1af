//! **mix**: the plain mix of the encoded brand colour with white and with black, and with each
//! other between two exact colours. Kept for those who must match it; it promises neither even
//! steps nor a steady hue. Order it keeps: a step that the mix would put out of order, or that was
//! set by hand, takes its hue and strength from the mix and its lightness from its neighbours.

use rhodon_color::{HueSlice, Oklch, Rgb8, luminance_from_lightness};

use crate::scale::Request;
use crate::scale::manual_lightness::{adjusted, falling};
use crate::scale::pin::{Placed, nearest};
use crate::scale::round::{Coded, Slack, to_code};

/// L\* by which a step may differ from the plain mix without being painted anew.
const SAME: f64 = 0.01;

pub(crate) fn build(request: &Request, targets: &[f64], pins: &[Placed]) -> Vec<Coded> {
    let alone = Placed {
        index: nearest(targets, request.tone.lightness()),
        color: request.tone,
        lightness: request.tone.lightness(),
        explicit: false,
    };
    let stops = if pins.is_empty() {
        std::slice::from_ref(&alone)
    } else {
        pins
    };
    let plain: Vec<Rgb8> = (0..targets.len())
        .map(|i| mixed_at(i, targets.len(), stops))
        .collect();
    let lightness = plain.iter().map(|code| code.lightness()).collect();
    let kept = adjusted(
        falling(lightness, pins),
        &request.labels,
        &request.lightness,
        pins,
    );
    plain
        .into_iter()
        .zip(kept)
        .map(|(code, l)| at_lightness(code, l))
        .collect()
}

/// The plain mix for a step: between the exact colours on either side, or with white or black.
fn mixed_at(i: usize, count: usize, stops: &[Placed]) -> Rgb8 {
    let next = stops.partition_point(|p| p.index < i);
    let (lighter, darker) = (next.checked_sub(1).map(|n| stops[n]), stops.get(next));
    match (lighter, darker) {
        (_, Some(stop)) if stop.index == i => stop.color,
        (Some(a), Some(b)) => {
            let share = (i - a.index) as f64 / (b.index - a.index) as f64;
            mixed(a.color, b.color, share)
        }
        // The last step on either side still holds a trace of the colour.
        (None, Some(b)) => mixed(
            b.color,
            Rgb8::WHITE,
            (b.index - i) as f64 / (b.index as f64 + 0.5),
        ),
        (Some(a), None) => {
            let below = (count - 1 - a.index) as f64;
            mixed(a.color, Rgb8::BLACK, (i - a.index) as f64 / (below + 1.0))
        }
        (None, None) => Rgb8::BLACK,
    }
}

/// A colour at another lightness.
fn at_lightness(code: Rgb8, lightness: f64) -> Coded {
    if (code.lightness() - lightness).abs() < SAME {
        return Coded::new(code);
    }
    let lch = code.to_oklch();
    let slice = HueSlice::new(lch.h);
    let y = luminance_from_lightness(lightness);
    let chroma = lch.c.min(slice.max_chroma(y));
    let wanted = Oklch {
        l: 0.0,
        c: chroma,
        h: lch.h,
    };
    to_code(slice.linear_at(y, chroma), wanted, lightness, Slack::Exact)
}

fn mixed(color: Rgb8, with: Rgb8, share: f64) -> Rgb8 {
    let (a, b) = (color.channels(), with.channels());
    let [r, g, b] = std::array::from_fn(|i| {
        let (from, to) = (f64::from(a[i]), f64::from(b[i]));
        (from + (to - from) * share).round() as u8
    });
    Rgb8::new(r, g, b)
}
