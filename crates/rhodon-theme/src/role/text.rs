//! Text on surfaces.

use super::painter::Painter;
use super::pick::{Needs, Reach};
use super::{MAIN_TEXT, TEXT};

pub(crate) fn paint(p: &mut Painter<'_>) {
    let neutral = p.neutral();
    let surfaces = p.surfaces.clone();
    for (name, light, dark, ratio) in [("main", 7.5, 95.0, MAIN_TEXT), ("muted", 40.5, 70.0, TEXT)]
    {
        let choice = p.pick(
            neutral,
            p.by_mode(light, dark),
            Reach::WIDE,
            Needs {
                on: &surfaces,
                ratio,
            },
        );
        let id = p.put(format!("text.{name}"), choice);
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
    let id = p.put("text.disabled", disabled);
    let fill = p.pick(
        neutral,
        p.by_mode(91.0, 20.0),
        Reach::NEAR,
        Needs {
            on: &[],
            ratio: 1.0,
        },
    );
    p.put("disabled.fill", fill);
    p.put_same("disabled.text", id);
    let edge = p.pick(
        neutral,
        p.by_mode(82.0, 30.0),
        Reach::NEAR,
        Needs {
            on: &[],
            ratio: 1.0,
        },
    );
    p.put("disabled.edge", edge);
}
