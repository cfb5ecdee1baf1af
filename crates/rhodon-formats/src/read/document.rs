//! `document`: a theme document as it was saved.

use rhodon_theme::Document;
use serde::Deserialize;
use serde_json::Value;

use super::import::{Import, InputFile, ReadProblem};
use super::reader::Reader;

/// See the module.
pub(super) static READER: Reader = Reader {
    id: "document",
    name: "Theme document",
    endings: || [".rhodon.json", ".json"].map(str::to_owned).to_vec(),
    sniff,
    read,
};

/// What a document has at its top and design tokens have not.
#[derive(Deserialize)]
struct Head {
    #[serde(default)]
    format: Value,
    #[serde(default)]
    name: Value,
}

fn sniff(file: &InputFile) -> bool {
    let head = serde_json::from_slice::<Head>(&file.bytes);
    head.is_ok_and(|head| head.format.is_number() && head.name.is_string())
}

/// The first document among the files.
fn read(files: &[InputFile], import: &mut Import) {
    let Some(file) = files.iter().find(|file| sniff(file)) else {
        return;
    };
    let value = match file.json() {
        Ok(value) => value,
        Err(problem) => return import.problems.push(problem),
    };
    match Document::read(&value) {
        Ok(document) => import.spec = Some(document),
        Err(problems) => {
            let told = problems.0.into_iter();
            let told = told.map(|p| ReadProblem::new(&file.name, p.pointer, p.message));
            import.problems.extend(told);
        }
    }
}
