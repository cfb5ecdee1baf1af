//! Small changes of a document that may mend a finding.

use std::sync::Arc;

use crate::document::{Document, IntentChoice, Typed};
use crate::label::{Slug, StepLabel, TokenPath};
use crate::token::Mode;
use rhodon_color::Rgb8;

/// One change.
#[derive(Clone, Debug, PartialEq)]
pub(crate) enum Edit {
    /// A role goes back to what is derived, in a mode.
    LetGo(Arc<str>, Mode),
    /// A role or own token refers to a token, in a mode.
    Refer(Arc<str>, Mode, Arc<str>),
    /// An intent takes a colour of its own.
    Recolor(Slug, Rgb8),
    /// The lightness of a step is derived again.
    LetGoLightness(Slug, StepLabel),
    /// The lightness of a step is set.
    Lightness(Slug, StepLabel, f64),
    /// A pin is let go.
    Unpin(Slug, StepLabel),
    /// A brand colour stands at another step of its scale, or where it fits best.
    At(Slug, Option<StepLabel>),
    /// An intent takes a colour of its own that is apart from every other; which one is sought when
    /// the change is tried.
    Apart(Slug),
    /// A see-through step is no longer made.
    WithoutAlpha(Slug, u8),
    /// A scale is left out of exports.
    LeaveOut(Slug),
}

impl Edit {
    /// Makes the change; whether there was anything to change.
    pub(super) fn apply(&self, document: &mut Document) -> bool {
        let before = document.clone();
        self.make(document);
        *document != before
    }

    fn make(&self, document: &mut Document) {
        match self {
            Self::LetGo(path, mode) => let_go(document, path, *mode),
            Self::Refer(path, mode, to) => refer(document, path, *mode, to),
            Self::Recolor(intent, code) => {
                let color = Typed::from_color((*code).into());
                let choice = IntentChoice::Color(color);
                document.intents.insert(intent.clone(), choice);
            }
            Self::LetGoLightness(scale, label) => {
                if let Some(settings) = document.scales.get_mut(scale) {
                    settings.lightness.shift_remove(label);
                }
            }
            Self::Lightness(scale, label, l) => {
                let settings = document.scales.entry(scale.clone()).or_default();
                let rounded = (l * 10.0).round() / 10.0;
                settings.lightness.insert(label.clone(), rounded);
            }
            Self::Unpin(scale, label) => {
                if let Some(settings) = document.scales.get_mut(scale) {
                    settings.pins.shift_remove(label);
                }
            }
            Self::At(scale, label) => {
                if let Some(settings) = document.scales.get_mut(scale) {
                    settings.at.clone_from(label);
                }
            }
            Self::Apart(_) => {}
            Self::LeaveOut(scale) => {
                document.scales.entry(scale.clone()).or_default().off = Some(true);
            }
            Self::WithoutAlpha(scale, percent) => {
                if let Some(settings) = document.scales.get_mut(scale) {
                    settings.alpha.retain(|a| a != percent);
                }
            }
        }
    }
}

fn let_go(document: &mut Document, path: &str, mode: Mode) {
    let Ok(path) = path.parse::<TokenPath>() else {
        return;
    };
    if let Some(values) = document.roles.get_mut(&path) {
        *values.slot(mode) = None;
        if values.light.is_none() && values.dark.is_none() {
            document.roles.shift_remove(&path);
        }
    }
}

fn refer(document: &mut Document, path: &str, mode: Mode, to: &str) {
    let (Ok(path), Ok(written)) = (path.parse::<TokenPath>(), to.parse::<TokenPath>()) else {
        return;
    };
    let written = Typed::reference(written);
    if let Some(token) = document.tokens.get_mut(&path) {
        let slot = match (token.value.is_some(), mode) {
            (true, _) => &mut token.value,
            (false, Mode::Light) => &mut token.light,
            (false, Mode::Dark) => &mut token.dark,
        };
        *slot = Some(written);
        return;
    }
    *document.roles.entry(path).or_default().slot(mode) = Some(written);
}
