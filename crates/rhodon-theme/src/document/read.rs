//! Reading a document: every value is checked, every problem is reported.

use indexmap::IndexMap;
use serde_json::Value;

use super::field::{Node, Object};
use super::form::Form;
use super::number::{ALPHA, LIGHTNESS, STRENGTH, TURN};
use super::problem::{Problems, not_json, quoted};
use super::{
    Accepted, Aim, BrandColor, ContrastSettings, CustomToken, Document, FORMAT, IntentChoice,
    ModeValues, Provenance, ScaleSettings, ShapeSettings, TypeSettings, Typed,
};
use crate::label::{Slug, StepLabel};
use crate::value::{TokenKind, Written};
use crate::vocabulary::{is_derived_group, is_role_group};

const MAX_NAME: usize = 200;
/// The most brand colours of a document.
pub const MAX_BRAND: usize = 40;
/// The most roles, own tokens and kept tokens, each.
const MAX_TOKENS: usize = 5000;

impl Document {
    /// Reads a document from JSON.
    ///
    /// # Errors
    /// Every problem in it: unknown keys with the nearest known one, values of the wrong kind or
    /// out of range, colours that CSS refuses, names that clash.
    pub fn read(value: &Value) -> Result<Document, Problems> {
        let mut problems = Problems::default();
        let root = Node {
            value,
            pointer: String::new(),
        };
        let spec = spec(&root, &mut problems).unwrap_or_else(Document::empty);
        problems.into_result(spec)
    }

    /// Reads a document from text.
    ///
    /// # Errors
    /// Text that is not JSON, with line and column; otherwise as [`Document::read`].
    pub fn parse(text: &str) -> Result<Document, Problems> {
        let value = serde_json::from_str(text).map_err(|e| Problems::one("", not_json(&e)))?;
        Self::read(&value)
    }
}

fn spec(node: &Node<'_>, problems: &mut Problems) -> Option<Document> {
    const KEYS: &[&str] = &[
        "format", "name", "extends", "brand", "steps", "scales", "intents", "roles", "tokens",
        "type", "shape", "contrast", "aim", "handoff", "pack", "forms", "accepted", "kept",
    ];
    let object = node.object(KEYS, problems)?;
    let format = object.require("format", problems)?;
    if format.value.as_u64() != Some(u64::from(FORMAT)) {
        problems.add(
            format.pointer,
            format!("expected format {FORMAT}, found {}", format.value),
        );
        return None;
    }
    let mut spec = Document::empty();
    spec.name = object
        .require("name", problems)
        .and_then(|n| n.text(MAX_NAME, problems))
        .unwrap_or_default();
    spec.extends = object.get("extends").and_then(|n| n.parsed(problems));
    spec.brand = object
        .get("brand")
        .map_or_else(Vec::new, |n| brands(&n, problems));
    if spec.brand.is_empty() && spec.extends.is_none() {
        problems.add("/brand", "expected at least one brand colour, found none");
    }
    spec.steps = object.get("steps").map(|n| labels(&n, problems));
    if let Some(n) = object.get("scales") {
        spec.scales = n.map(problems, scale);
    }
    if let Some(n) = object.get("intents") {
        spec.intents = intents(&n, problems);
    }
    if let Some(n) = object.get("roles") {
        spec.roles = n.map(problems, role);
        check_count(&n, spec.roles.len(), problems);
    }
    if let Some(n) = object.get("tokens") {
        let inherits = spec.extends.is_some();
        spec.tokens = n.map(problems, |n, p| custom_token(n, inherits, p));
        check_count(&n, spec.tokens.len(), problems);
        check_groups(&spec, problems);
    }
    if let Some(n) = object.get("type") {
        spec.typography = TypeSettings::read(&n, problems).unwrap_or_default();
    }
    if let Some(n) = object.get("shape") {
        spec.shape = ShapeSettings::read(&n, problems).unwrap_or_default();
    }
    if let Some(n) = object.get("contrast") {
        spec.contrast = contrast(&n, problems).unwrap_or_default();
    }
    spec.aim = object.get("aim").and_then(|n| aim(&n, problems));
    if let Some(n) = object.get("handoff") {
        spec.handoff = n.map(problems, |target, p| {
            Some(target.map(p, |option, p| option.setting(p)))
        });
    }
    spec.pack = object.get("pack").map(|n| pack(&n, problems));
    if let Some(n) = object.get("forms") {
        spec.forms = n.map(problems, |n, p| Form::read(&n, p));
        if spec.forms.len() > MAX_FORMS {
            let found = spec.forms.len();
            problems.add(
                &n.pointer,
                format!("expected at most {MAX_FORMS} forms, found {found}"),
            );
        }
    }
    if let Some(n) = object.get("accepted") {
        spec.accepted = n.list(MAX_ACCEPTED, problems, |n, p| accepted(&n, p));
    }
    if let Some(n) = object.get("kept") {
        spec.kept = n.map(problems, |token, p| token.storable(p));
        check_count(&n, spec.kept.len(), problems);
    }
    Some(spec)
}

/// The most forms of a theme.
const MAX_FORMS: usize = 50;
/// The most findings that may be accepted.
const MAX_ACCEPTED: usize = 500;

fn accepted(node: &Node<'_>, problems: &mut Problems) -> Option<Accepted> {
    let object = node.object(&["id", "tokens", "mode", "reason", "measure"], problems)?;
    let id = object.require("id", problems)?.text(40, problems);
    let tokens = object.require("tokens", problems)?;
    let tokens = tokens.list(4, problems, |n, p| n.text(200, p));
    let mode = match object.get("mode") {
        None => None,
        Some(node) => Some(node.mode(problems)?),
    };
    let reason = object.require("reason", problems)?.text(MAX_NAME, problems);
    let measure = object.require("measure", problems)?;
    Some(Accepted {
        id: id?,
        tokens,
        mode,
        reason: reason?,
        measure: measure.number(-1000.0, 1000.0, problems)?,
    })
}

fn brands(node: &Node<'_>, problems: &mut Problems) -> Vec<BrandColor> {
    let placed = node.list(MAX_BRAND, problems, |n, p| {
        Some((n.pointer.clone(), brand(n, p)?))
    });
    check_slugs(&placed, problems);
    placed.into_iter().map(|(_, brand)| brand).collect()
}

/// Choices for intents; one of the user's own needs a choice, the named ones do without.
fn intents(node: &Node<'_>, problems: &mut Problems) -> IndexMap<Slug, IntentChoice> {
    let choices: IndexMap<Slug, _> = node.map(problems, |n, p| Some(intent_choice(n, p)));
    let mut out = IndexMap::new();
    for (name, choice) in choices {
        match choice {
            Some(choice) => drop(out.insert(name, choice)),
            None if is_derived_group(name.as_str()) => {}
            None => problems.add(
                format!("/intents/{name}"),
                "expected a scale or a color for an intent of your own",
            ),
        }
    }
    out
}

/// An own token stands in a group that nothing else makes.
fn check_groups(spec: &Document, problems: &mut Problems) {
    for path in spec.tokens.keys().filter(|p| spec.derives(p.group())) {
        let message =
            format!("\"{path}\" belongs to a group that is derived: expected a group of your own");
        problems.add(format!("/tokens/{path}"), message);
    }
}

/// What a document holds is derived, shown and written within a moment.
fn check_count(node: &Node<'_>, count: usize, problems: &mut Problems) {
    if count > MAX_TOKENS {
        problems.add(
            &node.pointer,
            format!("expected at most {MAX_TOKENS} entries, found {count}"),
        );
    }
}

fn brand(node: Node<'_>, problems: &mut Problems) -> Option<BrandColor> {
    let object = node.object(&["name", "slug", "color", "from"], problems)?;
    let name = object.require("name", problems)?.text(MAX_NAME, problems);
    let color = object
        .require("color", problems)
        .and_then(|n| n.color(problems));
    let slug = match object.get("slug") {
        Some(n) => n.parsed(problems),
        None => name
            .as_ref()
            .map(|n| Slug::from_name(n, &Slug::known("brand"))),
    };
    let from = object
        .get("from")
        .and_then(|n| Provenance::read(&n, problems));
    Some(BrandColor {
        name: name?,
        slug: slug?,
        color: color?,
        from,
    })
}

/// Two brand colours must not share a scale, nor take the name of a group that is derived.
fn check_slugs(brand: &[(String, BrandColor)], problems: &mut Problems) {
    for (i, (pointer, own)) in brand.iter().enumerate() {
        let place = format!("{pointer}/slug");
        if let Some((_, first)) = brand[..i].iter().find(|(_, b)| b.slug == own.slug) {
            let message = format!(
                "\"{}\" and \"{}\" share the slug {}: expected different slugs",
                first.name, own.name, own.slug
            );
            problems.add(place, message);
        } else if is_role_group(own.slug.as_str()) {
            problems.add(
                place,
                format!(
                    "{} names a group that is derived: expected another slug",
                    own.slug
                ),
            );
        }
    }
}

/// Ids of targets, each once.
fn pack(node: &Node<'_>, problems: &mut Problems) -> Vec<Slug> {
    let mut ids: Vec<Slug> = node.list(200, problems, |n, p| n.parsed(p));
    ids.sort();
    ids.dedup();
    ids
}

fn labels(node: &Node<'_>, problems: &mut Problems) -> Vec<StepLabel> {
    let before = problems.len();
    let found: Vec<StepLabel> = node.list(40, problems, |n, p| label(&n, p));
    if problems.len() > before {
        return found;
    }
    if found.len() < 2 {
        problems.add(
            &node.pointer,
            format!("expected 2 to 40 step labels, found {}", found.len()),
        );
    }
    for (i, l) in found.iter().enumerate() {
        if found[..i].contains(l) {
            problems.add(
                format!("{}/{i}", node.pointer),
                format!("expected different labels, found {l} twice"),
            );
        }
    }
    found
}

/// A label, as text or as a whole number.
fn label(node: &Node<'_>, problems: &mut Problems) -> Option<StepLabel> {
    match node.value.as_u64() {
        Some(n) => n.to_string().parse().ok(),
        None => node.parsed(problems),
    }
}

fn scale(node: Node<'_>, problems: &mut Problems) -> Option<ScaleSettings> {
    const KEYS: &[&str] = &[
        "method",
        "steps",
        "at",
        "pins",
        "to",
        "turn",
        "strength",
        "lightness",
        "zero",
        "alpha",
        "omit",
        "wide",
        "off",
    ];
    let object = node.object(KEYS, problems)?;
    let mut spec = ScaleSettings {
        method: object.get("method").and_then(|n| n.parsed(problems)),
        steps: object.get("steps").map(|n| labels(&n, problems)),
        at: object.get("at").and_then(|n| label(&n, problems)),
        to: object.get("to").and_then(|n| n.parsed(problems)),
        turn: object.get("turn").and_then(|n| TURN.read(&n, problems)),
        strength: object
            .get("strength")
            .and_then(|n| STRENGTH.read(&n, problems)),
        zero: object.get("zero").and_then(|n| n.flag(problems)),
        wide: object.get("wide").and_then(|n| n.flag(problems)),
        off: object.get("off").and_then(|n| n.flag(problems)),
        ..ScaleSettings::default()
    };
    if let Some(n) = object.get("pins") {
        spec.pins = n.map(problems, |n, p| n.color(p));
    }
    if let Some(n) = object.get("lightness") {
        spec.lightness = n.map(problems, |n, p| LIGHTNESS.read(&n, p));
    }
    if let Some(n) = object.get("alpha") {
        spec.alpha = n.list(40, problems, |n, p| {
            ALPHA.read_whole(&n, p).map(|v| v as u8)
        });
        spec.alpha.sort_unstable();
        spec.alpha.dedup();
    }
    if let Some(n) = object.get("omit") {
        spec.omit = n.list(40, problems, |n, p| label(&n, p));
    }
    Some(spec)
}

fn intent_choice(node: Node<'_>, problems: &mut Problems) -> Option<IntentChoice> {
    let object = node.object(&["scale", "color"], problems)?;
    let scale = object.get("scale").and_then(|n| n.parsed(problems));
    let color = object.get("color").and_then(|n| n.color(problems));
    if scale.is_some() && color.is_some() {
        problems.add(
            object.pointer(),
            "expected either a scale or a color, found both",
        );
    }
    scale
        .map(IntentChoice::Scale)
        .or(color.map(IntentChoice::Color))
}

fn written(
    object: &Object<'_>,
    key: &str,
    kind: TokenKind,
    problems: &mut Problems,
) -> Option<Typed<Written>> {
    let node = object.get(key)?;
    let text = node.text(1000, problems)?;
    Typed::<Written>::parse(&text, kind)
        .map_err(|message| problems.add(node.pointer, format!("{}: {message}", quoted(&text))))
        .ok()
}

fn role(node: Node<'_>, problems: &mut Problems) -> Option<ModeValues> {
    let object = node.object(&["light", "dark"], problems)?;
    Some(ModeValues {
        light: written(&object, "light", TokenKind::Color, problems),
        dark: written(&object, "dark", TokenKind::Color, problems),
    })
}

fn contrast(node: &Node<'_>, problems: &mut Problems) -> Option<ContrastSettings> {
    let object = node.object(&["more", "roles"], problems)?;
    let mut settings = ContrastSettings {
        more: object.get("more").and_then(|n| n.flag(problems)),
        ..ContrastSettings::default()
    };
    if let Some(n) = object.get("roles") {
        settings.roles = n.map(problems, role);
        check_count(&n, settings.roles.len(), problems);
    }
    Some(settings)
}

/// A token; where there is a parent, it may have the value of the other mode.
fn custom_token(node: Node<'_>, inherits: bool, problems: &mut Problems) -> Option<CustomToken> {
    let keys = &["kind", "value", "light", "dark", "description"];
    let object = node.object(keys, problems)?;
    let kind = object.get("kind").and_then(|n| n.parsed(problems));
    let effective = kind.unwrap_or_default();
    let before = problems.len();
    let token = CustomToken {
        kind,
        value: written(&object, "value", effective, problems),
        light: written(&object, "light", effective, problems),
        dark: written(&object, "dark", effective, problems),
        description: object
            .get("description")
            .and_then(|n| n.text(1000, problems)),
    };
    if !token.is_complete() && !inherits && problems.len() == before {
        problems.add(object.pointer(), INCOMPLETE);
    }
    Some(token)
}

/// What a token lacks that has a value in one mode alone.
pub(crate) const INCOMPLETE: &str = "expected a value, or one for light and one for dark";

fn aim(node: &Node<'_>, problems: &mut Problems) -> Option<Aim> {
    let object = node.object(&["dominant", "secondary", "accent"], problems)?;
    let mut part = |key: &str| {
        object
            .require(key, problems)
            .and_then(|n| n.number(0.0, 100.0, problems))
    };
    let (dominant, secondary, accent) = (part("dominant"), part("secondary"), part("accent"));
    let aim = Aim {
        dominant: dominant?,
        secondary: secondary?,
        accent: accent?,
    };
    let sum = aim.dominant + aim.secondary + aim.accent;
    if (sum - 100.0).abs() > 0.5 {
        problems.add(
            object.pointer(),
            format!("expected parts that add up to 100, found {sum}"),
        );
        return None;
    }
    Some(aim)
}
