//! Surfaces: the grounds everything else stands on.

use super::painter::Painter;
use super::pick::{Needs, Reach};

/// Name, and L\* in light and dark.
const SURFACES: [(&str, f64, f64); 4] = [
    ("base", 97.0, 7.5),
    ("raised", 100.0, 11.0),
    ("sunken", 94.0, 4.0),
    ("overlay", 100.0, 15.0),
];

pub(crate) fn paint(p: &mut Painter<'_>) {
    let neutral = p.neutral();
    for (name, light, dark) in SURFACES {
        let choice = p.pick(
            neutral,
            p.by_mode(light, dark),
            Reach::TIGHT,
            Needs {
                on: &[],
                ratio: 1.0,
            },
        );
        let id = p.put(format!("surface.{name}"), choice);
        p.surfaces.push(id);
    }
}
