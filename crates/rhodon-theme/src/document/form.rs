//! Forms: texts with places to fill, for formats that have no target.

use indexmap::IndexMap;
use rhodon_color::Color;
use schemars::JsonSchema;
use serde::Serialize;

use super::field::Node;
use super::problem::{Problems, quoted};
use super::typed::Typed;
use crate::label::{SlotName, Slug, TokenPath};
use crate::token::Mode;

/// The most slots of a form.
const MAX_SLOTS: usize = 400;
/// The longest text of a form, in characters.
const MAX_TEXT: usize = 200_000;
/// The longest path of its file.
const MAX_FILE: usize = 200;
/// The longest filter of a slot.
const MAX_FILTER: usize = 120;

/// A text with places to fill.
#[derive(Clone, Debug, PartialEq, Serialize, JsonSchema)]
#[schemars(deny_unknown_fields)]
pub struct Form {
    /// Path of the file that it becomes, with `/`, inside the folder of an export.
    pub file: String,
    /// What the names in the text stand for.
    #[serde(skip_serializing_if = "IndexMap::is_empty")]
    #[schemars(default)]
    pub slots: IndexMap<SlotName, Slot>,
    /// The text, up to 200,000 characters.
    pub text: String,
    /// Whether the archive packs it; it does where nothing is said.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub pack: Option<bool>,
}

/// What a name in a form stands for: a token, or a colour of its own.
#[derive(Clone, Debug, Default, PartialEq, Serialize, JsonSchema)]
#[schemars(deny_unknown_fields)]
pub struct Slot {
    /// Path of a token.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub token: Option<TokenPath>,
    /// A colour, where no token has it.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub color: Option<Typed<Color>>,
    /// The mode of the token; light where nothing is said.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub mode: Option<Mode>,
    /// Filters that it goes through, as they stand behind a bar: `alpha(0.5) | argb`.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub filter: Option<String>,
}

impl Form {
    /// Whether the archive packs it.
    pub fn is_packed(&self) -> bool {
        self.pack != Some(false)
    }

    pub(super) fn read(node: &Node<'_>, problems: &mut Problems) -> Option<Self> {
        let object = node.object(&["file", "slots", "text", "pack"], problems)?;
        let file = object.require("file", problems)?;
        let path = file.text(MAX_FILE, problems)?;
        let inside = path.split('/').all(|part| {
            !matches!(part, "" | "." | "..")
                && !part.contains(['\\', ':'])
                && !part.chars().any(char::is_control)
        });
        if !inside {
            let message = format!("expected a path inside the folder, found {}", quoted(&path));
            problems.add(&file.pointer, message);
            return None;
        }
        let text = object.require("text", problems)?;
        let held = text.value.as_str().unwrap_or_default();
        let letters = held.chars().count();
        if letters > MAX_TEXT || !text.value.is_string() {
            let message =
                format!("expected a text of at most {MAX_TEXT} characters, found {letters}");
            problems.add(&text.pointer, message);
            return None;
        }
        let slots = object.get("slots");
        let found: IndexMap<SlotName, Slot> = slots
            .as_ref()
            .map_or_else(IndexMap::new, |n| n.map(problems, |n, p| slot(&n, p)));
        if let Some(node) = slots.filter(|_| found.len() > MAX_SLOTS) {
            let message = format!("expected at most {MAX_SLOTS} slots, found {}", found.len());
            problems.add(&node.pointer, message);
        }
        Some(Self {
            file: path,
            slots: found,
            text: held.to_owned(),
            pack: object.get("pack").and_then(|n| n.flag(problems)),
        })
    }

    /// Points slots that stand on a group of tokens at another.
    pub(crate) fn follow(&mut self, old: &Slug, new: &Slug) {
        for slot in self.slots.values_mut() {
            let rest = slot
                .token
                .as_ref()
                .and_then(|path| path.as_str().strip_prefix(old.as_str())?.strip_prefix('.'));
            let moved = rest.and_then(|rest| format!("{new}.{rest}").parse().ok());
            if moved.is_some() {
                slot.token = moved;
            }
        }
    }
}

fn slot(node: &Node<'_>, problems: &mut Problems) -> Option<Slot> {
    let object = node.object(&["token", "color", "mode", "filter"], problems)?;
    let slot = Slot {
        token: object.get("token").and_then(|n| n.parsed(problems)),
        color: object.get("color").and_then(|n| n.color(problems)),
        mode: object.get("mode").and_then(|n| n.mode(problems)),
        filter: object
            .get("filter")
            .and_then(|n| n.text(MAX_FILTER, problems)),
    };
    if slot.token.is_some() == slot.color.is_some() {
        problems.add(&node.pointer, "expected either a token or a colour");
        return None;
    }
    Some(slot)
}
