//! `less`: variables and maps.

use rhodon_theme::Mode;

use super::language::LESS;
use super::{gap, variables::Variables};
use crate::name;
use crate::option::TargetOption;
use crate::target::{Comment, ExportError, Group, Job, Output, Target};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "less",
    name: "Less variables",
    group: Group::Web,
    options: &[TargetOption::PREFIX, TargetOption::GROUPS],
    files: &["theme.less"],
    keys: &["@", "map", "less"],
    usage: "Load it with @import \"theme\"; a variable set after it wins. @theme-dark[primary-fill] looks a value up, @petrol-steps[s600] a step.",
    spell: Some(|s, t| format!("@{}", name::kebab(s.get("prefix"), &t.path))),
    write,
};

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let prefix = job.settings.get("prefix");
    let names = LESS.names(job.tokens(), |path| name::kebab(prefix, path))?;
    let variables = Variables::new(job, '@', names)?;
    let mut body = String::with_capacity(48 * 1024);
    for mode in Mode::BOTH {
        for (name, text) in variables.declarations(mode) {
            body.push_str(&format!("{name}: {text};\n"));
        }
        body.push('\n');
    }
    for (scale, steps) in job.scales() {
        // A key that begins with a letter, as every name must.
        let named = steps.iter().filter_map(|s| variables.names.get(s.path).map(|n| (s.label, n)));
        let entries: Vec<_> = named.map(|(label, n)| (format!("s{label}"), format!("@{n}"))).collect();
        if !entries.is_empty() {
            let name = name::kebab(prefix, &format!("{}-steps", scale.slug));
            map(&name, entries, &variables, &mut body)?;
        }
    }
    for mode in Mode::BOTH {
        let entries = variables.entries(mode).map(|(name, variable)| (name.to_owned(), variable));
        map(&format!("theme-{}", mode.id()), entries, &variables, &mut body)?;
    }
    let files = vec![job.file("theme.less", Comment::BLOCK, &body)];
    Ok(Output { files, warnings: gap::mapped(job.tokens()) })
}

fn map(
    name: &str,
    entries: impl IntoIterator<Item = (String, String)>,
    variables: &Variables<'_>,
    body: &mut String,
) -> Result<(), ExportError> {
    variables.claim(name, || format!("the map {name}"))?;
    body.push_str(&format!("@{name}: {{\n"));
    for (key, value) in entries {
        body.push_str(&format!("  {key}: {value};\n"));
    }
    body.push_str("}\n\n");
    Ok(())
}
