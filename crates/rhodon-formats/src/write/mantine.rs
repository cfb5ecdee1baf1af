//! `mantine`: a theme with ten-step colours and the variables of both modes. Rhodon's own front
//! end is themed with it.

use rhodon_color::Notation;
use rhodon_theme::{ColorValue, Intent, IntentPart, IntentScale, Mode, Role, Token};

use super::css_value;
use super::fit_steps::{TEN, fitted, left_out};
use super::heading::{self, HEADINGS};
use super::intent_color::readable;
use super::script::Literal;
use crate::error::ExportError;
use crate::job::{Comment, Job, Step, all_steps};
use crate::losses;
use crate::name;
use crate::output::Output;
use crate::target::{Group, MoreContrast, Target};

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
    usage_of: None,
    token_name: Some(|_, t| Some(name::css_reference("", &t.path))),
    carries_kept: false,
    takes_family: false,
    more: MoreContrast::Left,
    write,
};

/// The framework's own variables and the roles behind them.
const VARIABLES: [(&str, &str); 13] = [
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

/// Variables of each colour and the parts of an intent behind them.
const PARTS: [(&str, IntentPart); 7] = [
    ("filled", IntentPart::Fill),
    ("filled-hover", IntentPart::FillHover),
    ("contrast", IntentPart::FillText),
    ("light", IntentPart::Tint),
    ("light-hover", IntentPart::TintHover),
    ("light-color", IntentPart::TintText),
    ("outline-hover", IntentPart::Tint),
];
/// Variables of each colour that are text on the page, and outlines of the same colour.
const READABLE: [&str; 2] = ["text", "outline"];

/// Neutral colours that the framework paints with where it asks no variable, and the L\* of each of
/// their ten: grounds, borders, placeholders and text of light mode; text, borders and grounds of dark
/// mode, which stand where the theme's own surfaces do.
const NEUTRALS: [(&str, [u8; 10]); 2] = [
    ("gray", [98, 96, 93, 90, 84, 73, 58, 34, 24, 15]),
    ("dark", [90, 82, 70, 48, 28, 15, 11, 8, 6, 4]),
];

/// Text on a filled ground is the theme's, in both modes.
const RESOLVER: &str = "(input) => {
    const colors = defaultVariantColorsResolver(input);
    const color = input.color ?? input.theme.primaryColor;
    return input.variant === \"filled\" && intents.includes(color)
      ? { ...colors, color: `var(--mantine-color-${color}-contrast)` }
      : colors;
  }";

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let mut warnings = losses::mapped(job.tokens());
    let mut colors = Vec::new();
    for (scale, steps) in job.scales() {
        let ten = fitted(&steps, &TEN);
        colors.push((scale.slug.to_string(), tuple(&ten)));
        let reason = "a colour of ten steps has no place for it; the variables hold it";
        warnings.extend(left_out(&steps, &ten, reason));
    }
    colors.extend(intent_colors(job, &colors));
    colors.extend(neutrals(job, &colors));
    let names = painted(job).map(|(name, _)| Literal::text(name));
    let names = Literal::List(names.collect());
    let mut theme = vec![("colors", Literal::object(colors))];
    theme.extend(primary(job));
    theme.push(("variantColorResolver", Literal::Code(RESOLVER.to_owned())));
    theme.extend(type_and_shape(job));
    let mut body = String::with_capacity(32 * 1024);
    body.push_str(
        "import { type CSSVariablesResolver, createTheme, defaultVariantColorsResolver } from \"@mantine/core\";\n\n",
    );
    body.push_str(&format!(
        "/** Colours whose variables hold the roles of an intent. */\nconst intents: string[] = {};\n\n",
        names.print(0)
    ));
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

fn tuple(ten: &[(&str, &Step<'_>); 10]) -> Literal {
    let codes = ten.iter().map(|(_, s)| Literal::text(s.color.to_string()));
    Literal::List(codes.collect())
}

/// A colour for every intent whose scale has another name.
fn intent_colors(job: &Job<'_>, there: &[(String, Literal)]) -> Vec<(String, Literal)> {
    let intents = job.theme.intents.iter();
    let missing = intents.filter(|i| !there.iter().any(|(name, _)| name == i.name.as_str()));
    missing
        .map(|intent| {
            let steps: Vec<Step<'_>> = all_steps(&job.theme.scales[intent.scale]).collect();
            (intent.name.to_string(), tuple(&fitted(&steps, &TEN)))
        })
        .collect()
}

/// The framework's greys from the neutral scale, where the theme has no colour of their names.
fn neutrals(job: &Job<'_>, there: &[(String, Literal)]) -> Vec<(String, Literal)> {
    let Some(scale) = job.theme.intent_scale(Intent::Neutral.id()) else {
        return Vec::new();
    };
    let free = NEUTRALS
        .iter()
        .filter(|(name, _)| !there.iter().any(|(own, _)| own == name));
    free.map(|(name, tones)| {
        let codes =
            tones.map(|l| Literal::text(scale.scale.at_lightness(f64::from(l)).to_string()));
        ((*name).to_owned(), Literal::List(codes.into()))
    })
    .collect()
}

/// Colours that are painted with the roles of an intent: each intent by its name, and its scale,
/// which may carry several, by the first.
fn painted<'a>(job: &Job<'a>) -> impl Iterator<Item = (&'a str, &'a IntentScale)> {
    let theme = job.theme;
    let intents = || theme.intents.iter();
    let scales = intents().filter_map(move |i| {
        let slug = theme.scales[i.scale].slug.as_str();
        let taken = intents().any(|other| other.name.as_str() == slug);
        let first = intents().find(|other| other.scale == i.scale)?;
        (!taken && first.name == i.name).then_some((slug, i))
    });
    intents().map(|i| (i.name.as_str(), i)).chain(scales)
}

/// The primary intent's scale and where its fill stands in it.
fn primary(job: &Job<'_>) -> Vec<(&'static str, Literal)> {
    let Some(scale) = job.theme.intent_scale("primary") else {
        return Vec::new();
    };
    let steps: Vec<Step<'_>> = all_steps(scale).collect();
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
        ("primaryColor", Literal::text(Intent::Primary.id())),
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
                ("sizes", heading_sizes(job)),
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

fn heading_sizes(job: &Job<'_>) -> Literal {
    let sizes = HEADINGS.into_iter().zip(heading::sizes(job));
    Literal::object(sizes.map(|(key, size)| {
        let size = Literal::text(css_value::value(&size, Notation::Hex));
        (key, Literal::object([("fontSize", size)]))
    }))
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
        let text = |color: ColorValue| Literal::color(&color);
        entries.extend(VARIABLES.map(|(key, path)| (key.to_owned(), text(job.role(path, mode)))));
        for (color, intent) in painted(job) {
            let key = |part: &str| format!("--mantine-color-{color}-{part}");
            let role = |part: IntentPart| job.role(&part.of(intent.name.as_str()), mode);
            entries.extend(PARTS.map(|(name, part)| (key(name), text(role(part)))));
            let readable = readable(job, intent, mode);
            entries.extend(READABLE.map(|name| (key(name), text(readable))));
        }
        let primary = |part: &str| format!("--mantine-primary-color-{part}");
        for (name, part) in PARTS {
            let role = Intent::Primary.role(part);
            entries.push((primary(name), text(job.role(role.path(), mode))));
        }
        Literal::Object(entries)
    };
    Ok(Literal::object([
        ("variables".to_owned(), Literal::object(fixed)),
        ("light".to_owned(), of(Mode::Light)),
        ("dark".to_owned(), of(Mode::Dark)),
    ]))
}
