//! Colour values: reading and printing CSS colours, converting between spaces,
//! fitting into a gamut, and measuring contrast, difference and colour vision.
//!
//! What lives here knows nothing of themes or files. Nothing clips behind your
//! back: [`Color::to_linear_srgb`] is unbounded, [`Color::to_rgb8`] is the gamut
//! mapping of CSS Color 4, and [`HueSlice`] holds hue and luminance instead.
//!
//! | to … | use |
//! |---|---|
//! | read a CSS colour | [`Color::parse`] |
//! | print one | [`Notation`] |
//! | get the code shown on a screen | [`Color::to_rgb8`] |
//! | move along chroma at fixed hue and luminance | [`HueSlice`] |
//! | measure readability | [`contrast_ratio`] |
//! | measure difference | [`difference`] |
//! | see with another eye | [`Vision`] |
//! | see in daylight, or less sharp | [`Daylight`], [`acuity_blur`] |
//! | find companions by hue | [`RELATIONS`] |
//! | move one by lightness, strength and hue | [`Place`] |

mod circumstance;
mod color;
mod contrast;
mod css;
mod difference;
mod draw;
mod gamut;
mod hue_slice;
mod lightness;
mod matrix;
mod oklab;
mod polar;
mod relation;
mod rgb8;
mod space;
mod start;
mod transfer;
mod tuner;
mod vision;

pub use circumstance::{Daylight, acuity_blur};
pub use color::{Color, GamutFit};
pub use contrast::{ContrastOn, contrast_ratio, ink_on, lightness_limits, luminance};
pub use css::{
    ColorError, Notation, NotationError, bare_code, grey_level, respelt, respelt_alpha_first,
};
pub use difference::{
    Lab65, difference, difference_below, lab_d65, lab_difference, least_difference,
};
pub use hue_slice::HueSlice;
pub use lightness::{lightness_from_luminance, luminance_from_lightness};
pub use oklab::{Oklab, Oklch, hue_turn, hue_within};
pub use relation::{RELATIONS, Relation, companions, drawn, partners, turns_apart};
pub use rgb8::{Rgb8, Rgb8Error};
pub use space::Space;
pub use start::{drawn_around, drawn_start};
pub use tuner::{MOST_STRENGTH, Place, Stop, lightness_with};
pub use vision::{Vision, VisionKind};
