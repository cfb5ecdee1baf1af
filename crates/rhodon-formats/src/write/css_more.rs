//! Where style sheets answer people who ask for more contrast.

/// The media query of a system that asks for more contrast.
pub(crate) const MORE_SYSTEM: &str = "@media (prefers-contrast: more)";
/// The root where data-contrast asks for nothing; `usual` asks for what there is without.
pub(crate) const NOT_ASKED: &str = ":root:not([data-contrast])";
/// The root where data-contrast asks for more.
pub(crate) const MORE_ATTRIBUTE: &str = ":root[data-contrast=\"more\"]";
