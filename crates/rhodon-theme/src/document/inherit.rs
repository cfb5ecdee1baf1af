//! One parent, many brands: a child's decisions win, the parent's hold everywhere else.

use std::collections::BTreeSet;
use std::hash::Hash;
use std::sync::Arc;

use indexmap::IndexMap;

use super::{BrandColor, ContrastSettings, CustomToken, Document, ModeValues, ScaleSettings};
use crate::label::{Slug, TokenPath};
use crate::token::Mode;

/// Which decisions of a resolved document come from a parent.
#[derive(Clone, Debug, Default, PartialEq, Eq)]
pub struct Inherited {
    /// Brand colours.
    pub brand: BTreeSet<Slug>,
    /// Intents.
    pub intents: BTreeSet<Slug>,
    /// Roles, per mode: light, dark.
    pub roles: [BTreeSet<TokenPath>; 2],
    /// Own tokens.
    pub tokens: BTreeSet<TokenPath>,
}

/// A document complete with what it inherits.
#[derive(Clone, Debug, PartialEq)]
pub struct Resolved {
    /// The merged decisions.
    pub merged: Document,
    /// Which of them are a parent's.
    pub inherited: Inherited,
    /// The document itself and its parent, where it has one.
    line: Option<Box<Line>>,
}

#[derive(Clone, Debug, PartialEq)]
struct Line {
    own: Document,
    parent: Resolved,
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
    pub fn alone(document: Document) -> Self {
        Self {
            merged: document,
            inherited: Inherited::default(),
            line: None,
        }
    }

    /// The document as its author wrote it, without what it inherits.
    pub fn document(&self) -> &Document {
        self.line.as_ref().map_or(&self.merged, |line| &line.own)
    }

    /// The theme that this one extends, complete with its own parents.
    pub fn parent(&self) -> Option<&Self> {
        self.line.as_ref().map(|line| &line.parent)
    }

    /// The document with everything that it inherits written out, which extends nothing.
    pub fn written_out(&self) -> Document {
        Document {
            extends: None,
            ..self.merged.clone()
        }
    }

    /// The document and its parents, eldest last.
    pub fn lineage(&self) -> impl Iterator<Item = &Document> {
        std::iter::successors(Some(self), |theme| {
            theme.line.as_ref().map(|line| &line.parent)
        })
        .map(Self::document)
    }

    /// The theme with what was set for the level of more contrast in the place of the usual.
    pub(crate) fn with_roles_of_more(&self) -> Self {
        let mut theme = self.clone();
        let roles = std::mem::take(&mut theme.merged.roles);
        let set = theme.merged.contrast.roles.clone();
        theme.merged.roles = overlaid(roles, set, ModeValues::over);
        theme
    }

    /// Lets go of roles that were set by hand, each in a mode.
    pub(crate) fn let_go(&mut self, roles: &[(Arc<str>, Mode)]) {
        for (path, values) in &mut self.merged.roles {
            let gone = roles.iter().filter(|(gone, _)| **gone == *path.as_str());
            gone.for_each(|(_, mode)| *values.slot(*mode) = None);
        }
        self.merged
            .roles
            .retain(|_, values| *values != ModeValues::default());
    }

    /// Another document in the place of this one, under the same parents.
    pub fn with_document(&self, document: Document) -> Self {
        match &self.line {
            Some(line) => line.parent.clone().extended_by(document),
            None => Self::alone(document),
        }
    }

    /// Follows `extends` through `find` and merges, eldest first.
    ///
    /// # Errors
    /// A parent that is missing, or a circle, spelt out.
    pub fn follow(
        document: Document,
        mut find: impl FnMut(&Slug) -> Option<Document>,
    ) -> Result<Self, InheritError> {
        let mut line = vec![document];
        let mut seen: Vec<Slug> = Vec::new();
        while let Some(parent) = line.last().and_then(|d| d.extends.clone()) {
            if let Some(start) = seen.iter().position(|s| *s == parent) {
                let mut circle = seen.split_off(start);
                circle.push(parent);
                return Err(InheritError::Circle(circle));
            }
            let found = find(&parent).ok_or_else(|| InheritError::Missing(parent.clone()))?;
            seen.push(parent);
            line.push(found);
        }
        let eldest = line.pop().unwrap_or_else(Document::empty);
        Ok(line
            .into_iter()
            .rev()
            .fold(Self::alone(eldest), Self::extended_by))
    }

    /// The child's document with this one behind it.
    pub fn extended_by(self, child: Document) -> Self {
        let inherited = Inherited::between(&self.merged, &child);
        let merged = merged(self.merged.clone(), child.clone());
        Self {
            merged,
            inherited,
            line: Some(Box::new(Line {
                own: child,
                parent: self,
            })),
        }
    }
}

impl Document {
    /// This document with what it has from its parent written out: it extends what the parent
    /// extends.
    pub fn set_free(self, parent: Document) -> Document {
        let extends = parent.extends.clone();
        Document {
            extends,
            ..merged(parent, self)
        }
    }
}

impl Inherited {
    /// What a child leaves to its parent.
    fn between(parent: &Document, child: &Document) -> Self {
        let own_brand = |slug: &Slug| child.brand.iter().any(|b| b.slug == *slug);
        let brand = parent.brand.iter().map(|b| b.slug.clone());
        Self {
            brand: brand.filter(|slug| !own_brand(slug)).collect(),
            intents: missing(&parent.intents, &child.intents),
            roles: Mode::BOTH.map(|mode| roles_left(parent, child, mode)),
            tokens: missing(&parent.tokens, &child.tokens),
        }
    }
}

fn roles_left(parent: &Document, child: &Document, mode: Mode) -> BTreeSet<TokenPath> {
    let own = |path: &TokenPath| child.roles.get(path).is_some_and(|v| v.get(mode).is_some());
    let set = parent
        .roles
        .iter()
        .filter(|(_, values)| values.get(mode).is_some());
    set.map(|(path, _)| path.clone())
        .filter(|path| !own(path))
        .collect()
}

/// A child's decisions over its parent's.
fn merged(parent: Document, child: Document) -> Document {
    Document {
        format: child.format,
        name: child.name,
        extends: child.extends,
        brand: brand_over(parent.brand, child.brand),
        steps: child.steps.or(parent.steps),
        scales: overlaid(parent.scales, child.scales, ScaleSettings::over),
        intents: overlaid(parent.intents, child.intents, |own, _| own),
        roles: overlaid(parent.roles, child.roles, ModeValues::over),
        tokens: overlaid(parent.tokens, child.tokens, CustomToken::over),
        typography: child.typography.over(parent.typography),
        shape: child.shape.over(parent.shape),
        contrast: ContrastSettings {
            more: child.contrast.more.or(parent.contrast.more),
            roles: overlaid(
                parent.contrast.roles,
                child.contrast.roles,
                ModeValues::over,
            ),
        },
        aim: child.aim.or(parent.aim),
        handoff: overlaid(parent.handoff, child.handoff, |own, theirs| {
            overlaid(theirs, own, |own, _| own)
        }),
        pack: child.pack.or(parent.pack),
        forms: overlaid(parent.forms, child.forms, |own, _| own),
        accepted: child.accepted.into_iter().chain(parent.accepted).collect(),
        kept: overlaid(parent.kept, child.kept, |own, _| own),
    }
}

/// A parent's colours in their places, those of the child's own behind them.
fn brand_over(mut brand: Vec<BrandColor>, child: Vec<BrandColor>) -> Vec<BrandColor> {
    for own in child {
        match brand.iter_mut().find(|b| b.slug == own.slug) {
            Some(theirs) => *theirs = own,
            None => brand.push(own),
        }
    }
    brand
}

fn missing<K: Clone + Ord + Hash, V>(
    parent: &IndexMap<K, V>,
    child: &IndexMap<K, V>,
) -> BTreeSet<K> {
    parent
        .keys()
        .filter(|k| !child.contains_key(*k))
        .cloned()
        .collect()
}

/// A child's entries over its parent's; where both have one, `over` merges them.
fn overlaid<K: Ord + Hash, V>(
    mut parent: IndexMap<K, V>,
    child: IndexMap<K, V>,
    over: impl Fn(V, V) -> V,
) -> IndexMap<K, V> {
    for (key, own) in child {
        let both = match parent.swap_remove(&key) {
            Some(theirs) => over(own, theirs),
            None => own,
        };
        parent.insert(key, both);
    }
    parent.sort_keys();
    parent
}
