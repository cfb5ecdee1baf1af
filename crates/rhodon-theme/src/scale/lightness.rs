//! The L\* of every step of a natural scale, given its pins.

use crate::scale::monotone::Monotone;
use crate::scale::pin::Placed;

/// How far, in L\*, one natural pin moves the steps around it.
const REACH: f64 = 35.0;

/// L\* for each step, falling, equal to the pins' at their steps.
pub(crate) fn natural(targets: &[f64], pins: &[Placed]) -> Vec<f64> {
    match pins {
        [] => targets.to_vec(),
        [pin] if !pin.explicit => shifted(targets, *pin),
        _ => interpolated(targets, pins),
    }
}

/// Every target moves along with the pin, the less the further away.
fn shifted(targets: &[f64], pin: Placed) -> Vec<f64> {
    let home = targets[pin.index];
    let moved = pin.lightness - home;
    let reach = |end: f64, crowding: bool| {
        let distance = (end - home).abs();
        // Where the pin crowds an end, the end gives way a little.
        if crowding {
            REACH.min(1.2 * distance + 3.0)
        } else {
            REACH.min(distance)
        }
    };
    let up = reach(targets[0], moved > 0.0);
    let down = reach(targets[targets.len() - 1], moved < 0.0);
    targets
        .iter()
        .enumerate()
        .map(|(i, t)| {
            let reach = if i < pin.index { up } else { down };
            let share = if i == pin.index {
                1.0
            } else {
                (1.0 - (t - home).abs() / reach).max(0.0)
            };
            (t + moved * share).clamp(0.0, 100.0)
        })
        .collect()
}

/// A monotone curve through the pins and the two ends.
fn interpolated(targets: &[f64], pins: &[Placed]) -> Vec<f64> {
    let last = targets.len() - 1;
    let (Some(first_pin), Some(last_pin)) = (pins.first(), pins.last()) else {
        return targets.to_vec();
    };
    // Against the falling targets x rises with the index.
    let x = |i: usize| -targets[i];
    let mut points = Vec::with_capacity(pins.len() + 2);
    if first_pin.index > 0 {
        points.push((
            x(0),
            end(
                targets[0],
                first_pin.lightness,
                first_pin.index as f64,
                100.0,
            ),
        ));
    }
    points.extend(pins.iter().map(|p| (x(p.index), p.lightness)));
    if last_pin.index < last {
        points.push((
            x(last),
            end(
                targets[last],
                last_pin.lightness,
                (last - last_pin.index) as f64,
                0.0,
            ),
        ));
    }
    if points.len() < 2 {
        return targets.to_vec();
    }
    spaced(&Monotone::through(points), targets, pins)
}

/// An end keeps its target unless the pin leaves too little room: then it gives way towards
/// white or black.
fn end(target: f64, pin: f64, steps: f64, limit: f64) -> f64 {
    if limit > pin {
        target.max(pin + 2.0 * steps).min(limit)
    } else {
        target.min(pin - 2.0 * steps).max(limit)
    }
}

/// Evaluates the curve; where a flat stretch brings two steps closer than pins allow, the
/// stretch between its pins is made even instead.
fn spaced(curve: &Monotone, targets: &[f64], pins: &[Placed]) -> Vec<f64> {
    let mut out: Vec<f64> = targets
        .iter()
        .map(|t| curve.at(-t).clamp(0.0, 100.0))
        .collect();
    for pin in pins {
        out[pin.index] = pin.lightness;
    }
    let mut stops: Vec<usize> = pins.iter().map(|p| p.index).collect();
    stops.insert(0, 0);
    stops.push(targets.len() - 1);
    for w in stops.windows(2) {
        let (a, b) = (w[0], w[1]);
        if b > a + 1 && out[a..=b].windows(2).any(|p| p[0] - p[1] < 1.8) {
            for i in a + 1..b {
                out[i] = out[a] + (out[b] - out[a]) * (i - a) as f64 / (b - a) as f64;
            }
        }
    }
    out
}
