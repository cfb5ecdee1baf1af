//! A cursor over a JSON document that collects problems instead of stopping at the first.

use std::{borrow::Cow, fmt::Display, str::FromStr};

use indexmap::IndexMap;
use serde_json::{Map, Value};

use super::problem::{MOST, Problems, quoted};

/// The longest unknown key for which the nearest known one is sought.
const LONGEST_KEY: usize = 60;

/// A value and its place.
#[derive(Clone, Debug)]
pub(crate) struct Node<'a> {
    pub value: &'a Value,
    pub pointer: String,
}

/// An object whose keys have been checked.
#[derive(Debug)]
pub(crate) struct Object<'a> {
    map: &'a Map<String, Value>,
    pointer: String,
}

fn child(pointer: &str, key: &str) -> String {
    format!("{pointer}/{}", key.replace('~', "~0").replace('/', "~1"))
}

/// What stands where something else was expected: a text or number as it is, of others their kind.
fn told(value: &Value) -> Cow<'static, str> {
    Cow::Borrowed(match value {
        Value::Null => "null",
        Value::Bool(_) => "true or false",
        Value::Number(number) => return Cow::Owned(number.to_string()),
        Value::String(text) => return Cow::Owned(quoted(text)),
        Value::Array(_) => "a list",
        Value::Object(_) => "an object",
    })
}

impl<'a> Node<'a> {
    fn refuse<T>(&self, problems: &mut Problems, expected: &str) -> Option<T> {
        problems.add(
            &self.pointer,
            format!("expected {expected}, found {}", told(self.value)),
        );
        None
    }

    /// An object with no keys but the known ones.
    pub(crate) fn object(&self, known: &[&str], problems: &mut Problems) -> Option<Object<'a>> {
        let Value::Object(map) = self.value else {
            return self.refuse(problems, "an object");
        };
        for key in map.keys().filter(|k| !known.contains(&k.as_str())) {
            if key.len() > LONGEST_KEY || problems.len() >= MOST {
                problems.add(
                    child(&self.pointer, key),
                    format!("unknown key {}", quoted(key)),
                );
                continue;
            }
            let nearest = known
                .iter()
                .map(|k| (strsim::damerau_levenshtein(key, k), k))
                .min()
                .filter(|(distance, k)| *distance <= k.len().max(3) / 2);
            let hint = match nearest {
                Some((_, k)) => format!("the nearest known key is \"{k}\""),
                None => format!("expected one of {}", known.join(", ")),
            };
            problems.add(
                child(&self.pointer, key),
                format!("unknown key {}: {hint}", quoted(key)),
            );
        }
        Some(Object {
            map,
            pointer: self.pointer.clone(),
        })
    }

    /// An object used as a map from parsed names.
    pub(crate) fn map<K, V>(
        &self,
        problems: &mut Problems,
        mut read: impl FnMut(Node<'a>, &mut Problems) -> Option<V>,
    ) -> IndexMap<K, V>
    where
        K: FromStr<Err: Display> + std::hash::Hash + Ord,
    {
        let Value::Object(map) = self.value else {
            self.refuse::<()>(problems, "an object");
            return IndexMap::new();
        };
        let mut out = IndexMap::with_capacity(map.len());
        for (key, value) in map {
            let node = Node {
                value,
                pointer: child(&self.pointer, key),
            };
            match key.parse() {
                Ok(name) => {
                    if let Some(v) = read(node, problems) {
                        out.insert(name, v);
                    }
                }
                Err(e) => problems.add(node.pointer, format!("{}: {e}", quoted(key))),
            }
        }
        // The order of keys decides nothing: the same decisions give the same bytes.
        out.sort_keys();
        out
    }

    /// A list of at most `most` values.
    pub(crate) fn list<V>(
        &self,
        most: usize,
        problems: &mut Problems,
        mut read: impl FnMut(Node<'a>, &mut Problems) -> Option<V>,
    ) -> Vec<V> {
        let Value::Array(items) = self.value else {
            self.refuse::<()>(problems, "a list");
            return Vec::new();
        };
        if items.len() > most {
            problems.add(
                &self.pointer,
                format!("expected at most {most} values, found {}", items.len()),
            );
            return Vec::new();
        }
        let nodes = items.iter().enumerate();
        nodes
            .filter_map(|(i, value)| {
                read(
                    Node {
                        value,
                        pointer: format!("{}/{i}", self.pointer),
                    },
                    problems,
                )
            })
            .collect()
    }

    /// Text of 1 to `most` characters, without control characters.
    pub(crate) fn text(&self, most: usize, problems: &mut Problems) -> Option<String> {
        let Value::String(s) = self.value else {
            return self.refuse(problems, "text");
        };
        let length = s.chars().count();
        if s.trim().is_empty() || length > most {
            problems.add(
                &self.pointer,
                format!("expected 1 to {most} characters, found {length}"),
            );
            return None;
        }
        if s.chars().any(char::is_control) {
            problems.add(&self.pointer, "expected text without control characters");
            return None;
        }
        Some(s.clone())
    }

    /// Up to 200 characters without control characters, or nothing.
    pub(crate) fn setting(&self, problems: &mut Problems) -> Option<String> {
        match self.value {
            Value::String(s) if s.is_empty() => Some(String::new()),
            _ => self.text(200, problems),
        }
    }

    /// An object of any content that the database can hold: it refuses the character U+0000.
    pub(crate) fn storable(&self, problems: &mut Problems) -> Option<Map<String, Value>> {
        let Value::Object(map) = self.value else {
            return self.refuse(problems, "an object");
        };
        if holds_nul(self.value) {
            problems.add(&self.pointer, "expected text without the character U+0000");
            return None;
        }
        Some(map.clone())
    }

    /// Text in a form that `T` reads.
    pub(crate) fn parsed<T: FromStr<Err: Display>>(&self, problems: &mut Problems) -> Option<T> {
        let text = self.text(200, problems)?;
        text.parse()
            .map_err(|e| problems.add(&self.pointer, format!("{}: {e}", quoted(&text))))
            .ok()
    }

    /// A number within bounds.
    pub(crate) fn number(&self, low: f64, high: f64, problems: &mut Problems) -> Option<f64> {
        let number = self.value.as_f64().filter(|n| (low..=high).contains(n));
        number.or_else(|| self.refuse(problems, &format!("a number from {low} to {high}")))
    }

    /// True or false.
    pub(crate) fn flag(&self, problems: &mut Problems) -> Option<bool> {
        match self.value {
            Value::Bool(b) => Some(*b),
            _ => self.refuse(problems, "true or false"),
        }
    }
}

impl<'a> Object<'a> {
    /// The value of a key; `null` counts as absent.
    pub(crate) fn get(&self, key: &str) -> Option<Node<'a>> {
        let value = self.map.get(key).filter(|v| !v.is_null())?;
        Some(Node {
            value,
            pointer: child(&self.pointer, key),
        })
    }

    /// The value of a key that must be there.
    pub(crate) fn require(&self, key: &str, problems: &mut Problems) -> Option<Node<'a>> {
        let found = self.get(key);
        if found.is_none() {
            problems.add(
                child(&self.pointer, key),
                format!("expected \"{key}\", found nothing"),
            );
        }
        found
    }

    /// Where this object stands.
    pub(crate) fn pointer(&self) -> &str {
        &self.pointer
    }
}

/// Whether the character U+0000 stands anywhere in a value; the database refuses it.
pub fn holds_nul(value: &Value) -> bool {
    match value {
        Value::String(text) => text.contains('\0'),
        Value::Array(items) => items.iter().any(holds_nul),
        Value::Object(map) => map
            .iter()
            .any(|(key, value)| key.contains('\0') || holds_nul(value)),
        _ => false,
    }
}
