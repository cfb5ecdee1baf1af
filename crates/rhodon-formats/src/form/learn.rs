//! A form from an example: every colour of a file becomes a place. What a token has, or nearly has, is
//! that token; the rest keeps its own colour until somebody chooses.

use indexmap::IndexMap;
use rhodon_color::{Rgb8, difference};
use rhodon_theme::{Derived, Form, Mode, Role, Section, Slot, SlotName, Typed, Value};

use super::called::Names;
use super::{pair, rule_names};
use crate::color_use::{ColorUse, Written, finder_for_any};
use crate::inventory::text_of;
use crate::name::letters;
use crate::read::{InputFile, key_words, shared_words};

/// CIEDE2000 up to which a token counts as the one that was meant.
const NEAR: f64 = 2.3;

/// A form that was learned.
#[derive(Clone, Debug, PartialEq)]
pub struct Learned {
    /// The form.
    pub form: Form,
    /// Slots that no token is near to.
    pub open: Vec<SlotName>,
    /// Slots whose token is not exactly the colour of the example, with how far it is (CIEDE2000).
    pub near: Vec<(SlotName, f64)>,
    /// How many words all names begin with, which say nothing of a colour.
    shared: usize,
    /// All of them.
    names: Names,
}

/// What one slot stands for: a code under a name, and its mode where it is one of two.
type Key = (Rgb8, Option<String>, Option<Mode>);

/// Makes a form of an example in an in-house format.
///
/// # Errors
/// In words: it is no text, or there is no colour in it.
pub fn learn(example: &InputFile, theme: &Derived) -> Result<Learned, String> {
    let text = text_of(example)?;
    let finder = finder_for_any(&example.name);
    let mut uses = finder.find(text);
    if uses.is_empty() {
        return Err("expected at least one colour, found none".to_owned());
    }
    if finder.is_style() {
        rule_names::name(text, &mut uses);
    }
    let sides = pair::sides(text, &uses);
    let mut slots: IndexMap<Key, SlotName> = IndexMap::new();
    let mut learned = Learned {
        form: Form {
            file: file_name(&example.name),
            slots: IndexMap::new(),
            text: String::with_capacity(text.len() * 2),
            pack: None,
        },
        open: Vec::new(),
        near: Vec::new(),
        shared: shared_words(uses.iter().filter_map(|found| found.name.as_deref())),
        names: Names::of(uses.iter().filter_map(|found| found.name.as_deref())),
    };
    let mut at = 0;
    let mut before: Option<&str> = None;
    for (found, side) in uses.iter().zip(sides) {
        let code = found.color.to_rgb8();
        // Readers of lines name only the first of two.
        let called = found
            .name
            .as_deref()
            .or(before.filter(|_| side == Some(Mode::Dark)));
        before = called;
        let key = (code, called.map(str::to_owned), side);
        let name = match slots.get(&key) {
            Some(name) => name.clone(),
            None => {
                let name = learned.add(code, called, side, theme);
                slots.insert(key, name.clone());
                name
            }
        };
        learned
            .form
            .text
            .push_str(&plain(&text[at..found.range.start]));
        learned
            .form
            .text
            .push_str(&place(&name, found, &text[found.range.clone()]));
        at = found.range.end;
    }
    learned.form.text.push_str(&plain(&text[at..]));
    Ok(learned)
}

impl Learned {
    /// A slot for a colour, under a name of its own.
    fn add(
        &mut self,
        code: Rgb8,
        called: Option<&str>,
        side: Option<Mode>,
        theme: &Derived,
    ) -> SlotName {
        let own: Option<String> =
            called.map(|name| key_words(name).split_off(self.shared).join(" "));
        let speaks_of = own.as_deref().and_then(|name| self.names.role(name));
        let mut nearest = nearest(code, called, speaks_of, side, theme);
        // A role that the name speaks of says more than another token that is only near, or than its own other mode.
        nearest = nearest.filter(|(path, mode, away)| {
            let is_meant =
                |role: Role| role.path() == path && (side.is_some() || *mode != Some(Mode::Dark));
            *away == 0.0 || speaks_of.is_none_or(is_meant)
        });
        let mut wanted = match (own, &nearest) {
            (Some(name), _) => name,
            (None, Some((path, ..))) => path.clone(),
            (None, None) => rhodon_theme::color_look(code),
        };
        if side == Some(Mode::Dark) {
            wanted.push_str(" dark");
        }
        let name = free_name(&wanted, &self.form);
        let slot =
            match nearest.and_then(|(path, mode, away)| Some((path.parse().ok()?, mode, away))) {
                Some((token, mode, away)) => {
                    if away > 0.0 {
                        self.near.push((name.clone(), away));
                    }
                    Slot {
                        token: Some(token),
                        mode: mode.filter(|mode| *mode == Mode::Dark),
                        ..Slot::default()
                    }
                }
                None => {
                    self.open.push(name.clone());
                    Slot {
                        color: Some(Typed::from_color(code.into())),
                        ..Slot::default()
                    }
                }
            };
        self.form.slots.insert(name.clone(), slot);
        name
    }
}

/// Whether a token is only near, whether it is called otherwise, how far it is, whether it is a role.
type Rank = (bool, bool, f64, usize);

/// The token of a colour: one that is called so, else an exact one, else the nearest.
fn nearest(
    code: Rgb8,
    name: Option<&str>,
    speaks_of: Option<Role>,
    side: Option<Mode>,
    theme: &Derived,
) -> Option<(String, Option<Mode>, f64)> {
    let called = name.map(letters);
    let mut best: Option<(Rank, String, Option<Mode>)> = None;
    for token in theme.tokens.iter().filter(|t| !t.omitted) {
        let modes: &[Option<Mode>] = if token.is_modeless() {
            &[None]
        } else {
            &[Some(Mode::Light), Some(Mode::Dark)]
        };
        for mode in modes {
            // One of two follows the mode that it stands for.
            if side.is_some() && mode.is_some() && *mode != side {
                continue;
            }
            let Value::Color(color) = &token.cell(mode.unwrap_or(Mode::Light)).value else {
                continue;
            };
            let away = if color.code == code {
                0.0
            } else {
                difference(color.code, code)
            };
            if away > NEAR || color.alpha < 1.0 {
                continue;
            }
            let is_called = speaks_of.is_some_and(|role| role.path() == &*token.path)
                || called
                    .as_deref()
                    .is_some_and(|called| called.ends_with(&letters(&token.path)));
            // Exact before near, its name before others, a step of a scale before a role.
            let rank = if token.section == Section::Scales {
                0
            } else {
                1
            };
            let order = (away > 0.0, !is_called, away, rank);
            let before = |other: &Rank| {
                let keys = (order.0, order.1).cmp(&(other.0, other.1));
                keys.then(order.2.total_cmp(&other.2))
                    .then(order.3.cmp(&other.3))
                    .is_lt()
            };
            if best.as_ref().is_none_or(|(other, ..)| before(other)) {
                best = Some((order, token.path.to_string(), *mode));
            }
        }
    }
    best.map(|(order, path, mode)| (path, mode, order.2))
}

/// A name for a slot that no other has.
fn free_name(wanted: &str, form: &Form) -> SlotName {
    let stem = key_words(wanted).join("_").to_ascii_lowercase();
    let fits = |c: char| if c.is_ascii_alphanumeric() { c } else { '_' };
    let stem: String = stem.chars().map(fits).collect();
    let stem: String = stem
        .trim_matches(|c: char| c == '_' || c.is_ascii_digit())
        .chars()
        .take(48)
        .collect();
    let stem = stem.trim_end_matches('_');
    let first: Option<SlotName> = stem.parse().ok();
    let numbered = (2..).filter_map(|n| {
        let stem = if stem.is_empty() { "color" } else { stem };
        format!("{stem}_{n}").parse().ok()
    });
    let mut names = first.into_iter().chain(numbered);
    names
        .find(|name| !form.slots.contains_key(name))
        .unwrap_or_else(SlotName::usual)
}

/// A place that prints a slot as the example is spelt.
fn place(name: &SlotName, found: &ColorUse, spelling: &str) -> String {
    match found.written {
        Written::Channels => channels(name, spelling),
        Written::Arguments(call) => within(call, name, spelling),
        Written::Made(order) => within(order.call(), name, spelling),
        // Components stand apart from each other: the text stays as it is.
        Written::Components => plain(spelling),
        Written::AlphaFirst if spelling.starts_with('#') => {
            // Behind `#`, digits with the opacity in front are as those behind `0x`.
            format!(
                "#{{{{ ({name} | like({:?}))[2:] }}}}",
                format!("0x{}", &spelling[1..])
            )
        }
        _ => format!("{{{{ {name} | like({spelling:?}) }}}}"),
    }
}

/// A place that prints what stands in the brackets of a call.
fn within(call: &str, name: &SlotName, spelling: &str) -> String {
    let whole = format!("{call}({spelling})");
    let from = call.len() + 1;
    format!("{{{{ ({name} | like({whole:?}))[{from}:-1] }}}}")
}

/// Three places with what stands between the numbers.
fn channels(name: &SlotName, spelling: &str) -> String {
    let mut parts = ["r", "g", "b"].iter();
    let mut out = String::new();
    for piece in spelling.split_inclusive(|c: char| !c.is_ascii_digit()) {
        let digits = piece.trim_end_matches(|c: char| !c.is_ascii_digit());
        if !digits.is_empty()
            && let Some(part) = parts.next()
        {
            out.push_str(&format!("{{{{ {name}.{part} }}}}"));
        }
        out.push_str(&piece[digits.len()..]);
    }
    out
}

/// Text that forms print as it is.
fn plain(text: &str) -> String {
    let mut out = String::with_capacity(text.len());
    let mut rest = text;
    while let Some(at) = rest.find('{') {
        out.push_str(&rest[..at]);
        let opens =
            matches!(rest.as_bytes().get(at + 1), Some(b'{' | b'%' | b'#')) || rest.len() == at + 1;
        out.push_str(if opens { "{{ \"{\" }}" } else { "{" });
        rest = &rest[at + 1..];
    }
    out.push_str(rest);
    out
}

/// The last part of a path.
fn file_name(path: &str) -> String {
    let last = path.rsplit(['/', '\\']).next().unwrap_or(path);
    let kept: String = last
        .chars()
        .filter(|c| !c.is_control() && *c != ':')
        .collect();
    if matches!(kept.as_str(), "" | "." | "..") {
        "theme.txt".to_owned()
    } else {
        kept
    }
}
