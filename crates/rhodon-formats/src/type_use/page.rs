//! The ground on which a project's pages stand.

use rhodon_color::{Color, Rgb8};
use rhodon_theme::Mode;

use super::sheet::Sheet;
use super::words;
use crate::color_use::{bare, within};

/// The page of a project.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct PageUse {
    /// Its colour.
    pub code: Rgb8,
    /// The mode of which it is the page, by its lightness.
    pub mode: Mode,
}

/// L\* from which a page is one of light mode, and up to which it is one of dark mode. What lies between them
/// is a ground for a part.
const LIGHT: f64 = 85.0;
const DARK: f64 = 25.0;
/// Words of variables that hold a page, and those that may stand beside them.
const PAGES: [&str; 4] = ["background", "bg", "page", "paper"];
const BESIDE: [&str; 6] = ["color", "colour", "body", "site", "app", "main"];

/// What a rule of the page says, or else a variable that is called so, and which it is.
pub(super) fn page(sheet: &Sheet) -> Option<(PageUse, String)> {
    let selectors = ["body", "html", ":root"];
    let by_rule = selectors.iter().find_map(|selector| {
        let properties = ["background-color", "background"].iter();
        let mut said = properties.filter_map(|property| sheet.last(selector, property, color));
        Some((said.next()?, (*selector).to_owned()))
    });
    let by_variable = || {
        sheet.variables.iter().find_map(|variable| {
            let words = words(&variable.name);
            let fits =
                |word: &String| PAGES.contains(&word.as_str()) || BESIDE.contains(&word.as_str());
            let is_page =
                words.iter().all(fits) && words.iter().any(|w| PAGES.contains(&w.as_str()));
            let value = sheet.resolved(&variable.value).filter(|_| is_page)?;
            Some((color(&value)?, variable.name.clone()))
        })
    };
    let (code, by) = by_rule.or_else(by_variable)?;
    let lightness = code.lightness();
    let mode = if lightness >= LIGHT {
        Mode::Light
    } else if lightness <= DARK {
        Mode::Dark
    } else {
        return None;
    };
    Some((PageUse { code, mode }, by))
}

/// The one opaque colour of a background.
fn color(value: &str) -> Option<Rgb8> {
    let mut found: Vec<Color> = Color::parse(value.trim()).into_iter().collect();
    found.extend(bare("", value).map(|(color, _)| color));
    if found.is_empty() {
        within(value, |_, color| found.push(color));
    }
    match found[..] {
        [color] if color.alpha() >= 1.0 => Some(color.to_rgb8()),
        _ => None,
    }
}
