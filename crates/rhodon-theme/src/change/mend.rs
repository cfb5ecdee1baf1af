//! What a change of brand colours or intents leaves dangling, and the one rule for all of it:
//!
//! - settings of a scale that is no more go; a scale that ran to a colour that is no more ends by
//!   itself; an intent that was painted with it goes back to derived, one of the user's own goes;
//! - roles of an intent that plays another part now move there; those of one that is no more go;
//! - what refers to something that moved follows; a role whose reference is lost goes back to
//!   derived; a token of the user's own keeps its colour, written out;
//! - what a parent set and what would dangle here alone is set here, to what it referred to;
//! - a role that comes to refer to itself by all this goes back to derived.

use std::cell::OnceCell;
use std::collections::HashSet;

use indexmap::IndexMap;

use super::Changed;
use crate::derive::{Derived, derive};
use crate::document::{Document, ModeValues, Problems, Resolved, Typed};
use crate::label::{Slug, TokenPath};
use crate::level::Level;
use crate::overrides::circling;
use crate::palette::{Outline, scales_of_intents};
use crate::token::Mode;
use crate::value::Written;

/// A slug that became another.
#[derive(Clone, Copy, Debug)]
pub(super) struct Renamed<'a> {
    pub from: &'a Slug,
    pub to: &'a Slug,
}

/// Mends a document that a change made from a theme.
///
/// # Errors
/// What cannot be mended, such as a theme without any colour, or a parent's role that leads nowhere
/// here.
pub(super) fn mend(
    before: &Resolved,
    document: Document,
    renamed: Option<Renamed<'_>>,
) -> Result<Changed, Problems> {
    let mut mending = Mending {
        before,
        document,
        notes: Vec::new(),
    };
    mending.scales_and_intents()?;
    let ground = Ground::new(before, &mending.document, renamed)?;
    mending.roles(&ground);
    mending.references(&ground);
    mending.inherited(&ground);
    mending.circles();
    let document = mending.document.checked()?;
    // What a parent set for a part that only now is played here may lead nowhere: then it is told.
    derive(&before.with_document(document.clone()))?;
    Ok(Changed {
        document,
        notes: mending.notes,
    })
}

/// What there is after the change, before anything set by hand is looked at.
struct Ground<'a> {
    outline: Outline,
    /// Intents that are no more, and the one that plays their part now.
    moved: IndexMap<Slug, Slug>,
    before: &'a Resolved,
    /// What everything came to before, where somebody asks.
    values: OnceCell<Option<Derived>>,
}

impl<'a> Ground<'a> {
    fn new(
        before: &'a Resolved,
        after: &Document,
        renamed: Option<Renamed<'_>>,
    ) -> Result<Self, Problems> {
        let whole = before.with_document(after.clone());
        let stands = scales_of_intents(&whole)?;
        let stood = scales_of_intents(before).unwrap_or_default();
        let moved = stood
            .into_iter()
            .filter(|(name, _)| !stands.contains_key(name));
        let moved = moved.filter_map(|(name, scale)| {
            let own = renamed.filter(|r| *r.from == name && stands.contains_key(r.to));
            if let Some(renamed) = own {
                return Some((name, renamed.to.clone()));
            }
            let scale = renamed
                .filter(|r| *r.from == scale)
                .map_or(scale, |r| r.to.clone());
            let plays = stands.iter().find(|(_, s)| **s == scale)?.0;
            Some((name, plays.clone()))
        });
        let moved = moved.collect();
        Ok(Self {
            outline: Outline::of(&whole)?,
            moved,
            before,
            values: OnceCell::new(),
        })
    }

    /// The path of a role under the intent that plays its part now.
    fn moved(&self, path: &TokenPath) -> Option<TokenPath> {
        let (group, part) = path.as_str().split_once('.')?;
        let (_, plays) = self.moved.iter().find(|(name, _)| name.as_str() == group)?;
        let moved: TokenPath = format!("{plays}.{part}").parse().ok()?;
        self.outline.has(&moved).then_some(moved)
    }
}

struct Mending<'a> {
    before: &'a Resolved,
    document: Document,
    notes: Vec<String>,
}

impl Mending<'_> {
    /// Whether the document, its parents included, has a brand colour.
    fn has_brand(&self) -> impl Fn(&Slug) -> bool + use<> {
        let whole = self.before.with_document(self.document.clone()).merged;
        move |slug| whole.brand.iter().any(|b| b.slug == *slug)
    }

    fn scales_and_intents(&mut self) -> Result<(), Problems> {
        let has = self.has_brand();
        let notes = &mut self.notes;
        self.document.intents.retain(|name, choice| {
            let kept = choice.scale().is_none_or(&has);
            if !kept {
                notes.push(format!("the intent {name} loses its scale"));
            }
            kept
        });
        for (slug, settings) in &mut self.document.scales {
            if settings.to.as_ref().is_some_and(|to| !has(to)) {
                notes.push(format!("the scale {slug} no longer runs to another"));
                settings.to = None;
            }
        }
        let whole = self.before.with_document(self.document.clone());
        let mut scales: HashSet<Slug> = scales_of_intents(&whole)?.into_values().collect();
        scales.extend(whole.merged.brand.iter().map(|b| b.slug.clone()));
        self.document.scales.retain(|slug, _| {
            let kept = scales.contains(slug);
            if !kept {
                notes.push(format!("the settings of the scale {slug} go"));
            }
            kept
        });
        Ok(())
    }

    fn roles(&mut self, ground: &Ground<'_>) {
        for level in Level::ALL {
            let roles = self.document.roles_at_mut(level);
            let (mut kept, gone): (IndexMap<_, _>, IndexMap<_, _>) = std::mem::take(roles)
                .into_iter()
                .partition(|(path, _)| ground.outline.has(path));
            for (path, values) in gone {
                let path_told = told(&path, level);
                match ground.moved(&path) {
                    Some(to) if !kept.contains_key(&to) => {
                        self.notes
                            .push(format!("the role {path_told} becomes {to}"));
                        kept.insert(to, values);
                    }
                    _ => self
                        .notes
                        .push(format!("the role {path_told}, set by hand, goes")),
                }
            }
            kept.sort_keys();
            *roles = kept;
        }
    }

    fn references(&mut self, ground: &Ground<'_>) {
        let whole = self.before.with_document(self.document.clone()).merged;
        let is_lost = |value: &Typed<Written>| ground.lost(&whole, value);
        let notes = &mut self.notes;
        for level in Level::ALL {
            for (path, values) in self.document.roles_at_mut(level) {
                for mode in Mode::BOTH {
                    let slot = values.slot(mode);
                    let Some(lost) = slot.as_ref().and_then(is_lost) else {
                        continue;
                    };
                    *slot = ground.moved(&lost).map(Typed::reference);
                    let (path, id) = (told(path, level), mode.id());
                    notes.push(match slot {
                        Some(value) => format!("the role {path} ({id}) refers to {value}"),
                        None => format!("the role {path} ({id}) goes back to derived"),
                    });
                }
            }
        }
        for (path, token) in &mut self.document.tokens {
            let slots = [
                (&mut token.value, Mode::Light),
                (&mut token.light, Mode::Light),
                (&mut token.dark, Mode::Dark),
            ];
            for (slot, mode) in slots {
                let Some(lost) = slot.as_ref().and_then(is_lost) else {
                    continue;
                };
                *slot = ground.replacement(&lost, mode, Level::Usual);
                notes.push(match slot {
                    Some(value) => format!("the token {path} keeps its value as {value}"),
                    None => format!("the token {path} goes"),
                });
            }
        }
        let complete = |t: &crate::document::CustomToken| {
            t.value.is_some() || t.light.is_some() || t.dark.is_some()
        };
        self.document.tokens.retain(|_, token| complete(token));
    }

    /// A parent keeps what it set; a child in which that leads nowhere sets it anew.
    fn inherited(&mut self, ground: &Ground<'_>) {
        let whole = self.before.with_document(self.document.clone()).merged;
        let lost = |value: Option<&Typed<Written>>| ground.lost(&whole, value?);
        for (path, token) in &whole.tokens {
            let mut own = token.clone();
            let slots = [
                (&mut own.value, Mode::Light),
                (&mut own.light, Mode::Light),
                (&mut own.dark, Mode::Dark),
            ];
            for (slot, mode) in slots {
                let Some(target) = lost(slot.as_ref()) else {
                    continue;
                };
                *slot = ground.replacement(&target, mode, Level::Usual);
                if let Some(value) = slot {
                    let note = format!("the token {path}, a parent's, is set here to {value}");
                    self.notes.push(note);
                }
            }
            if own != *token {
                self.document.tokens.insert(path.clone(), own);
            }
        }
        for level in Level::ALL {
            let roles = whole.roles_at(level).iter();
            for (path, values) in roles.filter(|(path, _)| ground.outline.has(path)) {
                for mode in Mode::BOTH {
                    let Some(target) = lost(values.get(mode)) else {
                        continue;
                    };
                    if let Some(value) = ground.replacement(&target, mode, level) {
                        let path_told = told(path, level);
                        let note =
                            format!("the role {path_told}, a parent's, is set here to {value}");
                        self.notes.push(note);
                        let own = self.document.roles_at_mut(level);
                        *own.entry(path.clone()).or_default().slot(mode) = Some(value);
                    }
                }
            }
        }
    }

    /// A role that moved to where its own reference points would refer to itself.
    fn circles(&mut self) {
        let usual = self.before.with_document(self.document.clone());
        let more = usual.with_roles_of_more();
        for (level, whole) in Level::ALL.into_iter().zip([&usual, &more]) {
            let circling = Mode::BOTH.map(|mode| circling(whole, mode));
            let roles = self.document.roles_at_mut(level);
            for (path, values) in &mut *roles {
                for mode in Mode::BOTH {
                    let is_circle = circling[mode as usize].contains(path.as_str());
                    if values.get(mode).is_some() && is_circle {
                        *values.slot(mode) = None;
                        let (path, id) = (told(path, level), mode.id());
                        self.notes
                            .push(format!("the role {path} ({id}) goes back to derived"));
                    }
                }
            }
            roles.retain(|_, values| *values != ModeValues::default());
        }
    }
}

/// A role, and for which level of contrast it is set where that is not the usual one.
fn told(path: &TokenPath, level: Level) -> String {
    match level {
        Level::Usual => path.to_string(),
        Level::More => format!("{path} at more contrast"),
    }
}

impl Ground<'_> {
    /// Where a reference leads that leads nowhere any more.
    fn lost(&self, whole: &Document, value: &Typed<Written>) -> Option<TokenPath> {
        let target = value.target()?;
        let known = self.outline.has(target)
            || whole.tokens.contains_key(target)
            || whole.roles.contains_key(target);
        (!known).then(|| target.clone())
    }

    /// What takes the place of a reference that is lost: the role that moved, or what it came to.
    fn replacement(&self, lost: &TokenPath, mode: Mode, level: Level) -> Option<Typed<Written>> {
        if let Some(moved) = self.moved(lost) {
            return Some(Typed::reference(moved));
        }
        let values = self.values.get_or_init(|| derive(self.before).ok());
        let cell = values.as_ref()?.cell_at(lost.as_str(), mode, level)?;
        Some(Typed::literal(cell.value.clone()))
    }
}
