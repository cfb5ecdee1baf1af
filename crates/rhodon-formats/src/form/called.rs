//! Slots that are called after what they paint: the role that the words of a name speak of.

use rhodon_theme::{
    Derived, Form, Intent, IntentPart, Mode, Role, Section, Slot, SlotName, intent_called,
};

use crate::read::key_words;

/// A slot that stands for a colour of its example and is called after a role.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct Called {
    /// The slot.
    pub slot: SlotName,
    /// The role that its name speaks of.
    pub role: Role,
    /// The mode that its name speaks of, where that is the dark one.
    pub mode: Option<Mode>,
}

/// Slots of a form that keep a colour of the example, or white or black, which say nothing, and whose
/// name speaks of a role.
pub fn called(form: &Form, theme: &Derived) -> Vec<Called> {
    let kept = form.slots.iter().filter(|(_, slot)| is_kept(slot, theme));
    let roles = kept.filter_map(|(name, _)| {
        let words = key_words(name.as_str());
        let is_dark = words.iter().any(|word| word == "dark" || word == "night");
        Some(Called {
            slot: name.clone(),
            role: role_called(&words)?,
            mode: is_dark.then_some(Mode::Dark),
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

/// What of a thing is painted.
#[derive(Clone, Copy, PartialEq, Eq)]
enum Painted {
    Ground,
    Text,
    Muted,
    Edge,
    Hover,
    Pressed,
    Tint,
    Gradient,
}

impl Painted {
    const CALLED: [(Self, &[&str]); 7] = [
        (Self::Hover, &["hover", "hovered"]),
        (Self::Pressed, &["pressed", "down"]),
        (Self::Gradient, &["gradient", "end"]),
        (
            Self::Muted,
            &["muted", "hint", "caption", "placeholder", "quiet"],
        ),
        (
            Self::Text,
            &["text", "ink", "foreground", "fg", "label", "on"],
        ),
        (
            Self::Edge,
            &[
                "border",
                "edge",
                "line",
                "outline",
                "divider",
                "separator",
                "rule",
                "stroke",
            ],
        ),
        (Self::Tint, &["tint", "soft", "subtle"]),
    ];

    fn of(words: &[String]) -> Self {
        let called = Self::CALLED
            .into_iter()
            .find(|(_, names)| has(words, names));
        called.map_or(Self::Ground, |(painted, _)| painted)
    }
}

/// What is painted, where it is no intent.
#[derive(Clone, Copy)]
enum Thing {
    Bar,
    Link,
    Focus,
    Selection,
    Selected,
    Disabled,
    Surface(Role),
}

const THINGS: [(Thing, &[&str]); 10] = [
    (
        Thing::Bar,
        &[
            "bar",
            "header",
            "nav",
            "navbar",
            "navigation",
            "toolbar",
            "topbar",
            "appbar",
            "titlebar",
            "menubar",
            "masthead",
        ],
    ),
    (Thing::Link, &["link", "links", "anchor"]),
    (Thing::Focus, &["focus", "ring"]),
    (Thing::Selection, &["selection", "highlight"]),
    (
        Thing::Selected,
        &["selected", "chosen", "current", "active"],
    ),
    (Thing::Disabled, &["disabled", "inactive"]),
    (
        Thing::Surface(Role::SURFACE_OVERLAY),
        &[
            "overlay", "popup", "popover", "dialog", "menu", "tooltip", "dropdown",
        ],
    ),
    (
        Thing::Surface(Role::SURFACE_SUNKEN),
        &["sunken", "well", "inset", "gutter", "track"],
    ),
    (
        Thing::Surface(Role::SURFACE_RAISED),
        &[
            "panel", "card", "sheet", "raised", "widget", "field", "input", "sidebar", "row",
        ],
    ),
    (
        Thing::Surface(Role::SURFACE_BASE),
        &[
            "page",
            "body",
            "canvas",
            "window",
            "surface",
            "background",
            "bg",
            "ground",
            "base",
        ],
    ),
];

/// What an intent is called beside its names.
const PRIMARY: [&str; 4] = ["button", "btn", "brand", "cta"];

/// The role that words speak of: a thing or an intent, and what of it is painted.
pub(crate) fn role_called(words: &[String]) -> Option<Role> {
    let painted = Painted::of(words);
    let mut intents = words.iter().filter_map(|word| intent_called(word));
    let intent = intents
        .next()
        .or_else(|| has(words, &PRIMARY).then_some(Intent::Primary));
    let thing = THINGS.into_iter().find(|(_, names)| has(words, names));
    match (intent, thing) {
        // A ground alone is that of an intent, and so is what is active of it.
        (Some(intent), Some((Thing::Selected, _))) if painted == Painted::Ground => {
            Some(intent.role(IntentPart::FillPressed))
        }
        (Some(intent), None | Some((Thing::Surface(_) | Thing::Selected, _))) => {
            Some(intent.role(part_of(painted)))
        }
        (_, Some((thing, _))) => role_of(thing, painted),
        (None, None) => match painted {
            Painted::Text => Some(Role::TEXT_MAIN),
            Painted::Muted => Some(Role::TEXT_MUTED),
            Painted::Edge => Some(Role::BORDER_SUBTLE),
            _ => None,
        },
    }
}

fn part_of(painted: Painted) -> IntentPart {
    match painted {
        Painted::Ground => IntentPart::Fill,
        Painted::Text | Painted::Muted => IntentPart::FillText,
        Painted::Edge => IntentPart::Edge,
        Painted::Hover => IntentPart::FillHover,
        Painted::Pressed => IntentPart::FillPressed,
        Painted::Tint => IntentPart::Tint,
        Painted::Gradient => IntentPart::GradientEnd,
    }
}

fn role_of(thing: Thing, painted: Painted) -> Option<Role> {
    let text = match painted {
        Painted::Text => Some(Role::TEXT_MAIN),
        Painted::Muted => Some(Role::TEXT_MUTED),
        _ => None,
    };
    match (thing, painted) {
        (Thing::Bar, Painted::Text | Painted::Muted) => Some(Role::BAR_TEXT),
        (Thing::Bar, Painted::Hover) => Some(Role::BAR_HOVER),
        (Thing::Bar, Painted::Pressed) => Some(Role::BAR_SELECTED),
        (Thing::Bar, Painted::Gradient) => Some(Role::BAR_GRADIENT_END),
        (Thing::Bar, Painted::Edge) => Some(Role::BORDER_SUBTLE),
        (Thing::Bar, _) => Some(Role::BAR_FILL),
        (Thing::Link, Painted::Hover) => Some(Role::LINK_HOVER),
        (Thing::Link, Painted::Pressed) => Some(Role::LINK_PRESSED),
        (Thing::Link, _) => Some(Role::LINK_REST),
        (Thing::Focus, _) => Some(Role::FOCUS_RING),
        (Thing::Selection, Painted::Text) => Some(Role::SELECTION_TEXT),
        (Thing::Selection, _) => Some(Role::SELECTION_FILL),
        (Thing::Selected, Painted::Text) => Some(Role::SELECTED_TEXT),
        (Thing::Selected, Painted::Edge) => Some(Role::SELECTED_EDGE),
        (Thing::Selected, _) => Some(Role::SELECTED_FILL),
        (Thing::Disabled, Painted::Text | Painted::Muted) => Some(Role::DISABLED_TEXT),
        (Thing::Disabled, Painted::Edge) => Some(Role::DISABLED_EDGE),
        (Thing::Disabled, _) => Some(Role::DISABLED_FILL),
        (Thing::Surface(_), Painted::Edge) => Some(Role::BORDER_SUBTLE),
        (Thing::Surface(_), Painted::Hover) => Some(Role::SURFACE_SUNKEN),
        (Thing::Surface(role), Painted::Ground) => Some(role),
        (Thing::Surface(_), _) => text,
    }
}

fn has(words: &[String], names: &[&str]) -> bool {
    words.iter().any(|word| names.contains(&word.as_str()))
}
