//! `css-components`: the common components in every state, from the custom properties alone.

use crate::error::ExportError;
use crate::job::{Comment, Job};
use crate::name;
use crate::option::TargetOption;
use crate::output::Output;
use crate::target::{Group, MoreContrast, Target};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "css-components",
    name: "CSS components",
    group: Group::Web,
    options: &[TargetOption::PROPERTY_PREFIX],
    files: &["components.css"],
    keys: &[
        "button", "field", "bar", "tabs", "card", "intent-", "is-hover",
    ],
    usage: "Load components.css after theme.css. Add intent-danger, intent-success … to a component to change its intent; is-hover, is-pressed, is-focus show a state without a pointer.",
    usage_of: None,
    token_name: None,
    carries_kept: false,
    takes_family: false,
    more: MoreContrast::Followed,
    write,
};

/// The rules, with `var(--token)` as in an export without a prefix and with `@intents` where one
/// rule for each intent goes.
const SHEET: &str = include_str!("css_components.css");

/// What an intent gives to the components inside it.
const PARTS: [&str; 9] = [
    "fill",
    "fill-hover",
    "fill-pressed",
    "fill-text",
    "gradient-end",
    "tint",
    "tint-hover",
    "tint-text",
    "edge",
];

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let prefix = job.settings.get(&TargetOption::PROPERTY_PREFIX);
    let mut intents = String::new();
    for intent in &job.theme.intents {
        intents.push_str(&format!(".intent-{} {{\n", intent.name));
        for part in PARTS {
            let token = name::kebab("", &format!("{}.{part}", intent.name));
            intents.push_str(&format!("  --intent-{part}: var(--{token});\n"));
        }
        intents.push_str("}\n\n");
    }
    let mut body = SHEET.replace("/* @intents */\n", &intents);
    if !prefix.is_empty() {
        body = body
            .replace("var(--", &format!("var(--{prefix}-"))
            .replace(&format!("var(--{prefix}-intent-"), "var(--intent-")
            .replace(&format!("var(--{prefix}-chart)"), "var(--chart)");
    }
    let files = vec![job.file("components.css", Comment::BLOCK, &body)];
    Ok(Output {
        files,
        warnings: Vec::new(),
    })
}
