//! Colours as the editors of site systems list them: a name that people read, and a slug.

use rhodon_theme::{ColorValue, IntentPart, Mode, Section, Token};

use crate::job::Job;
use crate::name;

/// One colour of a list.
pub(super) struct Entry {
    /// What people read.
    pub name: String,
    /// What classes and properties are called by.
    pub slug: String,
    /// What it is.
    pub color: ColorValue,
    /// The token, or what it belongs to.
    pub path: String,
}

/// The colours of a part of the theme, as they are in a mode; what is no other part is own tokens.
pub(super) fn entries(job: &Job<'_>, part: &str, mode: Mode) -> Vec<Entry> {
    let of_token = |t: &Token| {
        let color = *t.cell(mode).value.color()?;
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
                color: job.role(&IntentPart::Fill.of(i.name.as_str()), mode),
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
pub(super) fn slug(path: &str) -> String {
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
pub(super) fn words(path: &str) -> String {
    let text = path.replace(['.', '-'], " ");
    text[..1].to_ascii_uppercase() + &text[1..]
}
