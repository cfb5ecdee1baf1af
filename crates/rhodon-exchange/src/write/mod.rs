//! One file per target. A new one is listed here and nowhere else.

mod css;
mod css_components;
mod css_tree;
mod css_value;

use crate::target::Target;

/// Every target, in the order in which they are shown.
pub const TARGETS: &[&Target] = &[&css::TARGET, &css_components::TARGET];
