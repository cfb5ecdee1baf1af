//! What a site takes of a theme: slot by slot, and what it does not take, with the reason.

use std::collections::BTreeMap;

use rhodon_theme::{Derived, Mode, TokenKind, Value};
use serde::Serialize;

use super::host::Slot;

/// A slot with what will stand in it.
#[derive(Clone, Debug, PartialEq, Eq, Serialize)]
pub struct Taken {
    /// The site's name for it.
    pub slot: String,
    /// Path of the token.
    pub token: String,
    /// Its value, as the site takes it.
    pub value: String,
}

/// A slot that stays empty, and why.
#[derive(Clone, Debug, PartialEq, Eq, Serialize)]
pub struct Left {
    /// The site's name for it.
    pub slot: String,
    /// Path of the token, where one was meant.
    pub token: Option<String>,
    /// Why it stays empty.
    pub why: String,
}

/// What a site takes of a theme.
#[derive(Clone, Debug, Default, PartialEq, Eq, Serialize)]
pub struct Fit {
    /// Slots that are filled.
    pub taken: Vec<Taken>,
    /// Slots that stay empty.
    pub left: Vec<Left>,
    /// How many tokens the site has no slot for.
    pub beyond: usize,
}

/// Which token a slot takes unless somebody says otherwise: by the first of these words in
/// its name.
const USUAL: [(&str, &str); 16] = [
    ("face-title", "type.family.heading"),
    ("face-text", "type.family.body"),
    ("banner-ink", "bar.text"),
    ("banner", "bar.fill"),
    ("action-ink", "primary.fill-text"),
    ("action", "primary.fill"),
    ("page", "surface.base"),
    ("panel", "surface.raised"),
    ("quiet", "text.muted"),
    ("line", "border.subtle"),
    ("link", "link.rest"),
    ("ink", "text.main"),
    ("alarm", "danger.fill"),
    ("warn", "warning.fill"),
    ("good", "success.fill"),
    ("focus", "focus.ring"),
];

/// Fits a theme into slots; `chosen` says which token a slot takes, by path.
pub fn fit(theme: &Derived, slots: &[Slot], chosen: &BTreeMap<String, String>) -> Fit {
    let mut out = Fit::default();
    for slot in slots {
        let usual = || USUAL.iter().find(|(word, _)| slot.id.contains(word));
        let path = chosen.get(&slot.id).cloned();
        let Some(path) = path.or_else(|| usual().map(|(_, path)| (*path).to_owned())) else {
            out.left.push(Left {
                slot: slot.id.clone(),
                token: None,
                why: "nothing of the theme was meant for it: choose a token".to_owned(),
            });
            continue;
        };
        match value(theme, slot, &path) {
            Ok(value) => out.taken.push(Taken {
                slot: slot.id.clone(),
                token: path,
                value,
            }),
            Err(why) => out.left.push(Left {
                slot: slot.id.clone(),
                token: Some(path),
                why,
            }),
        }
    }
    let used = |path: &str| out.taken.iter().any(|taken| taken.token == path);
    out.beyond = theme.tokens.iter().filter(|t| !used(&t.path)).count();
    out
}

/// The value of a token as a slot takes it, or why it does not.
fn value(theme: &Derived, slot: &Slot, path: &str) -> Result<String, String> {
    let token = theme
        .token(path)
        .ok_or_else(|| format!("the theme has no token {path}"))?;
    match (slot.kind.as_str(), &token.cell(Mode::Light).value) {
        ("color", Value::Color(color)) if color.alpha < 1.0 => Err(format!(
            "{path} is see-through: the site takes six digits alone"
        )),
        ("color", Value::Color(color)) => Ok(color.code.to_string()),
        ("face", Value::FontFamily(names)) => {
            let plain = |c: char| c.is_alphanumeric() || " -".contains(c);
            let first = names.first().filter(|name| name.chars().all(plain));
            first
                .cloned()
                .ok_or_else(|| format!("{path} has no face that the site takes"))
        }
        (kind, _) => Err(format!(
            "{path} is a {}: the site takes a {kind} here",
            TokenKind::id(token.kind)
        )),
    }
}
