//! Roles: named uses of colour, with a value per mode. Each family is one file with a function
//! that paints it and declares its pairs, and one line in [`FAMILIES`]; order matters,
//! a family may build on those above it.

mod bar;
mod border;
mod candidate;
mod chart;
mod intent;
mod known_intent;
mod link;
mod painter;
mod pick;
mod selection;
mod shade;
mod states;
mod surface;
mod text;
pub(crate) mod visible;

use painter::Ahead;
pub(crate) use painter::{Backdrop, Painted, Painter};

use crate::level::Level;
use crate::token::Mode;

/// Paints one family of roles.
type Family = fn(&mut Painter<'_>);

/// Every family.
const FAMILIES: &[Family] = &[
    surface::paint,
    text::paint,
    border::paint,
    intent::paint,
    bar::paint,
    link::paint,
    selection::paint,
    shade::paint,
    chart::paint,
];

/// Rounds of painting after which roles that depend on each other in a circle are left as they are.
const ROUNDS: usize = 6;

/// Paints every family in one mode and level. A role set by hand may refer to one that is painted after it:
/// then all is painted again with what that one came to, so that what stands on it can be read.
pub(crate) fn paint(mode: Mode, level: Level, on: &Backdrop<'_>) -> Painted {
    let mut ahead = Ahead::new();
    let paint_once = |ahead: &Ahead| {
        let mut painter = Painter::new(mode, level, on, ahead);
        FAMILIES.iter().for_each(|family| family(&mut painter));
        painter.finish()
    };
    for _ in 1..ROUNDS {
        let painted = paint_once(&ahead);
        if painted.awaited == ahead {
            return painted;
        }
        ahead = painted.awaited;
    }
    paint_once(&ahead)
}

/// Least contrast of running text, usually.
pub const TEXT: f64 = Level::Usual.text();
/// Least contrast of main text, at either level (WCAG 2.2, 1.4.6).
const MAIN_TEXT: f64 = Level::More.text();
/// Least contrast of what must be seen but not read, usually.
pub const GRAPHIC: f64 = Level::Usual.graphic();
