//! `typescript`: typed constants and the unions of their names.

use rhodon_theme::{Mode, Token};

use super::losses;
use super::script::Literal;
use crate::job::{Comment, Job};
use crate::name::{self, Names};
use crate::option::TargetOption;
use crate::target::{ExportError, Group, Output, Target};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "typescript",
    name: "TypeScript constants",
    group: Group::Web,
    options: &[TargetOption::GROUPS],
    files: &["theme.ts"],
    keys: &["as const", "TokenName", "ColorName", "ts"],
    usage: "Import { tokens, scales } from \"./theme\". TokenName and ColorName are the unions of all names.",
    token_name: Some(|_, t| Some(format!("tokens.light.{}", name::camel(&t.path)))),
    carries_kept: false,
    takes_family: false,
    write,
};

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let names = name::unique(job.tokens(), name::camel)?;
    let mut body = String::with_capacity(48 * 1024);
    body.push_str("export type Mode = \"light\" | \"dark\";\n\n");
    for mode in Mode::BOTH {
        let object = Literal::object(
            job.tokens()
                .map(|t| (names[&*t.path].clone(), Literal::value(&t.cell(mode).value))),
        );
        body.push_str(&format!(
            "export const {} = {} as const;\n\n",
            mode.id(),
            object.print(0)
        ));
    }
    body.push_str("export const tokens = { light, dark } as const satisfies Record<Mode, Record<TokenName, string | number>>;\n\n");
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
