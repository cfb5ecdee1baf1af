//! Borders: one that only divides, one that carries a control's shape.

use super::painter::{Painter, RoleId};
use super::pick::{Needs, Reach};
use crate::level::Level;
use crate::palette::NamedScale;
use crate::vocabulary::Role;

pub(crate) fn paint(p: &mut Painter<'_>) {
    let neutral = p.neutral();
    let surfaces = p.surfaces.clone();
    subtle(p, neutral, &surfaces);
    let needs = Needs {
        on: &surfaces,
        ratio: p.graphic(),
    };
    let strong = p.pick(neutral, p.by_mode(50.0, 58.0), Reach::WIDE, needs);
    let id = p.put(Role::BORDER_STRONG, strong);
    p.pair_on_surfaces(id, p.graphic());
}

/// A line that only divides need not be seen by everybody; where more contrast is asked for it must.
fn subtle(p: &mut Painter<'_>, neutral: &NamedScale, surfaces: &[RoleId]) {
    if p.level == Level::Usual {
        let none = Needs {
            on: &[],
            ratio: 1.0,
        };
        let choice = p.pick(neutral, p.by_mode(88.0, 24.0), Reach::NEAR, none);
        p.put(Role::BORDER_SUBTLE, choice);
        return;
    }
    let needs = Needs {
        on: surfaces,
        ratio: p.graphic(),
    };
    let choice = p.pick(neutral, p.by_mode(50.0, 58.0), Reach::WIDE, needs);
    let id = p.put(Role::BORDER_SUBTLE, choice);
    p.pair_on_surfaces(id, p.graphic());
}
