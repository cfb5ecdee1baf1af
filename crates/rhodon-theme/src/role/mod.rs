//! Roles: named uses of colour, with a value per mode. Each family is one file with a function
//! that paints it and declares its pairs, and one line in [`FAMILIES`]; order matters,
//! a family may build on those above it.

mod bar;
mod border;
mod chart;
mod intent;
mod link;
mod painter;
mod pick;
mod selection;
mod shade;
mod surface;
mod text;

pub(crate) use painter::{Backdrop, Painter};

/// Paints one family of roles.
type Family = fn(&mut Painter<'_>);

/// Every family.
pub(crate) const FAMILIES: &[Family] = &[
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

/// Least contrast of running text (WCAG 2.2, 1.4.3).
const TEXT: f64 = 4.5;
/// Least contrast of main text (WCAG 2.2, 1.4.6).
const MAIN_TEXT: f64 = 7.0;
/// Least contrast of what must be seen but not read (WCAG 2.2, 1.4.11).
const GRAPHIC: f64 = 3.0;
