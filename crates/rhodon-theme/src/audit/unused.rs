//! What nothing refers to.

use std::collections::HashSet;

use super::scene::Scene;
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
        if is_see_through(token) {
            out.push(see_through(scene, token));
        } else if token.section == Section::Own {
            out.push(finding(scene.called(&token.path), &token.path, None));
        }
    }
    for scale in &scene.derived.scales {
        let off = scale.settings.off == Some(true);
        if !off && !scale.paths.iter().any(|path| used.contains(path)) {
            let edit = Edit::LeaveOut(scale.slug.clone());
            let called = format!("the scale {}", scale.name);
            out.push(finding(called, scale.slug.as_str(), Some(edit)));
        }
    }
}

fn is_see_through(token: &Token) -> bool {
    let color = token.cell(Mode::Light).value.color();
    token.section == Section::Scales && color.is_some_and(|c| c.alpha < 1.0)
}

fn see_through(scene: &Scene<'_>, token: &Token) -> Finding {
    let mut scales = scene.derived.scales.iter();
    let scale = scales.find(|s| s.slug.as_str() == token.group());
    let percent = token.path.rsplit(".a").next().and_then(|n| n.parse().ok());
    let edit = scale
        .zip(percent)
        .map(|(s, percent)| Edit::WithoutAlpha(s.slug.clone(), percent));
    finding(scene.called(&token.path), &token.path, edit)
}

fn finding(called: String, token: &str, edit: Option<Edit>) -> Finding {
    Finding {
        edits: edit.into_iter().collect(),
        ..Finding::told(
            "unused",
            Severity::Note,
            format!("Nothing in the theme refers to {called}."),
            &[token],
            "what nothing needs can be left out of exports",
        )
    }
}
