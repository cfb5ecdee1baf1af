//! The names of roles, their groups and the intents, declared once: painters, targets and readers
//! name them by these constants, so that a misspelt role does not compile.

use std::fmt;
use std::sync::Arc;

/// A role that every theme has.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Hash)]
pub struct Role(&'static str);

impl Role {
    /// The path of its token, as in `surface.base`.
    pub const fn path(self) -> &'static str {
        self.0
    }

    /// Its group, as in `surface`.
    pub fn group(self) -> &'static str {
        self.0.split('.').next().unwrap_or_default()
    }
}

/// Prints the path of its token.
impl fmt::Display for Role {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        f.write_str(self.0)
    }
}

impl From<Role> for Arc<str> {
    fn from(role: Role) -> Self {
        role.0.into()
    }
}

macro_rules! roles {
    ($($name:ident = $path:literal,)*) => {
        /// The roles beside those of intents.
        #[allow(missing_docs)]
        impl Role {
            $(pub const $name: Self = Self($path);)*
            /// All of them, in the order in which they are painted.
            pub const ALL: &[Self] = &[$(Self::$name),*];
        }
    };
}

roles! {
    SURFACE_BASE = "surface.base",
    SURFACE_RAISED = "surface.raised",
    SURFACE_SUNKEN = "surface.sunken",
    SURFACE_OVERLAY = "surface.overlay",
    TEXT_MAIN = "text.main",
    TEXT_MUTED = "text.muted",
    TEXT_DISABLED = "text.disabled",
    DISABLED_FILL = "disabled.fill",
    DISABLED_TEXT = "disabled.text",
    DISABLED_EDGE = "disabled.edge",
    BORDER_SUBTLE = "border.subtle",
    BORDER_STRONG = "border.strong",
    BAR_FILL = "bar.fill",
    BAR_TEXT = "bar.text",
    BAR_HOVER = "bar.hover",
    BAR_SELECTED = "bar.selected",
    BAR_GRADIENT_END = "bar.gradient-end",
    LINK_REST = "link.rest",
    LINK_HOVER = "link.hover",
    LINK_PRESSED = "link.pressed",
    FOCUS_RING = "focus.ring",
    SELECTION_FILL = "selection.fill",
    SELECTION_TEXT = "selection.text",
    SELECTED_FILL = "selected.fill",
    SELECTED_TEXT = "selected.text",
    SELECTED_EDGE = "selected.edge",
    BACKDROP_FILL = "backdrop.fill",
    SHADOW_NEAR = "shadow.near",
    SHADOW_FAR = "shadow.far",
    CHART_1 = "chart.1",
    CHART_2 = "chart.2",
    CHART_3 = "chart.3",
    CHART_4 = "chart.4",
    CHART_5 = "chart.5",
    CHART_6 = "chart.6",
    CHART_7 = "chart.7",
    CHART_8 = "chart.8",
}

impl Role {
    /// The grounds of a page, on which everything else stands.
    pub const SURFACES: [Self; 4] = [
        Self::SURFACE_BASE,
        Self::SURFACE_RAISED,
        Self::SURFACE_SUNKEN,
        Self::SURFACE_OVERLAY,
    ];
}

/// The path of a part of an intent, put together when this is compiled.
macro_rules! intent_paths {
    ($intent:expr, $part:expr, $($variant:ident $name:literal),*) => {
        match $intent {
            $(Intent::$variant => match $part {
                IntentPart::Fill => concat!($name, ".fill"),
                IntentPart::FillHover => concat!($name, ".fill-hover"),
                IntentPart::FillPressed => concat!($name, ".fill-pressed"),
                IntentPart::FillText => concat!($name, ".fill-text"),
                IntentPart::GradientEnd => concat!($name, ".gradient-end"),
                IntentPart::Tint => concat!($name, ".tint"),
                IntentPart::TintHover => concat!($name, ".tint-hover"),
                IntentPart::TintText => concat!($name, ".tint-text"),
                IntentPart::Edge => concat!($name, ".edge"),
            },)*
        }
    };
}

/// The intents that every theme has.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Hash)]
#[allow(missing_docs)]
pub enum Intent {
    Primary,
    Secondary,
    Accent,
    Success,
    Warning,
    Danger,
    Info,
    Neutral,
}

impl Intent {
    /// All of them, in order.
    pub const ALL: [Self; 8] = [
        Self::Primary,
        Self::Secondary,
        Self::Accent,
        Self::Success,
        Self::Warning,
        Self::Danger,
        Self::Info,
        Self::Neutral,
    ];

    /// Its name, as in `primary`.
    pub const fn id(self) -> &'static str {
        match self {
            Self::Primary => "primary",
            Self::Secondary => "secondary",
            Self::Accent => "accent",
            Self::Success => "success",
            Self::Warning => "warning",
            Self::Danger => "danger",
            Self::Info => "info",
            Self::Neutral => "neutral",
        }
    }

    /// The intent of a name.
    pub fn named(name: &str) -> Option<Self> {
        Self::ALL.into_iter().find(|intent| intent.id() == name)
    }

    /// One of its roles.
    pub const fn role(self, part: IntentPart) -> Role {
        Role(intent_paths!(
            self, part,
            Primary "primary", Secondary "secondary", Accent "accent", Success "success",
            Warning "warning", Danger "danger", Info "info", Neutral "neutral"
        ))
    }
}

/// What every intent offers.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Hash)]
#[allow(missing_docs)]
pub enum IntentPart {
    Fill,
    FillHover,
    FillPressed,
    FillText,
    GradientEnd,
    Tint,
    TintHover,
    TintText,
    Edge,
}

impl IntentPart {
    /// All of them.
    pub const ALL: [Self; 9] = [
        Self::Fill,
        Self::FillHover,
        Self::FillPressed,
        Self::FillText,
        Self::GradientEnd,
        Self::Tint,
        Self::TintHover,
        Self::TintText,
        Self::Edge,
    ];

    /// Its name, as in `fill-hover`.
    pub const fn id(self) -> &'static str {
        match self {
            Self::Fill => "fill",
            Self::FillHover => "fill-hover",
            Self::FillPressed => "fill-pressed",
            Self::FillText => "fill-text",
            Self::GradientEnd => "gradient-end",
            Self::Tint => "tint",
            Self::TintHover => "tint-hover",
            Self::TintText => "tint-text",
            Self::Edge => "edge",
        }
    }

    /// The path of this role of an intent, one of the user's own too.
    pub fn of(self, intent: &str) -> Arc<str> {
        format!("{intent}.{}", self.id()).into()
    }
}

/// Groups of derived tokens that are no colours.
const MEASURES: [&str; 2] = ["type", "shape"];

/// Whether a word names a group of derived tokens that are no colours.
pub(crate) fn is_measure(word: &str) -> bool {
    MEASURES.contains(&word)
}

/// Whether a word names a group of derived tokens that is no intent.
pub(crate) fn is_role_group(word: &str) -> bool {
    is_measure(word) || Role::ALL.iter().any(|role| role.group() == word)
}

/// Whether a word names any group that every theme derives, intents included.
pub(crate) fn is_derived_group(word: &str) -> bool {
    is_role_group(word) || Intent::named(word).is_some()
}

/// The part that a colour plays in the balance of a page.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Share {
    /// Neutral grounds.
    Dominant,
    /// The brand's main colours.
    Secondary,
    /// What calls for attention.
    Accent,
}

impl Share {
    /// All of them, the largest first.
    pub const ALL: [Self; 3] = [Self::Dominant, Self::Secondary, Self::Accent];

    /// Its name, as in `dominant`.
    pub fn id(self) -> &'static str {
        match self {
            Self::Dominant => "dominant",
            Self::Secondary => "secondary",
            Self::Accent => "accent",
        }
    }

    /// The part of a group of tokens.
    pub fn of_group(group: &str) -> Self {
        match group {
            "surface" | "disabled" | "neutral" | "border" => Self::Dominant,
            "primary" | "secondary" | "bar" | "selected" | "selection" => Self::Secondary,
            _ => Self::Accent,
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn paths_of_intents_are_their_names_and_parts() {
        for intent in Intent::ALL {
            for part in IntentPart::ALL {
                assert_eq!(intent.role(part).path(), &*part.of(intent.id()));
            }
        }
        // Paths are kept by the place of their part.
        for (place, part) in IntentPart::ALL.into_iter().enumerate() {
            assert_eq!(part as usize, place);
        }
    }

    #[test]
    fn groups_are_told_from_words_of_ones_own() {
        for (word, role, derived) in [
            ("surface", true, true),
            ("type", true, true),
            ("danger", false, true),
            ("ferry", false, false),
        ] {
            assert_eq!(
                (is_role_group(word), is_derived_group(word)),
                (role, derived),
                "{word}"
            );
        }
    }
}
