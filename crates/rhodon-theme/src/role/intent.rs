//! What every intent offers: a fill with its states and text, a tint with its text, an edge,
//! and the far end of a gradient.

use rhodon_color::ContrastOn;

use super::known_intent::{Asked, Parts};
use super::painter::{Choice, Painter, RoleId};
use super::pick::{Needs, Reach};
use crate::palette::{IntentScale, NamedScale};
use crate::reason::Reason;
use crate::vocabulary::{Intent, IntentPart};

/// Intents that say how something stands.
const STATUS: [Intent; 4] = [
    Intent::Success,
    Intent::Warning,
    Intent::Danger,
    Intent::Info,
];

/// The parts in the order in which they are painted.
const PARTS: Parts<IntentPart> = [
    IntentPart::Fill,
    IntentPart::FillText,
    IntentPart::FillHover,
    IntentPart::FillPressed,
    IntentPart::GradientEnd,
    IntentPart::Tint,
    IntentPart::TintHover,
    IntentPart::TintText,
    IntentPart::Edge,
];

pub(crate) fn paint(p: &mut Painter<'_>) {
    for intent in p.on.intents {
        let others = fills_before(p, intent.name.as_str());
        let asked = Asked::of(p, intent, &others);
        let known = asked.as_ref().and_then(|asked| asked.known(&intent.reason));
        let ids = match known {
            Some(known) => put_again(p, intent, &known.parts),
            None => {
                let ids = parts(p, intent, &others);
                if let Some(asked) = asked {
                    asked.keep(intent.reason.clone(), ids.map(|id| p.choice(id)));
                }
                ids
            }
        };
        pairs(p, ids);
    }
}

/// The parts as they were chosen before.
fn put_again(p: &mut Painter<'_>, intent: &IntentScale, known: &Parts<Choice>) -> Parts<RoleId> {
    std::array::from_fn(|i| p.put(intent.path(PARTS[i]), known[i].clone()))
}

fn parts(p: &mut Painter<'_>, intent: &IntentScale, others: &[RoleId]) -> Parts<RoleId> {
    let [fill, text, hover, pressed, end] = fill(p, intent, others);
    let [tint, tint_hover, tint_text, edge] = tint(p, intent);
    [
        fill, text, hover, pressed, end, tint, tint_hover, tint_text, edge,
    ]
}

/// What is read on what.
fn pairs(p: &mut Painter<'_>, ids: Parts<RoleId>) {
    let [
        fill,
        text,
        hover,
        pressed,
        end,
        tint,
        tint_hover,
        tint_text,
        edge,
    ] = ids;
    for ground in [fill, hover, pressed, end] {
        p.pair(text, ground, p.text());
    }
    for ground in [tint, tint_hover] {
        p.pair(tint_text, ground, p.text());
    }
    p.pair_on_surfaces(tint_text, p.text());
    p.pair_on_surfaces(edge, p.graphic());
}

fn fill(p: &mut Painter<'_>, intent: &IntentScale, others: &[RoleId]) -> [RoleId; 5] {
    let scale = &p.on.scales[intent.scale];
    let choice = p.fill_for_text(scale, intent.reason.clone(), others);
    let fill = p.put(intent.path(IntentPart::Fill), choice);
    let text_choice = p.text_on(fill);
    let text = p.put(intent.path(IntentPart::FillText), text_choice);
    let kin = p.kin(fill, scale);
    let [hover, pressed, end] = p.states(fill, text, &kin);
    let hover = p.put(intent.path(IntentPart::FillHover), hover);
    let pressed = p.put(intent.path(IntentPart::FillPressed), pressed);
    let end = p.put(intent.path(IntentPart::GradientEnd), end);
    [fill, text, hover, pressed, end]
}

/// Fills of the status intents before this one, where it is one: they must stay apart.
fn fills_before(p: &Painter<'_>, name: &str) -> Vec<RoleId> {
    let at = STATUS.iter().position(|status| status.id() == name);
    let before = &STATUS[..at.unwrap_or(0)];
    before
        .iter()
        .filter_map(|status| p.find(status.role(IntentPart::Fill)))
        .collect()
}

fn tint(p: &mut Painter<'_>, intent: &IntentScale) -> [RoleId; 4] {
    let scale = &p.on.scales[intent.scale];
    let none = Needs {
        on: &[],
        ratio: 1.0,
    };
    let tint_choice = p.pick(scale, p.by_mode(93.0, 18.0), Reach::NEAR, none);
    let tint = p.put(intent.path(IntentPart::Tint), tint_choice);
    let hover_tone = p.code(tint).lightness() + p.by_mode(-4.0, 6.0);
    let hover_choice = p.kin(tint, scale).at(
        p,
        hover_tone,
        "a little further from the page than the tint".into(),
    );
    let hover = p.put(intent.path(IntentPart::TintHover), hover_choice);

    let grounds = [&[tint, hover], &p.surfaces[..]].concat();
    let needs = Needs {
        on: &grounds,
        ratio: p.text(),
    };
    let choice = p.fill_or_tone(scale, p.by_mode(37.0, 78.0), needs);
    let text = p.put(intent.path(IntentPart::TintText), choice);

    let surfaces = p.surfaces.clone();
    let choice = p.fill_or_tone(
        scale,
        p.by_mode(50.0, 58.0),
        Needs {
            on: &surfaces,
            ratio: p.graphic(),
        },
    );
    let edge = p.put(intent.path(IntentPart::Edge), choice);
    [tint, hover, text, edge]
}

impl Painter<'_> {
    /// The exact colour of the scale where it can be read, else the step nearest a tone.
    pub(crate) fn fill_or_tone(&self, scale: &NamedScale, tone: f64, needs: Needs<'_>) -> Choice {
        let base = ContrastOn::new(scale.scale.base_step().color);
        let reads = needs
            .on
            .iter()
            .all(|id| self.ground(*id).between(base) >= needs.ratio);
        if reads {
            return scale.choice(
                scale.scale.base,
                Reason::Itself {
                    scale: scale.name.clone(),
                    ratio: needs.ratio,
                },
            );
        }
        self.pick(scale, tone, Reach::WIDE, needs)
    }
}
