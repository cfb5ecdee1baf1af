//! The scales of a theme under their names, and which intent stands on which.

mod build;
mod known;
mod outline;
mod part_paths;
mod plan;
pub(crate) mod steps;

use std::borrow::Cow;
use std::sync::Arc;

use indexmap::IndexMap;
use rhodon_color::Rgb8;

use crate::document::{Problems, Resolved, ScaleSettings};
use crate::label::{Slug, StepLabel};
use crate::reason::Reason;
use crate::scale::{Request, Scale};
use crate::value::Origin;
use crate::vocabulary::IntentPart;

pub(crate) use known::Between;
pub(crate) use outline::Outline;

use build::Draft;
use part_paths::PartPaths;
use plan::{Plan, Source};

/// A scale with its names.
#[derive(Clone, Debug)]
pub struct NamedScale {
    /// Group of its tokens.
    pub slug: Slug,
    /// Readable name.
    pub name: Arc<str>,
    /// Token paths of its steps.
    pub paths: Arc<[Arc<str>]>,
    /// Its steps.
    pub scale: Arc<Scale>,
    /// Colours between them that were made already.
    pub(crate) between: Arc<Between>,
    /// Whether a theme had it before.
    pub(crate) is_old: bool,
    /// Whether the user brought its colour.
    pub origin: Origin,
    /// Where its colour comes from, in words.
    pub reason: Reason,
    /// Its settings.
    pub settings: ScaleSettings,
}

impl NamedScale {
    /// Token path of a step.
    pub fn step_path(&self, index: usize) -> Arc<str> {
        self.paths[index].clone()
    }

    /// The scale that shades of a colour set by hand come from: the first that holds it, its own before all,
    /// or else the natural one around it.
    pub(crate) fn with<'a>(
        own: &'a Self,
        all: &'a [Self],
        name: &Arc<str>,
        color: Rgb8,
    ) -> Cow<'a, Self> {
        let holds = |scale: &&Self| scale.scale.steps.iter().any(|step| step.color == color);
        match std::iter::once(own).chain(all).find(holds) {
            Some(known) => Cow::Borrowed(known),
            None => Self::around(name.clone(), color).map_or(Cow::Borrowed(own), Cow::Owned),
        }
    }

    /// The natural scale around a colour that no scale of the theme holds. None of its steps is a token.
    fn around(name: Arc<str>, color: Rgb8) -> Option<Self> {
        let slug = "set".parse().ok()?;
        let known = known::build(&slug, Request::around(color)).ok()?;
        Some(Self {
            slug,
            name,
            paths: known.paths,
            scale: known.scale,
            between: known.between,
            is_old: known.is_old,
            origin: Origin::Set,
            reason: Reason::from("set to a colour"),
            settings: ScaleSettings::default(),
        })
    }

    /// Whether exports leave a step out.
    pub(crate) fn omits(&self, label: &StepLabel) -> bool {
        self.settings.off == Some(true) || self.settings.omit.contains(label)
    }
}

/// An intent and its scale.
#[derive(Clone, Debug)]
pub struct IntentScale {
    /// Its name.
    pub name: Slug,
    /// Index into the scales.
    pub scale: usize,
    /// Who decided it.
    pub origin: Origin,
    /// Why, in words.
    pub reason: Reason,
    paths: Arc<PartPaths>,
}

impl IntentScale {
    /// The path of a role of it.
    pub fn path(&self, part: IntentPart) -> Arc<str> {
        self.paths[part as usize].clone()
    }
}

/// Every scale, those of brand colours first in the user's order, and the intents.
#[derive(Clone, Debug)]
pub(crate) struct Palette {
    pub scales: Vec<NamedScale>,
    pub intents: Vec<IntentScale>,
}

impl Palette {
    /// Decides the scale of every intent and builds all scales.
    ///
    /// # Errors
    /// No brand colour; choices of intents and settings of scales that lead nowhere; scales that
    /// cannot be built.
    pub(crate) fn new(theme: &Resolved) -> Result<Self, Problems> {
        let mut problems = Problems::default();
        if theme.merged.brand.is_empty() {
            let message = "expected at least one brand colour, found none";
            return Err(Problems::one("/brand", message));
        }
        let plans = plan::plan(theme)?;
        let mut palette = Self {
            scales: Vec::new(),
            intents: Vec::with_capacity(plans.len()),
        };
        palette.add_brand_scales(theme, &mut problems);
        for plan in plans {
            palette.add_intent(theme, plan, &mut problems);
        }
        if problems.is_empty() {
            palette.check_settings(theme, &mut problems);
        }
        problems.into_result(palette)
    }

    fn add_brand_scales(&mut self, theme: &Resolved, problems: &mut Problems) {
        for brand in &theme.merged.brand {
            let inherited = theme.inherited.brand.contains(&brand.slug);
            let draft = Draft {
                slug: &brand.slug,
                name: &brand.name,
                source: &Source::Own(brand.color.to_rgb8()),
                origin: Origin::decided(inherited),
                reason: &"brand colour".into(),
            };
            self.scales.extend(build::build(theme, &draft, problems));
        }
    }

    fn add_intent(&mut self, theme: &Resolved, plan: Plan, problems: &mut Problems) {
        let Plan {
            name,
            source,
            origin,
            reason,
        } = plan;
        let scale = match &source {
            Source::Brand(slug) => self.scales.iter().position(|s| s.slug == *slug),
            own => {
                let title = capitalised(name.as_str());
                let draft = Draft {
                    slug: &name,
                    name: &title,
                    source: own,
                    origin,
                    reason: &reason,
                };
                self.scales.extend(build::build(theme, &draft, problems));
                self.scales.len().checked_sub(1)
            }
        };
        self.intents.extend(scale.map(|scale| IntentScale {
            paths: part_paths::part_paths(&name),
            name,
            scale,
            origin,
            reason,
        }));
    }

    /// A document's own settings must be of scales that it has; a parent's may be of some that a
    /// child does without.
    fn check_settings(&self, theme: &Resolved, problems: &mut Problems) {
        let has = |slug: &Slug| self.scales.iter().any(|s| s.slug == *slug);
        for slug in theme.document().scales.keys().filter(|slug| !has(slug)) {
            let known: Vec<_> = self.scales.iter().map(|s| s.slug.as_str()).collect();
            let known = known.join(", ");
            let message = format!("no scale \"{slug}\": expected one of {known}");
            problems.add(format!("/scales/{slug}"), message);
        }
    }
}

fn capitalised(word: &str) -> String {
    let spaced = word.replace('-', " ");
    let mut chars = spaced.chars();
    chars
        .next()
        .map_or_else(String::new, |c| c.to_uppercase().chain(chars).collect())
}

/// Which scale each intent stands on, before any is built.
///
/// # Errors
/// An intent that asks for a scale which does not exist.
pub(crate) fn scales_of_intents(theme: &Resolved) -> Result<IndexMap<Slug, Slug>, Problems> {
    let stand = |plan: Plan| match plan.source {
        Source::Brand(scale) => (plan.name, scale),
        _ => (plan.name.clone(), plan.name),
    };
    Ok(plan::plan(theme)?.into_iter().map(stand).collect())
}
