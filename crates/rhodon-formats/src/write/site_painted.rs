//! What of a page a block theme paints, in the keys that its host demands: elements and blocks.

use rhodon_color::Notation;
use rhodon_theme::{Intent, IntentPart, Mode, Role, Value as TokenValue};
use serde_json::{Map, Value};

use super::{css_value, heading};
use crate::job::Job;
use crate::name::Names;

const fn primary(part: IntentPart) -> &'static str {
    Intent::Primary.role(part).path()
}

/// Keys that lead to a value, with dots between them, and the token behind it.
type Painted = (&'static str, &'static str);

/// A ground stands together with its text, in every state.
const PAINTED: &[Painted] = &[
    ("color.background", Role::SURFACE_BASE.path()),
    ("color.text", Role::TEXT_MAIN.path()),
    ("typography.fontFamily", "type.family.body"),
    ("typography.fontSize", "type.size.body"),
    ("typography.fontWeight", "type.weight.regular"),
    ("elements.heading.color.text", Role::TEXT_MAIN.path()),
    (
        "elements.heading.typography.fontFamily",
        "type.family.heading",
    ),
    ("elements.heading.typography.fontWeight", "type.weight.bold"),
    ("elements.link.color.text", Role::LINK_REST.path()),
    ("elements.link.:hover.color.text", Role::LINK_HOVER.path()),
    (
        "elements.link.:active.color.text",
        Role::LINK_PRESSED.path(),
    ),
    (
        "elements.link.:focus.outline.color",
        Role::FOCUS_RING.path(),
    ),
    ("elements.caption.color.text", Role::TEXT_MUTED.path()),
    (
        "elements.button.color.background",
        primary(IntentPart::Fill),
    ),
    ("elements.button.color.text", primary(IntentPart::FillText)),
    ("elements.button.border.color", primary(IntentPart::Edge)),
    ("elements.button.border.radius", "shape.radius.medium"),
    ("elements.button.typography.fontFamily", "type.family.body"),
    ("elements.button.typography.fontWeight", "type.weight.bold"),
    (
        "elements.button.:hover.color.background",
        primary(IntentPart::FillHover),
    ),
    (
        "elements.button.:hover.color.text",
        primary(IntentPart::FillText),
    ),
    (
        "elements.button.:active.color.background",
        primary(IntentPart::FillPressed),
    ),
    (
        "elements.button.:active.color.text",
        primary(IntentPart::FillText),
    ),
    (
        "elements.button.:focus.outline.color",
        Role::FOCUS_RING.path(),
    ),
    (
        "blocks.core/code.color.background",
        Role::SURFACE_SUNKEN.path(),
    ),
    ("blocks.core/code.color.text", Role::TEXT_MAIN.path()),
    ("blocks.core/code.typography.fontFamily", "type.family.mono"),
    (
        "blocks.core/preformatted.color.background",
        Role::SURFACE_SUNKEN.path(),
    ),
    (
        "blocks.core/preformatted.color.text",
        Role::TEXT_MAIN.path(),
    ),
    (
        "blocks.core/preformatted.typography.fontFamily",
        "type.family.mono",
    ),
    (
        "blocks.core/separator.color.text",
        Role::BORDER_STRONG.path(),
    ),
    (
        "blocks.core/quote.border.left.color",
        primary(IntentPart::Edge),
    ),
    ("blocks.core/table.border.color", Role::BORDER_SUBTLE.path()),
    ("blocks.core/post-date.color.text", Role::TEXT_MUTED.path()),
    ("blocks.core/post-terms.color.text", Role::TEXT_MUTED.path()),
    (
        "blocks.core/site-title.typography.fontFamily",
        "type.family.heading",
    ),
    (
        "blocks.core/site-title.elements.link.color.text",
        Role::TEXT_MAIN.path(),
    ),
    (
        "blocks.core/site-title.elements.link.:hover.color.text",
        Role::LINK_HOVER.path(),
    ),
];

/// What no token is for.
const FIXED: &[Painted] = &[
    ("elements.link.:focus.outline.style", "solid"),
    ("elements.link.:focus.outline.width", "2px"),
    ("elements.button.:focus.outline.style", "solid"),
    ("elements.button.:focus.outline.width", "2px"),
    ("elements.button.:focus.outline.offset", "2px"),
    ("elements.button.border.style", "solid"),
    ("elements.button.border.width", "1px"),
    ("blocks.core/quote.border.left.style", "solid"),
    ("blocks.core/quote.border.left.width", "4px"),
];

/// Fields with a text.
const FIELDS: &str = ":where(input:not([type=submit], [type=button], [type=reset], [type=checkbox], [type=radio], [type=range], \
    [type=color], [type=image]), select, textarea)";

/// What browsers draw by themselves, by properties and tokens. A rule of fields has no weight: what a site's own
/// theme says of them holds.
const DRAWN: &[(&str, &[Painted])] = &[
    // What stands on a page without an edge of its own.
    (":root", &[("accent-color", primary(IntentPart::Edge))]),
    (
        "::selection",
        &[
            ("background-color", Role::SELECTION_FILL.path()),
            ("color", Role::SELECTION_TEXT.path()),
        ],
    ),
    (
        FIELDS,
        &[
            ("border: 1px solid", Role::BORDER_STRONG.path()),
            ("background-color", Role::SURFACE_RAISED.path()),
            ("color", Role::TEXT_MAIN.path()),
        ],
    ),
    (
        ":where(input, textarea)::placeholder",
        &[("color", Role::TEXT_MUTED.path())],
    ),
    (
        ":where(input, select, textarea):focus-visible",
        &[("outline: 2px solid", Role::FOCUS_RING.path())],
    ),
];

/// What a page is painted with in a mode. Fields, scroll bars and what else browsers draw follow the mode too.
pub(super) fn painted(job: &Job<'_>, mode: Mode, names: &Names<'_>) -> Value {
    let mut styles = Map::new();
    for (keys, path) in PAINTED {
        if let Some(value) = told(job, mode, names, path) {
            put(&mut styles, keys, value);
        }
    }
    for (key, size) in heading::HEADINGS.iter().zip(heading::sizes(job)) {
        put(
            &mut styles,
            &format!("elements.{key}.typography.fontSize"),
            size.to_string().into(),
        );
    }
    for (keys, value) in FIXED {
        put(&mut styles, keys, (*value).into());
    }
    put(&mut styles, "css", drawn(job, mode, names).into());
    styles.into()
}

/// Rules for what the keys of the host have no place for.
fn drawn(job: &Job<'_>, mode: Mode, names: &Names<'_>) -> String {
    let mut rules = vec![format!(":root {{ color-scheme: {}; }}", mode.id())];
    for (of, painted) in DRAWN {
        let sets = painted.iter().filter_map(|(property, path)| {
            let value = value(job, mode, names, path, |name| {
                format!("var(--wp--custom--{name})")
            })?;
            // A shorthand has its other values before the colour.
            let sign = if property.contains(':') { "" } else { ":" };
            Some(format!("{property}{sign} {value};"))
        });
        let sets: Vec<String> = sets.collect();
        if !sets.is_empty() {
            rules.push(format!("{of} {{ {} }}", sets.join(" ")));
        }
    }
    rules.join(" ")
}

/// Puts a value where keys lead to.
fn put(into: &mut Map<String, Value>, keys: &str, value: Value) {
    match keys.split_once('.') {
        None => drop(into.insert(keys.to_owned(), value)),
        Some((key, rest)) => {
            let inner = into.entry(key).or_insert_with(|| Map::new().into());
            if let Value::Object(inner) = inner {
                put(inner, rest, value);
            }
        }
    }
}

/// A value of the theme in the host's words where exports carry it, else as it is.
fn told(job: &Job<'_>, mode: Mode, names: &Names<'_>, path: &str) -> Option<Value> {
    let told = value(job, mode, names, path, |name| format!("var:custom|{name}"));
    told.map(Value::from)
}

fn value(
    job: &Job<'_>,
    mode: Mode,
    names: &Names<'_>,
    path: &str,
    refer: impl Fn(&str) -> String,
) -> Option<String> {
    if let Some(name) = names.get(path) {
        return Some(refer(name));
    }
    match &job.token(path)?.cell(mode).value {
        TokenValue::FontWeight(weight) => Some(weight.to_string()),
        value => Some(css_value::value(value, Notation::Hex)),
    }
}
