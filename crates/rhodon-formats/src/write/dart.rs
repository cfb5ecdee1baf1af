//! `dart`: constants and colour schemes for Flutter.

use rhodon_theme::{ColorValue, Mode, TokenKind, Value};

use super::code::{self, CodeStyle, argb, decimal};
use super::intent_color::MAIN;
use super::language::DART;
use super::role_map;
use crate::error::ExportError;
use crate::job::{Comment, Job};
use crate::losses;
use crate::name;
use crate::output::Output;
use crate::target::{Group, MoreContrast, Target};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "dart",
    name: "Dart constants",
    group: Group::Apps,
    options: &[MAIN],
    files: &["theme_colors.dart"],
    keys: &[
        "Color(0xFF",
        "ColorScheme",
        "Brightness",
        "TextTheme",
        "dart",
    ],
    usage: "Put theme_colors.dart under lib/, give lightScheme and darkScheme to the theme and dark theme of the application, and themeText to both as their text theme.",
    usage_of: None,
    token_name: Some(|_, t| Some(format!("{}.{}", code::home(t), name::camel(&t.path)))),
    carries_kept: false,
    takes_family: false,
    more: MoreContrast::Written(
        " Give lightMoreScheme and darkMoreScheme to its high-contrast themes; LightMoreColors and DarkMoreColors hold what differs there.",
    ),
    write,
};

struct Dart;

impl CodeStyle for Dart {
    fn color(&self, color: &ColorValue) -> String {
        format!("Color({})", argb(color))
    }

    fn length(&self, px: f64, _: bool) -> String {
        decimal(px)
    }

    fn number(&self, n: f64) -> String {
        decimal(n)
    }

    fn weight(&self, n: u16) -> String {
        format!("FontWeight.w{}", hundred(n))
    }

    fn families(&self, names: &[String]) -> String {
        format!(
            "[{}]",
            names
                .iter()
                .map(|n| code::quoted(n, true))
                .collect::<Vec<_>>()
                .join(", ")
        )
    }

    fn member(&self, name: &str, kind: TokenKind, value: &str) -> String {
        let kind = match kind {
            TokenKind::Color => "Color",
            TokenKind::FontWeight => "FontWeight",
            TokenKind::FontFamily => "List<String>",
            TokenKind::Dimension | TokenKind::Number => "double",
        };
        format!("  static const {kind} {name} = {value};\n")
    }
}

/// The nearest of the nine weights that there are constants for.
fn hundred(n: u16) -> u16 {
    ((n + 50) / 100).clamp(1, 9) * 100
}

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let names = DART.names(job.tokens(), name::camel)?;
    let (fixed, differing) = code::by_mode(job);
    let mut body = String::from(
        "// The older names of the page's colours are set for what still asks for them.\n\
        // ignore_for_file: deprecated_member_use\n\n\
        import 'package:flutter/material.dart';\n\n",
    );
    let mut class = |title: &str, members: String| {
        body.push_str(&format!("abstract final class {title} {{\n{members}}}\n\n"));
    };
    class(
        "ThemeColors",
        code::members(&Dart, fixed.into_iter(), &names, Mode::Light),
    );
    for (title, mode) in [("LightColors", Mode::Light), ("DarkColors", Mode::Dark)] {
        class(
            title,
            code::members(&Dart, differing.iter().copied(), &names, mode),
        );
    }
    let more = job.theme.at_more();
    let raised = more.as_ref().map(|theme| job.of(theme));
    if let Some(raised) = &raised {
        for (title, members) in code::members_of_more(&Dart, job, raised, &names) {
            class(title, members);
        }
    }
    let mut schemes: Vec<String> = Mode::BOTH.map(|mode| scheme(job, mode, "")).into();
    let of_more = |raised| Mode::BOTH.map(|mode| scheme(raised, mode, "More"));
    schemes.extend(raised.iter().flat_map(of_more));
    body.push_str(&schemes.join("\n"));
    body.push_str(&text_theme(job));
    let mut warnings = losses::mapped(job.tokens());
    let between = |t: &&rhodon_theme::Token| matches!(t.cell(Mode::Light).value, Value::FontWeight(n) if hundred(n) != n);
    warnings.extend(losses::of(
        job.others().filter(between),
        "its weight is written as the nearest hundred",
    ));
    Ok(Output {
        files: vec![job.file("theme_colors.dart", Comment::BLOCK, &body)],
        warnings,
    })
}

fn text_theme(job: &Job<'_>) -> String {
    let value = |path: &str| job.token(path).map(|t| &t.cell(Mode::Light).value);
    let size = |name: &str| decimal(value(name).and_then(super::length::px).unwrap_or_default());
    let weight = |path: &str| match value(path) {
        Some(Value::FontWeight(n)) => Dart.weight(*n),
        _ => Dart.weight(400),
    };
    let (regular, bold) = (weight("type.weight.regular"), weight("type.weight.bold"));
    let lines = role_map::TYPE.map(|(key, name, is_bold)| {
        let size = size(&format!("type.size.{name}"));
        let weight = if is_bold { &bold } else { &regular };
        format!("  {key}: TextStyle(fontSize: {size}, fontWeight: {weight}),\n")
    });
    format!(
        "\nconst TextTheme themeText = TextTheme(\n{});\n",
        lines.concat()
    )
}

fn scheme(job: &Job<'_>, mode: Mode, level: &str) -> String {
    let lines: String = role_map::scheme(job, mode)
        .iter()
        .filter_map(|(key, c)| Some(format!("  {}: {},\n", key.dart?, Dart.color(c))))
        .collect();
    format!(
        "const ColorScheme {id}{level}Scheme = ColorScheme(\n  brightness: Brightness.{id},\n{lines});\n",
        id = mode.id()
    )
}
