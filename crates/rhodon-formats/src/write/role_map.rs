//! Which roles stand behind the keys that component frameworks share, by their usual names.

use indexmap::IndexMap;
use rhodon_theme::{ColorValue, Mode};

use crate::target::Job;

/// Roles by the key under which Sass frameworks and app platforms expect them.
pub(crate) const PAGE: [(&str, &str); 4] = [
    ("body-bg", "surface.base"),
    ("body-color", "text.main"),
    ("link-color", "link.rest"),
    ("border-color", "border.subtle"),
];

/// Foreground and background of a page and of the main intents in a mode, by the keys of a
/// colour scheme (`primary`, `onPrimary`, `surface` …) that app toolkits share.
pub(crate) fn scheme<'a>(job: &Job<'a>, mode: Mode) -> IndexMap<&'static str, ColorValue> {
    const KEYS: [(&str, &str); 18] = [
        ("primary", "primary.fill"),
        ("onPrimary", "primary.fill-text"),
        ("primaryContainer", "primary.tint"),
        ("onPrimaryContainer", "primary.tint-text"),
        ("secondary", "secondary.fill"),
        ("onSecondary", "secondary.fill-text"),
        ("secondaryContainer", "secondary.tint"),
        ("onSecondaryContainer", "secondary.tint-text"),
        ("tertiary", "accent.fill"),
        ("onTertiary", "accent.fill-text"),
        ("error", "danger.fill"),
        ("onError", "danger.fill-text"),
        ("errorContainer", "danger.tint"),
        ("onErrorContainer", "danger.tint-text"),
        ("surface", "surface.base"),
        ("onSurface", "text.main"),
        ("outline", "border.strong"),
        ("outlineVariant", "border.subtle"),
    ];
    KEYS.iter()
        .filter(|(_, path)| job.token(path).is_some())
        .map(|(key, path)| (*key, job.role(path, mode)))
        .collect()
}
