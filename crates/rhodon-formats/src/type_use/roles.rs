//! The roles that a project's style sheets say by rules and names that everybody uses: what pages stand on, text,
//! lines and links, in both modes where they differ.

use std::collections::HashMap;

use rhodon_color::{Color, Rgb8};
use rhodon_theme::{Mode, Role};

use super::sheet::Sheet;
use super::{Setting, TypeInUse, TypeUse, words};
use crate::color_use::{bare, within};

/// A role as a project has it.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct RoleUse {
    /// Which one.
    pub role: Role,
    /// Its colour in light and in dark, where the project says one.
    pub codes: [Option<Rgb8>; 2],
    /// The selectors or variables that say so, that of the usual mode first.
    pub by: Vec<String>,
}

/// How a role is said.
struct Said {
    role: Role,
    /// Selectors and the properties that paint it, the surest first.
    rules: &'static [(&'static str, &'static [&'static str])],
    /// Words of variables that hold it, the surest first.
    names: &'static [&'static str],
    /// Which colours it may have in a mode.
    fits: fn(Rgb8, Mode) -> bool,
}

const GROUND: &[&str] = &["background-color", "background"];

/// Roles that are said, in the order of tokens. What is called a surface is the page where nothing else is, and
/// else what is raised on it.
const SAID: &[Said] = &[
    Said {
        role: Role::SURFACE_BASE,
        rules: &[("body", GROUND), ("html", GROUND), (":root", GROUND)],
        names: &[
            "background",
            "bg",
            "page",
            "paper",
            "body bg",
            "body background",
            "bg body",
            "background body",
            "page bg",
            "page background",
            "bg page",
            "background page",
            "main bg",
            "bg main",
            "main background",
            "background main",
            "surface base",
            "surface",
        ],
        fits: is_page,
    },
    Said {
        role: Role::SURFACE_RAISED,
        rules: &[],
        names: &[
            "surface raised",
            "card",
            "card bg",
            "card background",
            "bg card",
            "panel",
            "panel bg",
            "panel background",
            "bg surface",
            "bg elevated",
            "background paper",
            "surface",
        ],
        fits: is_page,
    },
    Said {
        role: Role::TEXT_MAIN,
        rules: &[
            ("body", &["color"]),
            ("html", &["color"]),
            (":root", &["color"]),
        ],
        names: &[
            "text",
            "foreground",
            "fg",
            "ink",
            "body",
            "text main",
            "text body",
            "body text",
            "text primary",
            "text base",
            "on background",
            "on surface",
        ],
        fits: |_, _| true,
    },
    Said {
        role: Role::TEXT_MUTED,
        rules: &[],
        names: &[
            "text muted",
            "muted text",
            "text secondary",
            "secondary text",
            "muted foreground",
            "fg muted",
            "text subtle",
            "muted",
        ],
        fits: |_, _| true,
    },
    Said {
        role: Role::BORDER_SUBTLE,
        rules: &[],
        names: &[
            "border",
            "line",
            "divider",
            "separator",
            "rule",
            "hairline",
            "border subtle",
            "border default",
        ],
        fits: |_, _| true,
    },
    Said {
        role: Role::BORDER_STRONG,
        rules: &[],
        names: &["border strong", "input border", "border input"],
        fits: |_, _| true,
    },
    Said {
        role: Role::LINK_REST,
        rules: &[("a", &["color"]), ("a:link", &["color"])],
        names: &["link", "links", "link text", "anchor"],
        fits: |_, _| true,
    },
    Said {
        role: Role::LINK_HOVER,
        rules: &[("a:hover", &["color"])],
        names: &["link hover", "links hover", "hover link"],
        fits: |_, _| true,
    },
    Said {
        role: Role::FOCUS_RING,
        rules: &[],
        names: &["ring", "focus", "focus ring", "focus outline"],
        fits: |_, _| true,
    },
];

/// Words around a name that change nothing of what it holds.
const AROUND: [&str; 9] = [
    "color", "colour", "colors", "clr", "site", "app", "ui", "default", "theme",
];

/// L\* from which a page is one of light mode, and up to which it is one of dark mode. What lies between them
/// is a ground for a part.
const LIGHT: f64 = 85.0;
const DARK: f64 = 25.0;

fn is_page(code: Rgb8, mode: Mode) -> bool {
    match mode {
        Mode::Light => code.lightness() >= LIGHT,
        Mode::Dark => code.lightness() <= DARK,
    }
}

/// Finds the roles that sheets say, in the mode that is usual and in the other one.
pub(super) fn roles(project: &Project<'_>, found: &mut TypeInUse) {
    for said in SAID {
        let Some(role) = said.found(project) else {
            continue;
        };
        // A variable that holds the page holds nothing that is raised on it.
        let mut others = found.roles.iter();
        if said.role == Role::SURFACE_RAISED && others.any(|other| other.by == role.by) {
            continue;
        }
        found.told.push(TypeUse {
            setting: Setting::Role(said.role),
            value: role.written(),
            by: role.by.first().cloned().unwrap_or_default(),
        });
        found.roles.push(role);
    }
}

/// The sheets of a project with the names of their variables.
pub(super) struct Project<'a> {
    pub(super) sheet: &'a Sheet,
    /// The mode in which its pages usually stand.
    pub(super) usual: Mode,
    /// Variables by the words that say what they hold.
    called: HashMap<String, Vec<&'a str>>,
}

impl<'a> Project<'a> {
    pub(super) fn new(sheet: &'a Sheet) -> Self {
        let mut called: HashMap<String, Vec<&str>> = HashMap::new();
        for variable in sheet.names_of_all() {
            let same = called.entry(plain_name(variable)).or_default();
            same.push(variable);
        }
        let mut project = Self {
            sheet,
            usual: Mode::Light,
            called,
        };
        let page = SAID.first().and_then(|page| page.code(&project, None));
        if page.is_some_and(|(code, _)| is_page(code, Mode::Dark)) {
            project.usual = Mode::Dark;
        }
        project
    }

    /// The other mode than the usual one.
    pub(super) fn other(&self) -> Mode {
        match self.usual {
            Mode::Light => Mode::Dark,
            Mode::Dark => Mode::Light,
        }
    }
}

impl RoleUse {
    /// Its colours with the mode of each that has one alone, as a person writes them.
    fn written(&self) -> String {
        match self.codes {
            [Some(light), Some(dark)] => format!("{light}, in dark mode {dark}"),
            [None, Some(dark)] => format!("{dark} in dark mode"),
            [Some(light), None] => light.to_string(),
            [None, None] => String::new(),
        }
    }
}

impl Said {
    /// What a project has; in the other mode than the usual one only where it is another.
    fn found(&self, project: &Project<'_>) -> Option<RoleUse> {
        let (usual, other) = (project.usual, project.other());
        let own = self.code(project, Some(usual));
        let differs = |(code, _): &(Rgb8, String)| own.as_ref().is_none_or(|(own, _)| own != code);
        let second = self.code(project, Some(other)).filter(differs);
        let mut use_of = RoleUse {
            role: self.role,
            codes: [None; 2],
            by: Vec::new(),
        };
        for (mode, found) in [(usual, own), (other, second)] {
            let Some((code, by)) = found.filter(|(code, _)| (self.fits)(*code, mode)) else {
                continue;
            };
            use_of.codes[mode as usize] = Some(code);
            if !use_of.by.contains(&by) {
                use_of.by.push(by);
            }
        }
        (!use_of.by.is_empty()).then_some(use_of)
    }

    /// Its colour, usually or in a mode, and the selector or variable that says so.
    fn code(&self, project: &Project<'_>, mode: Option<Mode>) -> Option<(Rgb8, String)> {
        let sheet = project.sheet;
        let mut by_rule = self.rules.iter().filter_map(|(selector, properties)| {
            let mut codes = properties.iter().filter_map(|property| match mode {
                Some(mode) => sheet.last_in(mode, selector, property, color),
                None => sheet.last(selector, property, color),
            });
            Some((codes.next()?, (*selector).to_owned()))
        });
        by_rule.next().or_else(|| self.by_variable(project, mode))
    }

    fn by_variable(&self, project: &Project<'_>, mode: Option<Mode>) -> Option<(Rgb8, String)> {
        let mut known = self
            .names
            .iter()
            .filter(|name| project.called.contains_key(**name));
        let held = |name: &str| {
            let mut variables = project.called.get(name)?.iter();
            variables.find_map(|variable| {
                let value = match mode {
                    Some(mode) => project.sheet.value_in(mode, variable),
                    None => project.sheet.value(variable),
                };
                Some((color(&value?)?, (*variable).to_owned()))
            })
        };
        // `$body-bg-dark` beside `$body-bg`: what it is in dark mode.
        let of_dark = |name: &&&str| held(&format!("{name} dark"));
        let beside = mode == Some(Mode::Dark) && project.usual == Mode::Light;
        let dark = beside.then(|| known.clone().find_map(|name| of_dark(&name)));
        dark.flatten().or_else(|| known.find_map(|name| held(name)))
    }
}

/// Whether a variable or a key is called as what holds a role.
pub(crate) fn is_called(role: Role, name: &str) -> bool {
    let key = plain_name(name.rsplit('.').next().unwrap_or(name));
    let mut said = SAID.iter().filter(|said| said.role == role);
    said.any(|said| said.names.contains(&key.as_str()))
}

/// The words of a variable's name that say what it holds.
fn plain_name(variable: &str) -> String {
    let mut words = words(variable);
    words.retain(|word| !AROUND.contains(&word.as_str()));
    words.join(" ")
}

/// The longest value in which a colour is looked for, in bytes.
const MOST: usize = 2_000;

/// The one opaque colour of a value.
pub(super) fn color(value: &str) -> Option<Rgb8> {
    if value.len() > MOST {
        return None;
    }
    let mut found: Vec<Color> = Color::parse(value.trim()).into_iter().collect();
    found.extend(bare("", value).map(|(color, _)| color));
    if found.is_empty() {
        within(value, |_, color| found.push(color));
    }
    match found[..] {
        [color] if color.alpha() >= 1.0 => Some(color.to_rgb8()),
        _ => None,
    }
}
