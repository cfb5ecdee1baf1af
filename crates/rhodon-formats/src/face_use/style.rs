//! Faces of style sheets: `font-family`, `font`, and variables that hold a list.

use super::FaceUse;
use super::list::Within;
use crate::style_walk::{Visitor, walk};
use crate::type_use::{FACES, font_parts, words};

/// Words of variables that speak of a face and hold none.
const NO_LIST: [&str; 9] = [
    "size",
    "sizes",
    "weight",
    "weights",
    "feature",
    "features",
    "settings",
    "variation",
    "path",
];

/// Finds the lists of a sheet that begins at a place and stands in a quote.
pub(super) fn find(text: &str, at: usize, within: Within, out: &mut Vec<FaceUse>) {
    walk(text, &mut Faces { at, within, out }, &());
}

struct Faces<'a> {
    at: usize,
    within: Within,
    out: &'a mut Vec<FaceUse>,
}

impl Visitor for Faces<'_> {
    type Around = ();

    /// What defines a face has its name for itself (CSS Fonts 4, 4).
    fn enter(&mut self, prelude: &str, _: &()) -> Option<()> {
        let name = prelude.split([' ', '{', '(']).next().unwrap_or(prelude);
        let defines = name.to_ascii_lowercase().starts_with("@font-");
        (!defines).then_some(())
    }

    fn statement(&mut self, text: &str, at: usize, _: &()) {
        let Some((name, value)) = text.split_once(':') else {
            return;
        };
        let list = match name.trim().to_ascii_lowercase().as_str() {
            "font-family" => Some((0, list_of(value))),
            "font" => shorthand(value),
            variable if variable.starts_with(['$', '@']) || variable.starts_with("--") => {
                variable_list(name, value)
            }
            _ => None,
        };
        let Some((offset, list)) = list else {
            return;
        };
        let start = self.at + at + (text.len() - value.len()) + offset;
        let read = FaceUse::read(list, start, self.within);
        // One computes with the variables of a preprocessor.
        let takes_variables = !name.trim_start().starts_with(['$', '@']);
        self.out.extend(read.map(|found| FaceUse {
            takes_variables,
            ..found
        }));
    }
}

/// A value without what stands behind it (`!important`).
fn list_of(value: &str) -> &str {
    let mut list = value;
    // A name in quotes may hold the sign too.
    while let Some((before, word)) = list.rsplit_once('!')
        && word.trim().bytes().all(|b| b.is_ascii_alphabetic())
    {
        list = before;
    }
    list
}

/// The list of a `font`, and where in it that begins.
fn shorthand(value: &str) -> Option<(usize, &str)> {
    let value = list_of(value);
    let families = font_parts(value)
        .into_iter()
        .find(|(property, _)| *property == "font-family");
    let (_, list) = families?;
    // The list is what is left of the value at its end, but for space.
    let offset = value.trim_end().len().checked_sub(list.trim_end().len())?;
    Some((offset, list))
}

/// The list of a variable that is called after faces: one of several, or in quotes.
fn variable_list<'a>(name: &str, value: &'a str) -> Option<(usize, &'a str)> {
    let words = words(name);
    let has = |of: &[&str]| words.iter().any(|word| of.contains(&word.as_str()));
    let is_list = value.contains([',', '"', '\'']);
    (is_list && has(&FACES) && !has(&NO_LIST)).then(|| (0, list_of(value)))
}
