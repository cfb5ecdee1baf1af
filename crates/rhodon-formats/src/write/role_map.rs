//! Which roles and sizes stand behind the keys that component frameworks share, by their usual names.

use rhodon_theme::{ColorValue, Intent, IntentPart, Mode, Role};

use super::intent_color::IntentColor;
use crate::job::Job;

/// Roles by the key under which Sass frameworks and app platforms expect them.
pub(crate) const PAGE: [(&str, &str); 4] = [
    ("body-bg", Role::SURFACE_BASE.path()),
    ("body-color", Role::TEXT_MAIN.path()),
    ("link-color", Role::LINK_REST.path()),
    ("border-color", Role::BORDER_SUBTLE.path()),
];

/// A key of a colour scheme as each toolkit has it.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub(crate) struct SchemeKey {
    pub kotlin: &'static str,
    /// None where that toolkit has no such key.
    pub dart: Option<&'static str>,
}

const fn same(key: &'static str) -> SchemeKey {
    SchemeKey {
        kotlin: key,
        dart: Some(key),
    }
}

/// Styles of text of the app toolkits that share such keys, with the size that each has and whether it is bold:
/// all of them, so that none of the toolkits' own stands between two of the theme's. Plain text is one of the first
/// two of `body`, by the toolkit.
pub(crate) const TYPE: [(&str, &str, bool); 15] = [
    ("displayLarge", "display", true),
    ("displayMedium", "display", true),
    ("displaySmall", "display", true),
    ("headlineLarge", "title", true),
    ("headlineMedium", "title", true),
    ("headlineSmall", "title", true),
    ("titleLarge", "title", true),
    ("titleMedium", "lead", true),
    ("titleSmall", "body", true),
    ("bodyLarge", "body", false),
    ("bodyMedium", "body", false),
    ("bodySmall", "small", false),
    ("labelLarge", "body", true),
    ("labelMedium", "small", false),
    ("labelSmall", "fine", false),
];

/// What stands behind a key: a role of this mode, or of the other one.
enum Behind {
    Here(Role),
    Inverse(Role),
}

use Behind::{Here, Inverse};

const PAGE_KEYS: [(SchemeKey, Behind); 20] = [
    (same("background"), Here(Role::SURFACE_BASE)),
    (same("onBackground"), Here(Role::TEXT_MAIN)),
    (same("surface"), Here(Role::SURFACE_BASE)),
    (same("onSurface"), Here(Role::TEXT_MAIN)),
    (same("surfaceVariant"), Here(Role::SURFACE_SUNKEN)),
    (same("onSurfaceVariant"), Here(Role::TEXT_MUTED)),
    (same("surfaceTint"), Here(Role::SURFACE_RAISED)),
    (same("surfaceBright"), Here(Role::SURFACE_OVERLAY)),
    (same("surfaceDim"), Here(Role::SURFACE_SUNKEN)),
    (same("surfaceContainerLowest"), Here(Role::SURFACE_BASE)),
    (same("surfaceContainerLow"), Here(Role::SURFACE_RAISED)),
    (same("surfaceContainer"), Here(Role::SURFACE_RAISED)),
    (same("surfaceContainerHigh"), Here(Role::SURFACE_OVERLAY)),
    (same("surfaceContainerHighest"), Here(Role::SURFACE_SUNKEN)),
    (same("inverseSurface"), Inverse(Role::SURFACE_OVERLAY)),
    (
        SchemeKey {
            kotlin: "inverseOnSurface",
            dart: Some("onInverseSurface"),
        },
        Inverse(Role::TEXT_MAIN),
    ),
    (
        same("inversePrimary"),
        Inverse(Intent::Primary.role(IntentPart::TintText)),
    ),
    (same("outline"), Here(Role::BORDER_STRONG)),
    (same("outlineVariant"), Here(Role::BORDER_SUBTLE)),
    (same("scrim"), Here(Role::BACKDROP_FILL)),
];

/// The intents of a scheme with the keys of their colour and its text.
const INTENT_KEYS: [(Intent, [SchemeKey; 2]); 4] = [
    (Intent::Primary, [same("primary"), same("onPrimary")]),
    (Intent::Secondary, [same("secondary"), same("onSecondary")]),
    (Intent::Accent, [same("tertiary"), same("onTertiary")]),
    (Intent::Danger, [same("error"), same("onError")]),
];

const CONTAINER_KEYS: [(SchemeKey, Role); 8] = [
    (
        same("primaryContainer"),
        Intent::Primary.role(IntentPart::Tint),
    ),
    (
        same("onPrimaryContainer"),
        Intent::Primary.role(IntentPart::TintText),
    ),
    (
        same("secondaryContainer"),
        Intent::Secondary.role(IntentPart::Tint),
    ),
    (
        same("onSecondaryContainer"),
        Intent::Secondary.role(IntentPart::TintText),
    ),
    (
        same("tertiaryContainer"),
        Intent::Accent.role(IntentPart::Tint),
    ),
    (
        same("onTertiaryContainer"),
        Intent::Accent.role(IntentPart::TintText),
    ),
    (
        same("errorContainer"),
        Intent::Danger.role(IntentPart::Tint),
    ),
    (
        same("onErrorContainer"),
        Intent::Danger.role(IntentPart::TintText),
    ),
];

/// The colour scheme of a mode, by the keys that app toolkits share. The toolkits also write text
/// and draw outlines with an intent's colour.
pub(crate) fn scheme(job: &Job<'_>, mode: Mode) -> Vec<(SchemeKey, ColorValue)> {
    let mut out = Vec::with_capacity(40);
    for (intent, [color_key, ink_key]) in INTENT_KEYS {
        if let Some(found) = job.theme.intent(intent.id()) {
            let color = IntentColor::of(job, found, mode);
            out.extend([(color_key, color.main), (ink_key, color.ink)]);
        }
    }
    out.extend(CONTAINER_KEYS.map(|(key, role)| (key, job.role(role.path(), mode))));
    out.extend(PAGE_KEYS.iter().map(|(key, behind)| {
        let color = match behind {
            Here(role) => job.role(role.path(), mode),
            Inverse(role) => job.role(role.path(), mode.other()),
        };
        (*key, color)
    }));
    out
}
