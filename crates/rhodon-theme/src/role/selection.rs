//! Selected text, and selected rows and tabs.

use super::painter::Painter;
use super::pick::{Needs, Reach};
use super::{GRAPHIC, TEXT};

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
    let fill = p.put("selection.fill", fill_choice);
    let tone = p.by_mode(7.5, 97.0);
    let text_choice = p.pick(
        neutral,
        tone,
        Reach::WIDE,
        Needs {
            on: &[fill],
            ratio: TEXT,
        },
    );
    let text = p.put("selection.text", text_choice);
    p.pair(text, fill, TEXT);

    let Some(tint) = p.find("primary.tint") else {
        return;
    };
    let selected = p.put_same("selected.fill", tint);
    let text_choice = p.pick(
        neutral,
        tone,
        Reach::WIDE,
        Needs {
            on: &[selected],
            ratio: TEXT,
        },
    );
    let text = p.put("selected.text", text_choice);
    p.pair(text, selected, TEXT);
    if let Some(edge) = p.find("primary.edge") {
        let edge = p.put_same("selected.edge", edge);
        p.pair_on_surfaces(edge, GRAPHIC);
    }
}
