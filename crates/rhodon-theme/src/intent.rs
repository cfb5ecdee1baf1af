//! Intents: role families that carry meaning, and the scale behind each.

use rhodon_color::{Color, Rgb8, companions};

use crate::document::{Problems, Resolved};
use crate::label::Slug;
use crate::reason::Reason;
use crate::status;
use crate::value::Origin;

/// The intents every theme has, in order.
pub const INTENTS: [&str; 8] = [
    "primary",
    "secondary",
    "accent",
    "success",
    "warning",
    "danger",
    "info",
    "neutral",
];

/// Groups of derived tokens that are not intents.
const ROLE_GROUPS: [&str; 14] = [
    "surface",
    "text",
    "border",
    "bar",
    "link",
    "focus",
    "selection",
    "selected",
    "disabled",
    "backdrop",
    "shadow",
    "chart",
    "type",
    "shape",
];

/// Whether a slug would shadow a group of roles.
pub(crate) fn is_reserved(slug: &Slug) -> bool {
    ROLE_GROUPS.contains(&slug.as_str())
}

/// Whether a word names any derived group, intents included.
pub(crate) fn is_reserved_word(word: &str) -> bool {
    ROLE_GROUPS.contains(&word) || INTENTS.contains(&word)
}

/// Degrees of hue from the primary colour to a secondary one that nobody brought.
const SECONDARY_TURN: f64 = -35.0;
/// Degrees of hue from the primary colour to an accent that nobody brought.
const ACCENT_TURN: f64 = 165.0;

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
pub(crate) fn plan(theme: &Resolved, brand: &[(Slug, Rgb8)]) -> Result<Vec<Plan>, Problems> {
    let mut problems = Problems::default();
    let mut plans: Vec<Plan> = Vec::with_capacity(INTENTS.len() + brand.len());
    let own_names = theme
        .spec
        .intents
        .keys()
        .filter(|k| !INTENTS.contains(&k.as_str()));
    let names: Vec<Slug> = INTENTS
        .iter()
        .map(|n| Slug::known(n))
        .chain(own_names.cloned())
        .collect();
    let mut free = free_brands(theme, brand).into_iter();
    let status = brand.first().map(|b| status::tuned(b.1));
    for name in names {
        let plan = match asked(theme, brand, &name, &mut problems) {
            Some(plan) => plan,
            None => derived(&name, brand, &mut free, status.as_ref()),
        };
        plans.extend(plan);
    }
    // Brand colours beyond the named intents are used as intents under their own name.
    plans.extend(free.map(|slug| Plan {
        reason: "brand colour".into(),
        origin: brand_origin(theme, &slug),
        name: slug.clone(),
        source: Source::Brand(slug),
    }));
    if problems.0.is_empty() {
        Ok(plans)
    } else {
        Err(problems)
    }
}

/// Brand colours that no intent asks for by name.
fn free_brands(theme: &Resolved, brand: &[(Slug, Rgb8)]) -> Vec<Slug> {
    let asked = |slug: &Slug| {
        INTENTS.contains(&slug.as_str())
            || theme.spec.intents.contains_key(slug)
            || theme
                .spec
                .intents
                .values()
                .any(|i| i.scale.as_ref() == Some(slug))
    };
    brand
        .iter()
        .map(|b| b.0.clone())
        .filter(|s| !asked(s))
        .collect()
}

fn brand_origin(theme: &Resolved, slug: &Slug) -> Origin {
    if theme.inherited.brand.contains(slug) {
        Origin::Inherited
    } else {
        Origin::Set
    }
}

/// What the document says about an intent: `Some(None)` where what it says is wrong.
fn asked(
    theme: &Resolved,
    brand: &[(Slug, Rgb8)],
    name: &Slug,
    problems: &mut Problems,
) -> Option<Option<Plan>> {
    let has = |slug: &Slug| brand.iter().any(|b| b.0 == *slug);
    let origin = if theme.inherited.intents.contains(name) {
        Origin::Inherited
    } else {
        Origin::Set
    };
    let spec = theme.spec.intents.get(name);
    if let Some(scale) = spec.and_then(|s| s.scale.clone()) {
        if !has(&scale) {
            let known: Vec<_> = brand.iter().map(|b| b.0.as_str()).collect();
            problems.add(
                format!("/intents/{name}/scale"),
                format!(
                    "no brand colour \"{scale}\": expected one of {}",
                    known.join(", ")
                ),
            );
            return Some(None);
        }
        let reason = format!("set to the scale {scale}").into();
        return Some(Some(Plan {
            name: name.clone(),
            source: Source::Brand(scale),
            origin,
            reason,
        }));
    }
    if let Some(color) = spec
        .and_then(|s| s.color.as_deref())
        .and_then(|c| Color::parse(c).ok())
    {
        let source = Source::Own(color.to_rgb8());
        return Some(Some(Plan {
            name: name.clone(),
            source,
            origin,
            reason: "set to a colour".into(),
        }));
    }
    if has(name) {
        let (origin, reason) = (
            brand_origin(theme, name),
            "brand colour of that name".into(),
        );
        return Some(Some(Plan {
            name: name.clone(),
            source: Source::Brand(name.clone()),
            origin,
            reason,
        }));
    }
    if !INTENTS.contains(&name.as_str()) {
        problems.add(
            format!("/intents/{name}"),
            "expected a scale or a color for an intent of your own",
        );
        return Some(None);
    }
    None
}

fn derived(
    name: &Slug,
    brand: &[(Slug, Rgb8)],
    free: &mut impl Iterator<Item = Slug>,
    status: Option<&status::Status>,
) -> Option<Plan> {
    let (_, first) = brand.first()?;
    let companion = |turn: f64| {
        companions(*first, &[turn])
            .first()
            .copied()
            .unwrap_or(*first)
    };
    let turned = |turn: f64| {
        (
            Source::Own(companion(turn)),
            format!("primary turned by {turn}° of hue").into(),
        )
    };
    let mut brought =
        |which: &'static str| free.next().map(|slug| (Source::Brand(slug), which.into()));
    let (source, reason) = match name.as_str() {
        "primary" => brought("first brand colour")
            .unwrap_or((Source::Own(*first), "first brand colour".into())),
        "secondary" => brought("second brand colour").unwrap_or_else(|| turned(SECONDARY_TURN)),
        "accent" => brought("third brand colour").unwrap_or_else(|| turned(ACCENT_TURN)),
        "neutral" => (
            Source::Neutral(*first),
            "grey with a trace of the primary hue".into(),
        ),
        word => (
            Source::Own(status?.color(word)?),
            "status hue tuned to the primary colour".into(),
        ),
    };
    Some(Plan {
        name: name.clone(),
        source,
        origin: Origin::Derived,
        reason,
    })
}
