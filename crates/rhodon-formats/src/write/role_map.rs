//! Which roles stand behind the keys that component frameworks share, by their usual names.

use indexmap::IndexMap;
use rhodon_theme::{ColorValue, Intent, IntentPart, Mode, Role};

use crate::target::Job;

/// Roles by the key under which Sass frameworks and app platforms expect them.
pub(crate) const PAGE: [(&str, &str); 4] = [
    ("body-bg", Role::SURFACE_BASE.path()),
    ("body-color", Role::TEXT_MAIN.path()),
    ("link-color", Role::LINK_REST.path()),
    ("border-color", Role::BORDER_SUBTLE.path()),
];

/// Foreground and background of a page and of the main intents in a mode, by the keys of a
/// colour scheme (`primary`, `onPrimary`, `surface` …) that app toolkits share.
pub(crate) fn scheme<'a>(job: &Job<'a>, mode: Mode) -> IndexMap<&'static str, ColorValue> {
    const KEYS: [(&str, &str); 18] = [
        ("primary", Intent::Primary.role(IntentPart::Fill).path()),
        (
            "onPrimary",
            Intent::Primary.role(IntentPart::FillText).path(),
        ),
        (
            "primaryContainer",
            Intent::Primary.role(IntentPart::Tint).path(),
        ),
        (
            "onPrimaryContainer",
            Intent::Primary.role(IntentPart::TintText).path(),
        ),
        ("secondary", Intent::Secondary.role(IntentPart::Fill).path()),
        (
            "onSecondary",
            Intent::Secondary.role(IntentPart::FillText).path(),
        ),
        (
            "secondaryContainer",
            Intent::Secondary.role(IntentPart::Tint).path(),
        ),
        (
            "onSecondaryContainer",
            Intent::Secondary.role(IntentPart::TintText).path(),
        ),
        ("tertiary", Intent::Accent.role(IntentPart::Fill).path()),
        (
            "onTertiary",
            Intent::Accent.role(IntentPart::FillText).path(),
        ),
        ("error", Intent::Danger.role(IntentPart::Fill).path()),
        ("onError", Intent::Danger.role(IntentPart::FillText).path()),
        (
            "errorContainer",
            Intent::Danger.role(IntentPart::Tint).path(),
        ),
        (
            "onErrorContainer",
            Intent::Danger.role(IntentPart::TintText).path(),
        ),
        ("surface", Role::SURFACE_BASE.path()),
        ("onSurface", Role::TEXT_MAIN.path()),
        ("outline", Role::BORDER_STRONG.path()),
        ("outlineVariant", Role::BORDER_SUBTLE.path()),
    ];
    KEYS.iter()
        .filter(|(_, path)| job.token(path).is_some())
        .map(|(key, path)| (*key, job.role(path, mode)))
        .collect()
}
