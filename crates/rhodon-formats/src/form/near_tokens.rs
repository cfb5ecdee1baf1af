//! The token that a colour of an example is, or nearly is.

use rhodon_color::{Lab65, Rgb8, difference_below, lab_d65};
use rhodon_theme::{Derived, Mode, Role, Section, Value};

use crate::name::letters;

/// CIEDE2000 below which a token counts as the one that was meant.
const NEAR: f64 = 2.3;

/// The colours of a theme, prepared to be looked for.
pub(super) struct NearTokens<'a> {
    all: Vec<Known<'a>>,
}

/// A colour of a token.
struct Known<'a> {
    path: &'a str,
    letters: String,
    /// None where both modes have the same.
    mode: Option<Mode>,
    code: Rgb8,
    lab: Lab65,
    is_step: bool,
}

/// What is known of a colour of an example.
#[derive(Clone, Copy)]
pub(super) struct Sought<'a> {
    pub code: Rgb8,
    /// What it is called.
    pub name: Option<&'a str>,
    /// The role that its name speaks of.
    pub role: Option<Role>,
    /// The mode that it stands for, where it is one of two.
    pub side: Option<Mode>,
}

/// A token that was found.
#[derive(Clone, Copy)]
pub(super) struct Near<'a> {
    pub path: &'a str,
    pub mode: Option<Mode>,
    /// CIEDE2000.
    pub away: f64,
}

/// Whether a token is only near, whether it is called otherwise, how far it is, whether it is a role: exact before
/// near, its name before others, a step of a scale before a role.
type Rank = (bool, bool, f64, bool);

impl<'a> NearTokens<'a> {
    pub(super) fn of(theme: &'a Derived) -> Self {
        let mut all = Vec::with_capacity(theme.tokens.len() * 2);
        for token in theme.tokens.iter().filter(|t| !t.omitted) {
            let modes: &[Option<Mode>] = if token.is_modeless() {
                &[None]
            } else {
                &[Some(Mode::Light), Some(Mode::Dark)]
            };
            for mode in modes {
                if let Value::Color(color) = &token.cell(mode.unwrap_or(Mode::Light)).value
                    && color.alpha >= 1.0
                {
                    all.push(Known {
                        path: &token.path,
                        letters: letters(&token.path),
                        mode: *mode,
                        code: color.code,
                        lab: lab_d65(color.code),
                        is_step: token.section == Section::Scales,
                    });
                }
            }
        }
        Self { all }
    }

    /// The token of a colour: one that is called so, else an exact one, else the nearest.
    pub(super) fn nearest(&self, sought: Sought<'_>) -> Option<Near<'a>> {
        let called = sought.name.map(letters);
        let lab = lab_d65(sought.code);
        let mut best: Option<(Rank, Near<'a>)> = None;
        // One of two follows the mode that it stands for.
        let fits = |known: &&Known<'_>| {
            sought.side.is_none() || known.mode.is_none() || known.mode == sought.side
        };
        for known in self.all.iter().filter(fits) {
            let away = match known.code == sought.code {
                true => Some(0.0),
                false => difference_below(known.lab, lab, NEAR),
            };
            let Some(away) = away else { continue };
            let is_called = sought.role.is_some_and(|role| role.path() == known.path)
                || called
                    .as_deref()
                    .is_some_and(|called| called.ends_with(&known.letters));
            let rank = (away > 0.0, !is_called, away, !known.is_step);
            if best
                .as_ref()
                .is_none_or(|(other, _)| is_before(&rank, other))
            {
                let Known { path, mode, .. } = *known;
                best = Some((rank, Near { path, mode, away }));
            }
        }
        best.map(|(_, near)| near)
    }
}

fn is_before(one: &Rank, other: &Rank) -> bool {
    let keys = (one.0, one.1).cmp(&(other.0, other.1));
    let keys = keys.then(one.2.total_cmp(&other.2));
    keys.then(one.3.cmp(&other.3)).is_lt()
}
