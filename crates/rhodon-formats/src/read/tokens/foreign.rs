//! A document from somebody else's tokens: every token becomes an own one, the colours that
//! stand out become brand colours, and types that a theme has no place for are kept.

use foldhash::HashMap;
use indexmap::IndexMap;
use rhodon_color::{Color, Rgb8, difference};
use rhodon_theme::{
    CustomToken, Document, KeptPath, TokenKind, TokenPath, Typed, Written, holds_nul,
};
use serde_json::{Map, Value};

use super::table::{Raw, Table};
use super::{Tables, value};
use crate::read::import::{Import, ReadProblem};

/// The most brand colours that are proposed.
const MAX_BRAND: usize = 8;
/// CIEDE2000 between two brand colours that are told apart at once.
const APART: f64 = 8.0;
/// Oklch chroma from which a colour is one of the brand's.
const COLORFUL: f64 = 0.04;

pub(super) fn spec(tables: &Tables, import: &mut Import) -> Option<Document> {
    let mut spec = Document {
        name: "Imported theme".to_owned(),
        ..Document::empty()
    };
    for (name, code) in brand(&tables.light) {
        spec.add_brand(&readable(&name, code), code.into(), None);
    }
    let names = Names::new(&tables.light, &tables.dark, &spec, import);
    for (path, raw) in every(tables) {
        add(&mut spec, path, raw, tables, &names, import);
    }
    if spec.brand.is_empty() {
        let message = "expected at least one opaque colour to make a theme of, found none";
        let file = tables
            .light
            .0
            .values()
            .next()
            .map_or("files", |raw| raw.file.as_str());
        import.problems.push(ReadProblem::new(file, "", message));
        return None;
    }
    spec.tokens.sort_keys();
    spec.kept.sort_keys();
    Some(spec)
}

/// Tokens of both modes, each path once.
fn every(tables: &Tables) -> impl Iterator<Item = (&String, &Raw)> {
    let only_dark = tables
        .dark
        .0
        .iter()
        .filter(|(path, _)| !tables.light.0.contains_key(*path));
    tables.light.0.iter().chain(only_dark)
}

/// Paths in a theme by paths in the files.
pub(super) struct Names(HashMap<String, TokenPath>);

impl Names {
    pub(super) fn new(light: &Table, dark: &Table, spec: &Document, import: &mut Import) -> Self {
        let mut owners: HashMap<TokenPath, String> = HashMap::default();
        let mut out = HashMap::default();
        for (path, raw) in light.0.iter().chain(&dark.0) {
            if out.contains_key(path) {
                continue;
            }
            match named(raw, spec) {
                Some(name) => match owners.get(&name) {
                    Some(first) => {
                        let message = format!(
                            "it and {first} would both be named {name}: expected different names"
                        );
                        import
                            .problems
                            .push(ReadProblem::new(&raw.file, path, message));
                    }
                    None => {
                        if name.as_str() != path {
                            import.notes.push(format!("{path} is now {name}"));
                        }
                        owners.insert(name.clone(), path.clone());
                        out.insert(path.clone(), name);
                    }
                },
                None => {
                    let message = "expected a name of at most 200 letters, digits and hyphens in all groups together";
                    import
                        .problems
                        .push(ReadProblem::new(&raw.file, path, message));
                }
            }
        }
        Self(out)
    }

    /// Paths that are the same in the theme, for aliases to lead to.
    pub(super) fn add_known<'a>(&mut self, paths: impl Iterator<Item = &'a String>) {
        self.0
            .extend(paths.filter_map(|path| Some((path.clone(), path.parse().ok()?))));
    }

    /// The path of what an alias names.
    pub(super) fn get(&self, path: &str) -> Option<&TokenPath> {
        self.0.get(path)
    }
}

/// A path outside the groups that are derived.
fn named(raw: &Raw, spec: &Document) -> Option<TokenPath> {
    let path = TokenPath::from_names(raw.names.iter().map(String::as_str))?;
    if spec.derives(path.group()) {
        format!("file-{path}").parse().ok()
    } else {
        Some(path)
    }
}

/// Adds a token as an own one, or keeps it.
pub(super) fn add(
    spec: &mut Document,
    path: &str,
    raw: &Raw,
    tables: &Tables,
    names: &Names,
    import: &mut Import,
) {
    let Some(name) = names.get(path) else { return };
    let table = if tables.light.0.contains_key(path) {
        &tables.light
    } else {
        &tables.dark
    };
    let Some(kind) = table.kind(raw).and_then(|k| k.parse::<TokenKind>().ok()) else {
        match kept_path(raw, spec).parse::<KeptPath>() {
            Ok(place) if !holds_nul(&raw.json.clone().into()) => {
                spec.kept.insert(place, kept(table, raw));
            }
            Ok(_) => import.refuse(raw, path, "expected text without the character U+0000"),
            Err(e) => import.refuse(raw, path, e.to_string()),
        }
        return;
    };
    let mut read = |raw: &Raw| match written(raw, kind, tables, names) {
        Ok(value) => Some(value),
        Err(message) => {
            import.refuse(raw, path, message);
            None
        }
    };
    let light = tables.light.0.get(path).unwrap_or(raw);
    let dark = tables.dark.0.get(path).unwrap_or(raw);
    let same = light.value() == dark.value();
    let light = read(light);
    let dark = if same { light.clone() } else { read(dark) };
    let (Some(light), Some(dark)) = (light, dark) else {
        return;
    };
    let described = raw.json.get("$description").and_then(Value::as_str);
    let mut own = CustomToken {
        kind: Some(kind).filter(|k| *k != TokenKind::Color),
        description: described.and_then(description),
        ..CustomToken::default()
    };
    if same {
        own.value = Some(light);
    } else {
        (own.light, own.dark) = (Some(light), Some(dark));
    }
    spec.tokens.insert(name.clone(), own);
}

/// Text that a document takes.
fn description(text: &str) -> Option<String> {
    let text: String = text
        .chars()
        .map(|c| if c.is_control() { ' ' } else { c })
        .take(1000)
        .collect();
    let text = text.trim();
    (!text.is_empty()).then(|| text.to_owned())
}

/// A value as a document holds it: a reference, or a literal.
pub(super) fn written(
    raw: &Raw,
    kind: TokenKind,
    tables: &Tables,
    names: &Names,
) -> Result<Typed<Written>, String> {
    let Some(alias) = raw.alias() else {
        return Typed::<Written>::parse(&value::text(raw.value(), kind)?, kind);
    };
    let target = tables
        .light
        .find(&alias)
        .or_else(|| tables.dark.find(&alias));
    let path = target.and_then(|t| names.get(&t.names.join(".")));
    match path {
        Some(path) => Ok(Typed::reference(path.clone())),
        None => Err(format!("no token \"{alias}\" to refer to")),
    }
}

/// A token as it was, with the type that it inherited.
fn kept(table: &Table, raw: &Raw) -> Map<String, Value> {
    let mut json = raw.json.clone();
    if let Some(kind) = table.kind(raw) {
        json.insert("$type".to_owned(), kind.into());
    }
    json
}

/// Where a kept token stands when it is written again: not in a group that is derived.
fn kept_path(raw: &Raw, spec: &Document) -> String {
    let path = raw.names.join(".");
    let group = raw.names.first().map_or("", String::as_str);
    if spec.derives(group) {
        format!("file-{path}")
    } else {
        path
    }
}

/// The strongest colour of each scale-like group, then of the rest those that stand apart.
fn brand(table: &Table) -> Vec<(String, Rgb8)> {
    let mut groups: IndexMap<String, Vec<(&Raw, Rgb8)>> = IndexMap::new();
    for raw in table.0.values() {
        let Some(code) = literal(table, raw) else {
            continue;
        };
        groups
            .entry(raw.names[..raw.names.len() - 1].join("."))
            .or_default()
            .push((raw, code));
    }
    let mut found: Vec<(String, Rgb8)> = Vec::new();
    let is_step = |raw: &Raw| {
        raw.names
            .last()
            .is_some_and(|n| n.bytes().all(|b| b.is_ascii_digit()))
    };
    let (scales, rest): (Vec<_>, Vec<_>) = groups
        .into_iter()
        .partition(|(_, m)| m.len() > 2 && m.iter().all(|(raw, _)| is_step(raw)));
    for (group, members) in scales {
        let strongest = members
            .iter()
            .max_by(|a, b| a.1.to_oklch().c.total_cmp(&b.1.to_oklch().c));
        let name = group.rsplit('.').next().unwrap_or(&group).to_owned();
        found.extend(strongest.map(|(_, code)| (name, *code)));
    }
    for (raw, code) in rest.into_iter().flat_map(|(_, members)| members) {
        found.push((raw.names.last().cloned().unwrap_or_default(), code));
    }
    let first = found.first().cloned();
    found.retain(|(_, code)| code.to_oklch().c >= COLORFUL);
    if found.is_empty() {
        found.extend(first);
    }
    let mut out: Vec<(String, Rgb8)> = Vec::new();
    for (name, code) in found {
        if out.len() < MAX_BRAND && out.iter().all(|(_, c)| difference(*c, code) >= APART) {
            out.push((name, code));
        }
    }
    out
}

/// The code of an opaque colour that is no alias.
fn literal(table: &Table, raw: &Raw) -> Option<Rgb8> {
    if raw.alias().is_some() || table.kind(raw).as_deref() != Some("color") {
        return None;
    }
    let color = Color::parse(&value::text(raw.value(), TokenKind::Color).ok()?).ok()?;
    (color.alpha() >= 1.0).then(|| color.to_rgb8())
}

/// A readable name for a colour of the file, or one after its look.
fn readable(name: &str, code: Rgb8) -> String {
    let clean: String = name.chars().filter(|c| !c.is_control()).take(200).collect();
    let has_letter = clean.chars().any(char::is_alphabetic);
    if has_letter {
        rhodon_theme::capitalised(clean.trim())
    } else {
        rhodon_theme::color_look(code)
    }
}
