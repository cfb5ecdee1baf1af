//! Entries of lists, such as `{ name: "Petrol", color: "#0f5c7a" }`: a colour under a key that every entry
//! has is known by the name that stands beside it.

use super::ColorUse;

/// Keys under which an entry has its name, the best first.
const NAMES: &[&str] = &["name", "label", "title", "slug", "id"];
/// Keys that say of a value only that it is a colour.
const PLAIN: &[&str] = &["color", "colour", "value", "$value", "hex", "code", "css"];
/// The longest name that is taken, in bytes.
const LONGEST: usize = 80;

/// Whether a key, or the last part of a path of keys, says only that its value is a colour.
pub(crate) fn is_plain(key: &str) -> bool {
    let last = key.rsplit('.').next().unwrap_or(key);
    PLAIN.iter().any(|plain| plain.eq_ignore_ascii_case(last))
}

/// What is known of one entry while it is read.
#[derive(Default)]
pub(super) struct Entry {
    /// Place among [`NAMES`], and the name.
    name: Option<(usize, String)>,
    /// The colour that waits for it.
    waits: Option<usize>,
    /// Whether there are several, so that the name tells none of them.
    is_several: bool,
}

impl Entry {
    /// Notes a text that may be its name.
    pub(super) fn text(&mut self, key: &str, text: &str) {
        let Some(rank) = NAMES.iter().position(|name| *name == key) else {
            return;
        };
        let is_better = self.name.as_ref().is_none_or(|(best, _)| rank < *best);
        let is_name = (1..=LONGEST).contains(&text.len()) && !text.contains('\n');
        if is_better && is_name {
            self.name = Some((rank, text.to_owned()));
        }
    }

    /// Notes the colour that was found at that place of the list.
    pub(super) fn color(&mut self, key: &str, at: usize) {
        if is_plain(key) {
            self.is_several |= self.waits.is_some();
            self.waits = Some(at);
        }
    }

    /// Names its colour, once all of it was read.
    pub(super) fn close(self, found: &mut [ColorUse]) {
        let waits = self.waits.filter(|_| !self.is_several);
        if let (Some((_, name)), Some(color)) = (self.name, waits.and_then(|at| found.get_mut(at)))
        {
            color.name = Some(name);
        }
    }
}

/// How deep entries may stand in each other; what is deeper has no names.
const DEEPEST: usize = 256;

/// Entries that are open, each in the one before.
#[derive(Default)]
pub(super) struct Entries {
    open: Vec<Entry>,
    beyond: usize,
}

impl Entries {
    /// A bracket opens.
    pub(super) fn open(&mut self) {
        if self.open.len() < DEEPEST {
            self.open.push(Entry::default());
        } else {
            self.beyond += 1;
        }
    }

    /// A bracket closes: its entry was read.
    pub(super) fn close(&mut self, found: &mut [ColorUse]) {
        if self.beyond > 0 {
            self.beyond -= 1;
        } else if let Some(entry) = self.open.pop() {
            entry.close(found);
        }
    }

    /// A value was read under a key: the colour at a place of the list, or a text.
    pub(super) fn value(&mut self, key: &str, text: &str, color: Option<usize>) {
        let Some(entry) = self.open.last_mut().filter(|_| self.beyond == 0) else {
            return;
        };
        match color {
            Some(at) => entry.color(key, at),
            None => entry.text(key, text),
        }
    }
}
