//! `mantine`: a theme with ten-step colours and the variables of both modes. Rhodon's own front
//! end is themed with it.

use rhodon_color::Notation;
use rhodon_theme::{Intent, IntentPart, Mode, Role, Token};

use super::fit_steps::{TEN, fitted, left_out};
use super::script::Literal;
use super::{css_value, losses};
use crate::name;
use crate::target::{Comment, ExportError, Group, Job, Output, Step, Target};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "mantine",
    name: "React ten-step theme",
    group: Group::Frameworks,
    options: &[],
    files: &["theme.mantine.ts"],
    keys: &[
        "createTheme",
        "primaryColor",
        "primaryShade",
        "cssVariablesResolver",
        "colors",
        "ts",
    ],
    usage: "Give theme and variables to the provider, as its theme and its CSS variables resolver.",
    token_name: Some(|_, t| name::css_reference("", &t.path)),
    carries_kept: false,
    write,
};

/// The framework's own variables and the roles behind them.
const VARIABLES: [(&str, &str); 16] = [
    (
        "--mantine-primary-color-filled",
        Intent::Primary.role(IntentPart::Fill).path(),
    ),
    (
        "--mantine-primary-color-filled-hover",
        Intent::Primary.role(IntentPart::FillHover).path(),
    ),
    (
        "--mantine-primary-color-contrast",
        Intent::Primary.role(IntentPart::FillText).path(),
    ),
    ("--mantine-color-body", Role::SURFACE_BASE.path()),
    ("--mantine-color-text", Role::TEXT_MAIN.path()),
    ("--mantine-color-bright", Role::TEXT_MAIN.path()),
    ("--mantine-color-dimmed", Role::TEXT_MUTED.path()),
    ("--mantine-color-placeholder", Role::TEXT_MUTED.path()),
    ("--mantine-color-anchor", Role::LINK_REST.path()),
    (
        "--mantine-color-error",
        Intent::Danger.role(IntentPart::TintText).path(),
    ),
    ("--mantine-color-default", Role::SURFACE_RAISED.path()),
    ("--mantine-color-default-hover", Role::SURFACE_SUNKEN.path()),
    ("--mantine-color-default-color", Role::TEXT_MAIN.path()),
    ("--mantine-color-default-border", Role::BORDER_SUBTLE.path()),
    ("--mantine-color-disabled", Role::DISABLED_FILL.path()),
    ("--mantine-color-disabled-color", Role::DISABLED_TEXT.path()),
];

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let mut warnings = losses::mapped(job.tokens());
    let mut colors = Vec::new();
    for (scale, steps) in job.scales() {
        let ten = fitted(&steps, &TEN);
        colors.push((
            scale.slug.as_str(),
            Literal::List(
                ten.iter()
                    .map(|(_, s)| Literal::text(s.color.to_string()))
                    .collect(),
            ),
        ));
        let reason = "a colour of ten steps has no place for it; the variables hold it";
        warnings.extend(left_out(&steps, &ten, reason));
    }
    let mut theme = vec![("colors", Literal::object(colors))];
    theme.extend(primary(job));
    theme.extend(type_and_shape(job));
    let mut body = String::with_capacity(32 * 1024);
    body.push_str("import { type CSSVariablesResolver, createTheme } from \"@mantine/core\";\n\n");
    body.push_str(&format!(
        "export const theme = createTheme({});\n\n",
        Literal::object(theme).print(0)
    ));
    body.push_str(&format!(
        "export const variables: CSSVariablesResolver = () => ({});\n",
        resolver(job)?.print(0)
    ));
    Ok(Output {
        files: vec![job.file("theme.mantine.ts", Comment::BLOCK, &body)],
        warnings,
    })
}

/// The primary intent's scale and where its fill stands in it.
fn primary(job: &Job<'_>) -> Vec<(&'static str, Literal)> {
    let Some(scale) = job.theme.intent_scale("primary") else {
        return Vec::new();
    };
    let Some((_, steps)) = job.scales().find(|(s, _)| s.slug == scale.slug) else {
        return Vec::new();
    };
    let ten = fitted(&steps, &TEN);
    let shade = |mode: Mode| {
        let fill = job
            .role(Intent::Primary.role(IntentPart::Fill).path(), mode)
            .code
            .lightness();
        let distance = |s: &Step<'_>| (s.color.code.lightness() - fill).abs();
        let nearest = (0..10).min_by(|a, b| distance(ten[*a].1).total_cmp(&distance(ten[*b].1)));
        Literal::Number(nearest.unwrap_or(6) as f64)
    };
    vec![
        ("primaryColor", Literal::text(scale.slug.as_str())),
        (
            "primaryShade",
            Literal::object(Mode::BOTH.map(|mode| (mode.id(), shade(mode)))),
        ),
        ("autoContrast", Literal::Code("true".to_owned())),
    ]
}

fn type_and_shape(job: &Job<'_>) -> Vec<(&'static str, Literal)> {
    let value = |path: &str| Literal::Text(css(job.token(path), Mode::Light));
    let sizes = [
        ("xs", "fine"),
        ("sm", "small"),
        ("md", "body"),
        ("lg", "lead"),
        ("xl", "title"),
    ];
    let radii = [
        ("xs", "small"),
        ("sm", "small"),
        ("md", "medium"),
        ("lg", "large"),
        ("xl", "large"),
    ];
    vec![
        ("fontFamily", value("type.family.body")),
        ("fontFamilyMonospace", value("type.family.mono")),
        (
            "headings",
            Literal::object([
                ("fontFamily", value("type.family.heading")),
                ("fontWeight", value("type.weight.bold")),
            ]),
        ),
        (
            "fontSizes",
            Literal::object(sizes.map(|(key, name)| (key, value(&format!("type.size.{name}"))))),
        ),
        (
            "radius",
            Literal::object(radii.map(|(key, name)| (key, value(&format!("shape.radius.{name}"))))),
        ),
        ("defaultRadius", Literal::text("md")),
    ]
}

fn css(token: Option<&Token>, mode: Mode) -> String {
    token
        .map(|t| css_value::value(&t.cell(mode).value, Notation::Hex))
        .unwrap_or_default()
}

/// Every token as a custom property, and the framework's own variables.
fn resolver(job: &Job<'_>) -> Result<Literal, ExportError> {
    let names = name::unique(job.tokens(), |path| format!("--{}", name::kebab("", path)))?;
    let entry =
        |t: &Token, mode: Mode| (names[&*t.path].clone(), Literal::Text(css(Some(t), mode)));
    let fixed = job
        .tokens()
        .filter(|t| t.is_modeless())
        .map(|t| entry(t, Mode::Light));
    let of = |mode: Mode| {
        let mut entries: Vec<(String, Literal)> = job
            .tokens()
            .filter(|t| !t.is_modeless())
            .map(|t| entry(t, mode))
            .collect();
        entries.extend(VARIABLES.map(|(key, path)| {
            (
                key.to_owned(),
                Literal::text(job.role(path, mode).to_string()),
            )
        }));
        Literal::Object(entries)
    };
    Ok(Literal::object([
        ("variables".to_owned(), Literal::object(fixed)),
        ("light".to_owned(), of(Mode::Light)),
        ("dark".to_owned(), of(Mode::Dark)),
    ]))
}
