//! Lists of faces where they stand in files. What defines a face or loads it is not one of them.

mod keyed;
mod list;
mod style;

use std::ops::Range;

use crate::color_use::finder_for_any;
use crate::markup::{Part, parts};
use list::{Within, Written};

/// A list of faces.
#[derive(Clone, Debug, PartialEq, Eq)]
pub(crate) struct FaceUse {
    /// Where it stands.
    pub(crate) range: Range<usize>,
    /// The face that it is known by: the first of it.
    pub(crate) face: String,
    /// Whether a reference to a custom property can stand in its place.
    pub(crate) takes_variables: bool,
    first: Written,
}

/// Attributes whose whole value is a list of faces.
const ATTRIBUTES: [&str; 2] = ["font-family", "face"];

/// The lists of a file, in the order in which they stand.
pub(crate) fn faces_in(name: &str, text: &str) -> Vec<FaceUse> {
    let mut out = Vec::new();
    match finder_for_any(name).id {
        "style" => style::find(text, 0, Within::default(), &mut out),
        "indented-style" => {
            let mut at = 0;
            for line in text.split_inclusive('\n') {
                style::find(line.trim_end(), at, Within::default(), &mut out);
                at += line.len();
            }
        }
        "markup" => parts(text, |part| match part {
            Part::Style(range) => {
                style::find(
                    &text[range.clone()],
                    range.start,
                    Within::default(),
                    &mut out,
                );
            }
            Part::Script(range) => keyed::find(&text[range.clone()], range.start, &mut out),
            Part::Attribute(found) => {
                let (held, at) = (&text[found.value.clone()], found.value.start);
                let within = Within {
                    quote: found.quote,
                    has_escapes: false,
                };
                if found.name == "style" {
                    style::find(held, at, within, &mut out);
                } else if ATTRIBUTES.contains(&found.name) {
                    out.extend(FaceUse::read(held, at, within));
                }
            }
        }),
        "script" | "json" => keyed::find(text, 0, &mut out),
        _ => {}
    }
    out
}

impl FaceUse {
    /// A list that begins at a place and stands in a quote, where it is known by a face.
    fn read(list: &str, at: usize, within: Within) -> Option<Self> {
        let trimmed = list.trim();
        let start = at + list.len() - list.trim_start().len();
        let (first, face) = Written::first_of(trimmed, within)?;
        Some(Self {
            range: start..start + trimmed.len(),
            face,
            takes_variables: false,
            first: first.moved(start),
        })
    }

    /// What stands in its place: where the new list is one face, the faces behind the first stay.
    pub(crate) fn with(&self, text: &str, families: &[String]) -> String {
        match families {
            [one] => {
                let behind = &text[self.first.range.end..self.range.end];
                self.first.spelt(one) + behind
            }
            _ => {
                let all = families.iter().map(|family| self.first.spelt(family));
                all.collect::<Vec<_>>().join(", ")
            }
        }
    }
}
