//! Pairs that cannot be read (WCAG 2.2, 1.4.3 and 1.4.11).

use std::collections::BTreeMap;

use rhodon_color::{Rgb8, contrast_ratio, difference};

use super::scene::{Scene, sentence};
use super::{Edit, Finding, Severity};
use crate::role::TEXT;
use crate::token::{Mode, Pair};

/// How many steps are tried.
const TRIED: usize = 3;

pub(super) fn look(scene: &Scene<'_>, out: &mut Vec<Finding>) {
    for pair in scene.derived.pairs.iter().filter(|p| !p.pass) {
        out.push(finding(scene, pair));
    }
}

fn finding(scene: &Scene<'_>, pair: &Pair) -> Finding {
    let Pair {
        mode,
        fg,
        bg,
        ratio,
        need,
        ..
    } = pair;
    let steps = passing(scene, fg, *mode);
    let what = if *need >= TEXT {
        "text needs"
    } else {
        "parts need"
    };
    let mut message = format!(
        "{} on {} has {ratio:.1} : 1 in {}; {what} {need}.",
        sentence(&scene.called(fg)),
        scene.called(bg),
        mode.id()
    );
    let ground = scene.code(bg, *mode);
    if let (Some((path, code)), Some(ground)) = (steps.first(), ground) {
        let has = contrast_ratio(*code, ground);
        message.push_str(&format!(" {} has {has:.1}.", sentence(&scene.called(path))));
    }
    let mut edits = Vec::new();
    for path in [fg, bg] {
        if scene.is_set(path, *mode) {
            edits.push(Edit::LetGo(path.clone(), *mode));
        }
    }
    edits.extend(
        steps
            .into_iter()
            .map(|(to, _)| Edit::Refer(fg.clone(), *mode, to)),
    );
    Finding {
        id: "contrast",
        severity: Severity::Error,
        message,
        mode: Some(*mode),
        tokens: vec![fg.clone(), bg.clone()],
        figures: BTreeMap::from([("ratio", *ratio), ("need", *need)]),
        measure: *ratio,
        rule: if *need >= TEXT {
            "WCAG 2.2, 1.4.3"
        } else {
            "WCAG 2.2, 1.4.11"
        },
        worst: None,
        accepted: None,
        edits,
    }
}

/// Steps with which every pair of a token passes, those first that look most like it.
fn passing(scene: &Scene<'_>, path: &str, mode: Mode) -> Vec<(std::sync::Arc<str>, Rgb8)> {
    let Some(own) = scene.code(path, mode) else {
        return Vec::new();
    };
    let pairs: Vec<(Rgb8, f64)> = scene
        .pairs_of(path, mode)
        .filter_map(|p| {
            let other = if *p.fg == *path { &p.bg } else { &p.fg };
            Some((scene.code(other, mode)?, p.need))
        })
        .collect();
    let reads = |code: Rgb8| {
        pairs
            .iter()
            .all(|(other, need)| contrast_ratio(code, *other) >= *need)
    };
    let mut found: Vec<_> = scene
        .steps()
        .filter(|(_, code)| reads(*code))
        .map(|(path, code)| (difference(code, own), path.clone(), code))
        .collect();
    found.sort_by(|a, b| a.0.total_cmp(&b.0));
    found
        .into_iter()
        .take(TRIED)
        .map(|(_, path, code)| (path, code))
        .collect()
}
