//! `scales-preset`: a preset of a component framework that takes whole scales.

use rhodon_color::Rgb8;
use rhodon_theme::{ColorValue, Mode, Role};

use super::family::families;
use super::fit_steps::{ELEVEN, fitted};
use super::losses;
use super::script::Literal;
use crate::target::{Comment, ExportError, Group, Job, Output, Step, Target, Warning, all_steps};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "scales-preset",
    name: "Preset of scales",
    group: Group::Frameworks,
    options: &[],
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
    token_name: None,
    carries_kept: false,
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
            Literal::object(eleven.map(|(l, s)| (l, text(&s.color)))),
        ));
        let placed = |s: &&Step<'_>| s.label == "0" || eleven.iter().any(|(_, e)| e.path == s.path);
        let left = steps.iter().filter(|s| !placed(s));
        warnings.extend(left.map(|s| {
            Warning::new(
                s.path,
                "a scale of eleven steps has no place for it; tokens hold it",
            )
        }));
    }
    let schemes = Mode::BOTH.map(|mode| Ok((mode.id(), scheme(job, mode)?)));
    let schemes = schemes
        .into_iter()
        .collect::<Result<Vec<_>, ExportError>>()?;
    let semantic = Literal::object([
        ("primary", scale_of(job, "primary")),
        ("colorScheme", Literal::object(schemes)),
    ]);
    let tokens = Mode::BOTH.map(|mode| Ok((mode.id(), tokens(job, mode)?)));
    let tokens = tokens
        .into_iter()
        .collect::<Result<Vec<_>, ExportError>>()?;
    let preset = Literal::object([
        ("primitive", Literal::object(primitive)),
        ("semantic", semantic),
        (
            "extend",
            Literal::object([("tokens", Literal::object(tokens))]),
        ),
    ]);
    let body = format!(
        "export const preset = {};\n\nexport default preset;\n",
        preset.print(0)
    );
    Ok(Output {
        files: vec![job.file("theme.scales.ts", Comment::BLOCK, &body)],
        warnings,
    })
}

fn text(color: &ColorValue) -> Literal {
    Literal::text(color.to_string())
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
    Literal::object(fitted(&steps, &ELEVEN).map(|(label, s)| (label, text(&s.color))))
}

fn scheme(job: &Job<'_>, mode: Mode) -> Result<Literal, ExportError> {
    let role = |path: &str| text(&job.role(path, mode));
    let zero = intent_steps(job, "neutral")
        .first()
        .filter(|s| s.label == "0")
        .map(|s| s.color);
    let mut surface = vec![(
        "0".to_owned(),
        text(&zero.unwrap_or(ColorValue::opaque(Rgb8::WHITE))),
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
    let text = [
        ("color", Role::TEXT_MAIN.path()),
        ("mutedColor", Role::TEXT_MUTED.path()),
        ("disabledColor", Role::TEXT_DISABLED.path()),
    ];
    entries.push(Literal::demanded(
        "text",
        Literal::object(text.map(|(key, path)| (key, role(path)))),
    ));
    let content = [
        ("background", Role::SURFACE_RAISED.path()),
        ("borderColor", Role::BORDER_SUBTLE.path()),
        ("color", Role::TEXT_MAIN.path()),
    ];
    entries.push(Literal::demanded(
        "content",
        Literal::object(content.map(|(key, path)| (key, role(path)))),
    ));
    Literal::distinct(entries)
}

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
