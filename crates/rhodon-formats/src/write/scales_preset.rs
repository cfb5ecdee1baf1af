//! `scales-preset`: a preset of a component framework that takes whole scales.

use rhodon_color::Rgb8;
use rhodon_theme::{ColorValue, Intent, IntentPart, Mode, Role};

use super::family::families;
use super::fit_steps::{ELEVEN, fitted};
use super::scales_components;
use super::script::Literal;
use crate::error::ExportError;
use crate::job::{Comment, Job, Step, all_steps};
use crate::losses;
use crate::option::TargetOption;
use crate::output::{Output, Warning};
use crate::target::{Group, MoreContrast, Target};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "scales-preset",
    name: "Preset of scales",
    group: Group::Frameworks,
    options: &[TargetOption::TOKENS],
    files: &["theme.scales.ts"],
    keys: &[
        "semantic.primary",
        "colorScheme",
        "surface",
        "contrastColor",
        "hoverColor",
        "primitive",
        "ts",
    ],
    usage: "Import the preset and give it to the framework's preset definition, over its base preset.",
    usage_of: None,
    token_name: None,
    carries_kept: false,
    takes_family: false,
    more: MoreContrast::Left,
    write,
};

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let mut warnings = losses::mapped(job.tokens());
    let mut primitive = Vec::new();
    for (scale, steps) in job.scales() {
        let eleven = fitted(&steps, &ELEVEN);
        // The labels of a role's scale are the framework's; own labels stay in `extend`.
        primitive.push((
            scale.slug.as_str(),
            Literal::object(eleven.map(|(l, s)| (l, Literal::color(&s.color)))),
        ));
        let placed = |s: &&Step<'_>| s.label == "0" || eleven.iter().any(|(_, e)| e.path == s.path);
        let left = steps.iter().filter(|s| !placed(s));
        warnings.extend(
            left.map(|s| Warning::new(s.path, "a scale of eleven steps has no place for it")),
        );
    }
    primitive.push(("borderRadius", radii(job)));
    let schemes = Mode::BOTH.map(|mode| Ok((mode.id(), scheme(job, mode)?)));
    let schemes = schemes
        .into_iter()
        .collect::<Result<Vec<_>, ExportError>>()?;
    let semantic = Literal::object([
        ("primary", scale_of(job, "primary")),
        ("colorScheme", Literal::object(schemes)),
    ]);
    let mut preset = vec![
        ("primitive", Literal::object(primitive)),
        ("semantic", semantic),
        ("components", scales_components::components(job)),
    ];
    if job.settings.get(&TargetOption::TOKENS) == "all" {
        let tokens = Mode::BOTH.map(|mode| Ok((mode.id(), tokens(job, mode)?)));
        let tokens = tokens
            .into_iter()
            .collect::<Result<Vec<_>, ExportError>>()?;
        let extend = Literal::object([("tokens", Literal::object(tokens))]);
        preset.push(("extend", extend));
    }
    let body = format!(
        "export const preset = {};\n\nexport default preset;\n",
        Literal::object(preset).print(0)
    );
    Ok(Output {
        files: vec![job.file("theme.scales.ts", Comment::BLOCK, &body)],
        warnings,
    })
}

/// Radii by the framework's sizes.
fn radii(job: &Job<'_>) -> Literal {
    let value = |name: &str| {
        let token = job.token(&format!("shape.radius.{name}"));
        Literal::text(token.map_or_else(String::new, |t| t.cell(Mode::Light).value.to_string()))
    };
    Literal::object([
        ("none", Literal::text("0")),
        ("xs", value("small")),
        ("sm", value("small")),
        ("md", value("medium")),
        ("lg", value("large")),
        ("xl", value("large")),
    ])
}

/// Every step of an intent's scale, left out of exports or not.
fn intent_steps<'a>(job: &Job<'a>, intent: &str) -> Vec<Step<'a>> {
    job.theme
        .intent_scale(intent)
        .map(|scale| all_steps(scale).collect())
        .unwrap_or_default()
}

fn scale_of(job: &Job<'_>, intent: &str) -> Literal {
    let steps = intent_steps(job, intent);
    let steps: Vec<Step<'_>> = steps.into_iter().filter(|s| s.label != "0").collect();
    if steps.is_empty() {
        return Literal::object::<&str>([]);
    }
    Literal::object(fitted(&steps, &ELEVEN).map(|(label, s)| (label, Literal::color(&s.color))))
}

fn scheme(job: &Job<'_>, mode: Mode) -> Result<Literal, ExportError> {
    let role = |path: &str| Literal::color(&job.role(path, mode));
    let zero = intent_steps(job, "neutral")
        .first()
        .filter(|s| s.label == "0")
        .map(|s| s.color);
    let mut surface = vec![(
        "0".to_owned(),
        Literal::color(&zero.unwrap_or(ColorValue::opaque(Rgb8::WHITE))),
    )];
    if let Literal::Object(steps) = scale_of(job, "neutral") {
        surface.extend(steps);
    }
    let mut entries = vec![Literal::demanded("surface", Literal::Object(surface))];
    for intent in &job.theme.intents {
        let part = |part: &str| role(&format!("{}.{part}", intent.name));
        let parts = Literal::object([
            ("color", part("fill")),
            ("contrastColor", part("fill-text")),
            ("hoverColor", part("fill-hover")),
            ("activeColor", part("fill-pressed")),
        ]);
        entries.push((intent.name.to_string(), intent.name.to_string(), parts));
    }
    for (group, members) in SCHEME {
        let members = members
            .iter()
            .map(|(key, role)| (*key, self::role(job, *role, mode)));
        entries.push(Literal::demanded(group, Literal::object(members)));
    }
    let ring = Literal::object([("color", self::role(job, Role::FOCUS_RING, mode))]);
    entries.push(Literal::demanded("focusRing", ring));
    Literal::distinct(entries)
}

fn role(job: &Job<'_>, role: Role, mode: Mode) -> Literal {
    Literal::color(&job.role(role.path(), mode))
}

/// The framework's groups of a mode with the roles behind them.
const SCHEME: [(&str, &[(&str, Role)]); 5] = [
    (
        "text",
        &[
            ("color", Role::TEXT_MAIN),
            ("hoverColor", Role::TEXT_MAIN),
            ("mutedColor", Role::TEXT_MUTED),
            ("hoverMutedColor", Role::TEXT_MUTED),
            ("disabledColor", Role::TEXT_DISABLED),
        ],
    ),
    (
        "content",
        &[
            ("background", Role::SURFACE_RAISED),
            ("hoverBackground", Role::SURFACE_SUNKEN),
            ("borderColor", Role::BORDER_SUBTLE),
            ("color", Role::TEXT_MAIN),
            ("hoverColor", Role::TEXT_MAIN),
        ],
    ),
    (
        "highlight",
        &[
            ("background", Role::SELECTED_FILL),
            ("focusBackground", Role::SELECTED_FILL),
            ("color", Role::SELECTED_TEXT),
            ("focusColor", Role::SELECTED_TEXT),
        ],
    ),
    ("mask", &[("background", Role::BACKDROP_FILL)]),
    (
        "formField",
        &[
            ("background", Role::SURFACE_RAISED),
            ("disabledBackground", Role::DISABLED_FILL),
            ("filledBackground", Role::SURFACE_SUNKEN),
            ("borderColor", Role::BORDER_STRONG),
            ("hoverBorderColor", Role::TEXT_MUTED),
            ("focusBorderColor", Role::FOCUS_RING),
            ("invalidBorderColor", Intent::Danger.role(IntentPart::Edge)),
            ("color", Role::TEXT_MAIN),
            ("disabledColor", Role::DISABLED_TEXT),
            ("placeholderColor", Role::TEXT_MUTED),
            (
                "invalidPlaceholderColor",
                Intent::Danger.role(IntentPart::TintText),
            ),
            ("iconColor", Role::TEXT_MUTED),
        ],
    ),
];

/// Every token of a mode, by family.
fn tokens(job: &Job<'_>, mode: Mode) -> Result<Literal, ExportError> {
    let families = families(job.tokens())?;
    Ok(Literal::object(families.into_iter().map(
        |(family, members)| {
            let members = members.into_iter().map(|(key, token)| {
                let key = if key.is_empty() {
                    "value".to_owned()
                } else {
                    key
                };
                (key, Literal::value(&token.cell(mode).value))
            });
            (family, Literal::object(members))
        },
    )))
}
