//! `react-theme`: light and dark options of a React component framework, typed.

use rhodon_theme::{Mode, Role, Token, TokenKind, Value};

use super::losses;
use super::script::Literal;
use crate::name::{self, Names};
use crate::option::{OptionKind, TargetOption};
use crate::target::{Comment, ExportError, File, Group, Job, Output, Target};

/// See its help.
const AUGMENT: TargetOption = TargetOption {
    key: "augment",
    kind: OptionKind::Qualified,
    default: "",
    help: "The framework's module, as your code imports its theme types, whose types are then extended by own colours; without one they are only declared.",
};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "react-theme",
    name: "React component theme",
    group: Group::Frameworks,
    options: &[AUGMENT],
    files: &["theme.react.ts", "theme.react.d.ts"],
    keys: &[
        "palette",
        "main",
        "contrastText",
        "background.paper",
        "typography",
        "declare module",
        "ts",
    ],
    usage: "Put both files beside each other and give lightTheme or darkTheme to the framework's theme function.",
    token_name: Some(|_, t| format!("theme.tokens.{}", name::camel(&t.path))),
    carries_kept: false,
    write,
};

/// Intents by the framework's key: danger is its error.
fn key(intent: &str) -> String {
    if intent == "danger" {
        "error".to_owned()
    } else {
        name::camel(intent)
    }
}

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let names = name::unique(job.tokens(), name::camel)?;
    let mut body = String::with_capacity(48 * 1024);
    for mode in Mode::BOTH {
        let options = Literal::object([
            ("palette", palette(job, mode)?),
            ("typography", typography(job, mode)),
            (
                "shape",
                Literal::object([("borderRadius", number(job, "shape.radius.medium"))]),
            ),
            ("tokens", tokens(job, &names, mode)),
        ]);
        body.push_str(&format!(
            "export const {}Theme = {};\n\n",
            mode.id(),
            options.print(0)
        ));
    }
    body.push_str("export default { light: lightTheme, dark: darkTheme };\n");
    let options = job.file("theme.react.ts", Comment::BLOCK, &body);
    // Both files share a name: a compiler takes the types only where they are asked for.
    let reference = "/// <reference path=\"./theme.react.d.ts\" />\n";
    let options = File {
        text: format!("{reference}{}", options.text),
        ..options
    };
    let types = job.file("theme.react.d.ts", Comment::BLOCK, &types(job, &names));
    Ok(Output {
        files: vec![options, types],
        warnings: losses::mapped(job.tokens()),
    })
}

fn text(job: &Job<'_>, path: &str, mode: Mode) -> Literal {
    Literal::text(job.role(path, mode).to_string())
}

fn palette(job: &Job<'_>, mode: Mode) -> Result<Literal, ExportError> {
    let role = |path: &str| text(job, path, mode);
    let mut entries = vec![Literal::demanded(
        "mode",
        Literal::Code(format!("\"{}\" as const", mode.id())),
    )];
    for intent in &job.theme.intents {
        let part = |part: &str| role(&format!("{}.{part}", intent.name));
        let parts = Literal::object([
            ("light", part("tint")),
            ("main", part("fill")),
            ("dark", part("fill-hover")),
            ("contrastText", part("fill-text")),
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
                ("hover", Role::SURFACE_SUNKEN.path()),
                ("selected", Role::SELECTED_FILL.path()),
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

fn typography(job: &Job<'_>, mode: Mode) -> Literal {
    let value = |path: &str| match job.token(path) {
        Some(token) => Literal::value(&token.cell(mode).value),
        None => Literal::Number(0.0),
    };
    let heading = |size: &str| {
        Literal::object([
            ("fontFamily", value("type.family.heading")),
            ("fontSize", value(&format!("type.size.{size}"))),
            ("fontWeight", value("type.weight.bold")),
        ])
    };
    Literal::object([
        ("fontFamily", value("type.family.body")),
        ("fontSize", number(job, "type.size.body")),
        ("fontWeightRegular", value("type.weight.regular")),
        ("fontWeightBold", value("type.weight.bold")),
        ("h1", heading("display")),
        ("h2", heading("title")),
        ("h3", heading("lead")),
        (
            "caption",
            Literal::object([("fontSize", value("type.size.small"))]),
        ),
    ])
}

/// A length in px.
fn number(job: &Job<'_>, path: &str) -> Literal {
    let value = job.token(path).map(|t| &t.cell(Mode::Light).value);
    Literal::Number(match value {
        Some(value) => super::length::px(value).unwrap_or_default(),
        None => 0.0,
    })
}

fn tokens(job: &Job<'_>, names: &Names<'_>, mode: Mode) -> Literal {
    Literal::object(
        job.tokens()
            .map(|t| (names[&*t.path].clone(), Literal::value(&t.cell(mode).value))),
    )
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
    out
}

fn kind(token: &Token) -> &'static str {
    match (token.kind, &token.cell(Mode::Light).value) {
        (TokenKind::Number | TokenKind::FontWeight, _) | (_, Value::Number(_)) => "number",
        _ => "string",
    }
}
