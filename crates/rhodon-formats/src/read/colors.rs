//! `colors`: any text in which colours are found. Scales that are known by the names of their steps come
//! first, then the colours used most, one of each family. How style sheets set text and corners comes along.

use std::cmp::Reverse;
use std::collections::HashSet;

use rhodon_color::Rgb8;
use rhodon_theme::{Document, Intent, Slug, Typed, capitalised, is_ground};

use super::import::{Import, InputFile, ReadProblem};
use super::key_name::{BESIDE, readable, words};
use super::reader::Reader;
use crate::color_use::{FINDERS, finder_for};
use crate::inventory::{Inventory, NEAR, Used, inventory};
use crate::type_use::{TypeUse, type_in_use};

/// See the module.
pub(super) static READER: Reader = Reader {
    id: "colors",
    name: "File with colours",
    endings: || {
        FINDERS
            .iter()
            .flat_map(|f| f.endings)
            .map(|e| format!(".{e}"))
            .collect()
    },
    sniff,
    read,
};

/// The most colours of a brand that is read from files.
const MOST: usize = 8;
/// Oklch chroma below which a colour is a grey, which a brand is rarely known by.
const GREY: f64 = 0.02;

fn sniff(file: &InputFile) -> bool {
    finder_for(&file.name).is_some()
}

fn read(files: &[InputFile], import: &mut Import) {
    let found = inventory(files, NEAR);
    for (file, why) in &found.skipped {
        import.problems.push(ReadProblem::new(file, "", why));
    }
    let mut document = Document::empty();
    document.name = files.first().map(|f| title(&f.name)).unwrap_or_default();
    scales(&found, files, &mut document, import);
    let mut most_used: Vec<&Used> = found
        .colors
        .iter()
        .filter(|used| used.code().to_oklch().c >= GREY && used.color.alpha() >= 1.0)
        .collect();
    // Of those that are used alike, the one that stands first.
    most_used.sort_by_key(|used| (Reverse(used.places.len()), first_place(used, files)));
    let names: HashSet<String> = most_used.iter().filter_map(|used| used.called()).collect();
    for used in most_used {
        if document.brand.len() >= MOST {
            break;
        }
        let is_there = |hex: &String| has(&document, hex);
        if found.scales.iter().any(|scale| scale.holds(used))
            || is_there(&used.hex)
            || used.near.iter().any(is_there)
        {
            continue;
        }
        let called = used.called();
        let why = called
            .as_deref()
            .and_then(|name| left_as(name, &names, &document));
        let name = used.readable();
        match why {
            Some(why) => import
                .notes
                .push(format!("{name} {} is {why}: it is left", used.hex)),
            None => drop(add(&mut document, &name, used.code())),
        }
    }
    if document.brand.is_empty() {
        // Nothing but greys: they are the brand then.
        if let Some(used) = found.colors.first() {
            add(&mut document, &used.readable(), used.code());
        }
    }
    match (document.brand.is_empty(), files.first()) {
        (true, Some(file)) => {
            let message = "expected at least one colour, found none";
            import
                .problems
                .push(ReadProblem::new(&file.name, "", message));
        }
        _ => {
            let said = type_in_use(files);
            import.notes.extend(said.told.iter().map(TypeUse::sentence));
            document.typography = said.faces;
            document.shape = said.shape;
            import.spec = Some(document);
        }
    }
}

/// The colours that recognised scales are known by, in the order of the files. Of greys the first is the
/// scale of surfaces.
fn scales(found: &Inventory, files: &[InputFile], document: &mut Document, import: &mut Import) {
    let based = found.scales.iter().filter_map(|scale| {
        let base = scale.base()?;
        let used = found.colors.iter().find(|used| used.hex == base)?;
        Some((scale, used))
    });
    let mut based: Vec<_> = based.collect();
    based.sort_by_key(|(_, used)| first_place(used, files));
    for (scale, used) in based.into_iter().take(MOST) {
        let (code, steps) = (used.code(), scale.steps.len());
        let is_grey = is_of_greys(&scale.name, code);
        if is_grey && document.says(Intent::Neutral) {
            import.notes.push(format!(
                "{} is another scale of greys: it is left",
                scale.name
            ));
            continue;
        }
        import.notes.push(format!(
            "{} is a scale of {steps} steps: {code} is its colour",
            scale.name
        ));
        let slug = add(document, &readable(&scale.name), code);
        if is_grey {
            document.let_play(&slug, Intent::Neutral);
        }
    }
}

/// What runs of greys are called, warm and cold ones too.
const GREYS: [&str; 6] = ["gray", "grey", "neutral", "slate", "stone", "zinc"];
/// Oklch chroma below which what is called so is one.
const TINGED: f64 = 0.06;

fn is_of_greys(name: &str, code: Rgb8) -> bool {
    let chroma = code.to_oklch().c;
    let is_called = words(name)
        .iter()
        .any(|word| GREYS.contains(&word.to_lowercase().as_str()));
    chroma < GREY || is_called && chroma < TINGED
}

/// Why a colour is none of the brand's, by its name among those of the others.
fn left_as(name: &str, names: &HashSet<String>, document: &Document) -> Option<String> {
    if let Some(of) = shade_of(name).filter(|of| names.contains(*of)) {
        return Some(format!("a shade of {of}"));
    }
    if document.brand.iter().any(|brand| brand.name == name) {
        return Some(format!("another {name}"));
    }
    let is_alone = names.iter().all(|name| is_ground(name));
    (is_ground(name) && !is_alone).then(|| "a ground".to_owned())
}

/// The name of the colour that another one is a shade of, by its own: `Brand` by `Brand dark`.
fn shade_of(name: &str) -> Option<&str> {
    let (of, last) = name.rsplit_once(' ')?;
    BESIDE.contains(&last).then_some(of)
}

fn add(document: &mut Document, name: &str, code: Rgb8) -> Slug {
    let slug = document.add_brand(name, Typed::from_color(code.into()), None);
    document.play_by_name(&slug);
    slug
}

/// Where a colour stands first: the file, the line and the column.
fn first_place(used: &Used, files: &[InputFile]) -> (Option<usize>, usize, usize) {
    let first = &used.places[0];
    let file = files.iter().position(|f| f.name == *first.file);
    (file, first.line, first.column)
}

fn has(document: &Document, hex: &String) -> bool {
    document
        .brand
        .iter()
        .any(|b| b.color.to_rgb8().to_string() == *hex)
}

/// A theme's name from that of a file.
pub(super) fn title(path: &str) -> String {
    let file = path.rsplit(['/', '\\']).next().unwrap_or(path);
    let stem = file.split('.').next().unwrap_or(file);
    let words = words(stem);
    if words.is_empty() {
        "Theme".to_owned()
    } else {
        capitalised(&words.join(" "))
    }
}
