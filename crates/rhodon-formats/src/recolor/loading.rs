//! Whether files load the faces that were put into them.

use std::collections::BTreeSet;

use rhodon_theme::font_families;

use super::Recolored;
use crate::name::letters;
use crate::web_font::is_at_hand;

/// What loads faces: a sign, what ends it, and the most bytes between them.
const LOADERS: [(&str, &[char], usize); 5] = [
    ("@font-face", &['}'], 2000),
    ("@import", &[';', '\n'], 500),
    ("<link", &['>'], 500),
    ("import ", &[';', '\n'], 500),
    ("require(", &[')'], 500),
];

/// The most places of a file that are looked at for each sign, and the most faces that are remembered: more is nobody's
/// project.
const MOST: usize = 1000;

/// Faces that were put into files, and what these load.
#[derive(Debug, Default)]
pub struct Loading {
    put: BTreeSet<String>,
    /// Letters of what is loaded.
    loaded: Vec<String>,
}

impl Loading {
    /// Takes note of a file with other faces.
    pub fn add(&mut self, file: &Recolored) {
        let lists = file.faces.iter().filter_map(|faced| faced.to.as_deref());
        let lists: BTreeSet<&str> = lists.collect();
        let room = MOST.saturating_sub(self.put.len());
        self.put
            .extend(lists.into_iter().filter_map(first_face).take(room));
        for (sign, ends, most) in LOADERS {
            for (at, _) in file.text.match_indices(sign).take(MOST) {
                let near = &file.text[at..file.text.floor_char_boundary(at + most)];
                let end = near.find(ends).unwrap_or(near.len());
                self.loaded.push(letters(&near[..end]));
            }
        }
    }

    /// Faces that no file loads and no system brings along.
    pub fn missing(&self) -> impl Iterator<Item = &str> {
        let is_loaded = |face: &str| {
            let face = letters(face);
            self.loaded.iter().any(|loaded| loaded.contains(&face))
        };
        let put = self.put.iter().map(String::as_str);
        put.filter(move |face| !is_at_hand(face) && !is_loaded(face))
    }
}

/// The face that a list as it is written begins with; none where a variable stands there.
pub fn first_face(list: &str) -> Option<String> {
    // Within a text of code its quotes are escaped.
    let first = font_families(&list.replace("\\\"", "\""))
        .into_iter()
        .next()?;
    (!first.contains(['(', '$', '@'])).then_some(first)
}
