//! Intents that cannot be told apart, by eyes of any kind.

use std::collections::BTreeMap;

use rhodon_color::{HueSlice, Rgb8, VisionKind, difference, luminance_from_lightness};

use super::scene::{Scene, sentence};
use super::{Edit, Finding, Severity};
use crate::label::Slug;
use crate::palette::IntentScale;
use crate::status::APART;
use crate::token::Mode;
use crate::value::Origin;
use crate::vocabulary::{Intent, IntentPart};

/// How many moves are tried.
const TRIED: usize = 2;

pub(super) fn look(scene: &Scene<'_>, out: &mut Vec<Finding>) {
    let intents = &scene.derived.intents;
    for (i, later) in intents.iter().enumerate() {
        for earlier in &intents[..i] {
            // Two intents of one scale are one colour on purpose.
            if earlier.scale != later.scale {
                out.extend(finding(scene, earlier, later));
            }
        }
    }
}

/// Least CIEDE2000 between two colours, and the eyes that see them so.
fn nearest(a: Rgb8, b: Rgb8) -> (f64, &'static str) {
    let usual = (difference(a, b), "normal");
    let others = VisionKind::ALL.map(|kind| {
        let eye = kind.full();
        (difference(eye.see(a), eye.see(b)), kind.id())
    });
    others.into_iter().fold(
        usual,
        |best, next| if next.0 < best.0 { next } else { best },
    )
}

fn fill(scene: &Scene<'_>, intent: &IntentScale, mode: Mode) -> Option<Rgb8> {
    scene.code(&IntentPart::Fill.of(intent.name.as_str()), mode)
}

fn finding(scene: &Scene<'_>, earlier: &IntentScale, later: &IntentScale) -> Option<Finding> {
    let (mode, distance, eye) = nearest_mode(scene, earlier, later)?;
    if distance >= APART {
        return None;
    }
    let severity = if is_status(earlier) && is_status(later) {
        Severity::Error
    } else if eye == "normal" {
        Severity::Warning
    } else {
        // Brand colours are what they are: other eyes are helped by words and shapes.
        Severity::Note
    };
    let names = format!("{} and {}", sentence(earlier.name.as_str()), later.name);
    let seen = match eye {
        "normal" => String::new(),
        kind => format!(" with {kind} vision"),
    };
    let message = format!(
        "{names} are CIEDE2000 {distance:.1} apart{seen} in {}; intents need {APART}.",
        mode.id()
    );
    let edits = match severity {
        Severity::Note => Vec::new(),
        _ => vec![Edit::Apart(moving(earlier, later).name.clone())],
    };
    Some(Finding {
        id: "alike",
        severity,
        message,
        mode: None,
        tokens: vec![
            IntentPart::Fill.of(later.name.as_str()),
            IntentPart::Fill.of(earlier.name.as_str()),
        ],
        figures: BTreeMap::from([("difference", distance), ("need", APART)]),
        measure: distance,
        rule: "intents are told apart by every eye: CIEDE2000 (CIE 142), vision after Machado, Oliveira and Fernandes 2009",
        worst: Some(mode),
        accepted: None,
        edits,
    })
}

/// The mode in which two intents are nearest, how near, and to which eye.
fn nearest_mode(
    scene: &Scene<'_>,
    earlier: &IntentScale,
    later: &IntentScale,
) -> Option<(Mode, f64, &'static str)> {
    let measured = Mode::BOTH.into_iter().filter_map(|mode| {
        let (a, b) = (fill(scene, earlier, mode)?, fill(scene, later, mode)?);
        let usual = difference(a, b);
        // What everybody takes for one is told so, however other eyes see it.
        let (distance, eye) = if usual < APART {
            (usual, "normal")
        } else {
            nearest(a, b)
        };
        Some((mode, distance, eye))
    });
    measured.min_by(|a, b| a.1.total_cmp(&b.1))
}

/// The one that nobody set moves; the later one where both or neither were.
fn moving<'a>(earlier: &'a IntentScale, later: &'a IntentScale) -> &'a IntentScale {
    let set = |i: &IntentScale| i.origin != Origin::Derived;
    if set(later) && !set(earlier) {
        earlier
    } else {
        later
    }
}

fn is_status(intent: &IntentScale) -> bool {
    let named = Intent::named(intent.name.as_str());
    matches!(
        named,
        Some(Intent::Success | Intent::Warning | Intent::Danger | Intent::Info)
    )
}

/// The smallest moves of hue or lightness that hold an intent apart from every other.
pub(super) fn moves(scene: &Scene<'_>, name: &Slug) -> Vec<Edit> {
    let Some(intent) = scene.derived.intent(name.as_str()) else {
        return Vec::new();
    };
    let own = scene.derived.scales[intent.scale].scale.base_step().color;
    let others: Vec<Rgb8> = scene
        .derived
        .intents
        .iter()
        .filter(|i| i.scale != intent.scale)
        .flat_map(|i| {
            Mode::BOTH
                .into_iter()
                .filter_map(|mode| fill(scene, i, mode))
        })
        .collect();
    let mut candidates: Vec<(f64, Rgb8)> = moved(own)
        .map(|code| (difference(code, own), code))
        .collect();
    candidates.sort_by(|a, b| a.0.total_cmp(&b.0));
    // Nearest first, so that few are measured against every other intent.
    let apart = |code: &Rgb8| others.iter().all(|other| nearest(*code, *other).0 >= APART);
    let best = candidates.into_iter().map(|(_, code)| code).filter(apart);
    best.take(TRIED)
        .map(|code| Edit::Recolor(intent.name.clone(), code))
        .collect()
}

/// A colour turned in hue and moved in lightness, as far as the gamut lets it keep its strength.
fn moved(own: Rgb8) -> impl Iterator<Item = Rgb8> {
    let lch = own.to_oklch();
    (-40..=40).step_by(4).flat_map(move |turn| {
        let slice = HueSlice::new(lch.h + f64::from(turn));
        (-32..=32).step_by(4).map(move |lift| {
            let lightness = (own.lightness() + f64::from(lift)).clamp(8.0, 94.0);
            let most = slice.max_chroma(luminance_from_lightness(lightness));
            slice.code_at(lightness, lch.c.min(most))
        })
    })
}
