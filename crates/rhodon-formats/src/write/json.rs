//! `json`: flat names and values, per mode.

use rhodon_color::Notation;
use rhodon_theme::{Mode, Token, Value as TokenValue};
use serde_json::{Map, Value, json};

use super::css_value;
use crate::error::ExportError;
use crate::job::Job;
use crate::losses;
use crate::name;
use crate::option::{OptionKind, TargetOption};
use crate::output::{File, Output};
use crate::stamp::Stamp;
use crate::target::{Group, MoreContrast, Target};

/// See its help.
const NAMES: TargetOption = TargetOption {
    key: "names",
    kind: OptionKind::Choice(&["kebab", "camel", "path"]),
    default: "kebab",
    help: "How tokens are named: primary-fill, primaryFill or primary.fill.",
};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "json",
    name: "JSON, flat",
    group: Group::Web,
    options: &[NAMES, TargetOption::GROUPS],
    files: &["theme.json"],
    keys: &["light", "dark", "json"],
    usage: "Read theme.json in any language: the objects light and dark hold every token's value by its name.",
    usage_of: None,
    token_name: Some(|s, t| Some(named(s.get(&NAMES), &t.path))),
    carries_kept: false,
    takes_family: false,
    more: MoreContrast::Written(
        " The object more holds what differs for more contrast, under light and dark.",
    ),
    write,
};

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let names = name::unique(job.tokens(), |path| named(job.settings.get(&NAMES), path))?;
    let entry = |t: &Token, mode| (names[&*t.path].clone(), flat(&t.cell(mode).value));
    let of = |mode| -> Map<String, Value> { job.tokens().map(|t| entry(t, mode)).collect() };
    let (light, dark) = (of(Mode::Light), of(Mode::Dark));
    let mut content = Map::new();
    content.insert("about".to_owned(), Value::Null);
    content.insert("light".to_owned(), light.into());
    content.insert("dark".to_owned(), dark.into());
    if let Some(theme) = job.theme.at_more() {
        let raised = job.of(&theme);
        let modes = Mode::BOTH.map(|mode| {
            let differing = raised.differing(job.theme, mode);
            let own: Map<String, Value> = differing.map(|t| entry(t, mode)).collect();
            (mode.id().to_owned(), own.into())
        });
        content.insert("more".to_owned(), Value::Object(Map::from_iter(modes)));
    }
    let files = vec![stamped(
        job,
        "theme.json",
        |s, body| s.line(body).into(),
        content,
    )];
    Ok(Output {
        files,
        warnings: losses::mapped(job.tokens()),
    })
}

fn named(case: &str, path: &str) -> String {
    match case {
        "camel" => name::camel(path),
        "path" => path.to_owned(),
        _ => name::kebab("", path),
    }
}

/// A file of JSON whose `about` tells where it comes from.
pub(crate) fn stamped(
    job: &Job<'_>,
    path: &str,
    about: fn(&Stamp, &str) -> Value,
    mut content: Map<String, Value>,
) -> File {
    let about = about(
        job.stamp,
        &serde_json::to_string(&content).unwrap_or_default(),
    );
    content.insert("about".to_owned(), about);
    File {
        path: path.to_owned(),
        text: format!("{:#}\n", Value::from(content)),
        head: 0,
    }
}

/// Numbers as numbers, everything else as CSS writes it.
pub(crate) fn flat(value: &TokenValue) -> Value {
    match value {
        TokenValue::Number(n) => json!(n),
        TokenValue::FontWeight(n) => json!(n),
        other => css_value::value(other, Notation::Hex).into(),
    }
}
