//! Surfaces: the grounds everything else stands on.

use super::painter::Painter;
use super::pick::{Needs, Reach};
use crate::vocabulary::Role;

/// Each, and L\* in light and dark.
const SURFACES: [(Role, f64, f64); 4] = [
    (Role::SURFACE_BASE, 97.0, 7.5),
    (Role::SURFACE_RAISED, 100.0, 11.0),
    (Role::SURFACE_SUNKEN, 94.0, 4.0),
    (Role::SURFACE_OVERLAY, 100.0, 15.0),
];

pub(crate) fn paint(p: &mut Painter<'_>) {
    let neutral = p.neutral();
    for (role, light, dark) in SURFACES {
        let choice = p.pick(
            neutral,
            p.by_mode(light, dark),
            Reach::TIGHT,
            Needs {
                on: &[],
                ratio: 1.0,
            },
        );
        p.put_surface(role, choice);
    }
}
