//! What the API shows of a derived theme.

use rhodon_color::{HueSlice, Rgb8, contrast_ratio, lightness_limits};
use rhodon_exchange::css_name;
use rhodon_theme::{Cell, Derived, Mode, NamedScale, Pair, Token};
use serde::Serialize;
use utoipa::ToSchema;

/// Contrast ratios that the stave draws as lines.
const LINES: [f64; 3] = [3.0, 4.5, 7.0];

/// Everything that follows from a document.
#[derive(Debug, Serialize, ToSchema)]
#[serde(rename_all = "camelCase")]
pub struct DerivedView {
    name: String,
    scales: Vec<ScaleView>,
    intents: Vec<IntentView>,
    tokens: Vec<TokenView>,
    pairs: Vec<PairView>,
    /// What had to give way, in sentences.
    notes: Vec<String>,
    guides: GuidesView,
}

/// A scale.
#[derive(Debug, Serialize, ToSchema)]
#[serde(rename_all = "camelCase")]
pub struct ScaleView {
    slug: String,
    name: String,
    /// `set`, `derived` or `inherited`.
    origin: String,
    reason: String,
    method: &'static str,
    /// Index of the step that holds the scale's own colour.
    base: usize,
    steps: Vec<StepView>,
}

/// One step.
#[derive(Debug, Serialize, ToSchema)]
#[serde(rename_all = "camelCase")]
pub struct StepView {
    label: String,
    path: String,
    hex: String,
    /// CIE L* (D65), 0–100.
    lightness: f64,
    /// Oklch chroma.
    chroma: f64,
    /// The most chroma that sRGB holds at this lightness and hue.
    limit: f64,
    /// Oklch hue in degrees, none for a grey.
    hue: Option<f64>,
    pinned: bool,
    /// Black or white, whichever is read better on it.
    ink: String,
}

/// An intent and the slug of its scale.
#[derive(Debug, Serialize, ToSchema)]
pub struct IntentView {
    name: String,
    scale: String,
    origin: String,
    reason: String,
}

/// A token; without `dark` its value holds in both modes.
#[derive(Debug, Serialize, ToSchema)]
#[serde(rename_all = "camelCase")]
pub struct TokenView {
    path: String,
    /// Name of its custom property.
    css: String,
    /// `scales`, `roles`, `own`, `type` or `shape`.
    section: String,
    kind: &'static str,
    omitted: bool,
    light: CellView,
    #[serde(skip_serializing_if = "Option::is_none")]
    dark: Option<CellView>,
}

/// A value and why it is so.
#[derive(Debug, Serialize, ToSchema)]
pub struct CellView {
    value: String,
    #[serde(skip_serializing_if = "Option::is_none")]
    alias: Option<String>,
    origin: String,
    reason: String,
}

/// A foreground and the background it is declared to sit on.
#[derive(Debug, Serialize, ToSchema)]
pub struct PairView {
    /// `light` or `dark`.
    mode: &'static str,
    fg: String,
    bg: String,
    ratio: f64,
    need: f64,
    pass: bool,
}

/// The stave's vertical lines, per mode.
#[derive(Debug, Serialize, ToSchema)]
pub struct GuidesView {
    light: GuideView,
    dark: GuideView,
}

/// Contrast limits against the page.
#[derive(Debug, Serialize, ToSchema)]
pub struct GuideView {
    /// Code of `surface.base`.
    page: String,
    lines: Vec<LineView>,
}

/// From this lightness on, away from the page, a colour has the ratio.
#[derive(Debug, Serialize, ToSchema)]
pub struct LineView {
    ratio: f64,
    lightness: f64,
}

fn word(value: impl Serialize) -> String {
    serde_json::to_value(value).ok().and_then(|v| v.as_str().map(str::to_owned)).unwrap_or_default()
}

impl From<&Derived> for DerivedView {
    fn from(theme: &Derived) -> Self {
        Self {
            name: theme.name.clone(),
            scales: theme.scales.iter().map(ScaleView::from).collect(),
            intents: theme
                .intents
                .iter()
                .map(|i| IntentView {
                    name: i.name.to_string(),
                    scale: theme.scales[i.scale].slug.to_string(),
                    origin: word(i.origin),
                    reason: i.reason.to_string(),
                })
                .collect(),
            tokens: theme.tokens.iter().map(TokenView::from).collect(),
            pairs: theme.pairs.iter().map(PairView::from).collect(),
            notes: theme.notes.clone(),
            guides: GuidesView { light: guide(theme, Mode::Light), dark: guide(theme, Mode::Dark) },
        }
    }
}

impl From<&NamedScale> for ScaleView {
    fn from(s: &NamedScale) -> Self {
        let steps = s.scale.steps.iter().enumerate().map(|(i, step)| {
            let lch = step.color.to_oklch();
            let white = contrast_ratio(step.color, Rgb8::WHITE) >= contrast_ratio(step.color, Rgb8::BLACK);
            StepView {
                label: step.label.to_string(),
                path: s.step_path(i).to_string(),
                hex: step.color.to_string(),
                lightness: step.lightness,
                chroma: lch.c,
                limit: HueSlice::new(lch.h).max_chroma(step.color.luminance_cie()),
                hue: lch.hue(),
                pinned: step.pinned,
                ink: if white { Rgb8::WHITE } else { Rgb8::BLACK }.to_string(),
            }
        });
        Self {
            slug: s.slug.to_string(),
            name: s.name.to_string(),
            origin: word(s.origin),
            reason: s.reason.to_string(),
            method: s.settings.method.unwrap_or_default().id,
            base: s.scale.base,
            steps: steps.collect(),
        }
    }
}

impl From<&Token> for TokenView {
    fn from(t: &Token) -> Self {
        let cell = |c: &Cell| CellView {
            value: c.value.to_string(),
            alias: c.alias.as_ref().map(ToString::to_string),
            origin: word(c.origin),
            reason: c.reason.to_string(),
        };
        Self {
            path: t.path.to_string(),
            css: css_name(&t.path),
            section: word(t.section),
            kind: t.kind.id(),
            omitted: t.omitted,
            light: cell(t.cell(Mode::Light)),
            dark: (!t.is_modeless()).then(|| cell(t.cell(Mode::Dark))),
        }
    }
}

impl From<&Pair> for PairView {
    fn from(p: &Pair) -> Self {
        Self {
            mode: p.mode.id(),
            fg: p.fg.to_string(),
            bg: p.bg.to_string(),
            ratio: p.ratio,
            need: p.need,
            pass: p.pass,
        }
    }
}

fn guide(theme: &Derived, mode: Mode) -> GuideView {
    let base = theme.token("surface.base").and_then(|t| t.cell(mode).value.color());
    let page = base.map_or(Rgb8::WHITE, |c| c.code);
    let dark_page = page.lightness() < 50.0;
    let lines = LINES.iter().filter_map(|ratio| {
        let (darker, lighter) = lightness_limits(page, *ratio);
        let lightness = if dark_page { lighter } else { darker };
        lightness.map(|lightness| LineView { ratio: *ratio, lightness })
    });
    GuideView { page: page.to_string(), lines: lines.collect() }
}
