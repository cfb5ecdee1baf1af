//! Faces of files, and what takes their place.

use std::collections::{BTreeMap, HashSet};

use indexmap::IndexMap;
use rhodon_formats::css_name;
use rhodon_formats::recolor::{FaceMap, Faces, Loading, first_face};
use rhodon_theme::{Derived, Mode, Value};
use serde::Serialize;
use utoipa::ToSchema;

use super::Done;
use super::lines::MOST_PLACES;
use crate::error::ApiError;

/// A face that lists of the files begin with.
#[derive(Debug, Default, Serialize, ToSchema)]
pub struct FaceLineView {
    face: String,
    /// How many lists it begins.
    count: usize,
    /// How its lists are written now, each way once; none where it stays.
    new: Vec<String>,
    /// The first places.
    places: Vec<String>,
    /// Faces among the new ones that none of the files loads and no system brings along.
    unloaded: Vec<String>,
}

/// Every face with what takes its place.
pub(super) fn lines(done: &Done) -> Vec<FaceLineView> {
    let mut by_face: IndexMap<String, FaceLineView> = IndexMap::new();
    let mut loading = Loading::default();
    for (name, file) in &done.files {
        loading.add(file);
        for found in &file.faces {
            let entry = by_face.entry(found.face.to_lowercase());
            let line = entry.or_insert_with(|| FaceLineView {
                face: found.face.clone(),
                ..FaceLineView::default()
            });
            line.count += 1;
            if line.places.len() < MOST_PLACES {
                line.places.push(format!("{name}:{}", found.line));
            }
            if let Some(to) = found.to.as_ref().filter(|to| !line.new.contains(to)) {
                line.new.push(to.clone());
            }
        }
    }
    let missing: HashSet<&str> = loading.missing().collect();
    for line in by_face.values_mut() {
        let first = line.new.iter().filter_map(|list| first_face(list));
        line.unloaded = first.filter(|face| missing.contains(&**face)).collect();
        line.unloaded.dedup();
    }
    let mut lines: Vec<FaceLineView> = by_face.into_values().collect();
    lines.sort_by(|a, b| b.count.cmp(&a.count).then(a.face.cmp(&b.face)));
    lines
}

/// Faces with what somebody chose for some, with those of tokens in the place of their names in braces.
pub(super) fn chosen(
    mut faces: FaceMap,
    map: &BTreeMap<String, Option<String>>,
    theme: &Derived,
) -> Result<FaceMap, ApiError> {
    for (old, new) in map {
        let Some(new) = new.as_deref().map(str::trim) else {
            faces.leave(old);
            continue;
        };
        let path = new.strip_prefix('{').and_then(|n| n.strip_suffix('}'));
        let read = match path {
            Some(path) => of_token(path.trim(), theme),
            None => Faces::typed(new).ok_or_else(|| "expected a face, found none".to_owned()),
        };
        let at = format!("/faces/{}", old.replace('~', "~0").replace('/', "~1"));
        faces.add(old, read.map_err(|why| ApiError::value(&at, why))?);
    }
    Ok(faces)
}

/// The faces of a token.
fn of_token(path: &str, theme: &Derived) -> Result<Faces, String> {
    let expected = "expected a token that holds faces, such as type.family.body";
    let token = theme
        .token(path)
        .ok_or_else(|| format!("no token is called {path}: {expected}"))?;
    let Value::FontFamily(families) = &token.cell(Mode::Light).value else {
        return Err(format!("{path} holds no faces: {expected}"));
    };
    Ok(Faces {
        families: families.clone(),
        variable: Some(css_name(path)),
    })
}
