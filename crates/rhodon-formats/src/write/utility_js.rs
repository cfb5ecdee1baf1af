//! `utility-js`: a preset for a utility-class framework that is configured in JavaScript.

use indexmap::IndexMap;
use rhodon_color::Notation;
use rhodon_theme::{Mode, Role, Token, TokenKind};

use super::css::{DARK_ATTRIBUTE, DARK_CLASS, DARK_SYSTEM, NOT_LIGHT};
use super::css_value;
use super::script::Literal;
use super::utility::{KEEP, MODE, Place, STOCK, kept, placed};
use crate::error::ExportError;
use crate::job::{Comment, Job};
use crate::losses;
use crate::name::{self, Names};
use crate::option::{OptionKind, TargetOption};
use crate::output::{Output, Warning};
use crate::target::{Group, MoreContrast, Target};

/// See its help.
const MODULE: TargetOption = TargetOption {
    key: "module",
    kind: OptionKind::Choice(&["esm", "commonjs"]),
    default: "esm",
    help: "How the file exports the preset.",
};

/// See its help.
const VALUES: TargetOption = TargetOption {
    key: "values",
    kind: OptionKind::Choice(&["properties", "channels", "literal"]),
    default: "properties",
    help: "What colours that differ by mode are: the custom properties of theme.css, channels that the preset brings along, or the codes of light mode. The first two follow dark mode and take an opacity.",
};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "utility-js",
    name: "Utility config, script",
    group: Group::Frameworks,
    options: &[MODULE, STOCK, KEEP, VALUES, MODE, TargetOption::PREFIX],
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
    usage: "Put theme.preset.js beside the framework's config and add it to its presets; load theme.css too, whose custom properties it uses unless values says otherwise.",
    usage_of: None,
    token_name: None,
    carries_kept: false,
    takes_family: false,
    more: MoreContrast::Followed,
    write,
};

/// How colours that differ by mode are written.
#[derive(Clone, Copy, PartialEq)]
enum Manner {
    Properties,
    Channels,
    Literal,
}

/// A preset in the making.
struct Preset<'a, 'j> {
    job: &'j Job<'a>,
    names: Names<'a>,
    manner: Manner,
}

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let prefix = job.settings.get(&TargetOption::PREFIX);
    let preset = Preset {
        job,
        names: name::unique(job.tokens(), |path| name::kebab(prefix, path))?,
        manner: match job.settings.get(&VALUES) {
            "channels" => Manner::Channels,
            "literal" => Manner::Literal,
            _ => Manner::Properties,
        },
    };
    let export = match job.settings.get(&MODULE) {
        "esm" => "export default",
        _ => "module.exports =",
    };
    let (stock, mut warnings) = kept(job);
    let body = format!("{export} {};\n", preset.literal(&stock)?.print(0));
    warnings.extend(losses::mapped(job.colors()));
    warnings.extend(unplaced(job));
    warnings.extend(preset.losses());
    Ok(Output {
        files: vec![job.file("theme.preset.js", Comment::BLOCK, &body)],
        warnings,
    })
}

impl Preset<'_, '_> {
    fn literal(&self, stock: &[&str]) -> Result<Literal, ExportError> {
        let (mut theme, mut extend) = (Vec::new(), Vec::new());
        for (place, families) in placed(self.job)? {
            let entries = families
                .into_iter()
                .flat_map(|(family, members)| self.family(family, members));
            let entries = Literal::object(entries);
            match place {
                Place::All if self.job.settings.get(&STOCK) == "replace" => {
                    let colors = stocked(stock, entries).print(2);
                    theme.push((
                        "colors",
                        Literal::Code(format!("({{ colors }}) => ({colors})")),
                    ));
                }
                Place::All => extend.push(("colors", entries)),
                Place::Text => extend.push(("textColor", entries)),
                Place::Border => {
                    extend.push(("divideColor", entries.clone()));
                    extend.push((
                        "borderColor",
                        self.with_default(Role::BORDER_SUBTLE, entries),
                    ));
                }
                Place::Ring => {
                    extend.push(("ringColor", self.with_default(Role::FOCUS_RING, entries)))
                }
            }
        }
        extend.extend(sections(self.job));
        theme.push(("extend", Literal::object(extend)));
        let mut preset = vec![
            ("darkMode", dark_mode(self.job.settings.get(&MODE))),
            ("theme", Literal::object(theme)),
        ];
        if self.manner == Manner::Channels {
            let plugin = Literal::Code(self.plugin());
            preset.push(("plugins", Literal::List(vec![plugin])));
        }
        Ok(Literal::object(preset))
    }

    /// A family as an object, or its members alone where they stand in no family.
    fn family(&self, family: &str, members: IndexMap<String, &Token>) -> Vec<(String, Literal)> {
        let lone = members.len() == 1 && members.contains_key("");
        let entries = members.into_iter().map(|(key, token)| {
            let key = if key.is_empty() {
                "DEFAULT".to_owned()
            } else {
                key
            };
            (key, self.color(token))
        });
        let mut entries: Vec<(String, Literal)> = entries.collect();
        match (family, lone) {
            ("", _) => entries,
            (_, true) => vec![(family.to_owned(), entries.remove(0).1)],
            _ => vec![(family.to_owned(), Literal::Object(entries))],
        }
    }

    /// What the framework paints where a class names no colour.
    fn with_default(&self, role: Role, entries: Literal) -> Literal {
        let (Some(token), Literal::Object(mut entries)) = (self.job.token(role.path()), entries)
        else {
            return Literal::Object(Vec::new());
        };
        entries.insert(0, ("DEFAULT".to_owned(), self.color(token)));
        Literal::Object(entries)
    }

    /// A reference that takes an opacity, where a token differs by mode; a see-through colour has
    /// its own.
    fn color(&self, token: &Token) -> Literal {
        let Some(light) = token.cell(Mode::Light).value.color() else {
            return Literal::text("");
        };
        let Some(name) = self.names.get(&*token.path) else {
            return Literal::text(light.to_string());
        };
        Literal::Text(match self.manner {
            _ if token.is_modeless() => light.to_string(),
            Manner::Literal => light.to_string(),
            _ if is_translucent(token) => format!("var(--{name})"),
            Manner::Channels => format!("rgb(var(--{name}-channels) / <alpha-value>)"),
            Manner::Properties => {
                format!("color-mix(in srgb, var(--{name}) calc(<alpha-value> * 100%), transparent)")
            }
        })
    }

    fn losses(&self) -> Vec<Warning> {
        let differing = || self.job.colors().filter(|t| !t.is_modeless());
        match self.manner {
            Manner::Literal => losses::of(differing(), "only its value in light mode is written"),
            _ => losses::of(
                differing().filter(|t| is_translucent(t)),
                "it has an opacity of its own: a class cannot give it another",
            ),
        }
    }

    /// The plugin that defines the custom properties of both modes.
    fn plugin(&self) -> String {
        let block = |mode: Mode| {
            let wanted = self.job.colors().filter(|t| !t.is_modeless());
            Literal::object(wanted.filter_map(|t| {
                let color = t.cell(mode).value.color()?;
                let name = &self.names[&*t.path];
                let [r, g, b] = color.code.channels();
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
        let dark = block(Mode::Dark);
        let mut rules = vec![(":root".to_owned(), block(Mode::Light))];
        match self.job.settings.get(&MODE) {
            "class" => rules.push((DARK_CLASS.to_owned(), dark)),
            "attribute" => rules.push((DARK_ATTRIBUTE.to_owned(), dark)),
            _ => {
                let inner = Literal::object([(NOT_LIGHT, dark.clone())]);
                rules.push((DARK_SYSTEM.to_owned(), inner));
                rules.push((DARK_ATTRIBUTE.to_owned(), dark));
            }
        }
        format!(
            "({{ addBase }}) => addBase({})",
            Literal::Object(rules).print(1)
        )
    }
}

/// The framework's own setting, in agreement with the style sheet.
fn dark_mode(mode: &str) -> Literal {
    let list = |words: &[&str]| Literal::List(words.iter().map(|w| Literal::text(*w)).collect());
    match mode {
        "class" => list(&["selector", DARK_CLASS]),
        "attribute" => list(&["selector", "[data-mode=\"dark\"]"]),
        _ => Literal::List(vec![
            Literal::text("variant"),
            list(&[
                "@media (prefers-color-scheme: dark) { &:is(:root:not([data-mode=\"light\"]) *) }",
                "&:is([data-mode=\"dark\"] *)",
            ]),
        ]),
    }
}

fn is_translucent(token: &Token) -> bool {
    Mode::BOTH
        .iter()
        .any(|m| token.cell(*m).value.color().is_some_and(|c| c.alpha < 1.0))
}

/// The colours with the keywords, and with the stock colours that stay.
fn stocked(stock: &[&str], colors: Literal) -> Literal {
    let mut entries: Vec<(String, Literal)> = [
        ("transparent", "transparent"),
        ("current", "currentColor"),
        ("inherit", "inherit"),
    ]
    .map(|(key, value)| (key.to_owned(), Literal::text(value)))
    .to_vec();
    let kept = stock.iter();
    entries.extend(kept.map(|n| ((*n).to_owned(), Literal::Code(format!("colors[\"{n}\"]")))));
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

/// What the framework takes where a class names nothing, or by its own name.
const DEFAULTS: [(&str, &str, &str); 3] = [
    ("fontFamily", "sans", "type.family.body"),
    ("borderRadius", "DEFAULT", "shape.radius.medium"),
    ("borderWidth", "DEFAULT", "shape.border.width"),
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
    let text = |token: &Token| {
        Literal::Text(css_value::value(
            &token.cell(Mode::Light).value,
            Notation::Hex,
        ))
    };
    for token in job.others() {
        if let Some((key, name)) = place(token) {
            out.entry(key).or_default().push((name, text(token)));
        }
    }
    for (key, name, path) in DEFAULTS {
        if let (Some(entries), Some(token)) = (out.get_mut(key), job.token(path)) {
            entries.push((name.to_owned(), text(token)));
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
