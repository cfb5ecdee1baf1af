//! Where pins sit: which step holds which exact colour.

use rhodon_color::Rgb8;

use crate::label::StepLabel;
use crate::scale::ScaleError;
use crate::scale::chroma::TINT_RISE;

/// The least L\* that a pin leaves for each step between it and its neighbours.
const ROOM: f64 = 2.0;

/// A colour that a scale must contain exactly, at a label or wherever it fits best.
#[derive(Clone, Debug, PartialEq)]
pub struct Pin {
    /// The exact colour.
    pub color: Rgb8,
    /// The step it was asked for; none: the natural step.
    pub label: Option<StepLabel>,
}

/// A pin with its step.
#[derive(Clone, Copy, Debug, PartialEq)]
pub(crate) struct Placed {
    pub index: usize,
    pub color: Rgb8,
    pub lightness: f64,
    /// It was asked for at a label, or shares the scale with others: lightness is
    /// then interpolated from the pins instead of shifted around the one.
    pub explicit: bool,
}

/// Pins in the order of their steps, and what had to move.
#[derive(Debug)]
pub(crate) struct Placement {
    pub pins: Vec<Placed>,
    pub notes: Vec<String>,
}

/// The step that each pin asks for, the lightest first.
fn wanted<'a>(
    pins: &'a [Pin],
    labels: &[StepLabel],
    targets: &[f64],
) -> Result<Vec<(usize, &'a Pin)>, ScaleError> {
    let mut wanted = Vec::with_capacity(pins.len());
    for pin in pins {
        let index =
            match &pin.label {
                Some(label) => labels.iter().position(|l| l == label).ok_or_else(|| {
                    ScaleError::UnknownLabel {
                        label: label.clone(),
                        known: labels.to_vec(),
                    }
                })?,
                None => natural(targets, pin.color),
            };
        wanted.push((index, pin));
    }
    wanted.sort_by(|a, b| b.1.color.lightness().total_cmp(&a.1.color.lightness()));
    for pair in wanted.windows(2) {
        let [first, second] = [pair[0].1.color, pair[1].1.color];
        if first.lightness() - second.lightness() < ROOM {
            return Err(ScaleError::PinsTooClose { first, second });
        }
    }
    match wanted.get(labels.len()) {
        Some((_, pin)) => Err(ScaleError::NoRoom {
            color: pin.color,
            steps: labels.len(),
        }),
        None => Ok(wanted),
    }
}

/// Gives every pin a step of its own.
///
/// # Errors
/// A label that the list lacks, or two pins that cannot stand in one falling scale.
pub(crate) fn place(
    pins: &[Pin],
    labels: &[StepLabel],
    targets: &[f64],
) -> Result<Placement, ScaleError> {
    let wanted = wanted(pins, labels, targets)?;
    let lightness: Vec<f64> = wanted.iter().map(|w| w.1.color.lightness()).collect();
    let mut notes = Vec::new();
    let mut placed: Vec<Placed> = Vec::with_capacity(wanted.len());
    let last = labels.len() - 1;
    for (i, (index, pin)) in wanted.iter().enumerate() {
        // Steps that fit above: from the pin before, or from white.
        let first_free = placed.last().map_or(0, |p| p.index + 1);
        let above = match placed.last() {
            Some(p) => p.index + fitting(p.lightness - lightness[i]),
            None => fitting(100.0 - lightness[i]),
        };
        let below = last.saturating_sub(fitting(lightness[i]));
        let behind = wanted.len() - 1 - i;
        let (low, high) = (first_free.max(below), above.min(last - behind));
        if low > high {
            return Err(ScaleError::NoRoom {
                color: pin.color,
                steps: labels.len(),
            });
        }
        let index_fitting = (*index).clamp(low, high);
        if index_fitting != *index && pin.label.is_some() {
            notes.push(format!(
                "{} stands at {} instead of {}, which leaves too little lightness for the steps beside it",
                pin.color, labels[index_fitting], labels[*index]
            ));
        }
        let explicit = pin.label.is_some() || pins.len() > 1;
        placed.push(Placed {
            index: index_fitting,
            color: pin.color,
            lightness: lightness[i],
            explicit,
        });
    }
    Ok(Placement {
        pins: placed,
        notes,
    })
}

/// How many steps fit into a span of L\*.
fn fitting(span: f64) -> usize {
    (span.max(0.0) / ROOM + 1e-9).floor() as usize
}

/// L\* that a step of the wrong strength costs for each unit of chroma, and at most.
const TOO_STRONG: (f64, f64) = (20.0, 4.0);

/// The step whose target is nearest, among those where the colour is not much stronger than a tint:
/// a vivid light colour at `100` would leave a jump behind it.
fn natural(targets: &[f64], color: Rgb8) -> usize {
    let (lightness, chroma) = (color.lightness(), color.to_oklch().c);
    let cost = |i: &usize| {
        let excess = (chroma - TINT_RISE * (100.0 - targets[*i])).max(0.0);
        (targets[*i] - lightness).abs() + (TOO_STRONG.0 * excess).min(TOO_STRONG.1)
    };
    (0..targets.len())
        .min_by(|a, b| cost(a).total_cmp(&cost(b)))
        .unwrap_or(0)
}

pub(crate) fn nearest(targets: &[f64], lightness: f64) -> usize {
    let distance = |i: &usize| (targets[*i] - lightness).abs();
    (0..targets.len())
        .min_by(|a, b| distance(a).total_cmp(&distance(b)))
        .unwrap_or(0)
}
