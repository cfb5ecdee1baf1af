//! From what was decided to everything that follows: scales, roles, tokens, pairs.

use std::collections::{HashMap, HashSet};
use std::sync::Arc;

use rhodon_color::{Color, HueSlice, Rgb8, luminance_from_lightness};

use crate::custom_token;
use crate::document::{Problems, Resolved, ScaleSettings, TokenKind};
use crate::intent::{self, Plan, Source};
use crate::label::{Slug, StepLabel};
use crate::overrides::{End, Overrides};
use crate::reason::Reason;
use crate::role::{self, Backdrop};
use crate::scale::{self, Pin, Request, Scale, default_labels};
use crate::token::{Cell, Cells, Mode, Pair, Section, Token};
use crate::typeface;
use crate::value::{ColorValue, Origin, Value};

/// A scale with its names.
#[derive(Clone, Debug)]
pub struct NamedScale {
    /// Group of its tokens.
    pub slug: Slug,
    /// Readable name.
    pub name: Arc<str>,
    /// Token paths of its steps.
    pub paths: Vec<Arc<str>>,
    /// Its steps.
    pub scale: Scale,
    /// Whether the user brought its colour.
    pub origin: Origin,
    /// Where its colour comes from, in words.
    pub reason: Reason,
    /// Its settings.
    pub settings: ScaleSettings,
}

impl NamedScale {
    /// Token path of a step.
    pub fn step_path(&self, index: usize) -> Arc<str> {
        self.paths[index].clone()
    }

    fn omits(&self, label: &StepLabel) -> bool {
        self.settings.off == Some(true) || self.settings.omit.contains(label)
    }
}

/// An intent and its scale.
#[derive(Clone, Debug)]
pub struct IntentScale {
    /// Its name.
    pub name: Slug,
    /// Index into the scales.
    pub scale: usize,
    /// Who decided it.
    pub origin: Origin,
    /// Why, in words.
    pub reason: Reason,
}

/// Everything that follows from a document.
#[derive(Clone, Debug)]
pub struct Derived {
    /// Name of the theme.
    pub name: String,
    /// Scales, brand colours first, in the user's order.
    pub scales: Vec<NamedScale>,
    /// Intents, in order.
    pub intents: Vec<IntentScale>,
    /// Tokens, in the order in which exports write them.
    pub tokens: Vec<Token>,
    /// Declared pairs of both modes.
    pub pairs: Vec<Pair>,
    /// What had to give way, in sentences.
    pub notes: Vec<String>,
    /// Address of a web-font stylesheet.
    pub font_import: Option<String>,
}

impl Derived {
    /// A token by its path.
    pub fn token(&self, path: &str) -> Option<&Token> {
        self.tokens.iter().find(|t| *t.path == *path)
    }

    /// The scale of an intent.
    pub fn intent_scale(&self, intent: &str) -> Option<&NamedScale> {
        let found = self.intents.iter().find(|i| i.name.as_str() == intent)?;
        self.scales.get(found.scale)
    }
}

/// Derives a theme.
///
/// # Errors
/// Every decision that contradicts another, with its place in the document.
pub fn derive(theme: &Resolved) -> Result<Derived, Problems> {
    let (scales, intents) = scales(theme)?;
    let overrides = Overrides::new(theme, step_values(&scales))?;
    let backdrop = Backdrop {
        scales: &scales,
        intents: &intents,
        overrides: &overrides,
    };
    let [light, dark] = Mode::BOTH.map(|mode| role::paint(mode, &backdrop));
    let mut tokens = Vec::with_capacity(512);
    scales.iter().for_each(|s| scale_tokens(s, &mut tokens));
    for ((path, light), (_, dark)) in light.roles.into_iter().zip(dark.roles) {
        tokens.push(Token {
            path,
            kind: TokenKind::Color,
            section: Section::Roles,
            omitted: false,
            description: None,
            cells: Cells::Each(Box::new([light, dark])),
        });
    }
    typeface::tokens(&theme.spec, &mut tokens);
    check_roles(theme, &overrides, &tokens)?;
    custom_token::tokens(theme, &overrides, &mut tokens)?;
    check_paths(&tokens)?;
    let mut pairs = light.pairs;
    pairs.extend(dark.pairs);
    let notes = scales
        .iter()
        .flat_map(|s| s.scale.notes.iter().map(|n| format!("{}: {n}", s.name)))
        .collect();
    let font_import = theme.spec.typography.import.clone();
    Ok(Derived {
        name: theme.spec.name.clone(),
        scales,
        intents,
        tokens,
        pairs,
        notes,
        font_import,
    })
}

fn scales(theme: &Resolved) -> Result<(Vec<NamedScale>, Vec<IntentScale>), Problems> {
    let mut problems = Problems::default();
    let brand: Vec<(Slug, Color)> = theme
        .spec
        .brand
        .iter()
        .filter_map(|b| Color::parse(&b.color).ok().map(|c| (b.slug.clone(), c)))
        .collect();
    let codes: Vec<(Slug, Rgb8)> = brand
        .iter()
        .map(|(s, c)| (s.clone(), c.to_rgb8()))
        .collect();
    if codes.is_empty() {
        return Err(Problems::one(
            "/brand",
            "expected at least one brand colour, found none",
        ));
    }
    let plans = intent::plan(theme, &codes)?;
    let mut scales = Vec::with_capacity(codes.len() + plans.len());
    for (i, (slug, code)) in codes.iter().enumerate() {
        let origin = if theme.inherited.brand.contains(slug) {
            Origin::Inherited
        } else {
            Origin::Set
        };
        let draft = Draft {
            slug,
            name: &theme.spec.brand[i].name,
            source: &Source::Own(*code),
            origin,
            reason: &"brand colour".into(),
        };
        scales.extend(build(theme, &draft, &codes, &mut problems));
    }
    let mut intents = Vec::with_capacity(plans.len());
    for Plan {
        name,
        source,
        origin,
        reason,
    } in plans
    {
        let scale = match &source {
            Source::Brand(slug) => scales.iter().position(|s: &NamedScale| s.slug == *slug),
            own => {
                let title = capitalised(name.as_str());
                let draft = Draft {
                    slug: &name,
                    name: &title,
                    source: own,
                    origin,
                    reason: &reason,
                };
                scales.extend(build(theme, &draft, &codes, &mut problems));
                Some(scales.len().saturating_sub(1))
            }
        };
        intents.extend(scale.map(|scale| IntentScale {
            name,
            scale,
            origin,
            reason,
        }));
    }
    for slug in theme
        .spec
        .scales
        .keys()
        .filter(|k| !scales.iter().any(|s| s.slug == **k))
    {
        if problems.0.is_empty() {
            let known: Vec<_> = scales.iter().map(|s| s.slug.as_str()).collect();
            problems.add(
                format!("/scales/{slug}"),
                format!("no scale \"{slug}\": expected one of {}", known.join(", ")),
            );
        }
    }
    if problems.0.is_empty() {
        Ok((scales, intents))
    } else {
        Err(problems)
    }
}

fn capitalised(word: &str) -> String {
    let spaced = word.replace('-', " ");
    let mut chars = spaced.chars();
    chars
        .next()
        .map_or_else(String::new, |c| c.to_uppercase().chain(chars).collect())
}

/// A scale about to be built.
struct Draft<'a> {
    slug: &'a Slug,
    name: &'a str,
    source: &'a Source,
    origin: Origin,
    reason: &'a Reason,
}

fn build(
    theme: &Resolved,
    draft: &Draft<'_>,
    brand: &[(Slug, Rgb8)],
    problems: &mut Problems,
) -> Option<NamedScale> {
    let settings = theme.spec.scale(draft.slug);
    let place = format!("/scales/{}", draft.slug);
    let before = problems.0.len();
    let request = request(theme, draft, &settings, brand, &place, problems);
    if problems.0.len() > before {
        return None;
    }
    let mut scale = scale::build(&request)
        .map_err(|e| problems.add(place, e.to_string()))
        .ok()?;
    if draft.origin == Origin::Derived {
        // Nobody fixed this colour: it moves when the brand does.
        for step in scale
            .steps
            .iter_mut()
            .filter(|s| !settings.pins.contains_key(&s.label))
        {
            step.pinned = false;
        }
    }
    Some(NamedScale {
        slug: draft.slug.clone(),
        name: draft.name.into(),
        paths: scale
            .steps
            .iter()
            .map(|s| format!("{}.{}", draft.slug, s.label).into())
            .collect(),
        scale,
        origin: draft.origin,
        reason: draft.reason.clone(),
        settings,
    })
}

/// The most chroma of a neutral step, and the brand chroma from which it has it.
const NEUTRAL_CHROMA: (f64, f64) = (0.014, 0.04);

fn request(
    theme: &Resolved,
    draft: &Draft<'_>,
    settings: &ScaleSettings,
    brand: &[(Slug, Rgb8)],
    place: &str,
    problems: &mut Problems,
) -> Request {
    let neutral = matches!(draft.source, Source::Neutral(_));
    let mut labels = settings
        .steps
        .clone()
        .or_else(|| theme.spec.steps.clone())
        .unwrap_or_else(default_labels);
    let zero: Option<StepLabel> = "0"
        .parse()
        .ok()
        .filter(|z| settings.zero.unwrap_or(neutral) && !labels.contains(z));
    labels.splice(0..0, zero);
    let (tone, pinned) = match draft.source {
        Source::Own(code) => (*code, true),
        Source::Neutral(code) => (neutral_tone(*code), false),
        Source::Brand(_) => (Rgb8::BLACK, false),
    };
    let mut pins = Vec::new();
    if pinned {
        pins.push(Pin {
            color: tone,
            label: settings.at.clone(),
        });
    }
    for (label, text) in &settings.pins {
        match Color::parse(text) {
            Ok(color) => pins.push(Pin {
                color: color.to_rgb8(),
                label: Some(label.clone()),
            }),
            Err(e) => problems.add(format!("{place}/pins/{label}"), e.to_string()),
        }
    }
    if let Some(to) = &settings.to {
        match brand.iter().find(|b| b.0 == *to) {
            Some((_, end)) => pins = between(tone, *end, &labels, pins),
            None => problems.add(format!("{place}/to"), format!("no brand colour \"{to}\"")),
        }
    }
    let known = |l: &StepLabel| labels.contains(l);
    for (key, label) in settings
        .lightness
        .keys()
        .map(|l| ("lightness", l))
        .chain(settings.omit.iter().map(|l| ("omit", l)))
        .filter(|(_, l)| !known(l))
    {
        problems.add(
            format!("{place}/{key}/{label}"),
            format!("no step {label} in this scale"),
        );
    }
    let lightness = settings
        .lightness
        .iter()
        .map(|(l, v)| (l.clone(), *v))
        .collect();
    Request {
        method: settings.method.unwrap_or_default(),
        labels,
        pins,
        tone,
        turn: settings.turn.unwrap_or(0.0),
        strength: settings.strength.unwrap_or(1.0),
        lightness,
        wide: settings.wide.unwrap_or(false),
    }
}

/// The two ends of a scale that runs between two colours.
fn between(a: Rgb8, b: Rgb8, labels: &[StepLabel], others: Vec<Pin>) -> Vec<Pin> {
    let (light, dark) = if a.lightness() >= b.lightness() {
        (a, b)
    } else {
        (b, a)
    };
    let at = |color, label: Option<&StepLabel>| Pin {
        color,
        label: label.cloned(),
    };
    let mut pins = vec![at(light, labels.first()), at(dark, labels.last())];
    // The first pin is the scale's own colour, whichever end it has.
    if light != a {
        pins.swap(0, 1);
    }
    pins.extend(others.into_iter().skip(1));
    pins
}

/// A colour in the brand's hue with almost no chroma, halfway down.
fn neutral_tone(brand: Rgb8) -> Rgb8 {
    let lch = brand.to_oklch();
    let chroma = NEUTRAL_CHROMA.0 * (lch.c / NEUTRAL_CHROMA.1).min(1.0);
    let y = luminance_from_lightness(50.0);
    Rgb8::from_linear_clipped(HueSlice::new(lch.h).linear_at(y, chroma))
}

fn step_values(scales: &[NamedScale]) -> HashMap<Arc<str>, Value> {
    let mut out = HashMap::with_capacity(scales.len() * 14);
    for s in scales {
        for (i, step) in s.scale.steps.iter().enumerate() {
            let color = ColorValue {
                code: step.color,
                alpha: 1.0,
                wide: step.wide,
            };
            out.insert(s.step_path(i), Value::Color(color));
        }
        for (path, color) in alpha_steps(s) {
            out.insert(path, Value::Color(color));
        }
    }
    out
}

/// See-through steps: the scale's own colour at the asked opacities.
fn alpha_steps(s: &NamedScale) -> Vec<(Arc<str>, ColorValue)> {
    let base = s.scale.base_step();
    let step = |a: &u8| {
        let color = ColorValue {
            code: base.color,
            alpha: f64::from(*a) / 100.0,
            wide: base.wide,
        };
        (format!("{}.a{a}", s.slug).into(), color)
    };
    s.settings.alpha.iter().map(step).collect()
}

fn scale_tokens(s: &NamedScale, out: &mut Vec<Token>) {
    let mut push = |path: Arc<str>, color: ColorValue, origin, reason, omitted| {
        out.push(Token {
            path,
            kind: TokenKind::Color,
            section: Section::Scales,
            omitted,
            description: None,
            cells: Cells::Both(Cell {
                value: Value::Color(color),
                alias: None,
                origin,
                reason,
            }),
        });
    };
    for (i, step) in s.scale.steps.iter().enumerate() {
        let color = ColorValue {
            code: step.color,
            alpha: 1.0,
            wide: step.wide,
        };
        let (origin, reason) = if step.pinned {
            let origin = if s.origin == Origin::Inherited {
                Origin::Inherited
            } else {
                Origin::Set
            };
            (origin, format!("pinned: {}", s.reason).into())
        } else {
            (
                Origin::Derived,
                Reason::Method {
                    method: s.method_id(),
                    scale: s.name.clone(),
                    lightness: step.lightness,
                },
            )
        };
        push(s.step_path(i), color, origin, reason, s.omits(&step.label));
    }
    let base = &s.scale.base_step().label;
    for (path, color) in alpha_steps(s) {
        let reason = format!("{} {base} at {:.0} %", s.name, color.alpha * 100.0).into();
        push(
            path,
            color,
            Origin::Derived,
            reason,
            s.settings.off == Some(true),
        );
    }
}

impl NamedScale {
    fn method_id(&self) -> &'static str {
        self.settings.method.unwrap_or_default().id
    }
}

/// Roles set by hand must exist, and refer to something that exists.
fn check_roles(theme: &Resolved, overrides: &Overrides, tokens: &[Token]) -> Result<(), Problems> {
    if theme.spec.roles.is_empty() {
        return Ok(());
    }
    let mut problems = Problems::default();
    let kinds: HashMap<&str, TokenKind> = tokens.iter().map(|t| (&*t.path, t.kind)).collect();
    let roles: Vec<&str> = tokens
        .iter()
        .filter(|t| t.section == Section::Roles)
        .map(|t| &*t.path)
        .collect();
    for path in theme.spec.roles.keys() {
        if !roles.contains(&path.as_str()) {
            let near = roles
                .iter()
                .min_by_key(|r| strsim::damerau_levenshtein(r, path.as_str()))
                .unwrap_or(&"");
            problems.add(
                format!("/roles/{path}"),
                format!("no role \"{path}\": the nearest is \"{near}\""),
            );
            continue;
        }
        for mode in Mode::BOTH {
            let Ok(End::Path(end)) = overrides.follow(path.as_str(), mode) else {
                continue;
            };
            let message = match kinds.get(end.as_str()) {
                Some(TokenKind::Color) => continue,
                Some(kind) => format!("expected a color, found a {}: \"{end}\"", kind.id()),
                None => format!("no token \"{end}\""),
            };
            problems.add(format!("/roles/{path}/{}", mode.id()), message);
        }
    }
    if problems.0.is_empty() {
        Ok(())
    } else {
        Err(problems)
    }
}

fn check_paths(tokens: &[Token]) -> Result<(), Problems> {
    let mut seen = HashSet::with_capacity(tokens.len());
    let twice = tokens.iter().find(|t| !seen.insert(&*t.path));
    match twice {
        None => Ok(()),
        Some(t) => Err(Problems::one(
            "",
            format!(
                "two tokens have the path \"{}\": expected different names",
                t.path
            ),
        )),
    }
}
