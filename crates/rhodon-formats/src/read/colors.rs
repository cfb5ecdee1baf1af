//! `colors`: any text in which colours are found. Scales that are known by the names of their steps come
//! first, then the colours used most, one of each family. How style sheets set text and corners comes along.

use std::cmp::Reverse;

use rhodon_color::Rgb8;
use rhodon_theme::{Document, Typed, capitalised, color_look};

use super::import::{Import, InputFile, ReadProblem};
use super::reader::Reader;
use crate::color_use::{FINDERS, finder_for, is_plain};
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
    scales(&found, &mut document, import);
    let mut most_used: Vec<&Used> = found
        .colors
        .iter()
        .filter(|used| used.code().to_oklch().c >= GREY && used.color.alpha() >= 1.0)
        .collect();
    // Of those that are used alike, the one that stands first.
    let file = |used: &Used| files.iter().position(|f| f.name == *used.places[0].file);
    most_used.sort_by_key(|used| {
        let first = &used.places[0];
        (
            Reverse(used.places.len()),
            file(used),
            first.line,
            first.column,
        )
    });
    for used in most_used {
        if document.brand.len() >= MOST {
            break;
        }
        let is_there = |hex: &String| has(&document, hex);
        if is_there(&used.hex) || used.near.iter().any(is_there) {
            continue;
        }
        add(&mut document, &name(used), used.code());
    }
    if document.brand.is_empty() {
        // Nothing but greys: they are the brand then.
        if let Some(used) = found.colors.first() {
            add(&mut document, &name(used), used.code());
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

/// The colours that recognised scales are known by.
fn scales(found: &Inventory, document: &mut Document, import: &mut Import) {
    for scale in found.scales.iter().take(MOST) {
        let Some(code) = scale
            .base()
            .and_then(|hex| hex.get(..7)?.parse::<Rgb8>().ok())
        else {
            continue;
        };
        let steps = scale.steps.len();
        import.notes.push(format!(
            "{} is a scale of {steps} steps: {code} is its colour",
            scale.name
        ));
        add(document, &readable(&scale.name), code);
    }
}

fn add(document: &mut Document, name: &str, code: Rgb8) {
    document.add_brand(name, Typed::from_color(code.into()), None);
}

fn has(document: &Document, hex: &String) -> bool {
    document
        .brand
        .iter()
        .any(|b| b.color.to_rgb8().to_string() == *hex)
}

fn name(used: &Used) -> String {
    let own = used.names.iter().find(|name| !is_plain(name));
    let own = own.map(|name| readable(name));
    own.filter(|name| !name.is_empty())
        .unwrap_or_else(|| color_look(used.code()))
}

/// A variable's name as a name: `--brand-blue` is "Brand blue".
pub fn readable(name: &str) -> String {
    let words: Vec<&str> = name
        .split(|c: char| !c.is_alphanumeric())
        .filter(|word| !word.is_empty())
        .collect();
    capitalised(&words.join(" "))
}

/// A theme's name from that of a file.
pub(super) fn title(path: &str) -> String {
    let file = path.rsplit(['/', '\\']).next().unwrap_or(path);
    let stem = file.split('.').next().unwrap_or(file);
    let readable = readable(stem);
    if readable.is_empty() {
        "Theme".to_owned()
    } else {
        readable
    }
}
