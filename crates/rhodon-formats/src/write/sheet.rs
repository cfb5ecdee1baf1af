//! `sheet`: a printable record: swatches with names and codes, and pairs with their ratios.

use rhodon_color::{Notation, Rgb8, ink_on};
use rhodon_theme::{ColorValue, Mode, Pair, Section, Token};

use super::xml::{DECLARATION, Element};
use super::{css_value, losses, sheet_html, sheet_svg};
use crate::target::{Comment, ExportError, File, Group, Job, Output, Target};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "sheet",
    name: "Printable sheet",
    group: Group::Records,
    options: &[],
    files: &["theme.svg", "theme.html"],
    keys: &["svg", "html", "swatch", "print"],
    usage: "Open theme.html in a browser and print it, or place theme.svg in a document.",
    token_name: None,
    carries_kept: false,
    write,
};

/// What both files show.
pub(super) struct PrintSheet<'a> {
    pub title: String,
    /// Steps by scale.
    pub scales: Vec<(&'a str, Vec<Step<'a>>)>,
    /// Every other colour.
    pub colors: Vec<Row<'a>>,
    /// What is no colour, as `type.size.body 1rem`.
    pub others: Vec<String>,
    pub pairs: Vec<PairRow>,
}

/// A step of a scale.
pub(super) struct Step<'a> {
    pub label: &'a str,
    pub color: ColorValue,
}

/// A colour in one or both modes.
pub(super) struct Row<'a> {
    pub name: &'a str,
    pub light: ColorValue,
    pub dark: Option<ColorValue>,
}

/// A foreground, its background, and what they come to.
pub(super) struct PairRow {
    pub fg: ColorValue,
    pub bg: ColorValue,
    pub line: String,
}

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let sheet = PrintSheet {
        title: job.theme.name.clone(),
        scales: scales(job),
        colors: job
            .colors()
            .filter(|t| t.section != Section::Scales)
            .filter_map(row)
            .collect(),
        others: job.others().map(line).collect(),
        pairs: job
            .theme
            .pairs
            .iter()
            .map(|pair| pair_row(job, pair))
            .collect(),
    };
    let file = |path: &str, head: &str, root: &Element| {
        let file = job.file(path, Comment::MARKUP, &root.print());
        File {
            text: format!("{head}{}", file.text),
            ..file
        }
    };
    let files = vec![
        file("theme.svg", DECLARATION, &sheet_svg::draw(&sheet)),
        file("theme.html", "<!doctype html>\n", &sheet_html::page(&sheet)),
    ];
    Ok(Output {
        files,
        warnings: losses::mapped(job.colors()),
    })
}

/// See-through steps stand with the others of their scale.
fn scales<'a>(job: &Job<'a>) -> Vec<(&'a str, Vec<Step<'a>>)> {
    let mut out: Vec<(&str, Vec<Step<'_>>)> = Vec::new();
    for token in job.colors().filter(|t| t.section == Section::Scales) {
        let (group, label) = token.path.split_once('.').unwrap_or((&token.path, ""));
        let Some(color) = token.cell(Mode::Light).value.color() else {
            continue;
        };
        let step = Step {
            label,
            color: *color,
        };
        match out.last_mut() {
            Some((last, steps)) if *last == group => steps.push(step),
            _ => out.push((group, vec![step])),
        }
    }
    out
}

fn row(token: &Token) -> Option<Row<'_>> {
    let color = |mode| token.cell(mode).value.color().copied();
    let dark = if token.is_modeless() {
        None
    } else {
        color(Mode::Dark)
    };
    Some(Row {
        name: &token.path,
        light: color(Mode::Light)?,
        dark,
    })
}

fn line(token: &Token) -> String {
    let text = |mode: Mode| css_value::value(&token.cell(mode).value, Notation::Hex);
    let dark = if token.is_modeless() {
        String::new()
    } else {
        format!(" / {}", text(Mode::Dark))
    };
    format!("{} {}{dark}", token.path, text(Mode::Light))
}

fn pair_row(job: &Job<'_>, pair: &Pair) -> PairRow {
    let color = |path: &str| job.role(path, pair.mode);
    let verdict = if pair.pass { "reads" } else { "does not read" };
    let (mode, ratio, need) = (pair.mode.id(), pair.ratio, pair.need);
    let line = format!(
        "{} on {}, {mode}: {ratio:.2} of {need} : 1, {verdict}",
        pair.fg, pair.bg
    );
    PairRow {
        fg: color(&pair.fg),
        bg: color(&pair.bg),
        line,
    }
}

/// `15 92 122`, with the opacity where there is one.
pub(super) fn rgb(color: &ColorValue) -> String {
    let [r, g, b] = color.code.channels();
    let opacity = if color.alpha < 1.0 {
        format!(" · {:.0} %", color.alpha * 100.0)
    } else {
        String::new()
    };
    format!("{r} {g} {b}{opacity}")
}

/// `#0f5c7a · 15 92 122`
pub(super) fn codes(color: &ColorValue) -> String {
    format!("{} · {}", color.code, rgb(color))
}

/// The codes of a row's modes.
pub(super) fn row_codes(row: &Row<'_>) -> String {
    match &row.dark {
        Some(dark) => format!("{}  /  {}", codes(&row.light), codes(dark)),
        None => codes(&row.light),
    }
}

/// What is read on a step; a see-through one lies on the white sheet.
pub(super) fn ink(color: &ColorValue) -> Rgb8 {
    if color.alpha > 0.5 {
        ink_on(color.code)
    } else {
        Rgb8::BLACK
    }
}
