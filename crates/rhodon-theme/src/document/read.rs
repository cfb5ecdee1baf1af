//! Reading a document: every value is checked, every problem is reported.

use rhodon_color::Color;
use serde_json::Value;

use super::field::{Node, Object};
use super::problem::Problems;
use super::{
    Aim, BrandColor, Document, FORMAT, IntentChoice, ModeValues, OwnToken, ScaleSettings,
    ShapeSettings, TokenKind, TypeSettings,
};
use crate::intent;
use crate::label::{Slug, StepLabel};
use crate::value::Written;

const MAX_NAME: usize = 200;
const MAX_BRAND: usize = 40;

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
        let value = serde_json::from_str(text)
            .map_err(|e| Problems::one("", format!("expected JSON, found an error at {e}")))?;
        Self::read(&value)
    }
}

fn spec(node: &Node<'_>, problems: &mut Problems) -> Option<Document> {
    const KEYS: &[&str] = &[
        "format", "name", "extends", "brand", "steps", "scales", "intents", "roles", "tokens",
        "type", "shape", "aim", "handoff", "kept",
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
    if let Some(n) = object.get("brand") {
        let placed = n.list(MAX_BRAND, problems, |n, p| {
            Some((n.pointer.clone(), brand(n, p)?))
        });
        check_slugs(&placed, problems);
        spec.brand = placed.into_iter().map(|(_, b)| b).collect();
    }
    if spec.brand.is_empty() && spec.extends.is_none() {
        problems.add("/brand", "expected at least one brand colour, found none");
    }
    spec.steps = object.get("steps").map(|n| labels(&n, problems));
    if let Some(n) = object.get("scales") {
        spec.scales = n.map(problems, scale);
    }
    if let Some(n) = object.get("intents") {
        spec.intents = n.map(problems, intent_spec);
    }
    if let Some(n) = object.get("roles") {
        spec.roles = n.map(problems, role);
    }
    if let Some(n) = object.get("tokens") {
        spec.tokens = n.map(problems, own_token);
        for path in spec.tokens.keys().filter(|p| spec.derives(p.group())) {
            problems.add(
                format!("/tokens/{path}"),
                format!(
                    "\"{path}\" belongs to a group that is derived: expected a group of your own"
                ),
            );
        }
    }
    if let Some(n) = object.get("type") {
        spec.typography = typography(&n, problems).unwrap_or_default();
    }
    if let Some(n) = object.get("shape") {
        spec.shape = shape(&n, problems).unwrap_or_default();
    }
    spec.aim = object.get("aim").and_then(|n| aim(&n, problems));
    if let Some(n) = object.get("handoff") {
        spec.handoff = n.map(problems, |target, p| {
            Some(target.map(p, |option, p| option.setting(p)))
        });
    }
    if let Some(n) = object.get("kept") {
        spec.kept = n.map(problems, |token, p| token.storable(p));
    }
    Some(spec)
}

fn brand(node: Node<'_>, problems: &mut Problems) -> Option<BrandColor> {
    let object = node.object(&["name", "slug", "color"], problems)?;
    let name = object.require("name", problems)?.text(MAX_NAME, problems);
    let color = object
        .require("color", problems)
        .and_then(|n| color(&n, problems));
    let slug = match object.get("slug") {
        Some(n) => n.parsed(problems),
        None => name
            .as_ref()
            .map(|n| Slug::from_name(n, &Slug::known("brand"))),
    };
    Some(BrandColor {
        name: name?,
        slug: slug?,
        color: color?,
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
        } else if intent::is_reserved(&own.slug) {
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

fn color(node: &Node<'_>, problems: &mut Problems) -> Option<String> {
    let text = node.text(1000, problems)?;
    match Color::parse(&text) {
        Ok(_) => Some(text),
        Err(e) => {
            problems.add(&node.pointer, format!("\"{text}\": {e}"));
            None
        }
    }
}

fn labels(node: &Node<'_>, problems: &mut Problems) -> Vec<StepLabel> {
    let before = problems.0.len();
    let found: Vec<StepLabel> = node.list(40, problems, |n, p| label(&n, p));
    if problems.0.len() > before {
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
        turn: object
            .get("turn")
            .and_then(|n| n.number(-20.0, 20.0, problems)),
        strength: object
            .get("strength")
            .and_then(|n| n.number(0.0, 2.0, problems)),
        zero: object.get("zero").and_then(|n| n.flag(problems)),
        wide: object.get("wide").and_then(|n| n.flag(problems)),
        off: object.get("off").and_then(|n| n.flag(problems)),
        ..ScaleSettings::default()
    };
    if let Some(n) = object.get("pins") {
        spec.pins = n.map(problems, |n, p| color(&n, p));
    }
    if let Some(n) = object.get("lightness") {
        spec.lightness = n.map(problems, |n, p| n.number(0.0, 100.0, p));
    }
    if let Some(n) = object.get("alpha") {
        spec.alpha = n.list(40, problems, |n, p| n.whole(1, 99, p).map(|v| v as u8));
        spec.alpha.sort_unstable();
        spec.alpha.dedup();
    }
    if let Some(n) = object.get("omit") {
        spec.omit = n.list(40, problems, |n, p| label(&n, p));
    }
    Some(spec)
}

fn intent_spec(node: Node<'_>, problems: &mut Problems) -> Option<IntentChoice> {
    let object = node.object(&["scale", "color"], problems)?;
    let spec = IntentChoice {
        scale: object.get("scale").and_then(|n| n.parsed(problems)),
        color: object.get("color").and_then(|n| color(&n, problems)),
    };
    if spec.scale.is_some() && spec.color.is_some() {
        problems.add(
            object.pointer(),
            "expected either a scale or a color, found both",
        );
    }
    Some(spec)
}

fn written(
    object: &Object<'_>,
    key: &str,
    kind: TokenKind,
    problems: &mut Problems,
) -> Option<String> {
    let node = object.get(key)?;
    let text = node.text(1000, problems)?;
    match Written::parse(&text, kind) {
        Ok(_) => Some(text),
        Err(message) => {
            problems.add(node.pointer, format!("\"{text}\": {message}"));
            None
        }
    }
}

fn role(node: Node<'_>, problems: &mut Problems) -> Option<ModeValues> {
    let object = node.object(&["light", "dark"], problems)?;
    Some(ModeValues {
        light: written(&object, "light", TokenKind::Color, problems),
        dark: written(&object, "dark", TokenKind::Color, problems),
    })
}

fn own_token(node: Node<'_>, problems: &mut Problems) -> Option<OwnToken> {
    let object = node.object(&["kind", "value", "light", "dark", "description"], problems)?;
    let kind = object.get("kind").and_then(|n| n.parsed(problems));
    let effective = kind.unwrap_or_default();
    let before = problems.0.len();
    let token = OwnToken {
        kind,
        value: written(&object, "value", effective, problems),
        light: written(&object, "light", effective, problems),
        dark: written(&object, "dark", effective, problems),
        description: object
            .get("description")
            .and_then(|n| n.text(1000, problems)),
    };
    let complete = token.value.is_some() || (token.light.is_some() && token.dark.is_some());
    if !complete && problems.0.len() == before {
        problems.add(
            object.pointer(),
            "expected a value, or one for light and one for dark",
        );
    }
    Some(token)
}

fn families(node: &Node<'_>, problems: &mut Problems) -> Vec<String> {
    let found = node.list(20, problems, |n, p| n.text(100, p));
    if found.is_empty() {
        problems.add(&node.pointer, "expected at least one font family");
    }
    found
}

fn typography(node: &Node<'_>, problems: &mut Problems) -> Option<TypeSettings> {
    const KEYS: &[&str] = &[
        "body", "heading", "mono", "import", "base", "ratio", "regular", "bold",
    ];
    let object = node.object(KEYS, problems)?;
    let import = object.get("import").and_then(|n| {
        let text = n.text(1000, problems)?;
        if text.starts_with("https://")
            && !text.contains(['"', '\'', '(', ')', '\\', ' ', '<', '>'])
        {
            return Some(text);
        }
        problems.add(
            n.pointer,
            "expected an https address without quotes, brackets or spaces",
        );
        None
    });
    Some(TypeSettings {
        body: object.get("body").map(|n| families(&n, problems)),
        heading: object.get("heading").map(|n| families(&n, problems)),
        mono: object.get("mono").map(|n| families(&n, problems)),
        import,
        base: object
            .get("base")
            .and_then(|n| n.number(8.0, 32.0, problems)),
        ratio: object
            .get("ratio")
            .and_then(|n| n.number(1.05, 2.0, problems)),
        regular: object
            .get("regular")
            .and_then(|n| n.whole(1, 1000, problems)),
        bold: object.get("bold").and_then(|n| n.whole(1, 1000, problems)),
    })
}

fn shape(node: &Node<'_>, problems: &mut Problems) -> Option<ShapeSettings> {
    let object = node.object(&["radius", "border"], problems)?;
    Some(ShapeSettings {
        radius: object
            .get("radius")
            .and_then(|n| n.number(0.0, 64.0, problems)),
        border: object
            .get("border")
            .and_then(|n| n.number(0.0, 16.0, problems)),
    })
}

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
