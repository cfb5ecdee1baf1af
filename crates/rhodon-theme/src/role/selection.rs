//! Selected text, and selected rows and tabs.

use super::painter::Painter;
use super::pick::{Needs, Reach};
use crate::vocabulary::{Intent, IntentPart, Role};

pub(crate) fn paint(p: &mut Painter<'_>) {
    let Some(primary) = p.on.intents.first() else {
        return;
    };
    let scale = &p.on.scales[primary.scale];
    let neutral = p.neutral();
    let fill_choice = p.pick(
        scale,
        p.by_mode(84.0, 32.0),
        Reach::NEAR,
        Needs {
            on: &[],
            ratio: 1.0,
        },
    );
    let fill = p.put(Role::SELECTION_FILL, fill_choice);
    let tone = p.by_mode(7.5, 97.0);
    let text_choice = p.pick(
        neutral,
        tone,
        Reach::WIDE,
        Needs {
            on: &[fill],
            ratio: p.text(),
        },
    );
    let text = p.put(Role::SELECTION_TEXT, text_choice);
    p.pair(text, fill, p.text());

    let Some(tint) = p.find(Intent::Primary.role(IntentPart::Tint)) else {
        return;
    };
    let selected = p.put_same(Role::SELECTED_FILL, tint);
    let text_choice = p.pick(
        neutral,
        tone,
        Reach::WIDE,
        Needs {
            on: &[selected],
            ratio: p.text(),
        },
    );
    let text = p.put(Role::SELECTED_TEXT, text_choice);
    p.pair(text, selected, p.text());
    if let Some(edge) = p.find(Intent::Primary.role(IntentPart::Edge)) {
        let edge = p.put_same(Role::SELECTED_EDGE, edge);
        p.pair_on_surfaces(edge, p.graphic());
    }
}
