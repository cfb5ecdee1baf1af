//! New brand colours.

use rhodon_color::{Color, Rgb8};

use super::named::page_called;
use crate::document::{BrandColor, Document, Problems, Provenance, Resolved, ScaleSettings, Typed};
use crate::label::StepLabel;

/// A brand colour to be.
#[derive(Clone, Debug, PartialEq)]
pub struct NewBrand {
    /// Its readable name; a number is added where another colour has it.
    pub name: String,
    /// Any CSS colour.
    pub color: String,
    /// Where it came from, unless somebody typed it.
    pub from: Option<Provenance>,
    /// Steps that its scale takes over as they are, from light to dark; none to make them.
    pub steps: Vec<(StepLabel, Rgb8)>,
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
        if !new.steps.is_empty() {
            take_over(
                document.scales.entry(added.slug.clone()).or_default(),
                &added,
                &new.steps,
            );
        }
        if let Some(intent) = whole.called(&added.slug) {
            whole.let_play(&added.slug, intent);
            document.let_play(&added.slug, intent);
        }
        if let Some(own) = document.scales.get(&added.slug) {
            whole.scales.insert(added.slug.clone(), own.clone());
        }
        if let Some((mode, step)) = page_called(&whole, &added.slug) {
            whole.set_page_to(mode, &step);
            document.set_page_to(mode, &step);
        }
        document.brand.push(added);
    }
    document.checked()
}

/// The scale stands at its own colour, where that is one of the steps; the others are pinned.
fn take_over(scale: &mut ScaleSettings, brand: &BrandColor, steps: &[(StepLabel, Rgb8)]) {
    let code = brand.color.value().to_rgb8();
    scale.steps = Some(steps.iter().map(|(label, _)| label.clone()).collect());
    let own = steps.iter().find(|(_, step)| *step == code);
    scale.at = own.map(|(label, _)| label.clone());
    for (label, step) in steps.iter().filter(|step| Some(*step) != own) {
        scale.pins.insert(label.clone(), Typed::from(*step));
    }
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
