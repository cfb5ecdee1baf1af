//! `vue-theme`: light and dark themes of a Vue component framework.

use rhodon_theme::Mode;

use super::gap;
use super::script::Literal;
use crate::name::{self, Language};
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
    spell: Some(|_, t| name::kebab("", &t.path)),
    write,
};

/// Keys that the framework gives to roles.
const ROLES: [(&str, &str); 6] = [
    ("background", "surface.base"),
    ("on-background", "text.main"),
    ("surface", "surface.raised"),
    ("on-surface", "text.main"),
    ("surface-variant", "surface.sunken"),
    ("on-surface-variant", "text.muted"),
];

/// Own tokens must not take them.
const KEYS: Language = Language {
    name: "the framework's colours",
    reserved: &[
        "background",
        "on-background",
        "surface",
        "on-surface",
        "surface-variant",
        "on-surface-variant",
        "border-color",
    ],
};

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let names = KEYS.names(job.tokens(), |path| name::kebab("", path))?;
    let theme = |mode: Mode| {
        let role = |path: &str| Literal::text(job.role(path, mode).to_string());
        let mut colors: Vec<(String, Literal)> =
            ROLES.map(|(key, path)| (key.to_owned(), role(path))).to_vec();
        for intent in &job.theme.intents {
            let key = if intent.name.as_str() == "danger" { "error" } else { intent.name.as_str() };
            colors.push((key.to_owned(), role(&format!("{}.fill", intent.name))));
            colors.push((format!("on-{key}"), role(&format!("{}.fill-text", intent.name))));
        }
        let value = |t: &rhodon_theme::Token| (names[&*t.path].clone(), Literal::value(&t.cell(mode).value));
        colors.extend(job.colors().map(value));
        let mut variables = vec![("border-color".to_owned(), role("border.subtle"))];
        variables.extend(job.others().map(value));
        Literal::object([
            ("dark", Literal::Code((mode == Mode::Dark).to_string())),
            ("colors", Literal::Object(colors)),
            ("variables", Literal::Object(variables)),
        ])
    };
    let themes = Literal::object(Mode::BOTH.map(|mode| (mode.id(), theme(mode))));
    let body = format!("export const themes = {};\n\nexport default themes;\n", themes.print(0));
    let files = vec![job.file("theme.vue.ts", Comment::BLOCK, &body)];
    Ok(Output { files, warnings: gap::mapped(job.tokens()) })
}
