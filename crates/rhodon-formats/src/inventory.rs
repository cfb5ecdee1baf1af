//! Every colour in use: how often, under which names, where, and which are nearly the same.

use std::collections::{HashMap, HashSet};
use std::sync::Arc;

use indexmap::IndexMap;
use memchr::memchr;
use rhodon_color::{Color, Lab65, Rgb8, lab_d65, lab_difference};
use rhodon_theme::color_look;

use crate::color_use::finder_for;
pub use crate::named_steps::NamedSteps;
use crate::named_steps::named_steps;
use crate::read::{InputFile, readable};

/// CIEDE2000 up to which two colours are nearly the same, where nobody says otherwise: what one
/// notices side by side.
pub const NEAR: f64 = 2.3;
/// The largest file that is looked into, in bytes.
pub const MAX_FILE: usize = 20_000_000;
/// The most different colours of which near ones are looked for.
const MAX_COMPARED: usize = 4_000;

/// Where a colour stands.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct Place {
    /// Name of the file.
    pub file: Arc<str>,
    /// Line, from 1.
    pub line: usize,
    /// Column in characters, from 1.
    pub column: usize,
    /// Its spelling.
    pub text: String,
}

/// A colour in use.
#[derive(Clone, Debug, PartialEq)]
pub struct Used {
    /// The colour.
    pub color: Color,
    /// Its code, with the opacity where it has one.
    pub hex: String,
    /// Variables, keys and resources whose value it is, in the order of the files.
    pub names: Vec<String>,
    /// Where it stands, in the order of the files.
    pub places: Vec<Place>,
    /// Codes that are nearly the same, the most used first.
    pub near: Vec<String>,
}

/// What files use.
#[derive(Clone, Debug, Default, PartialEq)]
pub struct Inventory {
    /// Most used first, then by code.
    pub colors: Vec<Used>,
    /// Scales that were recognised by the names of their steps.
    pub scales: Vec<NamedSteps>,
    /// Files that were not looked into, with the reason.
    pub skipped: Vec<(String, String)>,
}

/// Takes stock of files; `near` is the CIEDE2000 up to which colours are nearly the same.
pub fn inventory(files: &[InputFile], near: f64) -> Inventory {
    let mut found = Inventory::default();
    let mut stock = Stock::default();
    for file in files {
        if let Err(why) = stock.take(file) {
            found.skipped.push((file.name.clone(), why));
        }
    }
    found.colors = stock.by_hex.into_values().collect();
    found
        .colors
        .sort_by(|a, b| (b.places.len(), &a.hex).cmp(&(a.places.len(), &b.hex)));
    relate(&mut found.colors, near);
    found.scales = named_steps(&found.colors);
    found
}

/// Why a file of no known kind is not looked into.
pub(crate) const NO_KIND: &str = "no kind of text in which colours are found";

/// What a file says, where it is text of a size that is read.
pub(crate) fn text_of(file: &InputFile) -> Result<&str, String> {
    if file.bytes.len() > MAX_FILE {
        let size = file.bytes.len() / 1_000_000;
        return Err(format!(
            "{size} MB: expected at most {} MB",
            MAX_FILE / 1_000_000
        ));
    }
    std::str::from_utf8(&file.bytes).map_err(|e| {
        format!(
            "expected UTF-8 text, found another byte at {}",
            e.valid_up_to()
        )
    })
}

/// Colours as files are gone through.
#[derive(Default)]
struct Stock {
    by_hex: IndexMap<String, Used>,
    /// Names that a colour, by its index, has already: a sheet may call one by thousands.
    named: HashSet<(usize, String)>,
}

impl Stock {
    fn take(&mut self, file: &InputFile) -> Result<(), String> {
        let finder = finder_for(&file.name).ok_or(NO_KIND)?;
        let text = text_of(file)?;
        let file: Arc<str> = file.name.as_str().into();
        let mut lines = Lines::new(text);
        // Most colours are spelt the same way again and again.
        let mut known: HashMap<&str, usize> = HashMap::new();
        for found in finder.find(text) {
            let (line, column) = lines.at(found.range.start);
            let spelling = &text[found.range];
            let index = *known
                .entry(spelling)
                .or_insert_with(|| self.index_of(found.color));
            let Some((_, used)) = self.by_hex.get_index_mut(index) else {
                continue;
            };
            if let Some(name) = found.name
                && self.named.insert((index, name.clone()))
            {
                used.names.push(name);
            }
            used.places.push(Place {
                file: file.clone(),
                line,
                column,
                text: spelling.to_owned(),
            });
        }
        Ok(())
    }

    /// The place of a colour among those that are used, where it is put if it is new.
    fn index_of(&mut self, color: Color) -> usize {
        let entry = self.by_hex.entry(color.to_hex());
        let index = entry.index();
        entry.or_insert_with_key(|hex| Used {
            color,
            hex: hex.clone(),
            names: Vec::new(),
            places: Vec::new(),
            near: Vec::new(),
        });
        index
    }
}

/// Lines and columns of growing offsets. No part of the text is looked at twice: it may be one long line.
pub(crate) struct Lines<'a> {
    text: &'a str,
    /// Where the line begins.
    start: usize,
    line: usize,
    /// Up to where lines are counted.
    seen: usize,
    /// Up to where characters of the line are counted, and how many.
    counted: (usize, usize),
}

impl<'a> Lines<'a> {
    pub(crate) fn new(text: &'a str) -> Self {
        Self {
            text,
            start: 0,
            line: 1,
            seen: 0,
            counted: (0, 0),
        }
    }

    /// The line, from 1, and the column in characters, from 1.
    fn at(&mut self, offset: usize) -> (usize, usize) {
        let (line, start) = self.line_of(offset);
        let (from, count) = match self.counted {
            (at, count) if (start..=offset).contains(&at) => (at, count),
            _ => (start, 0),
        };
        let count = count + self.text.get(from..offset).map_or(0, |t| t.chars().count());
        self.counted = (offset, count);
        (line, count + 1)
    }

    /// The line, from 1, and where it begins.
    pub(crate) fn line_of(&mut self, offset: usize) -> (usize, usize) {
        // Of two that stand at one place the second is no step back.
        let offset = offset.max(self.seen);
        while let Some(end) = memchr(b'\n', &self.text.as_bytes()[self.seen..offset]) {
            self.seen += end + 1;
            self.start = self.seen;
            self.line += 1;
        }
        self.seen = offset;
        (self.line, self.start)
    }
}

/// Families of colours that are nearly the same: every one with every other (complete linkage), so
/// that no chain joins two ends that differ.
fn relate(colors: &mut [Used], near: f64) {
    let compared = colors.len().min(MAX_COMPARED);
    let labs: Vec<Lab65> = colors[..compared]
        .iter()
        .map(|used| lab_d65(used.color.to_rgb8()))
        .collect();
    let is_as_opaque = |a: usize, b: usize| colors[a].color.alpha8() == colors[b].color.alpha8();
    let pairs = pairs_within(&labs, near, is_as_opaque);
    // Asked again and again where many colours are near to each other, as in a drawing with shades.
    let mut is_pair = vec![false; compared * compared];
    for (a, b) in &pairs {
        is_pair[a * compared + b] = true;
    }
    let alike = |a: usize, b: usize| is_pair[a.min(b) * compared + a.max(b)];
    for mut one in linked(compared, &pairs, alike) {
        // The colours are in order: the most used of a family comes first.
        one.sort_unstable();
        let codes: Vec<String> = one.iter().map(|i| colors[*i].hex.clone()).collect();
        for i in one {
            let others = codes.iter().filter(|code| **code != colors[i].hex);
            colors[i].near = others.cloned().collect();
        }
    }
}

/// Pairs of colours within a CIEDE2000, the nearest first.
fn pairs_within(
    labs: &[Lab65],
    near: f64,
    may_pair: impl Fn(usize, usize) -> bool,
) -> Vec<(usize, usize)> {
    let mut order: Vec<usize> = (0..labs.len()).collect();
    order.sort_by(|a, b| labs[*a].l.total_cmp(&labs[*b].l));
    let mut pairs: Vec<(f64, usize, usize)> = Vec::new();
    for (i, a) in order.iter().enumerate() {
        for b in &order[i + 1..] {
            // The scale of lightness in CIEDE2000 is at most 1.75.
            if labs[*b].l - labs[*a].l > 1.8 * near {
                break;
            }
            if !may_pair(*a, *b) {
                continue;
            }
            let away = lab_difference(labs[*a], labs[*b]);
            if away <= near {
                pairs.push((away, *a.min(b), *a.max(b)));
            }
        }
    }
    pairs.sort_by(|a, b| a.0.total_cmp(&b.0).then((a.1, a.2).cmp(&(b.1, b.2))));
    pairs.into_iter().map(|(_, a, b)| (a, b)).collect()
}

/// Families of more than one, joined pair by pair where all of one are like all of the other.
fn linked(
    count: usize,
    pairs: &[(usize, usize)],
    alike: impl Fn(usize, usize) -> bool,
) -> Vec<Vec<usize>> {
    let mut family: Vec<usize> = (0..count).collect();
    let mut members: Vec<Vec<usize>> = (0..count).map(|i| vec![i]).collect();
    for (a, b) in pairs {
        let (into, gone) = (family[*a].min(family[*b]), family[*a].max(family[*b]));
        let all_alike = |a: &usize| members[gone].iter().all(|b| alike(*a, *b));
        if into != gone && members[into].iter().all(all_alike) {
            let moved = std::mem::take(&mut members[gone]);
            for one in &moved {
                family[*one] = into;
            }
            members[into].extend(moved);
        }
    }
    members.retain(|m| m.len() > 1);
    members
}

impl Used {
    /// A readable name: what files call it, or one for its look.
    pub fn readable(&self) -> String {
        self.called().unwrap_or_else(|| color_look(self.code()))
    }

    /// What files call it, by the first of its names that says something.
    pub fn called(&self) -> Option<String> {
        let mut names = self.names.iter().map(|name| readable(name));
        names.find(|name| !name.is_empty())
    }

    /// Its code without the opacity.
    pub fn code(&self) -> Rgb8 {
        self.color.to_rgb8()
    }
}
