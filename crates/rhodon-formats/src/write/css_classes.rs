//! `css-classes`: classes for text, background and border, by step, role and intent.

use foldhash::{HashMap, HashMapExt};
use rhodon_theme::{Section, Token, TokenKind};

use super::css_tree;
use crate::error::ExportError;
use crate::job::{Comment, Job, by_group};
use crate::losses;
use crate::name;
use crate::option::{OptionKind, TargetOption};
use crate::output::Output;
use crate::target::{Group, MoreContrast, Target};

const fn pattern(key: &'static str, default: &'static str, help: &'static str) -> TargetOption {
    TargetOption {
        key,
        kind: OptionKind::Pattern,
        default,
        help,
    }
}

/// Classes that colour text.
const TEXT: TargetOption = pattern("text", "text-{name}", "Name of a class that colours text.");
/// Classes that colour a background.
const BACKGROUND: TargetOption = pattern(
    "background",
    "bg-{name}",
    "Name of a class that colours a background.",
);
/// Classes that colour a border.
const BORDER: TargetOption = pattern(
    "border",
    "border-{name}",
    "Name of a class that colours a border.",
);

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "css-classes",
    name: "CSS classes",
    group: Group::Web,
    options: &[
        TEXT,
        BACKGROUND,
        BORDER,
        TargetOption::PROPERTY_PREFIX,
        TargetOption::GROUPS,
    ],
    files: &["classes.css"],
    keys: &["color", "background-color", "border-color", "class"],
    usage: "Load classes.css after theme.css, whose custom properties it uses. A class named by an intent alone sets fill and text together.",
    usage_of: None,
    token_name: None,
    carries_kept: false,
    takes_family: false,
    more: MoreContrast::Followed,
    write,
};

/// Rules under class names that must differ.
struct Classes<'a, 'j> {
    job: &'j Job<'a>,
    owners: HashMap<String, String>,
    rules: Vec<css_tree::Node>,
}

/// Option, and the property that its class sets.
const USES: [(TargetOption, &str); 3] = [
    (TEXT, "color"),
    (BACKGROUND, "background-color"),
    (BORDER, "border-color"),
];

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let mut classes = Classes {
        job,
        owners: HashMap::new(),
        rules: Vec::new(),
    };
    let has_class = |t: &&Token| t.kind == TokenKind::Color || plain_property(t).is_some();
    let (classed, bare): (Vec<_>, Vec<_>) = job.tokens().partition(has_class);
    for (group, token) in by_group(classed.into_iter()) {
        let heading = group.map(|group| css_tree::Node::Heading(group.to_owned()));
        classes.rules.extend(heading);
        match plain_property(token) {
            Some(property) => {
                let name = name::kebab("", &token.path);
                classes.add(
                    name,
                    &token.path,
                    vec![classes.declaration(property, &token.path)],
                )?;
            }
            None => classes.color(token)?,
        }
    }
    if job.settings.includes(&TargetOption::GROUPS, "roles") {
        let heading = css_tree::Node::Heading("intents".to_owned());
        classes.rules.push(heading);
        job.theme
            .intents
            .iter()
            .try_for_each(|i| classes.intent(i.name.as_str()))?;
    }
    let mut body = String::with_capacity(64 * 1024);
    css_tree::print_all(&classes.rules, 0, &mut body);
    let files = vec![job.file("classes.css", Comment::BLOCK, &body)];
    Ok(Output {
        files,
        warnings: losses::of(
            bare.into_iter(),
            "no property is known for a class of its kind",
        ),
    })
}

impl Classes<'_, '_> {
    fn color(&mut self, token: &Token) -> Result<(), ExportError> {
        for (option, property) in USES {
            let name = self.name(&option, &name::kebab("", &token.path));
            self.add(
                name,
                &token.path,
                vec![self.declaration(property, &token.path)],
            )?;
        }
        Ok(())
    }

    /// Fill with its text, text in the intent's colour, and its edge.
    fn intent(&mut self, intent: &str) -> Result<(), ExportError> {
        let part = |property, part: &str| self.declaration(property, &format!("{intent}.{part}"));
        let rules = [
            (TEXT, vec![part("color", "tint-text")]),
            (
                BACKGROUND,
                vec![part("background-color", "fill"), part("color", "fill-text")],
            ),
            (BORDER, vec![part("border-color", "edge")]),
        ];
        for (option, lines) in rules {
            self.add(self.name(&option, intent), intent, lines)?;
        }
        Ok(())
    }

    fn name(&self, option: &TargetOption, name: &str) -> String {
        self.job.settings.get(option).replace("{name}", name)
    }

    fn declaration(&self, property: &str, path: &str) -> String {
        let prefix = self.job.settings.get(&TargetOption::PROPERTY_PREFIX);
        format!("{property}: {};", name::css_reference(prefix, path))
    }

    fn add(&mut self, name: String, owner: &str, lines: Vec<String>) -> Result<(), ExportError> {
        if let Some(first) = self.owners.insert(name.clone(), owner.to_owned()) {
            return Err(ExportError::Clash {
                first,
                second: owner.to_owned(),
                name,
            });
        }
        self.rules
            .push(css_tree::Node::rule(&format!(".{name}"), lines));
        Ok(())
    }
}

/// What a token of type or shape is for.
fn plain_property(token: &Token) -> Option<&'static str> {
    if !matches!(token.section, Section::Type | Section::Shape) {
        return None;
    }
    let known = [
        ("type.family.", "font-family"),
        ("type.size.", "font-size"),
        ("type.weight.", "font-weight"),
        ("shape.radius.", "border-radius"),
        ("shape.border.", "border-width"),
    ];
    known
        .iter()
        .find(|(start, _)| token.path.starts_with(start))
        .map(|(_, property)| *property)
}
