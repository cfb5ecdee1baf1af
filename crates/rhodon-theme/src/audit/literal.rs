//! Literals where a step of almost that colour stands.

use std::collections::BTreeMap;

use rhodon_color::{Rgb8, difference};

use super::scene::{Scene, sentence};
use super::{Edit, Finding, Severity};
use crate::token::{Mode, Section};
use crate::value::Origin;

/// CIEDE2000 below which two colours are taken for one.
const SAME: f64 = 1.0;

/// Whether two codes are near enough to be measured: thousands of literals meet hundreds of steps.
fn may_be_same(a: Rgb8, b: Rgb8) -> bool {
    const MOST: u8 = 16;
    let pairs = a.channels().into_iter().zip(b.channels());
    pairs.into_iter().all(|(a, b)| a.abs_diff(b) <= MOST)
}

pub(super) fn look(scene: &Scene<'_>, out: &mut Vec<Finding>) {
    let written = |section: Section| matches!(section, Section::Roles | Section::Own);
    for token in scene.derived.tokens.iter().filter(|t| written(t.section)) {
        let modes: &[Mode] = if token.is_modeless() {
            &[Mode::Light]
        } else {
            &Mode::BOTH
        };
        for mode in modes {
            let cell = token.cell(*mode);
            let (Some(color), true) = (cell.value.color(), cell.origin == Origin::Set) else {
                continue;
            };
            if cell.alias.is_some() || color.alpha < 1.0 || color.p3.is_some() {
                continue;
            }
            let near = scene
                .steps()
                .filter(|(_, code)| may_be_same(*code, color.code))
                .map(|(path, code)| (difference(code, color.code), path, code));
            let Some((gap, step, code)) = near.min_by(|a, b| a.0.total_cmp(&b.0)) else {
                continue;
            };
            if gap >= SAME {
                continue;
            }
            let message = format!(
                "{} is written as {} where {} is {code}.",
                sentence(&scene.called(&token.path)),
                color.code,
                scene.called(step)
            );
            out.push(Finding {
                id: "literal",
                severity: Severity::Warning,
                message,
                mode: (!token.is_modeless()).then_some(*mode),
                tokens: vec![token.path.clone(), step.clone()],
                figures: BTreeMap::from([("difference", gap)]),
                measure: gap,
                rule: "what is the same colour follows it; CIEDE2000 (CIE 142)",
                worst: None,
                accepted: None,
                edits: vec![Edit::Refer(token.path.clone(), *mode, step.clone())],
            });
        }
    }
}
