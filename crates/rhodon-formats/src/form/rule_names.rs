//! Names for the colours of a style sheet without variables: the rule that each stands in, and what it paints there.

use std::ops::Range;

use crate::color_use::ColorUse;
use crate::read::key_words;
use crate::style_walk::{Visitor, walk};

/// The longest selector that names anything, in bytes.
const LONGEST: usize = 80;

/// Gives a name to every colour, where none has one.
pub(super) fn name(text: &str, uses: &mut [ColorUse]) {
    if uses.iter().any(|found| found.name.is_some()) {
        return;
    }
    let mut rules = Rules::default();
    walk(text, &mut rules, &String::new());
    let mut statements = rules.statements.into_iter().peekable();
    for found in uses {
        while statements
            .next_if(|(range, _)| range.end <= found.range.start)
            .is_some()
        {}
        if let Some((range, name)) = statements.peek()
            && range.start <= found.range.start
        {
            found.name = Some(name.clone());
        }
    }
}

/// Statements in their order, with what they would be called.
#[derive(Default)]
struct Rules {
    statements: Vec<(Range<usize>, String)>,
}

impl Visitor for Rules {
    type Around = String;

    fn enter(&mut self, prelude: &str, around: &String) -> Option<String> {
        // Conditions say nothing of what is painted but its mode; of several selectors the first is enough.
        let first = prelude.split(',').next().unwrap_or_default().trim();
        let own = match first.strip_prefix('@') {
            Some(condition) if condition.contains("dark") => "dark",
            None if first.len() <= LONGEST => first,
            _ => "",
        };
        let whole = format!("{around} {own}");
        Some(if whole.len() <= LONGEST {
            whole
        } else {
            own.to_owned()
        })
    }

    fn statement(&mut self, text: &str, at: usize, around: &String) {
        let Some((property, _)) = text.split_once(':').filter(|_| !around.is_empty()) else {
            return;
        };
        let painted = painted(property.trim());
        let words = key_words(&format!("{around} {painted}"));
        self.statements.push((at..at + text.len(), words.join(".")));
    }
}

/// What a property paints, in the word that names have for it.
fn painted(property: &str) -> &str {
    let property = &property[..property.floor_char_boundary(LONGEST)];
    match property {
        "color" => "text",
        _ if property.starts_with("background") => "background",
        _ if property.starts_with("border") => "border",
        _ => property,
    }
}
