//! Renaming a brand colour: its slug follows its name until somebody sets it, and everything
//! that refers to the slug follows the slug.

use super::Changed;
use super::mend::{Renamed, mend};
use crate::document::{Document, IntentChoice, Problems, Resolved, Typed};
use crate::label::Slug;
use crate::naming;
use crate::value::Written;
use crate::vocabulary::IntentPart;

/// Where a brand colour stands in the document.
pub(super) fn position(document: &Document, slug: &Slug) -> Result<usize, Problems> {
    let found = document.brand.iter().position(|b| b.slug == *slug);
    found.ok_or_else(|| {
        Problems::one(
            "/brand",
            format!("no brand colour \"{slug}\" in this theme"),
        )
    })
}

pub(super) fn rename(
    theme: &Resolved,
    slug: &Slug,
    name: &str,
    wanted: Option<Slug>,
) -> Result<Changed, Problems> {
    let document = theme.document();
    let index = position(document, slug)?;
    let own = &document.brand[index];
    let follows = own.slug == Slug::from_name(&own.name, &own.slug);
    let by_name = || {
        if follows {
            Slug::from_name(name, slug)
        } else {
            slug.clone()
        }
    };
    let new = wanted.unwrap_or_else(by_name);
    check_free(document, index, name, &new)?;
    let mut out = document.clone();
    out.brand[index].name = name.to_owned();
    out.brand[index].slug = new.clone();
    if new == *slug {
        return Ok(Changed {
            document: out.checked()?,
            notes: Vec::new(),
        });
    }
    follow(&mut out, slug, &new);
    // What the new name breaks, such as a group that is derived, is told like in any document.
    mend(
        theme,
        out.checked()?,
        Some(Renamed {
            from: slug,
            to: &new,
        }),
    )
}

/// Names and slugs of a theme differ.
fn check_free(document: &Document, index: usize, name: &str, slug: &Slug) -> Result<(), Problems> {
    let others = document
        .brand
        .iter()
        .enumerate()
        .filter(|(i, _)| *i != index)
        .map(|(_, b)| b);
    for other in others {
        if other.slug == *slug {
            let message = format!(
                "\"{}\" and \"{name}\" share the slug {slug}: expected different slugs",
                other.name
            );
            return Err(Problems::one(format!("/brand/{index}/slug"), message));
        }
        if naming::is_same(&other.name, name) {
            let message = format!(
                "another brand colour is called \"{}\": expected another name",
                other.name
            );
            return Err(Problems::one(format!("/brand/{index}/name"), message));
        }
    }
    Ok(())
}

/// Points everything that stands on the scale at the new slug. Roles of an intent of that name,
/// and what refers to them, are mended afterwards: they may have become another intent's.
fn follow(document: &mut Document, old: &Slug, new: &Slug) {
    document.scales = std::mem::take(&mut document.scales)
        .into_iter()
        .map(|(slug, mut settings)| {
            if settings.to.as_ref() == Some(old) {
                settings.to = Some(new.clone());
            }
            (if slug == *old { new.clone() } else { slug }, settings)
        })
        .collect();
    for form in document.forms.values_mut() {
        form.follow(old, new);
    }
    for choice in document
        .intents
        .values_mut()
        .filter(|c| c.scale() == Some(old))
    {
        *choice = IntentChoice::Scale(new.clone());
    }
    let roles = document
        .roles
        .values_mut()
        .chain(document.contrast.roles.values_mut())
        .flat_map(|v| [&mut v.light, &mut v.dark]);
    let tokens = document
        .tokens
        .values_mut()
        .flat_map(|t| [&mut t.value, &mut t.light, &mut t.dark]);
    for value in roles.chain(tokens).flatten() {
        if let Some(moved) = moved_step(value, old, new) {
            *value = moved;
        }
    }
}

/// A reference to a step of the old scale as one of the new.
fn moved_step(value: &Typed<Written>, old: &Slug, new: &Slug) -> Option<Typed<Written>> {
    let (group, rest) = value.target()?.as_str().split_once('.')?;
    let is_role = IntentPart::ALL.iter().any(|part| part.id() == rest);
    if group != old.as_str() || is_role {
        return None;
    }
    format!("{new}.{rest}").parse().ok().map(Typed::reference)
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::derive;

    fn theme() -> Document {
        let text = r##"{"format":1,"name":"T","brand":[{"name":"Petrol","color":"#0f5c7a"},{"name":"Sand","slug":"dune","color":"#f3e3c3"}],
            "scales":{"petrol":{"turn":4},"dune":{"to":"petrol"}},"intents":{"accent":{"scale":"petrol"}},
            "roles":{"link.rest":{"light":"{petrol.700}"}},"tokens":{"ferry.wake":{"value":"{ petrol.100}"}}}"##;
        Document::parse(text).unwrap()
    }

    fn slug(text: &str) -> Slug {
        text.parse().unwrap()
    }

    fn rename_brand(
        document: &Document,
        brand: &Slug,
        name: &str,
        slug: Option<Slug>,
    ) -> Result<Document, Problems> {
        let theme = Resolved::alone(document.clone());
        Ok(rename(&theme, brand, name, slug)?.document)
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
        assert_eq!(by_hand.intents[&slug("accent")].scale(), Some(&slug("sea")));
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
