//! `site-styles`: settings and styles of a block theme for a content system, in JSON: what its editor offers,
//! every token as a custom property, and what of a page is painted with them. The theme and each that stands
//! beside it are a variation in light and one in dark, under the same slugs.

use std::collections::HashSet;

use foldhash::HashMap;
use rhodon_color::Notation;
use rhodon_theme::{Derived, IntentPart, Mode, Role, Token};
use serde_json::{Map, Value, json};

use super::css_value;
use super::json::flat;
use super::site_entry::{self, entries, slug, words};
use super::site_painted::painted;
use super::switch_choice::named;
use crate::error::ExportError;
use crate::job::Job;
use crate::losses;
use crate::name;
use crate::option::{OptionKind, TargetOption};
use crate::output::{File, Output};
use crate::target::{Group, MoreContrast, Target};

/// What the editor can offer.
const PARTS: &[&str] = &["page", "brand", "intents", "scales", "roles", "own"];

/// See its help.
const PALETTE: TargetOption = TargetOption {
    key: "palette",
    kind: OptionKind::List(PARTS),
    default: "page,brand,intents",
    help: "Which colours the editor offers, in this order.",
};

/// Where the files go, which are copied as they are.
const FOLDER: &str = "site-styles";

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "site-styles",
    name: "Site styles, JSON",
    group: Group::Sites,
    options: &[PALETTE, TargetOption::GROUPS],
    files: &["site-styles/theme.json", "site-styles/styles/….json"],
    keys: &[
        "palette",
        "gradients",
        "fontFamilies",
        "fontSizes",
        "elements",
        "blocks",
        "settings",
        "styles",
        "theme.json",
    ],
    usage: "Copy what is in the folder site-styles into that of the site's block theme. Where it has a theme.json of its own, copy styles alone: each file there is a variation to choose in the site's editor, light or dark.",
    usage_of: None,
    token_name: Some(|_, t| Some(slug(&t.path))),
    carries_kept: false,
    takes_family: true,
    more: MoreContrast::Written(" Variations for more contrast stand beside the others."),
    write,
};

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let mut files = vec![file(job, job.theme, Mode::Light, "theme.json", None)?];
    let mut stems = HashSet::new();
    for one in named(job) {
        let raised = one.theme.at_more();
        let levels = [(Some(one.theme), ""), (raised.as_ref(), "more contrast")];
        for (theme, level) in levels {
            let Some(theme) = theme else { continue };
            for (mode, tone) in [(Mode::Light, ""), (Mode::Dark, "dark")] {
                let told = [tone, level].into_iter().filter(|word| !word.is_empty());
                let told: Vec<&str> = std::iter::once(&*one.name).chain(told).collect();
                let stem = [
                    one.slug.as_str(),
                    tone,
                    level.split(' ').next().unwrap_or_default(),
                ];
                let path = format!("styles/{}.json", free(&stem, &mut stems));
                files.push(file(job, theme, mode, &path, Some(told.join(", ")))?);
            }
        }
    }
    Ok(Output {
        files,
        warnings: losses::mapped(job.tokens()),
    })
}

/// The name of a file that no other has.
fn free(parts: &[&str], taken: &mut HashSet<String>) -> String {
    let stem: Vec<&str> = parts
        .iter()
        .copied()
        .filter(|part| !part.is_empty())
        .collect();
    let stem = stem.join("-");
    let numbered = (2..).map(|n| format!("{stem}-{n}"));
    let mut names = std::iter::once(stem.clone()).chain(numbered);
    names
        .find(|name| taken.insert(name.clone()))
        .unwrap_or(stem)
}

/// One file: a theme in a mode.
fn file(
    job: &Job<'_>,
    theme: &Derived,
    mode: Mode,
    path: &str,
    title: Option<String>,
) -> Result<File, ExportError> {
    let job = &job.of(theme);
    let names = name::unique(job.tokens(), slug)?;
    let mut content = Map::new();
    content.insert("version".to_owned(), json!(3));
    content.extend(title.map(|title| ("title".to_owned(), title.into())));
    content.insert("settings".to_owned(), settings(job, mode, &names)?);
    content.insert("styles".to_owned(), painted(job, mode, &names));
    let body = serde_json::to_string(&content).unwrap_or_default();
    content.insert("description".to_owned(), job.stamp.line(&body).into());
    Ok(File {
        path: format!("{FOLDER}/{path}"),
        text: format!("{:#}\n", Value::from(content)),
        head: 0,
    })
}

fn settings(job: &Job<'_>, mode: Mode, names: &name::Names<'_>) -> Result<Value, ExportError> {
    let custom = job.tokens().map(|token| {
        let value = flat(&token.cell(mode).value);
        (names[&*token.path].clone(), value)
    });
    Ok(json!({
        "color": {
            "defaultPalette": false,
            "defaultGradients": false,
            "palette": palette(job, mode)?,
            "gradients": gradients(job, mode),
        },
        "typography": {
            "defaultFontSizes": false,
            "fontFamilies": presets(job, mode, "type.family.", "fontFamily"),
            "fontSizes": presets(job, mode, "type.size.", "size"),
        },
        "custom": custom.collect::<Map<String, Value>>(),
    }))
}

/// The colours that the editor offers, each once.
fn palette(job: &Job<'_>, mode: Mode) -> Result<Vec<Value>, ExportError> {
    let parts: Vec<&str> = job.settings.words(&PALETTE).collect();
    let offered = parts.into_iter().flat_map(|part| match part {
        "page" => page(job, mode),
        "intents" => {
            let fills = entries(job, part, mode).into_iter();
            fills.chain(texts_on_intents(job, mode)).collect()
        }
        part => entries(job, part, mode),
    });
    let mut paths: HashMap<String, String> = HashMap::default();
    let mut listed = Vec::new();
    for entry in offered {
        match paths.get(&entry.slug) {
            Some(first) if *first == entry.path => continue,
            Some(first) => {
                return Err(ExportError::Clash {
                    first: first.clone(),
                    second: entry.path,
                    name: entry.slug,
                });
            }
            None => drop(paths.insert(entry.slug.clone(), entry.path.clone())),
        }
        listed.push(json!({
            "slug": entry.slug, "name": entry.name, "color": entry.color.to_string(),
        }));
    }
    Ok(listed)
}

/// What pages stand on and are written in.
fn page(job: &Job<'_>, mode: Mode) -> Vec<site_entry::Entry> {
    let roles = [
        Role::SURFACE_BASE,
        Role::SURFACE_RAISED,
        Role::SURFACE_SUNKEN,
        Role::TEXT_MAIN,
        Role::TEXT_MUTED,
        Role::BAR_FILL,
        Role::BAR_TEXT,
    ];
    roles
        .iter()
        .map(|role| of_role(job, mode, role.path()))
        .collect()
}

/// What is read on the fill of each intent.
fn texts_on_intents(job: &Job<'_>, mode: Mode) -> Vec<site_entry::Entry> {
    let intents = job.theme.intents.iter();
    let paths = intents.map(|intent| IntentPart::FillText.of(intent.name.as_str()));
    paths.map(|path| of_role(job, mode, &path)).collect()
}

fn of_role(job: &Job<'_>, mode: Mode, path: &str) -> site_entry::Entry {
    site_entry::Entry {
        name: words(path),
        slug: slug(path),
        color: job.role(path, mode),
        path: path.to_owned(),
    }
}

/// From the fill of each intent, and of the bar, to the end of its gradient.
fn gradients(job: &Job<'_>, mode: Mode) -> Vec<Value> {
    let ends = |name: &str, from: &str, to: &str| {
        let [from, to] = [from, to].map(|path| job.role(path, mode));
        json!({
            "slug": slug(name),
            "name": words(name),
            "gradient": format!("linear-gradient(180deg, {from} 0%, {to} 100%)"),
        })
    };
    let intents = job.theme.intents.iter().map(|intent| {
        let [from, to] =
            [IntentPart::Fill, IntentPart::GradientEnd].map(|p| p.of(intent.name.as_str()));
        ends(intent.name.as_str(), &from, &to)
    });
    let bar = ends("bar", Role::BAR_FILL.path(), Role::BAR_GRADIENT_END.path());
    intents.chain([bar]).collect()
}

/// Faces or sizes that the editor offers.
fn presets(job: &Job<'_>, mode: Mode, group: &str, key: &str) -> Vec<Value> {
    let of = |token: &Token| {
        let name = token.path.strip_prefix(group)?;
        let value = css_value::value(&token.cell(mode).value, Notation::Hex);
        Some(json!({ "slug": slug(name), "name": words(name), key: value }))
    };
    job.tokens().filter_map(of).collect()
}
