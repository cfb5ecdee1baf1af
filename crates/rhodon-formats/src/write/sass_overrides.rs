//! `sass-overrides`: variables to load before a Sass component framework, and what follows it.

use rhodon_theme::{IntentPart, Mode, Role};

use super::css_value;
use super::losses;
use super::role_map::PAGE;
use crate::name;
use crate::option::{OptionKind, TargetOption};
use crate::target::{Comment, ExportError, Group, Job, Output, Target};

/// See its help.
const MAP: TargetOption = TargetOption {
    key: "map",
    kind: OptionKind::Name,
    default: "theme-colors",
    help: "The framework's map of colours, into which own intents are merged.",
};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "sass-overrides",
    name: "Sass framework overrides",
    group: Group::Frameworks,
    options: &[MAP],
    files: &["_before.scss", "_after.scss"],
    keys: &[
        "$primary",
        "$theme-colors",
        "$body-bg",
        "$link-color",
        "map.merge",
        "scss",
    ],
    usage: "Import before in front of the framework's variables and after behind them, before its components. $theme-light and $theme-dark hold every token.",
    token_name: Some(|_, t| format!("map.get($theme-light, \"{}\")", name::kebab("", &t.path))),
    carries_kept: false,
    write,
};

/// The framework's intents; `danger` and its like are ours too.
const INTENTS: [&str; 6] = [
    "primary",
    "secondary",
    "success",
    "info",
    "warning",
    "danger",
];

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let before = before(job);
    let after = after(job)?;
    let files = vec![
        job.file("_before.scss", Comment::BLOCK, &before),
        job.file("_after.scss", Comment::BLOCK, &after),
    ];
    Ok(Output {
        files,
        warnings: losses::mapped(job.tokens()),
    })
}

fn before(job: &Job<'_>) -> String {
    let mut out = String::new();
    let mut set = |name: &str, value: &str| out.push_str(&format!("${name}: {value} !default;\n"));
    for intent in INTENTS {
        set(
            intent,
            &job.role(&IntentPart::Fill.of(intent), Mode::Light)
                .to_string(),
        );
    }
    set(
        "light",
        &job.role(Role::SURFACE_SUNKEN.path(), Mode::Light)
            .to_string(),
    );
    set(
        "dark",
        &job.role(Role::SURFACE_BASE.path(), Mode::Dark).to_string(),
    );
    for (key, role) in PAGE {
        set(key, &job.role(role, Mode::Light).to_string());
        set(
            &format!("{key}-dark"),
            &job.role(role, Mode::Dark).to_string(),
        );
    }
    set(
        "link-hover-color",
        &job.role(Role::LINK_HOVER.path(), Mode::Light).to_string(),
    );
    set(
        "link-hover-color-dark",
        &job.role(Role::LINK_HOVER.path(), Mode::Dark).to_string(),
    );
    for (key, path) in [
        ("font-family-base", "type.family.body"),
        ("font-family-monospace", "type.family.mono"),
        ("headings-font-family", "type.family.heading"),
        ("font-size-base", "type.size.body"),
        ("font-weight-base", "type.weight.regular"),
        ("headings-font-weight", "type.weight.bold"),
        ("border-radius", "shape.radius.medium"),
        ("border-radius-sm", "shape.radius.small"),
        ("border-radius-lg", "shape.radius.large"),
        ("border-width", "shape.border.width"),
    ] {
        if let Some(token) = job.token(path) {
            set(key, &css_value::in_map(&token.cell(Mode::Light).value));
        }
    }
    out
}

/// Own intents in the framework's map, and maps of every token.
fn after(job: &Job<'_>) -> Result<String, ExportError> {
    let names = name::unique(job.tokens(), |path| name::kebab("", path))?;
    let map = job.settings.get(&MAP);
    let mut out = String::from("@use \"sass:map\";\n");
    let own = job
        .theme
        .intents
        .iter()
        .filter(|i| !INTENTS.contains(&i.name.as_str()));
    let entries: String = own
        .map(|i| {
            format!(
                "  \"{}\": {},\n",
                i.name,
                job.role(&IntentPart::Fill.of(i.name.as_str()), Mode::Light)
            )
        })
        .collect();
    if !map.is_empty() {
        out.push_str(&format!("\n${map}: map.merge(${map}, (\n{entries}));\n"));
    }
    for mode in Mode::BOTH {
        out.push_str(&format!("\n$theme-{}: (\n", mode.id()));
        for token in job.tokens() {
            out.push_str(&format!(
                "  \"{}\": {},\n",
                names[&*token.path],
                css_value::in_map(&token.cell(mode).value)
            ));
        }
        out.push_str(");\n");
    }
    Ok(out)
}
