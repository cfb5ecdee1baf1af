//! Slots that are called after what they paint.

use std::collections::HashSet;

use rhodon_color::Color;
use rhodon_theme::{Derived, Form, Mode, Role, Section, Slot, SlotName, Value};

use super::role_words::{GROUNDS, PRIMARY, TEXTS, has, role_called, tint_text_of};
use crate::read::key_words;

/// A slot that stands for a colour of its example and is called after a role.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct Called {
    /// The slot.
    pub slot: SlotName,
    /// The role that its name speaks of.
    pub role: Role,
    /// The mode that it follows, where that is the dark one.
    pub mode: Option<Mode>,
}

/// Slots of a form that keep a colour of the example, or white or black, which say nothing, and whose
/// name speaks of a role. They follow the dark mode where their name says so, or where the whole example
/// is dark.
pub fn called(form: &Form, theme: &Derived) -> Vec<Called> {
    let names = Names::of(form.slots.keys().map(SlotName::as_str));
    let usual = is_dark(form, theme, &names).then_some(Mode::Dark);
    let kept = form.slots.iter().filter(|(_, slot)| is_kept(slot, theme));
    let roles = kept.filter_map(|(name, _)| {
        let role = names.role(name.as_str())?;
        let says_dark = says_dark(&key_words(name.as_str()));
        Some(Called {
            slot: name.clone(),
            role,
            mode: if says_dark { Some(Mode::Dark) } else { usual },
        })
    });
    roles.collect()
}

/// Whether a slot follows nothing of the theme yet.
fn is_kept(slot: &Slot, theme: &Derived) -> bool {
    let Some(path) = &slot.token else {
        return slot.color.is_some();
    };
    let token = theme.token(path.as_str());
    let token = token.filter(|token| token.section == Section::Scales);
    let code = token.map(|token| token.cell(Mode::Light).value.to_string());
    matches!(code.as_deref(), Some("#ffffff" | "#000000"))
}

fn says_dark(words: &[String]) -> bool {
    has(words, &["dark", "night"])
}

/// Whether a form has no name for a mode, and its page is darker than the text that stands there.
fn is_dark(form: &Form, theme: &Derived, names: &Names) -> bool {
    let mut lightness = [None, None];
    for (name, slot) in &form.slots {
        let words = key_words(name.as_str());
        if says_dark(&words) || has(&words, &["light", "day"]) {
            return false;
        }
        let at = match names.role(name.as_str()) {
            Some(Role::SURFACE_BASE) => 0,
            Some(Role::TEXT_MAIN) => 1,
            _ => continue,
        };
        if let Some(color) = color_of(slot, theme).filter(|_| lightness[at].is_none()) {
            lightness[at] = Some(color.to_oklch().l);
        }
    }
    matches!(lightness, [Some(page), Some(text)] if page < text)
}

/// The colour that a slot prints.
fn color_of(slot: &Slot, theme: &Derived) -> Option<Color> {
    let Some(path) = &slot.token else {
        return slot.color.as_ref().map(|typed| typed.to_rgb8().into());
    };
    let token = theme.token(path.as_str())?;
    match &token.cell(slot.mode.unwrap_or(Mode::Light)).value {
        Value::Color(color) => Some(color.code.into()),
        _ => None,
    }
}

/// All names of a form: what a word means is told by those around it.
#[derive(Clone, Debug, PartialEq)]
pub(super) struct Names {
    /// Whether `fg` is what a text stands on, because texts have a word of their own beside it.
    fg_is_ground: bool,
    /// Names of what texts may stand on, without the words for what is painted.
    grounded: HashSet<Vec<String>>,
}

impl Names {
    pub(super) fn of<'a>(names: impl Iterator<Item = &'a str>) -> Self {
        let mut names: Vec<Vec<String>> = names.map(small_words).collect();
        let texts: HashSet<Vec<String>> = names
            .iter()
            .filter(|words| has(words, &["text"]))
            .map(|words| stem(words))
            .collect();
        let fg_is_ground = names
            .iter()
            .any(|words| has(words, &["fg"]) && texts.contains(&stem(words)));
        if fg_is_ground {
            names.iter_mut().for_each(|words| call_fg_ground(words));
        }
        let grounds = names.iter().filter(|words| !has(words, &TEXTS));
        Self {
            fg_is_ground,
            grounded: grounds.map(|words| stem(words)).collect(),
        }
    }

    /// The role that a name speaks of, among the others.
    pub(super) fn role(&self, name: &str) -> Option<Role> {
        let mut words = small_words(name);
        if self.fg_is_ground {
            call_fg_ground(&mut words);
        }
        let role = role_called(&words)?;
        // A text without a ground of its own stands on the page; a button always has one.
        let is_grounded = has(&words, &PRIMARY) || self.grounded.contains(&stem(&words));
        Some(tint_text_of(role).filter(|_| !is_grounded).unwrap_or(role))
    }
}

/// Words of a name in small letters, as lists of them are.
fn small_words(name: &str) -> Vec<String> {
    let words = key_words(name).into_iter();
    words.map(|word| word.to_lowercase()).collect()
}

/// Words without those that tell what of a thing is painted, and in which mode.
fn stem(words: &[String]) -> Vec<String> {
    let told = ["color", "dark", "light", "fill"];
    let is_told = |word: &str| {
        [&told[..], &GROUNDS, &TEXTS]
            .iter()
            .any(|all| all.contains(&word))
    };
    let is_stem = |word: &&String| !is_told(word);
    words.iter().filter(is_stem).cloned().collect()
}

fn call_fg_ground(words: &mut [String]) {
    for word in words.iter_mut().filter(|word| *word == "fg") {
        "ground".clone_into(word);
    }
}
