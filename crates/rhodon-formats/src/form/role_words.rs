//! The role that the words of a name speak of: a thing or an intent, and what of it is painted.

use rhodon_theme::{Intent, IntentPart, Role, intent_called};

use super::control_words::{Control, part_of_control};

/// Words for what is written, where it stands on a ground.
pub(super) const TEXTS: [&str; 7] = ["text", "ink", "foreground", "fg", "label", "on", "caption"];
/// Words for what something stands on.
pub(super) const GROUNDS: [&str; 3] = ["ground", "background", "bg"];

/// What of a thing is painted.
#[derive(Clone, Copy, PartialEq, Eq)]
pub(super) enum Painted {
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
        (Self::Text, &TEXTS),
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
            "headerbar",
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
        &[
            "sunken", "well", "inset", "gutter", "track", "trough", "groove",
        ],
    ),
    (
        Thing::Surface(Role::SURFACE_RAISED),
        &[
            "panel", "card", "sheet", "raised", "widget", "frame", "pane", "sidebar", "row",
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
pub(super) const PRIMARY: [&str; 4] = ["button", "btn", "brand", "cta"];

/// The role that words speak of: a thing or an intent, and what of it is painted.
pub(crate) fn role_called(words: &[String]) -> Option<Role> {
    let words = &without_texts_of_controls(words);
    let painted = Painted::of(words);
    let mut intents = words.iter().filter_map(|word| intent_called(word));
    let intent = intents
        .next()
        .or_else(|| has(words, &PRIMARY).then_some(Intent::Primary));
    let thing = THINGS.into_iter().find(|(_, names)| has(words, names));
    let is_state = matches!(
        thing,
        Some((Thing::Selection | Thing::Disabled | Thing::Focus, _))
    );
    if let Some(control) = Control::of(words).filter(|_| !is_state) {
        return Some(part_of_control(control, words, painted));
    }
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

/// Words without `text` where that is part of a control's name, such as that of a text field.
fn without_texts_of_controls(words: &[String]) -> Vec<String> {
    let typed_into = ["entry", "box", "area", "field", "edit", "view", "input"];
    let next = words.iter().skip(1).map(String::as_str).chain([""]);
    let is_said = |(word, next): &(&String, &str)| *word != "text" || !typed_into.contains(next);
    words
        .iter()
        .zip(next)
        .filter(is_said)
        .map(|(word, _)| word.clone())
        .collect()
}

/// The text on a tint, which pages carry too, instead of an intent's text on its fill.
pub(super) fn tint_text_of(role: Role) -> Option<Role> {
    let mut intents = Intent::ALL.into_iter();
    let intent = intents.find(|intent| intent.role(IntentPart::FillText) == role)?;
    Some(intent.role(IntentPart::TintText))
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

pub(super) fn has(words: &[String], names: &[&str]) -> bool {
    words.iter().any(|word| names.contains(&word.as_str()))
}
