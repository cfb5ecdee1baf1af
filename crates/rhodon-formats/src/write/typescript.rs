//! `typescript`: typed constants and the unions of their names.

use rhodon_theme::{Mode, Token};

use super::script::Literal;
use crate::error::ExportError;
use crate::job::{Comment, Job, by_group};
use crate::losses;
use crate::name::{self, Names};
use crate::option::TargetOption;
use crate::output::Output;
use crate::target::{Group, MoreContrast, Target};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "typescript",
    name: "TypeScript constants",
    group: Group::Web,
    options: &[TargetOption::GROUPS],
    files: &["theme.ts"],
    keys: &["as const", "TokenName", "ColorName", "ts"],
    usage: "Import { tokens, scales } from \"./theme\". TokenName and ColorName are the unions of all names.",
    usage_of: None,
    token_name: Some(|_, t| Some(format!("tokens.light.{}", name::camel(&t.path)))),
    carries_kept: false,
    takes_family: false,
    more: MoreContrast::Written(
        " For more contrast spread what differs: { ...tokens.dark, ...more.dark }.",
    ),
    write,
};

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let names = name::unique(job.tokens(), name::camel)?;
    let mut body = String::with_capacity(48 * 1024);
    body.push_str("export type Mode = \"light\" | \"dark\";\n\n");
    for mode in Mode::BOTH {
        let object = object(job.tokens(), &names, mode);
        body.push_str(&format!(
            "export const {} = {} as const;\n\n",
            mode.id(),
            object.print(0)
        ));
    }
    body.push_str("export const tokens = { light, dark } as const satisfies Record<Mode, Record<TokenName, string | number>>;\n\n");
    if let Some(theme) = job.theme.at_more() {
        let raised = job.of(&theme);
        let modes = Mode::BOTH.map(|mode| {
            (
                mode.id(),
                object(raised.differing(job.theme, mode), &names, mode),
            )
        });
        body.push_str(&format!(
            "/** What differs where more contrast is asked for. */\nexport const more = {} as const satisfies Record<Mode, Partial<Record<TokenName, string>>>;\n\n",
            Literal::object(modes).print(0)
        ));
    }
    let scales = job.scales().map(|(scale, steps)| {
        let steps = steps.iter().filter(|s| names.contains_key(s.path));
        (
            name::camel(scale.slug.as_str()),
            Literal::object(steps.map(|s| (s.label, Literal::text(s.color.to_string())))),
        )
    });
    body.push_str(&format!(
        "export const scales = {} as const;\n\n",
        Literal::object(scales).print(0)
    ));
    body.push_str(
        "export type TokenName = keyof typeof light;\n\nexport type ScaleName = keyof typeof scales;\n\n",
    );
    body.push_str(&union("ColorName", job.colors(), &names));
    let files = vec![job.file("theme.ts", Comment::BLOCK, &body)];
    Ok(Output {
        files,
        warnings: losses::mapped(job.tokens()),
    })
}

/// Values of a mode by name, a comment above each group.
fn object<'a>(tokens: impl Iterator<Item = &'a Token>, names: &Names<'_>, mode: Mode) -> Literal {
    let mut entries = Vec::new();
    for (group, token) in by_group(tokens) {
        entries.extend(group.map(|group| (group.to_owned(), Literal::Heading)));
        let value = Literal::value(&token.cell(mode).value);
        entries.push((names[&*token.path].clone(), value));
    }
    Literal::Object(entries)
}

/// A union of names; `never` where there are none.
fn union<'a>(title: &str, tokens: impl Iterator<Item = &'a Token>, names: &Names<'_>) -> String {
    let lines: String = tokens
        .map(|t| format!("\n  | \"{}\"", names[&*t.path]))
        .collect();
    if lines.is_empty() {
        format!("export type {title} = never;\n")
    } else {
        format!("export type {title} ={lines};\n")
    }
}
