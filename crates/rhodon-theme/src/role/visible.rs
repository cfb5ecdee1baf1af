//! Fills that can be told from their page. Navy, black, cream and white, of which brand sheets are
//! full, would vanish in one of the two modes (engine document, "Roles").

use std::cell::LazyCell;

use rhodon_color::{ContrastOn, Lab65, Rgb8, VisionKind, difference_below, lab_d65};

use super::painter::{Choice, Painter, RoleId};
use super::pick::{Needs, Reach, may_read};
use crate::level::Level;
use crate::palette::NamedScale;
use crate::reason::Reason;
use crate::scale::Step;
use crate::status::APART;
use crate::value::ColorValue;

/// Least CIEDE2000 between a fill and a surface it stands on.
pub(crate) const VISIBLE: f64 = 16.0;

/// L\* of the step that a fill moves to, on a light and on a dark page.
const TONES: (f64, f64) = (46.0, 66.0);
/// The same for greys, which have only lightness to be told by.
const GREY_TONES: (f64, f64) = (15.0, 88.0);
/// Oklch chroma below which a colour has no hue to speak of.
pub(crate) const GREY: f64 = 0.02;

impl Painter<'_> {
    /// A fill that can be told from every surface, moved as little as it must be until text can be read on it,
    /// and as it is told from `others` by every eye.
    pub(crate) fn fill_for_text(
        &self,
        scale: &NamedScale,
        reason: Reason,
        others: &[RoleId],
    ) -> Choice {
        let vanishes = self.vanishes_on(scale.scale.base_step().color);
        let usual = self.visible_fill(scale, reason, vanishes);
        if self.level == Level::Usual {
            return usual;
        }
        let others: Vec<Rgb8> = others.iter().map(|other| self.code(*other)).collect();
        let others = LazyCell::new(|| Apart::from(&others));
        // What is quickly known comes first.
        let carries = |code| self.carries_text(code);
        let is_told = |code| self.surface_below(code, VISIBLE).is_none();
        let fits = |code| carries(code) && is_told(code) && others.are_apart(code);
        let code = usual.color.code;
        if carries(code) && (vanishes.is_none() || is_told(code)) && others.are_apart(code) {
            return usual;
        }
        let reason = Reason::Carries {
            scale: scale.name.clone(),
            ratio: self.text(),
        };
        let from = usual.color.code.lightness();
        let steps = &scale.scale.steps;
        let mut near = steps_near(steps, from, 2.0 * Reach::WIDE.0).into_iter();
        if let Some(i) = near.find(|i| fits(steps[*i].color)) {
            return scale.choice(i, reason);
        }
        match self.nearest_tone(scale, from, fits) {
            Some(code) => Choice {
                color: ColorValue::opaque(code),
                alias: None,
                reason,
            },
            None => usual,
        }
    }

    /// Whether white or black text can be read on a colour.
    fn carries_text(&self, code: Rgb8) -> bool {
        let on = ContrastOn::new(code);
        let texts = [Rgb8::WHITE, Rgb8::BLACK];
        texts.iter().any(|text| on.ratio(*text) >= self.text())
    }

    /// The nearest colour of the scale's own curve that fits, darker before lighter.
    fn nearest_tone(
        &self,
        scale: &NamedScale,
        from: f64,
        fits: impl Fn(Rgb8) -> bool,
    ) -> Option<Rgb8> {
        let sides = |n| [-1.0, 1.0].map(|side| from + side * f64::from(n) / 2.0);
        let may_carry = |tone: f64| {
            [1.0, 0.0]
                .iter()
                .any(|text| may_read(tone, &[*text], self.text()))
        };
        (1..200)
            .flat_map(sides)
            .filter(|tone| (0.0..=100.0).contains(tone) && may_carry(*tone))
            .map(|tone| self.between(scale, tone))
            .find(|code| fits(*code))
    }

    /// The surface from which a colour cannot be told, and the CIEDE2000 between them.
    fn vanishes_on(&self, code: Rgb8) -> Option<(RoleId, f64)> {
        // What was told from the surfaces at the usual level is told from them here.
        if self.is_usual(code) {
            return None;
        }
        self.surface_below(code, VISIBLE)
    }

    /// The exact colour of a scale unless it vanishes on a surface, else its step at a tone that can be told
    /// from each, which has the contrast of a part on it.
    fn visible_fill(
        &self,
        scale: &NamedScale,
        reason: Reason,
        vanishes: Option<(RoleId, f64)>,
    ) -> Choice {
        let base = scale.scale.base_step();
        let Some((surface, distance)) = vanishes else {
            return scale.choice(scale.scale.base, reason);
        };
        let (light, dark) = if base.oklch.c < GREY {
            GREY_TONES
        } else {
            TONES
        };
        let surfaces = self.surfaces.clone();
        let needs = Needs {
            on: &surfaces,
            ratio: self.graphic(),
        };
        let choice = self.pick(scale, self.by_mode(light, dark), Reach::WIDE, needs);
        let reason = Reason::Visible {
            scale: scale.name.clone(),
            surface: self.path(surface).clone(),
            difference: distance,
        };
        Choice { reason, ..choice }
    }
}

/// The steps whose L\* is less than `reach` away from one, the nearest first.
fn steps_near(steps: &[Step], from: f64, reach: f64) -> Vec<usize> {
    let away = |i: &usize| (steps[*i].lightness - from).abs();
    let mut near: Vec<usize> = (0..steps.len()).filter(|i| away(i) <= reach).collect();
    near.sort_by(|a, b| away(a).total_cmp(&away(b)));
    near
}

/// Colours from which another must be told, as each of the three kinds of vision sees them.
struct Apart([Vec<Lab65>; 3]);

impl Apart {
    fn from(others: &[Rgb8]) -> Self {
        let by = |kind| others.iter().map(|code| seen(kind, *code)).collect();
        Self(VisionKind::ALL.map(by))
    }

    /// Whether a colour is told from each of them by every kind of vision.
    fn are_apart(&self, code: Rgb8) -> bool {
        let mut views = VisionKind::ALL.into_iter().zip(&self.0);
        views.all(|(kind, others)| {
            let own = LazyCell::new(|| seen(kind, code));
            let is_told = |other: &Lab65| difference_below(*own, *other, APART).is_none();
            others.iter().all(is_told)
        })
    }
}

fn seen(kind: VisionKind, code: Rgb8) -> Lab65 {
    lab_d65(kind.full().see(code))
}
