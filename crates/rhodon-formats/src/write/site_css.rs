//! `site-css`: a style sheet to paste into a site system: faces first, then the colours of what
//! every site has.

use rhodon_color::Notation;
use rhodon_theme::Mode;

use super::css_tree::{self, Node};
use super::{css, css_value, losses};
use crate::name;
use crate::option::TargetOption;
use crate::target::{Comment, ExportError, Group, Job, Output, Target};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "site-css",
    name: "Site style sheet",
    group: Group::Sites,
    options: &[TargetOption::PREFIX],
    files: &["site-theme.css"],
    keys: &[
        "@import",
        "font-family",
        "body",
        "h1",
        "a:hover",
        "button",
        "site-title",
    ],
    usage: "Paste site-theme.css into the site's own styles, or load it last. It stands alone: every token is in it as a custom property.",
    token_name: Some(|s, t| format!("var(--{})", name::kebab(s.get("prefix"), &t.path))),
    carries_kept: false,
    write,
};

/// Selectors, and the properties with the tokens behind them.
type Rule = (&'static str, &'static [(&'static str, &'static str)]);

const RULES: &[Rule] = &[
    (
        "body",
        &[
            ("background-color", "surface.base"),
            ("color", "text.main"),
            ("font-family", "type.family.body"),
            ("font-size", "type.size.body"),
            ("font-weight", "type.weight.regular"),
        ],
    ),
    (
        "h1, h2, h3, h4, h5, h6, .site-title",
        &[
            ("color", "text.main"),
            ("font-family", "type.family.heading"),
            ("font-weight", "type.weight.bold"),
        ],
    ),
    ("h1, .site-title", &[("font-size", "type.size.display")]),
    ("h2", &[("font-size", "type.size.title")]),
    ("h3", &[("font-size", "type.size.lead")]),
    ("code, pre", &[("font-family", "type.family.mono")]),
    (
        ".site-header",
        &[("background-color", "bar.fill"), ("color", "bar.text")],
    ),
    (".site-header a", &[("color", "bar.text")]),
    (".site-header a:hover", &[("background-color", "bar.hover")]),
    ("a", &[("color", "link.rest")]),
    ("a:hover", &[("color", "link.hover")]),
    ("a:active", &[("color", "link.pressed")]),
    (
        "button, .button, input[type=\"submit\"]",
        &[
            ("background-color", "primary.fill"),
            ("color", "primary.fill-text"),
            ("border-color", "primary.edge"),
            ("border-radius", "shape.radius.medium"),
            ("font-weight", "type.weight.bold"),
        ],
    ),
    (
        "button:hover, .button:hover, input[type=\"submit\"]:hover",
        &[("background-color", "primary.fill-hover")],
    ),
    (
        "button:active, .button:active, input[type=\"submit\"]:active",
        &[("background-color", "primary.fill-pressed")],
    ),
    (
        "button:disabled, input[type=\"submit\"]:disabled",
        &[
            ("background-color", "disabled.fill"),
            ("color", "disabled.text"),
            ("border-color", "disabled.edge"),
        ],
    ),
    (":focus-visible", &[("outline-color", "focus.ring")]),
    (
        "::selection",
        &[
            ("background-color", "selection.fill"),
            ("color", "selection.text"),
        ],
    ),
    ("hr, table, td, th", &[("border-color", "border.subtle")]),
];

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let prefix = job.settings.get("prefix");
    let mut body = String::with_capacity(24 * 1024);
    if let Some(address) = &job.theme.font_import {
        body.push_str(&format!("@import url(\"{address}\");\n\n"));
    }
    let mut nodes = css::custom_properties(job)?;
    for (selector, lines) in RULES {
        let lines = lines.iter().filter_map(|(property, path)| {
            let token = job.token(path)?;
            // The value too, for browsers that lack custom properties.
            let value = css_value::value(&token.cell(Mode::Light).value, Notation::Hex);
            Some([
                format!("{property}: {value};"),
                format!("{property}: var(--{});", name::kebab(prefix, path)),
            ])
        });
        nodes.push(Node::rule(selector, lines.flatten().collect()));
    }
    css_tree::print_all(&nodes, 0, &mut body);
    let files = vec![job.file("site-theme.css", Comment::BLOCK, &body)];
    Ok(Output {
        files,
        warnings: losses::mapped(job.tokens()),
    })
}
