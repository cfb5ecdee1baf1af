//! `switch`: a theme and those that stand beside it in one style sheet, each under an attribute and in
//! both modes, with a small module that sets, remembers and announces the choice.

use indexmap::{IndexMap, IndexSet};
use rhodon_theme::{Part, Slug, Token};
use serde_json::json;

use super::css::CssWriter;
use super::css_tree::{Node, print_all};
use super::switch_choice::{Choices, PRIMARY, SURFACE, part_of};
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
    options: &[
        KEY,
        TargetOption::PREFIX,
        PRIMARY,
        SURFACE,
        TargetOption::GROUPS,
    ],
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

/// Where what another theme declares holds: under its own name, or where a part is chosen alone.
#[derive(Clone, Copy, PartialEq, Eq, Hash)]
struct Held<'a> {
    slug: &'a Slug,
    /// A brand colour that plays a part, and no theme.
    alone: bool,
}

impl Held<'_> {
    fn selector(self, part: Option<Part>) -> String {
        let slug = self.slug;
        let by_theme = format!(":root[data-theme=\"{slug}\"]");
        let Some(part) = part.map(attribute) else {
            return by_theme;
        };
        let chosen = format!(":root[{part}=\"{slug}\"]");
        match self.alone {
            true => chosen,
            false => format!("{by_theme}:not([{part}]),\n{chosen}"),
        }
    }
}

fn attribute(part: Part) -> &'static str {
    match part {
        Part::Primary => "data-primary",
        Part::Surface => "data-surface",
    }
}

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let choices = Choices::new(job);
    let mut nodes = CssWriter::switched(job, true)?.switchable();
    nodes.extend(differing(job, &choices)?);
    let mut sheet = String::with_capacity(24 * 1024);
    let themes = choices.themes.iter().map(|choice| choice.theme);
    let fonts: IndexSet<&String> = themes.flat_map(|theme| &theme.web_fonts).collect();
    web_font::import(fonts, &mut sheet);
    print_all(&nodes, 0, &mut sheet);
    let key = job.settings.get(&KEY);
    let mut warnings = crate::losses::mapped(job.tokens());
    let files = vec![
        job.file("switch.css", Comment::BLOCK, &sheet),
        job.file("switch.js", Comment::BLOCK, &module(key, &choices)),
        job.file("switch.d.ts", Comment::BLOCK, &types(&choices)),
        head(job, key),
    ];
    warnings.extend(choices.warnings);
    Ok(Output { files, warnings })
}

/// Lines by the group of tokens they belong to.
type Lines<'a> = IndexMap<&'a str, String>;

/// What other themes, and other colours in a part of this one, declare otherwise, part by part; what
/// several of them say alike stands once. What is switched apart refers to nothing that another theme may lack.
fn differing(job: &Job<'_>, choices: &Choices<'_>) -> Result<Vec<Node>, ExportError> {
    let first = both_ways(job)?;
    let mut nodes = Vec::new();
    for part in [Some(Part::Primary), Some(Part::Surface), None] {
        let themes = choices.themes.iter().skip(1);
        let themes = themes.map(|choice| (&choice.slug, choice.theme, false));
        let alone = part.map_or(&[][..], |part| choices.of_part(part));
        let alone = alone
            .iter()
            .map(|choice| (&choice.slug, &choice.theme, true));
        let mut lines: IndexMap<(&str, String), Vec<Held<'_>>> = IndexMap::new();
        for (slug, theme, alone) in themes.chain(alone) {
            for (token, line) in own_lines(job, &first, &job.of(theme), part)? {
                let held = Held { slug, alone };
                lines.entry((token.group(), line)).or_default().push(held);
            }
        }
        nodes.extend(rules(lines, part));
    }
    Ok(nodes)
}

/// A rule for each set of those who say the same.
fn rules(lines: IndexMap<(&str, String), Vec<Held<'_>>>, part: Option<Part>) -> Vec<Node> {
    let mut by_holders: IndexMap<Vec<Held<'_>>, Lines<'_>> = IndexMap::new();
    for ((group, line), held) in lines {
        by_holders
            .entry(held)
            .or_default()
            .entry(group)
            .or_default()
            .push_str(&line);
    }
    let rule = |(holders, groups): (Vec<Held<'_>>, Lines<'_>)| {
        let selectors: Vec<String> = holders.into_iter().map(|h| h.selector(part)).collect();
        Node::rule(&selectors.join(",\n"), groups.into_values().collect())
    };
    by_holders.into_iter().map(rule).collect()
}

/// Declarations of a theme by name and by value.
fn both_ways<'a>(job: &Job<'a>) -> Result<[CssWriter<'a>; 2], ExportError> {
    Ok([
        CssWriter::switched(job, true)?,
        CssWriter::switched(job, false)?,
    ])
}

/// The declarations of a part of another theme that the first one has not.
fn own_lines<'a>(
    job: &Job<'_>,
    first: &[CssWriter<'_>; 2],
    other: &Job<'a>,
    part: Option<Part>,
) -> Result<Vec<(&'a Token, String)>, ExportError> {
    let own = both_ways(other)?;
    let of_part = other.tokens().filter(|token| part_of(token) == part);
    let lines = of_part.filter_map(|token| {
        let way = usize::from(part.is_some());
        let line = own[way].declared(token);
        let known = job.token(&token.path).filter(|t| !t.omitted);
        let is_same = known.is_some_and(|known| first[way].declared(known) == line);
        (!is_same).then_some((token, line))
    });
    Ok(lines.collect())
}

/// A string of a script that also stands inside HTML, and holds no place that is filled.
fn quoted(text: &str) -> String {
    let text = json!(text).to_string();
    text.replace('<', "\\u003c").replace('@', "\\u0040")
}

fn module(key: &str, choices: &Choices<'_>) -> String {
    let themes = choices.themes.iter().map(|c| (c.slug.as_str(), &*c.name));
    let list = |part| match choices.of_part(part).is_empty() {
        true => "themes".to_owned(),
        false => format!("[\n{}  ]", entries("    ", choices.offered(part))),
    };
    MODULE
        .replace("@key", &quoted(key))
        .replace("  @themes\n", &entries("  ", themes))
        .replace("@primary", &list(Part::Primary))
        .replace("@surface", &list(Part::Surface))
}

fn entries<'a>(gap: &str, named: impl IntoIterator<Item = (&'a str, &'a str)>) -> String {
    let line = |(slug, name)| format!("{gap}[{}, {}],\n", quoted(slug), quoted(name));
    named.into_iter().map(line).collect()
}

fn types(choices: &Choices<'_>) -> String {
    let themes = choices.themes.iter().map(|c| c.slug.as_str());
    let of_part = |part| union(choices.offered(part).into_iter().map(|(slug, _)| slug));
    TYPES
        .replace("@slugs", &union(themes))
        .replace("@primary", &of_part(Part::Primary))
        .replace("@surface", &of_part(Part::Surface))
}

fn union<'a>(slugs: impl IntoIterator<Item = &'a str>) -> String {
    let words: Vec<String> = slugs.into_iter().map(quoted).collect();
    words.join(" | ")
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
