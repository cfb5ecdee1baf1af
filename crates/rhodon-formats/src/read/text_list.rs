//! `list`: a text file with a colour a line, in any notation, with names or without, as it may be pasted.

use rhodon_color::{Color, ColorError};
use rhodon_theme::{Document, MAX_BRAND, Typed, add_named, color_look};

use super::colors::title;
use super::import::{Import, InputFile, ReadProblem};
use super::list::{ListItem, color_list};
use super::reader::Reader;

/// See the module.
pub(super) static READER: Reader = Reader {
    id: "list",
    name: "List of colours",
    endings: || [".txt"].map(str::to_owned).to_vec(),
    sniff,
    read,
};

fn sniff(file: &InputFile) -> bool {
    file.name.to_ascii_lowercase().ends_with(".txt")
}

fn items(file: &InputFile) -> impl Iterator<Item = ListItem> {
    color_list(&String::from_utf8_lossy(&file.bytes)).into_iter()
}

fn typed(css: &str) -> Result<Typed<Color>, String> {
    css.parse().map_err(|e: ColorError| e.to_string())
}

fn read(files: &[InputFile], import: &mut Import) {
    let mut document = Document::empty();
    document.name = files.first().map(|f| title(&f.name)).unwrap_or_default();
    for file in files {
        for item in items(file) {
            let mut refuse = |why: String| {
                let problem = ReadProblem::new(&file.name, &item.input, why);
                import.problems.push(problem);
            };
            match item.color.as_deref().map(typed) {
                Ok(Ok(_)) if document.brand.len() == MAX_BRAND => {
                    refuse(format!("expected at most {MAX_BRAND} colours"));
                }
                Ok(Ok(color)) => {
                    let name = item.name.unwrap_or_else(|| color_look(color.to_rgb8()));
                    add_named(&mut document, &name, color, None);
                }
                Ok(Err(why)) => refuse(why),
                Err(why) => refuse(why.clone()),
            }
        }
    }
    if document.brand.is_empty() {
        let name = files.first().map_or("files", |file| &file.name);
        let message = "expected at least one colour, found none";
        import.problems.push(ReadProblem::new(name, "", message));
    } else {
        import.spec = Some(document);
    }
}
