//! `sheet`: a printable record: brand colours with every code, scales, what is worn on each ground
//! with its ratio in both modes, and type and shape in use.

use foldhash::HashSet;
use indexmap::IndexMap;
use rhodon_color::Notation;
use rhodon_theme::{ColorValue, Mode, Section, Token};

use super::print_sheet::Brand;
use super::print_sheet::Ground;
use super::print_sheet::PrintSheet;
use super::print_sheet::Row;
use super::print_sheet::Specimen;
use super::print_sheet::Step;
use super::print_sheet::Worn;
use super::xml::{DECLARATION, Element};
use super::{css_value, length, sheet_html, sheet_svg};
use crate::error::ExportError;
use crate::job::{Comment, Job};
use crate::losses;
use crate::output::{File, Output};
use crate::target::{Group, MoreContrast, Target};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "sheet",
    name: "Printable sheet",
    group: Group::Records,
    options: &[],
    files: &["theme.svg", "theme.html"],
    keys: &["svg", "html", "swatch", "print"],
    usage: "Open theme.html in a browser and print it on A4, or place theme.svg in a document.",
    usage_of: None,
    token_name: None,
    carries_kept: false,
    takes_family: false,
    more: MoreContrast::Left,
    write,
};

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let colors = job.colors().filter(|t| t.section != Section::Scales);
    let sheet = PrintSheet {
        title: job.theme.name.clone(),
        edition: edition(job),
        brands: brands(job),
        scales: scales(job),
        grounds: grounds(job),
        colors: colors.filter_map(row).collect(),
        specimen: specimen(job),
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

fn edition(job: &Job<'_>) -> String {
    let revision = job.stamp.revision.map(|r| format!("revision {r}"));
    let parts: Vec<String> = revision.into_iter().chain(job.stamp.date.clone()).collect();
    parts.join(" · ")
}

fn brands<'a>(job: &Job<'a>) -> Vec<Brand<'a>> {
    let brand = |slug: &str| {
        job.decided
            .merged
            .brand
            .iter()
            .any(|b| b.slug.as_str() == slug)
    };
    let scales = job.theme.scales.iter().filter(|s| brand(s.slug.as_str()));
    scales
        .map(|scale| {
            let step = scale.scale.base_step();
            let color = ColorValue {
                code: step.color,
                alpha: 1.0,
                p3: step.p3,
            };
            let written = |n: Notation| n.write(color.color());
            let mut codes = vec![
                step.color.to_string(),
                written(Notation::Rgb),
                written(Notation::Hsl),
                Notation::Oklch.write(color.widest()),
            ];
            codes.push(format!("{} {}", scale.slug, step.label.as_str()));
            Brand {
                name: &scale.name,
                color: step.color,
                codes,
            }
        })
        .collect()
}

/// See-through steps stand with the others of their scale.
fn scales<'a>(job: &Job<'a>) -> Vec<(&'a str, Vec<Step<'a>>)> {
    let exact: HashSet<&str> = job
        .scales()
        .flat_map(|(_, steps)| steps)
        .filter(|s| s.base)
        .map(|s| s.path)
        .collect();
    let mut out: Vec<(&str, Vec<Step<'_>>)> = Vec::new();
    for token in job.colors().filter(|t| t.section == Section::Scales) {
        let (group, label) = token.path.split_once('.').unwrap_or((&token.path, ""));
        let Some(color) = token.cell(Mode::Light).value.color() else {
            continue;
        };
        let step = Step {
            label,
            color: *color,
            exact: exact.contains(&*token.path),
        };
        match out.last_mut() {
            Some((last, steps)) if *last == group => steps.push(step),
            _ => out.push((group, vec![step])),
        }
    }
    out
}

/// Every declared pair, by its ground.
fn grounds<'a>(job: &Job<'a>) -> Vec<Ground<'a>> {
    let mut out: IndexMap<&str, Ground<'a>> = IndexMap::new();
    for pair in &job.theme.pairs {
        let code = |path: &str, mode: Mode| job.role(path, mode).code;
        let ground = out.entry(&*pair.bg).or_insert_with(|| Ground {
            name: &pair.bg,
            modes: [Vec::new(), Vec::new()],
            colors: Mode::BOTH.map(|mode| code(&pair.bg, mode)),
        });
        ground.modes[pair.mode as usize].push(Worn {
            name: &pair.fg,
            color: code(&pair.fg, pair.mode),
            ratio: pair.ratio,
            pass: pair.pass,
        });
    }
    out.into_values().collect()
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

fn specimen<'a>(job: &Job<'a>) -> Specimen<'a> {
    let mut out = Specimen {
        sizes: Vec::new(),
        families: Vec::new(),
        radii: Vec::new(),
        others: Vec::new(),
    };
    for token in job.others() {
        let value = &token.cell(Mode::Light).value;
        let text = css_value::value(value, Notation::Hex);
        let px = length::px(value).unwrap_or_default();
        if let Some(size) = token.path.strip_prefix("type.size.") {
            out.sizes.push((size, text, px));
        } else if let Some(name) = token.path.strip_prefix("type.family.") {
            out.families.push((name, text));
        } else if let Some(radius) = token.path.strip_prefix("shape.radius.") {
            out.radii.push((radius, px));
        } else {
            out.others.push(line(token, &text));
        }
    }
    out.sizes.sort_by(|a, b| b.2.total_cmp(&a.2));
    out
}

fn line(token: &Token, light: &str) -> String {
    if token.is_modeless() {
        return format!("{} {light}", token.path);
    }
    let dark = css_value::value(&token.cell(Mode::Dark).value, Notation::Hex);
    format!("{} {light} / {dark}", token.path)
}
