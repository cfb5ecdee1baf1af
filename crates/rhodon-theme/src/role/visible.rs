//! Fills that can be told from their page. Navy, black, cream and white, of which brand sheets are
//! full, would vanish in one of the two modes (engine document, "Roles").

use rhodon_color::{ContrastOn, Lab65, Rgb8, VisionKind, difference_below, lab_d65};

use super::painter::{Choice, Painter, RoleId};
use super::pick::{Needs, Reach, may_read};
use crate::level::Level;
use crate::palette::NamedScale;
use crate::reason::Reason;
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
    /// What [`Painter::visible_fill`] gives, moved as little as it must be until text can be read on it,
    /// and as it is told from `others` by every eye.
    pub(crate) fn fill_for_text(
        &self,
        scale: &NamedScale,
        reason: Reason,
        others: &[RoleId],
    ) -> Choice {
        let usual = self.visible_fill(scale, reason);
        if self.level == Level::Usual {
            return usual;
        }
        let others = Apart::from(others.iter().map(|other| self.code(*other)));
        let carries = |code: Rgb8| {
            let on = ContrastOn::new(code);
            [Rgb8::WHITE, Rgb8::BLACK]
                .iter()
                .any(|text| on.ratio(*text) >= self.text())
        };
        let is_told = |code| self.surface_below(code, VISIBLE).is_none();
        // What is quickly known comes first.
        let fits = |code| carries(code) && is_told(code) && others.are_apart(code);
        if fits(usual.color.code) {
            return usual;
        }
        let reason = || Reason::Carries {
            scale: scale.name.clone(),
            ratio: self.text(),
        };
        let from = usual.color.code.lightness();
        let away = |i: &usize| (scale.scale.steps[*i].lightness - from).abs();
        let mut near: Vec<usize> = (0..scale.scale.steps.len()).collect();
        near.retain(|i| away(i) <= 2.0 * Reach::WIDE.0);
        near.sort_by(|a, b| away(a).total_cmp(&away(b)));
        if let Some(i) = near.into_iter().find(|i| fits(scale.scale.steps[*i].color)) {
            return scale.choice(i, reason());
        }
        // No step near enough: the nearest colour of the scale's own curve, darker before lighter.
        let tones = (1..200).flat_map(|n| [-1.0, 1.0].map(|side| from + side * f64::from(n) / 2.0));
        let codes = tones
            .filter(|tone| (0.0..=100.0).contains(tone))
            .filter(|tone| {
                [1.0, 0.0]
                    .iter()
                    .any(|text| may_read(*tone, &[*text], self.text()))
            })
            .map(|tone| self.between(scale, tone));
        let found = codes.into_iter().find(|code| fits(*code));
        match found {
            Some(code) => Choice {
                color: ColorValue::opaque(code),
                alias: None,
                reason: reason(),
            },
            None => usual,
        }
    }

    /// The exact colour of a scale where it can be told from every surface, else its step at a tone
    /// that can, which has the contrast of a part on each.
    pub(crate) fn visible_fill(&self, scale: &NamedScale, reason: Reason) -> Choice {
        let base = scale.scale.base_step();
        // It was told from them there, so it is here.
        if self.is_usual(base.color) {
            return scale.choice(scale.scale.base, reason);
        }
        let Some((surface, distance)) = self.surface_below(base.color, VISIBLE) else {
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

/// Colours from which another must be told, as the three kinds of vision see them.
struct Apart(Vec<[Lab65; 3]>);

impl Apart {
    fn from(others: impl Iterator<Item = Rgb8>) -> Self {
        Self(others.map(seen).collect())
    }

    /// Whether a colour is told from each of them by every kind of vision.
    fn are_apart(&self, code: Rgb8) -> bool {
        if self.0.is_empty() {
            return true;
        }
        let own = seen(code);
        let mut all = self.0.iter().flatten().zip(own.iter().cycle());
        all.all(|(other, own)| difference_below(*own, *other, APART).is_none())
    }
}

fn seen(code: Rgb8) -> [Lab65; 3] {
    VisionKind::ALL.map(|kind| lab_d65(kind.full().see(code)))
}
