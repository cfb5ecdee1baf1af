//! Which files make which mode: by a resolver (Resolver module), or by their names.

use serde_json::Value;

use crate::read::import::ReadProblem;

/// A file, or a part of one, in the order in which later ones win.
pub(super) type Layer<'a> = (&'a str, &'a Value);

#[derive(Default)]
pub(super) struct Layers<'a> {
    pub light: Vec<Layer<'a>>,
    pub dark: Vec<Layer<'a>>,
    /// Whether anything is there for dark mode alone.
    pub has_dark: bool,
    /// What stands over light and over dark where more contrast is asked for.
    pub more: [Vec<Layer<'a>>; 2],
}

pub(super) fn layers<'a>(
    files: &'a [(&'a str, Value)],
    problems: &mut Vec<ReadProblem>,
) -> Layers<'a> {
    match files
        .iter()
        .find(|(_, v)| v.get("resolutionOrder").is_some())
    {
        Some((name, root)) => Resolver {
            name,
            root,
            files,
            problems,
        }
        .layers(),
        None => by_name(files),
    }
}

/// Files with `dark` in their name stand over the others in dark mode, and with `light-more` or
/// `dark-more` where more contrast is asked for.
fn by_name<'a>(files: &'a [(&'a str, Value)]) -> Layers<'a> {
    let is_dark = |name: &str| {
        name.to_lowercase()
            .split(|c: char| !c.is_ascii_alphanumeric())
            .any(|w| w == "dark")
    };
    let mut out = Layers::default();
    let (raised, files): (Vec<_>, Vec<_>) = files
        .iter()
        .partition(|(name, _)| MORE.iter().any(|word| name.contains(word)));
    for (name, value) in raised {
        out.more[usize::from(is_dark(name))].push((name, value));
    }
    let several = files.iter().any(|(name, _)| !is_dark(name));
    for (name, value) in files {
        if !(several && is_dark(name)) {
            out.light.push((name, value));
        }
        out.dark.push((name, value));
    }
    out.has_dark = out.dark.len() > out.light.len();
    out.dark.sort_by_key(|(name, _)| is_dark(name));
    out
}

/// Contexts, and what stands in the names of files, for where more contrast is asked for.
const MORE: [&str; 2] = ["light-more", "dark-more"];

struct Resolver<'a, 'p> {
    name: &'a str,
    root: &'a Value,
    files: &'a [(&'a str, Value)],
    problems: &'p mut Vec<ReadProblem>,
}

impl<'a> Resolver<'a, '_> {
    fn layers(mut self) -> Layers<'a> {
        let mut out = Layers::default();
        let order = self.root.get("resolutionOrder").and_then(Value::as_array);
        let Some(order) = order else {
            self.refuse("#/resolutionOrder", "expected a list");
            return out;
        };
        for (i, item) in order.iter().enumerate() {
            let place = format!("#/resolutionOrder/{i}");
            let Some((place, part)) = self.follow_inside(item, &place) else {
                continue;
            };
            if let Some(contexts) = part.get("contexts").and_then(Value::as_object) {
                let default = part.get("default").and_then(Value::as_str);
                for (mode, layers) in [("light", &mut out.light), ("dark", &mut out.dark)] {
                    let own = contexts.get(mode).filter(|_| contexts.contains_key("dark"));
                    let chosen = own
                        .or_else(|| contexts.get(default?))
                        .or_else(|| contexts.values().next());
                    layers.extend(self.sources(chosen, &format!("{place}/contexts")));
                }
                out.has_dark |= out.dark != out.light;
                let below = [out.light.clone(), out.dark.clone()];
                for ((name, layers), below) in MORE.iter().zip(&mut out.more).zip(below) {
                    let own = contexts.get(*name).and_then(Value::as_array);
                    // The theme is complete without them: files that were not given are not missed.
                    let all = own.into_iter().flatten();
                    let all = all.filter_map(|s| self.find(s.get("$ref")?.as_str()?));
                    layers.extend(all.filter(|layer| !below.contains(layer)));
                }
            } else {
                let sources = self.sources(part.get("sources"), &format!("{place}/sources"));
                out.light.extend(&sources);
                out.dark.extend(&sources);
            }
        }
        out
    }

    fn refuse(&mut self, place: &str, message: impl Into<String>) {
        self.problems
            .push(ReadProblem::new(self.name, place, message));
    }

    /// An item of the order: a set or modifier, or a reference to one.
    fn follow_inside(&mut self, item: &'a Value, place: &str) -> Option<(String, &'a Value)> {
        let Some(reference) = item.get("$ref").and_then(Value::as_str) else {
            return Some((place.to_owned(), item));
        };
        let found = reference
            .strip_prefix('#')
            .and_then(|pointer| self.root.pointer(pointer));
        if found.is_none() {
            self.refuse(
                place,
                format!("expected a set or modifier, found \"{reference}\""),
            );
        }
        found.map(|value| (reference.to_owned(), value))
    }

    fn sources(&mut self, list: Option<&'a Value>, place: &str) -> Vec<Layer<'a>> {
        let Some(list) = list.and_then(Value::as_array) else {
            self.refuse(place, "expected a list of sources");
            return Vec::new();
        };
        let mut out = Vec::with_capacity(list.len());
        for (i, source) in list.iter().enumerate() {
            match source.get("$ref").and_then(Value::as_str) {
                None => out.push((self.name, source)),
                Some(reference) => match self.find(reference) {
                    Some(layer) => out.push(layer),
                    None => self.refuse(
                        &format!("{place}/{i}"),
                        format!("no file \"{reference}\" was given"),
                    ),
                },
            }
        }
        out
    }

    /// A file by its name, or a part of one by a pointer behind `#`.
    fn find(&self, reference: &str) -> Option<Layer<'a>> {
        let (path, pointer) = reference.split_once('#').unwrap_or((reference, ""));
        let base = |p: &str| p.rsplit(['/', '\\']).next().unwrap_or_default().to_owned();
        let (name, value) = if path.is_empty() {
            (self.name, self.root)
        } else {
            let exact = self.files.iter().find(|(name, _)| *name == path);
            let (name, value) =
                exact.or_else(|| self.files.iter().find(|(name, _)| base(name) == base(path)))?;
            (*name, value)
        };
        Some((name, value.pointer(pointer)?))
    }
}
