//! What `switch` offers: themes, and brand colours that may play a part of the one at hand.

use indexmap::IndexSet;
use rhodon_theme::{Derived, Part, Slug, Token, derive};

use crate::job::Job;
use crate::option::{OptionKind, TargetOption};
use crate::output::Warning;

/// See its help.
pub(super) const PRIMARY: TargetOption = TargetOption {
    key: "primary",
    kind: OptionKind::Brand,
    default: "",
    help: "Brand colours that a page may choose as its primary one.",
};
/// See its help.
pub(super) const SURFACE: TargetOption = TargetOption {
    key: "surface",
    kind: OptionKind::Brand,
    default: "",
    help: "Brand colours that a page may stand on: light and dark ones as they are, others tint it.",
};

/// One thing that a page can choose.
pub(super) struct Choice<T> {
    /// What the attribute says.
    pub slug: Slug,
    /// What people read.
    pub name: String,
    /// What it looks like.
    pub theme: T,
}

/// What a page can choose of each kind.
pub(super) struct Choices<'a> {
    /// Whole themes, the one at hand first.
    pub themes: Vec<Choice<&'a Derived>>,
    primary: Vec<Choice<Derived>>,
    surface: Vec<Choice<Derived>>,
    /// What could not be offered, and why.
    pub warnings: Vec<Warning>,
}

impl<'a> Choices<'a> {
    pub(super) fn new(job: &Job<'a>) -> Self {
        let mut choices = Self {
            themes: named(job),
            primary: Vec::new(),
            surface: Vec::new(),
            warnings: Vec::new(),
        };
        choices.primary = choices.played(job, Part::Primary, &PRIMARY);
        choices.surface = choices.played(job, Part::Surface, &SURFACE);
        choices
    }

    /// Brand colours that may play a part.
    pub(super) fn of_part(&self, part: Part) -> &[Choice<Derived>] {
        match part {
            Part::Primary => &self.primary,
            Part::Surface => &self.surface,
        }
    }

    /// Slugs and names that a page may choose from for a part, the one that it has without a choice first:
    /// each theme, or where there is one alone, who plays the part in it.
    pub(super) fn offered(&self, part: Part) -> Vec<(&str, &str)> {
        let played = self.of_part(part);
        let themes = self.themes.iter().map(|c| (c.slug.as_str(), &*c.name));
        let usual = self.themes.first().and_then(|one| player(one.theme, part));
        let first: Vec<(&str, &str)> = match usual {
            Some(usual) if self.themes.len() == 1 && !played.is_empty() => vec![usual],
            _ => themes.collect(),
        };
        let others = played.iter().map(|c| (c.slug.as_str(), &*c.name));
        first.into_iter().chain(others).collect()
    }

    fn played(&mut self, job: &Job<'a>, part: Part, option: &TargetOption) -> Vec<Choice<Derived>> {
        let usual = player(job.theme, part).map(|(slug, _)| slug);
        let asked: IndexSet<&str> = job.settings.names(option).collect();
        let mut out: Vec<Choice<Derived>> = Vec::with_capacity(asked.len());
        for asked in asked {
            let mut brand = job.decided.merged.brand.iter();
            let Some(brand) = brand.find(|brand| brand.slug.as_str() == asked) else {
                let message = format!("there is no brand colour {asked}: it is not offered");
                self.warnings.push(Warning::new(option.key, message));
                continue;
            };
            if Some(asked) == usual {
                continue;
            }
            match derive(&job.decided.recast(part, &brand.slug)) {
                Ok(theme) => out.push(Choice {
                    slug: self.free(&brand.slug, &out),
                    name: brand.name.clone(),
                    theme,
                }),
                Err(why) => {
                    let message = format!("{asked} cannot play this part: {why}");
                    self.warnings.push(Warning::new(option.key, message));
                }
            }
        }
        out
    }

    /// A slug that no theme and no colour of the same part has.
    fn free(&self, wanted: &Slug, others: &[Choice<Derived>]) -> Slug {
        let is_theme = |slug: &Slug| self.themes.iter().any(|choice| choice.slug == *slug);
        let taken = |slug: &Slug| is_theme(slug) || others.iter().any(|c| c.slug == *slug);
        wanted.clone().unique(taken)
    }
}

/// The part that a token belongs to.
pub(super) fn part_of(token: &Token) -> Option<Part> {
    let is_role = token.section == rhodon_theme::Section::Roles;
    is_role.then(|| Part::of_group(token.group())).flatten()
}

/// The scale that plays a part of a theme, by slug and name.
fn player(theme: &Derived, part: Part) -> Option<(&str, &str)> {
    let intent = theme.intent(part.intent().id())?;
    let scale = theme.scales.get(intent.scale)?;
    Some((scale.slug.as_str(), &scale.name))
}

/// The themes under the names that attributes have for them, the one at hand first.
pub(super) fn named<'a>(job: &Job<'a>) -> Vec<Choice<&'a Derived>> {
    let mut out: Vec<Choice<&Derived>> = Vec::with_capacity(1 + job.beside.len());
    for theme in std::iter::once(job.theme).chain(job.beside.iter().copied()) {
        let taken = |slug: &Slug| out.iter().any(|known| known.slug == *slug);
        out.push(Choice {
            slug: Slug::from_name(&theme.name, &Slug::theme()).unique(taken),
            name: theme.name.clone(),
            theme,
        });
    }
    out
}
