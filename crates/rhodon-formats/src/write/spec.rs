//! `spec`: the document itself, from which everything can be written again.

use rhodon_theme::Document;

use crate::error::ExportError;
use crate::job::Job;
use crate::option::{OptionKind, TargetOption};
use crate::output::{File, Output};
use crate::target::{Group, MoreContrast, Target};

/// See its help.
const SCHEMA: TargetOption = TargetOption {
    key: "schema",
    kind: OptionKind::Choice(&["none", "beside"]),
    default: "none",
    help: "Whether the JSON Schema of the document is written beside it.",
};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "spec",
    name: "Theme document",
    group: Group::Records,
    options: &[SCHEMA],
    files: &["theme.rhodon.json"],
    keys: &["rhodon.json", "schema", "brand", "format", "json"],
    usage: "Keep it with the code: rhodon export theme.rhodon.json --target css writes every other file from it, and it opens here again.",
    usage_of: None,
    token_name: None,
    carries_kept: true,
    takes_family: false,
    more: MoreContrast::Written(""),
    write,
};

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let file = |path: &str, value: serde_json::Value| File {
        path: path.to_owned(),
        text: format!("{value:#}\n"),
        head: 0,
    };
    let mut files = vec![file("theme.rhodon.json", job.decided.document().to_json())];
    if job.settings.get(&SCHEMA) == "beside" {
        files.push(file("theme.schema.json", Document::schema()));
    }
    Ok(Output {
        files,
        warnings: Vec::new(),
    })
}
