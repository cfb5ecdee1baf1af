//! One scale from its settings.

use std::sync::Arc;

use rhodon_color::{HueSlice, Rgb8, luminance_from_lightness};

use super::NamedScale;
use super::known::{self, Known};
use super::plan::Source;
use crate::document::{Problems, Resolved, STRENGTH, ScaleSettings, TURN};
use crate::label::{Slug, StepLabel};
use crate::reason::Reason;
use crate::scale::{Pin, Request, Step, default_labels};
use crate::value::Origin;

/// A scale about to be built.
pub(super) struct Draft<'a> {
    pub slug: &'a Slug,
    pub name: &'a str,
    pub source: &'a Source,
    pub origin: Origin,
    pub reason: &'a Reason,
}

/// Builds a scale, or tells what is wrong with its settings.
pub(super) fn build(
    theme: &Resolved,
    draft: &Draft<'_>,
    problems: &mut Problems,
) -> Option<NamedScale> {
    let settings = theme.merged.scale(draft.slug);
    let place = format!("/scales/{}", draft.slug);
    let labels = labels(theme, draft.source, &settings);
    let before = problems.len();
    check_labels(&settings, &labels, &place, problems);
    let (tone, pins) = tone_and_pins(draft, &settings);
    let pins = match &settings.to {
        Some(to) => match theme.merged.brand.iter().find(|b| b.slug == *to) {
            Some(end) => between(tone, end.color.to_rgb8(), &labels, pins),
            None => {
                problems.add(format!("{place}/to"), format!("no brand colour \"{to}\""));
                return None;
            }
        },
        None => pins,
    };
    if problems.len() > before {
        return None;
    }
    let request = Request {
        method: settings.method.unwrap_or_default(),
        labels,
        pins,
        tone,
        turn: settings.turn.unwrap_or(TURN.default),
        strength: settings.strength.unwrap_or(STRENGTH.default),
        lightness: settings
            .lightness
            .iter()
            .map(|(l, v)| (l.clone(), *v))
            .collect(),
        p3: settings.wide.unwrap_or(false),
    };
    let built = known::build(draft.slug, request).map_err(|e| problems.add(place, e.to_string()));
    Some(named(draft, built.ok()?, settings))
}

fn named(draft: &Draft<'_>, known: Known, settings: ScaleSettings) -> NamedScale {
    let Known {
        mut scale,
        paths,
        between,
        is_old,
    } = known;
    if draft.origin == Origin::Derived {
        // Nobody fixed this colour: it moves when the brand does.
        let by_rule = |s: &&mut Step| !settings.pins.contains_key(&s.label);
        Arc::make_mut(&mut scale)
            .steps
            .iter_mut()
            .filter(by_rule)
            .for_each(|step| step.pinned = false);
    }
    NamedScale {
        slug: draft.slug.clone(),
        name: draft.name.into(),
        paths,
        scale,
        between,
        is_old,
        origin: draft.origin,
        reason: draft.reason.clone(),
        settings,
    }
}

/// The labels of a scale, with a step `0` in front where one is asked for.
pub(super) fn labels(
    theme: &Resolved,
    source: &Source,
    settings: &ScaleSettings,
) -> Vec<StepLabel> {
    let own = settings.steps.as_ref().or(theme.merged.steps.as_ref());
    let mut labels = own.cloned().unwrap_or_else(default_labels);
    let neutral = matches!(source, Source::Neutral(_));
    let wanted = settings.zero.unwrap_or(neutral);
    let zero = "0"
        .parse()
        .ok()
        .filter(|zero| wanted && !labels.contains(zero));
    labels.splice(0..0, zero);
    labels
}

/// What is set for a step needs that step.
fn check_labels(
    settings: &ScaleSettings,
    labels: &[StepLabel],
    place: &str,
    problems: &mut Problems,
) {
    let lightness = settings.lightness.keys().map(|label| ("lightness", label));
    let omitted = settings.omit.iter().map(|label| ("omit", label));
    for (key, label) in lightness
        .chain(omitted)
        .filter(|(_, label)| !labels.contains(label))
    {
        let message = format!("no step {label} in this scale");
        problems.add(format!("{place}/{key}/{label}"), message);
    }
}

/// The colour that a scale is built around, and the exact colours in it: its own first.
fn tone_and_pins(draft: &Draft<'_>, settings: &ScaleSettings) -> (Rgb8, Vec<Pin>) {
    let own = |color| Pin {
        color,
        label: settings.at.clone(),
    };
    let (tone, first) = match draft.source {
        Source::Own(code) => (*code, Some(own(*code))),
        Source::Neutral(code) => (neutral_tone(*code), None),
        Source::Brand(_) => (Rgb8::BLACK, None),
    };
    let by_hand = settings.pins.iter().map(|(label, color)| Pin {
        color: color.to_rgb8(),
        label: Some(label.clone()),
    });
    (tone, first.into_iter().chain(by_hand).collect())
}

/// The most chroma of a neutral step, and the brand chroma from which it has it.
const NEUTRAL_CHROMA: (f64, f64) = (0.014, 0.04);

/// The two ends of a scale that runs between two colours.
fn between(a: Rgb8, b: Rgb8, labels: &[StepLabel], others: Vec<Pin>) -> Vec<Pin> {
    let (light, dark) = if a.lightness() >= b.lightness() {
        (a, b)
    } else {
        (b, a)
    };
    let at = |color, label: Option<&StepLabel>| Pin {
        color,
        label: label.cloned(),
    };
    let mut pins = vec![at(light, labels.first()), at(dark, labels.last())];
    // The first pin is the scale's own colour, whichever end it has.
    if light != a {
        pins.swap(0, 1);
    }
    pins.extend(others.into_iter().skip(1));
    pins
}

/// A colour in the brand's hue with almost no chroma, halfway down.
fn neutral_tone(brand: Rgb8) -> Rgb8 {
    let lch = brand.to_oklch();
    let chroma = NEUTRAL_CHROMA.0 * (lch.c / NEUTRAL_CHROMA.1).min(1.0);
    let y = luminance_from_lightness(50.0);
    Rgb8::from_linear_clipped(HueSlice::new(lch.h).linear_at(y, chroma))
}
