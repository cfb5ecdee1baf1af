//! The states of a fill: hovered, pressed, and the far end of its gradient. They are shades of the colour
//! that the fill has, also where somebody set it to one that its scale does not hold.

use std::borrow::Cow;
use std::sync::Arc;

use super::painter::{Choice, Painter, RoleId};
use super::pick::{Needs, Reach};
use crate::palette::NamedScale;
use crate::reason::Reason;

/// L\* from a fill to its hovered and pressed state, and to the far end of its gradient.
const DISTANCES: [f64; 3] = [6.0, 12.0, 9.0];
/// A fill with less L\* than this left changes towards its text instead of away from it.
const LEAST_LEFT: f64 = 14.0;

/// The colours from which the states of a role are taken.
pub(super) struct Kin<'a> {
    scale: Cow<'a, NamedScale>,
    /// The role whose colour this is the scale of, where the theme has no scale with it.
    alone: Option<Arc<str>>,
}

impl Kin<'_> {
    /// A colour at an L\*, as [`Painter::at`].
    pub(super) fn at(&self, p: &Painter<'_>, tone: f64, reason: Reason) -> Choice {
        self.own(p.at(&self.scale, tone, reason), false)
    }

    /// A colour near an L\* that can be read, as [`Painter::pick`].
    pub(super) fn pick(
        &self,
        p: &Painter<'_>,
        tone: f64,
        reach: Reach,
        needs: Needs<'_>,
    ) -> Choice {
        self.own(p.pick(&self.scale, tone, reach, needs), true)
    }

    /// A scale that no theme has is not referred to.
    fn own(&self, choice: Choice, tell: bool) -> Choice {
        let Some(of) = &self.alone else {
            return choice;
        };
        let reason = if tell {
            let lightness = choice.color.code.lightness();
            let of = of.clone();
            Reason::ShadeOf { of, lightness }
        } else {
            choice.reason
        };
        Choice {
            alias: None,
            reason,
            ..choice
        }
    }
}

impl<'a> Painter<'a> {
    /// The kin of a role that stands on a scale. That of one that was set by hand are shades of its colour: what
    /// is hovered does not fall back into the colour of before.
    pub(super) fn kin(&self, role: RoleId, scale: &'a NamedScale) -> Kin<'a> {
        let scale = match self.is_set(role) {
            true => NamedScale::with(scale, self.on.scales, self.path(role), self.code(role)),
            false => Cow::Borrowed(scale),
        };
        let alone = matches!(scale, Cow::Owned(_)).then(|| self.path(role).clone());
        Kin { scale, alone }
    }

    /// The states of a fill with a text on it: hovered, pressed, and the far end of its gradient.
    pub(super) fn states(&self, fill: RoleId, text: RoleId, kin: &Kin<'_>) -> [Choice; 3] {
        let lightness = self.code(fill).lightness();
        let text_is_light = self.code(text).luminance() > self.code(fill).luminance();
        let direction = direction(lightness, text_is_light);
        DISTANCES.map(|distance| self.state(kin, lightness, direction * distance, text))
    }

    fn state(&self, kin: &Kin<'_>, from: f64, move_by: f64, text: RoleId) -> Choice {
        let mut distance = move_by;
        // A fill set by hand may leave its text with little to spare: stay where it can be read.
        loop {
            let tone = (from + distance).clamp(0.0, 100.0);
            let choice = kin.at(self, tone, Reason::State { distance });
            let ratio = self.ground(text).ratio(choice.color.code);
            if ratio >= self.text() || distance.abs() < 1.0 {
                return choice;
            }
            distance -= move_by.signum();
        }
    }
}

/// −1 where the states of a fill of this L\* get darker, 1 where they get lighter.
fn direction(lightness: f64, text_is_light: bool) -> f64 {
    let (away, left) = if text_is_light {
        (-1.0, lightness)
    } else {
        (1.0, 100.0 - lightness)
    };
    if left < LEAST_LEFT { -away } else { away }
}
