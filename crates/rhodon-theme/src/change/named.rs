//! A brand colour that plays the part its name speaks of: an intent, or what pages stand on.

use rhodon_color::{Color, Rgb8};

use crate::derive::derive;
use crate::document::{Document, Provenance, Resolved, Typed};
use crate::label::{Slug, TokenPath};
use crate::naming;
use crate::token::Mode;
use crate::vocabulary::Role;

/// The L* between pages of the light and of the dark mode.
const MIDDLE: f64 = 50.0;

/// Adds a brand colour behind the others and lets it play what its name speaks of, unless something else is
/// said to play it; tells its slug.
pub fn add_named(
    document: &mut Document,
    name: &str,
    color: Typed<Color>,
    from: Option<Provenance>,
) -> Slug {
    let slug = document.add_brand(name, color, from);
    if let Some(intent) = document.called(&slug) {
        document.let_play(&slug, intent);
    }
    if let Some((mode, step)) = page_called(document, &slug) {
        document.set_page_to(mode, &step);
    }
    slug
}

/// Sets a role in a mode to a colour: to the own step of the brand colour that it is, so that it follows it.
pub fn set_role(document: &mut Document, path: &TokenPath, mode: Mode, code: Rgb8) {
    let mut brand = document.brand.iter();
    let own = brand.find(|brand| brand.color.to_rgb8() == code);
    match own.map(|brand| own_step(document, &brand.slug, code)) {
        Some(step) => document.set_role_to(path, mode, &step),
        None => document.set_role(path, mode, code),
    }
}

/// The own step of a brand colour that is called after pages, and the mode it is light or dark enough for,
/// where nothing else says what they stand on.
pub(super) fn page_called(document: &Document, slug: &Slug) -> Option<(Mode, String)> {
    let mut brand = document.brand.iter();
    let brand = brand.find(|brand| brand.slug == *slug && naming::is_page(&brand.name))?;
    let code = brand.color.to_rgb8();
    let mode = match code.lightness() < MIDDLE {
        true => Mode::Dark,
        false => Mode::Light,
    };
    let page = Role::SURFACE_BASE.path();
    let mut roles = document.roles.iter();
    let is_said = roles.any(|(path, by)| path.as_str() == page && by.get(mode).is_some());
    (!is_said).then(|| (mode, own_step(document, slug, code)))
}

/// How a brand colour's own step is referred to; its code where it has none yet.
fn own_step(document: &Document, slug: &Slug, code: Rgb8) -> String {
    let derived = derive(&Resolved::alone(document.clone())).ok();
    let scales = derived.iter().flat_map(|theme| &theme.scales);
    let own = scales.filter(|scale| scale.slug == *slug);
    let mut steps = own.flat_map(|named| named.paths.iter().zip(&named.scale.steps));
    let step = steps.find(|(_, step)| step.color == code);
    step.map_or_else(|| code.to_string(), |(path, _)| format!("{{{path}}}"))
}
