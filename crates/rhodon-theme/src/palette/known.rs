//! Scales that were built before. A scale is a pure function of its request, and from one document to the
//! next most requests are the same: what did not change is not computed again. What is kept changes how
//! long a derivation takes, never what it comes to.

use std::collections::HashMap;
use std::hash::{Hash, Hasher};
use std::sync::{Arc, LazyLock, Mutex, PoisonError};

use foldhash::fast::RandomState;
use quick_cache::sync::Cache;
use rhodon_color::Rgb8;

use crate::label::Slug;
use crate::scale::{self, Request, Scale, ScaleError, Step};

/// How many scales are kept: those of some fifty themes, about 4 KB each.
const KEPT: usize = 512;
/// The most colours between the steps that are kept of a scale.
const MOST_BETWEEN: usize = 2048;

static KNOWN: LazyLock<Cache<Key, Known>> = LazyLock::new(|| Cache::new(KEPT));

/// A scale, the paths of its steps, and colours between them.
#[derive(Clone, Debug)]
pub(super) struct Known {
    pub scale: Arc<Scale>,
    pub paths: Arc<[Arc<str>]>,
    pub between: Arc<Between>,
    /// Whether somebody asked for it before.
    pub is_old: bool,
}

/// The scale of a request, under a name.
///
/// # Errors
/// See [`scale::build`].
pub(super) fn build(slug: &Slug, request: Request) -> Result<Known, ScaleError> {
    let key = Key {
        slug: slug.clone(),
        request,
    };
    if let Some(known) = KNOWN.get(&key) {
        return Ok(Known {
            is_old: true,
            ..known
        });
    }
    let scale = scale::build(&key.request)?;
    let path = |step: &Step| format!("{slug}.{}", step.label).into();
    let built = Known {
        paths: scale.steps.iter().map(path).collect(),
        scale: Arc::new(scale),
        between: Arc::default(),
        is_old: false,
    };
    KNOWN.insert(key, built.clone());
    Ok(built)
}

/// Colours of one scale by the bits of their L\*: both modes and levels ask for many of them again.
#[derive(Debug, Default)]
pub(crate) struct Between(Mutex<HashMap<u64, Rgb8, RandomState>>);

impl Between {
    /// As [`Scale::at_lightness`].
    pub(crate) fn at(&self, scale: &Scale, lightness: f64) -> Rgb8 {
        let mut known = self.0.lock().unwrap_or_else(PoisonError::into_inner);
        if known.len() >= MOST_BETWEEN {
            known.clear();
        }
        let make = || scale.at_lightness(lightness);
        *known.entry(lightness.to_bits()).or_insert_with(make)
    }
}

/// A request by all that it holds; its numbers are finite, and both zeros are one.
#[derive(Debug, PartialEq)]
struct Key {
    slug: Slug,
    request: Request,
}

impl Eq for Key {}

impl Hash for Key {
    fn hash<H: Hasher>(&self, state: &mut H) {
        let Request {
            method,
            labels,
            pins,
            tone,
            turn,
            strength,
            lightness,
            p3,
        } = &self.request;
        let bits = |number: &f64| (number + 0.0).to_bits();
        (
            &self.slug,
            method.id,
            labels,
            tone,
            p3,
            bits(turn),
            bits(strength),
        )
            .hash(state);
        for pin in pins {
            (pin.color, &pin.label).hash(state);
        }
        for (label, set) in lightness {
            (label, bits(set)).hash(state);
        }
    }
}
