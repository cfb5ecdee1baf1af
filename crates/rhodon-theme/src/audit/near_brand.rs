//! Brand colours that people will read as a status.

use std::collections::BTreeMap;

use rhodon_color::difference;

use super::scene::Scene;
use super::{Finding, Severity};
use crate::status::{APART, Status};
use crate::value::Origin;
use crate::vocabulary::{Intent, IntentPart};

pub(super) fn look(scene: &Scene<'_>, out: &mut Vec<Finding>) {
    let untuned = Status::untuned();
    let is_own = |intent: Intent| {
        let found = scene.derived.intent(intent.id());
        found.is_some_and(|i| i.origin == Origin::Derived)
    };
    for brand in &scene.theme.merged.brand {
        let scale = scene.derived.scales.iter().find(|s| s.slug == brand.slug);
        let Some(own) = scale.map(|s| s.step_path(s.scale.base)) else {
            continue;
        };
        let code = brand.color.to_rgb8();
        for intent in [
            Intent::Success,
            Intent::Warning,
            Intent::Danger,
            Intent::Info,
        ] {
            // A brand colour that plays the status itself is meant to be read so.
            if !is_own(intent) {
                continue;
            }
            let gap = difference(code, untuned.color(intent));
            if gap >= APART {
                continue;
            }
            let status = scene.derived.intent_scale(intent.id());
            let status = status.map(|s| s.scale.base_step().color.to_string());
            let message = format!(
                "{} will be read as {}: CIEDE2000 {gap:.1} from its usual colour. The theme paints {} with {}.",
                brand.name,
                intent.id(),
                intent.id(),
                status.unwrap_or_default()
            );
            out.push(Finding {
                id: "near-brand",
                severity: Severity::Warning,
                message,
                mode: None,
                tokens: vec![own.clone(), IntentPart::Fill.of(intent.id())],
                figures: BTreeMap::from([("difference", gap), ("need", APART)]),
                measure: gap,
                rule: "status colours are tuned to the brand and stay apart from each other",
                worst: None,
                accepted: None,
                edits: Vec::new(),
            });
        }
    }
}
