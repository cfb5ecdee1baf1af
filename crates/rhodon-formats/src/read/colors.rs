//! `colors`: any text in which colours are found. What becomes of them is told in [`super::found_brand`]; how
//! files set text and corners comes along.

use rhodon_theme::{Document, capitalised};

use super::found_brand::add_found;
use super::found_roles::set_found;
use super::import::{Import, InputFile, ReadProblem};
use super::key_name::words;
use super::reader::Reader;
use crate::color_use::{FINDERS, finder_for};
use crate::inventory::{NEAR, inventory};
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

fn sniff(file: &InputFile) -> bool {
    finder_for(&file.name).is_some()
}

fn read(files: &[InputFile], import: &mut Import) {
    let said = type_in_use(files);
    let found = inventory(files, NEAR);
    for (file, why) in &found.skipped {
        import.problems.push(ReadProblem::new(file, "", why));
    }
    let mut document = Document::empty();
    document.name = files.first().map(|f| title(&f.name)).unwrap_or_default();
    add_found(found, &said, files, &mut document, &mut import.notes);
    if let (true, Some(file)) = (document.brand.is_empty(), files.first()) {
        let message = "expected at least one colour, found none";
        import
            .problems
            .push(ReadProblem::new(&file.name, "", message));
        return;
    }
    let mut notes = Vec::new();
    set_found(&said, &mut document, &mut notes);
    let is_taken = |told: &&TypeUse| told.setting.role().is_none_or(|role| document.sets(role));
    let told = said.told.iter().filter(is_taken);
    import.notes.extend(told.map(TypeUse::sentence));
    import.notes.extend(notes);
    let left = said.left.iter();
    import.notes.extend(
        left.map(|address| format!("Faces from {address} are left: expected an https address")),
    );
    document.typography = said.faces;
    document.shape = said.shape;
    import.spec = Some(document);
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
