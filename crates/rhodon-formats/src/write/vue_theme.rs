//! `vue-theme`: light and dark themes of a Vue component framework.

use rhodon_color::{Rgb8, contrast_ratio};
use rhodon_theme::{ColorValue, IntentScale, Mode, Origin, Role, TEXT_RATIO};

use super::intent_color::{IntentColor, MAIN, mixed};
use super::script::Literal;
use crate::error::ExportError;
use crate::job::{Comment, Job};
use crate::losses;
use crate::name::{self, Names};
use crate::option::TargetOption;
use crate::output::Output;
use crate::target::{Group, MoreContrast, Target};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "vue-theme",
    name: "Vue component theme",
    group: Group::Frameworks,
    options: &[MAIN, TargetOption::TOKENS],
    files: &["theme.vue.ts"],
    keys: &["themes.light", "colors", "on-primary", "variables", "ts"],
    usage: "Import { themes } from \"./theme.vue\" and give it to the framework's theme option.",
    usage_of: None,
    token_name: Some(|s, t| {
        (s.get(&TargetOption::TOKENS) == "all").then(|| name::kebab("", &t.path))
    }),
    carries_kept: false,
    takes_family: false,
    more: MoreContrast::Left,
    write,
};

/// Keys that the framework gives to roles. Its `surface-variant` is the ground of tooltips, which
/// stand out by the other mode's colours.
const ROLES: [(&str, &str); 7] = [
    ("background", Role::SURFACE_BASE.path()),
    ("on-background", Role::TEXT_MAIN.path()),
    ("surface", Role::SURFACE_RAISED.path()),
    ("on-surface", Role::TEXT_MAIN.path()),
    ("surface-bright", Role::SURFACE_OVERLAY.path()),
    ("surface-light", Role::SURFACE_SUNKEN.path()),
    ("on-surface-light", Role::TEXT_MAIN.path()),
];

/// Roles of the other mode.
const INVERSE: [(&str, &str); 2] = [
    ("surface-variant", Role::SURFACE_OVERLAY.path()),
    ("on-surface-variant", Role::TEXT_MAIN.path()),
];

/// Intents of which the framework asks for a darker shade too.
const DARKENED: [&str; 2] = ["primary", "secondary"];

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let names = name::unique(job.tokens(), |path| name::kebab("", path))?;
    let themes = Mode::BOTH.map(|mode| Ok((mode.id(), theme(job, &names, mode)?)));
    let themes = Literal::object(
        themes
            .into_iter()
            .collect::<Result<Vec<_>, ExportError>>()?,
    );
    let body = format!(
        "export const themes = {};\n\nexport default themes;\n",
        themes.print(0)
    );
    let files = vec![job.file("theme.vue.ts", Comment::BLOCK, &body)];
    Ok(Output {
        files,
        warnings: losses::mapped(job.tokens()),
    })
}

fn theme(job: &Job<'_>, names: &Names<'_>, mode: Mode) -> Result<Literal, ExportError> {
    Ok(Literal::object([
        ("dark", Literal::Code((mode == Mode::Dark).to_string())),
        ("colors", Literal::distinct(colors(job, mode))?),
        ("variables", Literal::distinct(variables(job, names, mode))?),
    ]))
}

/// Key, path of the token, and value.
type Entry = (String, String, Literal);

fn colors(job: &Job<'_>, mode: Mode) -> Vec<Entry> {
    let role = |path: &str, mode: Mode| Literal::color(&job.role(path, mode));
    let mut colors = ROLES
        .map(|(key, path)| Literal::demanded(key, role(path, mode)))
        .to_vec();
    let other = mode.other();
    colors.extend(INVERSE.map(|(key, path)| Literal::demanded(key, role(path, other))));
    for intent in &job.theme.intents {
        colors.extend(intent_colors(job, intent, mode));
    }
    // Exact brand colours, whatever the intents became.
    let brand = job.theme.scales.iter();
    colors.extend(brand.filter(|s| s.origin != Origin::Derived).map(|scale| {
        let step = scale.scale.base_step().color;
        let path = scale.step_path(scale.scale.base);
        let value = Literal::text(step.to_string());
        (name::kebab("", &path), path.to_string(), value)
    }));
    colors
}

/// An intent's colour, the text on it, and its darker form where the framework knows one.
fn intent_colors(job: &Job<'_>, intent: &IntentScale, mode: Mode) -> Vec<Entry> {
    let name = intent.name.as_str();
    let key = if name == "danger" { "error" } else { name };
    let color = IntentColor::of(job, intent, mode);
    let entry = |key: String, part: &str, color: ColorValue| {
        (key, format!("{name}.{part}"), Literal::color(&color))
    };
    let mut out = vec![
        entry(key.to_owned(), "fill", color.main),
        entry(format!("on-{key}"), "fill-text", color.ink),
    ];
    if DARKENED.contains(&name) {
        let darker = Literal::color(&ColorValue::opaque(color.darker));
        out.push(Literal::demanded(&format!("{key}-darken-1"), darker));
    }
    out
}

fn variables(job: &Job<'_>, names: &Names<'_>, mode: Mode) -> Vec<Entry> {
    let border = Literal::color(&job.role(Role::BORDER_SUBTLE.path(), mode));
    let mut variables = vec![
        Literal::demanded("border-color", border),
        // Without these the framework draws borders and text see-through.
        Literal::demanded("border-opacity", Literal::Number(1.0)),
        Literal::demanded("high-emphasis-opacity", Literal::Number(1.0)),
        Literal::demanded("medium-emphasis-opacity", Literal::Number(muted(job, mode))),
    ];
    if job.settings.get(&TargetOption::TOKENS) == "all" {
        variables.extend(job.tokens().map(|t| {
            let value = Literal::value(&t.cell(mode).value);
            (names[&*t.path].clone(), t.path.to_string(), value)
        }));
    }
    variables
}

/// The opacity at which the framework's text is as strong as muted text, and still readable.
fn muted(job: &Job<'_>, mode: Mode) -> f64 {
    let code = |role: Role| job.role(role.path(), mode).code;
    let grounds = [
        Role::SURFACE_BASE,
        Role::SURFACE_RAISED,
        Role::SURFACE_SUNKEN,
    ]
    .map(code);
    let text = code(Role::TEXT_MAIN);
    let wanted = contrast_ratio(code(Role::TEXT_MUTED), grounds[0]);
    let strong = |opacity: &f64| {
        let ratio = |ground: Rgb8| contrast_ratio(mixed(ground, text, *opacity), ground);
        ratio(grounds[0]) >= wanted && grounds.iter().all(|g| ratio(*g) >= TEXT_RATIO)
    };
    (50..100)
        .map(|n| f64::from(n) / 100.0)
        .find(strong)
        .unwrap_or(1.0)
}
