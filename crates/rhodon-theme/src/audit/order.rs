//! Lightness, pins and places set by hand that had to give way, so that a scale keeps its order.

use std::collections::BTreeMap;

use super::scene::{Scene, sentence};
use super::{Edit, Finding, Severity};
use crate::label::StepLabel;
use crate::palette::NamedScale;

/// L\* from which what stands differs from what was asked for.
const GAVE_WAY: f64 = 1.0;

pub(super) fn look(scene: &Scene<'_>, out: &mut Vec<Finding>) {
    for scale in &scene.derived.scales {
        lightness(scene, scale, out);
        pins(scene, scale, out);
        place(scale, out);
    }
}

fn index(scale: &NamedScale, label: &StepLabel) -> Option<usize> {
    scale.scale.steps.iter().position(|s| s.label == *label)
}

fn finding(
    scale: &NamedScale,
    index: usize,
    message: String,
    gap: f64,
    edits: Vec<Edit>,
) -> Finding {
    Finding {
        id: "order",
        severity: Severity::Warning,
        message,
        mode: None,
        tokens: vec![scale.step_path(index)],
        figures: BTreeMap::from([("gap", gap)]),
        measure: -gap,
        rule: "steps of a scale fall in lightness",
        worst: None,
        accepted: None,
        edits,
    }
}

fn lightness(scene: &Scene<'_>, scale: &NamedScale, out: &mut Vec<Finding>) {
    for (label, asked) in &scale.settings.lightness {
        let Some(at) = index(scale, label) else {
            continue;
        };
        let stands = scale.scale.steps[at].lightness;
        let gap = (asked - stands).abs();
        if gap >= GAVE_WAY {
            let message = format!(
                "{} was asked for L* {asked} and stands at {stands:.0}, so that the scale keeps its order.",
                sentence(&scene.called(&scale.step_path(at)))
            );
            let edit = Edit::LetGoLightness(scale.slug.clone(), label.clone());
            out.push(finding(scale, at, message, gap, vec![edit]));
        }
    }
}

fn pins(scene: &Scene<'_>, scale: &NamedScale, out: &mut Vec<Finding>) {
    for (label, color) in &scale.settings.pins {
        let (Some(at), code) = (index(scale, label), color.to_rgb8()) else {
            continue;
        };
        let step = &scale.scale.steps[at];
        if step.color == code {
            continue;
        }
        let message = format!(
            "{} is held at {code} and stands at {}, so that the scale keeps its order.",
            sentence(&scene.called(&scale.step_path(at))),
            step.color
        );
        let gap = (code.lightness() - step.lightness).abs();
        let edit = Edit::Unpin(scale.slug.clone(), label.clone());
        out.push(finding(scale, at, message, gap, vec![edit]));
    }
}

fn place(scale: &NamedScale, out: &mut Vec<Finding>) {
    let Some(label) = &scale.settings.at else {
        return;
    };
    let base = scale.scale.base_step();
    if base.label == *label {
        return;
    }
    let Some(asked) = index(scale, label) else {
        return;
    };
    let message = format!(
        "{} was asked to stand at {label} and stands at {}, so that every step has room.",
        scale.name, base.label
    );
    let gap = (scale.scale.steps[asked].lightness - base.lightness).abs();
    let edits = vec![
        Edit::At(scale.slug.clone(), Some(base.label.clone())),
        Edit::At(scale.slug.clone(), None),
    ];
    out.push(finding(scale, asked, message, gap, edits));
}
