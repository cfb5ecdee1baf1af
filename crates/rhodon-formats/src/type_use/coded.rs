//! Colours of configurations, app code, resources and maps of style sheets as if they were variables, by the keys that lead to them and the
//! mode that keys or files tell: `dark.palette.text.primary`, `values-night/colors.xml`.

use rhodon_theme::Mode;

use super::layer::told;
use super::sheet::{Sheet, Variable};
use super::words;
use crate::color_use::ColorUse;
use crate::read::HOLDERS;

/// What may stand beside a mode in a key or the name of a file.
const BESIDE: [&str; 8] = [
    "mode", "theme", "scheme", "color", "colors", "palette", "tokens", "values",
];

/// Takes in the colours of a file; `is_of_all` where all that it holds is for all pages, as in resources.
pub(super) fn read(file: &str, found: &[ColorUse], is_of_all: bool, sheet: &mut Sheet) {
    let of_file = mode_of_file(file);
    for one in found.iter().filter(|one| one.color.alpha() >= 1.0) {
        let Some(path) = &one.name else {
            continue;
        };
        let (mut mode, mut is_held) = (of_file, is_of_all || of_file.is_some());
        let mut rest = Vec::new();
        for part in path.split('.') {
            let part = part.trim_start_matches(['$', '@']);
            match mode_of(part) {
                Some(told) => (mode, is_held) = (Some(told), true),
                None if HOLDERS.contains(&part) => is_held = true,
                None => rest.push(part),
            }
        }
        let variable = Variable {
            name: rest.join("."),
            value: one.color.to_hex(),
            is_of_all: is_held,
        };
        sheet.declare(mode, variable);
    }
}

/// The mode that a key tells and nothing else: `dark`, `darkColors`.
fn mode_of(part: &str) -> Option<Mode> {
    let words = words(part);
    let mode = told(&words)?;
    let is_known = |word: &String| {
        BESIDE.contains(&word.as_str()) || told(std::slice::from_ref(word)).is_some()
    };
    words.iter().all(is_known).then_some(mode)
}

/// The mode that the name of a file or of its folder tells.
fn mode_of_file(file: &str) -> Option<Mode> {
    let parts: Vec<&str> = file.split(['/', '\\']).rev().take(2).collect();
    parts.iter().find_map(|part| told(&words(part)))
}
