//! What nothing refers to.

use std::collections::{BTreeMap, HashSet};

use super::scene::{Scene, sentence};
use super::{Edit, Finding, Severity};
use crate::token::{Mode, Section, Token};

pub(super) fn look(scene: &Scene<'_>, out: &mut Vec<Finding>) {
    let cells = |t: &'_ Token| Mode::BOTH.map(|mode| t.cell(mode).alias.clone());
    let used: HashSet<_> = scene
        .derived
        .tokens
        .iter()
        .flat_map(cells)
        .flatten()
        .collect();
    for token in &scene.derived.tokens {
        if token.omitted || used.contains(&token.path) {
            continue;
        }
        let see_through = token.section == Section::Scales
            && token
                .cell(Mode::Light)
                .value
                .color()
                .is_some_and(|c| c.alpha < 1.0);
        if see_through || token.section == Section::Own {
            out.push(finding(scene, token, see_through));
        }
    }
}

fn finding(scene: &Scene<'_>, token: &Token, see_through: bool) -> Finding {
    let scale = scene
        .derived
        .scales
        .iter()
        .find(|s| s.slug.as_str() == token.group());
    let percent = token.path.rsplit(".a").next().and_then(|n| n.parse().ok());
    let edit = scale.filter(|_| see_through).zip(percent);
    let edits = edit.map(|(s, percent)| Edit::WithoutAlpha(s.slug.clone(), percent));
    Finding {
        id: "unused",
        severity: Severity::Note,
        message: format!(
            "Nothing in the theme refers to {}.",
            sentence(&scene.called(&token.path))
        ),
        mode: None,
        tokens: vec![token.path.clone()],
        figures: BTreeMap::new(),
        measure: 0.0,
        rule: "what nothing needs can be left out of exports",
        accepted: None,
        edits: edits.into_iter().collect(),
    }
}
