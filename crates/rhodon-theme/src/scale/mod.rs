//! Scales: ordered steps of one hue family that contain their pins exactly.

mod aligned;
mod chroma;
mod lightness;
mod manual_lightness;
mod method;
mod mix;
mod monotone;
mod natural;
mod p3;
mod pin;
mod round;
mod targets;

pub use method::{METHODS, Method};
pub use pin::Pin;
pub use targets::default_labels;

use rhodon_color::{Color, HueSlice, Oklch, Rgb8, hue_turn, hue_within, luminance_from_lightness};

use crate::label::StepLabel;
use round::Coded;

/// What a scale is built from.
#[derive(Clone, Debug, PartialEq)]
pub struct Request {
    /// How.
    pub method: Method,
    /// 2 to 40 labels, light to dark.
    pub labels: Vec<StepLabel>,
    /// Colours the scale must contain. None: a scale in the hue and strength of `tone`.
    pub pins: Vec<Pin>,
    /// Hue and strength where there is no pin.
    pub tone: Rgb8,
    /// Degrees of hue, ±20, that a dark step is turned; light steps turn the other way.
    pub turn: f64,
    /// Factor on the chroma of every step but the pins, 0–2.
    pub strength: f64,
    /// L\* of single steps, set by hand.
    pub lightness: Vec<(StepLabel, f64)>,
    /// Also build the Display-P3 scale.
    pub p3: bool,
}

impl Request {
    /// A scale of default labels around one colour.
    pub fn around(color: Rgb8) -> Self {
        Self {
            method: Method::default(),
            labels: default_labels(),
            pins: vec![Pin { color, label: None }],
            tone: color,
            turn: 0.0,
            strength: 1.0,
            lightness: Vec::new(),
            p3: false,
        }
    }
}

/// One colour of a scale.
#[derive(Clone, Debug, PartialEq)]
pub struct Step {
    /// Its name.
    pub label: StepLabel,
    /// Its code.
    pub color: Rgb8,
    /// CIE L\* (D65) of the code.
    pub lightness: f64,
    /// Oklch of the code.
    pub oklch: Oklch,
    /// Fixed by the user.
    pub pinned: bool,
    /// The Display-P3 colour of the same luminance, where the scale is wide.
    pub p3: Option<Color>,
}

/// An ordered run of steps, light to dark.
#[derive(Clone, Debug, PartialEq)]
pub struct Scale {
    /// At least two.
    pub steps: Vec<Step>,
    /// Index of the step that carries the first pin; without pins the one nearest to the middle.
    pub base: usize,
    /// What had to give way, in sentences.
    pub notes: Vec<String>,
}

/// Why a scale cannot be built.
#[derive(Clone, Debug, PartialEq, thiserror::Error)]
pub enum ScaleError {
    /// A pin asks for a step that the list lacks.
    #[error("no step {label}: expected one of {}", known.iter().map(StepLabel::as_str).collect::<Vec<_>>().join(", "))]
    UnknownLabel {
        /// The label asked for.
        label: StepLabel,
        /// The list.
        known: Vec<StepLabel>,
    },
    /// Two pins are too alike to be two steps of one scale.
    #[error(
        "{first} and {second} are too close in lightness for two steps of one scale: expected at least 2 L* between pins"
    )]
    PinsTooClose {
        /// One.
        first: Rgb8,
        /// The other.
        second: Rgb8,
    },
    /// The pins leave no step free for one of them.
    #[error(
        "no step is left for {color} among {steps}: expected pins that leave 2 L* for each step between them"
    )]
    NoRoom {
        /// The pin without a step.
        color: Rgb8,
        /// The number of steps.
        steps: usize,
    },
    /// Too few or too many labels, or one twice.
    #[error("expected 2 to 40 different step labels, found {0}")]
    Labels(String),
}

/// The L\* that stands for a scale without pins.
const MIDDLE: f64 = 40.5;

/// Builds a scale.
///
/// # Errors
/// See [`ScaleError`].
pub fn build(request: &Request) -> Result<Scale, ScaleError> {
    check_labels(&request.labels)?;
    // Placed together, so that pins that contradict each other are refused.
    let together = place_and_paint(request)?;
    let by_hand = request.pins.iter().any(|pin| pin.label.is_some());
    let mut scale = if by_hand {
        without_idle_pins(request).unwrap_or(together)
    } else {
        together
    };
    let given_way = scale.given_way(&request.lightness);
    scale.notes.extend(given_way);
    Ok(scale)
}

/// The scale of a request whose pins are held, but where a pin at the colour that its step has
/// anyway moves nothing.
fn without_idle_pins(request: &Request) -> Result<Scale, ScaleError> {
    let is_own = |pin: &&Pin| pin.color == request.tone;
    let mut needed: Vec<Pin> = request
        .pins
        .iter()
        .take(1)
        .filter(is_own)
        .cloned()
        .collect();
    loop {
        let mut scale = place_and_paint(&Request {
            pins: needed.clone(),
            ..request.clone()
        })?;
        let holds = |step: &Step, pin: &Pin| {
            pin.label.as_ref() == Some(&step.label) && step.color == pin.color
        };
        let is_idle = |pin: &&Pin| scale.steps.iter().any(|step| holds(step, pin));
        let rest = request.pins.iter().filter(|pin| !needed.contains(pin));
        let (idle, moving): (Vec<&Pin>, Vec<&Pin>) = rest.partition(is_idle);
        if moving.is_empty() {
            for step in &mut scale.steps {
                step.pinned |= idle.iter().any(|pin| holds(step, pin));
            }
            return Ok(scale);
        }
        needed.extend(moving.into_iter().cloned());
    }
}

fn place_and_paint(request: &Request) -> Result<Scale, ScaleError> {
    let targets = targets::targets(&request.labels);
    let placement = pin::place(&request.pins, &request.labels, &targets)?;
    let codes = (request.method.build)(request, &targets, &placement.pins);
    let step = |(i, (label, coded)): (usize, (&StepLabel, Coded))| Step {
        label: label.clone(),
        color: coded.code,
        lightness: coded.code.lightness(),
        oklch: coded.oklch(),
        pinned: placement.pins.iter().any(|p| p.index == i),
        p3: request.p3.then(|| p3::counterpart(coded.code)),
    };
    let steps = request
        .labels
        .iter()
        .zip(codes)
        .enumerate()
        .map(step)
        .collect();
    let first = request.pins.first().map(|p| p.color);
    let base = placement
        .pins
        .iter()
        .find(|p| Some(p.color) == first)
        .map(|p| p.index);
    let base = base.unwrap_or_else(|| pin::nearest(&targets, MIDDLE));
    Ok(Scale {
        steps,
        base,
        notes: placement.notes,
    })
}

fn check_labels(labels: &[StepLabel]) -> Result<(), ScaleError> {
    if !(2..=40).contains(&labels.len()) {
        return Err(ScaleError::Labels(labels.len().to_string()));
    }
    for (i, label) in labels.iter().enumerate() {
        if labels[..i].contains(label) {
            return Err(ScaleError::Labels(format!("{label} twice")));
        }
    }
    Ok(())
}

/// L\* by which a step may miss what was set for it without a word.
const MISSED: f64 = 0.6;

impl Scale {
    /// L\* set by hand that had to give way, in sentences.
    fn given_way(&self, set: &[(StepLabel, f64)]) -> Vec<String> {
        let missed = set.iter().filter_map(|(label, asked)| {
            let step = self.step(label.as_str())?;
            let stands = step.lightness;
            if (stands - asked).abs() <= MISSED {
                return None;
            }
            Some(match step.pinned {
                true => format!("{label} keeps its exact colour: L* {asked} has no effect"),
                false => format!(
                    "{label} stands at L* {stands:.1} instead of {asked}, which would put steps out of order"
                ),
            })
        });
        missed.collect()
    }

    /// The step of a label.
    pub fn step(&self, label: &str) -> Option<&Step> {
        self.steps.iter().find(|s| s.label.as_str() == label)
    }

    /// The step that carries the scale's first pin.
    pub fn base_step(&self) -> &Step {
        &self.steps[self.base]
    }

    /// The most degrees by which the hue of a step differs from the base step's; greys have none.
    pub fn hue_drift(&self) -> f64 {
        let Some(own) = self.base_step().oklch.hue() else {
            return 0.0;
        };
        let turn = |h: f64| hue_turn(own, h).abs();
        self.steps
            .iter()
            .filter_map(|s| s.oklch.hue())
            .map(turn)
            .fold(0.0, f64::max)
    }

    /// A colour of this scale at any L\* (0–100): hue and chroma pass smoothly between the two
    /// steps around it and fade towards white and black beyond the ends.
    pub fn at_lightness(&self, lightness: f64) -> Rgb8 {
        let below = self.steps.partition_point(|s| s.lightness > lightness);
        let end = |l: f64| (l, 0.0, None);
        let known = |s: &Step| (s.lightness, s.oklch.c, s.oklch.hue());
        let (l0, c0, h0) = if below == 0 {
            end(100.0)
        } else {
            known(&self.steps[below - 1])
        };
        let (l1, c1, h1) = self.steps.get(below).map_or(end(0.0), known);
        let t = if l0 - l1 > 1e-9 {
            ((l0 - lightness) / (l0 - l1)).clamp(0.0, 1.0)
        } else {
            0.0
        };
        let hue = match (h0, h1) {
            (Some(a), Some(b)) => a + hue_turn(a, b) * t,
            (a, b) => a.or(b).unwrap_or(0.0),
        };
        let slice = HueSlice::new(hue_within(hue));
        let y = luminance_from_lightness(lightness);
        let wanted = c0 + (c1 - c0) * t;
        let linear = slice.linear_at(y, wanted);
        // Mostly the gamut holds it: then its end need not be looked for.
        let (chroma, linear) = match linear.iter().all(|v| (0.0..=1.0).contains(v)) {
            true => (wanted, linear),
            false => {
                let most = wanted.min(slice.max_chroma(y));
                (most, slice.linear_at(y, most))
            }
        };
        round::to_code(
            linear,
            Oklch {
                l: 0.0,
                c: chroma,
                h: hue,
            },
            lightness,
            round::Slack::Even,
        )
        .code
    }
}
