//! Neighbouring steps that are hardly two, or between which one is missing.

use std::collections::BTreeMap;

use rhodon_color::difference;

use super::scene::{Scene, sentence};
use super::{Edit, Finding, Severity};

/// CIEDE2000 below which two steps are hardly two, and above which one is missing between them.
const LEAST: f64 = 2.0;
const MOST: f64 = 25.0;

pub(super) fn look(scene: &Scene<'_>, out: &mut Vec<Finding>) {
    for scale in &scene.derived.scales {
        let steps = &scale.scale.steps;
        for (i, two) in steps.windows(2).enumerate() {
            let gap = difference(two[0].color, two[1].color);
            // A step 0 is white beside the first, on purpose.
            if (LEAST..=MOST).contains(&gap) || two[0].label.as_str() == "0" {
                continue;
            }
            let [first, second] = [i, i + 1].map(|n| scale.step_path(n));
            let limit = if gap < LEAST { LEAST } else { MOST };
            let said = if gap < LEAST { "at least" } else { "at most" };
            let message = format!(
                "{} and {} are CIEDE2000 {gap:.1} apart; neighbours are {said} {limit}.",
                sentence(&scene.called(&first)),
                two[1].label
            );
            let middle = steps.get(i + 2).map_or(two[1].lightness - 3.0, |next| {
                (two[0].lightness + next.lightness) / 2.0
            });
            let slug = scale.slug.clone();
            let edits = vec![
                Edit::LetGoLightness(slug.clone(), two[1].label.clone()),
                Edit::LetGoLightness(slug.clone(), two[0].label.clone()),
                Edit::Lightness(slug, two[1].label.clone(), middle),
            ];
            out.push(Finding {
                id: "step-gap",
                severity: Severity::Note,
                message,
                mode: None,
                tokens: vec![second, first],
                figures: BTreeMap::from([("difference", gap), ("limit", limit)]),
                measure: if gap < LEAST { gap } else { -gap },
                rule: "neighbouring steps are two and not far apart: CIEDE2000 (CIE 142)",
                worst: None,
                accepted: None,
                edits,
            });
        }
    }
}
