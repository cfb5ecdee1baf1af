//! `palette`: the open text palette format that drawing programs read.

use foldhash::HashMap;
use rhodon_color::Rgb8;
use rhodon_theme::{ColorValue, Mode, Token};

use crate::error::ExportError;
use crate::job::Job;
use crate::losses;
use crate::option::{OptionKind, TargetOption};
use crate::output::{File, Output};
use crate::target::{Group, MoreContrast, Target};

/// See its help.
const GROUPS: TargetOption = TargetOption {
    key: "groups",
    kind: OptionKind::List(&["scales", "roles", "own"]),
    default: "all",
    help: "Which groups are written.",
};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "palette",
    name: "Text palette",
    group: Group::Records,
    options: &[GROUPS],
    files: &["theme.gpl"],
    keys: &["gpl", "palette", "Columns"],
    usage: "Put theme.gpl into the palette folder of a drawing program, or import it there.",
    usage_of: None,
    token_name: None,
    carries_kept: false,
    takes_family: false,
    more: MoreContrast::Left,
    write,
};

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let columns = job.scales().next().map_or(11, |(_, steps)| steps.len());
    let columns = columns.clamp(1, 64);
    let mut body = String::with_capacity(16 * 1024);
    for token in in_rows(job, columns) {
        if token.is_modeless() {
            line(token, Mode::Light, "", &mut body);
        } else {
            Mode::BOTH
                .iter()
                .for_each(|mode| line(token, *mode, mode.id(), &mut body));
        }
    }
    let head = head(&job.theme.name, columns);
    let text = format!("{head}# {}\n{body}", job.stamp.line(&body));
    let mut warnings = losses::mapped(job.colors());
    warnings.extend(losses::of(
        job.colors().filter(is_translucent),
        "the format has no opacity: left out",
    ));
    warnings.extend(losses::of(job.others(), "the format holds only colours"));
    Ok(Output {
        files: vec![File {
            path: "theme.gpl".to_owned(),
            text,
            head: 0,
        }],
        warnings,
    })
}

/// Every colour, whole rows first: scales of as many steps as there are columns, then other scales,
/// see-through steps and everything else.
fn in_rows<'a>(job: &Job<'a>, columns: usize) -> Vec<&'a Token> {
    let rows = job.scales().filter(|(_, steps)| steps.len() == columns);
    let rows: HashMap<&str, usize> = rows
        .flat_map(|(_, steps)| steps)
        .enumerate()
        .map(|(at, step)| (step.path, at))
        .collect();
    let mut tokens: Vec<&Token> = job.colors().collect();
    // The sort is stable: what stands in no row keeps its order.
    tokens.sort_by_key(|t| rows.get(&*t.path).copied().unwrap_or(usize::MAX));
    tokens
}

fn color(token: &Token, mode: Mode) -> Option<&ColorValue> {
    token.cell(mode).value.color()
}

fn is_translucent(token: &&Token) -> bool {
    Mode::BOTH
        .iter()
        .any(|m| color(token, *m).is_some_and(|c| c.alpha < 1.0))
}

/// The head of a palette: its first line is how programs know the format.
pub(crate) fn head(name: &str, columns: usize) -> String {
    format!(
        "GIMP Palette\nName: {}\nColumns: {columns}\n",
        one_line(name)
    )
}

/// The line of a colour.
pub(crate) fn entry(code: Rgb8, name: &str) -> String {
    let [r, g, b] = code.channels();
    format!("{r:>3} {g:>3} {b:>3}\t{}\n", one_line(name))
}

/// A name as people wrote it, on the line that the format gives it.
fn one_line(name: &str) -> String {
    name.chars().filter(|c| !c.is_control()).collect()
}

fn line(token: &Token, mode: Mode, suffix: &str, out: &mut String) {
    if let Some(c) = color(token, mode).filter(|c| c.alpha >= 1.0) {
        let name = format!("{} {suffix}", token.path.replace('.', " "));
        out.push_str(&entry(c.code, name.trim_end()));
    }
}
