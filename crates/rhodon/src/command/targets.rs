//! `rhodon targets`
use rhodon_formats::{TARGETS, TargetOption};
use serde::Serialize;

use crate::output::{Failure, Printer};

#[derive(Serialize)]
struct Report {
    id: &'static str,
    name: &'static str,
    group: &'static str,
    options: Vec<OptionReport>,
    files: &'static [&'static str],
    /// Keys inside the files by which people look for a target.
    keys: &'static [&'static str],
    usage: &'static str,
}

#[derive(Serialize)]
struct OptionReport {
    key: &'static str,
    kind: &'static str,
    #[serde(skip_serializing_if = "<[&str]>::is_empty")]
    choices: &'static [&'static str],
    default: &'static str,
    help: &'static str,
}

impl From<&TargetOption> for OptionReport {
    fn from(o: &TargetOption) -> Self {
        Self {
            key: o.key,
            kind: o.kind.id(),
            choices: o.kind.choices(),
            default: o.default,
            help: o.help,
        }
    }
}

/// `  mode=auto  of auto, attribute, class: How dark mode is chosen …`
fn option_line(o: &TargetOption) -> String {
    let choices = match o.kind.choices() {
        [] => String::new(),
        words => format!("of {}: ", words.join(", ")),
    };
    format!("  {}={}  {choices}{}", o.key, o.default, o.help)
}

pub fn run(printer: &mut Printer) -> Result<(), Failure> {
    for t in TARGETS {
        let options = t.options.iter().map(OptionReport::from).collect();
        let report = Report {
            id: t.id,
            name: t.name,
            group: t.group.id(),
            options,
            files: t.files,
            keys: t.keys,
            usage: t.usage,
        };
        printer.result(&report, || {
            let mut lines = vec![format!("{:<16} {} ({})", t.id, t.name, t.files.join(", "))];
            lines.extend(t.options.iter().map(option_line));
            lines.join("\n")
        })?;
    }
    Ok(())
}
