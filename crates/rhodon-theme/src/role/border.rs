//! Borders: one that only divides, one that carries a control's shape.

use super::GRAPHIC;
use super::painter::Painter;
use super::pick::{Needs, Reach};
use crate::vocabulary::Role;

pub(crate) fn paint(p: &mut Painter<'_>) {
    let neutral = p.neutral();
    let subtle = p.pick(
        neutral,
        p.by_mode(88.0, 24.0),
        Reach::NEAR,
        Needs {
            on: &[],
            ratio: 1.0,
        },
    );
    p.put(Role::BORDER_SUBTLE, subtle);
    let surfaces = p.surfaces.clone();
    let needs = Needs {
        on: &surfaces,
        ratio: GRAPHIC,
    };
    let strong = p.pick(neutral, p.by_mode(50.0, 58.0), Reach::WIDE, needs);
    let id = p.put(Role::BORDER_STRONG, strong);
    p.pair_on_surfaces(id, GRAPHIC);
}
