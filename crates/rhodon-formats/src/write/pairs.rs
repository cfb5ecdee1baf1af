//! `pairs`: every token as a pair of light and dark, and the parts of common widgets.

use foldhash::HashSet;
use rhodon_theme::{Intent, IntentPart, Mode, Role, Token};
use serde_json::{Map, Value, json};

use super::{
    json::{flat, stamped},
    length,
};
use crate::error::ExportError;
use crate::job::Job;
use crate::losses;
use crate::output::Output;
use crate::stamp::Stamp;
use crate::target::{Group, MoreContrast, Target};

/// See the module.
pub(crate) static TARGET: Target = Target {
    id: "pairs",
    name: "JSON, light and dark pairs",
    group: Group::Apps,
    options: &[],
    files: &["theme.pairs.json"],
    keys: &[
        "[light, dark]",
        "widgets",
        "button",
        "frame",
        "hover",
        "borderWidth",
        "json",
    ],
    usage: "Read theme.pairs.json in a desktop toolkit: each value is [light, dark], under tokens by path and under widgets by part.",
    usage_of: None,
    token_name: Some(|_, t| Some(t.path.to_string())),
    carries_kept: false,
    takes_family: false,
    more: MoreContrast::Written(
        " The object more holds what differs for more contrast in the same form.",
    ),
    write,
};

/// A widget and its parts.
type Widget = (&'static str, &'static [(&'static str, &'static str)]);

/// Parts of widgets and the roles behind them.
const WIDGETS: &[Widget] = &[
    (
        "window",
        &[
            ("fill", Role::SURFACE_BASE.path()),
            ("text", Role::TEXT_MAIN.path()),
        ],
    ),
    (
        "frame",
        &[
            ("fill", Role::SURFACE_RAISED.path()),
            ("text", Role::TEXT_MAIN.path()),
            ("border", Role::BORDER_SUBTLE.path()),
        ],
    ),
    (
        "bar",
        &[
            ("fill", Role::BAR_FILL.path()),
            ("hover", Role::BAR_HOVER.path()),
            ("text", Role::BAR_TEXT.path()),
        ],
    ),
    (
        "button",
        &[
            ("fill", Intent::Primary.role(IntentPart::Fill).path()),
            ("hover", Intent::Primary.role(IntentPart::FillHover).path()),
            (
                "pressed",
                Intent::Primary.role(IntentPart::FillPressed).path(),
            ),
            ("text", Intent::Primary.role(IntentPart::FillText).path()),
            ("border", Intent::Primary.role(IntentPart::Edge).path()),
            ("disabledFill", Role::DISABLED_FILL.path()),
            ("disabledText", Role::DISABLED_TEXT.path()),
        ],
    ),
    (
        "field",
        &[
            ("fill", Role::SURFACE_RAISED.path()),
            ("text", Role::TEXT_MAIN.path()),
            ("placeholder", Role::TEXT_MUTED.path()),
            ("border", Role::BORDER_STRONG.path()),
            ("focus", Role::FOCUS_RING.path()),
        ],
    ),
    (
        "label",
        &[
            ("text", Role::TEXT_MAIN.path()),
            ("muted", Role::TEXT_MUTED.path()),
        ],
    ),
    (
        "link",
        &[
            ("text", Role::LINK_REST.path()),
            ("hover", Role::LINK_HOVER.path()),
        ],
    ),
    (
        "row",
        &[
            ("fill", Role::SURFACE_RAISED.path()),
            ("hover", Role::SURFACE_SUNKEN.path()),
            ("selected", Role::SELECTED_FILL.path()),
            ("selectedText", Role::SELECTED_TEXT.path()),
        ],
    ),
    (
        "progress",
        &[
            ("fill", Role::SURFACE_SUNKEN.path()),
            ("bar", Intent::Primary.role(IntentPart::Fill).path()),
            ("border", Role::BORDER_SUBTLE.path()),
        ],
    ),
    ("check", &CHOICE),
    ("radio", &CHOICE),
    (
        "switch",
        &[
            ("track", Role::BORDER_STRONG.path()),
            ("hover", Role::TEXT_MUTED.path()),
            ("on", Intent::Primary.role(IntentPart::Fill).path()),
            ("thumb", Role::SURFACE_RAISED.path()),
            ("onThumb", Intent::Primary.role(IntentPart::FillText).path()),
            ("text", Role::TEXT_MAIN.path()),
            ("disabledText", Role::DISABLED_TEXT.path()),
        ],
    ),
    (
        "slider",
        &[
            ("track", Role::BORDER_STRONG.path()),
            ("progress", Intent::Primary.role(IntentPart::Edge).path()),
            ("thumb", Intent::Primary.role(IntentPart::Fill).path()),
            ("hover", Intent::Primary.role(IntentPart::FillHover).path()),
            ("border", Intent::Primary.role(IntentPart::Edge).path()),
        ],
    ),
    (
        "dropDown",
        &[
            ("fill", Role::SURFACE_RAISED.path()),
            ("text", Role::TEXT_MAIN.path()),
            ("border", Role::BORDER_STRONG.path()),
            ("arrow", Role::TEXT_MUTED.path()),
            ("button", Role::SURFACE_SUNKEN.path()),
            ("buttonHover", Role::BORDER_SUBTLE.path()),
            ("disabledText", Role::DISABLED_TEXT.path()),
        ],
    ),
    (
        "menu",
        &[
            ("fill", Role::SURFACE_OVERLAY.path()),
            ("text", Role::TEXT_MAIN.path()),
            ("border", Role::BORDER_SUBTLE.path()),
            ("hover", Role::SURFACE_SUNKEN.path()),
            ("selected", Role::SELECTED_FILL.path()),
            ("selectedText", Role::SELECTED_TEXT.path()),
        ],
    ),
    (
        "scrollBar",
        &[
            ("fill", Role::SURFACE_SUNKEN.path()),
            ("thumb", Role::BORDER_STRONG.path()),
            ("hover", Role::TEXT_MUTED.path()),
        ],
    ),
    (
        "segmented",
        &[
            ("fill", Role::SURFACE_SUNKEN.path()),
            ("text", Role::TEXT_MAIN.path()),
            ("hover", Role::SURFACE_RAISED.path()),
            ("selected", Intent::Primary.role(IntentPart::Fill).path()),
            (
                "selectedHover",
                Intent::Primary.role(IntentPart::FillHover).path(),
            ),
            (
                "selectedText",
                Intent::Primary.role(IntentPart::FillText).path(),
            ),
            ("disabledText", Role::DISABLED_TEXT.path()),
        ],
    ),
    (
        "textArea",
        &[
            ("fill", Role::SURFACE_RAISED.path()),
            ("text", Role::TEXT_MAIN.path()),
            ("border", Role::BORDER_STRONG.path()),
            ("focus", Role::FOCUS_RING.path()),
            ("scrollBar", Role::BORDER_STRONG.path()),
            ("scrollBarHover", Role::TEXT_MUTED.path()),
        ],
    ),
    (
        "tabs",
        &[
            ("fill", Role::SURFACE_BASE.path()),
            ("text", Role::TEXT_MUTED.path()),
            ("hover", Role::SURFACE_SUNKEN.path()),
            ("selectedText", Role::TEXT_MAIN.path()),
            ("marker", Role::SELECTED_EDGE.path()),
        ],
    ),
];

/// Parts of a box or circle that is ticked.
const CHOICE: [(&str, &str); 7] = [
    ("fill", Role::SURFACE_RAISED.path()),
    ("border", Role::BORDER_STRONG.path()),
    ("checked", Intent::Primary.role(IntentPart::Fill).path()),
    ("hover", Intent::Primary.role(IntentPart::FillHover).path()),
    ("mark", Intent::Primary.role(IntentPart::FillText).path()),
    ("text", Role::TEXT_MAIN.path()),
    ("disabledText", Role::DISABLED_TEXT.path()),
];

/// Widgets with corners and a border.
const SHAPED: [&str; 11] = [
    "frame",
    "button",
    "field",
    "progress",
    "check",
    "radio",
    "switch",
    "dropDown",
    "menu",
    "segmented",
    "textArea",
];

fn write(job: &Job<'_>) -> Result<Output, ExportError> {
    let mut content = Map::new();
    content.insert("about".to_owned(), Value::Null);
    content.insert("tokens".to_owned(), tokens(job.tokens()));
    content.insert("widgets".to_owned(), widgets(job));
    if let Some(theme) = job.theme.at_more() {
        let raised = job.of(&theme);
        let usual = job.theme.more.iter().flat_map(|more| &more.cells);
        let differing: HashSet<&str> = usual.map(|raised| &*raised.path).collect();
        let own = raised.tokens().filter(|t| differing.contains(&*t.path));
        let more = json!({ "tokens": tokens(own), "widgets": widgets(&raised) });
        content.insert("more".to_owned(), more);
    }
    let files = vec![stamped(job, "theme.pairs.json", Stamp::object, content)];
    Ok(Output {
        files,
        warnings: losses::mapped(job.tokens()),
    })
}

/// Values in light and dark, by path.
fn tokens<'a>(tokens: impl Iterator<Item = &'a Token>) -> Value {
    let pair = |t: &Token| json!(Mode::BOTH.map(|mode| flat(&t.cell(mode).value)));
    let pairs: Map<String, Value> = tokens.map(|t| (t.path.to_string(), pair(t))).collect();
    pairs.into()
}

/// The parts of every widget, and the font.
fn widgets(job: &Job<'_>) -> Value {
    let mut widgets: Map<String, Value> = WIDGETS
        .iter()
        .map(|w| (w.0.to_owned(), widget(job, w)))
        .collect();
    // A button of every intent, under its name.
    for intent in &job.theme.intents {
        let part = |part: &str| color(job, &format!("{}.{part}", intent.name));
        let parts = json!({
            "fill": part("fill"), "hover": part("fill-hover"), "pressed": part("fill-pressed"),
            "text": part("fill-text"), "border": part("edge"),
        });
        widgets.insert(format!("button.{}", intent.name), parts);
    }
    widgets.insert("font".to_owned(), font(job));
    widgets.into()
}

/// The face of widgets: families, sizes in px and weights.
fn font(job: &Job<'_>) -> Value {
    let value = |path: &str| job.token(path).map(|t| &t.cell(Mode::Light).value);
    let size = |name: &str| value(&format!("type.size.{name}")).and_then(length::px);
    let families = |name: &str| value(&format!("type.family.{name}")).map(flat);
    let weight = |name: &str| value(&format!("type.weight.{name}")).map(flat);
    json!({
        "families": families("body"), "headingFamilies": families("heading"),
        "size": size("body"), "smallSize": size("small"), "titleSize": size("title"),
        "weight": weight("regular"), "boldWeight": weight("bold"),
    })
}

fn color(job: &Job<'_>, path: &str) -> Value {
    json!(Mode::BOTH.map(|mode| job.role(path, mode).to_string()))
}

fn widget(job: &Job<'_>, (name, parts): &Widget) -> Value {
    let mut out: Map<String, Value> = parts
        .iter()
        .map(|(part, path)| ((*part).to_owned(), color(job, path)))
        .collect();
    if SHAPED.contains(name) {
        for (part, path) in [
            ("radius", "shape.radius.medium"),
            ("borderWidth", "shape.border.width"),
        ] {
            let px = job
                .token(path)
                .and_then(|t| length::px(&t.cell(Mode::Light).value));
            out.insert(part.to_owned(), json!(px));
        }
    }
    out.into()
}
