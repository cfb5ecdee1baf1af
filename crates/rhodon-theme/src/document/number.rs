//! Numbers that a document may set: key, range, default and meaning, each declared once. Reading,
//! the published schema and the fields of the interface follow from here.

use super::field::Node;
use super::problem::Problems;

/// A number that a document may set.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct NumberField {
    /// The object that holds it: `type`, `shape`, or `scale` for the settings of any scale.
    pub part: &'static str,
    /// Its key there.
    pub key: &'static str,
    /// What people call it.
    pub title: &'static str,
    /// What it counts; empty where it has none.
    pub unit: &'static str,
    /// The least that it may be.
    pub low: f64,
    /// The most that it may be.
    pub high: f64,
    /// What holds where nobody sets it.
    pub default: f64,
    /// A small change of it.
    pub step: f64,
    /// Whether it is a whole number.
    pub whole: bool,
    /// What it does, in a sentence.
    pub help: &'static str,
}

/// Size of running text.
pub const BASE: NumberField = NumberField {
    part: "type",
    key: "base",
    title: "Size",
    unit: "px",
    low: 8.0,
    high: 32.0,
    default: 16.0,
    step: 1.0,
    whole: false,
    help: "The size of running text; all other sizes follow from it by the ratio.",
};

/// Ratio of neighbouring sizes.
pub const RATIO: NumberField = NumberField {
    part: "type",
    key: "ratio",
    title: "Ratio",
    unit: "",
    low: 1.05,
    high: 2.0,
    default: 1.2,
    step: 0.05,
    whole: false,
    help: "Each size of text is the one below it times this.",
};

/// Weight of running text.
pub const REGULAR: NumberField = NumberField {
    part: "type",
    key: "regular",
    title: "Regular",
    unit: "",
    low: 1.0,
    high: 1000.0,
    default: 400.0,
    step: 50.0,
    whole: true,
    help: "The font weight of running text.",
};

/// Weight of headings and labels.
pub const BOLD: NumberField = NumberField {
    part: "type",
    key: "bold",
    title: "Bold",
    unit: "",
    low: 1.0,
    high: 1000.0,
    default: 600.0,
    step: 50.0,
    whole: true,
    help: "The font weight of headings and labels.",
};

/// Corner radius.
pub const RADIUS: NumberField = NumberField {
    part: "shape",
    key: "radius",
    title: "Radius",
    unit: "px",
    low: 0.0,
    high: 64.0,
    default: 6.0,
    step: 1.0,
    whole: false,
    help: "The corner radius of a field or button; small and large radii follow from it.",
};

/// Border width.
pub const BORDER: NumberField = NumberField {
    part: "shape",
    key: "border",
    title: "Border",
    unit: "px",
    low: 0.0,
    high: 16.0,
    default: 1.0,
    step: 1.0,
    whole: false,
    help: "The width of borders around fields, cards and buttons.",
};

/// Factor on the chroma of a scale.
pub const STRENGTH: NumberField = NumberField {
    part: "scale",
    key: "strength",
    title: "Strength",
    unit: "",
    low: 0.0,
    high: 2.0,
    default: 1.0,
    step: 0.01,
    whole: false,
    help: "How colourful the steps are against what the brand colour asks for; pins keep theirs.",
};

/// Hue turn of a scale.
pub const TURN: NumberField = NumberField {
    part: "scale",
    key: "turn",
    title: "Hue turn",
    unit: "°",
    low: -20.0,
    high: 20.0,
    default: 0.0,
    step: 1.0,
    whole: false,
    help: "How far dark steps turn in hue, and light ones the other way: shadows that lean warm or cold.",
};

/// L\* of a step.
pub const LIGHTNESS: NumberField = NumberField {
    part: "scale",
    key: "lightness",
    title: "Lightness",
    unit: "L*",
    low: 0.0,
    high: 100.0,
    default: 50.0,
    step: 0.5,
    whole: false,
    help: "CIE L* of a step set by hand; the steps beside it follow as far as there is room.",
};

/// Opacity of a see-through step.
pub const ALPHA: NumberField = NumberField {
    part: "scale",
    key: "alpha",
    title: "Alpha step",
    unit: "%",
    low: 1.0,
    high: 99.0,
    default: 8.0,
    step: 1.0,
    whole: true,
    help: "Opacity of a see-through step of the scale's own colour.",
};

/// Every one of them.
pub const NUMBERS: &[&NumberField] = &[
    &BASE, &RATIO, &REGULAR, &BOLD, &RADIUS, &BORDER, &STRENGTH, &TURN, &LIGHTNESS, &ALPHA,
];

impl NumberField {
    /// A number in its range.
    pub(crate) fn read(&self, node: &Node<'_>, problems: &mut Problems) -> Option<f64> {
        let n = node.number(self.low, self.high, problems)?;
        if self.whole && n.fract() != 0.0 {
            problems.add(&node.pointer, format!("expected a whole number, found {n}"));
            return None;
        }
        Some(n)
    }

    /// A whole number in its range.
    pub(crate) fn read_whole(&self, node: &Node<'_>, problems: &mut Problems) -> Option<u16> {
        // Ranges of whole numbers fit.
        self.read(node, problems).map(|n| n as u16)
    }
}
