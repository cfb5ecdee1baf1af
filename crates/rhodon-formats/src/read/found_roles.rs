//! The roles of a theme as the files of a project have them. What could not be read there is left to be derived, and told.

use std::collections::HashSet;

use rhodon_color::Rgb8;
use rhodon_theme::{
    Document, Intent, IntentPart, Mode, Pair, Resolved, Role, TokenPath, derive, set_role, unread,
};

use crate::named_steps::TINGED;
use crate::type_use::{Instead, TypeInUse};

/// Sets what pages, text, lines and links are, and the fills that a mode has instead of brand colours;
/// `notes` tell what is left. What comes out of the brand anyway is left to follow it.
pub(super) fn set_found(said: &TypeInUse, document: &mut Document, notes: &mut Vec<String>) {
    if let Some(grey) = grey_of(said).filter(|_| !document.says(Intent::Neutral)) {
        document.paint(Intent::Neutral, grey);
        notes.push(format!("Greys that nothing says are made around {grey}"));
    }
    let derived = derive(&Resolved::alone(document.clone())).ok();
    let is_derived = |role: Role, mode: Mode, code: Rgb8| {
        let token = derived.as_ref().and_then(|theme| theme.token(role.path()));
        let color = token.and_then(|token| token.cell(mode).value.color());
        color.is_some_and(|color| color.code == code)
    };
    for found in &said.roles {
        let Ok(path) = found.role.path().parse() else {
            continue;
        };
        for (mode, code) in Mode::BOTH.into_iter().zip(found.codes) {
            if let Some(code) = code.filter(|code| !is_derived(found.role, mode, *code)) {
                set_role(document, &path, mode, code);
            }
        }
    }
    let mut seen = HashSet::new();
    // Of several that one brand colour has, the first is taken.
    let firsts = said
        .instead
        .iter()
        .filter(|instead| seen.insert(instead.usual));
    for instead in firsts {
        for path in fills_of(document, instead) {
            let Instead { mode, code, usual } = instead;
            set_role(document, &path, *mode, *code);
            let mode = mode.id();
            notes.push(format!(
                "{path} is {code} in {mode} mode, instead of {usual}"
            ));
        }
    }
    leave_unread(document, notes);
}

/// The grey that a project's text and lines have, around which those that it does not say are made.
fn grey_of(said: &TypeInUse) -> Option<Rgb8> {
    let of = |role: Role| {
        let found = said.roles.iter().find(|found| found.role == role)?;
        found
            .codes
            .into_iter()
            .flatten()
            .find(|code| code.to_oklch().c < TINGED)
    };
    of(Role::TEXT_MUTED).or_else(|| of(Role::BORDER_STRONG))
}

/// The fills of intents whose colour is one that a mode has another for, where nothing is said of them yet.
fn fills_of(document: &Document, instead: &Instead) -> Vec<TokenPath> {
    let mut brand = document.brand.iter();
    let Some(brand) = brand.find(|brand| brand.color.to_rgb8() == instead.usual) else {
        return Vec::new();
    };
    let Ok(theme) = derive(&Resolved::alone(document.clone())) else {
        return Vec::new();
    };
    let of_it = theme
        .intents
        .iter()
        .filter(|intent| theme.scales[intent.scale].slug == brand.slug);
    let paths = of_it.filter_map(|intent| intent.path(IntentPart::Fill).parse().ok());
    paths
        .filter(|path| set_in(document, path, instead.mode).is_none())
        .collect()
}

/// What a document sets a role to in a mode.
fn set_in<'a>(document: &'a Document, path: &TokenPath, mode: Mode) -> Option<&'a impl Sized> {
    document.roles.get(path)?.get(mode)
}

/// Leaves roles that cannot be read as they were set to be derived.
fn leave_unread(document: &mut Document, notes: &mut Vec<String>) {
    let mut is_left = true;
    while is_left {
        let Ok(theme) = derive(&Resolved::alone(document.clone())) else {
            return;
        };
        is_left = false;
        for mode in Mode::BOTH {
            let pairs = theme.pairs.iter().filter(|pair| pair.mode == mode);
            let is_set = |path: &str| {
                let path = path.parse::<TokenPath>().ok();
                path.is_some_and(|path| set_in(document, &path, mode).is_some())
            };
            for (path, pair) in unread(pairs, is_set) {
                let Ok(path) = path.parse::<TokenPath>() else {
                    continue;
                };
                // It may fail in several pairs and goes once.
                if let Some(values) = document.roles.get_mut(&path)
                    && let Some(value) = values.slot(mode).take()
                {
                    is_left = true;
                    notes.push(left(pair, &path, &value.to_string()));
                }
            }
        }
        document
            .roles
            .retain(|_, values| Mode::BOTH.iter().any(|mode| values.get(*mode).is_some()));
    }
}

fn left(pair: &Pair, path: &TokenPath, value: &str) -> String {
    let Pair {
        mode,
        fg,
        bg,
        ratio,
        need,
        ..
    } = pair;
    let mode = mode.id();
    format!(
        "{path} {value} is left in {mode} mode: {fg} on {bg} would have {ratio:.2} : 1, and {need} is needed"
    )
}

/// Whether a role is that of what stands on pages or of the pages themselves, and never of what a brand is known by.
pub(super) fn is_of_pages(role: Role) -> bool {
    ["surface", "text", "border"].contains(&role.group())
}
