//! `kotlin`: constants, colour schemes, shapes and type for Compose.

use rhodon_theme::{ColorValue, Mode, TokenKind};

use super::code::{self, CodeStyle, argb, decimal};
use super::intent_color::MAIN;
use super::language::KOTLIN;
use super::role_map;
use crate::error::ExportError;
use crate::job::{Comment, Job};
use crate::losses;
use crate::name;
use crate::option::{OptionKind, TargetOption};
use crate::output::Output;
use crate::target::{Group, MoreContrast, Target};

/// See its help.
const PACKAGE: TargetOption = TargetOption {
    key: "package",
    kind: OptionKind::Dotted(KOTLIN.reserved),
    default: "theme",
    help: "The package of the file.",
};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "kotlin",
    name: "Kotlin constants",
    group: Group::Apps,
    options: &[PACKAGE, MAIN],
    files: &["ThemeColors.kt"],
    keys: &[
        "Color(0xFF",
        "lightColorScheme",
        "darkColorScheme",
        "Shapes",
        "Typography",
        "kt",
    ],
    usage: "Add ThemeColors.kt to the module and give LightScheme or DarkScheme, ThemeShapes and ThemeTypography to the theme.",
    usage_of: None,
    token_name: Some(|_, t| Some(format!("{}.{}", code::home(t), name::camel(&t.path)))),
    carries_kept: false,
    takes_family: false,
    more: MoreContrast::Written(
        " LightMoreScheme and DarkMoreScheme are for people who ask for more contrast, LightMoreColors and DarkMoreColors hold what differs there.",
    ),
    write,
};

struct Kotlin;

impl CodeStyle for Kotlin {
    fn color(&self, color: &ColorValue) -> String {
        format!("Color({})", argb(color))
    }

    fn length(&self, px: f64, of_text: bool) -> String {
        format!("{}.{}", decimal(px), if of_text { "sp" } else { "dp" })
    }

    fn number(&self, n: f64) -> String {
        decimal(n)
    }

    fn weight(&self, n: u16) -> String {
        format!("FontWeight({n})")
    }

    fn families(&self, names: &[String]) -> String {
        format!(
            "listOf({})",
            names
                .iter()
                .map(|n| code::quoted(n, true))
                .collect::<Vec<_>>()
                .join(", ")
        )
    }

    fn member(&self, name: &str, _: TokenKind, value: &str) -> String {
        format!("    val {name} = {value}\n")
    }
}

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let names = KOTLIN.names(job.tokens(), name::camel)?;
    let (fixed, differing) = code::by_mode(job);
    let mut body = format!("package {}\n", job.settings.get(&PACKAGE));
    for import in [
        "androidx.compose.foundation.shape.RoundedCornerShape",
        "androidx.compose.material3.Shapes",
        "androidx.compose.material3.Typography",
        "androidx.compose.material3.darkColorScheme",
        "androidx.compose.material3.lightColorScheme",
        "androidx.compose.ui.graphics.Color",
        "androidx.compose.ui.text.TextStyle",
        "androidx.compose.ui.text.font.FontWeight",
        "androidx.compose.ui.unit.dp",
        "androidx.compose.ui.unit.sp",
    ] {
        body.push_str(&format!("\nimport {import}"));
    }
    body.push_str("\n\n");
    let mut object = |title: &str, members: String| {
        body.push_str(&format!("object {title} {{\n{members}}}\n\n"))
    };
    object(
        "ThemeColors",
        code::members(&Kotlin, fixed.into_iter(), &names, Mode::Light),
    );
    for (title, mode) in [("LightColors", Mode::Light), ("DarkColors", Mode::Dark)] {
        object(
            title,
            code::members(&Kotlin, differing.iter().copied(), &names, mode),
        );
    }
    let more = job.theme.at_more();
    let raised = more.as_ref().map(|theme| job.of(theme));
    if let Some(raised) = &raised {
        for (title, members) in code::members_of_more(&Kotlin, job, raised, &names) {
            object(title, members);
        }
    }
    body.extend(Mode::BOTH.map(|mode| scheme(job, mode, "")));
    let of_more = |raised| Mode::BOTH.map(|mode| scheme(raised, mode, "More"));
    body.extend(raised.iter().flat_map(of_more));
    body.push_str(&shapes_and_type(job));
    let files = vec![job.file("ThemeColors.kt", Comment::BLOCK, &body)];
    Ok(Output {
        files,
        warnings: losses::mapped(job.tokens()),
    })
}

fn scheme(job: &Job<'_>, mode: Mode, level: &str) -> String {
    let (title, function) = match mode {
        Mode::Light => ("Light", "lightColorScheme"),
        Mode::Dark => ("Dark", "darkColorScheme"),
    };
    let lines: String = role_map::scheme(job, mode)
        .iter()
        .map(|(key, c)| format!("    {} = {},\n", key.kotlin, Kotlin.color(c)))
        .collect();
    format!("val {title}{level}Scheme = {function}(\n{lines})\n\n")
}

/// Corners of the toolkit with the radius that each has.
const SHAPES: [(&str, &str); 5] = [
    ("extraSmall", "small"),
    ("small", "small"),
    ("medium", "medium"),
    ("large", "large"),
    ("extraLarge", "large"),
];

fn shapes_and_type(job: &Job<'_>) -> String {
    let px = |path: &str| {
        let value = job.token(path).map(|t| &t.cell(Mode::Light).value);
        decimal(value.and_then(super::length::px).unwrap_or_default())
    };
    let weight = |path: &str| match job.token(path).map(|t| &t.cell(Mode::Light).value) {
        Some(rhodon_theme::Value::FontWeight(n)) => *n,
        _ => 400,
    };
    let mut out = String::from("val ThemeShapes = Shapes(\n");
    for (key, size) in SHAPES {
        out.push_str(&format!(
            "    {key} = RoundedCornerShape({}.dp),\n",
            px(&format!("shape.radius.{size}"))
        ));
    }
    out.push_str(")\n\nval ThemeTypography = Typography(\n");
    let (regular, bold) = (weight("type.weight.regular"), weight("type.weight.bold"));
    for (key, size, is_bold) in role_map::TYPE {
        let weight = if is_bold { bold } else { regular };
        let size = px(&format!("type.size.{size}"));
        out.push_str(&format!(
            "    {key} = TextStyle(fontSize = {size}.sp, fontWeight = FontWeight({weight})),\n"
        ));
    }
    out.push_str(")\n");
    out
}
