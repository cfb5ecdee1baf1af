//! The document: what the user decided. Everything else is derived from it.
//!
//! It is stored and exchanged as JSON; [`Document::read`] checks every value and reports all
//! problems at once, [`Document::schema`] publishes the shape. Colours and references are parsed
//! here, once, and kept with the text they were written as ([`Typed`]).

mod called;
mod contrast;
mod field;
mod form;
mod inherit;
mod node;
mod number;
mod part;
mod problem;
mod provenance;
mod read;
mod recast;
mod schema;
mod settings;
mod typed;
mod typography;

use indexmap::IndexMap;
use rhodon_color::{Color, Rgb8};
use schemars::JsonSchema;
use serde::Serialize;

use crate::label::{KeptPath, Slug, StepLabel, TokenPath};
use crate::level::Level;
use crate::naming;
use crate::token::Mode;
use crate::value::TokenKind;
use crate::vocabulary::{Intent, Role, is_derived_group, is_role_group};

pub use called::intent_called;
pub use contrast::ContrastSettings;
pub use field::holds_nul;
pub use form::{Form, Slot};
pub use inherit::{InheritError, Inherited, Resolved};
pub use number::{
    BASE, BOLD, BORDER, NUMBERS, NumberField, RADIUS, RATIO, REGULAR, STRENGTH, TURN,
};
pub use part::{Accepted, Aim, BrandColor, CustomToken, IntentChoice, ModeValues, ScaleSettings};
pub(crate) use problem::MOST;
pub use problem::{Problem, Problems, not_json};
pub use provenance::Provenance;
pub(crate) use read::INCOMPLETE;
pub use read::MAX_BRAND;
pub use recast::Part;
pub use typed::Typed;
pub use typography::{ShapeSettings, TypeSettings, WebFonts};

/// The document format that this version reads and writes.
pub const FORMAT: u32 = 1;

/// A theme document: what the user decided.
#[derive(Clone, Debug, PartialEq, Serialize, JsonSchema)]
#[schemars(deny_unknown_fields)]
pub struct Document {
    /// Version of the document format.
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
    pub tokens: IndexMap<TokenPath, CustomToken>,
    /// Type faces and sizes.
    #[serde(rename = "type", skip_serializing_if = "TypeSettings::is_empty")]
    #[schemars(default)]
    pub typography: TypeSettings,
    /// Corner radius and border width.
    #[serde(skip_serializing_if = "ShapeSettings::is_empty")]
    #[schemars(default)]
    pub shape: ShapeSettings,
    /// The level for people who ask for more contrast.
    #[serde(skip_serializing_if = "ContrastSettings::is_empty")]
    #[schemars(default)]
    pub contrast: ContrastSettings,
    /// How much of a page each part of the palette should cover.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub aim: Option<Aim>,
    /// Options of targets for the handoff, by the target's id. Which options a target takes is its
    /// own matter.
    #[serde(skip_serializing_if = "IndexMap::is_empty")]
    #[schemars(default)]
    pub handoff: IndexMap<Slug, IndexMap<Slug, String>>,
    /// Ids of the targets that the archive packs. Without this list: those with options here.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub pack: Option<Vec<Slug>>,
    /// Texts with places to fill, for formats that have no target, by name.
    #[serde(skip_serializing_if = "IndexMap::is_empty")]
    #[schemars(default)]
    pub forms: IndexMap<Slug, Form>,
    /// Findings that stand for a reason.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    #[schemars(default)]
    pub accepted: Vec<Accepted>,
    /// Design tokens of types that have no place in a theme, as they were read, by their path in
    /// the file. They are given back when design tokens are written.
    #[serde(skip_serializing_if = "IndexMap::is_empty")]
    #[schemars(default)]
    pub kept: IndexMap<KeptPath, serde_json::Map<String, serde_json::Value>>,
}

impl Document {
    /// A theme of brand colours, named after their look.
    pub fn from_brand(name: &str, colors: &[Color]) -> Self {
        let mut document = Self {
            name: name.to_owned(),
            ..Self::empty()
        };
        for color in colors {
            let name = naming::look(color.to_rgb8());
            document.add_brand(&name, Typed::from_color(*color), None);
        }
        document
    }

    /// The slug of a name for a new brand colour: one that no brand colour, no derived group and no
    /// group of own tokens has. One that is called like a group of roles is the colour of it: `surface-color`.
    pub fn free_slug(&self, name: &str) -> Slug {
        let taken = |s: &Slug| {
            is_role_group(s.as_str())
                || self.brand.iter().any(|b| b.slug == *s)
                || self.tokens.keys().any(|path| path.group() == s.as_str())
        };
        let fallback = Slug::known("brand");
        let slug = Slug::from_name(name, &fallback);
        match is_role_group(slug.as_str()) {
            true => Slug::from_name(&format!("{slug} color"), &fallback).unique(taken),
            false => slug.unique(taken),
        }
    }

    /// A name that no brand colour has: this one, or it with a number behind it.
    fn free_name(&self, name: &str) -> String {
        let taken = |wanted: &str| self.brand.iter().any(|b| naming::is_same(&b.name, wanted));
        if !taken(name) {
            return name.to_owned();
        }
        let mut numbered = (2..).map(|n| format!("{name} {n}"));
        numbered
            .find(|wanted| !taken(wanted))
            .unwrap_or_else(|| name.to_owned())
    }

    /// Adds a brand colour behind the others, under a free name and slug; tells the slug.
    pub fn add_brand(&mut self, name: &str, color: Typed<Color>, from: Option<Provenance>) -> Slug {
        let name = self.free_name(name);
        let slug = self.free_slug(&name);
        self.brand.push(BrandColor {
            name,
            slug: slug.clone(),
            color,
            from,
        });
        slug
    }

    /// Whether it sets a role in any mode.
    pub fn sets(&self, role: Role) -> bool {
        self.roles.keys().any(|path| path.as_str() == role.path())
    }

    /// Lets the pages of a mode stand on a colour.
    pub fn set_page(&mut self, mode: Mode, code: Rgb8) {
        if let Ok(path) = Role::SURFACE_BASE.path().parse() {
            self.set_role(&path, mode, code);
        }
    }

    /// The same, with what they stand on as it is written: a code or a reference.
    pub(crate) fn set_page_to(&mut self, mode: Mode, text: &str) {
        if let Ok(path) = Role::SURFACE_BASE.path().parse() {
            self.set_role_to(&path, mode, text);
        }
    }

    /// Sets a role in a mode to a colour. White is the step of that colour, where the scale of greys is the
    /// derived one, which has it.
    pub(crate) fn set_role(&mut self, path: &TokenPath, mode: Mode, code: Rgb8) {
        let white = Rgb8::new(255, 255, 255);
        let is_step = code == white && !self.says(Intent::Neutral);
        let text = if is_step {
            "{neutral.0}".to_owned()
        } else {
            code.to_string()
        };
        self.set_role_to(path, mode, &text);
    }

    /// The same, with what it is set to as it is written: a code or a reference.
    pub(crate) fn set_role_to(&mut self, path: &TokenPath, mode: Mode, text: &str) {
        if let Ok(value) = Typed::parse(text, TokenKind::Color) {
            *self.roles.entry(path.clone()).or_default().slot(mode) = Some(value);
        }
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
            contrast: ContrastSettings::default(),
            aim: None,
            handoff: IndexMap::new(),
            pack: None,
            forms: IndexMap::new(),
            accepted: Vec::new(),
            kept: IndexMap::new(),
        }
    }

    /// Whether a group of tokens is derived, so that no own token may stand in it.
    pub fn derives(&self, group: &str) -> bool {
        is_derived_group(group)
            || self.brand.iter().any(|b| b.slug.as_str() == group)
            || self.intents.keys().any(|k| k.as_str() == group)
    }

    /// The document, once every value in it is checked anew.
    pub(crate) fn checked(&self) -> Result<Self, Problems> {
        Self::read(&self.to_json())
    }

    /// The document as JSON.
    pub fn to_json(&self) -> serde_json::Value {
        // The types hold only what JSON can carry: numbers are checked to be finite on reading.
        serde_json::to_value(self).unwrap_or_default()
    }

    /// Ids of the targets that the theme is handed to: those of the archive, else those with options.
    pub fn packed(&self) -> impl Iterator<Item = &str> {
        let with_options = || self.handoff.keys().collect::<Vec<_>>();
        let ids = self.pack.as_ref().map(|ids| ids.iter().collect());
        ids.unwrap_or_else(with_options)
            .into_iter()
            .map(Slug::as_str)
    }

    /// The text of a document's file.
    pub fn written(&self) -> String {
        format!("{:#}\n", self.to_json())
    }

    /// Ids of all that the theme is handed over as: its targets, and as `form:NAME` its forms, unless one
    /// says that it stays.
    pub fn handover(&self) -> Vec<String> {
        let stays = |form: &Form| form.pack == Some(false);
        let forms = self.forms.iter().filter(|(_, form)| !stays(form));
        let forms = forms.map(|(name, _)| format!("form:{name}"));
        self.packed().map(str::to_owned).chain(forms).collect()
    }

    /// Roles set by hand for a level of contrast.
    pub fn roles_at(&self, level: Level) -> &IndexMap<TokenPath, ModeValues> {
        match level {
            Level::Usual => &self.roles,
            Level::More => &self.contrast.roles,
        }
    }

    /// The same, to change.
    pub fn roles_at_mut(&mut self, level: Level) -> &mut IndexMap<TokenPath, ModeValues> {
        match level {
            Level::Usual => &mut self.roles,
            Level::More => &mut self.contrast.roles,
        }
    }

    /// The settings of a scale, or the defaults.
    pub fn scale(&self, slug: &Slug) -> ScaleSettings {
        self.scales.get(slug).cloned().unwrap_or_default()
    }
}
