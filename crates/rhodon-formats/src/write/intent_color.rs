//! One colour of an intent for frameworks that paint grounds, text and outlines with it.

use std::sync::Arc;

use rhodon_color::{Rgb8, contrast_ratio, ink_on};
use rhodon_theme::{ColorValue, IntentPart, IntentScale, Mode, Role, TEXT_RATIO};

use crate::job::Job;
use crate::option::{OptionKind, TargetOption};

/// Which colour such a framework gets.
pub(crate) const MAIN: TargetOption = TargetOption {
    key: "main",
    kind: OptionKind::Choice(&["readable", "exact"]),
    default: "readable",
    help: "An intent's main colour, which the framework also uses for text and outlines: the fill where that reads on every surface and else the readable colour, or always the exact fill.",
};

/// What shows that a colour is another one: L\* between the main colour and its neighbours.
const STEP: f64 = 10.0;
/// The most of a colour that is laid over its ground where it is text.
const WASH: f64 = 0.12;
/// The most of a text's colour that is laid over its ground while it is pointed at.
const STATE: f64 = 0.08;
/// Some frameworks write dark text with this opacity.
const DARK_INK: f64 = 0.87;

/// A main colour with what stands on it and beside it.
#[derive(Clone, Copy, Debug)]
pub(crate) struct IntentColor {
    pub main: ColorValue,
    /// Text on the main colour and on the darker one.
    pub ink: ColorValue,
    /// A lighter step of the scale.
    pub lighter: Rgb8,
    /// A darker step of the scale, on which the text reads too.
    pub darker: Rgb8,
}

impl IntentColor {
    /// For an intent in a mode, as the target's option says.
    pub(crate) fn of(job: &Job<'_>, intent: &IntentScale, mode: Mode) -> Self {
        let part = |part: IntentPart| job.role(&part.of(intent.name.as_str()), mode);
        let fill = part(IntentPart::Fill);
        let main = match job.settings.get(&MAIN) {
            "exact" => fill,
            _ => readable(job, intent, mode),
        };
        let ink = if main == fill {
            part(IntentPart::FillText)
        } else {
            ColorValue::opaque(ink_on(main.code))
        };
        let shades = job.theme.shades(intent, IntentPart::Fill, mode);
        let steps: Vec<Rgb8> = shades.scale.steps.iter().map(|s| s.color).collect();
        Self {
            main,
            ink,
            lighter: lighter(main.code, &steps),
            darker: darker(main.code, ink.code, &steps),
        }
    }
}

/// The readable colour of an intent: text and outline on the page, on cards and on its own tint. It
/// is the fill where that will do, else the text of its tint, else the first step that will. Where the fill was
/// set by hand, it is a shade of that.
pub(crate) fn readable(job: &Job<'_>, intent: &IntentScale, mode: Mode) -> ColorValue {
    let part = |part: IntentPart| job.role(&part.of(intent.name.as_str()), mode);
    let (fill, ink) = (part(IntentPart::Fill), part(IntentPart::FillText).code);
    let page = Page::of(job, intent, mode);
    if page.reads(fill, ink) {
        return fill;
    }
    let shades = job.theme.shades(intent, IntentPart::Fill, mode);
    let is_own = Arc::ptr_eq(&shades.scale, &job.theme.scales[intent.scale].scale);
    let steps = shades.scale.steps.iter();
    let mut steps: Vec<ColorValue> = steps.map(|s| ColorValue::opaque(s.color)).collect();
    if mode == Mode::Dark {
        steps.reverse();
    }
    // Of the steps those come first that are nearest to the page.
    let tint_text = is_own.then(|| part(IntentPart::TintText));
    let mut others = tint_text.into_iter().chain(steps);
    let found = others.find(|c| page.reads(*c, ink_on(c.code)));
    found.unwrap_or_else(|| job.role(Role::TEXT_MAIN.path(), mode))
}

/// What an intent's colour stands on as text.
struct Page {
    /// The ratio that text needs.
    need: f64,
    surfaces: [Rgb8; 4],
    tints: [Rgb8; 2],
}

impl Page {
    fn of(job: &Job<'_>, intent: &IntentScale, mode: Mode) -> Self {
        let code = |path: &str| job.role(path, mode).code;
        let tints = [IntentPart::Tint, IntentPart::TintHover];
        Self {
            need: job.theme.level.text(),
            surfaces: Role::SURFACES.map(|s| code(s.path())),
            tints: tints.map(|p| code(&p.of(intent.name.as_str()))),
        }
    }

    /// Whether a colour is text on the surfaces as they are and under its own wash, with which such
    /// frameworks show hover and quiet grounds, and on its tint, and whether it carries text while
    /// some of that is laid over it.
    fn reads(&self, color: ColorValue, ink: Rgb8) -> bool {
        let code = color.code;
        let on = |ground: &Rgb8| contrast_ratio(code, *ground) >= self.need;
        color.alpha >= 1.0
            && self.tints.iter().all(on)
            && self
                .surfaces
                .iter()
                .all(|g| on(g) && on(&mixed(*g, code, WASH)))
            && contrast_ratio(ink, mixed(code, ink, STATE)) >= self.need
    }
}

fn lighter(main: Rgb8, steps: &[Rgb8]) -> Rgb8 {
    let least = main.lightness() + STEP;
    let found = steps.iter().filter(|s| s.lightness() >= least);
    let nearest = found.min_by(|a, b| a.lightness().total_cmp(&b.lightness()));
    nearest.copied().unwrap_or(mixed(main, Rgb8::WHITE, 0.4))
}

fn darker(main: Rgb8, ink: Rgb8, steps: &[Rgb8]) -> Rgb8 {
    let most = main.lightness() - STEP / 2.0;
    let reads = |ground: Rgb8| contrast_ratio(ink, ground) >= TEXT_RATIO && holds_dark_ink(ground);
    let found = steps.iter().filter(|s| s.lightness() <= most && reads(**s));
    let nearest = found.max_by(|a, b| a.lightness().total_cmp(&b.lightness()));
    // Between the steps, as far from the main colour as its text allows.
    let between = || {
        let shades = (1..=20)
            .rev()
            .map(|n| mixed(main, Rgb8::BLACK, f64::from(n) / 100.0));
        shades
            .into_iter()
            .find(|s| contrast_ratio(ink, *s) >= TEXT_RATIO)
    };
    nearest
        .copied()
        .or_else(between)
        .unwrap_or(mixed(main, Rgb8::BLACK, 0.02))
}

/// Whether text reads on a ground for frameworks that choose it themselves: white where that has
/// 4.5 : 1, else black that is not quite opaque.
fn holds_dark_ink(ground: Rgb8) -> bool {
    let dark = mixed(ground, Rgb8::BLACK, DARK_INK);
    contrast_ratio(Rgb8::WHITE, ground) >= TEXT_RATIO || contrast_ratio(dark, ground) >= TEXT_RATIO
}

/// `share` of a colour laid over another, channel by channel, as frameworks mix.
pub(crate) fn mixed(ground: Rgb8, over: Rgb8, share: f64) -> Rgb8 {
    let channel =
        |g: u8, o: u8| (f64::from(g) + (f64::from(o) - f64::from(g)) * share).round() as u8;
    let ([r, g, b], [s, h, c]) = (ground.channels(), over.channels());
    Rgb8::new(channel(r, s), channel(g, h), channel(b, c))
}
