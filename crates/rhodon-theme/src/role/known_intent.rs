//! Intents that were painted before. What an intent comes to depends on its scale, its grounds and little
//! else, and from one document to the next most of them are the same: what did not change is not chosen
//! again. Only those of scales that come back are kept, so that a theme that nobody saw before does not pay
//! for it. What is kept changes how long a derivation takes, never what it comes to.

use std::hash::{Hash, Hasher};
use std::sync::{Arc, LazyLock};

use quick_cache::sync::Cache;
use rhodon_color::Rgb8;

use super::painter::{Choice, Painter, RoleId};
use crate::label::Slug;
use crate::level::Level;
use crate::palette::{Between, IntentScale, NamedScale};
use crate::reason::Reason;
use crate::token::Mode;
use crate::vocabulary::IntentPart;

/// One of each part of an intent, in the order in which they are painted.
pub(super) type Parts<T> = [T; IntentPart::ALL.len()];

/// How many are kept: both modes and levels of some fifty themes, about 1 KB each.
const KEPT: usize = 2048;

static KNOWN: LazyLock<Cache<Asked, Arc<Known>>> = LazyLock::new(|| Cache::new(KEPT));

/// What an intent's parts came to, and the reason of the intent, which its fill passes on.
#[derive(Debug)]
pub(super) struct Known {
    reason: Reason,
    pub parts: Parts<Choice>,
}

/// All that the parts of an intent depend on, but for its reason.
#[derive(Debug, PartialEq, Eq, Hash)]
pub(super) struct Asked {
    mode: Mode,
    level: Level,
    intent: Slug,
    scale: Identity,
    neutral: Identity,
    surfaces: Vec<Rgb8>,
    /// Fills from which its own must be told.
    others: Vec<Rgb8>,
}

impl Asked {
    /// What is asked for an intent; none where its scale is new, or one of its parts is set by hand.
    pub(super) fn of(p: &Painter<'_>, intent: &IntentScale, others: &[RoleId]) -> Option<Self> {
        let scale = &p.on.scales[intent.scale];
        if !scale.is_old {
            return None;
        }
        let is_set = |part: &IntentPart| p.on.overrides.role(&intent.path(*part), p.mode).is_some();
        if IntentPart::ALL.iter().any(is_set) {
            return None;
        }
        let codes = |ids: &[RoleId]| ids.iter().map(|id| p.code(*id)).collect();
        Some(Self {
            mode: p.mode,
            level: p.level,
            intent: intent.name.clone(),
            scale: Identity::of(scale),
            neutral: Identity::of(p.neutral()),
            surfaces: codes(&p.surfaces),
            others: codes(others),
        })
    }

    /// What it came to before, for the same reason.
    pub(super) fn known(&self, reason: &Reason) -> Option<Arc<Known>> {
        KNOWN.get(self).filter(|known| known.reason == *reason)
    }

    pub(super) fn keep(self, reason: Reason, parts: Parts<Choice>) {
        KNOWN.insert(self, Arc::new(Known { reason, parts }));
    }
}

/// A scale and its name. Scales that are kept share the colours between their steps, which are told by
/// their address: it is nobody else's while this one holds them.
#[derive(Debug)]
struct Identity {
    between: Arc<Between>,
    name: Arc<str>,
}

impl Identity {
    fn of(scale: &NamedScale) -> Self {
        Self {
            between: scale.between.clone(),
            name: scale.name.clone(),
        }
    }
}

impl PartialEq for Identity {
    fn eq(&self, other: &Self) -> bool {
        Arc::ptr_eq(&self.between, &other.between) && self.name == other.name
    }
}

impl Eq for Identity {}

impl Hash for Identity {
    fn hash<H: Hasher>(&self, state: &mut H) {
        Arc::as_ptr(&self.between).hash(state);
    }
}
