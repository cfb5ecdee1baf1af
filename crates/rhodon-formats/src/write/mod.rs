//! One file per target. A new one is listed here and nowhere else.
//!
//! What several targets share: names by case in `crate::name`, words of languages in `language`,
//! objects of scripts in `script`, constants of app languages in `code`, elements in `xml`,
//! variables of preprocessors in `variables`, rules in `css_tree`, values in `css_value`.

mod android;
mod apple;
mod code;
mod css;
mod css_classes;
mod css_components;
mod css_more;
mod css_toggle;
mod css_tree;
mod css_value;
mod dart;
mod family;
mod fit_steps;
mod heading;
mod intent_color;
mod json;
mod kotlin;
mod language;
mod length;
mod less;
mod mantine;
mod paint;
mod pairs;
pub(crate) mod palette;
mod print_sheet;
mod react_theme;
mod role_map;
mod sass;
mod sass_overrides;
mod sass_palettes;
mod scales_components;
mod scales_preset;
mod script;
mod sheet;
mod sheet_html;
mod sheet_svg;
mod site_css;
mod site_entry;
mod site_painted;
mod site_palette;
mod site_styles;
mod spec;
mod switch;
mod switch_choice;
pub(crate) mod tokens;
mod typescript;
mod utility;
mod utility_css;
mod utility_js;
mod variables;
mod vue_theme;
pub(crate) mod xml;

pub(crate) use css_value::GENERIC;
pub use paint::{PaintRule, paint_rules};

use crate::error::ExportError;
use crate::target::Target;

/// Every target, in the order in which they are shown.
pub const TARGETS: &[&Target] = &[
    &css::TARGET,
    &css_classes::TARGET,
    &css_components::TARGET,
    &switch::TARGET,
    &sass::TARGET,
    &less::TARGET,
    &tokens::TARGET,
    &typescript::TARGET,
    &json::TARGET,
    &utility_js::TARGET,
    &utility_css::TARGET,
    &sass_overrides::TARGET,
    &sass_palettes::TARGET,
    &react_theme::TARGET,
    &vue_theme::TARGET,
    &scales_preset::TARGET,
    &mantine::TARGET,
    &android::TARGET,
    &kotlin::TARGET,
    &apple::TARGET,
    &dart::TARGET,
    &pairs::TARGET,
    &site_palette::TARGET,
    &site_css::TARGET,
    &site_styles::TARGET,
    &palette::TARGET,
    &sheet::TARGET,
    &spec::TARGET,
];

/// The target of an id.
///
/// # Errors
/// An unknown id, with those there are.
pub fn find(id: &str) -> Result<&'static Target, ExportError> {
    TARGETS.iter().find(|t| t.id == id).copied().ok_or_else(|| {
        let known = TARGETS.iter().map(|t| t.id).collect::<Vec<_>>().join(", ");
        ExportError::Unknown {
            id: id.to_owned(),
            known,
        }
    })
}
