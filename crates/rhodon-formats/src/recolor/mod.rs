//! Files with other colours: the same bytes, with only the colours changed that a map names, each in
//! the spelling in which it stands. What was left is told, with the reason.

mod kin;
mod map;
mod place;
mod readable;
mod tokens;

use std::borrow::Cow;

use foldhash::HashMap;
use rhodon_color::{Color, Rgb8, respelt, respelt_alpha_first};

use crate::color_use::{ColorUse, Written, finder_for};
use crate::inventory::{Lines, text_of};
use crate::read::InputFile;

pub use map::{ColorMap, MapError, MapLine, New};
pub use readable::Unreadable;

use map::Found;
use place::{Places, StylePlace, places};

/// What is done to files.
#[derive(Clone, Debug, Default)]
pub struct Plan {
    /// Which colours become which.
    pub map: ColorMap,
    /// Relatives of the map's colours go along.
    pub kin: bool,
    /// Colours that comments mention are changed too.
    pub comments: bool,
    /// A style sheet refers to the token instead, where the map knows one.
    pub to_variables: bool,
}

/// A file with other colours.
#[derive(Clone, Debug, PartialEq)]
pub struct Recolored {
    /// Its text.
    pub text: String,
    /// What was changed, in order.
    pub changes: Vec<Replaced>,
    /// Colours that stay, in order.
    pub left: Vec<Left>,
    /// Texts that were readable on the ground of their rule and are not any more.
    pub unreadable: Vec<Unreadable>,
}

/// A place that was changed.
#[derive(Clone, Debug, PartialEq)]
pub struct Replaced {
    /// Line, from 1.
    pub line: usize,
    /// Column in bytes, from 1.
    pub column: usize,
    /// What it was.
    pub color: Color,
    /// How it was written.
    pub from: String,
    /// What it is now.
    pub new: Color,
    /// How it is written.
    pub to: String,
    /// Code of the map's line that it follows, with its opacity where that states one.
    pub follows: String,
    /// Whether it is a relative of that colour, and not the colour itself.
    pub kin: bool,
}

/// A colour that stays.
#[derive(Clone, Debug, PartialEq)]
pub struct Left {
    /// Line, from 1.
    pub line: usize,
    /// Column in bytes, from 1.
    pub column: usize,
    /// What it is.
    pub color: Color,
    /// How it is written.
    pub text: String,
    /// Why it stays.
    pub why: Cow<'static, str>,
    /// Whether somebody has to choose between several colours.
    pub doubtful: bool,
}

/// Puts other colours into a file.
///
/// # Errors
/// In words: it is no text in which colours are found.
pub fn recolor(file: &InputFile, plan: &Plan) -> Result<Recolored, String> {
    let text = text_of(file)?;
    let finder = finder_for(&file.name).ok_or("no kind of text in which colours are found")?;
    let uses = if plan.comments {
        finder.find_with_comments(text)
    } else {
        finder.find(text)
    };
    let places = if finder.is_style() {
        places(text, &uses)
    } else {
        Places::default()
    };
    let mut out = Recolored {
        text: String::with_capacity(text.len() + text.len() / 16),
        changes: Vec::new(),
        left: Vec::new(),
        unreadable: Vec::new(),
    };
    let (mut at, mut lines) = (0, Lines::new(text));
    let mut after: Vec<Color> = Vec::with_capacity(uses.len());
    // Most colours are spelt the same way again and again.
    let mut known: HashMap<&str, Option<Decision>> = HashMap::default();
    for (i, found) in uses.iter().enumerate() {
        let from = &text[found.range.clone()];
        let place = places.get(text, i);
        let decided;
        let decision = known.entry(from).or_insert_with(|| {
            let everywhere = !plan.depends_on_place(found);
            everywhere.then(|| plan.decide(found, from, place))
        });
        let decision = match decision {
            Some(decision) => &*decision,
            None => {
                decided = plan.decide(found, from, place);
                &decided
            }
        };
        let (line, start) = lines.line_of(found.range.start);
        let column = found.range.start - start + 1;
        match decision {
            Decision::Change {
                to,
                color,
                follows,
                kin,
            } => {
                out.text.push_str(&text[at..found.range.start]);
                out.text.push_str(to);
                at = found.range.end;
                after.push(*color);
                out.changes.push(Replaced {
                    line,
                    column,
                    color: found.color,
                    from: from.to_owned(),
                    new: *color,
                    to: to.clone(),
                    follows: follows.clone(),
                    kin: *kin,
                });
            }
            Decision::Same => after.push(found.color),
            Decision::Leave { why, doubtful } => {
                after.push(found.color);
                out.left.push(Left {
                    line,
                    column,
                    color: found.color,
                    text: from.to_owned(),
                    why: why.clone(),
                    doubtful: *doubtful,
                });
            }
        }
    }
    out.text.push_str(&text[at..]);
    out.unreadable = readable::lost(text, &uses, &places, &after);
    Ok(out)
}

/// What is done at a place.
enum Decision {
    Change {
        to: String,
        color: Color,
        follows: String,
        kin: bool,
    },
    /// It becomes what it is.
    Same,
    Leave {
        why: Cow<'static, str>,
        doubtful: bool,
    },
}

impl Plan {
    /// Whether the place of a colour has a say in what it becomes.
    fn depends_on_place(&self, found: &ColorUse) -> bool {
        let line = self.map.line_of(found.color);
        line.is_some_and(|line| {
            self.to_variables || line.is_ambiguous() || line.new.iter().any(|n| n.is_reference)
        })
    }

    fn decide(&self, found: &ColorUse, from: &str, place: Option<StylePlace<'_>>) -> Decision {
        let leave = |why: Cow<'static, str>, doubtful| Decision::Leave { why, doubtful };
        match self.map.new_color(found, place, self.kin) {
            Found::New { new, follows, kin } => match self.spelt(&new, found, from, place) {
                Some(to) if to == from => Decision::Same,
                Some(to) => Decision::Change {
                    to,
                    color: new.color,
                    follows,
                    kin,
                },
                None => leave("this spelling cannot hold the new colour".into(), false),
            },
            Found::Several(which) => leave(format!("could become {which}").into(), true),
            Found::None => leave("not in the map".into(), false),
        }
    }

    /// How a new colour is written in the place of another.
    fn spelt(
        &self,
        new: &New,
        found: &ColorUse,
        from: &str,
        place: Option<StylePlace<'_>>,
    ) -> Option<String> {
        let variable = new.variable.as_ref();
        let variable = variable.filter(|_| self.to_variables || new.is_reference);
        let takes_variables = place.is_some_and(StylePlace::takes_variables);
        if let Some(name) = variable.filter(|_| takes_variables && found.color.alpha8() == 255) {
            return Some(format!("var({name})"));
        }
        let code = new.color.to_rgb8();
        match found.written {
            Written::Css => respelt(from, code, new.opacity),
            Written::AlphaFirst => respelt_alpha_first(from, code, new.opacity),
            Written::Channels => Some(channels(from, code)),
            Written::Components => None,
        }
    }
}

/// Three numbers with what stands between them.
fn channels(from: &str, code: Rgb8) -> String {
    let mut new = code.channels().into_iter();
    let mut out = String::new();
    let mut rest = from;
    while let Some(start) = rest.find(|c: char| c.is_ascii_digit()) {
        let end = rest[start..]
            .find(|c: char| !c.is_ascii_digit())
            .map_or(rest.len(), |n| start + n);
        out.push_str(&rest[..start]);
        match new.next() {
            Some(value) => out.push_str(&value.to_string()),
            None => out.push_str(&rest[start..end]),
        }
        rest = &rest[end..];
    }
    out + rest
}
