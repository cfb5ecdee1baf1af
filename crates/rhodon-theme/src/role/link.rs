//! Links in running text, and the ring around what has the focus.

use super::painter::Painter;
use super::pick::{Needs, Reach};
use crate::vocabulary::{Intent, IntentPart, Role};

/// L\* between a link and its hover and pressed state.
const STEP: f64 = 8.0;

pub(crate) fn paint(p: &mut Painter<'_>) {
    let Some(primary) = p.on.intents.first() else {
        return;
    };
    let scale = &p.on.scales[primary.scale];
    let surfaces = p.surfaces.clone();
    let needs = Needs {
        on: &surfaces,
        ratio: p.text(),
    };
    let rest_choice = p.fill_or_tone(scale, p.by_mode(42.0, 74.0), needs);
    let rest = p.put(Role::LINK_REST, rest_choice);
    p.pair_on_surfaces(rest, p.text());
    let from = p.code(rest).lightness();
    let kin = p.kin(rest, scale);
    for (i, role) in [Role::LINK_HOVER, Role::LINK_PRESSED]
        .into_iter()
        .enumerate()
    {
        let further = STEP * (i + 1) as f64;
        let tone = away(
            from,
            further,
            p.by_mode(-1.0, 1.0),
            p.by_mode((34.0, 26.0), (82.0, 90.0)),
            i,
        );
        let choice = kin.pick(p, tone, Reach(0.75), needs);
        let id = p.put(role, choice);
        p.pair_on_surfaces(id, p.text());
    }
    if let Some(edge) = p.find(Intent::Primary.role(IntentPart::Edge)) {
        let ring = p.put_same(Role::FOCUS_RING, edge);
        p.pair_on_surfaces(ring, p.graphic());
    }
}

/// Further from the page; where nothing is left there, a tone nearer to it that still reads.
fn away(from: f64, further: f64, direction: f64, fallback: (f64, f64), state: usize) -> f64 {
    let tone = from + direction * further;
    if (6.0..=97.0).contains(&tone) {
        return tone;
    }
    if state == 0 { fallback.0 } else { fallback.1 }
}
