//! Fills that can be told from their page. Navy, black, cream and white, of which brand sheets are
//! full, would vanish in one of the two modes (engine document, "Roles").

use rhodon_color::{Rgb8, difference};

use super::GRAPHIC;
use super::painter::{Choice, Painter, RoleId};
use super::pick::{Needs, Reach};
use crate::palette::NamedScale;
use crate::reason::Reason;

/// Least CIEDE2000 between a fill and a surface it stands on.
pub(crate) const VISIBLE: f64 = 16.0;
/// L\* of the step that a fill moves to, on a light and on a dark page.
const TONES: (f64, f64) = (46.0, 66.0);
/// The same for greys, which have only lightness to be told by.
const GREY_TONES: (f64, f64) = (15.0, 88.0);
/// Oklch chroma below which a colour has no hue to speak of.
pub(crate) const GREY: f64 = 0.02;

impl Painter<'_> {
    /// The surface from which a colour is told worst, and the CIEDE2000 between them.
    fn nearest_surface(&self, code: Rgb8) -> Option<(RoleId, f64)> {
        let distance = |id: &RoleId| (*id, difference(code, self.code(*id)));
        let all = self.surfaces.iter().map(distance);
        all.min_by(|a, b| a.1.total_cmp(&b.1))
    }

    /// The exact colour of a scale where it can be told from every surface, else its step at a tone
    /// that can, which has the contrast of a part on each.
    pub(crate) fn visible_fill(&self, scale: &NamedScale, reason: Reason) -> Choice {
        let base = scale.scale.base_step();
        let exact = scale.choice(scale.scale.base, reason);
        let Some((surface, distance)) = self.nearest_surface(base.color) else {
            return exact;
        };
        if distance >= VISIBLE {
            return exact;
        }
        let (light, dark) = if base.oklch.c < GREY {
            GREY_TONES
        } else {
            TONES
        };
        let surfaces = self.surfaces.clone();
        let needs = Needs {
            on: &surfaces,
            ratio: GRAPHIC,
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
