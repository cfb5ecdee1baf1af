//! `sass`: a module of overridable variables, maps, a lookup and a mixin.

use rhodon_theme::Mode;

use super::gap;
use super::variables::Variables;
use crate::name;
use crate::option::TargetOption;
use crate::target::{Comment, ExportError, Group, Job, Output, Target};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "sass",
    name: "Sass module",
    group: Group::Web,
    options: &[TargetOption::PREFIX, TargetOption::GROUPS],
    files: &["_theme.scss"],
    keys: &["$", "!default", "@use", "@include", "map", "scss"],
    usage: "Load it with @use \"theme\" and override variables through with (…), or set them before an @import. theme.token(\"primary-fill\", dark) looks a value up, theme.step(petrol, 600) a step, @include theme.mode(dark) writes all custom properties of a mode.",
    spell: Some(|s, t| format!("${}", name::kebab(s.get("prefix"), &t.path))),
    write,
};

/// The lookups and the mixin, which read the maps.
const TOOLS: &str = include_str!("sass_tools.scss");

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let prefix = job.settings.get("prefix");
    let names = name::unique(job.tokens(), |path| name::kebab(prefix, path))?;
    let variables = Variables::new(job, '$', names)?;
    let mut body = String::with_capacity(48 * 1024);
    body.push_str("@use \"sass:map\";\n@use \"sass:meta\";\n");
    for (title, mode) in
        [("Every token; roles as in light mode", Mode::Light), ("Roles in dark mode", Mode::Dark)]
    {
        body.push_str(&format!("\n// {title}.\n"));
        for (name, text) in variables.declarations(mode) {
            body.push_str(&format!("{name}: {text} !default;\n"));
        }
    }
    let scales = scale_maps(job, &variables, &mut body)?;
    map("theme-scales", scales, &variables, &mut body)?;
    for mode in Mode::BOTH {
        let entries = variables.entries(mode).map(|(name, variable)| (format!("\"{name}\""), variable));
        map(&format!("theme-{}", mode.id()), entries, &variables, &mut body)?;
    }
    body.push('\n');
    body.push_str(TOOLS);
    let files = vec![job.file("_theme.scss", Comment::BLOCK, &body)];
    Ok(Output { files, warnings: gap::mapped(job.tokens()) })
}

/// One map a scale, as `$petrol-steps`; gives the entries of the map of scales.
fn scale_maps(
    job: &Job<'_>,
    variables: &Variables<'_>,
    body: &mut String,
) -> Result<Vec<(String, String)>, ExportError> {
    let mut out = Vec::new();
    for (scale, steps) in job.scales() {
        let named = steps.iter().filter_map(|s| variables.names.get(s.path).map(|n| (s.label, n)));
        let entries: Vec<_> = named.map(|(label, n)| (map_key(label), format!("${n}"))).collect();
        if entries.is_empty() {
            continue;
        }
        let name = name::kebab(job.settings.get("prefix"), &format!("{}-steps", scale.slug));
        map(&name, entries, variables, body)?;
        out.push((format!("\"{}\"", scale.slug), format!("${name}")));
    }
    Ok(out)
}

fn map(
    name: &str,
    entries: impl IntoIterator<Item = (String, String)>,
    variables: &Variables<'_>,
    body: &mut String,
) -> Result<(), ExportError> {
    variables.claim(name, || format!("the map {name}"))?;
    body.push_str(&format!("\n${name}: (\n"));
    for (key, value) in entries {
        body.push_str(&format!("  {key}: {value},\n"));
    }
    body.push_str(");\n");
    Ok(())
}

/// A step's label as a key: a number where it is one, so that `map.get($petrol-steps, 600)` finds it.
pub(crate) fn map_key(label: &str) -> String {
    let number = label.bytes().all(|b| b.is_ascii_digit()) && (label == "0" || !label.starts_with('0'));
    if number && label.len() < 10 { label.to_owned() } else { format!("\"{label}\"") }
}
