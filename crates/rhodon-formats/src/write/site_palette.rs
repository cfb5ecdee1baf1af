//! `site-palette`: a list of colours for a site system, and the classes for each, always in step.

use foldhash::{HashSet, HashSetExt};
use rhodon_theme::{Mode, Token};

use super::css_tree::{self, Node};
use super::site_entry::{Entry, entries};
use crate::error::ExportError;
use crate::job::{Comment, Job};
use crate::losses;
use crate::option::{OptionKind, TargetOption};
use crate::output::{Output, Warning};
use crate::target::{Group, MoreContrast, Target};

/// What can be listed, in the words of the option.
const PARTS: &[&str] = &["brand", "intents", "scales", "roles", "own"];

/// See its help.
const INCLUDE: TargetOption = TargetOption {
    key: "include",
    kind: OptionKind::List(PARTS),
    default: "brand,intents",
    help: "What is listed, in this order.",
};

/// See its help.
const REPEAT: TargetOption = TargetOption {
    key: "repeat",
    kind: OptionKind::Choice(&["no", "yes"]),
    default: "no",
    help: "Whether a colour that is listed already is listed again under another name.",
};

/// See its help.
const TEXT: TargetOption = TargetOption {
    key: "text",
    kind: OptionKind::Pattern,
    default: "has-{name}-color",
    help: "Name of the class that colours text.",
};

/// See its help.
const BACKGROUND: TargetOption = TargetOption {
    key: "background",
    kind: OptionKind::Pattern,
    default: "has-{name}-background-color",
    help: "Name of the class that colours a background.",
};

/// See its help.
const DOMAIN: TargetOption = TargetOption {
    key: "domain",
    kind: OptionKind::Name,
    default: "theme",
    help: "Text domain under which the names are translated.",
};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "site-palette",
    name: "Site palette",
    group: Group::Sites,
    options: &[INCLUDE, REPEAT, TEXT, BACKGROUND, DOMAIN],
    files: &["palette.php", "palette.css"],
    keys: &[
        "slug",
        "color",
        "name",
        "has-",
        "-background-color",
        "php",
        "__(",
    ],
    usage: "Register the list that palette.php returns as the palette of the content system's editor and load palette.css with the site's styles.",
    usage_of: None,
    token_name: None,
    carries_kept: false,
    takes_family: false,
    more: MoreContrast::Left,
    write,
};

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let of_part = |part: &str| entries(job, part, Mode::Light);
    let mut entries: Vec<Entry> = job.settings.words(&INCLUDE).flat_map(of_part).collect();
    if job.settings.get(&REPEAT) == "no" {
        let mut seen = HashSet::new();
        entries.retain(|e| seen.insert(e.color.to_string()));
    }
    for (i, entry) in entries.iter().enumerate() {
        if let Some(first) = entries[..i].iter().find(|e| e.slug == entry.slug) {
            return Err(ExportError::Clash {
                first: first.path.clone(),
                second: entry.path.clone(),
                name: entry.slug.clone(),
            });
        }
    }
    let (text, background) = (job.settings.get(&TEXT), job.settings.get(&BACKGROUND));
    if text == background {
        return Err(ExportError::Clash {
            first: "the option text".to_owned(),
            second: "the option background".to_owned(),
            name: text.to_owned(),
        });
    }
    let files = vec![
        list(job, &entries),
        job.file(
            "palette.css",
            Comment::BLOCK,
            &classes(&entries, text, background),
        ),
    ];
    Ok(Output {
        files,
        warnings: warnings(job, &entries),
    })
}

/// A file that returns the list.
fn list(job: &Job<'_>, entries: &[Entry]) -> crate::output::File {
    let domain = job.settings.get(&DOMAIN);
    let mut body = String::from("return array(\n");
    for e in entries {
        let name = match domain {
            "" => quoted(&e.name),
            domain => format!("__( {}, {} )", quoted(&e.name), quoted(domain)),
        };
        body.push_str(&format!(
            "\tarray(\n\t\t'name'  => {name},\n\t\t'slug'  => {},\n\t\t'color' => '{}',\n\t),\n",
            quoted(&e.slug),
            e.color,
        ));
    }
    body.push_str(");\n");
    let file = job.file("palette.php", Comment::BLOCK, &body);
    crate::output::File {
        text: format!("<?php\n{}", file.text),
        ..file
    }
}

/// A single-quoted string (PHP manual, "Strings").
fn quoted(text: &str) -> String {
    format!("'{}'", text.replace('\\', "\\\\").replace('\'', "\\'"))
}

fn classes(entries: &[Entry], text: &str, background: &str) -> String {
    let mut rules = Vec::with_capacity(entries.len() * 2);
    for e in entries {
        for (pattern, property) in [(text, "color"), (background, "background-color")] {
            let selector = format!(".{}", pattern.replace("{name}", &e.slug));
            rules.push(Node::rule(
                &selector,
                vec![format!("{property}: {};", e.color)],
            ));
        }
    }
    let mut out = String::new();
    css_tree::print_all(&rules, 0, &mut out);
    out
}

/// What is listed and loses something; what `include` leaves out was not asked for.
fn warnings(job: &Job<'_>, entries: &[Entry]) -> Vec<Warning> {
    let paths: HashSet<&str> = entries.iter().map(|e| e.path.as_str()).collect();
    let listed = |t: &&Token| paths.contains(&*t.path);
    let mut out = losses::mapped(job.colors().filter(listed));
    out.extend(losses::of(job.others(), "the list holds only colours"));
    let differing = job
        .colors()
        .filter(|t| listed(t) && t.cell(Mode::Light).value != t.cell(Mode::Dark).value);
    out.extend(losses::of(
        differing,
        "only its value in light mode is written",
    ));
    out
}
