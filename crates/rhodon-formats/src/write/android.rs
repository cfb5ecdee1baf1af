//! `android`: resources of an Android application, by day and by night.

use rhodon_theme::{ColorValue, Intent, IntentPart, Mode, Role, Token, TokenKind, Value};

use super::language::JAVA;
use super::xml::{DECLARATION, Element};
use super::{length, losses};
use crate::name::{self, Names};
use crate::option::{OptionKind, TargetOption};
use crate::target::{Comment, ExportError, File, Group, Job, Output, Target};

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
    help: "The style it builds on.",
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
    token_name: Some(|_, t| format!("@{}/{}", resource(t), name::snake(&t.path))),
    carries_kept: false,
    write,
};

/// Attributes of the platform and the roles behind them.
const ATTRIBUTES: [(&str, &str); 13] = [
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
    (
        "android:colorError",
        Intent::Danger.role(IntentPart::Fill).path(),
    ),
    ("android:textColorPrimary", Role::TEXT_MAIN.path()),
    ("android:textColorSecondary", Role::TEXT_MUTED.path()),
    ("android:textColorLink", Role::LINK_REST.path()),
    ("android:textColorHighlight", Role::SELECTION_FILL.path()),
    ("android:colorControlNormal", Role::BORDER_STRONG.path()),
    (
        "android:colorControlActivated",
        Intent::Primary.role(IntentPart::Edge).path(),
    ),
    ("android:statusBarColor", Role::BAR_FILL.path()),
];

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let names = JAVA.names(job.tokens(), name::snake)?;
    let day: Vec<Element> = job
        .colors()
        .map(|t| color(t, Mode::Light, &names))
        .collect();
    let night: Vec<Element> = job
        .colors()
        .filter(|t| !t.is_modeless())
        .map(|t| color(t, Mode::Dark, &names))
        .collect();
    let files = vec![
        file(job, "values/colors.xml", with_bools(job, day, Mode::Light)),
        file(
            job,
            "values-night/colors.xml",
            with_bools(job, night, Mode::Dark),
        ),
        file(job, "values/themes.xml", themes(job, &names)),
    ];
    let mut warnings = losses::mapped(job.tokens());
    let differing = job.others().filter(|t| !t.is_modeless());
    warnings.extend(losses::of(
        differing,
        "only its value in light mode is written",
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
    for (name, fill) in [
        ("bar_is_light", Role::BAR_FILL.path()),
        ("surface_is_light", Role::SURFACE_BASE.path()),
    ] {
        let light = job.role(fill, mode).code.lightness() > 50.0;
        elements.push(
            Element::new("bool")
                .with("name", name)
                .text(light.to_string()),
        );
    }
    elements
}

fn themes(job: &Job<'_>, names: &Names<'_>) -> Vec<Element> {
    let item =
        |key: &str, text: String| Element::new("item").with("name", key.to_owned()).text(text);
    let reference = |path: &str| format!("@color/{}", name::snake(path));
    let mut items: Vec<Element> = ATTRIBUTES
        .iter()
        .map(|(key, path)| item(key, reference(path)))
        .collect();
    items.push(item(
        "android:navigationBarColor",
        reference(Role::SURFACE_BASE.path()),
    ));
    items.push(item(
        "android:windowLightStatusBar",
        "@bool/bar_is_light".to_owned(),
    ));
    items.push(item(
        "android:windowLightNavigationBar",
        "@bool/surface_is_light".to_owned(),
    ));
    let style = Element::new("style")
        .with("name", job.settings.get(&STYLE).to_owned())
        .with("parent", job.settings.get(&PARENT).to_owned())
        .children(items);
    let mut out = vec![style];
    out.extend(job.others().map(|t| other(t, &names[&*t.path])));
    out
}

/// The kind of resource that a token becomes.
fn resource(token: &Token) -> &'static str {
    match token.kind {
        TokenKind::Color => "color",
        TokenKind::Dimension | TokenKind::Number => "dimen",
        TokenKind::FontWeight => "integer",
        TokenKind::FontFamily => "string",
    }
}

fn other(token: &Token, name: &str) -> Element {
    let value = &token.cell(Mode::Light).value;
    let named = |kind: &'static str| Element::new(kind).with("name", name.to_owned());
    match value {
        Value::Dimension(..) => {
            let unit = if length::is_text_size(&token.path, value) {
                "sp"
            } else {
                "dp"
            };
            named("dimen").text(format!("{}{unit}", length::px(value).unwrap_or_default()))
        }
        Value::Number(n) => named("item")
            .with("type", "dimen")
            .with("format", "float")
            .text(n.to_string()),
        Value::FontWeight(n) => named("integer").text(n.to_string()),
        Value::FontFamily(families) => named("string").text(escaped(families)),
        Value::Color(c) => named("color").text(argb(c)),
    }
}

/// Text of a string resource: quotes, signs of references and backslashes are escaped.
fn escaped(families: &[String]) -> String {
    let mut out = String::new();
    for c in families.join(", ").chars() {
        if matches!(c, '\'' | '"' | '\\') || (out.is_empty() && matches!(c, '@' | '?')) {
            out.push('\\');
        }
        out.push(c);
    }
    out
}
