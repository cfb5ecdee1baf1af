//! Which derived tokens a theme has, told without deriving it.

use std::collections::{HashMap, HashSet};

use super::build::labels;
use super::plan::{self, Source};
use crate::document::{Problems, Resolved};
use crate::label::{Slug, TokenPath};
use crate::vocabulary::{IntentPart, Role, is_measure};

/// Paths of derived tokens.
#[derive(Debug)]
pub(crate) struct Outline {
    intents: HashSet<Slug>,
    /// Labels of steps, see-through ones too, by scale.
    steps: HashMap<Slug, HashSet<String>>,
}

impl Outline {
    /// The outline of a theme.
    ///
    /// # Errors
    /// An intent that asks for a scale which does not exist.
    pub(crate) fn of(theme: &Resolved) -> Result<Self, Problems> {
        let plans = plan::plan(theme)?;
        let brand = theme.merged.brand.iter();
        let mut scales: Vec<(Slug, Source)> = brand
            .map(|b| (b.slug.clone(), Source::Own(b.color.to_rgb8())))
            .collect();
        let own = plans
            .iter()
            .filter(|p| !matches!(p.source, Source::Brand(_)));
        scales.extend(own.map(|p| (p.name.clone(), p.source.clone())));
        let steps = scales.into_iter().map(|(slug, source)| {
            let settings = theme.merged.scale(&slug);
            let alpha = settings.alpha.iter().map(|a| format!("a{a}"));
            let labels = labels(theme, &source, &settings);
            (
                slug,
                labels
                    .iter()
                    .map(ToString::to_string)
                    .chain(alpha)
                    .collect(),
            )
        });
        let steps = steps.collect();
        Ok(Self {
            intents: plans.into_iter().map(|p| p.name).collect(),
            steps,
        })
    }

    /// Whether there is such a token.
    pub(crate) fn has(&self, path: &TokenPath) -> bool {
        let Some((group, rest)) = path.as_str().split_once('.') else {
            return false;
        };
        let is_part = || IntentPart::ALL.iter().any(|part| part.id() == rest);
        let named = |slug: &Slug| slug.as_str() == group;
        self.intents.iter().any(named) && is_part()
            || self
                .steps
                .iter()
                .any(|(slug, labels)| named(slug) && labels.contains(rest))
            || Role::ALL.iter().any(|role| role.path() == path.as_str())
            || is_measure(group)
    }
}
