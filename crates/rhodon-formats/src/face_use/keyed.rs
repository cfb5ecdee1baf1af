//! Faces of scripts and JSON, by the keys that lead to them: `fontFamily: "Vess, serif"`, `sans: ["Vess", "serif"]`.

use super::FaceUse;
use super::list::Within;
use crate::color_use::values;
use crate::type_use::words;

/// What keys of faces end with.
const FAMILY: [&str; 2] = ["family", "families"];
/// Keys below those of faces that hold something else.
const NO_LIST: [&str; 12] = [
    "name", "slug", "id", "src", "url", "weight", "style", "size", "display", "face", "path", "key",
];

/// Finds the lists of a text that begins at a place.
pub(super) fn find(text: &str, at: usize, out: &mut Vec<FaceUse>) {
    let mut last_list = None;
    for held in values(text) {
        if held.is_number || !leads_to_faces(&held.path) {
            continue;
        }
        // Of the faces that stand one behind the other in brackets the first is the one that is known.
        let list = (held.entry, held.path);
        if last_list.as_ref() == Some(&list) {
            continue;
        }
        last_list = Some(list);
        let within = Within {
            quote: text[..held.at].chars().next_back(),
            has_escapes: true,
        };
        out.extend(FaceUse::read(held.text, at + held.at, within));
    }
}

fn leads_to_faces(path: &str) -> bool {
    let has = |part: &str, of: &[&str]| words(part).iter().any(|w| of.contains(&w.as_str()));
    let last = path.rsplit('.').next().unwrap_or(path);
    let is_of_faces = path.split('.').any(|part| has(part, &FAMILY));
    is_of_faces && (has(last, &FAMILY) || !has(last, &NO_LIST))
}
