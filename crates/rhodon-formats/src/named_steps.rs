//! Scales that files have, known by the names of their steps: `blue-100` … `blue-900`, `red-1` … `red-12`.

use std::collections::{BTreeMap, HashMap, HashSet};

use indexmap::IndexMap;
use rhodon_color::Rgb8;

use crate::inventory::Used;
use crate::read::{USUAL, key_words};

/// Steps of one scale, by their names.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct NamedSteps {
    /// What their names have in common.
    pub name: String,
    /// Number and code, in the order of the numbers.
    pub steps: Vec<(u32, String)>,
    /// The code that files have as the usual one of it.
    pub usual: Option<String>,
    /// The code of its strongest step.
    strongest: Option<String>,
}

/// How many steps make a scale.
const LEAST_STEPS: usize = 3;
/// More are numbers of something else.
const MOST_STEPS: usize = 40;
/// How many make one where they are counted from 0 or 1 on.
const LEAST_COUNTED: usize = 5;
/// From this number on steps are told by their place between white and black, and not counted.
const PLACED: u32 = 13;
/// Oklch chroma below which a colour is a grey.
pub(crate) const GREY: f64 = 0.02;
/// What runs of greys are called, warm and cold ones too.
const GREYS: [&str; 6] = ["gray", "grey", "neutral", "slate", "stone", "zinc"];
/// Oklch chroma below which what is called so is one.
pub(crate) const TINGED: f64 = 0.06;
/// Last parts of names behind which no shade of a colour stands: what is read on it, or another run beside it.
const NO_SCALE: [&str; 4] = ["contrast", "on", "A", "a"];

/// The scales among colours that files use, by name.
pub(crate) fn named_steps(colors: &[Used]) -> Vec<NamedSteps> {
    let mut found: IndexMap<&str, BTreeMap<u32, (usize, &Used)>> = IndexMap::new();
    let mut usual: HashMap<&str, &String> = HashMap::new();
    for used in colors {
        for (rank, name) in used.names.iter().enumerate() {
            if let Some((stem, number)) = step(name) {
                let steps = found.entry(stem).or_default();
                let known = steps.entry(number).or_insert((rank, used));
                // Another mode has it again: the colour that was called so first is the step.
                if (rank, place(used)) < (known.0, place(known.1)) {
                    *known = (rank, used);
                }
            }
            let keys = name.rsplit_once('.').filter(|(_, key)| USUAL.contains(key));
            usual.extend(keys.map(|(outer, _)| (last_part(outer), &used.hex)));
        }
    }
    let found = found.into_iter().map(|(stem, found)| {
        let steps = found.into_iter().map(|(number, (_, used))| (number, used));
        (stem, steps.collect::<Vec<_>>())
    });
    let found = found.filter(|(_, steps)| is_scale(steps));
    let mut out: Vec<NamedSteps> = found
        .map(|(stem, steps)| NamedSteps {
            name: stem.to_owned(),
            usual: usual.get(stem).map(|hex| (*hex).clone()),
            strongest: strongest(&steps),
            steps: steps
                .into_iter()
                .map(|(number, used)| (number, used.hex.clone()))
                .collect(),
        })
        .collect();
    out.sort_by(|a, b| a.name.cmp(&b.name));
    out
}

/// Line and column at which a colour stands first.
fn place(used: &Used) -> Option<(usize, usize)> {
    used.places.first().map(|place| (place.line, place.column))
}

/// Whether steps are enough of one run. Counted ones go one after the other, from light to dark or back: what
/// is only numbered, as the colours of a chart, does not.
fn is_scale(steps: &[(u32, &Used)]) -> bool {
    let different: HashSet<&String> = steps.iter().map(|(_, used)| &used.hex).collect();
    if steps.len() > MOST_STEPS {
        return false;
    }
    if steps.iter().any(|(number, _)| *number >= PLACED) {
        return different.len() >= LEAST_STEPS;
    }
    let is_next = |pair: &[(u32, &Used)]| pair[1].0 == pair[0].0 + 1;
    let is_counted =
        steps.first().is_some_and(|(first, _)| *first <= 1) && steps.windows(2).all(is_next);
    let light: Vec<f64> = steps
        .iter()
        .map(|(_, used)| used.code().lightness())
        .collect();
    let is_run = light.is_sorted() || light.iter().rev().is_sorted();
    different.len() >= LEAST_COUNTED && is_counted && is_run
}

fn strongest(steps: &[(u32, &Used)]) -> Option<String> {
    let chroma = |used: &Used| used.code().to_oklch().c;
    let most = steps
        .iter()
        .max_by(|(_, a), (_, b)| chroma(a).total_cmp(&chroma(b)));
    most.map(|(_, used)| used.hex.clone())
}

/// A name that ends in the number of a step: `--blue-100`, `$blue100`, `colors.blue.100`, `blue_1`.
fn step(name: &str) -> Option<(&str, u32)> {
    let digits = name.bytes().rev().take_while(u8::is_ascii_digit).count();
    if !(1..=4).contains(&digits) {
        return None;
    }
    let (stem, number) = name.split_at(name.len() - digits);
    let stem = last_part(stem.trim_end_matches(['-', '_', '.']));
    let letters = stem.bytes().filter(u8::is_ascii_alphabetic).count();
    let fits = letters > 1 && !NO_SCALE.contains(&stem);
    fits.then(|| Some((stem, number.parse().ok()?)))?
}

/// The last key of a path without the sign of a variable.
fn last_part(name: &str) -> &str {
    let last = name.rsplit('.').next().unwrap_or(name);
    last.trim_start_matches(['-', '$', '@'])
}

impl NamedSteps {
    /// Whether a colour is one of its steps, or stands under its name.
    pub fn holds(&self, used: &Used) -> bool {
        let is_step = self.steps.iter().any(|(_, hex)| *hex == used.hex);
        let is_below = |name: &String| {
            let mut outer = name.split('.').rev().skip(1);
            outer.any(|key| last_part(key) == self.name)
                || step(name).is_some_and(|(stem, _)| stem == self.name)
        };
        is_step || used.names.iter().any(is_below)
    }

    /// The code that the scale is known by: the first of its steps that a project paints with, the usual one of its
    /// group, the strongest of steps that are counted, or that of the step nearest to the middle of usual numbers.
    pub fn base(&self, painted_with: &[Rgb8]) -> Option<&str> {
        let (last, _) = self.steps.last()?;
        let counted = self.strongest.as_ref().filter(|_| *last < PLACED);
        if let Some(known) = self
            .painted(painted_with)
            .or(self.usual.as_ref())
            .or(counted)
        {
            return Some(known);
        }
        let middle = self
            .steps
            .iter()
            .min_by_key(|(number, _)| number.abs_diff(550));
        middle.map(|(_, hex)| hex.as_str())
    }

    /// The step that a project paints with. Greys are painted with for their lightness: it says nothing of them.
    fn painted(&self, with: &[Rgb8]) -> Option<&String> {
        with.iter()
            .filter(|code| !self.is_grey(**code))
            .find_map(|code| {
                let code = code.to_string();
                let mut codes = self.steps.iter().map(|(_, hex)| hex);
                codes.find(|hex| **hex == code)
            })
    }

    /// Whether it is a run of greys, where a colour of it is the one that it is known by.
    pub fn is_grey(&self, base: Rgb8) -> bool {
        let chroma = base.to_oklch().c;
        let words = key_words(&self.name).into_iter();
        let is_called = words
            .map(|word| word.to_lowercase())
            .any(|word| GREYS.contains(&word.as_str()));
        chroma < GREY || is_called && chroma < TINGED
    }
}
