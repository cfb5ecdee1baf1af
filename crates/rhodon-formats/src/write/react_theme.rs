//! `react-theme`: light and dark options of a React component framework, typed.

use rhodon_theme::{IntentPart, Mode, Role, TEXT_RATIO, Token, TokenKind, Value};

use super::heading::{self, HEADINGS};
use super::intent_color::{IntentColor, MAIN};
use super::script::Literal;
use crate::error::ExportError;
use crate::job::{Comment, Job};
use crate::losses;
use crate::name::{self, Names};
use crate::option::{OptionKind, TargetOption};
use crate::output::{Output, Warning};
use crate::target::{Group, MoreContrast, Target};

/// See its help.
const AUGMENT: TargetOption = TargetOption {
    key: "augment",
    kind: OptionKind::Qualified,
    default: "",
    help: "The framework's module, as your code imports its theme types, whose types are then extended by own colours; where it ends in /styles, the components that take a colour are told them too. Without one the types are only declared.",
};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "react-theme",
    name: "React component theme",
    group: Group::Frameworks,
    options: &[MAIN, AUGMENT],
    files: &["theme.react.ts", "theme.react.types.ts"],
    keys: &[
        "palette",
        "main",
        "contrastText",
        "background.paper",
        "typography",
        "colorSchemes",
        "declare module",
        "ts",
    ],
    usage: "Put both files beside each other and give lightTheme or darkTheme to the framework's theme function, or schemesTheme for both at once by custom properties.",
    usage_of: None,
    token_name: Some(|_, t| Some(format!("theme.tokens.{}", name::camel(&t.path)))),
    carries_kept: false,
    takes_family: false,
    more: MoreContrast::Left,
    write,
};

/// What the framework keeps in its palette under names of its own.
const KEPT: [&str; 11] = [
    "grey",
    "common",
    "mode",
    "contrastThreshold",
    "tonalOffset",
    "getContrastText",
    "augmentColor",
    "action",
    "background",
    "text",
    "divider",
];

/// Intents by the framework's key: danger is its error, and a name that it keeps for itself gets a
/// word more.
fn key(intent: &str) -> String {
    let camel = name::camel(intent);
    match &*camel {
        "danger" => "error".to_owned(),
        kept if KEPT.contains(&kept) => format!("{camel}Color"),
        _ => camel,
    }
}

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let names = name::unique(job.tokens(), name::camel)?;
    let mut body = String::with_capacity(48 * 1024);
    body.push_str("import type { ThemeTokens } from \"./theme.react.types\";\n\n");
    body.push_str("export type { ThemeTokens } from \"./theme.react.types\";\n\n");
    parts(job, &names, &mut body)?;
    for mode in Mode::BOTH {
        let name = format!("export const {}Theme", mode.id());
        constant(&mut body, &name, theme(job, mode));
    }
    constant(&mut body, "export const colorSchemes", schemes(job));
    body.push_str(
        "/** For the framework's variables mode: both modes in one theme. */\n\
        export const schemesTheme = { cssVariables: true, colorSchemes, typography, shape };\n\n\
        export default { light: lightTheme, dark: darkTheme };\n",
    );
    let types = types(job, &names);
    let mut warnings = losses::mapped(job.tokens());
    warnings.extend(renamed(job));
    Ok(Output {
        files: vec![
            job.file("theme.react.ts", Comment::BLOCK, &body),
            job.file("theme.react.types.ts", Comment::BLOCK, &types),
        ],
        warnings,
    })
}

fn constant(body: &mut String, name: &str, value: Literal) {
    body.push_str(&format!("{name} = {};\n\n", value.print(0)));
}

/// What the themes of both modes are put together from.
fn parts(job: &Job<'_>, names: &Names<'_>, body: &mut String) -> Result<(), ExportError> {
    let modeless = job.tokens().filter(|t| t.is_modeless());
    let fixed = tokens(modeless, names, Mode::Light);
    constant(body, "const fixed", Literal::object(fixed));
    constant(body, "const typography", typography(job));
    constant(body, "const shape", shape(job));
    for mode in Mode::BOTH {
        let differing = job.tokens().filter(|t| !t.is_modeless());
        let own = tokens(differing, names, mode);
        let spread = std::iter::once(("...fixed".to_owned(), Literal::Spread));
        let values = Literal::Object(spread.chain(own).collect());
        let id = mode.id();
        constant(body, &format!("const {id}Tokens: ThemeTokens"), values);
        constant(body, &format!("const {id}Palette"), palette(job, mode)?);
    }
    Ok(())
}

fn theme(job: &Job<'_>, mode: Mode) -> Literal {
    let id = mode.id();
    let code = |text: String| Literal::Code(text);
    Literal::object([
        ("palette", code(format!("{id}Palette"))),
        ("typography", code("typography".to_owned())),
        ("shape", code("shape".to_owned())),
        ("components", components(job, mode)),
        ("tokens", code(format!("{id}Tokens"))),
    ])
}

/// Intents that could not keep their names.
fn renamed(job: &Job<'_>) -> Vec<Warning> {
    let intents = job.theme.intents.iter();
    let kept = intents.filter(|i| KEPT.contains(&&*name::camel(i.name.as_str())));
    kept.map(|i| {
        let message = format!(
            "the framework keeps the name {} for itself: the palette has it as {}",
            i.name,
            key(i.name.as_str())
        );
        Warning::new(&IntentPart::Fill.of(i.name.as_str()), message)
    })
    .collect()
}

fn palette(job: &Job<'_>, mode: Mode) -> Result<Literal, ExportError> {
    let role = |path: &str| Literal::color(&job.role(path, mode));
    let mut entries = vec![
        Literal::demanded("mode", Literal::Code(format!("\"{}\" as const", mode.id()))),
        // Text that the framework chooses by itself is readable too (WCAG 2.2, 1.4.3).
        Literal::demanded("contrastThreshold", Literal::Number(TEXT_RATIO)),
    ];
    for intent in &job.theme.intents {
        let color = IntentColor::of(job, intent, mode);
        let parts = Literal::object([
            ("light", Literal::text(color.lighter.to_string())),
            ("main", Literal::color(&color.main)),
            ("dark", Literal::text(color.darker.to_string())),
            ("contrastText", Literal::color(&color.ink)),
        ]);
        entries.push((key(intent.name.as_str()), intent.name.to_string(), parts));
    }
    let groups = [
        (
            "background",
            vec![
                ("default", Role::SURFACE_BASE.path()),
                ("paper", Role::SURFACE_RAISED.path()),
            ],
        ),
        (
            "text",
            vec![
                ("primary", Role::TEXT_MAIN.path()),
                ("secondary", Role::TEXT_MUTED.path()),
                ("disabled", Role::TEXT_DISABLED.path()),
            ],
        ),
        (
            "action",
            vec![
                ("active", Role::TEXT_MUTED.path()),
                ("hover", Role::SURFACE_SUNKEN.path()),
                ("selected", Role::SURFACE_SUNKEN.path()),
                ("focus", Role::SURFACE_SUNKEN.path()),
                ("disabled", Role::DISABLED_TEXT.path()),
                ("disabledBackground", Role::DISABLED_FILL.path()),
            ],
        ),
    ];
    for (group, members) in groups {
        entries.push(Literal::demanded(
            group,
            Literal::object(members.into_iter().map(|(k, path)| (k, role(path)))),
        ));
    }
    entries.push(Literal::demanded(
        "divider",
        role(Role::BORDER_SUBTLE.path()),
    ));
    Literal::distinct(entries)
}

/// The bar, which the framework would paint grey in dark mode.
fn components(job: &Job<'_>, mode: Mode) -> Literal {
    let role = |role: Role| Literal::color(&job.role(role.path(), mode));
    let bar = || {
        Literal::object([
            ("backgroundColor", role(Role::BAR_FILL)),
            ("color", role(Role::BAR_TEXT)),
            ("backgroundImage", Literal::text("none")),
        ])
    };
    let overrides = Literal::object([("colorPrimary", bar()), ("colorDefault", bar())]);
    Literal::object([(
        "MuiAppBar",
        Literal::object([("styleOverrides", overrides)]),
    )])
}

/// Both modes for the framework's variables mode, with its keys for the bar.
fn schemes(job: &Job<'_>) -> Literal {
    Literal::object(Mode::BOTH.map(|mode| {
        let role = |role: Role| Literal::color(&job.role(role.path(), mode));
        let bar = Literal::object([
            ("defaultBg", role(Role::BAR_FILL)),
            ("darkBg", role(Role::BAR_FILL)),
            ("darkColor", role(Role::BAR_TEXT)),
        ]);
        let palette = Literal::Object(vec![
            (format!("...{}Palette", mode.id()), Literal::Spread),
            ("AppBar".to_owned(), bar),
        ]);
        (mode.id(), Literal::object([("palette", palette)]))
    }))
}

fn typography(job: &Job<'_>) -> Literal {
    let value = |path: &str| match job.token(path) {
        Some(token) => Literal::value(&token.cell(Mode::Light).value),
        None => Literal::Number(0.0),
    };
    let size = |name: &str| Literal::object([("fontSize", value(&format!("type.size.{name}")))]);
    let body = number(job, "type.size.body");
    let mut entries = vec![
        ("fontFamily", value("type.family.body")),
        // The framework shows text of the body at 16/14 of this.
        ("fontSize", Literal::Number(rounded(body * 14.0 / 16.0))),
        ("fontWeightRegular", value("type.weight.regular")),
        ("fontWeightBold", value("type.weight.bold")),
    ];
    for (key, size) in HEADINGS.into_iter().zip(heading::sizes(job)) {
        let heading = Literal::object([
            ("fontFamily", value("type.family.heading")),
            ("fontSize", Literal::value(&size)),
            ("fontWeight", value("type.weight.bold")),
        ]);
        entries.push((key, heading));
    }
    entries.extend([
        ("subtitle1", size("body")),
        ("subtitle2", size("small")),
        ("body1", size("body")),
        ("body2", size("small")),
        ("caption", size("fine")),
    ]);
    Literal::object(entries)
}

fn shape(job: &Job<'_>) -> Literal {
    let radius = number(job, "shape.radius.medium");
    Literal::object([("borderRadius", Literal::Number(radius))])
}

fn rounded(n: f64) -> f64 {
    (n * 1000.0).round() / 1000.0
}

/// A length in px.
fn number(job: &Job<'_>, path: &str) -> f64 {
    let value = job.token(path).map(|t| &t.cell(Mode::Light).value);
    value.and_then(super::length::px).unwrap_or_default()
}

fn tokens<'a>(
    tokens: impl Iterator<Item = &'a Token>,
    names: &Names<'_>,
    mode: Mode,
) -> Vec<(String, Literal)> {
    tokens
        .map(|t| (names[&*t.path].clone(), Literal::value(&t.cell(mode).value)))
        .collect()
}

/// Types of everything that the framework does not know by itself.
fn types(job: &Job<'_>, names: &Names<'_>) -> String {
    let mut out = String::from("export interface ThemeTokens {\n");
    for token in job.tokens() {
        out.push_str(&format!("  {}: {};\n", names[&*token.path], kind(token)));
    }
    out.push_str("}\n");
    let module = job.settings.get(&AUGMENT);
    if module.is_empty() {
        return out;
    }
    const KNOWN: [&str; 6] = [
        "primary",
        "secondary",
        "success",
        "info",
        "warning",
        "danger",
    ];
    let own: Vec<String> = job
        .theme
        .intents
        .iter()
        .map(|i| i.name.as_str())
        .filter(|i| !KNOWN.contains(i))
        .map(key)
        .collect();
    out.push_str(&format!("\ndeclare module \"{module}\" {{\n"));
    for (interface, sign) in [("Palette", ""), ("PaletteOptions", "?")] {
        out.push_str(&format!("  interface {interface} {{\n"));
        for name in &own {
            out.push_str(&format!("    {name}{sign}: {interface}[\"primary\"];\n"));
        }
        out.push_str("  }\n");
    }
    out.push_str("  interface Theme {\n    tokens: ThemeTokens;\n  }\n");
    out.push_str("  interface ThemeOptions {\n    tokens?: ThemeTokens;\n  }\n}\n");
    if let Some(package) = module.strip_suffix("/styles") {
        out.extend(COLORED.map(|component| overrides(package, component, &own)));
    }
    out
}

/// Components of the framework whose `color` names an entry of the palette.
const COLORED: [&str; 20] = [
    "Alert",
    "AppBar",
    "Badge",
    "Button",
    "ButtonGroup",
    "Checkbox",
    "Chip",
    "CircularProgress",
    "Fab",
    "FormControl",
    "FormLabel",
    "Icon",
    "IconButton",
    "InputBase",
    "LinearProgress",
    "Radio",
    "Slider",
    "SvgIcon",
    "Switch",
    "ToggleButton",
];

/// What makes own colours known to a component.
fn overrides(package: &str, component: &str, own: &[String]) -> String {
    let lines: String = own
        .iter()
        .map(|name| format!("    {name}: true;\n"))
        .collect();
    format!(
        "\ndeclare module \"{package}/{component}\" {{\n  interface {component}PropsColorOverrides {{\n{lines}  }}\n}}\n"
    )
}

fn kind(token: &Token) -> &'static str {
    match (token.kind, &token.cell(Mode::Light).value) {
        (TokenKind::Number | TokenKind::FontWeight, _) | (_, Value::Number(_)) => "number",
        _ => "string",
    }
}
