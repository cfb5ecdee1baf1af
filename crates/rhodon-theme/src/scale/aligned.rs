//! **aligned**: every step exactly on its target, so that a label means the same contrast in
//! every hue. Only the pins stand where their colour stands, and a step that a pin would put out
//! of order gives way as little as it must.

use crate::scale::Request;
use crate::scale::manual_lightness::adjusted;
use crate::scale::natural::paint;
use crate::scale::pin::Placed;
use crate::scale::round::{Coded, Slack};

pub(crate) fn build(request: &Request, targets: &[f64], pins: &[Placed]) -> Vec<Coded> {
    let lightness = adjusted(
        in_order(targets, pins),
        &request.labels,
        &request.lightness,
        pins,
    );
    paint(request, &lightness, pins, Slack::Exact)
}

/// The least L\* between a step that gave way and the pin before which it did.
const GAP: f64 = 1.0;

/// The targets, kept between the pins on either side.
fn in_order(targets: &[f64], pins: &[Placed]) -> Vec<f64> {
    let kept = |(i, target): (usize, &f64)| {
        let next = pins.partition_point(|p| p.index < i);
        match pins.get(next) {
            Some(pin) if pin.index == i => pin.lightness,
            darker => {
                let lighter = next.checked_sub(1).map(|n| &pins[n]);
                let most = lighter.map_or(100.0, |p| p.lightness - GAP * (i - p.index) as f64);
                let least = darker.map_or(0.0, |p| p.lightness + GAP * (p.index - i) as f64);
                target.min(most).max(least)
            }
        }
    };
    targets.iter().enumerate().map(kept).collect()
}
