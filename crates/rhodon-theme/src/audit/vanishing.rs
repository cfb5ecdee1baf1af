//! Fills that can hardly be told from their page.

use std::collections::BTreeMap;

use rhodon_color::difference;

use super::scene::{Scene, sentence};
use super::{Edit, Finding, Severity};
use crate::reason::Reason;
use crate::role::visible::VISIBLE;
use crate::token::Mode;
use crate::vocabulary::{IntentPart, Role};

pub(super) fn look(scene: &Scene<'_>, out: &mut Vec<Finding>) {
    for intent in &scene.derived.intents {
        let path = IntentPart::Fill.of(intent.name.as_str());
        for mode in Mode::BOTH {
            let Some(token) = scene.token(&path) else {
                continue;
            };
            let cell = token.cell(mode);
            let Some(code) = scene.code(&path, mode) else {
                continue;
            };
            let grounds = Role::SURFACES
                .into_iter()
                .filter_map(|s| Some((s, scene.code(s.path(), mode)?)));
            let nearest = grounds
                .map(|(surface, ground)| (surface, difference(code, ground)))
                .min_by(|a, b| a.1.total_cmp(&b.1));
            let Some((surface, gap)) = nearest else {
                continue;
            };
            let tokens = vec![path.clone(), surface.path().into()];
            let finding = |severity, message: String, gap: f64, edits| Finding {
                id: "vanishing",
                severity,
                message,
                mode: Some(mode),
                tokens: tokens.clone(),
                figures: BTreeMap::from([("difference", gap), ("need", VISIBLE)]),
                measure: gap,
                rule: "a fill can be told from its page: CIEDE2000 (CIE 142)",
                worst: None,
                accepted: None,
                edits,
            };
            let called = sentence(&scene.called(&path));
            if gap < VISIBLE {
                let message = format!(
                    "{called} is CIEDE2000 {gap:.1} from {} in {}; a fill needs {VISIBLE}.",
                    scene.called(surface.path()),
                    mode.id()
                );
                let edits = vec![Edit::LetGo(path.clone(), mode)];
                out.push(finding(Severity::Warning, message, gap, edits));
            } else if let Reason::Visible {
                scale, difference, ..
            } = &cell.reason
            {
                let message = format!(
                    "{called} is not {scale} itself in {}, which is CIEDE2000 {difference:.1} from the page: it is {code}, which shows.",
                    mode.id()
                );
                out.push(finding(Severity::Note, message, *difference, Vec::new()));
            }
        }
    }
}
