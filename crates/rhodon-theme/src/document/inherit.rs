//! One parent, many brands: a child's decisions win, the parent's hold everywhere else.

use indexmap::IndexMap;

use super::Document;
use crate::label::{Slug, TokenPath};

/// Which decisions of a resolved document come from a parent.
#[derive(Clone, Debug, Default, PartialEq, Eq)]
pub struct Inherited {
    /// Brand colours.
    pub brand: Vec<Slug>,
    /// Intents.
    pub intents: Vec<Slug>,
    /// Roles, per mode: light, dark.
    pub roles: [Vec<TokenPath>; 2],
    /// Own tokens.
    pub tokens: Vec<TokenPath>,
}

/// A document complete with what it inherits.
#[derive(Clone, Debug, PartialEq)]
pub struct Resolved {
    /// The merged decisions.
    pub spec: Document,
    /// Which of them are a parent's.
    pub inherited: Inherited,
    /// The document itself, where parents were merged into it.
    own: Option<Box<Document>>,
}

/// Why a document's parents cannot be found.
#[derive(Clone, Debug, PartialEq, Eq, thiserror::Error)]
pub enum InheritError {
    /// No theme has that slug.
    #[error("no theme \"{0}\" to extend: expected the slug of an existing theme")]
    Missing(Slug),
    /// The parents form a circle.
    #[error("themes extend each other in a circle: {}", .0.iter().map(Slug::as_str).collect::<Vec<_>>().join(" → "))]
    Circle(Vec<Slug>),
}

impl Resolved {
    /// A document without parents.
    pub fn alone(spec: Document) -> Self {
        Self {
            spec,
            inherited: Inherited::default(),
            own: None,
        }
    }

    /// The document as its author wrote it, without what it inherits.
    pub fn document(&self) -> &Document {
        self.own.as_deref().unwrap_or(&self.spec)
    }

    /// Follows `extends` through `find` and merges, eldest first.
    ///
    /// # Errors
    /// A parent that is missing, or a circle, spelt out.
    pub fn follow(
        spec: Document,
        mut find: impl FnMut(&Slug) -> Option<Document>,
    ) -> Result<Self, InheritError> {
        let mut line = vec![spec];
        let mut seen: Vec<Slug> = Vec::new();
        while let Some(parent) = line.last().and_then(|s| s.extends.clone()) {
            if let Some(start) = seen.iter().position(|s| *s == parent) {
                let mut circle = seen.split_off(start);
                circle.push(parent);
                return Err(InheritError::Circle(circle));
            }
            let found = find(&parent).ok_or_else(|| InheritError::Missing(parent.clone()))?;
            seen.push(parent);
            line.push(found);
        }
        let own = line
            .first()
            .filter(|_| line.len() > 1)
            .cloned()
            .map(Box::new);
        let eldest = line.pop().unwrap_or_else(Document::empty);
        let merged = line
            .into_iter()
            .rev()
            .fold(Self::alone(eldest), |parent, child| {
                parent.overridden(child)
            });
        Ok(Self { own, ..merged })
    }

    /// The child's document with this one behind it.
    fn overridden(self, child: Document) -> Self {
        let parent = self.spec;
        let inherited = Inherited {
            brand: parent
                .brand
                .iter()
                .map(|b| b.slug.clone())
                .filter(|s| !child.brand.iter().any(|b| b.slug == *s))
                .collect(),
            intents: missing(&parent.intents, &child.intents),
            roles: [
                parent
                    .roles
                    .iter()
                    .filter(|(p, v)| {
                        v.light.is_some() && child.roles.get(*p).is_none_or(|c| c.light.is_none())
                    })
                    .map(|(p, _)| p.clone())
                    .collect(),
                parent
                    .roles
                    .iter()
                    .filter(|(p, v)| {
                        v.dark.is_some() && child.roles.get(*p).is_none_or(|c| c.dark.is_none())
                    })
                    .map(|(p, _)| p.clone())
                    .collect(),
            ],
            tokens: missing(&parent.tokens, &child.tokens),
        };
        let mut brand = parent.brand;
        for own in child.brand {
            match brand.iter_mut().find(|b| b.slug == own.slug) {
                Some(theirs) => *theirs = own,
                None => brand.push(own),
            }
        }
        let mut roles = parent.roles;
        for (path, own) in child.roles {
            let entry = roles.entry(path).or_default();
            entry.light = own.light.or(entry.light.take());
            entry.dark = own.dark.or(entry.dark.take());
        }
        roles.sort_keys();
        let mut handoff = parent.handoff;
        for (target, own) in child.handoff {
            let entry = handoff.entry(target).or_default();
            *entry = overlaid(std::mem::take(entry), own);
        }
        handoff.sort_keys();
        let (t, pt) = (child.typography, parent.typography);
        let (s, ps) = (child.shape, parent.shape);
        let spec = Document {
            format: child.format,
            name: child.name,
            extends: child.extends,
            brand,
            steps: child.steps.or(parent.steps),
            scales: overlaid(parent.scales, child.scales),
            intents: overlaid(parent.intents, child.intents),
            roles,
            tokens: overlaid(parent.tokens, child.tokens),
            typography: super::TypeSettings {
                body: t.body.or(pt.body),
                heading: t.heading.or(pt.heading),
                mono: t.mono.or(pt.mono),
                import: t.import.or(pt.import),
                base: t.base.or(pt.base),
                ratio: t.ratio.or(pt.ratio),
                regular: t.regular.or(pt.regular),
                bold: t.bold.or(pt.bold),
            },
            aim: child.aim.or(parent.aim),
            handoff,
            kept: overlaid(parent.kept, child.kept),
            shape: super::ShapeSettings {
                radius: s.radius.or(ps.radius),
                border: s.border.or(ps.border),
            },
        };
        Self {
            spec,
            inherited,
            own: None,
        }
    }
}

fn missing<K: Clone + Eq + std::hash::Hash, V>(
    parent: &IndexMap<K, V>,
    child: &IndexMap<K, V>,
) -> Vec<K> {
    parent
        .keys()
        .filter(|k| !child.contains_key(*k))
        .cloned()
        .collect()
}

fn overlaid<K: Ord + std::hash::Hash, V>(
    mut parent: IndexMap<K, V>,
    child: IndexMap<K, V>,
) -> IndexMap<K, V> {
    parent.extend(child);
    parent.sort_keys();
    parent
}
