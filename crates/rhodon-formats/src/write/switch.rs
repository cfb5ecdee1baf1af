//! `switch`: a theme and those that stand beside it in one style sheet, each under an attribute and in
//! both modes, with a small module that sets, remembers and announces the choice.

use indexmap::{IndexMap, IndexSet};
use rhodon_theme::{Derived, Section, Slug, Token};
use serde_json::json;

use super::css::CssWriter;
use super::css_tree::{Node, print_all};
use crate::error::ExportError;
use crate::job::{Comment, Job};
use crate::name;
use crate::option::{OptionKind, TargetOption};
use crate::output::{File, Output};
use crate::target::{Group, MoreContrast, Target};
use crate::web_font;

/// See its help.
const KEY: TargetOption = TargetOption {
    key: "key",
    kind: OptionKind::Name,
    default: "theme",
    help: "The name under which the browser remembers the choice.",
};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "switch",
    name: "Switch at run time",
    group: Group::Web,
    options: &[KEY, TargetOption::PREFIX, TargetOption::GROUPS],
    files: &["switch.css", "switch.js", "switch.d.ts", "switch.head.html"],
    keys: &[
        "data-theme",
        "localStorage",
        "theme-select",
        "customElements",
    ],
    usage: "Load switch.css before your own styles and put switch.head.html into the head: nothing flashes. switch.js sets and remembers data-theme, data-mode, data-primary and data-surface on the root; <theme-select> is a field. Without script the system's mode holds.",
    usage_of: None,
    token_name: Some(|s, t| Some(name::css_reference(s.get(&TargetOption::PREFIX), &t.path))),
    carries_kept: false,
    takes_family: true,
    more: MoreContrast::Written(" data-contrast=\"more\" asks for contrast."),
    write,
};

/// Parts of a theme that can be switched apart from the rest of it.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
enum Part {
    Primary,
    Surface,
    Rest,
}

impl Part {
    const ALL: [Self; 3] = [Self::Primary, Self::Surface, Self::Rest];

    fn of(token: &Token) -> Self {
        match (token.section, token.group()) {
            (Section::Roles, "primary" | "link" | "selection" | "focus" | "bar") => Self::Primary,
            (Section::Roles, "surface" | "text" | "border" | "disabled") => Self::Surface,
            _ => Self::Rest,
        }
    }

    /// Where a theme's share of it holds.
    fn selector(self, theme: &str) -> String {
        let by_theme = format!(":root[data-theme=\"{theme}\"]");
        match self {
            Self::Rest => by_theme,
            Self::Primary => {
                format!("{by_theme}:not([data-primary]),\n:root[data-primary=\"{theme}\"]")
            }
            Self::Surface => {
                format!("{by_theme}:not([data-surface]),\n:root[data-surface=\"{theme}\"]")
            }
        }
    }
}

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let themes = named(job);
    let mut nodes = CssWriter::switched(job, true)?.switchable();
    nodes.extend(differing(job, &themes[1..])?);
    let mut sheet = String::with_capacity(24 * 1024);
    let fonts = themes.iter().flat_map(|(_, theme)| &theme.web_fonts);
    let fonts: IndexSet<&String> = fonts.collect();
    web_font::import(fonts, &mut sheet);
    print_all(&nodes, 0, &mut sheet);
    let warnings = crate::losses::mapped(job.tokens());
    let key = job.settings.get(&KEY);
    Ok(Output {
        files: vec![
            job.file("switch.css", Comment::BLOCK, &sheet),
            job.file("switch.js", Comment::BLOCK, &module(key, &themes)),
            job.file("switch.d.ts", Comment::BLOCK, &types(&themes)),
            head(job, key),
        ],
        warnings,
    })
}

/// The themes under the names that attributes have for them, the one at hand first.
fn named<'a>(job: &Job<'a>) -> Vec<(Slug, &'a Derived)> {
    let mut out: Vec<(Slug, &Derived)> = Vec::with_capacity(1 + job.beside.len());
    for theme in std::iter::once(job.theme).chain(job.beside.iter().copied()) {
        let taken = |slug: &Slug| out.iter().any(|(known, _)| known == slug);
        let slug = Slug::from_name(&theme.name, &Slug::theme()).unique(taken);
        out.push((slug, theme));
    }
    out
}

/// What other themes declare otherwise than the first one, part by part; what several of them say
/// alike stands once. What is switched apart refers to nothing that another theme may lack.
fn differing<'a>(job: &Job<'a>, themes: &[(Slug, &'a Derived)]) -> Result<Vec<Node>, ExportError> {
    let first = both_ways(job)?;
    let mut by_part = Part::ALL.map(|part| (part, IndexMap::<(&str, String), Vec<&Slug>>::new()));
    for (slug, theme) in themes {
        for (token, line) in own_lines(job, &first, &job.of(theme))? {
            let lines = &mut by_part[Part::of(token) as usize].1;
            lines.entry((token.group(), line)).or_default().push(slug);
        }
    }
    let mut nodes = Vec::new();
    for (part, lines) in by_part {
        let mut by_themes: IndexMap<Vec<&Slug>, IndexMap<&str, String>> = IndexMap::new();
        for ((group, line), slugs) in lines {
            by_themes
                .entry(slugs)
                .or_default()
                .entry(group)
                .or_default()
                .push_str(&line);
        }
        nodes.extend(by_themes.into_iter().map(|(slugs, groups)| {
            let selectors: Vec<String> = slugs.iter().map(|s| part.selector(s.as_str())).collect();
            Node::rule(&selectors.join(",\n"), groups.into_values().collect())
        }));
    }
    Ok(nodes)
}

/// Declarations of a theme by name and by value.
fn both_ways<'a>(job: &Job<'a>) -> Result<[CssWriter<'a>; 2], ExportError> {
    Ok([
        CssWriter::switched(job, true)?,
        CssWriter::switched(job, false)?,
    ])
}

/// The declarations of another theme that the first one has not.
fn own_lines<'a>(
    job: &Job<'_>,
    first: &[CssWriter<'_>; 2],
    other: &Job<'a>,
) -> Result<Vec<(&'a Token, String)>, ExportError> {
    let own = both_ways(other)?;
    let lines = other.tokens().filter_map(|token| {
        let way = usize::from(Part::of(token) != Part::Rest);
        let line = own[way].declared(token);
        let known = job.token(&token.path).filter(|t| !t.omitted);
        let is_same = known.is_some_and(|known| first[way].declared(known) == line);
        (!is_same).then_some((token, line))
    });
    Ok(lines.collect())
}

/// A string of a script that also stands inside HTML.
fn quoted(text: &str) -> String {
    json!(text).to_string().replace('<', "\\u003c")
}

fn module(key: &str, themes: &[(Slug, &Derived)]) -> String {
    let entries: Vec<String> = themes
        .iter()
        .map(|(slug, theme)| format!("  [{}, {}],\n", quoted(slug.as_str()), quoted(&theme.name)))
        .collect();
    MODULE
        .replace("@key", &quoted(key))
        .replace("  @themes\n", &entries.concat())
}

fn types(themes: &[(Slug, &Derived)]) -> String {
    let words: Vec<String> = themes
        .iter()
        .map(|(slug, _)| quoted(slug.as_str()))
        .collect();
    TYPES.replace("@slugs", &words.join(" | "))
}

/// The lines for the head; a comment of HTML says where they come from.
fn head(job: &Job<'_>, key: &str) -> File {
    job.file(
        "switch.head.html",
        Comment::MARKUP,
        &HEAD.replace("@key", &quoted(key)),
    )
}

const MODULE: &str = include_str!("switch.js");
const TYPES: &str = include_str!("switch.d.ts");
const HEAD: &str = include_str!("switch.head.html");
