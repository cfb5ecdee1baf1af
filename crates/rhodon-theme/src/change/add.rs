//! New brand colours.

use rhodon_color::Color;

use crate::document::{Document, Problems, Provenance, Resolved, Typed};

/// A brand colour to be.
#[derive(Clone, Debug, PartialEq)]
pub struct NewBrand {
    /// Its readable name; a number is added where another colour has it.
    pub name: String,
    /// Any CSS colour.
    pub color: String,
    /// Where it came from, unless somebody typed it.
    pub from: Option<Provenance>,
}

/// Adds colours behind the others, under names and slugs that are free here and in the parents. The
/// scale of a see-through colour gets a step of its opacity, which keeps it.
pub(super) fn add(theme: &Resolved, colors: &[NewBrand]) -> Result<Document, Problems> {
    let mut whole = theme.merged.clone();
    let mut document = theme.document().clone();
    for new in colors {
        let color = Typed::<Color>::from_field(&new.color).map_err(|e| {
            Problems::one(
                format!("/brand/{}/color", document.brand.len()),
                format!("\"{}\": {e}", new.color),
            )
        })?;
        let alpha = alpha_step(*color.value());
        whole.add_brand(new.name.trim(), color, new.from.clone());
        let Some(added) = whole.brand.last().cloned() else {
            continue;
        };
        if let Some(alpha) = alpha {
            document
                .scales
                .entry(added.slug.clone())
                .or_default()
                .alpha
                .push(alpha);
        }
        document.brand.push(added);
    }
    document.checked()
}

/// The see-through step that keeps a colour's opacity, in percent.
fn alpha_step(color: Color) -> Option<u8> {
    let percent = (color.alpha() * 100.0).round();
    (color.alpha() < 1.0 && (1.0..=99.0).contains(&percent)).then_some(percent as u8)
}

/// What becomes of a see-through brand colour, in a sentence.
pub fn opacity_note(color: Color) -> Option<String> {
    let code = color.to_rgb8();
    match alpha_step(color) {
        Some(percent) => Some(format!(
            "see-through: its scale holds {code}; as a new colour it also gets a step a{percent} with the opacity"
        )),
        None if color.alpha() < 1.0 => Some(format!(
            "see-through: its scale holds {code} without the opacity"
        )),
        None => None,
    }
}
