//! The map from one theme to another: each token's old value to its new one.

use indexmap::IndexMap;
use rhodon_color::Rgb8;
use rhodon_theme::{Derived, Mode, NamedScale, Token, Value};

use super::kin::Family;
use super::map::{ColorMap, New};
use crate::name::css_name;

impl ColorMap {
    /// What every colour of a theme is in another, by the tokens that both have. Relatives are those of
    /// the colours that scales grow from.
    pub fn between(from: &Derived, to: &Derived) -> Self {
        let mut lines: IndexMap<(Rgb8, Option<u8>), Vec<New>> = IndexMap::new();
        for old in &from.tokens {
            let Some(new) = to.token(&old.path) else {
                continue;
            };
            let modes: &[Mode] = if old.is_modeless() && new.is_modeless() {
                &[Mode::Light]
            } else {
                &Mode::BOTH
            };
            for mode in modes {
                if let Some((key, candidate)) = candidate(old, new, *mode, modes.len() > 1) {
                    lines.entry(key).or_default().push(candidate);
                }
            }
        }
        let mut map = Self::default();
        for ((old, opacity), new) in lines {
            map.add(old, opacity, new);
        }
        map.families = from
            .scales
            .iter()
            .filter_map(|scale| family(scale, to))
            .collect();
        map
    }
}

/// A key of the map and what it could become.
type Candidate = ((Rgb8, Option<u8>), New);

fn candidate(old: &Token, new: &Token, mode: Mode, of_mode: bool) -> Option<Candidate> {
    let (Value::Color(before), Value::Color(after)) =
        (&old.cell(mode).value, &new.cell(mode).value)
    else {
        return None;
    };
    let stated = (before.alpha < 1.0).then(|| before.color().alpha8());
    Some((
        (before.code, stated),
        New {
            color: after.color(),
            opacity: (stated.is_some() || after.alpha < 1.0).then_some(after.alpha),
            variable: Some(css_name(&old.path)),
            is_reference: false,
            token: Some(old.path.to_string()),
            mode: of_mode.then_some(mode),
        },
    ))
}

fn family(scale: &NamedScale, to: &Derived) -> Option<Family> {
    let other = to.scales.iter().find(|s| s.slug == scale.slug)?;
    let base = |scale: &NamedScale| {
        scale
            .scale
            .steps
            .get(scale.scale.base)
            .map(|step| step.color)
    };
    Family::new(base(scale)?, base(other)?)
}
