//! What every kind of finding looks at.

use std::collections::HashMap;
use std::sync::Arc;

use rhodon_color::Rgb8;

use crate::derive::Derived;
use crate::document::Resolved;
use crate::token::{Mode, Pair, Section, Token};
use crate::value::Origin;

/// A theme laid open.
pub(super) struct Scene<'a> {
    pub theme: &'a Resolved,
    pub derived: &'a Derived,
    by_path: HashMap<&'a str, &'a Token>,
}

impl<'a> Scene<'a> {
    pub(super) fn new(theme: &'a Resolved, derived: &'a Derived) -> Self {
        let by_path = derived.tokens.iter().map(|t| (&*t.path, t)).collect();
        Self {
            theme,
            derived,
            by_path,
        }
    }

    pub(super) fn token(&self, path: &str) -> Option<&'a Token> {
        self.by_path.get(path).copied()
    }

    /// The code of an opaque colour.
    pub(super) fn code(&self, path: &str, mode: Mode) -> Option<Rgb8> {
        let color = self.token(path)?.cell(mode).value.color()?;
        Some(color.code)
    }

    /// Whether the user set a role in this document.
    pub(super) fn is_set(&self, path: &str, mode: Mode) -> bool {
        let token = self.token(path);
        token.is_some_and(|t| t.cell(mode).origin == Origin::Set)
    }

    /// Every step, with its path and code.
    pub(super) fn steps(&self) -> impl Iterator<Item = (&'a Arc<str>, Rgb8)> {
        let scales = self.derived.scales.iter();
        scales.flat_map(|s| {
            s.paths
                .iter()
                .zip(s.scale.steps.iter().map(|step| step.color))
        })
    }

    /// Pairs in which a token takes part, in a mode.
    pub(super) fn pairs_of<'s>(
        &'s self,
        path: &'s str,
        mode: Mode,
    ) -> impl Iterator<Item = &'a Pair> + 's {
        let pairs = self.derived.pairs.iter();
        pairs.filter(move |p| p.mode == mode && (*p.fg == *path || *p.bg == *path))
    }

    /// A token as people call it: `text.muted` is "muted text", a step "Slate 600".
    pub(super) fn called(&self, path: &str) -> String {
        let (group, rest) = path.split_once('.').unwrap_or((path, ""));
        let rest = rest.replace(['.', '-'], " ");
        let section = self.token(path).map(|t| t.section);
        if section == Some(Section::Scales) {
            let scales = self.derived.scales.iter();
            let name = scales.into_iter().find(|s| s.slug.as_str() == group);
            return format!("{} {rest}", name.map_or(group, |s| &*s.name));
        }
        match group {
            "text" => format!("{rest} text"),
            "surface" => format!("the {rest} surface"),
            "border" => format!("the {rest} border"),
            _ if rest.is_empty() => group.to_owned(),
            _ => format!("{group} {rest}"),
        }
    }
}

/// The first letter large.
pub(super) fn sentence(text: &str) -> String {
    let mut letters = text.chars();
    letters.next().map_or_else(String::new, |first| {
        first.to_uppercase().chain(letters).collect()
    })
}
