//! A form from an example: every colour of a file becomes a place. What a token has, or nearly has, is
//! that token; the rest keeps its own colour until somebody chooses.

use std::collections::HashMap;

use indexmap::IndexMap;
use rhodon_color::Rgb8;
use rhodon_theme::{Derived, Form, Mode, Role, Slot, SlotName, Typed};

use super::called::Names;
use super::near_tokens::{NearTokens, Sought};
use super::{pair, rule_names};
use crate::color_use::{ColorUse, Written, finder_for_any};
use crate::inventory::text_of;
use crate::read::{InputFile, key_words, shared_words};

/// A form that was learned.
#[derive(Clone, Debug, PartialEq)]
pub struct Learned {
    /// The form.
    pub form: Form,
    /// Slots that no token is near to.
    pub open: Vec<SlotName>,
    /// Slots whose token is not exactly the colour of the example, with how far it is (CIEDE2000).
    pub near: Vec<(SlotName, f64)>,
}

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
    let mut sides = vec![None; uses.len()];
    if finder.is_style() {
        rule_names::name(text, &mut uses);
    } else {
        sides = pair::sides(text, &uses);
    }
    let mut learner = Learner::new(&example.name, &uses, theme);
    let mut out = String::with_capacity(text.len() * 2);
    let mut at = 0;
    let mut before: Option<&str> = None;
    for (found, side) in uses.iter().zip(sides) {
        // Readers of lines name only the first of two.
        let first = before.filter(|_| side == Some(Mode::Dark));
        let called = found.name.as_deref().or(first);
        before = called;
        let name = learner.slot(found.color.to_rgb8(), called, side);
        out.push_str(&plain(&text[at..found.range.start]));
        out.push_str(&place(&name, found, &text[found.range.clone()]));
        at = found.range.end;
    }
    out.push_str(&plain(&text[at..]));
    learner.learned.form.text = out;
    Ok(learner.learned)
}

/// What one slot stands for: a code under a name, and its mode where it is one of two.
type Key = (Rgb8, Option<String>, Option<Mode>);

/// A form in the making.
struct Learner<'a> {
    learned: Learned,
    tokens: NearTokens<'a>,
    /// How many words all names begin with, which say nothing of a colour.
    shared: usize,
    /// All of them.
    names: Names,
    slots: HashMap<Key, SlotName>,
    /// How many slots have a name of their own or one with a number behind it.
    numbers: HashMap<String, usize>,
}

impl<'a> Learner<'a> {
    fn new(file: &str, uses: &[ColorUse], theme: &'a Derived) -> Self {
        let names = || uses.iter().filter_map(|found| found.name.as_deref());
        let form = Form {
            file: file_name(file),
            slots: IndexMap::new(),
            text: String::new(),
            pack: None,
        };
        Self {
            learned: Learned {
                form,
                open: Vec::new(),
                near: Vec::new(),
            },
            tokens: NearTokens::of(theme),
            shared: shared_words(names()),
            names: Names::of(names()),
            slots: HashMap::new(),
            numbers: HashMap::new(),
        }
    }

    /// The slot of a colour.
    fn slot(&mut self, code: Rgb8, called: Option<&str>, side: Option<Mode>) -> SlotName {
        let key = (code, called.map(str::to_owned), side);
        if let Some(name) = self.slots.get(&key) {
            return name.clone();
        }
        let name = self.add(code, called, side);
        self.slots.insert(key, name.clone());
        name
    }

    /// A slot for a colour, under a name of its own.
    fn add(&mut self, code: Rgb8, called: Option<&str>, side: Option<Mode>) -> SlotName {
        let own: Option<String> =
            called.map(|name| key_words(name).split_off(self.shared).join(" "));
        let role = own.as_deref().and_then(|name| self.names.role(name));
        let name = called;
        let sought = Sought {
            code,
            name,
            role,
            side,
        };
        // A role that the name speaks of says more than another token that is only near, or than its own other mode.
        let nearest = self.tokens.nearest(sought).filter(|near| {
            let is_meant = |role: Role| {
                role.path() == near.path && (side.is_some() || near.mode != Some(Mode::Dark))
            };
            near.away == 0.0 || role.is_none_or(is_meant)
        });
        let mut wanted = match (own, &nearest) {
            (Some(name), _) => name,
            (None, Some(near)) => near.path.to_owned(),
            (None, None) => rhodon_theme::color_look(code),
        };
        if side == Some(Mode::Dark) {
            wanted.push_str(" dark");
        }
        let name = self.free_name(&wanted);
        let token = nearest.and_then(|near| Some((near.path.parse().ok()?, near)));
        let slot = match token {
            Some((token, near)) => {
                if near.away > 0.0 {
                    self.learned.near.push((name.clone(), near.away));
                }
                Slot {
                    token: Some(token),
                    mode: near.mode.filter(|mode| *mode == Mode::Dark),
                    ..Slot::default()
                }
            }
            None => {
                self.learned.open.push(name.clone());
                Slot {
                    color: Some(Typed::from_color(code.into())),
                    ..Slot::default()
                }
            }
        };
        self.learned.form.slots.insert(name.clone(), slot);
        name
    }

    /// A name for a slot that no other has.
    fn free_name(&mut self, wanted: &str) -> SlotName {
        let stem = stem(wanted);
        let count = self.numbers.entry(stem.clone()).or_insert(1);
        let first: Option<SlotName> = stem.parse().ok().filter(|_| *count == 1);
        let numbered =
            (*count + 1..).filter_map(|n| Some((n, format!("{}_{n}", named(&stem)).parse().ok()?)));
        let mut names = first.into_iter().map(|name| (1, name)).chain(numbered);
        let slots = &self.learned.form.slots;
        let Some((n, name)) = names.find(|(_, name)| !slots.contains_key(name)) else {
            return SlotName::usual();
        };
        *count = n;
        name
    }
}

fn named(stem: &str) -> &str {
    if stem.is_empty() { "color" } else { stem }
}

/// What is wanted as a name may be.
fn stem(wanted: &str) -> String {
    let stem = key_words(wanted).join("_").to_ascii_lowercase();
    let fits = |c: char| if c.is_ascii_alphanumeric() { c } else { '_' };
    let stem: String = stem.chars().map(fits).collect();
    let stem: String = stem
        .trim_matches(|c: char| c == '_' || c.is_ascii_digit())
        .chars()
        .take(48)
        .collect();
    stem.trim_end_matches('_').to_owned()
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
