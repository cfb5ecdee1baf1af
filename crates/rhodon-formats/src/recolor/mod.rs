//! Files with other colours and faces: the same bytes, with only those changed that a map names, each in
//! the spelling in which it stands. What was left is told, with the reason.

mod faces;
mod kin;
mod loading;
mod map;
mod place;
mod readable;
mod tokens;

use std::borrow::Cow;
use std::ops::Range;

use foldhash::HashMap;
use rhodon_color::{Color, Rgb8, respelt, respelt_alpha_first};

use crate::color_use::{ColorUse, Written, finder_for, finder_for_any, respelt_numbers};
use crate::inventory::{Lines, NO_KIND, text_of};
use crate::read::InputFile;

pub use faces::{FaceMap, Faced, Faces};
pub use loading::{Loading, first_face};
pub use map::{ColorMap, MapError, MapLine, New};
pub use readable::Unreadable;

use faces::Replacement;
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
    /// Which faces become which.
    pub faces: FaceMap,
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
    /// Colours that become what they are: the lines on which they stand, in order.
    pub same: Vec<(usize, Color)>,
    /// Texts that were readable on the ground of their rule and are not any more.
    pub unreadable: Vec<Unreadable>,
    /// Lists of faces, in order, with what becomes of each.
    pub faces: Vec<Faced>,
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
/// In words: it is no text, too long, or would be; or of no known kind and without a colour.
pub fn recolor(file: &InputFile, plan: &Plan) -> Result<Recolored, String> {
    let text = text_of(file)?;
    let finder = finder_for_any(&file.name);
    let uses = if plan.comments {
        finder.find_with_comments(text)
    } else {
        finder.find(text)
    };
    if uses.is_empty() && finder_for(&file.name).is_none() {
        return Err(NO_KIND.to_owned());
    }
    let places = if finder.is_style() {
        places(text, &uses)
    } else {
        Places::default()
    };
    let mut copy = Copy::of(text, uses.len());
    let mut lines = Lines::new(text);
    let faces = plan.faces.in_file(&file.name, text, plan.to_variables)?;
    let mut faces = faces.into_iter().peekable();
    // Most colours are spelt the same way again and again.
    let mut known: HashMap<&str, Option<Decision>> = HashMap::default();
    for (i, found) in uses.iter().enumerate() {
        let is_before = |face: &Replacement| face.range.start < found.range.start;
        while let Some(face) = faces.next_if(is_before) {
            copy.take_face(face, &mut lines);
        }
        if copy.is_past(&found.range) {
            copy.after.push(found.color);
            continue;
        }
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
        copy.take(found, (line, found.range.start - start + 1), decision);
    }
    for face in faces {
        copy.take_face(face, &mut lines);
    }
    let (mut out, after) = copy.finish();
    out.unreadable = readable::lost(text, &uses, &places, &after);
    Ok(out)
}

/// A text that is copied, with other colours in it.
struct Copy<'a> {
    text: &'a str,
    /// Up to where it is copied.
    at: usize,
    out: Recolored,
    /// Every colour as it is now.
    after: Vec<Color>,
}

impl<'a> Copy<'a> {
    fn of(text: &'a str, colors: usize) -> Self {
        let out = Recolored {
            text: String::with_capacity(text.len() + text.len() / 16),
            changes: Vec::new(),
            left: Vec::new(),
            same: Vec::new(),
            unreadable: Vec::new(),
            faces: Vec::new(),
        };
        Self {
            text,
            at: 0,
            out,
            after: Vec::with_capacity(colors),
        }
    }

    /// Does what was decided at a place, which is told by line and column.
    fn take(&mut self, found: &ColorUse, (line, column): (usize, usize), decision: &Decision) {
        let from = || self.text[found.range.clone()].to_owned();
        match decision {
            Decision::Change {
                to,
                color,
                follows,
                kin,
            } => {
                self.out.changes.push(Replaced {
                    line,
                    column,
                    color: found.color,
                    from: from(),
                    new: *color,
                    to: to.clone(),
                    follows: follows.clone(),
                    kin: *kin,
                });
                self.put(&found.range, to);
                self.after.push(*color);
                return;
            }
            Decision::Same => self.out.same.push((line, found.color)),
            Decision::Leave { why, doubtful } => self.out.left.push(Left {
                line,
                column,
                color: found.color,
                text: from(),
                why: why.clone(),
                doubtful: *doubtful,
            }),
        }
        self.after.push(found.color);
    }

    /// Does what becomes of a list of faces.
    fn take_face(&mut self, face: Replacement, lines: &mut Lines<'_>) {
        if self.is_past(&face.range) {
            return;
        }
        let (line, start) = lines.line_of(face.range.start);
        let from = self.text[face.range.clone()].to_owned();
        let to = face.to.filter(|to| *to != from);
        if let Some(to) = &to {
            self.put(&face.range, to);
        }
        self.out.faces.push(Faced {
            line,
            column: face.range.start - start + 1,
            face: face.face,
            from,
            to,
        });
    }

    /// Whether a place is part of what was put in already.
    fn is_past(&self, range: &Range<usize>) -> bool {
        range.start < self.at
    }

    /// Copies up to a place and puts something else there.
    fn put(&mut self, range: &Range<usize>, to: &str) {
        self.out.text.push_str(&self.text[self.at..range.start]);
        self.out.text.push_str(to);
        self.at = range.end;
    }

    fn finish(mut self) -> (Recolored, Vec<Color>) {
        self.out.text.push_str(&self.text[self.at..]);
        (self.out, self.after)
    }
}

/// What becomes of a colour.
#[derive(Clone, Debug, PartialEq)]
pub enum Becomes {
    /// Another one.
    New {
        /// Which.
        color: Color,
        /// The colour whose relative it is, where it goes along with one.
        kin_of: Option<String>,
    },
    /// What it is.
    Same,
    /// It stays.
    Stays {
        /// Why.
        why: Cow<'static, str>,
        /// Whether somebody has to choose between several colours.
        doubtful: bool,
    },
}

impl Recolored {
    /// What becomes of every colour of the file, each with the line on which it stands: changed ones first.
    pub fn colors(&self) -> impl Iterator<Item = (usize, Color, Becomes)> {
        let changed = self.changes.iter().map(|change| {
            let kin_of = change.kin.then(|| change.follows.clone());
            let becomes = Becomes::New {
                color: change.new,
                kin_of,
            };
            (change.line, change.color, becomes)
        });
        let same = self
            .same
            .iter()
            .map(|(line, color)| (*line, *color, Becomes::Same));
        let left = self.left.iter().map(|left| {
            let becomes = Becomes::Stays {
                why: left.why.clone(),
                doubtful: left.doubtful,
            };
            (left.line, left.color, becomes)
        });
        changed.chain(same).chain(left)
    }
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
    /// What becomes of a colour that stands in no text, as those of pictures.
    pub fn becomes(&self, color: Color) -> Becomes {
        let text = color.to_hex();
        let alone = ColorUse {
            range: 0..text.len(),
            color,
            name: None,
            written: Written::Css,
        };
        match self.decide(&alone, &text, None) {
            Decision::Change {
                color,
                follows,
                kin,
                ..
            } => Becomes::New {
                color,
                kin_of: kin.then_some(follows),
            },
            Decision::Same => Becomes::Same,
            Decision::Leave { why, doubtful } => Becomes::Stays { why, doubtful },
        }
    }

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
        // A variable is a whole colour and not what stands in the brackets of one.
        let takes_variables = takes_variables && !matches!(found.written, Written::Arguments(_));
        if let Some(name) = variable.filter(|_| takes_variables && found.color.alpha8() == 255) {
            return Some(format!("var({name})"));
        }
        let code = new.color.to_rgb8();
        match found.written {
            Written::Css => respelt(from, code, new.opacity),
            Written::AlphaFirst => respelt_alpha_first(from, code, new.opacity),
            Written::Channels => Some(channels(from, code)),
            Written::Arguments(call) => arguments(call, from, code, new.opacity),
            Written::Made(order) => respelt_numbers(from, order, code, new.opacity),
            Written::Components => None,
        }
    }
}

/// What stands in the brackets of a function, as other arguments were spelt.
fn arguments(call: &str, from: &str, code: Rgb8, opacity: Option<f64>) -> Option<String> {
    let spelt = respelt(&format!("{call}({from})"), code, opacity)?;
    let inner = spelt.strip_prefix(call)?.strip_prefix('(')?;
    Some(inner.strip_suffix(')')?.to_owned())
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
