//! `android`: resources of an Android application, by day and by night.

use rhodon_theme::{ColorValue, Intent, IntentPart, Mode, Role, Token, TokenKind, Unit, Value};

use super::language::JAVA;
use super::length;
use super::xml::{DECLARATION, Element};
use crate::error::ExportError;
use crate::job::{Comment, Job, by_group};
use crate::losses;
use crate::name::{self, Names};
use crate::option::{OptionKind, TargetOption};
use crate::output::{File, Output};
use crate::target::{Group, MoreContrast, Target};

/// See its help.
const STYLE: TargetOption = TargetOption {
    key: "style",
    kind: OptionKind::Dotted(&[]),
    default: "AppTheme",
    help: "Name of the style that sets the platform's attributes.",
};

/// See its help.
const PARENT: TargetOption = TargetOption {
    key: "parent",
    kind: OptionKind::Qualified,
    default: "android:Theme.DeviceDefault.DayNight",
    help: "The style it builds on; one that is not the platform's gets the attributes of the usual support library.",
};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "android",
    name: "Android resources",
    group: Group::Apps,
    options: &[STYLE, PARENT],
    files: &[
        "values/colors.xml",
        "values-night/colors.xml",
        "values/themes.xml",
        "values-v23/themes.xml",
        "values-v27/themes.xml",
        "values-v29/themes.xml",
        "values-night/themes.xml",
        "values-night-v29/themes.xml",
    ],
    keys: &[
        "colors.xml",
        "themes.xml",
        "colorPrimary",
        "statusBarColor",
        "navigationBarColor",
        "dimen",
        "xml",
    ],
    usage: "Put the folders into res/ and name the style in the manifest: android:theme=\"@style/AppTheme\". Both bars of the system are painted too.",
    usage_of: None,
    token_name: Some(|_, t| {
        (t.kind != TokenKind::FontFamily)
            .then(|| format!("@{}/{}", resource(t), name::snake(&t.path)))
    }),
    carries_kept: false,
    takes_family: false,
    more: MoreContrast::Left,
    write,
};

/// The platform's attribute for what went wrong, of version 26 and later.
const ERROR: &str = "android:colorError";

/// Attributes of the platform and the roles behind them.
const ATTRIBUTES: [(&str, &str); 12] = [
    (
        "android:colorPrimary",
        Intent::Primary.role(IntentPart::Fill).path(),
    ),
    (
        "android:colorPrimaryDark",
        Intent::Primary.role(IntentPart::FillPressed).path(),
    ),
    (
        "android:colorAccent",
        Intent::Accent.role(IntentPart::Fill).path(),
    ),
    ("android:colorBackground", Role::SURFACE_BASE.path()),
    ("android:windowBackground", Role::SURFACE_BASE.path()),
    (ERROR, Intent::Danger.role(IntentPart::Fill).path()),
    ("android:textColorPrimary", Role::TEXT_MAIN.path()),
    ("android:textColorSecondary", Role::TEXT_MUTED.path()),
    ("android:textColorLink", Role::LINK_REST.path()),
    ("android:textColorHighlight", Role::SELECTION_FILL.path()),
    ("android:colorControlNormal", Role::BORDER_STRONG.path()),
    (
        "android:colorControlActivated",
        Intent::Primary.role(IntentPart::Edge).path(),
    ),
];

/// A bar of the system.
struct Bar {
    color: &'static str,
    fill: Role,
    /// The attribute by which its icons are dark, and since when there is one.
    light: &'static str,
    light_since: Since,
    /// The resource that tells whether they have to be.
    is_light: &'static str,
}

const BARS: [Bar; 2] = [
    Bar {
        color: "android:statusBarColor",
        fill: Role::BAR_FILL,
        light: "android:windowLightStatusBar",
        light_since: Since::V23,
        is_light: "bar_is_light",
    },
    Bar {
        color: "android:navigationBarColor",
        fill: Role::SURFACE_BASE,
        light: "android:windowLightNavigationBar",
        light_since: Since::V27,
        is_light: "surface_is_light",
    },
];

/// Attributes of the platform that the usual support library has under the same names.
const SUPPORTED: [&str; 6] = [
    "colorPrimary",
    "colorPrimaryDark",
    "colorAccent",
    "colorError",
    "colorControlNormal",
    "colorControlActivated",
];

/// Attributes that only the support library has.
const SUPPORT_ONLY: [(&str, Role); 6] = [
    ("colorOnPrimary", Intent::Primary.role(IntentPart::FillText)),
    ("colorSecondary", Intent::Secondary.role(IntentPart::Fill)),
    (
        "colorOnSecondary",
        Intent::Secondary.role(IntentPart::FillText),
    ),
    ("colorSurface", Role::SURFACE_RAISED),
    ("colorOnSurface", Role::TEXT_MAIN),
    ("colorOnError", Intent::Danger.role(IntentPart::FillText)),
];

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let names = JAVA.names(job.tokens(), name::snake)?;
    let day = colors(job.colors(), Mode::Light, &names);
    let differing = job.colors().filter(|t| !t.is_modeless());
    let night = colors(differing, Mode::Dark, &names);
    let files = vec![
        file(job, "values/colors.xml", with_bools(job, day, Mode::Light)),
        file(
            job,
            "values-night/colors.xml",
            with_bools(job, night, Mode::Dark),
        ),
        file(job, "values/themes.xml", {
            let mut elements = vec![
                style(job, Since::First),
                ground(job, Since::First, Mode::Light),
            ];
            elements.extend(measures(job, &names));
            elements
        }),
        file(job, "values-v23/themes.xml", vec![style(job, Since::V23)]),
        file(job, "values-v27/themes.xml", vec![style(job, Since::V27)]),
        file(
            job,
            "values-v29/themes.xml",
            vec![ground(job, Since::V29, Mode::Light)],
        ),
        // A new project has a style of its own there, which would stay in force at night.
        file(
            job,
            "values-night/themes.xml",
            vec![ground(job, Since::First, Mode::Dark)],
        ),
        file(
            job,
            "values-night-v29/themes.xml",
            vec![ground(job, Since::V29, Mode::Dark)],
        ),
    ];
    let mut warnings = losses::mapped(job.tokens());
    let differing = job.others().filter(|t| !t.is_modeless());
    warnings.extend(losses::of(
        differing,
        "only its value in light mode is written",
    ));
    warnings.extend(losses::of(
        job.others().filter(|t| t.kind == TokenKind::FontFamily),
        "a font resource holds font files, not a list of faces: left out",
    ));
    Ok(Output { files, warnings })
}

fn file(job: &Job<'_>, path: &str, children: Vec<Element>) -> File {
    let body = Element::new("resources").children(children).print();
    let file = job.file(path, Comment::MARKUP, &body);
    File {
        text: format!("{DECLARATION}{}", file.text),
        ..file
    }
}

/// Colours of a mode, a comment above each group.
fn colors<'a>(
    tokens: impl Iterator<Item = &'a Token>,
    mode: Mode,
    names: &Names<'_>,
) -> Vec<Element> {
    let mut out = Vec::new();
    for (group, token) in by_group(tokens) {
        out.extend(group.map(Element::comment));
        out.push(color(token, mode, names));
    }
    out
}

fn color(token: &Token, mode: Mode, names: &Names<'_>) -> Element {
    let text = token.cell(mode).value.color().map(argb).unwrap_or_default();
    Element::new("color")
        .with("name", names[&*token.path].clone())
        .text(text)
}

/// Opacity first, as the platform reads it.
fn argb(color: &ColorValue) -> String {
    let [r, g, b] = [color.code.r, color.code.g, color.code.b];
    format!(
        "#{:02X}{r:02X}{g:02X}{b:02X}",
        (color.alpha * 255.0).round() as u8
    )
}

/// Whether the icons on the system's bars have to be dark.
fn with_bools(job: &Job<'_>, mut elements: Vec<Element>, mode: Mode) -> Vec<Element> {
    elements.extend(BARS.map(|bar| {
        Element::new("bool")
            .with("name", bar.is_light)
            .text(is_light(job, bar.fill, mode).to_string())
    }));
    elements
}

fn is_light(job: &Job<'_>, fill: Role, mode: Mode) -> bool {
    job.role(fill.path(), mode).code.lightness() > 50.0
}

/// From which version of the platform a style is taken.
#[derive(Clone, Copy, PartialEq, PartialOrd)]
enum Since {
    /// The first that has such attributes at all. The icons on both of its bars are white.
    First,
    /// The one whose upper bar can be light.
    V23,
    /// The one whose lower bar can be light too.
    V27,
    /// The one that knows parents which follow the system's mode.
    V29,
}

/// What a bar has whose icons stay white on a theme that would paint it light.
const UNDER_WHITE: &str = "@android:color/black";

/// The parent that follows the system's mode, and those that older versions have instead: what the style
/// does not name is of the mode too.
const DAY_NIGHT: &str = "android:Theme.DeviceDefault.DayNight";
const BY_DAY: &str = "android:Theme.Material.Light";
const BY_NIGHT: &str = "android:Theme.Material";

/// The style that the theme's own builds on, by mode and version.
fn ground(job: &Job<'_>, since: Since, mode: Mode) -> Element {
    let parent = match (job.settings.get(&PARENT), mode) {
        (DAY_NIGHT, Mode::Light) if since < Since::V29 => BY_DAY,
        (DAY_NIGHT, Mode::Dark) if since < Since::V29 => BY_NIGHT,
        (parent, _) => parent,
    };
    Element::new("style")
        .with("name", ground_name(job))
        .with("parent", parent.to_owned())
}

fn ground_name(job: &Job<'_>) -> String {
    format!("{}Ground", job.settings.get(&STYLE))
}

fn style(job: &Job<'_>, since: Since) -> Element {
    let parent = job.settings.get(&PARENT);
    // The usual support library has attributes of its own, without the platform's prefix.
    let of_platform = parent.trim_start_matches('@').starts_with("android:");
    let item = |key: &str, text: String| {
        let key = match key.strip_prefix("android:") {
            Some(plain) if !of_platform && SUPPORTED.contains(&plain) => plain,
            _ => key,
        };
        Element::new("item").with("name", key.to_owned()).text(text)
    };
    let reference = |path: &str| format!("@color/{}", name::snake(path));
    let is_known = |key: &str| !of_platform || key != ERROR || since >= Since::V27;
    let mut items: Vec<Element> = ATTRIBUTES
        .iter()
        .filter(|(key, _)| is_known(key))
        .map(|(key, path)| item(key, reference(path)))
        .collect();
    if !of_platform {
        items.extend(SUPPORT_ONLY.map(|(key, role)| item(key, reference(role.path()))));
    }
    for bar in BARS {
        let is_light = |mode| is_light(job, bar.fill, mode);
        let can_be_light = since >= bar.light_since;
        let fill = match can_be_light || !Mode::BOTH.into_iter().any(is_light) {
            true => reference(bar.fill.path()),
            false => UNDER_WHITE.to_owned(),
        };
        items.push(item(bar.color, fill));
        if can_be_light {
            items.push(item(bar.light, format!("@bool/{}", bar.is_light)));
        }
    }
    Element::new("style")
        .with("name", job.settings.get(&STYLE).to_owned())
        .with("parent", format!("@style/{}", ground_name(job)))
        .children(items)
}

/// Sizes, numbers and weights.
fn measures(job: &Job<'_>, names: &Names<'_>) -> Vec<Element> {
    let others = job.others();
    others.filter_map(|t| other(t, &names[&*t.path])).collect()
}

/// The kind of resource that a token becomes.
fn resource(token: &Token) -> &'static str {
    match token.kind {
        TokenKind::Color => "color",
        TokenKind::Dimension | TokenKind::Number => "dimen",
        TokenKind::FontWeight => "integer",
        TokenKind::FontFamily => "font",
    }
}

fn other(token: &Token, name: &str) -> Option<Element> {
    let value = &token.cell(Mode::Light).value;
    let named = |kind: &'static str| Element::new(kind).with("name", name.to_owned());
    Some(match value {
        Value::Dimension(..) => {
            // What was relative to the reader's size of text stays so.
            let unit = match value {
                Value::Dimension(_, Unit::Rem) => "sp",
                _ => "dp",
            };
            named("dimen").text(format!("{}{unit}", length::px(value).unwrap_or_default()))
        }
        Value::Number(n) => named("item")
            .with("type", "dimen")
            .with("format", "float")
            .text(n.to_string()),
        Value::FontWeight(n) => named("integer").text(n.to_string()),
        Value::FontFamily(_) => return None,
        Value::Color(c) => named("color").text(argb(c)),
    })
}
