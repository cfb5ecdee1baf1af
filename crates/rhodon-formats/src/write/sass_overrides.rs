//! `sass-overrides`: variables to load before a Sass component framework, what its maps of colours
//! are made of, and the states of its components.

use rhodon_theme::{Intent, IntentPart, IntentScale, Mode, Role, TEXT_RATIO};

use super::css_value;
use super::heading;
use super::intent_color::readable;
use super::role_map::PAGE;
use crate::error::ExportError;
use crate::job::{Comment, Job};
use crate::losses;
use crate::name;
use crate::option::{OptionKind, TargetOption};
use crate::output::Output;
use crate::target::{Group, MoreContrast, Target};

/// See its help.
const MAP: TargetOption = TargetOption {
    key: "map",
    kind: OptionKind::Name,
    default: "theme-colors",
    help: "The framework's map of colours, into which own intents are merged.",
};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "sass-overrides",
    name: "Sass framework overrides",
    group: Group::Frameworks,
    options: &[MAP, TargetOption::TOKENS],
    files: &["_before.scss", "_after.scss", "_states.scss"],
    keys: &[
        "$primary",
        "$theme-colors",
        "$body-bg",
        "$link-color",
        "map.merge",
        "scss",
    ],
    usage: "Import before in front of the framework's variables, after behind them and before its maps, and states behind its components. With tokens set to all, $theme-light and $theme-dark hold every token.",
    usage_of: None,
    token_name: Some(|s, t| {
        (s.get(&TargetOption::TOKENS) == "all")
            .then(|| format!("map.get($theme-light, \"{}\")", name::kebab("", &t.path)))
    }),
    carries_kept: false,
    takes_family: false,
    more: MoreContrast::Left,
    write,
};

/// The framework's intents; `danger` and its like are ours too.
const INTENTS: [&str; 6] = [
    "primary",
    "secondary",
    "success",
    "info",
    "warning",
    "danger",
];

/// Variables of the page that have a form for dark mode, beside those that several targets share.
const PAGE_COLORS: [(&str, Role); 13] = [
    ("body-secondary-color", Role::TEXT_MUTED),
    ("body-secondary-bg", Role::SURFACE_SUNKEN),
    ("body-tertiary-color", Role::TEXT_MUTED),
    ("body-tertiary-bg", Role::SURFACE_RAISED),
    ("body-emphasis-color", Role::TEXT_MAIN),
    ("headings-color", Role::TEXT_MAIN),
    ("link-hover-color", Role::LINK_HOVER),
    ("border-color-translucent", Role::BORDER_SUBTLE),
    ("code-color", Intent::Accent.role(IntentPart::TintText)),
    (
        "form-invalid-color",
        Intent::Danger.role(IntentPart::TintText),
    ),
    (
        "form-invalid-border-color",
        Intent::Danger.role(IntentPart::Edge),
    ),
    (
        "form-valid-color",
        Intent::Success.role(IntentPart::TintText),
    ),
    (
        "form-valid-border-color",
        Intent::Success.role(IntentPart::Edge),
    ),
];

/// Variables of controls, which the framework has for light mode only; what they come to in dark mode is
/// among the states.
const CONTROLS: [(&str, Role); 5] = [
    ("input-border-color", Role::BORDER_STRONG),
    ("input-focus-border-color", Role::FOCUS_RING),
    ("focus-ring-color", Role::FOCUS_RING),
    (
        "component-active-bg",
        Intent::Primary.role(IntentPart::Fill),
    ),
    (
        "component-active-color",
        Intent::Primary.role(IntentPart::FillText),
    ),
];

/// Controls whose edge and focus ring are drawn by those variables.
const FIELDS: [&str; 3] = [".form-control", ".form-select", ".form-check-input"];
/// The root where dark mode is asked for.
const DARK: &str = "[data-bs-theme=\"dark\"]";

/// Type and shape.
const MEASURES: [(&str, &str); 16] = [
    ("font-family-base", "type.family.body"),
    ("font-family-monospace", "type.family.mono"),
    ("headings-font-family", "type.family.heading"),
    ("font-size-base", "type.size.body"),
    ("font-size-sm", "type.size.small"),
    ("font-size-lg", "type.size.lead"),
    ("font-weight-base", "type.weight.regular"),
    ("font-weight-bold", "type.weight.bold"),
    ("headings-font-weight", "type.weight.bold"),
    ("border-radius", "shape.radius.medium"),
    ("border-radius-sm", "shape.radius.small"),
    ("border-radius-lg", "shape.radius.large"),
    ("border-radius-xl", "shape.radius.large"),
    ("border-radius-xxl", "shape.radius.large"),
    ("border-radius-pill", "shape.radius.round"),
    ("border-width", "shape.border.width"),
];

/// What the framework keeps for each intent: readable text, a quiet ground, and its border.
const QUIET: [(&str, &str, IntentPart); 3] = [
    ("text-emphasis", "text", IntentPart::TintText),
    ("bg-subtle", "bg-subtle", IntentPart::Tint),
    ("border-subtle", "border-subtle", IntentPart::Edge),
];

/// How a variable or map of a mode ends.
fn suffix(mode: Mode) -> &'static str {
    match mode {
        Mode::Light => "",
        Mode::Dark => "-dark",
    }
}

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let files = vec![
        job.file("_before.scss", Comment::LINE, &before(job)),
        job.file("_after.scss", Comment::LINE, &after(job)?),
        job.file("_states.scss", Comment::LINE, &states(job)),
    ];
    Ok(Output {
        files,
        warnings: losses::mapped(job.tokens()),
    })
}

fn before(job: &Job<'_>) -> String {
    let mut out = String::new();
    let mut set = |name: &str, value: &str| out.push_str(&format!("${name}: {value} !default;\n"));
    let color = |path: &str, mode: Mode| job.role(path, mode).to_string();
    for intent in INTENTS {
        set(intent, &color(&IntentPart::Fill.of(intent), Mode::Light));
    }
    set("light", &color(Role::SURFACE_SUNKEN.path(), Mode::Light));
    set("dark", &color(Role::SURFACE_BASE.path(), Mode::Dark));
    for mode in Mode::BOTH {
        let end = suffix(mode);
        for intent in INTENTS {
            for (name, _, part) in QUIET {
                set(
                    &format!("{intent}-{name}{end}"),
                    &color(&part.of(intent), mode),
                );
            }
        }
        for (key, path) in PAGE {
            set(&format!("{key}{end}"), &color(path, mode));
        }
        for (key, role) in PAGE_COLORS {
            set(&format!("{key}{end}"), &color(role.path(), mode));
        }
    }
    for (key, role) in CONTROLS {
        set(key, &color(role.path(), Mode::Light));
    }
    // Text that the framework chooses by itself is readable (WCAG 2.2, 1.4.3).
    set("min-contrast-ratio", &TEXT_RATIO.to_string());
    for (key, path) in MEASURES {
        if let Some(token) = job.token(path) {
            set(key, &css_value::in_map(&token.cell(Mode::Light).value));
        }
    }
    for (key, size) in heading::HEADINGS.iter().zip(heading::sizes(job)) {
        set(&format!("{key}-font-size"), &size.to_string());
    }
    out
}

/// Intents that the framework does not have.
fn own<'a>(job: &Job<'a>) -> impl Iterator<Item = &'a IntentScale> {
    let intents = job.theme.intents.iter();
    intents.filter(|i| !INTENTS.contains(&i.name.as_str()))
}

/// Own intents in the framework's map, the maps that stand beside it, and maps of every token.
fn after(job: &Job<'_>) -> Result<String, ExportError> {
    let names = name::unique(job.tokens(), |path| name::kebab("", path))?;
    let map = job.settings.get(&MAP);
    let entry = |name: &str, part: IntentPart, mode: Mode| {
        format!("  \"{name}\": {},\n", job.role(&part.of(name), mode))
    };
    let mut out = String::from("@use \"sass:map\";\n");
    if !map.is_empty() {
        let entries: String = own(job)
            .map(|i| entry(i.name.as_str(), IntentPart::Fill, Mode::Light))
            .collect();
        out.push_str(&format!("\n${map}: map.merge(${map}, (\n{entries}));\n"));
        for mode in Mode::BOTH {
            for (_, name, part) in QUIET {
                let end = suffix(mode);
                let intents = INTENTS.into_iter().chain(own(job).map(|i| i.name.as_str()));
                let entries: String = intents.map(|i| entry(i, part, mode)).collect();
                let plain = plain_grounds(job, part, mode);
                out.push_str(&format!("\n${map}-{name}{end}: (\n{entries}{plain});\n"));
            }
        }
    }
    if job.settings.get(&TargetOption::TOKENS) == "all" {
        for mode in Mode::BOTH {
            let entries = css_value::map_entries(job, &names, mode, "  ");
            out.push_str(&format!("\n$theme-{}: (\n{entries});\n", mode.id()));
        }
    }
    Ok(out)
}

/// The framework's light and dark, which are no intents: quiet neutral grounds in both modes.
fn plain_grounds(job: &Job<'_>, part: IntentPart, mode: Mode) -> String {
    let role = match part {
        IntentPart::Tint => Role::SURFACE_SUNKEN,
        IntentPart::Edge => Role::BORDER_SUBTLE,
        _ => Role::TEXT_MAIN,
    };
    let color = job.role(role.path(), mode);
    format!("  \"light\": {color},\n  \"dark\": {color},\n")
}

/// Hover, pressed and disabled colours of buttons in both modes, where the framework would mix
/// its own.
fn states(job: &Job<'_>) -> String {
    let mut out = String::from("$prefix: bs- !default;\n$focus-ring-width: 0.25rem !default;\n");
    for mode in Mode::BOTH {
        let root = match mode {
            Mode::Light => String::new(),
            Mode::Dark => format!("{DARK} "),
        };
        for intent in &job.theme.intents {
            let name = intent.name.as_str();
            let part = |part: IntentPart| job.role(&part.of(name), mode).to_string();
            let page = readable(job, intent, mode).to_string();
            let (fill, text) = (part(IntentPart::Fill), part(IntentPart::FillText));
            let (hover, pressed) = (part(IntentPart::FillHover), part(IntentPart::FillPressed));
            let filled = [
                ("color", &text),
                ("bg", &fill),
                ("border-color", &fill),
                ("hover-color", &text),
                ("hover-bg", &hover),
                ("hover-border-color", &hover),
                ("active-color", &text),
                ("active-bg", &pressed),
                ("active-border-color", &pressed),
                ("disabled-color", &text),
                ("disabled-bg", &fill),
                ("disabled-border-color", &fill),
            ];
            let outlined = [
                ("color", &page),
                ("border-color", &page),
                ("hover-color", &text),
                ("hover-bg", &hover),
                ("hover-border-color", &hover),
                ("active-color", &text),
                ("active-bg", &pressed),
                ("active-border-color", &pressed),
            ];
            out.push_str(&rule(&format!("{root}.btn-{name}"), &filled));
            out.push_str(&rule(&format!("{root}.btn-outline-{name}"), &outlined));
        }
    }
    out.push_str(&dark_fields(job));
    out
}

/// Edges and focus rings of fields in dark mode. They weigh no more than the framework's own, so that what
/// it says of wrong and of checked fields still holds.
fn dark_fields(job: &Job<'_>) -> String {
    let edge = job.role(Role::BORDER_STRONG.path(), Mode::Dark);
    let ring = job.role(Role::FOCUS_RING.path(), Mode::Dark);
    let fields = |state: &str| {
        FIELDS
            .map(|field| format!(":where({DARK}) {field}{state}"))
            .join(",\n")
    };
    format!(
        "\n{DARK} {{\n  --#{{$prefix}}focus-ring-color: {ring};\n}}\n\n{} {{\n  border-color: {edge};\n}}\n\n{} {{\n  border-color: {ring};\n  box-shadow: 0 0 0 $focus-ring-width {ring};\n}}\n",
        fields(""),
        fields(":focus"),
    )
}

fn rule(selector: &str, lines: &[(&str, &String)]) -> String {
    let lines = lines
        .iter()
        .map(|(key, value)| format!("  --#{{$prefix}}btn-{key}: {value};\n"));
    format!("\n{selector} {{\n{}}}\n", lines.collect::<String>())
}
