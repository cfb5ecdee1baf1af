//! `site-palette`: a list of colours for a site system, and the classes for each, always in step.

use foldhash::{HashSet, HashSetExt};
use rhodon_theme::{ColorValue, IntentPart, Mode, Section, Token};

use super::css_tree::{self, Node};
use crate::error::ExportError;
use crate::job::{Comment, Job};
use crate::losses;
use crate::name;
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

/// One colour of the list.
struct Entry {
    name: String,
    slug: String,
    color: ColorValue,
    path: String,
}

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let include = job.settings.get(&INCLUDE);
    let order: Vec<&str> = if include == "all" {
        PARTS.to_vec()
    } else {
        include.split(',').map(str::trim).collect()
    };
    let mut entries: Vec<Entry> = order.iter().flat_map(|part| entries(job, part)).collect();
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

fn entries(job: &Job<'_>, part: &str) -> Vec<Entry> {
    let of_token = |t: &Token| {
        let color = *t.cell(Mode::Light).value.color()?;
        Some(Entry {
            name: words(&t.path),
            slug: slug(&t.path),
            color,
            path: t.path.to_string(),
        })
    };
    let section = |section: Section| {
        job.colors()
            .filter(|t| t.section == section)
            .filter_map(of_token)
            .collect()
    };
    match part {
        "brand" => job
            .theme
            .scales
            .iter()
            .filter(|s| job.decided.merged.brand.iter().any(|b| b.slug == s.slug))
            .map(|s| Entry {
                name: s.name.to_string(),
                slug: slug(s.slug.as_str()),
                color: ColorValue::opaque(s.scale.base_step().color),
                path: s.slug.to_string(),
            })
            .collect(),
        "intents" => job
            .theme
            .intents
            .iter()
            // An intent of a brand colour's own name is in the list with it.
            .filter(|i| !job.decided.merged.brand.iter().any(|b| b.slug == i.name))
            .map(|i| Entry {
                name: words(i.name.as_str()),
                slug: slug(i.name.as_str()),
                color: job.role(&IntentPart::Fill.of(i.name.as_str()), Mode::Light),
                path: format!("{}.fill", i.name),
            })
            .collect(),
        "scales" => section(Section::Scales),
        "roles" => section(Section::Roles),
        _ => section(Section::Own),
    }
}

/// A name as site systems write it: in lower case, with a hyphen between letters and digits, so that
/// they change nothing and both files keep to it. `danger2` is `danger-2`, `red.a8` is `red-a-8`.
fn slug(path: &str) -> String {
    let mut out = String::with_capacity(path.len() + 4);
    for c in name::kebab("", path).chars() {
        let last = out.chars().last();
        let turns = |l: char| {
            (l.is_ascii_alphabetic() && c.is_ascii_digit())
                || (l.is_ascii_digit() && c.is_ascii_alphabetic())
        };
        if last.is_some_and(turns) {
            out.push('-');
        }
        out.push(c.to_ascii_lowercase());
    }
    out
}

/// `primary.fill-hover` as `Primary fill hover`.
fn words(path: &str) -> String {
    let text = path.replace(['.', '-'], " ");
    text[..1].to_ascii_uppercase() + &text[1..]
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
