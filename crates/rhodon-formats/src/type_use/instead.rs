//! Colours that the other mode has instead: what a variable holds in both modes.

use std::collections::HashSet;

use indexmap::IndexSet;
use rhodon_color::Rgb8;
use rhodon_theme::Mode;

use super::TypeInUse;
use super::roles::{Project, color};

/// A colour that stands for another in one mode.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct Instead {
    /// What is usual.
    pub usual: Rgb8,
    /// The mode in which another stands for it.
    pub mode: Mode,
    /// That other.
    pub code: Rgb8,
}

/// Finds what the other mode has instead, and which colours no other place has.
pub(super) fn instead(project: &Project<'_>, found: &mut TypeInUse) {
    let Project { sheet, usual, .. } = *project;
    let other = project.other();
    let names: IndexSet<&str> = sheet.names_of_all().collect();
    let held = |name, mode| color(&sheet.value_in(mode, name)?);
    let both: Vec<_> = names
        .iter()
        .filter_map(|name| Some((held(name, usual)?, held(name, other)?)))
        .collect();
    let mut in_use: HashSet<Rgb8> = both.iter().map(|(own, _)| *own).collect();
    in_use.extend(
        sheet
            .usual
            .rules
            .iter()
            .filter_map(|rule| color(&rule.value)),
    );
    for (usual, code) in both {
        if usual == code {
            continue;
        }
        if !in_use.contains(&code) {
            found.of_other.insert(code);
        }
        found.instead.push(Instead {
            usual,
            mode: other,
            code,
        });
    }
}
