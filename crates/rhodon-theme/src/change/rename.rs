//! Renaming a brand colour: its slug follows its name until somebody sets it, and everything
//! that refers to the slug follows the slug.

use crate::document::{Document, ModeValues, Problems};
use crate::label::Slug;

/// Gives a brand colour another name and, where asked for or still made from the name, another slug.
///
/// # Errors
/// No brand colour has that slug, or another one has the new slug: both names are told.
pub fn rename_brand(
    spec: &Document,
    slug: &Slug,
    name: &str,
    wanted: Option<Slug>,
) -> Result<Document, Problems> {
    let Some(index) = spec.brand.iter().position(|b| b.slug == *slug) else {
        return Err(Problems::one(
            "/brand",
            format!("no brand colour \"{slug}\" in this theme"),
        ));
    };
    let own = &spec.brand[index];
    let follows = own.slug == Slug::from_name(&own.name, &own.slug);
    let new = wanted.unwrap_or_else(|| {
        if follows {
            Slug::from_name(name, slug)
        } else {
            slug.clone()
        }
    });
    if let Some(other) = spec
        .brand
        .iter()
        .enumerate()
        .find(|(i, b)| *i != index && b.slug == new)
        .map(|(_, b)| b)
    {
        let message = format!(
            "\"{}\" and \"{name}\" share the slug {new}: expected different slugs",
            other.name
        );
        return Err(Problems::one(format!("/brand/{index}/slug"), message));
    }
    let mut out = spec.clone();
    out.brand[index].name = name.to_owned();
    out.brand[index].slug = new.clone();
    if new != *slug {
        follow(&mut out, slug, &new);
    }
    // What the new name breaks, such as a group that is derived, is told like in any document.
    Document::read(&out.to_json())
}

/// Points everything at the new slug.
fn follow(spec: &mut Document, old: &Slug, new: &Slug) {
    spec.scales = std::mem::take(&mut spec.scales)
        .into_iter()
        .map(|(slug, mut settings)| {
            if settings.to.as_ref() == Some(old) {
                settings.to = Some(new.clone());
            }
            (if slug == *old { new.clone() } else { slug }, settings)
        })
        .collect();
    for intent in spec
        .intents
        .values_mut()
        .filter(|i| i.scale.as_ref() == Some(old))
    {
        intent.scale = Some(new.clone());
    }
    // A brand colour without an intent of its own is one under its slug: its roles move along.
    let (before, after) = (format!("{old}."), format!("{new}."));
    spec.roles = std::mem::take(&mut spec.roles)
        .into_iter()
        .map(|(path, values)| {
            let moved = path
                .as_str()
                .strip_prefix(&before)
                .and_then(|rest| format!("{after}{rest}").parse().ok());
            let ModeValues { light, dark } = values;
            let values = ModeValues {
                light: pointed(light, &before, &after),
                dark: pointed(dark, &before, &after),
            };
            (moved.unwrap_or(path), values)
        })
        .collect();
    for token in spec.tokens.values_mut() {
        for text in [&mut token.value, &mut token.light, &mut token.dark] {
            *text = pointed(text.take(), &before, &after);
        }
    }
}

/// A reference into the old group as one into the new.
fn pointed(text: Option<String>, before: &str, after: &str) -> Option<String> {
    let inside = text
        .as_deref()
        .and_then(|t| t.trim().strip_prefix('{'))
        .and_then(|t| t.trim_start().strip_prefix(before));
    match inside {
        Some(rest) => Some(format!("{{{after}{rest}")),
        None => text,
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::{Resolved, derive};

    fn theme() -> Document {
        let text = r##"{"format":1,"name":"T","brand":[{"name":"Petrol","color":"#0f5c7a"},{"name":"Sand","slug":"dune","color":"#f3e3c3"}],
            "scales":{"petrol":{"turn":4},"dune":{"to":"petrol"}},"intents":{"accent":{"scale":"petrol"}},
            "roles":{"link.rest":{"light":"{petrol.700}"}},"tokens":{"ferry.wake":{"value":"{ petrol.100}"}}}"##;
        Document::parse(text).unwrap()
    }

    fn slug(text: &str) -> Slug {
        text.parse().unwrap()
    }

    #[test]
    fn everything_follows_a_slug_that_follows_its_name() {
        let renamed = rename_brand(&theme(), &slug("petrol"), "Deep Sea", None).unwrap();
        let text = renamed.to_json().to_string();
        assert!(!text.contains("petrol"), "{text}");
        assert_eq!(renamed.brand[0].slug, slug("deep-sea"));
        derive(&Resolved::alone(renamed)).unwrap();
    }

    #[test]
    fn a_slug_that_was_set_by_hand_stays() {
        let renamed = rename_brand(&theme(), &slug("dune"), "Beach", None).unwrap();
        assert_eq!(
            (renamed.brand[1].name.as_str(), &renamed.brand[1].slug),
            ("Beach", &slug("dune"))
        );
        let by_hand = rename_brand(&theme(), &slug("petrol"), "Petrol", Some(slug("sea"))).unwrap();
        assert_eq!(by_hand.scales.keys().collect::<Vec<_>>().len(), 2);
        assert_eq!(by_hand.intents[&slug("accent")].scale, Some(slug("sea")));
    }

    #[test]
    fn a_clash_tells_both_names() {
        let error = rename_brand(&theme(), &slug("petrol"), "Dune", None)
            .unwrap_err()
            .to_string();
        assert_eq!(
            error,
            "/brand/0/slug: \"Sand\" and \"Dune\" share the slug dune: expected different slugs"
        );
        assert!(rename_brand(&theme(), &slug("nobody"), "X", None).is_err());
        let group = rename_brand(&theme(), &slug("petrol"), "Surface", None)
            .unwrap_err()
            .to_string();
        assert!(group.contains("names a group that is derived"), "{group}");
    }
}
