//! `utility-js`: a preset for a utility-class framework that is configured in JavaScript.

use foldhash::HashMap;
use indexmap::IndexMap;
use rhodon_color::Notation;
use rhodon_theme::{ColorValue, Mode, Token, TokenKind};

use super::family::families;
use super::script::Literal;
use super::{css_value, losses};
use crate::name::{self, Names};
use crate::option::{OptionKind, TargetOption};
use crate::target::{Comment, ExportError, Group, Job, Output, Target, Warning};

/// See its help.
const MODULE: TargetOption = TargetOption {
    key: "module",
    kind: OptionKind::Choice(&["esm", "commonjs"]),
    default: "esm",
    help: "How the file exports the preset.",
};

/// See its help.
const STOCK: TargetOption = TargetOption {
    key: "stock",
    kind: OptionKind::Choice(&["extend", "replace"]),
    default: "extend",
    help: "Whether the theme's colours stand beside the stock colours or replace them; transparent, current and inherit always stay.",
};

/// See its help.
const KEEP: TargetOption = TargetOption {
    key: "keep",
    kind: OptionKind::Names,
    default: "",
    help: "Stock colours that stay when they are replaced, by name.",
};

/// See its help.
const VALUES: TargetOption = TargetOption {
    key: "values",
    kind: OptionKind::Choice(&["channels", "literal"]),
    default: "channels",
    help: "Custom properties that follow dark mode and take an opacity, or the codes of light mode.",
};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "utility-js",
    name: "Utility config, script",
    group: Group::Frameworks,
    options: &[MODULE, STOCK, KEEP, VALUES, TargetOption::PREFIX],
    files: &["theme.preset.js"],
    keys: &[
        "theme.extend.colors",
        "theme.colors",
        "presets",
        "<alpha-value>",
        "DEFAULT",
        "module.exports",
        "js",
    ],
    usage: "Put theme.preset.js beside the framework's config and add it to its presets.",
    token_name: None,
    carries_kept: false,
    write,
};

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let channels = job.settings.get(&VALUES) == "channels";
    let names = name::unique(job.tokens(), |path| {
        name::kebab(job.settings.get(&TargetOption::PREFIX), path)
    })?;
    let colors = colors(job, &names, channels)?;
    let mut theme = Vec::new();
    let replaced = job.settings.get(&STOCK) == "replace";
    if replaced {
        theme.push((
            "colors",
            Literal::Code(format!(
                "({{ colors }}) => ({})",
                stocked(job, colors.clone()).print(2)
            )),
        ));
    }
    let mut extend = Vec::new();
    if !replaced {
        extend.push(("colors", colors));
    }
    extend.extend(sections(job));
    theme.push(("extend", Literal::object(extend)));
    let mut preset = vec![("theme", Literal::object(theme))];
    if channels {
        preset.push((
            "plugins",
            Literal::List(vec![Literal::Code(plugin(job, &names))]),
        ));
    }
    let export = if job.settings.get(&MODULE) == "esm" {
        "export default"
    } else {
        "module.exports ="
    };
    let body = format!("{export} {};\n", Literal::object(preset).print(0));
    let mut warnings = losses::mapped(job.colors());
    warnings.extend(unplaced(job));
    if !channels {
        warnings.extend(losses::of(
            job.colors().filter(|t| !t.is_modeless()),
            "only its value in light mode is written",
        ));
    }
    Ok(Output {
        files: vec![job.file("theme.preset.js", Comment::BLOCK, &body)],
        warnings,
    })
}

/// Families of colours; `DEFAULT` is the exact colour of a scale, the fill of an intent.
fn colors(job: &Job<'_>, names: &Names<'_>, channels: bool) -> Result<Literal, ExportError> {
    let color = |t: &Token| match t.cell(Mode::Light).value.color() {
        Some(c) if channels => Literal::Text(variable(t, c, &names[&*t.path])),
        Some(c) => Literal::Text(c.to_string()),
        None => Literal::text(""),
    };
    let mut out = Vec::new();
    let bases: HashMap<&str, &str> = job
        .scales()
        .filter_map(|(s, steps)| Some((s.slug.as_str(), steps.iter().find(|s| s.base)?.label)))
        .collect();
    for (family, members) in families(job.colors())? {
        let base = bases.get(family).copied().unwrap_or("fill");
        let default = members.get("").or_else(|| members.get(base));
        let mut entries: Vec<(&str, Literal)> =
            default.map(|t| ("DEFAULT", color(t))).into_iter().collect();
        entries.extend(
            members
                .iter()
                .filter(|(key, _)| !key.is_empty())
                .map(|(key, t)| (key.as_str(), color(t))),
        );
        let lone = entries.len() == 1 && members.contains_key("");
        out.push((
            family,
            if lone {
                entries.remove(0).1
            } else {
                Literal::object(entries)
            },
        ));
    }
    Ok(Literal::object(out))
}

/// A reference that takes an opacity; a see-through colour has its own.
fn variable(token: &Token, light: &ColorValue, name: &str) -> String {
    if is_translucent(token) || light.alpha < 1.0 {
        format!("var(--{name})")
    } else {
        format!("rgb(var(--{name}-channels) / <alpha-value>)")
    }
}

fn is_translucent(token: &Token) -> bool {
    Mode::BOTH
        .iter()
        .any(|m| token.cell(*m).value.color().is_some_and(|c| c.alpha < 1.0))
}

/// The colours with the keywords, and with the stock colours that stay.
fn stocked(job: &Job<'_>, colors: Literal) -> Literal {
    let mut entries: Vec<(String, Literal)> = [
        ("transparent", "transparent"),
        ("current", "currentColor"),
        ("inherit", "inherit"),
    ]
    .map(|(key, value)| (key.to_owned(), Literal::text(value)))
    .to_vec();
    entries.extend(
        job.settings
            .names(&KEEP)
            .map(|n| (n.to_owned(), Literal::Code(format!("colors[\"{n}\"]")))),
    );
    if let Literal::Object(own) = colors {
        entries.retain(|(key, _)| !own.iter().any(|(k, _)| k == key));
        entries.extend(own);
    }
    Literal::Object(entries)
}

/// Type and shape under the keys that the framework gives them.
const SECTIONS: [(&str, &str); 5] = [
    ("type.family.", "fontFamily"),
    ("type.size.", "fontSize"),
    ("type.weight.", "fontWeight"),
    ("shape.radius.", "borderRadius"),
    ("shape.border.", "borderWidth"),
];

/// The key and the name under which the framework takes a token that is no colour.
fn place(token: &Token) -> Option<(&'static str, String)> {
    let section = SECTIONS
        .iter()
        .find_map(|(start, key)| token.path.strip_prefix(start).map(|rest| (*key, rest)));
    let (key, rest) = section.or(match token.kind {
        TokenKind::Dimension => Some(("spacing", &*token.path)),
        TokenKind::FontFamily => Some(("fontFamily", &*token.path)),
        TokenKind::FontWeight => Some(("fontWeight", &*token.path)),
        TokenKind::Color | TokenKind::Number => None,
    })?;
    Some((key, name::kebab("", rest)))
}

fn sections(job: &Job<'_>) -> IndexMap<&'static str, Literal> {
    let mut out: IndexMap<&'static str, Vec<(String, Literal)>> = IndexMap::new();
    for token in job.others() {
        if let Some((key, name)) = place(token) {
            let text = css_value::value(&token.cell(Mode::Light).value, Notation::Hex);
            out.entry(key)
                .or_default()
                .push((name, Literal::Text(text)));
        }
    }
    out.into_iter()
        .map(|(key, entries)| (key, Literal::Object(entries)))
        .collect()
}

fn unplaced(job: &Job<'_>) -> Vec<Warning> {
    let mut out = losses::of(
        job.others().filter(|t| place(t).is_none()),
        "the framework has no key for a number",
    );
    let differing = job
        .others()
        .filter(|t| place(t).is_some() && !t.is_modeless());
    out.extend(losses::of(
        differing,
        "only its value in light mode is written",
    ));
    out
}

/// The plugin that defines the custom properties of both modes.
fn plugin(job: &Job<'_>, names: &Names<'_>) -> String {
    let block = |mode: Mode| {
        let wanted = job
            .colors()
            .filter(|t| mode == Mode::Light || !t.is_modeless());
        Literal::object(wanted.filter_map(|t| {
            let color = t.cell(mode).value.color()?;
            let name = &names[&*t.path];
            let [r, g, b] = [color.code.r, color.code.g, color.code.b];
            Some(if is_translucent(t) {
                (format!("--{name}"), Literal::text(color.to_string()))
            } else {
                (
                    format!("--{name}-channels"),
                    Literal::text(format!("{r} {g} {b}")),
                )
            })
        }))
    };
    let rules = Literal::object([
        (":root", block(Mode::Light)),
        (
            "@media (prefers-color-scheme: dark)",
            Literal::object([(":root:not([data-mode=\"light\"])", block(Mode::Dark))]),
        ),
        (":root[data-mode=\"dark\"]", block(Mode::Dark)),
    ]);
    format!("({{ addBase }}) => addBase({})", rules.print(1))
}
