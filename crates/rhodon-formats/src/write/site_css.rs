//! `site-css`: a style sheet to paste into a site system: faces first, then the colours of what
//! every site has.

use rhodon_color::Notation;
use rhodon_theme::{Intent, IntentPart, Mode, Role};

use super::css_tree::{self, Node};
use super::{css, css_value, heading};
use crate::error::ExportError;
use crate::job::{Comment, Job};
use crate::losses;
use crate::name;
use crate::option::TargetOption;
use crate::output::Output;
use crate::target::{Group, MoreContrast, Target};
use crate::web_font;

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
    usage: "Paste site-theme.css into the site's own styles, an @import in it at their top, or load it last. It stands alone: every token is in it as a custom property.",
    usage_of: None,
    token_name: Some(|s, t| Some(name::css_reference(s.get(&TargetOption::PREFIX), &t.path))),
    carries_kept: false,
    takes_family: false,
    more: MoreContrast::Written(" It follows the system's choice of more contrast."),
    write,
};

/// Selectors, and the properties with the tokens behind them.
type Rule = (&'static str, &'static [(&'static str, &'static str)]);

/// Everything that looks like a button, in a state.
macro_rules! buttons {
    ($state:literal, $link:literal) => {
        concat!(
            "button",
            $state,
            ", .button",
            $link,
            ", input:is([type=\"submit\"], [type=\"button\"], [type=\"reset\"])",
            $state
        )
    };
}

/// Every state sets its ground together with its text, so that no rule for links in general, which
/// weighs more than a class, leaves one of the two behind.
const RULES: &[Rule] = &[
    (
        "body",
        &[
            ("background-color", Role::SURFACE_BASE.path()),
            ("color", Role::TEXT_MAIN.path()),
            ("font-family", "type.family.body"),
            ("font-size", "type.size.body"),
            ("font-weight", "type.weight.regular"),
        ],
    ),
    (
        "h1, h2, h3, h4, h5, h6, .site-title",
        &[
            ("color", Role::TEXT_MAIN.path()),
            ("font-family", "type.family.heading"),
            ("font-weight", "type.weight.bold"),
        ],
    ),
    ("code, pre", &[("font-family", "type.family.mono")]),
    ("a", &[("color", Role::LINK_REST.path())]),
    ("a:hover", &[("color", Role::LINK_HOVER.path())]),
    ("a:active", &[("color", Role::LINK_PRESSED.path())]),
    (
        ".site-header",
        &[
            ("background-color", Role::BAR_FILL.path()),
            ("color", Role::BAR_TEXT.path()),
        ],
    ),
    (
        ".site-header :is(h1, h2, h3, h4, h5, h6, .site-title), .site-header a:not(.button)",
        &[("color", Role::BAR_TEXT.path())],
    ),
    (
        ".site-header a:not(.button):hover",
        &[
            ("background-color", Role::BAR_HOVER.path()),
            ("color", Role::BAR_TEXT.path()),
        ],
    ),
    (
        ".site-header a:not(.button):active",
        &[
            ("background-color", Role::BAR_SELECTED.path()),
            ("color", Role::BAR_TEXT.path()),
        ],
    ),
    (
        buttons!("", ""),
        &[
            (
                "background-color",
                Intent::Primary.role(IntentPart::Fill).path(),
            ),
            ("color", Intent::Primary.role(IntentPart::FillText).path()),
            (
                "border-color",
                Intent::Primary.role(IntentPart::Edge).path(),
            ),
            ("border-radius", "shape.radius.medium"),
            ("font-weight", "type.weight.bold"),
        ],
    ),
    (
        buttons!(":hover", ":hover"),
        &[
            (
                "background-color",
                Intent::Primary.role(IntentPart::FillHover).path(),
            ),
            ("color", Intent::Primary.role(IntentPart::FillText).path()),
        ],
    ),
    (
        buttons!(":active", ":active"),
        &[
            (
                "background-color",
                Intent::Primary.role(IntentPart::FillPressed).path(),
            ),
            ("color", Intent::Primary.role(IntentPart::FillText).path()),
        ],
    ),
    (
        buttons!(":disabled", "[aria-disabled=\"true\"]"),
        &[
            ("background-color", Role::DISABLED_FILL.path()),
            ("color", Role::DISABLED_TEXT.path()),
            ("border-color", Role::DISABLED_EDGE.path()),
        ],
    ),
    (
        "input:is([type=\"text\"], [type=\"search\"], [type=\"email\"], [type=\"url\"], [type=\"tel\"], [type=\"number\"], [type=\"password\"], [type=\"date\"]), select, textarea",
        &[
            ("background-color", Role::SURFACE_RAISED.path()),
            ("color", Role::TEXT_MAIN.path()),
            ("border-color", Role::BORDER_STRONG.path()),
            ("border-radius", "shape.radius.small"),
        ],
    ),
    ("::placeholder", &[("color", Role::TEXT_MUTED.path())]),
    (
        ":focus-visible",
        &[("outline-color", Role::FOCUS_RING.path())],
    ),
    (
        ".site-header :focus-visible",
        &[("outline-color", Role::BAR_TEXT.path())],
    ),
    (
        "::selection",
        &[
            ("background-color", Role::SELECTION_FILL.path()),
            ("color", Role::SELECTION_TEXT.path()),
        ],
    ),
    (
        "hr, table, td, th",
        &[("border-color", Role::BORDER_SUBTLE.path())],
    ),
];

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let prefix = job.settings.get(&TargetOption::PREFIX);
    let mut body = String::with_capacity(24 * 1024);
    web_font::import(&job.theme.web_fonts, &mut body);
    let mut nodes = css::custom_properties(job)?;
    for (selector, lines) in RULES {
        let lines = lines.iter().filter_map(|(property, path)| {
            let token = job.token(path)?;
            // The value too, for browsers that lack custom properties.
            let value = css_value::value(&token.cell(Mode::Light).value, Notation::Hex);
            Some([
                format!("{property}: {value};"),
                format!("{property}: {};", name::css_reference(prefix, path)),
            ])
        });
        nodes.push(Node::rule(selector, lines.flatten().collect()));
    }
    for (key, size) in heading::HEADINGS.iter().zip(heading::sizes(job)) {
        nodes.push(Node::rule(key, vec![format!("font-size: {size};")]));
    }
    let title = name::css_reference(prefix, "type.size.title");
    nodes.push(Node::rule(
        ".site-title",
        vec![format!("font-size: {title};")],
    ));
    css_tree::print_all(&nodes, 0, &mut body);
    let files = vec![job.file("site-theme.css", Comment::BLOCK, &body)];
    Ok(Output {
        files,
        warnings: losses::mapped(job.tokens()),
    })
}
