//! `css`: custom properties on `:root`, light and dark.

use std::collections::HashMap;

use indexmap::IndexMap;
use rhodon_color::Notation;
use rhodon_theme::{Cell, ColorValue, Level, Mode, More, Section, Token, TokenKind, Value};

use super::css_more::MORE_ATTRIBUTE;
use super::css_more::MORE_SYSTEM;
use super::css_more::NOT_ASKED;
use super::css_toggle::{Toggles, both_modes};
use super::css_tree::{Node, print_all};
use super::css_value;
use crate::error::ExportError;
use crate::job::{Comment, Job};
use crate::losses;
use crate::name::{self, Names};
use crate::option::{OptionKind, Settings, TargetOption};
use crate::output::Output;
use crate::target::{Group, MoreContrast, Target};
use crate::web_font;

/// See its help.
const MODE: TargetOption = TargetOption {
    key: "mode",
    kind: OptionKind::Choice(&["auto", "attribute", "class", "function"]),
    default: "auto",
    help: "How dark mode is chosen: by the system and overridable with data-mode, by data-mode alone, by a class, or value by value with light-dark().",
};

/// See its help.
const FORMAT: TargetOption = TargetOption {
    key: "format",
    kind: OptionKind::Choice(&["hex", "rgb", "hsl", "oklch", "both"]),
    default: "hex",
    help: "Notation of colours; both writes hex and upgrades to oklch where the browser knows it.",
};

/// See its help.
const REFERENCES: TargetOption = TargetOption {
    key: "references",
    kind: OptionKind::Choice(&["var", "literal"]),
    default: "var",
    help: "Whether roles refer to their steps or repeat their values.",
};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "css",
    name: "CSS custom properties",
    group: Group::Web,
    options: &[
        MODE,
        FORMAT,
        REFERENCES,
        TargetOption::PREFIX,
        TargetOption::GROUPS,
    ],
    files: &["theme.css"],
    keys: &[
        ":root",
        "--",
        "var(",
        "light-dark",
        "prefers-color-scheme",
        "data-mode",
        "color-scheme",
    ],
    usage: "Load theme.css before your own styles. In the auto strategy data-mode=\"light\" or data-mode=\"dark\" on the root element overrides the system.",
    usage_of: Some(usage_of),
    token_name: Some(|s, t| Some(name::css_reference(s.get(&TargetOption::PREFIX), &t.path))),
    carries_kept: false,
    takes_family: false,
    more: MoreContrast::Written(" data-contrast=\"more\" asks for contrast."),
    write,
};

/// How the file is loaded, and how dark mode is asked for by the strategy that is chosen.
fn usage_of(settings: &Settings) -> &'static str {
    match settings.get(&MODE) {
        "attribute" => {
            "Load theme.css before your own styles. data-mode=\"dark\" on the root element asks for dark."
        }
        "class" => {
            "Load theme.css before your own styles. The class dark on the root element asks for dark."
        }
        "function" => {
            "Load theme.css before your own styles. The system chooses the mode; color-scheme: light or dark on an element overrides it."
        }
        _ => TARGET.usage,
    }
}

/// The root where data-mode asks for dark.
pub(crate) const DARK_ATTRIBUTE: &str = ":root[data-mode=\"dark\"]";
/// The root where data-mode does not ask for light.
pub(crate) const NOT_LIGHT: &str = ":root:not([data-mode=\"light\"])";
/// The media query of a system that asks for dark.
pub(crate) const DARK_SYSTEM: &str = "@media (prefers-color-scheme: dark)";
/// The class that asks for dark.
pub(crate) const DARK_CLASS: &str = ".dark";

/// Values of both modes in one, which older browsers do not know.
const KNOWS_BOTH: &str = "@supports (color: light-dark(red, red))";

/// How dark mode is switched on.
#[derive(Clone, Copy, PartialEq)]
enum Strategy {
    Auto,
    Attribute,
    Class,
    Function,
}

/// Declarations of tokens under names of their own.
pub(super) struct CssWriter<'a> {
    names: Names<'a>,
    tokens: Vec<&'a Token>,
    notation: Notation,
    by_name: bool,
    /// Values for more contrast, by path, where the theme has such.
    more: Option<HashMap<&'a str, [Option<&'a Cell>; 2]>>,
    /// What chooses between the levels within one declaration; none where the level more stands apart.
    toggles: Option<Toggles>,
    /// Stands behind colons and commas.
    gap: &'static str,
}

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let strategy = match job.settings.get(&MODE) {
        "attribute" => Strategy::Attribute,
        "class" => Strategy::Class,
        "function" => Strategy::Function,
        _ => Strategy::Auto,
    };
    let format = job.settings.get(&FORMAT);
    let sheet = CssWriter {
        notation: format.parse().unwrap_or(Notation::Hex),
        ..CssWriter::new(job, job.settings.get(&REFERENCES) == "var")?
    };
    let mut nodes = sheet.rules(strategy, Part::Complete);
    let more = sheet.more_rules();
    if format == "both" {
        let upgraded = CssWriter {
            notation: Notation::Oklch,
            ..sheet
        };
        nodes.push(Node::at(
            "@supports (color: oklch(0 0 0))",
            upgraded.rules(strategy, Part::Colors),
        ));
        nodes.push(Node::at(
            "@media (color-gamut: p3)",
            upgraded.rules(strategy, Part::Wide),
        ));
    }
    // Behind all others, which are as specific.
    nodes.extend(more);
    let mut body = String::with_capacity(24 * 1024);
    web_font::import(&job.theme.web_fonts, &mut body);
    print_all(&nodes, 0, &mut body);
    // `@import` must come first; only a comment may stand before it.
    let warnings = if matches!(format, "oklch" | "both") {
        Vec::new()
    } else {
        losses::mapped(job.tokens())
    };
    Ok(Output {
        files: vec![job.file("theme.css", Comment::BLOCK, &body)],
        warnings,
    })
}

/// Every token of a job as custom properties on `:root` that follow what the system asks for.
pub(crate) fn custom_properties(job: &Job<'_>) -> Result<Vec<Node>, ExportError> {
    let sheet = CssWriter::new(job, true)?;
    let mut nodes = sheet.rules(Strategy::Auto, Part::Complete);
    nodes.extend(sheet.more_rules());
    Ok(nodes)
}

/// Which tokens a run of rules is for.
#[derive(Clone, Copy, PartialEq)]
enum Part {
    /// All of them, with `color-scheme`.
    Complete,
    /// Colours, in `oklch` inside sRGB.
    Colors,
    /// Colours that lie outside sRGB.
    Wide,
}

/// Groups of declarations under a comment each.
#[derive(Default)]
struct Groups<'a>(Option<(Section, &'a str)>);

impl<'a> Groups<'a> {
    /// Begins the group of a token where it is another one than before.
    fn begin(&mut self, token: &'a Token, lines: &mut Vec<String>) {
        let own = Some((token.section, token.group()));
        if self.0 == own {
            return;
        }
        if !lines.is_empty() {
            lines.push(String::new());
        }
        lines.push(format!("/* {} */", token.group()));
        self.0 = own;
    }
}

impl<'a> CssWriter<'a> {
    /// The tokens of a job in hex, by name or by value where they refer to others.
    pub(super) fn new(job: &Job<'a>, by_name: bool) -> Result<Self, ExportError> {
        let prefix = job.settings.get(&TargetOption::PREFIX);
        Ok(Self {
            names: name::unique(job.tokens(), |path| name::kebab(prefix, path))?,
            tokens: job.tokens().collect(),
            notation: Notation::Hex,
            by_name,
            more: job.theme.more.as_ref().map(More::by_path),
            toggles: None,
            gap: " ",
        })
    }

    /// The same, with both modes and both levels of contrast in one declaration, written closely.
    pub(super) fn switched(job: &Job<'a>, by_name: bool) -> Result<Self, ExportError> {
        let sheet = Self::new(job, by_name)?;
        let mut themes = job.beside.iter().chain([&job.theme]);
        let prefix = job.settings.get(&TargetOption::PREFIX);
        let toggles = themes
            .any(|theme| theme.more.is_some())
            .then(|| Toggles::new(prefix, &sheet.names))
            .transpose()?;
        Ok(Self {
            toggles,
            gap: "",
            ..sheet
        })
    }

    /// Every token on `:root` in both modes at once, which the system or an attribute chooses.
    pub(super) fn switchable(&self) -> Vec<Node> {
        let mut nodes = self.function_rules(Part::Complete);
        nodes.extend(self.toggles.iter().flat_map(Toggles::rules));
        nodes
    }

    /// One declaration for both modes, which follows the `color-scheme` that holds, and for both levels.
    pub(super) fn declared(&self, token: &Token) -> String {
        self.declaration(token, Part::Complete)
    }

    fn rules(&self, strategy: Strategy, part: Part) -> Vec<Node> {
        if strategy == Strategy::Function {
            return self.function_rules(part);
        }
        let light = || self.block(Mode::Light, part);
        let dark = || self.block(Mode::Dark, part);
        match strategy {
            Strategy::Attribute => vec![
                Node::rule(":root", light()),
                Node::rule(DARK_ATTRIBUTE, dark()),
            ],
            Strategy::Class => vec![Node::rule(":root", light()), Node::rule(DARK_CLASS, dark())],
            _ => {
                let by_system = Node::rule(NOT_LIGHT, dark());
                let media = Node::at(DARK_SYSTEM, vec![by_system]);
                vec![
                    Node::rule(":root", light()),
                    media,
                    Node::rule(DARK_ATTRIBUTE, dark()),
                ]
            }
        }
    }

    fn function_rules(&self, part: Part) -> Vec<Node> {
        let mut root = Vec::new();
        if part == Part::Complete {
            root.push("color-scheme: light dark;".to_owned());
            root.extend(self.toggles.iter().flat_map(|t| t.set(Level::Usual)));
        }
        let mut groups = Groups::default();
        for token in self.tokens.iter().filter(|t| part.holds(t)) {
            groups.begin(token, &mut root);
            root.push(self.declaration(token, part));
        }
        let mut nodes = vec![Node::rule(":root", root)];
        if part == Part::Complete {
            let scheme = |mode: &str| vec![format!("color-scheme: {mode};")];
            nodes.push(Node::rule(":root[data-mode=\"light\"]", scheme("light")));
            nodes.push(Node::rule(DARK_ATTRIBUTE, scheme("dark")));
        }
        nodes
    }

    /// The declarations of one mode; dark holds only what differs from light.
    fn block(&self, mode: Mode, part: Part) -> Vec<String> {
        let mut lines = Vec::with_capacity(self.tokens.len() + 32);
        if part == Part::Complete {
            lines.push(format!("color-scheme: {};", mode.id()));
        }
        let mut groups = Groups::default();
        let wanted = |t: &&&Token| part.holds(t) && (mode == Mode::Light || !t.is_modeless());
        for token in self.tokens.iter().filter(wanted) {
            groups.begin(token, &mut lines);
            lines.push(format!(
                "--{}: {};",
                self.names[&*token.path],
                self.text(token.cell(mode), part)
            ));
        }
        lines
    }

    /// What differs where more contrast is asked for: by the system or by an attribute. Both modes stand in
    /// one declaration, which follows the `color-scheme` that the rules of the modes set.
    fn more_rules(&self) -> Option<Node> {
        self.more.as_ref()?;
        // A line for each group: they stand here twice.
        let mut groups: IndexMap<&str, String> = IndexMap::new();
        for token in &self.tokens {
            if let Some(line) = self.raised(token) {
                groups.entry(token.group()).or_default().push_str(&line);
            }
        }
        let lines: Vec<String> = groups.into_values().collect();
        let by_system = Node::rule(NOT_ASKED, lines.clone());
        let by_attribute = Node::rule(MORE_ATTRIBUTE, lines);
        let nodes = vec![Node::at(MORE_SYSTEM, vec![by_system]), by_attribute];
        Some(Node::at(KNOWS_BOTH, nodes))
    }

    /// The declaration of a token with other values than usual. What refers to the same token as usual
    /// follows by itself.
    fn raised(&self, token: &Token) -> Option<String> {
        let cells = *self.more.as_ref()?.get(&*token.path)?;
        let usual = Mode::BOTH.map(|mode| token.cell(mode));
        let follows = |(raised, usual): (&Cell, &Cell)| {
            self.by_name && raised.alias.is_some() && raised.alias == usual.alias
        };
        let changed = cells
            .into_iter()
            .zip(usual)
            .filter_map(|(cell, usual)| Some((cell?, usual)));
        if changed.into_iter().all(follows) {
            return None;
        }
        let text = |mode: Mode| {
            let cell = cells[mode as usize].unwrap_or(usual[mode as usize]);
            css_value::value(&cell.value, self.notation)
        };
        let (light, dark) = (text(Mode::Light), text(Mode::Dark));
        let name = &self.names[&*token.path];
        Some(match light == dark {
            true => format!("--{name}:{light};"),
            false => format!("--{name}:light-dark({light},{dark});"),
        })
    }

    /// One declaration with `light-dark()` where the modes differ, and a choice where the levels do.
    fn declaration(&self, token: &Token, part: Part) -> String {
        let name = &self.names[&*token.path];
        let usual = Mode::BOTH.map(|mode| self.text(token.cell(mode), part));
        let raised = self.more.as_ref().and_then(|more| more.get(&*token.path));
        let value = match (&self.toggles, raised) {
            (Some(toggles), Some(raised)) if token.kind == TokenKind::Color => {
                let text = |mode: Mode| raised[mode as usize].map(|cell| self.text(cell, part));
                toggles.both_levels(usual, Mode::BOTH.map(text))
            }
            _ if token.kind == TokenKind::Color => both_modes(&usual, self.gap),
            _ => usual[0].clone(),
        };
        format!("--{name}:{}{value};", self.gap)
    }

    fn text(&self, cell: &Cell, part: Part) -> String {
        let referred = cell
            .alias
            .as_deref()
            .filter(|_| self.by_name)
            .and_then(|alias| self.names.get(alias));
        match referred {
            Some(name) => format!("var(--{name})"),
            None => css_value::value(&part.shown(&cell.value), self.notation),
        }
    }
}

impl Part {
    fn holds(self, token: &Token) -> bool {
        let colors = || {
            Mode::BOTH
                .into_iter()
                .filter_map(|m| token.cell(m).value.color())
        };
        match self {
            Self::Complete => true,
            Self::Colors => colors().next().is_some(),
            // What refers to a wide colour follows it by name.
            Self::Wide => colors().any(|c| c.p3.is_some()),
        }
    }

    /// In the upgrade for every screen, colours stay inside sRGB.
    fn shown(self, value: &Value) -> Value {
        match value {
            Value::Color(c) if self == Self::Colors => Value::Color(ColorValue { p3: None, ..*c }),
            other => other.clone(),
        }
    }
}
