//! A theme with another brand colour in one of its parts, as pages that switch parts at run time show it.

use rhodon_color::Rgb8;

use super::{IntentChoice, Resolved};
use crate::label::Slug;
use crate::token::Mode;
use crate::vocabulary::Intent;

/// The L* from which a colour is a page of the light mode itself, and up to which one of the dark mode.
/// Between them it tints what pages stand on.
const PAGES: (f64, f64) = (85.0, 25.0);

/// A part of a theme that can be switched apart from the rest of it.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Part {
    /// What follows the primary colour.
    Primary,
    /// What pages stand on, and what is written and drawn on it.
    Surface,
}

impl Part {
    /// The part that a group of roles belongs to; none where it stays as it is.
    pub fn of_group(group: &str) -> Option<Self> {
        match group {
            "primary" | "link" | "selection" | "selected" | "focus" | "bar" | "chart" => {
                Some(Self::Primary)
            }
            "surface" | "text" | "border" | "disabled" | "neutral" | "backdrop" | "shadow" => {
                Some(Self::Surface)
            }
            _ => None,
        }
    }

    /// The intent whose scale it is made of.
    pub fn intent(self) -> Intent {
        match self {
            Self::Primary => Intent::Primary,
            Self::Surface => Intent::Neutral,
        }
    }

    /// The group that is this part itself, and not what follows it.
    fn own_group(self) -> &'static str {
        match self {
            Self::Primary => "primary",
            Self::Surface => "surface",
        }
    }
}

impl Resolved {
    /// This theme where a brand colour plays a part. Roles that were set by hand for whoever played it before
    /// give way. A colour that is light or dark enough is what pages stand on, to its code.
    #[must_use]
    pub fn recast(&self, part: Part, brand: &Slug) -> Self {
        let mut other = self.clone();
        let document = &mut other.merged;
        let own = part.own_group();
        document.roles.retain(|path, _| path.group() != own);
        let choice = IntentChoice::Scale(brand.clone());
        document
            .intents
            .insert(Slug::known(part.intent().id()), choice);
        let mut brands = document.brand.iter();
        let color = brands.find(|color| color.slug == *brand);
        let page = color.and_then(|color| page_of(color.color.to_rgb8()));
        if let (Part::Surface, Some((mode, code))) = (part, page) {
            document.set_page(mode, code);
        }
        other
    }
}

/// The mode whose pages can stand on a colour.
fn page_of(code: Rgb8) -> Option<(Mode, Rgb8)> {
    match code.lightness() {
        light if light >= PAGES.0 => Some((Mode::Light, code)),
        dark if dark <= PAGES.1 => Some((Mode::Dark, code)),
        _ => None,
    }
}
