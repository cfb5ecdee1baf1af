//! The scale behind each intent.

use rhodon_color::{Rgb8, companions, luminance_from_lightness};

use crate::document::{BrandColor, IntentChoice, Problems, Resolved};
use crate::label::Slug;
use crate::naming;
use crate::reason::Reason;
use crate::role::visible::GREY;
use crate::status::{self, Status};
use crate::value::Origin;
use crate::vocabulary::Intent;

/// Degrees of hue from the primary colour to a secondary one that nobody brought.
const SECONDARY_TURN: f64 = -35.0;
/// Degrees of hue from the primary colour to an accent that nobody brought.
const ACCENT_TURN: f64 = 165.0;

/// L\* between a primary colour without hue and its secondary one.
const APART: f64 = 45.0;
/// OKLCH hue and L\* of the accent of a primary colour without hue: lighter than the status colour of
/// that hue, so that the two stay apart.
const ACCENT_HUE: f64 = 250.0;
const ACCENT_LIGHTNESS: f64 = 60.0;

/// Where the colours of an intent come from.
#[derive(Clone, Debug, PartialEq)]
pub(crate) enum Source {
    /// The scale of a brand colour.
    Brand(Slug),
    /// A scale of its own around a colour.
    Own(Rgb8),
    /// A scale without pins in the hue of a colour, almost grey.
    Neutral(Rgb8),
}

/// An intent before its scale is built.
#[derive(Clone, Debug, PartialEq)]
pub(crate) struct Plan {
    pub name: Slug,
    pub source: Source,
    pub origin: Origin,
    pub reason: Reason,
}

/// Decides the source of every intent.
///
/// # Errors
/// An intent that asks for a scale which does not exist.
pub(crate) fn plan(theme: &Resolved) -> Result<Vec<Plan>, Problems> {
    let mut problems = Problems::default();
    let mut plans: Vec<Plan> = Vec::new();
    let (free, grounds) = free_brands(theme);
    let mut free = free.into_iter();
    let Some(first) = primary(theme) else {
        return Ok(plans);
    };
    let status = status::tuned(first);
    for intent in Intent::ALL {
        let name = Slug::known(intent.id());
        match chosen(theme, &name).or_else(|| named(theme, &name)) {
            Some(plan) => plans.push(plan),
            None => plans.push(derived(intent, first, &mut free, &status)),
        }
    }
    let own = theme
        .merged
        .intents
        .keys()
        .filter(|name| Intent::named(name.as_str()).is_none());
    plans.extend(own.filter_map(|name| chosen(theme, name)));
    // Brand colours beyond the named intents are used as intents under their own name.
    plans.extend(free.chain(grounds).map(|slug| Plan {
        reason: "brand colour".into(),
        origin: brand_origin(theme, &slug),
        name: slug.clone(),
        source: Source::Brand(slug),
    }));
    for plan in &plans {
        check(theme, plan, &mut problems);
    }
    problems.into_result(plans)
}

/// The colour that companions, greys and status colours follow: the primary one, wherever it comes
/// from.
fn primary(theme: &Resolved) -> Option<Rgb8> {
    let name = Slug::known(Intent::Primary.id());
    let brand = &theme.merged.brand;
    let set = chosen(theme, &name).or_else(|| named(theme, &name));
    let own = set.and_then(|plan| match plan.source {
        Source::Own(color) | Source::Neutral(color) => Some(color),
        Source::Brand(slug) => {
            let of = brand.iter().find(|b| b.slug == slug)?;
            Some(of.color.to_rgb8())
        }
    });
    let first = || brand.iter().find(|b| !is_ground(b)).or(brand.first());
    own.or_else(|| first().map(|b| b.color.to_rgb8()))
}

fn is_ground(brand: &BrandColor) -> bool {
    naming::is_ground(&brand.name)
}

/// Brand colours that no intent asks for by name: those that may play one, and those that are named after a
/// ground. Where there is nothing else, these play too.
fn free_brands(theme: &Resolved) -> (Vec<Slug>, Vec<Slug>) {
    let intents = &theme.merged.intents;
    let asked = |slug: &Slug| {
        Intent::named(slug.as_str()).is_some()
            || intents.contains_key(slug)
            || intents.values().any(|choice| choice.scale() == Some(slug))
    };
    let brand = &theme.merged.brand;
    let all_grounds = brand.iter().all(is_ground);
    let free = brand.iter().filter(|b| !asked(&b.slug));
    let (grounds, free): (Vec<_>, Vec<_>) = free.partition(|b| !all_grounds && is_ground(b));
    let slugs = |of: Vec<&BrandColor>| of.into_iter().map(|b| b.slug.clone()).collect();
    (slugs(free), slugs(grounds))
}

fn brand_origin(theme: &Resolved, slug: &Slug) -> Origin {
    Origin::decided(theme.inherited.brand.contains(slug))
}

/// What the document chooses for an intent.
fn chosen(theme: &Resolved, name: &Slug) -> Option<Plan> {
    let inherited = theme.inherited.intents.contains(name);
    let origin = Origin::decided(inherited);
    let (source, reason) = match theme.merged.intents.get(name)? {
        IntentChoice::Scale(scale) => (
            Source::Brand(scale.clone()),
            format!("set to the scale {scale}").into(),
        ),
        IntentChoice::Color(color) => (Source::Own(color.to_rgb8()), "set to a colour".into()),
    };
    Some(Plan {
        name: name.clone(),
        source,
        origin,
        reason,
    })
}

/// A brand colour of an intent's name plays it.
fn named(theme: &Resolved, name: &Slug) -> Option<Plan> {
    theme.merged.brand.iter().find(|b| b.slug == *name)?;
    Some(Plan {
        name: name.clone(),
        source: Source::Brand(name.clone()),
        origin: brand_origin(theme, name),
        reason: "brand colour of that name".into(),
    })
}

fn derived(
    intent: Intent,
    first: Rgb8,
    free: &mut impl Iterator<Item = Slug>,
    status: &Status,
) -> Plan {
    let hueless = first.to_oklch().c < GREY;
    let turned = |turn: f64| {
        if hueless {
            return without_hue(intent, first);
        }
        let companion = companions(first, &[turn]).first().copied().unwrap_or(first);
        (
            Source::Own(companion),
            format!("primary turned by {turn}° of hue").into(),
        )
    };
    let mut brought = |which: &'static str| {
        free.next()
            .map(|slug| (Source::Brand(slug), Reason::from(which)))
    };
    let (source, reason) = match intent {
        Intent::Primary => brought("first brand colour")
            .unwrap_or_else(|| (Source::Own(first), "first brand colour".into())),
        Intent::Secondary => {
            brought("second brand colour").unwrap_or_else(|| turned(SECONDARY_TURN))
        }
        Intent::Accent => brought("third brand colour").unwrap_or_else(|| turned(ACCENT_TURN)),
        Intent::Neutral => (
            Source::Neutral(first),
            "grey with a trace of the primary hue".into(),
        ),
        Intent::Success | Intent::Warning | Intent::Danger | Intent::Info => (
            Source::Own(status.color(intent)),
            "status hue tuned to the primary colour".into(),
        ),
    };
    Plan {
        name: Slug::known(intent.id()),
        source,
        origin: Origin::Derived,
        reason,
    }
}

/// Companions of a colour that has no hue to turn: a grey well apart from it, and a hue of its own.
fn without_hue(intent: Intent, first: Rgb8) -> (Source, Reason) {
    match intent {
        Intent::Secondary => {
            let lightness = first.lightness();
            let away = if lightness < 50.0 { APART } else { -APART };
            let y = luminance_from_lightness(lightness + away);
            let grey = Rgb8::from_linear_clipped([y; 3]);
            let reason = "a grey well apart from the primary one, which has no hue to turn";
            (Source::Own(grey), reason.into())
        }
        _ => {
            let reason = "a hue of its own, for the primary colour has none to turn";
            (
                Source::Own(status::anchored(ACCENT_HUE, ACCENT_LIGHTNESS)),
                reason.into(),
            )
        }
    }
}

/// The scale of an intent must be a brand colour's.
fn check(theme: &Resolved, plan: &Plan, problems: &mut Problems) {
    let Source::Brand(scale) = &plan.source else {
        return;
    };
    if theme.merged.brand.iter().any(|b| b.slug == *scale) {
        return;
    }
    let known: Vec<_> = theme.merged.brand.iter().map(|b| b.slug.as_str()).collect();
    let known = known.join(", ");
    problems.add(
        format!("/intents/{}/scale", plan.name),
        format!("no brand colour \"{scale}\": expected one of {known}"),
    );
}
