//! `tokens`: the open Design Tokens format (Design Tokens Community Group, 2025.10), with modes by
//! its resolver module.
//!
//! What was decided and has no place in the format stands in `$extensions`, so that reading the
//! files back gives the same document.

use foldhash::HashSet;
use rhodon_color::Space;
use rhodon_theme::{ColorValue, KeptPath, Mode, Token, Value as TokenValue};
use serde_json::{Map, Value, json};

use crate::error::ExportError;
use crate::job::Job;
use crate::output::{File, Output, Warning};
use crate::target::{Group, MoreContrast, Target};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "tokens",
    name: "Design tokens",
    group: Group::Web,
    options: &[],
    files: &[
        "tokens.json",
        "tokens.dark.json",
        "tokens.light-more.json",
        "tokens.dark-more.json",
        "theme.resolver.json",
    ],
    keys: &[
        "$value",
        "$type",
        "$description",
        "$extensions",
        "resolutionOrder",
        "colorSpace",
        "json",
    ],
    usage: "Give theme.resolver.json to a tool that knows modes, or tokens.json alone for light mode. Both are read back here without loss.",
    usage_of: None,
    token_name: Some(|_, t| Some(format!("{{{}}}", t.path))),
    carries_kept: true,
    takes_family: false,
    more: MoreContrast::Written(
        " The contexts light-more and dark-more are for people who ask for more contrast.",
    ),
    write,
};

/// The key of what Rhodon adds to a file, in reverse-domain form (Format module, "Extensions").
pub(crate) const EXTENSION: &str = "app.rhodon";
/// Under which earlier files have it.
pub(crate) const OLD_EXTENSION: &str = "rhodon";
/// The name of a token that is a group too (Format module, "Root tokens in groups").
pub(crate) const ROOT: &str = "$root";

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let paths: HashSet<&str> = job.tokens().map(|t| &*t.path).collect();
    let places = Places::new(
        paths
            .iter()
            .copied()
            .chain(job.decided.merged.kept.keys().map(KeptPath::as_str)),
    );
    let (taken, kept): (Vec<_>, Vec<_>) =
        (job.decided.merged.kept.iter()).partition(|(path, _)| paths.contains(path.as_str()));
    let mut light = tree(Mode::Light, job.tokens(), &places, &paths);
    for (path, token) in kept {
        put(&mut light, &places.of(path.as_str()), token.clone().into());
    }
    let dark = tree(
        Mode::Dark,
        job.tokens().filter(|t| !t.is_modeless()),
        &places,
        &paths,
    );
    let more = job.theme.at_more();
    let raised = more.as_ref().map(|theme| {
        let raised = job.of(theme);
        Mode::BOTH.map(|mode| {
            let differing = raised.differing(job.theme, mode);
            let tree = tree(mode, differing, &places, &paths);
            written(
                &format!("tokens.{}-more.json", mode.id()),
                file(job, None, tree),
            )
        })
    });
    let own = json!({ EXTENSION: { "document": job.decided.document().to_json() } });
    let reason = "it is kept, but the theme itself has a token of that name";
    let mut files = vec![
        written("tokens.json", file(job, Some(own), light)),
        written("tokens.dark.json", file(job, None, dark)),
    ];
    files.extend(raised.into_iter().flatten());
    files.push(written("theme.resolver.json", resolver(job)));
    Ok(Output {
        files,
        warnings: (taken.iter())
            .map(|(path, _)| Warning::new(path.as_str(), reason))
            .collect(),
    })
}

fn written(path: &str, value: Value) -> File {
    File {
        path: path.to_owned(),
        text: format!("{value:#}\n"),
        head: 0,
    }
}

/// Where tokens stand that are groups too.
struct Places<'a> {
    groups: HashSet<&'a str>,
}

impl<'a> Places<'a> {
    fn new(paths: impl Iterator<Item = &'a str>) -> Self {
        let groups = paths.flat_map(|path| path.match_indices('.').map(|(at, _)| &path[..at]));
        Self {
            groups: groups.collect(),
        }
    }

    /// A path as the file has it.
    fn of(&self, path: &str) -> String {
        if self.groups.contains(path) {
            format!("{path}.{ROOT}")
        } else {
            path.to_owned()
        }
    }
}

/// The tokens of a mode in their groups.
fn tree<'a>(
    mode: Mode,
    tokens: impl Iterator<Item = &'a Token>,
    places: &Places<'_>,
    paths: &HashSet<&str>,
) -> Map<String, Value> {
    let mut root = Map::new();
    for token in tokens {
        put(
            &mut root,
            &places.of(&token.path),
            entry(token, mode, places, paths),
        );
    }
    root
}

/// A file: what it is, what Rhodon adds, and its tokens.
fn file(job: &Job<'_>, own: Option<Value>, tokens: Map<String, Value>) -> Value {
    let body = serde_json::to_string(&tokens).unwrap_or_default();
    let mut out = Map::new();
    out.insert("$description".to_owned(), job.stamp.line(&body).into());
    out.extend(own.map(|own| ("$extensions".to_owned(), own)));
    out.extend(tokens);
    out.into()
}

/// Puts a token at the end of its path, through groups that are made on the way.
fn put(root: &mut Map<String, Value>, path: &str, token: Value) {
    match path.split_once('.') {
        None => {
            root.insert(path.to_owned(), token);
        }
        Some((group, rest)) => {
            let inner = root.entry(group).or_insert_with(|| Map::new().into());
            if let Value::Object(inner) = inner {
                put(inner, rest, token);
            }
        }
    }
}

fn entry(token: &Token, mode: Mode, places: &Places<'_>, paths: &HashSet<&str>) -> Value {
    let cell = token.cell(mode);
    let alias = cell.alias.as_deref().filter(|alias| paths.contains(alias));
    let mut out = Map::new();
    out.insert("$type".to_owned(), token.kind.id().into());
    let value = match alias {
        Some(path) => format!("{{{}}}", places.of(path)).into(),
        None => value(&cell.value),
    };
    out.insert("$value".to_owned(), value);
    out.extend(
        token
            .description
            .as_ref()
            .map(|d| ("$description".to_owned(), d.as_str().into())),
    );
    out.into()
}

/// A value as its type asks (Format module, "Types"; Color module).
fn value(value: &TokenValue) -> Value {
    match value {
        TokenValue::Color(c) => color(c),
        TokenValue::Dimension(n, unit) => json!({ "value": n, "unit": unit.to_string() }),
        TokenValue::Number(n) => json!(n),
        TokenValue::FontWeight(n) => json!(n),
        TokenValue::FontFamily(names) => json!(names),
    }
}

/// Decimals of a component: enough that 8-bit codes come back exactly.
const DECIMALS: f64 = 1e5;

/// A colour as the format has it.
pub(crate) fn color(color: &ColorValue) -> Value {
    let (space, components) = match color.p3 {
        Some(wide) => ("display-p3", wide.in_space(Space::DisplayP3)),
        None => ("srgb", color.code.channels().map(|v| f64::from(v) / 255.0)),
    };
    let components = components.map(|v| (v * DECIMALS).round() / DECIMALS);
    let mut out = json!({ "colorSpace": space, "components": components });
    if color.alpha < 1.0 {
        out["alpha"] = json!(color.alpha);
    }
    out["hex"] = color.code.to_string().into();
    out
}

/// The file that tells how the others make a mode (Resolver module).
fn resolver(job: &Job<'_>) -> Value {
    let name = crate::stamp::comment_safe(&job.theme.name);
    let mut contexts = json!({ "light": [], "dark": [{ "$ref": "tokens.dark.json" }] });
    if job.theme.more.is_some() {
        contexts["light-more"] = json!([{ "$ref": "tokens.light-more.json" }]);
        contexts["dark-more"] =
            json!([{ "$ref": "tokens.dark.json" }, { "$ref": "tokens.dark-more.json" }]);
    }
    json!({
        "version": "2025.10",
        "name": name,
        "sets": { "theme": { "sources": [{ "$ref": "tokens.json" }] } },
        "modifiers": {
            "mode": {
                "contexts": contexts,
                "default": "light",
            },
        },
        "resolutionOrder": [{ "$ref": "#/sets/theme" }, { "$ref": "#/modifiers/mode" }],
    })
}
