//! `sass`: a module of overridable variables, maps, a lookup and a mixin.

use rhodon_theme::{Derived, Mode};

use super::variables::{MapManner, Variables};
use crate::error::ExportError;
use crate::job::{Comment, Job};
use crate::losses;
use crate::name;
use crate::option::TargetOption;
use crate::output::Output;
use crate::target::{Group, MoreContrast, Target};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "sass",
    name: "Sass module",
    group: Group::Web,
    options: &[TargetOption::PREFIX, TargetOption::GROUPS],
    files: &["_theme.scss"],
    keys: &["$", "!default", "@use", "@mixin", "map", "scss"],
    usage: "Load it with @use \"theme\" and override variables through with (…), or set them before an @import. theme.token(\"primary-fill\", dark) looks a value up, theme.step(\"petrol\", 600) a step, @include theme.mode(dark) writes all custom properties of a mode.",
    usage_of: None,
    token_name: Some(|s, t| {
        Some(format!(
            "${}",
            name::kebab(s.get(&TargetOption::PREFIX), &t.path)
        ))
    }),
    carries_kept: false,
    takes_family: false,
    more: MoreContrast::Written(
        " theme.token-more(\"text-muted\", dark) looks a value for more contrast up, @include theme.mode-more(dark) writes those that differ, for @media (prefers-contrast: more).",
    ),
    write,
};

/// The lookups and the mixin, which read the maps.
const TOOLS: &str = include_str!("sass_tools.scss");
/// Those for more contrast.
const TOOLS_OF_MORE: &str = include_str!("sass_more.scss");

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let prefix = job.settings.get(&TargetOption::PREFIX);
    let names = name::unique(job.tokens(), |path| name::kebab(prefix, path))?;
    let variables = Variables::new(job, '$', names)?;
    let mut body = String::with_capacity(48 * 1024);
    for module in ["color", "map", "meta", "string"] {
        body.push_str(&format!("@use \"sass:{module}\";\n"));
    }
    for (title, mode) in [
        ("Every token; roles as in light mode", Mode::Light),
        ("Roles in dark mode", Mode::Dark),
    ] {
        body.push_str(&format!("\n// {title}.\n"));
        body.push_str(&variables.declarations(mode, " !default;"));
    }
    body.push('\n');
    maps(job, prefix, &variables, &mut body)?;
    body.push_str(&TOOLS.replace("PREFIX", &name::kebab(prefix, "")));
    if let Some(theme) = job.theme.at_more() {
        more(job, &theme, &variables, &mut body)?;
    }
    let files = vec![job.file("_theme.scss", Comment::LINE, &body)];
    Ok(Output {
        files,
        warnings: losses::mapped(job.tokens()),
    })
}

/// Maps of each scale's steps, of all scales, and of the tokens in each mode.
fn maps<'a>(
    job: &Job<'a>,
    prefix: &str,
    variables: &Variables<'a>,
    body: &mut String,
) -> Result<(), ExportError> {
    let mut scales = Vec::new();
    for (scale, entries) in variables.steps(job) {
        let name = name::kebab(prefix, &format!("{scale}-steps"));
        let entries = entries
            .into_iter()
            .map(|(label, variable)| (map_key(label), variable));
        variables.map(&name, entries, &MAP, body)?;
        scales.push((format!("\"{scale}\""), format!("${name}")));
    }
    variables.map("theme-scales", scales, &MAP, body)?;
    for mode in Mode::BOTH {
        let entries = variables
            .entries(mode)
            .map(|(name, variable)| (format!("\"{name}\""), variable));
        variables.map(&format!("theme-{}", mode.id()), entries, &MAP, body)?;
    }
    Ok(())
}

/// Maps of what differs at more contrast, and the mixins that use them.
fn more(
    job: &Job<'_>,
    theme: &Derived,
    variables: &Variables<'_>,
    body: &mut String,
) -> Result<(), ExportError> {
    body.push_str("\n// What differs where more contrast is asked for.\n\n");
    for mode in Mode::BOTH {
        let entries = variables.raised(job, theme, mode);
        let entries = entries
            .into_iter()
            .map(|(name, value)| (format!("\"{name}\""), value));
        let name = format!("theme-{}-more", mode.id());
        variables.map(&name, entries, &MAP_OF_MORE, body)?;
    }
    body.push_str(TOOLS_OF_MORE);
    Ok(())
}

/// `$name: ( key: value, );`
const MAP: MapManner = MapManner {
    open: "(",
    end: ",",
    close: ");",
};

/// One that is overridden as a whole.
const MAP_OF_MORE: MapManner = MapManner {
    close: ") !default;",
    ..MAP
};

/// A step's label as a key: a number where it is one, so that `map.get($petrol-steps, 600)` finds it.
fn map_key(label: &str) -> String {
    let number =
        label.bytes().all(|b| b.is_ascii_digit()) && (label == "0" || !label.starts_with('0'));
    if number && label.len() < 10 {
        label.to_owned()
    } else {
        format!("\"{label}\"")
    }
}
