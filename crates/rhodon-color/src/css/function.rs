//! The colour functions of CSS Color 4, as data: which components each takes.

use crate::Space;

/// How one coordinate may be written, and how it becomes a number.
#[derive(Clone, Copy, Debug)]
pub(crate) struct Slot {
    pub name: &'static str,
    /// A plain number times this is the coordinate; `None`: numbers are not allowed.
    pub number: Option<f64>,
    /// The coordinate that 100 % stands for; `None`: percentages are not allowed.
    pub percent: Option<f64>,
    pub angle: bool,
    /// Values are cut to this range as CSS does when it parses.
    pub range: (f64, f64),
}

const ANY: (f64, f64) = (f64::NEG_INFINITY, f64::INFINITY);

const fn slot(name: &'static str, number: f64, percent: f64, range: (f64, f64)) -> Slot {
    Slot {
        name,
        number: Some(number),
        percent: Some(percent),
        angle: false,
        range,
    }
}

const HUE: Slot = Slot {
    name: "hue",
    number: Some(1.0),
    percent: None,
    angle: true,
    range: ANY,
};

/// A colour function.
#[derive(Debug)]
pub(crate) struct Function {
    pub names: &'static [&'static str],
    pub space: Space,
    pub slots: [Slot; 3],
    /// Commas allowed, for the forms older than CSS Color 4.
    pub legacy: bool,
}

/// Section numbers: rgb 5.1, hsl 7, hwb 8, lab and lch 9.3, oklab and oklch 9.4.
pub(crate) const FUNCTIONS: &[Function] = &[
    Function {
        names: &["rgb", "rgba"],
        space: Space::Srgb,
        slots: [
            slot("red", 1.0 / 255.0, 1.0, (0.0, 1.0)),
            slot("green", 1.0 / 255.0, 1.0, (0.0, 1.0)),
            slot("blue", 1.0 / 255.0, 1.0, (0.0, 1.0)),
        ],
        legacy: true,
    },
    Function {
        names: &["hsl", "hsla"],
        space: Space::Hsl,
        slots: [
            HUE,
            slot("saturation", 0.01, 1.0, (0.0, f64::INFINITY)),
            slot("lightness", 0.01, 1.0, ANY),
        ],
        legacy: true,
    },
    Function {
        names: &["hwb"],
        space: Space::Hwb,
        slots: [
            HUE,
            slot("whiteness", 0.01, 1.0, ANY),
            slot("blackness", 0.01, 1.0, ANY),
        ],
        legacy: false,
    },
    Function {
        names: &["lab"],
        space: Space::Lab,
        slots: [
            slot("lightness", 1.0, 100.0, (0.0, 100.0)),
            slot("a", 1.0, 125.0, ANY),
            slot("b", 1.0, 125.0, ANY),
        ],
        legacy: false,
    },
    Function {
        names: &["lch"],
        space: Space::Lch,
        slots: [
            slot("lightness", 1.0, 100.0, (0.0, 100.0)),
            slot("chroma", 1.0, 150.0, (0.0, f64::INFINITY)),
            HUE,
        ],
        legacy: false,
    },
    Function {
        names: &["oklab"],
        space: Space::Oklab,
        slots: [
            slot("lightness", 1.0, 1.0, (0.0, 1.0)),
            slot("a", 1.0, 0.4, ANY),
            slot("b", 1.0, 0.4, ANY),
        ],
        legacy: false,
    },
    Function {
        names: &["oklch"],
        space: Space::Oklch,
        slots: [
            slot("lightness", 1.0, 1.0, (0.0, 1.0)),
            slot("chroma", 1.0, 0.4, (0.0, f64::INFINITY)),
            HUE,
        ],
        legacy: false,
    },
];

/// The spaces of `color()`, section 10.
pub(crate) const COLOR_SPACES: &[(&str, Space)] = &[
    ("srgb", Space::Srgb),
    ("srgb-linear", Space::SrgbLinear),
    ("display-p3", Space::DisplayP3),
    ("display-p3-linear", Space::DisplayP3Linear),
    ("a98-rgb", Space::A98Rgb),
    ("prophoto-rgb", Space::ProphotoRgb),
    ("rec2020", Space::Rec2020),
    ("xyz", Space::XyzD65),
    ("xyz-d50", Space::XyzD50),
    ("xyz-d65", Space::XyzD65),
];

/// The three coordinates of `color()`.
pub(crate) const COLOR_SLOTS: [Slot; 3] = [
    slot("first", 1.0, 1.0, ANY),
    slot("second", 1.0, 1.0, ANY),
    slot("third", 1.0, 1.0, ANY),
];
