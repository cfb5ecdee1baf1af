//! `utility-css`: theme variables for a utility-class framework that is configured in CSS.

use foldhash::{HashMap, HashMapExt};
use rhodon_color::Notation;
use rhodon_theme::{Mode, Role, Section, Token, TokenKind};

use super::css_tree::{self, Node};
use super::css_value;
use super::utility::{KEEP, MODE, Place, STOCK, STOCK_FAMILIES, kept, placed};
use crate::error::ExportError;
use crate::job::{Comment, Job};
use crate::losses;
use crate::name;
use crate::option::TargetOption;
use crate::output::{Output, Warning};
use crate::target::{Group, MoreContrast, Target};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "utility-css",
    name: "Utility config, style sheet",
    group: Group::Frameworks,
    options: &[STOCK, KEEP, MODE, TargetOption::PROPERTY_PREFIX],
    files: &["theme.utility.css"],
    keys: &[
        "@theme",
        "@theme inline",
        "@custom-variant dark",
        "--color-",
        "--font-",
        "--radius-",
        "--text-",
    ],
    usage: "In your main style sheet import theme.css first, so that a web font's import stays on top, then the framework, then theme.utility.css; roles follow the mode of theme.css.",
    usage_of: None,
    token_name: Some(|_, t| Some(format!("var(--{})", variable(&t.path, t.kind)))),
    carries_kept: false,
    takes_family: false,
    more: MoreContrast::Followed,
    write,
};

/// Namespaces of the framework by the start of a token's path.
const SPACES: [(&str, &str); 4] = [
    ("type.family.", "font-"),
    ("type.size.", "text-"),
    ("type.weight.", "font-weight-"),
    ("shape.radius.", "radius-"),
];

/// Namespaces in which the framework looks for values; a custom property of such a name that
/// theme.css sets would take the place of one of them.
const LOOKED_FOR: [&str; 8] = [
    "color-",
    "font-",
    "text-",
    "radius-",
    "spacing-",
    "shadow-",
    "breakpoint-",
    "ease-",
];

/// What the framework takes where a class names nothing.
const DEFAULTS: [(&str, &str); 4] = [
    ("default-font-family", "type.family.body"),
    ("default-mono-font-family", "type.family.mono"),
    ("default-border-width", "shape.border.width"),
    ("default-ring-color", Role::FOCUS_RING.path()),
];

/// Theme variables with the tokens that they were made of.
struct Variables<'a> {
    owners: HashMap<String, &'a str>,
    fixed: Grouped<'a>,
    inline: Grouped<'a>,
}

/// Lines with a comment above each group.
#[derive(Default)]
struct Grouped<'a> {
    lines: Vec<String>,
    group: &'a str,
}

impl<'a> Grouped<'a> {
    fn push(&mut self, group: &'a str, line: String) {
        if group != self.group {
            self.group = group;
            self.lines.push(format!("/* {group} */"));
        }
        self.lines.push(line);
    }
}

impl<'a> Variables<'a> {
    /// A variable with a token's value, or with its custom property where that follows the mode.
    fn set(&mut self, job: &Job<'a>, name: String, token: &'a Token) -> Result<(), ExportError> {
        if let Some(first) = self.owners.insert(name.clone(), &token.path) {
            return Err(ExportError::Clash {
                first: first.to_owned(),
                second: token.path.to_string(),
                name,
            });
        }
        if token.section == Section::Roles || !token.is_modeless() {
            let prefix = job.settings.get(&TargetOption::PROPERTY_PREFIX);
            let property = name::kebab(prefix, &token.path);
            let line = format!("--{name}: var(--{property});");
            self.inline.push(token.group(), line);
        } else {
            let value = css_value::value(&token.cell(Mode::Light).value, Notation::Hex);
            self.fixed
                .push(token.group(), format!("--{name}: {value};"));
        }
        Ok(())
    }
}

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let (stock, mut warnings) = kept(job);
    let mut variables = Variables {
        owners: HashMap::with_capacity(512),
        fixed: Grouped::default(),
        inline: Grouped::default(),
    };
    if job.settings.get(&STOCK) == "replace" {
        variables.fixed.lines.extend(reset(&stock));
    }
    for (place, families) in placed(job)? {
        for (family, members) in families {
            for (member, token) in members {
                variables.set(job, color_variable(place, family, &member), token)?;
            }
        }
    }
    for token in job.others() {
        variables.set(job, variable(&token.path, token.kind), token)?;
    }
    for (name, path) in DEFAULTS {
        if let Some(token) = job.token(path).filter(|t| !t.omitted) {
            variables.set(job, name.to_owned(), token)?;
        }
    }
    let mut body = String::with_capacity(24 * 1024);
    body.push_str(dark_variant(job.settings.get(&MODE)));
    let prefix = job.settings.get(&TargetOption::PROPERTY_PREFIX);
    let border = name::css_reference(prefix, Role::BORDER_SUBTLE.path());
    let mut nodes = vec![
        Node::rule("@theme", variables.fixed.lines),
        Node::rule("@theme inline", variables.inline.lines),
    ];
    // The framework would draw borders in the colour of text.
    nodes.push(Node::at(
        "@layer base",
        vec![Node::rule(
            "*, ::before, ::after, ::backdrop, ::file-selector-button",
            vec![format!("border-color: {border};")],
        )],
    ));
    css_tree::print_all(&nodes, 0, &mut body);
    warnings.extend(losses::mapped(job.colors().filter(|t| t.is_modeless())));
    warnings.extend(overriding(job, prefix));
    Ok(Output {
        files: vec![job.file("theme.utility.css", Comment::BLOCK, &body)],
        warnings,
    })
}

/// Takes the stock colours away, all of them or all but some.
fn reset(kept: &[&str]) -> Vec<String> {
    if kept.is_empty() {
        return vec!["--color-*: initial;".to_owned()];
    }
    let gone = STOCK_FAMILIES.iter().filter(|f| !kept.contains(f));
    gone.map(|family| match *family {
        "black" | "white" => format!("--color-{family}: initial;"),
        _ => format!("--color-{family}-*: initial;"),
    })
    .collect()
}

/// The framework's classes for dark mode, in agreement with theme.css.
fn dark_variant(mode: &str) -> &'static str {
    match mode {
        "class" => "@custom-variant dark (&:where(.dark, .dark *));\n\n",
        "attribute" => {
            "@custom-variant dark (&:where([data-mode=\"dark\"], [data-mode=\"dark\"] *));\n\n"
        }
        _ => {
            "@custom-variant dark {\n  \
               &:where([data-mode=\"dark\"], [data-mode=\"dark\"] *) {\n    @slot;\n  }\n\n  \
               @media (prefers-color-scheme: dark) {\n    \
                 &:where(:root:not([data-mode=\"light\"]), :root:not([data-mode=\"light\"]) *) {\n      @slot;\n    }\n  \
               }\n}\n\n"
        }
    }
}

/// Own tokens whose custom property in theme.css is one that the framework looks for.
fn overriding(job: &Job<'_>, prefix: &str) -> Vec<Warning> {
    let own = job.tokens().filter(|t| t.section == Section::Own);
    let name = |t: &Token| name::kebab(prefix, &t.path);
    let hit = own.filter(|t| LOOKED_FOR.iter().any(|space| name(t).starts_with(space)));
    hit.map(|t| {
        let message = format!(
            "theme.css calls it --{}, which the framework takes for a value of its own: give it another name, or give css and this target a prefix",
            name(t)
        );
        Warning::new(&t.path, message)
    })
    .collect()
}

/// The theme variable of a colour in its place.
fn color_variable(place: Place, family: &str, member: &str) -> String {
    let space = match place {
        Place::All => "color",
        Place::Text => "text-color",
        Place::Border => "border-color",
        Place::Ring => "ring-color",
    };
    [space, family, member]
        .into_iter()
        .filter(|part| !part.is_empty())
        .collect::<Vec<_>>()
        .join("-")
}

/// The theme variable of a token: in the namespace of what it is for, so that classes are made of it.
fn variable(path: &str, kind: TokenKind) -> String {
    if let Some((space, rest)) = SPACES
        .iter()
        .find_map(|(start, space)| path.strip_prefix(start).map(|rest| (space, rest)))
    {
        return format!("{space}{}", name::kebab("", rest));
    }
    match kind {
        TokenKind::Color => {
            let (family, rest) = path.split_once('.').unwrap_or((path, ""));
            match Place::of(family) {
                Place::Ring => color_variable(Place::Ring, "", family),
                Place::All => color_variable(Place::All, family, &name::kebab("", rest)),
                place => color_variable(place, "", &name::kebab("", rest)),
            }
        }
        TokenKind::FontFamily => name::kebab("font", path),
        TokenKind::FontWeight => name::kebab("font-weight", path),
        TokenKind::Dimension if !path.starts_with("shape.") => name::kebab("spacing", path),
        TokenKind::Dimension | TokenKind::Number => name::kebab("", path),
    }
}
