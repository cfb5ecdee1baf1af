//! `utility-css`: theme variables for a utility-class framework that is configured in CSS.

use foldhash::HashMap;
use rhodon_color::Notation;
use rhodon_theme::{Mode, Section, Token, TokenKind};

use super::css_tree::{self, Node};
use super::{css_value, losses};
use crate::name;
use crate::option::{OptionKind, TargetOption};
use crate::target::{Comment, ExportError, Group, Job, Output, Target};

/// See its help.
const STOCK: TargetOption = TargetOption {
    key: "stock",
    kind: OptionKind::Choice(&["extend", "replace"]),
    default: "extend",
    help: "Whether the theme's colours stand beside the stock colours or replace them.",
};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "utility-css",
    name: "Utility config, style sheet",
    group: Group::Frameworks,
    options: &[STOCK, TargetOption::PROPERTY_PREFIX],
    files: &["theme.utility.css"],
    keys: &[
        "@theme",
        "@theme inline",
        "--color-",
        "--font-",
        "--radius-",
        "--text-",
    ],
    usage: "Import theme.css and then theme.utility.css behind the framework in your main style sheet; roles follow the mode of theme.css.",
    token_name: Some(|_, t| format!("var(--{})", variable(&t.path, t.kind))),
    carries_kept: false,
    write,
};

/// Namespaces of the framework by the start of a token's path.
const SPACES: [(&str, &str); 4] = [
    ("type.family.", "font-"),
    ("type.size.", "text-"),
    ("type.weight.", "font-weight-"),
    ("shape.radius.", "radius-"),
];

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let kinds: HashMap<&str, TokenKind> = job.tokens().map(|t| (&*t.path, t.kind)).collect();
    let names = name::unique(job.tokens(), |path| variable(path, kinds[path]))?;
    let (mut fixed, mut inline) = (Vec::new(), Vec::new());
    if job.settings.get(&STOCK) == "replace" {
        fixed.push("--color-*: initial;".to_owned());
    }
    for token in job.tokens() {
        let name = &names[&*token.path];
        if token.section == Section::Roles || !token.is_modeless() {
            let property = name::kebab(
                job.settings.get(&TargetOption::PROPERTY_PREFIX),
                &token.path,
            );
            inline.push(format!("--{name}: var(--{property});"));
        } else {
            let value = css_value::value(&token.cell(Mode::Light).value, Notation::Hex);
            fixed.push(format!("--{name}: {value};"));
        }
    }
    let mut body = String::with_capacity(24 * 1024);
    css_tree::print_all(
        &[
            Node::rule("@theme", fixed),
            Node::rule("@theme inline", inline),
        ],
        0,
        &mut body,
    );
    let files = vec![job.file("theme.utility.css", Comment::BLOCK, &body)];
    Ok(Output {
        files,
        warnings: losses::mapped(job.colors().filter(|t: &&Token| t.is_modeless())),
    })
}

/// The theme variable of a token: in the namespace of what it is for, so that classes are made of it.
fn variable(path: &str, kind: TokenKind) -> String {
    if let Some((space, rest)) = SPACES
        .iter()
        .find_map(|(start, space)| path.strip_prefix(start).map(|rest| (space, rest)))
    {
        return format!("{space}{}", name::kebab("", rest));
    }
    match kind {
        TokenKind::Color => name::kebab("color", path),
        TokenKind::FontFamily => name::kebab("font", path),
        TokenKind::FontWeight => name::kebab("font-weight", path),
        TokenKind::Dimension if !path.starts_with("shape.") => name::kebab("spacing", path),
        TokenKind::Dimension | TokenKind::Number => name::kebab("", path),
    }
}
