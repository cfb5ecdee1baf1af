//! Where a brand colour came from.

use schemars::JsonSchema;
use serde::Serialize;
use serde_json::Value;

use super::field::Node;
use super::problem::{Problems, quoted};

/// Where a brand colour came from. A colour without one was typed.
#[derive(Clone, Debug, PartialEq, Serialize, JsonSchema)]
#[serde(tag = "kind", rename_all = "kebab-case")]
#[schemars(deny_unknown_fields)]
pub enum Provenance {
    /// A spot in a picture.
    Picture {
        /// Name of the file, 1 to 200 characters.
        name: String,
        /// Hash of the picture that is kept, in hexadecimal digits.
        #[serde(skip_serializing_if = "Option::is_none")]
        picture: Option<String>,
        /// The spot: 0–1 from the left of the upright picture.
        #[schemars(range(min = 0.0, max = 1.0))]
        x: f64,
        /// The spot: 0–1 from the top.
        #[schemars(range(min = 0.0, max = 1.0))]
        y: f64,
    },
    /// A place in a file.
    File {
        /// Name of the file, 1 to 200 characters.
        name: String,
        /// Line, from 1.
        #[serde(skip_serializing_if = "Option::is_none")]
        line: Option<u32>,
        /// Column in characters, from 1.
        #[serde(skip_serializing_if = "Option::is_none")]
        column: Option<u32>,
    },
    /// A companion of another colour.
    Companion {
        /// Name of that colour then, 1 to 200 characters.
        of: String,
        /// The hue relation.
        relation: String,
    },
    /// A set of a library.
    Set {
        /// Name of the set, 1 to 200 characters.
        name: String,
        /// Whose it was.
        #[serde(skip_serializing_if = "Option::is_none")]
        owner: Option<String>,
    },
}

const MAX_NAME: usize = 200;
/// Hexadecimal digits of the longest hash.
const MAX_HASH: usize = 64;
const MAX_LINE: f64 = 1e9;

impl Provenance {
    /// A place in a file; none where no document holds the file's name.
    pub fn file(name: &str, line: usize, column: usize) -> Option<Self> {
        let is_short = name.chars().count() <= MAX_NAME;
        let fits = is_short && !name.trim().is_empty() && !name.contains(char::is_control);
        fits.then(|| Self::File {
            name: name.to_owned(),
            line: line.try_into().ok(),
            column: column.try_into().ok(),
        })
    }

    pub(super) fn read(node: &Node<'_>, problems: &mut Problems) -> Option<Self> {
        let kind = node.value.get("kind").and_then(Value::as_str);
        let keys: &[&str] = match kind {
            Some("picture") => &["kind", "name", "picture", "x", "y"],
            Some("file") => &["kind", "name", "line", "column"],
            Some("companion") => &["kind", "of", "relation"],
            Some("set") => &["kind", "name", "owner"],
            other => {
                let found = other.map_or_else(|| "nothing".to_owned(), quoted);
                let message = format!("expected picture, file, companion or set, found {found}");
                problems.add(format!("{}/kind", node.pointer), message);
                return None;
            }
        };
        let object = node.object(keys, problems)?;
        let text = |key: &str, most: usize, problems: &mut Problems| {
            object.get(key).and_then(|n| n.text(most, problems))
        };
        let needed = |key: &str, problems: &mut Problems| {
            object
                .require(key, problems)
                .and_then(|n| n.text(MAX_NAME, problems))
        };
        let number = |key: &str, low: f64, high: f64, problems: &mut Problems| {
            object
                .get(key)
                .and_then(|n| n.number(low, high, problems))
                .map(|n| n.round() as u32)
        };
        let part = |key: &str, problems: &mut Problems| {
            let node = object.require(key, problems)?;
            node.number(0.0, 1.0, problems)
        };
        Some(match kind {
            Some("picture") => {
                let (name, x, y) = (
                    needed("name", problems),
                    part("x", problems),
                    part("y", problems),
                );
                let picture = text("picture", MAX_HASH, problems);
                if let Some(hash) = &picture
                    && !hash.bytes().all(|b| b.is_ascii_hexdigit())
                {
                    let place = format!("{}/picture", node.pointer);
                    problems.add(place, "expected the hash of a picture");
                    return None;
                }
                Self::Picture {
                    name: name?,
                    picture,
                    x: x?,
                    y: y?,
                }
            }
            Some("file") => Self::File {
                name: needed("name", problems)?,
                line: number("line", 1.0, MAX_LINE, problems),
                column: number("column", 1.0, MAX_LINE, problems),
            },
            Some("companion") => {
                let (of, relation) = (needed("of", problems), needed("relation", problems));
                Self::Companion {
                    of: of?,
                    relation: relation?,
                }
            }
            _ => Self::Set {
                name: needed("name", problems)?,
                owner: text("owner", MAX_NAME, problems),
            },
        })
    }

    /// Reads one that stands alone, as a new colour brings it.
    ///
    /// # Errors
    /// What is wrong with it, each with its place.
    pub fn parse(value: &Value) -> Result<Self, Problems> {
        let mut problems = Problems::default();
        let node = Node {
            value,
            pointer: String::new(),
        };
        let read = Self::read(&node, &mut problems);
        match read {
            Some(read) => problems.into_result(read),
            None => Err(problems),
        }
    }
}
