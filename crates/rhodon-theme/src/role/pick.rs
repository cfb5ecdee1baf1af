//! Choosing a colour for a role: the step nearest a tone that can be read where it must, or
//! a colour between the steps where none can.

use std::sync::Arc;

use rhodon_color::{ContrastOn, Rgb8, luminance_from_lightness};

use super::painter::{Choice, Painter, RoleId};
use crate::palette::NamedScale;
use crate::reason::Reason;
use crate::token::Mode;
use crate::value::ColorValue;

/// What a role must be readable on.
#[derive(Clone, Copy, Debug)]
pub(crate) struct Needs<'a> {
    pub on: &'a [RoleId],
    pub ratio: f64,
}

/// How far from its tone, in L\*, a role may take a step.
#[derive(Clone, Copy, Debug)]
pub(crate) struct Reach(pub f64);

impl Reach {
    /// For text and edges: any step that can be read serves.
    pub(crate) const WIDE: Self = Self(12.0);
    /// For fills and tints: near enough not to look like another role.
    pub(crate) const NEAR: Self = Self(3.0);
    /// For surfaces, which lie close together.
    pub(crate) const TIGHT: Self = Self(1.25);
}

impl Painter<'_> {
    /// A choice on `scale` near `tone` (L\*).
    pub(crate) fn pick(
        &self,
        scale: &NamedScale,
        tone: f64,
        reach: Reach,
        needs: Needs<'_>,
    ) -> Choice {
        let grounds: Vec<ContrastOn> = needs.on.iter().map(|id| self.ground(*id)).collect();
        let reads = |code: Rgb8| {
            let code = ContrastOn::new(code);
            grounds.iter().all(|g| g.between(code) >= needs.ratio)
        };
        let mut nearest: Option<(usize, f64)> = None;
        for (i, step) in scale.scale.steps.iter().enumerate() {
            let away = (step.lightness - tone).abs();
            let is_nearer = nearest.is_none_or(|(_, least)| away < least);
            if away <= reach.0 && is_nearer && reads(step.color) {
                nearest = Some((i, away));
            }
        }
        if let Some((i, _)) = nearest {
            let hardest = self.hardest(scale.scale.steps[i].color, &grounds, needs);
            let readable = hardest.map(|ground| (needs.ratio, ground));
            return scale.choice(
                i,
                Reason::Nearest {
                    scale: scale.name.clone(),
                    tone,
                    readable,
                },
            );
        }
        self.solve(scale, tone, &reads, needs)
    }

    /// The ground on which a colour is read worst.
    fn hardest(&self, code: Rgb8, grounds: &[ContrastOn], needs: Needs<'_>) -> Option<Arc<str>> {
        let code = ContrastOn::new(code);
        let ratio = |i: &usize| grounds[*i].between(code);
        let worst = (0..grounds.len()).min_by(|a, b| ratio(a).total_cmp(&ratio(b)))?;
        Some(self.path(needs.on[worst]).clone())
    }

    /// A colour of the scale's own curve: at the tone, or as near to it as it can be read.
    fn solve(
        &self,
        scale: &NamedScale,
        tone: f64,
        reads: &dyn Fn(Rgb8) -> bool,
        needs: Needs<'_>,
    ) -> Choice {
        let away = match self.mode {
            Mode::Light => -0.5,
            Mode::Dark => 0.5,
        };
        let grounds: Vec<f64> = needs
            .on
            .iter()
            .map(|id| self.code(*id).luminance())
            .collect();
        let mut lightness = tone;
        while (0.0..=100.0).contains(&lightness) {
            if !may_read(lightness, &grounds, needs.ratio) {
                lightness += away;
                continue;
            }
            let code = self.between(scale, lightness);
            if reads(code) {
                let reason = Reason::Between {
                    scale: scale.name.clone(),
                    lightness,
                };
                return Choice {
                    color: ColorValue::opaque(code),
                    alias: None,
                    reason,
                };
            }
            lightness += away;
        }
        // Only surfaces set by hand, light and dark at once, come here: take what reads best.
        let least = |code: Rgb8| {
            needs
                .on
                .iter()
                .map(|id| self.ground(*id).ratio(code))
                .fold(f64::INFINITY, f64::min)
        };
        let best = if least(Rgb8::BLACK) > least(Rgb8::WHITE) {
            Rgb8::BLACK
        } else {
            Rgb8::WHITE
        };
        let reason = format!(
            "no colour has {} : 1 on every surface; this one has the most",
            needs.ratio
        )
        .into();
        Choice {
            color: ColorValue::opaque(best),
            alias: None,
            reason,
        }
    }

    /// The text colour for a fill: white, else ink, else black; one of them always has 4.5 : 1, and 7 : 1 on a
    /// fill that was chosen for it.
    pub(crate) fn text_on(&self, fill: RoleId) -> Choice {
        let neutral = self.neutral();
        let steps = &neutral.scale.steps;
        let on = self.ground(fill);
        let because = |which| Reason::TextOn {
            which,
            ground: self.path(fill).clone(),
            ratio: self.text(),
        };
        let literal = |code, which| Choice {
            color: ColorValue::opaque(code),
            alias: None,
            reason: because(which),
        };
        if on.ratio(Rgb8::WHITE) >= self.text() {
            return match steps.iter().position(|s| s.color == Rgb8::WHITE) {
                Some(i) => neutral.choice(i, because("white")),
                None => literal(Rgb8::WHITE, "white"),
            };
        }
        let ink = steps.len() - 1;
        if on.ratio(steps[ink].color) >= self.text() {
            return neutral.choice(ink, because("ink"));
        }
        literal(Rgb8::BLACK, "only black")
    }

    /// A colour of the scale at an L\*: a step where one is there, else in between.
    pub(crate) fn at(&self, scale: &NamedScale, tone: f64, reason: Reason) -> Choice {
        let step = scale
            .scale
            .steps
            .iter()
            .position(|s| (s.lightness - tone).abs() <= 0.75);
        match step {
            Some(i) => scale.choice(i, reason),
            None => Choice {
                color: ColorValue::opaque(self.between(scale, tone)),
                alias: None,
                reason,
            },
        }
    }
}

/// Whether a colour of a lightness can have a ratio on grounds of these luminances: told by the lightness
/// alone, before the colour is made, with room for the rounding of its code.
pub(super) fn may_read(lightness: f64, grounds: &[f64], ratio: f64) -> bool {
    // A code is at most one and a half off in each channel: that is 2.4 % of luminance and flare at most.
    const ROOM: f64 = 0.974;
    let own = luminance_from_lightness(lightness);
    let on = |ground: &f64| (own.max(*ground) + 0.05) / (own.min(*ground) + 0.05);
    grounds.iter().all(|ground| on(ground) >= ratio * ROOM)
}

impl NamedScale {
    /// One of its steps as the choice for a role.
    pub(crate) fn choice(&self, index: usize, reason: Reason) -> Choice {
        let step = &self.scale.steps[index];
        let color = ColorValue {
            code: step.color,
            alpha: 1.0,
            p3: step.p3,
        };
        Choice {
            color,
            alias: Some(self.step_path(index)),
            reason,
        }
    }
}
