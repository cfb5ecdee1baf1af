//! The brand among the colours that files use. Scales that are known by the names of their steps come first, each
//! by its usual colour; then what is used most, one of each family. Shades of a colour, other modes of it and
//! grounds are left, and told. A scale of greys is that of the surfaces.

use std::cmp::Reverse;
use std::collections::HashSet;
use std::path::Path;

use rhodon_theme::{
    Document, Intent, Provenance, Role, Slug, Typed, add_named, capitalised, is_ground,
};

use super::found_roles::is_of_pages;
use super::import::InputFile;
use super::key_name::{BESIDE, readable, shared_words};
use crate::inventory::{Inventory, NamedSteps, Used};
use crate::named_steps::GREY;
use crate::type_use::{TypeInUse, is_called};

/// The most scales that are taken, and the most colours in all that are taken because they are used.
const MOST: (usize, usize) = (16, 8);

/// Adds what was found to a document; `notes` tell what was done with names. What pages stand on, what stands there
/// and what another mode has instead are none of the brand's, unless there is nothing else.
pub(super) fn add_found(
    mut found: Inventory,
    said: &TypeInUse,
    files: &[InputFile],
    document: &mut Document,
    notes: &mut Vec<String>,
) {
    let scales = std::mem::take(&mut found.scales);
    let is_step = |used: &Used| scales.iter().any(|scale| scale.holds(used));
    let is_role = |used: &Used| is_said(used, said) && !is_step(used);
    let is_other = |used: &Used| !is_role(used) && !said.of_other.contains(&used.code());
    let colorful = |used: &Used| used.code().to_oklch().c >= GREY;
    if found
        .colors
        .iter()
        .any(|used| is_other(used) && colorful(used))
    {
        found.colors.retain(is_other);
    } else if !found.colors.iter().all(|used| is_page(used, said)) {
        found.colors.retain(|used| !is_page(used, said));
    }
    found.scales = scales;
    let found = &found;
    let mut based = with_bases(found, said);
    based.sort_by_key(|(_, used)| first_place(used, files));
    let (greys, colored): (Vec<_>, Vec<_>) = based
        .into_iter()
        .partition(|(scale, used)| scale.is_grey(used.code()));
    let shared = shared_words(colored.iter().map(|(scale, _)| readable(&scale.name)));
    for (scale, used) in colored.into_iter().take(MOST.0) {
        notes.push(told(scale, used));
        let name = readable(&scale.name);
        let own: Vec<&str> = name.split(' ').skip(shared).collect();
        add(document, &capitalised(&own.join(" ")), used);
    }
    add_most_used(found, files, document, notes);
    let mut greys = greys.into_iter();
    if let Some((scale, used)) = greys.next() {
        notes.push(told(scale, used));
        let slug = add(document, &readable(&scale.name), used);
        document.let_play(&slug, Intent::Neutral);
    }
    notes.extend(
        greys.map(|(scale, _)| format!("{} is another scale of greys: it is left", scale.name)),
    );
    if let (true, Some(used)) = (document.brand.is_empty(), found.colors.first()) {
        // Nothing but greys: they are the brand then.
        add(document, &used.readable(), used);
    }
}

/// Whether a colour is what pages stand on.
fn is_page(used: &Used, said: &TypeInUse) -> bool {
    let pages = said
        .roles
        .iter()
        .filter(|found| found.role == Role::SURFACE_BASE);
    pages
        .flat_map(|found| found.codes)
        .flatten()
        .any(|code| code == used.code())
}

/// Whether a colour is that of a role alone: of pages and what stands on them, or one that a single place has
/// under no other name.
fn is_said(used: &Used, said: &TypeInUse) -> bool {
    let mut roles = said.roles.iter();
    roles.any(|found| {
        let is_it = found.codes.contains(&Some(used.code())) && used.color.alpha() >= 1.0;
        let is_its = |name: &String| found.by.contains(name) || is_called(found.role, name);
        let is_alone = used.places.len() == 1 && used.names.iter().all(is_its);
        is_it && (is_of_pages(found.role) || is_alone)
    })
}

/// The scales with the colour that each is known by.
fn with_bases<'a>(found: &'a Inventory, said: &TypeInUse) -> Vec<(&'a NamedSteps, &'a Used)> {
    let based = found.scales.iter().filter_map(|scale| {
        let base = scale.base(&said.leading)?;
        let used = found.colors.iter().find(|used| used.hex == base)?;
        Some((scale, used))
    });
    based.collect()
}

fn told(scale: &NamedSteps, used: &Used) -> String {
    let NamedSteps { name, steps, .. } = scale;
    format!(
        "{name} is a scale of {} steps: {} is its colour",
        steps.len(),
        used.code()
    )
}

/// What is used most and belongs to no scale; of what is used alike, what stands first.
fn add_most_used(
    found: &Inventory,
    files: &[InputFile],
    document: &mut Document,
    notes: &mut Vec<String>,
) {
    let colorful = |used: &&Used| used.code().to_oklch().c >= GREY && used.color.alpha() >= 1.0;
    let mut most_used: Vec<&Used> = found.colors.iter().filter(colorful).collect();
    most_used.sort_by_key(|used| (Reverse(used.places.len()), first_place(used, files)));
    let names: HashSet<String> = most_used.iter().filter_map(|used| used.called()).collect();
    for used in most_used {
        if document.brand.len() >= MOST.1 {
            return;
        }
        if is_there(found, document, used) {
            continue;
        }
        let name = used.called();
        let left = name
            .as_deref()
            .and_then(|name| left_as(name, &names, document));
        let name = used.readable();
        match left {
            Some(why) => notes.push(format!("{name} {} is {why}: it is left", used.hex)),
            None => drop(add(document, &name, used)),
        }
    }
}

/// Whether a colour, one nearly the same or its scale is taken already.
fn is_there(found: &Inventory, document: &Document, used: &Used) -> bool {
    let has = |hex: &String| {
        let mut brand = document.brand.iter();
        brand.any(|brand| brand.color.to_rgb8().to_string() == *hex)
    };
    found.scales.iter().any(|scale| scale.holds(used))
        || has(&used.hex)
        || used.near.iter().any(has)
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

fn add(document: &mut Document, name: &str, used: &Used) -> Slug {
    let first = used.places.first();
    let from = first.and_then(|place| {
        // Where it lies on somebody's machine belongs in no document.
        let path = Path::new(&*place.file);
        let base = path.file_name().filter(|_| path.is_absolute());
        let name = base.map_or(place.file.as_ref().into(), |base| base.to_string_lossy());
        Provenance::file(&name, place.line, place.column)
    });
    add_named(document, name, Typed::from_color(used.code().into()), from)
}

/// Where a colour stands first: the file, the line and the column.
fn first_place(used: &Used, files: &[InputFile]) -> Option<(usize, usize, usize)> {
    let first = used.places.first()?;
    let file = files.iter().position(|f| f.name == *first.file)?;
    Some((file, first.line, first.column))
}
