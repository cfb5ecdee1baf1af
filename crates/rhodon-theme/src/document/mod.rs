//! The spec: what the user decided. Everything else is derived from it.
//!
//! It is stored and exchanged as JSON; [`Document::read`] checks every value and reports all
//! problems at once, [`Document::schema`] publishes the shape.

mod field;
mod inherit;
mod problem;
mod read;
mod schema;

use indexmap::IndexMap;
use schemars::JsonSchema;
use serde::Serialize;

use crate::label::{KeptPath, Slug, StepLabel, TokenPath};
use crate::scale::Method;

pub use field::holds_nul;
pub use inherit::{InheritError, Inherited, Resolved};
pub use problem::{Problem, Problems};

/// The document format that this version writes.
pub const FORMAT: u32 = 1;

/// A theme document: what the user decided.
#[derive(Clone, Debug, PartialEq, Serialize, JsonSchema)]
#[schemars(deny_unknown_fields)]
pub struct Document {
    /// Version of the document format; older ones are upgraded on reading.
    pub format: u32,
    /// Readable name, 1 to 200 characters.
    pub name: String,
    /// Slug of the parent theme, whose decisions hold where this document has none.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub extends: Option<Slug>,
    /// Brand colours in the user's order. At least one unless a parent has some; at most 40.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    #[schemars(default)]
    pub brand: Vec<BrandColor>,
    /// Step labels for every scale that has none of its own; default `50` … `950`.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub steps: Option<Vec<StepLabel>>,
    /// Settings of scales, by the scale's slug.
    #[serde(skip_serializing_if = "IndexMap::is_empty")]
    #[schemars(default)]
    pub scales: IndexMap<Slug, ScaleSettings>,
    /// Which scale or colour an intent takes; own intents are added by naming them.
    #[serde(skip_serializing_if = "IndexMap::is_empty")]
    #[schemars(default)]
    pub intents: IndexMap<Slug, IntentChoice>,
    /// Roles set by hand, by token path.
    #[serde(skip_serializing_if = "IndexMap::is_empty")]
    #[schemars(default)]
    pub roles: IndexMap<TokenPath, ModeValues>,
    /// Own tokens, by token path.
    #[serde(skip_serializing_if = "IndexMap::is_empty")]
    #[schemars(default)]
    pub tokens: IndexMap<TokenPath, OwnToken>,
    /// Type faces and sizes.
    #[serde(rename = "type", skip_serializing_if = "TypeSettings::is_empty")]
    #[schemars(default)]
    pub typography: TypeSettings,
    /// Corner radius and border width.
    #[serde(skip_serializing_if = "ShapeSettings::is_empty")]
    #[schemars(default)]
    pub shape: ShapeSettings,
    /// How much of a page each part of the palette should cover.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub aim: Option<Aim>,
    /// Targets chosen for the handoff and their options, by the target's id. Which options a
    /// target takes is its own matter.
    #[serde(skip_serializing_if = "IndexMap::is_empty")]
    #[schemars(default)]
    pub handoff: IndexMap<Slug, IndexMap<Slug, String>>,
    /// Design tokens of types that have no place in a theme, as they were read, by their path in
    /// the file. They are given back when design tokens are written.
    #[serde(skip_serializing_if = "IndexMap::is_empty")]
    #[schemars(default)]
    pub kept: IndexMap<KeptPath, serde_json::Map<String, serde_json::Value>>,
}

/// The balance of colours on a page, in percent.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, JsonSchema)]
#[schemars(deny_unknown_fields)]
pub struct Aim {
    /// Neutral grounds, 0 to 100.
    #[schemars(range(min = 0.0, max = 100.0))]
    pub dominant: f64,
    /// The brand's main colours, 0 to 100.
    #[schemars(range(min = 0.0, max = 100.0))]
    pub secondary: f64,
    /// What calls for attention, 0 to 100.
    #[schemars(range(min = 0.0, max = 100.0))]
    pub accent: f64,
}

/// A colour the user brings.
#[derive(Clone, Debug, PartialEq, Serialize, JsonSchema)]
#[schemars(deny_unknown_fields)]
pub struct BrandColor {
    /// Readable name, 1 to 200 characters.
    pub name: String,
    /// Its hyphenated name, and that of its scale; made from the name where absent.
    #[schemars(with = "Option<Slug>")]
    pub slug: Slug,
    /// Any CSS colour, as typed.
    pub color: String,
}

/// How a scale is built.
#[derive(Clone, Debug, Default, PartialEq, Serialize, JsonSchema)]
#[schemars(deny_unknown_fields)]
pub struct ScaleSettings {
    /// Default `natural`.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub method: Option<Method>,
    /// Step labels, light to dark, 2 to 40.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub steps: Option<Vec<StepLabel>>,
    /// The step that holds the brand colour; default: the one nearest in lightness.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub at: Option<StepLabel>,
    /// Further exact colours, by step.
    #[serde(skip_serializing_if = "IndexMap::is_empty")]
    #[schemars(default)]
    pub pins: IndexMap<StepLabel, String>,
    /// Another brand colour in which the scale ends; it then runs between the two.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub to: Option<Slug>,
    /// Hue turn of dark steps, −20 to 20 degrees.
    #[serde(skip_serializing_if = "Option::is_none")]
    #[schemars(range(min = -20.0, max = 20.0))]
    pub turn: Option<f64>,
    /// Factor on chroma, 0 to 2.
    #[serde(skip_serializing_if = "Option::is_none")]
    #[schemars(range(min = 0.0, max = 2.0))]
    pub strength: Option<f64>,
    /// L\* of single steps, 0 to 100.
    #[serde(skip_serializing_if = "IndexMap::is_empty")]
    #[schemars(default)]
    pub lightness: IndexMap<StepLabel, f64>,
    /// Add a step `0` before the first.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub zero: Option<bool>,
    /// Opacities in percent, 1 to 99, that become see-through steps `a8`, `a16` …
    #[serde(skip_serializing_if = "Vec::is_empty")]
    #[schemars(default)]
    pub alpha: Vec<u8>,
    /// Steps that exports leave out.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    #[schemars(default)]
    pub omit: Vec<StepLabel>,
    /// Also build the scale in Display-P3.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub wide: Option<bool>,
    /// Leave the whole scale out of exports.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub off: Option<bool>,
}

/// What an intent is painted with: one of the two.
#[derive(Clone, Debug, Default, PartialEq, Serialize, JsonSchema)]
#[schemars(deny_unknown_fields)]
pub struct IntentChoice {
    /// Slug of a scale.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub scale: Option<Slug>,
    /// A colour of its own, any CSS colour.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub color: Option<String>,
}

/// A value in one or both modes: a CSS colour, or `{path}` of another token.
#[derive(Clone, Debug, Default, PartialEq, Serialize, JsonSchema)]
#[schemars(deny_unknown_fields)]
pub struct ModeValues {
    /// In light mode.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub light: Option<String>,
    /// In dark mode.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub dark: Option<String>,
}

/// The kind of a token's value, in the words of the open Design Tokens format.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, JsonSchema)]
#[serde(rename_all = "camelCase")]
#[allow(missing_docs)]
pub enum TokenKind {
    #[default]
    Color,
    Dimension,
    Number,
    FontFamily,
    FontWeight,
}

/// A token of the user's own.
#[derive(Clone, Debug, Default, PartialEq, Serialize, JsonSchema)]
#[schemars(deny_unknown_fields)]
pub struct OwnToken {
    /// Default `color`.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub kind: Option<TokenKind>,
    /// The value in both modes: of the kind, or `{path}` of another token.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub value: Option<String>,
    /// The value in light mode, where the modes differ.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub light: Option<String>,
    /// The value in dark mode, where the modes differ.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub dark: Option<String>,
    /// What it is for.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub description: Option<String>,
}

/// Type faces, sizes and weights. Sizes run by a ratio from the base.
#[derive(Clone, Debug, Default, PartialEq, Serialize, JsonSchema)]
#[schemars(deny_unknown_fields)]
pub struct TypeSettings {
    /// Families for running text, the first that exists is used.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub body: Option<Vec<String>>,
    /// Families for headings; default as for text.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub heading: Option<Vec<String>>,
    /// Families for code and figures.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub mono: Option<Vec<String>>,
    /// Address of a web-font stylesheet that exports import; `https` only.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub import: Option<String>,
    /// Size of running text in px, 8 to 32; default 16.
    #[serde(skip_serializing_if = "Option::is_none")]
    #[schemars(range(min = 8.0, max = 32.0))]
    pub base: Option<f64>,
    /// Ratio of neighbouring sizes, 1.05 to 2; default 1.2.
    #[serde(skip_serializing_if = "Option::is_none")]
    #[schemars(range(min = 1.05, max = 2.0))]
    pub ratio: Option<f64>,
    /// Weight of running text, 1 to 1000; default 400.
    #[serde(skip_serializing_if = "Option::is_none")]
    #[schemars(range(min = 1, max = 1000))]
    pub regular: Option<u16>,
    /// Weight of headings and labels, 1 to 1000; default 600.
    #[serde(skip_serializing_if = "Option::is_none")]
    #[schemars(range(min = 1, max = 1000))]
    pub bold: Option<u16>,
}

impl TypeSettings {
    fn is_empty(&self) -> bool {
        *self == Self::default()
    }
}

/// Corner radius and border width.
#[derive(Clone, Debug, Default, PartialEq, Serialize, JsonSchema)]
#[schemars(deny_unknown_fields)]
pub struct ShapeSettings {
    /// Corner radius of a field or button in px, 0 to 64; default 6.
    #[serde(skip_serializing_if = "Option::is_none")]
    #[schemars(range(min = 0.0, max = 64.0))]
    pub radius: Option<f64>,
    /// Border width in px, 0 to 16; default 1.
    #[serde(skip_serializing_if = "Option::is_none")]
    #[schemars(range(min = 0.0, max = 16.0))]
    pub border: Option<f64>,
}

impl ShapeSettings {
    fn is_empty(&self) -> bool {
        *self == Self::default()
    }
}

impl Document {
    /// A theme of brand colours, named after their look.
    pub fn from_brand(name: &str, colors: &[rhodon_color::Color]) -> Self {
        let mut spec = Self {
            name: name.to_owned(),
            ..Self::empty()
        };
        for color in colors {
            let word = crate::naming::name(color.to_rgb8());
            let slug = spec.free_slug(&word);
            // Colours of one look are told apart by the number that their slugs got.
            let number = slug
                .as_str()
                .rsplit('-')
                .next()
                .filter(|n| n.parse::<u32>().is_ok());
            let name = number.map_or_else(|| word.clone(), |n| format!("{word} {n}"));
            spec.brand.push(BrandColor {
                name,
                slug,
                color: color.to_hex(),
            });
        }
        spec
    }

    /// The slug of a name for a new brand colour: one that no brand colour, no derived group and no
    /// group of own tokens has.
    pub fn free_slug(&self, name: &str) -> Slug {
        let taken = |s: &Slug| {
            crate::intent::is_reserved(s)
                || self.brand.iter().any(|b| b.slug == *s)
                || self.tokens.keys().any(|path| path.group() == s.as_str())
        };
        Slug::from_name(name, &Slug::known("brand")).unique(taken)
    }

    /// Adds a brand colour behind the others, under a free slug.
    pub fn add_brand(&mut self, name: &str, color: &str) {
        let slug = self.free_slug(name);
        self.brand.push(BrandColor {
            name: name.to_owned(),
            slug,
            color: color.to_owned(),
        });
    }

    /// A document that decides nothing.
    pub fn empty() -> Self {
        Self {
            format: FORMAT,
            name: String::new(),
            extends: None,
            brand: Vec::new(),
            steps: None,
            scales: IndexMap::new(),
            intents: IndexMap::new(),
            roles: IndexMap::new(),
            tokens: IndexMap::new(),
            typography: TypeSettings::default(),
            shape: ShapeSettings::default(),
            aim: None,
            handoff: IndexMap::new(),
            kept: IndexMap::new(),
        }
    }

    /// Whether a group of tokens is derived, so that no own token may stand in it.
    pub fn derives(&self, group: &str) -> bool {
        crate::intent::is_reserved_word(group)
            || self.brand.iter().any(|b| b.slug.as_str() == group)
            || self.intents.keys().any(|k| k.as_str() == group)
    }

    /// The document as JSON.
    pub fn to_json(&self) -> serde_json::Value {
        // The types hold only what JSON can carry: numbers are checked to be finite on reading.
        serde_json::to_value(self).unwrap_or_default()
    }

    /// The settings of a scale, or the defaults.
    pub fn scale(&self, slug: &Slug) -> ScaleSettings {
        self.scales.get(slug).cloned().unwrap_or_default()
    }
}
