//! Roles set by hand in one mode that leave the other one unlike.

use std::collections::BTreeMap;

use rhodon_color::hue_turn;

use super::scene::{Scene, sentence};
use super::{Edit, Finding, Severity};
use crate::token::Mode;

/// Degrees of OKLCH hue from which two values of one role are two colours.
const UNLIKE: f64 = 60.0;
/// Chroma from which a hue is seen.
const HUED: f64 = 0.06;

pub(super) fn look(scene: &Scene<'_>, out: &mut Vec<Finding>) {
    for (path, values) in &scene.theme.merged.roles {
        let mode = match (&values.light, &values.dark) {
            (Some(_), None) => Mode::Light,
            (None, Some(_)) => Mode::Dark,
            _ => continue,
        };
        let codes = (
            scene.code(path.as_str(), mode),
            scene.code(path.as_str(), mode.other()),
        );
        let (Some(set), Some(left)) = codes else {
            continue;
        };
        let (set, left) = (set.to_oklch(), left.to_oklch());
        let turn = hue_turn(left.h, set.h).abs();
        if set.c < HUED || left.c < HUED || turn < UNLIKE {
            continue;
        }
        let token: std::sync::Arc<str> = path.as_str().into();
        let message = format!(
            "{} was set in {} alone: in {} it is another colour, {turn:.0}° of hue away.",
            sentence(&scene.called(path.as_str())),
            mode.id(),
            mode.other().id()
        );
        out.push(Finding {
            id: "mode",
            severity: Severity::Error,
            message,
            mode: Some(mode.other()),
            tokens: vec![token.clone()],
            figures: BTreeMap::from([("hue", turn)]),
            measure: -turn,
            rule: "a role is one colour in both modes",
            worst: None,
            accepted: None,
            edits: vec![Edit::LetGo(token, mode)],
        });
    }
}
