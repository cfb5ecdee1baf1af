//! Brand colours that not every screen can show.

use std::collections::BTreeMap;

use super::scene::Scene;
use super::{Finding, Severity};

pub(super) fn look(scene: &Scene<'_>, out: &mut Vec<Finding>) {
    for brand in &scene.theme.merged.brand {
        if brand.color.gamut_fit().srgb {
            continue;
        }
        let scale = scene.derived.scales.iter().find(|s| s.slug == brand.slug);
        let tokens = scale
            .map(|s| s.step_path(s.scale.base))
            .into_iter()
            .collect();
        let message = format!(
            "{} lies outside sRGB; {} stands for it where a screen shows no more.",
            brand.name,
            brand.color.to_rgb8()
        );
        out.push(Finding {
            id: "gamut",
            severity: Severity::Note,
            message,
            mode: None,
            tokens,
            figures: BTreeMap::new(),
            measure: 0.0,
            rule: "CSS Color 4, 13: gamut mapping",
            worst: None,
            accepted: None,
            edits: Vec::new(),
        });
    }
}
