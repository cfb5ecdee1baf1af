//! `vue-theme`: light and dark themes of a Vue component framework.

use rhodon_theme::{Mode, Role, Token};

use super::losses;
use super::script::Literal;
use crate::name::{self, Names};
use crate::target::{Comment, ExportError, Group, Job, Output, Target};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "vue-theme",
    name: "Vue component theme",
    group: Group::Frameworks,
    options: &[],
    files: &["theme.vue.ts"],
    keys: &["themes.light", "colors", "on-primary", "variables", "ts"],
    usage: "Import { themes } from \"./theme.vue\" and give it to the framework's theme option.",
    token_name: Some(|_, t| name::kebab("", &t.path)),
    carries_kept: false,
    write,
};

/// Keys that the framework gives to roles.
const ROLES: [(&str, &str); 6] = [
    ("background", Role::SURFACE_BASE.path()),
    ("on-background", Role::TEXT_MAIN.path()),
    ("surface", Role::SURFACE_RAISED.path()),
    ("on-surface", Role::TEXT_MAIN.path()),
    ("surface-variant", Role::SURFACE_SUNKEN.path()),
    ("on-surface-variant", Role::TEXT_MUTED.path()),
];

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
    let role = |path: &str| Literal::text(job.role(path, mode).to_string());
    let mut colors = ROLES
        .map(|(key, path)| Literal::demanded(key, role(path)))
        .to_vec();
    for intent in &job.theme.intents {
        let key = if intent.name.as_str() == "danger" {
            "error"
        } else {
            intent.name.as_str()
        };
        for (key, part) in [(key.to_owned(), "fill"), (format!("on-{key}"), "fill-text")] {
            let path = format!("{}.{part}", intent.name);
            let value = role(&path);
            colors.push((key, path, value));
        }
    }
    let entry = |t: &Token| {
        (
            names[&*t.path].clone(),
            t.path.to_string(),
            Literal::value(&t.cell(mode).value),
        )
    };
    colors.extend(job.colors().map(entry));
    let mut variables = vec![Literal::demanded(
        "border-color",
        role(Role::BORDER_SUBTLE.path()),
    )];
    variables.extend(job.others().map(entry));
    Ok(Literal::object([
        ("dark", Literal::Code((mode == Mode::Dark).to_string())),
        ("colors", Literal::distinct(colors)?),
        ("variables", Literal::distinct(variables)?),
    ]))
}
