//! The level `more`: every role painted once more, with more contrast on everything it stands on.
//!
//! What was set by hand at the usual level holds here too where it can be read so; where not, it is let
//! go (see [`crate::unread`]). What was set for this level is never let go.

use std::collections::HashMap;
use std::sync::Arc;

use indexmap::IndexMap;

use crate::document::{ModeValues, Problems, Resolved};
use crate::label::TokenPath;
use crate::level::Level;
use crate::overrides::Overrides;
use crate::palette::steps;
use crate::role::{self, Backdrop, Painted};
use crate::token::{Cell, Cells, Mode, Pair, Section, Token};

/// What the level comes to.
#[derive(Clone, Debug, Default)]
pub struct More {
    /// Values that are others than at the usual level, in the order of the tokens.
    pub cells: Vec<MoreCell>,
    /// Declared pairs of both modes.
    pub pairs: Vec<Pair>,
}

/// One value that is another than at the usual level.
#[derive(Clone, Debug)]
pub struct MoreCell {
    /// Path of the token.
    pub path: Arc<str>,
    /// In which mode.
    pub mode: Mode,
    /// The value, and why.
    pub cell: Cell,
}

impl More {
    /// The value of a token in a mode, where it is another.
    pub fn cell(&self, path: &str, mode: Mode) -> Option<&Cell> {
        let mut cells = self.cells.iter();
        let found = cells.find(|raised| *raised.path == *path && raised.mode == mode)?;
        Some(&found.cell)
    }

    /// The values that are others, by path: in light and in dark.
    pub fn by_path(&self) -> HashMap<&str, [Option<&Cell>; 2]> {
        let mut out: HashMap<&str, [Option<&Cell>; 2]> = HashMap::new();
        for raised in &self.cells {
            out.entry(&raised.path).or_default()[raised.mode as usize] = Some(&raised.cell);
        }
        out
    }
}

/// The level of a theme whose usual tokens are these.
pub(super) fn more(
    theme: &Resolved,
    usual: &Backdrop<'_>,
    tokens: &[Token],
) -> Result<More, Problems> {
    let set = &theme.merged.contrast.roles;
    let is_role = |t: &Token| t.section == Section::Roles;
    let first = tokens.iter().position(is_role).unwrap_or(tokens.len());
    let count = tokens[first..].iter().take_while(|t| is_role(t)).count();
    let roles = &tokens[first..first + count];
    // The theme with other roles by hand, where there are some.
    let mut held = (!set.is_empty()).then(|| theme.with_roles_of_more());
    loop {
        let own = match &held {
            Some(theme) => Some(Overrides::new(theme, || steps::values(usual.scales))?),
            None => None,
        };
        let on = Backdrop {
            overrides: own.as_ref().unwrap_or(usual.overrides),
            usual: roles,
            ..*usual
        };
        let painted = Mode::BOTH.map(|mode| role::paint(mode, Level::More, &on));
        let unread = unread(&painted, &on, set);
        if unread.is_empty() {
            return finish(theme, &on, tokens, painted);
        }
        drop(own);
        held.get_or_insert_with(|| theme.clone()).let_go(&unread);
    }
}

/// Roles set by hand at the usual level that cannot be read at this one.
fn unread(
    painted: &[Painted; 2],
    on: &Backdrop<'_>,
    set: &IndexMap<TokenPath, ModeValues>,
) -> Vec<(Arc<str>, Mode)> {
    let mut out = Vec::new();
    for (mode, painted) in Mode::BOTH.into_iter().zip(painted) {
        let is_held = |path: &str| {
            let own = set.iter().find(|(held, _)| held.as_str() == path);
            own.is_some_and(|(_, values)| values.get(mode).is_some())
        };
        let may_go = |path: &str| on.overrides.role(path, mode).is_some() && !is_held(path);
        let gone = crate::unread::unread(painted.pairs.iter(), may_go);
        out.extend(gone.into_iter().map(|(path, _)| (path.clone(), mode)));
    }
    out
}

/// What differs from the usual tokens.
fn finish(
    theme: &Resolved,
    on: &Backdrop<'_>,
    tokens: &[Token],
    painted: [Painted; 2],
) -> Result<More, Problems> {
    let own = match theme.merged.tokens.is_empty() {
        true => Vec::new(),
        false => own_tokens(theme, on, tokens, &painted)?,
    };
    let [light, dark] = painted;
    let mut cells = Vec::with_capacity(on.usual.len() + own.len());
    let raised = light.roles.into_iter().zip(dark.roles);
    for (usual, ((_, light), (_, dark))) in on.usual.iter().zip(raised) {
        keep_other(usual, Mode::Light, light, &mut cells);
        keep_other(usual, Mode::Dark, dark, &mut cells);
    }
    cells.extend(own);
    let mut pairs = light.pairs;
    pairs.extend(dark.pairs);
    Ok(More { cells, pairs })
}

/// What own tokens come to that refer to roles with other values.
fn own_tokens(
    theme: &Resolved,
    on: &Backdrop<'_>,
    tokens: &[Token],
    painted: &[Painted; 2],
) -> Result<Vec<MoreCell>, Problems> {
    let count = tokens.len() - theme.merged.tokens.len();
    let mut all: Vec<Token> = tokens[..count].to_vec();
    let raised = painted[0].roles.iter().zip(&painted[1].roles);
    let roles = all.iter_mut().filter(|t| t.section == Section::Roles);
    for (token, ((_, light), (_, dark))) in roles.zip(raised) {
        token.cells = Cells::Each(Box::new([light.clone(), dark.clone()]));
    }
    crate::custom_token::tokens(theme, on.overrides, &mut all)?;
    let own = tokens.iter().zip(all).skip(count);
    let mut cells = Vec::new();
    for (usual, own) in own {
        let [light, dark] = own.cells.into_modes();
        keep_other(usual, Mode::Light, light, &mut cells);
        keep_other(usual, Mode::Dark, dark, &mut cells);
    }
    Ok(cells)
}

/// Keeps the value of a token in a mode where it is another than usual.
fn keep_other(usual: &Token, mode: Mode, cell: Cell, kept: &mut Vec<MoreCell>) {
    if cell.value != usual.cell(mode).value {
        let path = usual.path.clone();
        kept.push(MoreCell { path, mode, cell });
    }
}
