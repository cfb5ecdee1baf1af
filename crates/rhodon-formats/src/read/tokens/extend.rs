//! Groups that take over what another one has (Format module, "Extending groups"). Each is expanded
//! once; circles, chains that are too long and what comes out too large are told.

use std::collections::HashMap;
use std::rc::Rc;

use serde_json::{Map, Value};

use super::report::report;
use crate::read::import::ReadProblem;

/// How many groups may extend each other in a row.
const MAX_CHAIN: usize = 64;
/// How many tokens and groups may be added to a file, all together.
const MAX_ADDED: usize = 50_000;

type Group = Rc<Map<String, Value>>;

/// A file whose groups have taken over what they extend.
pub(super) fn extended(
    file: &str,
    root: &Map<String, Value>,
    problems: &mut Vec<ReadProblem>,
) -> Map<String, Value> {
    let mut extender = Extender {
        file,
        root,
        problems,
        known: HashMap::new(),
        open: Vec::new(),
        left: MAX_ADDED,
    };
    extender.expand(root, &mut Vec::new())
}

struct Extender<'a> {
    file: &'a str,
    root: &'a Map<String, Value>,
    problems: &'a mut Vec<ReadProblem>,
    /// Expanded groups by their paths; none where one cannot be.
    known: HashMap<String, Option<Group>>,
    /// Paths of the groups that are being expanded.
    open: Vec<String>,
    /// What may still be added.
    left: usize,
}

impl Extender<'_> {
    fn refuse(&mut self, names: &[String], message: impl Into<String>) {
        report(
            self.problems,
            ReadProblem::new(self.file, names.join("."), message),
        );
    }

    /// A group with everything in it expanded.
    fn expand(&mut self, map: &Map<String, Value>, names: &mut Vec<String>) -> Map<String, Value> {
        let mut out = Map::with_capacity(map.len());
        for (name, value) in map {
            let inner = match value {
                Value::Object(inner) if !name.starts_with('$') && names.len() < MAX_CHAIN => {
                    names.push(name.clone());
                    let inner = self.named(inner, names);
                    names.pop();
                    inner.map_or_else(|| value.clone(), |g| Value::Object(Map::clone(&g)))
                }
                _ => value.clone(),
            };
            out.insert(name.clone(), inner);
        }
        if let Some(text) = map.get("$extends").and_then(Value::as_str)
            && let Some(base) = self.base(text, names)
        {
            self.overlay(&base, &mut out, names);
        }
        out
    }

    /// A group by its place, expanded once.
    fn named(&mut self, map: &Map<String, Value>, names: &mut Vec<String>) -> Option<Group> {
        let path = names.join(".");
        if let Some(known) = self.known.get(&path) {
            return known.clone();
        }
        self.open.push(path.clone());
        let group = Rc::new(self.expand(map, names));
        self.open.pop();
        self.known.insert(path, Some(group.clone()));
        Some(group)
    }

    /// What a group extends, expanded.
    fn base(&mut self, text: &str, names: &[String]) -> Option<Group> {
        let path = text.trim().trim_start_matches('{').trim_end_matches('}');
        if let Some(known) = self.known.get(path) {
            return known.clone();
        }
        if let Some(first) = self.open.iter().position(|open| open == path) {
            let circle = [&self.open[first..], &[path.to_owned()]]
                .concat()
                .join(" → ");
            self.refuse(
                names,
                format!("groups extend each other in a circle: {circle}"),
            );
            return None;
        }
        if self.open.len() >= MAX_CHAIN {
            let message = format!("expected at most {MAX_CHAIN} groups that extend each other");
            self.refuse(names, message);
            return None;
        }
        let mut place: Vec<String> = path.split('.').map(str::to_owned).collect();
        let root = self.root;
        let found = place
            .iter()
            .try_fold(root, |at, name| at.get(name)?.as_object());
        match found {
            Some(group) => self.named(group, &mut place),
            None => {
                self.refuse(names, format!("no group \"{path}\" to extend"));
                None
            }
        }
    }

    /// Adds what a base has and a group has not.
    fn overlay(
        &mut self,
        base: &Map<String, Value>,
        map: &mut Map<String, Value>,
        names: &[String],
    ) {
        for (name, theirs) in base.iter().filter(|(name, _)| *name != "$extends") {
            match (map.get_mut(name), theirs) {
                (None, _) => {
                    let size = size(theirs);
                    if size > self.left {
                        let message =
                            format!("expected groups that add at most {MAX_ADDED} values together");
                        return self.refuse(names, message);
                    }
                    self.left -= size;
                    map.insert(name.clone(), theirs.clone());
                }
                (Some(Value::Object(own)), Value::Object(theirs))
                    if !own.contains_key("$value") =>
                {
                    self.overlay(theirs, own, names);
                }
                _ => {}
            }
        }
    }
}

/// How many values a value holds, itself counted.
fn size(value: &Value) -> usize {
    match value {
        Value::Object(map) => 1 + map.values().map(size).sum::<usize>(),
        Value::Array(items) => 1 + items.iter().map(size).sum::<usize>(),
        _ => 1,
    }
}
