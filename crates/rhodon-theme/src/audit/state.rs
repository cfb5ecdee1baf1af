//! States that look like rest.

use std::collections::BTreeMap;

use rhodon_color::difference;

use super::scene::{Scene, sentence};
use super::{Edit, Finding, Severity};
use crate::token::Mode;
use crate::vocabulary::{IntentPart, Role};

/// CIEDE2000 below which nobody sees that a state has changed.
const LEAST: f64 = 2.0;

pub(super) fn look(scene: &Scene<'_>, out: &mut Vec<Finding>) {
    let mut states: Vec<(std::sync::Arc<str>, std::sync::Arc<str>)> = Vec::new();
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
            if gap >= LEAST {
                continue;
            }
            let message = format!(
                "{} differs from {} by CIEDE2000 {gap:.1} in {}; a state needs {LEAST}.",
                sentence(&scene.called(&state)),
                scene.called(&rest),
                mode.id()
            );
            let set = [&state, &rest]
                .into_iter()
                .filter(|path| scene.is_set(path, mode));
            let edits = set.map(|path| Edit::LetGo(path.clone(), mode)).collect();
            out.push(Finding {
                id: "state",
                severity: Severity::Warning,
                message,
                mode: Some(mode),
                tokens: vec![state.clone(), rest.clone()],
                figures: BTreeMap::from([("difference", gap), ("need", LEAST)]),
                measure: gap,
                rule: "a state is seen: CIEDE2000 (CIE 142)",
                accepted: None,
                edits,
            });
        }
    }
}
