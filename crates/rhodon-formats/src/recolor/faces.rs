//! Which faces become which.

use std::collections::{HashMap, HashSet};
use std::ops::Range;

use rhodon_theme::{Derived, Mode, Token, Value, font_families};

use crate::face_use::faces_in;
use crate::inventory::MAX_FILE;
use crate::name::css_name;

/// Faces by the first of the lists in which they stand, in small letters.
#[derive(Clone, Debug, Default)]
pub struct FaceMap {
    by_face: HashMap<String, Faces>,
}

/// What a list of faces becomes.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct Faces {
    /// Other families. One takes the place of the first and leaves those behind it; several take the place of all.
    pub families: Vec<String>,
    /// The custom property that style sheets refer to instead.
    pub variable: Option<String>,
}

/// A list of faces in a file.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct Faced {
    /// Line, from 1.
    pub line: usize,
    /// Column in bytes, from 1.
    pub column: usize,
    /// The face that it is known by, its first.
    pub face: String,
    /// How it was written.
    pub from: String,
    /// How it is written now, where it is changed.
    pub to: Option<String>,
}

/// The most bytes that are put in the place of a file's lists: a short one may stand there by the hundred thousand.
const MOST: usize = 2 * MAX_FILE;

/// What is put in the place of a list.
pub(super) struct Replacement {
    pub(super) range: Range<usize>,
    pub(super) face: String,
    pub(super) to: Option<String>,
}

impl Faces {
    /// A list as somebody types it; none where no face stands in it.
    pub fn typed(list: &str) -> Option<Self> {
        let families = font_families(list);
        (!families.is_empty()).then_some(Self {
            families,
            variable: None,
        })
    }
}

impl FaceMap {
    /// What the faces of a theme are in another, by the tokens that both have. A face that several tokens begin
    /// with stays where they go different ways.
    pub fn between(from: &Derived, to: &Derived) -> Self {
        let mut map = Self::default();
        let mut staying: HashSet<String> = HashSet::new();
        for old in &from.tokens {
            let families = |token: &Token| match &token.cell(Mode::Light).value {
                Value::FontFamily(families) => Some(families.clone()),
                _ => None,
            };
            let Some((before, after)) = families(old).zip(to.token(&old.path).and_then(families))
            else {
                continue;
            };
            let Some(face) = before.first() else {
                continue;
            };
            if before == after {
                staying.insert(key(face));
                continue;
            }
            let new = Faces {
                families: after,
                variable: Some(css_name(&old.path)),
            };
            let known = map.by_face.insert(key(face), new.clone());
            if known.is_some_and(|known| known.families != new.families) {
                staying.insert(key(face));
            }
        }
        map.by_face.retain(|face, _| !staying.contains(face));
        map
    }

    /// This one, but where another one says otherwise.
    pub fn overlaid(mut self, other: Self) -> Self {
        self.by_face.extend(other.by_face);
        self
    }

    /// Leaves a face as it is.
    pub fn leave(&mut self, face: &str) {
        self.by_face.remove(&key(face));
    }

    /// Adds a face; what it became before gives way.
    pub fn add(&mut self, face: &str, new: Faces) {
        self.by_face.insert(key(face), new);
    }

    /// Lists of faces in a file, with what takes their place; an error where that is too much.
    pub(super) fn in_file(
        &self,
        name: &str,
        text: &str,
        to_variables: bool,
    ) -> Result<Vec<Replacement>, String> {
        let mut size = 0;
        let lists = faces_in(name, text).into_iter();
        lists
            .map(|found| {
                let new = self.by_face.get(&key(&found.face));
                let to = new.map(|new| match &new.variable {
                    Some(variable) if to_variables && found.takes_variables => {
                        format!("var({variable})")
                    }
                    _ => found.with(text, &new.families),
                });
                size += to.as_ref().map_or(0, String::len);
                if size > MOST {
                    let most = MOST / 1_000_000;
                    return Err(format!(
                        "its faces would take more than {most} MB: expected shorter lists in their place"
                    ));
                }
                Ok(Replacement {
                    range: found.range,
                    face: found.face,
                    to,
                })
            })
            .collect()
    }
}

fn key(face: &str) -> String {
    let words: Vec<&str> = face.split_whitespace().collect();
    words.join(" ").to_lowercase()
}
