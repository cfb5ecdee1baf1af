//! Parts of a document.

use indexmap::IndexMap;
use rhodon_color::Color;
use schemars::JsonSchema;
use serde::Serialize;

use super::number::{STRENGTH, TURN};
use super::provenance::Provenance;
use super::typed::Typed;
use crate::label::{Slug, StepLabel};
use crate::scale::Method;
use crate::token::Mode;
use crate::value::{TokenKind, Written};

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

/// A finding that somebody lets stand.
#[derive(Clone, Debug, PartialEq, Serialize, JsonSchema)]
#[schemars(deny_unknown_fields)]
pub struct Accepted {
    /// Its kind, as in `contrast`.
    pub id: String,
    /// Paths of the tokens concerned, the one at fault first.
    pub tokens: Vec<String>,
    /// In which mode; none where it holds for both.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub mode: Option<Mode>,
    /// Why it stands, 1 to 200 characters.
    pub reason: String,
    /// What was measured when it was accepted; what is worse than that counts again.
    pub measure: f64,
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
    pub color: Typed<Color>,
    /// Where it came from, unless somebody typed it.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub from: Option<Provenance>,
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
    pub pins: IndexMap<StepLabel, Typed<Color>>,
    /// Another brand colour in which the scale ends; it then runs between the two.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub to: Option<Slug>,
    /// Hue turn of dark steps in degrees.
    #[serde(skip_serializing_if = "Option::is_none")]
    #[schemars(range(min = TURN.low, max = TURN.high))]
    pub turn: Option<f64>,
    /// Factor on chroma.
    #[serde(skip_serializing_if = "Option::is_none")]
    #[schemars(range(min = STRENGTH.low, max = STRENGTH.high))]
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
#[derive(Clone, Debug, PartialEq, Serialize, JsonSchema)]
#[serde(rename_all = "lowercase")]
#[schemars(deny_unknown_fields)]
pub enum IntentChoice {
    /// Slug of the scale of a brand colour.
    Scale(Slug),
    /// A colour of its own, any CSS colour.
    Color(Typed<Color>),
}

impl IntentChoice {
    /// The scale, where it is one.
    pub fn scale(&self) -> Option<&Slug> {
        match self {
            Self::Scale(slug) => Some(slug),
            Self::Color(_) => None,
        }
    }
}

/// A value in one or both modes: a CSS colour, or `{path}` of another token.
#[derive(Clone, Debug, Default, PartialEq, Serialize, JsonSchema)]
#[schemars(deny_unknown_fields)]
pub struct ModeValues {
    /// In light mode.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub light: Option<Typed<Written>>,
    /// In dark mode.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub dark: Option<Typed<Written>>,
}

/// A token of the user's own.
#[derive(Clone, Debug, Default, PartialEq, Serialize, JsonSchema)]
#[schemars(deny_unknown_fields)]
pub struct CustomToken {
    /// Default `color`.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub kind: Option<TokenKind>,
    /// The value in both modes: of the kind, or `{path}` of another token.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub value: Option<Typed<Written>>,
    /// The value in light mode, where the modes differ.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub light: Option<Typed<Written>>,
    /// The value in dark mode, where the modes differ.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub dark: Option<Typed<Written>>,
    /// What it is for.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub description: Option<String>,
}

impl Aim {
    /// What holds where a theme says nothing else.
    pub const USUAL: Self = Self {
        dominant: 60.0,
        secondary: 30.0,
        accent: 10.0,
    };
}

impl ModeValues {
    /// The value in a mode.
    pub fn get(&self, mode: Mode) -> Option<&Typed<Written>> {
        match mode {
            Mode::Light => self.light.as_ref(),
            Mode::Dark => self.dark.as_ref(),
        }
    }

    /// The place of the value in a mode.
    pub fn slot(&mut self, mode: Mode) -> &mut Option<Typed<Written>> {
        match mode {
            Mode::Light => &mut self.light,
            Mode::Dark => &mut self.dark,
        }
    }

    /// These values, with others where they say nothing.
    pub(crate) fn over(self, parent: Self) -> Self {
        Self {
            light: self.light.or(parent.light),
            dark: self.dark.or(parent.dark),
        }
    }
}

impl ScaleSettings {
    /// These settings, with a parent's where they say nothing; pins and lightness step by step.
    pub(crate) fn over(self, mut parent: Self) -> Self {
        parent.pins.extend(self.pins);
        parent.lightness.extend(self.lightness);
        let list = |own: Vec<_>, theirs| if own.is_empty() { theirs } else { own };
        Self {
            method: self.method.or(parent.method),
            steps: self.steps.or(parent.steps),
            at: self.at.or(parent.at),
            pins: parent.pins,
            to: self.to.or(parent.to),
            turn: self.turn.or(parent.turn),
            strength: self.strength.or(parent.strength),
            lightness: parent.lightness,
            zero: self.zero.or(parent.zero),
            alpha: list(self.alpha, parent.alpha),
            omit: match self.omit.is_empty() {
                true => parent.omit,
                false => self.omit,
            },
            wide: self.wide.or(parent.wide),
            off: self.off.or(parent.off),
        }
    }
}

impl CustomToken {
    /// The value in a mode.
    pub fn get(&self, mode: Mode) -> Option<&Typed<Written>> {
        let own = match mode {
            Mode::Light => self.light.as_ref(),
            Mode::Dark => self.dark.as_ref(),
        };
        own.or(self.value.as_ref())
    }

    /// Whether both modes have a value.
    pub(crate) fn is_complete(&self) -> bool {
        Mode::BOTH.into_iter().all(|mode| self.get(mode).is_some())
    }

    /// This token, with a parent's values in modes for which it says nothing.
    pub(crate) fn over(mut self, parent: Self) -> Self {
        if !self.is_complete() {
            self.light = self
                .get(Mode::Light)
                .or_else(|| parent.get(Mode::Light))
                .cloned();
            self.dark = self
                .get(Mode::Dark)
                .or_else(|| parent.get(Mode::Dark))
                .cloned();
            self.value = None;
        }
        self.kind = self.kind.or(parent.kind);
        self.description = self.description.or(parent.description);
        self
    }
}
