//! The lines of a map: every colour of files and pictures, and what becomes of it.

use std::borrow::Cow;

use indexmap::IndexMap;
use rhodon_color::Color;
use rhodon_formats::recolor::{Becomes, Plan};
use rhodon_theme::Mode;
use serde::Serialize;
use utoipa::ToSchema;

use super::Done;

/// A colour of the files.
#[derive(Debug, Default, Serialize, ToSchema)]
pub struct MapLineView {
    /// Its code, with the opacity where it has one.
    hex: String,
    /// At how many places of texts it stands.
    count: usize,
    /// What it becomes: several where its places differ, none where it stays.
    new: Vec<String>,
    /// The colour whose relative it is, where it goes along with one.
    follows: Option<String>,
    /// Why it stays, where it does somewhere.
    why: Option<String>,
    /// Whether somebody has to choose.
    doubtful: bool,
    /// What there is to choose from, where somebody has to.
    choices: Vec<PossibleView>,
    /// The first places; a picture is one.
    places: Vec<String>,
}

/// A colour that one could become.
#[derive(Debug, Serialize, ToSchema)]
pub struct PossibleView {
    hex: String,
    /// The tokens that have it.
    tokens: Vec<String>,
    /// What the map takes for it: `{path}` of a token, or the code.
    to: String,
}

/// The most places that are told of a colour.
pub(super) const MOST_PLACES: usize = 20;

/// Every colour with what becomes of it.
pub(super) fn lines(done: &Done) -> Vec<MapLineView> {
    let mut lines = Lines {
        plan: &done.plan,
        by_color: IndexMap::new(),
    };
    for (name, found) in &done.files {
        for (line, color, becomes) in found.colors() {
            lines.add(color, format!("{name}:{line}"), becomes).count += 1;
        }
    }
    for (name, color) in &done.pictures {
        lines.add(*color, name.clone(), done.plan.becomes(*color));
    }
    let mut lines: Vec<MapLineView> = lines.by_color.into_values().collect();
    lines.sort_by(|a, b| b.count.cmp(&a.count).then(a.hex.cmp(&b.hex)));
    lines
}

struct Lines<'a> {
    plan: &'a Plan,
    by_color: IndexMap<String, MapLineView>,
}

impl Lines<'_> {
    /// The line of a colour, with one more place and what becomes of it there.
    fn add(&mut self, color: Color, place: String, becomes: Becomes) -> &mut MapLineView {
        let hex = color.to_hex();
        let line = self
            .by_color
            .entry(hex)
            .or_insert_with_key(|hex| MapLineView {
                hex: hex.clone(),
                ..MapLineView::default()
            });
        if line.places.len() < MOST_PLACES {
            line.places.push(place);
        }
        match becomes {
            Becomes::New { color, kin_of } => {
                let new = color.to_hex();
                if !line.new.contains(&new) {
                    line.new.push(new);
                }
                line.follows = line.follows.take().or(kin_of);
            }
            Becomes::Same => line.stays("the same already".into()),
            Becomes::Stays {
                why,
                doubtful: false,
            } => line.stays(why),
            Becomes::Stays {
                why,
                doubtful: true,
            } => {
                line.why = Some(why.into_owned());
                if !line.doubtful {
                    line.doubtful = true;
                    line.choices = choices(self.plan, color);
                }
            }
        }
        line
    }
}

impl MapLineView {
    fn stays(&mut self, why: Cow<'static, str>) {
        self.why.get_or_insert_with(|| why.into_owned());
    }
}

/// What a colour could become by the map. A map by hand takes tokens as they are in light mode: one that is so
/// in dark mode alone is chosen by its code.
fn choices(plan: &Plan, color: Color) -> Vec<PossibleView> {
    let line = plan.map.line_of(color);
    let new = line.map_or(&[][..], |line| &line.new);
    let mut out: IndexMap<String, PossibleView> = IndexMap::new();
    for new in new {
        let hex = new.color.to_hex();
        let choice = out.entry(hex).or_insert_with_key(|hex| PossibleView {
            hex: hex.clone(),
            tokens: Vec::new(),
            to: hex.clone(),
        });
        let Some(token) = &new.token else { continue };
        if choice.to == choice.hex && new.mode != Some(Mode::Dark) {
            choice.to = format!("{{{token}}}");
        }
        if !choice.tokens.contains(token) {
            choice.tokens.push(token.clone());
        }
    }
    out.into_values().collect()
}
