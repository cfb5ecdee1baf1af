//! States that look like rest, or like the state of something else.

use std::collections::BTreeMap;
use std::sync::Arc;

use rhodon_color::{Rgb8, difference, hue_turn};

use super::scene::{Scene, sentence};
use super::{Edit, Finding, Severity};
use crate::token::Mode;
use crate::vocabulary::{IntentPart, Role};

/// CIEDE2000 below which nobody sees that a state has changed.
const LEAST: f64 = 2.0;
/// Degrees of Oklch hue beyond which a state set by hand was made for another colour.
const STRANGE: f64 = 45.0;
/// Oklch chroma from which a colour has a hue that people see.
const COLORED: f64 = 0.04;

pub(super) fn look(scene: &Scene<'_>, out: &mut Vec<Finding>) {
    let mut states: Vec<(Arc<str>, Arc<str>)> = Vec::new();
    for intent in &scene.derived.intents {
        let part = |part: IntentPart| part.of(intent.name.as_str());
        for state in [IntentPart::FillHover, IntentPart::FillPressed] {
            states.push((part(state), part(IntentPart::Fill)));
        }
        states.push((part(IntentPart::TintHover), part(IntentPart::Tint)));
    }
    for (state, rest) in [
        (Role::LINK_HOVER, Role::LINK_REST),
        (Role::LINK_PRESSED, Role::LINK_REST),
        (Role::BAR_HOVER, Role::BAR_FILL),
        (Role::BAR_SELECTED, Role::BAR_FILL),
    ] {
        states.push((state.path().into(), rest.path().into()));
    }
    for (state, rest) in states {
        for mode in Mode::BOTH {
            let codes = (scene.code(&state, mode), scene.code(&rest, mode));
            let (Some(now), Some(at_rest)) = codes else {
                continue;
            };
            let gap = difference(now, at_rest);
            let strange = turn(now, at_rest)
                .filter(|turn| *turn > STRANGE && scene.is_set(&state, mode))
                .map(|turn| of_another_hue(scene, &state, &rest, mode, turn));
            let flat = (gap < LEAST).then(|| flat(scene, &state, &rest, mode, gap));
            let Some(finding) = flat.or(strange) else {
                continue;
            };
            let set = [&state, &rest]
                .into_iter()
                .filter(|path| scene.is_set(path, mode));
            let edits = set.map(|path| Edit::LetGo(path.clone(), mode)).collect();
            out.push(Finding {
                mode: Some(mode),
                edits,
                ..finding
            });
        }
    }
}

/// A state that looks like rest.
fn flat(scene: &Scene<'_>, state: &str, rest: &str, mode: Mode, gap: f64) -> Finding {
    let message = format!(
        "{} differs from {} by CIEDE2000 {gap:.1} in {}; a state needs {LEAST}.",
        sentence(&scene.called(state)),
        scene.called(rest),
        mode.id()
    );
    let rule = "a state is seen: CIEDE2000 (CIE 142)";
    Finding {
        figures: BTreeMap::from([("difference", gap), ("need", LEAST)]),
        measure: gap,
        ..Finding::told("state", Severity::Warning, message, &[state, rest], rule)
    }
}

/// A state that was made for another colour.
fn of_another_hue(scene: &Scene<'_>, state: &str, rest: &str, mode: Mode, turn: f64) -> Finding {
    let message = format!(
        "{} was set by hand in {} and is of another hue than {}, {turn:.0}° away.",
        sentence(&scene.called(state)),
        mode.id(),
        scene.called(rest),
    );
    let rule = "a state is of its rest colour: degrees of Oklch hue";
    Finding {
        figures: BTreeMap::from([("turn", turn), ("most", STRANGE)]),
        measure: -turn,
        ..Finding::told("state", Severity::Warning, message, &[state, rest], rule)
    }
}

/// Degrees of hue between two colours that have one.
fn turn(a: Rgb8, b: Rgb8) -> Option<f64> {
    let [a, b] = [a.to_oklch(), b.to_oklch()];
    (a.c.min(b.c) > COLORED).then(|| hue_turn(a.h, b.h).abs())
}
