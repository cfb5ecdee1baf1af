//! `less`: variables and maps.

use rhodon_theme::Mode;

use super::language::LESS;
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
    id: "less",
    name: "Less variables",
    group: Group::Web,
    options: &[TargetOption::PREFIX, TargetOption::GROUPS],
    files: &["theme.less"],
    keys: &["@", "less"],
    usage: "Load it with @import \"theme\"; a variable set after it wins. @theme-dark[primary-fill] looks a value up, @petrol-steps[s600] a step.",
    usage_of: None,
    token_name: Some(|s, t| {
        Some(format!(
            "@{}",
            name::kebab(s.get(&TargetOption::PREFIX), &t.path)
        ))
    }),
    carries_kept: false,
    takes_family: false,
    more: MoreContrast::Written(
        " @theme-dark-more[text-muted] looks up what differs for more contrast.",
    ),
    write,
};

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let prefix = job.settings.get(&TargetOption::PREFIX);
    let names = LESS.names(job.tokens(), |path| name::kebab(prefix, path))?;
    let variables = Variables::new(job, '@', names)?;
    let mut body = String::with_capacity(48 * 1024);
    for mode in Mode::BOTH {
        body.push_str(&variables.declarations(mode, ";"));
        body.push('\n');
    }
    for (scale, entries) in variables.steps(job) {
        // Every name must begin with a letter, that of a step in a map too.
        let entries = entries
            .into_iter()
            .map(|(label, variable)| (format!("s{label}"), variable));
        let name = name::kebab(prefix, &format!("{scale}-steps"));
        variables.map(&name, entries, &MAP, &mut body)?;
    }
    for mode in Mode::BOTH {
        let entries = variables
            .entries(mode)
            .map(|(name, variable)| (name.to_owned(), variable));
        variables.map(&format!("theme-{}", mode.id()), entries, &MAP, &mut body)?;
    }
    if let Some(theme) = job.theme.at_more() {
        for mode in Mode::BOTH {
            let entries = variables.raised(job, &theme, mode);
            let entries = entries
                .into_iter()
                .map(|(name, value)| (name.to_owned(), value));
            let name = format!("theme-{}-more", mode.id());
            variables.map(&name, entries, &MAP, &mut body)?;
        }
    }
    let files = vec![job.file("theme.less", Comment::LINE, &body)];
    Ok(Output {
        files,
        warnings: losses::mapped(job.tokens()),
    })
}

/// `@name: { key: value; }`
const MAP: MapManner = MapManner {
    open: "{",
    end: ";",
    close: "}",
};
