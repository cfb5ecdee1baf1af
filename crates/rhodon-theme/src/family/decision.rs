//! What a document decides, place by place, so that one decision alone can be given back.

use std::fmt;

use serde_json::Value;

use crate::document::{Document, Problems, Resolved};

/// One decision of a document, by its place in it.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct Decision {
    /// Its key at the top of the document, such as `roles`.
    pub key: &'static str,
    /// The names below that key: slugs, paths, labels, modes.
    pub names: Vec<String>,
    /// What is decided, as it is written, where that is a colour, a reference, a word or a number.
    pub value: Option<String>,
    /// Whether a parent decides the same thing, which holds again once this one is given back.
    pub replaces: bool,
    /// What the parent decides, as [`Decision::value`].
    pub before: Option<String>,
}

/// A key of the document, and the word for what stands there.
struct Place {
    key: &'static str,
    word: &'static str,
    /// How many names lead to one decision.
    depth: usize,
    /// Whether tokens may follow from it.
    derives: bool,
}

const fn place(key: &'static str, word: &'static str, depth: usize, derives: bool) -> Place {
    Place {
        key,
        word,
        depth,
        derives,
    }
}

const PLACES: [Place; 15] = [
    place("brand", "brand colour", 1, true),
    place("steps", "steps of every scale", 0, true),
    place("scales", "scale", 2, true),
    place("intents", "intent", 1, true),
    place("roles", "role", 2, true),
    place("tokens", "own token", 1, true),
    place("type", "type", 1, true),
    place("shape", "shape", 1, true),
    place("contrast", "more contrast", 3, true),
    place("aim", "balance of the page", 0, false),
    place("handoff", "target", 2, false),
    place("pack", "choice of targets", 0, false),
    place("forms", "form", 1, false),
    place("accepted", "accepted findings", 0, false),
    place("kept", "kept token", 1, false),
];

/// Settings of a scale that are decided step by step.
const BY_STEP: [&str; 2] = ["pins", "lightness"];

/// Everything that a document decides, in its own order, told against its parent.
pub fn decisions(theme: &Resolved) -> Vec<Decision> {
    let own = theme.document().to_json();
    let parent = theme.parent().map(|parent| parent.merged.to_json());
    let mut out = Vec::new();
    for place in &PLACES {
        let Some(value) = own.get(place.key) else {
            continue;
        };
        let mut found = Vec::new();
        walk(value, place.depth, Vec::new(), &mut found);
        out.extend(found.into_iter().map(|names| {
            let before = parent.as_ref().and_then(|p| at(p, place.key, &names));
            Decision {
                key: place.key,
                value: at(&own, place.key, &names).and_then(told),
                replaces: before.is_some(),
                before: before.and_then(told),
                names,
            }
        }));
    }
    out
}

/// The names that lead to each decision below a value.
fn walk(value: &Value, depth: usize, names: Vec<String>, found: &mut Vec<Vec<String>>) {
    let by_step = names.last().is_some_and(|n| BY_STEP.contains(&n.as_str()));
    match value {
        Value::Object(map) if depth > 0 || (by_step && names.len() == 2) => {
            for (name, below) in map {
                let mut names = names.clone();
                names.push(name.clone());
                walk(below, depth.saturating_sub(1), names, found);
            }
        }
        // Brand colours stand in a list, and are known by their slugs.
        Value::Array(list) if depth > 0 => found.extend(list.iter().filter_map(|entry| {
            let slug = entry.get("slug")?.as_str()?;
            Some(vec![slug.to_owned()])
        })),
        _ => found.push(names),
    }
}

/// What a document has at a place.
fn at<'a>(document: &'a Value, key: &str, names: &[String]) -> Option<&'a Value> {
    let top = document.get(key)?;
    names.iter().try_fold(top, |at, name| match at {
        Value::Array(list) => list.iter().find(|entry| entry["slug"] == name.as_str()),
        other => other.get(name),
    })
}

/// A value in a few words, where it has them: a brand colour is told by its colour.
fn told(value: &Value) -> Option<String> {
    match value {
        Value::String(text) => Some(text.clone()),
        Value::Number(number) => number.as_f64().map(|n| n.to_string()),
        Value::Object(map) => map.get("color")?.as_str().map(str::to_owned),
        _ => None,
    }
}

impl Decision {
    /// Its place as a JSON Pointer (RFC 6901), brand colours by their slugs.
    pub fn pointer(&self) -> String {
        let mut out = format!("/{}", self.key);
        for name in &self.names {
            out.push('/');
            out.push_str(&name.replace('~', "~0").replace('/', "~1"));
        }
        out
    }

    /// Whether tokens may follow from it.
    pub fn derives(&self) -> bool {
        PLACES.iter().any(|p| p.key == self.key && p.derives)
    }

    fn remove_from(&self, document: &mut Value) {
        if let Some(top) = document.as_object_mut() {
            remove(top, self.key, &self.names);
        }
    }
}

/// Removes what stands at a place, and whatever is empty without it.
fn remove(map: &mut serde_json::Map<String, Value>, key: &str, names: &[String]) {
    let Some((first, rest)) = names.split_first() else {
        map.remove(key);
        return;
    };
    let is_empty = match map.get_mut(key) {
        Some(Value::Array(list)) => {
            list.retain(|entry| entry["slug"] != first.as_str());
            list.is_empty()
        }
        Some(Value::Object(below)) => {
            remove(below, first, rest);
            below.is_empty()
        }
        _ => false,
    };
    if is_empty {
        map.remove(key);
    }
}

/// Words for a place, as in `role link.rest in light`.
impl fmt::Display for Decision {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        let word = PLACES.iter().find(|p| p.key == self.key).map(|p| p.word);
        f.write_str(word.unwrap_or(self.key))?;
        match (self.key, self.names.as_slice()) {
            ("roles", [path, mode]) => write!(f, " {path} in {mode}"),
            (_, [first, rest @ ..]) => {
                write!(f, " {first}")?;
                rest.iter().try_for_each(|name| write!(f, ", {name}"))
            }
            _ => Ok(()),
        }
    }
}

/// A document without some of its decisions, read anew. What then dangles is not mended here.
///
/// # Errors
/// What the document cannot be without.
pub(crate) fn without<'a>(
    document: &Document,
    decisions: impl IntoIterator<Item = &'a Decision>,
) -> Result<Document, Problems> {
    let mut json = document.to_json();
    decisions
        .into_iter()
        .for_each(|decision| decision.remove_from(&mut json));
    Document::read(&json)
}
