//! Text on surfaces.

use super::MAIN_TEXT;
use super::painter::Painter;
use super::pick::{Needs, Reach};
use crate::vocabulary::Role;

pub(crate) fn paint(p: &mut Painter<'_>) {
    let neutral = p.neutral();
    let surfaces = p.surfaces.clone();
    for (role, light, dark, ratio) in [
        (Role::TEXT_MAIN, 7.5, 95.0, MAIN_TEXT),
        (Role::TEXT_MUTED, 40.5, 70.0, p.text()),
    ] {
        let choice = p.pick(
            neutral,
            p.by_mode(light, dark),
            Reach::WIDE,
            Needs {
                on: &surfaces,
                ratio,
            },
        );
        let id = p.put(role, choice);
        p.pair_on_surfaces(id, ratio);
    }
    // WCAG 2.2, 1.4.3 exempts inactive controls: no pair is declared.
    let disabled = p.pick(
        neutral,
        p.by_mode(70.0, 40.0),
        Reach::NEAR,
        Needs {
            on: &[],
            ratio: 1.0,
        },
    );
    let id = p.put(Role::TEXT_DISABLED, disabled);
    let fill = p.pick(
        neutral,
        p.by_mode(91.0, 20.0),
        Reach::NEAR,
        Needs {
            on: &[],
            ratio: 1.0,
        },
    );
    p.put(Role::DISABLED_FILL, fill);
    p.put_same(Role::DISABLED_TEXT, id);
    let edge = p.pick(
        neutral,
        p.by_mode(82.0, 30.0),
        Reach::NEAR,
        Needs {
            on: &[],
            ratio: 1.0,
        },
    );
    p.put(Role::DISABLED_EDGE, edge);
}
