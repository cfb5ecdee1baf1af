//! Every token of some layers by its path, with the type it has or inherits.

use indexmap::IndexMap;
use serde_json::{Map, Value};

use super::extend::extended;
use super::layer::Layer;
use super::report::report;
use crate::read::import::ReadProblem;
use crate::write::tokens::ROOT;

/// How deep groups may stand in each other.
const MAX_DEPTH: usize = 64;
/// How many tokens are read.
const MAX_TOKENS: usize = 50_000;

/// A token as it stands in a file.
#[derive(Clone, Debug)]
pub(super) struct Raw {
    /// Name of the file.
    pub file: String,
    /// Names of its groups and its own.
    pub names: Vec<String>,
    /// Its own type or that of the nearest group with one.
    pub kind: Option<String>,
    /// The token itself.
    pub json: Map<String, Value>,
}

impl Raw {
    pub(super) fn value(&self) -> &Value {
        self.json.get("$value").unwrap_or(&Value::Null)
    }

    /// The path that it refers to: `{a.b}`, or a pointer to its value (Format module, "Aliases").
    pub(super) fn alias(&self) -> Option<String> {
        match self.value() {
            Value::String(text) => text
                .trim()
                .strip_prefix('{')?
                .strip_suffix('}')
                .map(|path| path.trim().to_owned()),
            Value::Object(map) => {
                let pointer = map.get("$ref")?.as_str()?.strip_prefix("#/")?;
                let pointer = pointer.strip_suffix("/$value").unwrap_or(pointer);
                Some(
                    pointer
                        .split('/')
                        .map(|n| n.replace("~1", "/").replace("~0", "~"))
                        .collect::<Vec<_>>()
                        .join("."),
                )
            }
            _ => None,
        }
    }
}

/// Tokens by path, in the order of the files.
#[derive(Debug, Default)]
pub(super) struct Table(pub IndexMap<String, Raw>);

impl Table {
    /// Reads layers; a later one wins.
    pub(super) fn read(layers: &[Layer<'_>], problems: &mut Vec<ReadProblem>) -> Self {
        let mut table = Self::default();
        for (file, root) in layers {
            let Value::Object(map) = root else {
                report(
                    problems,
                    ReadProblem::new(file, "", "expected an object of tokens and groups"),
                );
                continue;
            };
            let map = extended(file, map, problems);
            Walk {
                file,
                table: &mut table,
                problems,
            }
            .group(&map, &mut Vec::new(), None);
        }
        table
    }

    /// A token by the path that an alias names; a group's own token too.
    pub(super) fn find(&self, path: &str) -> Option<&Raw> {
        self.0
            .get(path)
            .or_else(|| self.0.get(path.strip_suffix(&format!(".{ROOT}"))?))
    }

    /// The type of a token: its own, or that of what it refers to.
    pub(super) fn kind(&self, raw: &Raw) -> Option<String> {
        let mut at = raw;
        // A circle ends here too.
        for _ in 0..MAX_DEPTH {
            if at.kind.is_some() {
                return at.kind.clone();
            }
            at = self.find(&at.alias()?)?;
        }
        None
    }
}

struct Walk<'a> {
    file: &'a str,
    table: &'a mut Table,
    problems: &'a mut Vec<ReadProblem>,
}

impl Walk<'_> {
    fn refuse(&mut self, names: &[String], message: impl Into<String>) {
        report(
            self.problems,
            ReadProblem::new(self.file, names.join("."), message),
        );
    }

    fn group(&mut self, map: &Map<String, Value>, names: &mut Vec<String>, kind: Option<&str>) {
        if names.len() > MAX_DEPTH {
            return self.refuse(
                names,
                format!("expected at most {MAX_DEPTH} groups in each other"),
            );
        }
        let kind = match map.get("$type") {
            None => kind,
            Some(Value::String(own)) => Some(own.as_str()),
            Some(_) => {
                self.refuse(names, "expected $type to be text");
                kind
            }
        };
        if map.contains_key("$value") {
            return self.token(map, names, kind);
        }
        for (name, value) in map {
            if name == ROOT {
                if let Value::Object(inner) = value {
                    let own = inner.get("$type").and_then(Value::as_str);
                    self.token(inner, names, own.or(kind));
                }
                continue;
            }
            if name.starts_with('$') {
                continue;
            }
            names.push(name.clone());
            match value {
                _ if name.contains(['{', '}', '.']) => {
                    self.refuse(names, "expected a name without braces and dots");
                }
                Value::Object(inner) => self.group(inner, names, kind),
                _ => self.refuse(names, "expected a token or a group, found neither"),
            }
            names.pop();
        }
    }

    fn token(&mut self, map: &Map<String, Value>, names: &[String], kind: Option<&str>) {
        if names.is_empty() {
            return self.refuse(names, "expected a token to have a name");
        }
        if self.table.0.len() >= MAX_TOKENS {
            return self.refuse(&[], format!("expected at most {MAX_TOKENS} tokens"));
        }
        if !map.contains_key("$value") {
            return self.refuse(names, "expected a $value");
        }
        let raw = Raw {
            file: self.file.to_owned(),
            names: names.to_vec(),
            kind: kind.map(str::to_owned),
            json: map.clone(),
        };
        self.table.0.insert(names.join("."), raw);
    }
}
